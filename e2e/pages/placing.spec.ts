import { Key, type WebDriver } from 'selenium-webdriver';
import { devTools } from '../tools/driver';
import { consoleErrors, opened } from '../tools/opened';
import type { Person } from '../tools/person';
import type { App } from '../tools/server';

/** Where a placed table sits and how much room it has, said by its theme and by its placement. */
describe('How a table stands on a page', () => {
  let [app, driver, person]: [App, WebDriver, Person] = [undefined, undefined, undefined] as never;
  opened({ demo: true }, (all) => ({ app, driver, person } = all));
  afterEach(async () => expect(await consoleErrors(driver)).toEqual([]));
  const resized = (width: number): Promise<unknown> =>
    devTools(driver, 'Emulation.setDeviceMetricsOverride', { width, height: 800, deviceScaleFactor: 1, mobile: false });
  afterEach(() => resized(1280));

  /** Room at the start and at the end of the live fares in their column, and what their placement has around it, in px. */
  const seen = (): Promise<{ readonly start: number; readonly end: number; readonly margin: string }> =>
    driver.executeScript(
      `const table = [...document.querySelectorAll('table')].find((each) => each.caption?.textContent.startsWith('Fares by age'));
       const box = table.closest('.zp-box');
       const [inner, outer] = [table, box].map((each) => each.getBoundingClientRect());
       return { start: Math.round(inner.left - outer.left), end: Math.round(outer.right - inner.right), margin: getComputedStyle(box).margin };`,
    );

  it('is said by the theme where the placement leaves it, in shares of the width, and otherwise in a narrow window', async () => {
    await person.open(`${app.url}/themes/ticket-stub?part=table`);
    await person.click('gridcell', /^Sits, At rest/);
    await person.press('center', Key.ENTER);
    await person.untilKept();
    await person.click('button', /^Publish edition/);
    await person.untilText(/live pages? follows? this theme/);
    await person.click('button', 'Publish');
    await person.untilText(/Edition 2 is published/);

    await person.open(`${app.url}/pages/night-boats`);
    await person.click('button', /^Fares by age/);
    await person.untilText(/Its theme has it in the center; at the start holds here/);
    await person.choose('Sits', 'As its theme says');
    await person.untilText(/Its theme has it in the center\./);
    await person.fill('textbox', 'Room around', '16px 140%');
    await person.press(Key.TAB);
    await person.untilText(/A share is from 0% to 100%, not 140%/);
    await person.fill('textbox', 'Room around', '16px 5% 32px');
    await person.press(Key.TAB);
    await person.fill('textbox', /^Room at narrow/, '8px 0');
    await person.press(Key.TAB);
    await person.untilKept();
    await person.click('button', 'Publish page');
    await person.untilText(/The page is live at/);

    await person.open(`${app.url}/site/night-boats`);
    await person.find('table', /^Fares by age/);
    const wide = await seen();
    expect(wide.start).toBeGreaterThan(20);
    expect(Math.abs(wide.start - wide.end)).toBeLessThanOrEqual(1);
    const [top, end, bottom] = wide.margin.split(' ');
    expect([top, bottom]).toEqual(['16px', '32px']);
    expect(Number.parseFloat(end ?? '')).toBeGreaterThan(20);
    await resized(360);
    expect((await seen()).margin).toBe('8px 0px');
  });

  it('has its description above it too, as a text that is seen, in one action', async () => {
    await person.open(`${app.url}/pages/night-boats`);
    await person.click('button', /^Fares by age/);
    await person.click('button', 'Put its description above it, as a text');
    await person.find('button', /^What a single, a return/);
    await person.untilKept();
    const { document } = (await (await fetch(`${app.url}/api/pages/night-boats`)).json()) as { document: { blocks: readonly { kind: string }[] } };
    const at = document.blocks.findIndex((block) => JSON.stringify(block).includes('fares-by-age'));
    expect(document.blocks[at - 1]?.kind).toBe('text');
  });
});
