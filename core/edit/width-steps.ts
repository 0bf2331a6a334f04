import { bad, good, type Outcome } from '../outcome';
import { STEP_LEAST, STEP_MOST, SWATCH_NAME, WIDTHS_MOST, widthsOf, type Theme, type WidthStep } from '../theme';

/** Adds a width step that begins at a width in px; refused where there are too many or one begins there. */
export function addWidthStep(theme: Theme, name: string, width: number): Outcome<Theme> {
  const steps = widthsOf(theme);
  if (steps.length >= WIDTHS_MOST) return bad({ code: 'steps', say: `A theme has at most ${WIDTHS_MOST} width steps.` });
  return checked(theme, [...steps, { name, width, values: {} }], name, width);
}

/** Gives a step another name and width. What is set at it stays. */
export const changeWidthStep = (theme: Theme, step: string, { name, width }: Pick<WidthStep, 'name' | 'width'>): Outcome<Theme> =>
  checked(
    theme,
    widthsOf(theme).map((each) => (each.name === step ? { ...each, name, width } : each)),
    name,
    width,
  );

/** Takes a step away with what is set at it. */
export const deleteWidthStep = (theme: Theme, step: string): Theme => ({ ...theme, widths: widthsOf(theme).filter(({ name }) => name !== step) });

function checked(theme: Theme, widths: readonly WidthStep[], name: string, width: number): Outcome<Theme> {
  if (!SWATCH_NAME.test(name))
    return bad({ code: 'step', say: 'A width step’s name is made of lower-case letters, digits and hyphens, a letter first.' });
  if (!Number.isInteger(width) || width < STEP_LEAST || width > STEP_MOST)
    return bad({ code: 'step', say: `A width step begins at a whole number of px from ${STEP_LEAST} to ${STEP_MOST}.` });
  const twin = widths.filter((each) => each.name === name).length > 1;
  if (twin) return bad({ code: 'step', say: `There is a step “${name}” already.`, remedy: 'Give it another name.' });
  const same = widths.find((each) => each.name !== name && each.width === width);
  if (same) return bad({ code: 'step', say: `The step “${same.name}” begins at ${width}px already.`, remedy: 'Choose another width.' });
  return good({ ...theme, widths });
}
