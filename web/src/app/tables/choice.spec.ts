import { tableOf } from '../../../../core/table';
import { growChoice } from './choice';

describe('What is chosen in a table', () => {
  const table = tableOf(
    'x',
    Array.from({ length: 4 }, () => ['a', 'b', 'c', 'd']),
    {
      headerRows: 2,
      merges: [
        { row: 0, column: 1, rows: 1, columns: 2 },
        { row: 2, column: 0, rows: 2, columns: 1 },
      ],
    },
  );
  it('grows until no merged cell is cut', () => {
    expect(growChoice(table, { row: 0, column: 0 }, { row: 1, column: 1 })).toEqual({ row: 0, column: 0, toRow: 1, toColumn: 2 });
    expect(growChoice(table, { row: 2, column: 1 }, { row: 2, column: 0 })).toEqual({ row: 2, column: 0, toRow: 3, toColumn: 1 });
  });
  it('is one column where one was meant, though a header is merged over it and the next', () => {
    expect(growChoice(table, { row: 0, column: 2 }, { row: 3, column: 2 })).toEqual({ row: 0, column: 2, toRow: 3, toColumn: 2 });
  });
});
