import type { Table } from '../table';
import { canBeSet, cardParts, partOf, propertiesOf, tableParts, type ConditionName, type PartName, type Theme, type ValueKind } from '../theme';
import { emptyFeature, emptyPlan, type Answer, type Plan, type Price, type Pricing } from '../pricing';
import { randomText, type Dice } from './random';

/** Values that go with the accent of a plan. */
const accented: { readonly [kind in ValueKind]?: (d: Dice) => string } = {
  colour: (d) => d.pick(['accent', 'accent 12%', 'accent 70%']),
  ink: (d) => d.pick(['accent', 'ink for accent', 'accent that reads', 'accent that reads', 'mist that reads']),
  line: (d) => d.pick(['1px solid accent', '2px dashed ink for accent']),
};

/** Values strewn over parts, under those of their conditions that are asked for. */
function strewn(d: Dice, among: readonly PartName[], only: (condition: ConditionName) => boolean): Theme['values'] {
  const density = d.pick([0.05, 0.2, 0.5]);
  const values: Record<string, Record<string, Record<string, string>>> = {};
  for (const part of among)
    for (const condition of partOf(part).conditions.filter(only))
      for (const property of propertiesOf(part))
        if (canBeSet(property, condition) && d.chance(density))
          ((values[part] ??= {})[condition] ??= {})[property.name] = d.chance(0.3)
            ? (accented[property.kind]?.(d) ?? randomText[property.kind](d))
            : randomText[property.kind](d);
  return values;
}

/** The theme with values strewn over the parts of cards, at its width steps and in its modes too. */
export function withCards(d: Dice, theme: Theme): Theme {
  const swatches = theme.swatches.some(({ name }) => name === 'accent')
    ? theme.swatches
    : [...theme.swatches, { name: 'accent', colour: d.pick(['deep', '#0b7285', 'mist']) }];
  return { ...everywhere(theme, (values) => ({ ...values, ...strewn(d, cardParts, () => true) })), swatches };
}

/** The theme with other values, at its width steps and in its modes too. */
function everywhere(theme: Theme, changed: (values: Theme['values']) => Theme['values']): Theme {
  const each = <T extends Pick<Theme, 'values'>>(one: T): T => ({ ...one, values: changed(one.values) });
  const { widths, modes } = theme;
  return { ...each(theme), ...(widths ? { widths: widths.map(each) } : {}), ...(modes ? { modes: modes.map(each) } : {}) };
}

const ofPlans: readonly PartName[] = tableParts.flatMap(({ name, conditions }) => (conditions.includes('featured') ? [name] : []));

/** The theme with values for the column of a featured plan strewn over the parts of tables. */
export const withFeatured = (d: Dice, theme: Theme): Theme =>
  everywhere(theme, (values) => {
    const more = strewn(d, ofPlans, (condition) => condition === 'featured');
    return {
      ...values,
      ...Object.fromEntries(Object.entries(more).map(([part, conditions]) => [part, { ...values[part as PartName], ...conditions }])),
    };
  });

/** The table with columns of plans, of which one is featured. */
export const withPlans = (d: Dice, table: Table): Table => {
  const featured = d.whole(0, table.columns.length - 1);
  return {
    ...table,
    columns: table.columns.map((column, at) => (at === featured ? { ...column, featured: true } : column)),
  };
};

const words = [
  'Deck',
  'Saloon',
  'Cabin',
  'Lantern',
  'Σαλόνι',
  'مقصورة',
  'Fjordüberfahrtsgesellschaftsangelegenheit',
  'The whole harbour for a summer long',
];
const languages = ['', 'de-DE', 'fr-FR', 'es-ES', 'el-GR', 'ar'];

function randomAnswer(d: Dice): Answer | undefined {
  if (d.chance(0.15)) return undefined;
  const is = d.pick(['yes', 'no', 'text', 'number', 'limit'] as const);
  if (is === 'number' || is === 'limit') return { is, n: d.pick(['1', '3', '2500', '0.5']) };
  return is === 'text' ? { is, text: d.pick(['half price', 'on weekdays', words[6] ?? '']) } : { is, ...(d.chance(0.1) ? { note: 'n1' } : {}) };
}

/** A pricing table of one to twelve plans, with long names, periods, badges, actions and features answered anyhow. */
export function randomPricing(d: Dice): Pricing {
  const periods = [
    { id: 'month', name: 'Monthly', months: 1 },
    { id: 'year', name: 'Yearly', months: 12 },
    { id: 'once', name: 'Once', months: null },
  ].slice(0, d.whole(1, 3));
  const price = (period: string): Price => {
    const is = d.pick(['amount', 'amount', 'from', 'free', 'on request'] as const);
    const unit = d.chance(0.3) ? 'per berth' : '';
    if (is === 'free' || is === 'on request') return { period, is };
    return { period, is, amount: d.pick(['9.5', '12', '1299.90', '48000']), ...(d.chance(0.3) ? { was: '60000' } : {}), ...(unit ? { unit } : {}) };
  };
  const plans = Array.from({ length: d.whole(1, 12) }, (_, at): Plan => ({
    ...emptyPlan(`p${at}`, d.pick(words)),
    subtitle: d.chance(0.4) ? d.pick(words) : '',
    description: d.chance(0.2) ? 'For those who like the wind and do not mind the spray.' : '',
    icon: d.chance(0.2) ? 'boat' : '',
    accent: d.chance(0.4) ? d.pick(['deep', '#ffec99', '#0b3a5b', '#e8590c', 'mist', 'nowhere']) : '',
    ...(d.chance(0.1) ? { accentIn: { dark: '#f783ac' } } : {}),
    badge: d.chance(0.3) ? d.pick(['Most taken', words[7] ?? '']) : '',
    from: at > 0 && d.chance(0.3) ? `p${at - 1}` : '',
    availability: d.pick(['on sale', 'on sale', 'sold out', 'coming soon'] as const),
    prices: periods.filter(() => d.chance(0.85)).map(({ id }) => price(id)),
    actions: d.chance(0.85)
      ? [
          { text: d.pick(['Take it', words[7] ?? '']), href: '#take', rank: 'first' as const },
          ...(d.chance(0.3) ? [{ text: 'Ask first', href: '#ask', rank: 'second' as const }] : []),
        ]
      : [],
    note: d.chance(0.2) ? 'Until the end of May.' : '',
  }));
  const features = Array.from({ length: d.whole(0, 14) }, (_, at) => ({
    ...emptyFeature(`f${at}`, d.pick(words), d.chance(0.2) ? 'group' : 'feature'),
    ...(d.chance(0.2) ? { hint: 'What that means, in a few words.' } : {}),
    ...(d.chance(0.2) ? { emphasised: true } : {}),
  }));
  const answers = features.flatMap(({ id, kind }) => {
    if (kind === 'group') return [];
    const given = plans.flatMap((plan): readonly (readonly [string, Answer])[] => {
      const answer = randomAnswer(d);
      return answer ? [[plan.id, answer]] : [];
    });
    return given.length === 0 ? [] : [[id, Object.fromEntries(given)] as const];
  });
  return {
    ...{
      format: 'zest-pricing/1',
      name: 'Passes',
      caption: 'Passes',
      language: d.pick(languages),
      periods,
      currencies: d.chance(0.25) ? [{ code: 'GBP' }, { code: 'EUR', rate: '1.16' }] : [{ code: 'GBP' }],
    },
    first: { period: d.pick(periods).id, currency: 'GBP' },
    ...{ tax: 'included', saving: d.pick(['percent', 'money', 'months'] as const), unpriced: d.chance(0.5) ? 'Not sold so' : '', plans },
    featured: d.chance(0.8) ? d.pick(plans).id : '',
    ...{ features, answers: Object.fromEntries(answers), notes: [{ id: 'n1', text: 'Not in storms.' }], exceptions: [], theme: '' },
  };
}
