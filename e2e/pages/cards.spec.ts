import { Key, type WebDriver } from 'selenium-webdriver';
import { axeFindings } from '../tools/axe';
import { devTools, resized } from '../tools/driver';
import { consoleErrors, opened } from '../tools/opened';
import type { Person } from '../tools/person';
import { sent, type App } from '../tools/server';

/** A pricing table on a page: as cards, as their comparison or both, by the room that there is. */
describe('Plans on a page', () => {
  let [app, driver, person]: [App, WebDriver, Person] = [undefined, undefined, undefined] as never;
  opened({ demo: true }, (all) => ({ app, driver, person } = all));
  afterEach(async () => expect(await consoleErrors(driver, /favicon/)).toEqual([]));
  afterEach(() => resized(driver, 1280));
  let id = '';

  beforeAll(async () => {
    const shown = {
      ...{ id: 'a', kind: 'table', shows: { kind: 'pricings', id: 'season-passes' }, dress: { kind: 'themes', id: 'harbour-dusk' } },
      ...{ width: 'fill', align: 'start', room: '0', visitor: null },
    };
    ({ id } = await sent<{ readonly id: string }>(app, 'POST', '/pages', { format: 'zest-page/6', name: 'Passes', slug: 'passes', blocks: [shown] }));
  });

  /** How many cards stand side by side in the first row, whether the comparison is seen, and how wide the page is beyond its window. */
  const seen = (): Promise<{ readonly beside: number; readonly comparison: boolean; readonly beyond: number }> =>
    driver.executeScript(
      `const cards = [...document.querySelectorAll('.zp-plan')].filter((each) => each.getClientRects().length > 0);
       const top = (card) => card.querySelector('h2').getBoundingClientRect().top;
       return { beside: cards.filter((each) => Math.abs(top(each) - top(cards[0])) < 1).length,
         comparison: document.querySelector('table').getClientRects().length > 0,
         beyond: document.documentElement.scrollWidth - document.documentElement.clientWidth };`,
    );
  const price = (): Promise<readonly string[]> =>
    driver.executeScript(
      `return [...document.querySelectorAll('.zp-price')].filter((each) => each.getClientRects().length > 0).map((each) => each.innerText)`,
    );

  it('are given a form for each width in the page editor, and published so', async () => {
    await person.open(`${app.url}/pages/${id}`);
    await person.click('button', /^Season passes/);
    await person.choose('Form', 'Cards');
    await person.choose('Form at medium, up to 760px', 'Comparison');
    await person.choose('Form at narrow, up to 480px', 'Cards');
    await person.choose('Cards have', 'Features on common lines');
    await person.click('checkbox', /Tell search engines/);
    await person.untilKept();
    await person.click('button', 'Publish page');
    await person.untilText(/The page is live at/);
    const css = await (await fetch(`${app.url}/site/passes.css`)).text();
    expect(css).toContain('@container zp (width<=760px){#place-1-cards{display:none}#place-1{display:block}');
    expect(await (await fetch(`${app.url}/site/passes`)).text()).toContain('application/ld+json');
  });

  it('stand side by side at 1280, are compared at 768, and stand below one another at 390, without a script', async () => {
    await devTools(driver, 'Emulation.setScriptExecutionDisabled', { value: true });
    try {
      for (const [width, beside, comparison] of [
        [1280, 3, false],
        [768, 0, true],
        [390, 1, false],
        [320, 1, false],
      ] as const) {
        await resized(driver, width);
        await driver.get(`${app.url}/site/passes`);
        expect(await seen())
          .withContext(`at ${width}`)
          .toEqual({ beside, comparison, beyond: 0 });
      }
    } finally {
      await devTools(driver, 'Emulation.setScriptExecutionDisabled', { value: false });
    }
  });

  it('change with the period that a visitor chooses, by keys alone and without a script', async () => {
    await person.open(`${app.url}/site/passes`);
    await person.find('radio', /^Monthly/);
    expect(await price()).toEqual(['£9.50', '£14']);
    await person.untilText(/By the season only/);
    await driver.executeScript('document.activeElement?.blur()');
    await person.press(Key.TAB);
    await person.press(Key.ARROW_RIGHT);
    await person.until('the price of a season', async () => (await price()).includes('£51') || undefined);
    expect(await price()).toEqual(['£51', '£72', '£168 per berth']);
    await person.untilText(/Save 10%[^]*Save 14%[^]*was £180/);
  });

  it('leave axe nothing to say, as cards, as the comparison, and in both forms', async () => {
    for (const width of [1280, 768, 390]) {
      await resized(driver, width);
      await person.open(`${app.url}/site/passes`);
      expect(await axeFindings(driver))
        .withContext(`at ${width}`)
        .toEqual([]);
    }
    await resized(driver, 1280);
    await person.open(`${app.url}/pages/${id}`);
    await person.click('button', /^Season passes/);
    await person.choose('Form', 'Cards, the comparison below');
    await person.untilKept();
    await person.click('button', 'Publish page');
    await person.untilText(/The page is live at/);
    await person.open(`${app.url}/site/passes`);
    expect(await axeFindings(driver)).toEqual([]);
    // One switch is for the cards and for the comparison below them.
    const compared = (): Promise<readonly string[]> =>
      driver.executeScript(
        `return [...document.querySelectorAll('tr')].find((row) => row.cells[0].innerText === 'Price').innerText.split('\t').slice(1)`,
      );
    expect((await compared()).map((each) => each.trim())).toEqual(['£9.50', '£14', 'By the season only']);
    await person.click('radio', /^A season/);
    await person.click('radio', 'EUR');
    expect(await price()).toEqual(['€58.90', '€83.90', '€189 per berth']);
    expect((await compared()).map((each) => each.trim().split('\n')[0])).toEqual(['€58.90', '€83.90', '€189 per berth']);
    await person.click('link', 'Compare all plans');
    await person.until(
      'the comparison in view',
      async () =>
        (await driver.executeScript<boolean>(
          'return location.hash === "#place-1" && document.querySelector("#place-1").getBoundingClientRect().top < 600',
        )) || undefined,
    );
  });

  it('have a tick and a dash for yes and no in the comparison, which are heard as words', async () => {
    await person.open(`${app.url}/pricings/season-passes`);
    await person.click('button', 'Offer');
    await person.click('checkbox', /^Yes and no are a tick and a dash/);
    await person.untilKept();
    await person.click('button', 'Publish');
    await person.find('dialog', /Publish/);
    await person.click('button', 'Publish');
    await person.untilText(/Edition \d+ is published/);
    await person.open(`${app.url}/site/passes`);
    await person.find('img', 'Yes');
    expect(await axeFindings(driver)).toEqual([]);
  });

  it('are dressed part by part in the studio, where a specimen has all of them', async () => {
    await person.open(`${app.url}/themes/harbour-dusk`);
    await person.choose('Shown on', 'Plans as cards');
    await person.click('button', 'Price');
    await person.click('gridcell', /^Ink, Featured plan:/);
    await person.press('#7a1f5c', Key.ENTER);
    await person.find('gridcell', /^Ink, Featured plan: #7a1f5c.*set here/);
    const ink = (): Promise<string> =>
      driver.executeScript(
        `return getComputedStyle(document.querySelector('zest-specimen .host').shadowRoot.querySelector('.zp-featured .zp-price')).color`,
      );
    await person.until('the price in its ink', async () => ((await ink()) === 'rgb(122, 31, 92)' ? true : undefined));
    expect(await axeFindings(driver)).toEqual([]);
  });
});
