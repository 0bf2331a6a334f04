import { CHAIN_MOST, basesOver, chainOf, isThemeBase, loopThrough, standsOn, starterBases, type Theme } from '../../core/theme';
import type { Queries } from '../database/database';
import { Refusal } from '../problems';
import type { Chain } from './editions';

interface Lying {
  readonly id: string;
  readonly document: Theme;
  readonly is_deleted: boolean;
}

/** The themes that one stands on, as they are in the tool; those that lie deleted among them. */
async function below(queries: Queries, theme: Theme): Promise<ReadonlyMap<string, Lying>> {
  const found = new Map<string, Lying>();
  for (let { base } = theme; isThemeBase(base) && !found.has(base.theme);) {
    const [row] = await queries.query<Lying>('select id, document, deleted_at is not null as is_deleted from themes where id = $1', [base.theme]);
    if (!row) break;
    found.set(row.id, row);
    ({ base } = row.document);
  }
  return found;
}

/** A theme with what it grows from, as all of it is in the tool. */
export async function draftChain(queries: Queries, theme: Theme): Promise<Chain> {
  const found = await below(queries, theme);
  return chainOf(
    theme,
    basesOver(starterBases, (id) => found.get(id)?.document),
  );
}

/**
 * Refuses a theme that grows from one that is not there, from itself by way of others, or from too many one below the other. `id` is the
 * theme's own; undefined for one that is new. What it grew from before, it may go on growing from, though that was deleted.
 */
export async function checkGrowing(queries: Queries, id: string | undefined, theme: Theme): Promise<void> {
  const { base, name } = theme;
  if (!isThemeBase(base)) return;
  const found = await below(queries, theme);
  const themeOf = (each: string): Theme | undefined => (each === id ? theme : found.get(each)?.document);
  const loop = id === undefined ? undefined : loopThrough(id, base, themeOf);
  if (loop) {
    const names = loop.map((each) => `“${themeOf(each)?.name ?? each}”`).join(', from ');
    throw new Refusal('grows-from-itself', `A theme cannot grow from itself: ${names}. Let “${name}” grow from another.`);
  }
  const lies = found.get(base.theme);
  if (!lies || (lies.is_deleted && (await baseNow(queries, id)) !== base.theme))
    throw new Refusal('base-gone', `The theme that “${name}” is to grow from ${lies ? `, “${lies.document.name}”, was deleted` : 'is not here'}.`);
  if (standsOn(base, themeOf).length > CHAIN_MOST)
    throw new Refusal('invalid', `“${name}” would stand on more than ${CHAIN_MOST} themes, one below the other. Let it grow from one further down.`);
}

async function baseNow(queries: Queries, id: string | undefined): Promise<string | undefined> {
  const [row] = await queries.query<{ base: string | null }>(`select document -> 'base' ->> 'theme' as base from themes where id = $1`, [id ?? '']);
  return row?.base ?? undefined;
}

/** Names of the themes that grow from one, right above it. */
export async function grownFromIt(queries: Queries, id: string): Promise<readonly string[]> {
  const rows = await queries.query<{ name: string }>(
    `select document ->> 'name' as name from themes where document -> 'base' ->> 'theme' = $1 and deleted_at is null order by name`,
    [id],
  );
  return rows.map(({ name }) => name);
}
