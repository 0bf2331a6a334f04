import { columnNames, tableOf, textOf, type Cell } from '../../table';
import { tableFile } from '../../hand-off';
import { starter, viewOf } from '../../tests/themes';
import { setValue } from '../../edit';
import { arrange } from '../arrange';
import { bringIn } from '../bring-in';

const brought = (html: string) => {
  const read = bringIn('a.html', new TextEncoder().encode(html));
  if (!read.ok) throw new Error(read.problems.map(({ say }) => say).join());
  return read.value.raw;
};
const tableIn = (html: string) => arrange('x', brought(html)).table;
const texts = (html: string): readonly (readonly string[])[] => brought(html).rows.map((row) => row.map(textOf));

describe('The structure that HTML says', () => {
  it('has as many columns of row headers as are headers in every row of the body', () => {
    const two =
      '<table><thead><tr><th>Quay<th>Boat<th>Leaves</thead><tbody><tr><th rowspan=2>North<th>Moth<td>1</tr><tr><th>Wick<td>2</tr><tr><th>South<th>Ada<td>3</table>';
    expect(brought(two)).toEqual(jasmine.objectContaining({ rowHeaders: 2, headerRows: 1 }));
    const one = '<table><tr><th>A<th>B<th>C</tr><tr><th>Moth<td>1<th>x</tr><tr><th>Wick<td>2<td>y</table>';
    expect(brought(one)).toEqual(jasmine.objectContaining({ rowHeaders: 1, headerRows: 1 }));
    expect(brought('<table><tr><th>A<td>B</tr><tr><td>1<td>2</table>').rowHeaders).toBe(0);
    expect(brought('<table><tr><td>x</tr><tr><th>1<th>2<th>3</table>').rowHeaders).toBe(0);
  });
  it('takes a row group’s header for a heading where it stands above its rows, and not beside them', () => {
    const above = '<table><tr><td>a<td>b</tr><tbody><tr><th scope=rowgroup colspan=2>North</tr><tr><td>1<td>2</table>';
    expect(brought(above).groups?.length).toBe(1);
    const beside = '<table><tr><th>Quay<th>Boat</tr><tbody><tr><th scope=rowgroup rowspan=2>North<td>Moth</tr><tr><td>Wick</tbody></table>';
    expect(brought(beside).groups).toEqual([]);
    expect(tableIn(beside).groups).toEqual([]);
  });
  it('has a second header and a second footer where browsers put them: among the rows', () => {
    const html =
      '<table><tfoot><tr><td>F1</tfoot><thead><tr><th>H1</thead><tbody><tr><td>1</tbody><thead><tr><th>H2</thead><tbody><tr><td>2</tbody><tfoot><tr><td>F2</tfoot></table>';
    expect(texts(html)).toEqual([['H1'], ['1'], ['H2'], ['2'], ['F2'], ['F1']]);
    expect(brought(html)).toEqual(jasmine.objectContaining({ headerRows: 1, footerRows: 1 }));
  });
  it('says it where cells name their headers', () => {
    expect(brought('<table><tr><th id=a>A</tr><tr><td headers=a>1</table>').notes.join(' ')).toContain('headers');
  });
  it('leaves out rows, cells and words that are not shown, and says how many rows', () => {
    const html =
      '<table><tr><td>1<td hidden>x<td>2<span hidden>y</span></tr><tr hidden><td>gone</tr><tr style="color:red; display : none"><td>gone</tr><tbody style="display:none"><tr><td>gone</table>';
    expect(texts(html)).toEqual([['1', '2']]);
    expect(brought(html).notes).toContain('3 rows that are not shown were left out.');
  });
});

describe('The texts that HTML has', () => {
  const first = (cell: string): string => textOf(brought(`<table><tr><td>${cell}</table>`).rows[0]?.[0]);
  it('keep the white space of pre, and no-break spaces', () => {
    expect(first('<pre>a  b\n  c</pre>')).toBe('a  b\n  c');
    expect(first('x <pre>\r\na\r\n\r\nb\n</pre> y')).toBe('x\na\n\nb\ny');
    expect(first('1\u00a0234&nbsp;km')).toBe('1\u00a0234\u00a0km');
    expect(first('&nbsp;')).toBe('');
    expect(first('&nbsp;&nbsp;Moth&nbsp;')).toBe('\u00a0\u00a0Moth');
    expect(first('  a \n\t b  ')).toBe('a b');
  });
  it('have the words of a picture', () => {
    expect(first('<img src="https://x.example/a.png" alt="A boat"> at sea')).toBe('A boat at sea');
    expect(first('<svg><title>Tide up</title><path d="M0 0"/></svg>')).toBe('Tide up');
  });
  it('have nothing of what our own cells carry beside their text', () => {
    const rows = [
      ['Boat', 'Quay', 'Fare'],
      ['Moth', 'North', '8'],
      ['Wick', '', '9'],
    ];
    const table = tableOf('Boats', rows, { merges: [{ row: 1, column: 1, rows: 2, columns: 1 }] });
    const stacked = setValue(
      { format: 'zest-theme/2', name: 'S', base: starter('hairline'), swatches: [], values: {} },
      { part: 'table', condition: 'rest' },
      'arrangement',
      'stacked',
    );
    const file = tableFile(table, { key: 's', view: viewOf(stacked) });
    expect(file).toContain('zp-again');
    expect(arrange('Boats', brought(file)).table.rows).toEqual(rows);
  });
});

describe('The languages that HTML says', () => {
  const spoken = (cell: Cell | undefined): readonly unknown[] =>
    typeof cell === 'object' ? cell.marks.filter(({ kind }) => kind === 'language').map(({ from, to, href }) => [from, to, href]) : [];
  it('are the table’s, from it or from what is around it', () => {
    expect(tableIn('<table lang=de><tr><td>Boot</table>').language).toBe('de');
    expect(tableIn('<!doctype html><html lang="el"><body><main><table><tr><td>Α</table>').language).toBe('el');
    expect(tableIn('<table lang="no such language"><tr><td>Boot</table>').language).toBe('');
    expect(tableIn('<table><tr><td>Boot</table>').language).toBe('');
  });
  it('are a cell’s or a stretch’s where they are another', () => {
    const table = tableIn(
      '<table lang=en><tr><td lang=de>Boot<td>the <i lang=fr>bateau</i><td lang=en>boat</tr><tr lang=es><td>barco<td>x<td lang=en>y</tr><tr><td>tide<td>z<td>w</table>',
    );
    expect(table.rows[0]?.map(spoken)).toEqual([[[0, 4, 'de']], [[4, 10, 'fr']], []]);
    expect(table.rows[1]?.map(spoken)).toEqual([[[0, 5, 'es']], [[0, 1, 'es']], []]);
  });
  it('are a column’s where all of its cells say the same', () => {
    const rows = ['boat|قارب', 'quay|رصيف', 'tide|مد'].map((each) => {
      const [word = '', other = ''] = each.split('|');
      return `<tr><td>${word}<td lang=ar dir=rtl>${other}</tr>`;
    });
    const table = tableIn(`<table lang=en><thead><tr><th>English<th>Arabic</thead>${rows.join('')}</table>`);
    expect(columnNames(table)).toEqual(['English', 'Arabic']);
    expect(table.columns.map(({ language }) => language)).toEqual([undefined, 'ar']);
    expect(table.rows.slice(1)).toEqual([
      ['boat', 'قارب'],
      ['quay', 'رصيف'],
      ['tide', 'مد'],
    ]);
  });
  it('are of the letters’ script where only a direction is said', () => {
    expect(tableIn('<table dir=rtl><tr><td>قارب</table>').language).toBe('und-Arab');
    expect(tableIn('<table dir=RTL><tr><td>סירה</table>').language).toBe('und-Hebr');
    expect(tableIn('<table dir=rtl><tr><td>Moth</table>').language).toBe('');
  });
});
