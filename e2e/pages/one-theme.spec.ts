import { Key, type WebDriver } from 'selenium-webdriver';
import { consoleErrors, opened } from '../tools/opened';
import type { Person } from '../tools/person';
import { sent, type App } from '../tools/server';

const tables = ['Deck passes', 'Berths', 'Type hire', 'Evening class'] as const;
const slugOf = (name: string): string => name.toLowerCase().replace(' ', '-');

/** One theme on four pricing tables, in four forms: its brand colour is changed once, and every page follows. */
describe('One theme on four pricing tables', () => {
  let [app, driver, person]: [App, WebDriver, Person] = [undefined, undefined, undefined] as never;
  opened({ demo: true }, (all) => ({ app, driver, person } = all));
  afterEach(async () => expect(await consoleErrors(driver, /favicon/)).toEqual([]));
  let theme = '';

  beforeAll(async () => {
    const made = { format: 'zest-theme/2', name: 'Pier brand', base: { starter: 'sorbet', version: 2 }, values: {} };
    const swatches = [
      { name: 'brand', colour: '#d6336c' },
      { name: 'accent', colour: 'brand' },
    ];
    ({ id: theme } = await sent<{ readonly id: string }>(app, 'POST', '/themes', { ...made, swatches }));
    await sent(app, 'POST', `/themes/${theme}/editions`, {});
    const { document } = await sent<{ readonly document: { readonly plans: readonly object[] } }>(app, 'GET', '/pricings/season-passes');
    const plans = document.plans.map((plan) => ({ ...plan, accent: '' }));
    for (const [at, name] of tables.entries()) {
      const { id: pricing } = await sent<{ readonly id: string }>(app, 'POST', '/pricings', { ...document, plans, name, theme, exceptions: [] });
      await sent(app, 'POST', `/pricings/${pricing}/editions`, {});
      const form = (['cards', 'comparison', 'cards and comparison', 'one plan at a time'] as const)[at];
      const block = {
        ...{ id: 'a', kind: 'table', shows: { kind: 'pricings', id: pricing }, dress: { kind: 'themes', id: theme } },
        ...{ plans: { form }, width: 'fill', align: 'start', room: '0', visitor: null },
      };
      const page = { format: 'zest-page/6', name, slug: slugOf(name), blocks: [block] };
      const { id } = await sent<{ readonly id: string }>(app, 'POST', '/pages', page);
      await sent(app, 'POST', `/pages/${id}/publish`, {});
    }
  });

  /** The colours that the theme's accent fills on a live page: actions of the featured card, its column's header. */
  const filled = async (name: string): Promise<readonly string[]> => {
    await person.open(`${app.url}/site/${slugOf(name)}`);
    await person.find('heading', name);
    return driver.executeScript(
      `const seen = [...document.querySelectorAll('.zp-plan.zp-featured .zp-act, th.zp-featured')].filter((each) => each.getClientRects().length > 0);
       return seen.map((each) => getComputedStyle(each).backgroundColor)`,
    );
  };
  const expected = (colour: string): readonly (readonly string[])[] => [[colour], [colour], [colour, colour], [colour]];
  const everywhere = async (): Promise<readonly (readonly string[])[]> => {
    const found: (readonly string[])[] = [];
    for (const name of tables) found.push(await filled(name));
    return found;
  };

  it('is in its brand colour on every page', async () => {
    expect(await everywhere()).toEqual(expected('rgb(214, 51, 108)'));
  });

  it('and every page follows when that is changed once and published', async () => {
    await person.open(`${app.url}/themes/${theme}`);
    await person.click('button', /^Swatch brand/);
    await person.fill('textbox', 'Colour', '#0b5fa5');
    await person.press(Key.TAB);
    await person.untilKept();
    await person.click('button', /^Publish edition/);
    await person.click('button', 'Publish');
    await person.untilText(/Edition 2 is published/);
    await person.until('the pages in the new colour', async () => ((await filled('Berths'))[0] === 'rgb(11, 95, 165)' ? true : undefined));
    expect(await everywhere()).toEqual(expected('rgb(11, 95, 165)'));
  });
});
