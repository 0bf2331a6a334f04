import { readClipboard } from '../intake';
import { textsOf, type Block, type Cell, type Row } from '../table';
import { clipboardOf } from './index';

describe('Cells on the clipboard', () => {
  const block: Block = {
    rows: [
      ['a', '', 'x\ty'],
      ['', '', 'two\nlines'],
      ['"q"', '<b>&', '=1'],
      [{ text: 'bold', marks: [{ from: 0, to: 2, kind: 'bold' }] }, { text: 'map', marks: [{ from: 0, to: 3, kind: 'link', href: '/m?a&b' }] }, ''],
    ],
    merges: [{ row: 0, column: 0, rows: 2, columns: 2 }],
  };
  const back = (clipboard: { readonly html: string; readonly text: string }) => {
    const read = readClipboard(clipboard);
    return read.ok ? read.value.raw : undefined;
  };
  it('come back whole from their HTML, merged cells with them', () => {
    const raw = back(clipboardOf(block));
    expect(raw?.merges).toEqual(block.merges);
    expect(raw?.rows).toEqual(block.rows.map((cells) => cells.map((cell) => (typeof cell === 'string' ? cell.replace('\t', ' ') : cell))));
  });
  it('come back with their pictures, icons and links, whatever lies within what', () => {
    const picture = (text: string, href: string): Cell => ({ text, marks: [{ from: 0, to: text.length, kind: 'picture', href }] });
    const rows: readonly Row[] = [
      [picture('The Moth at her berth', '/pictures/moth.png'), { text: 'star', marks: [{ from: 0, to: 4, kind: 'icon', href: 'star' }] }],
      [
        {
          text: 'See moth now',
          marks: [
            { from: 0, to: 12, kind: 'link', href: '/boats/moth' },
            { from: 4, to: 8, kind: 'picture', href: '/pictures/m-2.svg' },
            { from: 9, to: 12, kind: 'bold' },
          ],
        },
        picture(' ', '/pictures/plain.webp'),
      ],
    ];
    expect(back(clipboardOf({ rows, merges: [] }))?.rows).toEqual(rows);
  });
  it('bring the words of pictures that lie elsewhere, and fetch none', () => {
    const html =
      '<table><tr><td><img src="https://x.test/a.png" alt="a boat"> at <img src="/pictures/../x.js"></td><td><img src=x></td></tr></table>';
    expect(back({ html, text: '' })?.rows).toEqual([['a boat at', '']]);
  });
  it('come back as texts where a program takes plain text only', () =>
    expect(back({ html: '', text: clipboardOf(block).text })?.rows).toEqual(block.rows.map(textsOf)));
});
