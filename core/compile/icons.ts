import { resolve } from '../resolve';
import { places, propertyOf, type Look, type PartName } from '../theme';
import { cellsOf, heldCellsOf, isHeldOpen, type SelectorOptions } from './selectors';
import { rule, type CssNode, type Declaration } from './stylesheet';

/** An icon stands beside a text: an empty cell has none. */
const FILLED = ':not(:empty)';

/** The icon's box: as high as the type, standing on its line. */
const shape = (side: string): readonly Declaration[] => [
  ['display', 'inline-block'],
  ['width', '1em'],
  ['height', '1em'],
  [side === 'after' ? 'margin-inline-start' : 'margin-inline-end', '.4em'],
  ['vertical-align', '-.125em'],
  ['background', 'currentColor'],
];

/** Icons beside the text of header cells: the shape as a mask over the ink, so that an icon is always as dark as its text. */
export function iconRules(look: Look, options: SelectorOptions): readonly CssNode[] {
  const property = propertyOf('icon');
  const said = places
    .filter(({ part }) => property.parts.includes(part))
    .flatMap((place) => {
      const value = look.valueAt(place, property);
      return value ? [{ place, value }] : [];
    });
  if (said.every(({ value }) => value.css === 'none')) return [];
  const parts = [...new Set(said.filter(({ value }) => value.css !== 'none').map(({ place }) => place.part))];
  const shapes = ['before', 'after'].flatMap((side) => {
    const there = parts.filter((part) => sideOf(look, part) === side);
    const selector = there.map((part) => `${cellsOf(options, { part, condition: 'rest' }, part, FILLED)}::${side}`).join(',');
    return there.length > 0 ? [rule(selector, ...shape(side))] : [];
  });
  return [
    ...shapes,
    ...said.flatMap(({ place, value }) => {
      const drawn: readonly Declaration[] =
        value.css === 'none'
          ? [['content', 'none']]
          : [
              ['content', '""'],
              ['mask', `${value.css} center/contain no-repeat`],
            ];
      const pseudo = `::${sideOf(look, place.part)}`;
      const held = options.held && isHeldOpen(place.condition) ? [rule(`${heldCellsOf(options, place, place.part, FILLED)}${pseudo}`, ...drawn)] : [];
      return [rule(`${cellsOf(options, place, place.part, FILLED)}${pseudo}`, ...drawn), ...held];
    }),
  ];
}

export const sideOf = (look: Look, part: PartName): string => resolve(look.theme, { part, conditions: [] }, 'icon-side').value.css;
