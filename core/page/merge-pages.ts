import { mergeOrder, threeWayMerge, takeTheirs, type Conflict, type Merged } from '../edit';
import { canStand, everyBlock, within, withWithin } from './blocks/blocks';
import type { Block } from './blocks/kinds';
import type { Page } from './page';

/** A list in which blocks stand: the page's own, or one within a block. */
type ListKey = string;
const PAGE: ListKey = '';
const listKey = (block: string, at: number): ListKey => `${block} ${at}`;
const ownerOf = (key: ListKey): string => key.split(' ')[0] ?? '';

/** A page whose blocks are told by their ids: what each says, and in which lists they stand in which order. */
interface Flat {
  readonly page: Omit<Page, 'blocks'>;
  readonly blocks: Readonly<Record<string, Block>>;
  readonly lists: ReadonlyMap<ListKey, readonly string[]>;
  /** In which list each stands. */
  readonly home: ReadonlyMap<string, ListKey>;
}

function flat({ blocks, ...page }: Page): Flat {
  const lists = new Map<ListKey, readonly string[]>();
  const home = new Map<string, ListKey>();
  const walk = (key: ListKey, list: readonly Block[]): void => {
    lists.set(
      key,
      list.map(({ id }) => id),
    );
    for (const block of list) {
      home.set(block.id, key);
      within(block).forEach((inner, at) => walk(listKey(block.id, at), inner));
    }
  };
  walk(PAGE, blocks);
  const bare = (block: Block): Block =>
    withWithin(
      block,
      within(block).map(() => []),
    );
  return { page, lists, home, blocks: Object.fromEntries(everyBlock(blocks).map((block) => [block.id, bare(block)])) };
}

/**
 * What two windows did to one page since they last agreed. Blocks are told by their ids, wherever they stand: what one window says
 * in a block and where the other moves it are both kept. A block that both moved elsewhere stands where this window has it.
 */
export function mergePages(base: Page, mine: Page, theirs: Page): Merged<Page> {
  const [was, own, other] = [flat(base), flat(mine), flat(theirs)];
  const { value, conflicts } = threeWayMerge(
    { page: was.page, blocks: was.blocks },
    { page: own.page, blocks: own.blocks },
    { page: other.page, blocks: other.blocks },
  );
  const has = (id: string): boolean => value.blocks[id] !== undefined;
  const home = homes(was, own, other, has, value.blocks);
  const lists = new Map<ListKey, readonly string[]>();
  for (const key of new Set([PAGE, ...home.values()])) {
    const listed = ({ lists: all }: Flat): readonly string[] => all.get(key) ?? [];
    const order = mergeOrder(listed(was), listed(own), listed(other), has);
    const here = [...home].filter(([, at]) => at === key).map(([id]) => id);
    lists.set(key, [...order.filter((id) => home.get(id) === key), ...here.filter((id) => !order.includes(id))]);
  }
  const build = (key: ListKey): readonly Block[] =>
    (lists.get(key) ?? []).flatMap((id) => {
      const block = value.blocks[id];
      return block
        ? [
            withWithin(
              block,
              within(block).map((_, at) => build(listKey(id, at))),
            ),
          ]
        : [];
    });
  return {
    value: { ...value.page, blocks: build(PAGE) },
    conflicts: conflicts.map((conflict) => ({ ...conflict, path: conflict.path[0] === 'page' ? conflict.path.slice(1) : conflict.path })),
  };
}

/** The list in which each block stands once both have moved what they moved. */
function homes(was: Flat, own: Flat, other: Flat, has: (id: string) => boolean, blocks: Flat['blocks']): ReadonlyMap<string, ListKey> {
  const home = new Map<string, ListKey>();
  /** Whether a list is there to stand in: its block is left, and has so many lists. */
  const isThere = (key: ListKey): boolean => {
    if (key === PAGE) return true;
    const block = blocks[ownerOf(key)];
    return block !== undefined && within(block).length > Number(key.split(' ')[1]);
  };
  for (const id of Object.keys(blocks).filter(has)) {
    const [before, mine, theirs] = [was.home.get(id), own.home.get(id), other.home.get(id)];
    const wanted = mine !== undefined && mine !== before ? mine : (theirs ?? mine ?? PAGE);
    home.set(id, isThere(wanted) ? wanted : PAGE);
  }
  // Two moves that are good alone may not be so together: one into the other, or deeper than a page may be.
  for (const id of home.keys()) {
    const seen = new Set([id]);
    for (let at = ownerOf(home.get(id) ?? PAGE); at !== ''; at = ownerOf(home.get(at) ?? PAGE)) {
      if (seen.has(at) || !mayStand(blocks, id, at)) {
        home.set(id, PAGE);
        break;
      }
      seen.add(at);
    }
  }
  return home;
}

function mayStand(blocks: Flat['blocks'], id: string, into: string): boolean {
  const [block, target] = [blocks[id], blocks[into]];
  return block !== undefined && target !== undefined && canStand([target], block, { block: into, list: 0 });
}

/** The page with the other side's value at the place of a conflict, wherever its block stands. */
export function takeTheirPage(page: Page, conflict: Conflict): Page {
  const [first, id] = conflict.path;
  if (first !== 'blocks' || id === undefined) return takeTheirs(page, conflict);
  const { page: fields, blocks, lists } = flat(page);
  const changed = takeTheirs({ blocks }, conflict).blocks;
  const build = (key: ListKey): readonly Block[] =>
    (lists.get(key) ?? []).flatMap((each) => {
      const block = changed[each];
      return block
        ? [
            withWithin(
              block,
              within(block).map((_, at) => build(listKey(each, at))),
            ),
          ]
        : [];
    });
  return { ...fields, blocks: build(PAGE) };
}
