import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { Key, type WebDriver, type WebElement } from 'selenium-webdriver';
import { axeFindings } from '../tools/axe';
import { devTools } from '../tools/driver';
import { consoleErrors, opened } from '../tools/opened';
import type { Person } from '../tools/person';
import { startApp, type App } from '../tools/server';

/** A brand's base and three themes that grow from it, on two pages that follow and one that is held. */
describe('Themes that grow from a theme', () => {
  let [app, driver, person]: [App, WebDriver, Person] = [undefined, undefined, undefined] as never;
  opened({ demo: true }, (all) => ({ app, driver, person } = all));
  afterEach(async () => expect(await consoleErrors(driver, /favicon|409|api\/changes/)).toEqual([]));

  type Kept = { readonly id: string; readonly document: { readonly name: string; readonly base: { readonly theme?: string } } };
  const send = async <T>(method: string, address: string, body?: unknown): Promise<T> => {
    const headers = { 'content-type': 'application/json' };
    const answer = await fetch(`${app.url}/api${address}`, { method, headers, ...(body === undefined ? {} : { body: JSON.stringify(body) }) });
    expect(answer.ok).withContext(`${method} ${address}: ${answer.status}`).toBeTrue();
    return (await answer.json()) as T;
  };
  const swatch = (colour: string): object => ({ name: 'brand', colour });
  const themeOf = (name: string, base: object, values: object, swatches: readonly object[] = []): object => ({
    format: 'zest-theme/2',
    name,
    base,
    swatches,
    values,
  });
  const css = async (slug: string): Promise<string> => (await fetch(`${app.url}/site/${slug}.css`)).text();
  const addressOf = async (): Promise<string> => (await driver.getCurrentUrl()).replace(/\?.*/, '');
  let brand = '';
  let grown: readonly Kept[] = [];

  beforeAll(async () => {
    const values = { 'column-headers': { rest: { fill: 'brand', ink: '#ffffff' } } };
    brand = (await send<Kept>('POST', '/themes', themeOf('Brand', { starter: 'hairline', version: 3 }, values, [swatch('#7a1f5c')]))).id;
    const own = [{ weight: '800' }, { case: 'uppercase' }, { size: '18px' }];
    grown = await Promise.all(
      ['Spring', 'Autumn', 'Winter'].map((name, i) =>
        send<Kept>('POST', '/themes', themeOf(name, { theme: brand }, { 'column-headers': { rest: own[i] } })),
      ),
    );
    for (const { id } of grown) await send('POST', `/themes/${id}/editions`, { hold: [] });
    const table = { kind: 'tables', id: 'workshop-prices' };
    for (const [i, slug] of ['spring', 'autumn', 'winter'].entries()) {
      const block = {
        id: 'a',
        kind: 'table',
        shows: table,
        dress: { kind: 'themes', id: grown[i]?.id },
        width: 'fill',
        align: 'start',
        room: '0',
        visitor: null,
      };
      const page = { format: 'zest-page/6', name: slug[0]?.toUpperCase() + slug.slice(1), slug, blocks: [block] };
      const { id } = await send<Kept>('POST', '/pages', page);
      await send('POST', `/pages/${id}/publish`, { along: [] });
    }
  });

  it('are seen as a family, and each leads to what it grows from', async () => {
    await person.open(`${app.url}/themes`);
    await person.click('button', '3 themes grow from it');
    await person.gone('link', 'Harbour dusk');
    for (const name of ['Brand', 'Spring', 'Autumn', 'Winter']) await person.find('link', name);
    expect(await axeFindings(driver)).toEqual([]);
    await person.click('link', 'Winter');
    await person.find('button', /^Publish edition 2/);
    expect(await axeFindings(driver)).toEqual([]);
    // A value from below leads to its place there.
    await person.click('link', 'Brand');
    await person.untilText(/grows from Hairline/);
    expect(await addressOf()).toBe(`${app.url}/themes/${brand}`);
    await driver.navigate().back();
    await person.untilText(/grows from Brand/);
  });

  it('follow a colour that is changed once: in the tool at once, on live pages when it is published, and one page stays', async () => {
    for (const slug of ['spring', 'autumn', 'winter'])
      expect(await css(slug))
        .withContext(slug)
        .toContain('#7a1f5c');
    await person.open(`${app.url}/themes/${brand}`);
    await person.click('button', /^Swatch brand,/);
    await person.fill('textbox', 'Colour', '#0b6e4f');
    await person.press(Key.ENTER);
    await person.untilKept();
    // A theme that grows from it has the colour without having been opened.
    await person.open(`${app.url}/themes/${grown[0]?.id}`);
    await person.find('button', /^Swatch brand, #0b6e4f/);
    expect(await css('spring')).toContain('#7a1f5c');
    await person.open(`${app.url}/themes/${brand}`);
    await person.click('button', /^Publish edition 2/);
    await person.untilText(/3 live pages follow this theme/);
    for (const name of ['Spring', 'Autumn', 'Winter']) await person.find('heading', name);
    await person.click('checkbox', /^Winter stays as it is/);
    await person.untilText(/1 will stay as it is now/);
    expect(await axeFindings(driver)).toEqual([]);
    await person.click('button', 'Publish');
    await person.untilText(/Edition 2 is published/);
    expect(await css('spring')).toContain('#0b6e4f');
    expect(await css('autumn')).toContain('#0b6e4f');
    expect(await css('winter')).toContain('#7a1f5c');
  });

  it('say what their next edition stands on, where that has changed', async () => {
    const { revision, document } = await send<{ readonly revision: number; readonly document: object }>('GET', `/themes/${brand}`);
    const headers = { 'content-type': 'application/json', 'if-match': `"${revision}"` };
    await fetch(`${app.url}/api/themes/${brand}`, { method: 'PUT', headers, body: JSON.stringify({ ...document, swatches: [swatch('#123456')] }) });
    await person.open(`${app.url}/themes/${grown[0]?.id}`);
    await person.click('button', /^Publish edition/);
    await person.untilText(/It grows from “Brand”, which has changed since its edition 2: live pages show it on that/);
    await person.click('button', 'Not now');
    await person.gone('dialog', /^Publish/);
    await person.click('button', 'Compare');
    await person.untilText(/Edition 2, .*, on edition 2 of Brand/);
    await person.click('button', 'Close');
  });

  it('are given another ground, once it was seen what changes; from what grows from them they cannot grow', async () => {
    await person.open(`${app.url}/themes/${brand}`);
    await person.click('button', 'More for this theme');
    await person.click('menuitem', 'Let it grow from another');
    const field = await person.find('combobox', 'Grows from');
    expect(await field.getText()).toContain('Winter (grows from Brand)');
    expect(await driver.executeScript('return [...arguments[0].options].find((each) => each.text.includes("Winter")).disabled', field)).toBeTrue();
    await person.choose('Grows from', 'Pebble');
    await person.find('table', 'What looks otherwise');
    expect(await axeFindings(driver)).toEqual([]);
    await person.click('button', 'Let it grow from Pebble');
    await person.untilText(/grows from Pebble/);
    await person.click('button', /^Undo/);
    await person.untilText(/grows from Hairline/);
    await person.untilKept();
  });

  it('are detached, and look as before', async () => {
    await person.open(`${app.url}/themes/${grown[2]?.id}`);
    await person.click('button', 'More for this theme');
    await person.click('menuitem', 'Detach it from Brand');
    await person.untilText(/Nothing looks otherwise\. 3 values, swatches and pictures of “Brand” become its own/);
    await person.click('button', 'Detach it');
    await person.untilText(/grows from Hairline/);
    await person.find('button', /^Swatch brand, #123456/);
    await person.untilKept();
    // What still grows from the brand keeps it.
    await person.open(`${app.url}/themes`);
    await person.click('button', 'More for Brand');
    await person.click('menuitem', 'Delete');
    await person.untilText(/“Autumn”, “Spring” grow from it\. Detach them in the studio first/);
    await person.find('link', 'Brand');
  });

  it('are grown from the studio and the library, and carried away with what they grow from', async () => {
    await person.open(`${app.url}/themes/${grown[0]?.id}`);
    await person.click('button', 'More for this theme');
    await person.click('menuitem', 'Grow a theme from it');
    await person.untilText(/Spring, grown/);
    await person.untilText(/grows from Spring/);
    const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'zest-grown-'));
    const empty = await startApp();
    try {
      await devTools(driver, 'Browser.setDownloadBehavior', { behavior: 'allow', downloadPath: folder });
      await person.open(`${app.url}/themes`);
      await person.click('button', 'More for Spring, grown');
      await person.click('menuitem', 'Save as a file');
      await person.untilText(/Saved as spring-grown\.zip/);
      const file = await person.until('the file', () => Promise.resolve(fs.readdirSync(folder).find((each) => each.endsWith('.zip'))));
      await person.open(`${empty.url}/themes`);
      await person.click('button', 'Bring in');
      await person.find('dialog', 'Bring themes in');
      const field = await driver.executeScript<WebElement>('return document.querySelector("mat-dialog-container input[type=file]")');
      await field.sendKeys(path.join(folder, file));
      await person.click('button', 'Keep 3 themes');
      await person.gone('dialog', 'Bring themes in');
      const kept = (await (await fetch(`${empty.url}/api/themes`)).json()) as readonly Kept[];
      const named = (name: string): Kept | undefined => kept.find(({ document }) => document.name === name);
      expect(named('Spring, grown')?.document.base).toEqual({ theme: named('Spring')?.id ?? '' });
      expect(named('Spring')?.document.base).toEqual({ theme: named('Brand')?.id ?? '' });
    } finally {
      await empty.kill();
      fs.rmSync(folder, { recursive: true });
    }
  });
});
