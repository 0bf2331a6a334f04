import type { ConditionName } from './conditions';

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
  conditions: ['rest'] as readonly ConditionName[],
};
const group = { ...table, within: 'table', depth: 1, conditions: ['rest', 'first', 'last'] as readonly ConditionName[] };
const rows: readonly ConditionName[] = ['rest', 'odd', 'even', 'first', 'last', 'hovered', 'selected'];

export const parts = [
  { ...table, name: 'table' },
  { ...table, name: 'caption', label: 'Caption', hint: 'The name of the table', within: 'table', depth: 1 },
  { ...group, name: 'column-headers', label: 'Column headers', hint: 'Every cell of the header rows' },
  { ...group, name: 'row-headers', label: 'Row headers', hint: 'The first cells of the body rows', within: 'body-rows', depth: 2, conditions: rows },
  { ...group, name: 'body-rows', label: 'Body rows', hint: 'The rows that hold the content', conditions: rows },
  { ...group, name: 'footer', label: 'Footer', hint: 'Totals and notes below the body' },
  { ...table, name: 'lines', label: 'Lines', hint: 'Every line that is drawn, once' },
] as const;

export type PartName = (typeof parts)[number]['name'];
export const partNames: readonly PartName[] = parts.map(({ name }) => name);

export interface Part {
  readonly name: PartName;
  readonly label: string;
  readonly hint: string;
  readonly within: PartName | undefined;
  readonly depth: number;
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
