import { Key, type WebDriver } from 'selenium-webdriver';
import { axeFindings } from '../tools/axe';
import { devTools } from '../tools/driver';
import { consoleErrors, opened } from '../tools/opened';
import type { Person } from '../tools/person';
import type { App } from '../tools/server';

/** What is made in the page editor, and then used as a visitor would. */
describe('A table that visitors use', () => {
  let [app, driver, person]: [App, WebDriver, Person] = [undefined, undefined, undefined] as never;
  opened({ demo: true }, (all) => ({ app, driver, person } = all));
  afterEach(async () => expect(await consoleErrors(driver)).toEqual([]));

  /** What a cell says, without the label that it has where rows are stacked. */
  const own =
    "(cell) => cell.innerText.slice([...cell.querySelectorAll(':scope > .zp-label')].filter((label) => label.checkVisibility()).join('').length && cell.querySelector(':scope > .zp-label').innerText.length).trim()";
  const column = (at: number, where = 'document'): Promise<readonly string[]> =>
    driver.executeScript(
      `return [...${where}.querySelectorAll('[data-visitor] tbody tr:not([hidden])')].map((row) => (${own})(row.cells[arguments[0]]))`,
      at,
    );
  const status = (): Promise<string> => driver.executeScript("return document.querySelector('[data-visitor] [role=status]').innerText");

  it('is set up on a page, works in its preview as it will be published, and can be undone', async () => {
    await person.open(`${app.url}/pages/thistle-press`);
    await person.click('button', /Table in/);
    await person.click('checkbox', 'They can do more than read it');
    await person.fill('spinbutton', 'Rows on a page', '3');
    await person.press(Key.TAB);
    await person.choose('Labels in', 'Deutsch');
    await person.fill('spinbutton', 'Rows on a page', '2000');
    await person.press(Key.TAB);
    await person.find('alert', /whole number up to 1,000/);
    const frame = "document.querySelector('iframe').contentDocument";
    await person.until('three rows in the preview', async () => (await column(0, frame)).length === 3 || undefined);
    const first = await column(0, frame);
    await driver.executeScript(`${frame}.querySelector('.zp-sort').click()`);
    expect(await column(0, frame)).not.toEqual(first);
    await person.untilKept();
    await person.click('button', 'Publish page');
    await person.untilText(/The page is live at/);
    await person.open(`${app.url}/site/thistle-press`);
    await person.find('searchbox', 'Suchen');
    expect((await column(0)).length).toBe(3);
    expect(await status()).toMatch(/^Zeilen 1 bis 3 von \d+$/);
  });

  it('is sorted, searched and paged by keyboard alone; what happened is said, and the focus stays', async () => {
    await person.open(`${app.url}/site/night-boats`);
    await person.focus('button', 'Passengers');
    await person.press(Key.ENTER);
    await person.untilText(/Sorted upwards by Passengers/);
    await person.press(Key.SPACE);
    await person.untilText(/Sorted downwards by Passengers/);
    const most = (await column(6)).map(Number);
    expect(most).toEqual([...most].sort((a, b) => b - a));
    expect(await driver.executeScript("return document.activeElement.closest('th').getAttribute('aria-sort')")).toBe('descending');
    await person.focus('button', 'Next page');
    await person.press(Key.ENTER, Key.ENTER);
    await person.untilText(/Rows 21 to 30 of 300/);
    expect(await driver.executeScript("return document.activeElement.getAttribute('aria-label')")).toBe('Next page');
    const shared = await driver.getCurrentUrl();
    const seen = await column(0);
    await person.focus('searchbox', 'Search');
    await person.press('moth fog');
    await person.untilText(/found among 300/);
    expect((await column(1)).every((boat) => boat === 'Moth')).toBeTrue();
    expect(await axeFindings(driver)).toEqual([]);
    // The address that was passed on shows the same.
    await person.open(shared);
    await person.untilText(/Rows 21 to 30 of 300/);
    expect(await column(0)).toEqual(seen);
  });

  it('is filtered by each column’s own kind of field, which the address remembers', async () => {
    await person.open(`${app.url}/site/night-boats`);
    await person.find('searchbox', 'Search');
    await driver.executeScript("document.querySelector('#place-7 summary').click()");
    await person.choose('Sea', 'fog');
    await person.fill('spinbutton', 'Passengers from', '150');
    await person.untilText(/found among 300/);
    await person.until('only full boats in fog', async () => {
      const [seas, passengers] = [await column(8), await column(6)];
      return (seas.length > 0 && seas.every((sea) => sea === 'fog') && passengers.every((count) => Number(count) >= 150)) || undefined;
    });
    expect(await axeFindings(driver)).toEqual([]);
    const seen = await column(0);
    await person.open(await driver.getCurrentUrl());
    await person.untilText(/found among 300/);
    expect(await column(0)).toEqual(seen);
    await person.click('button', 'Clear');
    await person.untilText(/Rows 1 to 10 of 300/);
    await person.choose('Rows on a page', '50');
    await person.untilText(/Rows 1 to 50 of 300/);
  });

  it('has its bands and its sorted column from the theme, on whatever is shown', async () => {
    await person.open(`${app.url}/site/night-boats?place-7.sort=2,ascending&place-7.search=calm`);
    await person.untilText(/found among 300/);
    const fills = await driver.executeScript<string[]>(
      "return [...document.querySelectorAll('#place-7 tbody tr:not([hidden])')].map((row) => getComputedStyle(row).backgroundColor)",
    );
    expect(new Set(fills.filter((_, i) => i % 2 === 0)).size).toBe(1);
    expect(new Set(fills.filter((_, i) => i % 2 === 1)).size).toBe(1);
    expect(fills[0]).not.toBe(fills[1]);
    const sorted = await driver.executeScript<number>("return document.querySelectorAll('#place-7 tbody tr:not([hidden]) > .zp-sorted').length");
    expect(sorted).toBe(fills.length);
  });

  it('lets rows be chosen, hidden columns be seen, the header stay and totals follow what was found', async () => {
    await person.open(`${app.url}/tables/crossing-log`);
    await person.click('columnheader', 'Passengers');
    await person.choose('Total', 'Sum');
    await person.click('columnheader', 'Sea');
    await person.click('checkbox', 'Hidden');
    await person.untilKept();
    await person.open(`${app.url}/pages/night-boats`);
    await person.click('button', /^Crossing log, autumn/);
    for (const name of ['Choose rows', 'See hidden columns', 'Keep the header in view', 'Have totals of what was found'])
      await person.click('checkbox', name);
    await person.untilKept();
    await person.click('button', 'Publish page');
    await person.untilText(/have changed since they were published/);
    await person.click('button', 'Publish');
    await person.untilText(/The page is live at/);
    await person.open(`${app.url}/site/night-boats`);
    await person.find('searchbox', 'Search');
    const footer = (): Promise<number> =>
      driver.executeScript(`return Number((${own})(document.querySelector('#place-7 tfoot [data-total]')).replaceAll(',', ''))`);
    const all = await footer();
    await person.focus('searchbox', 'Search');
    await person.press('moth');
    await person.untilText(/found among 300/);
    expect(await footer()).toBeLessThan(all / 2);
    await person.focus('checkbox', /^Choose L/);
    await person.press(Key.SPACE);
    await person.untilText(/1 chosen/);
    await person.click('button', 'All columns');
    await person.find('columnheader', 'Sea');
    expect(await driver.executeScript("return document.querySelectorAll('#place-7 tbody tr[data-selected]').length")).toBe(1);
    await person.choose('Rows on a page', '50');
    await person.untilText(/Rows 1 to [3-5]\d of/);
    await driver.executeScript("document.querySelector('#place-7 .zp-frame').scrollTop = 220");
    const [head, frame] = await driver.executeScript<number[]>(
      "return ['#place-7 thead', '#place-7 .zp-frame'].map((each) => document.querySelector(each).getBoundingClientRect().top)",
    );
    expect(Math.abs((head ?? 0) - (frame ?? 0))).toBeLessThan(2);
    expect(await axeFindings(driver)).toEqual([]);
  }, 810_000);

  it('is used on a phone and in Arabic as well, from right to left', async () => {
    await person.open(`${app.url}/pages/thistle-press`);
    await person.click('button', /Table in/);
    await person.choose('Labels in', 'العربية');
    await person.click('checkbox', 'Filter each column');
    await person.untilKept();
    await person.click('button', 'Publish page');
    await person.untilText(/The page is live at/);
    await devTools(driver, 'Emulation.setDeviceMetricsOverride', { width: 390, height: 800, deviceScaleFactor: 2, mobile: true });
    try {
      await person.open(`${app.url}/site/thistle-press`);
      await person.find('searchbox', 'بحث');
      expect(await driver.executeScript("return document.querySelector('[data-visitor] [role=status]').dir")).toBe('rtl');
      const before = await column(0);
      await person.focus('button', 'الصفحة التالية');
      await person.press(Key.ENTER);
      await person.until('the next page', async () => ((await column(0))[0] !== before[0] ? true : undefined));
      await driver.executeScript("document.querySelector('.zp-sort').focus()");
      await person.press(Key.ENTER);
      await person.untilText(/مرتبة تصاعديًا/);
      await person.focus('searchbox', 'بحث');
      await person.press('zzz');
      await person.untilText(/لا يوجد صف يحتوي على هذه الكلمات/);
      // Nothing but the table's own frame is wider than the window.
      expect(await driver.executeScript('return document.documentElement.scrollWidth <= innerWidth')).toBeTrue();
      expect(await axeFindings(driver)).toEqual([]);
    } finally {
      await devTools(driver, 'Emulation.clearDeviceMetricsOverride', {});
    }
  }, 810_000);

  it('is there whole and readable without script, with no control that does nothing', async () => {
    await devTools(driver, 'Emulation.setScriptExecutionDisabled', { value: true });
    try {
      await person.open(`${app.url}/site/night-boats`);
      await person.find('table', 'Every crossing of the autumn timetable');
      expect((await person.all('row', /^L1/)).length).toBe(300);
      expect(await person.all('searchbox', 'Search')).toEqual([]);
      expect(await person.all('button', /./)).toEqual([]);
    } finally {
      await devTools(driver, 'Emulation.setScriptExecutionDisabled', { value: false });
    }
  });
});
