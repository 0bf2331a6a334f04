import { arrangementRules, besideIn, frameRules, framedTable, themeCss, writeCss, writeHtml } from '../../../core/compile';
import { framedAt, gridOf, makeHeading, setExceptions, tableOf, type Table } from '../../../core/table';
import type { Theme } from '../../../core/theme';
import { themeWith, viewOf } from '../../../core/tests/themes';

const fares: Table = {
  ...tableOf('Fares', [
    ['Boat', 'Day', 'Season'],
    ['Moth', '8.5', '120'],
    ['Lantern Ada', '11', '140'],
    ['Heron', '9.25', '99'],
    ['Sum', '28.75', '359'],
  ]),
  footerRows: 1,
};
const framed = (table: Table, values: Record<string, string> = {}): Table =>
  setExceptions(table, [{ row: null, column: 1 }], (each) => ({ ...each, reach: 'header', values: { frame: '3px solid deep', ...values } }));
const apart = (gap: string, others: Theme['values'] = {}): Theme =>
  themeWith({ ...others, table: { rest: { cells: 'spaced', gap, ...others['table']?.rest } }, lines: { rest: { rows: '2px solid deep' } } });

interface Span {
  readonly from: number;
  readonly to: number;
}

/** What a framed column draws from top to bottom: its cells, and what they draw in the gaps above them. */
function drawn(table: Table, theme: Theme, stacked = false): { readonly cells: readonly Span[]; readonly pieces: readonly Span[] } {
  const host = document.createElement('div');
  const root = host.attachShadow({ mode: 'open' });
  document.body.append(host);
  try {
    const view = viewOf(theme);
    const beside = besideIn(view, [table]);
    const sheet = new CSSStyleSheet();
    sheet.replaceSync(
      writeCss([
        ...frameRules,
        ...themeCss(view, { key: 'case', lean: true, beside }),
        ...(stacked ? arrangementRules(view, 'case', table.exceptions) : []),
      ]),
    );
    root.adoptedStyleSheets = [sheet];
    root.innerHTML = writeHtml(framedTable(table, { id: 't', theme: 'case' }));
    const [cells, pieces]: [Span[], Span[]] = [[], []];
    const rows = [...root.querySelectorAll('tr')];
    for (const cell of gridOf(table).rows.flat()) {
      if (!framedAt(table, cell)) continue;
      const element = rows[cell.row]?.children[gridOf(table).rows[cell.row]?.indexOf(cell) ?? -1] as HTMLElement;
      const box = element.getBoundingClientRect();
      cells.push({ from: box.top, to: box.bottom });
      for (const side of ['::before', '::after']) {
        const style = getComputedStyle(element, side);
        if (style.position !== 'absolute' || style.content === 'none') continue;
        const at = [box.left + element.clientLeft + parseFloat(style.left), box.right - element.clientLeft - parseFloat(style.right)];
        expect(at).withContext(`the sides of row ${cell.row}`).toEqual([box.left, box.right]);
        // Nothing of an icon that stands there in other cells is left.
        expect([style.maskImage, style.backgroundColor]).toEqual(['none', 'rgba(0, 0, 0, 0)']);
        expect(parseFloat(style.width)).toBeCloseTo(box.width - 2 * element.clientLeft, 2);
        expect(style.borderLeft).toBe(getComputedStyle(element).borderLeft);
        const bottom = box.top + element.clientTop;
        pieces.push({ from: bottom - parseFloat(style.height), to: bottom });
      }
    }
    return { cells, pieces };
  } finally {
    host.remove();
  }
}

/** Where a frame's sides are not drawn between its top and its bottom. */
function holes({ cells, pieces }: ReturnType<typeof drawn>): number {
  const spans = [...cells, ...pieces].toSorted((a, b) => a.from - b.from);
  let [end, count] = [spans[0]?.to ?? 0, 0];
  for (const { from, to } of spans) {
    if (from > end + 0.01) count++;
    end = Math.max(end, to);
  }
  return count;
}

describe("A column's frame where rows stand apart, in Chromium", () => {
  const aligned: Theme['values'] = { numbers: { rest: { decimals: 'aligned' } } };
  const behind: Theme['values'] = { footer: { rest: { icon: 'check', 'icon-side': 'after' } } };
  for (const [what, table, theme] of [
    ['a gap in px', framed(fares), apart('0 8px')],
    ['a gap in em, beside others', framed(fares), apart('4px .75em')],
    ['cells with icons of their own', framed(fares, { icon: 'check' }), apart('6px')],
    ['numbers aligned by their decimals', framed(fares), apart('6px', aligned)],
    ['icons behind the text of the footer', framed(fares), apart('6px', behind)],
    ['icons of their own where others stand behind', framed(fares, { icon: 'check' }), apart('6px', behind)],
    ['round corners of the table', framed(fares), apart('6px', { table: { rest: { radius: '12px' } } })],
  ] as const) {
    it(`has no hole: ${what}`, () => {
      const found = drawn(table, theme);
      expect(found.pieces.length).toBe(4);
      expect(holes(found)).toBe(0);
      expect(holes({ ...found, pieces: found.pieces.slice(1) }))
        .withContext('one of them is left out')
        .toBe(1);
    });
  }
  it('leaves the heading of a group alone, and what touches or is stacked has none', () => {
    const grouped = makeHeading(fares, 2);
    expect(grouped.ok).toBeTrue();
    if (grouped.ok) expect(drawn(framed(grouped.value), apart('6px')).pieces.length).toBe(2);
    expect(drawn(framed(fares), apart('6px 0')).pieces).toEqual([]);
    expect(drawn(framed(fares), themeWith({})).pieces).toEqual([]);
    expect(drawn(framed(fares), apart('6px', { table: { rest: { arrangement: 'stacked' } } }), true).pieces).toEqual([]);
  });
});
