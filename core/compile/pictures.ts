import { resolveAt } from '../resolve';
import { lookOf, partOf, propertyOf, type PartName, type PropertyName, type Theme } from '../theme';
import type { Declaration } from './stylesheet';

const parts: readonly PartName[] = propertyOf('picture').parts;

/** Whether a picture lies behind a part. */
export const hasPicture = (theme: Theme, part: PartName): boolean =>
  parts.includes(part) && !lookOf(theme).isOff(part) && css(theme, part, 'picture') !== 'none';

/** Whether headings of groups have the very picture of the row headers that they are, so that one rule can lay something over both. */
export const isPictureShared = (theme: Theme): boolean =>
  hasPicture(theme, 'group-headings') &&
  hasPicture(theme, 'row-headers') &&
  css(theme, 'group-headings', 'picture') === css(theme, 'row-headers', 'picture');

/** Parts of cells with a picture in each cell that is not that of the part that they are within. Header and footer have theirs behind the whole row group. */
export const picturedCells = (theme: Theme): readonly PartName[] =>
  parts.filter((part) => partOf(part).depth > 1 && hasPicture(theme, part) && !(part === 'group-headings' && isPictureShared(theme)));

const css = (theme: Theme, part: PartName, name: PropertyName): string => resolveAt(theme, { part, condition: 'rest' }, name).css;

const details = [
  ['background-repeat', 'picture-repeat', 'repeat'],
  ['background-size', 'picture-size', 'auto'],
  ['background-position', 'picture-position', 'left top'],
] as const;

/** The picture behind a box, with what differs from how CSS lays one. */
export function pictureBehind(theme: Theme, part: PartName): readonly Declaration[] {
  if (!hasPicture(theme, part)) return [];
  const told = details.map(([property, name, usual]) => [property, css(theme, part, name), usual] as const);
  return [
    ['background-image', css(theme, part, 'picture')],
    ...told.filter(([, value, usual]) => value !== usual).map(([property, value]): Declaration => [property, value]),
  ];
}

/** A cell's picture below the layer in which the fill of what the hand touches is drawn. */
export const pictureUnder = (theme: Theme, part: PartName, over: string): Declaration => [
  'background-image',
  `${over},${css(theme, part, 'picture')}`,
];

/**
 * The picture in each cell of a part, below the layer in which a hovered or selected row's fill is drawn:
 * two layers from the start, so that the upper one can come and go alone.
 */
export function pictureInCells(theme: Theme, part: PartName): readonly Declaration[] {
  const layers = pictureUnder(theme, part, 'none');
  const told = details.map(([property, name, usual]) => [property, css(theme, part, name), usual] as const);
  return [
    layers,
    ...told.filter(([, value, usual]) => value !== usual).map(([property, value, usual]): Declaration => [property, `${usual},${value}`]),
  ];
}
