import { hasSteps, type ThemeView } from '../../../../../../core/theme';

/**
 * The container width nearest to a wanted one, in px, at which a step of the theme holds. Above all steps there is no end;
 * while nothing differs at any of them, every width will do there.
 */
export function widthWithin(view: ThemeView, step: string, wanted: number): number {
  const { steps } = view;
  const at = steps.findIndex(({ name }) => name === step);
  if (at < 0) return hasSteps(view) ? Math.max(wanted, (steps[0]?.width ?? 0) + 1) : wanted;
  const [most, least] = [steps[at]?.width ?? wanted, (steps[at + 1]?.width ?? 0) + 1];
  return Math.max(least, Math.min(wanted, most));
}
