import { dice, withExtra, randomTheme } from '../../../tests/random';
import { themeWith, viewOf } from '../../../tests/themes';
import { places, propertiesOf, viewOfChain, type Theme } from '../../../theme';
import { sheetOf, type SheetUse } from '../../sheet/sheet';
import { writeCss } from '../../sheet/stylesheet';

const sheet = (css: string, use: SheetUse = 'page', given: Partial<Theme> = {}): string =>
  writeCss(sheetOf(viewOf(themeWith({}, { css, ...given })), { use, key: 'k' }), 'compact');

describe('Extra CSS in a stylesheet', () => {
  it('is written as the ledger’s values where it is the same', () => {
    const inLedger = themeWith({
      'body-rows': { rest: { ink: 'deep', 'letter-spacing': '1px' }, hovered: { fill: 'lamp 20%' } },
      links: { rest: { weight: '700' } },
    });
    const { values: _, ...rest } = inLedger;
    const inCss: Theme = {
      ...rest,
      values: {},
      css: 'body-rows { color: var(--deep); letter-spacing: 1px; &:hovered { background: color-mix(in srgb, var(--lamp) 20%, transparent) } } links { font-weight: 700 }',
    };
    for (const use of ['page', 'file', 'specimen', 'card'] as const)
      expect(writeCss(sheetOf(viewOf(inCss), { use, key: 'k' }))).toBe(writeCss(sheetOf(viewOf(inLedger), { use, key: 'k' })));
  });

  it('changes no byte of a theme that has none', () => {
    const plain = themeWith({ 'body-rows': { rest: { ink: 'deep' } } });
    expect(writeCss(sheetOf(viewOf({ ...plain, css: '/* nothing */' }), { use: 'page', key: 'k' }))).toBe(
      writeCss(sheetOf(viewOf(plain), { use: 'page', key: 'k' })),
    );
  });

  it('reaches cells, rows under the hand and what stands in cells, and with them says the swatches it reads', () => {
    const css = sheet(
      'body-rows:even:hovered > b, row-headers::before { content: "·"; border-color: var(--lamp) } body-rows links:active { opacity: .5 } pager { cursor: help }',
      'file',
    );
    expect(css).toContain('.zp-k,.zp-k-around{--zp-lamp:#e2590a}');
    expect(css).toMatch(
      /@media \(hover:hover\)\{\.zp-k>:where\(tbody\)>:where\(tr:nth-child\(even of :not\(\[hidden\]\)\):hover\)>\*>b\{content:"·";border-color:var\(--zp-lamp\)\}\}/,
    );
    expect(css).toContain('>:where(:is(th,.zp-head))::before{');
    expect(css).toContain('>* :where(a:not(.zp-button)):active{opacity:.5}');
    expect(css).toContain('.zp-k-around>:where(.zp-pager){cursor:help}');
  });

  it('holds conditions open in a preview', () =>
    expect(sheet('body-rows:hovered b { color: red }', 'specimen')).toContain('tr[data-held~=hovered])>* b{color:red}'));

  it('goes from the weaker place to the stronger, whatever was typed first, and from what lies below to the theme', () => {
    const css = sheet('body-rows:selected i { color: red } row-headers i { color: red } body-rows i { color: red }');
    const at = ['tr)>* i{', ':is(th,.zp-head)) i{', ':is([data-selected],[aria-selected=true]))>* i{'].map((each) => css.indexOf(each));
    expect([...at].sort((a, b) => a - b)).toEqual(at);
    expect(Math.min(...at)).toBeGreaterThan(0);
    const [base, top] = ['a { cursor: help }', 'a { cursor: move }'].map((each) => themeWith({}, { css: `body-rows ${each}` }));
    const view = viewOfChain([{ ...(top as Theme), base: { theme: 'x' } }, base as Theme, ...viewOf(base as Theme).chain.slice(1)]);
    const both = writeCss(sheetOf(view, { use: 'page', key: 'k' }), 'compact');
    expect(both.indexOf('cursor:help')).toBeGreaterThan(0);
    expect(both.indexOf('cursor:move')).toBeGreaterThan(both.indexOf('cursor:help'));
  });

  it('names its keyframes for itself, and moves nothing where less motion is asked for', () => {
    const css = sheet('@keyframes glow { to { color: var(--lamp) } } body-rows b { animation: glow 2s infinite }');
    expect(css).toContain('@keyframes zp-k-glow{to{color:var(--zp-lamp)}}');
    expect(css).toContain('b{animation:zp-k-glow 2s infinite}');
    expect(css).toMatch(/@media \(prefers-reduced-motion:reduce\)\{[^{]*b\{animation:none\}\}/);
  });

  it('keeps what could be painted beyond the table near it', () => {
    expect(sheet('body-rows::after { content: ""; position: absolute; inset: -9999px }')).toContain(
      '.zp-k{contain:layout paint;overflow-clip-margin:3em}',
    );
    expect(sheet('body-rows b { color: red }')).not.toContain('contain');
  });

  it('takes the theme’s own pictures by their names, and none that is not there', () => {
    const pictures = [{ name: 'sail', media: '0123456789abcdef01234567.svg' }];
    expect(sheet('body-rows b { background-image: url("sail"), url("mast") }', 'page', { pictures })).toContain(
      'background-image:url("/pictures/0123456789abcdef01234567.svg"),none',
    );
  });
});

describe('What random extra CSS says', () => {
  it('is what a place has, above what the theme says there in the ledger', () => {
    for (let seed = 0; seed < 40; seed++) {
      const d = dice(seed);
      const theme = withExtra(d, randomTheme(d));
      const view = viewOf(theme);
      const [extra] = view.extras;
      expect(extra?.notices).withContext(`seed ${seed}`).toEqual([]);
      for (const place of places)
        for (const property of propertiesOf(place.part)) {
          const text = extra?.values[place.part]?.[place.condition]?.[property.name];
          if (text !== undefined && !view.isOff(place.part)) expect(view.said(place, property.name)[0]?.text).toBe(text);
        }
    }
  });
});
