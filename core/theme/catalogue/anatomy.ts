/**
 * Which kind of box a part is, and so how it is painted and where its values are written: the table's own
 * box, its caption, cells of a row group, the lines between them, what stands in a cell, what stands
 * around the table, or what a pricing table's cards are made of.
 */
export type Box = 'table' | 'caption' | 'cells' | 'lines' | 'content' | 'around' | 'cards';

/** Parts that can have the same conditions; `conditions.ts` says which. */
export type Family =
  | 'plain'
  | 'headers'
  | 'corner'
  | 'upper-headers'
  | 'rows'
  | 'footer'
  | 'numbers'
  | 'content'
  | 'field'
  | 'pager-items'
  | 'cards'
  | 'features'
  | 'actions'
  | 'switch';

interface PartRow {
  readonly name: string;
  readonly label: string;
  readonly hint: string;
  readonly within: string | undefined;
  readonly depth: number;
  readonly box: Box;
  readonly family: Family;
  readonly like?: string;
  readonly takes?: string;
}

/**
 * Parts: the pieces of a table's anatomy that can be styled. `within` is the part that a value falls
 * back to; `depth` is how particular a part is, and a more particular one is stronger. Parts of cards are dressed by what a theme has for
 * tables, too: `like` names the part of which one has everything but its colours, `takes` the one of which it has all that it has not itself.
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
const card = { ...table, box: 'cards', within: 'plan', depth: 3, family: 'cards' } as const;

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
  { ...card, name: 'plan', label: 'Plan', hint: 'The card of a plan', within: 'body-rows', depth: 2, takes: 'table' },
  { ...card, name: 'badge', label: 'Badge', hint: 'What a plan is pushed by' },
  { ...card, name: 'plan-icon', label: 'Plan icon', hint: 'An icon above the name of a plan' },
  { ...card, name: 'plan-heading', label: 'Plan heading', hint: 'The name of a plan', like: 'column-headers' },
  { ...card, name: 'plan-text', label: 'Plan text', hint: 'What is said of a plan below its name and at its end' },
  { ...card, name: 'price', label: 'Price', hint: 'What a plan costs' },
  { ...card, name: 'earlier-price', label: 'Earlier price', hint: 'What it cost before' },
  { ...card, name: 'period', label: 'Period', hint: 'What a price comes to by the month' },
  { ...card, name: 'saving', label: 'Saving', hint: 'What a longer period saves' },
  { ...card, name: 'action', label: 'Action', hint: 'The first action of a plan', within: undefined, family: 'actions', takes: 'buttons' },
  {
    ...card,
    name: 'second-action',
    label: 'Second action',
    hint: 'The second action of a plan',
    within: undefined,
    family: 'actions',
    takes: 'links',
  },
  { ...card, name: 'feature-group', label: 'Feature group', hint: 'What heads a group of features', like: 'group-headings' },
  { ...card, name: 'feature', label: 'Feature', hint: 'A line of what a plan has', family: 'features' },
  {
    ...card,
    name: 'period-switch',
    label: 'Period switch',
    hint: 'The periods to choose from',
    within: 'pager-items',
    family: 'switch',
    takes: 'pager-items',
  },
] as const satisfies readonly PartRow[];

export type PartName = (typeof anatomy)[number]['name'];
/** The parts that are boxes of a kind. */
export type PartIn<B extends Box> = Extract<(typeof anatomy)[number], { readonly box: B }>['name'];
