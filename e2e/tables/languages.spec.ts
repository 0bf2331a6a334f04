import { Key, type WebDriver } from 'selenium-webdriver';
import { consoleErrors, opened } from '../tools/opened';
import type { Person } from '../tools/person';
import type { App } from '../tools/server';

/** Tables, columns and words in languages of their own, and in their direction. */
describe('The language of a table', () => {
  let [app, driver, person]: [App, WebDriver, Person] = [undefined, undefined, undefined] as never;
  opened({ demo: true }, (all) => ({ app, driver, person } = all));
  afterEach(async () => expect(await consoleErrors(driver)).toEqual([]));

  it('turns its grid round: the next column is to the left; what is no language is said', async () => {
    await person.open(`${app.url}/tables/workshop-prices`);
    await person.fill('combobox', 'Language of values', 'no language');
    await person.press(Key.TAB);
    await person.untilText(/is no language\. Write a code such as en, de or ar-EG; leave it empty for English/);
    await person.fill('combobox', 'Language of values', 'ar');
    await person.press(Key.TAB);
    const first = (): Promise<readonly [string, number, number]> =>
      driver.executeScript(`const root = document.querySelector('zest-grid').shadowRoot;
        const [a, b] = [...root.querySelectorAll('thead tr:last-child > *')].map((cell) => cell.getBoundingClientRect().left);
        return [getComputedStyle(root.querySelector('table')).direction, a, b]`);
    await person.until('a grid from right to left', async () => (await first())[0] === 'rtl' || undefined);
    const [, a, b] = await first();
    expect(a).toBeGreaterThan(b);
    await person.untilKept();
    const cell = await driver.executeScript("return document.querySelector('zest-grid').shadowRoot.querySelector('tbody td, tbody th')");
    await driver.executeScript('arguments[0].focus()', cell);
    await person.press(Key.ARROW_DOWN, Key.HOME);
    await person.untilText(/Row \d+, column 1/);
    await person.press(Key.ARROW_LEFT);
    await person.untilText(/Row \d+, column 2/);
    await person.press(Key.ARROW_RIGHT);
    await person.untilText(/Row \d+, column 1/);
  });

  it('is another for the words that are chosen in a text, and comes onto the page so', async () => {
    await person.open(`${app.url}/tables/evening-crossings`);
    await person.click('cell', 'Tarn Isle');
    await person.click('button', 'Text');
    await person.find('dialog', /^Text of/);
    await driver.executeScript(`const field = document.querySelector('zest-text-dialog [list="zest-text-languages"]');
      field.focus(); field.value = 'ga'; field.dispatchEvent(new Event('change'))`);
    await person.until('the words in that language', async () =>
      (await driver.executeScript<boolean>("return document.querySelector('zest-text-dialog span[lang=ga]')?.textContent === 'Tarn Isle'"))
        ? true
        : undefined,
    );
    await person.click('button', 'Take it');
    await person.untilKept();
    await person.click('button', 'Publish');
    await person.untilText(/live page follows this table/);
    await person.click('button', 'Publish');
    await person.untilText(/is published/);
    await person.until(
      'the live page in that language',
      async () => (await (await fetch(`${app.url}/site/night-boats`)).text()).includes('<span lang="ga" dir="ltr">Tarn Isle</span>') || undefined,
    );
  });
});
