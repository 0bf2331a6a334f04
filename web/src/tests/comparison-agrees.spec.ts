import { compileElsewhere, writeCss, writeHtml } from '../../../core/compile';
import { WHITE, flatten, toHex } from '../../../core/colour';
import { seasonPasses } from '../../../core/examples';
import { emptyPage, tableRef, type TableBlock } from '../../../core/page';
import { fillLayers, inkOf, pageOf } from '../../../core/paint';
import { placedComparison, shownPlans, viewWithAccent, wholeComparison, type Pricing } from '../../../core/pricing';
import { gridOf, slotOf } from '../../../core/table';
import { randomPricing, withCards, withFeatured } from '../../../core/tests/plans';
import { dice, randomTheme, starterNames, withSteps } from '../../../core/tests/random';
import { forSeeds } from '../../../core/tests/seeded';
import { themeWith, viewOf } from '../../../core/tests/themes';
import { stepFor, type ThemeView } from '../../../core/theme';
import { colourFact, observeCell, type Facts } from './observed';
import { bandOf, differences as factsThatDiffer } from './predicted';

const block: TableBlock = {
  ...{ id: 'a', kind: 'table', shows: { kind: 'pricings', id: 's' }, dress: { kind: 'themes', id: 'x' } },
  ...{ width: 'fill', align: 'start', room: '0', visitor: null },
};

/** Lays the comparison out as it stands on a page of that width, and hands over what it stands in. */
function laidOut<T>(view: ThemeView, pricing: Pricing, width: number, look: (root: ShadowRoot) => T): T {
  const ref = tableRef(block);
  const placed = compileElsewhere(
    {
      page: { ...emptyPage('Crossings', 'crossings'), blocks: [block] },
      tables: new Map([[ref, wholeComparison(pricing).table]]),
      pricings: new Map([[ref, pricing]]),
      themes: new Map([['x', { key: 'own', view }]]),
    },
    'a',
    { key: 'k', addressOf: (reference) => reference },
  );
  const host = document.createElement('div');
  host.style.cssText = `display:block;width:${width}px`;
  const root = host.attachShadow({ mode: 'open' });
  document.body.append(host);
  try {
    const css = writeCss(placed?.page.css ?? []);
    root.innerHTML = `<style>:host{all:initial;font:16px/normal page;color:${toHex(pageOf(view).ink)}}${css}</style>${writeHtml(placed?.box ?? '')}`;
    return look(root);
  } finally {
    host.remove();
  }
}

/** Where a cell is not painted as core says of the theme with its plan's accent. */
function differences(view: ThemeView, pricing: Pricing, root: ShadowRoot): readonly string[] {
  const { table } = placedComparison(pricing);
  const rows = [...(root.querySelector('table')?.rows ?? [])];
  const plans = shownPlans(pricing);
  return gridOf(table).rows.flatMap((cells, row) =>
    cells.flatMap((cell, at) => {
      // What names the rows may stay in view, with fills of its own.
      if (cell.column === 0) return [];
      const element = rows[row]?.cells[at];
      if (!element) return [`no cell ${row} ${cell.column}`];
      const plan = cell.columns === 1 ? plans[cell.column - 1] : undefined;
      const own = plan?.id === pricing.featured && plan ? viewWithAccent(view, plan) : view;
      const slot = slotOf(table, cell, [], bandOf(view));
      const { over, cell: fill, row: ofRow, group, table: ofTable } = fillLayers(own, slot);
      const said = { fill: colourFact(flatten(over, fill, ofRow, group, ofTable, WHITE)), ink: colourFact(inkOf(own, slot)) };
      const { fill: filled, ink } = observeCell(element);
      return factsThatDiffer(`cell ${row} ${cell.column}`, said, { fill: filled, ink } as Facts);
    }),
  );
}

describe('The comparison of a pricing table', () => {
  forSeeds('has in the column of its featured plan the accent of that, as core says', { all: 200, usual: 30, together: 10 }, (seed) => {
    const d = dice(seed + 91_000);
    const plain = withFeatured(d, withCards(d, d.chance(0.3) ? withSteps(d, randomTheme(d, starterNames)) : randomTheme(d, starterNames)));
    const [view, pricing, width] = [viewOf(plain), randomPricing(d), d.pick([390, 768, 1280])];
    const at = view.at(stepFor(view.steps, width));
    const found = laidOut(view, pricing, width, (root) => differences(at, pricing, root));
    expect(found.slice(0, 4)).withContext(`seed ${seed} at ${width}`).toEqual([]);
  });

  it('is seen to differ where it does', () => {
    const theme = themeWith({ 'body-rows': { featured: { fill: 'accent 20%' } } }, { swatches: [{ name: 'accent', colour: '#123c4d' }] });
    const pricing = { ...seasonPasses, plans: seasonPasses.plans.map((plan) => ({ ...plan, accent: '#e2590a' })) };
    const bare = { ...seasonPasses, plans: seasonPasses.plans.map((plan) => ({ ...plan, accent: '' })) };
    expect(laidOut(viewOf(theme), pricing, 900, (root) => differences(viewOf(theme), pricing, root))).toEqual([]);
    expect(laidOut(viewOf(theme), bare, 900, (root) => differences(viewOf(theme), pricing, root)).length).toBeGreaterThan(3);
  });
});
