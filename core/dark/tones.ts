import { WHITE, blend, contrast, fromLch, parseColour, toHex, toLch, type Rgba } from '../colour';

/** What a colour is to something: an opaque fill, a fill through which its ground is seen, a text, or a line. */
export type Role = 'ground' | 'tint' | 'ink' | 'line';

/**
 * Lightness in OKLCH of the darkest ground there is, of the one under a table, on which white has 18 : 1, and of the lightest that is raised.
 */
const [LOWEST, GROUND] = [0.16, 0.2] as const;
/** How light a ground in the dark is at most, in OKLCH. */
export const RAISED = 0.28;
/** The lightest and the darkest that a text is by itself. */
const [INK_MOST, INK_LEAST] = [0.97, 0.78] as const;
/** So much of a colour's chroma is kept where sRGB has it. */
const KEPT = 0.7;
/** From this chroma on a colour is one of the brand, and not a grey. */
const VIVID = 0.09;

/** The colour of that lightness and hue with as much of the chroma as sRGB has there, as it is written. */
export function shade(l: number, c: number, h: number, alpha = 1): Rgba {
  const lightness = Math.max(0, Math.min(1, l));
  for (let chroma = c; chroma > 0.002; chroma *= 0.95) {
    const colour = fromLch(lightness, chroma, h);
    if (colour) return written({ ...colour, alpha });
  }
  return written({ ...(fromLch(lightness, 0, h) ?? WHITE), alpha });
}
const written = (colour: Rgba): Rgba => ({ ...(parseColour(toHex({ ...colour, alpha: 1 })) ?? colour), alpha: colour.alpha });

/** How a bright theme's colours become dark ones: grounds by how far they are from the one under most of the table, texts light, lines between. */
export function tonesFrom(paper: Rgba): Readonly<Record<Role, (colour: Rgba) => Rgba>> {
  const under = toLch(paper).l;
  const ground = (colour: Rgba): Rgba => {
    const { l, c, h } = toLch(colour);
    const apart = Math.abs(l - under);
    // What is apart at all is seen to be; what stands out most is raised most. Nothing is inverted: a dark header is not bright now.
    const raised = apart < 0.002 ? 0 : Math.min(RAISED - GROUND, 0.022 + apart * 0.11);
    return shade(GROUND + raised, c, h, colour.alpha);
  };
  const ink = (colour: Rgba): Rgba => {
    const { l, c, h } = toLch(colour);
    const wanted = l >= INK_LEAST ? l : Math.min(INK_MOST, Math.max(INK_LEAST, 0.98 - 0.36 * l));
    return vivid(wanted, c, h, colour.alpha);
  };
  const line = (colour: Rgba): Rgba => {
    const { l, c, h } = toLch(colour);
    return c >= VIVID ? vivid(Math.max(l, 0.62), c, h, colour.alpha) : shade(0.3 + (1 - Math.min(1, l)) * 0.4, c, h, colour.alpha);
  };
  return { ground, tint: ink, ink, line };
}

/** A colour of that lightness, or of the nearest below it at which enough of the chroma is left. */
function vivid(wanted: number, c: number, h: number, alpha: number): Rgba {
  for (let l = wanted; c >= VIVID && l >= 0.68; l -= 0.01) {
    const colour = shade(l, c, h, alpha);
    if (toLch(colour).c >= c * KEPT) return colour;
  }
  return shade(wanted, c, h, alpha);
}

/** The largest share of a tint, of those up to its own, that leaves its ground dark. */
export function shareOf(tint: Rgba, ground: Rgba, share: number): number {
  for (let each = share; each > 0.02; each -= 0.01)
    if (toLch(blend({ ...tint, alpha: tint.alpha * each }, ground)).l <= RAISED - 0.01) return Math.round(each * 100) / 100;
  return 0.02;
}

/** What a pair of a bright theme is to have in the dark: no less than 4.5 : 1, and four fifths of what it has above that. */
export const wantedFrom = (bright: number): number => 4.5 + 0.8 * (bright - 4.5);

/** The colour, or the nearest darker one of its hue on which white has so much; no darker than a ground is. */
export function darkened(ground: Rgba, wanted: number): Rgba {
  const { l, c, h } = toLch(ground);
  let lightness = l;
  while (lightness > LOWEST && contrast(WHITE, shade(lightness, c, h)) < wanted) lightness -= 0.005;
  return shade(Math.max(LOWEST, lightness), c, h, ground.alpha);
}

/** The colour, or the nearest lighter one of its hue, that has so much on all of some grounds; undefined where white has not. */
export function lightened(ink: Rgba, on: readonly { readonly ground: Rgba; readonly wanted: number }[]): Rgba | undefined {
  const passes = (colour: Rgba): boolean => on.every(({ ground, wanted }) => contrast(colour, ground) >= wanted);
  const { l, c, h } = toLch(ink);
  for (let lightness = l; lightness < 1; lightness += 0.01) {
    const colour = shade(lightness, c, h);
    if (passes(colour)) return colour;
  }
  return passes(WHITE) ? WHITE : undefined;
}
