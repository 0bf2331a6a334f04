import { PLAIN_FORMAT } from '../data-types';
import { emptyBlock, emptyPage, readPage, type Page } from '../page';
import { PLAIN_COLUMN, cellOf, readTable, tableOf, type Table } from '../table';
import { compilePage, framedTable, tableElement, writeHtml } from './index';

const crossings = (given: Partial<Table> = {}): Table =>
  tableOf(
    'Crossings',
    [
      ['Boat', 'القارب'],
      ['Moth', 'العثة'],
      ['Wick', cellOf('الفتيل', [{ from: 0, to: 6, kind: 'bold' }])],
    ],
    given,
  );
const framed = (table: Table): string => writeHtml(framedTable(table, { id: 't' }), 'compact');

describe('Language and direction in the markup (HTML Standard, 3.2.6)', () => {
  it('are the frame’s, so that what scrolls begins where its texts do; a table without one says nothing', () => {
    expect(framed(crossings({ language: 'ar' }))).toMatch(/^<div class="zp-frame" role="region" lang="ar" dir="rtl"/);
    expect(framed(crossings({ language: 'de-CH' }))).toContain('lang="de-CH" dir="ltr"');
    expect(framed(crossings())).not.toMatch(/lang=|dir=/);
    expect(writeHtml(tableElement(crossings({ language: 'he' }), { id: 't' }), 'compact')).toContain('<table lang="he" dir="rtl"');
    expect(framed(crossings({ language: 'ar' })).match(/dir=/g)?.length).toBe(1);
  });
  it('are those of a column on its body cells, whose lines stay on their sides', () => {
    const html = framed(crossings({ columns: [PLAIN_COLUMN, { ...PLAIN_COLUMN, language: 'ar' }] }));
    expect(html).toContain('<td><span lang="ar" dir="rtl">العثة</span></td>');
    expect(html).toContain('<td><strong><span lang="ar" dir="rtl">الفتيل</span></strong></td>');
    expect(html).toContain('<th scope="col">القارب</th>');
    expect(html).not.toMatch(/<t[dh][^>]*(?:lang|dir)=/);
  });
  it('are those of a stretch, and of a cell rather than of its column', () => {
    const cell = cellOf('Nachtfähre', [{ from: 0, to: 10, kind: 'language', href: 'de' }]);
    const html = framed(tableOf('x', [['A'], [cell]], { columns: [{ ...PLAIN_COLUMN, language: 'ar' }] }));
    expect(html).toContain('<td><span lang="de" dir="ltr">Nachtfähre</span></td>');
    expect(html).not.toContain('"ar"');
  });
  it('are the page’s', () => {
    const page = (given: Partial<Page>): string =>
      writeHtml(
        compilePage({ page: { ...emptyPage('P', 'p'), ...given }, tables: new Map(), themes: new Map() }, { siteName: '', stylesheet: '' }).html,
        'compact',
      );
    expect(page({})).toMatch(/^<html lang="en">/);
    expect(page({ language: 'ar' })).toMatch(/^<html lang="ar" dir="rtl">/);
    expect(page({ language: 'el' })).toMatch(/^<html lang="el" dir="ltr">/);
  });
  it('are read where they are languages', () => {
    const problems = (language: unknown): readonly string[] => {
      const table = readTable({ ...crossings(), columns: [PLAIN_COLUMN, { ...PLAIN_COLUMN, language }] });
      const page = readPage({ ...emptyPage('P', 'p'), language, blocks: [emptyBlock('heading', 'a')] });
      return [table, page].flatMap((read) => (read.ok ? [] : read.problems.map(({ say }) => say)));
    };
    expect(problems('ar-EG')).toEqual([]);
    expect(problems('no language').length).toBe(2);
    expect(problems('"><script>').length).toBe(2);
    const marked = (href?: string): boolean =>
      readTable(tableOf('x', [[{ text: 'ab', marks: [{ from: 0, to: 1, kind: 'language', ...(href === undefined ? {} : { href }) }] }]])).ok;
    expect([marked('de'), marked('no language'), marked()]).toEqual([true, false, false]);
  });
  it('write what a column shows in a format', () => {
    const columns = [{ ...PLAIN_COLUMN, type: 'number' as const, language: 'de', format: PLAIN_FORMAT }];
    expect(framed(tableOf('x', [['N'], ['1234.5']], { columns }))).toContain('1.234,5');
  });
});
