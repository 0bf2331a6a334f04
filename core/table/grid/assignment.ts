import { gridOf, type Grid, type GridCell } from './grid';
import { textOf } from '../cell';
import { isGroupHeading, rowGroupOf } from './groups';
import { columnGroups, headerRole } from './headers';
import { widthOf, type Merge, type Table } from '../table';

/**
 * The cells that head a cell of body or footer: what stands above it in the header rows, and beside it in the
 * columns of row headers, and the heading of its row group. Empty ones head nothing.
 */
export function headersOf(table: Table, cell: GridCell): readonly GridCell[] {
  const grid = gridOf(table);
  const found = new Set<GridCell>();
  const add = (row: number, column: number): void => {
    const at = grid.at(row, column);
    if (at !== cell && headerRole(table, at).tag === 'th') found.add(at);
  };
  const lead = cell.section === 'footer' ? Math.min(1, table.rowHeaders) : table.rowHeaders;
  for (let row = cell.row; row < cell.row + cell.rows; row++) for (let column = 0; column < lead; column++) add(row, column);
  for (let column = cell.column; column < cell.column + cell.columns; column++) for (let row = 0; row < table.headerRows; row++) add(row, column);
  if (cell.section === 'body') {
    const { first } = rowGroupOf(table, cell.row);
    if (isGroupHeading(table, first)) add(first, 0);
  }
  return [...found];
}

const known = new WeakMap<Table, ReadonlyMap<GridCell, readonly GridCell[]>>();

/**
 * The cells whose headers would be found wrongly by position and scope alone, each with its right ones: they need a
 * `headers` attribute (HTML Standard, "Forming relationships between data cells and header cells"). An empty cell
 * between two tiers, or merged row headers that reach into the body, make such cells; most tables have none.
 */
export function namedHeaders(table: Table): ReadonlyMap<GridCell, readonly GridCell[]> {
  const before = known.get(table);
  if (before) return before;
  const found = new Map<GridCell, readonly GridCell[]>();
  if (!isPlain(table)) {
    const assigned = assigner(table);
    for (const cells of gridOf(table).rows.slice(table.headerRows))
      for (const cell of cells) {
        if (headerRole(table, cell).tag === 'th') continue;
        const wanted = headersOf(table, cell);
        const got = assigned(cell);
        if (wanted.length !== got.size || wanted.some((each) => !got.has(each))) found.set(cell, wanted);
      }
  }
  known.set(table, found);
  return found;
}

/**
 * One tier, at most one column of row headers, none of them empty or reaching into the body, and headings over whole rows:
 * position and scope say it all. (Below an empty one, row headers above it hide the header of their own column.)
 */
const isPlain = ({ headerRows, rowHeaders, merges, rows, groups }: Table): boolean =>
  headerRows <= 1 &&
  rowHeaders <= 1 &&
  !merges.some(({ row, column, columns }) => row >= headerRows && column < rowHeaders && column + columns > rowHeaders) &&
  (rowHeaders === 0 || rows.slice(headerRows).every(([first]) => textOf(first).trim() !== '')) &&
  groups.every((row) => isWholeRow(merges, row, rows[0]?.length ?? 0));

/** A heading over more than one column hides no column's header. */
const isWholeRow = (merges: readonly Merge[], row: number, width: number): boolean =>
  width > 1 && merges.some((merge) => merge.row === row && merge.columns === width);

/** The standard's algorithm on the roles that the markup gives: header cells found by position, scope and column group. */
function assigner(table: Table): (principal: GridCell) => ReadonlySet<GridCell> {
  const grid = gridOf(table);
  const roles = new Map(grid.rows.flat().map((cell) => [cell, headerRole(table, cell)] as const));
  const isHeader = (cell: GridCell): boolean => roles.get(cell)?.tag === 'th';
  const groups = columnGroups(table);
  const groupOf = (column: number): number => groups.findIndex((group) => column >= group.column && column < group.column + group.columns);
  const groupHeaders = [...roles].flatMap(([cell, { scope }]) => (scope === 'colgroup' ? [cell] : []));
  const width = widthOf(table);
  const isWide = (cell: GridCell): boolean => cell.column === 0 && cell.columns === width;
  const hidesWide = grid.rows.slice(0, table.headerRows).some((cells) => cells.some(isWide));
  /** A heading over the whole row hides only a header as wide as itself. */
  const isPassed = (cell: GridCell): boolean => !hidesWide && roles.get(cell)?.scope === 'rowgroup' && isWide(cell);
  /** Columns without a header cell in body or footer: on the way up through them nothing happens. */
  const clear = Array.from({ length: widthOf(table) }, (_, column) =>
    grid.rows
      .slice(table.headerRows)
      .every((cells) => !cells.some((cell) => isHeader(cell) && !isPassed(cell) && column >= cell.column && column < cell.column + cell.columns)),
  );
  return (principal) => {
    const found = new Set<GridCell>();
    for (let y = principal.row; y < principal.row + principal.rows; y++) scan(grid, isHeader, roles, { x: principal.column, y }, 'back', found);
    for (let x = principal.column; x < principal.column + principal.columns; x++) {
      const y = clear[x] === true && !isHeader(principal) ? table.headerRows : principal.row;
      scan(grid, isHeader, roles, { x, y }, 'up', found);
    }
    const group = groupOf(principal.column);
    if (group >= 0)
      for (const header of groupHeaders)
        if (groupOf(header.column) === group && header.column < principal.column + principal.columns && header.row < principal.row + principal.rows)
          found.add(header);
    const { first, count } = rowGroupOf(table, principal.row);
    if (principal.section === 'body' && isGroupHeading(table, first))
      for (const header of grid.row(first))
        if (roles.get(header)?.scope === 'rowgroup' && header.row < first + count && header.column < principal.column + principal.columns)
          found.add(header);
    found.delete(principal);
    return found;
  };
}

/** The internal algorithm for scanning and assigning header cells, from a data cell on. */
function scan(
  grid: Grid,
  isHeader: (cell: GridCell) => boolean,
  roles: ReadonlyMap<GridCell, { readonly scope?: string }>,
  from: { readonly x: number; readonly y: number },
  way: 'up' | 'back',
  found: Set<GridCell>,
): void {
  const opaque: GridCell[] = [];
  let block: GridCell[] = [];
  let [x, y] = [from.x, from.y];
  for (;;) {
    if (way === 'up') y--;
    else x--;
    if (x < 0 || y < 0) return;
    const cell = grid.at(y, x);
    if (isHeader(cell)) {
      block.push(cell);
      const scope = roles.get(cell)?.scope;
      const isBlocked =
        way === 'up'
          ? scope !== 'col' || opaque.some((each) => each.column === cell.column && each.columns === cell.columns)
          : scope !== 'row' || opaque.some((each) => each.row === cell.row && each.rows === cell.rows);
      if (!isBlocked) found.add(cell);
    } else if (block.length > 0) {
      opaque.push(...block);
      block = [];
    }
  }
}
