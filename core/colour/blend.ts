import type { Rgba } from './colour';

/** `over` laid on `under` (source over, in sRGB as browsers blend: Compositing and Blending 1, section 5.1). */
export function blend(over: Rgba, under: Rgba): Rgba {
  const alpha = over.alpha + under.alpha * (1 - over.alpha);
  if (alpha === 0) return { r: 0, g: 0, b: 0, alpha: 0 };
  const mix = (o: number, u: number): number => (o * over.alpha + u * under.alpha * (1 - over.alpha)) / alpha;
  return { r: mix(over.r, under.r), g: mix(over.g, under.g), b: mix(over.b, under.b), alpha };
}

/** Layers given from the front to the back, blended into one colour. */
export const flatten = (...frontToBack: readonly Rgba[]): Rgba => frontToBack.reduceRight((under, over) => blend(over, under));
