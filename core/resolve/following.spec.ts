import { gridOf, mergeCells, slotOf, tableOf, type Table } from '../table';
import { sheetOf, writeCss } from '../compile';
import { themeWith, viewOf } from '../tests/themes';
import { isThemeBase, starterBases, starters, type Theme, type ThemeView } from '../theme';
import { resolve, winnerAt } from './index';

const fares = tableOf('Fares', [
  ['Route', 'Fare', 'Takes'],
  ['North quay', '4.20', '25'],
  ['South bank', '−1.10', '8'],
]);

const alignOf = (view: ThemeView, table: Table, row: number, column: number): string => {
  const cell = gridOf(table)
    .row(row)
    .find((each) => each.column === column);
  if (!cell) throw new Error('There is no such cell');
  const slot = slotOf(table, cell);
  const { value } = resolve(view, slot, 'align');
  expect(winnerAt(view, slot, 'align').value).toEqual(value);
  return value.css;
};
const headers = (values: Theme['values'], given: Partial<Theme> = {}): string[] =>
  [0, 1, 2].map((column) => alignOf(viewOf(themeWith(values, given)), fares, 0, column));
const css = (values: Theme['values']): string => writeCss(sheetOf(viewOf(themeWith(values)), { use: 'file', key: 'x' }), 'compact');
const followed = { 'column-headers': { rest: { align: 'as its column' } } } as const;
const ended = { numbers: { rest: { align: 'end' } } } as const;

describe('A header that stands as its column does', () => {
  it('stands as numbers over numbers, and as texts over texts', () => {
    expect(headers(ended)).toEqual(['start', 'start', 'start']);
    expect(headers({ ...followed, ...ended })).toEqual(['start', 'end', 'end']);
    expect(headers({ ...followed, 'body-rows': { rest: { align: 'center' } } })).toEqual(['center', 'center', 'center']);
    expect(headers({ ...followed, ...ended, 'body-rows': { rest: { align: 'center' } } })).toEqual(['center', 'end', 'end']);
  });
  it('does in every starter that does not say otherwise, and what a theme says of its headers is stronger', () => {
    for (const { key, version, theme } of starters) {
      const base = { starter: key, version };
      const numbers = resolve(viewOf(theme), { part: 'body-rows', conditions: [], also: ['numbers'] }, 'align').value.css;
      const says = theme.values['column-headers']?.rest?.align;
      expect(headers({}, { base })[1])
        .withContext(key)
        .toBe(says ?? numbers);
      expect(headers({ 'column-headers': { rest: { align: 'center' } } }, { base }))
        .withContext(key)
        .toEqual(['center', 'center', 'center']);
      expect(headers({ 'column-headers': { 'over-numbers': { align: 'justify' } } }, { base })[1])
        .withContext(key)
        .toBe('justify');
      // One that grows from the first ground leaves them where they stood.
      const first = starterBases.find({ starter: key, version: 1 });
      const grownFrom = first?.base ?? null;
      const isOfFirstGround = grownFrom !== null && !isThemeBase(grownFrom) && grownFrom.version === 1;
      expect(alignOf(viewOf(first ?? theme), fares, 0, 1))
        .withContext(`${key} 1`)
        .toBe(says ?? (isOfFirstGround ? 'start' : numbers));
    }
  });
  it('is one of one column: a header over several stands as texts do', () => {
    const tiers = tableOf(
      'Quarters',
      [
        ['Route', 'Half', ''],
        ['', 'Q1', 'Q2'],
        ['North', '1', '2'],
      ],
      { headerRows: 2 },
    );
    const merged = mergeCells(tiers, { row: 0, column: 1 }, { row: 0, column: 2 });
    if (!merged.ok) throw new Error('It can be merged');
    const view = viewOf(themeWith({ ...followed, ...ended }));
    expect([alignOf(view, merged.value, 0, 1), alignOf(view, merged.value, 1, 1)]).toEqual(['start', 'end']);
  });
  it('is told by what is set there, and by no other place', () => {
    const view = viewOf(themeWith({ ...followed, ...ended, 'body-rows': { rest: { align: 'as its column' } } }));
    const cell = gridOf(fares).row(0)[1];
    if (!cell) throw new Error('There is no such cell');
    const { from, text } = resolve(view, slotOf(fares, cell), 'align');
    expect([text, from.place?.part, from.place?.condition]).toEqual(['as its column', 'column-headers', 'rest']);
    const body = resolve(view, { part: 'body-rows', conditions: [] }, 'align');
    expect(body.value.css).toBe('start');
    expect(body.chain[0]?.say).toBe('Only column headers stand “as its column”.');
  });
  it('comes to rules of its own where it makes a difference, at each width', () => {
    expect(css({ ...followed, ...ended })).toContain(':where(.zp-over-numbers){text-align:end}');
    expect(css(followed)).not.toContain('zp-over-numbers');
    expect(css(ended)).not.toContain('zp-over-numbers');
    const stepped = viewOf(
      themeWith({ ...followed, ...ended }, { widths: [{ name: 'narrow', width: 480, values: { numbers: { rest: { align: 'start' } } } }] }),
    );
    const text = writeCss(sheetOf(stepped, { use: 'file', key: 'x' }), 'compact');
    // Where they stand at the start in a narrow box, they are at the end in a wider one only.
    expect(text.split('@container')[0]).not.toContain('text-align:end');
    expect(text).toMatch(/\(width>480px\)\{[^@]*:where\(\.zp-over-numbers\)\{text-align:end\}/);
  });
});
