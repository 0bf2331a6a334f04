import { everyFeature, features, type FeatureName } from '../../../../runtime/features';
import { dress } from '../../../../runtime/dress';
import { element, framedTable, tableElement, visitedTable, writeHtml } from '../../../../core/compile';
import { PLAIN_VISITOR, featuresOf, type Visitor } from '../../../../core/page';
import { PLAIN_COLUMN, tableOf, type Table } from '../../../../core/table';

const table = tableOf(
  'Boats',
  [
    ['Boat', 'Seats', 'Page'],
    ['Moth', '40', 'https://moth.example'],
    ['Wick', '12', 'https://wick.example'],
    ['Ada', '31', 'https://ada.example'],
    ['All', '', ''],
  ],
  { footerRows: 1, columns: [PLAIN_COLUMN, { ...PLAIN_COLUMN, type: 'number', total: 'sum' }, { ...PLAIN_COLUMN, hidden: true }] },
);
const everything: Visitor = { ...PLAIN_VISITOR, pageRows: 2, sizes: true, filter: true, choose: true, columns: true, rowLink: true, totals: true };

let holder: HTMLElement;
beforeEach(() => document.body.append((holder = document.createElement('div'))));
afterEach(() => holder.remove());

/** A table for visitors with every feature in its markup, brought to life with some of them. */
const visit = (...names: readonly FeatureName[]): HTMLElement => visitTable(table, ...names);
function visitTable(table: Table, ...names: readonly FeatureName[]): HTMLElement {
  const options = { id: 'p', theme: 'v', sortable: true, filtered: true, totals: true };
  const whole = tableElement(table, { ...options, whole: true });
  const markup = visitedTable(framedTable(table, options), table, { ...everything, address: true }, { id: 'p', theme: 'v', whole });
  holder.innerHTML = writeHtml(element('div', {}, markup), 'compact');
  const box = holder.querySelector<HTMLElement>('[data-visitor]') as HTMLElement;
  dress(
    box,
    names.map((name) => features[name]),
  );
  return box;
}
const shown = (box: HTMLElement): readonly string[] =>
  [...box.querySelectorAll<HTMLTableRowElement>('tbody > tr:not([hidden])')].map((row) => row.cells[0]?.textContent ?? '');

/** Each feature by itself: it does what it is for, and needs none of the others. */
describe('A feature of the runtime, alone,', () => {
  it('sorts', () => {
    const box = visit('sort');
    [...box.querySelectorAll<HTMLElement>('.zp-sort')][1]?.click();
    expect(shown(box)).toEqual(['Wick', 'Ada', 'Moth']);
  });
  it('searches', () => {
    const box = visit('search');
    const field = box.querySelector('input[type=search]') as HTMLInputElement;
    field.value = 'ada';
    field.dispatchEvent(new Event('input'));
    expect(shown(box)).toEqual(['Ada']);
    expect(box.querySelector('.zp-sort')).toBeNull();
  });
  it('searches in the language of the values, whose letters are not those of others with a mark', () => {
    const ask = (box: HTMLElement, words: string): readonly string[] => {
      const field = box.querySelector('input[type=search]') as HTMLInputElement;
      field.value = words;
      field.dispatchEvent(new Event('input'));
      return shown(box);
    };
    const boats = { ...table, rows: table.rows.map((row, i) => (i === 1 ? ['Måsen', ...row.slice(1)] : row)) };
    expect(ask(visitTable({ ...boats, language: 'sv' }, 'search'), 'mas')).toEqual([]);
    expect(ask(visitTable({ ...boats, language: 'sv' }, 'search'), 'MÅS')).toEqual(['Måsen']);
    expect(ask(visitTable({ ...boats, language: 'de' }, 'search'), 'mas')).toEqual(['Måsen']);
  });
  it('leaves out of an address what makes no sense, so that no row is missing for no reason', () => {
    const before = location.href;
    const all = ['Moth', 'Wick', 'Ada'];
    try {
      for (const [query, found] of [
        ['p.filter.200=~x', all],
        ['p.filter.2=abc..def', all],
        ['p.filter.2=~40', all],
        ['p.filter.1=3..5', all],
        ['p.filter.0=~x&p.filter.-1=~x&p.filter.x=~x', all],
        ['p.sort=77,ascending', all],
        ['p.page=99', all],
        ['p.filter.2=30..', ['Moth', 'Ada']],
        ['p.sort=2,ascending', ['Wick', 'Ada', 'Moth']],
      ] as const) {
        history.replaceState(null, '', `?${query}`);
        expect(shown(visit('address', 'filters', 'sort')))
          .withContext(query)
          .toEqual([...found]);
      }
    } finally {
      history.replaceState(null, '', before);
    }
  });
  it('shows four pages as four, and a sign only for two or more', () => {
    const pagesOf = (count: number): string => {
      const rows = Array.from({ length: count * 2 }, (_, i) => [`r${i}`, '1', 'x']);
      const box = visitTable(tableOf('Many', [['Boat', 'Seats', 'Page'], ...rows], { columns: table.columns }), 'pages');
      return [...box.querySelectorAll('.zp-pager > :is(button, span)')].map((each) => each.textContent).join(' ');
    };
    expect(pagesOf(4)).toBe('‹ 1 2 3 4 ›');
    expect(pagesOf(5)).toBe('‹ 1 2 … 5 ›');
  });
  it('counts rows, and keeps those that a merged cell holds together on one page, which may have more then', () => {
    const rows = Array.from({ length: 7 }, (_, i) => [i === 2 ? 'Two boats' : i === 3 ? '' : `r${i}`, String(i), 'x']);
    const held = tableOf('Held', [['Boat', 'Seats', 'Page'], ...rows], {
      columns: table.columns.map((column) => ({ ...column, total: '' as const })),
      merges: [{ row: 2, column: 0, rows: 3, columns: 1 }],
    });
    const box = visitTable(held, 'pages');
    const says = (): string => box.querySelector('[role=status]')?.textContent ?? '';
    const rowsShown = (): number => box.querySelectorAll('tbody > tr:not([hidden])').length;
    const go = (to: string): void => box.querySelector<HTMLElement>(`[data-to="${to}"]`)?.click();
    const told: [string, number][] = [];
    for (const to of ['0', '1', '2']) {
      go(to);
      told.push([says(), rowsShown()]);
    }
    expect(told).toEqual([
      ['Rows 1 to 4 of 7', 4],
      ['Rows 5 to 6 of 7', 2],
      ['Rows 7 to 7 of 7', 1],
    ]);
    const sizes = box.querySelector('select') as HTMLSelectElement;
    go('1');
    sizes.value = '10';
    sizes.dispatchEvent(new Event('change'));
    expect([says(), rowsShown()]).toEqual(['Rows 1 to 7 of 7', 7]);
  });
  it('filters', () => {
    const box = visit('filters');
    const from = [...box.querySelectorAll<HTMLInputElement>('[data-filters] input')].find(({ type }) => type === 'number') as HTMLInputElement;
    from.value = '30';
    from.dispatchEvent(new Event('input'));
    expect(shown(box)).toEqual(['Moth', 'Ada']);
  });
  it('pages', () => {
    const box = visit('pages');
    expect(shown(box)).toEqual(['Moth', 'Wick']);
    box.querySelector<HTMLElement>('[data-to="next"]')?.click();
    expect(shown(box)).toEqual(['Ada']);
  });
  it('chooses', () => {
    const box = visit('choose');
    box.querySelector<HTMLInputElement>('.zp-choose')?.click();
    expect(box.querySelector('tbody th')).toBeNull();
    expect(box.querySelector('[role=status]')?.textContent).toContain('1 chosen');
  });
  it('adds up', () => {
    expect(visit('totals').querySelector('tfoot [data-total]')?.textContent).toBe('83');
  });
  it('shows all columns', () => {
    const box = visit('columns');
    box.querySelector<HTMLElement>('[data-columns]')?.click();
    expect(box.querySelectorAll('thead th').length).toBe(3);
  });
  it('is nothing that does something where it is not asked for', () => {
    const box = visit();
    expect(shown(box)).toEqual(['Moth', 'Wick', 'Ada']);
    expect(box.querySelectorAll('.zp-sort, .zp-choose, .zp-page').length).toBe(0);
  });
  it('is loaded where a page has it: core names those that its visitors have', () => {
    expect(featuresOf([])).toEqual([]);
    expect(featuresOf([PLAIN_VISITOR, { ...PLAIN_VISITOR, filter: true }, { ...PLAIN_VISITOR, rowLink: true }])).toEqual(['filters', 'rowLink']);
    expect(featuresOf([{ ...everything, address: true }])).toEqual(['address', 'filters', 'choose', 'totals', 'columns', 'rowLink']);
    expect(everyFeature.length).toBe(9);
  });
});
