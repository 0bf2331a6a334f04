import type { WebDriver } from 'selenium-webdriver';
import { consoleErrors, opened } from '../tools/opened';
import type { Person } from '../tools/person';
import type { App } from '../tools/server';

interface Kept {
  readonly id: string;
  readonly document: { readonly name: string; readonly slug: string };
}

/** The sample world in good order, as somebody finds it who opens the tool for the first time. */
describe('The sample world', () => {
  let [app, driver, person]: [App, WebDriver, Person] = [undefined, undefined, undefined] as never;
  opened({ demo: true }, (all) => ({ app, driver, person } = all));
  afterEach(async () => expect(await consoleErrors(driver)).toEqual([]));
  const all = async (kind: string): Promise<readonly Kept[]> => (await (await fetch(`${app.url}/api/${kind}`)).json()) as readonly Kept[];

  it('has each of its tables on a page', async () => {
    const pages = await Promise.all((await all('pages')).map(async ({ document: { slug } }) => (await fetch(`${app.url}/site/${slug}`)).text()));
    for (const { id, document } of await all('tables')) {
      const { document: table } = (await (await fetch(`${app.url}/api/tables/${id}`)).json()) as { document: { caption: string } };
      expect(pages.some((html) => html.includes(table.caption || document.name)))
        .withContext(document.name)
        .toBeTrue();
    }
  });

  it('has no table that is too wide at eight widths, but such as scroll as their theme says', async () => {
    await person.open(`${app.url}/themes`);
    const found = `const [address, width, done] = arguments;
      const frame = document.createElement('iframe');
      frame.style.cssText = 'position:fixed;inset:0 auto auto 0;border:0;height:800px;width:' + width + 'px';
      frame.onload = async () => {
        const page = frame.contentDocument;
        await page.fonts.ready;
        const wide = [...page.querySelectorAll('.zp-frame')]
          .filter((each) => each.scrollWidth - each.clientWidth > 1 && frame.contentWindow.getComputedStyle(each).animationName === 'none')
          .map((each) => each.textContent.trim().slice(0, 30));
        const sideways = page.documentElement.scrollWidth > page.documentElement.clientWidth ? ['the page'] : [];
        frame.remove();
        done([...wide, ...sideways]);
      };
      frame.src = address;
      document.body.append(frame);`;
    for (const { document } of await all('pages'))
      for (const width of [320, 360, 412, 480, 640, 768, 1024, 1280])
        expect(await driver.executeAsyncScript<readonly string[]>(found, `/site/${document.slug}`, width))
          .withContext(`${document.name} at ${width}`)
          .toEqual([]);
  });

  it('says with a page that goes live which table does not fit a phone', async () => {
    await person.open(`${app.url}/pages/harbour-office`);
    await person.click('button', 'Publish page');
    await person.untilText(/The page is live at \/site\/harbour-office\.(?! At 320)/);
    const { revision, document } = (await (await fetch(`${app.url}/api/themes/night-watch`)).json()) as { revision: number; document: object };
    const answer = await fetch(`${app.url}/api/themes/night-watch`, {
      method: 'PUT',
      headers: { 'Content-Type': 'application/json', 'If-Match': `"${revision}"` },
      body: JSON.stringify({ ...document, widths: [] }),
    });
    expect(answer.status).toBe(200);
    await person.open(`${app.url}/pages/harbour-office`);
    await person.click('button', 'Publish page');
    await person.untilText(/have changed since they were published/);
    await person.click('button', 'Publish');
    await person.untilText(/is live at \/site\/harbour-office\. At 320 px too wide: “The fleet tonight” by \d+ px\./);
  });
});
