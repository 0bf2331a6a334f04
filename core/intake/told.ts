import { isNumber, textOf, textsOf, type Merge, type Row } from '../table';
import { anyOf } from '../languages';
import { isBlankCell } from './square';
import { uncutHeader } from './uncut';

/** Rows under way to a table: cells, merges, and which source row each came from. */
export interface State {
  readonly rows: readonly Row[];
  readonly merges: readonly Merge[];
  readonly caption: string;
  readonly description: string;
  readonly note: string;
  readonly headerRows: number;
  readonly rowHeaders: number;
  readonly footerRows: number;
  readonly groups: readonly number[];
}

export const isBlank = (text: string): boolean => text === '' || text.trim() === '';
export const filledIn = (cells: Row): readonly number[] => cells.flatMap((cell, i) => (isBlankCell(cell) ? [] : [i]));
/** Whether a row has more than `most` filled cells: no further is counted. */
export function isFilledOver(cells: Row, most: number): boolean {
  let filled = 0;
  for (let i = 0; i < cells.length && filled <= most; i++) if (!isBlankCell(cells[i])) filled++;
  return filled > most;
}
/** The first text of a row that is not blank. */
export const firstText = (cells: Row): string => textOf(cells.find((cell) => !isBlankCell(cell)));
export const isNumberOnly = (cells: Row): boolean => isFilledOver(cells, 0) && textsOf(cells).every((text) => isBlank(text) || isNumber(text));
export const widestOf = (rows: readonly Row[]): number => rows.reduce((most, cells) => Math.max(most, cells.length), 0);

/** How notes below tables begin, in the languages that the interface will speak. */
const NOTE =
  /^(?:[*†‡§¹²³]|\(?\d\)\s|(?:source|sources|note|notes|remark|as of|quelle|quellen|hinweis|anmerkung|stand|remarque|note de|fuente|nota|πηγή|σημείωση|المصدر|ملاحظة)(?:[\s:.]|$))/iu;
export const isNote = (text: string): boolean => NOTE.test(text.trim());

/**
 * Rows at the top that name columns: texts only, no two alike unless merged, above rows of which some column is
 * of numbers or dates, or which are at least not of the same kind. Up to three tiers, the upper ones with merged or blank cells;
 * a cell that is merged downward names its column as well as one in the lowest tier.
 */
export function headerRowsOf({ rows, merges }: State): number {
  if (rows.length < 2) return namesAlone(rows) ? 1 : 0;
  const isTexts = (cells: Row): boolean => isFilledOver(cells, 0) && !textsOf(cells).some(isValue);
  const isTier = (row: number): boolean => isTexts(rows[row] ?? []) && merges.some((merge) => merge.row === row && merge.columns > 1);
  let tiers = 0;
  while (tiers < 2 && isTier(tiers)) tiers++;
  const count = uncutHeader(merges, tiers + 1, rows.length);
  const lowest = count - 1;
  if (count === 0 || lowest >= rows.length - 1 || lowest > 2 || rows.slice(tiers, count).some((cells) => !isTexts(cells))) return 0;
  const fromAbove = merges.filter((merge) => merge.row < lowest && merge.row + merge.rows - 1 === lowest);
  const names = [...textsOf(rows[lowest]), ...fromAbove.map((merge) => textOf(rows[merge.row]?.[merge.column]))]
    .filter((text) => !isBlank(text))
    .map((text) => text.trim());
  const below = rows.slice(count, count + 39);
  // Two columns of one name are still names where values stand below them.
  const isOverValues = below.length > 0 && below.every((cells) => textsOf(cells).some(isValue) || !isFilledOver(cells, 0));
  const isTold = tiers > 0 || new Set(names).size === names.length || isOverValues;
  const width = widestOf(below);
  const isWide = names.length >= Math.max(1, Math.min(width, rows[lowest]?.length ?? 0) - 1);
  return isTold && (isWide || tiers > 0) && below.some((cells) => isFilledOver(cells, 0)) ? count : 0;
}

/** A header line without a row below it: texts that no two are alike of, in every column. */
function namesAlone(rows: readonly Row[]): boolean {
  const names = textsOf(rows[0] ?? []).map((text) => text.trim());
  return names.length > 1 && new Set(names).size === names.length && !names.some((text) => text === '' || isValue(text));
}

/**
 * Two tiers of headers as files without merged cells have them: names over columns, each over the empty cells behind it
 * (`First half,,Second half,` over `,Q1,Q2`). Gives the merges that they are; undefined where the rows are not so. Told
 * only above rows of values: two rows of texts may be anything.
 */
export function blankTiersOf({ rows, merges }: State): readonly Merge[] | undefined {
  const [upper, lower] = [textsOf(rows[0] ?? []), textsOf(rows[1] ?? [])];
  const width = Math.max(upper.length, lower.length);
  if (rows.length < 3 || merges.some(({ row }) => row < 2)) return undefined;
  const [over, under] = [upper, lower].map((texts) => Array.from({ length: width }, (_, i) => (texts[i] ?? '').trim())) as [string[], string[]];
  if ([...over, ...under].some(isValue)) return undefined;
  // Each column has a name, in one of the tiers at least; each empty cell above is beside a name that it belongs to, and over one.
  const spans: Merge[] = [];
  for (let column = 0; column < width;) {
    if (over[column] === '' && under[column] === '') return undefined;
    let end = column + 1;
    while (over[column] !== '' && under[column] !== '' && end < width && over[end] === '' && under[end] !== '') end++;
    if (end - column > 1) spans.push({ row: 0, column, rows: 1, columns: end - column });
    else if (under[column] === '') spans.push({ row: 0, column, rows: 2, columns: 1 });
    // Nothing above a name is all right before the first name of the upper tier only.
    else if (over[column] === '' && column > 0) return undefined;
    column = end;
  }
  const wide = spans.filter(({ columns }) => columns > 1);
  const below = rows.slice(2, 42).map((cells) => textsOf(cells));
  const isOverValues = below.every(
    (texts) => !texts.some((text) => !isBlank(text)) || wide.some(({ column, columns }) => texts.slice(column, column + columns).some(isValue)),
  );
  return wide.length > 0 && isOverValues ? [...merges, ...spans] : undefined;
}

/** A number, a date, a time: what a header seldom is. Years are the exception. */
const isValue = (text: string): boolean =>
  (isNumber(text) && !/^(1[89]|20)\d\d$/.test(text.trim())) || /^\d{1,4}[-./:]\d{1,2}(?:[-./:]\d{1,4})?$/.test(text.trim());

/** Rows of a long table whose names are looked at. */
const TOLD_BY = 5000;

/** Rows that are looked at where some tell of all, evenly strewn. */
function sampled(rows: readonly Row[], count = 500): readonly Row[] {
  const step = Math.max(1, Math.floor(rows.length / count));
  return step === 1 ? rows : rows.filter((_, i) => i % step === 0);
}

/** The first column is of texts that are all there and all different, and another column is of values. */
export function firstColumnNamesRows({ rows, headerRows, footerRows }: State): boolean {
  const body = rows.slice(headerRows, rows.length - footerRows);
  if (body.length < 2) return false;
  const some = sampled(body);
  const isOfValues = (column: number): boolean => {
    const texts = some.map((cells) => textOf(cells[column])).filter((text) => !isBlank(text));
    return texts.length > 0 && texts.filter(isValue).length >= texts.length * 0.6;
  };
  if (some.some((cells) => isValue(textOf(cells[0])))) return false;
  if (!Array.from({ length: widestOf(some) - 1 }, (_, i) => i + 1).some(isOfValues)) return false;
  const seen = new Set<string>();
  // Where there are many, a part of them tells of all here as well.
  for (const cells of body.length > TOLD_BY * 4 ? sampled(body, TOLD_BY) : body) {
    const text = textOf(cells[0]).trim();
    if (text === '' || seen.has(text)) return false;
    seen.add(text);
  }
  return true;
}

const TOTAL = new RegExp(`^(?:${anyOf(({ totals }) => totals)})(?:[\\s:.]|$)`, 'iu');

const plain = (text: string): number => Number(text.replace(/[^\d.−-]/g, '').replace('−', '-'));

/** Rows over which a last row is looked at as their sum. */
const SUMMED_MOST = 20_000;

/** A last row that says it is a total, or whose numbers are the sums of those above. */
export function isTotal({ rows, headerRows }: State, last: Row): boolean {
  if (TOTAL.test(firstText(last).trim())) return true;
  // Sums over so many rows are not what a person put below them by hand.
  if (rows.length > SUMMED_MOST) return false;
  const body = rows.slice(headerRows, -1);
  const columns = filledIn(last).filter((column) => isNumber(textOf(last[column])));
  // A row of data is seldom the sum of those above in one column; the first that is not tells.
  const isSum = (column: number): boolean => {
    const numbers = body.map((cells) => plain(textOf(cells[column]))).filter((n) => !Number.isNaN(n));
    const sum = numbers.reduce((a, b) => a + b, 0);
    return numbers.length > 2 && sum !== 0 && Math.abs(sum - plain(textOf(last[column]))) < 0.005 * numbers.length;
  };
  return columns.length > 0 && columns.every(isSum);
}
