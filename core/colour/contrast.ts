import { blend } from './blend';
import { BLACK, WHITE, fromLch, toHex, toLch, parseColour, type Rgba } from './colour';

const linear = (n: number): number => (n <= 0.04045 ? n / 12.92 : ((n + 0.055) / 1.055) ** 2.4);

/** Relative luminance of an opaque colour, 0 to 1 (WCAG 2.2, definition "relative luminance"). */
export const luminance = ({ r, g, b }: Rgba): number => 0.2126 * linear(r) + 0.7152 * linear(g) + 0.0722 * linear(b);

/** Contrast ratio, 1 to 21, of `ink` blended on the opaque `ground` (WCAG 2.2, definition "contrast ratio"). */
export function contrast(ink: Rgba, ground: Rgba): number {
  const [a, b] = [luminance(blend(ink, ground)), luminance(ground)];
  return (Math.max(a, b) + 0.05) / (Math.min(a, b) + 0.05);
}

/** The ratio that text needs: 4.5, or 3 from 24 px, or from 18.66 px when bold (WCAG 2.2, 1.4.3). */
export const neededContrast = (sizePx: number, weight: number): number => (sizePx >= 24 || (sizePx >= 18.66 && weight >= 700) ? 3 : 4.5);

/**
 * The colour nearest to `ink` that reaches `needed` on `ground`: same hue, least change of lightness in
 * OKLCH, chroma lowered only where sRGB ends; `also` asks more of it. Undefined when neither darker nor lighter can reach it.
 */
export function nearestPassing(ink: Rgba, ground: Rgba, needed: number, also: (candidate: Rgba) => boolean = () => true): Rgba | undefined {
  const { l, c, h } = toLch(blend(ink, ground));
  const steps = 200;
  for (let step = 0; step <= steps; step++) {
    for (const direction of [-1, 1]) {
      const candidate = inGamut(l + (direction * step) / steps, c, h);
      // What is offered is what the person would type: the hex form, after rounding, has to pass.
      const offered = candidate && parseColour(toHex(candidate));
      if (offered && contrast(offered, ground) >= needed && also(offered)) return offered;
    }
  }
  return undefined;
}

/**
 * An ink that reads on a ground, at 4.5 : 1 at least: white where that does, else a dark one of the ground's own hue, else black. Of
 * black and white one always does, since their ratios to any colour come to 21 when multiplied. What is translucent is taken as it is
 * on white.
 */
export function inkFor(ground: Rgba): Rgba {
  const opaque = blend(ground, WHITE);
  const { c, h } = toLch(opaque);
  const tinted = inGamut(0.22, Math.min(c, 0.05), h);
  const inks = [WHITE, ...(tinted ? [parseColour(toHex(tinted)) ?? BLACK] : [])];
  return inks.find((ink) => contrast(ink, opaque) >= 4.5) ?? BLACK;
}

function inGamut(l: number, c: number, h: number): Rgba | undefined {
  if (l < 0 || l > 1) return undefined;
  for (let chroma = c; chroma > 0.002; chroma *= 0.9) {
    const colour = fromLch(l, chroma, h);
    if (colour) return colour;
  }
  return fromLch(l, 0, h);
}
