/** What a stretch of text in a cell can be, beside plain. HTML Standard, "Text-level semantics". */
export const markKinds = [
  'bold',
  'italic',
  'underline',
  'strike',
  'small',
  'sub',
  'super',
  'highlight',
  'code',
  'link',
  'icon',
  'picture',
  'language',
  'ink',
] as const;
/** Beside these, what is seen only while a visitor has chosen it: made for a page, and never kept. */
export type MarkKind = (typeof markKinds)[number] | 'choice';

/** A marked stretch of a text: from one letter up to another, counted in UTF-16 units from 0; `to` is not part of it. */
export interface Mark {
  readonly from: number;
  readonly to: number;
  readonly kind: MarkKind;
  /**
   * Where a link leads, which icon of the shelf it is, where a picture is, which language a text is in (BCP 47), or its colour: that of
   * its ink, and of what lies under a highlighted one, which may be left to the browser; or of which choice it is (`choiceOf`). Only these
   * have it.
   */
  readonly href?: string;
  /** How high a picture is, in px from 8 to 600; left out for as high as it fits a line of text or a few. */
  readonly height?: number;
}

/** A text some of which is marked. One without marks is kept as a plain string. */
export interface RichText {
  readonly text: string;
  readonly marks: readonly Mark[];
}

/** What a slot holds. */
export type Cell = string | RichText;
export type Row = readonly Cell[];

export const textOf = (cell: Cell | undefined): string => (typeof cell === 'string' ? cell : (cell?.text ?? ''));
export const marksIn = (cell: Cell | undefined): readonly Mark[] => (cell === undefined || typeof cell === 'string' ? [] : cell.marks);
/** The texts of a row. */
export const textsOf = (row: Row | undefined): readonly string[] => row?.map(textOf) ?? [];

/** Addresses that a link in a cell may have: nothing that runs. Relative ones are taken as they are. */
export const isSafeAddress = (href: string): boolean => {
  // Browsers read over white space and control characters in a scheme (URL Standard, "basic URL parser").
  const bare = href.replace(/[\u0000-\u0020\u007f-\u009f]+/g, '');
  return bare !== '' && (!/^[a-z][a-z\d+.-]*:/i.test(bare) || /^(?:https?|mailto|tel):/i.test(bare));
};

/** Addresses of pictures that a page of ours shows: on its own server, since it loads nothing from elsewhere. */
export const isPictureAddress = (text: string): boolean => /^(?!\/\/)[\w./%~-]+\.(?:png|jpe?g|gif|webp|avif|svg)$/i.test(text);

/** Colours that marked text may have: the name of a swatch of its theme, or a hexadecimal one (CSS Color 4, section 5.2). */
export const isColour = (text: string): boolean =>
  /^(?:[a-z][a-z0-9-]{0,30}(?: of [\w-]{1,60})?|#(?:[0-9a-f]{3,4}|[0-9a-f]{6}|[0-9a-f]{8}))$/i.test(text);

/** A cell of a text and marks: cut to its length, in order, joined where they touch, and plain where none is left. */
export function cellOf(text: string, marks: readonly Mark[]): Cell {
  const rank = ({ kind }: Mark): number => (markKinds as readonly MarkKind[]).indexOf(kind);
  const inOrder = (a: Mark, b: Mark): number => a.from - b.from || b.to - a.to || rank(a) - rank(b);
  const inside = marks
    .map((mark) => ({ ...mark, from: Math.max(0, mark.from), to: Math.min(text.length, mark.to) }))
    .filter(({ from, to }) => from < to)
    .sort(inOrder);
  const kept: Mark[] = [];
  for (const mark of inside) {
    const touching = kept.findIndex((each) => each.kind === mark.kind && each.to >= mark.from && (each.href === mark.href || each.to > mark.from));
    const other = kept[touching];
    if (!other) kept.push(mark);
    // Of two links at one place the first one holds; any other mark only grows.
    else if (other.href === mark.href) kept[touching] = { ...other, to: Math.max(other.to, mark.to) };
    else if (mark.to > other.to) kept.push({ ...mark, from: other.to });
  }
  // A link that was cut begins later than it came.
  return kept.length === 0 ? text : { text, marks: kept.sort(inOrder) };
}

/** The first so many letters of a cell. */
export const cutCell = (cell: Cell, most: number): Cell => (textOf(cell).length <= most ? cell : cellOf(textOf(cell).slice(0, most), marksIn(cell)));

/** Cells one below the other in one cell, with their marks. */
export function joinCells(cells: readonly Cell[], between = '\n'): Cell {
  let text = '';
  const marks: Mark[] = [];
  cells.forEach((cell, i) => {
    if (i > 0) text += between;
    const by = text.length;
    marks.push(...marksIn(cell).map((mark) => ({ ...mark, from: mark.from + by, to: mark.to + by })));
    text += textOf(cell);
  });
  return marks.length === 0 ? text : cellOf(text, marks);
}

export const isSameCell = (a: Cell, b: Cell): boolean =>
  a === b ||
  (typeof a !== 'string' &&
    typeof b !== 'string' &&
    a.text === b.text &&
    a.marks.length === b.marks.length &&
    a.marks.every((mark, i) => {
      const other = b.marks[i];
      return (
        other !== undefined &&
        mark.from === other.from &&
        mark.to === other.to &&
        mark.kind === other.kind &&
        mark.href === other.href &&
        mark.height === other.height
      );
    }));

/**
 * The cell with another text typed into it. Marks outside what was changed stay where their letters are; one around the
 * change grows or shrinks with it.
 */
export function retype(cell: Cell, text: string): Cell {
  if (typeof cell === 'string' || text === '') return text;
  const before = cell.text;
  const most = Math.min(before.length, text.length);
  let start = 0;
  while (start < most && before[start] === text[start]) start++;
  let end = 0;
  while (end < most - start && before[before.length - 1 - end] === text[text.length - 1 - end]) end++;
  const by = text.length - before.length;
  const changedTo = before.length - end;
  const isPure = start === changedTo;
  // What is typed at a mark's edge stands outside it; one that begins or ends in what was replaced is cut there.
  const from = (at: number): number => {
    if (at < start || (at === start && !isPure)) return at;
    return (at >= changedTo ? at : changedTo) + by;
  };
  const to = (at: number): number => {
    if (at <= start) return at;
    return at >= changedTo ? at + by : start;
  };
  return cellOf(
    text,
    cell.marks.map((mark) => ({ ...mark, from: from(mark.from), to: to(mark.to) })),
  );
}

/** A piece of a cell that has the same marks throughout. */
export interface Stretch {
  readonly text: string;
  readonly marks: readonly Mark[];
}

/** A cell cut wherever a mark begins or ends. */
export function stretchesOf(cell: Cell): readonly Stretch[] {
  const text = textOf(cell);
  const marks = marksIn(cell);
  if (marks.length === 0) return text === '' ? [] : [{ text, marks }];
  const cuts = [...new Set([0, text.length, ...marks.flatMap(({ from, to }) => [from, to])])].sort((a, b) => a - b);
  return cuts.slice(1).map((to, i) => {
    const from = cuts[i] ?? 0;
    return { text: text.slice(from, to), marks: marks.filter((mark) => mark.from <= from && mark.to >= to) };
  });
}

/** A text's paragraphs: an empty line parts them, and each keeps its marks. */
export const paragraphsOf = (cell: Cell): readonly Cell[] => piecesOf(cell, /\n\s*\n/g);
/** A text's lines, without those that are empty; each keeps its marks. */
export const linesOf = (cell: Cell): readonly Cell[] => piecesOf(cell, /\n/g);

function piecesOf(cell: Cell, between: RegExp): readonly Cell[] {
  const text = textOf(cell);
  const found: Cell[] = [];
  let from = 0;
  for (const { 0: gap, index } of [...text.matchAll(between), { 0: '', index: text.length }]) {
    const piece = text.slice(from, index);
    const start = from + (piece.length - piece.trimStart().length);
    const end = start + piece.trim().length;
    const marks = marksIn(cell)
      .filter((mark) => mark.from < end && mark.to > start)
      .map((mark) => ({ ...mark, from: Math.max(mark.from, start) - start, to: Math.min(mark.to, end) - start }));
    if (end > start) found.push(cellOf(text.slice(start, end), marks));
    from = index + gap.length;
  }
  return found;
}
