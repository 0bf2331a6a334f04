/**
 * Which kind of box a part is, and so how it is painted and where its values are written: the table's own
 * box, its caption, cells of a row group, the lines between them, what stands in a cell, or what stands
 * around the table.
 */
export type Box = 'table' | 'caption' | 'cells' | 'lines' | 'content' | 'around';

/** Parts that can have the same conditions; `conditions.ts` says which. */
export type Family = 'plain' | 'headers' | 'corner' | 'upper-headers' | 'rows' | 'footer' | 'numbers' | 'content' | 'field' | 'pager-items';

interface PartRow {
  readonly name: string;
  readonly label: string;
  readonly hint: string;
  readonly within: string | undefined;
  readonly depth: number;
  readonly box: Box;
  readonly family: Family;
}

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
  box: 'table',
  family: 'plain',
} as const;
const group = { ...table, box: 'cells', within: 'table', depth: 1 } as const;
const headers = { ...group, hint: 'Every cell of the header rows', family: 'headers' } as const;
const rows = { ...group, hint: 'The rows that hold the content', family: 'rows' } as const;
const content = { ...table, box: 'content', hint: 'A link inside a cell', family: 'content' } as const;
const around = { ...table, box: 'around', within: 'table', depth: 1 } as const;

export const anatomy = [
  { ...table, name: 'table' },
  { ...table, name: 'caption', label: 'Caption', hint: 'The name of the table', within: 'table', depth: 1, box: 'caption' },
  { ...headers, name: 'column-headers', label: 'Column headers' },
  {
    ...headers,
    name: 'header-groups',
    label: 'Header groups',
    hint: 'The tiers above the lowest header row',
    within: 'column-headers',
    depth: 2,
    family: 'upper-headers',
  },
  {
    ...headers,
    name: 'corner',
    label: 'Corner',
    hint: 'The headers above the row headers',
    within: 'column-headers',
    depth: 2,
    family: 'corner',
  },
  { ...rows, name: 'row-headers', label: 'Row headers', hint: 'The first cells of the body rows', within: 'body-rows', depth: 2 },
  {
    ...rows,
    name: 'group-headings',
    label: 'Group headings',
    hint: 'Rows that head a group of rows',
    within: 'row-headers',
    depth: 3,
    family: 'plain',
  },
  { ...rows, name: 'body-rows', label: 'Body rows' },
  { ...group, name: 'footer', label: 'Footer', hint: 'Totals and notes below the body', family: 'footer' },
  {
    ...group,
    name: 'numbers',
    label: 'Numbers',
    hint: 'Cells of columns that hold numbers',
    within: 'body-rows',
    depth: 3,
    family: 'numbers',
  },
  { ...table, name: 'lines', label: 'Lines', hint: 'Every line that is drawn, once', box: 'lines' },
  { ...content, name: 'links', label: 'Links' },
  { ...content, name: 'buttons', label: 'Buttons', hint: 'A button inside a cell' },
  { ...content, name: 'icons', label: 'Icons', hint: 'An icon inside a cell' },
  { ...around, name: 'search-bar', label: 'Search bar', hint: 'Above the table, with the field' },
  {
    ...around,
    name: 'search-field',
    label: 'Search field',
    hint: 'What words are searched in',
    within: 'search-bar',
    depth: 2,
    family: 'field',
  },
  { ...around, name: 'info-line', label: 'Info line', hint: 'How many rows are shown' },
  { ...around, name: 'empty-message', label: 'Empty message', hint: 'What is said when no row is left' },
  { ...around, name: 'pager', label: 'Pager', hint: 'The bar below the table' },
  { ...around, name: 'pager-items', label: 'Pager items', hint: 'The pages to go to', within: 'pager', depth: 2, family: 'pager-items' },
] as const satisfies readonly PartRow[];

export type PartName = (typeof anatomy)[number]['name'];
/** The parts that are boxes of a kind. */
export type PartIn<B extends Box> = Extract<(typeof anatomy)[number], { readonly box: B }>['name'];
