import { propertyOf, readStep, refersTo, stepSize, type Theme, type ThemeView, type TypeScale, type TypeStep } from '../theme';
import { mapTexts } from './edit-theme';

const withSteps = (theme: Theme, scale: TypeScale, steps: readonly TypeStep[]): Theme => ({
  ...theme,
  scale: { ...scale, steps: [...steps].sort((a, b) => a.step - b.step) },
});

/** The theme with another base size or ratio; its steps stay. */
export const setScale = ({ theme, scale }: ThemeView, change: Partial<Pick<TypeScale, 'base' | 'ratio'>>): Theme => ({
  ...theme,
  scale: { ...scale, ...change },
});

/** Adds a step, or moves the one of that name to another place of the scale. */
export const setStep = ({ theme, scale }: ThemeView, step: TypeStep): Theme =>
  withSteps(theme, scale, [...scale.steps.filter(({ name }) => name !== step.name), step]);

/** A step by its new name, in the scale and in every size that refers to it (`lead`, `lead+1`). */
export function renameStep({ theme, scale }: ThemeView, name: string, to: string): Theme {
  const renamed = mapSizes(theme, (text) => (readStep(scale, text)?.name === name ? text.replace(name, to) : text));
  return withSteps(
    renamed,
    scale,
    scale.steps.map((step) => (step.name === name ? { ...step, name: to } : step)),
  );
}

/** Takes a step away; sizes that refer to it keep what they come to, in px. The last one stays. */
export function removeStep({ theme, scale }: ThemeView, name: string): Theme {
  if (scale.steps.length < 2) return theme;
  const kept = mapSizes(theme, (text) => {
    const read = readStep(scale, text);
    return read?.name === name ? `${stepSize(scale, read.step)}px` : text;
  });
  return withSteps(
    kept,
    scale,
    scale.steps.filter((step) => step.name !== name),
  );
}

const mapSizes = (theme: Theme, change: (text: string) => string): Theme =>
  mapTexts(theme, (text, property) => (refersTo(propertyOf(property).kind, 'steps') ? change(text) : text));
