import { newestOf, places, propertiesOf, widthsOf, type Place, type Property, type Theme, type ThemeView } from '../theme';
import { scaleInWords, told, listChanges, type ThemeChange } from './changes';
import { placeInWords } from './edit-theme';

/** Number of the newest version of the starter that a theme grows from, where that is later than its own; else undefined. */
export function laterVersion({ base }: Theme): number | undefined {
  const newest = base ? newestOf(base.starter) : 0;
  return base && newest > base.version ? newest : undefined;
}

/** The theme grown from another version of its starter. What it says itself stays. */
export const atVersion = (theme: Theme, version: number): Theme => (theme.base ? { ...theme, base: { ...theme.base, version } } : theme);

/**
 * What looks otherwise from one view of a theme to another, whoever says it: swatches, the type scale, and at each place, at each
 * width, the text that holds there. Where both themes say the same of themselves, it is what their bases make of them.
 */
export function lookChanges(before: ThemeView, after: ThemeView): readonly ThemeChange[] {
  const steps = ['', ...widthsOf(after.theme).map(({ name }) => name)];
  return [
    ...told('Type scale', scaleInWords(before.scale), scaleInWords(after.scale)),
    ...listChanges('Swatch', before.swatches, after.swatches, ({ colour }) => colour),
    ...steps.flatMap((step) => {
      const [was, is] = [before.at(step), after.at(step)];
      return places.flatMap((place) =>
        propertiesOf(place.part).flatMap((property): readonly ThemeChange[] => {
          const at: Place = step === '' ? place : { ...place, step };
          const [from, to] = [heldBy(was, place, property), heldBy(is, place, property)];
          // What holds at every width is told once.
          if (step !== '' && from === heldBy(before.at(''), place, property) && to === heldBy(after.at(''), place, property)) return [];
          return told(placeInWords(at, property.name), from, to);
        }),
      );
    }),
  ];
}

/** The text that holds at a place itself, or undefined where nothing is said there. */
const heldBy = (view: ThemeView, place: Place, { name }: Property): string | undefined => view.said(place, name).find(({ read }) => read.ok)?.text;
