import type { Cell, ColumnFrom, Row, RowEdit } from '../../core/table';
import type { Queries } from '../database/database';

/** Room that is left between the places of two rows, so that others can be put in between. */
const GAP = 1024;
/** Rows that one statement puts in. */
const AT_ONCE = 5000;

const numberOf = (place: number | bigint | string): number => Number(place);

/** Other cells in the row at `at`, counted from 0. */
type CellEdit = Extract<RowEdit, { readonly cells: unknown }>;
interface RowAt {
  readonly at: number;
  readonly place: number | bigint;
  readonly cells: Row;
}

/** The rows of a table, which have a table of their own: each knows its place in the order. */
export class TableRows {
  constructor(private readonly queries: Queries) {}

  /** All rows, or so many of the first. */
  async all(id: string, most?: number): Promise<readonly Row[]> {
    const [found] = await this.queries.query<{ rows: readonly Row[] }>(
      `select coalesce(jsonb_agg(cells order by place), '[]') as rows
       from (select place, cells from table_rows where table_id = $1 order by place limit $2) part`,
      [id, most ?? null],
    );
    return found?.rows ?? [];
  }

  /** The next rows behind a place, as JSON text, and the place of the last one. */
  async after(id: string, place: number, most: number): Promise<{ readonly json: string; readonly count: number; readonly last: number }> {
    const [found] = await this.queries.query<{ json: string; count: number; last: number | bigint | null }>(
      `select coalesce(jsonb_agg(cells order by place), '[]')::text as json, count(*)::int as count, max(place) as last
       from (select place, cells from table_rows where table_id = $1 and place > $2 order by place limit $3) part`,
      [id, place, most],
    );
    return { json: found?.json ?? '[]', count: found?.count ?? 0, last: numberOf(found?.last ?? place) };
  }

  async count(id: string): Promise<number> {
    const [found] = await this.queries.query<{ count: number }>('select count(*)::int as count from table_rows where table_id = $1', [id]);
    return found?.count ?? 0;
  }

  /** Puts rows behind the last one. */
  async append(id: string, rows: readonly Row[]): Promise<void> {
    const [found] = await this.queries.query<{ last: number | bigint | null }>('select max(place) as last from table_rows where table_id = $1', [id]);
    await this.put(id, rows, numberOf(found?.last ?? 0), GAP);
  }

  async clear(id: string): Promise<void> {
    await this.queries.query('delete from table_rows where table_id = $1', [id]);
  }

  /**
   * Other cells in some rows, one edit after the other; gives back the edits that take them back, the last first, or the edit for
   * which there is no such row or cell. As many statements for many rows as for few.
   */
  async setCells(id: string, edits: readonly CellEdit[]): Promise<{ readonly back: readonly CellEdit[] } | { readonly lacking: CellEdit }> {
    const rows = new Map((await this.at(id, [...new Set(edits.map(({ at }) => at))])).map((row) => [row.at, row]));
    const back: CellEdit[] = [];
    for (const edit of edits) {
      const row = rows.get(edit.at);
      if (!row || edit.cells.some(([column]) => column >= row.cells.length)) return { lacking: edit };
      back.push({ at: edit.at, cells: edit.cells.map(([column]) => [column, row.cells[column] ?? ''] as const) });
      const changed = [...row.cells];
      for (const [column, cell] of edit.cells) changed[column] = cell;
      rows.set(edit.at, { ...row, cells: changed });
    }
    const all = [...rows.values()];
    for (let from = 0; from < all.length; from += AT_ONCE)
      await this.queries.query(
        `update table_rows t set cells = m.cells from (select (pair ->> 0)::bigint as place, pair -> 1 as cells
           from jsonb_array_elements($2::jsonb) as pairs (pair)) m
         where t.table_id = $1 and t.place = m.place`,
        [id, JSON.stringify(all.slice(from, from + AT_ONCE).map(({ place, cells }) => [String(place), cells]))],
      );
    return { back: back.reverse() };
  }

  /** The rows that stand at some places of the order, counted from 0. One is found by going there, many by counting all. */
  private async at(id: string, wanted: readonly number[]): Promise<readonly RowAt[]> {
    const [only] = wanted;
    if (wanted.length === 1)
      return this.queries.query<RowAt>('select $2::int as at, place, cells from table_rows where table_id = $1 order by place offset $2 limit 1', [
        id,
        only,
      ]);
    return this.queries.query<RowAt>(
      `select n::int as at, place, cells from (select place, cells, row_number() over (order by place) - 1 as n from table_rows where table_id = $1) counted
       join unnest($2::bigint[]) as wanted (at) on wanted.at = n`,
      [id, wanted],
    );
  }

  /**
   * Takes out so many rows from the one at `at` on, and puts others in their place: given ones, or all that were sent
   * ahead under an id. Gives back the rows that were taken out, and how many came in.
   */
  async splice(
    id: string,
    at: number,
    take: number,
    put: readonly Row[] | { readonly upload: string },
  ): Promise<{ readonly taken: readonly Row[]; readonly count: number }> {
    const taken = await this.queries.query<{ place: number | bigint; cells: Row }>(
      'select place, cells from table_rows where table_id = $1 order by place offset $2 limit $3',
      [id, at, take],
    );
    const [first, last] = [taken[0], taken.at(-1)];
    if (first && last)
      await this.queries.query('delete from table_rows where table_id = $1 and place between $2 and $3', [id, first.place, last.place]);
    const count = 'upload' in put ? await this.count(put.upload) : put.length;
    if (count > 0) await this.putAt(id, at, count, put);
    return { taken: taken.map(({ cells }) => cells), count };
  }

  /** Puts rows from the one at `at` on in another order; false where there are not so many. Negative places on the way, since no two may be the same. */
  async reorder(id: string, at: number, order: readonly number[]): Promise<boolean> {
    const found = await this.queries.query<{ place: number | bigint }>(
      'select place from table_rows where table_id = $1 order by place offset $2 limit $3',
      [id, at, order.length],
    );
    if (found.length !== order.length) return false;
    const places = found.map(({ place }) => numberOf(place));
    const moves = order.flatMap((from, to) => (from === to ? [] : [[places[from], places[to]]]));
    await this.queries.query(
      `update table_rows t set place = -1 - m.now from (select (pair ->> 0)::bigint as was, (pair ->> 1)::bigint as now
         from jsonb_array_elements($2::jsonb) as pairs (pair)) m
       where t.table_id = $1 and t.place = m.was`,
      [id, JSON.stringify(moves)],
    );
    await this.queries.query('update table_rows set place = -1 - place where table_id = $1 and place < 0', [id]);
    return true;
  }

  /** Gives every row other columns; gives back where those that were come from, or says what is not there. Every row has `width` cells. */
  async columns(
    id: string,
    width: number,
    wanted: readonly ColumnFrom[],
  ): Promise<{ readonly back: readonly ColumnFrom[] } | { readonly lacking: string }> {
    const height = await this.count(id);
    const given: string[] = [];
    const parts: string[] = [];
    for (const from of wanted)
      if (typeof from === 'number') {
        if (from >= width) return { lacking: `There are ${width} columns, not ${from + 1}.` };
        parts.push(`cells -> ${from}`);
      } else if (from === null) parts.push(`'""'::jsonb`);
      else {
        if (from.cells.length !== height) return { lacking: `There are ${height} rows, and cells for ${from.cells.length}.` };
        parts.push(`$${given.push(JSON.stringify(from.cells)) + 1}::jsonb -> n`);
      }
    const back: ColumnFrom[] = [];
    for (let column = 0; column < width; column++) {
      const at = wanted.indexOf(column);
      back.push(at >= 0 ? at : await this.column(id, column));
    }
    // PostgreSQL gives a function at most 100 arguments.
    const arrays = Array.from(
      { length: Math.ceil(parts.length / 90) },
      (_, i) => `jsonb_build_array(${parts.slice(i * 90, (i + 1) * 90).join(', ')})`,
    );
    await this.queries.query(
      `update table_rows t set cells = ${arrays.join(' || ')}
       from (select place as at, (row_number() over (order by place) - 1)::int as n from table_rows where table_id = $1) counted
       where t.table_id = $1 and t.place = at`,
      [id, ...given],
    );
    return { back };
  }

  /** What stands in a column, from the first row to the last; null where it is empty. */
  private async column(id: string, column: number): Promise<ColumnFrom> {
    const [found] = await this.queries.query<{ cells: readonly Cell[] }>(
      `select coalesce(jsonb_agg(cells -> $2::int order by place), '[]') as cells from table_rows where table_id = $1`,
      [id, column],
    );
    const cells = found?.cells ?? [];
    return cells.every((cell) => cell === '') ? null : { cells };
  }

  private async putAt(id: string, at: number, count: number, put: readonly Row[] | { readonly upload: string }): Promise<void> {
    let [before, after] = await this.around(id, at);
    if (after !== undefined && after - before <= count) {
      await this.spread(id);
      [before, after] = await this.around(id, at);
    }
    // Spreading leaves GAP places; more rows than that move what follows out of their way.
    if (after !== undefined && after - before <= count) {
      await this.moveOn(id, before, (count + 1) * GAP);
      after = undefined;
    }
    const step = after === undefined ? GAP : Math.max(1, Math.floor((after - before) / (count + 1)));
    if ('upload' in put)
      await this.queries.query(
        `insert into table_rows (table_id, place, cells)
         select $1, $2::bigint + $3::bigint * row_number() over (order by place), cells from table_rows where table_id = $4`,
        [id, before, step, put.upload],
      );
    else await this.put(id, put, before, step);
  }

  /** The places of the rows before and after a gap. */
  private async around(id: string, at: number): Promise<[before: number, after: number | undefined]> {
    const places = await this.queries.query<{ place: number | bigint }>(
      'select place from table_rows where table_id = $1 order by place offset $2 limit 2',
      [id, Math.max(0, at - 1)],
    );
    const [first, second] = places.map(({ place }) => numberOf(place));
    return at === 0 ? [0, first] : [first ?? 0, second];
  }

  /** Gives every row a place with room on both sides. Negative places on the way, since no two may be the same. */
  private async spread(id: string): Promise<void> {
    await this.queries.query(
      `update table_rows r set place = -o.n * ${GAP}
       from (select place, row_number() over (order by place) as n from table_rows where table_id = $1) o
       where r.table_id = $1 and r.place = o.place`,
      [id],
    );
    await this.queries.query('update table_rows set place = -place where table_id = $1', [id]);
  }

  private async moveOn(id: string, behind: number, by: number): Promise<void> {
    await this.queries.query('update table_rows set place = -(place + $3) where table_id = $1 and place > $2', [id, behind, by]);
    await this.queries.query('update table_rows set place = -place where table_id = $1 and place < 0', [id]);
  }

  private async put(id: string, rows: readonly Row[], behind: number, step: number): Promise<void> {
    for (let from = 0; from < rows.length; from += AT_ONCE)
      await this.queries.query(
        `insert into table_rows (table_id, place, cells)
         select $1, $2::bigint + $3::bigint * ordinality, value from jsonb_array_elements($4::jsonb) with ordinality`,
        [id, behind + from * step, step, JSON.stringify(rows.slice(from, from + AT_ONCE))],
      );
  }
}
