import { resolveAt } from '../../resolve';
import type { Exception } from '../../table';
import type { ThemeView } from '../../theme';
import { contract } from '../markup/contract';
import { cutsTexts, readsOtherwise } from '../rules/inner-rules';
import type { SelectorOptions } from './selectors';

/** How places of a theme become selectors, under the key that names its class, for tables with these exceptions. */
export const selectorsFor = (view: ThemeView, key: string, held = false, exceptions: readonly Exception[] = []): SelectorOptions => ({
  theme: contract.theme(key),
  held,
  band: resolveAt(view, { part: 'body-rows', condition: 'rest' }, 'band').css,
  isWrapped: readsOtherwise(view) || cutsTexts(view, exceptions),
});
