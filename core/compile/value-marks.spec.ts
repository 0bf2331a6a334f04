import {
  broughtValueMarks,
  gridOf,
  readTable,
  setCell,
  setExceptions,
  setValueMarks,
  tableOf,
  textOf,
  type Mark,
  type Table,
  type ValueMark,
} from '../table';
import { themeWith, viewOf } from '../tests/themes';
import { besideOf, markedNodes, tableElement, themeCss, writeCss, writeHtml } from './index';

const rating: ValueMark = { name: 'Stars', from: '', kind: 'rating', settings: { colour: 'lamp', most: '4' } };
const small: ValueMark = { name: 'Small stars', from: 'Stars', kind: 'rating', settings: { size: '0.5em' } };
const dressed = (texts: readonly string[], dressing: ValueMark, others: readonly ValueMark[] = []): Table =>
  tableOf('x', [['Name', 'Value'], ...texts.map((text, i) => [`r${i}`, text])], {
    rowHeaders: 1,
    dressings: [dressing, ...others],
    exceptions: [{ row: null, column: 1, reach: '', dressing: dressing.name, values: {} }],
  });
const html = (table: Table, row: number, column = 1): string =>
  (markedNodes(table, gridOf(table).at(row, column)) ?? []).map((node) => writeHtml(node, 'compact')).join('');
const css = (table: Table): string => writeCss(themeCss(viewOf(themeWith({})), { key: 'x', beside: besideOf([table]) }), 'compact');

describe('Value marks', () => {
  it('show a rating as a share of its shapes, said in words, and what is none as it stands', () => {
    const table = dressed(['3', '2.5', '9', 'new', ''], rating);
    expect(html(table, 1)).toMatch(/<svg class="zp-d-\w+" role="img" aria-label="3 of 4" .*<rect width="75" height="1">/);
    expect(html(table, 2)).toContain('width="62.5"');
    expect(html(table, 3)).toContain('aria-label="9 of 4"');
    expect(html(table, 3)).toContain('width="100"');
    expect(html(table, 4)).toBe('');
    expect(writeHtml(tableElement(table, { id: 't' }), 'compact')).toContain('>new</td>');
    expect(html(table, 0)).toBe('');
    expect(css(table)).toMatch(/:where\(\.zp-d-\w+\)\{width:calc\(1em \* 4\)[^}]*fill:var\(--zp-lamp\);mask:url\(/);
  });
  it('take a greatest value with a comma as one with a point', () => {
    const table = dressed(['4,5', '1,8'], { ...rating, settings: { ...rating.settings, most: '4,5' } });
    expect(html(table, 1)).toContain('width="100"');
    expect(html(table, 2)).toContain('width="40"');
    expect(html(table, 2)).toContain('of 4.5"');
    expect(css(table)).toContain('width:calc(1em * 5)');
  });
  it('are built from one another, and follow what they are built from', () => {
    const table = dressed(['3'], small, [rating]);
    expect(html(table, 1)).toContain('aria-label="3 of 4"');
    expect(css(table)).toContain('width:calc(0.5em * 4)');
    const changed = { ...table, dressings: [small, { ...rating, settings: { ...rating.settings, most: '6' } }] };
    expect(html(changed, 1)).toContain('aria-label="3 of 6"');
    expect(
      readTable({
        ...table,
        dressings: [
          { ...small, from: 'Stars' },
          { ...rating, from: 'Small stars' },
        ],
      }).ok,
    ).toBe(false);
  });
  it('colour a value by what it says', () => {
    const table = dressed(['Open', 'shut'], { name: 'State', from: '', kind: 'tag', settings: { colours: 'open = mist; late=deep' } });
    expect(html(table, 1)).toMatch(/^<span class="zp-d-\w+ zp-v-0">Open<\/span>$/);
    expect(html(table, 2)).toMatch(/^<span class="zp-d-\w+">shut<\/span>$/);
    expect(css(table)).toMatch(/\.zp-v-1\)\{background:var\(--zp-deep\)/);
  });
  it('read yes and no in words, and say them', () => {
    const table = dressed(['ja', 'no', 'perhaps'], { name: 'Ticks', from: '', kind: 'yes-no', settings: {} });
    expect(html(table, 1)).toMatch(/role="img" aria-label="ja"/);
    expect(html(table, 2)).toContain('zp-no');
    expect(html(table, 3)).toBe('');
  });
  it('show pictures of their own server only, and lead nowhere that runs', () => {
    const picture: ValueMark = { name: 'Views', from: '', kind: 'picture', settings: {} };
    const pictures = dressed(['/pictures/a1.jpg', 'https://elsewhere.example/a.jpg', '//elsewhere.example/a.jpg', 'javascript:x.png'], picture);
    expect(html(pictures, 1)).toContain('src="/pictures/a1.jpg" alt="r0"');
    expect([2, 3, 4].map((row) => html(pictures, row))).toEqual(['', '', '']);
    const to = (link: string): string => html(dressed(['Book "now"'], { name: 'b', from: '', kind: 'button', settings: { link } }), 1);
    expect(to('/book?boat={value}')).toContain('href="/book?boat=Book%20%22now%22"');
    expect(to('javascript:alert(1)')).not.toContain('href');
  });
  it('show a person by initials of any script, or by a picture', () => {
    const table = dressed(['Νίκη Αλεξίου', 'Ada Lovell\n/pictures/ada.png', 'ليلى'], { name: 'People', from: '', kind: 'person', settings: {} });
    expect(html(table, 1)).toContain('<span aria-hidden="true">ΝΑ</span>Νίκη Αλεξίου');
    expect(html(table, 2)).toContain('<img src="/pictures/ada.png" alt loading="lazy">Ada Lovell');
    expect(html(table, 3)).toContain('>ل</span>');
  });
  it('lead where their cell’s own link does, and keep what is marked in it', () => {
    const button: ValueMark = { name: 'b', from: '', kind: 'button', settings: { link: '/all' } };
    const table = dressed(['Book now', 'Book', 'Bad'], button);
    const withMarks = (row: number, marks: readonly Mark[]): string => {
      const cell = { text: textOf(table.rows[row]?.[1]), marks };
      return html({ ...table, rows: table.rows.with(row, (table.rows[row] ?? []).with(1, cell)) }, row);
    };
    const bold = { from: 0, to: 4, kind: 'bold' as const };
    expect(withMarks(1, [{ from: 0, to: 8, kind: 'link', href: '/tern' }, bold])).toMatch(
      /^<a class="zp-button zp-d-\w+" href="\/tern"><strong>Book<\/strong> now<\/a>$/,
    );
    expect(withMarks(2, [bold])).toMatch(/href="\/all"><strong>Book<\/strong><\/a>$/);
    expect(withMarks(3, [{ from: 0, to: 3, kind: 'link', href: 'javascript:x' }])).not.toContain('javascript');
  });
  it('take a person’s picture from a column by its name, which it follows', () => {
    const person: ValueMark = { name: 'p', from: '', kind: 'person', settings: { picture: 'face' } };
    const table: Table = {
      ...tableOf('x', [
        ['Boat', 'Skipper', 'Face'],
        ['Tern', 'Ada Lovell', '/pictures/ada.png'],
        ['Gull', 'Νίκη', 'https://elsewhere.example/a.png'],
      ]),
      dressings: [person],
      exceptions: [{ row: null, column: 1, reach: '', dressing: 'p', values: {} }],
    };
    expect(html(table, 1)).toContain('<img src="/pictures/ada.png" alt loading="lazy">Ada Lovell');
    expect(html(table, 2)).toContain('<span aria-hidden="true">Ν</span>');
    const renamed = setCell(table, 0, 2, 'Portrait');
    expect(renamed.dressings[0]?.settings.picture).toBe('Portrait');
    expect(html(renamed, 1)).toContain('/pictures/ada.png');
  });
  it('are taken to another table with what they are built from, once, under free names', () => {
    const base: ValueMark = { name: 'Stars', from: '', kind: 'rating', settings: { most: '10' } };
    const grown: ValueMark = { name: 'Small', from: 'Stars', kind: 'rating', settings: { size: '8px' } };
    const mine: ValueMark = { name: 'Stars', from: '', kind: 'rating', settings: {} };
    expect(broughtValueMarks([mine], [base, grown])).toEqual([
      { ...base, name: 'Stars 2' },
      { ...grown, from: 'Stars 2' },
    ]);
    expect(broughtValueMarks([base], [base, grown])).toEqual([grown]);
    expect(broughtValueMarks([base, grown], [base, grown])).toEqual([]);
    const many = Array.from({ length: 99 }, (_, i): ValueMark => ({ ...base, name: `M${i}` }));
    expect(broughtValueMarks(many, [base, grown]).length).toBe(1);
  });
  it('escape what is typed', () => {
    const table = dressed(['<img src=x onerror=alert(1)>'], { name: 'T', from: '', kind: 'tag', settings: {} });
    expect(html(table, 1)).toContain('&lt;img src=x');
  });
  it('are renamed where they are worn, and leave values plain where they are deleted', () => {
    const table = dressed(['3'], small, [rating]);
    const renamed = setValueMarks(table, [{ ...small, name: 'Tiny' }, rating], new Map([['Small stars', 'Tiny']]));
    expect(renamed.exceptions[0]?.dressing).toBe('Tiny');
    const without = setValueMarks(table, [small], new Map());
    expect(without.dressings[0]?.from).toBe('');
    expect(setValueMarks(table, [rating], new Map()).exceptions).toEqual([]);
    const gone = { ...table, dressings: [rating] };
    expect(html(gone, 1)).toBe('');
  });
  it('of a cell are stronger than those of its row, and these than those of its column', () => {
    const tag: ValueMark = { name: 'T', from: '', kind: 'tag', settings: {} };
    const table = setExceptions(dressed(['3', '3'], rating, [tag]), [{ row: 2, column: 1 }], (each) => ({ ...each, dressing: 'T' }));
    expect(html(table, 1)).toContain('<svg');
    expect(html(table, 2)).toContain('<span');
  });
});
