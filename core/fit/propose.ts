import { setValue } from '../edit';
import { hasSteps, partOf, parts, propertyOf, viewOfChain, widthsOf, type Theme, type ThemeView, type WidthStep } from '../theme';
import { widthOf, type Table } from '../table';
import type { PageType } from '../resolve';
import { fitOf } from './fit';
import type { Measure } from './measure';

/** The narrowest container that a table is made fit for, in px: a phone's column (WCAG 2.2, 1.4.10). */
export const NARROWEST = 320;
/** Most columns whose rows still read well as blocks. */
const STACKED_MOST = 12;
/** A step is made for closer padding only if it gains so much of the width. */
const WORTH = 0.06;

export interface Proposal {
  readonly theme: Theme;
  /** What is done and why, a sentence for each step; none where nothing has to be done. */
  readonly why: readonly string[];
}

/**
 * Width steps at which a table fits from 320 px on with the least loss: first closer padding, which loses nothing; then
 * stacked rows, which lose the comparison down a column, or for very many columns and tables without a header a frame that
 * scrolls, which loses the sight of some. What the theme has at its steps already stays where it does not stand in the way.
 */
export function proposeSteps(view: ThemeView, table: Table, measure: Measure, page?: PageType): Proposal {
  const { theme } = view;
  const least = (at: ThemeView): number => Math.ceil(fitOf(at, table, measure, page).least - 0.5);
  /** Another state of the same theme, which grows from the same. */
  const viewOf = (changed: Theme, step: string): ThemeView => viewOfChain([changed, ...view.chain.slice(1)], step);
  const own = least(view.at(''));
  if (own <= NARROWEST) return { theme, why: [] };
  const why: string[] = [];
  const medium: WidthStep = { name: 'medium', width: own - 1, values: {} };
  const narrowName = 'narrow';
  const others = hasSteps(theme) ? widthsOf(theme).filter(({ name }) => name !== 'medium' && name !== narrowName) : [];
  const kept = (name: string): WidthStep['values'] => (hasSteps(theme) ? (widthsOf(theme).find((step) => step.name === name)?.values ?? {}) : {});
  const withSteps = (...steps: readonly WidthStep[]): Theme => ({ ...theme, widths: [...others, ...steps] });

  let made = closer(viewOf(withSteps({ ...medium, values: kept('medium') }), 'medium'));
  let tight = least(viewOf(made, 'medium'));
  const [fromWidth, toWidth] = [own - 1, Math.max(tight, NARROWEST)];
  if (tight > own * (1 - WORTH) || fromWidth <= NARROWEST) {
    made = withSteps();
    tight = own;
  } else
    why.push(
      `From ${fromWidth} to ${toWidth} px it does not fit as it is; with padding half as wide it does, and nothing is lost (medium, ${fromWidth} px).`,
    );
  if (tight <= NARROWEST) return { theme: made, why };
  const width = tight - 1;
  const columns = widthOf(table);
  const stacks = table.headerRows > 0 && columns <= STACKED_MOST;
  const steps = made.widths ?? [];
  made = { ...made, widths: [...steps, { name: narrowName, width, values: kept(narrowName) }] };
  made = setValue(made, { part: 'table', condition: 'rest', step: narrowName }, 'arrangement', stacks ? 'stacked' : 'scrolls');
  why.push(
    stacks
      ? `Below ${tight} px its ${columns} columns have no room side by side: each row becomes a block with labels, so that all of it is seen (narrow, ${width} px).`
      : `Below ${tight} px it scrolls in its frame with its first column in sight, since ${table.headerRows === 0 ? 'it has no header to take labels from' : `blocks of ${columns} lines would be hard to read`} (narrow, ${width} px).`,
  );
  return { theme: made, why };
}

/** The theme with padding across half as wide at the step at which it is looked at, wherever some is said. */
function closer({ theme, step, valueAt }: ThemeView): Theme {
  let made = theme;
  for (const { name: part } of parts) {
    if (partOf(part).box !== 'cells' && partOf(part).box !== 'table') continue;
    for (const side of ['padding-start', 'padding-end'] as const) {
      if (!propertyOf(side).parts.includes(part)) continue;
      const value = valueAt({ part, condition: 'rest' }, propertyOf(side));
      if (value?.kind !== 'length' || value.amount === 0) continue;
      made = setValue(made, { part, condition: 'rest', step }, side, `${Math.round(value.amount * 50) / 100}${value.unit}`);
    }
  }
  return made;
}
