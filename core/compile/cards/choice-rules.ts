import { everyPeriod, type Pricing } from '../../pricing';
import { contract } from '../markup/contract';
import { rule, type CssNode } from '../sheet/stylesheet';
import { LEVEL } from './card-rules';

const mostOf = (pricings: readonly Pricing[], count: (pricing: Pricing) => number): number => Math.max(0, ...pricings.map(count));
const switches = [contract.periods, contract.currencies, contract.choice].map((mark) => `.${mark}`).join(',');

/** Of what is of one period or currency, that alone is there which is chosen. */
const chosenAlone = (group: string, of: string, nth: (at: number) => string, count: number): readonly CssNode[] =>
  Array.from({ length: count > 1 ? count : 0 }, (_, at) =>
    rule(`.${contract.choices}:has(.${group} .${nth(at)}:checked)~* .${of}:not(.${nth(at)})`, ['display', 'none']),
  );

const one = `.${contract.inCards['period-switch']}`;

/**
 * What every switch has whatever its theme, what is heard and not seen, and that of what hangs on it there is what was chosen, in every form of the pricing table.
 */
export const choiceRules = (pricings: readonly Pricing[]): readonly CssNode[] => [
  rule(`.${contract.anyCards} :where(${one})`, ...LEVEL, ['display', 'inline-block']),
  rule(`:is(${switches})`, ['border', '0'], ['margin', '0 0 1em'], ['padding', '0'], ['min-width', '0']),
  rule(
    `.${contract.inCards['period-switch']} input`,
    ['margin', '0'],
    ['margin-inline-end', '.4em'],
    ['accent-color', 'currentColor'],
    ['vertical-align', '-.1em'],
  ),
  // What is chosen is seen without a script.
  ...chosenAlone(
    contract.periods,
    contract.ofPeriod,
    contract.nthPeriod,
    mostOf(pricings, (each) => everyPeriod(each).length),
  ),
  ...chosenAlone(
    contract.currencies,
    contract.ofCurrency,
    contract.nthCurrency,
    mostOf(pricings, ({ currencies }) => currencies.length),
  ),
  rule(
    `.${contract.heard}`,
    ['position', 'absolute'],
    ['clip-path', 'inset(50%)'],
    ['width', '1px'],
    ['height', '1px'],
    ['overflow', 'hidden'],
    ['white-space', 'nowrap'],
  ),
  { kind: 'media', query: 'print', rules: [rule(switches, ['display', 'none'])] },
];
