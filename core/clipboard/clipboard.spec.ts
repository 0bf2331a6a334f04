import { readClipboard } from '../intake';
import { textsOf, type Block } from '../table';
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
  it('come back as texts where a program takes plain text only', () =>
    expect(back({ html: '', text: clipboardOf(block).text })?.rows).toEqual(block.rows.map(textsOf)));
});
