import { bringAgain, columnNames, mergeCells, possibleKeys, readTable, tableOf, type Again, type Table } from '../index';

const old = tableOf(
  'Fares',
  [
    ['Boat', 'Fare', 'Note'],
    ['Moth', '£8', 'slow'],
    ['Wick', '£11', ''],
    ['Gull', '£9', 'new'],
    ['Total', '£28', ''],
  ],
  { caption: 'Fares', rowHeaders: 1, footerRows: 1, theme: 't' },
);
const newer = tableOf(
  'x',
  [
    ['fare', 'BOAT ', 'Berth'],
    ['£12', 'Wick', '4'],
    ['£8', 'Moth', '1'],
    ['£7', 'Ada', '2'],
    ['£27', 'Total', ''],
  ],
  { footerRows: 1 },
);
const again = (table: Table, file: Table, key = 'Boat'): Again => {
  const outcome = bringAgain(table, file, key);
  if (!outcome.ok) throw new Error(outcome.problems[0]?.code);
  expect(readTable(outcome.value.table).ok).toBeTrue();
  return outcome.value;
};

describe('Bringing a newer file in', () => {
  it('matches columns by name and rows by key, keeps what the file lacks, and lists what differs', () => {
    const { table, added, removed, changed, newColumns, keptColumns } = again(old, newer);
    expect(table.rows).toEqual([
      ['Boat', 'Fare', 'Note', 'Berth'],
      ['Wick', '£12', '', '4'],
      ['Moth', '£8', 'slow', '1'],
      ['Ada', '£7', '', '2'],
      ['Total', '£27', '', ''],
    ]);
    expect([table.caption, table.rowHeaders, table.footerRows, table.theme]).toEqual(['Fares', 1, 1, 't']);
    expect([added, removed]).toEqual([['Ada'], ['Gull']]);
    expect(changed).toEqual([{ key: 'Wick', column: 'Fare', before: '£11', after: '£12' }]);
    expect([newColumns, keptColumns]).toEqual([['Berth'], ['Note']]);
  });
  it('changes nothing when the file is the same', () => {
    const { table, added, removed, changed } = again(old, old);
    expect(table).toEqual(old);
    expect([added, removed, changed]).toEqual([[], [], []]);
  });
  it('offers keys that tell every row in both, and refuses others', () => {
    expect(possibleKeys(old, newer)).toEqual(['Boat', 'Fare']);
    const outcome = bringAgain(old, newer, 'Note');
    expect(outcome.ok ? '' : outcome.problems[0]?.code).toBe('no-key');
  });
  it('carries merged cells along while their rows stand together', () => {
    const merged = mergeCells(old, { row: 1, column: 2 }, { row: 2, column: 2 });
    if (!merged.ok) throw new Error('It can be merged');
    expect(again(merged.value, merged.value).table.merges).toEqual(merged.value.merges);
    const turned = again(merged.value, newer);
    expect(turned.table.merges).toEqual([]);
    expect(turned.notes).toEqual(['Merged cells whose rows no longer stand together were split.']);
  });
  it('calls columns by the whole way down where their lowest cells are alike', () => {
    const tiers = tableOf(
      'x',
      [
        ['', 'Out', '', 'Back', ''],
        ['Boat', 'Day', 'Night', 'Day', 'Night'],
        ['Moth', '1', '2', '3', '4'],
      ],
      { headerRows: 2 },
    );
    const merged = mergeCells(tiers, { row: 0, column: 1 }, { row: 0, column: 2 });
    expect(merged.ok && columnNames(merged.value)).toEqual(['Boat', 'Out, Day', 'Out, Night', 'Back, Day', 'Night']);
  });
});
