import { elsewhereAddress, emptyPage, PLAIN_VISITOR, type Page, type TableBlock } from '../../page';
import { gridTable, themeWith, viewOf } from '../../tests/themes';
import { allowance, compileElsewhere, compilePage, readElementName, snippet, walk, writeCss, writeHtml, type PageInput } from '../index';

const block = (id: string, given: Partial<TableBlock> = {}): TableBlock => ({
  id,
  kind: 'table',
  shows: { kind: 'tables', id: 't' },
  dress: { kind: 'themes', id: 'x' },
  width: 'fill',
  align: 'start',
  room: '8px 0',
  visitor: null,
  ...given,
});
const linked = gridTable(2, 2, {
  name: 'Boats',
  caption: 'Boats',
  rows: [
    [{ text: 'Moth', marks: [{ from: 0, to: 4, kind: 'link', href: 'moth.html' }] }, '1'],
    [{ text: '¤', marks: [{ from: 0, to: 1, kind: 'picture', href: '/pictures/ab12.png' }] }, '2'],
  ],
});
const input = (...blocks: Page['blocks']): PageInput => ({
  page: { ...emptyPage('Night', 'night'), blocks },
  tables: new Map([['t', linked]]),
  themes: new Map([['x', { key: 'harbour', view: viewOf(themeWith({ 'body-rows': { even: { fill: '#abcdef' } } })) }]]),
});
const options = { key: 'page/a', addressOf: (reference: string) => new URL(reference, 'http://zest.test/site/night').href };

describe('A placement elsewhere', () => {
  it('is its box alone, under ids that nothing else on a page has', () => {
    const one = compileElsewhere(input({ id: 'h', kind: 'heading', level: 2, text: 'Before' }, block('a')), 'a', options);
    const html = one ? writeHtml(one.box) : '';
    expect(one?.name).toBe('Boats');
    expect(html).toMatch(/^<div class="zp-box" id="box-\w+-1">/);
    expect(html).not.toContain('Before');
    const other = compileElsewhere(input(block('a')), 'a', { ...options, key: 'page/b' });
    expect(other?.box.attributes['id']).not.toBe(one?.box.attributes['id']);
    // The rules name those very ids.
    expect(writeCss(one?.page.css ?? [])).toContain(`#${String(one?.box.attributes['id'])} {`);
  });

  it('leads to where it leads on its own page', () => {
    const html = writeHtml(compileElsewhere(input(block('a')), 'a', options)?.box ?? '');
    expect(html).toContain('href="http://zest.test/site/moth.html"');
    expect(html).toContain('src="http://zest.test/pictures/ab12.png"');
  });

  it('is dressed as on its page, in the theme that reaches it too', () => {
    const own = writeCss(compileElsewhere(input(block('a')), 'a', options)?.page.css ?? []);
    expect(own).toContain('#abcdef');
    const reached = compileElsewhere(input(block('b', { reach: 'page' }), block('a', { dress: null })), 'a', options);
    expect(writeCss(reached?.page.css ?? [])).toContain('#abcdef');
    const fromSite = compileElsewhere({ ...input(block('a', { dress: null })), site: { kind: 'themes', id: 'x' } }, 'a', options);
    expect(writeCss(fromSite?.page.css ?? [])).toContain('#abcdef');
  });

  it('fills its place where it goes from edge to edge at home, and stands in no second shadow root', () => {
    const page = input(block('a', { width: 'bleed', isolated: true }));
    const css = writeCss(compileElsewhere(page, 'a', options)?.page.css ?? []);
    expect(writeCss(compilePage(page, { siteName: '', stylesheet: '' }).css)).toMatch(/[^-]width: 100cqi/);
    expect(css).not.toMatch(/[^-]width: 100cqi/);
    expect(css).not.toMatch(/^html/m);
    expect(compileElsewhere(page, 'a', options)?.box.tag).toBe('div');
  });

  it('brings no rule that could mean something of the other page’s own', () => {
    const visitor = { ...PLAIN_VISITOR, sort: true, search: true, filter: true, columns: true, rowLink: true, choose: true, pageRows: 10 };
    const css = compileElsewhere(input(block('a', { visitor })), 'a', options)?.page.css ?? [];
    const stray: string[] = [];
    walk(css, (selector, _declarations, within) => {
      // Every selector of a list: commas within brackets do not part it.
      let bare = selector;
      for (let before = ''; before !== bare;)
        [before, bare] = [bare, bare.replace(/[([][^()[\]]*[)\]]/g, (inner) => inner.replace(/[()[\],]/g, ' '))];
      for (const each of bare.split(','))
        if (!/zp-|-1\b|^:host$|^zest-pane-table$|^@font-face$/.test(each) && !within.includes('@keyframes')) stray.push(each);
    });
    expect(css.length).toBeGreaterThan(30);
    expect(stray).toEqual([]);
  });

  it('is not there where its block or its table is gone', () => {
    expect(compileElsewhere(input(block('a')), 'b', options)).toBeUndefined();
    expect(compileElsewhere(input(block('a', { shows: { kind: 'tables', id: 'gone' } })), 'a', options)).toBeUndefined();
  });
});

describe('The lines for another page', () => {
  const given = { origin: 'http://zest.test', page: 'p 1', block: 'b/2', name: 'Fish & <chips>', slug: 'ψάρια' };
  it('are a script and an element with a link in it', () => {
    expect(snippet(given, 'element')).toBe(`<script defer src="http://zest.test/elsewhere/table.js"></script>
<zest-pane-table src="http://zest.test/elsewhere/p%201/b%2F2">
  <a href="http://zest.test/site/%CF%88%CE%AC%CF%81%CE%B9%CE%B1">Fish &amp; &lt;chips&gt;</a>
</zest-pane-table>`);
  });
  it('name the element as the other page can have it', () => {
    expect(snippet({ ...given, element: 'night-boats' }, 'element')).toMatch(
      /data-element="night-boats"><\/script>\n<night-boats src=[^]*<\/night-boats>$/,
    );
  });
  it('are a link and plain HTML', () => {
    expect(snippet(given, 'plain', '<div></div>')).toBe('<link rel="stylesheet" href="http://zest.test/elsewhere/p%201/b%2F2.css">\n<div></div>');
  });
  it('say what the other site has to allow', () => {
    expect(allowance('http://zest.test', 'element')).toContain('scripts, connections');
    expect(allowance('http://zest.test', 'plain')).not.toContain('scripts');
  });
  it('have their address from the ids alone', () => expect(elsewhereAddress('p', 'b')).toBe('/elsewhere/p/b'));
  for (const name of ['night-boats', 'a-1', ' x-y '])
    it(`take ${JSON.stringify(name)} as the element’s name`, () => expect(readElementName(name)).toEqual({ ok: true, value: name.trim() }));
  for (const name of ['boats', 'Night-boats', '1-a', 'a-', 'a b-c', 'font-face', 'a"><script>-x', ''])
    it(`refuse ${JSON.stringify(name)} with what to write`, () => {
      const read = readElementName(name);
      expect(read.ok ? '' : read.problems[0]?.remedy).toContain('hyphen');
    });
});
