/** What is painted of a table, as the strips' handles follow it; in px, places from the table's own top and start. */
export interface Measures {
  readonly columns: readonly number[];
  readonly rows: readonly number[];
  readonly head: readonly number[];
  readonly foot: readonly number[];
  readonly top: number;
  readonly start: number;
  readonly bodyTop: number;
  readonly footTop: number;
}
export const NOTHING_MEASURED: Measures = { columns: [], rows: [], head: [], foot: [], top: 0, start: 0, bodyTop: 0, footTop: 0 };

export function measureTable(table: HTMLTableElement): Measures {
  const box = table.getBoundingClientRect();
  const heights = (selector: string): readonly number[] =>
    [...table.querySelectorAll<HTMLElement>(selector)].map((row) => row.getBoundingClientRect().height);
  const topOf = (selector: string): number => {
    const found = table.querySelector<HTMLElement>(selector);
    return found ? found.getBoundingClientRect().top - box.top : 0;
  };
  const columns = [...table.querySelectorAll<HTMLElement>('col')].map((col) => col.getBoundingClientRect());
  return {
    columns: columns.map(({ width }) => width),
    rows: heights('tbody > tr'),
    head: heights('thead > tr'),
    foot: heights('tfoot > tr'),
    top: topOf('thead, tbody, tfoot'),
    start: getComputedStyle(table).direction === 'rtl' ? box.right - (columns[0]?.right ?? box.right) : (columns[0]?.left ?? box.left) - box.left,
    bodyTop: topOf('tbody'),
    footTop: topOf('tfoot'),
  };
}

/** A strip of handles beside a row group: from which row on, how high each is, and where it begins. */
export interface RowStrip {
  readonly name: 'head' | 'body' | 'foot';
  readonly first: number;
  readonly sizes: readonly number[];
  readonly top: number;
  readonly isSticky: boolean;
}

/** The strips beside header, body and footer. A long table's header stays in view, and its handles with it. */
export const stripsBeside = (
  { head, rows, foot, top, bodyTop, footTop }: Measures,
  at: { readonly isLong: boolean; readonly body: number; readonly foot: number },
): readonly RowStrip[] => [
  { name: 'head', first: 0, sizes: head, top, isSticky: at.isLong },
  { name: 'body', first: at.body, sizes: rows, top: bodyTop, isSticky: false },
  { name: 'foot', first: at.foot, sizes: foot, top: footTop, isSticky: false },
];
