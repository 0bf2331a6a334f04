import { seasonPasses } from '../examples';
import type { Pricing } from '../pricing';
import { dice } from '../tests/random';
import { themeWith, viewOf } from '../tests/themes';
import { everyLook, partOf, starters } from '../theme';
import { checkAccents, hardestOfCards } from './index';

const random = (seed: number): string => {
  const d = dice(seed);
  return `#${Array.from({ length: 6 }, () => d.whole(0, 15).toString(16)).join('')}`;
};

describe('With any accent, a starter', () => {
  for (const { key, theme } of starters)
    it(`${key} has no text in its cards that cannot be read, under any conditions, at any width`, () => {
      const view = viewOf(theme);
      for (let seed = 0; seed < 50; seed++)
        for (const look of everyLook(view)) {
          const hardest = hardestOfCards(look.accented(random(seed)));
          expect(hardest?.ratio)
            .withContext(`${random(seed)}: ${partOf(hardest?.slot.part ?? 'plan').label} ${hardest?.slot.conditions.join(' ')} at ${hardest?.ratio}`)
            .toBeGreaterThanOrEqual(4.5);
        }
    });
});

describe('Checks of accents', () => {
  const passes = (...accents: readonly string[]): Pricing => ({
    ...seasonPasses,
    plans: seasonPasses.plans.map((each, at) => ({ ...each, accent: accents[at] ?? '' })),
  });
  const swatches = [{ name: 'accent', colour: '#0b7285' }];
  const says = (pricing: Pricing, values: Parameters<typeof themeWith>[0], more = {}): readonly string[] =>
    checkAccents(pricing, viewOf(themeWith(values, { swatches, ...more }))).map(({ say }) => say);
  it('tell what cannot be read with them, and where', () => {
    const values = { action: { rest: { fill: 'accent', ink: '#ffffff' } } };
    expect(says(passes('#ffec99', '#0b3a5b'), values)).toEqual([
      jasmine.stringMatching(/^With the accent of “Deck” the action reads at 1\.\d : 1, and needs 4\.5\.$/),
    ]);
    expect(says(passes('#ffec99'), { action: { rest: { fill: 'accent', ink: 'ink for accent' } } })).toEqual([]);
  });
  it('tell what is no colour, and nothing of a theme without an accent', () => {
    expect(says(passes('nowhere'), {})).toEqual([jasmine.stringMatching(/^The accent of “Deck” is no colour: /)]);
    expect(checkAccents(passes('#ffec99'), viewOf(themeWith({ price: { rest: { ink: '#ffffff' } } })))).toEqual([]);
    expect(says(passes(), {})).toEqual([]);
  });
});
