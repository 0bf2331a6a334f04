import { EXTRA_MOST, readExtra, writeExtra, type Extra } from './index';

const SWATCHES = new Set(['deep', 'reed']);
const read = (css: string): Extra => readExtra(css, SWATCHES);
const told = (css: string): readonly string[] => read(css).notices.map(({ line, say }) => `${line}: ${say}`);
/** Rules as text again, in one line each. */
const rules = (css: string): readonly string[] => {
  const extra = read(css);
  return writeExtra(extra.rules, extra.keyframes)
    .trim()
    .split('\n\n')
    .map((each) => each.replace(/\s+/g, ' '));
};

describe('Extra CSS', () => {
  it('says what the ledger has as its values, with their lines', () => {
    const extra = read(
      'body-rows:hovered { color: navy; background: var(--reed); padding: 4px 12px }\nlinks { text-decoration: none }\ntable { border-radius: 6px }',
    );
    expect(extra.values).toEqual({
      'body-rows': {
        hovered: {
          ink: '#000080',
          fill: 'reed',
          'padding-top': '4px',
          'padding-end': '12px',
          'padding-bottom': '4px',
          'padding-start': '12px',
        },
      },
      links: { rest: { underline: 'none' } },
      table: { rest: { radius: '6px' } },
    });
    expect(extra.lineOf('links', 'rest', 'underline')).toBe(2);
    // Words that CSS has otherwise.
    expect(read('caption { text-transform: none; font-variant-caps: normal }').values).toEqual({
      caption: { rest: { case: 'none', caps: 'as typed' } },
    });
    expect([extra.rules, extra.notices].map(({ length }) => length)).toEqual([0, 0]);
  });

  it('takes a share of a swatch for what it is, and names of the page for the page’s', () => {
    expect(read('body-rows { color: color-mix(in srgb, var(--deep) 60%, transparent) }').values).toEqual({
      'body-rows': { rest: { ink: 'deep 60%' } },
    });
    expect(rules('body-rows { color: var(--brand-ink) }')).toEqual(['body-rows { color: var(--brand-ink); }']);
    expect(rules('body-rows { color: oklch(0.7 0.35 150) }')).toEqual(['body-rows { color: oklch(0.7 0.35 150); }']);
  });

  it('reaches real elements in parts, nested or not, and several conditions at once', () => {
    expect(rules('body-rows:hovered { & a:hover { color: red } > b, .late::after { opacity: .5 } }')).toEqual([
      'body-rows:hovered a:hover { color: red; }',
      'body-rows:hovered>b { opacity: .5; }',
      'body-rows:hovered .late::after { opacity: .5; }',
    ]);
    expect(rules('body-rows { strong { font-style: italic } &:even:hovered { opacity: .9 } }')).toEqual([
      'body-rows strong { font-style: italic; }',
      'body-rows:even:hovered { opacity: .9; }',
    ]);
    expect(rules('table { row-headers::before { content: "·" } } table body-rows links:active { opacity: .5 }')).toEqual([
      'row-headers::before { content: "·"; }',
      'body-rows links:active { opacity: .5; }',
    ]);
  });

  it('takes queries, also nested ones, and keyframes', () => {
    expect(rules('@media (min-width: 40em) { body-rows { & { color: red } @supports (color: lch(0 0 0)) { opacity: .9 } } }')).toEqual([
      '@media (min-width:40em) { body-rows { color: red; } }',
      '@media (min-width:40em) { @supports (color:lch(0 0 0)) { body-rows { opacity: .9; } } }',
    ]);
    expect(rules('@keyframes glow { from { opacity: .4 } 50%, to { opacity: 1 } }')).toEqual([
      '@keyframes glow { from { opacity: .4; } 50%,to { opacity: 1; } }',
    ]);
  });

  it('gives way within itself as CSS does: what comes later holds', () => {
    const extra = read('body-rows { color: color-mix(in oklab, red, blue) } body-rows { color: #010203 }');
    expect([extra.values, writeExtra(extra.rules, [])]).toEqual([{ 'body-rows': { rest: { ink: '#010203' } } }, '']);
  });

  it('reads what it writes as the same', () => {
    const css =
      'body-rows:even::after { content: "</style>" } @container (width < 30em) { links:focused { outline: 2px solid } } @keyframes a { to { color: red } }';
    const extra = read(css);
    const text = writeExtra(extra.rules, extra.keyframes);
    const again = read(text);
    expect(writeExtra(again.rules, again.keyframes)).toBe(text);
    expect(text).not.toContain('</style');
    expect(again.notices).toEqual([]);
  });
});

describe('Extra CSS with a mistake', () => {
  it('says where and what would be right, and goes on', () => {
    const css =
      'body-row { color: red }\nbody-rows:hoverd { color: red }\nbody-rows { colr: red;\n  padding: 3 px; color: #123 }\nbody-rows a:hovered { color: red }';
    expect(told(css)).toEqual([
      jasmine.stringContaining('1: “body-row” is no part of a table. Did you mean body-rows?'),
      '2: There is no “:hoverd”. Did you mean :hovered?',
      '5: “:hovered” is said of a part, not of what stands in it; write :hover.',
    ]);
    expect(read(css).values).toEqual({ 'body-rows': { rest: { ink: '#112233' } } });
    const [first] = read(css).notices;
    expect([first?.line, first?.column, first?.length, first?.isLeftOut]).toEqual([1, 1, 8, true]);
  });

  it('survives braces that are not closed, and what is no CSS at all', () => {
    expect(read('body-rows { color: #123').values).toEqual({ 'body-rows': { rest: { ink: '#112233' } } });
    expect(told('}}}} ??? body-rows { } <script>alert(1)</script>').length).toBeGreaterThan(0);
    expect(told('color: red')[0]).toMatch(/^1: /);
    expect(read('footer:hovered { color: red }').notices[0]?.say).toMatch(/Footer cannot be “hovered”/);
  });
});

describe('Extra CSS that tries to leave its place', () => {
  for (const css of [
    'body { display: none }',
    ':root { color: red }',
    'html body-rows { color: red }',
    '* { color: red }',
    'div:has(body-rows) { color: red }',
    'table + p { color: red }',
    'table ~ * { color: red }',
    'body-rows { .dark & { color: red } }',
    'body-rows, body { display: none }',
    '@import url(https://example.test/a.css);',
    '@font-face { font-family: x; src: url(https://example.test/x.woff2) }',
    '@layer a { body-rows { color: red } }',
    '@page { margin: 0 }',
    '@property --x { syntax: "*"; inherits: false }',
    'body-rows { position: fixed; inset: 0 }',
    'body-rows { pos\\69tion: fixed }',
    'body-rows b { position: fix\\65d }',
    'body-rows { --p: fixed; position: var(--p) }',
    'table { animation: away 1s infinite } @keyframes away { to { transform: translateX(-99vw) } }',
    'table { inset-block-start: 4000px; position: relative }',
    'table { margin: var(--far) }',
    'table { box-shadow: 0 0 0 9999px red }',
    'table { outline: 50vw solid red }',
    'pager { filter: drop-shadow(0 0 2000px red) }',
    'body-rows { --\\7a p-deep: red }',
    'body-rows { --\\7ap-deep: red }',
    'table { position: absolute; top: 0 }',
    'table { margin-top: -400px }',
    'table { transform: translateX(-50vw) }',
    'pager { float: right }',
    'body-rows { background-image: url(https://example.test/p.png) }',
    'body-rows { background-image: url(//example.test/p.png) }',
    'body-rows { background-image: image-set("https://example.test/p.png" 1x) }',
    'body-rows { background-image: \\75rl(https://example.test/p.png) }',
    'body-rows { --x: url(https://example.test/p.png) }',
    'body-rows { behavior: url(#x) }',
    'body-rows { --zp-deep: red }',
    'body-rows }</style><script>alert(1)</script>',
    '@media (x) </style> { body-rows { color: red } }',
  ])
    it(`is left out with a sentence: ${css}`, () => {
      const extra = read(css);
      expect(extra.notices.some(({ isLeftOut }) => isLeftOut)).toBeTrue();
      const text = writeExtra(extra.rules, extra.keyframes);
      expect(text).not.toMatch(
        /position: (?:fix|var|absolute)|example|-400|float|<\/|--zp|behavior|@layer|@page|@import|@font|9999px|50vw|2000px|4000px|animation:/,
      );
      for (const { reached } of extra.rules) expect(reached.part).toMatch(/^(?:body-rows|table|pager)$/);
    });

  it('ends no style that it may stand in, wherever it says so', () => {
    const extra = read('body-rows[title="</style>"] b[x="</style>"]::after { content: "</style>" }');
    expect(writeExtra(extra.rules, [])).not.toContain('</');
    expect(extra.rules.length).toBe(1);
  });

  it('ends, whatever is nested in what', () => {
    expect(told(`body-rows { color: red } ${' '.repeat(EXTRA_MOST)}`)[0]).toMatch(/at most 50,000 characters/);
    expect(told(`body-rows ${'{ a '.repeat(1000)}`)[0]).toMatch(/more than 200 deep/);
    const many = 'a,b,c,d,e,f,g,h,i,j {'.repeat(7);
    const extra = read(`body-rows { ${many} color: red ${'}'.repeat(7)} }`);
    expect(extra.rules.length).toBeLessThanOrEqual(2000);
    expect(extra.notices.some(({ say }) => /more selectors than can be read/.test(say))).toBeTrue();
    const deep = read(`body-rows { ${'& a { '.repeat(190)} color: red ${'}'.repeat(190)} }`);
    expect(deep.rules.length + deep.notices.length).toBeGreaterThan(0);
  });
});
