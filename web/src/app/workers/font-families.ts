import { places, propertyOf, type ThemeView } from '../../../../core/theme';

/** The font lists that a theme names anywhere, at any width. */
export function fontFamiliesOf(view: ThemeView): ReadonlySet<string> {
  const font = propertyOf('font');
  return new Set(
    ['', ...view.steps.map(({ name }) => name)].flatMap((step) => {
      const { valueAt } = view.at(step);
      return places.flatMap((place) => valueAt(place, font)?.css ?? []);
    }),
  );
}
