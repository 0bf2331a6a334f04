import { dressed, siteDress, tablesOn, type Page } from '../page';
import type { Table } from '../table';
import type { Use } from './find';

/** Where each theme is used, by its id: on live pages as they stand now, and which kinds of tables wear it. */
export function usesOf(
  pages: readonly { readonly document: Page; readonly live?: unknown }[],
  tables: readonly { readonly document: Pick<Table, 'theme' | 'kind'> }[],
): ReadonlyMap<string, Use> {
  const found = new Map<string, { live: number; kinds: Set<Table['kind']> }>();
  const of = (id: string): { live: number; kinds: Set<Table['kind']> } => {
    const known = found.get(id) ?? { live: 0, kinds: new Set() };
    found.set(id, known);
    return known;
  };
  const live = pages.filter((page) => page.live !== undefined && page.live !== null).map(({ document }) => document);
  const site = siteDress(live);
  for (const page of live) for (const id of new Set(tablesOn(dressed(page, site)).flatMap(({ dress }) => dress?.id ?? []))) of(id).live++;
  for (const { document } of tables) if (document.theme !== '') of(document.theme).kinds.add(document.kind);
  return new Map([...found].map(([id, { live: count, kinds }]) => [id, { live: count, kinds: [...kinds] }]));
}
