import { layerOf } from '../paint';
import {
  partOf,
  parts,
  placesFor,
  propertiesOf,
  type ConditionName,
  type Look,
  type PartName,
  type Place,
  type Property,
  type Slot,
  type Value,
} from '../theme';

/**
 * Which values of a theme are felt, on tables alone or with what stands around them. A value is not felt where what lies below it says the same, or where
 * something stronger holds whenever it does; a published stylesheet leaves such values out. Price: every
 * property is looked at on every kind of cell, so previews, which are compiled at each edit, do without.
 */
export function feltValues(look: Look, around: boolean): (place: Place, property: Property) => boolean {
  const felt = new Set<string>();
  for (const { name } of parts) {
    if (partOf(name).box !== 'cells' && !(around && partOf(name).within === 'table')) continue;
    for (const property of propertiesOf(name))
      for (const slot of kindsOf(name)) for (const place of feltOn(look, slot, property)) felt.add(keyOf(place, property));
  }
  for (const property of propertiesOf('caption'))
    for (const place of feltOn(look, { part: 'caption', conditions: [] }, property)) felt.add(keyOf(place, property));
  return (place, property) => isLeftAlone(place, property) || felt.has(keyOf(place, property));
}

const keyOf = ({ part, condition }: Place, { name }: Property): string => `${part} ${condition} ${name}`;

/** Links, buttons, bars and what modules of their own write are not looked at; nor is the whole table's own box. */
const isLeftAlone = ({ part }: Place, { css, falls }: Property): boolean => {
  const { box } = partOf(part);
  return css === undefined || box === 'content' || box === 'around' || box === 'lines' || (box === 'table' && falls === 'part');
};

/** A part as it is seen: with every condition that it and the parts around it have, as a plain cell and as a number. */
function kindsOf(part: PartName): readonly Slot[] {
  const known = kinds.get(part);
  if (known) return known;
  const plain: Slot = { part, conditions: allConditions };
  const made = part === 'body-rows' || part === 'footer' ? [plain, { ...plain, also: ['numbers' as const] }] : part === 'numbers' ? [] : [plain];
  kinds.set(part, made);
  return made;
}
const kinds = new Map<PartName, readonly Slot[]>();
const allConditions: readonly ConditionName[] = [...new Set(parts.flatMap(({ conditions }) => conditions))];

interface Said {
  readonly place: Place;
  readonly value: Value;
}

/** The places that are felt on one kind of cell: what differs from below, less what is covered by what is left. */
function feltOn(look: Look, slot: Slot, property: Property): readonly Place[] {
  const said = placesFor(slot, property).flatMap((place): readonly Said[] => {
    const value = look.valueAt(place, property);
    return value ? [{ place, value }] : [];
  });
  // What bars say themselves is written in any case.
  const isBar = partOf(slot.part).box === 'around';
  const differing = isBar ? said : said.filter((each, i) => !saysTheSame(each, sameLayer(said.slice(i + 1), each, property), property));
  return differing.filter((each, i) => !isCovered(each.place, sameLayer(differing.slice(0, i), each, property))).map(({ place }) => place);
}

/** Fills of different layers show through each other; everything else is one chain. */
const sameLayer = (others: readonly Said[], { place }: Said, { name }: Property): readonly Said[] =>
  name === 'fill' ? others.filter((other) => layerOf(other.place) === layerOf(place)) : others;

/** Whether all that could hold below a value says the same. */
function saysTheSame({ place, value }: Said, below: readonly Said[], { name }: Property): boolean {
  for (const other of below) {
    if (excludes(place.condition, other.place.condition)) continue;
    if (other.value.css !== value.css) return false;
    if (alwaysWith(other.place.condition, place.condition)) return true;
  }
  return name === 'fill' && value.css === 'transparent';
}

/** Whether something stronger holds whenever a place does. */
function isCovered({ condition }: Place, stronger: readonly Said[]): boolean {
  const holding = stronger.map(({ place }) => place.condition);
  const both = (a: ConditionName, b: ConditionName): boolean => holding.includes(a) && holding.includes(b);
  if (holding.some((other) => alwaysWith(other, condition))) return true;
  return both('odd', 'even') || both('odd-columns', 'even-columns') || (condition === 'sorted' && both('sorted-odd', 'sorted-even'));
}

/** Whether the first condition holds wherever the second does. */
const alwaysWith = (first: ConditionName, second: ConditionName): boolean =>
  first === 'rest' ||
  first === second ||
  (second === 'sorted-odd' && (first === 'odd' || first === 'sorted')) ||
  (second === 'sorted-even' && (first === 'even' || first === 'sorted'));

const pairs: readonly (readonly [ConditionName, ConditionName])[] = [
  ['odd', 'even'],
  ['odd-columns', 'even-columns'],
  ['sorted-odd', 'sorted-even'],
  ['sorted-odd', 'even'],
  ['sorted-even', 'odd'],
];
const excludes = (a: ConditionName, b: ConditionName): boolean => pairs.some(([x, y]) => (a === x && b === y) || (a === y && b === x));
