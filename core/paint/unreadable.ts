import { toHex } from '../colour';
import { winnerAt } from '../resolve';
import { gridOf, heightOf, kindOf, sectionRows, slotOf, type Band, type Exception, type GridCell, type Table } from '../table';
import { partsOf, propertyOf, type ConditionName, type ModeName, type Place, type ThemeView } from '../theme';
import { inkForAll, slotsOf, type SlotReadability } from './combinations';
import { readability, type PageColours } from './paint';

/** An ink that cannot be read somewhere, by where it is set. */
export interface Unreadable {
  /** The worst case, and in how many of those in which this ink holds it cannot be read. */
  readonly worst: SlotReadability;
  readonly failing: number;
  readonly cases: number;
  /** The nearest ink that can be read in all of them, as a colour; undefined where there is none. */
  readonly ink: string | undefined;
}
/** By the place in the theme; undefined where it is the page's own. */
export interface UnreadableInk extends Unreadable {
  readonly place: Place | undefined;
}
/** By the look beside the theme that sets the ink or the fill. */
export interface UnreadableLook extends Unreadable {
  readonly exception: Exception;
}

const byNeed = (a: SlotReadability, b: SlotReadability): number => a.ratio / a.needed - b.ratio / b.needed;

/** What is wrong with an ink in the cases in which it holds. Where a picture lies behind, nobody can say. */
function wrongIn(cases: readonly SlotReadability[]): Unreadable | undefined {
  const plain = cases.filter(({ picture }) => !picture);
  const failing = plain.filter(({ passes }) => !passes).sort(byNeed);
  const [worst] = failing;
  if (!worst) return undefined;
  const found = inkForAll(worst.ink, plain);
  return { worst, failing: failing.length, cases: cases.length, ink: found && toHex(found) };
}

/**
 * Every ink of a theme that cannot be read under some conditions that hold together, each with the nearest one that can in every case in
 * which it holds; the worst first.
 */
export function unreadableInks(view: ThemeView, page?: PageColours): readonly UnreadableInk[] {
  const groups = new Map<string, { readonly place: Place | undefined; readonly cases: SlotReadability[] }>();
  for (const name of partsOf(view)) {
    if (!propertyOf('ink').parts.includes(name)) continue;
    for (const slot of slotsOf(view, name)) {
      const { place } = winnerAt(view, slot, 'ink');
      const key = place ? `${place.part} ${place.condition}` : '';
      const group = groups.get(key) ?? { place, cases: [] };
      groups.set(key, group);
      group.cases.push({ slot, ...readability(view, slot, page) });
    }
  }
  return [...groups.values()]
    .flatMap(({ place, cases }): readonly UnreadableInk[] => {
      const wrong = wrongIn(cases);
      return wrong ? [{ place, ...wrong }] : [];
    })
    .sort((a, b) => byNeed(a.worst, b.worst));
}

/** What cannot be read in each of a theme's modes, the bright one first; the system sees to its own colours. */
export const unreadableByMode = (view: ThemeView): readonly { readonly mode: ModeName | ''; readonly inks: readonly UnreadableInk[] }[] =>
  (['', ...view.modes] as const).flatMap((mode) => {
    const inks = mode === 'forced' ? [] : unreadableInks(view.in(mode));
    return inks.length > 0 ? [{ mode, inks }] : [];
  });

/** Cells of a look that are looked at, and looks. */
const [CELLS, LOOKS] = [40, 300] as const;
/** What the hand brings to a row beside nothing. */
const held: readonly (readonly ConditionName[])[] = [[], ['hovered'], ['selected']];

/** Every look beside a theme by which texts cannot be read: it sets their ink or what lies behind them. */
export function unreadableLooks(view: ThemeView, table: Table, band: Band, page?: PageColours): readonly UnreadableLook[] {
  return table.exceptions
    .filter(({ values }) => values.ink !== undefined || values.fill !== undefined)
    .slice(0, LOOKS)
    .flatMap((exception): readonly UnreadableLook[] => {
      const slots = cellsOf(table, exception)
        .filter(({ text }) => text.trim() !== '')
        .flatMap((cell) => (cell.section === 'header' ? [[]] : held).map((conditions) => slotOf(table, cell, conditions, band)));
      const wrong = wrongIn(slots.map((slot) => ({ slot, ...readability(view, slot, page) })));
      return wrong ? [{ exception, ...wrong }] : [];
    })
    .sort((a, b) => byNeed(a.worst, b.worst));
}

/** Cells that a look is on: of many, those from the first on. */
function cellsOf(table: Table, { row, column, reach, ...rest }: Exception): readonly GridCell[] {
  const grid = gridOf(table);
  const kind = kindOf({ row, column, ...rest });
  if (kind === 'cell') return row !== null && column !== null && row < heightOf(table) ? [grid.at(row, column)] : [];
  if (kind === 'row') return grid.row(row ?? 0).slice(0, CELLS);
  const { first, count } = sectionRows(table, 'body');
  const from = reach === 'header' ? 0 : first;
  return Array.from({ length: Math.min(CELLS, first + count - from) }, (_, i) => grid.at(from + i, column ?? 0)).filter(
    (cell) => cell.column === column,
  );
}
