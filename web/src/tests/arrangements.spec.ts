import { viewOf } from '../../../core/tests/themes';
import berths from '../../../demo/tables/berths.json';
import crew from '../../../demo/tables/crew-names.json';
import crossings from '../../../demo/tables/evening-crossings.json';
import fares from '../../../demo/tables/fares-by-age.json';
import fleet from '../../../demo/tables/fleet-tonight.json';
import islands from '../../../demo/tables/islands.json';
import log from '../../../demo/tables/crossing-log.json';
import workshops from '../../../demo/tables/workshop-prices.json';
import { setValue } from '../../../core/edit';
import { stretchesOfWidth } from '../../../core/fit';
import { readTable, setExceptions, tableOf, type Table } from '../../../core/table';
import { dice, randomTable, starterNames } from '../../../core/tests/random';
import { canvasMeasure } from '../app/workers/canvas-measure';
import { widthsInDocument } from '../app/workers/figure-widths';
import { arranged, boats, bodyRows, boxOf, grown, placed, takeAway } from './placed';

afterEach(takeAway);

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
      takeAway();
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
          takeAway();
        }
    });
});
