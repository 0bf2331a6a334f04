import { bad, good, type Outcome } from '../outcome';
import { STEP_LEAST, STEP_MOST, SWATCH_NAME, WIDTHS_MOST, type Step, type Theme, type ThemeView, type WidthStep } from '../theme';

/** Adds a width step that begins at a width in px; refused where there are too many or one begins there. */
export function addWidthStep(view: ThemeView, name: string, width: number): Outcome<Theme> {
  if (view.steps.length >= WIDTHS_MOST) return bad({ code: 'steps', say: `A theme has at most ${WIDTHS_MOST} width steps.` });
  if (view.steps.some((each) => each.name === name))
    return bad({ code: 'step', say: `There is a step “${name}” already.`, remedy: 'Give it another name.' });
  return checked(view, name, name, width) ?? good({ ...view.theme, widths: [...ownSteps(view), { name, width, values: {} }] });
}

/**
 * Gives a step another name and width; what is set at it stays. The name of one that comes from below is changed there; another width
 * of it is this theme's own.
 */
export function changeWidthStep(view: ThemeView, step: string, { name, width }: Pick<Step, 'name' | 'width'>): Outcome<Theme> {
  const before = view.steps.find((each) => each.name === step);
  const below = stepBelow(view, step);
  if (below && name !== step)
    return bad({ code: 'step', say: `“${step}” is a step of ${below.of?.name ?? 'what it grows from'}.`, remedy: 'Give it another name there.' });
  if (name !== step && view.steps.some((each) => each.name === name))
    return bad({ code: 'step', say: `There is a step “${name}” already.`, remedy: 'Give it another name.' });
  const wrong = checked(view, step, name, width);
  if (wrong) return wrong;
  if (before && before.width === width && before.name === name) return good(view.theme);
  const own = ownSteps(view);
  const widths = own.some((each) => each.name === step)
    ? own.map((each) => (each.name === step ? { ...each, name, width } : each))
    : [...own, { name, width, values: {} }];
  return good({ ...view.theme, widths });
}

/** Takes a step away with what is set at it. One that comes from below stays as it is there. */
export const deleteWidthStep = (view: ThemeView, step: string): Theme => ({
  ...view.theme,
  widths: ownSteps(view).filter(({ name }) => name !== step),
});

/** The step of a name as what the theme grows from has it: it cannot be taken away here. Undefined where none does. */
export const stepBelow = ({ chain }: ThemeView, step: string): { readonly of: Theme | undefined } | undefined => {
  const of = chain.slice(1).find(({ widths = [] }) => widths.some(({ name, width }) => name === step && width !== undefined));
  return of && { of };
};

/** The theme's own steps, the usual ones among them where they hold: they become its own with the first change. */
function ownSteps({ theme, steps }: ThemeView): readonly WidthStep[] {
  const { widths = [] } = theme;
  const isUsual = steps.some(({ of }) => of === undefined);
  if (!isUsual) return widths;
  return steps.map(({ name, width }) => ({ name, width, values: widths.find((each) => each.name === name)?.values ?? {} }));
}

function checked({ steps }: ThemeView, step: string, name: string, width: number): Outcome<never> | undefined {
  if (!SWATCH_NAME.test(name))
    return bad({ code: 'step', say: 'A width step’s name is made of lower-case letters, digits and hyphens, a letter first.' });
  if (!Number.isInteger(width) || width < STEP_LEAST || width > STEP_MOST)
    return bad({ code: 'step', say: `A width step begins at a whole number of px from ${STEP_LEAST} to ${STEP_MOST}.` });
  const same = steps.find((each) => each.name !== step && each.width === width);
  return same && bad({ code: 'step', say: `The step “${same.name}” begins at ${width}px already.`, remedy: 'Choose another width.' });
}
