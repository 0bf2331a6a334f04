import { findType, howWritten, mayDecide, pluralOf, type DataType, type FoundType } from '../../data-types';
import { textOf } from '../cell';
import { strewnRows } from './strewn';
import { sectionRows, type Table } from '../table';

/**
 * What a column holds, told from its body cells and from its name in the last header row; or how it is written, where
 * it is known what it is.
 */
export function typeOfColumn(table: Table, column: number, known: '' | DataType = ''): FoundType {
  const texts = strewnTexts(table, column);
  return known !== '' ? { type: known, ...howWritten(texts) } : findType(texts, nameOf(table, column));
}

function strewnTexts(table: Table, column: number): readonly string[] {
  const { first, count } = sectionRows(table, 'body');
  return strewnRows(first, count).map((row) => textOf(table.rows[row]?.[column]));
}
const nameOf = ({ headerRows, rows }: Table, column: number): string => (headerRows > 0 ? textOf(rows[headerRows - 1]?.[column]) : '');

/** Deciding texts of one column, so many at most. */
const ODD = 200;

/**
 * The table with a type said for each column whose cells tell another one when all of them are looked at than when some
 * are, and what each column holds: one cell may decide (a code that begins with a zero, a fraction, an hour over 23, a ninth
 * word), wherever it stands. `codes` says, by column, whether any cell in it begins with a zero and a figure, where that is known.
 */
export function withWholeTypes(table: Table, codes?: readonly boolean[]): { readonly table: Table; readonly types: readonly DataType[] } {
  const told = table.columns.map((_, column) => typeOfColumn(table, column));
  const odd = oddTexts(table, told, codes);
  const types = table.columns.map((_, i) => {
    const texts = odd[i] ?? [];
    return (texts.length === 0 ? undefined : findType(strewnTexts(table, i), nameOf(table, i), texts).type) ?? told[i]?.type ?? 'text';
  });
  const columns = table.columns.map((column, i) =>
    column.type !== '' || types[i] === told[i]?.type ? column : { ...column, type: types[i] ?? 'text' },
  );
  return { table: columns.some((column, i) => column !== table.columns[i]) ? { ...table, columns } : table, types };
}

/** In each column, different texts that may decide against what the strewn ones say. Row by row, as the cells lie in memory. */
function oddTexts(table: Table, found: readonly FoundType[], codes?: readonly boolean[]): readonly (readonly string[])[] {
  const { first, count } = sectionRows(table, 'body');
  if (strewnRows(first, count).length === count) return [];
  const watched = found.map(({ type }, column) => {
    const decisive = mayDecide[type];
    return decisive ? { test: decisive.test, seen: new Set(strewnTexts(table, column)), odd: new Array<string>() } : undefined;
  });
  const isAsked = (type: DataType, column: number): boolean =>
    mayDecide[type] !== undefined && (codes === undefined || mayDecide[type].first !== ZERO || codes[column] === true);
  // The letter that a column's texts have to begin with to be asked at all; any letter, or not asked.
  const firsts = Int32Array.from(found, ({ type }, column) => (isAsked(type, column) ? (mayDecide[type]?.first ?? ANY) : NEVER));
  for (let row = first; row < first + count; row++) {
    const cells = table.rows[row] ?? [];
    for (let column = 0; column < firsts.length; column++) {
      const letter = firsts[column] ?? NEVER;
      if (letter === NEVER) continue;
      const text = textOf(cells[column]);
      if (letter !== ANY && text.charCodeAt(0) !== letter) continue;
      const each = watched[column];
      if (!each?.test(text) || each.odd.length >= ODD || each.seen.has(text)) continue;
      each.seen.add(text);
      each.odd.push(text);
    }
  }
  return watched.map((each) => each?.odd ?? []);
}
const [ANY, NEVER] = [-1, -2] as const;
/** Texts that begin with it are asked only whether they are codes. */
const ZERO = 48;

/** One sentence on what the columns hold, beside text. */
export function saysTypes(types: readonly DataType[]): readonly string[] {
  const columns = new Map<DataType, number[]>();
  for (const [i, type] of types.entries()) if (type !== 'text') columns.set(type, [...(columns.get(type) ?? []), i + 1]);
  if (columns.size === 0) return [];
  const parts = [...columns].map(([type, at]) => `${at.length === 1 ? 'column' : 'columns'} ${at.join(', ')}: ${pluralOf(type)}`);
  const text = parts.join('; ');
  return [`${text.charAt(0).toUpperCase()}${text.slice(1)}.`];
}
