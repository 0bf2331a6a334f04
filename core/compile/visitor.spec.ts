import { viewOf } from '../tests/themes';
import { PLAIN_FORMAT } from '../data-types';
import { PLAIN_VISITOR, emptyPage, readPage, type Page, type Visitor } from '../page';
import { PLAIN_COLUMN, gridOf, tableOf, type Table } from '../table';
import { starters, type Theme } from '../theme';
import { canSort, filterKind, sortValue } from './markup/sort-values';
import { compilePage, writeCss, writeHtml } from './index';

const boats = tableOf('Boats', [
  ['Boat', 'Fare', 'Sea'],
  ['Moth', '£1,204.5', 'fog'],
  ['Wick', '–', 'calm'],
  ['Ada', '(£3)', 'fog'],
  ['Gull', '£7', 'calm'],
]);
const placed = (visitor: Visitor | null, table: Table = boats, dressed = starters[0]?.theme): { readonly html: string; readonly css: string } => {
  const page: Page = {
    ...emptyPage('p', 'p'),
    blocks: [
      {
        id: 'a',
        kind: 'table',
        shows: { kind: 'tables', id: 't' },
        dress: { kind: 'themes', id: 'h' },
        width: '20rem',
        align: 'start',
        room: '8px',
        visitor,
      },
    ],
  };
  const themes = new Map((dressed ? [dressed] : []).map((theme) => ['h', { key: 'harbour', view: viewOf(theme) }] as const));
  const { html, css } = compilePage(
    { page, tables: new Map([['t', table]]), themes },
    { stylesheet: 's.css', runtime: () => 'r.js', siteName: 'Site' },
  );
  return { html: writeHtml(html), css: writeCss(css, 'compact') };
};

describe('A placed table that visitors use', () => {
  it('brings the script and the look of what stands around it, and only then', () => {
    const [still, used] = [placed(null), placed(PLAIN_VISITOR)];
    expect([still.html.includes('<script'), used.html.includes('<script src="r.js" defer blocking="render"></script>')]).toEqual([false, true]);
    expect([still.css.includes('zp-pager'), used.css.includes('.zp-harbour-around>:where(.zp-pager)')]).toEqual([false, true]);
    expect([still.html.includes('data-value'), used.html.includes('data-value="1204.5"')]).toEqual([false, true]);
  });

  it('keeps its width and its room', () => {
    expect(placed(null).css).toContain('#place-1>table{width:20rem');
    expect(placed(PLAIN_VISITOR).css).toContain('#place-1>.zp-frame>table{width:20rem');
    expect(placed(PLAIN_VISITOR).css).toContain('#box-1{margin:8px 8px 8px 8px}');
  });

  it('says labels as they were written, and nothing in them becomes markup', () => {
    const { html } = placed({ ...PLAIN_VISITOR, wording: { search: '<img src=x onerror=alert(1)>', info: '"></div><script>1</script>' } });
    expect(html).toContain('&lt;img src=x onerror=alert(1)&gt;');
    expect(html.match(/<script/g)?.length).toBe(1);
  });

  it('says by what cells are sorted, where that is not their text', () => {
    const cell = (row: number, column: number): string | undefined => sortValue(boats, gridOf(boats).at(row, column));
    expect([cell(1, 1), cell(2, 1), cell(3, 1), cell(1, 0), cell(0, 1)]).toEqual(['1204.5', '', '-3', undefined, undefined]);
  });

  it('is sorted by header cells over one column that reach down to the body', () => {
    const table: Table = {
      ...tableOf('t', [
        ['Boat', 'Fare', '', ''],
        ['', 'Single', 'Return', ''],
        ['a', '1', '2', '3'],
      ]),
      headerRows: 2,
      merges: [
        { row: 0, column: 0, rows: 2, columns: 1 },
        { row: 0, column: 1, rows: 1, columns: 2 },
      ],
    };
    const able = gridOf(table).rows.flatMap((row) => row.filter((cell) => canSort(table, cell)).map(({ text }) => text));
    expect(able).toEqual(['Boat', 'Single', 'Return']);
  });

  it('is filtered by ranges of amounts and days, by a few values, and else by words', () => {
    expect([0, 1, 2].map((column) => filterKind(boats, column))).toEqual(['text', 'number', 'choice']);
    const typed = { ...boats, columns: [PLAIN_COLUMN, { ...PLAIN_COLUMN, type: 'text' as const }, { ...PLAIN_COLUMN, type: 'date' as const }] };
    expect([1, 2].map((column) => filterKind(typed, column))).toEqual(['text', 'date']);
  });
});

describe('Fonts of a page', () => {
  it('have the letters of what columns show and of what is said around a table, not only of what was typed', () => {
    const theme = starters[0]?.theme;
    const dressed = { ...theme, values: { ...theme?.values, table: { rest: { ...theme?.values.table?.rest, font: 'noto naskh' } } } } as Theme;
    const faces = (table: Table, visitor: Visitor | null): number => placed(visitor, table, dressed).css.split('@font-face').length - 1;
    const columns = [PLAIN_COLUMN, { ...PLAIN_COLUMN, type: 'money' as const, format: PLAIN_FORMAT }, PLAIN_COLUMN];
    expect(faces({ ...boats, columns, language: 'ar-EG' }, null)).toBeGreaterThan(faces(boats, null));
    expect(faces(boats, { ...PLAIN_VISITOR, language: 'ar' })).toBeGreaterThan(faces(boats, PLAIN_VISITOR));
  });
});

describe('What visitors can do, in a page document', () => {
  const says = (visitor: unknown): string => {
    const block = {
      id: 'a',
      kind: 'table',
      shows: { kind: 'tables', id: 't' },
      dress: { kind: 'themes', id: 'h' },
      width: 'fill',
      align: 'start',
      room: '0',
      visitor,
    };
    const read = readPage({ ...emptyPage('p', 'p'), blocks: [block] });
    return read.ok ? 'good' : read.problems.map(({ say }) => say).join(' ');
  };
  it('is read, and its mistakes are said', () => {
    expect([says(null), says(PLAIN_VISITOR)]).toEqual(['good', 'good']);
    expect(says({ ...PLAIN_VISITOR, pageRows: 2000 })).toContain('from 0, for all of them, to 1,000');
    expect(says({ ...PLAIN_VISITOR, language: 'tlh' })).toContain('English, German, French, Spanish, Greek and Arabic');
    expect(says({ ...PLAIN_VISITOR, wording: { shout: 'x' } })).toContain('no other label');
    expect(says({ ...PLAIN_VISITOR, wording: { search: 'x'.repeat(201) } })).toContain('at most 200 characters');
    expect(says({ ...PLAIN_VISITOR, first: { column: 0, name: '', direction: 'sideways' } })).toContain('ascending or descending');
    expect(says({ ...PLAIN_VISITOR, unsorted: 'Fare' })).not.toBe('good');
    expect(says({ ...PLAIN_VISITOR, unsorted: ['x'.repeat(1001)] })).toContain('at most 1,000 characters');
    expect(says(undefined)).not.toBe('good');
  });
});
