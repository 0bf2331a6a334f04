import { sheetOf, writeCss } from '../compile';
import { fillLayers, inkOf } from '../paint';
import { gridTable, themeWith, viewOf } from '../tests/themes';
import { gridOf, slotOf } from '../table';
import type { Theme } from '../theme';
import { cellLines, outgrown } from './index';

const css = (values: Theme['values']): string => writeCss(sheetOf(viewOf(themeWith(values)), { use: 'file', key: 'x' }), 'compact');

describe('Lines by band', () => {
  const tops = (values: Theme['values'], band = '2nd'): (string | undefined)[] => {
    const view = viewOf(themeWith({ ...values, 'body-rows': { rest: { band } } }));
    const table = gridTable(8, 1);
    return [1, 2, 3, 4, 5, 6, 7].map((row) => cellLines(view, table, gridOf(table).at(row, 0)).top?.css.split(' ')[0]);
  };
  const lines = { 'above-even-rows': '2px solid deep', 'below-even-rows': '3px solid deep', rows: '1px solid mist' };
  it('stand above and below even rows, and nowhere else', () => {
    expect(tops({ lines: { rest: lines } })).toEqual(['1px', '2px', '3px', '2px', '3px', '2px', '3px']);
    expect(tops({ lines: { rest: lines } }, '3rd')).toEqual(['1px', '1px', '2px', '3px', '1px', '2px', '3px']);
    // The first row has no row above it.
    expect(tops({ lines: { rest: lines } }, '3rd from 1')).toEqual(['1px', '3px', '1px', '2px', '3px', '1px', '2px']);
  });
  it('give way to what is said of the first and the last row where cells are single', () => {
    const more = { ...lines, 'after-first-row': '4px solid lamp', 'before-last-row': '5px solid lamp' };
    expect(tops({ table: { rest: { cells: 'single' } }, lines: { rest: more } })).toEqual(['1px', '4px', '3px', '2px', '3px', '2px', '5px']);
  });
  it('come to a rule each, and to none where they change nothing', () => {
    expect(css({ lines: { rest: lines } })).toContain('tr:nth-child(2n+2 of :not([hidden])))>*{border-block-start:2px');
    expect(css({ lines: { rest: { ...lines, 'above-even-rows': '1px solid mist' } } })).not.toContain('2n+2 of');
    // The weaker line of the last row would lie over it: it is said once more there.
    const both = css({ lines: { rest: { 'above-even-rows': '2px solid deep', 'before-last-row': '1px solid mist' } } });
    expect(both).toContain(':nth-last-child(1 of :not([hidden])):nth-child(2n+2 of');
  });
});

describe('A hovered row by its band', () => {
  const values: Theme['values'] = {
    'body-rows': { hovered: { fill: 'mist', ink: 'deep' }, 'hovered-even': { fill: 'lamp', ink: '#ffffff' } },
  };
  it('has the fill and the ink of that band, held and real', () => {
    const view = viewOf(themeWith(values));
    const table = gridTable(4, 1);
    const at = (row: number): string[] => {
      const slot = slotOf(table, gridOf(table).at(row, 0), ['hovered']);
      return [fillLayers(view, slot).over, inkOf(view, slot)].map(({ r }) => r.toFixed(2));
    };
    expect(at(1)).toEqual(['0.93', '0.07']);
    expect(at(2)).toEqual(['0.89', '1.00']);
    expect(css(values)).toMatch(/@media \(hover:hover\)\{[^@]*tr:nth-child\(even of :not\(\[hidden\]\)\):hover\)>\*\{[^}]*color:#ffffff/);
  });
});

describe('A least row height', () => {
  const text = { 'line-height': '1.45', size: '15px', 'padding-top': '9px', 'padding-bottom': '9px' };
  const body = { part: 'body-rows', conditions: [] } as const;
  it('is told where text, padding and lines come to more', () => {
    expect(outgrown(viewOf(themeWith({ table: { rest: { ...text, 'row-height': '30px' } } })), body)).toBe(39.75);
    expect(
      outgrown(viewOf(themeWith({ table: { rest: { ...text, 'row-height': '30px' } }, lines: { rest: { rows: '2px solid mist' } } })), body),
    ).toBe(41.75);
    expect(outgrown(viewOf(themeWith({ table: { rest: { ...text, 'row-height': '3em' } } })), body)).toBeUndefined();
    expect(outgrown(viewOf(themeWith({ table: { rest: text } })), body)).toBeUndefined();
    expect(outgrown(viewOf(themeWith({ table: { rest: { ...text, 'line-height': 'page', 'row-height': '4px' } } })), body)).toBeUndefined();
  });
});
