import type { DocumentKind } from '../../../core/documents';
import type { Queries } from '../database';

/** A column of a table of the database in which documents lie, and what tells its rows apart. */
export interface Lying {
  readonly table: string;
  readonly column: string;
  readonly key: readonly string[];
  /** The SQL that says which of them; without it, all. */
  readonly where?: string;
}

/** So many documents are brought up at once. */
const AT_ONCE = 200;

/**
 * Brings documents to their kind's format as it is now, by the steps that the kind's reader takes too: a format's upgrade stands
 * once. Documents that are as they should be are left alone.
 */
export const upgradeLying = (
  queries: Queries,
  lying: Omit<Lying, 'where'>,
  { format, upgrade }: Pick<DocumentKind<unknown>, 'format' | 'upgrade'>,
): Promise<void> => rewriteLying(queries, { ...lying, where: `${lying.column} ->> 'format' is distinct from '${format}'` }, upgrade);

/** Writes what lies in a column anew, one by one; what comes out the very same is left alone. */
export async function rewriteLying(
  queries: Queries,
  { table, column, key, where = 'true' }: Lying,
  rewrite: (value: unknown) => unknown,
): Promise<void> {
  const old = await queries.query<Record<string, unknown>>(`select ${key.join(', ')} from ${table} where ${where} order by ${key.join(', ')}`);
  for (let from = 0; from < old.length; from += AT_ONCE)
    for (const row of old.slice(from, from + AT_ONCE)) {
      const at = key.map((name, i) => `${name} = $${i + 1}`).join(' and ');
      const values = key.map((name) => row[name]);
      const [found] = await queries.query<{ value: unknown }>(`select ${column} as value from ${table} where ${at}`, values);
      const next = rewrite(found?.value);
      if (next !== found?.value)
        await queries.query(`update ${table} set ${column} = $${key.length + 1}::jsonb where ${at}`, [...values, JSON.stringify(next)]);
    }
}
