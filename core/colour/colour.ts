import { converter, modeHsl, modeHwb, modeLab, modeLch, modeOklab, modeOklch, modeRgb, parse, useMode } from 'culori/fn';

// culori parses and converts; which notations a theme may use is decided by the modes named here.
[modeRgb, modeHsl, modeHwb, modeLab, modeLch, modeOklab].forEach((mode) => useMode(mode as typeof modeRgb));
useMode(modeOklch);
const toRgb = converter('rgb');
const toOklch = converter('oklch');

/** A colour in sRGB. Channels and alpha run from 0 to 1 and are always inside that range. */
export interface Rgba {
  readonly r: number;
  readonly g: number;
  readonly b: number;
  readonly alpha: number;
}

export const TRANSPARENT: Rgba = { r: 0, g: 0, b: 0, alpha: 0 };
export const WHITE: Rgba = { r: 1, g: 1, b: 1, alpha: 1 };
export const BLACK: Rgba = { r: 0, g: 0, b: 0, alpha: 1 };

const clamp = (n: number | undefined): number => Math.min(1, Math.max(0, n ?? 0));

/** Reads a CSS colour (CSS Color 4: hex, names, rgb, hsl, hwb, lab, lch, oklab, oklch); undefined when it is none. */
export function parseColour(text: string): Rgba | undefined {
  const trimmed = text.trim();
  if (/^transparent$/i.test(trimmed)) return TRANSPARENT;
  // Without its #, culori takes six bare digits for a colour. CSS does not, so neither do we.
  if (/^[0-9a-f]{3,8}$/i.test(trimmed)) return undefined;
  const parsed = parse(trimmed);
  if (!parsed) return undefined;
  const rgb = parsed.mode === 'rgb' ? parsed : toRgb(parsed);
  return { r: clamp(rgb.r), g: clamp(rgb.g), b: clamp(rgb.b), alpha: clamp(rgb.alpha ?? 1) };
}

/** Whether a colour can be said in sRGB without becoming another one: digits are rounded, none is cut off. */
export function isInSrgb(text: string): boolean {
  const parsed = parse(text.trim());
  const rgb = parsed && toRgb(parsed);
  return rgb !== undefined && [rgb.r, rgb.g, rgb.b].every((each) => each > -0.002 && each < 1.002);
}

/** The same colour with its alpha multiplied by `share` (0 to 1). */
export const fade = (colour: Rgba, share: number): Rgba => ({ ...colour, alpha: colour.alpha * clamp(share) });

const byte = (n: number): string =>
  Math.round(n * 255)
    .toString(16)
    .padStart(2, '0');

/** `#rrggbb`, or `#rrggbbaa` where the colour is not opaque. */
export function toHex({ r, g, b, alpha }: Rgba): string {
  return `#${byte(r)}${byte(g)}${byte(b)}${alpha < 1 ? byte(alpha) : ''}`;
}

/** The colour that its hex form stands for: channels and alpha rounded to bytes. */
export function toBytes({ r, g, b, alpha }: Rgba): Rgba {
  const round = (n: number): number => Math.round(n * 255) / 255;
  return { r: round(r), g: round(g), b: round(b), alpha: round(alpha) };
}

/** Lightness (0 to 1), chroma and hue (degrees; 0 for greys) in OKLCH. */
export function toLch(colour: Rgba): { l: number; c: number; h: number } {
  const { l, c, h } = toOklch({ mode: 'rgb', r: colour.r, g: colour.g, b: colour.b });
  return { l, c, h: h ?? 0 };
}

/** The sRGB colour of an OKLCH triple, or undefined where sRGB cannot show it. */
export function fromLch(l: number, c: number, h: number): Rgba | undefined {
  const { r, g, b } = toRgb({ mode: 'oklch', l, c, h });
  const slack = 0.0005;
  if ([r, g, b].some((n) => n < -slack || n > 1 + slack)) return undefined;
  return { r: clamp(r), g: clamp(g), b: clamp(b), alpha: 1 };
}
