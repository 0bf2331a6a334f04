import { familyOf, walk, weighed, NO_MORE, type CompiledPage, type Stylesheet, type Weight } from '../compile';
import type { Finding, Judgement } from './judge';

/** What a page has chosen against its house stylesheet. */
export interface Stand {
  readonly weight?: Weight;
  readonly insists?: boolean;
}

/** The page's stylesheet under a house stylesheet: the guard before ours, all of them with the weight that the page has chosen. */
export function settled(page: CompiledPage, { guard, insisted }: Judgement, { weight = NO_MORE, insists = false }: Stand): Stylesheet {
  return weighed([...guard, ...page.css], weight, insists && insisted.length > 0 ? familiesOf(insisted, page.css, guard) : new Set());
}

/** With `all`, every family of which anything is said. */
function familiesOf(insisted: readonly string[], ...sheets: readonly Stylesheet[]): ReadonlySet<string> {
  if (!insisted.includes('all')) return new Set(insisted);
  const families = new Set<string>();
  for (const sheet of sheets) walk(sheet, (_selector, declarations) => declarations.forEach(([property]) => families.add(familyOf(property))));
  return families;
}

/** Whether a rule of the house still takes something from tables as the page stands. */
export const holdsOut = ({ weight: needed, isImportant, isBeyond }: Finding, { weight = NO_MORE, insists = false }: Stand): boolean =>
  isBeyond || (isImportant && !insists) || needed.ids > weight.ids || (needed.ids === weight.ids && needed.classes > weight.classes);
