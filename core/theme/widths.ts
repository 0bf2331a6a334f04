import type { Place, Theme, WidthStep } from './theme';

/** The steps that a theme has until its own are made: the width of a tablet's column, and of a phone. */
const usual: readonly WidthStep[] = [
  { name: 'medium', width: 720, values: {} },
  { name: 'narrow', width: 480, values: {} },
];
export const WIDTHS_MOST = 12;
/** Container widths at which a step can begin, in px. */
export const [STEP_LEAST, STEP_MOST] = [120, 4000] as const;

/** A theme's width steps, widest first. Each holds where the container is as wide as it says or narrower. */
export const widthsOf = ({ widths = usual }: Theme): readonly WidthStep[] => [...widths].sort((a, b) => b.width - a.width);

/** Name of the step that holds in a container of this width in px; empty above all of them. */
export const stepFor = (theme: Theme, width: number): string => widthsOf(theme).findLast((step) => width <= step.width)?.name ?? '';

/** What a theme says itself at a step, strongest first: its steps from the narrowest, then what holds at every width. Each step also has what the wider ones say. */
export function layersAt(theme: Theme, step: string): readonly Pick<WidthStep, 'name' | 'values'>[] {
  const always = { name: '', values: theme.values };
  if (step === '') return [always];
  const steps = widthsOf(theme);
  return [...steps.slice(0, steps.findIndex(({ name }) => name === step) + 1).reverse(), always];
}

/** Whether a theme looks different at any of its steps. */
export const hasSteps = (theme: Theme): boolean => widthsOf(theme).some(({ values }) => Object.keys(values).length > 0);

/** A place as it is named at a step. */
export const placeAt = ({ part, condition }: Place, step: string): Place => (step === '' ? { part, condition } : { part, condition, step });
