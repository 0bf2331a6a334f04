import type { WebDriver } from 'selenium-webdriver';
import { axeFindings } from '../tools/axe';
import { openBrowser } from '../tools/driver';
import { Person } from '../tools/person';
import { startApp } from '../tools/server';

describe('Under the site’s house stylesheet', () => {
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

  /** Computed styles of the first cell of a live page's table, inside a shadow root where it stands in one. */
  const cell = async (address: string, place: string, ...names: readonly string[]): Promise<readonly string[]> => {
    await person.open(`${app.url}/site/${address}`);
    return driver.executeScript<string[]>(
      `const [place, names] = arguments;
       const roots = [document, ...[...document.querySelectorAll('zest-pane-table')].map((host) => host.shadowRoot)];
       const cell = roots.map((root) => root.querySelector('#' + place + ' tbody td')).find(Boolean);
       return names.map((name) => getComputedStyle(cell).getPropertyValue(name));`,
      place,
      names,
    );
  };
  const wears = ['background-color', 'padding-top', 'padding-left', 'border-bottom-color', 'border-bottom-style', 'line-height', 'color'] as const;
  const publish = async (): Promise<void> => {
    await person.untilKept();
    await person.click('button', 'Publish page');
    await person.untilText(/The page is live at/);
    await person.click('button', 'Good');
  };
  const openPage = async (name: RegExp): Promise<void> => {
    await person.open(`${app.url}/pages`);
    await person.click('link', name);
    await person.find('button', 'Publish page');
  };
  const choose = async (manner: RegExp): Promise<void> => {
    await person.open(`${app.url}/pages/house`);
    await person.untilText(/rules read/);
    await person.click('radio', manner);
    await person.click('button', 'Use it on the site');
    await person.untilText(/The site has “/);
  };

  it('(c) a hostile one is beaten by the least weight, without !important, and the live page is as it was', async () => {
    const before = await cell('night-boats', 'place-2', ...wears);
    await choose(/Ids and long chains/);
    expect(await cell('night-boats', 'place-2', ...wears)).not.toEqual(before);
    await openPage(/Night boats/);
    await person.untilText(/rules of the house stylesheet outweigh/);
    await person.click('button', 'Show them');
    await person.untilText(/“#content .entry table tbody tr td” \(line \d+\) weighs an id, a class and four elements: it takes lines, padding/);
    expect(await axeFindings(driver)).toEqual([]);
    await person.click('button', 'Make them weigh an id and two classes more');
    await person.untilText(/weigh an id and two classes more, and win/);
    await publish();
    const [, ...after] = await cell('night-boats', 'place-2', ...wears);
    // Its line height is that of the page's text, which is the house's.
    expect(after.toSpliced(4, 1)).toEqual(before.slice(1).toSpliced(4, 1));
    const css = await (await fetch(`${app.url}/site/night-boats.css`)).text();
    expect(css).not.toContain('!important');
  }, 810_000);

  it('that insists is insisted against, and the least is taken back where less is needed', async () => {
    await choose(/Insists here and there/);
    await openPage(/Night boats/);
    await person.click('button', /^Make them weigh .* and insist where it says !important$/);
    await person.untilText(/and win against the house stylesheet/);
    await choose(/Leaves tables alone/);
    await openPage(/Night boats/);
    await person.click('button', 'Back to the least: weigh no more than usual');
    await person.untilText(/takes nothing from the tables on this page/);
  }, 810_000);

  it('of one’s own is read with its mistakes told, fetches nothing, and is seen before it is taken', async () => {
    await person.open(`${app.url}/pages/house`);
    await person.click('radio', /Your own/);
    await person.fill('textbox', 'Stylesheet', '@import url(http://else.example/x.css);\ntd { padding: 31px !important }\n*{}\nth { colour }');
    await person.find('list', 'Left out');
    await person.untilText(/Line 1: @import is left out/);
    await person.untilText(/Line 4: This is not CSS/);
    await person.untilText(/1 rule of the house stylesheet outweighs|one rule of the house stylesheet outweighs/);
    expect(await axeFindings(driver)).toEqual([]);
    const inPreview = await person.until('padding in the preview', async () => {
      const padding = await driver.executeScript<string>(
        "const cell = document.querySelector('iframe').contentDocument.querySelector('tbody td'); return cell && getComputedStyle(cell).paddingTop;",
      );
      return padding === '31px' ? padding : undefined;
    });
    expect(inPreview).toBe('31px');
    // Not taken yet.
    expect((await (await fetch(`${app.url}/site/-house.css`)).text()).includes('31px')).toBe(false);
  });

  it('cannot enter the isolated form, in which a table is as its theme has it', async () => {
    await choose(/Ids and long chains/);
    await openPage(/Thistle Press/);
    await person.click('button', /Workshop prices/);
    await person.click('checkbox', 'Isolated from the house stylesheet');
    await person.untilText(/takes nothing from the tables on this page/);
    await publish();
    expect(await cell('thistle-press', 'place-2', 'padding-top', 'line-height')).not.toEqual(['7px', '19.6px']);
    expect(await driver.executeScript<number>("return document.querySelectorAll('main table').length")).toBe(0);
    expect(await axeFindings(driver, { stylesheets: false })).toEqual([]);
    await choose(/Leaves tables alone/);
  });

  it('(b) a theme reaches one table, then the page, then the site, and no further', async () => {
    const themeOf = async (address: string, place: string): Promise<string> => {
      const html = await (await fetch(`${app.url}/site/${address}`)).text();
      return new RegExp(`id="${place}"[^>]*>\\s*<table[^>]*class="zp-([\\w-]+)`).exec(html)?.[1] ?? 'none';
    };
    await openPage(/Night boats/);
    await person.click('button', /Fares by age/);
    await person.choose('Theme', 'Low Sound');
    await publish();
    expect([await themeOf('night-boats', 'place-2'), await themeOf('night-boats', 'place-5')]).toEqual(['harbour-dusk', 'low-sound']);
    await person.choose('Reach', 'This page');
    await person.untilText(/It reaches no other table\. .* keep their own themes/);
    await person.click('button', 'Let the others on this page follow');
    await person.untilText(/It reaches Evening crossings, Crossing log, autumn/);
    await publish();
    expect(await themeOf('night-boats', 'place-2')).toBe('low-sound');
    const others = await themeOf('thistle-press', 'place-2');
    expect(others).not.toBe('low-sound');
    await person.choose('Reach', 'The whole site');
    await publish();
    // What has a theme of its own keeps it.
    expect(await themeOf('thistle-press', 'place-2')).toBe(others);
    await openPage(/Thistle Press/);
    await person.click('button', /Workshop prices/);
    await person.choose('Theme', 'none of its own');
    await person.untilText(/Low Sound, as it is reached/);
    await person.click('checkbox', 'Isolated from the house stylesheet');
    await publish();
    expect(await themeOf('thistle-press', 'place-2')).toBe('low-sound');
  }, 1080_000);
});
