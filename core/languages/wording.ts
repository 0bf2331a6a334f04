/** What can be said around a table. `{…}` stand for numbers and names that are put in. */
export const words = [
  { name: 'search', label: 'Beside the search field' },
  { name: 'info', label: 'Rows that are shown', puts: ['from', 'to', 'count'] },
  { name: 'found', label: 'Rows that were found', puts: ['from', 'to', 'count', 'all'] },
  { name: 'empty', label: 'Where nothing was found' },
  { name: 'filter', label: 'Opens the filters' },
  { name: 'any', label: 'No choice made' },
  { name: 'from', label: 'From an amount or a day on', puts: ['column'] },
  { name: 'to', label: 'Up to an amount or a day', puts: ['column'] },
  { name: 'clear', label: 'Empties the filters' },
  { name: 'size', label: 'Beside the size of a page' },
  { name: 'pages', label: 'Name of the pages' },
  { name: 'previous', label: 'To the page before' },
  { name: 'next', label: 'To the next page' },
  { name: 'page', label: 'Name of a page', puts: ['page'] },
  { name: 'ascending', label: 'Sorted upwards', puts: ['column'] },
  { name: 'descending', label: 'Sorted downwards', puts: ['column'] },
  { name: 'unsorted', label: 'No longer sorted' },
  { name: 'choose', label: 'Name of a row’s tick box', puts: ['row'] },
  { name: 'chosen', label: 'Rows that were chosen', puts: ['count'] },
  { name: 'more', label: 'Shows all columns' },
  { name: 'fewer', label: 'Shows the usual columns again' },
] as const satisfies readonly { name: string; label: string; puts?: readonly string[] }[];
export type Word = (typeof words)[number]['name'];
export type Wording = Readonly<Record<Word, string>>;
