import { compilePage, rule, weighed, writeCss, type CompiledPage } from '../compile';
import type { Page } from '../page';
import { randomHouse } from '../tests/house';
import { dice } from '../tests/random';
import { gridTable, starter, viewOf } from '../tests/themes';
import type { Theme } from '../theme';
import {
  Cascade,
  cssOf,
  holdsOut,
  houseIn,
  isInherited,
  judge,
  longhandsOf,
  manners,
  missing,
  nodesOf,
  readHouse,
  readHouseDocument,
  readOwn,
  setsLonghand,
  settled,
  standingOf,
  treeOf,
  weightInWords,
  type HouseSheet,
  type Node,
} from '.';

const read = (css: string): HouseSheet => {
  const house = readHouse(css);
  if (!house.ok) throw new Error(house.problems[0]?.say);
  return house.value;
};
const theme = (values: Theme['values'] = {}): Theme => ({ format: 'zest-theme/2', name: 'Plain', base: starter('ground'), swatches: [], values });
const block = (id: string, dressed = 'h'): Page['blocks'][number] => ({
  id,
  kind: 'table',
  shows: { kind: 'tables', id: 't' },
  dress: dressed === '' ? null : { kind: 'themes', id: dressed },
  width: 'content',
  align: 'start',
  room: '0',
  visitor: null,
});
const pageWith = (...blocks: Page['blocks']): CompiledPage =>
  compilePage(
    {
      page: { format: 'zest-page/6', name: 'P', slug: 'p', blocks },
      tables: new Map([['t', gridTable(3, 2)]]),
      themes: new Map([['h', { key: 'plain', view: viewOf(theme({ 'body-rows': { rest: { ink: '#112233' } } })) }]]),
    },
    { stylesheet: '', siteName: 'S' },
  );
const page = pageWith(block('a'));
const nodeOf = (compiled: CompiledPage, tag: string): Node => {
  const found = [...nodesOf(treeOf(compiled.html))].find((node) => node.tag === tag);
  if (!found) throw new Error(tag);
  return found;
};

describe('A house stylesheet', () => {
  it('is read on after a mistake, which is told with its line', () => {
    const { rules, notices } = read('td { color: red;\n  padding }\n} th { color: blue }\ntr { width: 3px }');
    expect(rules.map(({ text }) => text)).toEqual(['td', 'tr']);
    expect(notices.length).toBeGreaterThan(0);
    expect(notices[0]?.line).toBe(2);
  });
  it('loses whatever would fetch, wherever that is hidden, and nothing else', () => {
    const { css, notices } = read(
      [
        '@import url(http://else.example/a.css);',
        '@font-face { font-family: x; src: url(x.woff2) }',
        'td { background: url("http://else.example/b.png") no-repeat; color: red }',
        'th { background-image: image-set("c.png" 1x); color: blue }',
        ':root { --pic: u\\72l(http://else.example/d.png); --gap: 3px }',
        'p { background: url(data:image/png;base64,AAAA) }',
        'a { & b { color: green } b & { background: url(//else.example/e.png) } }',
        'i { behavior: url(f.htc); -moz-binding: url(g.xml) }',
      ].join('\n'),
    );
    expect(css).not.toMatch(/else\.example|woff2|c\.png|f\.htc|g\.xml/);
    expect(css).toContain('color:red');
    expect(css).toContain('color:blue');
    expect(css).toMatch(/--gap:\s*3px/);
    expect(css).toContain('data:image/png');
    expect(notices.map(({ line }) => line)).toEqual([1, 2, 3, 4, 5, 7, 8, 8]);
    expect(notices[0]?.say).toContain('@import is left out');
  });
  it('cannot make a page blank: what would hide all of it is left out, by its line', () => {
    const { css, notices } = read(
      [
        '* { display: none !important; color: red }',
        'html:root, .menu { visibility: hidden }',
        'main#content { opacity: 0.0 }',
        '@media (width < 600px) { body { display: none } }',
        '.entry { content-visibility: hidden }',
        '@media print { body { display: none } }',
        'body.dark, body:hover, nav, #content p { display: none }',
        '@keyframes come { from { opacity: 0 } }',
      ].join('\n'),
    );
    expect(notices.map(({ line }) => line)).toEqual([1, 2, 3, 4, 5]);
    expect(notices[0]?.say).toBe('display is left out: by “*” nothing of any page would be seen.');
    expect(css).toContain('color:red');
    expect(css.match(/display:none/g)?.length).toBe(2);
    expect(css).toContain('opacity:0}');
  });
  it('keeps what is written with escapes and fetches nothing', () => {
    expect(read(':root { --quote: "\\201C" } q::before { content: var(--quote) }').notices).toEqual([]);
  });
  it('is refused only for its length, with a sentence', () => {
    const long = readHouse('td { color: red }\n'.repeat(120_000));
    expect(long.ok).toBe(false);
    if (!long.ok) expect(long.problems[0]?.say).toContain('2.2 million characters');
    expect(readHouse('td { color: red }\n'.repeat(50_000)).ok).toBe(true);
  });
  it('is kept as the name of one that ships or as what was brought in', () => {
    expect(cssOf(houseIn('reset'))).toContain('font: inherit');
    expect(readHouseDocument({ format: 'zest-house/1', manner: '', name: 'a.css', css: 'td { color: red }' }).ok).toBe(true);
    for (const wrong of [
      {},
      { ...houseIn('reset'), manner: 'other' },
      { ...houseIn('reset'), more: 1 },
      { ...houseIn(''), css: 'x'.repeat(1_000_001) },
    ])
      expect(readHouseDocument(wrong).ok).withContext(JSON.stringify(wrong).slice(0, 60)).toBe(false);
  });
  it('is read whole where it ships', () => {
    for (const { css, name } of manners) expect(read(css).notices).withContext(name).toEqual([]);
  });
  it('has the rules of nested ones, of queries and of layers', () => {
    const { rules } = read(
      '.a { color: red; & b, i & { color: blue } u { color: green } @media print { color: teal } } @layer x { p { color: red } } @layer y { p { color: red } }',
    );
    expect(rules.map(({ text, weight, layer, media }) => [text, weight.join(), layer, media.length])).toEqual([
      ['.a', '0,1,0', undefined, 0],
      [':is(.a) b', '0,1,1', undefined, 0],
      ['i :is(.a)', '0,1,1', undefined, 0],
      [':is(.a) u', '0,1,1', undefined, 0],
      ['.a', '0,1,0', undefined, 1],
      ['p', '0,0,1', 0, 0],
      ['p', '0,0,1', 1, 0],
    ]);
  });
});

describe('Properties', () => {
  it('set their longhands, logical ones by the direction of text', () => {
    expect(longhandsOf('padding-block', 'up ltr')).toEqual(['padding-left', 'padding-right']);
    expect(longhandsOf('padding-inline-start', 'down rtl')).toEqual(['padding-bottom']);
    expect(longhandsOf('border-start-end-radius', 'up ltr')).toEqual(['border-top-left-radius']);
    expect(longhandsOf('inline-size', 'down ltr')).toEqual(['height']);
    expect(longhandsOf('padding')).toEqual(['padding-top', 'padding-right', 'padding-bottom', 'padding-left']);
    expect(longhandsOf('padding-inline-start')).toEqual(['padding-left']);
    expect(longhandsOf('padding-inline-start', 'rtl')).toEqual(['padding-right']);
    expect(longhandsOf('border-block')).toContain('border-bottom-style');
    expect(longhandsOf('border-start-end-radius', 'rtl')).toEqual(['border-top-left-radius']);
    expect(longhandsOf('font')).toContain('line-height');
    expect(longhandsOf('background-position')).toEqual(['background-position-x', 'background-position-y']);
    expect(longhandsOf('border-spacing')).toEqual(['border-spacing']);
    expect(setsLonghand('all', 'color')).toBe(true);
    expect(setsLonghand('all', '--x')).toBe(false);
    expect(isInherited('color')).toBe(true);
    expect(isInherited('padding-top')).toBe(false);
  });
});

describe('The cascade of two stylesheets', () => {
  const winner = (house: string, longhand: string, tag: string, width = 900): string => {
    const cascade = new Cascade({ house: read(house).rules, ours: readOwn(writeCss(page.css, 'compact')) }, { width, height: 700 });
    const found = cascade.winner(nodeOf(page, tag), longhand);
    return found ? `${found.origin} ${found.declaration.property}: ${found.declaration.value}` : 'nothing';
  };
  it('is won by importance, then weight, then order; what no browser takes wins nothing', () => {
    expect(winner('td { color: red }', 'color', 'td')).toMatch(/^ours/);
    expect(winner('.entry td { color: red }', 'color', 'td')).toBe('house color: red');
    expect(winner('td { color: red !important }', 'color', 'td')).toBe('house color: red');
    expect(winner('.entry td { color: bananas }', 'color', 'td')).toMatch(/^ours/);
    expect(winner('td { outline: 1px solid } td { outline-width: 3px }', 'outline-width', 'td')).toBe('house outline-width: 3px');
  });
  it('knows that layers are weaker outside of importance and stronger within', () => {
    expect(winner('@layer a { #content .entry td { color: red } }', 'color', 'td')).toMatch(/^ours/);
    expect(winner('@layer a { td { color: red !important } } td { color: blue !important }', 'color', 'td')).toBe('house color: red');
  });
  it('asks queries of width where it knows what is seen', () => {
    const css = '@media (max-width: 600px) { .entry td { color: red } }';
    expect(winner(css, 'color', 'td', 500)).toBe('house color: red');
    expect(winner(css, 'color', 'td', 700)).toMatch(/^ours/);
    expect(winner('@media print { .entry td { color: red } }', 'color', 'td')).toMatch(/^ours/);
  });
});

describe('What a house stylesheet takes from tables', () => {
  it('is nothing where rules are no heavier than a class, and what themes leave open is guarded', () => {
    const judged = judge(page, read('table td { text-shadow: 1px 1px red; color: red }'));
    expect(judged.findings).toEqual([]);
    expect(writeCss(judged.guard, 'compact')).toBe('.zp-box :where(td){text-shadow:revert}');
  });
  it('is nothing that comes in from around them, but the page’s own type and ink', () => {
    const judged = judge(page, read('body { letter-spacing: 3px; font: 18px serif; color: red } #content > .entry { text-transform: uppercase }'));
    expect(judged.findings).toEqual([]);
    expect(writeCss(judged.guard, 'compact')).toBe(
      '.zp-box{font-stretch:initial;font-variant:initial;font-weight:initial;letter-spacing:initial;text-transform:initial}',
    );
  });
  it('is told in one sentence with the least weight that settles it', () => {
    const judged = judge(page, read('\n#content .entry td { color: red }\n.entry tr:hover td { background: gold }'));
    expect(judged.findings.map(({ say, weight }) => [say, weight])).toEqual([
      [
        '“#content .entry td” (line 2) weighs an id, a class and an element: it takes ink of cells from the theme, in one table.',
        { ids: 1, classes: 1 },
      ],
      [
        '“.entry tr:hover td” (line 3) weighs two classes and two elements: it takes fill and picture of cells from the theme, in one table.',
        { ids: 0, classes: 2 },
      ],
    ]);
    expect([judged.weight, judged.insists]).toEqual([{ ids: 1, classes: 1 }, false]);
    const standing = standingOf(judged, {});
    expect(standing.say).toBe('2 rules of the house stylesheet outweigh the themes on this page.');
    expect(standing.settles?.say).toBe('Make them weigh an id and a class more');
    expect(standingOf(judged, { weight: { ids: 0, classes: 2 } }).out.length).toBe(1);
    const won = standingOf(judged, standing.settles ?? {});
    expect([won.out, won.settles]).toEqual([[], undefined]);
    expect(standingOf(judged, { weight: { ids: 2, classes: 0 } }).settles?.say).toBe('Back to the least: weigh an id and a class more');
  });
  it('is insisted on only where the house does, all of a family together', () => {
    const judged = judge(page, read('td { padding-left: 3px !important }'));
    expect([judged.weight, judged.insists, judged.insisted]).toEqual([{ ids: 0, classes: 0 }, true, ['padding']]);
    const css = writeCss(settled(page, judged, { insists: true }), 'compact');
    expect(css).toMatch(/padding[^;}]*!important/);
    expect(css).not.toMatch(/color:[^;}]*!important/);
    expect(judged.findings.every((each) => holdsOut(each, {}) && !holdsOut(each, { insists: true }))).toBe(true);
  });
  it('cannot be outweighed where it is important in a layer, which is said', () => {
    const judged = judge(page, read('@layer base { td { color: red !important } }'));
    expect(judged.findings[0]?.say).toContain('where no weight is enough');
    expect(standingOf(judged, { insists: true, weight: { ids: 9, classes: 9 } }).isBeyond).toBe(true);
  });
  it('is not looked for in tables without a theme, which the house keeps', () => {
    const both = pageWith(block('a'), block('b', 'gone'));
    const judged = judge(both, read('#content td { color: red; text-shadow: none }'));
    expect(judged.findings[0]?.at).toEqual(['a']);
    expect(writeCss(judged.guard, 'compact')).toContain('.zp-box:where(#box-1) :where(td)');
  });
  it('leaves marked text to the house but for what a theme hands to it', () => {
    const text = compilePage(
      {
        page: { format: 'zest-page/6', name: 'P', slug: 'p', blocks: [block('a')] },
        tables: new Map([['t', { ...gridTable(2, 1), rows: [['Head'], [{ text: 'bold', marks: [{ from: 0, to: 4, kind: 'bold' }] }]] }]]),
        themes: new Map([['h', { key: 'plain', view: viewOf(theme({ 'body-rows': { rest: { ink: '#112233' } } })) }]]),
      },
      { stylesheet: '', siteName: 'S' },
    );
    const guard = writeCss(judge(text, read('strong { color: red; text-decoration: underline }')).guard, 'compact');
    expect(guard).toBe('.zp-box :where(strong){color:revert}');
  });
  it('keeps what is hidden hidden where the house shows everything', () => {
    expect(writeCss(judge(page, read('.zp-box * { display: block }')).guard, 'compact')).toContain('.zp-box :where([hidden]){display:none}');
  });
});

describe('Weight', () => {
  it('lacks as many ids and classes as make it no less, and no more', () => {
    expect(missing([0, 1, 0], [0, 1, 0])).toEqual({ ids: 0, classes: 0 });
    expect(missing([0, 1, 0], [0, 1, 2])).toEqual({ ids: 0, classes: 1 });
    expect(missing([0, 1, 0], [0, 3, 0])).toEqual({ ids: 0, classes: 2 });
    expect(missing([0, 1, 0], [2, 0, 5])).toEqual({ ids: 2, classes: 0 });
    expect(missing([1, 0, 1], [1, 0, 2])).toEqual({ ids: 0, classes: 1 });
    expect(missing([1, 0, 0], [0, 9, 9])).toEqual({ ids: 0, classes: 0 });
  });
  it('is put behind the first compound of each selector, and changes nothing among rules', () => {
    const sheet = [rule('.zp-a>:where(td,th)::after,.zp-b:is(a b,c)', ['color', 'red'], ['padding', '0']), rule('@font-face', ['src', 'url(x)'])];
    expect(writeCss(weighed(sheet, { ids: 1, classes: 2 }, new Set(['padding'])), 'compact')).toBe(
      '.zp-a:not(#_._._)>:where(td,th)::after,.zp-b:is(a b,c):not(#_._._){color:red;padding:0!important}@font-face{src:url(x)}',
    );
  });
  it('is said in words', () => {
    expect(weightInWords([1, 2, 0])).toBe('an id and two classes');
    expect(weightInWords([0, 1, 3])).toBe('a class and three elements');
  });
  it('settles whatever a random house stylesheet takes, by the least: with a class or an id less something is lost', () => {
    for (let seed = 0; seed < 25; seed++) {
      const judged = judge(page, read(randomHouse(dice(seed), { layers: false })));
      const { weight, insists } = judged;
      expect(judged.findings.filter((each) => holdsOut(each, { weight, insists })))
        .withContext(String(seed))
        .toEqual([]);
      const less = weight.classes > 0 ? { ...weight, classes: weight.classes - 1 } : { ids: weight.ids - 1, classes: 40 };
      if (weight.ids + weight.classes > 0)
        expect(judged.findings.some((each) => holdsOut(each, { weight: less, insists })))
          .withContext(`${seed}, less`)
          .toBe(true);
    }
  });
});
