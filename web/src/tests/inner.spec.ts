import { themeWith } from '../../../core/tests/themes';
import { mergeCells, setExceptions, tableOf, type Table } from '../../../core/table';
import type { Theme } from '../../../core/theme';
import { bodyRows, boxOf, placed, takeAway } from './placed';

afterEach(takeAway);

const notes = [
  'Boats over twelve metres lie outside of the pier, and are asked to call the harbour master before they come in at night or in fog.',
  'Short',
];
const berths: Table = tableOf(
  'Berths',
  [
    ['Harbour', 'Fresh water on the quay', 'Notes'],
    ['Skerrin', 'yes', notes[0] ?? ''],
    ['Tarn Isle', 'no', notes[1] ?? ''],
  ],
  { rowHeaders: 1 },
);
const at = (theme: Theme, table = berths, width = 420, visitor?: Parameters<typeof placed>[3]): HTMLElement => placed(theme, table, width, visitor);
const find = (room: HTMLElement, selector: string): HTMLElement => room.querySelector(selector) as HTMLElement;

describe('Headings that run up or down', () => {
  const turned = themeWith({ 'column-headers': { rest: { reading: 'up' } }, corner: { rest: { reading: 'across' } } });
  it('are higher than wide, take no more width than a line, and leave the corner as it is', () => {
    const [plain, up] = [at(themeWith({})), at(turned)];
    const [text, corner] = [find(up, 'thead th:nth-child(2) .zp-reads'), find(up, 'thead th:first-child .zp-reads')];
    expect(boxOf(text).height).toBeGreaterThan(boxOf(text).width * 3);
    expect(boxOf(corner).width).toBeGreaterThan(boxOf(corner).height);
    expect(boxOf(text).width).toBeCloseTo(1.2 * 16, 0);
    const widthOf = (room: HTMLElement): number => boxOf(find(room, 'tbody td')).width;
    expect(widthOf(up)).toBeLessThan(widthOf(plain));
  });
  it('sort: all of the cell is a button, with the arrow, and a line around the cell when it has the focus', () => {
    const seen: Theme = {
      ...turned,
      values: { ...turned.values, 'column-headers': { ...turned.values['column-headers'], focused: { outline: '3px solid lamp' } } },
    };
    const room = at(seen, berths, 600, { sort: true });
    const button = find(room, 'thead th:nth-child(2) .zp-sort') as HTMLButtonElement;
    expect(button.querySelector('.zp-reads')?.textContent).toBe('Fresh water on the quay');
    find(room, 'thead th:nth-child(2)').scrollIntoView({ block: 'center' });
    const { left, top, width, height } = boxOf(find(room, 'thead th:nth-child(2)'));
    expect((room.getRootNode() as ShadowRoot).elementFromPoint(left + width / 2, top + height - 3)).toBe(button);
    button.click();
    expect(find(room, 'thead th:nth-child(2)').getAttribute('aria-sort')).toBe('ascending');
  });
});

describe('Headings that run up, where rows are stacked', () => {
  it('run across, where they are sorted by', () => {
    const room = at(themeWith({ table: { rest: { arrangement: 'stacked' } }, 'column-headers': { rest: { reading: 'up' } } }), berths, 320, {
      sort: true,
    });
    const { height, width } = boxOf(find(room, 'thead th:nth-child(2) .zp-reads'));
    expect(width).toBeGreaterThan(height * 2);
  });
});

describe('Texts that are cut after some lines', () => {
  const cut = themeWith({ 'body-rows': { rest: { 'lines-shown': '2', 'line-height': '20px' } } });
  it('end after so many lines and open to the whole; what is short has nothing to open', () => {
    const room = at(cut);
    const [long, short] = bodyRows(room).map((row) => row.cells[2] as HTMLElement);
    const summary = long?.querySelector('summary') as HTMLElement;
    expect(boxOf(summary).height).toBe(40);
    expect(summary.scrollHeight).toBeGreaterThan(60);
    summary.click();
    expect(boxOf(summary).height).toBe(summary.scrollHeight);
    expect(short?.querySelector('details')).toBeNull();
    expect(long?.textContent).toBe(notes[0]);
  });
  it('are cut by one column of a table alone, and whole where that says so', () => {
    const own = (text: string, theme: Theme): number => {
      const table = setExceptions(berths, [{ row: null, column: 2 }], (each) => ({
        ...each,
        values: { 'lines-shown': text, 'line-height': '20px' },
      }));
      return boxOf(find(at(theme, table), 'tbody summary')).height;
    };
    expect(own('1', themeWith({}))).toBe(20);
    expect(own('3', cut)).toBe(60);
    expect(own('all', cut)).toBeGreaterThan(60);
  });
  it('have their links seen as a theme’s, and are never cut where they have one', () => {
    const linked: Table = {
      ...berths,
      rows: berths.rows.map((row, i) =>
        i === 1
          ? [...row.slice(0, 2), { text: notes[0] ?? '', marks: [{ from: 0, to: 5, kind: 'link' as const, href: 'https://skerrin.example' }] }]
          : row,
      ),
    };
    const room = at(themeWith({ 'body-rows': { rest: { 'lines-shown': '1' } }, links: { rest: { ink: 'lamp' } } }), linked);
    expect(room.querySelector('tbody details')).toBeNull();
    expect(getComputedStyle(find(room, 'tbody a')).color).toBe('rgb(226, 89, 10)');
  });
});

describe('The frame around a column', () => {
  const framed = setExceptions(berths, [{ row: null, column: 1 }], (each) => ({
    ...each,
    reach: 'header',
    values: { frame: '3px solid lamp', 'frame-radius': '6px' },
  }));
  it('is one unbroken line from the first cell to the last, closed at both ends, with one line at each side', () => {
    const room = at(themeWith({ lines: { rest: { columns: '1px solid deep', rows: '1px solid deep' } } }), framed);
    const cells = [...room.querySelectorAll<HTMLElement>('tr > :nth-child(2)')];
    const sides = (cell: HTMLElement): string => {
      const { borderTopWidth, borderRightWidth, borderBottomWidth, borderLeftWidth } = getComputedStyle(cell);
      return [borderTopWidth, borderRightWidth, borderBottomWidth, borderLeftWidth].join(' ');
    };
    expect(cells.map(sides)).toEqual(['3px 3px 0px 3px', '1px 3px 0px 3px', '1px 3px 3px 3px']);
    cells.slice(1).forEach((cell, i) => expect(boxOf(cell).top).toBeCloseTo(boxOf(cells[i] as HTMLElement).bottom, 3));
    expect([...room.querySelectorAll<HTMLElement>('tr > :nth-child(3)')].map((cell) => getComputedStyle(cell).borderLeftWidth)).toEqual([
      '0px',
      '0px',
      '0px',
    ]);
    expect(getComputedStyle(cells[0] as HTMLElement).borderTopLeftRadius).toBe('6px');
    expect(getComputedStyle(cells[2] as HTMLElement).borderBottomRightRadius).toBe('6px');
    expect(getComputedStyle(cells[1] as HTMLElement).borderBottomRightRadius).toBe('0px');
  });
  it('is closed by whichever row is the last one that is seen', () => {
    const room = at(themeWith({}), framed, 420, { pageRows: 1, sort: true });
    const seen = bodyRows(room);
    expect(seen.length).toBe(1);
    expect(getComputedStyle(seen[0]?.cells[1] as HTMLElement).borderBottomWidth).toBe('3px');
  });
  it('is gone where rows are stacked', () => {
    const room = at(themeWith({ table: { rest: { arrangement: 'stacked' } } }), framed, 300);
    const cell = bodyRows(room).at(-1)?.cells[1] as HTMLElement;
    expect([
      getComputedStyle(cell).borderBottomWidth,
      getComputedStyle(cell).borderLeftWidth,
      getComputedStyle(cell).borderBottomRightRadius,
    ]).toEqual(['0px', '0px', '0px']);
  });
});

describe('Rows that a merged cell holds together', () => {
  const cards = themeWith({
    table: { rest: { cells: 'spaced', gap: '0 10px' } },
    'body-rows': { rest: { fill: 'mist', 'row-radius': '8px', 'row-shadow': '0 1px 4px #000000' } },
  });
  const plain = tableOf(
    'Crossings',
    [
      ['Boat', 'Day', 'From'],
      ['Moth', 'Weekday', '06:10'],
      ['', 'Saturday', '07:00'],
      ['', 'Sunday', '08:00'],
      ['Wren', 'Daily', '06:00'],
    ],
    { rowHeaders: 1 },
  );
  const made = mergeCells(plain, { row: 1, column: 0 }, { row: 3, column: 0 });
  const table = made.ok ? made.value : plain;

  it('are one card: round at its four corners, without a gap or a shadow within', () => {
    const rows = bodyRows(at(cards, table));
    const corners = (cell: Element | undefined): string => {
      const style = getComputedStyle(cell as Element);
      return [style.borderTopLeftRadius, style.borderTopRightRadius, style.borderBottomRightRadius, style.borderBottomLeftRadius]
        .map(parseFloat)
        .join(' ');
    };
    expect(rows.map((row) => `${corners(row.cells[0])} | ${corners(row.cells[row.cells.length - 1])}`)).toEqual([
      '8 0 0 8 | 0 8 0 0',
      '0 0 0 0 | 0 0 0 0',
      '0 0 0 0 | 0 0 8 0',
      '8 0 0 8 | 0 8 8 0',
    ]);
    const second = rows[1]?.cells[0] as HTMLElement;
    expect(getComputedStyle(second).boxShadow).toBe('rgb(238, 245, 246) 0px -10px 0px 0px');
    expect(boxOf(second).top - boxOf(rows[0]?.cells[1] as HTMLElement).bottom).toBeCloseTo(10, 3);
    expect(getComputedStyle(rows[1] as HTMLElement).clipPath).toBe('inset(-10px -9999px 0px)');
    expect(getComputedStyle(rows[2] as HTMLElement).clipPath).toBe('inset(-10px -9999px -9999px)');
  });
  it('are cards of their own where rows are stacked, as every row is', () => {
    const rows = bodyRows(
      at({ ...cards, values: { ...cards.values, table: { rest: { ...cards.values.table?.rest, arrangement: 'stacked' } } } }, table, 300),
    );
    expect(rows.map((row) => `${getComputedStyle(row).borderTopLeftRadius} ${getComputedStyle(row).clipPath}`)).toEqual(rows.map(() => '8px none'));
    expect(rows.flatMap((row) => [...row.cells]).map((cell) => getComputedStyle(cell).boxShadow)).toEqual(
      rows.flatMap((row) => [...row.cells]).map(() => 'none'),
    );
  });
  it('cost nothing where no rows are held together', () => {
    expect(at(cards, plain).innerHTML).not.toContain('zp-joins');
  });
});
