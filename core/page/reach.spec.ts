import { viewOf } from '../tests/themes';
import { compilePage, writeCss } from '../compile';
import { Cascade, nodesOf, readOwn, treeOf } from '../house';
import { dice, randomTable, randomTheme, starterNames } from '../tests/random';

import { dressed, emptyPage, pageDress, reached, siteDress, type Dress, type Page, type TableBlock } from '.';

const dress = (id: string, held?: number): Dress => ({ kind: 'themes', id, ...(held === undefined ? {} : { held }) });
const block = (id: string, theme: string, reach?: 'page' | 'site', held?: number): TableBlock => ({
  id,
  kind: 'table',
  shows: { kind: 'tables', id: `table of ${id}` },
  dress: theme === '' ? null : dress(theme, held),
  width: 'fill',
  align: 'start',
  room: '0',
  ...(reach ? { reach } : {}),
  visitor: null,
});
const page = (name: string, ...blocks: Page['blocks']): Page => ({ ...emptyPage(name, name), blocks });
const themesOf = ({ blocks }: Page): readonly string[] => blocks.flatMap((each) => (each.kind === 'table' ? [each.dress?.id ?? ''] : []));

describe('The reach of a theme', () => {
  it('is its own table alone where nothing else is said', () => {
    const one = page('one', block('a', 'x'), block('b', ''), block('c', 'y'));
    expect(themesOf(dressed(one, undefined))).toEqual(['x', '', 'y']);
    expect(reached(one.blocks[0] as TableBlock, one, [one])).toEqual({ follow: [], keep: [] });
  });
  it('is the page: what has no theme of its own, held at the same edition', () => {
    const one = page('one', block('a', 'x', 'page', 3), block('b', ''), block('c', 'y'));
    expect(dressed(one, dress('z')).blocks[1]).toEqual(block('b', 'x', undefined, 3));
    expect(themesOf(dressed(one, undefined))).toEqual(['x', 'x', 'y']);
  });
  it('is the whole site, but for pages with a nearer one', () => {
    const one = page('one', block('a', 'x', 'site'), block('b', ''));
    const two = page('two', block('a', ''), block('b', 'y'));
    const three = page('three', block('c', ''), block('d', 'z', 'page'));
    const site = siteDress([one, two, three]);
    expect(site).toEqual(dress('x'));
    expect([one, two, three].map((each) => themesOf(dressed(each, site)))).toEqual([
      ['x', 'x'],
      ['x', 'y'],
      ['z', 'z'],
    ]);
    const { follow, keep } = reached(one.blocks[0] as TableBlock, one, [one, two, three]);
    expect(follow.map((spot) => `${spot.page.name} ${spot.block.id}`)).toEqual(['one b', 'two a']);
    expect(keep.map((spot) => `${spot.page.name} ${spot.block.id}`)).toEqual(['two b', 'three c', 'three d']);
  });
  it('is that of the first where two say so, and the second reaches nothing', () => {
    const one = page('one', block('a', 'x', 'page'), block('b', 'y', 'page'), block('c', ''));
    expect(pageDress(one)).toEqual(dress('x'));
    expect(reached(one.blocks[1] as TableBlock, one, [one]).follow).toEqual([]);
  });

  it('is never gone beyond: in 25 random pages no rule touches a table that another theme dresses, or none', () => {
    for (let seed = 0; seed < 25; seed++) {
      const d = dice(7000 + seed);
      const names = ['x', 'y'];
      const blocks = Array.from({ length: d.whole(2, 4) }, (_, i) =>
        block(`b${i}`, d.pick([...names, '', '']), d.chance(0.6) ? d.pick(['page', 'site'] as const) : undefined, d.chance(0.3) ? 2 : undefined),
      );
      const themes = new Map(
        names.flatMap((name) =>
          [name, `${name}@2`].map((ref) => [ref, { key: ref.replace('@', '-e'), view: viewOf(randomTheme(d, starterNames)) }] as const),
        ),
      );
      const site = d.chance(0.5) ? dress('y') : undefined;
      const given = page('p', ...blocks);
      const compiled = compilePage(
        { page: given, site, themes, tables: new Map(blocks.map(({ shows }) => [shows.id, randomTable(d)])) },
        { stylesheet: '', siteName: 'S' },
      );
      const cascade = new Cascade({ house: [], ours: readOwn(writeCss(compiled.css, 'compact')) });
      const wanted = dressed(given, site).blocks.map((each) =>
        each.kind === 'table' && each.dress ? `zp-${each.dress.id}${each.dress.held === undefined ? '' : '-e2'}` : undefined,
      );
      for (const box of [...nodesOf(treeOf(compiled.html))].filter(({ id }) => /^box-\d+$/.test(id))) {
        const own = wanted[Number(box.id.slice(4)) - 1];
        for (const node of nodesOf(box))
          for (const { rule } of cascade.reaching(node)) {
            const named = /\.(zp-[xy](?:-e2)?)(?![\w-])/.exec(rule.text)?.[1];
            if (named !== undefined)
              expect(named)
                .withContext(`${seed}: ${rule.text}`)
                .toBe(own ?? 'none');
          }
      }
    }
  });
});
