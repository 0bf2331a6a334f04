/** What a column's cells are. What was typed is always kept; a type says how it is read, shown, aligned, sorted and added up. */
export const dataTypes = [
  { name: 'text', label: 'Text', plural: 'text', isNumeric: false },
  { name: 'whole', label: 'Whole number', plural: 'whole numbers', isNumeric: true },
  { name: 'number', label: 'Number', plural: 'numbers', isNumeric: true },
  { name: 'money', label: 'Money', plural: 'money', isNumeric: true },
  { name: 'percent', label: 'Per cent', plural: 'percentages', isNumeric: true },
  { name: 'date', label: 'Date', plural: 'dates', isNumeric: false },
  { name: 'time', label: 'Time of day', plural: 'times', isNumeric: false },
  { name: 'duration', label: 'Duration', plural: 'durations', isNumeric: false },
  { name: 'yes-no', label: 'Yes or no', plural: 'yes or no', isNumeric: false },
  { name: 'link', label: 'Link', plural: 'links', isNumeric: false },
  { name: 'email', label: 'E-mail address', plural: 'e-mail addresses', isNumeric: false },
  { name: 'picture', label: 'Picture', plural: 'pictures', isNumeric: false },
  { name: 'choice', label: 'One of a list', plural: 'a few choices', isNumeric: false },
] as const;

export type DataType = (typeof dataTypes)[number]['name'];
export const dataTypeNames: readonly DataType[] = dataTypes.map(({ name }) => name);

export const isNumericType = (type: DataType): boolean => dataTypes.find(({ name }) => name === type)?.isNumeric === true;
export const pluralOf = (type: DataType): string => dataTypes.find(({ name }) => name === type)?.plural ?? '';

/** In which order a date in figures is written. */
export const dateOrders = ['dmy', 'mdy', 'ymd'] as const;
export type DateOrder = (typeof dateOrders)[number];

/** How cells of a column were written: what reading them needs to know beside the type. Empty for what each cell says by itself. */
export interface Written {
  readonly decimal: '' | '.' | ',';
  readonly order: '' | DateOrder;
}
export const AS_IT_SAYS: Written = { decimal: '', order: '' };

/** Signs that people write where there is nothing: dashes of all lengths, dots, n/a. */
const NOTHING = /^(?:[-–—−‒―]{1,3}|\.{1,3}|…|n\s?\/\s?a|n\.\s?a\.|k\.\s?a\.|s\.\s?o\.)?$/iu;
export const isNothing = (text: string): boolean => NOTHING.test(text.trim());
