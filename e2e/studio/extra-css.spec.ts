import { Key, type WebDriver } from 'selenium-webdriver';
import { axeFindings } from '../tools/axe';
import { consoleErrors, opened } from '../tools/opened';
import type { Person } from '../tools/person';
import type { App } from '../tools/server';

/** What even the ledger does not have: extra CSS for a theme, then for one table, then for the whole site. */
describe('Extra CSS', () => {
  let [app, driver, person]: [App, WebDriver, Person] = [undefined, undefined, undefined] as never;
  opened({ demo: true }, (all) => ({ app, driver, person } = all));
  afterEach(async () => expect(await consoleErrors(driver, /favicon/)).toEqual([]));

  let [page, theme] = ['', ''];
  const send = async (address: string, method: string, body?: unknown): Promise<Response> =>
    fetch(`${app.url}/api${address}`, {
      method,
      headers: { 'content-type': 'application/json' },
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
    });
  const post = async (address: string, body: unknown): Promise<string> => ((await (await send(address, 'POST', body)).json()) as { id: string }).id;
  beforeAll(async () => {
    const base = { starter: 'hairline', version: 3 };
    const swatches = [{ name: 'lamp', colour: '#b8470a' }];
    theme = await post('/themes', { format: 'zest-theme/2', name: 'Signal', base, swatches, values: {} });
    const block = (id: string, table: string): object => ({
      ...{ id, kind: 'table', shows: { kind: 'tables', id: table }, dress: { kind: 'themes', id: theme } },
      ...{ width: 'fill', align: 'start', room: '0', visitor: null },
    });
    page = await post('/pages', {
      ...{ format: 'zest-page/6', name: 'Signals', slug: 'signals' },
      blocks: [block('a', 'workshop-prices'), block('b', 'evening-crossings')],
    });
    await person.open(`${app.url}/themes/${theme}`);
  });

  const field = (name: string): Promise<unknown> =>
    driver.executeScript('return document.querySelector(".cm-content")?.getAttribute("aria-label") === arguments[0]', name);
  const write = async (name: string, text: string): Promise<void> => {
    await person.click('textbox', name);
    await person.chord(Key.CONTROL, 'a');
    await person.press(Key.DELETE);
    // As it is pasted: the editor closes brackets that are typed.
    await person.paste(await person.find('textbox', name), { 'text/plain': text });
    expect(await field(name)).toBeTrue();
    const stands = 'return document.querySelector(".cm-content").innerText.trim().startsWith(arguments[0])';
    await person.until('what was written', async () => (await driver.executeScript(stands, text.slice(0, 20))) || undefined);
  };
  const shown = (selector: string, property: string): Promise<string> =>
    driver.executeScript<string>(
      `const root = document.querySelector('zest-specimen')?.shadowRoot ?? document.querySelector('zest-specimen *')?.shadowRoot;
       const find = (at) => at?.querySelector(arguments[0]) ?? [...(at?.querySelectorAll('*') ?? [])].map((each) => each.shadowRoot && find(each.shadowRoot)).find(Boolean);
       const found = find(root ?? document.querySelector('zest-specimen'));
       return found ? getComputedStyle(found).getPropertyValue(arguments[1]) : ''`,
      selector,
      property,
    );

  it('says where a mistake is and what would be right, while the rest is seen', async () => {
    await person.click('button', /^Extra CSS/);
    await write('Extra CSS', 'body-rows { colr: navy; word-spacing: 7px }\nbody-row { color: red }\nbody-rows { color: #dddddd }\n');
    await person.untilText(/Line 1\s*There is no property “colr”. Did you mean color\?/);
    await person.untilText(/Line 2\s*“body-row” is no part of a table. Did you mean body-rows\?/);
    await person.until('what is right, in the specimen', async () => ((await shown('tbody td', 'word-spacing')) === '7px' ? true : undefined));
    // It counts where texts are checked.
    await person.untilText(/cannot be read/);
    await person.click('button', 'Line 2');
    const line = `const { anchorNode: at } = getSelection(); return (at.nodeType === 1 ? at : at.parentElement).closest('.cm-line').textContent`;
    await person.until('the cursor in line 2', async () => (await driver.executeScript<string>(line)).includes('body-row {') || undefined);
    await write('Extra CSS', 'body-rows { color: navy; word-spacing: 7px }\n@media (min-width: 1px) { footer { color: #101010 } }\n');
    await person.untilText(/Line 2\s*color: it holds under @media only/);
    expect(await person.isThere('list', 'What is wrong in the extra CSS')).toBeFalse();
    expect(await axeFindings(driver)).toEqual([]);
  });

  it('is a source in why, with its line, and leads back to it', async () => {
    await person.click('button', 'Ledger');
    await person.click('button', 'Body rows');
    await person.click('gridcell', /^Ink, At rest:/);
    await person.untilText(/Line 1 of the extra CSS says this value/);
    await person.click('button', 'Go to Extra CSS, line 1');
    await person.find('textbox', 'Extra CSS');
    await person.untilKept();
    // Also from a theme that grew from it.
    const grown = await post('/themes', { format: 'zest-theme/2', name: 'Night signal', base: { theme }, swatches: [], values: {} });
    await person.open(`${app.url}/themes/${grown}?part=body-rows&condition=rest&property=ink`);
    await person.untilText(/Extra CSS, line 1, in Signal/);
    await person.click('link', 'Set it in Signal');
    await person.find('textbox', 'Extra CSS');
    await person.untilText(/body-rows \{ color: navy/);
  });

  it('is completed with the keyboard, and Tab leaves it', async () => {
    await person.click('textbox', 'Extra CSS');
    await person.chord(Key.CONTROL, Key.END);
    await person.press('column-h');
    await person.find('option', /column-headers/);
    await person.press(Key.ENTER, ':hov');
    await person.find('option', /hovered/);
    await person.press(Key.ENTER);
    await person.press(' {', Key.ENTER, 'color: var(--la');
    await person.find('option', /--lamp/);
    await person.press(Key.ENTER);
    await person.until('the rule', async () => {
      const text = await driver.executeScript<string>('return document.querySelector(".cm-content").innerText');
      return /column-headers:hovered \{\s+color: var\(--lamp/.test(text) || undefined;
    });
    await person.press(Key.ESCAPE, Key.TAB);
    expect(await driver.executeScript('return document.activeElement.closest(".cm-editor")')).toBeNull();
    await person.untilKept();
  });

  const live = (nth: number): Promise<readonly string[]> =>
    driver.executeScript(
      `const cell = document.querySelectorAll('.zp-frame > table')[arguments[0]].querySelector('tbody td');
       const style = getComputedStyle(cell);
       return [style.color, style.wordSpacing, style.textIndent, style.letterSpacing]`,
      nth,
    );

  it('is on live pages, and that of one table is on that table alone', async () => {
    await person.open(`${app.url}/tables/workshop-prices`);
    await person.choose('Dressed in', 'Signal');
    await person.click('button', 'Look');
    await person.click('button', /^Extra CSS of this table/);
    await write('Extra CSS of this table', 'body-rows { text-indent: 3px }\nbody { display: none }');
    await person.untilText(/Line 2\s*“body” is no part of a table/);
    expect(await driver.executeScript<string>('return document.querySelector(".cm-content").innerText')).toContain('text-indent: 3px');
    await person.click('button', 'Close');
    const indented = `return getComputedStyle(document.querySelector('zest-grid').shadowRoot.querySelector('tbody td')).textIndent`;
    await person.until('the table in the editor', async () => ((await driver.executeScript(indented)) === '3px' ? true : undefined));
    await person.untilKept();
    for (const address of [`/tables/workshop-prices/editions`, `/themes/${theme}/editions`, `/pages/${page}/publish`])
      expect((await send(address, 'POST')).ok)
        .withContext(address)
        .toBeTrue();
    await person.open(`${app.url}/site/signals`);
    expect(await live(0)).toEqual(['rgb(0, 0, 128)', '7px', '3px', 'normal']);
    expect(await live(1)).toEqual(['rgb(0, 0, 128)', '7px', '0px', 'normal']);
    expect(await driver.executeScript('return getComputedStyle(document.body).display')).not.toBe('none');
  });

  it('of the whole site is on every table', async () => {
    await person.open(`${app.url}/pages/house`);
    await person.click('button', /^Extra CSS of all tables/);
    await write('Extra CSS of the site’s tables', 'body-rows { letter-spacing: 1px }');
    await person.click('button', 'Close');
    await person.click('button', 'Use it on the site');
    await person.untilText(/The site has/);
    await person.open(`${app.url}/site/signals`);
    for (const nth of [0, 1]) expect((await live(nth))[3]).toBe('1px');
    expect(await axeFindings(driver)).toEqual([]);
  });
});
