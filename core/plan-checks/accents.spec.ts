import { seasonPasses } from '../examples';
import type { Pricing } from '../pricing';
import { dice } from '../tests/random';
import { themeWith, viewOf } from '../tests/themes';
import { everyLook, partOf, starters } from '../theme';
import { checkAccents, hardestOfCards, hardestOfColumn } from './index';

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

  for (const { key, theme } of starters)
    it(`${key} has no text in the column of a plan that cannot be read`, () => {
      const view = viewOf(theme);
      for (let seed = 0; seed < 8; seed++)
        for (const look of everyLook(view)) {
          const hardest = hardestOfColumn(look.accented(random(seed)));
          // What lies over a picture is measured by hand.
          expect(hardest?.ratio ?? 4.5)
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
  it('tell what cannot be read in the column of the featured plan, which goes with its accent, by a swatch that hangs on it too', () => {
    const deck: Pricing = { ...passes('#ffec99'), featured: 'deck' };
    const headers = (fill: string): Parameters<typeof themeWith>[0] => ({ 'column-headers': { featured: { fill, ink: '#ffffff' } } });
    const sentence = jasmine.stringMatching(
      /^With the accent of “Deck” the text of the column headers in its column of the comparison reads at 1\.\d : 1/,
    );
    expect(says(deck, headers('accent'))).toEqual([sentence]);
    expect(says(deck, headers('glow'), { swatches: [...swatches, { name: 'glow', colour: 'accent' }] })).toEqual([sentence]);
    expect(says(deck, headers('#0b3a5b'))).toEqual([]);
    expect(says(passes('#ffec99'), headers('accent'))).toEqual([]);
    expect(says(deck, { 'column-headers': { featured: { fill: 'accent', ink: 'ink for accent' } } })).toEqual([]);
  });
  it('tell what is no colour, and nothing of a theme without an accent', () => {
    expect(says(passes('nowhere'), {})).toEqual([jasmine.stringMatching(/^The accent of “Deck” is no colour: /)]);
    expect(checkAccents(passes('#ffec99'), viewOf(themeWith({ price: { rest: { ink: '#ffffff' } } })))).toEqual([]);
    expect(says(passes(), {})).toEqual([]);
  });
});
