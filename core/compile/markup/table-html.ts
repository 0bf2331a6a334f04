import {
  columnNames,
  goesOnBelow,
  gridOf,
  headerRole,
  heldOn,
  valueConditions,
  isGroupHeading,
  isNumberCell,
  isUnevenRow,
  joinsAbove,
  marksOf,
  namedHeaders,
  padOf,
  rowGroups,
  setColumns,
  shownTable,
  turnedTable,
  widthOf,
  type GridCell,
  type Held,
  type RowGroup,
  type Table,
} from '../../table';
import { spokenIn } from '../../languages';
import type { AskedFor } from './asked-by';
import { columnElements } from './columns-html';
import { awayOf, cellContent, leftOut } from './in-cells';
import { frameClasses } from '../rules/beside/column-frames';
import { exceptionClasses } from '../rules/beside/exception-rules';
import { totalOnPage } from './found-totals';
import { columnLabels, isPlain, labelOf } from './labels';
import { element, textWithBreaks, type Element, type MarkupNode } from './markup';
import { shortHash } from '../sheet/short-hash';
import { contract } from './contract';
import { saidAgain } from './said-again';
import { canSort, filterKind, sortValue } from './sort-values';

export interface TableHtmlOptions extends AskedFor {
  /** Key of the theme that dresses it; none leaves the table bare. */
  readonly theme?: string;
  /** A prefix that makes ids unique on the page. */
  readonly id: string;
  /** Conditions to hold open: for previews only. */
  readonly held?: Held;
  /** What stands in a cell in place of its text: for specimens with links, buttons and icons. */
  readonly contentOf?: (cell: GridCell) => readonly MarkupNode[] | undefined;
  /** For previews: says which slot each cell starts in, so that a click can be told apart. */
  readonly slots?: boolean;
  readonly style?: string;
  /** Writes the columns' widths into the markup, for files that stand alone. */
  readonly inline?: boolean;
  /** Whether the description stands beside it, so that it can be pointed to. */
  readonly described?: boolean;
  /** Whether visitors can sort it: headers to sort by are marked, and cells say what they are sorted by. */
  readonly sortable?: boolean;
  /** Names of columns that they cannot sort by all the same. */
  readonly unsorted?: readonly string[];
  /** Whether visitors can filter it: header cells say how. */
  readonly filtered?: boolean;
  /** Whether totals follow what visitors find: they say how they are worked out. */
  readonly totals?: boolean;
  /** Whether its header stays in view in its frame. */
  readonly header?: boolean;
  /** Whether rules bring those labels that rules can bring (`labelRules`). */
  readonly named?: boolean;
  /** Whether this is that one. */
  readonly isTurned?: boolean;
  /** Whether its caption is heard and not seen. */
  readonly bare?: boolean;
  /** The how manieth of this name it is on its page: regions are told apart by their names. */
  readonly nth?: number;
  /** Shows the columns that are hidden. */
  readonly whole?: boolean;
}

const aboutId = ({ id }: TableHtmlOptions): string => `${id}-about`;

/** The table itself, as the markup contract says (docs/markup.md). */
export function tableElement(whole: Table, options: TableHtmlOptions): Element {
  const table = options.whole ? shownTable(setColumns(whole, 0, widthOf(whole) - 1, { hidden: false })) : shownTable(whole);
  const { caption } = table;
  const children: MarkupNode[] = caption === '' ? [] : [element('caption', { id: `${options.id}-caption` }, ...textWithBreaks(caption))];
  children.push(...columnElements(table, options));
  const { header, body, footer } = rowGroups(table);
  for (const [tag, groups] of [
    ['thead', header],
    ['tbody', body],
    ['tfoot', footer],
  ] as const)
    for (const group of groups)
      if (group.count > 0) children.push(element(tag, { role: options.labelled ? 'rowgroup' : undefined }, ...rowsOf(table, group, options)));
  return element(
    'table',
    {
      role: options.labelled ? 'table' : undefined,
      class:
        [
          options.theme === undefined ? '' : contract.theme(options.theme),
          ...ownClasses(table),
          options.bare && caption !== '' ? contract.caption('unseen') : '',
          options.header ? contract.header : '',
          options.isTurned ? contract.turned : '',
          isNamed(table, options) ? contract.named : '',
        ]
          .filter(Boolean)
          .join(' ') || undefined,
      style: options.style,
      // In a frame that has it: what scrolls sideways begins where its texts do.
      ...(options.described ? {} : spokenIn(table.language)),
      'aria-describedby': options.described && table.description !== '' ? aboutId(options) : undefined,
    },
    ...children,
  );
}

/** The table in the frame that lets a wide one scroll: a named region that the keyboard reaches (WCAG 2.2, 2.1.1). */
export function framedTable(table: Table, options: TableHtmlOptions): Element {
  const { caption, name: called } = table;
  const again = options.nth ?? 1;
  const name =
    again > 1
      ? { 'aria-label': `${caption || called} (${again})` }
      : caption === ''
        ? { 'aria-label': called }
        : { 'aria-labelledby': `${options.id}-caption` };
  const { description, note } = table;
  const below = note === '' ? [] : [element('p', { class: contract.note }, ...textWithBreaks(note))];
  const about = description === '' ? [] : [element('p', { id: aboutId(options), class: contract.about }, ...textWithBreaks(description))];
  return element(
    'div',
    { class: contract.frame, role: 'region', ...spokenIn(table.language), ...name, tabindex: 0 },
    tableElement(table, { ...options, described: true }),
    ...turnedElements(table, options),
    ...below,
    ...about,
  );
}

/** The same table with its rows as columns, for widths at which its theme has it so. */
export function turnedElements(table: Table, options: TableHtmlOptions): readonly Element[] {
  const turned = options.turned ? turnedTable(table) : undefined;
  if (!turned) return [];
  return [
    tableElement(turned, {
      theme: options.theme,
      id: `${options.id}-turned`,
      isTurned: true,
      bare: options.bare,
      reads: options.reads,
      cards: options.cards,
      cut: options.cut,
    }),
  ];
}

/** A framed table, with its bars or without, in the box whose width decides which of the theme's width steps holds. */
export const boxed = (framed: Element, id?: string, style?: string): Element => element('div', { class: contract.box, id, style }, framed);

/** What this table asks for beside its theme: where its caption stands, and a first column that stays. */
export function ownClasses({ caption, captionSide, captionAlign, pinned, css = '' }: Table): readonly string[] {
  return [
    captionSide !== '' && caption !== '' ? contract.caption(captionSide) : '',
    captionAlign !== '' && caption !== '' ? contract.caption(captionAlign) : '',
    pinned ? contract.pinned : '',
    css === '' ? '' : contract.own(shortHash(css)),
  ].filter((name) => name !== '');
}

function rowsOf(table: Table, { first, count }: RowGroup, options: TableHtmlOptions): Element[] {
  return Array.from({ length: count }, (_, i) => first + i).map((row) => {
    const cells = gridOf(table).row(row);
    const held = options.held?.rows?.get(row) ?? [];
    const attributes = {
      role: options.labelled ? 'row' : undefined,
      class: rowClasses(table, row, options.cards).join(' ') || undefined,
      [contract.selected]: held.includes('selected') ? '' : undefined,
      'aria-disabled': held.includes('disabled') ? 'true' : undefined,
      [contract.held]: held.filter((condition) => condition !== 'selected' && condition !== 'disabled').join(' ') || undefined,
    };
    return element('tr', attributes, ...cells.map((cell) => cellElement(table, cell, options)));
  });
}

/** The marks by which the stylesheet finds a row; `cards` asks for those of rows that are held together. */
export const rowClasses = (table: Table, row: number, cards = false): readonly string[] => [
  ...(isUnevenRow(table, row) ? [contract.uneven] : []),
  ...(cards && joinsAbove(table, row) ? [contract.joins] : []),
  ...(cards && goesOnBelow(table, row) ? [contract.goesOn] : []),
];

/** The id of a header cell that others name; where it stands makes it unique in its table. */
const cellId = ({ id }: TableHtmlOptions, { row, column }: GridCell): string => `${id}-r${row}c${column}`;

function cellElement(table: Table, cell: GridCell, options: TableHtmlOptions): Element {
  const { slots, held, contentOf, sortable = false, unsorted = [], filtered = false, totals = false } = options;
  const named = namedHeaders(table);
  const { tag, scope } = headerRole(table, cell);
  const conditions = held ? heldOn(table, cell, held) : [];
  const isHeader = cell.section === 'header';
  const again = options.labelled ? saidAgain(table, cell) : undefined;
  const opens = options.fewer ? leftOut(table, cell, options) : [];
  return element(
    tag,
    {
      role: options.labelled ? roleOf(cell, tag) : undefined,
      class:
        [
          classesOf(table, cell, tag, isHeader ? [] : conditions),
          options.cards && cell.rows > 1 && goesOnBelow(table, cell.row + cell.rows - 1) ? contract.goesOn : '',
          options.fewer ? awayOf(table, cell.column, cell.columns) : '',
        ]
          .filter(Boolean)
          .join(' ') || undefined,
      id: named.size > 0 && tag === 'th' ? cellId(options, cell) : undefined,
      headers: named
        .get(cell)
        ?.map((header) => cellId(options, header))
        .join(' '),
      scope,
      // A row's header is called what it says, and not what its button is called besides.
      'aria-label': tag === 'th' && opens.length > 0 ? cell.text.trim() : undefined,
      rowspan: cell.rows > 1 ? cell.rows : undefined,
      colspan: cell.columns > 1 ? cell.columns : undefined,
      'aria-sort': isHeader && conditions.includes('sorted') ? 'ascending' : undefined,
      [contract.held]: (isHeader && conditions.filter((condition) => condition !== 'sorted').join(' ')) || undefined,
      [contract.pad]: unseenDigits(table, cell),
      [contract.value]: sortable || filtered || totals ? sortValue(table, cell) : undefined,
      [contract.total]: totals ? totalOnPage(table, cell) : undefined,
      [contract.filter]: filtered && canSort(table, cell) ? filterKind(table, cell.column) : undefined,
      [contract.sorts]: sortable && canSort(table, cell) && !isUnsorted(table, cell, unsorted) ? '' : undefined,
      'data-slot': slots ? `${cell.row} ${cell.column}` : undefined,
    },
    ...(again?.before ?? []),
    ...(options.labelled && !(isNamed(table, options) && isPlain(table, cell)) ? labelNodes(table, cell) : []),
    ...(contentOf?.(cell) ?? cellContent(table, cell, options)),
    ...(again?.after ?? []),
    ...opens,
  );
}

const roleOf = ({ section }: GridCell, tag: 'th' | 'td'): string => (tag === 'td' ? 'cell' : section === 'header' ? 'columnheader' : 'rowheader');

/** Hidden columns that visitors see have no places of their own in the rules. */
const isNamed = (table: Table, { labelled, named, whole }: TableHtmlOptions): boolean =>
  labelled === true && named === true && !whole && columnLabels(table) !== undefined;

function labelNodes(table: Table, cell: GridCell): readonly MarkupNode[] {
  const label = labelOf(table, cell);
  return label === '' ? [] : [element('span', { class: contract.label, 'aria-hidden': 'true' }, label)];
}

const isUnsorted = (table: Table, { column }: GridCell, names: readonly string[]): boolean =>
  names.length > 0 && names.includes(columnNames(table)[column] ?? '');

/** What a number lacks behind its decimal mark, as digits that are not seen. */
export const unseenDigits = (table: Table, cell: GridCell): string | undefined => (isNumberCell(table, cell) && padOf(table, cell)) || undefined;

/** The marks by which the stylesheet finds a cell (docs/markup.md). */
export function classesOf(table: Table, cell: GridCell, tag: 'th' | 'td', conditions: readonly string[] = []): string {
  const marks = marksOf(table, cell);
  const number = isNumberCell(table, cell);
  const heading = cell.section === 'body' && isGroupHeading(table, cell.row);
  const holds: readonly (readonly [string, boolean])[] = [
    [contract.inset, marks.inset],
    [contract.head, (cell.isRowHeader || heading) && tag === 'td'],
    [contract.heading, heading],
    [contract.group, marks.group],
    [contract.corner, marks.corner],
    [contract.beside, marks.beside],
    [contract.second, marks.second],
    [contract.last, marks.last],
    [contract.even, marks.even],
    [contract.end, marks.end],
    [contract.number, number],
    ...valueConditions(table, cell).map(({ mark, isCounted }) => [mark, !isCounted] as const),
    [contract.sorted, conditions.includes('sorted')],
    [contract.columnHovered, conditions.includes('column-hovered')],
  ];
  return [...holds.filter(([, is]) => is).map(([name]) => name), ...exceptionClasses(table, cell), ...frameClasses(table, cell)].join(' ');
}
