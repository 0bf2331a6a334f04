import { Key, type WebDriver } from 'selenium-webdriver';
import { axeFindings } from './tools/axe';
import { devTools } from './tools/driver';
import { opened } from './tools/opened';
import type { Person } from './tools/person';
import type { App } from './tools/server';

describe('axe finds nothing', () => {
  let app: App;
  let driver: WebDriver;
  let person: Person;
  opened({ demo: true }, (all) => ({ app, driver, person } = all));

  const views: readonly (readonly [name: string, path: string, ready: (person: Person) => Promise<unknown>])[] = [
    ['the theme library', '/themes', (each) => each.find('link', 'Harbour dusk')],
    ['the studio', '/themes/harbour-dusk', (each) => each.find('grid', 'Values of Body rows')],
    [
      'the studio with a mistake in it',
      '/themes/harbour-dusk',
      async (each) => {
        await each.click('gridcell', /^Fill, Even:/);
        await each.press('mits', Key.ENTER);
        await each.find('alert', /mits/);
        await each.click('button', /^Swatch lamp/);
      },
    ],
    [
      'the studio with everything held open around three tiers',
      '/themes/harbour-dusk?part=pager-items',
      async (each) => {
        await each.choose(/Shown on/, 'Three tiers of headers');
        await each.find('grid', 'Values of Pager items');
        await each.click('button', /^Swatch deep/);
      },
    ],
    [
      'the studio with links, buttons and icons in cells',
      '/themes/low-sound?part=buttons',
      (each) => each.choose(/Shown on/, 'Links, buttons and icons'),
    ],
    ['the table library', '/tables', (each) => each.find('link', 'Berths at Oldquay')],
    ['the table editor', '/tables/evening-crossings', (each) => each.find('grid', 'Cells of Evening crossings')],
    [
      'the plans of a pricing table',
      '/pricings/season-passes',
      async (each) => {
        await each.click('columnheader', 'Saloon');
        await each.find('textbox', 'Badge');
      },
    ],
    [
      'what goes for all plans',
      '/pricings/season-passes',
      async (each) => {
        await each.click('button', 'Offer');
        await each.find('textbox', 'Code of a further currency');
      },
    ],
    ['a table of 300 rows', '/tables/crossing-log', (each) => each.find('button', 'Choose row 20')],
    [
      'the house stylesheet',
      '/pages/house',
      async (each) => {
        await each.click('radio', /Your own/);
        await each.fill('textbox', 'Stylesheet', '@import "x"; #content td { padding: 1px }');
        await each.find('list', 'Left out');
        await each.click('button', 'Show them');
      },
    ],
    ['the page library', '/pages', (each) => each.find('link', 'Night boats')],
    [
      'the page editor',
      '/pages/night-boats',
      async (each) => {
        await each.click('button', /^Evening crossings/);
        await each.find('combobox', 'Theme');
      },
    ],
    ['a live page', '/site/night-boats', (each) => each.find('table', 'Fares by age')],
    ['the other live page', '/site/thistle-press', (each) => each.find('table', /Workshop/)],
    ['the practice site', '/site', (each) => each.find('link', 'night-boats')],
    ['an address that is none', '/nowhere', (each) => each.find('heading', 'Not here')],
  ];
  const inTheTool = views.filter(([, path]) => !path.startsWith('/site') && path !== '/nowhere');
  for (const scheme of ['light', 'dark'] as const) {
    for (const [name, path, ready] of views) {
      it(`in ${name}, ${scheme}`, async () => {
        await devTools(driver, 'Emulation.setEmulatedMedia', {
          features: [
            { name: 'prefers-color-scheme', value: scheme },
            { name: 'prefers-reduced-motion', value: 'reduce' },
          ],
        });
        await person.open(app.url + path);
        await ready(person);
        expect(await axeFindings(driver)).toEqual([]);
        const fetched = await driver.executeScript<string[]>('return performance.getEntriesByType("resource").map(({ name }) => name)');
        expect(fetched.filter((address) => !address.startsWith(app.url)))
          .withContext('fetched from elsewhere')
          .toEqual([]);
      });
    }
  }

  for (const [part, row] of [
    ['body-rows', /^Fill, Hovered:/],
    ['body-rows', /^Padding, At rest:/],
    ['table', /^Shadow, At rest:/],
    ['table', /^Font, At rest:/],
    ['table', /^Picture behind, At rest:/],
    ['corner', /^Icon, At rest:/],
    ['lines', /^Between rows, At rest:/],
    ['body-rows', /^Size, At rest:/],
    ['body-rows', /^Case, At rest:/],
  ] as const) {
    it(`in the editor for ${row.source.slice(1, -1)}`, async () => {
      await person.open(`${app.url}/themes/ticket-stub?part=${part}`);
      await person.click('gridcell', row);
      await person.press(Key.SPACE);
      await person.find('dialog', /^Editor for/);
      expect(await axeFindings(driver)).toEqual([]);
    });
  }

  it('in the comparison', async () => {
    await person.open(`${app.url}/themes/harbour-dusk?part=body-rows`);
    await person.click('gridcell', /^Fill, Hovered:/);
    await person.press('#ffeeaa', Key.ENTER);
    await person.click('button', 'Compare');
    await person.find('table', 'What changed');
    expect(await axeFindings(driver)).toEqual([]);
    await person.press(Key.ESCAPE);
    await person.click('button', /^Undo/);
    await person.untilKept();
  });

  for (const [dialog, path, button] of [
    ['Choose a starter', '/themes', 'New theme'],
    ['New table', '/tables', 'New table'],
    ['New pricing table', '/tables', 'New pricing table'],
    ['New page', '/pages', 'New page'],
  ] as const) {
    it(`in the dialog “${dialog}”`, async () => {
      await person.open(app.url + path);
      await person.click('button', button);
      await person.find('heading', dialog);
      expect(await axeFindings(driver)).toEqual([]);
    });
  }

  it('and no view scrolls as a page at 1280 by 800, no live page sideways at 320', async () => {
    for (const [, path, ready] of inTheTool) {
      await person.open(app.url + path);
      await ready(person);
      // A view that is still opening may be larger for a moment.
      await person.until(
        `${path} to fit the window`,
        async () =>
          (await driver.executeScript<boolean>(
            'return document.documentElement.scrollHeight <= innerHeight && document.documentElement.scrollWidth <= innerWidth',
          )) || undefined,
      );
    }
    await devTools(driver, 'Emulation.setDeviceMetricsOverride', { width: 320, height: 700, deviceScaleFactor: 1, mobile: false });
    for (const page of ['night-boats', 'thistle-press']) {
      await person.open(`${app.url}/site/${page}`);
      await person.find('heading', null);
      expect(await driver.executeScript('return document.documentElement.scrollWidth'))
        .withContext(page)
        .toBeLessThanOrEqual(320);
    }
  });

  it('and at 320 px (WCAG 2.2, 1.4.10) nothing of any view is beyond its edge, but for what scrolls in a frame of its own', async () => {
    const scrollers = 'zest-specimen, zest-grid, zest-preview, zest-looks, zest-structure, [role="grid"], .mat-mdc-tab-header';
    for (const [, path, ready] of inTheTool) {
      await person.open(app.url + path);
      await ready(person);
      await person.until(
        `nothing of ${path} to be beyond the edge`,
        async () =>
          (await driver.executeScript<number>(
            `return [...document.querySelectorAll('body *')].filter((each) => {
              const { right, width } = each.getBoundingClientRect();
              return width > 0 && right > innerWidth + 1 && !each.closest(arguments[0]);
            }).length`,
            scrollers,
          )) === 0 || undefined,
      );
    }
    // The studio's work is done there: a part is picked, a value is typed, and the specimen is still in sight.
    await person.open(`${app.url}/themes/harbour-dusk`);
    await person.click('button', 'Footer');
    await person.click('gridcell', /^Fill, At rest:/);
    await person.press('#ffeeaa', Key.ENTER);
    await person.find('gridcell', /^Fill, At rest: .*set here/);
    const [top, bottom] = await driver.executeScript<readonly [number, number]>(
      "const { top, bottom } = document.querySelector('zest-specimen').getBoundingClientRect(); return [top, bottom];",
    );
    expect(top).toBeGreaterThanOrEqual(0);
    expect(bottom).toBeLessThanOrEqual(700);
    expect(await axeFindings(driver)).toEqual([]);
  });
});
