import type { Place, Theme, WidthStep } from './theme';

/** The steps that a theme has until its own are made: the width of a tablet's column, and of a phone. */
const usual: readonly WidthStep[] = [
  { name: 'medium', width: 720, values: {} },
  { name: 'narrow', width: 480, values: {} },
];
export const WIDTHS_MOST = 12;
/** Container widths at which a step can begin, in px. */
export const [STEP_LEAST, STEP_MOST] = [120, 4000] as const;

const inOrder = new WeakMap<readonly WidthStep[], readonly WidthStep[]>();

/** A theme's width steps, widest first. Each holds where the container is as wide as it says or narrower. */
export function widthsOf({ widths = usual }: Theme): readonly WidthStep[] {
  const known = inOrder.get(widths);
  if (known) return known;
  const sorted = [...widths].sort((a, b) => b.width - a.width);
  inOrder.set(widths, sorted);
  return sorted;
}

/** Name of the step that holds in a container of this width in px; empty above all of them. */
export const stepFor = (theme: Theme, width: number): string => widthsOf(theme).findLast((step) => width <= step.width)?.name ?? '';

interface Origin {
  readonly theme: Theme;
  readonly step: string;
}
const origins = new WeakMap<Theme, Origin>();
const seen = new WeakMap<Theme, Map<string, Theme>>();

/**
 * The theme as it is at a width step: what is resolved, painted or compiled from it is what holds there. Each step also has
 * what the wider ones say. The theme itself for none, or one that it does not have.
 */
export function atStep(theme: Theme, step: string): Theme {
  if (step === '' || !widthsOf(theme).some(({ name }) => name === step)) return theme;
  let known = seen.get(theme);
  if (!known) seen.set(theme, (known = new Map<string, Theme>()));
  const before = known.get(step);
  if (before) return before;
  const at: Theme = { ...theme };
  origins.set(at, { theme, step });
  known.set(step, at);
  return at;
}

/** The step at which a theme is looked at; empty for none. */
export const stepOf = (theme: Theme): string => origins.get(theme)?.step ?? '';

/** The theme that is looked at at a step, as it is kept. */
export const wholeOf = (theme: Theme): Theme => origins.get(theme)?.theme ?? theme;

/** What a theme says itself where it is looked at, strongest first: its steps from the narrowest, then what holds at every width. */
export function ownLayers(theme: Theme): readonly Pick<WidthStep, 'name' | 'values'>[] {
  const always = { name: '', values: theme.values };
  const step = stepOf(theme);
  if (step === '') return [always];
  const steps = widthsOf(theme);
  return [...steps.slice(0, steps.findIndex(({ name }) => name === step) + 1).reverse(), always];
}

/** Whether a theme looks different at any of its steps. */
export const hasSteps = (theme: Theme): boolean => widthsOf(theme).some(({ values }) => Object.keys(values).length > 0);

/** A place as it is named at a step. */
export const placeAt = ({ part, condition }: Place, step: string): Place => (step === '' ? { part, condition } : { part, condition, step });
