import { contrast, fromLch, parseColour, toHex, toLch, type Rgba } from '../colour';
import type { Swatch } from './theme';

/** Least contrast of every text pair that is derived (WCAG 2.2, 1.4.3). */
const NEEDED = 4.5;

/** The nearest colour of that lightness and hue that sRGB can show: chroma gives way (CSS Color 4, section 13.2). */
function shade(l: number, c: number, h: number): Rgba {
  for (let chroma = c; chroma > 0.001; chroma *= 0.95) {
    const colour = fromLch(l, chroma, h);
    if (colour) return rounded(colour);
  }
  return rounded(fromLch(l, 0, h) ?? { r: l, g: l, b: l, alpha: 1 });
}
/** As it is written: what is measured is what is seen. */
const rounded = (colour: Rgba): Rgba => parseColour(toHex(colour)) ?? colour;

/** The first lightness, from one that is wanted towards an end, at which the colour passes on every ground. */
function passing(l: number, towards: 0 | 1, c: number, h: number, grounds: readonly Rgba[]): Rgba {
  for (let step = 0; step <= 100; step++) {
    const colour = shade(l + ((towards - l) * step) / 100, c, h);
    if (grounds.every((ground) => contrast(colour, ground) >= NEEDED)) return colour;
  }
  return towards === 0 ? { r: 0, g: 0, b: 0, alpha: 1 } : { r: 1, g: 1, b: 1, alpha: 1 };
}

/**
 * A whole set of swatches from one brand colour, in OKLCH: same hue throughout, lightness and chroma by what
 * each is for. Texts are chosen last and measured on every fill that they stand on, so each pair reaches
 * 4.5 : 1 by construction.
 */
export function swatchesFromBrand(brand: Rgba): readonly Swatch[] {
  const { l, c, h } = toLch(brand);
  const quiet = Math.min(c, 0.16);
  const paper = shade(0.995, Math.min(quiet, 0.004), h);
  const band = shade(0.965, Math.min(quiet, 0.014), h);
  const hover = shade(0.93, Math.min(quiet, 0.04), h);
  const select = shade(0.885, Math.min(quiet, 0.065), h);
  const total = shade(0.945, Math.min(quiet, 0.022), h);
  const line = shade(0.86, Math.min(quiet, 0.03), h);
  const white = shade(0.99, Math.min(quiet, 0.008), h);
  // The header is the brand itself where white text can be read on it, or else dark text; failing both it is darkened.
  const night = shade(0.2, Math.min(quiet, 0.05), h);
  const onLight = contrast(night, brand) >= NEEDED && l > 0.72;
  const header = onLight || contrast(white, brand) >= NEEDED ? rounded(brand) : passing(Math.min(l, 0.6), 0, c, h, [white]);
  const onHeader = onLight ? night : white;
  const grounds = [paper, band, hover, select, total];
  const ink = passing(0.28, 0, Math.min(quiet, 0.045), h, grounds);
  const soft = passing(0.5, 0, Math.min(quiet, 0.03), h, grounds);
  const accent = passing(Math.min(l, 0.62), 0, c, h, grounds);
  const named = { brand: rounded(brand), header, 'on-header': onHeader, paper, band, hover, select, total, line, ink, soft, accent };
  return Object.entries(named).map(([name, colour]) => ({ name, colour: toHex(colour) }));
}
