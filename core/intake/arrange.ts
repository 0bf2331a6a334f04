import { LIMITS, isNumber, saysTypes, textOf, textsOf, withColumnLanguages, withWholeTypes } from '../table';
import type { Raw } from './raw';
import { isBlankCell, placesWhere, tableFrom, type Intake } from './square';
import { uncutHeader } from './uncut';
import {
  blankTiersOf,
  filledIn,
  firstColumnNamesRows,
  firstText,
  headerRowsOf,
  isBlank,
  isFilledOver,
  isNote,
  isNumberOnly,
  isTotal,
  widestOf,
  type State,
} from './told';

/** What can be found in rows that came from elsewhere, in the order in which it is looked for. */
const findingKinds = ['merged', 'marks', 'title', 'below', 'blank-rows', 'blank-columns', 'header', 'row-headers', 'footer'] as const;
export type FindingKind = (typeof findingKinds)[number];

/** Something that was found and acted on; it can be undone by itself. */
export interface Finding {
  readonly kind: FindingKind;
  readonly say: string;
  /** Whether it holds: a refused one is found but not acted on. */
  readonly holds: boolean;
}

export interface Arranged extends Intake {
  readonly findings: readonly Finding[];
}

/** What texts below a table become: a text that is seen there too, or part of the description. */
export type Below = 'note' | 'description';

/** What a person chose beside what was found. */
export interface Chosen {
  readonly below?: Below;
  /** So many rows at the top are the header, whatever was found; fewer or more where that would cut through merged cells. */
  readonly headerRows?: number;
}

/** What was found and what the rows are like once it is acted on. */
interface Found {
  readonly say: string;
  readonly state: State;
}

/**
 * Makes a table of what came in: leaves out what is not data, gives titles and notes their place, tells header,
 * row headers and totals from the rest. Each finding says what it did; one that is `refused` is found and left.
 */
export function arrange(name: string, raw: Raw, refused: ReadonlySet<FindingKind> = new Set(), chosen: Chosen = {}): Arranged {
  const filled = raw.rows.findLastIndex((cells) => isFilledOver(cells, 0)) + 1;
  const reached = Math.max(1, filled, ...raw.merges.map((merge) => merge.row + merge.rows));
  let state: State = {
    // Blank rows at the end are what a line break there makes: not worth a word.
    rows: raw.rows.slice(0, reached),
    // Merged cells and marks are findings of their own.
    merges: [],
    caption: raw.caption ?? '',
    description: '',
    note: '',
    headerRows: raw.headerRows ?? 0,
    rowHeaders: raw.rowHeaders ?? 0,
    footerRows: raw.footerRows ?? 0,
    groups: raw.groups ?? [],
  };
  const findings: Finding[] = [];
  for (const kind of findingKinds) {
    const found = finders[kind](state, raw, chosen);
    if (!found) continue;
    // A header that was chosen holds.
    const holds = !refused.has(kind) || (kind === 'header' && chosen.headerRows !== undefined);
    findings.push({ kind, say: found.say, holds });
    if (holds) state = found.state;
    else if (kind === 'marks') state = { ...state, rows: state.rows.map(textsOf) };
  }
  const { rows, ...given } = state;
  // A point is what numbers are read with anyway.
  const decimal = raw.decimal === ',' ? raw.decimal : '';
  const intake = tableFrom(name, rows, { ...given, decimal }, raw.notes, raw.plain);
  // Columns that were left out have moved those behind them.
  const isMoved = findings.some(({ kind, holds }) => kind === 'blank-columns' && holds);
  const { table: typed, types } = withWholeTypes(intake.table, isMoved ? undefined : raw.plain?.codes);
  const table = raw.plain ? typed : withColumnLanguages({ ...typed, language: raw.language ?? typed.language });
  return { table, notes: [...intake.notes, ...saysTypes(types)], findings };
}

const times = (n: number, one: string, many: string): string => (n === 1 ? `1 ${one}` : `${n.toLocaleString('en')} ${many}`);
const headerInWords = (count: number): string =>
  count === 0 ? 'No row is the header.' : count === 1 ? 'The first row is the header.' : `The first ${count} rows are the header.`;
const quoted = (text: string): string => `“${text.length > 60 ? `${text.slice(0, 57)}…` : text}”`;

/** Rows and merges without the rows for which `isGone` says so; merges over some of them shrink. */
function withoutLines(state: State, axis: 'row' | 'column', isGone: (at: number) => boolean): State {
  const [start, span] = axis === 'row' ? (['row', 'rows'] as const) : (['column', 'columns'] as const);
  const before = (end: number): number => {
    let kept = 0;
    for (let i = 0; i < end; i++) if (!isGone(i)) kept++;
    return kept;
  };
  const merges = state.merges.flatMap((merge) => {
    const from = before(merge[start]);
    const length = before(merge[start] + merge[span]) - from;
    const next = { ...merge, [start]: from, [span]: length };
    return length > 0 && next.rows * next.columns > 1 ? [next] : [];
  });
  const rows = axis === 'row' ? state.rows.filter((_, i) => !isGone(i)) : state.rows.map((cells) => cells.filter((_, i) => !isGone(i)));
  const groups = axis === 'row' ? state.groups.filter((row) => !isGone(row)).map((row) => before(row)) : state.groups;
  return { ...state, rows, merges, groups };
}

/** Most rows above a table that can be its title and what is said about it. */
const TITLE_ROWS = 5;

const finders: Readonly<Record<FindingKind, (state: State, raw: Raw, chosen: Chosen) => Found | undefined>> = {
  merged: (state, raw) =>
    raw.merges.length === 0
      ? undefined
      : { say: `${times(raw.merges.length, 'block of merged cells', 'blocks of merged cells')} came in.`, state: { ...state, merges: raw.merges } },
  marks: (state, raw) => {
    if (raw.plain !== undefined) return undefined;
    let marked = 0;
    for (const cells of state.rows) for (const cell of cells) if (typeof cell !== 'string') marked++;
    return marked === 0 ? undefined : { say: `${times(marked, 'cell', 'cells')} came in with bold, links or the like.`, state };
  },
  /** Rows at the top with one text each, above rows that are wider: a title, and what is said about it. */
  title: (state) => {
    if (state.caption !== '') return undefined;
    const texts: string[] = [];
    let end = 0;
    for (const [i, cells] of state.rows.slice(0, TITLE_ROWS + 1).entries()) {
      const filled = filledIn(cells);
      if (filled.length > 1 || (filled.length === 1 && isNumber(textOf(cells[filled[0] ?? 0])))) break;
      if (filled.length === 1) texts.push(textOf(cells[filled[0] ?? 0]).trim());
      end = i + 1;
    }
    const [caption, ...more] = texts;
    const widest = Math.max(0, ...state.rows.slice(end, end + 30).map((cells) => filledIn(cells).length));
    if (caption === undefined || widest < 2 || end >= state.rows.length || end > TITLE_ROWS) return undefined;
    const about = more.length > 0 ? `, and ${times(more.length, 'row', 'rows')} below it the description, which a page can show above the table` : '';
    const cut = withoutLines(state, 'row', (row) => row < end);
    return {
      say: `${quoted(caption)} above the table became its caption${about}.`,
      state: {
        ...cut,
        headerRows: Math.max(0, state.headerRows - end),
        caption: caption.slice(0, LIMITS.caption),
        description: more.join('\n').slice(0, LIMITS.description),
      },
    };
  },
  /** Rows at the end with one text each, set off by a blank row or begun like a note: a source, a remark. */
  below: (state, _raw, { below: becomes = 'note' }) => {
    let from = state.rows.length;
    while (from > 0 && !isFilledOver(state.rows[from - 1] ?? [], 1) && !isNumberOnly(state.rows[from - 1] ?? [])) from--;
    // What follows a table of one column is that column.
    if (from === 0 || !state.rows.slice(0, from).some((cells) => isFilledOver(cells, 1))) return undefined;
    const rows = state.rows.slice(from);
    const first = rows.findIndex((cells) => filledIn(cells).length === 1 && isNote(firstText(cells)));
    const blank = rows.findIndex((cells) => filledIn(cells).length === 0);
    const begin = first >= 0 && blank >= 0 ? Math.min(first, blank) : Math.max(first, blank);
    const texts =
      begin < 0
        ? []
        : rows.slice(begin).flatMap((cells) =>
            textsOf(cells)
              .filter((text) => !isBlank(text))
              .map((text) => text.trim()),
          );
    if (texts.length === 0) return undefined;
    return {
      say: `${quoted(texts[0] ?? '')}${texts.length > 1 ? ` and ${times(texts.length - 1, 'more row', 'more rows')}` : ''} below the table became ${becomes === 'note' ? 'the text below it' : 'part of the description'}.`,
      state: {
        ...withoutLines(state, 'row', (row) => row >= from + begin),
        footerRows: 0,
        [becomes]: [becomes === 'note' ? state.note : state.description, ...texts]
          .filter((text) => text !== '')
          .join('\n')
          .slice(0, LIMITS.description),
      },
    };
  },
  'blank-rows': (state, raw) => {
    if (raw.plain?.isEven) return undefined;
    const gone = new Set(placesWhere(state.rows, (cells) => !isFilledOver(cells, 0)));
    for (const merge of state.merges) for (let row = merge.row + 1; row < merge.row + merge.rows; row++) gone.delete(row);
    if (gone.size === 0 || gone.size === state.rows.length) return undefined;
    const above = [...gone].filter((row) => row < state.headerRows).length;
    const below = [...gone].filter((row) => row >= state.rows.length - state.footerRows).length;
    return {
      say: `${times(gone.size, 'blank row was', 'blank rows were')} left out.`,
      state: {
        ...withoutLines(state, 'row', (row) => gone.has(row)),
        headerRows: state.headerRows - above,
        footerRows: state.footerRows - below,
      },
    };
  },
  'blank-columns': (state) => {
    const width = widestOf(state.rows);
    const used = new Set<number>();
    for (const cells of state.rows) {
      if (used.size === width) return undefined;
      for (let column = 0; column < cells.length; column++) if (!used.has(column) && !isBlankCell(cells[column])) used.add(column);
    }
    for (const merge of state.merges)
      if (!isBlankCell(state.rows[merge.row]?.[merge.column])) for (let c = 0; c < merge.columns; c++) used.add(merge.column + c);
    const gone = Array.from({ length: width }, (_, i) => i).filter((column) => !used.has(column));
    if (gone.length === 0 || gone.length === width) return undefined;
    const set = new Set(gone);
    return {
      say: `${times(gone.length, 'blank column was', 'blank columns were')} left out.`,
      state: {
        ...withoutLines(state, 'column', (column) => set.has(column)),
        rowHeaders: state.rowHeaders - gone.filter((column) => column < state.rowHeaders).length,
      },
    };
  },
  header: (state, raw, { headerRows }) => {
    if (headerRows !== undefined) {
      const count = uncutHeader(state.merges, Math.min(headerRows, state.rows.length), state.rows.length + 1);
      return { say: headerInWords(count), state: { ...state, headerRows: count } };
    }
    if (raw.headerRows !== undefined && raw.headerRows > 0) return undefined;
    const tiers = blankTiersOf(state);
    if (tiers)
      return {
        say: 'The first 2 rows are the header; a name over empty cells is over all of them.',
        state: { ...state, merges: tiers, headerRows: 2 },
      };
    const count = headerRowsOf(state);
    return count === 0 ? undefined : { say: headerInWords(count), state: { ...state, headerRows: count } };
  },
  'row-headers': (state, raw) => {
    if (raw.rowHeaders !== undefined && raw.rowHeaders > 0) return undefined;
    if (!firstColumnNamesRows(state)) return undefined;
    return { say: 'The first column names the rows.', state: { ...state, rowHeaders: 1 } };
  },
  footer: (state, raw) => {
    if (raw.footerRows !== undefined && raw.footerRows > 0) return undefined;
    const last = state.rows.at(-1) ?? [];
    if (state.rows.length - state.headerRows < 3 || !isTotal(state, last)) return undefined;
    return { say: `The last row, ${quoted(firstText(last))}, is the footer.`, state: { ...state, footerRows: 1 } };
  },
};
