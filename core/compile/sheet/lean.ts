import { layerOf, type LayerName } from '../../paint';
import { resolveAt } from '../../resolve';
import {
  partOf,
  tableParts,
  places,
  placesFor,
  properties,
  propertiesOf,
  propertyOf,
  type ConditionName,
  type ThemeView,
  type PartName,
  type Place,
  type Property,
  type PropertyName,
  type Slot,
} from '../../theme';
import { combinations } from './combinations';

/** What of a value can be felt: the declaration that it comes to or, of an icon, that one stands there and which. */
export type Aspect = PropertyName | 'icon-shape';
/** Whether a value is felt at all or, asked with a part, on that part. */
export type Felt = (place: Place, aspect: Aspect, on?: PartName) => boolean;

/**
 * Which values of a theme are felt, on tables alone or with what stands around them. A value is not felt where,
 * under every combination of conditions that can hold together, either something stronger holds too or what
 * lies below says the same; a published stylesheet leaves such values out. Values are taken away until taking
 * any further one away would show. Price: every property is looked at on every kind of cell, so previews,
 * which are compiled at each edit, do without.
 */
export function feltValues(view: ThemeView, around: boolean): Felt {
  const felt = new Set<string>();
  const band = resolveAt(view, { part: 'body-rows', condition: 'rest' }, 'band');
  const firstRow = band.kind === 'band' && band.from === 1 ? 'even' : 'odd';
  for (const aspect of aspects)
    for (const chain of chainsOf(view, aspect, around))
      for (const { place, part } of irredundant(inPixels(view, chain, aspect), firstRow, aspect.bottom))
        felt.add(keyOf(place, aspect.name)).add(`${part} ${keyOf(place, aspect.name)}`);
  return (place, aspect, on) => isLeftAlone(place, aspect) || felt.has(on === undefined ? keyOf(place, aspect) : `${on} ${keyOf(place, aspect)}`);
}

const keyOf = ({ part, condition }: Place, aspect: Aspect): string => `${part} ${condition} ${aspect}`;

interface Looked {
  readonly name: Aspect;
  readonly property: Property;
  /** What a value comes to, if it says anything of this. */
  readonly said: (css: string) => string | undefined;
  /** What is seen where nothing is said, if that does not depend on the page. */
  readonly bottom?: string;
}
/** What the page does not change: there is no fill, no bar, no shadow and no line of a row, a caption stands above, and texts run across and are whole. */
const bottoms: { readonly [name in PropertyName]?: string } = {
  fill: 'transparent',
  side: 'top',
  bar: 'none',
  'row-shadow': 'none',
  'row-line': 'revert',
  reading: 'horizontal-tb',
  'lines-shown': 'none',
};
const icon = propertyOf('icon');
const aspects: readonly Looked[] = [
  ...(properties as readonly Property[])
    .filter(({ css }) => css !== undefined)
    .map((property): Looked => ({
      name: property.name,
      property,
      said: (css) => css,
      ...(bottoms[property.name] === undefined ? {} : { bottom: bottoms[property.name] }),
    })),
  { name: 'icon', property: icon, said: (css) => (css === 'none' ? 'none' : 'some'), bottom: 'none' },
  { name: 'icon-shape', property: icon, said: (css) => (css === 'none' ? undefined : css) },
];
const looked: ReadonlySet<Aspect> = new Set(aspects.map(({ name }) => name));

/** What modules of their own write is not looked at; nor is the whole table's own box. */
const isLeftAlone = ({ part }: Place, aspect: Aspect): boolean => {
  const { box } = partOf(part);
  return !looked.has(aspect) || box === 'lines' || (box === 'table' && aspect !== 'icon-shape' && propertyOf(aspect).falls === 'part');
};

interface Said {
  readonly place: Place;
  readonly css: string;
}
/** What is said on one kind of cell, strongest first. */
interface SaidOn {
  readonly slot: Slot;
  readonly said: readonly Said[];
  /** Sizes of type, strongest first, if what is said is measured by them. */
  readonly sizes?: readonly Said[];
}

/** A part as it is seen: as a plain cell and as a number. */
function slotsOf(part: PartName): readonly Slot[] {
  const plain: Slot = { part, conditions: allConditions };
  if (part === 'body-rows' || part === 'row-headers' || part === 'group-headings' || part === 'footer')
    return [plain, { ...plain, also: ['numbers'] }];
  return part === 'numbers' ? [] : [plain];
}
const allConditions: readonly ConditionName[] = [...new Set(tableParts.flatMap(({ conditions }) => conditions))];

/** Fills of different layers show through each other, each a chain of its own. Everything else is one chain. */
function chainsOf(view: ThemeView, aspect: Looked, around: boolean): readonly (readonly SaidOn[])[] {
  const found = new Map<LayerName | 'all', SaidOn[]>();
  for (const { name, box } of tableParts) {
    if (box === 'table' || box === 'lines' || (box === 'around' && !around)) continue;
    for (const slot of slotsOf(name)) {
      const said = saidOn(view, slot, aspect);
      const layerAt = (place: Place): LayerName | 'all' => (aspect.name === 'fill' ? layerOf(place) : 'all');
      for (const layer of new Set(said.map(({ place }) => layerAt(place)))) {
        const some = said.filter(({ place }) => layerAt(place) === layer);
        found.set(layer, [...(found.get(layer) ?? []), { slot, said: some }]);
      }
    }
  }
  return [...found.values()];
}

/** Links, buttons, icons and pager items have rules of their own; what their surroundings say reaches them by inheritance only. */
function saidOn(view: ThemeView, slot: Slot, { property, said }: Looked): readonly Said[] {
  if (!propertiesOf(slot.part).includes(property) && !slot.also) return [];
  const { box, depth } = partOf(slot.part);
  const isAlone = box === 'content' || (box === 'around' && depth > 1);
  return placesFor(slot, property).flatMap((place) => {
    const value = isAlone && place.part !== slot.part ? undefined : view.valueAt(place, property);
    const css = value && said(handedDown(view, place, property, value.css));
    return css === undefined ? [] : [{ place, css }];
  });
}

const textSize = aspects.find(({ name }) => name === 'size');

/** A chain in which a length is said in em and another one in px, with the sizes of type by which the two can be equal. */
function inPixels(view: ThemeView, chain: readonly SaidOn[], aspect: Looked): readonly SaidOn[] {
  if (!textSize || aspect === textSize) return chain;
  return chain.map((each) => {
    const isMixed = each.said.some(({ css }) => ems.test(css)) && each.said.some(({ css }) => pixels.test(css));
    return isMixed ? { ...each, sizes: saidOn(view, each.slot, textSize) } : each;
  });
}

const ems = /^-?[\d.]+em$/;
const pixels = /^-?[\d.]+px$/;

/** What a length comes to in type of a size (CSS Values 4, section 6.1.1). Whatever place says it, it is written on the cell. */
function cameTo(css: string, size: string | undefined): string {
  if (!size || !ems.test(css) || !pixels.test(size)) return css;
  return `${Number((parseFloat(css) * parseFloat(size)).toFixed(4))}px`;
}

/** Whether a value is measured by what it stands on, and so means another thing further in. */
export const isMeasured = (css: string): boolean => /\d(?:em|%)/.test(css);

/** A page to go to that takes something from its pager has what the pager says, where that means the same on both. */
function handedDown(view: ThemeView, { part }: Place, property: Property, css: string): string {
  if (part !== 'pager-items' || css !== 'inherit') return css;
  const handed = view.valueAt({ part: 'pager', condition: 'rest' }, property)?.css ?? css;
  return isMeasured(handed) ? css : handed;
}

/** What is left when everything is taken away that does not show, and the parts on which it shows. */
function irredundant(
  chain: readonly SaidOn[],
  firstRow: 'odd' | 'even',
  bottom: string | undefined,
): readonly { readonly place: Place; readonly part: PartName }[] {
  const cases = chain.flatMap(({ slot, said, sizes = [] }) =>
    combinations(slot, new Set([...said, ...sizes].map(({ place }) => place.condition)), firstRow).map((holds) => {
      const size = sizes.find(({ place }) => holds.has(place.condition))?.css;
      return {
        part: slot.part,
        said: said.filter(({ place }) => holds.has(place.condition)).map((each) => ({ place: each.place, css: cameTo(each.css, size) })),
      };
    }),
  );
  const left = new Set(chain.flatMap(({ said }) => said.map(({ place }) => place)));
  /** The place that shows in a case, if it says other than what would show without it. */
  const shownIn = (said: readonly Said[]): Place | undefined => {
    const [first, next] = said.filter(({ place }) => left.has(place));
    return first && first.css !== (next?.css ?? bottom) ? first.place : undefined;
  };
  // The strongest goes first: a value that says what its part says already, rather than the part's.
  const order = places.filter((place) => left.has(place)).toReversed();
  for (let before = -1; before !== left.size;) {
    before = left.size;
    for (const place of order) if (left.has(place) && cases.every(({ said }) => shownIn(said) !== place)) left.delete(place);
  }
  return cases.flatMap(({ part, said }) => {
    const place = shownIn(said);
    return place ? [{ place, part }] : [];
  });
}
