import { emptyFeature, emptyPlan, type Answer, type Feature, type Plan, type Price, type Pricing } from '../pricing';

const paid = (month: string, season: string): readonly Price[] => [
  { period: 'month', is: 'amount', amount: month },
  { period: 'season', is: 'amount', amount: season },
];
const plan = (id: string, name: string, subtitle: string, given: Partial<Plan>): Plan => ({
  ...emptyPlan(id, name),
  subtitle,
  actions: [{ text: `Take ${name}`, href: `/passes/${id}`, rank: 'first' }],
  ...given,
});
const group = (id: string, name: string): Feature => emptyFeature(id, name, 'group');
const counted = (id: string, name: string, one: string, other: string): Feature => ({ ...emptyFeature(id, name), phrase: { one, other } });
const yes: Answer = { is: 'yes' };
const no: Answer = { is: 'no' };
const number = (n: string): Answer => ({ is: 'number', n });

/** Season passes of the Lantern Line: three plans by the month or a season of six, two currencies, twelve features in three groups. */
export const seasonPasses: Pricing = {
  format: 'zest-pricing/1',
  name: 'Season passes',
  caption: 'Season passes',
  language: 'en-GB',
  periods: [
    { id: 'month', name: 'Monthly', months: 1 },
    { id: 'season', name: 'A season', months: 6 },
  ],
  currencies: [{ code: 'GBP' }, { code: 'EUR', rate: '1.16', rounding: { to: '1', ending: '.90' } }],
  first: { period: 'month', currency: 'GBP' },
  tax: 'included',
  saving: 'percent',
  unpriced: 'By the season only',
  plans: [
    plan('deck', 'Deck', 'For those who like the wind', { prices: paid('9.50', '51') }),
    plan('saloon', 'Saloon', 'Inside, with a seat kept', { prices: paid('14', '72'), badge: 'Most taken', from: 'deck', accent: 'deep' }),
    plan('cabin', 'Cabin', 'Sleep on the late boats', {
      prices: [{ period: 'season', is: 'amount', amount: '168', was: '180', unit: 'per berth', by: { EUR: '189' } }],
      from: 'saloon',
    }),
  ],
  featured: 'saloon',
  features: [
    group('g1', 'Crossings'),
    counted('crossings', 'Crossings a month', '{n} crossing a month', '{n} crossings a month'),
    emptyFeature('late', 'Late boats'),
    emptyFeature('weekend', 'Weekends'),
    counted('guests', 'Guests', '{n} guest', '{n} guests'),
    group('g2', 'On board'),
    emptyFeature('seat', 'Seat kept'),
    counted('berths', 'Berths', '{n} berth', '{n} berths'),
    emptyFeature('soup', 'Soup after ten'),
    emptyFeature('bike', 'Bicycle'),
    group('g3', 'Ashore'),
    emptyFeature('change', 'Change on the day'),
    emptyFeature('pause', 'Pause for a month'),
    emptyFeature('refund', 'Refund in storms'),
    { ...emptyFeature('desk', 'Desk at Oldquay'), in: 'comparison' },
  ],
  answers: {
    crossings: {
      deck: number('8'),
      saloon: number('16'),
      cabin: { is: 'limit', n: '40', text: 'or fewer', card: 'Up to 40 crossings a month', note: 'n1' },
    },
    late: { deck: no, saloon: yes, cabin: yes },
    weekend: { deck: yes },
    guests: { deck: no, saloon: number('1'), cabin: number('2') },
    seat: { deck: no, saloon: yes },
    berths: { deck: no, saloon: no, cabin: { is: 'number', n: '1' } },
    soup: { deck: no, saloon: { is: 'text', text: 'half price' }, cabin: yes },
    bike: { deck: yes },
    change: { deck: no, saloon: yes },
    pause: { deck: no, saloon: no, cabin: yes },
    refund: { deck: yes },
    desk: { deck: no, saloon: no, cabin: yes },
  },
  notes: [{ id: 'n1', text: 'Counted from the first of each month.' }],
  exceptions: [{ plan: 'saloon', feature: null, values: { fill: 'deep 8%', frame: '2px solid deep' } }],
  theme: '',
};
