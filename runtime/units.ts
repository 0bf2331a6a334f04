import { FILTER, HEADING, SORTS } from './marks';

/**
 * Rows that belong together: a row, or rows that a merged cell holds together. Sorting, searching and paging move, show
 * and hide them as one, so that no merged cell is torn apart.
 */
export interface Unit {
  readonly rows: readonly HTMLTableRowElement[];
  /** The row group that it stays in. */
  readonly group: HTMLTableSectionElement;
  /** The cells that stand in a column of its rows, merged ones counted in each of theirs. */
  readonly cellsAt: (column: number) => readonly HTMLTableCellElement[];
  /** The first of them. */
  readonly cellAt: (column: number) => HTMLTableCellElement | undefined;
}

/** The rows of a table's body as units, in their order, and the heading of each row group that has one. */
export function unitsOf(table: HTMLTableElement): { units: Unit[]; headings: Map<HTMLTableSectionElement, HTMLTableRowElement> } {
  const units: Unit[] = [];
  const isPlain = !table.querySelector('tbody [colspan], tbody [rowspan]');
  const cellsOf = (lines: readonly HTMLTableRowElement[], at: number): readonly HTMLTableCellElement[] => {
    if (isPlain) return lines.flatMap((row) => row.cells[at] ?? []);
    const cells: HTMLTableCellElement[] = [];
    walk(lines, (cell, column) => {
      if (column <= at && at < column + cell.colSpan) cells.push(cell);
    });
    return cells;
  };
  const headings = new Map<HTMLTableSectionElement, HTMLTableRowElement>();
  for (const group of table.tBodies) {
    const rows = [...group.rows];
    if (rows[0]?.querySelector(`:scope > .${HEADING}`)) headings.set(group, rows.shift() as HTMLTableRowElement);
    for (let at = 0; at < rows.length;) {
      let end = at + 1;
      for (let row = at; !isPlain && row < end && row < rows.length; row++)
        for (const cell of rows[row]?.cells ?? []) if (cell.rowSpan > 1) end = Math.max(end, Math.min(rows.length, row + cell.rowSpan));
      const lines = rows.slice(at, end);
      const cellsAt = (column: number): readonly HTMLTableCellElement[] => cellsOf(lines, column);
      units.push({ rows: lines, group, cellsAt, cellAt: isPlain ? (column) => lines[0]?.cells[column] : (column) => cellsAt(column)[0] });
      at = end;
    }
  }
  return { units, headings };
}

/** Goes through the cells of some rows, each with the column in which it starts; merged cells of the rows above are counted. */
export function walk(rows: Iterable<HTMLTableRowElement>, visit: (cell: HTMLTableCellElement, column: number) => void): void {
  const taken: boolean[][] = [];
  let row = 0;
  for (const line of rows) {
    let column = 0;
    for (const cell of line.cells) {
      while (taken[row]?.[column]) column++;
      visit(cell, column);
      for (let down = 0; down < cell.rowSpan; down++)
        for (let across = 0; across < cell.colSpan; across++) (taken[row + down] ??= [])[column + across] = true;
      column += cell.colSpan;
    }
    row++;
  }
}

/** In which column each header cell starts that rows can be sorted or filtered by. */
export function sortHeaders(table: HTMLTableElement): Map<HTMLTableCellElement, number> {
  const found = new Map<HTMLTableCellElement, number>();
  walk(table.tHead?.rows ?? [], (cell, column) => {
    if (cell.matches(`[${SORTS}], [${FILTER}]`)) found.set(cell, column);
  });
  return found;
}
