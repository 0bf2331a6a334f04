import { mapBlocks, tablesOn } from './blocks/blocks';
import type { Ref, TableBlock } from './blocks/kinds';
import type { Page } from './page';

/** What a placement is dressed in: a theme, held at an edition or not. */
export type Dress = Ref<'themes'>;

/** A placement of no theme of its own takes the one that reaches it. */
export const follows = ({ dress }: TableBlock): boolean => dress === null;

/** The theme that reaches a whole page from one of its placements: the first that says so. */
export function pageDress(page: Pick<Page, 'blocks'>): Dress | undefined {
  const found = tablesOn(page).find((block) => block.reach === 'page' && !follows(block));
  return found?.dress ?? undefined;
}

/** The theme that reaches the whole site: from the first of these pages that has a placement which says so. */
export function siteDress(pages: readonly Pick<Page, 'blocks'>[]): Dress | undefined {
  const found = pages.flatMap(tablesOn).find((block) => block.reach === 'site' && !follows(block));
  return found?.dress ?? undefined;
}

/**
 * A page whose placements all name the theme that dresses them: their own, else the one that reaches the page, else the one
 * that reaches the site; a nearer one is stronger. What nothing reaches stays bare.
 */
export function dressed<P extends Pick<Page, 'blocks'>>(page: P, site: Dress | undefined): P {
  const reaching = pageDress(page) ?? siteDress([page]) ?? site;
  if (!tablesOn(page).some(follows)) return page;
  return {
    ...page,
    blocks: mapBlocks(page.blocks, (block) => (block.kind === 'table' && follows(block) && reaching ? { ...block, dress: reaching } : block)),
  };
}

/** A placement on one of some pages. */
export interface Spot<P> {
  readonly page: P;
  readonly block: TableBlock;
}

/** What a placement's theme reaches beyond itself, and what within its reach keeps a theme of its own, or another that is nearer. */
export function reached<P extends Pick<Page, 'blocks'>>(
  from: TableBlock,
  on: P,
  pages: readonly P[],
): { readonly follow: readonly Spot<P>[]; readonly keep: readonly Spot<P>[] } {
  const within = from.reach === 'site' ? [on, ...pages.filter((page) => page !== on)] : from.reach === 'page' ? [on] : [];
  const spots = within
    .flatMap((page) => tablesOn(page).map((block) => ({ page, block })))
    .filter(({ block }) => block.id !== from.id || !tablesOn(on).includes(block));
  const isTaken = ({ page, block }: Spot<P>): boolean => {
    if (!follows(block)) return false;
    const nearer = pageDress(page);
    if (from.reach === 'page') return tablesOn(on).find((each) => each.reach === 'page' && !follows(each)) === from;
    return nearer === undefined && [on, ...within].flatMap(tablesOn).find((each) => each.reach === 'site' && !follows(each)) === from;
  };
  return { follow: spots.filter(isTaken), keep: spots.filter((spot) => !isTaken(spot)) };
}
