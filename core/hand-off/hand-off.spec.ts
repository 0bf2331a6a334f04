import { gridTable, themeWith } from '../tests/themes';
import { starters } from '../theme';
import { tableFile, themeFile } from './index';

describe('The hand-off', () => {
  it('puts the same class on the table that the stylesheet dresses', () => {
    const theme = starters[0]?.theme ?? themeWith({});
    expect(themeFile(theme, 'hairline')).toContain('.zp-hairline');
    expect(tableFile(gridTable(2, 2), 'hairline')).toContain('<table class="zp-hairline">');
    expect(tableFile(gridTable(2, 2), undefined)).toContain('<table>');
  });
  it('keeps a name out of the comment’s end', () => expect(themeFile({ ...themeWith({}), name: 'x */ body{}' }, 'x').split('*/').length).toBe(2));
  it('scrolls a wide table in its frame', () => expect(themeFile(themeWith({}), 'x')).toContain('.zp-frame {\n  overflow-x: auto;'));
  it('has the caption’s name on the frame', () =>
    expect(tableFile(gridTable(1, 1, { caption: 'Boats' }), 'x')).toContain('aria-labelledby="table-caption"'));
});
