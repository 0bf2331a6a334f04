import { columnLabels } from '../../../core/compile';
import { setValue } from '../../../core/edit';
import { gridOf, headersOf, shownTable, shownText, tableOf, type Table } from '../../../core/table';
import { dice, randomTable, randomTheme, withExceptions, starterNames } from '../../../core/tests/random';
import { forSeeds } from '../../../core/tests/seeded';
import { arranged, boats, bodyRows, boxOf, grown, placed, takeAway, unstacked } from './placed';

afterEach(takeAway);

describe('Stacked rows', () => {
  const theme = arranged(grown('nightfall'), 'stacked', 'narrow');

  it('are blocks with a label for each value where the container is narrow, and a plain table elsewhere', () => {
    const [narrow, wide] = [placed(theme, boats, 320), placed(theme, boats, 900)];
    expect(bodyRows(narrow).flatMap(unstacked)).toEqual([]);
    const [moth] = bodyRows(narrow);
    const shown = [...(moth?.cells ?? [])].map((cell) => (cell as HTMLElement).innerText.replace(/\s*\n\s*/, ': ').trim());
    expect(shown).toEqual(['Moth', 'Leaves, Weekday: 18:35', 'Leaves, Weekend: 19:05', 'Fare: £8.20']);
    const [row] = bodyRows(wide);
    expect(new Set([...(row?.cells ?? [])].map((cell) => boxOf(cell).top)).size).toBe(1);
    expect((row?.cells[1] as HTMLElement).innerText).toBe('18:35');
  });

  it('put label and value on one line, at its two ends, the row’s own name on top', () => {
    const [moth] = bodyRows(placed(theme, boats, 320));
    const cell = moth?.cells[3] as HTMLElement;
    const label = boxOf(cell.querySelector('.zp-label') as Element);
    const value = document.createRange();
    value.selectNodeContents(cell.lastChild as Node);
    expect(Math.abs(label.top - value.getBoundingClientRect().top)).toBeLessThan(4);
    expect(value.getBoundingClientRect().right).toBeGreaterThan(boxOf(cell).right - 20);
    expect(getComputedStyle(moth?.cells[0] as Element).fontWeight).toBe('700');
  });

  it('stay a table for those who hear it: roles, and a header that is heard and not seen', () => {
    const room = placed(theme, boats, 320);
    const roles = (selector: string): readonly (string | null)[] =>
      [...new Set([...room.querySelectorAll(selector)].map((each) => each.getAttribute('role')))].sort();
    expect(roles('table')).toEqual(['table']);
    expect(roles('thead, tbody, tfoot')).toEqual(['rowgroup']);
    expect(roles('tr')).toEqual(['row']);
    expect(roles('thead th')).toEqual(['columnheader']);
    expect(roles('tbody > tr > *')).toEqual(['cell', 'rowheader']);
    const header = room.querySelector('thead th') as HTMLElement;
    expect(getComputedStyle(header).display).not.toBe('none');
    expect(boxOf(header).width).toBeLessThanOrEqual(2);
    expect([...room.querySelectorAll('.zp-label')].every((label) => label.getAttribute('aria-hidden') === 'true')).toBeTrue();
  });

  it('are drawn with the theme’s lines: between rows above each block, between columns within', () => {
    const lined = (['rows', 'columns', 'beside-row-headers'] as const).reduce(
      (each, name, i) => setValue(each, { part: 'lines', condition: 'rest' }, name, `${i + 1}px solid #112233`),
      theme,
    );
    const rows = bodyRows(placed(lined, boats, 320));
    const tops = (row: HTMLTableRowElement | undefined): readonly string[] =>
      [...(row?.cells ?? [])].map((cell) => getComputedStyle(cell).borderTopWidth);
    expect(tops(rows[1])).toEqual(['1px', '3px', '2px', '2px']);
    expect(getComputedStyle(rows[1]?.cells[2] as Element).borderLeftWidth).toBe('0px');
  });

  it('can be sorted by what is left of the header, and their labels are no text of theirs', () => {
    const room = placed(theme, boats, 320, { sort: true, search: true, totals: true, pageRows: 0 });
    const sort = [...room.querySelectorAll<HTMLElement>('.zp-sort')].find((each) => each.textContent === 'Fare') as HTMLElement;
    expect(boxOf(sort).width).toBeGreaterThan(20);
    sort.click();
    sort.click();
    expect(bodyRows(room).map((row) => row.cells[0]?.textContent)).toEqual(['Wick', 'Moth']);
    const find = (text: string): number => {
      const field = room.querySelector('input') as HTMLInputElement;
      field.value = text;
      field.dispatchEvent(new Event('input'));
      return bodyRows(room).length;
    };
    expect(find('weekend')).toBe(0);
    expect(find('19:05')).toBe(1);
  });

  forSeeds('stack, in their order and without a rest beyond the frame, for random themes and tables', { all: 150, usual: 75 }, (seed) => {
    const d = dice(31_000 + seed);
    const random = arranged(randomTheme(d, starterNames), 'stacked');
    const table = d.chance(0.3) ? withExceptions(d, randomTable(d)) : randomTable(d);
    const room = placed(random, table, d.pick([320, 500, 900]));
    const frame = room.querySelector('.zp-frame') as HTMLElement;
    expect(frame.scrollWidth)
      .withContext(`seed ${seed}`)
      .toBeLessThanOrEqual(frame.clientWidth + 1);
    expect(bodyRows(room).flatMap(unstacked)).withContext(`seed ${seed}`).toEqual([]);
    const labels = [...room.querySelectorAll(':is(tbody, tfoot) .zp-label:not(.zp-again *)')].map((label) => label.textContent);
    const expected = gridOf(table)
      .rows.flat()
      .filter((cell) => cell.section !== 'header')
      .flatMap((cell) => {
        const names = new Set(
          headersOf(table, cell)
            .filter(({ section }) => section === 'header')
            .map(({ text }) => text.trim()),
        );
        return names.size;
      });
    expect(labels.length)
      .withContext(`labels, seed ${seed}`)
      .toBeLessThanOrEqual(expected.filter((count) => count > 0).length);
    expect(missed(room, table)).withContext(`seen in each block, seed ${seed}`).toEqual([]);
    takeAway();
  });

  it('say the value of a cell over several rows in each block that it belongs to, with its label, in its place and heard', () => {
    const crossings = tableOf(
      'Crossings',
      [
        ['Boat', 'Quay', 'Leaves', 'Fare'],
        ['Moth', 'North', '18:35', '£8'],
        ['', 'North', '19:05', ''],
        ['Wick', 'South', '20:15', '£9'],
        ['', '', '21:00', ''],
      ],
      {
        rowHeaders: 1,
        merges: [
          { row: 1, column: 0, rows: 2, columns: 1 },
          { row: 1, column: 3, rows: 2, columns: 1 },
          { row: 3, column: 0, rows: 2, columns: 2 },
          { row: 3, column: 3, rows: 2, columns: 1 },
        ],
      },
    );
    const [narrow, wide] = [placed(theme, crossings, 320), placed(theme, crossings, 900)];
    const lines = (row: HTMLTableRowElement): readonly string[] =>
      [...row.cells].flatMap((cell) => (cell as HTMLElement).innerText.split('\n')).filter((line) => line.trim() !== '');
    expect(bodyRows(narrow).map(lines)[1]).toEqual(['Moth', 'Quay', 'North', 'Leaves', '19:05', 'Fare', '£8']);
    expect(bodyRows(narrow).map(lines)[3]).toEqual(['Wick', 'Leaves', '21:00', 'Fare', '£9']);
    expect(bodyRows(wide).map(lines)[1]).toEqual(['North', '19:05']);
    const said = [...narrow.querySelectorAll('.zp-again')];
    expect(said.length).toBe(4);
    expect(said.some((each) => each.matches('[aria-hidden] *, [aria-hidden]'))).toBeFalse();
    expect(said.every((each) => boxOf(each).height > 10)).toBeTrue();
  });
});

/** Values of merged cells that are not seen in a block of theirs that has a cell of its own. */
function missed(room: HTMLElement, whole: Table): readonly string[] {
  const table = shownTable(whole);
  const grid = gridOf(table);
  const rows = [...room.querySelectorAll<HTMLTableRowElement>(':is(tbody, tfoot) > tr')];
  return rows.flatMap((row, i) => {
    const at = table.headerRows + i;
    if (grid.row(at).length === 0) return [];
    const seen = row.innerText.replace(/\s+/g, '').toLowerCase();
    return Array.from({ length: grid.width }, (_, column) => shownText(table, grid.at(at, column)))
      .map((text) => text.replace(/\s+/g, '').toLowerCase())
      .filter((text) => !seen.includes(text))
      .map((text) => `row ${at}: ${text}`);
  });
}

describe('Labels of stacked rows that the stylesheet brings', () => {
  const theme = arranged(grown('nightfall'), 'stacked', 'narrow');
  const label = (cell: Element | undefined): string => (cell ? getComputedStyle(cell, '::before').content : '');

  it('are those that the markup would bring, at narrow widths alone, and not heard', () => {
    const [narrow, wide] = [placed(theme, boats, 320, undefined, true), placed(theme, boats, 900, undefined, true)];
    const [moth] = bodyRows(narrow);
    expect(narrow.querySelectorAll('tbody .zp-label').length).toBe(0);
    expect([...(moth?.cells ?? [])].map(label)).toEqual(['none', '"Leaves, Weekday" / ""', '"Leaves, Weekend" / ""', '"Fare" / ""']);
    expect([...(bodyRows(wide)[0]?.cells ?? [])].map(label)).toEqual(['none', 'none', 'none', 'none']);
    // The footer's cells keep theirs.
    expect(narrow.querySelectorAll('tfoot .zp-label').length).toBe(3);
  });

  it('leave to the markup the cells of rows with merged ones, and whole tables whose cells have icons of their own', () => {
    const merged: Table = { ...boats, merges: [...boats.merges, { row: 2, column: 1, rows: 1, columns: 2 }] };
    const [first, second] = bodyRows(placed(theme, merged, 320, undefined, true));
    expect([...(first?.querySelectorAll('.zp-label') ?? [])].map((each) => each.textContent)).toEqual(['Leaves, Weekday, Weekend', 'Fare']);
    expect([...(first?.cells ?? [])].map(label)).toEqual(['none', 'none', 'none']);
    expect(label(second?.cells[3])).toBe('"Fare" / ""');
    const pictured: Table = { ...boats, exceptions: [{ row: 2, column: 1, reach: '', dressing: '', values: { icon: 'boat' } }] };
    expect(placed(theme, pictured, 320, undefined, true).querySelectorAll('tbody .zp-label').length).toBe(6);
  });

  it('can be any text', () => {
    const odd = '"}</style>\\\n\u0007 Σκάφος';
    const table = tableOf(
      'x',
      [
        ['', odd],
        ['a', 'b'],
      ],
      { headerRows: 1, rowHeaders: 1 },
    );
    expect(columnLabels(table)).toEqual(['', odd]);
    const room = placed(theme, table, 320, undefined, true);
    const [row] = bodyRows(room);
    expect(label(row?.cells[1])).toBe(
      `${JSON.stringify(odd.replaceAll('\n', '\u000a')).replaceAll('\\n', '\\a ').replaceAll('\\u0007', '\\7 ')} / ""`,
    );
  });

  it('leave every cell where labels in the markup would have it, for random themes and tables', () => {
    let named = 0;
    for (let seed = 0; seed < 120; seed++) {
      const d = dice(77_000 + seed);
      const random = arranged(randomTheme(d, starterNames), 'stacked');
      const table = d.chance(0.3) ? withExceptions(d, randomTable(d)) : randomTable(d);
      const width = d.pick([320, 500]);
      const [rules, markup] = [placed(random, table, width, undefined, true), placed(random, table, width)];
      if (rules.querySelector('.zp-named')) named++;
      const [found, expected] = [rules, markup].map((room) => {
        const from = boxOf(room);
        return [...room.querySelectorAll('tbody > tr > *')].map((cell) => {
          const { left, top, width: wide, height } = boxOf(cell);
          return [left - from.left, top - from.top, wide, height].map((each) => Math.round(each * 4) / 4).join(' ');
        });
      });
      expect(found).withContext(`seed ${seed}`).toEqual(expected);
      takeAway();
    }
    expect(named).toBeGreaterThan(30);
  });
});
