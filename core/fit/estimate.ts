import { ORDINARY_PAGE, resolveAt, toPx } from '../resolve';
import { sectionRows, textOf, type Row, type Table } from '../table';
import { type ThemeView } from '../theme';
import type { Measure, TypeSetting } from './measure';
import { piecesOf } from './pieces';
import { stretchesOfWidth } from './widths';

/**
 * Widths of letters in em that no ordinary face for text goes beyond in bold, by kinds of letters; so wide letters have all others
 * that are not named. Held against the shipped faces in Chromium (web/src/tests/fit-estimate.spec.ts).
 */
const widths: readonly (readonly [letters: RegExp, em: number])[] = [
  [/[\u0300-\u036f\u064b-\u0652\u200b-\u200f\ufe0f]/u, 0],
  [/[iIjl.,:;'’‘|! \u00a0]/u, 0.42],
  [/[frt()[\]{}/\\"“”°-]/u, 0.56],
  [/[mwMW@%‰—…ÆŒæœωщшжюыфмт]/u, 1.16],
  [/[ЩШЖЮЫФМ]/u, 1.3],
  [/[\p{Lu}&#+=<>~€£$]/u, 0.94],
  [/[\p{Ll}\p{Nd}?–_*]/u, 0.76],
  [/[\p{Script=Arabic}\p{Script=Hebrew}]/u, 0.95],
];
const [WIDEST, MONO] = [1.4, 0.63];
const known = new Map<string, number>();

function widthOf(letter: string): number {
  let width = known.get(letter);
  if (width === undefined) known.set(letter, (width = widths.find(([letters]) => letters.test(letter))?.[1] ?? WIDEST));
  return width;
}

/** Whether every letter of a family may be as wide: of the page's own nobody knows. */
const isPerhapsMono = ({ family }: TypeSetting): boolean => family === '' || /mono|consolas|courier/i.test(family);

/** How wide a text is at most, whatever face comes: for where no face can be asked. */
export const widestMeasure: Measure = (text, type) => {
  const least = isPerhapsMono(type) ? MONO : 0;
  let em = 0;
  let letters = 0;
  // Small capitals are no wider than capitals.
  const seen = type.caps === 'normal' ? text : text.toLocaleUpperCase();
  for (const letter of seen) {
    const width = widthOf(letter);
    em += width === 0 ? 0 : Math.max(least, width);
    letters++;
  }
  return em * type.size + Math.max(0, type.spacing) * letters;
};

/** Container widths that are looked at, in px; rows of which all are looked at, and of those that hang on one another. */
const [MOST, FEW, MANY] = [4000, 60, 400] as const;

/** Container widths, both ends counted in; no end where `to` is missing. In px. */
export interface WidthRange {
  readonly from: number;
  readonly to: number | undefined;
  /**
   * How wide the table is at most, where letters of the page and of its root are 16 px: a container has to be that wide besides, by its
   * own em and rem. 0 where it takes whatever there is.
   */
  readonly least: number;
}

const kept = new WeakMap<ThemeView, WeakMap<Table, readonly WidthRange[]>>();

/**
 * The widths of its container at which a table surely does not overflow it, from the narrowest on: told without a browser, so by how
 * wide its words are at most. None where that cannot be told. `own` is a width that was asked for, `more` what controls add in cells, in px.
 */
export function surelyFits(view: ThemeView, table: Table, { own = 0, more = 0 } = {}): readonly WidthRange[] {
  const of = kept.get(view) ?? new WeakMap<Table, readonly WidthRange[]>();
  kept.set(view, of);
  const steps = of.get(table) ?? stepsOf(view, table);
  of.set(table, steps);
  const found: WidthRange[] = [];
  for (const step of steps) {
    const least = step.least === 0 ? 0 : Math.ceil(step.least + more);
    const from = least === 0 ? step.from : Math.max(step.from, own);
    if (step.to !== undefined && Math.max(from, least) > step.to) continue;
    const before = found.at(-1);
    if (before?.least === least && before.to === from - 1) found[found.length - 1] = { ...before, to: step.to };
    else found.push({ from, to: step.to, least });
  }
  return found;
}

/**
 * How wide a table is at most on paper, in px, in its theme as it is in print; 0 where it takes whatever there is. Of a table whose rows
 * cannot all be looked at, that is told from its texts alone.
 */
export function leastOnPaper(view: ThemeView, table: Table, own: number): number {
  const ranges = surelyFits(view, table, { own });
  const found = ranges.length > 0 || withFewRows(table) ? ranges : surelyFits(view, asTexts(table), { own });
  const [first] = found;
  return first === undefined ? MOST : first.least === 0 ? 0 : Math.max(first.least, own);
}

const textsOf = new WeakMap<Table, Table>();
/** A table without what its rows hang on one another by. */
function asTexts(table: Table): Table {
  const known = textsOf.get(table);
  if (known) return known;
  const { first } = sectionRows(table, 'body');
  const made: Table = {
    ...table,
    groups: [],
    merges: table.merges.filter(({ row }) => row < first),
    exceptions: table.exceptions.filter(({ row }) => row === null || row < first),
    columns: table.columns.map((column) => ({ ...column, format: null, formula: '' })),
  };
  textsOf.set(table, made);
  return made;
}

function stepsOf(view: ThemeView, table: Table): readonly WidthRange[] {
  const few = withFewRows(table);
  if (!few) return [];
  const stretches = stretchesOfWidth(view, few, widestMeasure, MOST, undefined, table);
  return ['', ...view.steps.map(({ name }) => name)]
    .flatMap((step): readonly WidthRange[] => {
      const own = stretches.filter((each) => each.step === step);
      const [first, last] = [own[0], own.at(-1)];
      if (!first || !last) return [];
      const asked = resolveAt(view.at(step), { part: 'table', condition: 'rest' }, 'width');
      const least = first.state === 'stacked' ? 0 : Math.max(first.least, toPx(asked, ORDINARY_PAGE.fontSize));
      // What is narrower than a pixel is no container.
      return [{ from: first.from <= 1 ? 0 : first.from, to: last.to >= MOST ? undefined : last.to, least }];
    })
    .sort((a, b) => a.from - b.from);
}

/**
 * A long table with the rows alone by which its columns are widest, and one of their widest words, each in one piece; undefined where
 * rows hang on one another, or show something else than what was typed.
 */
function withFewRows(table: Table): Table | undefined {
  const { first, count } = sectionRows(table, 'body');
  if (count <= FEW) return table;
  const isHeld =
    table.groups.length > 0 ||
    table.merges.some(({ row }) => row >= first) ||
    table.exceptions.some(({ row }) => row !== null && row >= first) ||
    table.columns.some(({ format, formula }) => format !== null || formula !== '');
  if (isHeld) return count <= MANY ? table : undefined;
  const width = table.rows[0]?.length ?? 0;
  const [lines, words] = [new Float64Array(width), new Float64Array(width)];
  const [lineAt, widestWords] = [new Array<number>(width).fill(first), new Array<string>(width).fill('')];
  const end = first + count;
  for (let row = first; row < end; row++) {
    const cells = table.rows[row] as Row;
    for (let column = 0; column < width; column++) {
      const text = textOf(cells[column]);
      const { line, word, from, to } = widestIn(text);
      if (line > (lines[column] ?? 0)) [lines[column], lineAt[column]] = [line, row];
      if (word > (words[column] ?? 0)) [words[column], widestWords[column]] = [word, text.slice(from, to)];
    }
  }
  const rows = [...new Set([first, first + 1, ...lineAt, end - 1])].sort((a, b) => a - b).map((row) => table.rows[row] as Row);
  return { ...table, rows: [...table.rows.slice(0, first), ...rows, widestWords.map(inOnePiece), ...table.rows.slice(end)] };
}

/** How wide a text is in em, and its widest word with where that stands. A loop over code units, since a table may have millions of cells. */
function widestIn(text: string): { readonly line: number; readonly word: number; readonly from: number; readonly to: number } {
  let [line, word, start, now, from, to] = [0, 0, 0, 0, 0, 0];
  for (let at = 0; at <= text.length; at++) {
    const code = at < text.length ? text.charCodeAt(at) : 32;
    const width = at === text.length ? 0 : code < NARROW.length ? (NARROW[code] ?? 0) : widthOf(text.charAt(at));
    line += width;
    if (code > 32) {
      now += width;
      continue;
    }
    if (now > word) [word, from, to] = [now, start, at];
    [start, now] = [at + 1, 0];
  }
  return { line, word, from, to };
}
/** The widths of the first letters by their code, asked for most. */
const NARROW = Float64Array.from({ length: 0x180 }, (_, code) => (code < 32 ? 0 : widthOf(String.fromCharCode(code))));

/** A word that breaks nowhere: at least as wide as each of the pieces that it would break into. */
const inOnePiece = (word: string): string => (piecesOf(word).length <= 1 ? word : word.replace(/[^\p{L}\p{N}\p{M}]/gu, 'm'));
