import { resolveAt } from '../../resolve';
import type { ThemeView } from '../../theme';
import { contract } from '../markup/contract';
import type { SelectorOptions } from './selectors';

/** How places of a theme become selectors, under the key that names its class. */
export const selectorsFor = (view: ThemeView, key: string, held = false): SelectorOptions => ({
  theme: contract.theme(key),
  held,
  band: resolveAt(view, { part: 'body-rows', condition: 'rest' }, 'band').css,
});
