import { decimalMarkOf, isNumericType } from '../../data-types';
import { textOf } from '../cell';
import type { GridCell } from '../grid/grid';
import { languageIn } from './language';
import { shownText, typedNumber } from './shown';
import { strewnRows } from './strewn';
import { sectionRows, type Table } from '../table';

/** A number as people write it: sign or brackets, currency in front or behind, separators, a share. */
const NUMBER = /^[(]?[-+−]?\s?\p{Sc}?\s?[-+−]?(?:\d{1,15}(?:[ .,'’\u00a0\u202f]\d{3})*(?:[.,]\d+)?|[.,]\d+)\s?(?:\p{Sc}|%)?[)]?$/u;
/** What begins with a zero and goes on is a code, not a number. */
const CODE = /^0\d/;
/** A country's code for telephones (ITU-T E.164): a column of nothing else is no column of numbers. */
const DIALLED = /^\+[1-9]\d{0,2}$/;

export const isNumber = (text: string): boolean => NUMBER.test(text.trim()) && !CODE.test(text.trim());
export const isNegative = (text: string): boolean => /^[(−-]|^\p{Sc}\s?[−-]/u.test(text.trim());

/** Of each column: whether it holds numbers, and how many digits stand behind the decimal mark at most. */
export interface NumberColumn {
  readonly isNumeric: boolean;
  readonly mark: string;
  readonly places: number;
}

const known = new WeakMap<Table, readonly NumberColumn[]>();

/** A column holds numbers when most of the texts in its body rows are some: one note among them does not change that. */
export function numberColumns(table: Table): readonly NumberColumn[] {
  const before = known.get(table);
  if (before) return before;
  const { first, count } = sectionRows(table, 'body');
  const headings = new Set(table.groups);
  const body = strewnRows(first, count).flatMap((row) => (headings.has(row) ? [] : [table.rows[row] ?? []]));
  const columns = (table.rows[0] ?? []).map((_, column): NumberColumn => {
    const typed = body.map((row) => textOf(row[column]).trim());
    const { type = '', format = null } = table.columns[column] ?? {};
    const texts = (
      column < table.rowHeaders && type === '' ? [] : format === null ? typed : typed.map((text) => shownIn(table, column, text))
    ).filter((text) => text !== '');
    const numbers = texts.filter(isNumber);
    const areCodes = texts.some((text) => CODE.test(text)) || (numbers.length > 1 && numbers.every((text) => DIALLED.test(text)));
    const seems = numbers.length > 0 && numbers.length >= texts.length * 0.6 && !areCodes;
    const isNumeric = type === '' ? seems : isNumericType(type);
    const fractions = numbers.map((text) => fractionOf(text, markOf(table, column)));
    const longest = fractions.reduce((most, each) => (each.digits.length > most.digits.length ? each : most), { mark: '.', digits: '' });
    return { isNumeric, mark: longest.mark, places: longest.digits.length };
  });
  known.set(table, columns);
  return columns;
}

/** How a body cell of a column shows a text. */
const shownIn = (table: Table, column: number, text: string): string =>
  shownText(table, { row: -1, column, rows: 1, columns: 1, text, marks: [], section: 'body', isRowHeader: false });

/** The decimal mark of what a column shows: its language's in a format, the table's where it is as typed. */
const markOf = (table: Table, column: number): Table['decimal'] =>
  (table.columns[column]?.format ?? null) === null ? table.decimal : decimalMarkOf(languageIn(table, column));

/** The digits behind the decimal mark. Where that is not said, a comma before three digits parts thousands. */
function fractionOf(text: string, decimal: Table['decimal']): { readonly mark: string; readonly digits: string } {
  const match = /([.,])(\d+)(?=\D*$)/.exec(text);
  const isMark = decimal === '' ? match?.[1] !== ',' || match[2]?.length !== 3 : match?.[1] === decimal;
  if (!match || !isMark) return { mark: decimal === '' ? '.' : decimal, digits: '' };
  return { mark: match[1] ?? '.', digits: match[2] ?? '' };
}

/** Whether a cell is dressed as a number: it is one, and stands in a column of numbers outside the header. */
export function isNumberCell(table: Table, cell: GridCell): boolean {
  if (cell.section === 'header') return false;
  const typed = typedNumber(table, cell);
  return typed === undefined ? numberColumns(table)[cell.column]?.isNumeric === true && isNumber(cell.text) : typed !== false;
}
/** Whether a number is below nothing. */
export function isNegativeCell(table: Table, cell: GridCell): boolean {
  const typed = typedNumber(table, cell);
  return typed === undefined ? isNegative(cell.text) : typed !== false && typed < 0;
}

/** What a number lacks behind to stand with its decimal mark under the others of its column; empty where it ends in a sign. */
export function padOf(table: Table, cell: GridCell): string {
  const column = numberColumns(table)[cell.column];
  const text = shownText(table, cell).trim();
  if (!column || column.places === 0 || !/\d$/.test(text)) return '';
  const { digits } = fractionOf(text, markOf(table, cell.column));
  const lacks = column.places - digits.length;
  if (lacks <= 0) return '';
  return `${digits === '' ? column.mark : ''}${'0'.repeat(lacks)}`;
}
