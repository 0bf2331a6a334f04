import { readColumnWidth, type Column } from './column';
import { computedTable } from '../computed/computed';
import { deleteColumn } from '../edit/edit-grid';
import { widthOf, type Table } from '../table';

/** Sets something on neighbouring columns, both ends meant. */
export function setColumns(table: Table, from: number, to: number, set: Partial<Column>): Table {
  return { ...table, columns: table.columns.map((column, i) => (i < from || i > to ? column : { ...column, ...set })) };
}

/**
 * What columns come to, in the last footer row. A table without one gets an empty one for it; `''` takes the totals away and
 * leaves the row.
 */
export function setTotals(table: Table, from: number, to: number, total: Column['total']): Table {
  const set = setColumns(table, from, to, { total });
  if (total === '' || table.footerRows > 0) return set;
  return { ...set, footerRows: 1, rows: [...table.rows, Array.from({ length: widthOf(table) }, () => '')] };
}

const shown = new WeakMap<Table, Table>();

/** The table as it is shown: with what its formulas come to, and without its hidden columns. One whose columns are all hidden keeps the first. */
export function shownTable(whole: Table): Table {
  const table = computedTable(whole);
  if (table.columns.every(({ hidden }) => !hidden)) return table;
  const known = shown.get(table);
  if (known) return known;
  const gone = table.columns.flatMap(({ hidden }, column) => (hidden ? [column] : []));
  let left = table;
  for (const column of gone.toReversed()) {
    const without = deleteColumn(left, column);
    if (without.ok) left = without.value;
  }
  // What formulas come to stands there by now: without the columns that they read they must not be worked out again.
  const made = { ...left, columns: left.columns.map((column) => (column.formula === '' ? column : { ...column, formula: '' })) };
  shown.set(table, made);
  return made;
}

/** Every column equally wide: one share each. */
export const equalColumns = (table: Table): Table => setColumns(table, 0, widthOf(table) - 1, { width: '1fr' });

/**
 * The width of each column as CSS has it; undefined for by content. Shares part what the percentages leave of the table.
 * Beside fixed lengths they part the width of the table's frame less these (`cqi`, CSS Containment 3, "Container
 * Query Lengths"), since a table takes no calculation that mixes percentages and lengths (CSS Tables 3, "Computing
 * column measures").
 */
export function cssWidths({ columns }: Table): readonly (string | undefined)[] {
  const read = columns.map(({ width }) => readColumnWidth(width) ?? { kind: 'content' as const });
  const sum = (kind: 'percent' | 'share'): number => read.reduce((total, each) => total + (each.kind === kind ? each.amount : 0), 0);
  const [percent, shares] = [sum('percent'), sum('share')];
  const lengths = read.flatMap((each) => (each.kind === 'length' ? [`${each.amount}${each.unit}`] : []));
  const left = Math.max(0, 100 - percent);
  return read.map((each) => {
    if (each.kind === 'content') return undefined;
    if (each.kind === 'length') return `${each.amount}${each.unit}`;
    if (each.kind === 'percent') return `${each.amount}%`;
    const share = each.amount / shares;
    return lengths.length === 0 ? `${round(left * share)}%` : `calc((${round(left)}cqi - ${lengths.join(' - ')}) * ${round(share)})`;
  });
}

/** Whether the widths are told by the frame's width, so that the frame has to be a container. */
export function needsContainer(table: Table): boolean {
  const widths = cssWidths(table);
  return widths.some((width) => width?.includes('cqi') === true);
}
const round = (n: number): number => Math.round(n * 10_000) / 10_000;
