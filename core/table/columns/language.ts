import type { Cell, Mark } from '../cell';
import { cellOf, marksIn, textOf } from '../cell';
import { sectionRows, type Table } from '../table';

/** The language of a column's values: its own, else the table's; empty for English. */
export const languageIn = (table: Table, column: number): string => table.columns[column]?.language ?? table.language;

/** A mark that says the language of all of a text. */
const whole = (cell: Cell): Mark | undefined =>
  marksIn(cell).find(({ kind, from, to }) => kind === 'language' && from === 0 && to === textOf(cell).length);

/** A cell of the body as its column has it: in that language, unless it says one itself. */
export function inColumnLanguage(table: Table, column: number, cell: Cell): Cell {
  const language = table.columns[column]?.language;
  const text = textOf(cell);
  if (language === undefined || text === '' || whole(cell)) return cell;
  return cellOf(text, [...marksIn(cell), { from: 0, to: text.length, kind: 'language', href: language }]);
}

/** Where all cells of a column say one language each for itself, their column says it for them. Headings of row groups are left as they are. */
export function withColumnLanguages(table: Table): Table {
  const { first, count } = sectionRows(table, 'body');
  const headings = new Set(table.groups);
  const found = table.columns.map((_, column) => {
    let language: string | undefined;
    for (let row = first; row < first + count; row++) {
      const cell = table.rows[row]?.[column] ?? '';
      if (headings.has(row) || textOf(cell).trim() === '') continue;
      const own = whole(cell)?.href;
      if (own === undefined || (language !== undefined && own !== language)) return undefined;
      language = own;
    }
    return language;
  });
  if (found.every((language) => language === undefined)) return table;
  return {
    ...table,
    columns: table.columns.map((column, at) => (found[at] === undefined ? column : { ...column, language: found[at] })),
    rows: table.rows.map((row, at) =>
      at < first || at >= first + count || headings.has(at)
        ? row
        : row.map((cell, column) =>
            found[column] === undefined
              ? cell
              : cellOf(
                  textOf(cell),
                  marksIn(cell).filter((mark) => mark !== whole(cell)),
                ),
          ),
    ),
  };
}
