import { dice } from '../tests/random';
import { emptyPage, everyBlock, mapBlocks, mergePages, moveBlock, readPage, takeTheirPage, takeOut, type Block, type Page } from './index';

const heading = (id: string, text = id): Block => ({ id, kind: 'heading', level: 2, text });
const section = (id: string, ...blocks: readonly Block[]): Block => ({ id, kind: 'section', fill: '', ink: '', blocks });
const columns = (id: string, ...lists: readonly (readonly Block[])[]): Block => ({
  id,
  kind: 'columns',
  columns: lists.map((blocks) => ({ share: 1, blocks })),
});
const page = (...blocks: readonly Block[]): Page => ({ ...emptyPage('P', 'p'), blocks });
const say = (blocks: readonly Block[], id: string, text: string): readonly Block[] =>
  mapBlocks(blocks, (block) => (block.id === id && block.kind === 'heading' ? { ...block, text } : block));
const shape = (blocks: readonly Block[]): string =>
  blocks
    .map((block) => {
      if (block.kind === 'section') return `${block.id}(${shape(block.blocks)})`;
      if (block.kind === 'columns') return `${block.id}[${block.columns.map((column) => shape(column.blocks)).join('|')}]`;
      return block.kind === 'heading' && block.text !== block.id ? `${block.id}=${block.text}` : block.id;
    })
    .join(' ');

describe('A page that two windows changed', () => {
  const base = page(heading('a'), heading('b'), section('s', heading('c')), heading('d'), columns('k', [heading('e')], []));
  const moved = (id: string, block: string, list: number, at: number): Page => ({ ...base, blocks: moveBlock(base.blocks, id, { block, list, at }) });

  it('has the move of one and the words of the other', () => {
    const mine = { ...base, blocks: say(base.blocks, 'd', 'Mine') };
    const { value, conflicts } = mergePages(base, mine, moved('d', '', 0, 0));
    expect([shape(value.blocks), conflicts]).toEqual(['d=Mine a b s(c) k[e|]', []]);
  });
  it('has a block once that both moved into other blocks, where this window has it', () => {
    const { value, conflicts } = mergePages(base, moved('a', 's', 0, 0), moved('a', 'k', 1, 0));
    expect([shape(value.blocks), conflicts]).toEqual(['b s(a c) d k[e|]', []]);
  });
  it('has a block once that both moved into the same one', () => {
    expect(shape(mergePages(base, moved('a', 's', 0, 1), moved('a', 's', 0, 0)).value.blocks)).toBe('b s(c a) d k[e|]');
  });
  it('keeps what was moved into a block that the other took away', () => {
    const theirs = { ...base, blocks: takeOut(base.blocks, 's') };
    const { value } = mergePages(base, moved('a', 's', 0, 0), theirs);
    expect(everyBlock(value.blocks).map(({ id }) => id)).toContain('a');
    expect(readPage(value).ok).toBeTrue();
  });
  it('asks only about a block in which both say something else, and takes either answer', () => {
    const [mine, theirs] = [
      { ...base, blocks: say(base.blocks, 'c', 'Mine') },
      { ...base, blocks: say(moved('c', '', 0, 0).blocks, 'c', 'Theirs') },
    ];
    const { value, conflicts } = mergePages(base, mine, theirs);
    expect(conflicts.map(({ path }) => path)).toEqual([['blocks', 'c', 'text']]);
    expect(shape(value.blocks)).toBe('c=Mine a b s() d k[e|]');
    expect(shape(conflicts.reduce(takeTheirPage, value).blocks)).toBe('c=Theirs a b s() d k[e|]');
  });
  it('is one that can be kept, with each block once, whatever both did', () => {
    for (let seed = 0; seed < 300; seed++) {
      const d = dice(seed);
      const side = (): Page => {
        let { blocks } = base;
        for (let i = d.whole(0, 5); i > 0; i--) {
          const all = everyBlock(blocks);
          const id = d.pick(all).id;
          const into = d.pick(['', 's', 'k']);
          if (d.chance(0.2) && all.length > 2) blocks = takeOut(blocks, id);
          else if (d.chance(0.3)) blocks = say(blocks, id, `said ${seed} ${i}`);
          else if (into === '' || all.some((block) => block.id === into))
            blocks = moveBlock(blocks, id, { block: into, list: into === 'k' ? d.whole(0, 1) : 0, at: 0 });
        }
        return { ...base, blocks };
      };
      const [mine, theirs] = [side(), side()];
      const { value, conflicts } = mergePages(base, mine, theirs);
      for (const merged of [value, conflicts.reduce(takeTheirPage, value)]) {
        const ids = everyBlock(merged.blocks).map(({ id }) => id);
        expect(new Set(ids).size).withContext(`seed ${seed}`).toBe(ids.length);
        const read = readPage(merged);
        expect(read.ok ? '' : read.problems[0]?.say)
          .withContext(`seed ${seed}`)
          .toBe('');
      }
      expect(mergePages(base, mine, base).value)
        .withContext(`seed ${seed}`)
        .toEqual(mine);
      expect(mergePages(base, base, theirs).value)
        .withContext(`seed ${seed}`)
        .toEqual(theirs);
    }
  });
});
