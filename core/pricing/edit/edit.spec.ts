import { seasonPasses } from '../../examples';
import {
  addFeature,
  addPlan,
  answerOf,
  checkPricing,
  comparisonOf,
  duplicatePlan,
  emptyPricing,
  fromGrid,
  joinFeatures,
  moveFeature,
  movePlan,
  pasteLines,
  readPricing,
  removeFeature,
  removePlan,
  setAnswer,
  setNote,
  settled,
  type Plan,
  type Pricing,
} from '../index';
import { made, says } from '../../tests/outcomes';
import { textOf } from '../../table';

const ids = (list: readonly { readonly id: string }[]): string => list.map(({ id }) => id).join(' ');
const texts = (pricing: Pricing): readonly (readonly string[])[] => comparisonOf(pricing).table.rows.map((row) => row.map(textOf));
const valid = (pricing: Pricing): Pricing => {
  expect(says(readPricing(pricing))).toBe('');
  return pricing;
};
const planAt = (pricing: Pricing, at: number): Plan => {
  const plan = pricing.plans[at];
  if (!plan) throw new RangeError(`No plan at ${at}`);
  return plan;
};

describe('Plans of a pricing table', () => {
  it('are added with an id and a name of their own, up to twelve', () => {
    const more = valid(made(addPlan(seasonPasses, 'Cabin', 'deck')));
    expect(more.plans.map(({ name }) => name)).toEqual(['Deck', 'Cabin 2', 'Saloon', 'Cabin']);
    const full = Array.from({ length: 9 }).reduce<Pricing>((each) => made(addPlan(each)), seasonPasses);
    expect(new Set(full.plans.map(({ id }) => id)).size).toBe(12);
    expect(says(addPlan(full))).toMatch(/12 plans.*at most 12/);
    expect(says(duplicatePlan(full, 'deck'))).toMatch(/at most 12/);
  });
  it('are duplicated with what they say and their looks, and not featured', () => {
    const twice = valid(made(duplicatePlan(seasonPasses, 'saloon')));
    const copy = planAt(twice, 2);
    expect([copy.name, copy.from, twice.featured]).toEqual(['Saloon 2', 'deck', 'saloon']);
    const seat = twice.features.find(({ id }) => id === 'seat');
    expect(seat && answerOf(twice, seat, copy)?.answer.is).toBe('yes');
    expect(twice.exceptions.map(({ plan }) => plan)).toEqual(['saloon', copy.id]);
  });
  it('are moved, and hand what they say to those that have everything of them when they go', () => {
    expect(ids(movePlan(seasonPasses, 'cabin', 'deck').plans)).toBe('cabin deck saloon');
    expect(ids(movePlan(seasonPasses, 'deck').plans)).toBe('saloon cabin deck');
    const rest = valid(made(removePlan(seasonPasses, 'saloon')));
    expect([rest.featured, planAt(rest, 1).from, ids(rest.plans)]).toEqual(['', 'deck', 'deck cabin']);
    const column = (pricing: Pricing, name: string): readonly string[] => {
      const at = texts(pricing)[0]?.indexOf(name) ?? -1;
      return texts(pricing)
        .slice(3)
        .map((row) => row[at] ?? '');
    };
    expect(column(rest, 'Cabin')).toEqual(column(seasonPasses, 'Cabin'));
    expect(says(removePlan(emptyPricing('One', 1), 'p1'))).toMatch(/only plan/);
  });
});

describe('Features of a pricing table', () => {
  it('are moved, a group with all that is in it', () => {
    expect(ids(moveFeature(seasonPasses, 'g3', 'g2').features)).toBe(
      'g1 crossings late weekend guests g3 change pause refund desk g2 seat berths soup bike',
    );
    expect(moveFeature(seasonPasses, 'g2', 'soup')).toBe(seasonPasses);
  });
  it('go with their answers; of a group goes the heading alone', () => {
    const less = valid(removeFeature(seasonPasses, 'late'));
    expect(Object.keys(less.answers)).not.toContain('late');
    expect(ids(removeFeature(seasonPasses, 'g2').features)).toContain('seat berths');
    expect(valid(setAnswer(setAnswer(seasonPasses, 'desk', 'deck', undefined), 'desk', 'saloon', undefined)).answers['desk']).toEqual({
      cabin: { is: 'yes' },
    });
  });
  it('are joined with the answers of both, and what settles a finding settles it', () => {
    const two = made(addFeature(seasonPasses, 'late-boats'));
    const other = two.features.at(-1)?.id ?? '';
    const said = setAnswer(two, other, 'deck', { is: 'yes' });
    expect(valid(joinFeatures(said, other, 'late')).answers['late']).toEqual(seasonPasses.answers['late'] ?? {});
    const broken: Pricing = {
      ...setAnswer(setAnswer(said, 'pause', 'deck', undefined), 'pause', 'saloon', undefined),
      plans: seasonPasses.plans.map((each) => ({ ...each, badge: '' })),
    };
    const found = checkPricing(broken);
    expect(found.map(({ code }) => code).sort()).toEqual(['alike', 'featured', 'unsaid']);
    const whole = found.reduce((each, { settle }) => settled(each, settle), broken);
    expect(checkPricing(valid(whole))).toEqual([]);
  });
});

describe('Lines that are pasted into a plan', () => {
  it('join what says the same, also with another number or ending, and become features else', () => {
    const plan = planAt(seasonPasses, 2);
    const bare: Pricing = {
      ...seasonPasses,
      answers: Object.fromEntries(
        Object.entries(seasonPasses.answers).map(([feature, row]) => [
          feature,
          Object.fromEntries(Object.entries(row).filter(([id]) => id !== 'cabin')),
        ]),
      ),
    };
    const { pricing, pasted } = made(
      pasteLines(bare, plan, '• 40 crossings a month\n✓ late  boats\n- 1 berth\n✗ Pause for a month\n3) Breakfast at Skerrin\n\n2 lockers'),
    );
    expect(pasted.map(({ feature, joined }) => `${feature} ${joined}`)).toEqual([
      'crossings true',
      'late true',
      'berths true',
      'pause true',
      'f16 false',
      'f17 false',
    ]);
    expect(['crossings', 'late', 'berths', 'pause', 'f16', 'f17'].map((id) => pricing.answers[id]?.['cabin'])).toEqual([
      { is: 'number', n: '40' },
      { is: 'yes' },
      { is: 'number', n: '1' },
      { is: 'no' },
      { is: 'yes' },
      { is: 'number', n: '2' },
    ]);
    expect(pricing.features.at(-1)).toEqual({ id: 'f17', kind: 'feature', name: 'Lockers', hint: '', in: 'both', phrase: { other: '{n} lockers' } });
    // The singular, as it comes later, is a form of the same.
    const next = made(pasteLines(pricing, planAt(pricing, 0), '1 locker')).pricing;
    expect(next.features.at(-1)?.phrase).toEqual({ other: '{n} lockers', one: '{n} locker' });
    valid(next);
  });
  it('change nothing that the plan says already, and are refused where there is no line', () => {
    const { pricing } = made(pasteLines(seasonPasses, planAt(seasonPasses, 0), 'Late boats'));
    expect(pricing).toEqual(seasonPasses);
    expect(says(pasteLines(seasonPasses, planAt(seasonPasses, 0), ' \n • \n'))).toMatch(/no line/);
    const many = Array.from({ length: 401 }, (_, i) => `Feature ${String.fromCharCode(97 + (i % 26))}${'x'.repeat(i / 26 + 1)}`).join('\n');
    expect(says(pasteLines(seasonPasses, planAt(seasonPasses, 0), many))).toMatch(/more than 400/);
  });
});

describe('A pricing table from a grid', () => {
  const across = [
    ['Passes', 'Deck', 'Saloon', ''],
    ['', '', '', ''],
    ['Monthly price', '£9.50', 'from £14 per seat', ''],
    ['Yearly price', '£95', 'on request', ''],
    ['On board', '', '', ''],
    ['Seat', '✗', '✓', ''],
    ['Guests', '0', '2', ''],
    ['Soup', 'no', 'half price', ''],
    ['Late boats', '', 'yes', ''],
  ];
  it('is understood with plans across or down', () => {
    const one = made(fromGrid('Passes', across));
    expect([one.plans, one.unread]).toEqual(['across', []]);
    const { pricing } = one;
    valid(pricing);
    expect(pricing.periods.map(({ months }) => months)).toEqual([1, 12]);
    expect(planAt(pricing, 1).prices).toEqual([
      { period: 't1', is: 'from', amount: '14', unit: 'per seat' },
      { period: 't2', is: 'on request' },
    ]);
    expect(pricing.features.map(({ kind, name }) => `${kind} ${name}`)).toEqual([
      'group On board',
      'feature Seat',
      'feature Guests',
      'feature Soup',
      'feature Late boats',
    ]);
    expect(texts(pricing).slice(3)).toEqual([
      ['Seat', 'No', 'Yes'],
      ['Guests', '0', '2'],
      ['Soup', 'No', 'half price'],
      ['Late boats', '', 'Yes'],
    ]);
    const turned = across[0]?.map((_, column) => across.map((row) => row[column] ?? '')) ?? [];
    const other = made(fromGrid('Passes', turned));
    expect(other.plans).toBe('down');
    expect(other.pricing).toEqual(pricing);
  });
  it('takes the currency from the amounts, in the marks of any language', () => {
    const { pricing } = made(
      fromGrid(
        'Pässe',
        [
          ['', 'Deck', 'Salon'],
          ['Preis je Monat', '9,50 €', '1.204,00 EUR / Platz'],
          ['Sitz', 'nein', 'ja'],
        ],
        'de',
      ),
    );
    expect([pricing.currencies[0]?.code, ...pricing.plans.map(({ prices }) => prices[0]?.amount)]).toEqual(['EUR', '9.50', '1204']);
    expect(planAt(pricing, 1).prices[0]?.unit).toBe('Platz');
    expect(texts(pricing).at(-1)).toEqual(['Sitz', 'Nein', 'Ja']);
  });
  it('keeps what is no amount, and says so', () => {
    const { pricing, unread } = made(
      fromGrid('Passes', [
        ['', 'Deck', 'Saloon', 'Cabin'],
        ['Price', '£12,5O', '£3', '£4'],
      ]),
    );
    expect(unread).toEqual(['£12,5O']);
    expect(planAt(valid(pricing), 0).prices[0]).toEqual({ period: 't1', is: 'on request', unit: '£12,5O' });
  });
  it('is refused with a sentence where there are no prices, or too many plans', () => {
    expect(
      says(
        fromGrid('Boats', [
          ['Boat', 'From', 'To'],
          ['Moth', 'Oldquay', 'Skerrin'],
        ]),
      ),
    ).toMatch(/no row and no column of prices.*£12\.50/);
    expect(says(fromGrid('X', []))).toMatch(/no row/);
    const wide = [
      ['', ...Array.from({ length: 13 }, (_, i) => `P${i}`)],
      ['Price', ...Array.from({ length: 13 }, () => '£1')],
      ['x', 'y'],
    ];
    expect(says(fromGrid('X', wide))).toMatch(/13 plans.*at most 12/);
    const started = performance.now();
    fromGrid('X', [
      ['', 'a'],
      ['Price', `£${'1 '.repeat(200_000)}`],
    ]);
    expect(performance.now() - started).toBeLessThan(2000);
  });
});

describe('A footnote', () => {
  const notes = (pricing: Pricing): string => pricing.notes.map(({ id, text }) => `${id} ${text}`).join('; ');
  it('is made where it is first said, shared by its words, and goes with the last that names it', () => {
    const second = valid(made(setNote(seasonPasses, 'guests', 'saloon', ' Children go free. ')));
    expect(notes(second)).toBe('n1 Counted from the first of each month.; n2 Children go free.');
    const shared = valid(made(setNote(second, 'guests', 'cabin', 'Children go free.')));
    expect([notes(shared), shared.answers['guests']?.['cabin']?.note]).toEqual([notes(second), 'n2']);
    const one = made(setNote(shared, 'guests', 'cabin', ''));
    expect(notes(one)).toBe(notes(second));
    expect(notes(valid(made(setNote(one, 'guests', 'saloon', ''))))).toBe(notes(seasonPasses));
    expect(notes(made(setNote(second, 'guests', 'saloon', 'Two of them do.')))).toBe('n1 Counted from the first of each month.; n3 Two of them do.');
  });
  it('needs something that is said, and not more than sixty others', () => {
    const silent = { ...seasonPasses, answers: {} };
    expect(says(setNote(silent, 'guests', 'deck', 'x'))).toBe('Nothing is said here yet. Type what the plan has; then it can have a footnote.');
    const full: Pricing = { ...seasonPasses, notes: Array.from({ length: 60 }, (_, i) => ({ id: `n${i}`, text: `${i}` })) };
    expect(says(setNote(full, 'guests', 'saloon', 'one more'))).toContain('at most 60');
    expect(made(setNote(full, 'guests', 'saloon', '7')).answers['guests']?.['saloon']?.note).toBe('n7');
  });
});
