import { FRAME, HOST, NEEDS, SHEETS } from './marks';
import { walk } from './units';

/** Tables of more rows are not laid over several sheets: each of their parts would be as long. */
const MOST_ROWS = 2000;
/** A column is no narrower than this where its texts would fill it, in px. */
const COMFORTABLE = 140;

/** What stands in a frame for a table while it is printed. */
interface Laid {
  readonly frame: HTMLElement;
  readonly table: HTMLTableElement;
  readonly parts: readonly HTMLTableElement[];
}

/**
 * Tables that are wider than the sheet they are printed on are laid over several, each with the row headers: made when the page is to be
 * printed (HTML Standard, "Printing"), in place of the table itself, and taken away after it. Those that fit stay as they are.
 */
export function layOverSheets(): void {
  let laid: readonly Laid[] = [];
  addEventListener('beforeprint', () => {
    if (laid.length > 0) return;
    const roots: readonly ParentNode[] = [document, ...[...document.querySelectorAll(HOST)].flatMap(({ shadowRoot }) => shadowRoot ?? [])];
    const frames = roots.flatMap((root) => [...root.querySelectorAll<HTMLElement>(`.${FRAME}[${SHEETS}]`)]);
    laid = frames.flatMap((frame) => layOver(frame) ?? []);
  });
  addEventListener('afterprint', () => {
    for (const { frame, table, parts } of laid) {
      for (const part of parts) part.remove();
      table.style.removeProperty('display');
      frame.style.removeProperty(NEEDS);
    }
    laid = [];
  });
}

function layOver(frame: HTMLElement): Laid | undefined {
  const table = frame.querySelector<HTMLTableElement>(':scope > table');
  if (!table || table.rows.length > MOST_ROWS) return undefined;
  const widths = widthsOf(frame, table);
  const heads = headsOf(table);
  const sheets = sheetsOf(widths, heads, Number(frame.getAttribute(SHEETS)));
  if (sheets.length < 2) return undefined;
  const parts = sheets.map((columns, at) => partOf(table, new Set(columns), ` (${at + 1}/${sheets.length})`));
  const needs = Math.max(...sheets.map((columns) => columns.reduce((sum, column) => sum + (widths[column] ?? 0), 0)));
  frame.style.setProperty(NEEDS, `${Math.ceil(needs)}px`);
  table.style.display = 'none';
  frame.append(...parts);
  return { frame, table, parts };
}

/**
 * How wide each column is to be: all of its longest text where that is short, else as much as its longest word. Measured where there is
 * room for the table as it is, whatever width the window has.
 */
function widthsOf(frame: HTMLElement, table: HTMLTableElement): readonly number[] {
  const box = frame.parentElement ?? frame;
  const set = (element: HTMLElement, name: string, value: string): (() => void) => {
    const before = [element.style.getPropertyValue(name), element.style.getPropertyPriority(name)] as const;
    element.style.setProperty(name, value, 'important');
    return () => element.style.setProperty(name, ...before);
  };
  const back = [set(box, 'width', '9999px'), set(table, 'max-width', 'none')];
  const at = (width: string): readonly number[] => {
    const undo = set(table, 'width', width);
    const widths: number[] = [];
    walk(table.rows, (cell, column) => {
      if (cell.colSpan === 1 && widths[column] === undefined) widths[column] = cell.getBoundingClientRect().width;
    });
    undo();
    return widths;
  };
  const [least, most] = [at('min-content'), at('max-content')];
  for (const undo of back) undo();
  return Array.from(most, (width = COMFORTABLE, column) => Math.max(least[column] ?? 0, Math.min(width, COMFORTABLE)));
}

/** How many columns at the start name their rows: those of its row headers, or the first. */
function headsOf(table: HTMLTableElement): number {
  const row = [...table.tBodies].flatMap(({ rows }) => [...rows]).find(({ cells }) => cells.length > 1);
  const cells = row ? [...row.cells] : [];
  const headers = cells.findIndex(({ tagName }) => tagName !== 'TH');
  return Math.max(1, headers < 0 ? 1 : cells.slice(0, headers).reduce((sum, { colSpan }) => sum + colSpan, 0));
}

/** Which columns each sheet has: those that name the rows, and as many others as find room. */
function sheetsOf(widths: readonly number[], heads: number, room: number): readonly (readonly number[])[] {
  const naming = widths.map((_, column) => column).slice(0, heads);
  const named = naming.reduce((sum, column) => sum + (widths[column] ?? 0), 0);
  const sheets: number[][] = [];
  let full = Infinity;
  widths.forEach((width, column) => {
    if (column < heads) return;
    if (full + width > room) {
      sheets.push([...naming]);
      full = named;
    }
    sheets.at(-1)?.push(column);
    full += width;
  });
  return sheets;
}

/** A table with some of another's columns; a cell over several stands over those that are left of them. Its ids stay where they were. */
function partOf(table: HTMLTableElement, columns: ReadonlySet<number>, mark: string): HTMLTableElement {
  const part = table.cloneNode(true) as HTMLTableElement;
  const cols = [...table.querySelectorAll<HTMLElement>(':scope > colgroup > col')].map((col) => getComputedStyle(col).width);
  part.querySelectorAll<HTMLElement>(':scope > colgroup > col').forEach((col, at) => {
    if (columns.has(at)) col.style.width = cols[at] ?? '';
    else col.remove();
  });
  part.removeAttribute('id');
  for (const each of part.querySelectorAll('[id]')) each.removeAttribute('id');
  part.caption?.append(mark);
  part.style.marginBlockEnd = '1em';
  for (const group of [part.tHead, ...part.tBodies, part.tFoot]) {
    if (!group) continue;
    const spans: (readonly [HTMLTableCellElement, number])[] = [];
    walk(group.rows, (cell, column) => {
      let left = 0;
      for (let at = column; at < column + cell.colSpan; at++) left += columns.has(at) ? 1 : 0;
      spans.push([cell, left]);
    });
    for (const [cell, left] of spans) {
      if (left === 0) cell.remove();
      else cell.colSpan = left;
    }
  }
  return part;
}
