import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import type { WebDriver, WebElement } from 'selenium-webdriver';
import { axeFindings } from '../tools/axe';
import { devTools } from '../tools/driver';
import { consoleErrors, opened } from '../tools/opened';
import type { Person } from '../tools/person';
import { startApp, type App } from '../tools/server';

/** Themes saved as a file, and brought in again: here, and where nothing is yet. */
describe('Themes as files', () => {
  let [app, driver, person]: [App, WebDriver, Person] = [undefined, undefined, undefined] as never;
  let empty: App;
  const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'zest-themes-'));
  opened({ demo: true }, (all) => ({ app, driver, person } = all));
  beforeAll(async () => {
    empty = await startApp();
  });
  afterAll(async () => {
    await empty.kill();
    fs.rmSync(folder, { recursive: true });
  });
  afterEach(async () => expect(await consoleErrors(driver, /favicon/)).toEqual([]));

  type Kept = readonly { readonly id: string; readonly document: { readonly name: string; readonly pictures?: readonly { media: string }[] } }[];
  const themesOf = async (url: string): Promise<Kept> => (await (await fetch(`${url}/api/themes`)).json()) as Kept;

  /** What is saved next lands in the folder under its own name. */
  const saved = async (act: () => Promise<void>): Promise<string> => {
    await devTools(driver, 'Browser.setDownloadBehavior', { behavior: 'allow', downloadPath: folder });
    const before = new Set(fs.readdirSync(folder));
    await act();
    const name = await person.until('the saved file', () =>
      Promise.resolve(fs.readdirSync(folder).find((each) => !before.has(each) && !each.endsWith('.crdownload'))),
    );
    return path.join(folder, name);
  };
  const bring = async (url: string, file: string): Promise<void> => {
    await person.open(`${url}/themes`);
    await person.click('button', 'Bring in');
    await person.find('dialog', 'Bring themes in');
    const field = await driver.executeScript<WebElement>('return document.querySelector("mat-dialog-container input[type=file]")');
    await field.sendKeys(file);
  };

  it('go out all together with their pictures, and come to an empty installation as they were', async () => {
    // One of them has a picture of its own.
    const svg = '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 8 8"><path d="M0 4h8v4H0z" fill="#123c4d"/></svg>';
    const { id } = (await (await fetch(`${app.url}/api/media?name=quay.svg`, { method: 'POST', body: svg })).json()) as { readonly id: string };
    const { revision, document } = (await (await fetch(`${app.url}/api/themes/harbour-dusk`)).json()) as { revision: number; document: object };
    const body = JSON.stringify({ ...document, pictures: [{ name: 'quay', media: id }] });
    const headers = { 'content-type': 'application/json', 'if-match': `"${revision}"` };
    expect((await fetch(`${app.url}/api/themes/harbour-dusk`, { method: 'PUT', body, headers })).status).toBe(200);

    await person.open(`${app.url}/themes`);
    await person.find('link', 'Harbour dusk');
    const file = await saved(() => person.click('button', 'Save all as a file'));
    expect(path.basename(file)).toBe('themes.zip');
    await person.untilText(/Saved as themes\.zip\./);

    await bring(empty.url, file);
    await person.find('button', 'Keep 7 themes');
    expect(await axeFindings(driver)).toEqual([]);
    await person.click('button', 'Keep 7 themes');
    await person.gone('dialog', 'Bring themes in');
    await person.find('link', 'Harbour dusk');
    const byName = (all: Kept): readonly unknown[] => all.map((each) => each.document).toSorted((a, b) => a.name.localeCompare(b.name));
    expect(byName(await themesOf(empty.url))).toEqual(byName(await themesOf(app.url)));
    const picture = (await themesOf(empty.url)).flatMap((each) => each.document.pictures ?? [])[0];
    expect(await (await fetch(`${empty.url}/pictures/${picture?.media ?? ''}`)).text()).toContain('M0 4h8v4H0z');
  });

  it('go out one by one, and come in under a free name', async () => {
    await person.open(`${app.url}/themes`);
    await person.click('button', 'More for Low Sound');
    const file = await saved(() => person.click('menuitem', 'Save as a file'));
    expect(path.basename(file)).toBe('low-sound.json');
    await bring(app.url, file);
    await person.untilText(/since “Low Sound” is taken/);
    await person.click('button', 'Keep the theme');
    await person.find('heading', 'Low Sound 2');
  });

  it('say what is wrong with them, where, and what can be kept all the same', async () => {
    const wrong = path.join(folder, 'wrong.json');
    fs.writeFileSync(
      wrong,
      JSON.stringify({ format: 'zest-theme/2', name: 'Brand', base: { starter: 'hairline', version: 3 }, swatches: [{}], values: {} }),
    );
    await bring(app.url, wrong);
    await person.untilText(/“wrong\.json” cannot be brought in/);
    await person.untilText(/swatches\/0\/name.*A swatch needs a name/);
    expect(await (await person.find('button', 'Keep the theme')).isEnabled()).toBeFalse();
    await person.click('button', 'Leave it');
    await person.gone('dialog', 'Bring themes in');
  });

  it('go out as design tokens with what these have no word for, and come in from other programs', async () => {
    await person.open(`${app.url}/themes`);
    await person.click('button', 'More for Harbour dusk');
    await person.click('menuitem', 'Save as design tokens');
    await person.find('list', 'What tokens have no word for');
    expect(await axeFindings(driver)).toEqual([]);
    const file = await saved(() => person.click('button', 'Save the file'));
    expect(path.basename(file)).toBe('Harbour-dusk.tokens.json');
    const tokens = JSON.parse(fs.readFileSync(file, 'utf8')) as { readonly swatch: Readonly<Record<string, { $value: unknown }>> };
    expect(Object.keys(tokens.swatch)).toContain('lamp');
    await bring(empty.url, file);
    await person.click('button', 'Keep the theme');
    await person.find('grid', /Values of/);
    const opened = /themes\/([\w-]+)/.exec(await driver.getCurrentUrl())?.[1];
    const [was] = (await themesOf(app.url)).filter((each) => each.document.name === 'Harbour dusk');
    const again = (await themesOf(empty.url)).find(({ id }) => id === opened)?.document as { values?: unknown; swatches?: unknown } | undefined;
    expect([again?.values, again?.swatches]).toEqual([(was?.document as typeof again)?.values, (was?.document as typeof again)?.swatches]);

    const others = path.join(folder, 'Sea.tokens.json');
    const wide = { colorSpace: 'display-p3', components: [0, 1, 0] };
    const brand = { colorSpace: 'srgb', components: [0.0706, 0.2353, 0.302] };
    const colours = { $type: 'color', brand: { $value: brand }, accent: { $value: '{colour.brand}' }, wide: { $value: wide } };
    fs.writeFileSync(others, JSON.stringify({ colour: colours, space: { $type: 'dimension', $value: { value: 4, unit: 'px' } } }));
    await bring(empty.url, others);
    await person.untilText(/colour\.wide\s*Colours in display-p3 would become others here/);
    await person.untilText(/Sea\.tokens\.json: space/);
    await person.click('button', 'Keep the theme');
    await person.untilText(/colour-accent/);
  });
});
