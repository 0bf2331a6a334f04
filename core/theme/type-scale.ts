/** A type scale: one base size, one ratio, and named steps counted from the base (step 0). */
export interface TypeScale {
  /** Size of step 0 in px, 6 to 60. */
  readonly base: number;
  /** What one step multiplies by, 1 to 2. */
  readonly ratio: number;
  readonly steps: readonly TypeStep[];
}

export interface TypeStep {
  readonly name: string;
  readonly step: number;
}

/** Size of a step in px, rounded to hundredths so that the stylesheet stays short. */
export const stepSize = (scale: TypeScale, step: number): number => Math.round(scale.base * scale.ratio ** step * 100) / 100;

/** Reads `body`, `body+1` or `lead-2`; undefined when the name is no step of the scale. */
export function readStep(scale: TypeScale, text: string): { name: string; step: number } | undefined {
  const match = /^([a-z][a-z0-9-]*?)(?:\s*([+-])\s*(\d{1,2}))?$/.exec(text.trim().toLowerCase());
  const found = match && scale.steps.find(({ name }) => name === match[1]);
  if (!match || !found) return undefined;
  return { name: found.name, step: found.step + (match[2] === '-' ? -1 : 1) * Number(match[3] ?? 0) };
}
