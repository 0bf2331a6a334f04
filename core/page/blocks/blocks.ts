import { featuresOf, type VisitorFeature } from '../visitor';
import type { Block, TableBlock } from './kinds';

/** What stands in a block, in the order in which it is read: a list for each column, one for a section, none for others. */
export function within(block: Block): readonly (readonly Block[])[] {
  if (block.kind === 'columns') return block.columns.map(({ blocks }) => blocks);
  return block.kind === 'section' ? [block.blocks] : [];
}

/** Every block with what stands in it, in the order in which the page is read. A block's place in this list numbers it on the page. */
export const everyBlock = (blocks: readonly Block[]): readonly Block[] => blocks.flatMap((block) => [block, ...within(block).flatMap(everyBlock)]);

/** Every placement of a page. */
export const tablesOn = ({ blocks }: { readonly blocks: readonly Block[] }): readonly TableBlock[] =>
  everyBlock(blocks).filter((block) => block.kind === 'table');

/** What the visitors of a page have on at least one of its tables; undefined where they can do nothing with any. */
export function featuresOn(page: { readonly blocks: readonly Block[] }): readonly VisitorFeature[] | undefined {
  const visitors = tablesOn(page).flatMap(({ visitor }) => visitor ?? []);
  return visitors.length === 0 ? undefined : featuresOf(visitors);
}

/** A block with other lists in it, in the place of those that it has. */
export function withWithin(block: Block, lists: readonly (readonly Block[])[]): Block {
  if (block.kind === 'columns') return { ...block, columns: block.columns.map((column, i) => ({ ...column, blocks: lists[i] ?? column.blocks })) };
  return block.kind === 'section' ? { ...block, blocks: lists[0] ?? block.blocks } : block;
}

/** Blocks with each changed, wherever it stands. */
export const mapBlocks = (blocks: readonly Block[], change: (block: Block) => Block): readonly Block[] =>
  blocks.map((block) =>
    change(
      withWithin(
        block,
        within(block).map((list) => mapBlocks(list, change)),
      ),
    ),
  );

/** A list of blocks: the page's own, or one within a block. */
export interface ListPlace {
  /** Id of the block that it stands in; empty for the page itself. */
  readonly block: string;
  /** Which of its lists, from 0. */
  readonly list: number;
}

/** The list in which a block stands and its place in it, or undefined where it is not there. */
export function placeOfBlock(
  blocks: readonly Block[],
  id: string,
  here: ListPlace = { block: '', list: 0 },
): (ListPlace & { readonly at: number }) | undefined {
  const at = blocks.findIndex((block) => block.id === id);
  if (at >= 0) return { ...here, at };
  for (const block of blocks)
    for (const [list, inner] of within(block).entries()) {
      const found = placeOfBlock(inner, id, { block: block.id, list });
      if (found) return found;
    }
  return undefined;
}

/** Blocks with one of their lists changed. */
function changeList(blocks: readonly Block[], place: ListPlace, change: (list: readonly Block[]) => readonly Block[]): readonly Block[] {
  if (place.block === '') return change(blocks);
  return mapBlocks(blocks, (block) =>
    block.id === place.block
      ? withWithin(
          block,
          within(block).map((list, i) => (i === place.list ? change(list) : list)),
        )
      : block,
  );
}

export const takeOut = (blocks: readonly Block[], id: string): readonly Block[] => {
  const place = placeOfBlock(blocks, id);
  return place ? changeList(blocks, place, (list) => list.toSpliced(place.at, 1)) : blocks;
};
export const putIn = (blocks: readonly Block[], block: Block, place: ListPlace & { readonly at: number }): readonly Block[] =>
  changeList(blocks, place, (list) => list.toSpliced(place.at, 0, block));

/** Whether a block can stand in a list: not in itself, and columns not in columns, which would be too narrow to read. */
export function canStand(blocks: readonly Block[], block: Block, { block: into }: ListPlace): boolean {
  if (into === '') return true;
  if (everyBlock([block]).some(({ id }) => id === into)) return false;
  const target = everyBlock(blocks).find(({ id }) => id === into);
  if (!target) return false;
  if (target.kind === 'columns' && (block.kind === 'columns' || block.kind === 'section')) return false;
  return target.kind !== 'section' || block.kind !== 'section';
}

/** Moves a block into a list, to a place counted without it. Where it cannot stand, nothing happens. */
export function moveBlock(blocks: readonly Block[], id: string, to: ListPlace & { readonly at: number }): readonly Block[] {
  const block = everyBlock(blocks).find((each) => each.id === id);
  if (!block || !canStand(blocks, block, to)) return blocks;
  return putIn(takeOut(blocks, id), block, to);
}

/**
 * Moves a block by one place, as the arrow keys do: past its neighbour, or out of the list that it stands in at its end, into
 * the next list of the same block or out of that block.
 */
export function nudgeBlock(blocks: readonly Block[], id: string, by: -1 | 1): readonly Block[] {
  const place = placeOfBlock(blocks, id);
  if (!place) return blocks;
  const parent = everyBlock(blocks).find((block) => block.id === place.block);
  const lists = parent ? within(parent) : [blocks];
  const size = lists[place.list]?.length ?? 0;
  const at = place.at + by;
  if (at >= 0 && at < size) return moveBlock(blocks, id, { ...place, at });
  const next = lists[place.list + by];
  if (next) return moveBlock(blocks, id, { block: place.block, list: place.list + by, at: by > 0 ? 0 : next.length });
  const outer = parent && placeOfBlock(blocks, parent.id);
  return outer ? moveBlock(blocks, id, { ...outer, at: outer.at + (by > 0 ? 1 : 0) }) : blocks;
}

/** A copy of a block under ids of its own. */
export const copyOf = (block: Block, newId: () => string): Block => mapBlocks([block], (each) => ({ ...each, id: newId() }))[0] ?? block;
