import { resolve } from '../resolve';
import { partOf, propertyOf, type PartName, type Place, type PropertyName, type Theme, type ThemeView } from '../theme';
import { setValue } from './edit-theme';

/** A part that does not follow the whole table in a property, since what the theme grows from says it there. */
export interface Behind {
  readonly part: PartName;
  readonly label: string;
  /** What it stays at. */
  readonly text: string;
}

/**
 * Parts that stay behind when a theme says something of the whole table: what it grows from has a value of its own there, which is
 * nearer. None where the theme does not say it itself, or where the value does not come to parts at all.
 */
export function staysBehind(view: ThemeView, name: PropertyName): readonly Behind[] {
  const property = propertyOf(name);
  const own = ownAt(view, name);
  if (own === undefined || property.falls !== 'table' || !property.parts.includes('table')) return [];
  const { text: wanted } = resolve(view, { part: 'table', conditions: [] }, name);
  return property.parts.flatMap((part): readonly Behind[] => {
    if (part === 'table' || property.stops?.includes(part) === true) return [];
    const { text, from } = resolve(view, { part, conditions: [] }, name);
    const isFromBase = from.of !== undefined && from.of !== view.theme && from.place?.part === part && from.place.condition === 'rest';
    return isFromBase && text !== wanted ? [{ part, label: partOf(part).label, text }] : [];
  });
}

/** The theme with what it says of the whole table said of those parts too that stay behind. */
export function takenAlong(view: ThemeView, name: PropertyName): Theme {
  const own = ownAt(view, name);
  if (own === undefined) return view.theme;
  return staysBehind(view, name).reduce((theme, { part }) => setValue(theme, at(view, part), name, own), view.theme);
}

const at = ({ step }: ThemeView, part: PartName): Place => (step === '' ? { part, condition: 'rest' } : { part, condition: 'rest', step });
/** What a theme itself says of the whole table, at the step at which it is looked at or at a wider one. */
const ownAt = (view: ThemeView, name: PropertyName): string | undefined =>
  view.said({ part: 'table', condition: 'rest' }, name).find(({ of, read }) => of === view.theme && read.ok)?.text;
