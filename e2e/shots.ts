// npm run shots: one current picture of each main view, from the demo data, into docs/screenshots/.
import { mkdirSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { Key, type WebDriver, type WebElement } from 'selenium-webdriver';
import { devTools, openBrowser } from './tools/driver';
import { Person } from './tools/person';
import { sent, startApp } from './tools/server';

const folder = 'docs/screenshots';
mkdirSync(folder, { recursive: true });
const app = await startApp({ demo: true, backups: true });
const driver: WebDriver = await openBrowser();
const person = new Person(driver);
const still = { name: 'prefers-reduced-motion', value: 'reduce' };
await devTools(driver, 'Emulation.setEmulatedMedia', { features: [still] });

async function shoot(name: string, path: string, prepare: () => Promise<unknown>, width = 1280, height = 800): Promise<void> {
  await devTools(driver, 'Emulation.setDeviceMetricsOverride', { width, height, deviceScaleFactor: 1, mobile: false });
  await person.open(new URL(path, app.url).href);
  await prepare();
  await driver.executeScript('return document.fonts.ready');
  // Pictures of tables in view are built in turns.
  await person.until('every picture in view', async () =>
    (await driver.executeScript<boolean>(
      "return [...document.querySelectorAll('zest-dressed')].every((each) => { const { top, bottom } = each.getBoundingClientRect(); return bottom <= 0 || top >= innerHeight || each.shadowRoot.querySelector('table') })",
    ))
      ? true
      : undefined,
  );
  // Two frames, so that what the last change brought is painted.
  await driver.executeAsyncScript('const done = arguments[0]; requestAnimationFrame(() => requestAnimationFrame(done))');
  writeFileSync(`${folder}/${name}.png`, await driver.takeScreenshot(), 'base64');
  // What was changed for the picture is kept before the next view is opened, which would offer it otherwise.
  await driver.executeAsyncScript('setTimeout(arguments[0], 700)');
  await person.until('everything kept', async () => !/Keeping…/.test(await person.text()) || undefined);
  console.log(`${folder}/${name}.png`);
}

try {
  await shoot('themes', '/themes', () => person.find('link', 'Harbour dusk'));
  await shoot('starters', '/themes', async () => {
    await person.click('button', 'New theme');
    await person.find('heading', 'Choose a starter');
  });
  await shoot('studio', '/themes/harbour-dusk?part=body-rows', async () => {
    await person.find('cell', 'Fennel Point');
    await person.click('gridcell', /^Fill, Selected/);
  });
  await shoot('studio-widths', '/themes/harbour-dusk?part=table&step=narrow', async () => {
    await person.find('button', /^At narrow/);
    await person.untilText(/480 px: fits/);
    await person.click('button', 'Make it fit');
    await person.find('dialog', 'Steps at which it fits');
  });
  await shoot('tables', '/tables', () => person.find('link', 'Evening crossings'));
  await shoot('plans', '/pricings/season-passes', async () => {
    await person.click('columnheader', 'Saloon');
    await person.find('textbox', 'Badge');
  });
  await shoot('plans-as-cards', '/pricings/season-passes', async () => {
    await person.click('columnheader', 'Saloon');
    await person.fill('textbox', 'Badge', '');
    await person.press(Key.TAB);
    await person.click('columnheader', 'Cabin');
    await person.fill('textbox', 'Action 1, where it leads', '');
    await person.press(Key.TAB);
    await person.click('button', 'As cards');
    await person.click('button', /^Checks/);
    await person.find('button', /^Undo/);
  });
  await shoot('table-new', '/tables', async () => {
    await person.click('button', 'New table');
    await person.find('button', 'Open a file');
    const chooser = await driver.executeScript<WebElement>('return document.querySelector("input[type=file]")');
    await chooser.sendKeys(path.resolve('server/tests/files/crossings.ods'));
    await person.find('button', 'Create table');
  });
  await shoot('table', '/tables/evening-crossings', async () => {
    await person.click('cell', 'no sailing');
  });
  await shoot('pages', '/pages', () => person.find('link', 'Night boats'));
  await shoot('page', '/pages/night-boats', async () => {
    await person.click('button', /^Evening crossings/);
    await person.choose('Reach', 'This page');
    await person.untilText(/It reaches/);
    await person.click('button', 'Three widths');
    await person.untilText(/1280\s*fits/);
  });
  await shoot('table-looks', '/tables/fleet-tonight', async () => {
    await person.click('cell', '35 min');
    await person.click('button', 'Look');
    await person.click('button', 'This cell');
    await person.focus('combobox', 'Ink');
  });
  await shoot('live-page', '/site/night-boats', () => person.find('table', 'Fares by age'));
  await shoot('elsewhere', `${app.neighbour}/story/night-boats`, async () => {
    const inside = "document.querySelector('zest-pane-table').shadowRoot";
    await person.until(
      'the table',
      async () => (await driver.executeScript<boolean>(`return !!${inside}?.querySelector('[data-sorts]')`)) || undefined,
    );
    await driver.executeScript(`${inside}.querySelectorAll('.zp-sort')[6].click()`);
  });
  const passes = {
    ...{ id: 'a', kind: 'table', shows: { kind: 'pricings', id: 'season-passes' }, dress: { kind: 'themes', id: 'harbour-dusk' } },
    ...{ plans: { form: 'cards and comparison', lists: 'common lines', at: [{ upTo: 480, form: 'one plan at a time' }] } },
    ...{ width: 'fill', align: 'start', room: '0', visitor: null },
  };
  const { id } = await sent<{ readonly id: string }>(app, 'POST', '/pages', {
    ...{ format: 'zest-page/6', name: 'Season passes', slug: 'season-passes', blocks: [passes] },
  });
  await sent(app, 'POST', `/pages/${id}/publish`, {});
  await shoot('live-plans', '/site/season-passes', () => person.find('table', 'Season passes'), 1280, 1500);
  await shoot('live-plans-phone', '/site/season-passes', () => person.find('radio', 'Saloon'), 390, 800);
  await shoot('backups', '/backups', async () => {
    await fetch(`${app.url}/api/tables/berths`, { method: 'DELETE' });
    await person.click('button', 'Make the first one');
    await person.untilText(/A backup was made and tried/);
    await person.open(`${app.url}/backups`);
    await person.find('button', 'Bring back Berths at Oldquay');
    await fetch(`${app.url}/api/tables/berths/restore`, { method: 'POST' });
    // Where it lies on this machine is nobody's business.
    await driver.executeScript("document.querySelector('zest-backups code').textContent = '/srv/harbour-backups'");
  });
  await shoot('publish', '/tables/fares-by-age', async () => {
    await person.click('cell', '£11.00');
    await person.press('£12.75', Key.ENTER);
    await person.find('cell', '£12.75');
    await person.untilKept();
    await person.click('button', 'Publish');
    await person.untilText(/Fares by age, now/);
    await person.gone('progressbar');
  });
  await shoot('house', '/pages/house', async () => {
    await person.click('radio', /Ids and long chains/);
    await person.click('button', 'Show them');
    await person.untilText(/it takes lines, padding/);
  });
} finally {
  await driver.quit();
  await app.kill();
}
