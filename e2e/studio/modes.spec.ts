import { Key, type WebDriver } from 'selenium-webdriver';
import { axeFindings } from '../tools/axe';
import { devTools } from '../tools/driver';
import { consoleErrors, opened } from '../tools/opened';
import type { Person } from '../tools/person';
import type { App } from '../tools/server';

/** A theme's dark, derived and adjusted, on a page that follows the visitor; another theme on it stays bright. */
describe('A theme in its modes', () => {
  let [app, driver, person]: [App, WebDriver, Person] = [undefined, undefined, undefined] as never;
  opened({ demo: true }, (all) => ({ app, driver, person } = all));
  afterEach(async () => {
    await devTools(driver, 'Emulation.setEmulatedMedia', { media: '', features: [] });
    expect(await consoleErrors(driver, /favicon/)).toEqual([]);
  });

  const post = async (address: string, body: unknown): Promise<{ readonly id: string }> => {
    const headers = { 'content-type': 'application/json' };
    const answer = await fetch(`${app.url}/api${address}`, { method: 'POST', headers, body: JSON.stringify(body) });
    expect(answer.ok).withContext(address).toBeTrue();
    return (await answer.json()) as { readonly id: string };
  };
  const scheme = (value: string, media = ''): Promise<unknown> =>
    devTools(driver, 'Emulation.setEmulatedMedia', { media, features: [{ name: 'prefers-color-scheme', value }] });
  /** What is painted behind a body cell of each table of the live page, and its text's colour. */
  const painted = (): Promise<readonly string[]> =>
    driver.executeScript(
      `return [...document.querySelectorAll('.zp-frame > table')].map((table) => {
         const cell = table.tBodies[0].rows[0].cells[1];
         return getComputedStyle(table).backgroundColor + ' ' + getComputedStyle(cell).color;
       })`,
    );
  let [reed, page] = ['', ''];

  beforeAll(async () => {
    const values = { table: { rest: { fill: 'paper' } } };
    const themeOf = (name: string, starter: string): object => ({
      format: 'zest-theme/2',
      name,
      base: { starter, version: 2 },
      swatches: [{ name: 'paper', colour: '#fbfaf4' }],
      values,
    });
    reed = (await post('/themes', themeOf('Reed', 'bands'))).id;
    const { id: sand } = await post('/themes', themeOf('Sand', 'boxed'));
    const block = (id: string, table: string, theme: string): object => ({
      id,
      kind: 'table',
      shows: { kind: 'tables', id: table },
      dress: { kind: 'themes', id: theme },
      width: 'fill',
      align: 'start',
      room: '0',
      visitor: null,
    });
    const blocks = [block('a', 'workshop-prices', reed), block('b', 'berths', sand)];
    page = (await post('/pages', { format: 'zest-page/6', name: 'Two ways', slug: 'two-ways', blocks })).id;
    await post(`/pages/${page}/publish`, { along: [] });
  });

  it('is derived dark in one action, and adjusted', async () => {
    await person.open(`${app.url}/themes/${reed}`);
    await person.click('button', 'More for this theme');
    await person.click('menuitem', 'Derive its dark from its bright');
    await person.untilText(/Swatches in the dark/);
    // A swatch and a value, in the dark alone.
    await person.click('button', /^Swatch paper,/);
    await person.fill('textbox', 'Colour', '#20242a');
    await person.press(Key.ENTER);
    await person.find('button', 'Swatch paper, #20242a');
    await person.click('gridcell', /^Ink, At rest:/);
    await person.press('#f4f1e8', Key.ENTER);
    await person.find('gridcell', /^Ink, At rest: #f4f1e8.*set here/);
    await person.untilText(/Body rows, in the dark/);
    expect(await axeFindings(driver)).toEqual([]);
    // One that cannot be read is told before the theme is published.
    await person.click('button', 'Footer');
    await person.click('gridcell', /^Ink, At rest:/);
    await person.press('#20242a', Key.ENTER);
    await person.find('gridcell', /^Ink, At rest: #20242a.*set here/);
    await person.click('button', 'Body rows');
    await person.choose('Mode', 'Bright');
    await person.find('button', 'Swatch paper, #fbfaf4');
    await person.choose('Mode', 'All, side by side');
    await person.find('region', 'The specimen in its modes');
    expect(await driver.executeScript("return [...document.querySelectorAll('zest-mode-specimens strong')].map((each) => each.textContent)")).toEqual(
      ['Bright', 'Dark'],
    );
    await person.choose('Mode', 'Bright');
    await person.gone('gridcell', /^Ink, At rest: #f4f1e8/);
    await person.untilKept();
    await person.click('button', /^Publish edition 2/);
    await person.untilText(/One live page follows this theme/);
    await person.untilText(/Footer, in the dark: [\d.]+ : 1, where 4\.5 : 1 is needed/);
    await person.click('button', 'Publish');
    await person.untilText(/Edition 2 is published/);
  });

  it('stays bright for everybody until the page says that it follows the visitor; the other theme is held bright', async () => {
    await scheme('dark');
    await person.open(`${app.url}/site/two-ways`);
    const bright = await painted();
    expect(bright.map((each) => each.split(')')[0])).toEqual(['rgb(251, 250, 244', 'rgb(251, 250, 244']);
    await scheme('light');
    await person.open(`${app.url}/pages/${page}`);
    await person.choose('Its tables in the dark', 'Are dark where the visitor has it dark');
    await person.click('button', /^Workshop prices/);
    await person.find('combobox', 'In the dark');
    await person.click('button', /^Berths at Oldquay/);
    await person.untilText(/Sand has no dark: it stays bright\. Derive one in the studio/);
    await person.choose('In the dark', 'Stays bright');
    await person.untilKept();
    await person.click('button', 'Publish page');
    await person.untilText(/The page is live at/);

    await person.open(`${app.url}/site/two-ways`);
    expect(await painted()).toEqual(bright);
    await scheme('dark');
    await person.until('the dark table', async () => ((await painted())[0] === 'rgb(32, 36, 42) rgb(244, 241, 232)' ? true : undefined));
    expect((await painted())[1]).toBe(bright[1] ?? '');
    // Paper is bright.
    await scheme('light', 'print');
    expect((await painted())[0]).toBe(bright[0] ?? '');
  });

  it('is held dark beside another of the same theme', async () => {
    await scheme('light');
    await person.open(`${app.url}/pages/${page}`);
    await person.click('button', /^Berths at Oldquay/);
    await person.choose('Theme', 'Reed');
    await person.choose('In the dark', 'Is always dark');
    await person.untilKept();
    await person.click('button', 'Publish page');
    await person.untilText(/The page is live at/);
    await person.open(`${app.url}/site/two-ways`);
    const [first = '', second = ''] = await painted();
    expect([first.startsWith('rgb(251, 250, 244)'), second]).toEqual([true, 'rgb(32, 36, 42) rgb(244, 241, 232)']);
    await scheme('light', 'print');
    expect((await painted())[1]).toBe(first);
  });

  it('goes by a class of the site, where that is how it switches', async () => {
    await scheme('light');
    await person.open(`${app.url}/pages/house`);
    await person.choose('The site’s tables in the dark', 'Go dark where the site has a mark');
    await person.fill('textbox', 'Class or attribute by which the site is dark', 'a b');
    await person.press(Key.TAB);
    await person.untilText(/is neither a class nor an attribute/);
    await person.fill('textbox', 'Class or attribute by which the site is dark', 'by-night');
    await person.press(Key.TAB);
    expect(await axeFindings(driver)).toEqual([]);
    await person.click('button', 'Use it on the site');
    await person.untilText(/its live pages have it at their next load/);
    await person.open(`${app.url}/site/two-ways`);
    const bright = await painted();
    expect(bright[0]).toContain('rgb(251, 250, 244)');
    await scheme('dark');
    expect((await painted())[0]).toBe(bright[0] ?? '');
    await driver.executeScript("document.documentElement.classList.add('by-night')");
    expect((await painted())[0]).toBe('rgb(32, 36, 42) rgb(244, 241, 232)');
    await scheme('dark', 'print');
    expect((await painted())[0]).toBe(bright[0] ?? '');
  });
});
