import { everyLook, places, propertyOf, type ThemeView } from '../../../../core/theme';

/** The font lists that a theme names anywhere, at any width, in any mode. */
export function fontFamiliesOf(view: ThemeView): ReadonlySet<string> {
  const font = propertyOf('font');
  return new Set(everyLook(view).flatMap(({ valueAt }) => places.flatMap((place) => valueAt(place, font)?.css ?? [])));
}
