import { seasonPasses } from '../../examples';
import { setExceptions, withValue, type Exception } from '../../table';
import { made, says } from '../../tests/outcomes';
import { editedComparison, takeLooks, type Pricing } from '../index';

const bare: Pricing = { ...seasonPasses, exceptions: [] };
const rowOf = (pricing: Pricing, feature: string): number =>
  editedComparison(pricing).rows.findIndex((row) => 'feature' in row && row.feature.id === feature);
const filled = (pricing: Pricing, at: Pick<Exception, 'row' | 'column'>, fill: string | undefined): ReturnType<typeof takeLooks> => {
  const shown = editedComparison(pricing);
  return takeLooks(pricing, shown, setExceptions(shown.table, [at], (each) => withValue(each, 'fill', fill)).exceptions);
};

describe('Looks in the comparison of a pricing table', () => {
  it('are of a plan, of a feature, or of where both cross, and come back to the same places', () => {
    const plan = made(filled(bare, { row: null, column: 2 }, 'deep 8%'));
    expect(plan.exceptions).toEqual([{ plan: 'saloon', feature: null, values: { fill: 'deep 8%' } }]);
    const feature = made(filled(plan, { row: rowOf(plan, 'late'), column: null }, 'mist'));
    const crossing = made(filled(feature, { row: rowOf(plan, 'late'), column: 1 }, 'lamp'));
    expect(crossing.exceptions).toEqual([
      { plan: 'saloon', feature: null, values: { fill: 'deep 8%' } },
      { plan: null, feature: 'late', values: { fill: 'mist' } },
      { plan: 'deck', feature: 'late', values: { fill: 'lamp' } },
    ]);
    expect(editedComparison(crossing).table.exceptions.map(({ row, column }) => [row, column])).toEqual([
      [null, 2],
      [rowOf(plan, 'late'), null],
      [rowOf(plan, 'late'), 1],
    ]);
    expect(made(filled(plan, { row: null, column: 2 }, undefined)).exceptions).toEqual([]);
  });
  it('are refused with a sentence where nothing is that could have one', () => {
    expect(says(filled(bare, { row: null, column: 0 }, 'mist'))).toMatch(/names of the features have no look/);
    expect(says(filled(bare, { row: 1, column: 1 }, 'mist'))).toMatch(/prices and actions have the look of their plan/);
    expect(says(filled(bare, { row: 0, column: null }, 'mist'))).toMatch(/prices and actions have the look of their plan/);
  });
  it('leave alone what is not shown there', () => {
    const hidden: Pricing = {
      ...bare,
      plans: bare.plans.map((plan) => (plan.id === 'cabin' ? { ...plan, hidden: true } : plan)),
      exceptions: [{ plan: 'cabin', feature: 'late', values: { ink: 'deep' } }],
    };
    expect(made(filled(hidden, { row: null, column: 1 }, 'mist')).exceptions).toEqual([
      { plan: 'cabin', feature: 'late', values: { ink: 'deep' } },
      { plan: 'deck', feature: null, values: { fill: 'mist' } },
    ]);
  });
});
