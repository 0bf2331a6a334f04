import { toHex } from '../colour';
import { bad, type Outcome } from '../outcome';
import { propertyOf, type ModeName, type ThemeView } from '../theme';
import type { Plan } from './pricing';

/** What a plan says of its accent in a mode; on paper and with more contrast it is as it is on a bright screen, where nothing else is said. */
const accentTextIn = ({ accent, accentIn }: Plan, mode: ModeName | ''): string => (mode === '' ? undefined : accentIn?.[mode]) ?? accent;

/** The accent of a plan as a theme is looked at, as hex digits; undefined where the plan has none of its own, and a problem where it says no colour. */
export function accentOf(view: ThemeView, plan: Plan): Outcome<string> | undefined {
  const text = accentTextIn(plan, view.mode).trim();
  if (text === '') return undefined;
  const read = view.accented('').read(propertyOf('fill'), text);
  if (!read.ok) return read;
  if (read.value.kind === 'colour' && read.value.rgba.alpha === 1) return { ok: true, value: toHex(read.value.rgba) };
  return bad({
    code: 'pricing-accent',
    say: `“${text}” is no whole colour.`,
    remedy: 'An accent is a swatch, or a colour such as #0b7285, that nothing shines through.',
  });
}

/** A theme as a plan's card has it: with the plan's accent in place of the theme's. */
export function viewWithAccent(view: ThemeView, plan: Plan): ThemeView {
  const accent = accentOf(view, plan);
  return view.accented(accent?.ok === true ? accent.value : '');
}
