import { seasonPasses } from '../examples';
import { themeWith, viewOf } from '../tests/themes';
import type { Pricing } from '../pricing';
import { checkWords } from './index';

describe('Words of plans', () => {
  const view = viewOf(themeWith({ 'plan-heading': { rest: { size: '24px', font: 'inter' } }, table: { rest: { font: 'inter' } } }));
  const says = (pricing: Pricing, each = view): readonly string[] => checkWords(pricing, each).map(({ say }) => say);
  const [first, ...others] = seasonPasses.plans;
  const named = (name: string): Pricing => ({ ...seasonPasses, plans: first ? [{ ...first, name }, ...others] : others });
  it('that may be broken in the narrowest window are told, each once', () => {
    const long = 'Fjordüberfahrtsgesellschaftsangelegenheit';
    expect(says(named(`${long} ${long}`))).toEqual([`“${long}” may be broken where the window is 320 px wide.`]);
    expect(says(seasonPasses)).toEqual([]);
    expect(says(named('Fjord\u00adüberfahrts\u00adgesellschaft'))).toEqual([]);
    const features = seasonPasses.features.map((each) => (each.id === 'late' ? { ...each, name: long } : each));
    expect(checkWords({ ...seasonPasses, features }, view).map(({ settle }) => settle)).toEqual([
      { does: 'go to answer', feature: 'late', plan: 'saloon' },
    ]);
  });
  it('are as wide as their theme sets them', () => {
    const word = 'Landungsbrücke';
    expect(says(named(word))).toEqual([]);
    expect(says(named(word), viewOf(themeWith({ 'plan-heading': { rest: { size: '30px', case: 'uppercase' } } })))).toEqual([
      `“${word}” may be broken where the window is 320 px wide.`,
    ]);
    expect(says(named(word), viewOf(themeWith({ plan: { rest: { 'padding-start': '90px', 'padding-end': '90px' } } })))).toContain(
      `“${word}” may be broken where the window is 320 px wide.`,
    );
  });
});
