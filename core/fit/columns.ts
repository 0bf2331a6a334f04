import type { Need } from './need';

/** What a cell over some columns needs. */
export interface Spanning extends Need {
  readonly column: number;
  readonly columns: number;
}

/**
 * What each column needs (CSS Tables 3, "Computing column measures"): the most of its own cells, and what cells over several
 * columns need beyond that, parted among theirs. Fewer columns come first.
 */
export function columnNeeds(width: number, cells: readonly Spanning[], gap: number): readonly Need[] {
  const needs = Array.from({ length: width }, () => ({ least: 0, natural: 0 }));
  const single = cells.filter(({ columns }) => columns === 1);
  // A column in which a width is asked for takes that, whatever its other cells would take.
  const asked = new Set(single.flatMap(({ column, isFixed }) => (isFixed ? [column] : [])));
  for (const { column, least, natural, isFixed } of single) {
    const need = needs[column];
    if (!need) continue;
    need.least = Math.max(need.least, least);
    if (isFixed || !asked.has(column)) need.natural = Math.max(need.natural, natural);
  }
  for (const need of needs) need.natural = Math.max(need.natural, need.least);
  for (const cell of cells.filter(({ columns }) => columns > 1).sort((a, b) => a.columns - b.columns)) {
    const own = needs.slice(cell.column, cell.column + cell.columns);
    const between = gap * (own.length - 1);
    const least = shared(cell.least - between, own);
    const natural = shared(cell.natural - between, own);
    own.forEach((need, i) => {
      need.least = Math.max(need.least, least[i] ?? 0);
      need.natural = Math.max(need.natural, natural[i] ?? 0);
    });
    for (const need of own) need.natural = Math.max(need.natural, need.least);
  }
  return needs;
}

/**
 * A width parted among columns: each its least, then towards its natural width all by the same share, then beyond that in
 * proportion to it (CSS Tables 3, "Distribution algorithm", for columns of no width of their own).
 */
function shared(width: number, columns: readonly Need[]): readonly number[] {
  const sum = (kind: 'least' | 'natural'): number => columns.reduce((total, need) => total + need[kind], 0);
  const [least, natural] = [sum('least'), sum('natural')];
  if (width <= least) return columns.map((need) => need.least);
  if (width < natural) return columns.map((need) => need.least + ((need.natural - need.least) * (width - least)) / (natural - least));
  return columns.map((need) => need.natural + (natural > 0 ? (need.natural * (width - natural)) / natural : (width - natural) / columns.length));
}
