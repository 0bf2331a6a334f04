import { places, propertiesOf, starters, type Theme } from '../theme';
import { dice, randomTheme } from '../tests/random';
import { gridTable, themeWith, viewOf } from '../tests/themes';
import { mergeCells, tableOf } from '../table';
import { compilePage, element, sheetOf, surrounded, tableElement, themeCss, writeCss, writeHtml } from './index';
import { feltValues } from './sheet/lean';

const css = (values: Theme['values'], given: Partial<Parameters<typeof themeCss>[1]> = {}): string =>
  writeCss(themeCss(viewOf(themeWith(values)), { key: 'x', ...given }), 'compact');

describe('The stylesheet of each part', () => {
  it('fills header and footer as a whole, with a picture behind', () => {
    const text = css({ 'column-headers': { rest: { fill: 'deep', picture: 'waves', 'picture-size': 'cover', 'picture-repeat': 'both ways' } } });
    expect(text).toMatch(/\.zp-x>:where\(thead\)\{background-color:var\(--zp-deep\);background-image:url\("data:[^}]*background-size:cover\}/);
    expect(text).not.toContain('background-repeat');
  });
  it('keeps a cell’s picture below the fill of what the hand touches', () => {
    const text = css({ 'row-headers': { rest: { picture: 'dots' } }, 'body-rows': { selected: { fill: 'mist' } } });
    expect(text).toMatch(/background-image:none,url\(/);
    expect(text).toMatch(/:where\(:is\(th,\.zp-head\):not\(\.zp-heading\)\)\{background-image:linear-gradient\(var\(--zp-mist\) 0 0\),url\(/);
  });
  it('keeps the picture of a part within where no fill under the hand is felt on that part', () => {
    const values: Theme['values'] = {
      'body-rows': { 'hovered-even': { fill: 'mist' }, selected: { fill: 'none' } },
      'row-headers': { rest: { picture: 'dots' } },
      'group-headings': { rest: { picture: 'waves' } },
    };
    const selected = css(values, { lean: true })
      .split('}')
      .filter((rule) => rule.includes('[data-selected]') && rule.includes('background-image:'));
    expect(selected.some((rule) => rule.includes(')>*{background-image:none'))).toBeTrue();
    expect(selected.some((rule) => /:where\(\.zp-heading\)\{background-image:none,url\(/.test(rule))).toBeTrue();
  });
  it('says none where the theme draws no line, for pages of which nothing is known, and leaves it out elsewhere', () => {
    expect(css({})).not.toContain('border:0');
    const bare = css({}, { clears: true });
    expect(bare).toContain('border-spacing:0;border:0');
    expect(bare).toContain('.zp-x>*>:where(tr)>*{border:0}');
    const all = { rows: '1px solid mist', columns: '2px solid deep' };
    const closed = css({ table: { rest: { cells: 'spaced' } }, lines: { rest: all } }, { clears: true });
    expect(closed).toContain('.zp-x>*>:where(tr)>*{border-block:1px solid var(--zp-mist);border-inline:2px solid var(--zp-deep)}');
    expect(writeCss(sheetOf(viewOf(themeWith({})), { use: 'file', key: 'x' }), 'compact')).toContain('{border:0}');
  });
  it('counts a band as the theme says, and the others as those that are not in it', () => {
    const text = css({ 'body-rows': { rest: { band: '3rd from 1' }, even: { fill: 'mist' }, odd: { ink: 'deep' } } });
    expect(text).toContain('tr:nth-child(3n+1 of :not([hidden]))');
    expect(text).toContain('tr:not(:nth-child(3n+1 of :not([hidden])))');
  });
  it('says nothing for a part whose own look is off', () => {
    const text = css({ 'row-headers': { rest: { look: 'off', ink: 'lamp' }, hovered: { ink: 'lamp' } } });
    expect(text).not.toContain('--zp-lamp');
  });
  it('draws icons as masks over the ink, on their side, and none beside nothing', () => {
    const text = css({ 'column-headers': { rest: { icon: 'boat', 'icon-side': 'after' }, sorted: { icon: 'none' } } });
    expect(text).toMatch(/:where\(:not\(:empty\)\)::after\{display:inline-block/);
    expect(text).toContain('mask:var(--zp_shape) center/contain no-repeat;content:var(--zp_icon)}');
    expect(text).toMatch(/thead\)>:where\(tr\)>\*\{[^}]*;--zp_icon:"";--zp_shape:url\("data/);
    expect(text).toMatch(/aria-sort\$=ending\]\)\{--zp_icon:none\}/);
  });
  it('gives a cell one icon where a part has its icons on the other side than the one around it', () => {
    const text = css({ 'column-headers': { rest: { icon: 'boat' }, hovered: { icon: 'star' } }, corner: { rest: { 'icon-side': 'after' } } });
    expect(text).toMatch(/:where\(:not\(:empty\):not\(\.zp-corner\)\)::before\{display/);
    expect(text).toMatch(/:where\(\.zp-corner:not\(:empty\)\)::after\{display/);
    expect(text).toMatch(/\[data-sorts\]:hover\)\{--zp_icon:"";--zp_shape/);
    expect(text).not.toMatch(/where\(\.zp-corner[^{,]*::before/);
  });
  it('leaves out a length in em that comes to what is said below it, in type of a known size', () => {
    const spaced = (size: string): string =>
      css({ 'column-headers': { rest: { size, 'letter-spacing': '1px' } }, corner: { rest: { 'letter-spacing': '0.05em' } } }, { lean: true });
    expect(spaced('20px')).not.toContain('letter-spacing:0.05em');
    expect(spaced('18px')).toContain('letter-spacing:0.05em');
    expect(spaced('1.25rem')).toContain('letter-spacing:0.05em');
  });
  it('writes bars around the table only where they are wanted', () => {
    const values: Theme['values'] = { 'search-bar': { rest: { fill: 'mist', shown: 'off' } }, 'pager-items': { current: { fill: 'lamp' } } };
    expect(css(values)).not.toContain('-around');
    const text = css(values, { around: true });
    expect(text).toMatch(/\.zp-x-around>:where\(\.zp-search\)\{background-color:var\(--zp-mist\)[^}]*display:none\}/);
    expect(text).toMatch(/:where\(\.zp-page\[aria-current\]\)\{background-color:var\(--zp-lamp\)/);
  });
  it('dresses the search field itself, and the sign between two pages as the pages', () => {
    const plain = css({}, { around: true });
    expect(plain).toContain(':where(.zp-search) :where(input){font:inherit;color:inherit;background:none;border:1px solid;padding:.25em .5em}');
    const field = { fill: 'mist', edge: '2px solid deep', radius: '9px', shadow: '0 1px 3px deep', 'padding-top': '4px', 'padding-bottom': '4px' };
    const text = css({ 'search-field': { rest: field, focused: { fill: '#ffffff' } }, 'pager-items': { rest: { ink: 'lamp' } } }, { around: true });
    expect(text).toMatch(
      /:where\(input\)\{font:inherit;color:inherit;padding:\.25em \.5em;background-color:var\(--zp-mist\);border-radius:9px;box-shadow:[^}]*border:2px solid[^}]*padding-block:4px\}/,
    );
    expect(text).toContain(':where(input:focus-visible){background-color:#ffffff}');
    expect(text).toContain('.zp-x-around>:where(.zp-pager)>:where(span){color:var(--zp-lamp)}');
    expect(plain).not.toContain(':where(span)');
    // Its bar's corners are its own where nothing is said of them.
    expect(css({ 'search-bar': { rest: { radius: '7px' } } }, { around: true })).toMatch(/:where\(input\)\{[^}]*border-radius:7px\}/);
  });
  it('says where the table sits by automatic margins, and leaves a placement to it where that is wished', () => {
    expect(css({ table: { rest: { sits: 'center' } } })).toContain('margin-inline:auto');
    expect(css({ table: { rest: { sits: 'start' } } })).not.toContain('margin-inline');
  });
  it('writes a line apart only where it differs', () => {
    const lines = {
      rows: '1px solid mist',
      'after-first-row': '1px solid mist',
      'before-last-row': '2px solid deep',
      columns: '1px solid mist',
      'beside-row-headers': '1px solid mist',
    };
    const text = css({ lines: { rest: lines } });
    expect(text).not.toContain('nth-child(2 of');
    expect(text.match(/border-inline-start/g)?.length).toBe(1);
    expect(text).toMatch(/nth-last-child\(1 of :not\(\[hidden\]\)\):nth-child\(n\+2 of :not\(\[hidden\]\)\)\)>\*\{border-block-start:2px/);
  });
});

describe('The markup that the parts rely on', () => {
  const merged = mergeCells(gridTable(4, 3, { headerRows: 2, rowHeaders: 1 }), { row: 0, column: 1 }, { row: 0, column: 2 });
  const table = merged.ok ? merged.value : gridTable(1, 1);
  it('marks corner, groups and the first cell beside the row headers', () => {
    const html = writeHtml(tableElement(table, { id: 't' }));
    expect(html).toContain(
      '<tr class="zp-uneven"><th class="zp-corner" scope="col">r0c0</th><th class="zp-group zp-beside zp-second zp-even zp-end zp-even-group" scope="colgroup" colspan="2">',
    );
    expect(html).toContain('<td class="zp-beside">r2c1</td><td>r2c2</td>');
  });
  it('marks numbers, negative ones, and what they lack behind the decimal mark', () => {
    const html = writeHtml(tableElement(tableOf('x', [['Fare'], ['−6.5'], ['8.25']]), { id: 't' }));
    expect(html).toContain('<td class="zp-number zp-negative" data-pad="0">−6.5</td>');
    expect(html).toContain('<td class="zp-number">8.25</td>');
  });
  it('holds conditions of columns open in previews only', () => {
    const held = { columns: new Map([[2, ['sorted' as const, 'column-hovered' as const]]]), headers: new Map([[2, ['pressed' as const]]]) };
    const html = writeHtml(tableElement(table, { id: 't', held }));
    expect(html).toMatch(/<th class="zp-even-group" scope="col" aria-sort="ascending" data-held="pressed">r1c2/);
    expect(html).toContain('<td class="zp-sorted zp-over">r2c2</td>');
    expect(writeHtml(tableElement(table, { id: 't' }))).not.toMatch(/aria-sort|data-held|zp-over/);
  });
  it('puts bars around the table', () => {
    const html = writeHtml(surrounded(element('table'), { theme: 'x', info: '1 to 5 of 12 rows', empty: true }));
    for (const name of ['zp-x-around', 'zp-search', 'zp-info', 'zp-empty', 'zp-pager', 'zp-page']) expect(html).toContain(name);
  });
});

describe('What is published', () => {
  it('carries the font files that its letters need, and none for a system stack', () => {
    const page = (font: string, text: string): string =>
      writeCss(
        compilePage(
          {
            page: {
              format: 'zest-page/6',
              name: 'p',
              slug: 'p',
              blocks: [
                {
                  id: 'a',
                  kind: 'table',
                  shows: { kind: 'tables', id: 't' },
                  dress: { kind: 'themes', id: 'x' },
                  width: 'fill',
                  align: 'start',
                  room: '0',
                  visitor: null,
                },
              ],
            },
            tables: new Map([['t', tableOf('t', [[text]])]]),
            themes: new Map([['x', { key: 'x', view: viewOf(themeWith({ table: { rest: { font } } })) }]]),
          },
          { stylesheet: 's', siteName: 'n' },
        ).css,
      );
    expect(page('grotesque', 'Boat')).not.toContain('@font-face');
    expect(page('inter', 'Boat').match(/@font-face/g)?.length).toBe(1);
    expect(page('inter', 'Boat Σκάφος').match(/inter-(latin|greek)-wght/g)?.length).toBe(2);
  });

  const felt = (values: Theme['values'], place: string, property: string): boolean => {
    const look = viewOf(themeWith(values));
    const [part, condition] = place.split(' ');
    const found = places.find((each) => each.part === part && each.condition === condition);
    const named = found && propertiesOf(found.part).find(({ name }) => name === property);
    if (!found || !named) throw new Error(`${place} has no ${property}`);
    return feltValues(look, false)(found, named.name);
  };
  for (const [what, values, place, property, is] of [
    ['says what is below it', { table: { rest: { ink: 'deep' } }, 'body-rows': { rest: { ink: 'deep' } } }, 'body-rows rest', 'ink', false],
    ['differs from below', { table: { rest: { ink: 'deep' } }, 'body-rows': { rest: { ink: 'lamp' } } }, 'body-rows rest', 'ink', true],
    [
      'is covered by odd and even together',
      { 'body-rows': { rest: { case: 'uppercase' }, odd: { case: 'lowercase' }, even: { case: 'as typed' } } },
      'body-rows rest',
      'case',
      false,
    ],
    [
      'could stand below something that differs',
      { 'body-rows': { rest: { ink: 'deep' }, even: { ink: 'lamp' }, hovered: { ink: 'deep' } } },
      'body-rows hovered',
      'ink',
      true,
    ],
    [
      'is seen through a translucent fill above it',
      { table: { rest: { fill: 'mist' } }, 'body-rows': { rest: { fill: 'mist' } } },
      'body-rows rest',
      'fill',
      true,
    ],
    [
      'is covered on the first row, which is always odd, and differs on no other',
      { 'body-rows': { odd: { case: 'uppercase' }, first: { case: 'uppercase' }, even: { case: 'lowercase' } } },
      'body-rows first',
      'case',
      false,
    ],
    [
      'would be covered if the first row were not banded',
      { 'body-rows': { rest: { band: '2nd from 1' }, odd: { case: 'uppercase' }, first: { case: 'uppercase' }, even: { case: 'lowercase' } } },
      'body-rows first',
      'case',
      true,
    ],
    [
      'is of the whole table where every part has its own',
      {
        table: { rest: { case: 'uppercase' } },
        ...Object.fromEntries(['caption', 'column-headers', 'body-rows', 'footer'].map((part) => [part, { rest: { case: 'lowercase' } }])),
      },
      'table rest',
      'case',
      false,
    ],
    ['is no fill over no fill', { 'body-rows': { rest: { fill: 'none' } } }, 'body-rows rest', 'fill', false],
  ] as const) {
    it(`${is ? 'has' : 'has not'} a value that ${what}`, () => expect(felt(values, place, property)).toBe(is));
  }
  it('is never larger than what a preview has, and says the same swatches at most', () => {
    for (const theme of [
      ...starters.map((starter) => starter.theme),
      ...Array.from({ length: 30 }, (_, seed) => randomTheme(dice(seed), ['hairline', 'chalk'])),
    ]) {
      const [lean, full] = [true, false].map((each) => writeCss(themeCss(viewOf(theme), { key: 'x', lean: each }), 'compact').length);
      expect(lean).toBeLessThanOrEqual(full ?? 0);
    }
  });
});
