import type { WebDriver } from 'selenium-webdriver';
import { devTools } from './tools/driver';
import { opened } from './tools/opened';
import type { Person } from './tools/person';
import type { App } from './tools/server';

/** What is being looked at comes onto paper whole, without the tools around it. */
describe('The tool on paper', () => {
  let [app, driver, person]: [App, WebDriver, Person] = [undefined, undefined, undefined] as never;
  opened({ demo: true }, (all) => ({ app, driver, person } = all));
  afterEach(() => devTools(driver, 'Emulation.setEmulatedMedia', { media: '' }));
  const seen = (selector: string): Promise<number> =>
    driver.executeScript('return [...document.querySelectorAll(arguments[0])].filter((each) => each.checkVisibility()).length', selector);

  for (const [what, path, shown] of [
    ['a table', '/tables/evening-crossings', 'zest-grid'],
    ['a theme', '/themes/harbour-dusk', 'zest-specimen'],
    ['a page', '/pages/night-boats', 'zest-preview iframe'],
  ] as const)
    it(`is ${what} as it is looked at, and no button, panel or bar`, async () => {
      await person.open(`${app.url}${path}`);
      await person.until('the view', async () => (await seen(shown)) > 0 || undefined);
      await devTools(driver, 'Emulation.setEmulatedMedia', { media: 'print' });
      expect(await seen(shown)).toBeGreaterThan(0);
      expect(await seen('aside, nav, .mdc-button, button:not([role])')).toBe(0);
      // Nothing is cut off: the document is as long as what is in it.
      const [height, inside] = await driver.executeScript<readonly [number, number]>(
        'const main = document.querySelector("main"); return [main.getBoundingClientRect().height, main.scrollHeight]',
      );
      expect(inside).toBeLessThanOrEqual(height + 1);
    });
});
