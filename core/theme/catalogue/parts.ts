import { anatomy, type Box, type PartIn, type PartName } from './anatomy';
import { conditionsOf, type ConditionName } from './conditions';

export type { Box, PartIn, PartName };

export interface Part {
  readonly name: PartName;
  readonly label: string;
  readonly hint: string;
  readonly within: PartName | undefined;
  readonly depth: number;
  readonly box: Box;
  /** Conditions under which it can be seen, at rest first. */
  readonly conditions: readonly ConditionName[];
}

/** Every piece of the anatomy with the conditions that it can have. */
export const parts: readonly Part[] = anatomy.map(({ family, ...part }) => ({ ...part, conditions: conditionsOf(family) }) as Part);
export const partNames: readonly PartName[] = parts.map(({ name }) => name);

const byName = new Map<string, Part>(parts.map((part) => [part.name, part]));

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
