import { emptyFeature, emptyPlan, type Answer, type Plan, type Price, type Pricing } from '../pricing';

const unit = 'per metre of boat';
const paid = (night: string, week: string, season?: string): readonly Price[] => [
  { period: 'night', is: 'amount', amount: night, unit },
  { period: 'week', is: 'amount', amount: week, unit },
  ...(season === undefined ? [] : [{ period: 'season', is: 'from', amount: season, unit } as const]),
];
const plan = (id: string, name: string, given: Partial<Plan>): Plan => ({
  ...emptyPlan(id, name),
  actions: [{ text: 'Ask for this berth', href: `/harbours/${id}`, rank: 'first' }],
  ...given,
});
const yes: Answer = { is: 'yes' };
const no: Answer = { is: 'no' };

/** Berths in four harbours, by the night, the week or the season, without tax: one harbour is full, one opens later. */
export const berthRental: Pricing = {
  format: 'zest-pricing/1',
  name: 'Berth rental',
  caption: 'Berths for a night, a week or a season',
  language: 'en-GB',
  periods: [
    { id: 'night', name: 'A night', months: null },
    { id: 'week', name: 'A week', months: null },
    { id: 'season', name: 'A season', months: 6 },
  ],
  currencies: [{ code: 'GBP' }],
  first: { period: 'night', currency: 'GBP' },
  tax: 'not included',
  saving: 'nothing',
  unpriced: 'Not here',
  plans: [
    plan('oldquay', 'Oldquay', { subtitle: 'In town, by the fish steps', prices: paid('2.40', '14.50', '310'), badge: 'Sheltered' }),
    plan('skerrin', 'Skerrin', { subtitle: 'Floating pier', prices: paid('2.80', '17', '365') }),
    plan('tarn-isle', 'Tarn Isle', { subtitle: 'Buoys and a beach', prices: paid('1.20', '7'), availability: 'sold out' }),
    plan('low-sound', 'Low Sound', { subtitle: 'New in June', prices: [{ period: 'season', is: 'on request' }], availability: 'coming soon' }),
  ],
  featured: 'oldquay',
  features: [
    emptyFeature('g1', 'At the berth', 'group'),
    emptyFeature('power', 'Electricity'),
    emptyFeature('water', 'Fresh water'),
    { ...emptyFeature('depth', 'Depth at low water'), hint: 'Measured each April', phrase: { other: '{n} m at low water' } },
    emptyFeature('g2', 'Ashore', 'group'),
    emptyFeature('wash', 'Washroom'),
    emptyFeature('crane', 'Crane'),
    emptyFeature('watch', 'Night watch'),
  ],
  answers: {
    power: { oldquay: yes, skerrin: yes, 'tarn-isle': no, 'low-sound': yes },
    water: { oldquay: yes, skerrin: yes, 'tarn-isle': no, 'low-sound': yes },
    depth: {
      oldquay: { is: 'number', n: '2.4' },
      skerrin: { is: 'number', n: '3.1' },
      'tarn-isle': { is: 'number', n: '1.8', note: 'n1' },
      'low-sound': { is: 'number', n: '2' },
    },
    wash: { oldquay: yes, skerrin: yes, 'tarn-isle': no, 'low-sound': no },
    crane: { oldquay: { is: 'text', text: 'up to 4 t' }, skerrin: no, 'tarn-isle': no, 'low-sound': no },
    watch: { oldquay: yes, skerrin: { is: 'text', text: 'at weekends' }, 'tarn-isle': no, 'low-sound': no },
  },
  notes: [{ id: 'n1', text: 'At the outer buoys; the inner ones dry out.' }],
  exceptions: [],
  theme: '',
};
