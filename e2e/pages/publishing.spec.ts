import { Key, type WebDriver } from 'selenium-webdriver';
import { axeFindings } from '../tools/axe';
import { openBrowser } from '../tools/driver';
import { Person } from '../tools/person';
import { startApp } from '../tools/server';

describe('Publishing', () => {
  let app: Awaited<ReturnType<typeof startApp>>;
  let driver: WebDriver;
  let person: Person;
  beforeAll(async () => {
    app = await startApp({ demo: true });
    driver = await openBrowser();
    person = new Person(driver);
    // Three live pages with one table.
    for (const address of ['pier', 'quay', 'slip']) {
      const page = {
        format: 'zest-page/6',
        name: `At the ${address}`,
        slug: address,
        blocks: [
          {
            id: 'a',
            kind: 'table',
            shows: { kind: 'tables', id: 'fares-by-age' },
            dress: { kind: 'themes', id: 'ticket-stub' },
            width: 'fill',
            align: 'start',
            room: '0',
            visitor: null,
          },
        ],
      };
      const made = (await (await send('/api/pages', page)).json()) as { id: string };
      await send(`/api/pages/${made.id}/publish`, { along: [] });
    }
  }, 1080_000);
  afterAll(async () => {
    await driver.quit();
    await app.kill();
  });

  const send = (path: string, body: object): Promise<Response> =>
    fetch(`${app.url}${path}`, { method: 'POST', body: JSON.stringify(body), headers: { 'Content-Type': 'application/json' } });
  const shown = async (address: string): Promise<string> => (await fetch(`${app.url}/site/${address}`)).text();
  const css = async (address: string): Promise<string> => (await fetch(`${app.url}/site/${address}.css`)).text();
  const openPage = async (name: RegExp): Promise<void> => {
    await person.open(`${app.url}/pages`);
    await person.click('link', name);
    await person.find('button', 'Publish page');
  };
  const type = async (cell: string, text: string): Promise<void> => {
    await person.click('cell', cell);
    await person.press(text, Key.ENTER);
    await person.find('cell', text);
    await person.untilKept();
  };

  it('(d) shows every page that a changed number reaches, as it is and as it will be; three follow at their next load', async () => {
    await person.open(`${app.url}/tables/fares-by-age`);
    await type('£11.00', '£12.75');
    expect(await shown('pier')).toContain('£11.00');
    await person.click('button', 'Publish');
    await person.untilText(/4 live pages follow this table/);
    for (const name of ['At the pier', 'At the quay', 'At the slip', 'Night boats']) await person.find('heading', name);
    expect(await axeFindings(driver)).toEqual([]);
    await person.click('button', 'Publish');
    await person.untilText(/Edition 2 is published/);
    for (const address of ['pier', 'quay', 'slip']) {
      await person.open(`${app.url}/site/${address}`);
      await person.untilText(/£12\.75/);
    }
  });

  it('(e) lets one page stay at the edition that it has, which its placement says and can take back', async () => {
    await person.open(`${app.url}/tables/fares-by-age`);
    await type('£12.75', '£13.40');
    await person.click('button', 'Publish');
    await person.click('checkbox', 'At the quay stays as it is');
    await person.untilText(/1 will stay as it is now/);
    await person.click('button', 'Publish');
    await person.untilText(/Edition 3 is published/);
    expect(await shown('pier')).toContain('£13.40');
    expect(await shown('quay')).toContain('£12.75');
    await openPage(/At the quay/);
    await person.click('button', /Fares by age/);
    await person.choose('Edition of the table', 'the newest, whichever that is');
    await person.untilKept();
    await person.click('button', 'Editions');
    await person.untilText(/The table “Fares by age” has another edition of its table\./);
    await person.click('button', 'Close');
    await person.click('button', 'Publish page');
    await person.untilText(/The page is live at/);
    expect(await shown('quay')).toContain('£13.40');
    await person.click('button', 'Editions');
    const since = await person.find('combobox', 'Since');
    await driver.executeScript('arguments[0].value = "1"; arguments[0].dispatchEvent(new Event("change"))', since);
    await person.find('button', 'Go back to edition 1');
    await person.click('button', 'Close');
  });

  it('asks with a page which of what it follows goes live too, and says where else that is seen', async () => {
    await person.open(`${app.url}/tables/fares-by-age`);
    await type('£13.40', '£14.05');
    await openPage(/At the slip/);
    await person.click('button', 'Publish page');
    await person.untilText(/It changes on .*At the pier.* too/);
    expect(await axeFindings(driver)).toEqual([]);
    await person.click('checkbox', 'Table “Fares by age”');
    await person.click('button', 'Publish');
    await person.untilText(/The page is live at/);
    expect(await shown('slip')).toContain('£13.40');
    await person.click('button', 'Good');
    await person.click('button', 'Publish page');
    await person.click('button', 'Publish');
    await person.untilText(/The page is live at/);
    expect(await shown('slip')).toContain('£14.05');
    expect(await shown('pier')).toContain('£14.05');
  });

  it('is followed at once by a page that is open in another window', async () => {
    await openPage(/At the pier/);
    const inPreview = (): Promise<string> => driver.executeScript("return document.querySelector('iframe').contentDocument.body.innerText");
    await person.until('the table', async () => ((await inPreview()).includes('£14.05') ? true : undefined));
    const { revision } = (await (await fetch(`${app.url}/api/tables/fares-by-age/head`)).json()) as { revision: number };
    const { document } = (await (await fetch(`${app.url}/api/tables/fares-by-age`)).json()) as { document: { rows: string[][] } };
    const rows = document.rows.map((row) => row.map((text) => (text === '£14.05' ? '£15.15' : text)));
    await fetch(`${app.url}/api/tables/fares-by-age`, {
      method: 'PUT',
      body: JSON.stringify({ ...document, rows }),
      headers: { 'Content-Type': 'application/json', 'If-Match': `"${revision}"` },
    });
    await person.until('what was changed elsewhere', async () => ((await inPreview()).includes('£15.15') ? true : undefined));
  });

  it('of a theme holds pages too, in one step', async () => {
    const before = await css('pier');
    await person.open(`${app.url}/themes/ticket-stub?part=table`);
    await person.find('button', /^Publish edition/);
    const theme = (await (await fetch(`${app.url}/api/themes/ticket-stub`)).json()) as { revision: number; document: Record<string, unknown> };
    await fetch(`${app.url}/api/themes/ticket-stub`, {
      method: 'PUT',
      body: JSON.stringify({ ...theme.document, values: { 'body-rows': { rest: { ink: '#135790' } } } }),
      headers: { 'Content-Type': 'application/json', 'If-Match': `"${theme.revision}"` },
    });
    await person.open(`${app.url}/themes/ticket-stub`);
    await person.click('button', /^Publish edition/);
    await person.untilText(/4 live pages follow this theme/);
    await person.click('button', 'All stay as they are');
    await person.click('checkbox', 'At the slip stays as it is');
    await person.click('button', 'Publish');
    await person.untilText(/Edition 2 is published/);
    expect(await css('slip')).toContain('#135790');
    const held = await css('pier');
    expect(held).not.toContain('#135790');
    expect(held.replaceAll('ticket-stub-e1', 'ticket-stub')).toBe(before);
  });
});
