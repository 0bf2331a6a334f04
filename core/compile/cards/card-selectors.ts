import { conditionOf, partOf, type ConditionName, type PartIn, type PartName } from '../../theme';
import { contract } from '../markup/contract';

type CardPart = PartIn<'cards'>;

const marks: { readonly [part in CardPart]: string } = { plan: contract.plan, ...contract.inCards };
const markOf = (part: PartName): string => (partOf(part).box === 'cards' ? marks[part as CardPart] : '');

/** What a condition asks of the element itself; a label has its field's state. */
const tests: { readonly [condition in ConditionName]?: { readonly own: string; readonly label?: string } } = {
  absent: { own: `.${contract.absent}` },
  'not-said': { own: `.${contract.notSaid}` },
  emphasised: { own: `.${contract.emphasised}` },
  hovered: { own: ':hover' },
  pressed: { own: ':active' },
  current: { own: '', label: ':has(:checked)' },
  focused: { own: ':focus-visible', label: ':has(:focus-visible)' },
  disabled: { own: '[aria-disabled=true]' },
};

const testOf = (part: PartName, condition: ConditionName, isHeld: boolean): string => {
  if (isHeld && conditionOf(condition).held === true) return `[${contract.held}~=${condition}]`;
  const { own, label } = tests[condition] ?? { own: '' };
  return part === 'period-switch' ? (label ?? own) : own;
};

/** What stands around the cards that a theme dresses, by the theme's class. */
export const cardsOfTheme = (theme: string): string => `.${theme}-cards`;

/**
 * A part of cards under conditions that hold together. What stands behind the theme's class weighs nothing, so that each rule weighs one
 * class and their order decides, as in tables.
 */
export function cardSelector(theme: string, part: PartName, conditions: readonly ConditionName[], isHeld = false): string {
  const isFeatured = conditions.includes('featured');
  const own = `.${markOf(part)}${conditions.map((condition) => testOf(part, condition, isHeld)).join('')}`;
  const within = part === 'plan' ? own + (isFeatured ? `.${contract.featured}` : '') : `${isFeatured ? `.${contract.featured} ` : ''}${own}`;
  return `${cardsOfTheme(theme)} :where(${within})`;
}
