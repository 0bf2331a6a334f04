import type { ConditionName } from '../../theme';
import { element, type Element } from './markup';
import { contract } from './contract';

export interface AroundOptions {
  /** Key of the theme that dresses it. */
  readonly theme: string;
  /** What is said about the rows. */
  readonly info: string;
  /** For previews: with the message that stands where no row is left. */
  readonly empty?: boolean;
}

/** Pages to go to, and the condition that a preview holds open on each. */
const items: readonly (readonly [text: string, held: ConditionName | undefined])[] = [
  ['‹', 'disabled'],
  ['1', 'current'],
  ['2', 'hovered'],
  ['3', 'focused'],
  ['4', undefined],
  ['›', undefined],
];

/** A table with what stands around it, as the markup contract says: for previews, so nothing in it does anything. */
export function surrounded(table: Element, { theme, info, empty = false }: AroundOptions): Element {
  return element(
    'div',
    { class: contract.around(theme) },
    element('div', { class: contract.search }, element('label', {}, 'Search ', element('input', { type: 'search', tabindex: -1 }))),
    element('div', { class: contract.info }, info),
    table,
    ...(empty ? [element('div', { class: contract.empty }, 'No row has these words.')] : []),
    element(
      'div',
      { class: contract.pager },
      ...items.map(([text, held]) =>
        element(
          /\d/.test(text) ? 'a' : 'button',
          {
            ...(/\d/.test(text) ? { href: `#page-${text}` } : { type: 'button' }),
            class: contract.pagerItem,
            tabindex: -1,
            'aria-current': held === 'current' ? 'page' : undefined,
            'aria-disabled': held === 'disabled' ? 'true' : undefined,
            [contract.held]: held === 'hovered' || held === 'focused' ? held : undefined,
          },
          text,
        ),
      ),
    ),
  );
}
