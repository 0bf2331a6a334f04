import type { EditionRef } from '../../core/documents';
import { array, number, object, string, type Schema } from 'yup';
import type { Outcome } from '../../core/outcome';
import { checkShape } from '../../core/problems-of';
import { CHAIN_MOST, basesOver, chainOf, isThemeBase, starterBases, type Base, type Theme, type ThemeView } from '../../core/theme';
import type { Queries } from '../database/database';
import { Refusal } from '../problems';

export type Chain = ThemeView['chain'];

/** One edition as it is kept. */
export interface EditionRow {
  readonly theme_id: string;
  readonly number: number;
  readonly document: Theme;
  /** The editions that it stands on, the nearest first. */
  readonly stands_on: readonly EditionRef[];
}

const standingSchema = array()
  .strict()
  .required()
  .max(CHAIN_MOST + 1)
  .of(object({ id: string().strict().required().max(100), number: number().strict().required().integer().min(1) }).noUnknown());

/** Reads what an edition stands on, from a database that may be anybody's. */
export const readStanding = (json: unknown): Outcome<readonly EditionRef[]> => checkShape(standingSchema as Schema<readonly EditionRef[]>, json);

/** A theme that got another edition, and the one that was its newest; undefined where it had none. */
export interface Carried {
  readonly id: string;
  readonly before: number | undefined;
  readonly number: number;
}

const newestRows = 'select distinct on (theme_id) theme_id, number, document, stands_on from theme_editions';
const keyOf = ({ id, number }: EditionRef): string => `${id}@${number}`;

/** The newest editions of some themes, by their ids. */
export async function newestOf(queries: Queries, ids: readonly string[]): Promise<readonly EditionRow[]> {
  return queries.query<EditionRow>(`${newestRows} where theme_id = any($1) order by theme_id, number desc`, [ids]);
}

/** Editions with all that they stand on: the chain of each, as it was when it was published. One query for all. */
export async function chainsOf(queries: Queries, rows: readonly Pick<EditionRow, 'document' | 'stands_on'>[]): Promise<readonly Chain[]> {
  const named = [...new Map(rows.flatMap(({ stands_on }) => stands_on.map((ref) => [keyOf(ref), ref] as const))).values()];
  const found = await documentsAt(queries, named);
  return rows.map(({ document, stands_on }) => {
    const numbers = new Map(stands_on.map(({ id, number }) => [id, number]));
    return chainOf(
      document,
      basesOver(starterBases, (id) => found.get(keyOf({ id, number: numbers.get(id) ?? 0 }))?.document),
    );
  });
}

/** Some editions, by id and number as in `ID@NUMBER`; those that are there. One query for all. */
export async function documentsAt(queries: Queries, wanted: readonly EditionRef[]): Promise<ReadonlyMap<string, EditionRow>> {
  if (wanted.length === 0) return new Map();
  const rows = await queries.query<EditionRow>(
    `select theme_id, number, document, stands_on from theme_editions where (theme_id, number) in (select * from unnest($1::text[], $2::int[]))`,
    [wanted.map(({ id }) => id), wanted.map(({ number }) => number)],
  );
  return new Map(rows.map((row) => [keyOf({ id: row.theme_id, number: row.number }), row]));
}

/** What an edition with such a base would stand on now: the newest edition of each. What has none yet gets its first by `publish`. */
export async function standing(
  queries: Queries,
  id: string,
  base: Base | null,
  publish: (id: string) => Promise<unknown>,
): Promise<readonly EditionRef[]> {
  if (!isThemeBase(base)) return [];
  const [known] = await newestOf(queries, [base.theme]);
  if (!known) await publish(base.theme);
  const [row] = known ? [known] : await newestOf(queries, [base.theme]);
  if (!row) return [];
  const standsOn = [{ id: row.theme_id, number: row.number }, ...row.stands_on];
  if (standsOn.some((each) => each.id === id))
    throw new Refusal(
      'grows-from-itself',
      `As it was last published, “${row.document.name}” still grows from this theme. Publish “${row.document.name}” first.`,
    );
  return standsOn;
}

/**
 * After a theme got another edition: every published theme that stands on it gets another one too, of what it last published on the new
 * one. So the newest edition of each always stands on the newest of each other, and one is held with all that was seen.
 */
export async function carry(queries: Queries, { id, number }: EditionRef): Promise<readonly Carried[]> {
  const [own] = await newestOf(queries, [id]);
  const now = new Map([[id, { number, stands_on: own?.stands_on ?? [] }]]);
  const grown = await queries.query<EditionRow>(`select * from (${newestRows} order by theme_id, number desc) newest where stands_on @> $1::jsonb`, [
    JSON.stringify([{ id }]),
  ]);
  const depth = ({ stands_on }: EditionRow): number => stands_on.findIndex((each) => each.id === id);
  const carried: Carried[] = [];
  // The nearest first: what stands on one of them needs its new edition.
  for (const row of [...grown].sort((a, b) => depth(a) - depth(b))) {
    const below = row.stands_on[0]?.id ?? '';
    const on = now.get(below);
    if (!on) continue;
    const standsOn = [{ id: below, number: on.number }, ...on.stands_on];
    await insertEdition(queries, row.theme_id, row.number + 1, row.document, standsOn);
    now.set(row.theme_id, { number: row.number + 1, stands_on: standsOn });
    carried.push({ id: row.theme_id, before: row.number, number: row.number + 1 });
  }
  return carried;
}

export async function insertEdition(
  queries: Queries,
  id: string,
  number: number,
  document: Theme,
  standsOn: readonly EditionRef[],
): Promise<{ readonly number: number; readonly published_at: Date }> {
  const [row] = await queries.query<{ number: number; published_at: Date }>(
    `insert into theme_editions (theme_id, number, document, stands_on) values ($1, $2, $3::jsonb, $4::jsonb) returning number, published_at`,
    [id, number, JSON.stringify(document), JSON.stringify(standsOn)],
  );
  if (!row) throw new Error('The edition did not come back');
  return row;
}
