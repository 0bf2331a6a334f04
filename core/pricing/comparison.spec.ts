import { framedAt, gridOf, readTable, textOf } from '../table';
import { seasonPasses } from '../examples';
import { comparisonOf, placedComparison, wholeComparison, withoutPlans, type Pricing } from './index';

const texts = (pricing: Pricing, chosen = pricing.first): readonly (readonly string[])[] =>
  comparisonOf(pricing, chosen).table.rows.map((row) => row.map(textOf));

describe('The comparison of a pricing table', () => {
  it('is a table with a plan’s name alone over its column, price and action below it, and the features by their groups', () => {
    const { table, rows, plans } = comparisonOf(seasonPasses);
    expect(plans.map(({ name }) => name)).toEqual(['Deck', 'Saloon', 'Cabin']);
    expect(texts(seasonPasses).slice(0, 6)).toEqual([
      ['Season passes', 'Deck', 'Saloon', 'Cabin'],
      ['Price', '£9.50', '£14', 'By the season only'],
      ['Choose', 'Take Deck', 'Take Saloon', 'Take Cabin'],
      ['Crossings', '', '', ''],
      ['Crossings a month', '8', '16', '40 or fewer'],
      ['Late boats', 'No', 'Yes', 'Yes'],
    ]);
    expect([table.headerRows, table.rowHeaders, table.kind]).toEqual([1, 1, 'pricing']);
    expect(table.groups).toEqual(rows.flatMap(({ is }, at) => (is === 'group' ? [at] : [])));
    expect(readTable(table).ok).toBeTrue();
  });
  it('has everything of the plan before, what was typed in another currency, and the earlier price where one is', () => {
    expect(texts(seasonPasses).find(([name]) => name === 'Weekends')).toEqual(['Weekends', 'Yes', 'Yes', 'Yes']);
    expect(texts(seasonPasses, { period: 'season', currency: 'EUR' })[1]).toEqual(['Price', '€58.90', '€83.90', '€189 per berth']);
  });
  it('leaves out hidden plans and features of cards alone, and groups of which nothing is left', () => {
    const some: Pricing = {
      ...seasonPasses,
      plans: seasonPasses.plans.map((each) => ({ ...each, hidden: each.id === 'deck' })),
      features: seasonPasses.features.map((each) => (/^(?:seat|berths|soup|bike)$/.test(each.id) ? { ...each, in: 'cards' as const } : each)),
    };
    expect(texts(some)[0]).toEqual(['Season passes', 'Saloon', 'Cabin']);
    const names = texts(some).map(([name]) => name);
    expect(names).not.toContain('On board');
    expect(names).toContain('Ashore');
    // What it has of a hidden plan it still has.
    expect(texts(some).find(([name]) => name === 'Bicycle')).toBeUndefined();
    expect(texts(some).find(([name]) => name === 'Refund in storms')).toEqual(['Refund in storms', 'Yes', 'Yes']);
  });
  it('has the looks of plans and features on its columns and rows, wherever these have moved to', () => {
    const turned: Pricing = {
      ...seasonPasses,
      plans: [...seasonPasses.plans].reverse(),
      exceptions: [...seasonPasses.exceptions, { plan: null, feature: 'late', values: { ink: 'lamp', frame: '1px solid deep' } }],
    };
    const { table, rows } = comparisonOf(turned);
    expect(table.exceptions.map(({ row, column }) => [row, column])).toEqual([
      [null, 2],
      [rows.findIndex((each) => 'feature' in each && each.feature.id === 'late'), null],
    ]);
    expect(framedAt(table, gridOf(table).at(0, 2))?.isTop).toBeTrue();
  });
  it('has a frame on a page around the plan that stands out, in its accent, but where the person says otherwise', () => {
    const framesOf = (given: Partial<Pricing>): readonly (readonly [number | null, string | undefined])[] =>
      wholeComparison({ ...seasonPasses, exceptions: [], ...given }).table.exceptions.map(({ column, values }) => [column, values.frame]);
    expect(framesOf({})).toEqual([[2, '2px solid deep']]);
    expect(framesOf({ featured: 'cabin' })).toEqual([[3, '2px solid #808080']]);
    expect(framesOf({ featured: '' })).toEqual([]);
    const own = [{ plan: 'saloon', feature: null, values: { frame: '4px double lamp', ink: 'deep' } }];
    expect(wholeComparison({ ...seasonPasses, exceptions: own }).table.exceptions.map(({ values }) => values)).toEqual([
      { frame: '4px double lamp', ink: 'deep' },
    ]);
    expect(comparisonOf({ ...seasonPasses, exceptions: [] }).table.exceptions).toEqual([]);
  });
  it('says below it on a page what features and groups mean, by numbers after those of the footnotes', () => {
    const hints: Readonly<Record<string, string>> = { g2: 'Between the piers', seat: 'By the window', desk: ' ' };
    const { table } = wholeComparison({ ...seasonPasses, features: seasonPasses.features.map((each) => ({ ...each, hint: hints[each.id] ?? '' })) });
    expect(table.note).toBe('1 Counted from the first of each month.\n2 Between the piers\n3 By the window');
    expect(table.rows.map(([name]) => textOf(name ?? '')).filter((name) => /\d$/.test(name))).toEqual(['On board\u00a02', 'Seat kept\u00a03']);
    expect(readTable(withoutPlans(table)).ok).toBeTrue();
  });
  it('has on a page answers that neighbours have in common as one cell, where that is asked for', () => {
    const { table, rows } = wholeComparison({ ...seasonPasses, joined: true, featured: 'deck' });
    const late = rows.findIndex((row) => row.is === 'feature' && row.feature.name === 'Late boats');
    expect(table.merges.filter(({ row }) => row === late)).toEqual([{ row: late, column: 2, rows: 1, columns: 2 }]);
    // What stands out stays apart from its neighbours, since it has a frame.
    const apart = wholeComparison({ ...seasonPasses, joined: true });
    expect(apart.table.merges.every(({ row }) => apart.rows[row]?.is === 'group')).toBeTrue();
    expect(table.merges.every(({ row, rows: high }) => /^(?:feature|group)$/.test(rows[row]?.is ?? '') && high === 1)).toBeTrue();
    expect(readTable(withoutPlans(table)).ok).toBeTrue();
    expect(wholeComparison(seasonPasses).table.merges.every(({ row }) => rows[row]?.is === 'group')).toBeTrue();
  });
  it('has on a page a row for each period, with what it was and what it saves', () => {
    const { table, rows } = wholeComparison(seasonPasses);
    expect(rows.slice(0, 4).map(({ is }) => is)).toEqual(['names', 'badge', 'price', 'price']);
    // What the rows are about stays in view where all of them do not fit.
    expect(table.pinned).toBeTrue();
    expect(table.rows[1]?.map(textOf)).toEqual(['Note', '', 'Most taken', '']);
    expect(table.rows.slice(2, 4).map((row) => row.map(textOf))).toEqual([
      ['Monthly', '£9.50', '£14', 'By the season only'],
      ['A season', '£51\nSave 10%', '£72\nSave 14%', '£168 per berth\nwas £180'],
    ]);
    expect(readTable(withoutPlans(table)).ok).toBeTrue();
    // A footnote has its number at what it is of, and stands below.
    expect(table.rows.find(([name]) => name === 'Crossings a month')?.[3]).toEqual({
      text: '40 or fewer\u00a01',
      marks: [{ from: 11, to: 13, kind: 'super' }],
    });
    expect(table.note).toBe('1 Counted from the first of each month.');
    expect(wholeComparison({ ...seasonPasses, plans: seasonPasses.plans.map((each) => ({ ...each, badge: '' })) }).rows[1]?.is).toBe('price');
    expect(comparisonOf(seasonPasses).table.note).toBe('');
    const monthly: Pricing = { ...seasonPasses, plans: seasonPasses.plans.map((each) => ({ ...each, prices: each.prices.slice(0, 1) })) };
    expect(wholeComparison({ ...monthly, plans: monthly.plans.slice(0, 2) }).table.rows[2]?.map(textOf)).toEqual(['Price', '£9.50', '£14']);
    expect(
      wholeComparison({ ...monthly, plans: monthly.plans.map((each) => ({ ...each, prices: [] })) }).rows.filter(({ is }) => is === 'price').length,
    ).toBe(1);
  });
  it('says what cannot be had in place of its action, and does not link it', () => {
    const sold: Pricing = {
      ...seasonPasses,
      language: 'de',
      plans: seasonPasses.plans.map((each, i) => ({
        ...each,
        availability: (['sold out', 'coming soon', 'other'] as const)[i] ?? 'on sale',
        availabilityText: i === 2 ? 'Nur am Schalter' : '',
      })),
    };
    expect(texts(sold)[2]).toEqual(['Wählen', 'Ausverkauft', 'Bald verfügbar', 'Nur am Schalter']);
    expect(comparisonOf(sold).table.rows[2]?.every((cell) => typeof cell === 'string')).toBeTrue();
  });
  it('has on a page a tick and a dash for yes and no, where that is asked for, which are heard as words; what was not said stays empty', () => {
    const late = (given: Partial<Pricing>): readonly unknown[] =>
      wholeComparison({ ...seasonPasses, ...given })
        .table.rows.find(([name]) => textOf(name ?? '') === 'Late boats')
        ?.slice(1) ?? [];
    expect(late({})).toEqual(['No', 'Yes', 'Yes']);
    const icon = (text: string, href: string): object => ({ text, marks: [{ from: 0, to: text.length, kind: 'icon', href }] });
    expect(late({ marked: true })).toEqual([icon('No', 'dash'), icon('Yes', 'tick'), icon('Yes', 'tick')]);
    const some = { late: { deck: { is: 'yes' as const, text: 'on Fridays' }, cabin: { is: 'number' as const, n: '3' } } };
    expect(late({ marked: true, answers: some, plans: seasonPasses.plans.map((plan) => ({ ...plan, from: '' })) })).toEqual(['on Fridays', '', '3']);
    expect(readTable(withoutPlans(wholeComparison({ ...seasonPasses, marked: true }).table)).ok).toBeTrue();
  });
  it('has a row of prices for each period or, where visitors choose, one row for all; that is made for a page, and no file can bring it', () => {
    const rowsOf = (made: typeof wholeComparison): number => made(seasonPasses).rows.filter(({ is }) => is === 'price').length;
    expect([rowsOf(wholeComparison), rowsOf(placedComparison)]).toEqual([2, 1]);
    const [, , prices] = placedComparison(seasonPasses).table.rows;
    expect(prices?.slice(1).map((cell) => textOf(cell).split('\n')[0])).toEqual(['£9.50', '£14', 'By the season only']);
    expect(readTable(withoutPlans(wholeComparison(seasonPasses).table)).ok).toBeTrue();
    expect(readTable(placedComparison(seasonPasses).table).ok).toBeFalse();
    const single = { ...seasonPasses, currencies: seasonPasses.currencies.slice(0, 1), periods: seasonPasses.periods.slice(0, 1) };
    expect(placedComparison(single).table).toEqual(wholeComparison(single).table);
  });
});
