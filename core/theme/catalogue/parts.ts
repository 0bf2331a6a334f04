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
  /** For parts of cards: the part of which it has everything but colours, and the one of which it has all that it has not itself. */
  readonly like?: PartName;
  readonly takes?: PartName;
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

/** The parts that cards are made of, and among them those that stand in a card. */
export const cardParts: readonly PartName[] = parts.filter(({ box }) => box === 'cards').map(({ name }) => name);
export const partsInCards: readonly PartName[] = cardParts.filter((name) => lineage(name)[1] === 'plan');
/** The parts of every table, without those of cards. */
export const tableParts: readonly Part[] = parts.filter(({ box }) => box !== 'cards');
