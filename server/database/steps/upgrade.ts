import type { DocumentKind } from '../../../core/documents';
import type { Queries } from '../database';

/** A column of a table of the database in which documents lie, and what tells its rows apart. */
export interface Lying {
  readonly table: string;
  readonly column: string;
  readonly key: readonly string[];
}

/** So many documents are brought up at once. */
const AT_ONCE = 200;

/**
 * Brings documents to their kind's format as it is now, by the steps that the kind's reader takes too: a format's upgrade stands
 * once. Documents that are as they should be are left alone.
 */
export async function upgradeLying(
  queries: Queries,
  { table, column, key }: Lying,
  { format, upgrade }: Pick<DocumentKind<unknown>, 'format' | 'upgrade'>,
): Promise<void> {
  const old = await queries.query<Record<string, unknown>>(
    `select ${key.join(', ')} from ${table} where ${column} ->> 'format' is distinct from $1 order by ${key.join(', ')}`,
    [format],
  );
  for (let from = 0; from < old.length; from += AT_ONCE)
    for (const row of old.slice(from, from + AT_ONCE)) {
      const where = key.map((name, i) => `${name} = $${i + 1}`).join(' and ');
      const values = key.map((name) => row[name]);
      const [found] = await queries.query<{ document: unknown }>(`select ${column} as document from ${table} where ${where}`, values);
      const next = upgrade(found?.document);
      if (next !== found?.document)
        await queries.query(`update ${table} set ${column} = $${key.length + 1}::jsonb where ${where}`, [...values, JSON.stringify(next)]);
    }
}
