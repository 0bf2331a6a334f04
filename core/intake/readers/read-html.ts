import { parse } from 'parse5';
import { bad, good, type Outcome } from '../../outcome';
import { LIMITS, cellOf, textOf as textOfCell, type Cell, type Merge, type Row } from '../../table';
import { attribute, childrenOf, isElement, isHidden, languageBy, richOf, type Element, type Node } from './html-text';
import type { Raw } from '../raw';

/**
 * Reads a table of HTML from a clipboard or a file, the one that is asked for. Text comes in with what it is marked as
 * (bold, links and so on); every other element, styles and scripts are read over. Spans are placed as the HTML Standard says ("Forming a table"); where they overlap
 * or run past their row group they are cut, and that is said.
 */
export function readHtml(html: string, piece = 0): Outcome<{ readonly raw: Raw; readonly pieces: readonly string[] }> {
  const document = parse(html);
  if (isDeeper(document, DEEPEST))
    return bad({
      code: 'too-deep',
      say: `Its elements stand in one another more than ${DEEPEST} deep, and it is not read.`,
      remedy: 'Copy the table by itself, without what is around it.',
    });
  const tables = outerTables(document);
  const table = tables[piece];
  if (!table) return bad({ code: 'no-table', say: 'There is no table in it.', remedy: 'Copy the cells themselves, or paste as plain text.' });
  const groups = rowGroups(table);
  const placed = place(groups, languageOfTable(table));
  if (placed.rows.every((cells) => cells.length === 0))
    return bad({ code: 'no-rows', say: 'The table has no rows.', remedy: 'Choose a table with at least one row.' });
  const caption = find(table, 'caption');
  const counted = (kind: Group['kind']): number => groups.filter((group) => group.kind === kind).reduce((sum, { rows }) => sum + rows.length, 0);
  return good({
    raw: {
      rows: placed.rows,
      merges: placed.merges,
      groups: placed.groups,
      headerRows: counted('thead') || leadingHeaderRows(groups),
      footerRows: counted('tfoot'),
      rowHeaders: placed.rowHeaders,
      language: languageOfTable(table),
      caption: caption ? textOf(caption).slice(0, LIMITS.caption) : '',
      notes: placed.notes,
    },
    pieces: tables.map(nameOf),
  });
}

/** How deep elements may stand in one another: many times what people write, and few enough to be gone through. */
const DEEPEST = 500;

/** Whether elements stand in one another deeper than that; told without going into them. */
function isDeeper(document: Node, most: number): boolean {
  let level: readonly Node[] = [document];
  for (let depth = 0; level.length > 0; depth++) {
    if (depth > most) return true;
    const next: Node[] = [];
    for (const node of level) for (const child of childrenOf(node)) if (isElement(child)) next.push(child);
    level = next;
  }
  return false;
}

/** Tables that do not stand in another one. */
function outerTables(node: Node): readonly Element[] {
  return childrenOf(node).flatMap((child) => (isElement(child) && child.tagName === 'table' ? [child] : outerTables(child)));
}

/** What a table in a list is called: by its caption, else by its first cells. */
function nameOf(table: Element, at: number): string {
  const caption = find(table, 'caption');
  const row = find(table, 'tr');
  const text = caption
    ? textOf(caption)
    : row
      ? childrenOf(row)
          .filter(isElement)
          .map(textOf)
          .filter((each) => each !== '')
          .join(', ')
      : '';
  return text === '' ? `Table ${at + 1}` : text.slice(0, 60);
}

interface Group {
  readonly element: Element;
  readonly kind: 'thead' | 'tbody' | 'tfoot';
  readonly rows: readonly (readonly Element[])[];
  /** How many rows of it are not shown. */
  readonly hidden: number;
}

/** The language that a table's texts are in: what it or what is around it says. */
function languageOfTable(table: Element): string {
  for (let at: Element | undefined = table; at; at = at.parentNode && isElement(at.parentNode as Node) ? (at.parentNode as Element) : undefined) {
    const language = languageBy(at);
    if (language !== undefined) return language;
  }
  return '';
}

/**
 * Row groups in the order in which they are painted: header, bodies, footer. Of several headers or footers the first is one, the others
 * are bodies where they stand (CSS 2.2, section 17.2).
 */
function rowGroups(table: Element): readonly Group[] {
  const had = new Set<string>();
  const groups = childrenOf(table)
    .filter(isElement)
    .flatMap((child): Group[] => {
      if (child.tagName !== 'thead' && child.tagName !== 'tbody' && child.tagName !== 'tfoot') return [];
      const kind = had.has(child.tagName) ? 'tbody' : child.tagName;
      had.add(child.tagName);
      const rows = childrenOf(child)
        .filter(isElement)
        .filter(({ tagName }) => tagName === 'tr');
      const shown = isHidden(child) ? [] : rows.filter((row) => !isHidden(row));
      return [
        {
          element: child,
          kind,
          hidden: rows.length - shown.length,
          rows: shown.map((row) =>
            childrenOf(row)
              .filter(isElement)
              .filter((cell) => (cell.tagName === 'td' || cell.tagName === 'th') && !isHidden(cell)),
          ),
        },
      ];
    });
  return (['thead', 'tbody', 'tfoot'] as const).flatMap((kind) => groups.filter((group) => group.kind === kind));
}

const span = (cell: Element, name: string, most: number): number => {
  const n = Number.parseInt(attribute(cell, name) ?? '1', 10);
  return Number.isFinite(n) && n >= 0 ? Math.min(n, most) : 1;
};

/** Columns that are looked at: some more than a table may have, so that what is over can be told. */
const REACH = LIMITS.columns + 100;

/** Which slots are covered already, row by row. */
class Taken {
  private readonly rows: (Uint8Array | undefined)[] = [];
  has = (row: number, column: number): boolean => this.rows[row]?.[column] === 1;
  add({ row, column, rows, columns }: Merge): void {
    for (let r = row; r < row + rows; r++) (this.rows[r] ??= new Uint8Array(REACH)).fill(1, column, column + columns);
  }
}

interface Placed {
  readonly rows: readonly Row[];
  readonly merges: readonly Merge[];
  readonly groups: readonly number[];
  /** How many columns at the start hold row headers: header cells in every row of the body. */
  readonly rowHeaders: number;
  readonly notes: readonly string[];
}

function place(groups: readonly Group[], spoken: string): Placed {
  const headers = new HeaderCells();
  const rows: Cell[][] = [];
  const merges: Merge[] = [];
  const headings: number[] = [];
  const taken = new Taken();
  const notes: string[] = [];
  let [nested, named, dropped, beyond] = [false, false, 0, 0];
  for (const group of groups) {
    const start = rows.length;
    group.rows.forEach((cells, index) => {
      const row = start + index;
      const texts: Cell[] = [];
      let column = 0;
      if (group.kind === 'tbody' && index === 0 && isGroupHeading(cells[0])) headings.push(row);
      for (const cell of cells) {
        while (taken.has(row, column)) texts[column++] ??= '';
        if (column >= REACH) {
          beyond++;
          continue;
        }
        nested ||= find(cell, 'table') !== undefined;
        const left = group.rows.length - index;
        const asked = span(cell, 'rowspan', 65_534);
        const wide = Math.max(1, span(cell, 'colspan', 1000));
        const merge = { row, column, rows: asked === 0 ? left : Math.min(asked, left), columns: Math.min(wide, REACH - column) };
        if (asked > left) notes.push(`A cell at row ${row + 1}, column ${column + 1} reached past its rows. It was cut at the end.`);
        const columns = freeColumns(merge, taken);
        if (columns < merge.columns) notes.push(`Merged cells at row ${row + 1}, column ${column + 1} overlapped others. They were made narrower.`);
        const language = languageBy(cell) ?? languageByRow(cell) ?? spoken;
        const content = richOf(cell, language === spoken ? '' : language);
        named ||= attribute(cell, 'headers') !== undefined;
        dropped += content.dropped;
        texts[column] = contentOf(cell, content.cell);
        const placed = { ...merge, columns };
        taken.add(placed);
        if (cell.tagName === 'th') headers.add(placed);
        if (placed.rows * placed.columns > 1) merges.push(placed);
        column += columns;
      }
      rows.push(Array.from(texts, (text: Cell | undefined) => text ?? ''));
    });
  }
  const hidden = groups.reduce((count, group) => count + group.hidden, 0);
  if (hidden > 0)
    notes.push(hidden === 1 ? '1 row that is not shown was left out.' : `${hidden.toLocaleString('en')} rows that are not shown were left out.`);
  if (named) notes.push('Cells named their headers by `headers`. Here the headers of a cell are those above it and before it.');
  if (nested) notes.push('A table inside a cell came in as text.');
  if (dropped > 0) notes.push(`${dropped === 1 ? '1 link that would run code came' : `${dropped} links that would run code came`} in as text.`);
  if (beyond > 0) notes.push(`${beyond.toLocaleString('en')} cells beyond column ${REACH} were left out.`);
  return {
    rows: padForMerges(rows, merges),
    merges,
    groups: headings,
    rowHeaders: headerColumns(headers, groups, rows, new Set(headings)),
    notes: shortened(notes),
  };
}

/** A file made to be tiresome has thousands of mended cells: some are told, the rest counted. */
const shortened = (notes: readonly string[]): readonly string[] =>
  notes.length > 20 ? [...notes.slice(0, 20), `${(notes.length - 20).toLocaleString('en')} more places were mended like that.`] : notes;

function freeColumns({ row, column, columns }: Merge, taken: Taken): number {
  for (let n = 1; n < columns; n++) if (taken.has(row, column + n)) return n;
  return columns;
}

/** Rows as wide as the merges that cover them, so that a row made of merged cells only does not come in as short. */
function padForMerges(rows: readonly Row[], merges: readonly Merge[]): readonly Row[] {
  const wide = rows.map((row) => row.length);
  for (const merge of merges) for (let r = merge.row; r < merge.row + merge.rows; r++) wide[r] = Math.max(wide[r] ?? 0, merge.column + merge.columns);
  return rows.map((row, r) => [...row, ...Array.from({ length: Math.max(0, (wide[r] ?? 0) - row.length) }, () => '')]);
}

/** Without a thead, rows at the top made of th only are header rows, as long as a row of another kind follows. */
function leadingHeaderRows(groups: readonly Group[]): number {
  const rows = groups.flatMap((group) => group.rows);
  const first = rows.findIndex((cells) => cells.length === 0 || cells.some(({ tagName }) => tagName !== 'th'));
  return first < 0 ? 0 : first;
}

/** Whether a row group's first cell heads the rows below it; one that stands beside them is a row header. */
const isGroupHeading = (first: Element | undefined): boolean =>
  first !== undefined && attribute(first, 'scope')?.toLowerCase() === 'rowgroup' && span(first, 'rowspan', 65_534) === 1;

/** The language that a cell's row or row group says. */
function languageByRow({ parentNode: row }: Element): string | undefined {
  const group = row && 'parentNode' in row ? row.parentNode : undefined;
  for (const each of [row, group]) {
    const language = each && isElement(each as Node) ? languageBy(each as Element) : undefined;
    if (language !== undefined) return language;
  }
  return undefined;
}

/** How many columns of row headers are told at most. */
const HEADERS_MOST = 12;

/** Which of the columns at the start have a header cell, row by row, a bit for each. */
class HeaderCells {
  private readonly rows: number[] = [];
  add({ row, column, rows, columns }: Merge): void {
    for (let at = row; at < row + rows; at++)
      for (let c = column; c < Math.min(column + columns, HEADERS_MOST); c++) this.rows[at] = (this.rows[at] ?? 0) | (1 << c);
  }
  /** How many columns at the start have one in each of some rows. */
  everywhere(rows: readonly number[]): number {
    const all = rows.reduce((bits, row) => bits & (this.rows[row] ?? 0), rows.length > 0 ? -1 : 0);
    let count = 0;
    while (count < HEADERS_MOST && all & (1 << count)) count++;
    return count;
  }
}

/** How many columns of row headers there are: all but the last at most, in which there is nothing left to head. */
function headerColumns(headers: HeaderCells, groups: readonly Group[], rows: readonly Row[], headings: ReadonlySet<number>): number {
  const width = rows.reduce((most, { length }) => Math.max(most, length), 0);
  return Math.min(headers.everywhere(bodyRows(groups).filter((row) => !headings.has(row))), Math.max(0, width - 1));
}

/** The rows of the body, without those that are header rows for want of a header. */
function bodyRows(groups: readonly Group[]): readonly number[] {
  const kinds = groups.flatMap(({ kind, rows }) => rows.map(() => kind));
  const top = kinds.includes('thead') ? 0 : leadingHeaderRows(groups);
  return kinds.flatMap((kind, row) => (kind === 'tbody' && row >= top ? [row] : []));
}

function find(node: Node, tag: string): Element | undefined {
  for (const child of childrenOf(node)) {
    if (isElement(child) && child.tagName === tag) return child;
    const inside = find(child, tag);
    if (inside) return inside;
  }
  return undefined;
}

/** What a person reads in it. */
const textOf = (node: Node): string => textOfCell(richOf(node).cell);

/** A cell's content. Bold over the whole of a header cell is how browsers show headers, not what was meant. */
function contentOf(cell: Element, content: Cell): Cell {
  if (typeof content === 'string' || cell.tagName !== 'th') return content;
  return cellOf(
    content.text,
    content.marks.filter(({ kind, from, to }) => kind !== 'bold' || from > 0 || to < content.text.length),
  );
}
