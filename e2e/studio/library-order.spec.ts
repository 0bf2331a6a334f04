import { Key, type WebDriver } from 'selenium-webdriver';
import { axeFindings } from '../tools/axe';
import { consoleErrors, opened } from '../tools/opened';
import type { Person } from '../tools/person';
import type { App } from '../tools/server';

/** The library of themes in order: found by look and use, put into collections, changed several at once. */
describe('The library of themes', () => {
  let [app, driver, person]: [App, WebDriver, Person] = [undefined, undefined, undefined] as never;
  opened({ demo: true }, (all) => ({ app, driver, person } = all));
  afterEach(async () => expect(await consoleErrors(driver, /favicon/)).toEqual([]));
  const names = async (): Promise<readonly string[]> => {
    const script = "return [...document.querySelectorAll('zest-card-wall h2')].map((each) => each.textContent.trim())";
    return (await driver.executeScript<string[]>(script)).sort();
  };
  const shows = (...wanted: readonly string[]): Promise<true> =>
    person.until(`only ${wanted.join(', ')}`, async () => ((await names()).join() === [...wanted].sort().join() ? true : undefined));

  it('finds by look, by a colour near one, by font and by use', async () => {
    await person.open(`${app.url}/themes`);
    await person.click('button', 'By look and use');
    await person.click('button', 'Dark header');
    await shows('Harbour dusk', 'Night watch');
    await person.click('button', 'Banded');
    await person.until('none but those', async () => ((await names()).length < 3 ? true : undefined));
    await person.click('button', 'Show all');
    await person.fill('textbox', 'A colour near', '#123a50');
    await person.press(Key.TAB);
    await person.until('Harbour dusk', async () => ((await names()).includes('Harbour dusk') && (await names()).length < 7 ? true : undefined));
    await person.click('button', 'Show all');
    await person.choose('Used', 'By tables: pricing');
    await person.until('those of pricing tables', async () =>
      (await names()).includes('Thistle ledger') && (await names()).length < 7 ? true : undefined,
    );
    expect(await axeFindings(driver)).toEqual([]);
    await person.click('button', 'Show all');
  });

  it('puts several into a collection with tags in six actions, and says where they lie', async () => {
    await person.click('button', 'Choose several');
    await person.click('checkbox', 'Choose Harbour dusk');
    await person.click('checkbox', 'Choose Low Sound');
    await person.click('button', 'Collection and tags');
    await person.fill('combobox', 'Collection', 'Ferries');
    await person.fill('textbox', 'Tags', 'autumn');
    await person.press(Key.ENTER);
    await person.find('row', /autumn/);
    await person.click('button', 'Keep');
    await person.untilText(/2 themes are changed/);
    await person.untilText(/In Ferries · autumn/);
    await person.choose('Collection', 'Ferries');
    await shows('Harbour dusk', 'Low Sound');
    await person.click('button', 'Show all');
    await person.fill('searchbox', 'Find a theme', 'autumn low');
    await shows('Low Sound');
    await person.click('button', 'Show all');
  });

  it('changes a swatch in all that have it, seen before and after, and takes it back', async () => {
    await person.click('checkbox', 'Choose Timetable');
    await person.click('button', 'Change in all');
    await person.choose('Swatch', 'deep');
    await person.fill('textbox', 'Its new colour', 'blu');
    await person.untilText(/“blu” is no colour/);
    await person.fill('textbox', 'Its new colour', '#40102a');
    await person.untilText(/Then/);
    await person.untilText(/It has no swatch “deep”|Change \d themes?/);
    expect(await axeFindings(driver, { stylesheets: false })).toEqual([]);
    await person.click('button', /^Change \d theme/);
    await person.untilText(/themes? (is|are) changed/);
    const colour = async (): Promise<string | undefined> => {
      const all = (await (await fetch(`${app.url}/api/themes`)).json()) as {
        document: { name: string; swatches: { name: string; colour: string }[] };
      }[];
      return all.find(({ document }) => document.name === 'Harbour dusk')?.document.swatches.find(({ name }) => name === 'deep')?.colour;
    };
    expect(await colour()).toBe('#40102a');
    await person.click('button', 'Undo');
    await person.until('the colour from before', async () => ((await colour()) === '#40102a' ? undefined : true));
  });

  it('says that a name is taken', async () => {
    await person.click('button', 'Choose no more');
    await person.click('button', 'More for Low Sound');
    await person.click('menuitem', 'Rename');
    await person.fill('textbox', 'Name', 'harbour  dusk');
    await person.untilText(/Another is called so already/);
    await person.click('button', 'Leave it');
  });
});
