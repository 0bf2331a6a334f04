import type { CellObject } from '@e965/xlsx';
import { decimalMarkOf, isNumericType, type DataType } from '../data-types';
import { isTotal, languageIn, shownText, valueIn, type Column, type GridCell, type Table } from '../table';

/** What a cell of a column with a type shows. */
export const textShown = (table: Table, cell: GridCell): string => shownText(table, cell).trim();

const DAY = 86_400_000;
/** Where the calendar of workbooks is the usual one: from 1 March 1900 on ([ECMA-376] part 1, section 18.17.4.1). */
const [EPOCH, FIRST] = [25_569, Date.UTC(1900, 2, 1)] as const;

/**
 * A cell of a column with a type as a workbook has it: the value itself with a number format that shows it as the table does.
 * Undefined where the column says no type, or the text is not of it.
 */
export function typedCell(table: Table, cell: GridCell): CellObject | undefined {
  const column = table.columns[cell.column];
  if (!column || column.type === '' || cell.section === 'header' || cell.marks.length > 0) return undefined;
  const shown = textShown(table, cell);
  const text = cell.text.trim() === '' && isTotal(table, cell) ? shown : cell.text;
  if (text.trim() === '') return undefined;
  const value = valueIn(table, cell.column, text);
  if (typeof value !== 'number') return undefined;
  if (isNumericType(column.type)) {
    const format = numberFormat(shown, column.type, decimalIn(table, cell.column, column));
    return format === undefined ? undefined : { t: 'n', v: column.type === 'percent' ? value / 100 : value, z: format };
  }
  if (column.type === 'date') return value < FIRST ? undefined : { t: 'n', v: value / DAY + EPOCH, z: dateFormat(shown, column, value) };
  if (column.type === 'time') return { t: 'n', v: value / 86_400, z: value % 60 === 0 ? 'hh:mm' : 'hh:mm:ss' };
  if (column.type === 'duration' && value >= 0) return { t: 'n', v: value / 86_400, z: value % 60 === 0 ? '[h]:mm' : '[h]:mm:ss' };
  return undefined;
}

/** The mark that parts whole from decimal in what a column shows. */
const decimalIn = (table: Table, at: number, { format }: Column): '.' | ',' =>
  format === null ? (table.decimal === ',' ? ',' : '.') : decimalMarkOf(languageIn(table, at));

/** A text that is shown as it stands in a number format ([ECMA-376] part 1, section 18.8.31). */
function literal(text: string): string {
  const plain = text.replace(/["\\\u0000-\u001f]/g, '');
  // A space stands for itself.
  if (/^[ \u00a0\u202f]$/.test(plain)) return ' ';
  return plain.length > 1 ? `"${plain}"` : plain === '' ? '' : `\\${plain}`;
}

/**
 * The number format that shows a number as this text shows one: its decimals, whether thousands are apart, what stands before and
 * behind, and brackets for what is below nothing. Undefined where the text is not built so.
 */
export function numberFormat(shown: string, type: DataType, decimal: '.' | ','): string | undefined {
  const first = /\d/.exec(shown)?.index ?? -1;
  const last = shown.length - 1 - (/\d/.exec([...shown].reverse().join(''))?.index ?? -1);
  if (first < 0 || last < first) return undefined;
  const digits = shown.slice(first, last + 1);
  if (/[^\d.,'’ \u00a0\u202f]/.test(digits)) return undefined;
  const isBracketed = shown.startsWith('(') && shown.endsWith(')');
  const before = shown.slice(0, first).replace(/[(+\-−\u200e\u200f\u061c]/g, '');
  const after = shown.slice(last + 1).replace(/[)\-−\u200e\u200f\u061c]/g, '');
  const mark = digits.lastIndexOf(decimal);
  const [whole, fraction] = mark < 0 ? [digits, ''] : [digits.slice(0, mark), digits.slice(mark + 1)];
  const number = `${/\D/.test(whole) ? '#,##0' : '0'}${fraction === '' ? '' : `.${'0'.repeat(fraction.length)}`}`;
  const behind = type === 'percent' ? after.split('%').map(literal).join('%') : literal(after);
  const positive = `${literal(before)}${number}${type === 'percent' && !behind.includes('%') ? '%' : behind}`;
  if (isBracketed) return `${positive};(${positive})`;
  return shown.slice(0, first).includes('+') ? `\\+${positive};\\-${positive};${positive}` : positive;
}

/** The date format of a column: as its format says, else in the order and with the marks in which this date was typed. */
function dateFormat(shown: string, { format, order }: Column, value: number): string {
  const time = value % DAY === 0 ? '' : ' hh:mm';
  if (format !== null)
    return `${{ iso: 'yyyy-mm-dd', short: 'dd/mm/yyyy', medium: 'd mmm yyyy', long: 'd mmmm yyyy', full: 'dddd, d mmmm yyyy' }[format.date]}${time}`;
  const mark = /^\d{1,2}([./-])\d{1,2}\1/.exec(shown)?.[1];
  if (mark === undefined) return /\p{L}{3}/u.test(shown) ? `d mmm yyyy${time}` : `yyyy-mm-dd${time}`;
  return `${(order === 'mdy' ? ['mm', 'dd', 'yyyy'] : ['dd', 'mm', 'yyyy']).join(mark === '/' ? '/' : mark === '.' ? '\\.' : '\\-')}${time}`;
}
