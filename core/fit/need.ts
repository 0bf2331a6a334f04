import { cellLines, isDrawn, type Line } from '../lines';
import { fontSize, resolveAt, resolve, toPx, winnerAt, type PageType } from '../resolve';
import {
  ORDINARY_BAND,
  markedValueIn,
  valueMarkOn,
  padOf,
  shownCell,
  slotOf,
  stretchesOf,
  textOf,
  type Band,
  type GridCell,
  type Mark,
  type Table,
  roomOf,
} from '../table';
import { propertyOf, type PropertyName, type Slot, type ThemeView } from '../theme';
import { linesOf, piecesOf } from './pieces';
import type { Measure, TypeSetting } from './measure';

/** Widths in px: the least that shows everything, and that at which nothing has to break. */
export interface Need {
  readonly least: number;
  readonly natural: number;
  /** Whether the natural width is one that was asked for. */
  readonly isFixed?: boolean;
}

/** How a slot's text is set. */
export function typeOf(view: ThemeView, slot: Slot, page: PageType): TypeSetting {
  const css = (name: PropertyName): string => winnerAt(view, slot, name).value.css;
  const size = fontSize(view, slot, page);
  const family = css('font');
  const weight = Number(css('weight'));
  return {
    family: family === 'inherit' ? '' : family,
    size,
    weight: Number.isNaN(weight) ? 400 : weight,
    isItalic: css('slant') === 'italic',
    spacing: toPx(winnerAt(view, slot, 'letter-spacing').value, size, page),
    figures: css('figures'),
    caps: css('caps'),
  };
}

const words = new Intl.Segmenter(undefined, { granularity: 'word' });

/** A text as its case has it; words begin where Unicode says (Standard Annex 29). */
export function cased(text: string, css: string): string {
  if (css === 'uppercase') return text.toLocaleUpperCase();
  if (css === 'lowercase') return text.toLocaleLowerCase();
  if (css !== 'capitalize') return text;
  return Array.from(words.segment(text), ({ segment, isWordLike }) => {
    const [first = '', ...rest] = segment;
    return isWordLike ? first.toLocaleUpperCase() + rest.join('') : segment;
  }).join('');
}

/** The type of a marked stretch (HTML Standard, "Phrasing content", as browsers' own stylesheets set it). */
function marked(type: TypeSetting, marks: readonly Mark[], linkWeight: number): TypeSetting {
  return marks.reduce<TypeSetting>((each, { kind }) => {
    if (kind === 'bold') return { ...each, weight: each.weight < 350 ? 400 : each.weight < 550 ? 700 : 900 };
    if (kind === 'italic') return { ...each, isItalic: true };
    if (kind === 'small' || kind === 'sub' || kind === 'super') return { ...each, size: each.size / 1.2 };
    if (kind === 'code') return { ...each, family: 'monospace', size: each.size * (13 / 16) };
    return kind === 'link' ? { ...each, weight: linkWeight } : each;
  }, type);
}

interface Run {
  readonly text: string;
  readonly type: TypeSetting;
}

/** What runs of text need: the widest piece, and the widest line. Pieces go on over the ends of runs. */
function needOfRuns(runs: readonly Run[], isOneLine: boolean, icon: { readonly before: number; readonly after: number }, measure: Measure): Need {
  if (runs.length === 1 && runs[0]) {
    const { text, type } = runs[0];
    const lines = linesOf(text);
    // An icon stands on the first line or on the last.
    const widths = lines.map(
      (line, i) => (line === '' ? 0 : measure(line, type)) + (i === 0 ? icon.before : 0) + (i === lines.length - 1 ? icon.after : 0),
    );
    const natural = Math.max(0, ...widths);
    return { natural, least: isOneLine ? natural : Math.max(0, ...piecesOf(text).map((piece) => measure(piece, type))) };
  }
  let [least, natural, piece, line] = [0, 0, 0, 0];
  for (const { text, type } of runs) {
    natural = Math.max(natural, (line += measure(text.replace(/\s+/g, ' '), type)));
    const pieces = piecesOf(text);
    pieces.forEach((each, i) => {
      const goesOn = i === 0 && !/^\s/.test(text);
      piece = (goesOn ? piece : 0) + measure(each, type);
      least = Math.max(least, piece);
    });
    if (/\s$/.test(text)) piece = 0;
  }
  natural += icon.before + icon.after;
  return { natural, least: isOneLine ? natural : least };
}

/** A turned heading is at most so many times its size high, and its lines are so many times its size apart (`reading` in the stylesheet). */
export const TURNED_HEIGHT = 12;
export const TURNED_LEADING = 1.2;

/** What a text needs that runs up or down: as much as its lines are apart, however long it is. */
function turnedRuns(runs: readonly Run[], { size }: TypeSetting, measure: Measure): Need {
  let [lines, height] = [0, 0];
  const most = TURNED_HEIGHT * size;
  const texts = runs.map(({ text }) => text).join('');
  const type = runs[0]?.type;
  if (type === undefined || texts === '') return { least: 0, natural: 0 };
  const space = measure('n n', type) - measure('nn', type);
  for (const line of linesOf(texts)) {
    lines++;
    height = 0;
    for (const word of line.split(' ')) {
      const [first = '', ...others] = piecesOf(word);
      for (const [at, piece] of [first, ...others].entries()) {
        const long = measure(piece, type);
        const beside = height === 0 ? long : height + (at === 0 ? space : 0) + long;
        if (height > 0 && beside > most) lines++;
        height = height > 0 && beside > most ? long : beside;
      }
    }
  }
  return { least: lines * TURNED_LEADING * size, natural: lines * TURNED_LEADING * size };
}

/** What a cell needs from edge to edge: its text or marks, its icon, its padding and the line that it draws. */
export function needOf(view: ThemeView, table: Table, cell: GridCell, measure: Measure, page: PageType): Need {
  const slot = slotOf(table, cell, [], bandOf(view));
  const type = typeOf(view, slot, page);
  const value = (name: PropertyName) => winnerAt(view, slot, name).value;
  const caseCss = value('case').css;
  const isTurned = cell.section === 'header' && value('reading').css !== 'horizontal-tb';
  const isOneLine = !isTurned && value('wrap').css === 'nowrap';
  const mark = valueMarkOn(table, cell);
  const shown = mark && markedValueIn(table, cell, mark);
  const content = shown?.kind === 'button' ? shown.content : shownCell(table, cell);
  const link = winnerAt(view, { part: 'links', conditions: [], inside: slot }, 'weight').value;
  const runs: readonly Run[] =
    typeof content === 'string'
      ? [{ text: cased(content, caseCss), type }]
      : stretchesOf(content).map(({ text, marks }) => ({
          text: cased(text, caseCss),
          type: marked(type, marks, link.kind === 'number' ? link.amount : type.weight),
        }));
  const pad =
    resolveAt(view, { part: 'numbers', condition: 'rest' }, 'decimals').css === 'aligned' && slot.also?.includes('numbers') ? padOf(table, cell) : '';
  const last = runs.at(-1);
  const icon = textOf(content) === '' ? 0 : iconOf(view, slot) * type.size;
  const side = icon === 0 ? 'before' : resolve(view, { part: slot.part, conditions: [] }, 'icon-side').value.css;
  const across = isTurned
    ? turnedRuns(runs, type, measure)
    : needOfRuns(
        pad === '' || !last ? runs : [...runs.slice(0, -1), { ...last, text: last.text + pad }],
        isOneLine,
        side === 'after' ? { before: 0, after: icon } : { before: icon, after: 0 },
        measure,
      );
  // An icon stands beside a turned text, or above it where a line may be broken.
  const isBeside = value('wrap').css === 'nowrap';
  const text = isTurned ? { least: isBeside ? across.least + icon : Math.max(across.least, icon), natural: across.natural + icon } : across;
  const taken = shown ? roomOf(shown.kind) * type.size : 0;
  const { start, end } = cellLines(view, table, cell);
  const edges = toPx(value('padding-start'), type.size, page) + toPx(value('padding-end'), type.size, page) + widthIf(start) + widthIf(end);
  const least = isOneLine ? text.natural + taken : Math.max(text.least, icon, taken);
  // A length that row headers have for themselves takes the place of what they would take; it makes no word break.
  const own = slot.part === 'row-headers' ? resolveAt(view, { part: 'row-headers', condition: 'rest' }, 'width') : undefined;
  if (own?.kind !== 'length') return { least: least + edges, natural: Math.max(least, text.natural + taken) + edges };
  const asked = toPx(own, type.size, page);
  return { least: least + edges, natural: Math.max(least + edges, asked), isFixed: true };
}

export const widthIf = (line: Line | undefined): number => (line !== undefined && isDrawn(line) ? line.width : 0);

/** Width of a cell's icon with the room beside it, in em. */
function iconOf(view: ThemeView, slot: Slot): number {
  const own = winnerAt(view, { ...slot, conditions: [] }, 'icon');
  // The table's own stays whatever holds; a theme's comes and goes with the conditions of its cell.
  const css =
    own.excepted !== undefined ? own.value.css : propertyOf('icon').parts.includes(slot.part) ? winnerAt(view, slot, 'icon').value.css : 'none';
  return css === 'none' ? 0 : 1.4;
}

export function bandOf(view: ThemeView): Band {
  const value = resolveAt(view, { part: 'body-rows', condition: 'rest' }, 'band');
  return value.kind === 'band' ? value : ORDINARY_BAND;
}
