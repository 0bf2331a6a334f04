import { emptyFeature, emptyPlan, type Answer, type Plan, type Pricing } from '../pricing';

const plan = (id: string, name: string, given: Partial<Plan>): Plan => ({
  ...emptyPlan(id, name),
  actions: [{ text: `Join as ${name}`, href: `/members/${id}`, rank: 'first' }],
  ...given,
});
const number = (n: string): Answer => ({ is: 'number', n });

/** Memberships of a letterpress workshop: five plans, each with everything of the one before, by the month or the year, saving months. */
export const letterpress: Pricing = {
  format: 'zest-pricing/1',
  name: 'Letterpress memberships',
  caption: 'Memberships of the Fennel Point press',
  language: 'en-GB',
  periods: [
    { id: 'month', name: 'Monthly', months: 1 },
    { id: 'year', name: 'Yearly', months: 12 },
  ],
  currencies: [{ code: 'GBP' }],
  first: { period: 'year', currency: 'GBP' },
  tax: 'included',
  saving: 'months',
  unpriced: '',
  plans: [
    plan('reader', 'Reader', {
      subtitle: 'For those who look',
      prices: [
        { period: 'month', is: 'free' },
        { period: 'year', is: 'free' },
      ],
    }),
    plan('apprentice', 'Apprentice', {
      from: 'reader',
      prices: [
        { period: 'month', is: 'amount', amount: '12' },
        { period: 'year', is: 'amount', amount: '120' },
      ],
    }),
    plan('compositor', 'Compositor', {
      from: 'apprentice',
      badge: 'Most chosen',
      prices: [
        { period: 'month', is: 'amount', amount: '24' },
        { period: 'year', is: 'amount', amount: '230' },
      ],
    }),
    plan('printer', 'Printer', {
      from: 'compositor',
      prices: [
        { period: 'month', is: 'amount', amount: '48' },
        { period: 'year', is: 'amount', amount: '456' },
      ],
    }),
    plan('guild', 'Guild', {
      from: 'printer',
      subtitle: 'For schools and clubs',
      actions: [
        { text: 'Write to us', href: 'mailto:press@fennelpoint.example', rank: 'first' },
        { text: 'See the room', href: '/press/room', rank: 'second' },
      ],
      prices: [
        { period: 'month', is: 'on request' },
        { period: 'year', is: 'on request' },
      ],
    }),
  ],
  featured: 'compositor',
  features: [
    emptyFeature('list', 'Letter by post'),
    { ...emptyFeature('hours', 'Hours at the press'), phrase: { one: '{n} hour at the press a month', other: '{n} hours at the press a month' } },
    { ...emptyFeature('cases', 'Type cases'), phrase: { one: '{n} type case of one’s own', other: '{n} type cases of one’s own' } },
    emptyFeature('paper', 'Paper at cost'),
    emptyFeature('key', 'Key to the room'),
    { ...emptyFeature('guests', 'Guests'), phrase: { one: '{n} guest', other: '{n} guests' } },
  ],
  answers: {
    list: { reader: { is: 'yes' } },
    hours: {
      reader: { is: 'no' },
      apprentice: number('8'),
      compositor: number('20'),
      printer: number('60'),
      guild: { is: 'limit', n: '120', card: 'Up to 120 hours, shared' },
    },
    cases: { reader: { is: 'no' }, apprentice: { is: 'no' }, compositor: number('1'), printer: number('3'), guild: number('10') },
    paper: { reader: { is: 'no' }, apprentice: { is: 'no' }, compositor: { is: 'yes' } },
    key: { reader: { is: 'no' }, apprentice: { is: 'no' }, compositor: { is: 'no' }, printer: { is: 'yes' } },
    guests: { reader: { is: 'no' }, apprentice: { is: 'no' }, compositor: number('1'), printer: number('2'), guild: number('30') },
  },
  notes: [],
  exceptions: [],
  theme: '',
};
