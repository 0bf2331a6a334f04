import { emptyPage, type Page } from '../page';
import { dice, randomTable, randomTheme, starterNames } from '../tests/random';
import { gridTable, themeWith, viewOf } from '../tests/themes';
import { mergeCells, tableOf } from '../table';
import { starters } from '../theme';
import { compilePage, heldKey, framedTable, tableElement, themeCss, writeCss, writeHtml } from './index';
import postcss from 'postcss';

const css = (values: Parameters<typeof themeWith>[0], held = false): string =>
  writeCss(themeCss(viewOf(themeWith(values)), { key: 'x', held }), 'compact');
/** What of a selector weighs: all but what stands in :where() and the pseudo-elements that icons are drawn in. */
function outsideWhere(selector: string): string {
  let [weighing, depth] = ['', 0];
  for (const piece of selector.split(/(:where\(|[()])/)) {
    if (piece === ':where(' || (piece === '(' && depth > 0)) depth++;
    else if (piece === ')' && depth > 0) depth--;
    else if (depth === 0) weighing += piece;
  }
  return weighing.replace(/::(before|after)$/, '');
}

describe('A theme’s stylesheet', () => {
  it('carries only the swatches that it uses, under prefixed names', () => {
    const text = css({ 'body-rows': { even: { fill: 'mist' } } });
    expect(text).toContain('--zp-mist:#eef5f6');
    expect(text).not.toContain('--zp-lamp');
  });
  it('weighs one class in every rule, for every starter', () => {
    for (const { theme } of starters) {
      postcss.parse(writeCss(themeCss(viewOf(theme), { key: 'x' }))).walkRules((rule) => {
        for (const selector of rule.selectors)
          expect(outsideWhere(selector))
            .withContext(selector)
            .toMatch(/^\.zp-x(?:-around)?[ >*]*$/);
      });
    }
  });
  it('asks for hover only where a pointer can hover, and holds it open only in previews', () => {
    const values = { 'body-rows': { hovered: { fill: 'mist' } } };
    expect(css(values)).toMatch(/@media \(hover:hover\)\{[^}]*:hover/);
    expect(css(values)).not.toContain('data-held');
    expect(css(values, true)).toContain('[data-held~=hovered]');
  });
  it('has no important and no id', () => {
    for (const { theme } of starters) expect(writeCss(themeCss(viewOf(theme), { key: 'x' }))).not.toMatch(/!important|#[a-z][\w-]* *[{,>]/);
  });
  it('counts visible rows for bands', () => expect(css({ 'body-rows': { odd: { fill: 'mist' } } })).toContain(':nth-child(odd of :not([hidden]))'));
  it('leaves a value with a mistake out', () => expect(css({ 'body-rows': { even: { fill: 'mits' } } })).not.toContain('nth-child(even'));
  it('writes facing sides together', () => {
    expect(css({ table: { rest: { 'padding-top': '1px', 'padding-bottom': '1px', 'padding-start': '2px', 'padding-end': '3px' } } })).toMatch(
      /padding-block:1px;padding-inline:2px 3px/,
    );
  });
  it('clips the fills in rounded corners to the inner curve', () => {
    const line = '2px solid deep';
    const text = css({
      table: { rest: { radius: '10px' } },
      lines: { rest: { 'outer-top': line, 'outer-end': line, 'outer-bottom': line, 'outer-start': line } },
    });
    expect(text).toContain('clip-path:inset(-0.5px round 9.7px 9.7px 0 0)');
    expect(css({ table: { rest: { radius: '10px', cells: 'spaced', gap: '1em' } } })).toContain('max(0px,10px - 0px - 1em + 1.7px)');
    expect(css({})).not.toContain('clip-path');
  });
  it('can be parsed, and comes back the same from readable and compact writing, for 100 random themes', () => {
    for (let seed = 0; seed < 100; seed++) {
      const sheet = themeCss(viewOf(randomTheme(dice(seed), starterNames)), { key: 'x', held: seed % 2 === 0 });
      const flat = (style: 'readable' | 'compact'): string[] => {
        const found: string[] = [];
        postcss
          .parse(writeCss(sheet, style))
          .walkDecls((declaration) => void found.push(`${declaration.prop}:${declaration.value.replace(/\s+/g, ' ')}`));
        return found;
      };
      expect(flat('readable')).toEqual(flat('compact'));
    }
  });
});

describe('A table’s markup', () => {
  it('escapes everything that a person typed', () => {
    const table = tableOf(
      'x',
      [
        ['<script>alert(1)</script>', 'a & b'],
        ['"quoted"', '</td>'],
      ],
      { caption: '<b>"x"' },
    );
    const html = writeHtml(framedTable({ ...table, caption: '' }, { id: 't', theme: 'x' })) + writeHtml(tableElement(table, { id: 't' }));
    expect(html).not.toMatch(/<script|<b>|<\/td><\/td>/);
    expect(html).toContain('&lt;script&gt;');
  });
  it('has caption first, then column groups, header, body, footer', () => {
    const table = gridTable(4, 2, { caption: 'C', headerRows: 1, footerRows: 1 });
    expect(tableElement(table, { id: 't' }).children.map((child) => (typeof child === 'string' ? child : child.tag))).toEqual([
      'caption',
      'thead',
      'tbody',
      'tfoot',
    ]);
  });
  it('names its frame by the caption, or by the table’s name', () => {
    expect(writeHtml(framedTable(gridTable(1, 1, { caption: 'C' }), { id: 't' }))).toContain('aria-labelledby="t-caption"');
    expect(writeHtml(framedTable(gridTable(1, 1), { id: 't' }))).toContain('aria-label="Specimen"');
  });
  it('marks the first cell of a row that does not stand in the first column', () => {
    const merged = mergeCells(gridTable(3, 2, { headerRows: 0 }), { row: 0, column: 0 }, { row: 1, column: 0 });
    expect(merged.ok && writeHtml(tableElement(merged.value, { id: 't' }))).toContain(
      '<tr class="zp-uneven"><td class="zp-inset zp-second zp-last zp-even zp-end">r1c1</td></tr>',
    );
  });
  it('marks an empty cell among row headers, which is no header', () => {
    const table = tableOf(
      'x',
      [
        ['a', 'b'],
        ['', 'c'],
      ],
      { rowHeaders: 1 },
    );
    expect(writeHtml(tableElement(table, { id: 't' }))).toContain('<td class="zp-head"></td>');
  });
  it('keeps line breaks', () => expect(writeHtml(tableElement(tableOf('x', [['a\nb']]), { id: 't' }))).toContain('a<br>b'));
  it('covers every slot of the grid exactly once, for 200 random tables', () => {
    for (let seed = 0; seed < 200; seed++) {
      const table = randomTable(dice(seed));
      const html = writeHtml(tableElement(table, { id: 't' }), 'compact');
      const area = [...html.matchAll(/<t[hd](?=[ >])([^>]*)>/g)].reduce((sum, [, attributes = '']) => {
        const span = (name: string): number => Number(new RegExp(`${name}="(\\d+)"`).exec(attributes)?.[1] ?? 1);
        return sum + span('rowspan') * span('colspan');
      }, 0);
      expect(area)
        .withContext(`seed ${seed}`)
        .toBe(table.rows.length * (table.rows[0]?.length ?? 0));
    }
  });
});

describe('A page', () => {
  const table = gridTable(13, 4, { caption: 'Every boat', rowHeaders: 1, footerRows: 1 });
  const page: Page = {
    ...emptyPage('Night boats', 'night-boats'),
    blocks: [
      { id: 'a', kind: 'heading', level: 2, text: 'When <they> leave' },
      { id: 'b', kind: 'text', text: 'One.\nStill one.\n\nTwo.' },
      {
        id: 'c',
        kind: 'table',
        shows: { kind: 'tables', id: 't' },
        dress: { kind: 'themes', id: 'h' },
        width: 'fill',
        align: 'center',
        room: '24px 0',
        visitor: null,
      },
      {
        id: 'd',
        kind: 'table',
        shows: { kind: 'tables', id: 't' },
        dress: { kind: 'themes', id: 'h' },
        width: '20rem',
        align: 'end',
        room: '0',
        visitor: null,
      },
      {
        id: 'e',
        kind: 'table',
        shows: { kind: 'tables', id: 'gone' },
        dress: { kind: 'themes', id: 'gone' },
        width: 'content',
        align: 'start',
        room: '0',
        visitor: null,
      },
    ],
  };
  const compiled = (starter = 0): { html: string; css: string } => {
    const theme = starters[starter]?.theme ?? themeWith({});
    const { html, css: sheet } = compilePage(
      { page, tables: new Map([['t', table]]), themes: new Map([['h', { key: 'h', view: viewOf(theme) }]]) },
      { stylesheet: '/s.css', siteName: 'Site' },
    );
    return { html: writeHtml(html), css: writeCss(sheet, 'compact') };
  };
  it('has one heading of the first level, paragraphs, and a frame for each placement', () => {
    const { html } = compiled();
    expect(html.match(/<h1>/g)?.length).toBe(1);
    expect(html).toContain('<p>One.<br>Still one.</p>');
    expect(html).toContain('When &lt;they&gt; leave');
    expect(html.match(/class="zp-frame"/g)?.length).toBe(2);
    expect(html).toContain('The table that stood here is gone.');
  });
  it('has ids that stay unique when one table is placed twice', () => {
    const ids = [...compiled().html.matchAll(/ id="([^"]+)"/g)].map((match) => match[1]);
    expect(new Set(ids).size).toBe(ids.length);
  });
  it('writes a theme once, however often it is placed', () => expect(compiled().css.match(/border-collapse/g)?.length).toBe(1));
  it('places by width, side and room', () => {
    const { css: text } = compiled();
    expect(text).toMatch(/#box-3\{margin:24px 0 24px 0\}(?:#place-3\{overflow:visible\}|@container[^@]*)*#place-3>table\{width:100%\}/);
    expect(text).toContain('#place-4>table{width:20rem;margin:0;margin-inline:auto 0}');
  });
  it('has a theme that is held at an edition beside the same theme as it is now, each under a class of its own', () => {
    const [now, before] = [themeWith({ table: { rest: { ink: '#111111' } } }), themeWith({ table: { rest: { ink: '#222222' } } })];
    const [held, follows] = page.blocks.filter((block) => block.kind === 'table');
    if (!held || !follows) throw new Error('The page has two tables');
    const { html, css: sheet } = compilePage(
      {
        page: { ...page, blocks: [{ ...held, dress: { kind: 'themes', id: 'h', held: 3 } }, follows] },
        tables: new Map([['t', table]]),
        themes: new Map([
          ['h', { key: 'h', view: viewOf(now) }],
          ['h@3', { key: heldKey('h', 3), view: viewOf(before) }],
        ]),
      },
      { stylesheet: '/s.css', siteName: 'Site' },
    );
    expect(Array.from(writeHtml(html).matchAll(/<table class="([^" ]+)/g), ([, name]) => name)).toEqual(['zp-h-e3', 'zp-h']);
    const text = writeCss(sheet, 'compact');
    expect(text).toMatch(/\.zp-h-e3>[^}]*#222222/);
    expect(text).toMatch(/\.zp-h>[^}]*#111111/);
  });
  it('carries no script and no inline style', () => expect(compiled().html).not.toMatch(/<script|style=|javascript:/));
  it('with a table of 12 rows stays under 12 kB, HTML and CSS together, in every starter', () => {
    const small: Page = { ...page, blocks: page.blocks.slice(0, 3) };
    for (const { theme, key } of starters) {
      const { html, css: sheet } = compilePage(
        { page: small, tables: new Map([['t', table]]), themes: new Map([['h', { key: 'h', view: viewOf(theme) }]]) },
        { stylesheet: '/s.css', siteName: 'Site' },
      );
      expect(writeHtml(html).length + writeCss(sheet, 'compact').length)
        .withContext(key)
        .toBeLessThan(12_000);
    }
  });
});
