import { cellOf, readTable, stretchesOf, tableOf, type Cell, type Mark, type Table } from '../table';
import { emptyPage, type Block } from '../page';
import { themeWith, viewOf } from '../tests/themes';
import { besideOf, cellNodes, compilePage, sheetOf, writeCss, writeHtml } from './index';

const cell = (text: string, ...marks: readonly Mark[]): Cell => cellOf(text, marks);
const ink = (href: string, from = 0, to = 4): Mark => ({ from, to, kind: 'ink', href });
const under = (href: string | undefined, from = 0, to = 4): Mark => ({ from, to, kind: 'highlight', ...(href === undefined ? {} : { href }) });
const html = (each: Cell): string =>
  cellNodes(each)
    .map((node) => writeHtml(node, 'compact'))
    .join('');
const css = (...cells: readonly Cell[]): string => {
  const table: Table = tableOf('x', [['A']], { rows: [['A'], ...cells.map((each) => [each])] });
  return writeCss(sheetOf(viewOf(themeWith({})), { use: 'page', key: 'x', beside: besideOf([table]) }), 'compact');
};

describe('Words with a look of their own', () => {
  it('have a class for their colour, the same for the same one, inside what they are', () => {
    const late = html(cell('Late again', ink('lamp'), { from: 0, to: 4, kind: 'bold' }));
    expect(late).toMatch(/^<strong><span class="zp-t-\w+">Late<\/span><\/strong> again$/);
    expect(html(cell('Soon', ink('lamp')))).toContain(/zp-t-\w+/.exec(late)?.[0] ?? 'none');
    expect(html(cell('Soon', ink('#b3261e')))).not.toContain(/zp-t-\w+/.exec(late)?.[0] ?? 'none');
    expect(html(cell('Soon', under('#ff0')))).toMatch(/^<mark class="zp-t-\w+">Soon<\/mark>$/);
    expect(html(cell('Soon', under(undefined)))).toBe('<mark>Soon</mark>');
  });
  it('have a rule each in the sheets of their tables, in colours of the theme, and none where it has no such colour', () => {
    const sheet = css(cell('Late', ink('lamp')), cell('Late', ink('lamp')), cell('Soon', under('#ff0')), cell('Gone', ink('nowhere')));
    expect(sheet.match(/\.zp-x :where\(\.zp-t-\w+\)\{color:var\(--zp-lamp\)\}/g)?.length).toBe(1);
    expect(sheet).toContain('--zp-lamp:#e2590a');
    expect(sheet).toMatch(/\.zp-x :where\(\.zp-t-\w+\)\{background-color:#ff0;color:inherit\}|background-color:#ffff00;color:inherit/);
    expect(sheet.match(/zp-t-/g)?.length).toBe(2);
    expect(css('plain')).not.toContain('zp-t-');
  });
  it('let a picture in a line be as high as it is said', () => {
    const picture = cell('Boat', { from: 0, to: 4, kind: 'picture', href: '/media/a.png', height: 48 });
    expect(html(picture)).toMatch(/^<img class="zp-picture zp-t-\w+" src="\/media\/a.png" alt="Boat" loading="lazy">$/);
    expect(css(picture)).toMatch(/\.zp-x :where\(\.zp-t-\w+\)\{height:48px;max-height:none;width:auto\}/);
  });
  it('stand in texts of pages in colours that need no theme', () => {
    const block = { id: 'a', kind: 'text', text: cell('Late again', ink('#b3261e'), ink('lamp', 5, 10)) } as Block;
    const page = compilePage(
      { page: { ...emptyPage('P', 'p'), blocks: [block] }, tables: new Map(), themes: new Map() },
      { stylesheet: '', siteName: 'S' },
    );
    const sheet = writeCss(page.css, 'compact');
    expect(sheet).toMatch(/p :where\(\.zp-t-\w+\)\{color:#b3261e\}/);
    expect(sheet.match(/zp-t-/g)?.length).toBe(1);
  });
  it('stand in texts of pages in swatches of themes on the page, and go with dark', () => {
    const theme = themeWith({}, { modes: [{ name: 'dark', swatches: [{ name: 'lamp', colour: '#ffb38a' }], values: {} }] });
    const block = { id: 'a', kind: 'text', text: cell('Late again', ink('lamp of brand')) } as Block;
    const table = { id: 'b', kind: 'table', shows: { kind: 'tables', id: 't' }, dress: { kind: 'themes', id: 'brand' } };
    const placed = { ...table, width: 'fill', align: 'start', room: '0', visitor: null } as unknown as Block;
    const sheetOfPage = (scheme?: 'follows'): string => {
      const page = { ...emptyPage('P', 'p'), blocks: [block, placed], ...(scheme ? { scheme } : {}) };
      const themes = new Map([['brand', { key: 'brand', view: viewOf(theme) }]]);
      const tables = new Map([['t', tableOf('T', [['A']])]]);
      return writeCss(compilePage({ page, tables, themes }, { stylesheet: '', siteName: 'S' }).css, 'compact');
    };
    expect(sheetOfPage()).toMatch(/p :where\(\.zp-t-\w+\)\{color:#e2590a\}/);
    const dark = sheetOfPage('follows');
    expect(dark).toMatch(/@media [^{]*prefers-color-scheme:dark\)[^{]*\{p :where\(\.zp-t-\w+\)\{color:#ffb38a\}/);
  });
  it('are kept, parted and read; what is no colour and no height is refused', () => {
    const kept = (mark: object): boolean =>
      readTable(tableOf('x', [['A']], { rows: [[{ text: 'Late', marks: [{ from: 0, to: 4, ...mark }] } as unknown as Cell]] })).ok;
    for (const good of [
      { kind: 'ink', href: 'lamp' },
      { kind: 'ink', href: '#B3261E80' },
      { kind: 'highlight', href: '#fd0' },
      { kind: 'highlight' },
    ])
      expect(kept(good)).withContext(JSON.stringify(good)).toBeTrue();
    expect(kept({ kind: 'picture', href: '/media/a.png', height: 40 })).toBeTrue();
    for (const bad of [
      { kind: 'ink' },
      { kind: 'ink', href: 'red}body{display:none' },
      { kind: 'ink', href: 'url(x)' },
      { kind: 'highlight', href: '#12' },
      { kind: 'picture', href: '/media/a.png', height: 4 },
      { kind: 'bold', height: 40 },
      { kind: 'bold', href: '#fff' },
    ])
      expect(kept(bad)).withContext(JSON.stringify(bad)).toBeFalse();
    expect(stretchesOf(cell('Late again', ink('lamp'), ink('deep', 5, 10))).map(({ text }) => text)).toEqual(['Late', ' ', 'again']);
  });
});
