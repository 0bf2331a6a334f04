import { lineage, needsPointer, places, propertyOf, type ThemeView, type PartName, type Place } from '../../theme';
import { canHold } from '../sheet/combinations';
import { iconParts as parts, iconSides } from './icon-sides';
import type { Aspect, Felt } from '../sheet/lean';
import { cellsOf, heldCellsOf, isHeldOpen, markOf, type SelectorOptions } from '../sheet/selectors';
import { rule, type CssNode, type Declaration } from '../sheet/stylesheet';

/** An icon stands beside a text: an empty cell has none. */
export const FILLED = ':not(:empty)';

/** The icon's box: as high as the type, standing on its line. */
export const iconShape = (side: string): readonly Declaration[] => [
  ['display', 'inline-block'],
  ['width', '1em'],
  ['height', '1em'],
  [side === 'after' ? 'margin-inline-start' : 'margin-inline-end', '.4em'],
  ['vertical-align', '-.125em'],
  ['background', 'currentColor'],
  ['mask', 'center/contain no-repeat'],
];

/** Icons beside the text of header cells: the shape as a mask over the ink, so that an icon is always as dark as its text. */
export function iconRules(view: ThemeView, options: SelectorOptions, felt?: Felt): readonly CssNode[] {
  const said = places
    .filter(({ part }) => parts.includes(part))
    .flatMap((place) => {
      const value = view.valueAt(place, property);
      return value ? [{ place, value }] : [];
    });
  if (said.every(({ value }) => value.css === 'none')) return [];
  const { sideOf, likeOf, familyOf } = iconSides(view);
  const isLike = (part: PartName): boolean => likeOf(part) !== undefined;
  /** Leaves out the parts within a part that have their icons on the other side: they would have one on each. */
  const less = new Map(
    parts.map(
      (part) =>
        [
          part,
          parts
            .filter((each) => isWithin(each, part) && !isLike(each))
            .map((each) => `:not(${markOf(each)})`)
            .join(''),
        ] as const,
    ),
  );
  const select = (of: typeof cellsOf, place: Place, part: PartName): string =>
    `${of(options, place, part, FILLED + (less.get(part) ?? ''))}::${sideOf(part)}`;

  const drawing = said.filter(({ value }) => value.css !== 'none').map(({ place }) => place.part);
  /** Parts whose cells may get an icon, from themselves or from what they fall back to. */
  const having = parts.filter((part) => drawing.some((each) => each === part || isWithin(part, each)));
  const shapes = ['before', 'after'].flatMap((each) => {
    const there = having.filter((part) => {
      const like = likeOf(part);
      return sideOf(part) === each && !(like !== undefined && having.includes(like));
    });
    const selector = there.map((part) => select(cellsOf, { part, condition: 'rest' }, part)).join(',');
    return there.length > 0 ? [rule(selector, ...iconShape(each))] : [];
  });
  /** On a part, or on one within it that has its icons on the same side. */
  const isFelt = (place: Place, aspect: Aspect, on: PartName): boolean =>
    felt === undefined || parts.some((part) => (part === on || isWithin(part, on)) && familyOf(part) === familyOf(on) && felt(place, aspect, part));
  const drawn = ({ place, value }: (typeof said)[number]): readonly CssNode[] => {
    const isDrawn = value.css !== 'none';
    // A part with its icons on the other side than the part around it has none of that part's to put away.
    if (felt !== undefined && !isDrawn && place.condition === 'rest' && !isLike(place.part)) return [];
    const on = parts.filter((part) => part === place.part || (isWithin(part, place.part) && canHold(part, place.condition) && !isLike(part)));
    const rules = (of: typeof cellsOf): readonly CssNode[] =>
      on.flatMap((part) => {
        const declarations: Declaration[] = [];
        if (isFelt(place, 'icon', part)) declarations.push(['content', isDrawn ? '""' : 'none']);
        if (isDrawn && isFelt(place, 'icon-shape', part)) declarations.push(['mask-image', value.css]);
        return declarations.length === 0 ? [] : [rule(select(of, place, part), ...declarations)];
      });
    const held = options.held && isHeldOpen(place.condition) ? rules(heldCellsOf) : [];
    // As with fills: a tap leaves a hover behind on what cannot hover.
    return needsPointer(place.condition) ? [{ kind: 'media', query: '(hover:hover)', rules: rules(cellsOf) }, ...held] : [...rules(cellsOf), ...held];
  };
  return [...shapes, ...said.flatMap(drawn)];
}

const property = propertyOf('icon');
const isWithin = (part: PartName, other: PartName): boolean => part !== other && lineage(part).includes(other);
