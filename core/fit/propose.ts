import { changesBetween, setValue } from '../edit';
import { WIDTHS_MOST, hasSteps, partOf, parts, propertyOf, viewOfChain, type Step, type Theme, type ThemeView } from '../theme';
import { widthOf, type Table } from '../table';
import type { PageType } from '../resolve';
import { arrangementOf } from './arrangement';
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
 * scrolls, which loses the sight of some. A step that the theme has is never moved: between two of them another comes where it is
 * needed, and where one has to say something else than it does, that is said value by value.
 */
export function proposeSteps(view: ThemeView, table: Table, measure: Measure, page?: PageType): Proposal {
  const before = view.theme;
  // The usual two, at which nothing is said, are only a proposal of ours.
  const isOurs = ({ name, of }: Step): boolean => !hasSteps(view) && (name === 'medium' || name === 'narrow') && (of ?? before) === before;
  const steps = view.steps.filter((step) => !isOurs(step));
  const areUsual = view.steps.some(({ of }) => of === undefined);
  const own = areUsual
    ? steps.map((step) => ownStep(before, step))
    : before.widths?.filter(({ name }) => !view.steps.some((step) => step.name === name && isOurs(step)));
  const proposing = new Proposing(view, own ? { ...before, widths: own } : before, table, measure, page);
  let [step, top] = ['', Infinity];
  for (;;) {
    const next = steps.find(({ width }) => width < top);
    proposing.mend(step, top, Math.max(NARROWEST, (next?.width ?? 0) + 1), next);
    if (!next || next.width <= NARROWEST) break;
    [step, top] = [next.name, next.width];
  }
  const { theme, why } = proposing;
  return why.length === 0 ? { theme: before, why } : { theme, why };
}

/** One of the usual steps as a theme's own. */
const ownStep = ({ widths = [] }: Theme, { name, width }: Step): NonNullable<Theme['widths']>[number] => ({
  name,
  width,
  values: widths.find((each) => each.name === name)?.values ?? {},
});

/** A theme on its way to fitting, from its widest step to its narrowest. */
class Proposing {
  readonly why: string[] = [];

  constructor(
    private readonly from: ThemeView,
    public theme: Theme,
    private readonly table: Table,
    private readonly measure: Measure,
    private readonly page: PageType | undefined,
  ) {}

  /** The theme as it is by now, or in another state of it, at a step; it grows from the same. */
  private at(step: string, theme = this.theme): ThemeView {
    return viewOfChain([theme, ...this.from.chain.slice(1)], step);
  }
  private least(step: string, theme = this.theme): number {
    return Math.ceil(fitOf(this.at(step, theme), this.table, this.measure, this.page).least - 0.5);
  }

  /** Makes it fit in containers from `top` down to `low` px, where `step` holds; below them `next` does. */
  mend(step: string, top: number, low: number, next: Step | undefined): void {
    const needs = this.least(step);
    if (needs <= low || top < low || arrangementOf(this.at(step)) !== 'as-is') return;
    const first = Math.min(needs - 1, top);
    const held = next && arrangementOf(this.at(next.name)) === 'as-is' && this.least(next.name) <= next.width ? next : undefined;
    const tight = this.closer(step, first, needs, low);
    if (tight <= low) return;
    this.give(tight < needs ? Math.min(tight - 1, first) : first, step, top, tight);
    // What a narrower step had to say there still holds.
    if (held && arrangementOf(this.at(held.name)) !== 'as-is') {
      this.theme = setValue(this.theme, { part: 'table', condition: 'rest', step: held.name }, 'arrangement', 'as it is');
      this.why.push(`From ${held.width} px down, at ${held.name}, it fits side by side and stays so.`);
    }
  }

  /** The step that begins at a width: one that is there, or another one. */
  private stepAt(width: number, called: string): readonly [Theme, string] {
    const { steps } = this.at('');
    const there = steps.find((each) => each.width === width);
    if (there) return [this.theme, there.name];
    let name = called;
    for (let n = 2; steps.some((each) => each.name === name); n++) name = `${called}-${n}`;
    return [{ ...this.theme, widths: [...(this.theme.widths ?? []), { name, width, values: {} }] }, name];
  }
  private get hasRoom(): boolean {
    return this.at('').steps.length < WIDTHS_MOST;
  }

  /** Closer padding from `width` down, if that gains something. How wide the table is then at least. */
  private closer(step: string, width: number, needs: number, low: number): number {
    if (width <= NARROWEST || !this.hasRoom) return needs;
    const [theme, name] = this.stepAt(width, 'medium');
    const made = closer(this.at(name, theme));
    const tight = this.least(name, made);
    if (tight > needs * (1 - WORTH) || tight > width) return needs;
    this.say(
      `From ${width} to ${Math.max(tight, low)} px it does not fit as it is; with padding half as wide it does, and nothing is lost`,
      name,
      width,
      made,
    );
    return tight;
  }

  /** From `width` down rows stack or the frame scrolls. */
  private give(width: number, step: string, top: number, tight: number): void {
    if (!this.hasRoom && width !== top) return;
    const [theme, name] = this.stepAt(width, 'narrow');
    const columns = widthOf(this.table);
    const stacks = this.table.headerRows > 0 && columns <= STACKED_MOST;
    const made = setValue(theme, { part: 'table', condition: 'rest', step: name }, 'arrangement', stacks ? 'stacked' : 'scrolls');
    const from = Math.min(tight, width + 1);
    this.say(
      stacks
        ? `Below ${from} px its ${columns} columns have no room side by side: each row becomes a block with labels, so that all of it is seen`
        : `Below ${from} px it scrolls in its frame with its first column in sight, since ${this.table.headerRows === 0 ? 'it has no header to take labels from' : `blocks of ${columns} lines would be hard to read`}`,
      name,
      width,
      made,
    );
  }

  /** Takes the theme as it becomes, and says what a step that was there says otherwise. */
  private say(why: string, name: string, width: number, made: Theme): void {
    const there = this.at('').steps.some((each) => each.name === name);
    const changed = there ? changesBetween(this.at('', this.theme), this.at('', made)).filter(({ before }) => before !== undefined) : [];
    const values = changed.map(({ what, before, after }) => `${what}: ${before} becomes ${after ?? 'what it grows from'}`);
    this.why.push(`${why} (${name}, ${width} px${there ? ', which is there already' : ''}).${values.length > 0 ? ` ${values.join('; ')}.` : ''}`);
    this.theme = made;
  }
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
