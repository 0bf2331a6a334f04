import { arrangementOf } from './arrangement';
import { type ThemeView } from '../theme';
import { turnedTable, type Table } from '../table';
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
  /** How many columns have given way. */
  readonly away: number;
  /** The least width at this step, where it is laid out as a table. */
  readonly least: number;
}

/**
 * How a table does in a theme at every container width up to `most` px, each step with what it sets; from the narrowest on. `whole` is the
 * table that is meant, where only some of its rows are looked at: whether it is turned hangs on how many it has.
 */
export function stretchesOfWidth(view: ThemeView, table: Table, measure: Measure, most: number, page?: PageType, whole = table): readonly Stretch[] {
  const turned = turnedTable(whole) && turnedTable(table);
  const steps = view.steps;
  return ['', ...steps.map(({ name }) => name)]
    .flatMap((step, i): readonly Stretch[] => {
      const [from, to] = [(steps[i]?.width ?? 0) + 1, i === 0 ? most : (steps[i - 1]?.width ?? most)];
      if (from > to) return [];
      const at = view.at(step);
      const arrangement = arrangementOf(at);
      const seen = arrangement === 'turned' ? (turned ?? table) : withoutAway(table, arrangement);
      const away =
        arrangement === 'turned' ? 0 : seen.columns.filter(({ hidden }) => hidden).length - table.columns.filter(({ hidden }) => hidden).length;
      const { least, natural } = fitOf(at, seen, measure, page);
      if (arrangement === 'stacked') return [{ from, to, state: 'stacked', step, least, away }];
      const [fitsFrom, roomFrom] = [Math.ceil(least - 0.5), Math.ceil(natural - 0.5)];
      const pieces: readonly Stretch[] = [
        { from, to: Math.min(to, fitsFrom - 1), state: 'beyond', step, least, away },
        { from: Math.max(from, fitsFrom), to: Math.min(to, roomFrom - 1), state: 'tight', step, least, away },
        { from: Math.max(from, roomFrom), to, state: 'fits', step, least, away },
      ];
      return pieces.filter((piece) => piece.from <= piece.to);
    })
    .sort((a, b) => a.from - b.from);
}

/** The table without the columns that give way where its theme has so few. */
function withoutAway(table: Table, arrangement: string): Table {
  const isAway = ({ yields }: Table['columns'][number]): boolean =>
    yields !== undefined && (arrangement === 'fewest' || (arrangement === 'most' && yields === 'first'));
  if (!table.columns.some(isAway)) return table;
  return { ...table, columns: table.columns.map((column) => (isAway(column) ? { ...column, hidden: true } : column)) };
}

/** How a table does in a container of some px, in one line. */
export function verdictAt(stretches: readonly Stretch[], width: number, arrangement: string): string {
  const found = stretches.find(({ from, to }) => width >= from && width <= to) ?? stretches.at(-1);
  if (!found) return '';
  if (found.state === 'stacked') return 'fits, stacked';
  const without = found.away === 0 ? '' : found.away === 1 ? ' without 1 column' : ` without ${found.away} columns`;
  if (found.state === 'fits') return `fits${without}`;
  if (found.state === 'tight') return `fits${without}, with lines that break`;
  const beyond = Math.max(1, Math.round(found.least - width));
  return arrangement === 'scrolls' ? `scrolls: ${beyond} px are out of sight` : `overflows by ${beyond} px${without}`;
}
