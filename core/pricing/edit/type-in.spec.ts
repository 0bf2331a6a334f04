import { seasonPasses } from '../../examples';
import { made, says } from '../../tests/outcomes';
import { textOf } from '../../table';
import { comparisonOf, readPricing, typeIn, type Chosen, type Pricing } from '../index';

/** What was typed in a cell of the comparison, by its row and column there. */
const typed = (row: string, column: number, text: string, pricing: Pricing = seasonPasses, chosen?: Chosen) => {
  const { table, rows, plans } = comparisonOf(pricing, chosen);
  const at = rows.findIndex((each, i) => ('feature' in each ? each.feature.name === row : each.is === row) && i >= 0);
  const found = rows[at];
  if (!found) throw new RangeError(`No row ${row}`);
  const made = typeIn(pricing, found, plans[column - 1], text);
  return { made, before: textOf(table.rows[at]?.[column]), row: at };
};
const seen = (pricing: Pricing, row: number, column: number, chosen?: Chosen): string =>
  textOf(comparisonOf(pricing, chosen).table.rows[row]?.[column]);
const done = (...on: Parameters<typeof typed>): Pricing => {
  const pricing = made(typed(...on).made);
  expect(says(readPricing(pricing))).toBe('');
  return pricing;
};

describe('Typing in the comparison of plans', () => {
  it('names plans, features, groups and the comparison itself', () => {
    expect(done('names', 1, '  Open   deck ').plans[0]?.name).toBe('Open deck');
    expect(done('names', 0, 'What each pass has').caption).toBe('What each pass has');
    expect(done('Late boats', 0, 'Boats after ten').features.find(({ id }) => id === 'late')?.name).toBe('Boats after ten');
    expect(done('On board', 0, 'Aboard').features.find(({ id }) => id === 'g2')?.name).toBe('Aboard');
  });
  it('sets the price for what is chosen, and keeps what else is known of it', () => {
    const season: Chosen = { period: 'season', currency: 'GBP' };
    expect(done('price', 1, '£10.25').plans[0]?.prices[0]).toEqual({ period: 'month', is: 'amount', amount: '10.25' });
    expect(done('price', 3, '170', seasonPasses, season).plans[2]?.prices[0]).toEqual({
      ...{ period: 'season', is: 'amount', amount: '170', was: '180', unit: 'per berth', by: { EUR: '189' } },
    });
    expect(done('price', 1, 'free').plans[0]?.prices[0]).toEqual({ period: 'month', is: 'free' });
    expect(done('price', 1, 'from £8 per head').plans[0]?.prices[0]).toEqual({ period: 'month', is: 'from', amount: '8', unit: 'per head' });
    expect(done('price', 1, '').plans[0]?.prices.map(({ period }) => period)).toEqual(['season']);
    expect(done('price', 1, '12.90', seasonPasses, { period: 'month', currency: 'EUR' }).plans[0]?.prices[0]?.by).toEqual({ EUR: '12.90' });
  });
  it('says what is no price, and whose currency it is not', () => {
    expect(says(typed('price', 1, '12,5O').made)).toContain('12,5O');
    expect(says(typed('price', 1, '€14').made)).toBe(
      '“€14” is an amount of EUR, and this cell is one of GBP. Type the amount alone, or show EUR first.',
    );
    expect(says(typed('price', 0, 'Cost').made)).toContain('language of the document');
    expect(says(typed('names', 1, 'x'.repeat(121)).made)).toBe('This has 121 characters, and the most is 120. Say it shorter; nothing was changed.');
    expect(says(typed('On board', 1, 'yes').made)).toBe('A heading has no answers. Type in the rows below it.');
  });
  it('answers by ticks, words, numbers and texts; nothing typed is not said', () => {
    const answer = (text: string) => done('Soup after ten', 1, text).answers['soup']?.['deck'];
    expect([answer('✓'), answer('no'), answer('–'), answer('On Fridays'), answer('3')]).toEqual([
      { is: 'yes' },
      { is: 'no' },
      { is: 'no' },
      { is: 'text', text: 'On Fridays' },
      { is: 'number', n: '3' },
    ]);
    expect(answer('')).toBeUndefined();
    const limited: Pricing = { ...seasonPasses, answers: { guests: { deck: { is: 'limit', n: '2', card: 'Up to two guests' } } } };
    expect(done('Guests', 1, '5', limited).answers['guests']?.['deck']).toEqual({ is: 'limit', n: '5' });
  });
  it('leaves to another plan what is that one’s, while the same is typed', () => {
    const inherits = comparisonOf(seasonPasses).rows.flatMap((row) => ('feature' in row && row.is === 'feature' ? [row.feature] : []));
    const feature = inherits.find(({ id }) => seasonPasses.answers[id]?.['deck'] && !seasonPasses.answers[id]['saloon']);
    if (!feature) throw new Error('The saloon has something of the deck');
    const { before, made: kept } = typed(feature.name, 2, typed(feature.name, 2, '').before);
    expect(before).not.toBe('');
    expect(made(kept)).toBe(seasonPasses);
  });
  it('words a plan’s first action, and what is said where it cannot be had', () => {
    expect(done('action', 1, 'Take it').plans[0]?.actions[0]).toEqual({ text: 'Take it', href: '/passes/deck', rank: 'first' });
    expect(done('action', 1, '').plans[0]?.actions).toEqual([]);
    const out: Pricing = { ...seasonPasses, plans: seasonPasses.plans.map((plan, i) => (i === 0 ? { ...plan, availability: 'sold out' } : plan)) };
    const again = done('action', 1, 'All gone', out);
    expect([seen(again, 2, 1), again.plans[0]?.actions.length]).toEqual(['All gone', 1]);
  });
});
