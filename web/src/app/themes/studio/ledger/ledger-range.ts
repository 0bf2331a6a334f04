import type { ConditionName, PartName, ThemeView } from '../../../../../../core/theme';
import { ledgerCell } from './ledger-rows';
import type { RowName } from '../../../values/rows';
import type { Entry } from '../studio-state';

/** A cell of the ledger. */
export interface At {
  readonly row: RowName;
  readonly condition: ConditionName;
}

/** A rectangle of cells. */
export interface Range {
  readonly rows: readonly RowName[];
  readonly conditions: readonly ConditionName[];
}

/** The rectangle between two cells of a ledger with these rows and conditions; empty where they are not shown. */
export function rangeBetween(a: At, b: At, rows: readonly RowName[], conditions: readonly ConditionName[]): Range {
  return { rows: between(rows, a.row, b.row), conditions: between(conditions, a.condition, b.condition) };
}

function between<T>(list: readonly T[], a: T, b: T): readonly T[] {
  const [i, j] = [list.indexOf(a), list.indexOf(b)];
  return i < 0 || j < 0 ? [] : list.slice(Math.min(i, j), Math.max(i, j) + 1);
}

/** The values of a rectangle as tab-separated text. */
export const rangeText = (view: ThemeView, parts: readonly PartName[], { rows, conditions }: Range): string =>
  rows.map((row) => conditions.map((condition) => ledgerCell(view, parts, condition, row)?.text ?? '').join('\t')).join('\n');

/**
 * What a pasted text sets: one value fills the whole rectangle; a block of them is laid from its first cell on,
 * as far as there are cells. Empty places of the block leave what is there.
 */
export function pasteInto(text: string, range: Range, rows: readonly RowName[], conditions: readonly ConditionName[]): readonly Entry[] {
  const block = text.split(/\r?\n/).map((line) => line.split('\t'));
  if (block.length === 1 && block[0]?.length === 1) return fill(range, block[0][0] ?? '');
  const [top, left] = [rows.indexOf(range.rows[0] ?? 'fill'), conditions.indexOf(range.conditions[0] ?? 'rest')];
  return block.flatMap((line, i) =>
    line.flatMap((typed, j): readonly Entry[] => {
      const [row, condition] = [rows[top + i], conditions[left + j]];
      return row === undefined || condition === undefined || typed.trim() === '' ? [] : [{ row, condition, typed: typed.trim() }];
    }),
  );
}

/** One text for every cell of a rectangle. */
export const fill = ({ rows, conditions }: Range, typed: string): readonly Entry[] =>
  rows.flatMap((row) => conditions.map((condition) => ({ row, condition, typed: typed.trim() })));

/** The first condition's values for the others of a rectangle; a rectangle of one condition goes across all of them. */
export function fillAcross(view: ThemeView, parts: readonly PartName[], range: Range, all: readonly ConditionName[]): readonly Entry[] {
  const [from] = range.conditions;
  if (from === undefined) return [];
  const others = range.conditions.length > 1 ? range.conditions.slice(1) : all.filter((condition) => condition !== from);
  return range.rows.flatMap((row) => {
    const typed = ledgerCell(view, parts, from, row)?.text;
    if (typed === undefined) return [];
    return others.filter((condition) => ledgerCell(view, parts, condition, row) !== undefined).map((condition) => ({ row, condition, typed }));
  });
}
