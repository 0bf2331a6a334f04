import { resolveAt } from '../../resolve';
import { everyLook, type ThemeView } from '../../theme';
import { contract } from '../markup/contract';
import { everyCell, type SelectorOptions } from '../sheet/selectors';
import { rule, type CssNode } from '../sheet/stylesheet';

const saidOf = (view: ThemeView): readonly string[] => {
  const { css } = resolveAt(view, { part: 'table', condition: 'rest' }, 'transition');
  return css === 'none' ? [] : css.split(',');
};

/** Whether fills that the hand brings come and go gradually: they are then a colour that is registered, and not a picture. */
export const isGradual = (view: ThemeView): boolean => saidOf(view).some((each) => each.startsWith('background-color '));

/** The layer in which a fill that the hand brings is laid over a cell, where it comes gradually. */
export const GRADUAL_LAYER = `linear-gradient(var(${contract.over},transparent) 0 0)`;

/**
 * The colour of that layer, which browsers can only blend where they know that it is one (CSS Properties and Values API 1, section 2): in
 * a document's own sheet, since those of shadow roots say nothing of it.
 */
export const overProperty = (view: ThemeView): readonly CssNode[] =>
  everyLook(view).some(isGradual)
    ? [rule(`@property ${contract.over}`, ['syntax', '"<color>"'], ['inherits', 'false'], ['initial-value', 'transparent'])]
    : [];

/**
 * What changes gradually when the hand brings or takes something: on rows, cells, what stands in them and around the table. For
 * visitors who want less motion all of it is at once (Media Queries 5, section 12.1).
 */
export function transitionRules(view: ThemeView, options: SelectorOptions, around: boolean): readonly CssNode[] {
  const said = saidOf(view);
  if (said.length === 0) return [];
  const fill = said.find((each) => each.startsWith('background-color '));
  const all = fill === undefined ? said : [...said, fill.replace('background-color', contract.over)];
  const things = [
    `.${options.theme}>*>tr`,
    everyCell(options),
    `${everyCell(options)}>:where(a,.${contract.button})`,
    ...(around ? [`.${options.theme}-around :where(.${contract.pagerItem},input)`] : []),
  ];
  return [{ kind: 'media', query: '(prefers-reduced-motion:no-preference)', rules: [rule(things.join(','), ['transition', all.join(',')])] }];
}
