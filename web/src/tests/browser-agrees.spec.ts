import { viewOf } from '../../../core/tests/themes';
import {
  boxed,
  byWidth,
  contract,
  element,
  besideOf,
  boxesRows,
  frameRules,
  readsOtherwise,
  tableElement,
  themeCss,
  writeCss,
  writeHtml,
  type Element,
  type MarkupNode,
} from '../../../core/compile';
import { withFeatured, withPlans } from '../../../core/tests/plans';
import { toHex } from '../../../core/colour';
import { pageOf } from '../../../core/paint';
import { resolve } from '../../../core/resolve';
import { gridOf, heldOn, slotOf, type GridCell, type Held, type Table } from '../../../core/table';
import { stepFor, type ConditionName, type PropertyName, type Slot, type Theme, type ThemeView } from '../../../core/theme';
import {
  dice,
  randomGrown,
  randomHeld,
  randomTable,
  randomTheme,
  withExceptions,
  withExtra,
  withModes,
  withSteps,
  starterNames,
} from '../../../core/tests/random';
import { observeCaption, observeCell, observeTable, observeThing } from './observed';
import { bandOf, differences, predictCaption, predictCell, predictTable, predictThing, type Shown } from './predicted';
import { forSeeds } from '../../../core/tests/seeded';

const inside = (cell: GridCell): readonly MarkupNode[] | undefined =>
  cell.section === 'body' && cell.column === 1 && cell.text !== ''
    ? [
        element('a', { href: '#', 'data-held': heldOnThing(cell) }, 'a'),
        element('button', { type: 'button', class: contract.button, 'data-held': heldOnThing(cell) }, 'b'),
        element('span', { class: contract.icon, 'data-held': heldOnThing(cell) }, 'i'),
      ]
    : undefined;
const heldOnThing = (cell: GridCell): ConditionName | undefined => (['hovered', 'focused', undefined] as const)[cell.row % 3];

const bars = [
  ['search-bar', contract.search],
  ['info-line', contract.info],
  ['empty-message', contract.empty],
  ['pager', contract.pager],
] as const;
const pagerStates = ['rest', 'hovered', 'current', 'focused', 'disabled'] as const;
const fieldStates = ['rest', 'focused'] as const;
const barElements = (): Element[] =>
  bars.map(([, name]) =>
    element(
      'div',
      { class: name },
      ...(name === contract.pager
        ? pagerStates.map((state) =>
            element(
              'button',
              {
                class: contract.pagerItem,
                'data-held': state === 'hovered' || state === 'focused' ? state : undefined,
                'aria-current': state === 'current' ? 'page' : undefined,
                'aria-disabled': state === 'disabled' ? 'true' : undefined,
              },
              '1',
            ),
          )
        : name === contract.search
          ? fieldStates.map((state) => element('input', { type: 'search', 'data-held': state === 'rest' ? undefined : state }))
          : ['x']),
    ),
  );

/** A page of its own for a dressed table: 16 px, with the ink that core takes its page to have. Gives the differences between prediction and browser. */
function disagreements(whole: ThemeView, table: Table, held: Held, lean: boolean, width = 1000): string[] {
  const theme = whole.at(stepFor(whole.steps, width));
  const host = document.createElement('div');
  const shadow = host.attachShadow({ mode: 'open' });
  document.body.append(host);
  try {
    const css = writeCss([
      ...frameRules,
      ...byWidth(whole, (at) => themeCss(at, { key: 'case', held: true, around: true, lean, beside: besideOf([table]) })),
    ]);
    const markup = element(
      'div',
      { class: contract.around('case') },
      ...barElements(),
      tableElement(table, {
        id: 'case',
        theme: 'case',
        held,
        slots: true,
        contentOf: inside,
        reads: readsOtherwise(whole),
        cards: boxesRows(whole),
        cut: 0,
      }),
    );
    shadow.innerHTML = `<style>:host{all:initial;font:16px/normal page;color:${toHex(pageOf(theme).ink)}}${css}</style>${writeHtml(boxed(markup))}<i id="probe"></i>`;
    host.style.cssText = `display:block;width:${width}px`;
    const around = shadow.querySelector<HTMLElement>('.zp-case-around');
    const box = shadow.querySelector('table');
    if (!around || !box) throw new Error('The case has a table');
    const shown = (parent: HTMLElement): Shown => {
      const probe = document.createElement('div');
      parent.append(probe);
      return (property, value) => {
        probe.style.setProperty('border', '0');
        probe.style.setProperty(
          property === 'border-top-left-radius' ? 'border-radius' : property === 'text-decoration-line' ? 'text-decoration' : property,
          value,
        );
        const sized = property === 'width' || property === 'height';
        const found = sized ? String(probe.computedStyleMap().get(property)) : getComputedStyle(probe).getPropertyValue(property);
        probe.removeAttribute('style');
        return found;
      };
    };
    const wordOf = (slot: Slot, name: PropertyName): string => resolve(theme, slot, name).value.css;
    const found: string[] = [];
    const probeIn = new Map<string, Shown>();
    const shownAt = (size: string): Shown => {
      const known = probeIn.get(size);
      if (known) return known;
      const sized = document.createElement('div');
      sized.style.fontSize = size;
      around.append(sized);
      const made = shown(sized);
      probeIn.set(size, made);
      return made;
    };
    for (const cell of gridOf(table).rows.flat()) {
      const at = shadow.querySelector<HTMLElement>(`[data-slot="${cell.row} ${cell.column}"]`);
      if (!at) throw new Error(`No cell for slot ${cell.row} ${cell.column}`);
      const conditions = heldOn(table, cell, held);
      found.push(
        ...differences(
          `cell ${cell.row} ${cell.column}`,
          {
            ...predictCell(theme, table, cell, conditions, shownAt(getComputedStyle(at).fontSize)),
            ...(at.querySelector('.zp-cut') ? { cut: wordOf(slotOf(table, cell, conditions, bandOf(theme)), 'lines-shown') } : {}),
            ...(at.querySelector('.zp-reads') ? { reading: wordOf(slotOf(table, cell, conditions, bandOf(theme)), 'reading') } : {}),
          },
          observeCell(at),
        ),
      );
      for (const [part, selector] of [
        ['links', 'a'],
        ['buttons', `.${contract.button}`],
        ['icons', `.${contract.icon}`],
      ] as const) {
        const thing = inside(cell) && at.querySelector<HTMLElement>(selector);
        if (!thing) continue;
        const state = heldOnThing(cell);
        const slot: Slot = { part, conditions: state ? [state] : [], inside: slotOf(table, cell, conditions, bandOf(theme)) };
        found.push(
          ...differences(
            `${part} in ${cell.row} ${cell.column}`,
            predictThing(theme, slot, shownAt(getComputedStyle(thing).fontSize)),
            observeThing(thing),
          ),
        );
      }
    }
    for (const [part, name] of bars) {
      const bar = shadow.querySelector<HTMLElement>(`.${name}`);
      if (bar)
        found.push(...differences(part, predictThing(theme, { part, conditions: [] }, shownAt(getComputedStyle(bar).fontSize)), observeThing(bar)));
    }
    shadow.querySelectorAll<HTMLElement>(`.${contract.pagerItem}`).forEach((item, i) => {
      const state = pagerStates[i] ?? 'rest';
      const slot: Slot = { part: 'pager-items', conditions: state === 'rest' ? [] : [state] };
      found.push(...differences(`pager item ${state}`, predictThing(theme, slot, shownAt(getComputedStyle(item).fontSize)), observeThing(item)));
    });
    shadow.querySelectorAll<HTMLElement>(`.${contract.search} input`).forEach((field, i) => {
      const state = fieldStates[i] ?? 'rest';
      const slot: Slot = { part: 'search-field', conditions: state === 'rest' ? [] : [state] };
      const { edge, radius, ...predicted } = predictThing(theme, slot, shownAt(getComputedStyle(field).fontSize));
      const isSaid = (name: 'edge' | 'radius'): boolean => resolve(theme, slot, name).from.source !== 'initial';
      // Where nothing is said, it has a line in its ink, and is as round as its bar.
      const own = { ...predicted, ...(isSaid('edge') ? { edge } : {}), ...(isSaid('radius') ? { radius } : {}) } as typeof predicted;
      found.push(...differences(`search field ${state}`, own, observeThing(field)));
    });
    const caption = shadow.querySelector('caption');
    if (caption) found.push(...differences('caption', predictCaption(theme, table), observeCaption(caption)));
    found.push(...differences('table', predictTable(theme, table, shownAt(getComputedStyle(box).fontSize)), observeTable(box)));
    return found;
  } finally {
    host.remove();
  }
}

describe('What core predicts is what Chromium computes', () => {
  forSeeds('for random themes and tables', { all: 1000, usual: 250 }, (seed) => {
    const d = dice(seed);
    const theme = randomTheme(d, starterNames);
    const table = randomTable(d);
    const found = disagreements(viewOf(theme), table, randomHeld(d, table), seed % 2 === 1);
    expect(found.slice(0, 5)).withContext(`seed ${seed}`).toEqual([]);
  });

  forSeeds('for tables with exceptions', { all: 500, usual: 125 }, (seed) => {
    const d = dice(10_000 + seed);
    const theme = randomTheme(d, starterNames);
    const table = withExceptions(d, randomTable(d));
    const found = disagreements(viewOf(theme), table, randomHeld(d, table), seed % 2 === 1);
    expect(found.slice(0, 5)).withContext(`seed ${seed}`).toEqual([]);
  });

  forSeeds('for themes with width steps, at widths in and beside each', { all: 300, usual: 75 }, (seed) => {
    const d = dice(20_000 + seed);
    const theme = viewOf(withSteps(d, randomTheme(d, starterNames)));
    const table = d.chance(0.3) ? withExceptions(d, randomTable(d)) : randomTable(d);
    const step = d.pick(theme.steps).width;
    const width = d.pick([step, step + 1, step - 1, 1000, 300]);
    const found = disagreements(theme, table, randomHeld(d, table), seed % 2 === 1, width);
    expect(found.slice(0, 5)).withContext(`seed ${seed} at ${width}px`).toEqual([]);
  });

  forSeeds('for themes that grow from up to four others, at widths in and beside each step', { all: 300, usual: 20 }, (seed) => {
    const d = dice(30_000 + seed);
    const theme = randomGrown(d, starterNames, 1 + (seed % 4));
    const table = d.chance(0.3) ? withExceptions(d, randomTable(d)) : randomTable(d);
    const step = d.pick(theme.steps).width;
    const width = d.pick([step, step + 1, step - 1, 1000, 300]);
    const found = disagreements(theme, table, randomHeld(d, table), seed % 2 === 1, width);
    expect(found.slice(0, 5)).withContext(`seed ${seed} at ${width}px`).toEqual([]);
  });

  forSeeds('for themes in their modes, at widths in and beside each step', { all: 300, usual: 20 }, (seed) => {
    const d = dice(40_000 + seed);
    const whole = viewOf(withModes(d, d.chance(0.5) ? withSteps(d, randomTheme(d, starterNames)) : randomTheme(d, starterNames)));
    const mode = d.pick(whole.modes.length > 0 ? whole.modes : (['dark'] as const));
    const theme = whole.in(mode);
    const table = d.chance(0.3) ? withExceptions(d, randomTable(d)) : randomTable(d);
    // Paper has no width steps.
    const width = mode === 'print' ? 1000 : d.pick([d.pick(theme.steps).width, 1000, 300]);
    const found = disagreements(theme, table, randomHeld(d, table), seed % 2 === 1, width);
    expect(found.slice(0, 5)).withContext(`seed ${seed}, ${mode}, at ${width}px`).toEqual([]);
  });

  forSeeds('for themes with extra CSS, as far as the ledger has the same', { all: 300, usual: 25 }, (seed) => {
    const d = dice(60_000 + seed);
    const whole = viewOf(withExtra(d, d.chance(0.3) ? withSteps(d, randomTheme(d, starterNames)) : randomTheme(d, starterNames)));
    const table = d.chance(0.3) ? withExceptions(d, randomTable(d)) : randomTable(d);
    const width = d.pick([d.pick(whole.steps).width, 1000]);
    const found = disagreements(whole, table, randomHeld(d, table), seed % 2 === 1, width);
    expect(found.slice(0, 5)).withContext(`seed ${seed} at ${width}px`).toEqual([]);
  });

  forSeeds('for columns of plans, of which one is featured', { all: 300, usual: 40 }, (seed) => {
    const d = dice(70_000 + seed);
    const plain = withFeatured(d, d.chance(0.3) ? withSteps(d, randomTheme(d, starterNames)) : randomTheme(d, starterNames));
    const theme = viewOf(d.chance(0.3) ? withModes(d, plain) : plain);
    const table = withPlans(d, d.chance(0.3) ? withExceptions(d, randomTable(d)) : randomTable(d));
    const width = d.pick([1000, 300]);
    const found = disagreements(
      theme.in(d.pick(['', ...theme.modes.filter((mode) => mode !== 'print')])),
      table,
      randomHeld(d, table),
      seed % 2 === 1,
      width,
    );
    expect(found.slice(0, 5)).withContext(`seed ${seed} at ${width}px`).toEqual([]);
  });

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
    const same: Shown = (_, css) => css;
    expect(predictCell(viewOf(other), table, cell, [], same)['padding-start']).not.toEqual(
      predictCell(viewOf(theme), table, cell, [], same)['padding-start'],
    );
  });
});
