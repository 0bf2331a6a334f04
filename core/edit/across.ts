import { places, propertiesOf, propertyOf, type Place, type PropertyName, type ThemeView, type Theme } from '../theme';
import { setValue } from './edit-theme';
import { setSwatch } from './swatches';

/** One thing that is changed in several themes. */
export type Across =
  | { readonly is: 'swatch'; readonly name: string; readonly colour: string }
  | { readonly is: 'font'; readonly from: string; readonly to: string }
  | { readonly is: 'value'; readonly place: Place; readonly property: PropertyName; readonly text: string };

/** What of it comes to pass in one theme: the theme as it is then, or why it stays as it is. */
export interface Crossed {
  readonly theme: Theme;
  readonly say: string;
}

/**
 * A change that is made across several themes, in one of them. What it has from another theme of those chosen changes there, and comes
 * along; what it has from elsewhere becomes its own.
 */
export function crossed(view: ThemeView, change: Across, isChosen: (theme: Theme) => boolean): Crossed {
  const { theme, chain } = view;
  const comesAlong = (of: Theme): boolean => of !== theme && isChosen(of);
  if (change.is === 'swatch') {
    const holder = chain.find(({ swatches }) => swatches.some(({ name }) => name === change.name));
    if (!holder) return { theme, say: `It has no swatch “${change.name}”.` };
    if (comesAlong(holder)) return { theme, say: `It has “${change.name}” from ${holder.name}, and follows it.` };
    const now = holder.swatches.find(({ name }) => name === change.name)?.colour;
    if (now === change.colour) return { theme, say: 'It is so already.' };
    return { theme: setSwatch(theme, { name: change.name, colour: change.colour }), say: '' };
  }
  if (change.is === 'value') {
    const read = view.read(propertyOf(change.property), change.text);
    if (!read.ok) return { theme, say: read.problems.map(({ say, remedy }) => [say, remedy].join(' ')).join(' ') };
    const made = setValue(theme, change.place, change.property, change.text);
    return { theme: made, say: made === theme ? 'It is so already.' : '' };
  }
  let [made, along] = [theme, ''];
  for (const at of [undefined, ...view.steps.map(({ name }) => name)])
    for (const place of places)
      for (const property of propertiesOf(place.part).filter(({ kind }) => kind === 'family')) {
        const here = at === undefined ? view : view.at(at);
        const saying = here.said(place, property.name).find(({ read }) => read.ok);
        if (saying?.text !== change.from || (at !== undefined && saying.place.step !== at)) continue;
        if (comesAlong(saying.of)) along = saying.of.name;
        else made = setValue(made, saying.place, property.name, change.to);
      }
  if (made !== theme) return { theme: made, say: '' };
  return { theme, say: along === '' ? `It has nothing in ${change.from}.` : `It has its ${change.from} from ${along}, and follows it.` };
}
