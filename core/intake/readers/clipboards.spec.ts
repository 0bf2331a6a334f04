import { isNumber, numberColumns, tableOf, textOf } from '../../table';
import { findType } from '../../data-types';
import { arrange, bringIn, readClipboard } from '../index';

const said = (text: string, html = ''): string => {
  const read = readClipboard({ text, html });
  return read.ok
    ? JSON.stringify(read.value.raw.rows.map((row) => row.map(textOf)))
    : `${read.problems[0]?.say ?? ''} ${read.problems[0]?.remedy ?? ''}`;
};

describe('What a clipboard holds', () => {
  it('with a table of Markdown is read as one', () => {
    const text = '| Boat | Fare |\n| --- | ---: |\n| **Moth** | £8 |\n';
    const read = readClipboard({ text, html: '' });
    expect(read.ok && [read.value.kind, read.value.raw.headerRows]).toEqual(['markdown', 1]);
    expect(said(text)).toBe('[["Boat","Fare"],["Moth","£8"]]');
    expect(said('a|b\nc|d')).toBe('[["a","b"],["c","d"]]');
  });
  it('with one word or one number is one cell, and nothing is said of separators', () => {
    const read = readClipboard({ text: ' 42\n', html: '' });
    expect(read.ok && read.value.raw).toEqual({ rows: [['42']], merges: [], notes: [] });
    expect(said('A sentence')).toBe('[["A sentence"]]');
  });
  it('without cells is told in a sentence that fits', () => {
    expect(said('')).toBe('There are no cells on the clipboard. Copy the cells first, then paste.');
    expect(said(' \n ', '<p>hello</p>')).toContain('no cells on the clipboard');
    expect(said(',,,\n,,,')).toContain('nothing but separators');
  });
  it('with tables in tables beyond all reason is told in our words', () => {
    const html = `${'<table><tr><td>'.repeat(3000)}x`;
    expect(said('', html)).toContain('more than 500 deep');
    const read = bringIn('a.html', new TextEncoder().encode(html));
    expect(read.ok ? '' : read.problems[0]?.say).toContain('more than 500 deep');
  });
});

describe('What figures are', () => {
  it('numbers with nothing before their decimal mark are numbers', () => {
    expect(['.5', '-.25', '£.75', '.', '.5.5'].map(isNumber)).toEqual([true, true, true, false, false]);
  });
  it('codes that are dialled are none where a column has nothing else', () => {
    const isNumeric = (...codes: readonly string[]): boolean | undefined =>
      numberColumns(tableOf('x', [['Code'], ...codes.map((code) => [code])]))[0]?.isNumeric;
    expect([isNumeric('+244', '+355', '+1'), isNumeric('+244', '-3', '+1')]).toEqual([false, true]);
    expect([findType(['+244', '+355', '+1']).type, findType(['+2.5', '-3', '+1']).type]).toEqual(['text', 'number']);
  });
  it('stand under names, even where two of these are the same', () => {
    const headerRows = (csv: string): number => {
      const read = bringIn('a.csv', new TextEncoder().encode(csv));
      return read.ok ? arrange('a', read.value.raw).table.headerRows : -1;
    };
    expect(headerRows('a,a,b\n1,2,3\n4,5,6\n')).toBe(1);
    expect(headerRows('a,a,b\nc,d,e\n')).toBe(0);
  });
  it('that one row has more of do not make the others short', () => {
    const read = bringIn('a.csv', new TextEncoder().encode('a,b,c\n1,2,3\n1,2,3\n1,2,3,4\n1,2,3\n'));
    const notes = read.ok ? arrange('a', read.value.raw).notes.join(' ') : '';
    expect(notes).toContain('Row 4 came in longer than the others');
    expect(notes).not.toContain('short');
  });
});
