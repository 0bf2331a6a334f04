import { readTable } from '../table';
import { pricingExamples, seasonPasses } from '../examples';
import {
  answerOf,
  cardManners,
  cardsOf,
  checkPricing,
  comparisonOf,
  emptyFeature,
  emptyPlan,
  emptyPricing,
  readPricing,
  type Pricing,
} from './index';

const saysOf = (json: unknown): string => {
  const read = readPricing(json);
  return read.ok ? 'read' : read.problems.map(({ say, at }) => `${at ?? ''}: ${say}`).join(' ');
};
const planOf = (id: string, pricing: Pricing = seasonPasses) => {
  const found = pricing.plans.find((each) => each.id === id);
  if (!found) throw new RangeError(`There is no plan ${id}`);
  return found;
};
const codes = (pricing: Pricing): readonly string[] => checkPricing(pricing).map(({ code }) => code);

describe('The cards of a pricing table', () => {
  const lines = (plan: string, manner: 'own lists' | 'common lines'): readonly string[] =>
    (cardsOf(seasonPasses, manner).find((card) => card.plan.id === plan)?.lines ?? []).map(({ is, text }) => `${is}: ${text}`);
  it('have in lists of their own what is theirs, and one line for all that is another’s', () => {
    const [deck, saloon] = cardsOf(seasonPasses, 'own lists');
    expect([deck?.everythingIn, saloon?.everythingIn, saloon?.isFeatured]).toEqual([undefined, 'Everything in Deck, and', true]);
    expect(lines('saloon', 'own lists')).toEqual([
      'group: Crossings',
      'included: 16 crossings a month',
      'included: Late boats',
      'included: 1 guest',
      'group: On board',
      'included: Seat kept',
      'included: Soup after ten: half price',
      'group: Ashore',
      'included: Change on the day',
    ]);
    expect(lines('cabin', 'own lists')[1]).toBe('included: Up to 40 crossings a month');
  });
  it('have on common lines every feature on the same line, absent and not said told apart', () => {
    const all = seasonPasses.plans.map(({ id }) => lines(id, 'common lines'));
    expect(new Set(all.map((each) => each.length)).size).toBe(1);
    expect(lines('deck', 'common lines')).toContain('absent: Late boats');
    const silent: Pricing = { ...seasonPasses, answers: { ...seasonPasses.answers, late: {} } };
    expect(cardsOf(silent, 'common lines')[0]?.lines.find(({ feature }) => feature.id === 'late')?.is).toBe('not said');
  });
  it('say numbers in their language’s plural forms', () => {
    const phrase = { zero: 'بلا ضيوف', one: 'ضيف واحد', two: 'ضيفان', few: '{n} ضيوف', many: '{n} ضيفًا', other: '{n} ضيف' };
    const guests = ['0', '1', '2', '3', '11', '100'].map((n): string => {
      const pricing: Pricing = {
        ...emptyPricing('X', 1),
        language: 'ar',
        features: [{ ...emptyFeature('f', 'الضيوف'), phrase }],
        answers: { f: { p1: { is: 'number', n } } },
      };
      return cardsOf(pricing, 'own lists')[0]?.lines[0]?.text ?? '';
    });
    expect(guests).toEqual(
      ['بلا ضيوف', 'ضيف واحد', 'ضيفان', '٣ ضيوف', '١١ ضيفًا', '١٠٠ ضيف'].map((each) =>
        each.replace(/[٠-٩]+/, (found) =>
          new Intl.NumberFormat('ar').format(Number([...found].map((digit) => digit.charCodeAt(0) - 0x660).join(''))),
        ),
      ),
    );
  });
  it('give a footnote its number, and a price its parts, its month and its saving', () => {
    const [deck, , cabin] = cardsOf(seasonPasses, 'own lists', { period: 'season', currency: 'GBP' });
    expect(cabin?.lines.find(({ feature }) => feature.id === 'crossings')?.note).toBe(1);
    expect([deck?.price?.text, deck?.price?.perMonth, deck?.price?.saving]).toEqual(['£51', '£8.50 a month', 'Save 10%']);
    expect([cabin?.price?.text, cabin?.price?.was, cabin?.price?.saving]).toEqual(['£168 per berth', 'was £180', undefined]);
    expect(deck?.price?.parts.map(({ kind }) => kind)).toEqual(['currency', 'whole']);
  });
});

describe('A pricing table that is read', () => {
  it('comes back the same', () => {
    const read = readPricing(JSON.parse(JSON.stringify(seasonPasses)));
    expect(read.ok && read.value).toEqual(seasonPasses);
    expect(saysOf(emptyPricing('New', 3))).toBe('read');
    for (const picture of ['', '/pictures/ab12.png'])
      expect(saysOf({ ...seasonPasses, plans: seasonPasses.plans.map((plan) => ({ ...plan, picture })) })).toBe('read');
  });
  const [deck, saloon] = seasonPasses.plans;
  for (const [name, changed, says] of [
    ['another format', { format: 'zest-pricing/9' }, /format is not zest-pricing\/1/],
    ['no plans', { plans: [] }, /at least one plan/],
    ['thirteen plans', { plans: Array.from({ length: 13 }, (_, i) => emptyPlan(`x${i}`, 'X')), featured: '', answers: {} }, /at most 12 plans/],
    ['one id twice', { plans: [deck, deck], featured: '', answers: {} }, /“deck” stands there twice/],
    ['a rate of 0', { currencies: [{ code: 'GBP' }, { code: 'EUR', rate: '0' }] }, /rate is an exact decimal above 0/],
    ['a step of 0', { currencies: [{ code: 'GBP' }, { code: 'EUR', rate: '1.1', rounding: { to: '0.00', ending: '' } }] }, /step is more than 0/],
    ['a second currency without a rate', { currencies: [{ code: 'GBP' }, { code: 'EUR' }] }, /every other one has/],
    [
      'an amount that is no decimal',
      { plans: [{ ...deck, prices: [{ period: 'month', is: 'amount', amount: '12,50' }] }] },
      /exact decimal, as in 12\.50/,
    ],
    ['an amount of 30 digits', { plans: [{ ...deck, prices: [{ period: 'month', is: 'amount', amount: '1'.repeat(30) }] }] }, /exact decimal/],
    ['a free price with an amount', { plans: [{ ...deck, prices: [{ period: 'month', is: 'free', amount: '1' }] }] }, /that is an amount has one/],
    ['a link that would run', { plans: [{ ...deck, actions: [{ text: 'x', href: 'java\tscript:alert(1)', rank: 'first' }] }] }, /leads to http/],
    ['a picture from elsewhere', { plans: [{ ...deck, picture: 'https://x.test/a.png' }], answers: {} }, /picture is one that was brought in/],
    ['a ring of plans', { plans: [{ ...deck, from: 'saloon' }, saloon], answers: {} }, /of one another: Deck → Saloon → Deck/],
    ['a plan from itself', { plans: [{ ...deck, from: 'deck' }], featured: '', answers: {} }, /of one another: Deck → Deck/],
    ['everything of a plan that is gone', { plans: [{ ...deck, from: 'raft' }], featured: '', answers: {} }, /of a plan that is not there/],
    ['answers of a feature that is gone', { answers: { sails: { deck: { is: 'yes' } } } }, /a feature that is not there/],
    ['answers by a name that all objects have', { answers: JSON.parse('{"__proto__": {"deck": {"is": "yes"}}}') as unknown }, /have no “__proto__”/],
    ['a number without one', { answers: { late: { deck: { is: 'number' } } } }, /number or a limit has one/],
    ['a phrase of no plural form', { features: [{ ...emptyFeature('late', 'x'), phrase: { lots: 'x' } }], answers: {} }, /have no “lots”/],
    ['a frame that looks never have', { exceptions: [{ plan: 'deck', feature: null, values: { rows: '1px solid deep' } }] }, /have no “rows”/],
    ['a field of someone else', { discount: 5 }, /no other fields/],
    ['401 features', { features: Array.from({ length: 401 }, (_, i) => emptyFeature(`f${i}`, 'x')), answers: {} }, /at most 400 features/],
  ] as const)
    it(`is refused by its path: ${name}`, () => expect(saysOf({ ...seasonPasses, ...changed })).toMatch(says));
  it('is refused in any other shape without an error that is thrown', () => {
    for (const json of [
      null,
      3,
      'x',
      [],
      {},
      { ...seasonPasses, plans: {} },
      { ...seasonPasses, answers: [] },
      { ...seasonPasses, features: [null] },
    ])
      expect(saysOf(json)).not.toBe('read');
  });
});

describe('What may be a mistake in a pricing table', () => {
  const [deck, saloon, cabin] = [planOf('deck'), planOf('saloon'), planOf('cabin')];
  const withPlans = (...plans: readonly Pricing['plans'][number][]): Pricing => ({ ...seasonPasses, plans, featured: '' });
  for (const { key, pricing } of pricingExamples)
    it(`is nothing in an example: ${key}`, () => {
      expect(checkPricing(pricing).map(({ say }) => say)).toEqual([]);
      expect(saysOf(pricing)).toBe('read');
      expect(readTable(comparisonOf(pricing).table).ok).toBeTrue();
      for (const manner of cardManners)
        for (const card of cardsOf(pricing, manner)) expect(card.lines.every(({ text }) => text !== '' && !text.includes('{'))).toBeTrue();
    });
  for (const [name, pricing, code] of [
    ['a plan without a name', withPlans({ ...deck, name: ' ' }), 'name'],
    ['a plan without a price', withPlans({ ...deck, prices: [] }), 'price'],
    ['a period without a price and a word', { ...withPlans({ ...cabin, from: '' }), unpriced: '' }, 'unpriced'],
    ['a plan without an action', withPlans({ ...deck, actions: [] }), 'action'],
    ['an action without a link', withPlans({ ...deck, actions: [{ text: 'Take it', href: '', rank: 'first' }] }), 'link'],
    [
      'a season that costs more than six months',
      withPlans({
        ...deck,
        prices: [
          { period: 'month', is: 'amount', amount: '9.50' },
          { period: 'season', is: 'amount', amount: '57.01' },
        ],
      }),
      'dearer',
    ],
    [
      'an earlier price that is no more',
      withPlans({
        ...deck,
        prices: [
          { period: 'month', is: 'amount', amount: '9.50', was: '9.5' },
          { period: 'season', is: 'amount', amount: '51' },
        ],
      }),
      'was',
    ],
    ['a currency that is none of them', withPlans({ ...deck, prices: deck.prices.map((each) => ({ ...each, by: { CHF: '9' } })) }), 'currency'],
    ['a featured plan without a badge', { ...seasonPasses, plans: [deck, { ...saloon, badge: '' }, cabin] }, 'featured'],
    ['two plans of one name', withPlans(deck, { ...saloon, name: 'deck ' }), 'doubled'],
    ['an amount of which not all is written', withPlans({ ...deck, prices: deck.prices.map((each) => ({ ...each, amount: '9.505' })) }), 'decimals'],
    ['features that are spelled alike', { ...seasonPasses, features: [...seasonPasses.features, emptyFeature('late-2', 'late-boats')] }, 'alike'],
    ['nothing said beside yes and no', { ...seasonPasses, answers: { ...seasonPasses.answers, pause: { cabin: { is: 'yes' } } } }, 'unsaid'],
  ] as const)
    it(`is ${name}`, () => expect(codes(pricing)).toContain(code));
  it('is a dearer plan that has less, but not one that has more of something', () => {
    const raft = {
      ...saloon,
      id: 'raft',
      name: 'Raft',
      from: '',
      badge: '',
      prices: deck.prices.map((each) => ({ ...each, amount: each.period === 'month' ? '20' : '100' })),
    };
    const answers = Object.fromEntries(
      Object.entries(seasonPasses.answers).map(([feature, given]) => [
        feature,
        { deck: given['deck'] ?? { is: 'no' as const }, raft: { is: 'no' as const } },
      ]),
    );
    const less: Pricing = { ...withPlans(deck, raft), answers };
    expect(checkPricing(less).map(({ say }) => say)).toContain('“Raft” costs more than “Deck” and has less.');
    expect(codes({ ...less, answers: { ...answers, berths: { deck: { is: 'no' }, raft: { is: 'yes' } } } })).not.toContain('less');
  });
  it('is told once, and with the plan and the feature that settle it', () => {
    const [found] = checkPricing({ ...seasonPasses, answers: { ...seasonPasses.answers, pause: { cabin: { is: 'yes' } } } });
    expect(found?.settle).toEqual({ does: 'say no', feature: 'pause', plans: ['deck', 'saloon'] });
    expect(answerOf(seasonPasses, emptyFeature('toString', 'x'), deck)).toBeUndefined();
  });
});
