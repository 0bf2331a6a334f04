import { Key, type WebDriver } from 'selenium-webdriver';
import { axeFindings } from '../tools/axe';
import { devTools } from '../tools/driver';
import { consoleErrors, opened } from '../tools/opened';
import type { Person } from '../tools/person';
import type { App } from '../tools/server';

/** A theme made fit for narrow containers, on the demo data. */
describe('At narrow widths', () => {
  let app: App;
  let driver: WebDriver;
  let person: Person;
  opened({ demo: true }, (all) => ({ app, driver, person } = all));
  afterEach(async () => {
    expect(await consoleErrors(driver))
      .withContext('console')
      .toEqual([]);
  });

  const setValue = async (property: string, condition: string, text: string): Promise<void> => {
    await person.click('gridcell', new RegExp(`^${property}, ${condition}:`));
    await person.press(text, Key.ENTER);
    await person.find('gridcell', new RegExp(`^${property}, ${condition}: .*set here`));
  };
  const padding = async (): Promise<string> => person.style(await person.find('cell', 'Fennel Point'), 'padding-inline-start');
  const wide = (width: number): Promise<unknown> =>
    devTools(driver, 'Emulation.setDeviceMetricsOverride', { width, height: 800, deviceScaleFactor: 1, mobile: false });

  it('a table with columns that are worked out is measured as any other, and can be made fit', async () => {
    const { document } = (await (await fetch(`${app.url}/api/tables/fleet-tonight`)).json()) as {
      readonly document: { readonly columns: readonly object[] };
    };
    const whole = { ...document, name: 'All worked out', columns: document.columns.map((column) => ({ ...column, hidden: false })) };
    const made = await fetch(`${app.url}/api/tables`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(whole),
    });
    expect(made.status).toBe(201);
    await person.open(`${app.url}/themes/low-sound`);
    await person.find('grid', 'Values of Body rows');
    await person.choose(/Shown on/, 'One column');
    await person.choose(/Shown on/, 'All worked out');
    await person.click('button', 'Make it fit');
    await person.find('dialog', 'Steps at which it fits');
    await person.press(Key.ESCAPE);
  });

  it('a table in equal columns is as wide as the grid in which it is edited, and as its texts are when the theme changes', async () => {
    const send = async (
      path: string,
      method: string,
      body: unknown,
      revision?: number,
    ): Promise<{ readonly id: string; readonly revision: number }> =>
      (await (
        await fetch(`${app.url}/api/${path}`, {
          method,
          headers: { 'Content-Type': 'application/json', ...(revision === undefined ? {} : { 'If-Match': `"${revision}"` }) },
          body: JSON.stringify(body),
        })
      ).json()) as { readonly id: string; readonly revision: number };
    const tiles = { format: 'zest-theme/2', name: 'Tiled', base: { starter: 'tiles', version: 1 }, swatches: [], values: {} };
    const { id } = await send('themes', 'POST', tiles);
    const { revision } = (await (await fetch(`${app.url}/api/tables/berths/head`)).json()) as { readonly revision: number };
    const wears = (theme: string, from: number): Promise<{ readonly revision: number }> =>
      send('tables/berths', 'PATCH', { change: { head: { theme } }, said: ['wear another theme'] }, from);
    const widths = async (): Promise<readonly number[]> => {
      await person.open(`${app.url}/tables/berths`);
      await person.find('grid', /^Cells of/);
      return Promise.all((await person.all('columnheader')).map(async (each) => (await each.getRect()).width));
    };
    const next = await wears(id, revision);
    const equal = await widths();
    expect(Math.max(...equal) - Math.min(...equal)).toBeLessThan(2);
    expect(equal.reduce((sum, width) => sum + width, 0)).toBeLessThan(1280);
    await wears('harbour-dusk', next.revision);
    const byContent = await widths();
    expect(byContent.reduce((sum, width) => sum + width, 0)).toBeLessThan(1280);
    expect(Math.max(...byContent) - Math.min(...byContent)).toBeGreaterThan(10);
  });

  it('a width step has values of its own, which hold there and show what they fall back to', async () => {
    await person.open(`${app.url}/themes/low-sound`);
    await person.find('grid', 'Values of Body rows');
    await person.choose(/Shown on/, 'A small sample');
    const before = await padding();
    await person.click('button', /^At narrow, 480 pixels/);
    await setValue('Padding', 'At rest', '2px 5px');
    await person.until('the narrow padding', async () => ((await padding()) === '5px' ? true : undefined));
    await person.find('gridcell', /^Size, At rest: body, from/);
    await person.untilText(/Body rows, at narrow\s+2px/);
    // Every width has what it had; dragged to 400 px, specimen and ledger go back to the step.
    await person.click('button', 'Every width');
    await person.until('the usual padding', async () => ((await padding()) === before ? true : undefined));
    await person.find('gridcell', /^Padding, At rest: (?!2px)/);
    await driver.executeScript(
      'arguments[0].value = 400; arguments[0].dispatchEvent(new Event("input"))',
      await person.find('slider', 'Container width'),
    );
    await person.find('gridcell', /^Padding, At rest: 2px 5px/);
    await person.find('button', /^At narrow.*4 set/);
    // A step is added, refused where one begins already, renamed and taken away.
    await person.click('button', 'Add a width step');
    await person.fill('textbox', 'Name', 'column');
    await person.fill('spinbutton', /Holds up to/, '480');
    await person.click('button', 'Add it');
    await person.find('alert', /narrow.*480px already/);
    await person.fill('spinbutton', /Holds up to/, '300');
    await person.click('button', 'Add it');
    await person.click('button', 'Change the step column');
    await person.fill('textbox', 'Name', 'gutter');
    await person.click('button', 'Change it');
    await person.find('button', /^At gutter, 300/);
    // It also has what the wider step says.
    await person.find('gridcell', /^Padding, At rest: 2px 5px, from Body rows, at narrow/);
    await person.click('button', 'Change the step gutter');
    await person.click('button', 'Take it away');
    await person.gone('button', /^At gutter/);
    await person.untilKept();
    await driver.navigate().refresh();
    await person.find('button', /^At narrow.*4 set/);
  }, 810_000);

  it('a wide timetable is stacked for a phone in four actions, keeps its table meaning, and is published so', async () => {
    await person.open(`${app.url}/themes/thistle-ledger?part=table`);
    await person.find('grid', 'Values of Whole table');
    await person.click('button', /^At narrow, 480 pixels/);
    await setValue('Arrangement', 'At rest', 'stacked');
    await person.click('button', /^Publish edition/);
    await person.untilText(/live pages? follows? this theme/);
    await person.click('button', 'Publish');
    await person.untilText(/is published/);
    await wide(360);
    await person.open(`${app.url}/site/thistle-press`);
    await person.find('table', /Workshop/);
    const [across, tops] = await driver.executeScript<readonly [number, number]>(
      `const row = document.querySelector('main tbody > tr');
       return [document.documentElement.scrollWidth, new Set([...row.cells].map((cell) => cell.getBoundingClientRect().top)).size];`,
    );
    expect(across).toBeLessThanOrEqual(360);
    expect(tops).toBeGreaterThan(2);
    // Those who hear it have rows, headers and cells as before.
    await person.find('rowheader', 'Setting a first line');
    await person.find('columnheader', /Hours/);
    expect(await axeFindings(driver)).toEqual([]);
    await wide(1280);
    await driver.wait(
      async () =>
        (await driver.executeScript(
          "return new Set([...document.querySelector('main tbody > tr').cells].map((cell) => cell.getBoundingClientRect().top)).size",
        )) === 1,
      5000,
    );
  });

  it('it is said how the table does, and one action makes it fit, with the reason', async () => {
    await person.open(`${app.url}/themes/paper-stock`);
    await person.choose(/Shown on/, 'Evening crossings');
    await person.untilText(/\d+ px: fits/);
    const drag = async (width: number): Promise<void> => {
      await driver.executeScript(
        'arguments[0].value = arguments[1]; arguments[0].dispatchEvent(new Event("input"))',
        await person.find('slider', 'Container width'),
        width,
      );
    };
    await drag(400);
    await person.untilText(/400 px: overflows by \d+ px/);
    // What is said is what the browser does, within 2 px.
    const said = Number(/overflows by (\d+) px/.exec(await person.text())?.[1]);
    const beyond = await driver.executeScript<number>(
      `const frame = document.querySelector('zest-specimen .host').shadowRoot.querySelector('.zp-frame');
       for (const icon of frame.querySelectorAll('[aria-sort]')) icon.removeAttribute('aria-sort');
       return frame.scrollWidth - frame.clientWidth;`,
    );
    expect(Math.abs(beyond - said)).toBeLessThanOrEqual(2);
    await person.click('button', 'Make it fit');
    await person.untilText(/each row becomes a block with labels/);
    expect(await axeFindings(driver)).toEqual([]);
    await person.click('button', /^Take/);
    await drag(400);
    await person.untilText(/400 px: fits/);
    for (const width of [320, 480, 560, 640, 800]) {
      await drag(width);
      await person.until(`no overflow at ${width}`, async () =>
        (await driver.executeScript<boolean>(
          `const frame = document.querySelector('zest-specimen .host').shadowRoot.querySelector('.zp-frame');
           return Math.abs(frame.clientWidth - arguments[0]) < 9 && frame.scrollWidth <= frame.clientWidth;`,
          width,
        ))
          ? true
          : undefined,
      );
    }
    await person.click('button', 'Three widths');
    await person.untilText(/340\s*fits, stacked/);
    await person.untilText(/1100\s*fits/);
    expect(await axeFindings(driver)).toEqual([]);
    await person.click('button', 'Three widths');
    await person.click('button', /^Undo make it fit/);
    await person.untilKept();
  });

  it('a page is seen at three widths at once, each with a line on how its tables do', async () => {
    await person.open(`${app.url}/pages/night-boats`);
    await person.find('slider', 'Page width');
    await person.untilText(/At \d+ px: /);
    await person.click('button', 'Three widths');
    await person.untilText(/360\s*fits, 3 tables stacked/);
    await person.untilText(/1280\s*fits/);
    // Nothing that is pointed at is too small (WCAG 2.2, 2.5.8).
    expect(await person.text()).not.toMatch(/under 24 px/);
    expect(await axeFindings(driver)).toEqual([]);
    const framed = await driver.executeScript<readonly number[]>(
      "return [...document.querySelectorAll('zest-three-widths iframe')].map((frame) => frame.contentWindow.innerWidth)",
    );
    expect(framed).toEqual([360, 768, 1280]);
  });
});
