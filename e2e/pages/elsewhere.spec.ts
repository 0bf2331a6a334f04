import { createServer, type Server } from 'node:http';
import { Key, type WebDriver, type WebElement } from 'selenium-webdriver';
import { axeFindings } from '../tools/axe';
import { openBrowser } from '../tools/driver';
import { Person } from '../tools/person';
import { startApp } from '../tools/server';

const EDGES = ['top', 'right', 'bottom', 'left'].flatMap((side) => [`border-${side}-width`, `border-${side}-style`, `border-${side}-color`]);
/** What is looked at of every element of a table, and what more of those in which text stands: all but what hangs on how wide the place is. */
const LOOKS = [
  ...EDGES,
  'background-color',
  'background-image',
  'opacity',
  'display',
  'border-collapse',
  'border-spacing',
  'box-shadow',
  'outline-style',
];
const TYPE = [
  ...['color', 'text-decoration-line', 'text-transform', 'text-align', 'vertical-align', 'white-space', 'letter-spacing', 'line-height'],
  ...['font-family', 'font-size', 'font-weight', 'font-style', 'font-variant', 'padding-top', 'padding-right', 'padding-bottom', 'padding-left'],
];
/** The table wherever it stands; \`undefined\` until it has come and its fonts are there. */
const tableScript = `
  const roots = [document, ...[...document.querySelectorAll('zest-pane-table, night-boats, .after, zest-pane-table + div')].map((host) => host.shadowRoot).filter(Boolean)];
  const table = roots.flatMap((root) => [...root.querySelectorAll('table')]).find((each) => each.textContent.includes(arguments[0]));`;

describe('A table on another site', () => {
  let app: Awaited<ReturnType<typeof startApp>>;
  let driver: WebDriver;
  let person: Person;
  beforeAll(async () => {
    app = await startApp({ demo: true });
    driver = await openBrowser();
    person = new Person(driver);
  }, 1080_000);
  afterAll(async () => {
    await driver.quit();
    await app.kill();
  });

  /** The text of the table that has a word in it. */
  const text = (word: string): Promise<string> =>
    person.until(
      `a table with ${word}`,
      async () => (await driver.executeScript<string | undefined>(`${tableScript} return table?.textContent`, word)) ?? undefined,
    );
  const looks = (word: string): Promise<readonly string[]> =>
    person.until(
      `a table with ${word}`,
      async () =>
        (await driver.executeScript<string[] | undefined>(
          `${tableScript}
           return table && document.fonts.status === 'loaded' && [table, ...table.querySelectorAll('caption, thead, tbody, tfoot, tr, th, td')].map((each) => {
             const style = getComputedStyle(each);
             const names = each.matches('caption, th, td') ? [...arguments[1], ...arguments[2]] : arguments[1];
             return each.tagName + ' ' + names.map((name) => name + ':' + style.getPropertyValue(name)).join(';');
           })`,
          word,
          LOOKS,
          TYPE,
        )) || undefined,
    );
  const differing = (found: readonly string[], home: readonly string[]): readonly string[] =>
    found.length === home.length
      ? found.filter((each, i) => each !== home[i]).map((each) => `${each} at home ${home[found.indexOf(each)]}`)
      : ['other elements'];
  const openDialog = async (): Promise<void> => {
    await person.open(`${app.url}/pages/night-boats`);
    await person.click('button', /^Fares by age/);
    await person.click('button', 'Put it elsewhere');
    await person.find('heading', /Put “Fares by age” elsewhere/);
  };
  const lines = async (): Promise<string> =>
    driver.executeScript<string>('return arguments[0].value', await person.find('textbox', /^Lines to paste/));
  /** Writes a story on the neighbouring site, pasting with the keyboard what was copied. */
  const writeStory = async (headline: string): Promise<void> => {
    await person.open(`${app.neighbour}/edit`);
    await person.fill('textbox', 'Headline', headline);
    await person.focus('textbox', 'Story, as HTML');
    await person.chord(Key.CONTROL, 'v');
    await person.click('button', 'Save the story');
    await person.find('heading', headline);
  };
  const type = async (cell: string, text: string): Promise<void> => {
    await person.open(`${app.url}/tables/fares-by-age`);
    await person.click('cell', cell);
    await person.press(text, Key.ENTER);
    await person.find('cell', text);
    await person.untilKept();
    await person.click('button', 'Publish');
    await person.untilText(/live page follows this table/);
    await person.click('button', 'Publish');
    await person.untilText(/is published/);
  };

  it('(f) stands there in its look by two copied lines, and a changed number is there at the next load', async () => {
    await person.open(`${app.url}/site/night-boats`);
    const home = await looks('Bicycle');
    await openDialog();
    expect(await axeFindings(driver)).toEqual([]);
    expect((await lines()).split('\n').length).toBe(4);
    await person.click('button', 'Copy the lines');
    await person.untilText(/Copied\./);
    await writeStory('What it costs');
    expect(await text('Bicycle')).toContain('£11.00');
    expect(differing(await looks('Bicycle'), home)).toEqual([]);
    expect(await axeFindings(driver, { stylesheets: false })).toEqual([]);
    const story = await driver.getCurrentUrl();
    await type('£11.00', '£12.25');
    await person.open(story);
    expect(await text('Bicycle')).toContain('£12.25');
    expect(await driver.manage().logs().get('browser')).toEqual([]);
  }, 810_000);

  it('stands there as plain HTML too, under a stylesheet that says other things of tables, and its look follows', async () => {
    await person.open(`${app.url}/site/night-boats`);
    const home = await looks('Bicycle');
    await openDialog();
    await person.click('radio', /As plain HTML/);
    await person.untilText(/The cells stay as they are in these lines/);
    await person.click('button', 'Copy the lines');
    await writeStory('Plainly');
    expect(differing(await looks('Bicycle'), home)).toEqual([]);
    const story = await driver.getCurrentUrl();
    const { revision, document } = (await (await fetch(`${app.url}/api/themes/ticket-stub`)).json()) as {
      revision: number;
      document: { values: Record<string, Record<string, object>> };
    };
    const body = document.values['body-rows'] ?? {};
    const changed = { ...document, values: { ...document.values, 'body-rows': { ...body, rest: { ...body['rest'], fill: '#ddeeff' } } } };
    const headers = { 'Content-Type': 'application/json', 'If-Match': `"${revision}"` };
    const saved = await fetch(`${app.url}/api/themes/ticket-stub`, { method: 'PUT', body: JSON.stringify(changed), headers });
    expect(saved.ok)
      .withContext(await saved.text())
      .toBeTrue();
    const published = await fetch(`${app.url}/api/themes/ticket-stub/editions`, {
      method: 'POST',
      body: '{"hold":[]}',
      headers: { ...headers, 'If-Match': `"${revision + 1}"` },
    });
    expect(published.ok)
      .withContext(await published.text())
      .toBeTrue();
    await person.open(story);
    expect((await looks('Bicycle')).join('\n')).toContain('background-color:rgb(221, 238, 255)');
  });

  it('lets visitors of the other site sort and turn pages by keyboard, and keeps the focus', async () => {
    await person.open(`${app.neighbour}/story/night-boats`);
    await text('L1001');
    const active = 'document.querySelector("zest-pane-table").shadowRoot.activeElement';
    const until = (what: string, script: string): Promise<boolean> =>
      person.until(what, async () => (await driver.executeScript<boolean>(`return ${script}`)) || undefined);
    const field = await driver.executeScript<WebElement>('return document.querySelector("zest-pane-table").shadowRoot.querySelector("input")');
    await field.sendKeys('moth');
    await until('rows that were found', '/Rows 1 to 10 of \\d\\d found/.test(document.querySelector("zest-pane-table").shadowRoot.textContent)');
    await driver.executeScript('document.querySelector("zest-pane-table").shadowRoot.querySelector("[data-to=next]").focus()');
    await person.press(Key.ENTER);
    await until(
      'the next page, with the focus where it was',
      `${active}?.dataset.to === "next" && /Rows 11/.test(document.querySelector("zest-pane-table").shadowRoot.textContent)`,
    );
  });

  describe('of which something is in the way', () => {
    let other: Server;
    let url = '';
    let body = '';
    beforeAll(async () => {
      other = createServer((_request, response) => {
        response.setHeader('Content-Type', 'text/html; charset=utf-8');
        response.end(`<!doctype html><html lang="en"><title>Other</title><body>${body}</body></html>`);
      });
      await new Promise<void>((resolve) => other.listen(0, '127.0.0.1', resolve));
      url = `http://localhost:${(other.address() as { port: number }).port}`;
    });
    afterAll(() => other.close());
    const own =
      '<script>customElements.define("zest-pane-table", class extends HTMLElement { connectedCallback() { this.textContent = "Its own" } })</script>';
    const warnings = async (): Promise<string> => (await driver.manage().logs().get('browser')).map(({ message }) => message).join('\n');

    it('stands right after an element of the page’s own that has its name, which does what it did, and a sentence says so', async () => {
      await openDialog();
      body = own + (await lines());
      await person.open(url);
      expect(await text('Bicycle')).toContain('Ten crossings');
      await person.untilText(/Its own/);
      expect(await warnings()).toMatch(/has an element of its own called zest-pane-table.*Give them another name/);
    });
    it('has another name where that is asked for', async () => {
      await openDialog();
      await person.fill('textbox', 'Name of the element', 'Boats');
      await person.untilText(/“Boats” is no name for an element/);
      await person.fill('textbox', 'Name of the element', 'night-boats');
      body = own + (await lines());
      await person.open(url);
      expect(await text('Bicycle')).toContain('Ten crossings');
      expect(await driver.executeScript('return getComputedStyle(document.querySelector("night-boats")).display')).toBe('block');
      expect(await warnings()).toBe('');
    });
    it('stands there twice by lines that were pasted twice', async () => {
      await openDialog();
      body = `${await lines()}\n${await lines()}`;
      await person.open(url);
      await text('Bicycle');
      await person.until(
        'two tables',
        async () =>
          (await driver.executeScript<boolean>(
            'return [...document.querySelectorAll("zest-pane-table")].filter((host) => host.shadowRoot?.querySelector("table")).length === 2',
          )) || undefined,
      );
      expect(await warnings()).toBe('');
    });
    it('is a link where it cannot be had, with a sentence that says why', async () => {
      await openDialog();
      body = (await lines()).replace('night-boats/b5"', 'night-boats/gone"');
      await person.open(url);
      await person.find('link', 'Fares by age');
      await person.until('the sentence', async () => /nothing is published there/.test(await warnings()) || undefined);
      // Nor where the script itself cannot.
      body = body.replace(/src="[^"]*\/elsewhere\/table\.js"/, 'src="/none.js"');
      await person.open(url);
      await person.find('link', 'Fares by age');
    });
  });
});
