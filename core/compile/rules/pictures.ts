import { resolveAt } from '../../resolve';
import { partOf, propertyOf, type PartName, type PropertyName, type ThemeView } from '../../theme';
import { contract } from '../markup/contract';
import { GRADUAL_LAYER, isGradual } from './transition-rules';
import type { Declaration } from '../sheet/stylesheet';

const parts: readonly PartName[] = propertyOf('picture').parts;

/** Whether a picture lies behind a part. */
export const hasPicture = (view: ThemeView, part: PartName): boolean =>
  parts.includes(part) && !view.isOff(part) && css(view, part, 'picture') !== 'none';

/** Whether headings of groups have the very picture of the row headers that they are, so that one rule can lay something over both. */
export const isPictureShared = (view: ThemeView): boolean =>
  hasPicture(view, 'group-headings') &&
  hasPicture(view, 'row-headers') &&
  css(view, 'group-headings', 'picture') === css(view, 'row-headers', 'picture');

/** Parts of cells with a picture in each cell that is not that of the part that they are within. Header and footer have theirs behind the whole row group. */
export const picturedCells = (view: ThemeView): readonly PartName[] =>
  parts.filter((part) => partOf(part).depth > 1 && hasPicture(view, part) && !(part === 'group-headings' && isPictureShared(view)));

const css = (view: ThemeView, part: PartName, name: PropertyName): string => resolveAt(view, { part, condition: 'rest' }, name).css;

const details = [
  ['background-repeat', 'picture-repeat', 'repeat'],
  ['background-size', 'picture-size', 'auto'],
  ['background-position', 'picture-position', 'left top'],
] as const;

/** The picture behind a box, with what differs from how CSS lays one. */
export function pictureBehind(view: ThemeView, part: PartName): readonly Declaration[] {
  if (!hasPicture(view, part)) return [];
  const told = details.map(([property, name, usual]) => [property, css(view, part, name), usual] as const);
  return [
    ['background-image', css(view, part, 'picture')],
    ...told.filter(([, value, usual]) => value !== usual).map(([property, value]): Declaration => [property, value]),
  ];
}

/**
 * A cell's picture below the layer in which the fill of what the hand touches is drawn. Where tables have pictures of their
 * own (`isOwn`), that of the cell takes the place of its part's.
 */
export const pictureUnder = (view: ThemeView, part: PartName, over: string, isOwn = false): Declaration => [
  'background-image',
  `${over},${isOwn ? ownPicture(css(view, part, 'picture')) : css(view, part, 'picture')}`,
];

/** A fill laid over a cell: the only layer, or the one over a picture of the cell's own. */
export const laidOver = (over: string, isOwn: boolean): Declaration => ['background-image', isOwn ? `${over},${ownPicture('none')}` : over];

const ownPicture = (otherwise: string): string => `var(${contract.behind},${otherwise})`;

/** What an exception says of the picture behind its cells. It names the picture, so that whatever is laid over it later still has it. */
export function pictureOf(value: (name: PropertyName) => string | undefined, over = 'none'): readonly Declaration[] {
  const own = value('picture');
  const shown: readonly Declaration[] =
    own === undefined
      ? []
      : [
          [contract.behind, own],
          ['background-image', `${over},${ownPicture('none')}`],
        ];
  return [
    ...shown,
    ...details.flatMap(([property, name, usual]): readonly Declaration[] => {
      const told = value(name);
      return told === undefined ? [] : [[property, `${usual},${told}`]];
    }),
  ];
}

/**
 * The picture in each cell of a part, below the layer in which a hovered or selected row's fill is drawn:
 * two layers from the start, so that the upper one can come and go alone.
 */
export function pictureInCells(view: ThemeView, part: PartName): readonly Declaration[] {
  const layers = pictureUnder(view, part, isGradual(view) ? GRADUAL_LAYER : 'none');
  const told = details.map(([property, name, usual]) => [property, css(view, part, name), usual] as const);
  return [
    layers,
    ...told.filter(([, value, usual]) => value !== usual).map(([property, value, usual]): Declaration => [property, `${usual},${value}`]),
  ];
}
