import { deleteColumn, joinColumns, mergeCells, readTable, separatorIn, splitColumn, tableOf, widthOf, type Edited, type Table } from '..';

const done = (edited: Edited): Table => {
  if (!edited.ok) throw new Error(edited.problems[0]?.say);
  return edited.value;
};
const refusal = (edited: Edited): string => (edited.ok ? 'done' : (edited.problems[0]?.code ?? ''));

describe('A column that holds several values', () => {
  const tides = tableOf('Tides', [
    ['Place', 'High / low', 'Note'],
    ['Skerrin', '4.2 / 1.1', 'a'],
    ['Tarn Isle', '3.9 /0.8', ''],
    ['Low Sound', '', 'c'],
    ['Fennel Point', '5.0', 'd'],
  ]);

  it('is parted at what stands between them, with its header, and joined again', () => {
    expect(separatorIn(tides, 1)).toBe(' / ');
    const parted = done(splitColumn(tides, 1, ' / '));
    expect(parted.rows).toEqual([
      ['Place', 'High', 'low', 'Note'],
      ['Skerrin', '4.2', '1.1', 'a'],
      ['Tarn Isle', '3.9', '0.8', ''],
      ['Low Sound', '', '', 'c'],
      ['Fennel Point', '5.0', '', 'd'],
    ]);
    expect(readTable(JSON.parse(JSON.stringify(parted))).ok).toBeTrue();
    expect(done(joinColumns(parted, 1, 2, ' / ')).rows).toEqual(tides.rows.with(2, ['Tarn Isle', '3.9 / 0.8', '']));
  });

  it('numbers the headers of the new columns where the header is not parted itself', () => {
    const plain = { ...tides, rows: tides.rows.with(0, ['Place', 'Tide', 'Note']) };
    expect(done(splitColumn(plain, 1, '/')).rows[0]).toEqual(['Place', 'Tide', 'Tide 2', 'Note']);
  });

  it('keeps the marks of each part', () => {
    const marked = {
      ...tides,
      rows: tides.rows.with(1, ['Skerrin', { text: '4.2 / 1.1', marks: [{ from: 0, to: 7, kind: 'bold' as const }] }, 'a']),
    };
    expect(done(splitColumn(marked, 1, '/')).rows[1]).toEqual([
      'Skerrin',
      { text: '4.2', marks: [{ from: 0, to: 3, kind: 'bold' }] },
      { text: '1.1', marks: [{ from: 0, to: 1, kind: 'bold' }] },
      'a',
    ]);
  });

  it('leaves merged cells alone, and headings over it whole', () => {
    const headed = done(
      mergeCells({ ...tides, headerRows: 2, rows: [['', 'Water', ''], ...tides.rows] }, { row: 0, column: 1 }, { row: 0, column: 2 }),
    );
    const parted = done(splitColumn(headed, 1, '/'));
    expect(parted.merges).toEqual([{ row: 0, column: 1, rows: 1, columns: 3 }]);
    expect(parted.rows[0]).toEqual(['', 'Water', '', '']);
    expect(parted.rows[2]).toEqual(['Skerrin', '4.2', '1.1', 'a']);
  });

  it('says why it cannot be parted or joined', () => {
    expect(refusal(splitColumn(tides, 0, '/'))).toBe('split-none');
    expect(refusal(splitColumn(tides, 1, ''))).toBe('split-none');
    expect(refusal(splitColumn({ ...tides, rows: tides.rows.with(1, ['a', 'x/'.repeat(120), '']) }, 1, '/'))).toBe('columns-most');
    expect(refusal(joinColumns(tides, 1, 1, ' '))).toBe('join-one');
    const merged = done(mergeCells(tides, { row: 1, column: 0 }, { row: 1, column: 1 }));
    expect(refusal(joinColumns(merged, 1, 2, ' '))).toBe('join-merge');
    expect(widthOf(done(joinColumns(merged, 0, 1, ', ')))).toBe(2);
    const worked = { ...tides, columns: tides.columns.with(1, { ...(tides.columns[1] ?? {}), formula: '1' } as Table['columns'][number]) };
    expect([refusal(splitColumn(worked, 1, '/')), refusal(joinColumns(worked, 0, 1, ' '))]).toEqual(['split-worked-out', 'join-worked-out']);
  });

  it('proposes nothing where most cells are single values', () => {
    expect(separatorIn(tides, 0)).toBe('');
    expect(separatorIn(done(deleteColumn(tides, 1)), 1)).toBe('');
  });
});
