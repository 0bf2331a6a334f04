import { contract, frameRules, framedTable, pinnedRules, tableRules, themeCss, writeCss, writeHtml } from '../../../core/compile';
import { WHITE, flatten, parseColour } from '../../../core/colour';
import { paintedFill } from '../../../core/paint';
import { PLAIN_COLUMN, gridOf, makeHeading, needsContainer, slotOf, tableOf, type Table } from '../../../core/table';
import { starters, type Theme } from '../../../core/theme';
import { themeWith, viewOf } from '../../../core/tests/themes';
import { colourFact } from './observed';
import { bandOf } from './predicted';

const FRAME = 900;

/** A table in a frame of 900 px, as a page shows it. */
function shown(table: Table, theme: Theme): { readonly root: ShadowRoot; readonly host: HTMLElement } {
  const host = document.createElement('div');
  const root = host.attachShadow({ mode: 'open' });
  document.body.append(host);
  const sheet = new CSSStyleSheet();
  sheet.replaceSync(
    writeCss([
      ...frameRules,
      ...themeCss(viewOf(theme), { key: 'case', lean: true }),
      ...pinnedRules(viewOf(theme), 'case'),
      ...tableRules(table, `.${contract.frame}>table`),
    ]),
  );
  const own = new CSSStyleSheet();
  own.replaceSync(
    `:host{all:initial;display:block;width:${FRAME}px;font:16px/1.4 sans-serif}table{width:100%;box-sizing:border-box}${needsContainer(table) ? `.${contract.frame}{container-type:inline-size}` : ''}`,
  );
  root.adoptedStyleSheets = [sheet, own];
  root.innerHTML = writeHtml(framedTable(table, { id: 't', theme: 'case' }));
  return { root, host };
}

const plainTheme = themeWith({ table: { rest: { 'padding-start': '4px', 'padding-end': '4px' } } });

describe('Column widths as core has them are what Chromium lays out', () => {
  for (const [what, set, expected] of [
    ['equal shares', ['1fr', '1fr', '1fr'], [300, 300, 300]],
    ['shares of different size', ['1fr', '2fr', '3fr'], [150, 300, 450]],
    ['percentages and shares', ['20%', '1fr', '1fr'], [180, 360, 360]],
    ['a length beside shares', ['100px', '1fr', '3fr'], [100, 200, 600]],
    ['lengths and a percentage beside a share', ['100px', '10%', '1fr'], [100, 90, 710]],
    ['a length, the rest by content', ['260px', '', ''], [260, undefined, undefined]],
  ] as const) {
    it(what, () => {
      const table: Table = {
        ...tableOf('x', [
          ['Boat', 'To', 'Fare'],
          ['Moth', 'Skerrin', '8'],
          ['Lantern Ada', 'Tarn Isle', '11'],
        ]),
        columns: set.map((width) => ({ ...PLAIN_COLUMN, width })),
      };
      const { root, host } = shown(table, plainTheme);
      try {
        const widths = [...root.querySelectorAll('tbody tr:first-child > *')].map((cell) => cell.getBoundingClientRect().width);
        expected.forEach((width, i) => {
          if (width !== undefined)
            expect(widths[i])
              .withContext(`column ${i + 1} of ${widths.join(', ')}`)
              .toBeCloseTo(width, -0.3);
        });
        expect(widths.reduce((sum, width) => sum + width, 0)).toBeCloseTo(FRAME, -0.3);
      } finally {
        host.remove();
      }
    });
  }
});

describe('A pinned first column', () => {
  const wide = tableOf(
    'Wide',
    Array.from({ length: 7 }, (_, row) => Array.from({ length: 14 }, (_each, column) => `cell${row}column${column}`.padEnd(44, 'x'))),
    { rowHeaders: 1, footerRows: 1, pinned: true },
  );
  const made = makeHeading(wide, 4);
  const table = made.ok ? made.value : wide;
  for (const { theme } of starters) {
    it(`stays in view and hides what is scrolled beneath it, in ${theme.name}`, () => {
      const { root, host } = shown(table, theme);
      try {
        const frame = root.querySelector<HTMLElement>(`.${contract.frame}`);
        if (!frame) throw new Error('The table stands in its frame');
        frame.scrollLeft = 300;
        expect(frame.scrollLeft).toBe(300);
        const left = frame.getBoundingClientRect().left;
        for (const [i, row] of [...root.querySelectorAll('tr')].entries()) {
          const first = row.firstElementChild;
          if (!first || gridOf(table).row(i).length === 1) continue;
          expect(first.getBoundingClientRect().left - left)
            .withContext(`row ${i}`)
            .toBeLessThan(2);
          const style = getComputedStyle(first);
          const read = parseColour(style.backgroundColor);
          if (!read) throw new Error(style.backgroundColor);
          expect(read.alpha).withContext(`row ${i}`).toBe(1);
          const cell = gridOf(table).at(i, 0);
          const wanted = paintedFill(
            viewOf({ ...theme, values: { ...theme.values, table: { rest: { ...theme.values.table?.rest, opacity: '100%' } } } }),
            slotOf(table, cell, [], bandOf(viewOf(theme))),
          );
          expect(colourFact(flatten(read, WHITE)))
            .withContext(`row ${i}`)
            .toBe(colourFact(wanted));
        }
      } finally {
        host.remove();
      }
    });
  }
});
