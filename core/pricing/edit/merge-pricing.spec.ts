import { seasonPasses } from '../../examples';
import {
  addFeature,
  addPlan,
  comparisonOf,
  duplicatePlan,
  mergePricings,
  moveFeature,
  movePlan,
  readPricing,
  removeFeature,
  removePlan,
  setAnswer,
  takeTheirPricing,
  type Pricing,
} from '../index';
import type { Outcome } from '../../outcome';
import { made, says } from '../../tests/outcomes';

import { dice } from '../../tests/random';

const valid = (pricing: Pricing): Pricing => {
  expect(says(readPricing(pricing))).toBe('');
  return pricing;
};
describe('A pricing table that two windows changed', () => {
  it('has the order of one and the new plan of the other, and what each wrote', () => {
    const mine = movePlan(seasonPasses, 'cabin', 'deck');
    const theirs = setAnswer(made(addPlan(seasonPasses, 'Raft')), 'late', 'deck', { is: 'yes' });
    const { value, conflicts } = mergePricings(seasonPasses, mine, theirs);
    expect(conflicts).toEqual([]);
    expect(value.plans.map(({ name }) => name)).toEqual(['Cabin', 'Deck', 'Saloon', 'Raft']);
    expect(valid(value).answers['late']?.['deck']).toEqual({ is: 'yes' });
  });
  it('names nothing that one of them took away', () => {
    const mine = made(removePlan(seasonPasses, 'cabin'));
    const theirs: Pricing = { ...setAnswer(seasonPasses, 'bike', 'cabin', { is: 'no' }), featured: 'cabin' };
    const { value } = mergePricings(seasonPasses, mine, theirs);
    valid(value);
  });
  it('is asked about a price or an answer as a whole, and makes no ring of two plans', () => {
    const [mine, theirs] = [
      setAnswer(seasonPasses, 'late', 'deck', { is: 'number', n: '3' }),
      setAnswer(seasonPasses, 'late', 'deck', { is: 'text', text: 'some' }),
    ];
    const { value, conflicts } = mergePricings(seasonPasses, mine, theirs);
    expect(conflicts).toEqual([{ path: ['answers', 'late', 'deck'], mine: { is: 'number', n: '3' }, theirs: { is: 'text', text: 'some' } }]);
    expect(conflicts.reduce(takeTheirPricing, value)).toEqual(theirs);
    const from = (id: string, of: string): Pricing => ({
      ...seasonPasses,
      plans: seasonPasses.plans.map((each) => (each.id === id ? { ...each, from: of } : { ...each, from: '' })),
    });
    const plain = from('', '');
    valid(mergePricings(plain, from('deck', 'cabin'), from('cabin', 'deck')).value);
  });
  it('is asked about where both wrote at one place, and can have the other’s', () => {
    const price = (amount: string): Pricing => ({
      ...seasonPasses,
      plans: seasonPasses.plans.map((each) => (each.id === 'deck' ? { ...each, subtitle: amount } : each)),
    });
    const { value, conflicts } = mergePricings(seasonPasses, price('mine'), price('theirs'));
    expect(conflicts).toEqual([{ path: ['plans', 'deck', 'subtitle'], mine: 'mine', theirs: 'theirs' }]);
    expect(conflicts.reduce(takeTheirPricing, value)).toEqual(price('theirs'));
  });
  it('stays a pricing table that can be read, whatever 300 pairs of windows do', () => {
    const change = (seed: number): Pricing => {
      const d = dice(seed);
      let at = seasonPasses;
      for (let i = d.whole(1, 6); i > 0; i--) {
        const [plan, feature] = [d.pick(at.plans).id, d.pick(at.features).id];
        const steps: readonly (() => Outcome<Pricing> | Pricing)[] = [
          () => addPlan(at),
          () => duplicatePlan(at, plan),
          () => removePlan(at, plan),
          () => movePlan(at, plan, d.pick(at.plans).id),
          () => moveFeature(at, feature, d.pick(at.features).id),
          () => removeFeature(at, feature),
          () => addFeature(at, `Feature ${seed}`),
          () => setAnswer(at, feature, plan, { is: 'number', n: `${d.whole(0, 9)}` }),
        ];
        const next = d.pick(steps)();
        if (!('ok' in next)) at = next;
        else if (next.ok) at = next.value;
      }
      return at;
    };
    for (let seed = 0; seed < 300; seed++) {
      const { value } = mergePricings(seasonPasses, change(seed), change(5000 + seed));
      expect(says(readPricing(value)))
        .withContext(`seed ${seed}`)
        .toBe('');
      comparisonOf(value);
    }
  });
});
