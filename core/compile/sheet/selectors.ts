import { contract } from '../markup/contract';
import { conditionOf, markedConditions, type ConditionName, type MarkedCondition, type PartIn, type PartName, type Place } from '../../theme';

/**
 * How places become selectors. Everything behind the theme's class stands in :where(), so each rule weighs
 * one class and their order decides. Child combinators keep a table inside a cell out of reach.
 */
export interface SelectorOptions {
  readonly theme: string;
  /** For previews: a condition also holds where `data-held` names it. */
  readonly held: boolean;
  /** Which rows are banded, as :nth-child() counts them. */
  readonly band: string;
  /** Whether texts may stand in an element within their cells: what stands in a cell is then found in that too. */
  readonly isWrapped?: boolean;
}

const VISIBLE = ':not([hidden])';
/** The same selector where no row is ever hidden: browsers count those faster. */
export const withNoneHidden = (selector: string): string => selector.replaceAll(` of ${VISIBLE}`, '');
/** Rows whose cells do not stand in the columns that they can be counted in say so. */
const counted = (test: string, mark: string): string => `:is(${test}:not(.${contract.uneven}>*),.${mark})`;
const EVEN = counted(':nth-child(even)', contract.even);
const SECOND = counted(':nth-child(2)', contract.second);
const LAST = counted(':last-child', contract.last);
/** Cells in the first column, and those that reach to the last. */
export const ROW_START = `:first-child:not(.${contract.inset})`;
export const ROW_END = counted(':last-child', contract.end);
const FOCUS = ':is(:focus-visible,:has(:focus-visible))';

/** Where a part's cells stand, and what tells them from others of their row group. */
const cellParts: { readonly [part in PartIn<'cells'>]: { readonly group: string; readonly cell: string } } = {
  'column-headers': { group: 'thead', cell: '' },
  'header-groups': { group: 'thead', cell: `.${contract.group}` },
  corner: { group: 'thead', cell: `.${contract.corner}` },
  'body-rows': { group: 'tbody', cell: '' },
  'row-headers': { group: 'tbody', cell: `:is(th,.${contract.head})` },
  'group-headings': { group: 'tbody', cell: `.${contract.heading}` },
  footer: { group: 'tfoot', cell: '' },
  numbers: { group: 'tbody,tfoot', cell: `.${contract.number}` },
};
/** A list by parts, to be asked for any part. */
const mapOf = <T>(list: { readonly [part in PartName]?: T }): ReadonlyMap<PartName, T> => new Map(Object.entries(list) as [PartName, T][]);
const standing = mapOf(cellParts);

interface Test {
  readonly row: string;
  readonly cell: string;
}
const ofRow = (row: string): Test => ({ row, cell: '' });
const ofCell = (cell: string): Test => ({ row: '', cell });

/** Where a condition is asked for: of a header or of other cells, with that band. */
interface Asked {
  readonly isHeader: boolean;
  readonly band: string;
}
const bandOf = ({ band }: Asked): string => `:nth-child(${band} of ${VISIBLE})`;
const othersOf = (asked: Asked): string =>
  asked.band === 'even' ? `:nth-child(odd of ${VISIBLE})` : asked.band === 'odd' ? `:nth-child(even of ${VISIBLE})` : `:not(${bandOf(asked)})`;

/** Conditions of cards alone (`compile/cards`). */
type CardCondition = 'absent' | 'not-said' | 'emphasised';

/** What each condition asks of the row and of the cell; bands, first and last count visible rows only. What a value brings is asked by its mark. */
const tests: { readonly [condition in Exclude<ConditionName, MarkedCondition | CardCondition>]: Test | ((asked: Asked) => Test) } = {
  rest: ofRow(''),
  odd: (asked) => ofRow(othersOf(asked)),
  even: (asked) => ofRow(bandOf(asked)),
  'odd-columns': ofCell(`:not(${EVEN})`),
  'even-columns': ofCell(EVEN),
  first: ofRow(`:nth-child(1 of ${VISIBLE})`),
  last: ofRow(`:nth-last-child(1 of ${VISIBLE})`),
  sorted: ({ isHeader }) => ofCell(isHeader ? '[aria-sort$=ending]' : `.${contract.sorted}`),
  'sorted-odd': (asked) => ({ row: othersOf(asked), cell: `.${contract.sorted}` }),
  'sorted-even': (asked) => ({ row: bandOf(asked), cell: `.${contract.sorted}` }),
  'column-hovered': ofCell(`.${contract.columnHovered}`),
  'hovered-odd': (asked) => ofRow(`${othersOf(asked)}:hover`),
  'hovered-even': (asked) => ofRow(`${bandOf(asked)}:hover`),
  hovered: ({ isHeader }) => (isHeader ? ofCell(`[${contract.sorts}]:hover`) : ofRow(':hover')),
  pressed: ofCell(`[${contract.sorts}]:active`),
  selected: ofRow(`:is([${contract.selected}],[aria-selected=true])`),
  focused: ({ isHeader }) => (isHeader ? ofCell(`[${contract.sorts}]${FOCUS}`) : ofRow(FOCUS)),
  disabled: ofRow('[aria-disabled=true]'),
  current: ofCell('[aria-current]'),
};

/** Where there is one tier of headers, each column is a group of its own. */
const markedTests: { readonly [condition in MarkedCondition]?: (mark: string) => Test } = {
  'even-groups': (mark) => ofCell(`:is(:only-child>${EVEN},.${mark})`),
};
const allTests = new Map<string, Test | ((asked: Asked) => Test)>([
  ...Object.entries(tests),
  ...markedConditions.map(({ name, mark }) => [name, markedTests[name]?.(mark) ?? ofCell(`.${mark}`)] as const),
]);

function testOf(condition: ConditionName, isHeader: boolean, band: string): Test {
  const test = allTests.get(condition) ?? ofRow('');
  return typeof test === 'function' ? test({ isHeader, band }) : test;
}

/** What tells a part's cells from others of their row group; empty where nothing does. */
export const markOf = (part: PartName): string => standing.get(part)?.cell ?? '';

/** A part's picture is not that of the parts within it: what leaves their cells out. */
export const notWithin = (part: PartName): string => (part === 'row-headers' ? `:not(${markOf('group-headings')})` : '');

const heldBy = (condition: ConditionName): string => `[${contract.held}~=${condition}]`;
const isHeaderPart = (part: PartName): boolean => standing.get(part)?.group === 'thead';
const filter = (text: string): string => (text === '' ? '*' : `:where(${text})`);

const rowsIn = ({ theme }: SelectorOptions, part: PartName, test: string): string =>
  `.${theme}>:where(${standing.get(part)?.group ?? '*'})>:where(tr${test})`;

/** The row groups of a part. */
export const groupsOf = ({ theme }: SelectorOptions, part: PartName): string => `.${theme}>:where(${standing.get(part)?.group ?? '*'})`;

/** The rows of a place. */
export const rowsOf = (options: SelectorOptions, { part, condition }: Place): string =>
  rowsIn(options, part, testOf(condition, isHeaderPart(part), options.band).row);

/** The cells of a place; of a part within it where one is named; with a further test of the cell. */
export function cellsOf(options: SelectorOptions, { part, condition }: Place, only: PartName = part, also = ''): string {
  const { row, cell } = testOf(condition, isHeaderPart(part), options.band);
  return `${rowsIn(options, only, row)}>${filter(`${standing.get(only)?.cell ?? ''}${cell}${also}`)}`;
}

/** Whether a preview has to hold a condition open, since only a hand brings it. */
export const isHeldOpen = (condition: ConditionName): boolean => conditionOf(condition).held === true;

/** The cells of a part under several conditions at once; held open in a preview, where only a hand brings one of them. */
export function cellsUnder(options: SelectorOptions, part: PartName, conditions: readonly ConditionName[], isHeld: boolean): string {
  let [row, cell] = ['', standing.get(part)?.cell ?? ''];
  for (const condition of conditions) {
    const test = testOf(condition, isHeaderPart(part), options.band);
    if (!isHeld || !isHeldOpen(condition)) {
      row += test.row;
      cell += test.cell;
      continue;
    }
    const [brought, band] = conditionOf(condition).when ?? [condition];
    if (isHeaderPart(part) || test.row === '') cell += heldBy(brought);
    else row += `${band === undefined ? '' : testOf(band, false, options.band).row}${heldBy(brought)}`;
  }
  return `${rowsIn(options, part, row)}>${filter(cell)}`;
}

/** The same where the condition is held open in a preview: on the row, or for headers on the cell. */
export function heldCellsOf(options: SelectorOptions, { part, condition }: Place, only: PartName = part, also = ''): string {
  // What follows from another is held open by that.
  const [brought, band] = conditionOf(condition).when ?? [condition];
  const held = `${band === undefined ? '' : testOf(band, false, options.band).row}${heldBy(brought)}`;
  const onCell = isHeaderPart(part) || testOf(condition, false, options.band).row === '';
  return `${rowsIn(options, only, onCell ? '' : held)}>${filter(`${standing.get(only)?.cell ?? ''}${onCell ? held : ''}${also}`)}`;
}

/** The rows of a place whose condition a preview holds open. */
export const heldRowsOf = (options: SelectorOptions, { part, condition }: Place): string => {
  const [brought, band] = conditionOf(condition).when ?? [condition];
  return rowsIn(options, part, `${band === undefined ? '' : testOf(band, false, options.band).row}${heldBy(brought)}`);
};

export const captionOf = ({ theme }: SelectorOptions): string => `.${theme}>:where(caption)`;
export const everyCell = ({ theme }: SelectorOptions): string => `.${theme}>*>:where(tr)>*`;

/** What stands in cells: a child of the cell. */
const contentParts: { readonly [part in PartIn<'content'>]: string } = {
  links: `a:not(.${contract.button})`,
  buttons: `.${contract.button}`,
  icons: `.${contract.icon}`,
};

/** What stands around the table: children of the wrapper. */
const aroundParts: { readonly [part in Exclude<PartIn<'around'>, 'pager-items' | 'search-field'>]: string } = {
  'search-bar': contract.search,
  'info-line': contract.info,
  'empty-message': contract.empty,
  pager: contract.pager,
};

const contents = mapOf(contentParts);
const bars = mapOf(aroundParts);

const ownTests: { readonly [condition in ConditionName]?: string } = {
  rest: '',
  hovered: ':hover',
  focused: ':focus-visible',
  current: '[aria-current]',
  disabled: ':is(:disabled,[aria-disabled=true])',
};

/** What stands in cells or around the table, under a condition of its own. */
export const thingsOf = (options: SelectorOptions, { part, condition }: Place, isHeld = false): string =>
  thingsUnder(options, part, [condition], isHeld);

/** The same under several conditions at once. */
export function thingsUnder(
  { theme, isWrapped = false }: SelectorOptions,
  part: PartName,
  conditions: readonly ConditionName[],
  isHeld: boolean,
): string {
  const test = conditions.map((each) => (isHeld && isHeldOpen(each) ? heldBy(each) : (ownTests[each] ?? ''))).join('');
  const content = contents.get(part);
  if (content !== undefined) {
    return `.${theme}>*>:where(tr)>*${isWrapped ? ' ' : '>'}:where(${content}${test})`;
  }
  if (part === 'search-field') return `.${theme}-around>:where(.${contract.search}) :where(input${test})`;
  const bar = bars.get(part);
  if (bar !== undefined) return `.${theme}-around>:where(.${bar}${test})`;
  return `.${theme}-around>:where(.${contract.pager}) :where(.${contract.pagerItem}${test})`;
}

/** What stands in cells, by its name behind a combinator in extra CSS, as the published elements. */
export const withContents = (below: string): string =>
  below.replace(/(?<=[ >+~(,])(links|buttons|icons)(?![\w-])/g, (name) => `:where(${contents.get(name as PartName) ?? name})`);

export const aroundBars = ({ theme }: SelectorOptions): string =>
  `.${theme}-around>:where(${Object.values(aroundParts)
    .map((name) => `.${name}`)
    .join(',')})`;
/** What stands for the pages that are left out between two. */
export const pagerGap = ({ theme }: SelectorOptions): string => `.${theme}-around>:where(.${contract.pager})>:where(span)`;

/** The first visible row of row groups that match `group`. */
export const firstRowCells = ({ theme }: SelectorOptions, group: string): string =>
  `.${theme}>:where(${group})>:where(tr:nth-child(1 of ${VISIBLE}))>*`;
/** Every later row, of all groups or of one. */
export const laterRowCells = ({ theme }: SelectorOptions, group = '*'): string =>
  `.${theme}>${filter(group === '*' ? '' : group)}>:where(tr:nth-child(n+2 of ${VISIBLE}))>*`;
export const secondRowCells = ({ theme }: SelectorOptions): string => `.${theme}>:where(tbody)>:where(tr:nth-child(2 of ${VISIBLE}))>*`;
/** The last row of the body where it is not the first. */
export const lastRowCells = ({ theme }: SelectorOptions): string =>
  `.${theme}>:where(tbody)>:where(tr:nth-last-child(1 of ${VISIBLE}):nth-child(n+2 of ${VISIBLE}))>*`;
/** Cells of body rows by their number, as :nth-child() counts them; of the last one only. */
export const rowsOfBand = ({ theme }: SelectorOptions, rows: string, isLast = false): string =>
  `.${theme}>:where(tbody)>:where(tr${isLast ? `:nth-last-child(1 of ${VISIBLE})` : ''}:nth-child(${rows} of ${VISIBLE}))>*`;
export const secondAndLastRowCells = ({ theme }: SelectorOptions): string =>
  `.${theme}>:where(tbody)>:where(tr:nth-last-child(1 of ${VISIBLE}):nth-child(2 of ${VISIBLE}))>*`;

/** Tests of a cell for what is particular about the edge at its start. */
export const columnTests = { 'after-first-column': SECOND, 'before-last-column': LAST, 'beside-row-headers': `.${contract.beside}` } as const;
/** Cells that do not stand in the first column, in all row groups or in one, that pass the tests. */
export const laterCells = ({ theme }: SelectorOptions, tests: readonly string[] = [], group = ''): string =>
  `.${theme}>${filter(group)}>:where(tr)>:where(:is(:not(:first-child),.${contract.inset})${tests.join('')})`;

/** Cells with a mark whose upper edge, or whose edge at their start, lies inside the table. */
export const markedBelow = ({ theme }: SelectorOptions, mark: string): string =>
  `.${theme}>*>:where(tr:nth-child(n+2 of ${VISIBLE}))>:where(${mark}),` +
  `.${theme}>:where(:is(thead,tbody)+:is(tbody,tfoot))>:where(tr:nth-child(1 of ${VISIBLE}))>:where(${mark})`;
export const markedAfter = ({ theme }: SelectorOptions, mark: string): string =>
  `.${theme}>*>:where(tr)>:where(:is(:not(:first-child),.${contract.inset})${mark})`;

/** Of the cells with a mark, which stand in one column: the first of the header; the first of the body, where the header has none. */
export const headerStart = ({ theme }: SelectorOptions, mark: string): string =>
  `.${theme}>:where(thead)>:where(tr:not(tr:has(>${mark})~tr))>:where(${mark})`;
export const bodyStart = ({ theme }: SelectorOptions, mark: string): string =>
  `.${theme}:where(:not(:has(>thead>tr>${mark})))>:where(tbody:not(tbody~*))>:where(tr:nth-child(1 of ${VISIBLE}))>:where(${mark})`;
/**
 * The last of the footer; the last of the body, where the footer has none. Where cells are merged, that is the last cell that stands
 * there, whose own row may be one above; else it stands in the last row, which is found without looking at those below each.
 */
export const footerEnd = ({ theme }: SelectorOptions, mark: string): string =>
  `.${theme}>:where(tfoot)>:where(tr:not(:has(~tr>${mark})))>:where(${mark})`;
export const bodyEnd = ({ theme }: SelectorOptions, mark: string, isMerged: boolean): string => {
  const row = isMerged ? `tr${VISIBLE}:not(:has(~tr${VISIBLE}>${mark}))` : `tr:nth-last-child(1 of ${VISIBLE})`;
  return `.${theme}:where(:not(:has(>tfoot>tr>${mark})))>:where(tbody:nth-last-of-type(1))>:where(${row})>:where(${mark})`;
};

/** The row group at the top and the one at the bottom of the table. */
export const firstGroup = ({ theme }: SelectorOptions): string => `.${theme}>:where(thead,tbody,tfoot):where(:not(thead~*,tbody~*,tfoot~*))`;
export const lastGroup = ({ theme }: SelectorOptions): string => `.${theme}>:where(thead,tbody,tfoot):where(:last-child)`;
