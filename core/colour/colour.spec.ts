import {
  BLACK,
  WHITE,
  blend,
  contrast,
  fade,
  flatten,
  luminance,
  nearestPassing,
  neededContrast,
  parseColour,
  toHex,
  toLch,
  type Rgba,
} from './index';

const colour = (text: string): Rgba => {
  const read = parseColour(text);
  if (!read) throw new Error(`${text} is no colour`);
  return read;
};

describe('Colours', () => {
  for (const [text, hex] of [
    ['#eef5f6', '#eef5f6'],
    ['#ABC', '#aabbcc'],
    ['#11223380', '#11223380'],
    ['white', '#ffffff'],
    ['rgb(255 0 0 / 50%)', '#ff000080'],
    ['hsl(120 100% 25%)', '#008000'],
    ['oklch(1 0 0)', '#ffffff'],
    ['transparent', '#00000000'],
  ] as const) {
    it(`reads ${text}`, () => expect(toHex(colour(text))).toBe(hex));
  }

  for (const text of ['', 'mits', '#12', '#12345', 'eef5f6', 'rgb(', 'url(x)']) {
    it(`does not take “${text}” for one`, () => expect(parseColour(text)).toBeUndefined());
  }

  it('keeps colours outside sRGB inside it', () => {
    const { r, g, b } = colour('oklch(0.7 0.4 150)');
    expect([r, g, b].every((n) => n >= 0 && n <= 1)).toBeTrue();
  });

  it('blends as browsers do, in sRGB', () => {
    expect(toHex(blend(fade(BLACK, 0.5), WHITE))).toBe('#808080');
    expect(toHex(flatten(fade(colour('#ff0000'), 0.25), fade(BLACK, 0.5), WHITE))).toBe('#9f6060');
  });

  it('leaves an opaque front layer as it is', () => expect(blend(colour('#123456'), colour('#fedcba'))).toEqual(colour('#123456')));
  it('blends two empty layers to nothing', () => expect(blend(fade(WHITE, 0), fade(BLACK, 0)).alpha).toBe(0));
});

describe('Contrast', () => {
  it('runs from 1 to 21', () => {
    expect(contrast(BLACK, WHITE)).toBeCloseTo(21, 5);
    expect(contrast(WHITE, WHITE)).toBe(1);
  });
  it('has the luminance of the standard for the primaries', () => {
    expect(luminance(colour('#ff0000'))).toBeCloseTo(0.2126, 4);
    expect(luminance(colour('#00ff00'))).toBeCloseTo(0.7152, 4);
  });
  it('measures a translucent ink on what lies behind it', () =>
    expect(contrast(fade(BLACK, 0.5), WHITE)).toBeCloseTo(contrast(colour('#808080'), WHITE), 1));
  it('asks less of large and of bold text', () => {
    expect([neededContrast(16, 400), neededContrast(24, 400), neededContrast(18.66, 700), neededContrast(18.66, 600)]).toEqual([4.5, 3, 3, 4.5]);
  });

  for (const ink of ['#e2590a', '#f3b61f', '#8fd3c8', '#999999', '#ffffff']) {
    it(`finds the nearest passing colour for ${ink} on white, of the same hue`, () => {
      const found = nearestPassing(colour(ink), WHITE, 4.5);
      expect(found).toBeDefined();
      if (!found) return;
      expect(contrast(found, WHITE)).toBeGreaterThanOrEqual(4.5);
      expect(contrast(found, WHITE)).toBeLessThan(5);
      const [before, after] = [toLch(colour(ink)), toLch(found)];
      if (before.c > 0.03) expect(Math.abs(after.h - before.h)).toBeLessThan(4);
    });
  }
  it('keeps a colour that passes already', () => expect(toHex(nearestPassing(colour('#123c4d'), WHITE, 4.5) ?? WHITE)).toBe('#123c4d'));
  it('says so when nothing can pass', () => expect(nearestPassing(colour('#777777'), colour('#777777'), 21)).toBeUndefined());
});
