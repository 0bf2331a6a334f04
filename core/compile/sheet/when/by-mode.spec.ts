import { dice, randomGrown, randomTheme, starterNames, withModes, withSteps } from '../../../tests/random';
import { themeWith, viewOf } from '../../../tests/themes';
import { modeNames, viewOfChain, type ModeName, type Theme, type ThemeView } from '../../../theme';
import { byMode, modeQueries } from './by-mode';
import { byWidth } from './by-width';
import { withNamedValues } from './named-values';
import { themeCss } from '../theme-css';
import { familyOf } from '../families';
import { sheetOf } from '../sheet';
import { rule, walk, writeCss, type CssNode, type Declaration, type Stylesheet } from '../stylesheet';

/** What is left of a sheet where one of its media queries holds and those beside it do not. */
const where = (sheet: Stylesheet, query: string, all: readonly string[]): Stylesheet =>
  sheet.flatMap((node): readonly CssNode[] => {
    if (node.kind !== 'media' || !node.query.split(',').every((each) => all.includes(each))) return [node];
    return node.query.split(',').includes(query) ? node.rules : [];
  });

/** A value without names for what differs in dark: what each is in the mode that holds, or its own where it is not defined there. */
function unnamed(value: string, defined: ReadonlyMap<string, string>): string {
  const [found, name = ''] = /var\((--zp_\d+),/.exec(value) ?? [];
  if (found === undefined) return value;
  const start = value.indexOf(found);
  let end = start + found.length;
  for (let open = 1; open > 0; end++) open += value[end] === '(' ? 1 : value[end] === ')' ? -1 : 0;
  const own = value.slice(start + found.length, end - 1);
  return unnamed(`${value.slice(0, start)}${defined.get(name) ?? own}${value.slice(end)}`, defined);
}

/** The declarations of each family of properties in their order, with where they stand. */
function sequences(sheet: Stylesheet): Readonly<Record<string, readonly string[]>> {
  const found: Record<string, string[]> = {};
  const defined = new Map<string, string>();
  walk(sheet, (_selector, declarations) => declarations.forEach(([property, value]) => /^--zp_\d/.test(property) && defined.set(property, value)));
  walk(sheet, (selector, declarations, within) => {
    for (const [property, value] of declarations)
      if (!defined.has(property)) (found[familyOf(property)] ??= []).push(`${within}{${selector}{${property}:${unnamed(value, defined)}`);
  });
  return found;
}

describe('A stylesheet of several modes', () => {
  const plain = (view: ThemeView): Stylesheet => {
    const at = (each: ThemeView): Stylesheet => themeCss(each, { key: 'k', held: true, around: true });
    return view.mode === 'print' ? at(view) : byWidth(view, at);
  };
  it('says in each mode precisely what that mode’s own says, for 40 random themes with steps and bases', () => {
    for (let seed = 0; seed < 40; seed++) {
      const d = dice(40_000 + seed);
      const family = d.chance(0.3) ? randomGrown(d, starterNames, 2).chain : viewOf(withSteps(d, randomTheme(d, starterNames))).chain;
      const view = viewOfChain([withModes(d, family[0]), ...family.slice(1)]);
      const queries = modeQueries(view.modes);
      const whole = byMode(view, view.modes, plain);
      for (const [i, mode] of (['', ...view.modes] as const).entries())
        expect(sequences(where(whole, queries[i] ?? '', queries)))
          .withContext(`seed ${seed}, ${mode || 'bright'}`)
          .toEqual(sequences(plain(view.in(mode))));
    }
  });
  /** What is left of a sheet on a screen or on paper, in a state of the visitor's system, on a site with its mark or without. */
  const seen = (sheet: Stylesheet, medium: 'screen' | 'print', feature: string, isMarked: boolean): Stylesheet =>
    sheet.flatMap((node): readonly CssNode[] => {
      const isOurs = node.kind === 'media' && /^(?:screen|print|\(not |\(forced|\(prefers-c)/.test(node.query);
      if (node.kind !== 'media' || !isOurs) return [node];
      const isTrue = (term: string): boolean =>
        term === 'screen' || term === 'print'
          ? term === medium
          : term.startsWith('(not ')
            ? feature === '' || !term.includes(feature)
            : term === feature;
      if (!node.query.split(',').some((each) => each.split(' and ').every(isTrue))) return [];
      const [is, not] = [':where(.dark *)', ':where(:not(.dark *))'];
      const inside = (rules: readonly CssNode[]): readonly CssNode[] =>
        rules.flatMap((each): readonly CssNode[] => {
          if (each.kind !== 'rule') return [{ ...each, rules: inside(each.rules) }].filter(({ rules: left }) => left.length > 0);
          if (each.selector.includes(isMarked ? not : is)) return [];
          return [{ ...each, selector: each.selector.replaceAll(isMarked ? is : not, '') }];
        });
      return inside(node.rules);
    });
  it('goes by a mark of the site, bright on paper, for 30 random themes', () => {
    for (let seed = 0; seed < 30; seed++) {
      const d = dice(41_000 + seed);
      const grown = withModes(d, withSteps(d, randomTheme(d, starterNames)));
      const some = viewOf(grown);
      const view = some.modes.includes('dark') ? some : viewOf({ ...grown, modes: [{ name: 'dark', values: grown.values }] });
      const { modes } = view;
      const whole = byMode(view, modes, plain, '.dark');
      const has = (mode: ModeName): ModeName | '' => (modes.includes(mode) ? mode : '');
      for (const [medium, feature, isMarked, mode] of [
        ['screen', '', true, 'dark'],
        ['screen', '', false, ''],
        ['screen', '(prefers-contrast:more)', false, has('contrast')],
        ['screen', '(prefers-contrast:more)', true, 'dark'],
        ['screen', '(forced-colors:active)', true, has('forced') || 'dark'],
        ['print', '', true, has('print')],
        ['print', '', false, has('print')],
      ] as const)
        expect(sequences(seen(whole, medium, feature, isMarked)))
          .withContext(`seed ${seed}, ${medium} ${feature} ${isMarked}, ${modes.join()}`)
          .toEqual(sequences(plain(view.in(mode))));
    }
  });
  it('says nothing more for a theme without modes, and for other swatches little more', () => {
    const bare = themeWith({ 'body-rows': { rest: { fill: 'mist' } } });
    const dark = { ...bare, modes: [{ name: 'dark' as const, swatches: [{ name: 'mist', colour: '#1b1f24' }], values: {} }] };
    const css = (scheme: 'light' | 'dark' | 'follows', theme: Theme = dark): string =>
      writeCss(sheetOf(viewOf(theme), { use: 'page', key: 'k', scheme }), 'compact');
    // Bright unless somebody says that it is not.
    expect(css('light')).toBe(css('follows', bare));
    expect(css('dark')).toContain('.zp-k{--zp-mist:#1b1f24;color-scheme:dark}');
    expect(css('dark')).not.toContain('prefers-color-scheme');
    expect(css('follows')).toContain('@media (prefers-color-scheme:dark){.zp-k{--zp-mist:#1b1f24;color-scheme:dark}}');
    expect(css('follows')).toContain('@media (not (prefers-color-scheme:dark)){.zp-k{--zp-mist:#eef5f6}}');
    expect(css('follows').length).toBeLessThan(css('light').length + 250);
  });
  it('says once what differs in dark by its values only, with a name for each pair of them', () => {
    const light = themeWith({
      'body-rows': { rest: { fill: '#ffffff' }, even: { fill: 'mist' } },
    });
    const values = { 'body-rows': { rest: { fill: '#161616' }, even: { fill: 'deep' } }, 'column-headers': { rest: { ink: 'inherit' } } };
    const css = writeCss(
      sheetOf(viewOf({ ...light, modes: [{ name: 'dark' as const, values }] }), { use: 'page', key: 'k', scheme: 'follows' }),
      'compact',
    );
    expect(css.match(/#ffffff/g)?.length).toBe(1);
    expect(css).toContain('background-color:var(--zp_1,#ffffff)');
    expect(css).toContain('background-color:var(--zp_2,var(--zp-mist))');
    expect(css).toContain('color-scheme:dark;--zp_1:#161616;--zp_2:var(--zp-deep)}}');
  });
  it('names no value that says where a value comes from: in a custom property that would be its own', () => {
    for (const [bright, dark] of [
      ['#102030', 'inherit'],
      ['inherit', '#102030'],
      ['revert', 'unset'],
    ] as const) {
      const sheet = (value: string, more: readonly Declaration[] = []): Stylesheet => [rule('.zp-k', ...more), rule('.zp-k td', ['color', value])];
      const sheets = [sheet(bright), sheet(dark, [['color-scheme', 'dark']])];
      expect(withNamedValues(sheets, 1)).toEqual(sheets);
    }
  });
  it('has one mode at a time: paper, forced colours, dark, more contrast', () => {
    expect(modeQueries(['dark'])).toEqual(['(not (prefers-color-scheme:dark))', '(prefers-color-scheme:dark)']);
    expect(modeQueries(['print'])).toEqual(['screen', 'print']);
    const all = modeQueries(modeNames);
    expect(all[0]).toBe('screen and (not (forced-colors:active)) and (not (prefers-color-scheme:dark)) and (not (prefers-contrast:more))');
    expect(all[1 + modeNames.indexOf('dark')]).toBe('screen and (prefers-color-scheme:dark) and (not (forced-colors:active))');
    expect(all[1 + modeNames.indexOf('print')]).toBe('print');
  });
  it('has no width steps on paper, and the modes of bright tables alone where it is held dark', () => {
    const theme = {
      ...themeWith({}),
      widths: [{ name: 'narrow', width: 480, values: { 'body-rows': { rest: { size: '9px' } } } }],
      modes: (['dark', 'contrast', 'print'] as const).map((name: ModeName) => ({ name, values: { 'body-rows': { rest: { weight: '700' } } } })),
    };
    expect(viewOf(theme).in('print').at('narrow').said({ part: 'body-rows', condition: 'rest' }, 'size')).toEqual([]);
    const css = writeCss(sheetOf(viewOf(theme), { use: 'page', key: 'k', scheme: 'dark' }), 'compact');
    expect(css).not.toContain('prefers-contrast');
    expect(css).toMatch(/@media screen\{.*@container zp \(width<=480px\)\{[^{]*\{font-size:9px;font-weight:700\}.*@media print\{/);
    // Paper is bright, whatever the screen is.
    const dark = { ...themeWith({}), modes: [{ name: 'dark' as const, values: { 'body-rows': { rest: { fill: '#111111' } } } }] };
    expect(writeCss(sheetOf(viewOf(dark), { use: 'page', key: 'k', scheme: 'dark' }), 'compact')).toMatch(/@media screen\{.*#111111/);
  });
});
