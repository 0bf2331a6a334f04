import { contrast, inkFor, parseColour, toHex } from '../colour';
import { seasonPasses } from '../examples';
import { readability } from '../paint';
import { dice } from '../tests/random';
import { themeWith, viewOf } from '../tests/themes';
import { propertyOf } from '../theme';
import { accentOf, readPricing, viewWithAccent, type Plan } from './index';

const [first, second] = seasonPasses.plans;
if (!first || !second) throw new Error('The example has plans');
const plan = (fields: Partial<Plan>): Plan => ({ ...first, ...fields });
const random = (seed: number): string => {
  const d = dice(seed);
  return `#${Array.from({ length: 6 }, () => d.whole(0, 15).toString(16)).join('')}`;
};
const rgba = (text: string) => parseColour(text) ?? { r: 0, g: 0, b: 0, alpha: 1 };

describe('An ink for a colour', () => {
  it('reads on it, whatever it is', () => {
    for (let seed = 0; seed < 500; seed++) {
      const ground = rgba(random(seed));
      expect(contrast(inkFor(ground), ground))
        .withContext(toHex(ground))
        .toBeGreaterThanOrEqual(4.5);
    }
    expect(toHex(inkFor(rgba('#0b3a5b')))).toBe('#ffffff');
  });
});

describe('An accent', () => {
  const view = viewOf(
    themeWith(
      {
        plan: { rest: { fill: 'accent 12%' }, featured: { fill: 'accent', ink: 'ink for accent' } },
        price: { rest: { ink: 'accent that reads' } },
        'plan-heading': { rest: { ink: 'accent' } },
      },
      {
        swatches: [
          { name: 'accent', colour: '#0b7285' },
          { name: 'pale', colour: '#fff3bf' },
          { name: 'veil', colour: 'accent 20%' },
        ],
        modes: [{ name: 'dark', swatches: [{ name: 'pale', colour: '#5c4400' }], values: { table: { rest: { fill: '#101010', ink: '#eeeeee' } } } }],
      },
    ),
  );
  const inkOn = (each: typeof view, part: 'price' | 'plan-heading', featured = false): string =>
    toHex(readability(each, { part, conditions: featured ? ['featured'] : [] }).ink);

  it('stands in for the theme’s own in all that says it, in swatches too', () => {
    const its = viewWithAccent(view, plan({ accent: '#8a1c4a' }));
    expect(its.accent).toBe('#8a1c4a');
    expect(inkOn(its, 'plan-heading')).toBe('#8a1c4a');
    expect(its.vocabulary.swatches.get('veil')?.r).toBeCloseTo(0x8a / 255, 3);
    expect(viewWithAccent(view, plan({ accent: '' }))).toBe(view);
    expect(its.in('dark').accent).toBe('#8a1c4a');
    expect(its.accented('')).toBe(view);
  });
  it('is the nearest that reads where that is asked for: itself where it does', () => {
    expect(inkOn(viewWithAccent(view, plan({ accent: '#8a1c4a' })), 'price')).toBe('#8a1c4a');
    const faint = readability(viewWithAccent(view, plan({ accent: 'pale' })), { part: 'price', conditions: [] });
    expect(faint.passes).toBeTrue();
    expect(toHex(faint.ink)).not.toBe('#fff3bf');
  });
  it('can be another one in a mode: by a swatch that is, or said so', () => {
    const hex = (given: Partial<Plan>, mode: '' | 'dark'): string | undefined => {
      const read = accentOf(view.in(mode), plan(given));
      return read?.ok === true ? read.value : read?.problems[0]?.say;
    };
    expect([hex({ accent: 'pale' }, ''), hex({ accent: 'pale' }, 'dark')]).toEqual(['#fff3bf', '#5c4400']);
    expect([
      hex({ accent: '#8a1c4a', accentIn: { dark: '#f783ac' } }, ''),
      hex({ accent: '#8a1c4a', accentIn: { dark: '#f783ac' } }, 'dark'),
    ]).toEqual(['#8a1c4a', '#f783ac']);
    expect(hex({ accent: 'pale 40%' }, '')).toMatch(/no whole colour/);
    expect(hex({ accent: 'nowhere' }, '')).toMatch(/no swatch or colour/);
    expect(accentOf(view, plan({ accent: '' }))).toBeUndefined();
  });
  it('that reads is said of cards alone, and of ink alone', () => {
    const wrong = viewOf(
      themeWith(
        { table: { rest: { ink: 'accent that reads' } }, price: { rest: { ink: 'accent 20% that reads' } } },
        { swatches: [{ name: 'accent', colour: '#0b7285' }] },
      ),
    );
    const [table, price] = (['table', 'price'] as const).map((part) => wrong.said({ part, condition: 'rest' }, 'ink')[0]?.read);
    expect(table?.ok === false && table.problems[0]?.say).toMatch(/Only texts of cards/);
    expect(price?.ok === false && price.problems[0]?.say).toMatch(/lets through/);
    expect(wrong.valueAt({ part: 'table', condition: 'rest' }, propertyOf('ink'))?.css).not.toContain('accent');
  });
  it('is kept with its modes, and what is none is refused', () => {
    const kept = (accentIn: unknown): string => {
      const read = readPricing({ ...seasonPasses, plans: seasonPasses.plans.map((each) => ({ ...each, accentIn })) });
      return read.ok ? 'kept' : (read.problems[0]?.say ?? '');
    };
    expect(kept({ dark: 'pale' })).toBe('kept');
    expect(kept({ night: 'pale' })).not.toBe('kept');
    expect(kept({ dark: 5 })).toMatch(/1 to 60 characters/);
  });
});
