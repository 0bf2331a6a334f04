import type { ConditionName } from './conditions';

/**
 * Which kind of box a part is, and so how it is painted and where its values are written: the table's own
 * box, its caption, cells of a row group, the lines between them, what stands in a cell, or what stands
 * around the table.
 */
export type Box = 'table' | 'caption' | 'cells' | 'lines' | 'content' | 'around';

/**
 * Parts: the pieces of a table's anatomy that can be styled. `within` is the part that a value falls
 * back to; `depth` is how particular a part is, and a more particular one is stronger.
 */
const table = {
  name: 'table',
  label: 'Whole table',
  hint: 'What every part falls back to',
  within: undefined as string | undefined,
  depth: 0,
  box: 'table' as Box,
  conditions: ['rest'] as readonly ConditionName[],
};
const group = { ...table, box: 'cells' as Box, within: 'table', depth: 1, conditions: ['rest', 'first', 'last'] as readonly ConditionName[] };
const sorting: readonly ConditionName[] = ['sorted', 'hovered', 'pressed', 'focused'];
const headers = {
  ...group,
  hint: 'Every cell of the header rows',
  conditions: ['rest', 'odd-columns', 'even-columns', 'first', 'last', ...sorting] as readonly ConditionName[],
};
const rows = {
  ...group,
  hint: 'The rows that hold the content',
  conditions: [
    ...['rest', 'odd', 'even', 'first', 'last', 'sorted', 'sorted-odd', 'sorted-even'],
    ...['column-hovered', 'hovered', 'selected', 'focused', 'disabled'],
  ] as readonly ConditionName[],
};
const content = {
  ...table,
  box: 'content' as Box,
  hint: 'A link inside a cell',
  conditions: ['rest', 'hovered', 'focused'] as readonly ConditionName[],
};
const around = { ...table, box: 'around' as Box, within: 'table', depth: 1 };

export const parts = [
  { ...table, name: 'table' },
  { ...table, name: 'caption', label: 'Caption', hint: 'The name of the table', within: 'table', depth: 1, box: 'caption' as Box },
  { ...headers, name: 'column-headers', label: 'Column headers' },
  {
    ...headers,
    name: 'header-groups',
    label: 'Header groups',
    hint: 'The tiers above the lowest header row',
    within: 'column-headers',
    depth: 2,
    conditions: ['rest', 'odd-columns', 'even-columns'] as readonly ConditionName[],
  },
  {
    ...headers,
    name: 'corner',
    label: 'Corner',
    hint: 'The headers above the row headers',
    within: 'column-headers',
    depth: 2,
    conditions: ['rest', ...sorting] as readonly ConditionName[],
  },
  { ...rows, name: 'row-headers', label: 'Row headers', hint: 'The first cells of the body rows', within: 'body-rows', depth: 2 },
  {
    ...rows,
    name: 'group-headings',
    label: 'Group headings',
    hint: 'Rows that head a group of rows',
    within: 'row-headers',
    depth: 3,
    conditions: ['rest'] as readonly ConditionName[],
  },
  { ...rows, name: 'body-rows', label: 'Body rows' },
  { ...group, name: 'footer', label: 'Footer', hint: 'Totals and notes below the body' },
  {
    ...group,
    name: 'numbers',
    label: 'Numbers',
    hint: 'Cells of columns that hold numbers',
    within: 'body-rows',
    depth: 3,
    conditions: ['rest', 'negative'] as readonly ConditionName[],
  },
  { ...table, name: 'lines', label: 'Lines', hint: 'Every line that is drawn, once', box: 'lines' as Box },
  { ...content, name: 'links', label: 'Links' },
  { ...content, name: 'buttons', label: 'Buttons', hint: 'A button inside a cell' },
  { ...content, name: 'icons', label: 'Icons', hint: 'An icon inside a cell' },
  { ...around, name: 'search-bar', label: 'Search bar', hint: 'The field above the table' },
  { ...around, name: 'info-line', label: 'Info line', hint: 'How many rows are shown' },
  { ...around, name: 'empty-message', label: 'Empty message', hint: 'What is said when no row is left' },
  { ...around, name: 'pager', label: 'Pager', hint: 'The bar below the table' },
  {
    ...around,
    name: 'pager-items',
    label: 'Pager items',
    hint: 'The pages to go to',
    within: 'pager',
    depth: 2,
    conditions: ['rest', 'hovered', 'current', 'focused', 'disabled'] as readonly ConditionName[],
  },
] as const;

export type PartName = (typeof parts)[number]['name'];
export const partNames: readonly PartName[] = parts.map(({ name }) => name);

export interface Part {
  readonly name: PartName;
  readonly label: string;
  readonly hint: string;
  readonly within: PartName | undefined;
  readonly depth: number;
  readonly box: Box;
  readonly conditions: readonly ConditionName[];
}

const byName = new Map<string, Part>(parts.map((part) => [part.name, part as Part]));

export function partOf(name: PartName): Part {
  const found = byName.get(name);
  if (!found) throw new RangeError(`There is no part "${name}"`);
  return found;
}

/** The part itself, then what it falls back to, up to the whole table. */
export function lineage(name: PartName): readonly PartName[] {
  const { within } = partOf(name);
  return within === undefined ? [name] : [name, ...lineage(within)];
}

/** Parts that stand outside the table's own box, and so show neither its fill nor its padding. */
export const outsideParts: readonly PartName[] = parts.filter(({ box }) => box === 'caption' || box === 'around').map(({ name }) => name);
