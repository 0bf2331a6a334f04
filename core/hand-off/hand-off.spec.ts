import { gridTable, themeWith, viewOf } from '../tests/themes';
import { starters } from '../theme';
import { tableFile, themeFile, themeFiles } from './index';

describe('The hand-off', () => {
  it('puts the same class on the table that the stylesheet dresses', () => {
    const theme = starters[0]?.theme ?? themeWith({});
    expect(themeFile(viewOf(theme), 'hairline')).toContain('.zp-hairline');
    expect(tableFile(gridTable(2, 2), { key: 'hairline', view: viewOf(themeWith({})) })).toContain('<table class="zp-hairline">');
    expect(tableFile(gridTable(2, 2), undefined)).toMatch(/^(?:<div[^>]*>\s*){2}<table>/);
  });
  it('keeps a name out of the comment’s end', () =>
    expect(themeFile(viewOf({ ...themeWith({}), name: 'x */ body{}' }), 'x').split('*/').length).toBe(2));
  it('is bright, and goes with dark where that is asked for', () => {
    const dark = {
      ...themeWith({ table: { rest: { fill: 'mist' } } }),
      modes: [{ name: 'dark' as const, swatches: [{ name: 'mist', colour: '#15191c' }], values: {} }],
    };
    const css = (scheme?: 'follows' | 'dark'): string => themeFiles(viewOf(dark), 'x', scheme).css;
    expect(css()).not.toContain('#15191c');
    expect(css('follows')).toMatch(/@media \(prefers-color-scheme:dark\) \{\s+\.zp-x,\.zp-x-around \{\s+--zp-mist: #15191c;/);
    expect(css('dark')).not.toContain('prefers-color-scheme');
  });
  it('scrolls a wide table in its frame', () => expect(themeFile(viewOf(themeWith({})), 'x')).toContain('.zp-frame {\n  overflow-x: auto;'));
  it('has the caption’s name on the frame', () =>
    expect(tableFile(gridTable(1, 1, { caption: 'Boats' }), { key: 'x', view: viewOf(themeWith({})) })).toContain('aria-labelledby="table-caption"'));
  it('brings along what it has beside its theme, the hand’s looks after it', () => {
    const theme = themeWith({ 'body-rows': { hovered: { ink: 'lamp' } } });
    const table = { ...gridTable(2, 2), exceptions: [{ row: null, column: 1, reach: '' as const, dressing: '', values: { ink: 'deep' } }] };
    const file = tableFile(table, { key: 'x', view: viewOf(theme) });
    const [style = '', markup = ''] = file.split('</style>');
    expect(style).toMatch(/^<style>\n\.zp-x \{\n {2}--zp-/);
    expect(style.indexOf('zp-x-')).toBeLessThan(style.indexOf(':hover'));
    expect(markup).toMatch(/<td class="zp-x-\w+">/);
    expect(tableFile(gridTable(2, 2), { key: 'x', view: viewOf(theme) })).not.toContain('<style>');
  });
});
