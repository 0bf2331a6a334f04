import { bad, good } from '../../outcome';
import { joinCells, textOf } from '../cell';
import type { Edited } from '../edit/edit-grid';
import { sectionOf, sectionRows, widthOf, type Table } from '../table';

/** Rows that stand together in one row group of the markup: header, footer, or a stretch of the body. */
export interface RowGroup {
  readonly first: number;
  readonly count: number;
}

const known = new WeakMap<Table, readonly RowGroup[]>();

/** The row groups of the body: each begins at a heading, the first one at the body's start. */
export function bodyGroups(table: Table): readonly RowGroup[] {
  const before = known.get(table);
  if (before) return before;
  const { first, count } = sectionRows(table, 'body');
  const starts = [...new Set([first, ...table.groups])].filter((row) => row >= first && row < first + count);
  const groups = starts.map((row, i) => ({ first: row, count: (starts[i + 1] ?? first + count) - row }));
  known.set(table, groups);
  return groups;
}

/** The row group that a row stands in. */
export function rowGroupOf(table: Table, row: number): RowGroup {
  const section = sectionOf(table, row);
  if (section !== 'body' || table.groups.length === 0) return sectionRows(table, section);
  return bodyGroups(table).findLast(({ first }) => first <= row) ?? sectionRows(table, 'body');
}

/** The row groups of the markup, in its order: thead, every tbody, tfoot. */
export const rowGroups = (table: Table): Readonly<Record<'header' | 'body' | 'footer', readonly RowGroup[]>> => ({
  header: [sectionRows(table, 'header')],
  body: bodyGroups(table),
  footer: [sectionRows(table, 'footer')],
});

export const isGroupHeading = ({ groups }: Table, row: number): boolean => groups.includes(row);

/**
 * Makes a row of the body the heading of the rows below it, up to the next heading. What its cells hold is put together
 * in one cell over the whole row, so that nothing is lost. Merged cells that reach into the row from above stop it.
 */
export function makeHeading(table: Table, row: number): Edited {
  if (sectionOf(table, row) !== 'body')
    return bad({ code: 'group-section', say: 'Only a row of the body can head others.', remedy: 'Choose a row between header and footer.' });
  if (isGroupHeading(table, row)) return good(table);
  const torn = table.merges.find((merge) => merge.row <= row && merge.row + merge.rows > row && merge.rows > 1);
  if (torn)
    return bad({
      code: 'group-merge',
      say: `Merged cells at row ${torn.row + 1}, column ${torn.column + 1} reach over this row.`,
      remedy: 'Split them first.',
    });
  const cells = table.rows[row] ?? [];
  const whole = joinCells(
    cells.filter((cell) => textOf(cell) !== ''),
    ' ',
  );
  const width = widthOf(table);
  const others = table.merges.filter((merge) => merge.row !== row);
  return good({
    ...table,
    rows: table.rows.with(row, [whole, ...cells.slice(1).map(() => '')]),
    merges: width > 1 ? [...others, { row, column: 0, rows: 1, columns: width }] : others,
    groups: [...table.groups, row].sort((a, b) => a - b),
  });
}

/** Makes a heading a plain row again; its text stays in the first cell. */
export function dropHeading(table: Table, row: number): Edited {
  if (!isGroupHeading(table, row))
    return bad({ code: 'group-none', say: 'This row does not head others.', remedy: 'Choose a heading of a row group.' });
  return good({
    ...table,
    merges: table.merges.filter((merge) => merge.row !== row || merge.rows > 1 || merge.columns < widthOf(table)),
    groups: table.groups.filter((each) => each !== row),
  });
}

/** Headings that still stand in the body. */
export const groupsWithin = (table: Table): Table => {
  const groups = table.groups.filter((row) => sectionOf(table, row) === 'body');
  return groups.length === table.groups.length ? table : { ...table, groups };
};
