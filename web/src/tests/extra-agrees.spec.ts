import { viewOf } from '../../../core/tests/themes';
import { forSeeds } from '../../../core/tests/seeded';
import { sheetOf, tableElement, writeCss, writeHtml } from '../../../core/compile';
import { dice, randomHeld, randomTable, randomTheme, starterNames, type Dice } from '../../../core/tests/random';
import { gridOf, heldOn, slotOf } from '../../../core/table';
import { lineage, partOf, parts, places, type ConditionName, type PartName, type Slot, type Theme } from '../../../core/theme';
import { bandOf } from './predicted';

interface Said {
  readonly part: PartName;
  readonly conditions: readonly ConditionName[];
  readonly amount: number;
}

/** Rules for cells that say a property which no theme has, under up to three conditions at once. */
function randomRules(d: Dice): readonly Said[] {
  const cells = parts.filter(({ box }) => box === 'cells');
  return Array.from({ length: d.whole(1, 14) }, (_, i) => {
    const { name, conditions } = d.pick(cells);
    const some = [...new Set(Array.from({ length: d.whole(0, 3) }, () => d.pick(conditions)))].filter((each) => each !== 'rest');
    return { part: name, conditions: some, amount: i + 1 };
  });
}

const cssOf = (rules: readonly Said[]): string =>
  rules.map(({ part, conditions, amount }) => `${part}${conditions.map((each) => `:${each}`).join('')} { word-spacing: ${amount}px }`).join('\n');

const strengthOf = ({ part, conditions }: Said): number =>
  Math.max(
    ...(conditions.length === 0 ? (['rest'] as const) : conditions).map((condition) =>
      places.findIndex((place) => place.part === part && place.condition === condition),
    ),
  );

/** Of the rules that reach a slot the strongest, and of those that are alike the last. */
function predicted(rules: readonly Said[], slot: Slot): number {
  // A number in the footer is one of the numbers, and no part of the body.
  const reached = [...lineage(slot.part), ...(slot.also ?? [])];
  const holds = rules.filter(({ part, conditions }) => reached.includes(part) && conditions.every((each) => slot.conditions.includes(each)));
  return holds.sort((a, b) => strengthOf(a) - strengthOf(b) || a.amount - b.amount).at(-1)?.amount ?? 0;
}

describe('What extra CSS says that the ledger cannot', () => {
  forSeeds('is what Chromium has, under one condition or several', { all: 200, usual: 40 }, (seed) => {
    const d = dice(70_000 + seed);
    const rules = randomRules(d);
    const theme: Theme = { ...randomTheme(d, starterNames), css: cssOf(rules) };
    const view = viewOf(theme);
    const table = randomTable(d);
    const held = randomHeld(d, table);
    const host = document.createElement('div');
    const shadow = host.attachShadow({ mode: 'open' });
    document.body.append(host);
    try {
      const css = writeCss(sheetOf(view, { use: 'specimen', key: 'case' }));
      shadow.innerHTML = `<style>${css}</style>${writeHtml(tableElement(table, { id: 'case', theme: 'case', held, slots: true }))}`;
      const found = gridOf(table)
        .rows.flat()
        .flatMap((cell) => {
          const at = shadow.querySelector<HTMLElement>(`[data-slot="${cell.row} ${cell.column}"]`);
          const slot = slotOf(table, cell, heldOn(table, cell, held), bandOf(view));
          const is = at ? Number.parseFloat(getComputedStyle(at).wordSpacing) : Number.NaN;
          return is === predicted(rules, slot)
            ? []
            : [`${cell.row} ${cell.column} (${partOf(slot.part).name} ${slot.conditions.join(' ')}): ${is}, not ${predicted(rules, slot)}`];
        });
      expect(found.slice(0, 3))
        .withContext(`seed ${seed}: ${theme.css ?? ''}`)
        .toEqual([]);
    } finally {
      host.remove();
    }
  });

  it('stays near its table where it would lie over the page', () => {
    const host = document.createElement('div');
    host.style.cssText = 'position:relative;margin:400px;width:300px';
    const shadow = host.attachShadow({ mode: 'open' });
    document.body.append(host);
    try {
      const css = 'body-rows::after { content: ""; position: absolute; inset: -2000px; background: red }';
      const view = viewOf({ ...randomTheme(dice(1), ['hairline']), values: {}, css });
      shadow.innerHTML = `<style>${writeCss(sheetOf(view, { use: 'page', key: 'case' }))}</style>${writeHtml(tableElement(randomTable(dice(2)), { id: 'case', theme: 'case' }))}`;
      const table = shadow.querySelector('table');
      const box = table?.getBoundingClientRect();
      if (!box) throw new Error('There is a table');
      host.scrollIntoView();
      const at = table?.getBoundingClientRect() ?? box;
      const isHit = (x: number, y: number): boolean => table?.contains(shadow.elementFromPoint(x, y)) === true;
      expect(isHit(at.left + 5, at.top + at.height / 2)).toBeTrue();
      expect([isHit(at.right + 150, at.top + 5), isHit(at.left + 5, at.top - 100)]).toEqual([false, false]);
    } finally {
      host.remove();
    }
  });
});
