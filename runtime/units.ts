/**
 * Rows that belong together: a row, or rows that a merged cell holds together. Sorting, searching and paging move, show
 * and hide them as one, so that no merged cell is torn apart.
 */
export interface Unit {
  readonly rows: readonly HTMLTableRowElement[];
  /** The row group that it stays in. */
  readonly group: HTMLTableSectionElement;
  /** Which cell stands in a column of its first row, merged ones counted in each of theirs. */
  readonly cellAt: (column: number) => HTMLTableCellElement | undefined;
}

/** The rows of a table's body as units, in their order, and the heading of each row group that has one. */
export function unitsOf(table: HTMLTableElement): { units: Unit[]; headings: Map<HTMLTableSectionElement, HTMLTableRowElement> } {
  const units: Unit[] = [];
  const isPlain = !table.querySelector('tbody [colspan], tbody [rowspan]');
  const cellOf = isPlain ? (row: HTMLTableRowElement, column: number): HTMLTableCellElement | undefined => row.cells[column] : cellIn;
  const headings = new Map<HTMLTableSectionElement, HTMLTableRowElement>();
  for (const group of table.tBodies) {
    const rows = [...group.rows];
    if (rows[0]?.querySelector(':scope > [scope=rowgroup]')) headings.set(group, rows.shift() as HTMLTableRowElement);
    for (let at = 0; at < rows.length;) {
      let end = at + 1;
      for (let row = at; !isPlain && row < end && row < rows.length; row++)
        for (const cell of rows[row]?.cells ?? []) if (cell.rowSpan > 1) end = Math.max(end, Math.min(rows.length, row + cell.rowSpan));
      const [first] = rows.slice(at, end);
      units.push({ rows: rows.slice(at, end), group, cellAt: (column) => first && cellOf(first, column) });
      at = end;
    }
  }
  return { units, headings };
}

/** The cell that covers a column, in a row that no merged cell reaches into from above. */
export function cellIn(row: HTMLTableRowElement, column: number): HTMLTableCellElement | undefined {
  let at = 0;
  for (const cell of row.cells) if (column < (at += cell.colSpan)) return cell;
  return undefined;
}

/** In which column each header cell starts that rows can be sorted or filtered by, merged cells of all header rows counted. */
export function sortHeaders(table: HTMLTableElement): Map<HTMLTableCellElement, number> {
  const found = new Map<HTMLTableCellElement, number>();
  const taken: boolean[][] = [];
  for (const [row, line] of [...(table.tHead?.rows ?? [])].entries()) {
    let column = 0;
    for (const cell of line.cells) {
      while (taken[row]?.[column]) column++;
      if (cell.matches('[data-sorts], [data-filter]')) found.set(cell, column);
      for (let down = 0; down < cell.rowSpan; down++)
        for (let across = 0; across < cell.colSpan; across++) (taken[row + down] ??= [])[column + across] = true;
      column += cell.colSpan;
    }
  }
  return found;
}
