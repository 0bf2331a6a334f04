import { compilePage, writeCss, writeHtml } from '../../compile';
import { cellOf, type Cell } from '../../table';
import { dice } from '../../tests/random';
import {
  canStand,
  copyOf,
  emptyBlock,
  emptyPage,
  everyBlock,
  moveBlock,
  nudgeBlock,
  placeOfBlock,
  putIn,
  readPage,
  takeOut,
  type Block,
  type Page,
} from '..';

const text = (id: string, said: Cell = id): Block => ({ id, kind: 'text', text: said });
const columns = (id: string, ...lists: readonly (readonly Block[])[]): Block => ({
  id,
  kind: 'columns',
  columns: lists.map((blocks) => ({ share: 1, blocks })),
});
const section = (id: string, ...blocks: readonly Block[]): Block => ({ id, kind: 'section', fill: '#eee', ink: '', blocks });
const blocks: readonly Block[] = [text('a'), section('s', text('b'), columns('c', [text('d')], [])), text('e')];
const outline = (list: readonly Block[]): string =>
  list
    .map((block) =>
      block.kind === 'columns'
        ? `${block.id}[${block.columns.map((column) => outline(column.blocks)).join('|')}]`
        : block.kind === 'section'
          ? `${block.id}(${outline(block.blocks)})`
          : block.id,
    )
    .join(' ');

describe('Blocks in blocks', () => {
  it('are read in their order', () => {
    expect(everyBlock(blocks).map(({ id }) => id)).toEqual(['a', 's', 'b', 'c', 'd', 'e']);
    expect(placeOfBlock(blocks, 'd')).toEqual({ block: 'c', list: 0, at: 0 });
  });
  it('are put in, taken out and moved, and stand only where they can', () => {
    expect(outline(takeOut(blocks, 'c'))).toBe('a s(b) e');
    expect(outline(putIn(blocks, text('n'), { block: 'c', list: 1, at: 0 }))).toBe('a s(b c[d|n]) e');
    expect(outline(moveBlock(blocks, 'a', { block: 'c', list: 0, at: 1 }))).toBe('s(b c[d a|]) e');
    expect(outline(moveBlock(blocks, 's', { block: 'c', list: 0, at: 0 }))).toBe(outline(blocks));
    expect(canStand(blocks, columns('x', []), { block: 'c', list: 0 })).toBe(false);
    expect(canStand(blocks, section('x'), { block: 's', list: 0 })).toBe(false);
    expect(canStand(blocks, columns('x', []), { block: 's', list: 0 })).toBe(true);
  });
  it('go out of a list at its end and into the next, step by step, and the same way back', () => {
    const steps: string[] = [];
    let now = blocks;
    for (let i = 0; i < 4; i++) {
      now = nudgeBlock(now, 'd', 1);
      steps.push(outline(now));
    }
    expect(steps).toEqual(['a s(b c[|d]) e', 'a s(b c[|] d) e', 'a s(b c[|]) d e', 'a s(b c[|]) e d']);
    expect(outline(nudgeBlock(blocks, 'd', -1))).toBe('a s(b d c[|]) e');
    expect(outline(nudgeBlock(blocks, 'a', -1))).toBe(outline(blocks));
  });
  it('are copied with ids of their own, whatever stands in them', () => {
    let n = 0;
    expect(outline([copyOf(blocks[1] as Block, () => `n${n++}`)])).toMatch(/^n\d\(n\d n\d\[n\d\|\]\)$/);
  });
  it('are never lost and never doubled in 2,000 random moves', () => {
    const d = dice(11);
    let now = blocks;
    const ids = everyBlock(blocks).map(({ id }) => id);
    for (let i = 0; i < 2000; i++) {
      const id = d.pick(ids);
      const to = d.pick([
        { block: '', list: 0 },
        { block: 's', list: 0 },
        { block: 'c', list: 0 },
        { block: 'c', list: 1 },
      ]);
      now = d.chance(0.5) ? nudgeBlock(now, id, d.chance(0.5) ? 1 : -1) : moveBlock(now, id, { ...to, at: d.whole(0, 3) });
      expect(
        everyBlock(now)
          .map((block) => block.id)
          .sort(),
      ).toEqual([...ids].sort());
      const page = { ...emptyPage('P', 'p'), blocks: now };
      if (i % 50 === 0) expect(readPage(page).ok).toBe(true);
    }
  });
});

describe('A page with every kind of block', () => {
  const page: Page = {
    ...emptyPage('Press', 'press'),
    title: 'The press on the quay',
    description: 'Set by hand.',
    wide: true,
    inMenu: true,
    blocks: [
      text('t', cellOf('One bold.\n\nTwo.', [{ from: 4, to: 8, kind: 'bold' }])),
      {
        id: 'p',
        kind: 'picture',
        src: '/pictures/a1.png',
        alt: 'A press',
        caption: 'Oiled',
        natural: { width: 640, height: 480 },
        width: '20rem',
        align: 'center',
      },
      { id: 'r', kind: 'spacer', height: '3rem' },
      section('s', columns('c', [text('l')], [text('r2')])),
    ],
  };
  const says = (json: unknown): string => {
    const read = readPage(json);
    return read.ok ? 'good' : read.problems.map(({ at, say }) => `${at} ${say}`).join(' | ');
  };
  it('is read', () => expect(says(page)).toBe('good'));
  for (const [what, block, expected] of [
    ['columns in columns', columns('x', [columns('y', [])]), /of the kind columns cannot stand in another of columns/],
    ['a section in a section', section('x', section('y')), /of the kind section cannot stand in another of sections/],
    ['two blocks of one id in different lists', columns('x', [text('same')], [text('same')]), /same id/],
    ['a picture from elsewhere', { ...emptyBlock('picture', 'x'), src: 'https://else.example/a.png' }, /on this server/],
    ['a picture of no size', { ...emptyBlock('picture', 'x'), natural: { width: 0, height: 4 } }, /natural sides/],
    ['a picture that would run', { ...emptyBlock('picture', 'x'), src: 'javascript:alert(1)//.png' }, /on this server/],
    ['a fill that is none', { ...emptyBlock('section', 'x'), fill: 'red;position:fixed' }, /is no colour. Write one such as/],
    ['room without end', { ...emptyBlock('spacer', 'x'), height: '99999px' }, /is no height/],
    ['a share that is none', { id: 'x', kind: 'columns', columns: [{ share: 0, blocks: [] }] }, /from 1 to 12/],
    [
      'a link that runs',
      text('x', { text: 'go', marks: [{ from: 0, to: 2, kind: 'link', href: 'javascript:alert(1)' }] }),
      /links with an address that runs nothing/,
    ],
  ] as const)
    it(`says what is wrong with ${what}`, () => expect(says({ ...page, blocks: [block] })).toMatch(expected));
  it('that nests without end is refused and breaks nothing', () => {
    let deep: unknown = { id: 'x', kind: 'text', text: '' };
    for (let i = 0; i < 20_000; i++) deep = { id: `s${i}`, kind: 'section', fill: '', ink: '', blocks: [deep] };
    expect(says({ ...page, blocks: [deep] })).toMatch(/cannot stand in another of sections/);
  });
  it('is compiled to what each block is, with its rules in the stylesheet alone', () => {
    const { html, css } = compilePage(
      { page, tables: new Map(), themes: new Map(), menu: [{ name: 'Press', href: '/site/press', isHere: true }] },
      { stylesheet: '', siteName: 'S' },
    );
    const written = writeHtml(html, 'compact');
    expect(written).toContain('<title>The press on the quay</title><meta name="description" content="Set by hand.">');
    expect(written).toContain('<nav aria-label="Site"><ul><li><a href="/site/press" aria-current="page">Press</a></li></ul></nav>');
    expect(written).toContain('<p>One <strong>bold</strong>.</p><p>Two.</p>');
    expect(written).toContain(
      '<figure id="part-2"><img src="/pictures/a1.png" alt="A press" width="640" height="480" loading="lazy"><figcaption>Oiled</figcaption></figure>',
    );
    expect(written).toContain('<section id="part-4"><div id="part-5" class="zp-columns"><div><p>l</p></div><div><p>r2</p></div></div></section>');
    expect(written).not.toContain('style=');
    const rules = writeCss(css, 'compact');
    for (const rule of [
      '#part-3{height:3rem}',
      '#part-4{padding:1rem 1.25rem;margin:1rem 0;background-color:#eeeeee}',
      '#part-5>:nth-child(2){flex:1 1 14rem',
      'body.zp-wide',
    ])
      expect(rules).toContain(rule);
  });
});
