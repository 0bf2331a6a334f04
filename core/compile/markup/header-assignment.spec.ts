import { parseFragment, type DefaultTreeAdapterTypes } from 'parse5';
import { gridOf, headerRole, headersOf, mergeCells, tableOf, type Table } from '../../table';
import { dice, randomTable } from '../../tests/random';
import { tableElement, writeHtml } from '../index';

type Element = DefaultTreeAdapterTypes.Element;
interface Cell {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  readonly isHeader: boolean;
  readonly text: string;
  /** Which row group of the markup it is anchored in. */
  readonly rowGroup: number;
  readonly attributes: ReadonlyMap<string, string>;
}

const children = (node: Element): readonly Element[] => node.childNodes.filter((each): each is Element => 'tagName' in each);
const textOf = (node: DefaultTreeAdapterTypes.ChildNode): string =>
  'value' in node ? node.value : 'childNodes' in node ? node.childNodes.map(textOf).join('') : '';

/** A table as a browser or a screen reader has it: cells placed from the written markup alone, and its column groups. */
function placed(html: string): { readonly cells: readonly Cell[]; readonly groups: readonly (readonly [from: number, to: number])[] } {
  const [table] = parseFragment(html).childNodes.filter((each): each is Element => 'tagName' in each);
  const cells: Cell[] = [];
  const taken = new Set<string>();
  const groups: [number, number][] = [];
  let y = 0;
  let rowGroup = 0;
  for (const part of table ? children(table) : []) {
    if (part.tagName === 'colgroup') {
      const from = groups.at(-1)?.[1] ?? 0;
      groups.push([from, from + Number(part.attrs.find(({ name }) => name === 'span')?.value ?? 1)]);
    }
    if (!['thead', 'tbody', 'tfoot'].includes(part.tagName)) continue;
    rowGroup++;
    for (const row of children(part)) {
      let x = 0;
      for (const cell of children(row)) {
        while (taken.has(`${x} ${y}`)) x++;
        const attributes = new Map(cell.attrs.map(({ name, value }) => [name, value]));
        const [width, height] = [Number(attributes.get('colspan') ?? 1), Number(attributes.get('rowspan') ?? 1)];
        for (let dy = 0; dy < height; dy++) for (let dx = 0; dx < width; dx++) taken.add(`${x + dx} ${y + dy}`);
        cells.push({ x, y, width, height, isHeader: cell.tagName === 'th', text: textOf(cell).trim(), rowGroup, attributes });
        x += width;
      }
      y++;
    }
  }
  return { cells, groups };
}

/** The standard's algorithm for assigning header cells, step by step, for a data cell. */
function assigned({ cells, groups }: ReturnType<typeof placed>, principal: Cell): readonly Cell[] {
  const covers = (cell: Cell, x: number, y: number): boolean => x >= cell.x && x < cell.x + cell.width && y >= cell.y && y < cell.y + cell.height;
  const list: Cell[] = [];
  const ids = principal.attributes.get('headers');
  const scan = (startX: number, startY: number, dx: number, dy: number): void => {
    const opaque: Cell[] = [];
    let inBlock = false;
    let block: Cell[] = [];
    for (let x = startX + dx, y = startY + dy; x >= 0 && y >= 0; x += dx, y += dy) {
      const [current, other] = cells.filter((cell) => covers(cell, x, y));
      if (!current || other) continue;
      if (current.isHeader) {
        inBlock = true;
        block.push(current);
        const scope = current.attributes.get('scope');
        const blocked =
          dx === 0
            ? opaque.some((cell) => cell.x === current.x && cell.width === current.width) || scope !== 'col'
            : opaque.some((cell) => cell.y === current.y && cell.height === current.height) || scope !== 'row';
        if (!blocked) list.push(current);
      } else if (inBlock) {
        inBlock = false;
        opaque.push(...block);
        block = [];
      }
    }
  };
  if (ids !== undefined) list.push(...ids.split(/\s+/).flatMap((id) => cells.filter((cell) => cell.attributes.get('id') === id)));
  else {
    for (let y = principal.y; y < principal.y + principal.height; y++) scan(principal.x, y, -1, 0);
    for (let x = principal.x; x < principal.x + principal.width; x++) scan(x, principal.y, 0, -1);
    list.push(
      ...cells.filter(
        (cell) =>
          cell.attributes.get('scope') === 'rowgroup' &&
          cell.rowGroup === principal.rowGroup &&
          cell.x < principal.x + principal.width &&
          cell.y < principal.y + principal.height,
      ),
    );
    const group = groups.find(([from, to]) => principal.x >= from && principal.x < to);
    if (group)
      list.push(
        ...cells.filter(
          (cell) =>
            cell.attributes.get('scope') === 'colgroup' &&
            cell.x >= group[0] &&
            cell.x < group[1] &&
            cell.x < principal.x + principal.width &&
            cell.y < principal.y + principal.height,
        ),
      );
  }
  return [...new Set(list)].filter((cell) => cell.text !== '' && cell !== principal);
}

/** Where the headers that the markup gives are not those that the table means. */
function disagreements(table: Table): readonly string[] {
  const seen = placed(writeHtml(tableElement(table, { id: 't' }), 'compact'));
  const place = ({ x, y }: { readonly x: number; readonly y: number }): string => `${y}/${x}`;
  return gridOf(table)
    .rows.flat()
    .filter((cell) => cell.section !== 'header' && headerRole(table, cell).tag === 'td')
    .flatMap((cell) => {
      const found = seen.cells.find(({ x, y }) => x === cell.column && y === cell.row);
      const wanted = headersOf(table, cell).map(({ row, column }) => `${row}/${column}`);
      const got = found ? assigned(seen, found).map(place) : ['no such cell'];
      return wanted.toSorted().join() === got.toSorted().join()
        ? []
        : [`cell ${cell.row}/${cell.column}: wanted ${wanted.join(' ')}, got ${got.join(' ')}`];
    });
}

describe('Header cells in the markup (HTML Standard, header assignment)', () => {
  it('are found by the standard’s algorithm as the table means them, for 600 random structures', () => {
    for (let seed = 0; seed < 600; seed++)
      expect(disagreements(randomTable(dice(seed))))
        .withContext(`seed ${seed}`)
        .toEqual([]);
  });
  it('are named only where position and scope do not say it', () => {
    const markup = (table: Table): string => writeHtml(tableElement(table, { id: 't' }), 'compact');
    const tiers = tableOf(
      'x',
      [
        ['a', 'b'],
        ['', 'c'],
        ['d', 'e'],
        ['1', '2'],
      ],
      { headerRows: 3 },
    );
    expect(markup(tiers)).toContain(' headers="t-r0c0 t-r2c0"');
    expect(markup(tiers).match(/headers=/g)?.length).toBe(1);
    expect(
      markup(
        tableOf('x', [
          ['a', 'b'],
          ['1', '2'],
        ]),
      ),
    ).not.toMatch(/headers=| id=/);
  });
  it('reach from a row header that is merged into the body', () => {
    const merged = mergeCells(
      tableOf(
        'x',
        [
          ['a', 'b', 'c'],
          ['d', '', 'e'],
          ['f', 'g', 'h'],
        ],
        { rowHeaders: 1 },
      ),
      { row: 1, column: 0 },
      { row: 1, column: 1 },
    );
    expect(merged.ok && disagreements(merged.value)).toEqual([]);
  });
});
