import { tableElement, themeCss, writeCss, writeHtml } from '../../../core/compile';
import { gridOf, type Table } from '../../../core/table';
import { starterNames, type ConditionName, type Theme } from '../../../core/theme';
import { dice, randomTable, randomTheme } from '../../../core/tests/random';
import { observeCaption, observeCell, observeTable, predictCaption, predictCell, predictTable, type Facts } from './predicted';

/** The hands that a visitor can lay on a row; each row of a case gets the next of them. */
const hands: readonly (readonly ConditionName[])[] = [[], ['hovered'], ['selected'], ['hovered', 'selected']];

/** A page of its own for a dressed table: 16 px, white, black. Gives the differences between prediction and browser. */
function disagreements(theme: Theme, table: Table, shift: number): string[] {
  const host = document.createElement('div');
  const shadow = host.attachShadow({ mode: 'open' });
  document.body.append(host);
  try {
    const held = new Map(gridOf(table).rows.map((_, row) => [row, hand(row, shift).join(' ')] as const));
    const css = writeCss(themeCss(theme, { key: 'case', held: true }));
    shadow.innerHTML = `<style>:host{all:initial;font:16px/normal page;color:#000}${css}</style>${writeHtml(tableElement(table, { id: 'case', theme: 'case', held, slots: true }))}`;
    const found: string[] = [];
    for (const cell of gridOf(table).rows.flat()) {
      const element = shadow.querySelector<HTMLElement>(`[data-slot="${cell.row} ${cell.column}"]`);
      if (!element) throw new Error(`No cell for slot ${cell.row} ${cell.column}`);
      found.push(...differences(`cell ${cell.row} ${cell.column}`, predictCell(theme, table, cell, hand(cell.row, shift)), observeCell(element)));
    }
    const caption = shadow.querySelector('caption');
    if (caption) found.push(...differences('caption', predictCaption(theme), observeCaption(caption)));
    const box = shadow.querySelector('table');
    if (box) found.push(...differences('table', predictTable(theme), observeTable(box)));
    return found;
  } finally {
    host.remove();
  }
}

const hand = (row: number, shift: number): readonly ConditionName[] => hands[(row + shift) % hands.length] ?? [];

function differences(where: string, predicted: Facts, observed: Facts): string[] {
  return Object.keys(predicted)
    .filter((key) => !agree(predicted[key], observed[key]))
    .map((key) => `${where}: ${key} predicted ${predicted[key]}, painted ${observed[key]}`);
}

/** Equal, or apart by the rounding of one channel to a byte. */
function agree(a: unknown, b: unknown): boolean {
  if (a === b) return true;
  if (typeof a === 'number' && typeof b === 'number') return Math.abs(a - b) <= 0.03;
  const [x, y] = [String(a), String(b)].map((text) => text.match(/\d+/g)?.map(Number) ?? []);
  if (!x || !y || x.length < 4 || x.length !== y.length) return false;
  return String(a).replace(/\d+/g, '') === String(b).replace(/\d+/g, '') && x.every((n, i) => Math.abs(n - (y[i] ?? NaN)) <= 1);
}

describe('What core predicts is what Chromium computes', () => {
  for (let block = 0; block < 10; block++) {
    it(`for random themes and tables, seeds ${block * 30} to ${block * 30 + 29}`, () => {
      for (let seed = block * 30; seed < block * 30 + 30; seed++) {
        const d = dice(seed);
        const found = disagreements(randomTheme(d, starterNames), randomTable(d), seed % 4);
        expect(found.slice(0, 5)).withContext(`seed ${seed}`).toEqual([]);
      }
    });
  }

  it('sees a disagreement when there is one', () => {
    const d = dice(7);
    const [theme, table] = [randomTheme(d, ['hairline']), randomTable(d)];
    const other: Theme = {
      ...theme,
      values: {
        ...theme.values,
        table: { rest: { ...theme.values.table?.rest, 'padding-start': '77px' } },
        'column-headers': {},
        'body-rows': {},
        'row-headers': {},
        footer: {},
      },
    };
    const cell = gridOf(table).at(0, 0);
    expect(predictCell(other, table, cell, [])['padding-start']).not.toEqual(predictCell(theme, table, cell, [])['padding-start']);
  });
});
