import { createHash } from 'node:crypto';
import type { BackupCounts } from '../../core/documents';
import type { Queries } from '../database/database';
import { bytesName, fileName, layoutsIn, type Layout } from './layout';

/** One file of a backup. */
export interface Piece {
  readonly name: string;
  readonly content: Buffer;
}

/** So many rows are asked for at once, and so many bytes lie in one file, or one row more. */
const [AT_ONCE, FULL] = [1000, 1_000_000] as const;

export const sha256 = (content: Uint8Array): string => createHash('sha256').update(content).digest('hex');

/** Everything that is kept, as the files of a backup. Ask within a transaction: all of it is then as it is at one moment. */
export async function* piecesOf(queries: Queries): AsyncGenerator<Piece> {
  for (const layout of await layoutsIn(queries)) yield* rowsOf(queries, layout);
}

async function* rowsOf(queries: Queries, layout: Layout): AsyncGenerator<Piece> {
  const { table, id, order, bytes } = layout;
  // Rows that were sent ahead of a table that never came belong to nobody.
  const only = table === 'table_rows' ? 'where table_id in (select id from tables)' : '';
  const row =
    bytes === undefined
      ? 't'
      : `(select r from (select ${(await columnsOf(queries, table))
          .filter((each) => each !== bytes)
          .map((each) => `t.${each}`)
          .join(', ')}) r)`;
  const cursor = `backup_${table}`;
  await queries.query(
    `declare ${cursor} no scroll cursor for select ${id}::text as id, row_to_json(${row})::text as row${bytes === undefined ? '' : `, ${bytes} as bytes`} from ${table} t ${only} order by ${order}`,
  );
  let open: { readonly id: string; readonly piece: number; rows: string[]; size: number } | undefined;
  const close = function* (): Generator<Piece> {
    if (open && open.rows.length > 0) yield { name: fileName(layout, open.id, open.piece), content: Buffer.from(`[${open.rows.join(',\n')}]\n`) };
  };
  for (;;) {
    const found = await queries.query<{ id: string; row: string; bytes?: Uint8Array }>(`fetch ${bytes === undefined ? AT_ONCE : 1} from ${cursor}`);
    if (found.length === 0) break;
    for (const each of found) {
      if (open?.id !== each.id) {
        yield* close();
        open = { id: each.id, piece: 1, rows: [], size: 0 };
      } else if (open.size >= FULL) {
        yield* close();
        open = { id: each.id, piece: open.piece + 1, rows: [], size: 0 };
      }
      open.rows.push(each.row);
      open.size += each.row.length;
      if (each.bytes) yield { name: bytesName(layout, each.id), content: Buffer.from(each.bytes) };
    }
  }
  yield* close();
  await queries.query(`close ${cursor}`);
}

async function columnsOf(queries: Queries, table: string): Promise<readonly string[]> {
  const found = await queries.query<{ name: string }>(
    "select column_name as name from information_schema.columns where table_schema = 'public' and table_name = $1 order by ordinal_position",
    [table],
  );
  return found.map(({ name }) => name);
}

/** How many of each there are, without what lies deleted. */
export async function countsOf(queries: Queries): Promise<BackupCounts> {
  const [counts] = await queries.query<BackupCounts>(
    `select (select count(*) from themes where deleted_at is null)::int as themes, (select count(*) from tables where deleted_at is null)::int as tables,
       (select count(*) from pages where deleted_at is null)::int as pages, (select count(*) from media)::int as pictures`,
  );
  if (!counts) throw new Error('Nothing could be counted');
  if (!(await layoutsIn(queries)).some(({ table }) => table === 'pricings')) return counts;
  const [more] = await queries.query<{ count: number }>('select count(*)::int as count from pricings where deleted_at is null');
  return more && more.count > 0 ? { ...counts, pricings: more.count } : counts;
}
