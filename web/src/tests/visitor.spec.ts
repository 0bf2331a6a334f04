import { framedTable, visitedTable, writeHtml } from '../../../core/compile';
import { PLAIN_VISITOR } from '../../../core/page';
import { PLAIN_COLUMN, mergeCells, tableOf, type Table } from '../../../core/table';
import { readAddress, writeAddress } from '../../../runtime/features/address';
import type { Filters } from '../../../runtime/state';
import { boats, go, says, sorter, takeAway, texts, type, visit } from './visited';

afterEach(takeAway);

describe('What a visitor does with a table', () => {
  it('sorts by type and by language, three ways, with nothing last', () => {
    const box = visit(boats, { pageRows: 0 });
    const fare = sorter(box, 'Fare');
    fare.click();
    expect(texts(box, 1)).toEqual(['(£3)', '£4.50', '£12.00', '–']);
    expect(fare.closest('th')?.getAttribute('aria-sort')).toBe('ascending');
    expect(says(box)).toBe('Rows 1 to 4 of 4. Sorted upwards by Fare');
    fare.click();
    expect(texts(box, 1)).toEqual(['£12.00', '£4.50', '(£3)', '–']);
    expect(box.querySelectorAll('td.zp-sorted').length).toBe(4);
    fare.click();
    expect(texts(box)).toEqual(['Émile', 'Wick', 'moth 10', 'moth 9']);
    expect(box.querySelector('[aria-sort], .zp-sorted')).toBeNull();
    sorter(box, 'Boat').click();
    expect(texts(box)).toEqual(['Émile', 'moth 9', 'moth 10', 'Wick']);
    sorter(box, 'Sails').click();
    expect(texts(box, 2)).toEqual(['1.12.2025', '13.2.2026', '4.5.2026', 'unknown']);
  });

  it('chooses rows, which stay chosen wherever they go, and says how many', () => {
    const box = visit(boats, { choose: true, pageRows: 2 });
    const tick = (name: string): HTMLInputElement =>
      box.querySelector<HTMLInputElement>(`.zp-choose[aria-label="Choose ${name}"]`) as HTMLInputElement;
    tick('Wick').click();
    expect(says(box)).toBe('Rows 1 to 2 of 4. 1 chosen');
    expect(tick('Wick').closest('tr')?.hasAttribute('data-selected')).toBeTrue();
    sorter(box, 'Boat').click();
    expect(texts(box)).toEqual(['Émile', 'moth 9']);
    go(box, 'Next page');
    expect(texts(box)).toEqual(['moth 10', 'Wick']);
    expect(tick('Wick').checked).toBeTrue();
    tick('moth 10').click();
    expect(says(box)).toContain('2 chosen');
    tick('Wick').click();
    expect(tick('Wick').closest('tr')?.hasAttribute('data-selected')).toBeFalse();
  });

  it('shows the hidden columns, with what was sorted and searched, and hides them again', () => {
    const table: Table = { ...boats, columns: [PLAIN_COLUMN, { ...PLAIN_COLUMN, hidden: true }, { ...PLAIN_COLUMN, type: 'date' }] };
    const box = visit(table, { columns: true, filter: true });
    sorter(box, 'Sails').click();
    type(box, 'moth');
    expect(texts(box, 1)).toEqual(['1.12.2025', 'unknown']);
    const button = box.querySelector<HTMLElement>('[data-columns]') as HTMLElement;
    button.click();
    expect(button.textContent).toBe('Fewer columns');
    expect(texts(box, 1)).toEqual(['(£3)', '£4.50']);
    expect(sorter(box, 'Sails').closest('th')?.getAttribute('aria-sort')).toBe('ascending');
    expect(box.querySelectorAll('[data-filters] label').length).toBe(5);
    sorter(box, 'Fare').click();
    sorter(box, 'Fare').click();
    expect(texts(box, 1)).toEqual(['£4.50', '(£3)']);
    button.click();
    expect(texts(box, 1)).toEqual(['1.12.2025', 'unknown']);
    expect(box.querySelector('[aria-sort]')).toBeNull();
    type(box, '');
    expect(texts(box).length).toBe(4);
  });

  it('has totals of the rows that were found, written as the column is', () => {
    const money = { decimals: 2, grouping: true, currency: 'EUR', unit: '', negative: 'minus', date: 'medium', empty: '' } as const;
    const table = tableOf(
      'x',
      [
        ['Boat', 'Fare', 'Many'],
        ['Wick', '12', 'a'],
        ['Moth', '1.204,5', 'b'],
        ['Moth', '3', 'b'],
        ['All', '', ''],
      ],
      {
        footerRows: 1,
        language: 'de',
        decimal: ',',
        columns: [PLAIN_COLUMN, { ...PLAIN_COLUMN, type: 'money', total: 'median', format: money }, { ...PLAIN_COLUMN, total: 'distinct' }],
      },
    );
    const box = visit(table, { totals: true });
    const footer = (): readonly string[] =>
      [...box.querySelectorAll<HTMLElement>('tfoot td')].map((cell) => cell.textContent.replace(/\u00a0/g, ' '));
    expect(footer()).toEqual(['All', '12,00 €', '2']);
    type(box, 'moth');
    expect(footer()).toEqual(['All', '603,75 €', '1']);
    type(box, 'nothing');
    expect(footer()).toEqual(['All', '', '0']);
    type(box, '');
    expect(footer()).toEqual(['All', '12,00 €', '2']);
  });

  it('follows a row’s link by a click anywhere in it, but for its own controls', () => {
    const linked = { text: 'Wick', marks: [{ from: 0, to: 4, kind: 'link' as const, href: '#wick' }] };
    const box = visit(
      tableOf('x', [
        ['Boat', 'Fare'],
        [linked, '12'],
        ['Moth', '3'],
      ]),
      { rowLink: true, choose: true },
    );
    const followed: string[] = [];
    box.addEventListener('click', (event) => {
      const link = (event.target as HTMLElement).closest('a');
      if (link) followed.push(link.getAttribute('href') ?? '');
      event.preventDefault();
    });
    const rows = box.querySelectorAll<HTMLTableRowElement>('tbody tr');
    rows[0]?.cells[1]?.click();
    expect(followed).toEqual(['#wick']);
    rows[1]?.cells[1]?.click();
    rows[0]?.querySelector<HTMLElement>('.zp-choose')?.click();
    expect(followed).toEqual(['#wick']);
  });

  it('finds words whatever their case and accents, all of them in one row', () => {
    const box = visit(boats);
    type(box, 'EMILE 12');
    expect(texts(box)).toEqual(['Émile']);
    expect(says(box)).toBe('Rows 1 to 1 of 1 found among 4');
    type(box, 'emile wick');
    expect(texts(box)).toEqual([]);
    expect(box.querySelector<HTMLElement>('.zp-empty')?.hidden).toBeFalse();
    type(box, ' ');
    expect(texts(box).length).toBe(4);
    expect(box.querySelector<HTMLElement>('.zp-empty')?.hidden).toBeTrue();
  });

  it('filters by a few values, a range, days and words, all at once, and takes it back', () => {
    const rows = Array.from({ length: 12 }, (_, i) => [
      `boat ${i}`,
      i % 3 === 0 ? 'fog' : 'calm',
      String(i * 10),
      `2026-03-${String(i + 1).padStart(2, '0')}`,
    ]);
    const box = visit(tableOf('Log', [['Boat', 'Sea', 'Fare', 'Day'], ...rows]), { filter: true, pageRows: 0, sort: false });
    const set = (label: string, value: string): void => {
      const field = [...box.querySelectorAll<HTMLLabelElement>('[data-filters] label')].find(
        (each) => each.firstChild?.textContent === label,
      )?.control;
      (field as HTMLInputElement).value = value;
      // Browsers send it for lists too (HTML Standard, section 4.10.7).
      field?.dispatchEvent(new Event('input'));
    };
    expect([...box.querySelectorAll('[data-filters] label')].map((each) => each.firstChild?.textContent)).toEqual([
      'Boat',
      'Sea',
      'Fare from',
      'Fare up to',
      'Day from',
      'Day up to',
    ]);
    set('Sea', 'fog');
    expect(texts(box)).toEqual(['boat 0', 'boat 3', 'boat 6', 'boat 9']);
    set('Fare from', '30');
    set('Day up to', '2026-03-07');
    expect(texts(box)).toEqual(['boat 3', 'boat 6']);
    set('Boat', '6');
    expect(texts(box)).toEqual(['boat 6']);
    expect(says(box)).toBe('Rows 1 to 1 of 1 found among 12');
    box.querySelector<HTMLElement>('[data-filters] button')?.click();
    expect(texts(box).length).toBe(12);
    expect([...box.querySelectorAll<HTMLInputElement>('[data-filters] :is(input, select)')].map(({ value }) => value).join('')).toBe('');
    expect(box.querySelector('.zp-sort')).toBeNull();
  });

  it('is sorted at first as the page says, by the column that is meant where others are hidden', () => {
    const columns = [{ ...PLAIN_COLUMN, hidden: true }, PLAIN_COLUMN, PLAIN_COLUMN];
    // By its name, wherever it went; by its place where no column has that name.
    for (const first of [
      { column: 1, name: 'Fare', direction: 'descending' },
      { column: 2, name: 'Fare', direction: 'descending' },
      { column: 1, name: '', direction: 'descending' },
    ] as const) {
      const box = visit({ ...boats, columns }, { first, pageRows: 0 });
      expect(texts(box)).toEqual(['£12.00', '£4.50', '(£3)', '–']);
      expect(box.querySelector('[aria-sort]')?.textContent).toBe('Fare');
    }
  });

  it('is sorted by no column that is left out', () => {
    const box = visit(boats, { unsorted: ['Fare'] });
    const names = [...box.querySelectorAll('thead .zp-sort')].map(({ textContent }) => textContent);
    expect(names).not.toContain('Fare');
    expect(names.length).toBe(2);
  });

  it('lets the size of a page be chosen, and keeps the first row in view', () => {
    const box = visit(tableOf('Many', [['n'], ...Array.from({ length: 95 }, (_, i) => [String(i + 1)])]), { pageRows: 10, sizes: true });
    go(box, 'Page 10');
    const field = box.querySelector('nav select') as HTMLSelectElement;
    expect([...field.options].map(({ value }) => value)).toEqual(['10', '20', '50', '100']);
    field.value = '50';
    field.dispatchEvent(new Event('change'));
    expect([texts(box)[0], says(box)]).toEqual(['51', 'Rows 51 to 95 of 95']);
    expect(document.activeElement).toBe(box.querySelector('nav select'));
    expect(field.labels?.[0]?.textContent).toContain('Rows on a page');
  });

  it('turns pages, and keeps the focus where it was', () => {
    const rows = Array.from({ length: 95 }, (_, i) => [String(i + 1)]);
    const box = visit(tableOf('Many', [['n'], ...rows]), { pageRows: 10, language: 'de' });
    expect(box.querySelector('nav')?.textContent).toBe('‹12…10›');
    go(box, 'Seite 10');
    expect(texts(box)).toEqual(['91', '92', '93', '94', '95']);
    expect(says(box)).toBe('Zeilen 91 bis 95 von 95');
    box.querySelector<HTMLElement>('.zp-page[aria-label="Vorige Seite"]')?.focus();
    go(box, 'Vorige Seite');
    expect(document.activeElement?.getAttribute('aria-label')).toBe('Vorige Seite');
    expect(box.querySelector('[aria-current]')?.textContent).toBe('9');
    go(box, 'Nächste Seite');
    go(box, 'Nächste Seite');
    expect(box.querySelector('[aria-current]')?.textContent).toBe('10');
    sorter(box, 'n').click();
    expect(texts(box)[0]).toBe('1');
  });

  it('keeps row groups together, their headings first, and hides a heading without rows', () => {
    const box = visit(tableOf('Groups', [['n'], ['North'], ['b'], ['a'], ['South'], ['d'], ['c']], { groups: [1, 4] }), { pageRows: 0 });
    sorter(box, 'n').click();
    expect(texts(box)).toEqual(['North', 'a', 'b', 'South', 'c', 'd']);
    type(box, 'c');
    expect(texts(box)).toEqual(['South', 'c']);
  });

  it('reads labels from right to left in Arabic, in the person’s own words where there are some', () => {
    const box = visit(boats, { language: 'ar', wording: { search: 'ابحث عن قارب' }, pageRows: 2 });
    const bar = box.querySelector('.zp-search');
    expect([bar?.getAttribute('dir'), bar?.textContent.trim(), box.querySelector('table')?.dir]).toEqual(['rtl', 'ابحث عن قارب', '']);
    expect(says(box)).toContain('الصفوف');
    expect(box.querySelector('nav')?.textContent.startsWith('›')).toBeTrue();
  });

  it('finds the columns under headers in tiers, and leaves out those that reach over several', () => {
    const plain = tableOf(
      'Tiers',
      [
        ['Boat', 'Fare', ''],
        ['', 'Single', 'Return'],
        ['b', '2', '9'],
        ['a', '10', '8'],
      ],
      { headerRows: 2 },
    );
    const wide = mergeCells(plain, { row: 0, column: 1 }, { row: 0, column: 2 });
    const tall = wide.ok ? mergeCells(wide.value, { row: 0, column: 0 }, { row: 1, column: 0 }) : wide;
    const box = visit(tall.ok ? tall.value : plain, { pageRows: 0 });
    expect([...box.querySelectorAll('.zp-sort')].map((each) => each.textContent)).toEqual(['Boat', 'Single', 'Return']);
    sorter(box, 'Return').click();
    expect(texts(box)).toEqual(['a', 'b']);
    sorter(box, 'Single').click();
    expect(texts(box)).toEqual(['b', 'a']);
  });

  it('can do nothing that was not allowed, and shows no control before the script is there', () => {
    const box = visit(boats, { sort: false, search: false, info: false, pageRows: 0 });
    expect(box.querySelectorAll('button, input').length).toBe(0);
    const framed = framedTable(boats, { id: 'p', sortable: true });
    const html = writeHtml(visitedTable(framed, boats, PLAIN_VISITOR, { id: 'p' }), 'compact');
    const still = document.createElement('div');
    still.innerHTML = html;
    expect([...still.querySelectorAll<HTMLElement>('[data-visitor] > :not(.zp-frame)')].every((each) => each.hidden)).toBeTrue();
    expect(still.querySelectorAll('tbody tr').length).toBe(4);
  });

  const NOTHING = { is: undefined, text: undefined, from: undefined, to: undefined };
  it('keeps its state in the address, beside what else stands there', () => {
    const filters: Filters = new Map([
      [0, { ...NOTHING, from: -1.5, to: 20 }],
      [2, { ...NOTHING, is: 'fog' }],
      [4, { ...NOTHING, text: '..' }],
    ]);
    const query = writeAddress('place-2', '?lang=el', { column: 2, direction: 'descending', search: 'Σκόρος & fog', page: 3, filters });
    expect(readAddress('place-2', query)).toEqual({ column: 2, direction: 'descending', search: 'Σκόρος & fog', page: 3, filters });
    expect(new URLSearchParams(query).get('lang')).toBe('el');
    expect(writeAddress('place-2', query, { search: '', page: 0, filters: new Map() })).toBe('?lang=el');
    expect(readAddress('place-2', '?place-2.sort=x,up&place-2.page=-4')).toEqual({ search: '', page: 0, filters: new Map() });
  });
});
