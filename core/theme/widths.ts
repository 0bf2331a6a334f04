import type { ModeName } from './catalogue/modes';
import { NO_EXTRA, type Extra } from './extra';
import { modeIn, type Place, type Theme } from './theme';

/** The steps that hold until a theme has some of its own: the width of a tablet's column, and of a phone. */
const usual: readonly { readonly name: string; readonly width: number; readonly values: Theme['values'] }[] = [
  { name: 'medium', width: 720, values: {} },
  { name: 'narrow', width: 480, values: {} },
];
export const WIDTHS_MOST = 12;
/** Container widths at which a step can begin, in px. */
export const [STEP_LEAST, STEP_MOST] = [120, 4000] as const;

/** A width step as it holds for a theme with what it grows from. */
export interface Step {
  readonly name: string;
  /** The widest container at which it holds, in px. */
  readonly width: number;
  /** The theme of the chain that says how wide; undefined for the usual ones. */
  readonly of: Theme | undefined;
  /** Whether any theme of the chain says something at it. */
  readonly differs: boolean;
}

/** Whether a theme says which steps there are; one that only sets values at steps of others does not. */
const decides = ({ widths }: Theme): boolean => widths !== undefined && (widths.length === 0 || widths.some(({ width }) => width !== undefined));

/**
 * The width steps of a chain, widest first: those of all its themes by name, each as wide as the nearest says that says so, or the
 * usual two where no theme has any. What a theme sets at a step that nobody gives a width waits for one.
 */
export function stepsOf(chain: readonly Theme[]): readonly Step[] {
  const found = new Map<string, Step>();
  const differs = (name: string): boolean =>
    chain.some(({ widths = [] }) => widths.some((each) => each.name === name && Object.keys(each.values).length > 0));
  if (!chain.some(decides)) for (const { name, width } of usual) found.set(name, { name, width, of: undefined, differs: differs(name) });
  for (const of of [...chain].reverse())
    for (const { name, width } of of.widths ?? []) if (width !== undefined) found.set(name, { name, width, of, differs: differs(name) });
  return [...found.values()].sort((a, b) => b.width - a.width);
}

/** Name of the step that holds in a container of this width in px; empty above all of them. */
export const stepFor = (steps: readonly Step[], width: number): string => steps.findLast((step) => width <= step.width)?.name ?? '';

/** Values of a theme with where they hold. */
export interface Layer {
  readonly where: Pick<Place, 'step' | 'mode'>;
  readonly values: Theme['values'];
  /** The extra CSS that says them, where they are of that. */
  readonly extra?: Extra;
}

/**
 * What a theme of a chain says at a step in a mode, strongest first: in the mode, then in its extra CSS, then at the steps from there up,
 * then what holds at every width. Each step also has what the wider ones say. Paper has no width steps.
 */
export function layersAt(of: Theme, steps: readonly Step[], step: string, mode: ModeName | '', extra: Extra): readonly Layer[] {
  const own = modeIn(of, mode);
  const inMode: readonly Layer[] = [
    ...(own ? [{ where: { mode: own.name }, values: own.values }] : []),
    ...(extra === NO_EXTRA ? [] : [{ where: {}, values: extra.values, extra }]),
  ];
  const always: Layer = { where: {}, values: of.values };
  if (step === '' || mode === 'print') return [...inMode, always];
  const upTo = steps.slice(0, steps.findIndex(({ name }) => name === step) + 1).reverse();
  const atSteps = upTo.flatMap(({ name }): readonly Layer[] => {
    const found = of.widths?.find((each) => each.name === name);
    return found ? [{ where: { step: name }, values: found.values }] : [];
  });
  return [...inMode, ...atSteps, always];
}

/** Whether anything differs at any of the steps. */
export const hasSteps = ({ steps }: { readonly steps: readonly Step[] }): boolean => steps.some(({ differs }) => differs);

/** A place as it is named at a step, or in a mode, which is at every width. */
export const placeAt = ({ part, condition }: Place, step: string, mode: ModeName | '' = ''): Place => {
  if (mode !== '') return { part, condition, mode };
  return step === '' ? { part, condition } : { part, condition, step };
};
