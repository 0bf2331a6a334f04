import fs from 'node:fs';
import path from 'node:path';
import { Key, type WebDriver, type WebElement } from 'selenium-webdriver';
import { axeFindings } from '../tools/axe';
import { consoleErrors, opened } from '../tools/opened';
import type { Person } from '../tools/person';
import { newFolder, type App } from '../tools/server';

/** How a table gets the structure of a real one, whatever its length. */
describe('The structure of a table', () => {
  let [app, driver, person]: [App, WebDriver, Person] = [undefined, undefined, undefined] as never;
  opened({ demo: true }, (all) => ({ app, driver, person } = all));
  afterEach(async () => expect(await consoleErrors(driver)).toEqual([]));

  const paste = async (text: string, rows: string): Promise<void> => {
    await person.open(`${app.url}/tables`);
    await person.click('button', 'New table');
    await person.paste(await person.find('textbox', 'Paste copied cells here'), { 'text/plain': text });
    await person.untilText(new RegExp(rows));
    await person.click('button', 'Create table');
    await person.find('grid', /^Cells of/);
  };
  const idOfOpen = async (): Promise<string> => /tables\/([\w-]+)/.exec(await driver.getCurrentUrl())?.[1] ?? '';
  const markup = async (): Promise<string> => (await fetch(`${app.url}/api/tables/${await idOfOpen()}/markup`)).text();
  const menu = async (button: string, item: string): Promise<void> => {
    await person.click('button', button);
    await person.click('menuitem', item);
  };
  /** Drags one handle of a strip onto another, a little beyond its middle. */
  const drag = async (from: string, to: string, axis: 'x' | 'y'): Promise<void> => {
    const [start, end] = [await person.find('button', from), await person.find('button', to)];
    const by = axis === 'x' ? { x: 12, y: 0 } : { x: 0, y: 6 };
    await driver
      .actions({ async: true })
      .move({ origin: start })
      .press()
      .move({ origin: start, ...by, duration: 60 })
      .perform();
    await driver
      .actions({ async: true })
      .move({ origin: end, ...by, duration: 200 })
      .perform();
    await driver.actions({ async: true }).release().perform();
  };
  const rowOf = (cell: WebElement): Promise<string> =>
    driver.executeScript<string>('return [...arguments[0].parentElement.cells].map((each) => each.innerText.trim()).join("|")', cell);

  it('(b) has a two-tier header with row headers, and its caption below on the right', async () => {
    await paste('Boat\tLeaves\ty\nx\tWeekday\tWeekend\nMoth\t18:35\t19:05\nWick\t19:20\t20:10\n', '4 rows, 3 columns');
    await person.fill('spinbutton', 'Header rows', '2');
    await person.press(Key.TAB);
    await person.fill('spinbutton', 'Row header columns', '1');
    await person.press(Key.TAB);
    for (const name of ['x', 'y']) {
      await person.click('columnheader', name);
      await person.press(Key.DELETE);
    }
    await person.click('columnheader', 'Boat');
    await person.chord(Key.SHIFT, Key.ARROW_DOWN);
    await person.click('button', 'Merge');
    await person.click('columnheader', 'Leaves');
    await person.chord(Key.SHIFT, Key.ARROW_RIGHT);
    await person.click('button', 'Merge');
    await person.fill('textbox', 'Caption', 'Night boats');
    await person.choose('Stands', 'below');
    await person.choose('Aligned', 'at the end');
    await person.choose('Dressed in', 'Harbour dusk');
    const caption = await person.until('the caption below the table', async () => {
      const found = await driver.executeScript<{ side: string; align: string; isBelow: boolean } | null>(
        `const root = document.querySelector('zest-grid').shadowRoot, caption = root.querySelector('caption');
         if (!caption) return null;
         const style = getComputedStyle(caption);
         return { side: style.captionSide, align: style.textAlign, isBelow: caption.getBoundingClientRect().top > root.querySelector('tbody').getBoundingClientRect().bottom - 1 }`,
      );
      return found?.isBelow === true ? found : undefined;
    });
    expect([caption.side, caption.align]).toEqual(['bottom', 'end']);
    const html = await person.until('the theme in the markup', async () => {
      const found = await markup();
      return found.includes('zp-harbour-dusk') ? found : undefined;
    });
    expect(html).toContain('class="zp-harbour-dusk zp-caption-below zp-caption-end"');
    // Its theme stacks it where it is narrow, so that everything says what it is.
    expect(html).toContain(
      '<th role="columnheader" class="zp-group zp-beside zp-second zp-even zp-end zp-even-group" scope="colgroup" colspan="2">Leaves</th>',
    );
    expect(html).toContain('<th role="rowheader" scope="row">Moth</th>');
    expect(await axeFindings(driver, { stylesheets: false })).toEqual([]);
  });

  it('has rows under headings, which stay theirs when a newer file comes', async () => {
    await paste('Boat\tTo\tFare\nNorth\t\t\nMoth\tSkerrin\t8\nWick\tTarn Isle\t11\nSouth\t\t\nAda\tLow Sound\t14\n', '6 rows, 3 columns');
    for (const name of ['North', 'South']) {
      await person.click(/./.test(name) ? 'rowheader' : 'cell', name);
      await menu('Row', 'Make a heading of the rows below');
    }
    const south = /<tbody>\s*<tr[^>]*><th class="[^"]*\bzp-heading\b[^"]*"[^>]*scope="rowgroup" colspan="3">South<\/th><\/tr>/;
    await person.until('both headings in the markup', async () => south.test(await markup()) || undefined);
    await person.click('rowheader', 'Moth');
    await person.chord(Key.SHIFT, Key.ARROW_DOWN);
    await person.chord(Key.SHIFT, Key.ARROW_DOWN);
    await person.click('button', 'Merge');
    await person.find('alert', /cannot reach over the heading in row 5/);
    await person.click('rowheader', 'South');
    await menu('Row', 'Make a plain row again');
    await person.click('button', /^Undo make a plain row/);
    await person.untilKept();
    await person.click('button', 'Bring in again');
    await person.paste(await person.find('textbox', 'Paste copied cells here'), {
      'text/plain': 'Boat\tTo\tFare\nMoth\tSkerrin\t9\nWick\tTarn Isle\t11\nGull\tTarn Isle\t12\nAda\tLow Sound\t14\n',
    });
    await person.click('button', 'Compare');
    await person.untilText(/1 cell changed, 1 row new, 0 rows gone/);
    await person.click('button', 'Take it in');
    await person.find('rowheader', 'Gull');
    await person.until('Gull in the northern group', async () => /Gull[\s\S]*South/.test(await markup()) || undefined);
  });

  it('moves rows and columns by dragging, and makes a column wider by its edge or by typing', async () => {
    await paste('Boat\tTo\tFare\nMoth\tSkerrin\t8\nWick\tTarn Isle\t11\nAda\tLow Sound\t14\n', '4 rows, 3 columns');
    await drag('Choose column 3', 'Choose column 2', 'x');
    await person.until('Fare second', async () => ((await rowOf(await person.find('columnheader', 'Boat'))) === 'Boat|Fare|To' ? true : undefined));
    await drag('Choose row 4', 'Choose row 2', 'y');
    await person.find('button', /^Undo move a row/);
    const widthOf = (): Promise<number> =>
      driver.executeScript<number>("return document.querySelector('zest-grid').shadowRoot.querySelectorAll('col')[1].getBoundingClientRect().width");
    await person.click('columnheader', 'Fare');
    await person.fill('textbox', 'Width', '260');
    await person.press(Key.TAB);
    await person.until('a wide column', async () => (Math.abs((await widthOf()) - 260) < 2 ? true : undefined));
    const edge = await person.find('button', 'Choose column 2');
    const { width } = await edge.getRect();
    await driver
      .actions({ async: true })
      .move({ origin: edge, x: Math.round(width / 2) - 3, y: 0 })
      .press()
      .move({ origin: edge, x: Math.round(width / 2) + 57, y: 0, duration: 150 })
      .release()
      .perform();
    await person.until('a wider column', async () => (Math.abs((await widthOf()) - 320) < 4 ? true : undefined));
    await person.fill('textbox', 'Width', 'wide');
    await person.press(Key.TAB);
    await person.find('alert', /“wide” is no width/);
    await person.click('button', 'All equally wide');
    await person.click('columnheader', 'To');
    await menu('Column', 'Hide');
    await person.click('checkbox', 'First column stays in view');
    const html = await person.until('a pinned column in the markup', async () => {
      const found = await markup();
      return found.includes('zp-pinned') ? found : undefined;
    });
    expect(html).not.toContain('Skerrin');
    expect(html).toContain('<col style="width: 50%">');
  });

  it('goes back to how it stood before any earlier work, an import included', async () => {
    await paste('Boat\tFare\nMoth\t8\nWick\t11\n', '3 rows, 2 columns');
    await person.click('cell', '8');
    await person.press('9', Key.ENTER);
    await person.untilKept();
    await person.fill('textbox', 'Caption', 'Fares');
    await person.untilKept();
    await person.open(`${app.url}/tables/${await idOfOpen()}`);
    await person.find('cell', '9');
    await person.click('button', 'History');
    await person.find('heading', /^History of/);
    expect(await axeFindings(driver, { stylesheets: false })).toEqual([]);
    await person.click('button', /^Go back to before this: type in row 2, column 2/);
    await person.find('cell', '8');
    expect(await (await person.find('textbox', 'Caption')).getAttribute('value')).toBe('');
    await person.click('button', /^Undo go back to an earlier state/);
    await person.find('cell', '9');
    await person.untilKept();
  });

  it('(e) holds a table of 100,000 rows: it comes in with progress, scrolls, is edited and kept, and few rows are in the document', async () => {
    const lines = Array.from({ length: 100_000 }, (_, i) =>
      [`L${i + 1}`, `2026-0${(i % 9) + 1}-1${i % 9}`, ...Array.from({ length: 10 }, (_each, c) => String((i * (c + 3)) % 997))].join(','),
    );
    const file = path.join(newFolder(), 'log.csv');
    fs.writeFileSync(file, ['Crossing,Day,' + 'abcdefghij'.split('').join(','), ...lines].join('\n'));
    await person.open(`${app.url}/tables`);
    await person.click('button', 'New table');
    await person.find('button', 'Open a file');
    const chooser = await driver.executeScript<WebElement>('return document.querySelector("input[type=file]")');
    await chooser.sendKeys(file);
    await person.untilText(/100,001 rows, 12 columns/);
    await person.click('button', 'Create table');
    await person.untilLong('the grid', async () => ((await person.isThere('grid', 'Cells of log')) ? true : undefined));
    await person.click('rowheader', 'L2');
    await person.chord(Key.CONTROL, Key.END);
    await person.find('rowheader', 'L100000');
    const inDocument = (): Promise<number> =>
      driver.executeScript<number>("return document.querySelector('zest-grid').shadowRoot.querySelectorAll('tr').length");
    expect(await inDocument()).toBeLessThanOrEqual(200);
    await driver.executeScript("const s = document.querySelector('zest-grid').shadowRoot.querySelector('.scroll'); s.scrollTop = s.scrollHeight / 2");
    // Rows take turns while the view moves: one is aimed at when all of them stand still.
    const shownNames = async (): Promise<readonly string[]> =>
      Promise.all((await person.all('rowheader', /^L[45]\d{4}$/)).map((each) => each.getText()));
    const name = await person.until('a row of the middle, once it stands still', async () => {
      const before = await shownNames();
      await driver.executeAsyncScript('const done = arguments[0]; requestAnimationFrame(() => requestAnimationFrame(() => setTimeout(done, 50)))');
      const after = await shownNames();
      // Not one of the first, which the header may cover.
      return before.length > 0 && before.join() === after.join() ? after[Math.floor(after.length / 2)] : undefined;
    });
    const row = Number(name.slice(1)) + 1;
    await driver.executeScript(
      'globalThis.sent = []; const send = globalThis.fetch; globalThis.fetch = (...all) => { const body = all[1]?.body; if (body) globalThis.sent.push(body); return send(...all); }',
    );
    await person.click('rowheader', name);
    await person.press(Key.ARROW_RIGHT);
    await person.press('2026-12-24', Key.ENTER);
    await person.untilText(/Saving|All changes kept/);
    await person.untilKept();
    const sent = await person.until('what was sent', async () => {
      const bodies = await driver.executeScript<string[]>(
        'return globalThis.sent.map((body) => (typeof body === "string" ? body : new TextDecoder().decode(body)))',
      );
      return bodies.length > 0 ? bodies : undefined;
    });
    expect(sent.map((body) => JSON.parse(body) as unknown)).toEqual([
      { change: { rows: [{ at: row - 1, cells: [[1, '2026-12-24']] }] }, said: [`type in row ${row}, column 2`] },
    ]);
    expect(await inDocument()).toBeLessThanOrEqual(200);
    const id = await idOfOpen();
    const kept = (await (await fetch(`${app.url}/api/tables/${id}/data.csv`)).text()).split('\r\n');
    expect(kept.length).toBe(100_001);
    expect(kept[row - 1]).toContain(`${name},2026-12-24`);
    // Opened again it comes piece by piece, and is the same.
    await person.open(`${app.url}/tables/${id}`);
    await person.untilLong('the grid again', async () => ((await person.isThere('grid', 'Cells of log')) ? true : undefined));
    await person.find('rowheader', 'L1');
  }, 1080_000);
});
