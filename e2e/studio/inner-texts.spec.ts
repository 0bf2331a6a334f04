import { Key, type WebDriver } from 'selenium-webdriver';
import { axeFindings } from '../tools/axe';
import { devTools } from '../tools/driver';
import { consoleErrors, opened } from '../tools/opened';
import type { Person } from '../tools/person';
import type { App } from '../tools/server';

const NOTE = 'Boats over twelve metres lie outside of the pier, and are asked to call the harbour master before they come in at night or in fog.';

/** Headings that are turned, texts that are cut and open, a line of the focus, rows with a line around them, and a frame around a column. */
describe('What stands in and around cells', () => {
  let [app, driver, person]: [App, WebDriver, Person] = [undefined, undefined, undefined] as never;
  opened({ demo: true }, (all) => ({ app, driver, person } = all));
  afterEach(async () => {
    await devTools(driver, 'Emulation.setEmulatedMedia', { media: '', features: [] });
    expect(await consoleErrors(driver, /favicon/)).toEqual([]);
  });
  let [page, theme, table] = ['', '', ''];
  const post = async (address: string, body?: unknown): Promise<string> => {
    const headers = { 'content-type': 'application/json' };
    const answer = await fetch(`${app.url}/api${address}`, {
      method: 'POST',
      headers,
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
    });
    expect(answer.ok).withContext(address).toBeTrue();
    return ((await answer.json()) as { id: string }).id;
  };
  beforeAll(async () => {
    const base = { starter: 'hairline', version: 3 };
    theme = await post('/themes', { format: 'zest-theme/2', name: 'Quay', base, swatches: [{ name: 'lamp', colour: '#b8470a' }], values: {} });
    const rows = [
      ['Harbour', 'Electricity', 'Fresh water', 'Notes'],
      ['Skerrin', 'yes', 'no', NOTE],
      ['Tarn Isle', 'no', 'yes', 'Short'],
      ['Oldquay', 'yes', 'yes', 'Dries out'],
    ];
    const head = { format: 'zest-table/2', name: 'Quays', caption: 'Quays', description: '', headerRows: 1, rowHeaders: 1, footerRows: 0 };
    table = await post('/tables', { ...head, rows, merges: [], theme });
    const visitor = { sort: true, search: false, filter: false, info: false, sizes: false, choose: false, columns: false, rowLink: false };
    const more = { header: false, totals: false, address: false, pageRows: 0, unsorted: [], first: null, language: 'en', wording: {} };
    const block = { id: 'a', kind: 'table', shows: { kind: 'tables', id: table }, dress: { kind: 'themes', id: theme } };
    const blocks = [{ ...block, width: '520px', align: 'start', room: '0', visitor: { ...visitor, ...more } }];
    page = await post('/pages', { format: 'zest-page/6', name: 'Quays', slug: 'quays', blocks });
    await person.open(`${app.url}/themes/${theme}`);
  });

  const set = async (part: string, cell: RegExp, text: string): Promise<void> => {
    await person.click('button', part);
    await person.click('gridcell', cell);
    await person.press(text, Key.ENTER);
  };

  it('is set in the ledger: turned headings, two lines of a text, the line of the focus, and one around a row', async () => {
    await set('Column headers', /^Text runs, At rest:/, 'up');
    await set('Corner', /^Text runs, At rest:/, 'across');
    await set('Column headers', /^Line of the focus, Focused:/, '3px solid lamp');
    await set('Column headers', /^Stands off by, Focused:/, '-3px');
    await set('Body rows', /^Line around a row, Hovered:/, '2px solid lamp');
    await set('Body rows', /^Lines shown, At rest:/, '2.5');
    await person.untilText(/“2\.5” is no number of lines\.\s*Write a whole number, as in 3; or all\./);
    await set('Body rows', /^Lines shown, At rest:/, '2');
    await person.find('gridcell', /^Lines shown, At rest: 2.*set here/);
    await person.untilKept();
  });

  it('is put around a column of the table, from its header to its end', async () => {
    await person.open(`${app.url}/tables/${table}`);
    await person.click('cell', 'no');
    await person.click('button', 'Look');
    await person.click('button', 'Column 3');
    await person.fill('combobox', 'Frame around it', '2px solid lamp');
    await person.press(Key.TAB);
    await person.fill('combobox', 'Corners of the frame', '6px');
    await person.press(Key.TAB);
    await person.click('checkbox', 'In its header too');
    const top = async (): Promise<string> => person.style(await person.find('columnheader', 'Fresh water'), 'border-top-width');
    await person.until('the frame’s top', async () => ((await top()) === '2px' ? true : undefined));
    expect(await axeFindings(driver, { stylesheets: false })).toEqual([]);
    // One row or one cell has none: it is not offered there.
    await person.click('button', 'This cell');
    await person.gone('combobox', 'Frame around it');
    await person.untilKept();
    await post(`/pages/${page}/publish`);
  });

  const ask = <T>(script: string): Promise<T> => driver.executeScript<T>(`const table = document.querySelector('.zp-frame table'); ${script}`);
  const note = (): Promise<number> => ask('return table.querySelector("summary").getBoundingClientRect().height');

  it('is seen on the live page: by the keyboard alone a text opens, and sorting shows where the focus is', async () => {
    await person.open(`${app.url}/site/quays`);
    await person.until('the script', async () => (await ask<boolean>('return Boolean(table.querySelector(".zp-sort"))')) || undefined);
    expect(
      await ask<boolean>('const { width, height } = table.querySelectorAll(".zp-reads")[1].getBoundingClientRect(); return height > 2 * width'),
    ).toBeTrue();
    expect(
      await ask<boolean>('const { width, height } = table.querySelector(".zp-reads").getBoundingClientRect(); return height < width'),
    ).toBeTrue();
    const before = await note();
    await ask('table.querySelector("summary").focus()');
    await person.press(Key.ENTER);
    await person.until('the whole text', async () => ((await note()) > before * 1.3 ? true : undefined));
    await person.press(Key.ENTER);
    await person.until('the cut text', async () => ((await note()) === before ? true : undefined));
    expect(await ask<number>('return table.querySelectorAll("summary").length')).toBe(1);
    expect(await axeFindings(driver)).toEqual([]);
    await ask('document.activeElement.blur(); table.tHead.rows[0].cells[1].querySelector(".zp-sort").focus({ focusVisible: true })');
    const line = (): Promise<string> =>
      ask(
        'const cell = table.tHead.rows[0].cells[1]; const of = (each) => getComputedStyle(each).outlineStyle; return `${of(cell)} ${of(cell.querySelector(".zp-sort"))}`',
      );
    await person.press(Key.ENTER);
    await person.until('one line, around the cell', async () => ((await line()) === 'solid none' ? true : undefined));
    expect(await ask<string>('return table.tHead.rows[0].cells[1].getAttribute("aria-sort")')).toBe('ascending');
    // Sorted otherwise, another row is the last, and closes the frame.
    expect(await ask<string>('return getComputedStyle(table.tBodies[0].lastElementChild.cells[2]).borderBottomWidth')).toBe('2px');
    expect(
      await ask<string>('return [...table.tBodies[0].rows].map((row) => parseFloat(getComputedStyle(row.cells[2]).borderBottomWidth)).join()'),
    ).toMatch(/^0,0,2$/);
  });

  it('is whole on paper', async () => {
    const screen = await note();
    await devTools(driver, 'Emulation.setEmulatedMedia', { media: 'print', features: [] });
    expect(await note()).toBeGreaterThan(screen * 1.4);
  });
});
