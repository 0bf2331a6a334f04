import { array, number, object, string } from 'yup';
import { bad, good, type Outcome } from '../outcome';
import { checkShape } from '../problems-of';
import { mapBlocks, tablesOn } from './blocks/blocks';
import type { Ref, TableBlock } from './blocks/kinds';
import type { Page } from './page';
import { dressed, type Dress } from './reach';

/** What a page follows, each by its word. */
export const followedKinds = ['theme', 'table', 'pricing'] as const;

/** What is published anew. */
export interface Published {
  readonly kind: (typeof followedKinds)[number];
  readonly id: string;
}

/** What is published along with a page, as it was seen: at another revision it is not. */
export type Along = Published & { readonly revision?: number };

/** The placements of a page that follow a theme or a table, or any of some, so that they change when it is published. */
export function following(
  page: Pick<Page, 'blocks'>,
  { kind, id, with: others }: Published & { readonly with?: ReadonlySet<string> },
  site?: Dress,
): readonly TableBlock[] {
  const isMeant = (ref: Ref<string> | null): boolean => ref !== null && (ref.id === id || others?.has(ref.id) === true) && ref.held === undefined;
  return tablesOn(dressed(page, site)).filter(({ dress, shows }) => isMeant(kind === 'theme' ? dress : shows));
}

/** The page with those placements held at an edition. One that a theme reaches from elsewhere gets it as its own, so that it can stay. */
export function heldAt<P extends Pick<Page, 'blocks'>>(page: P, published: Published, edition: number, site?: Dress): P {
  const ids = new Set(following(page, published, site).map(({ id }) => id));
  return {
    ...page,
    blocks: mapBlocks(page.blocks, (block) => {
      if (block.kind !== 'table' || !ids.has(block.id)) return block;
      return published.kind === 'theme'
        ? { ...block, dress: { kind: 'themes', id: published.id, held: edition } }
        : { ...block, shows: { ...block.shows, held: edition } };
    }),
  };
}

const publishingSchema = object({
  hold: array().strict().of(string().strict().required().max(100)).max(10_000, 'At most 10,000 pages can be held at once.').optional(),
}).noUnknown('There is nothing else to say when something is published.');

const alongSchema = object({
  along: array()
    .strict()
    .of(
      object({
        kind: string().strict().required().oneOf(followedKinds, 'A page follows themes, tables and pricing tables.'),
        id: string().strict().required().max(100),
        revision: number().strict().integer().min(1).max(2_147_483_647).optional(),
      }).noUnknown(),
    )
    .max(1000, 'At most 1,000 things can be published with a page.')
    .optional(),
}).noUnknown('There is nothing else to say when a page is published.');

/** Reads what is said when a page is published: the themes, tables and pricing tables that are published with it. */
export function readAlong(json: unknown): Outcome<readonly Along[]> {
  const shape = checkShape(alongSchema, json ?? {});
  return shape.ok ? good((shape.value.along ?? []) as readonly Along[]) : bad(...shape.problems);
}

/** Reads what is said when a theme, a table or a pricing table is published: the ids of pages that stay as they are. Nothing at all is good too. */
export function readPublishing(json: unknown): Outcome<{ readonly hold: readonly string[] }> {
  const shape = checkShape(publishingSchema, json ?? {});
  return shape.ok ? good({ hold: shape.value.hold ?? [] }) : bad(...shape.problems);
}
