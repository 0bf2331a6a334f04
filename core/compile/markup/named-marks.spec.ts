import { emptyPage, type TableBlock } from '../../page';
import { tableOf } from '../../table';
import { themeWith, viewOf } from '../../tests/themes';
import type { Theme } from '../../theme';
import { compilePage, writeHtml } from '../index';

const table = tableOf(
  'Fares',
  [
    ['Boat', 'Single', 'Return'],
    ['Moth', '8.5', '−12'],
    ['Wick', '11.25', '19'],
  ],
  { headerRows: 1, rowHeaders: 1 },
);
const block: TableBlock = {
  id: 'a',
  kind: 'table',
  shows: { kind: 'tables', id: 't' },
  dress: { kind: 'themes', id: 'x' },
  width: 'fill',
  align: 'start',
  room: '0',
  visitor: null,
};
const html = (theme: Theme, lasting = false): string =>
  writeHtml(
    compilePage(
      {
        page: { ...emptyPage('P', 'p'), blocks: [block] },
        tables: new Map([['t', table]]),
        themes: new Map([['x', { key: 'x', view: viewOf(theme) }]]),
      },
      { stylesheet: '', siteName: '', lasting },
    ).html,
    'compact',
  );

describe('A page’s marks of cells', () => {
  const plain = themeWith({ table: { rest: { fill: '#ffffff' } } });
  it('are left out where none of its rules names them', () => {
    expect(html(plain)).toContain('<tr><th scope="row">Moth</th><td>8.5</td><td>−12</td></tr>');
  });
  it('are there where one does, and only those', () => {
    expect(html(themeWith({ numbers: { negative: { ink: '#aa0000' } } }))).toContain('<td class="zp-number zp-negative">−12</td>');
    expect(html(themeWith({ lines: { rest: { 'beside-row-headers': '2px solid #000000' } } }))).toContain('<td class="zp-beside">8.5</td>');
  });
  it('are all there in markup that outlives the stylesheet', () => {
    expect(html(plain, true)).toContain('<td role="cell" class="zp-beside zp-number" data-pad="');
  });
});
