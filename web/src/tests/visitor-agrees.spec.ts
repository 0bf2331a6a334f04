import { viewOf } from '../../../core/tests/themes';
import {
  besideOf,
  boxesRows,
  element,
  frameRules,
  framedTable,
  themeCss,
  visitedTable,
  visitorRules,
  writeCss,
  writeHtml,
} from '../../../core/compile';
import { PLAIN_VISITOR } from '../../../core/page';
import { gridOf, heldOn, sectionRows, type GridCell, type Held, type Table } from '../../../core/table';
import { type Theme } from '../../../core/theme';
import { dice, randomTable, randomTheme, withExceptions, type Dice, starterNames } from '../../../core/tests/random';
import { dress } from '../../../runtime/dress';
import { everyFeature } from '../../../runtime/features';
import { observeCell } from './observed';
import { differences, predictCell, type Shown } from './predicted';
import { forSeeds } from '../../../core/tests/seeded';

/** A published table in a visitor's hands: its box, and the table and what holds in it as they stand there now. */
interface Case {
  readonly theme: Theme;
  readonly table: Table;
  readonly box: HTMLElement;
  readonly host: HTMLElement;
}

function published(d: Dice, isLean: boolean): Case {
  const theme = randomTheme(d, starterNames);
  const plain = withExceptions(d, randomTable(d));
  // Types that are said, so that what is a number does not hang on which rows are looked at.
  const table: Table = { ...plain, columns: plain.columns.map((column, i) => ({ ...column, type: i % 3 === 2 ? 'number' : 'text' })) };
  const visitor = { ...PLAIN_VISITOR, pageRows: d.pick([0, 2, 3]) };
  const options = { id: 'case', theme: 'case', sortable: true, slots: true };
  const markup = visitedTable(framedTable(table, { ...options, cards: boxesRows(viewOf(theme)) }), table, visitor, { id: 'case', theme: 'case' });
  const css = writeCss([
    ...frameRules,
    ...visitorRules,
    ...themeCss(viewOf(theme), { key: 'case', around: true, lean: isLean, beside: besideOf([table]) }),
  ]);
  const host = document.createElement('div');
  const shadow = host.attachShadow({ mode: 'open' });
  shadow.innerHTML = `<style>:host{all:initial;font:16px/normal page;color:#000}${css}</style>${writeHtml(element('div', {}, markup))}`;
  document.body.append(host);
  const box = shadow.querySelector<HTMLElement>('[data-visitor]');
  if (!box) throw new Error('The case has a box');
  dress(box, everyFeature);
  return { theme, table, box, host };
}

/** Sorts, searches and pages at random, and marks rows as chosen. */
function use(d: Dice, box: HTMLElement): void {
  const sorters = [...box.querySelectorAll<HTMLElement>('.zp-sort')];
  if (sorters.length > 0 && d.chance(0.7)) for (let i = d.whole(1, 2); i > 0; i--) d.pick(sorters).click();
  const field = box.querySelector<HTMLInputElement>('.zp-search input');
  if (field && d.chance(0.4)) {
    field.value = d.pick(['c0', '1', 'r', '5', 'nothing']);
    field.dispatchEvent(new Event('input'));
  }
  if (d.chance(0.4)) box.querySelector<HTMLElement>('[data-to="next"]')?.click();
  for (const row of box.querySelectorAll('tbody tr')) row.toggleAttribute('data-selected', d.chance(0.25));
}

/** The rows of the original that the body shows, in the order in which it does. */
function shownRows(table: Table, box: HTMLElement): readonly (readonly [row: number, line: HTMLTableRowElement])[] {
  let last = -1;
  return [...box.querySelectorAll<HTMLTableRowElement>('tbody > tr')].flatMap((line) => {
    const slot = line.querySelector<HTMLElement>('[data-slot]')?.dataset['slot'];
    // A row all of whose cells are merged into those above says nothing of itself: it follows them.
    last = slot === undefined ? last + 1 : Number(slot.split(' ')[0]);
    return line.hidden ? [] : [[last, line] as const];
  });
}

/** The table as it stands there: only the rows that are shown, in their order. */
function asShown(table: Table, rows: readonly number[]): Table {
  const { first } = sectionRows(table, 'body');
  const footer = sectionRows(table, 'footer');
  const order = [...Array.from({ length: first }, (_, i) => i), ...rows, ...Array.from({ length: footer.count }, (_, i) => footer.first + i)];
  const now = new Map(order.map((row, at) => [row, at]));
  return {
    ...table,
    rows: order.map((row) => table.rows[row] ?? []),
    merges: table.merges.flatMap((merge) => {
      const row = now.get(merge.row);
      return row === undefined ? [] : [{ ...merge, row }];
    }),
    groups: table.groups.flatMap((row) => now.get(row) ?? []),
    exceptions: table.exceptions.flatMap((each) => {
      const row = each.row === null ? null : now.get(each.row);
      return row === undefined ? [] : [{ ...each, row }];
    }),
  };
}

/** Facts that hang on the rows that are not shown: what a number lacks behind its decimal mark. */
const elsewhere = ['pad', 'after'];

function disagreements({ theme, table, box }: Case): readonly string[] {
  const rows = shownRows(table, box);
  const shown = asShown(
    table,
    rows.map(([row]) => row),
  );
  const { first } = sectionRows(table, 'body');
  const sorted = box.querySelector<HTMLElement>('[aria-sort]')?.dataset['slot']?.split(' ')[1];
  const held: Held = {
    rows: new Map(rows.map(([, line], i) => [first + i, line.hasAttribute('data-selected') ? ['selected'] : []])),
    columns: new Map(sorted === undefined ? [] : [[Number(sorted), ['sorted']]]),
  };
  const known = new Map<string, string>();
  const footer = sectionRows(table, 'footer');
  const originalRow = (row: number): number => (row < first ? row : (rows[row - first]?.[0] ?? row - first - rows.length + footer.first));
  const elementOf = ({ row, column }: GridCell): HTMLElement | null => box.querySelector<HTMLElement>(`[data-slot="${originalRow(row)} ${column}"]`);
  return gridOf(shown)
    .rows.flat()
    .flatMap((cell) => {
      const at = elementOf(cell);
      if (!at) return [`no cell for ${cell.row} ${cell.column}`];
      const predicted = predictCell(viewOf(theme), shown, cell, heldOn(shown, cell, held), paintIn(box, known, getComputedStyle(at).fontSize));
      const leave = (facts: Readonly<Record<string, string | number>>): Readonly<Record<string, string | number>> =>
        Object.fromEntries(Object.entries(facts).filter(([name]) => !elsewhere.includes(name)));
      return differences(`cell ${cell.row} ${cell.column}`, leave(predicted), leave(observeCell(at)));
    });
}

/** How values are painted in type of a size, each asked once. */
const paintIn = (box: HTMLElement, known: Map<string, string>, size: string): Shown => {
  return (property, value) => {
    const key = `${size} ${property} ${value}`;
    const before = known.get(key);
    if (before !== undefined) return before;
    const sized = document.createElement('div');
    const probe = document.createElement('div');
    sized.style.fontSize = size;
    sized.append(probe);
    box.parentElement?.append(sized);
    probe.style.setProperty(property, value);
    const isSize = property === 'width' || property === 'height';
    const found = isSize ? String(probe.computedStyleMap().get(property)) : getComputedStyle(probe).getPropertyValue(property);
    sized.remove();
    known.set(key, found);
    return found;
  };
};

describe('What core predicts is what Chromium computes in a visitor’s hands', () => {
  forSeeds('sorted, searched, paged and chosen', { all: 500, usual: 125 }, (seed) => {
    const d = dice(20_000 + seed);
    const made = published(d, seed % 2 === 1);
    try {
      use(d, made.box);
      expect(disagreements(made).slice(0, 5)).withContext(`seed ${seed}`).toEqual([]);
    } finally {
      made.host.remove();
    }
  });
});
