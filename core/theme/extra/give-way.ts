import { propertiesOf } from '../catalogue/properties';
import type { Theme } from '../theme';
import type { Extra, ExtraRule } from './extra';

/**
 * The extra CSS of a chain's themes, the nearest first, as it holds together: what a theme says at a place, in the ledger or in extra CSS,
 * stands above what those below it say there, in whatever words.
 */
export const asTheyHold = (chain: readonly Theme[], extras: readonly Extra[]): readonly Extra[] =>
  extras.map((extra, i) => {
    const nearer = [...chain.slice(0, i).map(({ values }) => values), ...extras.slice(0, i).map(({ values }) => values)];
    return extra.rules.length === 0 || nearer.length === 0 ? extra : { ...extra, rules: extra.rules.map((rule) => left(rule, nearer)) };
  });

function left(rule: ExtraRule, nearer: readonly Theme['values'][]): ExtraRule {
  const { part, conditions, also, below } = rule.reached;
  if (rule.around.length > 0 || also !== '' || below !== '' || conditions.length > 1) return rule;
  const [condition = 'rest'] = conditions;
  const isSaid = (css: string): boolean =>
    propertiesOf(part).some((property) => property.css === css && nearer.some((values) => values[part]?.[condition]?.[property.name] !== undefined));
  return { ...rule, declarations: rule.declarations.filter(([css]) => !isSaid(css)) };
}
