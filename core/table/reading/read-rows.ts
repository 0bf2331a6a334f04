import { array, number, object, string } from 'yup';
import { isLanguage } from '../../data-types';
import { isColour, isPictureAddress, isSafeAddress, markKinds } from '../cell';
import { LIMITS } from './limits';

/** What is wrong with rows, and where. Looked through by hand: a table may have millions of cells. */
export function rowsProblem(rows: unknown, width?: number): { readonly say: string; readonly at: string } | undefined {
  if (!Array.isArray(rows)) return { say: 'The rows are missing.', at: '' };
  if (rows.length === 0) return { say: 'A table has at least one row.', at: '' };
  if (rows.length > LIMITS.rows) return { say: `A table has at most ${LIMITS.rows} rows.`, at: '' };
  const wide = width ?? (Array.isArray(rows[0]) ? rows[0].length : 0);
  if (wide > LIMITS.columns) return { say: `A table has at most ${LIMITS.columns} columns.`, at: '' };
  if (wide * rows.length > LIMITS.slots) return { say: `A table has at most ${LIMITS.slots.toLocaleString('en')} cells.`, at: '' };
  for (const [at, row] of (rows as readonly unknown[]).entries()) {
    if (!Array.isArray(row) || row.length !== wide || wide === 0)
      return { say: 'Every row has the same number of cells, at least one.', at: `[${at}]` };
    for (let column = 0; column < wide; column++) {
      const say = cellProblem(row[column]);
      if (say !== undefined) return { say, at: `[${at}][${column}]` };
    }
  }
  return undefined;
}

/** What is wrong with a cell that came from anywhere. */
export function cellProblem(cell: unknown): string | undefined {
  if (typeof cell === 'string') return cell.length > LIMITS.cell ? `A cell holds at most ${LIMITS.cell} characters.` : undefined;
  return richSchema.isValidSync(cell, { strict: true })
    ? undefined
    : 'A cell is a text, or a text with marks: each from a letter to a later one within it, of a known kind, links with an address that runs nothing.';
}

const markSchema = object({
  from: number().required().integer().min(0),
  to: number().required().integer().min(1),
  kind: string().required().oneOf(markKinds),
  href: string().max(LIMITS.address),
  height: number().integer().min(8).max(600),
})
  .noUnknown()
  .test('height', ({ kind, height }) => height === undefined || kind === 'picture')
  .test('href', ({ kind, href }) => {
    if (kind === 'link') return href !== undefined && isSafeAddress(href);
    if (kind === 'language') return href !== undefined && isLanguage(href);
    if (kind === 'ink' || (kind === 'highlight' && href !== undefined)) return href !== undefined && isColour(href);
    if (kind === 'icon') return href !== undefined && /^[a-z-]{1,40}$/.test(href);
    return kind === 'picture' ? href !== undefined && isPictureAddress(href) : href === undefined;
  });
const richSchema = object({
  text: string().defined().max(LIMITS.cell),
  marks: array().required().min(1).max(LIMITS.marks).of(markSchema.required()),
})
  .noUnknown()
  .test('inside', (cell) => marksLieWithin(cell));

/** Asked of whatever came, whole or not: what a cell lacks is told by the test of that. */
function marksLieWithin({ text, marks }: { readonly text?: unknown; readonly marks?: unknown }): boolean {
  if (typeof text !== 'string' || !Array.isArray(marks)) return false;
  return marks.every((mark: { readonly from?: unknown; readonly to?: unknown } | null) => {
    const [from, to] = [mark?.from, mark?.to];
    return typeof from === 'number' && typeof to === 'number' && from < to && to <= text.length;
  });
}
