import { readClipboard } from '../intake';
import { clipboardOf } from './index';

describe('Cells on the clipboard', () => {
  const block = {
    rows: [
      ['a', '', 'x\ty'],
      ['', '', 'two\nlines'],
      ['"q"', '<b>&', '=1'],
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
    expect(raw?.rows).toEqual(block.rows.map((cells) => cells.map((text) => text.replace('\t', ' '))));
  });
  it('come back as texts where a program takes plain text only', () =>
    expect(back({ html: '', text: clipboardOf(block).text })?.rows).toEqual(block.rows));
});
