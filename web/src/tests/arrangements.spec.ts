import { viewOf, starter } from '../../../core/tests/themes';
import berths from '../../../demo/tables/berths.json';
import crew from '../../../demo/tables/crew-names.json';
import crossings from '../../../demo/tables/evening-crossings.json';
import fares from '../../../demo/tables/fares-by-age.json';
import fleet from '../../../demo/tables/fleet-tonight.json';
import islands from '../../../demo/tables/islands.json';
import log from '../../../demo/tables/crossing-log.json';
import workshops from '../../../demo/tables/workshop-prices.json';
import {
  arrangementRules,
  besideOf,
  boxed,
  byWidth,
  columnLabels,
  framedTable,
  labelRules,
  leavesOut,
  frameRules,
  stacks,
  tableRules,
  themeCss,
  turns,
  visitedTable,
  visitorRules,
  writeCss,
  writeHtml,
} from '../../../core/compile';
import { setValue } from '../../../core/edit';
import { stretchesOfWidth } from '../../../core/fit';
import { PLAIN_VISITOR, type Visitor } from '../../../core/page';
import { gridOf, headersOf, readTable, setExceptions, tableOf, turnedTable, type Table } from '../../../core/table';
import { dice, randomTable, randomTheme, withExceptions, starterNames } from '../../../core/tests/random';
import { type Theme } from '../../../core/theme';
import { dress } from '../../../runtime/dress';
import { everyFeature } from '../../../runtime/features';
import { canvasMeasure } from '../app/workers/canvas-measure';
import { widthsInDocument } from '../app/workers/figure-widths';
import { forSeeds } from '../../../core/tests/seeded';

const hosts: HTMLElement[] = [];
afterEach(() => hosts.splice(0).forEach((host) => host.remove()));

const grown = (base: string): Theme => ({ format: 'zest-theme/2', name: base, base: starter(base), swatches: [], values: {} });
const arranged = (theme: Theme, arrangement: string, step?: string): Theme =>
  setValue(theme, { part: 'table', condition: 'rest', step }, 'arrangement', arrangement);

/** A dressed table in a container of so many px, as it is published. Gives the container. */
function placed(theme: Theme, table: Table, width: number, visitor?: Partial<Visitor>, named = false): HTMLElement {
  const host = document.createElement('div');
  hosts.push(host);
  const shadow = host.attachShadow({ mode: 'open' });
  document.body.append(host);
  const turned = turns(viewOf(theme)) ? turnedTable(table) : undefined;
  const beside = besideOf(turned ? [table, turned] : [table]);
  const css = writeCss([
    ...frameRules,
    ...visitorRules,
    ...byWidth(viewOf(theme), (at) => [
      ...themeCss(at, { key: 'case', lean: true, around: visitor !== undefined, beside }),
      ...arrangementRules(at, 'case', beside.exceptions),
    ]),
    ...tableRules(table, 'table'),
    ...(named ? labelRules(viewOf(theme), table, '.zp-frame') : []),
  ]);
  const options = {
    id: 'case',
    theme: 'case',
    labelled: stacks(viewOf(theme)),
    named,
    fewer: leavesOut(viewOf(theme)),
    turned: visitor === undefined && turns(viewOf(theme)),
    sortable: visitor?.sort === true,
    totals: visitor?.totals === true,
  };
  const framed = framedTable(table, options);
  const whole = visitor ? visitedTable(framed, table, { ...PLAIN_VISITOR, ...visitor }, { id: 'case', theme: 'case' }) : framed;
  shadow.innerHTML = `<style>:host{all:initial;font:16px/1.4 sans-serif;color:#000}${css}</style><div class="room">${writeHtml(boxed(whole), 'compact')}</div>`;
  host.style.cssText = 'display:block';
  const room = shadow.querySelector<HTMLElement>('.room') as HTMLElement;
  room.style.width = `${width}px`;
  const box = shadow.querySelector<HTMLElement>('[data-visitor]');
  if (box) dress(box, everyFeature);
  return room;
}
const bodyRows = (room: HTMLElement): readonly HTMLTableRowElement[] => [...room.querySelectorAll<HTMLTableRowElement>('tbody > tr:not([hidden])')];
const boxOf = (element: Element): DOMRect => element.getBoundingClientRect();
/** What of a row is not one cell below the other at full width. */
function unstacked(row: HTMLTableRowElement): string[] {
  const cells = [...row.cells];
  return cells.flatMap((cell, i) => {
    const [at, before] = [boxOf(cell), cells[i - 1]];
    const isBelow = !before || at.top >= boxOf(before).bottom - 0.5;
    return isBelow && Math.abs(at.width - boxOf(row).width) < 1 ? [] : [`${cell.textContent}: ${at.left} ${at.top} ${at.width}`];
  });
}

const boats = tableOf(
  'Boats',
  [
    ['Boat', 'Leaves', '', 'Fare'],
    ['', 'Weekday', 'Weekend', ''],
    ['Moth', '18:35', '19:05', '£8.20'],
    ['Wick', '19:20', '20:15', '£11.00'],
    ['Boats', '2', '2', ''],
  ],
  {
    headerRows: 2,
    rowHeaders: 1,
    footerRows: 1,
    merges: [
      { row: 0, column: 0, rows: 2, columns: 1 },
      { row: 0, column: 1, rows: 1, columns: 2 },
      { row: 0, column: 3, rows: 2, columns: 1 },
    ],
  },
);

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
    const labels = [...room.querySelectorAll('tbody .zp-label, tfoot .zp-label')].map((label) => label.textContent);
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
    hosts.splice(0).forEach((host) => host.remove());
  });
});

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
      hosts.splice(0).forEach((host) => host.remove());
    }
    expect(named).toBeGreaterThan(30);
  });
});

describe('Fewer columns', () => {
  const away: Table = {
    ...boats,
    columns: boats.columns.map((column, i) => (i === 2 ? { ...column, yields: 'first' } : i === 3 ? { ...column, yields: 'second' } : column)),
  };
  const widths = (room: HTMLElement): readonly number[] => [...(bodyRows(room)[0]?.cells ?? [])].map((cell) => Math.round(boxOf(cell).width));

  const filling = setValue(grown('boxed'), { part: 'table', condition: 'rest' }, 'width', 'fill');

  it('leave no room to those that give way, and the others all of it', () => {
    const [most, fewest] = ['most columns', 'fewest columns'].map((arrangement) => placed(arranged(filling, arrangement), away, 400));
    const [of, than] = [most as HTMLElement, fewest as HTMLElement];
    expect(widths(of).map((width) => width > 0)).toEqual([true, true, false, true]);
    expect(widths(than).map((width) => width > 0)).toEqual([true, true, false, false]);
    for (const room of [of, than]) expect(Math.round(boxOf(room.querySelector('table') as Element).width)).toBe(400);
    // A header over several columns shrinks with them.
    const group = than.querySelector('thead .zp-group') as Element;
    const column = bodyRows(than)[0]?.cells[1] as Element;
    expect(Math.abs(boxOf(group).right - boxOf(column).right)).toBeLessThan(1);
  });

  it('are not heard, and are what a row opens to, without script', () => {
    const room = placed(arranged(grown('boxed'), 'fewest columns'), away, 400);
    const cell = bodyRows(room)[0]?.cells[3] as HTMLElement;
    expect(getComputedStyle(cell).visibility).toBe('hidden');
    const open = room.querySelector('.zp-open') as HTMLButtonElement;
    expect(open.getAttribute('aria-label')).toBe('Moth: Weekend, Fare');
    expect(boxOf(open).width).toBeGreaterThanOrEqual(24);
    const left = room.querySelector('.zp-left') as HTMLElement;
    expect(left.matches(':popover-open')).toBeFalse();
    open.click();
    expect(left.matches(':popover-open')).toBeTrue();
    expect(left.innerText.split(/\s*\n\s*/)).toEqual(['Weekend', '19:05', 'Fare', '£8.20']);
    left.hidePopover();
  });

  it('are all there where there is room, and what opens rows is no text of theirs', () => {
    const room = placed(arranged(grown('boxed'), 'fewest columns', 'narrow'), away, 900, { search: true, pageRows: 0 });
    expect(widths(room).every((width) => width > 0)).toBeTrue();
    expect(getComputedStyle(room.querySelector('.zp-open') as Element).display).toBe('none');
    const field = room.querySelector('input') as HTMLInputElement;
    field.value = 'moth weekend';
    field.dispatchEvent(new Event('input'));
    expect(bodyRows(room).length).toBe(0);
  });

  it('take what core says that they take, within 2 px, for random tables', () => {
    const measure = canvasMeasure(
      new OffscreenCanvas(1, 1).getContext('2d') as OffscreenCanvasRenderingContext2D,
      'sans-serif',
      (text, type) => widthsInDocument([[text, type]], 'sans-serif')[0],
    );
    for (let seed = 0; seed < 100; seed++) {
      const d = dice(33_000 + seed);
      const table = randomTable(d);
      const some: Table = {
        ...table,
        merges: [],
        groups: [],
        columns: table.columns.map((column, i) => (i > 0 && d.chance(0.4) ? { ...column, yields: 'first' } : column)),
      };
      const theme = arranged(grown(d.pick(starterNames.filter((name) => !['tiles', 'pebble', 'manifest'].includes(name)))), 'most columns');
      const room = placed(theme, some, 1);
      room.querySelectorAll('.zp-open').forEach((open) => open.remove());
      const least = stretchesOfWidth(viewOf(theme), some, measure, 4000).at(-1)?.least ?? 0;
      expect(Math.abs(boxOf(room.querySelector('table') as Element).width - least))
        .withContext(`seed ${seed}`)
        .toBeLessThanOrEqual(2);
      hosts.splice(0).forEach((host) => host.remove());
    }
  });
});

describe('Turned tables', () => {
  const theme = arranged(grown('boxed'), 'turned', 'narrow');
  const shownTables = (room: HTMLElement): readonly HTMLTableElement[] =>
    [...room.querySelectorAll('table')].filter((each) => getComputedStyle(each).display !== 'none');

  it('have their rows as columns where the container is narrow, with headers of their own', () => {
    const room = placed(theme, boats, 400);
    const [turned, ...others] = shownTables(room);
    expect(others).toEqual([]);
    const texts = [...(turned?.rows ?? [])].map((row) => [...row.cells].map((cell) => cell.innerText));
    expect(texts).toEqual([
      ['Boat', 'Moth', 'Wick', 'Boats'],
      ['Leaves', 'Weekday', '18:35', '19:20', '2'],
      ['Weekend', '19:05', '20:15', '2'],
      ['Fare', '£8.20', '£11.00', ''],
    ]);
    const scopes = [...(turned?.querySelectorAll('th') ?? [])].map((each) => each.scope);
    expect(scopes.filter((scope) => scope === 'row').length).toBeGreaterThanOrEqual(3);
    expect(scopes.filter((scope) => scope === 'col').length).toBeGreaterThanOrEqual(2);
    const ids = [...room.querySelectorAll('[id]')].map(({ id }) => id);
    expect(new Set(ids).size).toBe(ids.length);
  });

  it('are as they are where there is room, and where they are long', () => {
    expect(shownTables(placed(theme, boats, 900))[0]?.matches('.zp-turned')).toBeFalse();
    const long = tableOf(
      'Long',
      Array.from({ length: 40 }, (_, i) => [`Boat ${i}`, 'x']),
      { rowHeaders: 1 },
    );
    const room = placed(theme, long, 400);
    expect(room.querySelectorAll('table').length).toBe(1);
    expect(shownTables(room).length).toBe(1);
  });

  it('keep the looks that columns and rows have, the other way round', () => {
    const tinted = setExceptions(boats, [{ row: null, column: 3 }], (each) => ({ ...each, values: { fill: '#ffeecc' } }));
    const [turned] = shownTables(placed(theme, tinted, 400));
    expect(getComputedStyle(turned?.rows[3]?.cells[1] as Element).backgroundColor).toBe('rgb(255, 238, 204)');
  });
});

describe('No page scrolls sideways because of a table', () => {
  const demo = [berths, crew, crossings, fares, fleet, islands, log, workshops].map((json): Table => {
    const read = readTable(json);
    if (!read.ok) throw new Error(read.problems[0]?.say);
    return read.value;
  });
  for (const base of starterNames)
    it(`from 320 to 1920 px, for every demo table in every arrangement, in ${base}`, () => {
      for (const table of demo)
        for (const arrangement of ['as it is', 'scrolls', 'stacked', 'turned', 'most columns', 'fewest columns']) {
          const room = placed(arranged(grown(base), arrangement), { ...table, rows: table.rows.slice(0, 60), footerRows: 0 }, 320);
          for (const width of [320, 375, 480, 600, 768, 1024, 1440, 1920]) {
            room.style.width = `${width}px`;
            expect(room.scrollWidth).withContext(`${table.name}, ${arrangement}, ${width} px`).toBeLessThanOrEqual(width);
          }
          hosts.splice(0).forEach((host) => host.remove());
        }
    });
});
