import type { PropertyName } from './catalogue/properties';
import type { Theme } from './theme';
import type { ThemeView } from './view';

const hold = (values: Theme['values'], name: PropertyName): boolean =>
  Object.values(values).some((part) => Object.values(part).some((texts) => Object.hasOwn(texts, name)));

/** Whether a theme or one that it grows from says anything of a property: at any place, width step or mode, or in extra CSS. */
export const saysAnywhere = ({ chain, extras }: ThemeView, name: PropertyName): boolean =>
  chain.some(({ values, widths = [], modes = [] }) => [{ values }, ...widths, ...modes].some((each) => hold(each.values, name))) ||
  extras.some(({ values }) => hold(values, name));
