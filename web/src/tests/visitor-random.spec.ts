import { sortedPlaces, type Value } from '../../../core/data-types';
import { PLAIN_COLUMN, tableOf, type Table } from '../../../core/table';
import { dice, randomTable, type Dice } from '../../../core/tests/random';
import { boats, sorter, takeAway, texts, type, visit } from './visited';

afterEach(takeAway);

/** The order that the core for a table without merges and groups. */
function expected(table: Table, column: number, direction: 'ascending' | 'descending'): readonly number[] {
  const values = table.rows.slice(1).map((row): Value => (row[column] === '' ? null : Number(row[column])));
  return [...sortedPlaces(values, direction, 'en')];
}

describe('After whatever a visitor did', () => {
  it('the rows are in the order that the core for random numbers', () => {
    for (let seed = 0; seed < 40; seed++) {
      const d = dice(seed);
      const rows = Array.from({ length: d.whole(1, 40) }, (_, i) => [String(i), d.chance(0.2) ? '' : String(d.whole(-50, 50) / 4)]);
      const table = tableOf('r', [['id', 'n'], ...rows], { columns: [PLAIN_COLUMN, { ...PLAIN_COLUMN, type: 'number' }] });
      const box = visit(table, { pageRows: 0 });
      for (const direction of ['ascending', 'descending'] as const) {
        sorter(box, 'n').click();
        expect(texts(box))
          .withContext(`seed ${seed}, ${direction}`)
          .toEqual(expected(table, 1, direction).map(String));
      }
    }
  });

  it('no row is lost, no merged cell is torn, and what is shown fits the page, in random tables', () => {
    for (let seed = 0; seed < 120; seed++) {
      const d = dice(1000 + seed);
      const table = randomTable(d);
      const box = visit(table, { pageRows: d.pick([0, 1, 3]) });
      /** Every row, page by page from the first one on. */
      const paged = (): readonly string[] => {
        box.querySelectorAll<HTMLElement>('.zp-page')[1]?.click();
        const found: string[] = [];
        for (let last = false; !last;) {
          found.push(...[...box.querySelectorAll('tbody > tr:not([hidden])')].map((row) => row.textContent));
          const next = box.querySelector<HTMLElement>('[data-to="next"]');
          last = !next || next.getAttribute('aria-disabled') === 'true';
          next?.click();
        }
        box.querySelectorAll<HTMLElement>('.zp-page')[1]?.click();
        return found;
      };
      const all = paged();
      const seen = (): readonly string[] => [...box.querySelectorAll('tr:not([hidden])')].map((row) => row.textContent);
      const before = seen();
      for (let step = 0; step < 8; step++) act(d, box);
      const now = [...box.querySelectorAll<HTMLTableRowElement>('tbody > tr')];
      for (const row of now)
        for (const cell of row.cells) {
          const group = [...(row.parentElement as HTMLTableSectionElement).rows];
          const held = group.slice(group.indexOf(row), group.indexOf(row) + cell.rowSpan);
          expect(held.length).withContext(`seed ${seed}`).toBe(cell.rowSpan);
          expect(new Set(held.map(({ hidden }) => hidden)).size)
            .withContext(`seed ${seed}`)
            .toBe(1);
        }
      expect(box.querySelectorAll('[aria-sort]').length).toBeLessThanOrEqual(1);
      // Back to how it was: no search, and sorting a third time.
      type(box, '');
      for (let i = 0; i < 2 && box.querySelector('[aria-sort]'); i++) box.querySelector<HTMLElement>('[aria-sort] > .zp-sort')?.click();
      box.querySelectorAll<HTMLElement>('.zp-page')[1]?.click();
      expect(seen()).withContext(`seed ${seed}`).toEqual(before);
      expect(paged()).withContext(`seed ${seed}`).toEqual(all);
      takeAway();
    }
  });
});

/** One of the things that a visitor can do. */
function act(d: Dice, box: HTMLElement): void {
  const buttons = [...box.querySelectorAll<HTMLElement>('.zp-sort, .zp-page')];
  if (d.chance(0.25)) type(box, d.pick(['', 'a', 'o', '1', 'zz', 'e 1']));
  else if (buttons.length > 0) d.pick(buttons).click();
}

describe('Rows that are hidden', () => {
  const marks = (box: HTMLElement): readonly string[] =>
    [...box.querySelectorAll<HTMLTableRowElement>('tbody > tr')].map(
      (row) => `${row.cells[0]?.textContent ?? ''}${row.hidden ? ' hidden' : ''}${row.hasAttribute('data-out') ? ' out' : ''}`,
    );
  it('say whether they were left out, or stand on another page', () => {
    const box = visit(boats, { pageRows: 1 });
    type(box, 'moth');
    expect([...marks(box)].sort()).toEqual(['moth 10', 'moth 9 hidden', 'Émile hidden out', 'Wick hidden out'].sort());
    type(box, '');
    expect(marks(box).filter((mark) => mark.endsWith('out'))).toEqual([]);
  });
});
