import { Key, type WebDriver } from 'selenium-webdriver';
import { axeFindings } from '../tools/axe';
import { consoleErrors, opened } from '../tools/opened';
import type { Person } from '../tools/person';
import type { App } from '../tools/server';

/** One list of every ink that cannot be read, with what mends it. */
describe('Inks that a change makes unreadable', () => {
  let [app, driver, person]: [App, WebDriver, Person] = [undefined, undefined, undefined] as never;
  opened({ demo: true }, (all) => ({ app, driver, person } = all));
  afterEach(async () => expect(await consoleErrors(driver)).toEqual([]));

  it('stand in one list in the studio, lead to where they are set, and are mended all at once', async () => {
    await person.open(`${app.url}/themes/paper-stock?part=footer`);
    await person.click('gridcell', /^Fill, At rest/);
    await person.press('#8a7a6a', Key.ENTER);
    await person.untilText(/inks? cannot be read/);
    await driver.executeScript("document.querySelector('zest-unreadable summary').click()");
    await person.click('button', /^Go to Footer/);
    await person.find('heading', /^Footer/);
    // Parts of the anatomy are drawn as the theme has them, and so cannot be read either.
    expect((await axeFindings(driver)).filter((finding) => !finding.startsWith('color-contrast'))).toEqual([]);
    const isMany = await person.isThere('button', /^Mend all/);
    await person.click('button', isMany ? /^Mend all/ : /^Use #/);
    await person.until('nothing that cannot be read', async () => !/cannot be read/.test(await person.text()) || undefined);
    await person.untilKept();
  });

  it('stand in one list beside a table’s own looks, each with its contrast', async () => {
    await person.open(`${app.url}/tables/evening-crossings`);
    await person.click('cell', 'Tarn Isle');
    await person.click('button', 'Look');
    await person.fill('combobox', 'Ink', '#cfd8dc');
    await person.press(Key.ENTER);
    await person.untilText(/1 ink cannot be read/);
    await driver.executeScript("document.querySelector('zest-looks summary').click()");
    await person.click('button', /^Use #/);
    await person.until('nothing that cannot be read', async () => !/cannot be read/.test(await person.text()) || undefined);
    await person.untilKept();
  });
});
