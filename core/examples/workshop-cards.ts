import { emptyFeature, emptyPlan, type Answer, type Plan, type Pricing } from '../pricing';

const plan = (id: string, name: string, amount: string, given: Partial<Plan> = {}): Plan => ({
  ...emptyPlan(id, name),
  prices: [{ period: 'once', is: 'amount', amount }],
  actions: [{ text: `${name} nehmen`, href: `/werkstatt/${id}`, rank: 'first' }],
  ...given,
});
const number = (n: string): Answer => ({ is: 'number', n });

/** Cards for a workshop, paid once, in German, with prices in francs as well: shown as cards without groups. */
export const workshopCards: Pricing = {
  format: 'zest-pricing/1',
  name: 'Workshop cards',
  caption: 'Karten für die Werkstatt',
  language: 'de',
  periods: [{ id: 'once', name: 'Einmal', months: null }],
  currencies: [{ code: 'EUR' }, { code: 'CHF', rate: '0.94', rounding: { to: '0.05', ending: '' } }],
  first: { period: 'once', currency: 'EUR' },
  tax: 'included',
  saving: 'nothing',
  unpriced: '',
  plans: [
    plan('one', 'Einzelkarte', '18'),
    plan('five', 'Fünferkarte', '80', { badge: 'Beliebt' }),
    plan('ten', 'Zehnerkarte', '144', { prices: [{ period: 'once', is: 'amount', amount: '144', was: '160' }] }),
  ],
  featured: 'five',
  features: [
    { ...emptyFeature('visits', 'Besuche'), phrase: { one: '{n} Besuch', other: '{n} Besuche' } },
    { ...emptyFeature('months', 'Gültig'), phrase: { one: '{n} Monat gültig', other: '{n} Monate gültig' } },
    emptyFeature('tools', 'Werkzeug inbegriffen'),
    emptyFeature('share', 'Übertragbar'),
    emptyFeature('course', 'Einführung'),
  ],
  answers: {
    visits: { one: number('1'), five: number('5'), ten: number('10') },
    months: { one: number('1'), five: number('6'), ten: number('12') },
    tools: { one: { is: 'yes' }, five: { is: 'yes' }, ten: { is: 'yes' } },
    share: { one: { is: 'no' }, five: { is: 'yes' }, ten: { is: 'yes' } },
    course: { one: { is: 'no' }, five: { is: 'text', text: 'zum halben Preis' }, ten: { is: 'yes' } },
  },
  notes: [],
  exceptions: [],
  theme: '',
};
