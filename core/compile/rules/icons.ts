import { contract } from '../markup/contract';
import { lineage, places, propertyOf, type PartName, type ThemeView } from '../../theme';
import { iconParts as parts, iconSides } from './icon-sides';
import { cellsOf, markOf, type SelectorOptions } from '../sheet/selectors';
import { rule, type CssNode, type Declaration } from '../sheet/stylesheet';

/** An icon stands beside a text: an empty cell has none. */
export const FILLED = ':not(:empty)';

/** The icon's box: as high as the type, standing on its line, with a picture for its shape. */
export const iconShape = (side: string, shape: string): readonly Declaration[] => [
  ['display', 'inline-block'],
  ['width', '1em'],
  ['height', '1em'],
  [side === 'after' ? 'margin-inline-start' : 'margin-inline-end', '.4em'],
  ['vertical-align', '-.125em'],
  ['background', 'currentColor'],
  ['mask', `${shape} center/contain no-repeat`],
];

/**
 * Where icons beside the text of cells stand: a mask over the ink, so that an icon is always as dark as its text. Whether a
 * cell has one and which is said with all else of it, by custom properties; a cell of which nothing says that has none.
 */
export function iconRules(view: ThemeView, options: SelectorOptions): readonly CssNode[] {
  const drawing = places
    .filter((place) => parts.includes(place.part) && (view.valueAt(place, property)?.css ?? 'none') !== 'none')
    .map(({ part }) => part);
  if (drawing.length === 0) return [];
  const { sideOf, likeOf } = iconSides(view);
  /** Leaves out the parts within a part that have their icons on the other side: they would have one on each. */
  const less = (part: PartName): string =>
    parts
      .filter((each) => isWithin(each, part) && likeOf(each) === undefined)
      .map((each) => `:not(${markOf(each)})`)
      .join('');
  /** Parts whose cells may get an icon, from themselves or from what they fall back to. */
  const having = parts.filter((part) => drawing.some((each) => each === part || isWithin(part, each)));
  return ['before', 'after'].flatMap((each) => {
    const there = having.filter((part) => {
      const like = likeOf(part);
      return sideOf(part) === each && !(like !== undefined && having.includes(like));
    });
    const selector = there.map((part) => `${cellsOf(options, { part, condition: 'rest' }, part, FILLED + less(part))}::${each}`).join(',');
    return there.length > 0 ? [rule(selector, ...iconShape(each, `var(${contract.iconShape})`), ['content', `var(${contract.iconThere})`])] : [];
  });
}

const property = propertyOf('icon');
const isWithin = (part: PartName, other: PartName): boolean => part !== other && lineage(part).includes(other);
