import { cellNodes, classesOf, contract, markedNodes, rowClasses, textLookClass, unseenDigits, type MarkupNode } from '../../../../../core/compile';
import {
  bodyGroups,
  computedIn,
  ruleProblem,
  headerRole,
  isWrong,
  sectionOf,
  sectionRows,
  seenRows,
  shownText,
  stretchesOf,
  type Seen,
  type GridCell,
  type SeenCell,
  type SeenRow,
  type Stretch,
  type Table,
} from '../../../../../core/table';

/** A cell as the grid's template draws it. */
export interface ShownCell {
  readonly cell: GridCell;
  readonly rows: number;
  readonly tag: 'th' | 'td';
  readonly scope: string | null;
  readonly classes: string;
  /** What it shows: as typed, in its column's format, or its column's total. */
  readonly text: string;
  /** Whether it is not of its column's type. */
  readonly isWrong: boolean;
  /** The pieces of a text that has marks. */
  readonly stretches: readonly (Stretch & { readonly classes: string })[] | undefined;
  /** What its value mark makes of its value. */
  readonly drawn: readonly MarkupNode[] | undefined;
  /** Digits that stand unseen behind a number. */
  readonly pad: string | null;
  readonly isEdited: boolean;
}
export interface ShownRow {
  readonly row: number;
  /** Which of the document's rows shows it: one that goes out of it is used again for one that comes in. */
  readonly key: number;
  readonly classes: string;
  readonly cells: readonly ShownCell[];
}

/** The rows of each part of a table that are in the document: header and footer whole, the body's as far as they are seen. */
export interface ShownSections {
  readonly header: readonly ShownRow[];
  readonly bodies: readonly { readonly first: number; readonly rows: readonly ShownRow[] }[];
  readonly footer: readonly ShownRow[];
}

/** Rows as they were shown before, for as long as nothing but the view moves. */
export type KnownRows = Map<number, ShownRow>;

/**
 * `pool` is how many of the document's rows take turns for the body; `edited` is the cell that is open for typing. Rows without
 * merged cells are put into `known`, and taken from there: working one out takes longer than drawing it.
 */
export function showSections(table: Table, { from, to }: Seen, pool: number, edited: GridCell | undefined, known: KnownRows): ShownSections {
  const keyOf = (row: number): number => (sectionOf(table, row) === 'body' ? row % pool : row);
  const show = (seen: SeenRow): ShownRow => {
    const before = known.get(seen.row);
    if (before) return before;
    const made = showRow(table, seen, keyOf(seen.row), edited);
    if (seen.cells.every(({ cell }) => cell.rows === 1)) known.set(seen.row, made);
    return made;
  };
  const part = (first: number, end: number): readonly ShownRow[] => seenRows(table, first, end).map(show);
  const { header, footer } = { header: sectionRows(table, 'header'), footer: sectionRows(table, 'footer') };
  const bodies = bodyGroups(table).flatMap(({ first, count }) => {
    const [start, end] = [Math.max(first, from), Math.min(first + count, to)];
    return start < end ? [{ first, rows: part(start, end) }] : [];
  });
  return { header: part(0, header.count), bodies, footer: part(footer.first, footer.first + footer.count) };
}

/** A row with its cells' elements and marks (docs/markup.md). `edited` is the cell that is open for typing. */
const showRow = (table: Table, { row, cells }: SeenRow, key: number, edited: GridCell | undefined): ShownRow => ({
  row,
  key,
  classes: rowClasses(table, row, true).join(' '),
  cells: cells.map((seen, at) => showCell(table, seen, at === 0, edited)),
});

function showCell(table: Table, { cell, rows }: SeenCell, isFirst: boolean, edited: GridCell | undefined): ShownCell {
  const { tag, scope } = headerRole(table, cell);
  const isOut = table.columns[cell.column]?.hidden === true && cell.columns === 1;
  // A cell that is cut by the rows above the document begins its row anew; where it stands is told as in the whole table.
  const marks = classesOf(table, cell, tag);
  const classes = [marks, isFirst && cell.column > 0 && !marks.includes(contract.inset) ? contract.inset : '', isOut ? 'out' : ''].filter(Boolean);
  const stretches =
    cell.marks.length === 0
      ? undefined
      : stretchesOf({ text: cell.text, marks: cell.marks }).map((each) => ({
          ...each,
          classes: each.marks.map((mark) => `is-${mark.kind} ${textLookClass(mark) ?? ''}`.trim()).join(' '),
        }));
  const computed = computedIn(table, cell.column, cell.row);
  // Why a formula comes to nothing is said in its cell.
  const say = typeof computed === 'object' ? computed?.say : undefined;
  return {
    cell,
    text: say ?? shownText(table, cell),
    isWrong: say !== undefined || isWrong(table, cell) || ruleProblem(table, cell) !== undefined,
    rows,
    tag,
    scope: scope ?? null,
    classes: classes.join(' '),
    stretches,
    drawn: markedNodes(table, cell) ?? (cell.marks.some(({ kind }) => kind === 'icon' || kind === 'picture') ? cellNodes(cell) : undefined),
    pad: unseenDigits(table, cell) ?? null,
    isEdited: cell === edited,
  };
}

/** The cell that an element of the grid stands in. */
export function cellShownAt(element: Element, { header, bodies, footer }: ShownSections): GridCell | undefined {
  const cell = element.closest<HTMLTableCellElement>('[data-cell]');
  const row = Number(cell?.closest('tr')?.dataset['row'] ?? NaN);
  if (!cell || Number.isNaN(row)) return undefined;
  const line = [header, ...bodies.map(({ rows }) => rows), footer].flat().find((each) => each.row === row);
  return line?.cells[cell.cellIndex]?.cell;
}
