import { Key, type WebDriver } from 'selenium-webdriver';
import { axeFindings } from '../tools/axe';
import { devTools, resized } from '../tools/driver';
import { consoleErrors, opened } from '../tools/opened';
import type { Person } from '../tools/person';
import { sent, type App } from '../tools/server';

/** Plans in colours of their own, and one of them at a time where there is little room. */
describe('Accents of plans', () => {
  let [app, driver, person]: [App, WebDriver, Person] = [undefined, undefined, undefined] as never;
  opened({ demo: true }, (all) => ({ app, driver, person } = all));
  afterEach(async () => expect(await consoleErrors(driver, /favicon/)).toEqual([]));
  afterEach(() => resized(driver, 1280));
  let [page, theme] = ['', ''];

  beforeAll(async () => {
    const document = { format: 'zest-theme/2', name: 'Pier sorbet', base: { starter: 'sorbet', version: 1 }, swatches: [], values: {} };
    ({ id: theme } = await sent<{ readonly id: string }>(app, 'POST', '/themes', document));
    const shown = {
      ...{ id: 'a', kind: 'table', shows: { kind: 'pricings', id: 'season-passes' }, dress: { kind: 'themes', id: theme } },
      ...{ plans: { form: 'cards' }, width: 'fill', align: 'start', room: '0', visitor: null },
    };
    ({ id: page } = await sent<{ readonly id: string }>(app, 'POST', '/pages', {
      format: 'zest-page/6',
      name: 'Colours',
      slug: 'colours',
      blocks: [shown],
    }));
  });

  /** The fills of the first actions, in the order of the cards, where they are seen. */
  const fills = (root: string): Promise<readonly string[]> =>
    driver.executeScript(
      `return [...(${root}).querySelectorAll('.zp-act')].filter((each) => each.getClientRects().length > 0).map((each) => getComputedStyle(each).backgroundColor)`,
    );
  const names = (): Promise<readonly string[]> =>
    driver.executeScript(
      `return [...document.querySelectorAll('.zp-name')].filter((each) => each.getClientRects().length > 0).map((each) => each.innerText)`,
    );

  it('are typed beside the plan, refused with a sentence where they are no colour, and told with how well they read', async () => {
    await person.open(`${app.url}/pricings/season-passes`);
    await person.click('button', 'Offer');
    await person.choose('Theme', 'Pier sorbet');
    await person.click('button', 'Details');
    await person.click('columnheader', 'Deck');
    await person.fill('combobox', /^Accent/, 'fog bank');
    await person.press(Key.TAB);
    await person.find('alert', /There is no swatch or colour “fog bank”/);
    await person.fill('combobox', /^Accent/, '#0b7285');
    await person.press(Key.TAB);
    await person.untilText(/The hardest to read is the [a-z ]+, at \d+\.\d : 1\./);
    await person.click('button', 'As cards');
    await person.until('Deck in its accent', async () => {
      const [deck, saloon] = await fills(`document.querySelector('zest-cards-seen').shadowRoot`);
      return (deck === 'rgb(11, 114, 133)' && saloon !== deck) || undefined;
    });
    expect(await axeFindings(driver)).toEqual([]);
    await person.untilKept();
    await person.click('button', 'Publish');
    await person.click('button', 'Publish');
    await person.untilText(/Edition \d+ is published/);
  });

  it('are seen on a page, where a phone shows one plan at a time, without a script', async () => {
    await person.open(`${app.url}/pages/${page}`);
    await person.click('button', /^Season passes/);
    await person.choose('Form at narrow, up to 480px', 'One plan at a time');
    await person.untilKept();
    await person.click('button', 'Publish page');
    await person.untilText(/The page is live at/);
    await devTools(driver, 'Emulation.setScriptExecutionDisabled', { value: true });
    try {
      await driver.get(`${app.url}/site/colours`);
      expect((await fills('document'))[0]).toBe('rgb(11, 114, 133)');
      expect(await names()).toEqual(['Deck', 'Saloon', 'Cabin']);
      await resized(driver, 390);
      await driver.get(`${app.url}/site/colours`);
      // The plan that is pushed is what one sees first.
      expect(await names()).toEqual(['Saloon']);
      await person.click('radio', 'Cabin');
      expect(await names()).toEqual(['Cabin']);
      await person.press(Key.ARROW_LEFT, Key.ARROW_LEFT);
      expect(await names()).toEqual(['Deck']);
      expect(await driver.executeScript('return document.documentElement.scrollWidth <= innerWidth')).toBeTrue();
    } finally {
      await devTools(driver, 'Emulation.setScriptExecutionDisabled', { value: false });
    }
    await person.open(`${app.url}/site/colours`);
    expect(await axeFindings(driver)).toEqual([]);
  });

  it('and what a visitor chooses of them stands in the address, period and currency both', async () => {
    const prices = (): Promise<readonly string[]> =>
      driver.executeScript(
        `return [...document.querySelectorAll('.zp-price')].filter((each) => each.getClientRects().length > 0).map((each) => each.innerText)`,
      );
    await person.open(`${app.url}/site/colours?place-1-cards-period=season`);
    await person.until('prices of a season', async () => (await prices()).includes('£51') || undefined);
    await person.click('radio', 'EUR');
    await person.until('prices in euros', async () => ((await prices()).every((each) => each.startsWith('€')) ? true : undefined));
    expect(await prices()).toEqual(['€58.90', '€83.90', '€189 per berth']);
    const address = await driver.getCurrentUrl();
    expect(new URL(address).search).toBe('?place-1-cards-period=season&place-1-cards-currency=EUR');
    // Passed on, it shows the same.
    await person.open(`${app.url}/site/colours`);
    expect((await prices())[0]).toBe('£9.50');
    await person.open(address);
    await person.until('the same prices', async () => (await prices()).includes('€58.90') || undefined);
  });
});
