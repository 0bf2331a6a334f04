import { themeWith, viewOf } from '../../tests/themes';
import type { Values } from '../../theme';
import { sheetOf } from '../sheet/sheet';
import { themeCss } from '../sheet/theme-css';
import { writeCss } from '../sheet/stylesheet';

const css = (values: Readonly<Record<string, Readonly<Record<string, Values>>>>): string =>
  writeCss(themeCss(viewOf(themeWith(values)), { key: 'k', lean: true }), 'compact');

describe('Rows as boxes', () => {
  const cards = css({
    table: { rest: { cells: 'spaced', gap: '0 8px' } },
    'body-rows': { rest: { 'row-radius': '10px', 'row-shadow': '0 1px 3px #000000' }, hovered: { bar: '4px #b8470a' }, selected: { bar: 'none' } },
  });
  it('are round at the cells of both ends, and have a shadow where no merged cell holds them together', () => {
    expect(cards).toContain('border-spacing:0 8px');
    expect(cards).toContain('>:where(:first-child:not(.zp-inset)){border-start-start-radius:10px;border-end-start-radius:10px}');
    expect(cards).toContain(':where(:not(.zp-uneven,:has(>[rowspan]))){box-shadow:0 1px 3px #000000}');
  });
  it('have an outline where the system has the colours, and sorted columns a ground', () => {
    const forced = (values: Parameters<typeof css>[0]): string => {
      const whole = writeCss(sheetOf(viewOf(themeWith(values)), { use: 'page', key: 'k' }), 'compact');
      return whole.slice(whole.indexOf('@media (forced-colors:active)'));
    };
    expect(forced({ 'body-rows': { rest: { 'row-radius': '4px' }, sorted: { fill: '#eeeeee' } } })).toMatch(
      /\.zp-sorted\)\{forced-color-adjust:none;.*Highlight 20%.*tr\)\{outline:1px solid\}/,
    );
    expect(forced({})).not.toMatch(/zp-sorted|outline:1px solid\}/);
  });
  it('have a bar at the side at which they begin, and none again where a stronger condition says so', () => {
    expect(cards).toMatch(/@media \(hover:hover\)\{[^}]*tr:hover[^}]*\{box-shadow:inset calc\(4px\*var\(--zp_side,1\)\) 0 #b8470a\}/);
    expect(cards).toMatch(/\[aria-selected=true\][^{]*\{box-shadow:none\}/);
    expect(cards).toContain('.zp-k:dir(rtl){--zp_side:-1}');
    expect(css({ 'body-rows': { rest: { bar: 'none', 'row-shadow': 'none' } } })).not.toContain('box-shadow');
  });
});

describe('Changes that go gradually', () => {
  const view = viewOf(themeWith({ table: { rest: { transition: 'fill 150ms' } }, 'body-rows': { hovered: { fill: '#ffe9c7' } } }));
  const sheet = writeCss(sheetOf(view, { use: 'page', key: 'k' }), 'compact');
  it('are of a colour that the document’s sheet registers, for visitors who do not want less motion', () => {
    expect(sheet).toContain('@property --zp_over{syntax:"<color>";inherits:false;initial-value:transparent}');
    expect(sheet).toMatch(/tr:hover\)>\*\{--zp_over:#ffe9c7\}/);
    expect(sheet).toMatch(/@media \(prefers-reduced-motion:no-preference\)\{[^}]*\{transition:background-color 0\.15s ease,--zp_over 0\.15s ease\}/);
  });
  it('are nothing in a theme that says nothing of them', () =>
    expect(writeCss(sheetOf(viewOf(themeWith({})), { use: 'page', key: 'k' }), 'compact')).not.toMatch(/transition|@property|zp_over/));
});
