import { arrangementOf } from './arrangement';
import { atStep, widthsOf, type Theme } from '../theme';
import type { Table } from '../table';
import type { PageType } from '../resolve';
import { fitOf } from './fit';
import type { Measure } from './measure';

/** How a table does between two container widths, both counted in, in px. */
export interface Stretch {
  readonly from: number;
  readonly to: number;
  /** `fits`: nothing breaks. `tight`: words break onto lines of their own. `beyond`: it is wider than its container. `stacked`: its rows are blocks. */
  readonly state: 'fits' | 'tight' | 'beyond' | 'stacked';
  /** Name of the width step; empty above all. */
  readonly step: string;
  /** The least width at this step, where it is laid out as a table. */
  readonly least: number;
}

/** How a table does in a theme at every container width up to `most` px, each step with what it sets; from the narrowest on. */
export function stretchesOfWidth(theme: Theme, table: Table, measure: Measure, most: number, page?: PageType): readonly Stretch[] {
  const steps = widthsOf(theme);
  return ['', ...steps.map(({ name }) => name)]
    .flatMap((step, i): readonly Stretch[] => {
      const [from, to] = [(steps[i]?.width ?? 0) + 1, i === 0 ? most : (steps[i - 1]?.width ?? most)];
      if (from > to) return [];
      const at = atStep(theme, step);
      const { least, natural } = fitOf(at, table, measure, page);
      if (arrangementOf(at) === 'stacked') return [{ from, to, state: 'stacked', step, least }];
      const [fitsFrom, roomFrom] = [Math.ceil(least - 0.5), Math.ceil(natural - 0.5)];
      const pieces: readonly Stretch[] = [
        { from, to: Math.min(to, fitsFrom - 1), state: 'beyond', step, least },
        { from: Math.max(from, fitsFrom), to: Math.min(to, roomFrom - 1), state: 'tight', step, least },
        { from: Math.max(from, roomFrom), to, state: 'fits', step, least },
      ];
      return pieces.filter((piece) => piece.from <= piece.to);
    })
    .sort((a, b) => a.from - b.from);
}

/** How a table does in a container of some px, in one line. */
export function verdictAt(stretches: readonly Stretch[], width: number, arrangement: string): string {
  const found = stretches.find(({ from, to }) => width >= from && width <= to) ?? stretches.at(-1);
  if (!found) return '';
  if (found.state === 'stacked') return 'fits: each row is a block';
  if (found.state === 'fits') return 'fits';
  if (found.state === 'tight') return 'fits, with lines that break';
  const beyond = Math.max(1, Math.round(found.least - width));
  return arrangement === 'scrolls' ? `scrolls: ${beyond} px are out of sight` : `overflows by ${beyond} px`;
}
