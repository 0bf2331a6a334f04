import { gridOf, setValueMarks, setExceptions, tableOf, readTable, type ValueMark, type Table } from '../table';
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
