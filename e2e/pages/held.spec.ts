import { Key, type WebDriver } from 'selenium-webdriver';
import { consoleErrors, opened } from '../tools/opened';
import type { Person } from '../tools/person';
import type { App } from '../tools/server';

/** A placement that stays at an edition while others follow, on the demo data. */
describe('A placement that is held at an edition', () => {
  let app: App;
  let driver: WebDriver;
  let person: Person;
  opened({ demo: true }, (all) => ({ app, driver, person } = all));
  afterEach(async () => {
    expect(await consoleErrors(driver))
      .withContext('console')
      .toEqual([]);
  });

  const headers = (): Promise<readonly string[]> =>
    driver.executeScript(
      `return ['#place-2', '#place-7'].map((place) => getComputedStyle(document.querySelector(place + ' thead')).backgroundColor)`,
    );

  it('keeps its look when the theme is published again, beside one that follows, until it is let go', async () => {
    await person.open(`${app.url}/pages/night-boats`);
    await person.click('button', /^Evening crossings/);
    const edition = await person.find('combobox', 'Edition of the theme');
    await person.until('the first edition to choose', async () =>
      (await driver.executeScript<number>('return arguments[0].options.length', edition)) > 1 ? true : undefined,
    );
    await driver.executeScript('arguments[0].value = "1"; arguments[0].dispatchEvent(new Event("change"))', edition);
    await person.find('button', /^Undo/);
    await person.click('button', 'Publish page');
    await person.untilText(/The page is live/);

    await person.open(`${app.url}/themes/harbour-dusk?part=column-headers`);
    await person.click('gridcell', /^Fill, At rest:/);
    await person.press('#7a1f5c', Key.ENTER);
    await person.find('gridcell', /^Fill, At rest: #7a1f5c.*set here/);
    await person.click('button', 'Publish edition 2');
    await person.untilText(/live pages? follows? this theme/);
    await person.click('button', 'Publish');
    await person.untilText(/Edition 2 is published/);

    await person.open(`${app.url}/site/night-boats`);
    await person.find('table', /Evening crossings/);
    const [held, follows] = await headers();
    expect(follows).toBe('rgb(122, 31, 92)');
    expect(held).not.toBe(follows);

    await person.open(`${app.url}/pages/night-boats`);
    await person.click('button', /^Evening crossings/);
    await driver.executeScript(
      'arguments[0].value = ""; arguments[0].dispatchEvent(new Event("change"))',
      await person.find('combobox', 'Edition of the theme'),
    );
    await person.click('button', 'Publish page');
    await person.untilText(/The page is live/);
    await person.open(`${app.url}/site/night-boats`);
    await person.find('table', /Evening crossings/);
    expect(await headers()).toEqual(['rgb(122, 31, 92)', 'rgb(122, 31, 92)']);
  });
});
