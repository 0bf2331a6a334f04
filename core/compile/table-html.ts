import {
  columnGroups,
  gridOf,
  headerRole,
  heldOn,
  isNegative,
  isNumberCell,
  isUnevenRow,
  marksOf,
  namedHeaders,
  padOf,
  sectionOf,
  type GridCell,
  type Held,
  type Section,
  type Table,
} from '../table';
import { element, textWithBreaks, type Element, type MarkupNode } from './markup';
import { contract } from './selectors';

export interface TableHtmlOptions {
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
  /** Whether the description stands beside it, so that it can be pointed to. */
  readonly described?: boolean;
}

const aboutId = ({ id }: TableHtmlOptions): string => `${id}-about`;

/** The table itself, as the markup contract says (docs/markup.md). */
export function tableElement(table: Table, options: TableHtmlOptions): Element {
  const { caption } = table;
  const children: MarkupNode[] = caption === '' ? [] : [element('caption', { id: `${options.id}-caption` }, ...textWithBreaks(caption))];
  children.push(...columnGroups(table).map(({ columns }) => element('colgroup', { span: columns })));
  for (const [tag, section] of [
    ['thead', 'header'],
    ['tbody', 'body'],
    ['tfoot', 'footer'],
  ] as const) {
    const rows = rowsOf(table, section, options);
    if (rows.length > 0) children.push(element(tag, {}, ...rows));
  }
  return element(
    'table',
    {
      class: options.theme === undefined ? undefined : contract.theme(options.theme),
      style: options.style,
      'aria-describedby': options.described && table.description !== '' ? aboutId(options) : undefined,
    },
    ...children,
  );
}

/** The table in the frame that lets a wide one scroll: a named region that the keyboard reaches (WCAG 2.2, 2.1.1). */
export function framedTable(table: Table, options: TableHtmlOptions): Element {
  const name = table.caption === '' ? { 'aria-label': table.name } : { 'aria-labelledby': `${options.id}-caption` };
  const { description } = table;
  const about = description === '' ? [] : [element('p', { id: aboutId(options), class: contract.about }, ...textWithBreaks(description))];
  return element(
    'div',
    { class: contract.frame, role: 'region', ...name, tabindex: 0 },
    tableElement(table, { ...options, described: true }),
    ...about,
  );
}

function rowsOf(table: Table, section: Section, options: TableHtmlOptions): Element[] {
  return gridOf(table).rows.flatMap((cells, row) => {
    if (sectionOf(table, row) !== section) return [];
    const held = options.held?.rows?.get(row) ?? [];
    const attributes = {
      class: isUnevenRow(table, row) ? contract.uneven : undefined,
      [contract.selected]: held.includes('selected') ? '' : undefined,
      'aria-disabled': held.includes('disabled') ? 'true' : undefined,
      [contract.held]: held.filter((condition) => condition !== 'selected' && condition !== 'disabled').join(' ') || undefined,
    };
    return [element('tr', attributes, ...cells.map((cell) => cellElement(table, cell, options)))];
  });
}

/** The id of a header cell that others name; where it stands makes it unique in its table. */
const cellId = ({ id }: TableHtmlOptions, { row, column }: GridCell): string => `${id}-r${row}c${column}`;

function cellElement(table: Table, cell: GridCell, options: TableHtmlOptions): Element {
  const { slots, held, contentOf } = options;
  const named = namedHeaders(table);
  const { tag, scope } = headerRole(table, cell);
  const conditions = held ? heldOn(table, cell, held) : [];
  const isHeader = cell.section === 'header';
  return element(
    tag,
    {
      class: classesOf(table, cell, tag, isHeader ? [] : conditions) || undefined,
      id: named.size > 0 && tag === 'th' ? cellId(options, cell) : undefined,
      headers: named
        .get(cell)
        ?.map((header) => cellId(options, header))
        .join(' '),
      scope,
      rowspan: cell.rows > 1 ? cell.rows : undefined,
      colspan: cell.columns > 1 ? cell.columns : undefined,
      'aria-sort': isHeader && conditions.includes('sorted') ? 'ascending' : undefined,
      [contract.held]: (isHeader && conditions.filter((condition) => condition !== 'sorted').join(' ')) || undefined,
      [contract.pad]: (isNumberCell(table, cell) && padOf(table, cell)) || undefined,
      'data-slot': slots ? `${cell.row} ${cell.column}` : undefined,
    },
    ...(contentOf?.(cell) ?? textWithBreaks(cell.text)),
  );
}

/** The marks by which the stylesheet finds a cell (docs/markup.md). */
function classesOf(table: Table, cell: GridCell, tag: 'th' | 'td', conditions: readonly string[]): string {
  const marks = marksOf(table, cell);
  const number = isNumberCell(table, cell);
  const holds: readonly (readonly [string, boolean])[] = [
    [contract.inset, marks.inset],
    [contract.head, cell.isRowHeader && tag === 'td'],
    [contract.group, marks.group],
    [contract.corner, marks.corner],
    [contract.beside, marks.beside],
    [contract.second, marks.second],
    [contract.last, marks.last],
    [contract.even, marks.even],
    [contract.number, number],
    [contract.negative, number && isNegative(cell.text)],
    [contract.sorted, conditions.includes('sorted')],
    [contract.columnHovered, conditions.includes('column-hovered')],
  ];
  return holds
    .filter(([, is]) => is)
    .map(([name]) => name)
    .join(' ');
}
