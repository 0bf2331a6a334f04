import type { PropertyName } from './catalogue/properties';
import { cardParts, partNames, tableParts, type PartName } from './catalogue/parts';
import { valueLists, type Theme } from './theme';
import type { ThemeView } from './view';

const hold = (values: Theme['values'], name: PropertyName): boolean =>
  Object.values(values).some((part) => Object.values(part).some((texts) => Object.hasOwn(texts, name)));

/** Whether a theme or one that it grows from says anything of a property: at any place, width step or mode, or in extra CSS. */
export const saysAnywhere = ({ chain, extras }: ThemeView, name: PropertyName): boolean =>
  chain.some(({ values, widths = [], modes = [] }) => [{ values }, ...widths, ...modes].some((each) => hold(each.values, name))) ||
  extras.some(({ values }) => hold(values, name));

/** Whether a theme or one that it grows from dresses cards of pricing tables as such; what lies under every theme does not count. */
export const dressesCards = ({ chain }: Pick<ThemeView, 'chain'>): boolean =>
  chain.slice(0, -1).some((theme) => valueLists(theme).some((values) => cardParts.some((part) => values[part] !== undefined)));

/** The parts that a theme is looked at for: those of cards where it dresses them, since else they are as what they fall back to. */
export const partsOf = (view: Pick<ThemeView, 'chain'>): readonly PartName[] => (dressesCards(view) ? partNames : tableParts.map(({ name }) => name));
