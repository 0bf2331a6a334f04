import { Key, type WebDriver } from 'selenium-webdriver';
import { consoleErrors, opened } from '../tools/opened';
import { printed, type Sheet } from '../tools/paper';
import type { Person } from '../tools/person';
import type { App } from '../tools/server';

const OFF = { filter: false, sizes: false, choose: false, columns: false, rowLink: false, header: false, totals: false, address: false };
const VISITOR = { ...OFF, sort: true, search: true, info: true, pageRows: 20, unsorted: [], first: null, language: 'en', wording: {} };

/** Live pages on paper: read from the PDF that the browser prints. */
describe('A live page on paper', () => {
  let [app, driver, person]: [App, WebDriver, Person] = [undefined, undefined, undefined] as never;
  opened({}, (all) => ({ app, driver, person } = all));
  afterEach(async () => expect(await consoleErrors(driver, /favicon/)).toEqual([]));

  const post = async (address: string, body: unknown): Promise<{ readonly id: string }> => {
    const headers = { 'content-type': 'application/json' };
    const answer = await fetch(`${app.url}/api${address}`, { method: 'POST', headers, body: JSON.stringify(body) });
    if (!answer.ok) throw new Error(`${address}: ${await answer.text()}`);
    return (await answer.json()) as { readonly id: string };
  };
  const themed = (name: string, table: object): Promise<{ readonly id: string }> =>
    post('/themes', {
      format: 'zest-theme/2',
      name,
      base: { starter: 'hairline', version: 3 },
      swatches: [],
      values: { table: { rest: table } },
      modes: [{ name: 'print', values: { 'body-rows': { rest: { size: '11px' } } } }],
    });
  const tabled = (name: string, rows: readonly (readonly string[])[], more: object = {}): Promise<{ readonly id: string }> =>
    post('/tables', {
      format: 'zest-table/2',
      name,
      caption: name,
      rows,
      headerRows: 1,
      rowHeaders: 1,
      footerRows: 0,
      merges: [],
      description: '',
      theme: '',
      ...more,
    });
  const publish = async (slug: string, table: string, theme: string, visitor: object | null = null): Promise<void> => {
    const block = { id: 'a', kind: 'table', shows: { kind: 'tables', id: table }, dress: { kind: 'themes', id: theme } };
    const blocks = [{ ...block, width: 'content', align: 'start', room: '8px 0', visitor }];
    const { id } = await post('/pages', { format: 'zest-page/6', name: slug, slug, blocks });
    await post(`/pages/${id}/publish`, { along: [] });
    await person.open(`${app.url}/site/${slug}`);
  };
  const textsOf = (sheets: readonly Sheet[]): readonly string[] => sheets.flatMap(({ texts }) => texts.map(({ text }) => text));
  /** Nothing reaches over a sheet's edge. */
  const areWhole = (sheets: readonly Sheet[]): void => {
    for (const { width, texts } of sheets)
      for (const each of texts)
        expect(each.x + each.width)
          .withContext(each.text)
          .toBeLessThanOrEqual(width - 20);
  };

  it('has all found rows of a table in pages, as they are sorted, the header on each sheet, no row in two, and the footer once', async () => {
    const rows = Array.from({ length: 300 }, (_, i) => [
      `Sailing ${i + 1}`,
      i % 3 === 0 ? 'Oldquay, by way of the outer skerries and back before the tide turns, weather allowing' : 'Fenmouth',
      `${(i * 37) % 300}`,
    ]);
    const { id: table } = await tabled('Sailings', [['Sailing', 'Course', 'Berths'], ...rows, ['All', 'end', '1']], { footerRows: 1 });
    const { id: theme } = await themed('On paper', { radius: '12px', opacity: '95%' });
    await publish('sailings', table, theme, VISITOR);
    await person.click('button', 'Berths');
    await person.fill('searchbox', 'Search', 'Fenmouth');
    await person.untilText(/20 of 200/);
    const sheets = await printed(driver);
    expect(sheets.length).toBeGreaterThan(2);
    for (const { texts } of sheets) expect(texts.filter(({ text }) => text === 'Course').length).toBe(1);
    const berths = rows.filter(([, course]) => course === 'Fenmouth').map(([, , count]) => Number(count));
    const seen = sheets.flatMap(({ texts }) => texts.filter(({ text, x }) => /^\d+$/.test(text) && x > 100).map(({ text }) => Number(text)));
    expect(seen.slice(0, 200)).toEqual(berths.toSorted((a, b) => a - b));
    expect(textsOf(sheets).filter((text) => text === 'All').length).toBe(1);
    areWhole(sheets);
    // What is shown is as it was.
    await person.untilText(/20 of 200/);
    expect(await driver.executeScript("return document.querySelectorAll('tbody tr:not([hidden])').length")).toBe(20);
    // All rows, those with texts of several lines too: each is whole on its sheet.
    await person.fill('searchbox', 'Search', '');
    await person.untilText(/20 of 300/);
    const all = await printed(driver);
    const sailings = all.map(({ texts }) => texts.filter(({ text }) => text.startsWith('Sailing ')).map(({ text }) => text));
    expect(sailings.flat().length).toBe(300);
    for (const { texts } of all) expect(texts.filter(({ text }) => text === 'by way').length).toBe(0);
    areWhole(all);
  });

  const wide = (columns: number): readonly (readonly string[])[] => {
    const line = (text: string, name: string): readonly string[] => [name, ...Array.from({ length: columns }, (_, i) => `${text}${i + 1}`)];
    return [line('Lighthousekeeper', 'Month'), ...['January', 'February', 'March'].map((month) => line(`${month}-Measurement`, month))];
  };

  it('makes a table smaller that is wider than the sheet, down to what the theme says; beyond that its words break', async () => {
    const { id: theme } = await themed('Small', { smallest: '70%' });
    const { id: some } = await tabled('Some wide', wide(5));
    await publish('some-wide', some, theme);
    const [sheet] = await printed(driver);
    const heights = sheet?.texts.filter(({ text }) => text.includes('Measurement')).map(({ height }) => height) ?? [];
    expect(heights.length).toBe(15);
    const { id: many } = await tabled('Many wide', wide(14));
    await publish('many-wide', many, theme);
    const broken = await printed(driver);
    areWhole(broken);
    // 11 px are 8.25 points.
    const least = Math.min(...broken.flatMap(({ texts }) => texts.filter(({ text }) => /Mea|Janu/.test(text)).map(({ height }) => height)));
    expect(Math.round(least * 100) / 100).toBeCloseTo(8.25 * 0.7, 0);
    expect(heights.every((height) => height < 8.25 && height > 8.25 * 0.69)).toBeTrue();
  });

  it('lays a wide table over several sheets with its row headers on each, across, and takes them away again', async () => {
    const { id: theme } = await themed('Laid', { 'too-wide': 'over several sheets', sheet: 'across', smallest: '100%' });
    const { id: table } = await tabled('Laid over', wide(14));
    await publish('laid-over', table, theme);
    const sheets = await printed(driver);
    const parts = sheets.flatMap(({ width, height, texts }) => (texts.some(({ text }) => text === 'Month') ? [{ width, height, texts }] : []));
    expect(parts.length).toBeGreaterThan(0);
    for (const { width, height } of parts) expect(width).toBeGreaterThan(height);
    const texts = textsOf(sheets);
    const laid = texts.filter((text) => text === 'Month').length;
    expect(laid).toBeGreaterThan(1);
    expect(texts.filter((text) => text === 'February').length).toBe(laid);
    for (let i = 1; i <= 14; i++)
      expect(texts.filter((text) => text === `March-Measurement${i}`).length)
        .withContext(`${i}`)
        .toBe(1);
    expect(texts.filter((text) => text.includes(`(1/${laid})`)).length).toBe(1);
    areWhole(sheets);
    expect(
      await driver.executeScript("return [document.querySelectorAll('table').length, document.querySelector('table').checkVisibility()]"),
    ).toEqual([1, true]);
  });

  it('says where links lead, and repeats the footer, where the theme wishes it', async () => {
    const { id: theme } = await themed('Links', { repeats: 'header and footer', fill: '#101820', ink: '#ffffff' });
    // One action saves ink; a value of paper is set as any other.
    await person.open(`${app.url}/themes/${theme}`);
    await person.click('button', 'More for this theme');
    await person.click('menuitem', 'Save ink in print');
    await person.untilText(/Swatches in print/);
    await person.click('button', 'Whole table');
    await person.click('gridcell', /^Addresses of links, At rest/);
    await person.press('on', Key.ENTER);
    await person.find('gridcell', /^Addresses of links, At rest: on.*set here/);
    await person.untilKept();
    const rows = Array.from({ length: 120 }, (_, i) => [`Boat ${i}`, 'ready']);
    const { id: table } = await tabled('Boats', [['Boat', 'State'], ['Tern', 'x'], ...rows, ['Fleet', 'whole']], { footerRows: 1 });
    const held = (await (await fetch(`${app.url}/api/tables/${table}`)).json()) as {
      readonly revision: number;
      readonly document: { rows: unknown[][] };
    };
    const cells = held.document.rows.map((row, i) =>
      i === 1 ? [row[0], { text: 'Board', marks: [{ from: 0, to: 5, kind: 'link', href: 'https://oldquay.example/board' }] }] : row,
    );
    const saved = await fetch(`${app.url}/api/tables/${table}`, {
      method: 'PUT',
      headers: { 'content-type': 'application/json', 'if-match': `"${held.revision}"` },
      body: JSON.stringify({ ...held.document, rows: cells }),
    });
    expect(saved.status).toBe(200);
    await publish('boats', table, theme);
    const sheets = await printed(driver);
    expect(textsOf(sheets).join(' ')).toContain('https://oldquay.example/board');
    expect(sheets.length).toBeGreaterThan(1);
    for (const { texts } of sheets) expect(texts.filter(({ text }) => text === 'Fleet').length).toBe(1);
  });
});
