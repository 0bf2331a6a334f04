import { resolveAt } from '../../resolve';
import { places, propertyOf, type ThemeView } from '../../theme';
import { contract } from '../markup/contract';
import { cellsOf, type SelectorOptions } from '../sheet/selectors';
import { rule, type CssNode, type Declaration } from '../sheet/stylesheet';
import { iconSides } from './icon-sides';

/** What numbers lack behind their decimal mark, as digits that are not seen: they then end in one line, however they were typed. */
export function decimalRules(view: ThemeView, options: SelectorOptions): readonly CssNode[] {
  if (resolveAt(view, { part: 'numbers', condition: 'rest' }, 'decimals').css !== 'aligned') return [];
  const digits: readonly Declaration[] = [
    ['content', `attr(${contract.pad})`],
    ['visibility', 'hidden'],
  ];
  // Where a number would have an icon behind it, its digits take the place: they are as wide as they are.
  const isIconBehind =
    iconSides(view).sideOf('footer') === 'after' &&
    places.some((place) => place.part === 'footer' && (view.valueAt(place, propertyOf('icon'))?.css ?? 'none') !== 'none');
  const bare: readonly Declaration[] = isIconBehind
    ? [
        ['display', 'inline'],
        ['margin', '0'],
      ]
    : [];
  const padded = `${cellsOf(options, { part: 'numbers', condition: 'rest' }, 'numbers', `[${contract.pad}]`)}::after`;
  return [rule(padded, ...digits, ...bare)];
}
