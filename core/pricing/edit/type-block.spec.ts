import { seasonPasses } from '../../examples';
import { says } from '../../tests/outcomes';
import { textOf } from '../../table';
import { cardsOf, editedComparison, editedRows, emptyFeature, emptyPricing, readPricing, typeBlock, wholeComparison, type Pricing } from '../index';

const texts = (pricing: Pricing): readonly (readonly string[])[] => editedComparison(pricing).table.rows.map((row) => row.map(textOf));

describe('A block of texts in the comparison', () => {
  it('goes into its cells, and makes plans and features for what reaches further', () => {
    const done = typeBlock(emptyPricing('Fares', 2), { row: 0, column: 1 }, [
      ['Deck', 'Saloon', 'Cabin'],
      ['9.50', '14', 'on request'],
      ['Take Deck', 'Take Saloon', 'Ask us'],
      ['yes', 'no', '3'],
    ]);
    expect(says(readPricing(done.pricing))).toBe('');
    expect([done.cells, done.plans, done.features, done.problems]).toEqual([12, 1, 1, []]);
    expect(texts(done.pricing).map((row) => row.slice(1))).toEqual([
      ['Deck', 'Saloon', 'Cabin'],
      ['£9.50', '£14', 'On request'],
      ['Take Deck', 'Take Saloon', 'Ask us'],
      ['Yes', 'No', '3'],
    ]);
  });
  it('takes all that can be read, and says each mistake once', () => {
    const done = typeBlock(seasonPasses, { row: 1, column: 1 }, [['10', 'a lot', 'a lot']]);
    expect([done.cells, done.problems.length]).toEqual([1, 1]);
    expect(done.problems[0]).toContain('a lot');
    expect(texts(done.pricing)[1]?.slice(1)).toEqual(['£10', '£14', 'By the season only']);
  });
  it('stops where there are plans and features enough', () => {
    const wide = typeBlock(emptyPricing('Fares', 1), { row: 0, column: 1 }, [Array.from({ length: 20 }, (_, i) => `Plan no. ${i}`)]);
    expect([wide.pricing.plans.length, wide.cells]).toEqual([12, 12]);
    expect(wide.problems).toEqual(['There are 12 plans. A pricing table has at most 12.']);
    const long = typeBlock(
      emptyPricing('Fares', 1),
      { row: 3, column: 0 },
      Array.from({ length: 500 }, (_, i) => [`Feature ${i}`, 'yes']),
    );
    expect([long.pricing.features.length, long.problems]).toEqual([400, ['There are 400 features. A pricing table has at most 400.']]);
  });
  it('is worked on with a row for every period, every feature and the actions, whatever stands on a page', () => {
    const some: Pricing = { ...seasonPasses, plans: seasonPasses.plans.map((each) => ({ ...each, actions: [] })) };
    const cards: Pricing = { ...some, features: some.features.map((each) => ({ ...each, in: 'cards' })) };
    const { table, rows } = editedComparison(cards, 'EUR');
    expect(rows.map(({ is }) => is).slice(0, 5)).toEqual(['names', 'price', 'price', 'action', 'group']);
    expect(rows.length).toBe(4 + cards.features.length);
    expect(editedRows(cards, 'EUR')).toEqual(rows);
    // One that was only made is typed in, and stands nowhere else.
    const fresh: Pricing = { ...seasonPasses, features: [...seasonPasses.features, emptyFeature('f99', '')] };
    expect(editedRows(fresh).length).toBe(editedRows(seasonPasses).length + 1);
    expect(wholeComparison(fresh).rows).toEqual(wholeComparison(seasonPasses).rows);
    expect(cardsOf(fresh, 'common lines').map(({ lines }) => lines.length)).toEqual(
      cardsOf(seasonPasses, 'common lines').map(({ lines }) => lines.length),
    );
    expect(table.rows[2]?.map(textOf)).toEqual(['A season', '€58.90', '€83.90', '€189 per berth']);
  });
});
