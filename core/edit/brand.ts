import type { Rgba } from '../colour';
import {
  ACCENT,
  goesAlong,
  partOf,
  places,
  propertiesOf,
  swatchesFromBrand,
  type ConditionName,
  type PartName,
  type Place,
  type Property,
  type PropertyName,
  type Theme,
  type ThemeView,
} from '../theme';
import { setValue } from './edit-theme';
import { setSwatch } from './swatches';

const bodyFills: { readonly [condition in ConditionName]?: string } = {
  even: 'band',
  hovered: 'hover',
  'column-hovered': 'hover',
  sorted: 'hover',
  'sorted-odd': 'hover',
  'sorted-even': 'hover',
  focused: 'hover',
  selected: 'select',
};
const headerParts: readonly PartName[] = ['column-headers', 'header-groups', 'corner', 'buttons'];
const onHeader = (part: PartName, condition: ConditionName): boolean =>
  headerParts.includes(part) || (part === 'pager-items' && condition === 'current');

/** The swatch that fills a place once a theme has taken on a brand. */
function fillFor({ part, condition }: Place): string {
  if (onHeader(part, condition)) return 'header';
  if (part === 'footer') return 'total';
  if (partOf(part).box === 'around' || part === 'caption') return condition === 'hovered' ? 'hover' : 'none';
  return bodyFills[condition] ?? 'paper';
}

function inkFor({ part, condition }: Place): string {
  if (onHeader(part, condition)) return 'on-header';
  return part === 'links' || part === 'caption' ? 'accent' : 'ink';
}

/** Places that have a colour of their own in every branded theme, whatever it grew from. */
const always: readonly Place[] = (
  [
    ['table', 'rest'],
    ['column-headers', 'rest'],
    ['body-rows', 'even'],
    ['body-rows', 'hovered'],
    ['body-rows', 'selected'],
    ['footer', 'rest'],
  ] as const
).map(([part, condition]) => ({ part, condition }));
const isAlways = (place: Place): boolean => always.some(({ part, condition }) => part === place.part && condition === place.condition);

/** Whether what is said of cards goes with the accent of a plan, which is among a brand's swatches: inks see to themselves there. */
function goesWithAccent(view: ThemeView, place: Place, property: Property): boolean {
  const value = partOf(place.part).box === 'cards' ? view.valueAt(place, property) : undefined;
  return value !== undefined && (goesAlong(value) || ('swatch' in value && value.swatch === ACCENT));
}

/**
 * The theme in a brand's colours: its swatches are derived from the one colour, and every fill, ink and line
 * that it or its base theme sets refers to them. Shapes, type and the lines' widths stay.
 */
export function applyBrand(view: ThemeView, brand: Rgba): Theme {
  let changed = swatchesFromBrand(brand).reduce((theme, swatch) => setSwatch(theme, swatch), view.theme);
  for (const place of places) {
    const isSaid = (name: PropertyName): boolean => view.said(place, name).length > 0 || isAlways(place);
    for (const property of propertiesOf(place.part)) {
      const { name, kind } = property;
      if (goesWithAccent(view, place, property)) continue;
      if (name === 'fill' && isSaid('fill')) changed = setValue(changed, place, name, fillFor(place));
      // Whatever is filled gets the ink that was measured on it.
      if (name === 'ink' && (isSaid('ink') || isSaid('fill'))) changed = setValue(changed, place, name, inkFor(place));
      const line = kind === 'line' ? view.valueAt(place, property) : undefined;
      if (line?.kind === 'line' && line.width > 0)
        changed = setValue(changed, place, name, `${line.width}px ${line.style} ${line.width > 1 ? 'brand' : 'line'}`);
    }
  }
  return changed;
}
