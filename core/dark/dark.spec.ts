import { contrast, toLch, type Rgba } from '../colour';
import { paintedFill, readability, readabilityTogether } from '../paint';
import { winnerAt } from '../resolve';
import { dice, randomGrown, randomTheme, starterNames } from '../tests/random';
import { themeWith, viewOf } from '../tests/themes';
import { goesAlong, partNames, partOf, propertyOf, starters, viewOfChanged, type Slot, type Theme, type ThemeView } from '../theme';
import { inOneMode, sprout } from '../edit';
import { deriveDark } from './derive';
import { darkened, lightened, shade, shareOf, tonesFrom, wantedFrom } from './tones';

const BODY: Slot = { part: 'body-rows', conditions: [] };
const white: Rgba = { r: 1, g: 1, b: 1, alpha: 1 };

/** Every pair of a text and its ground that can be read where it is bright, and what it is in the dark. */
function pairs(bright: ThemeView, dark: ThemeView): readonly { readonly slot: Slot; readonly bright: number; readonly dark: number }[] {
  return partNames
    .filter((part) => partOf(part).box !== 'lines')
    .flatMap((part) => readabilityTogether(bright, part, 'rest'))
    .filter(({ ratio, picture, slot }) => ratio >= 4.5 && !picture && !slot.conditions.includes('disabled'))
    .map(({ slot, ratio }) => ({ slot, bright: ratio, dark: readability(dark, slot).ratio }));
}

describe('A theme’s dark mode, derived from what it is where it is bright', () => {
  const darkOf = (view: ThemeView): ThemeView | undefined => {
    const made = deriveDark(view);
    return made && viewOfChanged(view, made).in('dark');
  };
  const holds = (name: string, view: ThemeView): void => {
    const dark = darkOf(view);
    if (!dark)
      return expect(toLch(paintedFill(view, BODY)).l)
        .withContext(name)
        .toBeLessThan(0.45);
    for (const { slot, bright, dark: ratio } of pairs(view, dark)) {
      const where = `${name}: ${slot.part} ${slot.conditions.join('+')}`;
      expect(ratio).withContext(where).toBeGreaterThanOrEqual(4.5);
      const { value } = winnerAt(dark, slot, 'ink');
      // Where nothing is said of an ink, it is the page's; and one that goes with what it stands on is as that asks for.
      if (value.kind === 'colour' && !goesAlong(value) && !goesAlong(winnerAt(view, slot, 'ink').value))
        expect(ratio)
          .withContext(where)
          .toBeGreaterThan(wantedFrom(bright) - 0.01);
    }
    const ground = toLch(paintedFill(dark, BODY)).l;
    expect(ground).withContext(name).toBeLessThan(0.281);
    expect(ground).withContext(name).toBeGreaterThan(0.155);
  };

  for (const { key, version } of starters)
    it(`can be read as it can where it is bright: ${key}`, () => holds(key, viewOf(sprout('T', { starter: key, version }))));
  it('can be read for 100 random themes, and such as grow from others', () => {
    for (let seed = 0; seed < 100; seed++)
      holds(`seed ${seed}`, seed % 4 === 3 ? randomGrown(dice(seed), starterNames, 2) : viewOf(randomTheme(dice(seed), starterNames)));
  });
  it('keeps hues, raises what stands on the ground, and turns shadows into lines', () => {
    for (const { key, version } of starters) {
      const bright = viewOf(sprout('T', { starter: key, version }));
      const dark = darkOf(bright);
      if (!dark) continue;
      for (const { name } of bright.swatches) {
        const [was, is] = [bright.vocabulary.swatches.get(name), dark.vocabulary.swatches.get(name)].map((each) => each && toLch(each));
        if (!was || !is || was.c < 0.03 || is.c < 0.03) continue;
        const turned = Math.abs(((is.h - was.h + 540) % 360) - 180);
        expect(turned).withContext(`${key} ${name}`).toBeLessThan(8);
      }
      const under = toLch(paintedFill(dark, BODY)).l;
      for (const part of ['column-headers', 'footer'] as const) {
        const raised = toLch(paintedFill(dark, { part, conditions: [] })).l;
        expect(raised)
          .withContext(`${key} ${part}`)
          .toBeGreaterThan(under - 0.01);
      }
      const shadow = dark.valueAt({ part: 'table', condition: 'rest' }, propertyOf('shadow'));
      if (shadow && shadow.css !== 'none') expect(shadow.css).toMatch(/^0 0 0 1px /);
    }
  });
  it('leaves inks that go with what they stand on as they are', () => {
    const view = viewOf(
      themeWith(
        {
          table: { rest: { fill: '#ffffff', ink: '#111111' } },
          action: { rest: { fill: 'accent', ink: 'ink for accent' } },
          price: { rest: { ink: 'accent that reads' } },
        },
        { swatches: [{ name: 'accent', colour: '#8a1c4a' }] },
      ),
    );
    const dark = deriveDark(view);
    const mode = dark?.modes?.find(({ name }) => name === 'dark');
    expect([mode?.values.action?.rest?.ink, mode?.values.price?.rest?.ink]).toEqual([undefined, undefined]);
    for (const [part, conditions] of [
      ['action', ['hovered']],
      ['price', []],
      ['price', ['featured']],
    ] as const)
      expect(dark && readability(viewOf(dark).in('dark'), { part, conditions }).passes)
        .withContext(part)
        .toBeTrue();
  });
  it('is in its mode alone, made anew each time, and nothing for what is dark already', () => {
    const theme: Theme = themeWith({ table: { rest: { fill: '#ffffff', ink: 'deep' } }, 'body-rows': { even: { fill: 'mist' } } });
    const made = deriveDark(viewOf(theme));
    expect({ ...made, modes: undefined }).toEqual({ ...theme, modes: undefined } as never);
    expect(made?.modes?.map(({ name }) => name)).toEqual(['dark']);
    expect(made && deriveDark(viewOf(made))).toEqual(made);
    const printed = inOneMode(theme, 'print', (own) => ({ ...own, values: { 'body-rows': { rest: { ink: '#000000' } } } }));
    expect(deriveDark(viewOf(printed))?.modes?.map(({ name }) => name)).toEqual(['dark', 'print']);
    expect(deriveDark(viewOf(themeWith({ table: { rest: { fill: '#101418', ink: '#ffffff' } } })))).toBeUndefined();
  });
});

describe('Dark tones', () => {
  const tones = tonesFrom(white);
  it('are dark grounds, light texts and lines between, of the same hue', () => {
    const lamp: Rgba = { r: 0.886, g: 0.349, b: 0.039, alpha: 1 };
    expect(toLch(tones.ground(white)).l).toBeCloseTo(0.2, 1);
    expect(toLch(tones.ground(lamp)).l).toBeLessThan(0.29);
    expect(toLch(tones.ink({ r: 0, g: 0, b: 0, alpha: 1 })).l).toBeGreaterThan(0.95);
    expect(toLch(tones.line({ r: 0.8, g: 0.8, b: 0.8, alpha: 1 })).l).toBeLessThan(0.5);
    const before = toLch(lamp);
    for (const tone of ['ink', 'line'] as const) {
      const { c, h } = toLch(tones[tone](lamp));
      expect(c)
        .withContext(tone)
        .toBeGreaterThanOrEqual(0.7 * before.c - 0.001);
      expect(Math.abs(h - before.h))
        .withContext(tone)
        .toBeLessThan(8);
    }
  });
  it('leave a ground dark under a tint, and reach what a pair is to have', () => {
    const ground = tones.ground(white);
    expect(shareOf(white, ground, 0.5)).toBeLessThan(0.2);
    expect(shareOf(white, ground, 0.05)).toBe(0.05);
    const ink = shade(0.5, 0.05, 250);
    const better = lightened(ink, [{ ground, wanted: 9 }]);
    expect(better && contrast(better, ground)).toBeGreaterThanOrEqual(9);
    expect(lightened(ink, [{ ground: white, wanted: 9 }])).toBeUndefined();
    expect(contrast(white, darkened(shade(0.28, 0, 0), 17.7))).toBeGreaterThanOrEqual(17.7);
    expect([wantedFrom(4.5), wantedFrom(14.5)]).toEqual([4.5, 12.5]);
  });
});
