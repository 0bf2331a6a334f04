import { atStep, lookOf, places, propertyOf, widthsOf, type Theme } from '../../../../core/theme';

/** The font lists that a theme names anywhere, at any width. */
export function fontFamiliesOf(theme: Theme): ReadonlySet<string> {
  const font = propertyOf('font');
  return new Set(
    ['', ...widthsOf(theme).map(({ name }) => name)].flatMap((step) => {
      const look = lookOf(atStep(theme, step));
      return places.flatMap((place) => look.valueAt(place, font)?.css ?? []);
    }),
  );
}
