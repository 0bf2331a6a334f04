import fs from 'node:fs';
import path from 'node:path';
import { Key, type WebDriver, type WebElement } from 'selenium-webdriver';
import { axeFindings } from '../tools/axe';
import { consoleErrors, opened } from '../tools/opened';
import type { Person } from '../tools/person';
import { newFolder, sent, type App } from '../tools/server';

/** As a designer gets it from a spreadsheet: plans across, prices by the month and by the year, a dozen features. */
const CELLS = [
  ['', 'Pier', 'Deck', 'Saloon', 'Cabin'],
  ['Monthly price', '£4', '£9.50', '£14', '£30'],
  ['Yearly price', '£40', '£99', '£150', '£300'],
  ['Crossings', '2', '8', '16', '40'],
  ['Late boats', 'no', 'no', 'yes', 'yes'],
  ['Weekends', 'yes', 'yes', 'yes', 'yes'],
  ['Guests', 'no', 'no', '1', '2'],
  ['Seat kept', 'no', 'no', 'yes', 'yes'],
  ['Soup after ten', 'no', 'no', 'half price', 'yes'],
  ['Bicycle', 'yes', 'yes', 'yes', 'yes'],
  ['Change on the day', 'no', 'yes', 'yes', 'yes'],
  ['Pause for a month', 'no', 'no', 'no', 'yes'],
  ['Refund in storms', 'yes', 'yes', 'yes', 'yes'],
  ['Desk at Oldquay', 'no', 'no', 'yes', 'yes'],
  ['Timetable by post', 'yes', 'yes', 'yes', 'yes'],
]
  .map((row) => row.join('\t'))
  .join('\n');

/** Plans and their prices, from nothing to the live page, and on from there. */
describe('Pricing tables', () => {
  let [app, driver, person]: [App, WebDriver, Person] = [undefined, undefined, undefined] as never;
  opened({ demo: true }, (all) => ({ app, driver, person } = all));
  afterEach(async () => expect(await consoleErrors(driver)).toEqual([]));

  beforeAll(async () => {
    const theme = { format: 'zest-theme/2', name: 'Pier sorbet', base: { starter: 'sorbet', version: 2 }, swatches: [], values: {} };
    const { id } = await sent<{ readonly id: string }>(app, 'POST', '/themes', theme);
    await sent(app, 'POST', `/themes/${id}/editions`, {});
  });

  /** What a visitor sees in the plan's column of the live page, from top to bottom. */
  const live = async (slug: string): Promise<readonly (readonly string[])[]> => {
    await person.open(`${app.url}/site/${slug}`);
    await person.find('table', 'Season passes');
    return seenRows();
  };
  const seenRows = (): Promise<readonly (readonly string[])[]> =>
    driver.executeScript('return [...document.querySelectorAll("table tr")].map((row) => [...row.cells].map((cell) => cell.innerText))');
  const rowOf = (rows: readonly (readonly string[])[], name: string): readonly string[] | undefined => rows.find(([first]) => first === name);
  /** Counts what a person does: each press, each text typed or pasted. */
  let actions = 0;
  const did = async (action: Promise<unknown>, count = 1): Promise<void> => {
    actions += count;
    await action;
  };

  /** Opens the pricing table of this file and makes a plan after one of its plans, as that is. */
  const duplicated = async (plan: string): Promise<void> => {
    actions = 0;
    await person.open(`${app.url}/tables`);
    await person.click('link', 'Season passes 2');
    await person.find('grid', /^Cells of Season passes/);
    await did(person.click('columnheader', plan));
    await did(person.click('button', 'Plan'));
    await did(person.click('menuitem', 'Duplicate'));
    await person.find('columnheader', `${plan} 2`);
  };
  /** Publishes it, in at most ten actions since a plan was made, and reads its page. */
  const published = async (): Promise<readonly (readonly string[])[]> => {
    await did(person.click('button', 'Publish'));
    await person.find('dialog', /Publish/);
    await did(person.click('button', 'Publish'));
    await person.untilText(/Pages that follow the pricing table show it/);
    expect(actions).toBeLessThanOrEqual(10);
    return live('passes');
  };

  it('from cells of a spreadsheet to the live page in at most 60 actions', async () => {
    actions = 0;
    await person.open(`${app.url}/tables`);
    await did(person.click('button', 'New pricing table'));
    await did(person.fill('textbox', 'Name', 'Season passes'));
    await did(person.choose('Dressed in', 'Pier sorbet'), 2);
    const put = async (text: string): Promise<unknown> =>
      driver.executeScript(
        `arguments[0].value = arguments[1]; arguments[0].dispatchEvent(new Event('input', { bubbles: true }))`,
        await person.find('textbox', 'Paste plans and prices here'),
        text,
      );
    await did(put('Plan\tWidth\nMoth\tnarrow\n'));
    await person.find('alert', /There is no row and no column of prices in this/);
    await did(put(CELLS));
    await person.find('status', /4 plans, each in a column; 2 periods, 12 features/);
    await did(person.click('button', 'Make it from these'));
    await person.find('grid', /^Cells of Season passes/);
    // One stands out, and says why.
    await did(person.click('columnheader', 'Saloon'));
    await did(person.click('checkbox', 'Stands out'));
    await did(person.fill('textbox', 'Badge', 'Most taken'));
    await did(person.press(Key.TAB));
    // Each plan has an action, typed one after another.
    await did(person.click('cell', /^$/));
    const words = ['Take Pier', 'Take Deck', 'Take Saloon', 'Take Cabin'];
    await did(person.press(...words.flatMap((word) => [word, Key.TAB])), 8);
    const accents = { Pier: '#0b7285', Deck: '#c2255c', Saloon: '#5f3dc4', Cabin: '#2b8a3e' } as const;
    for (const plan of ['Pier', 'Deck', 'Saloon', 'Cabin'] as const) {
      await did(person.click('cell', `Take ${plan}`));
      await did(person.fill('textbox', 'Action 1, where it leads', `/passes/${plan.toLowerCase()}`));
      await did(person.fill('combobox', /^Accent/, accents[plan]));
      await did(person.press(Key.TAB));
    }
    await person.untilKept();
    await did(person.click('button', /^Checks/));
    await person.find('status', /Nothing to look at/);
    await did(person.click('link', 'Pages'));
    await did(person.click('button', 'New page'));
    await did(person.fill('textbox', 'Name', 'Passes'));
    await did(person.click('button', 'Create page'));
    await did(person.click('button', 'Add'));
    await did(person.click('menuitem', 'Table'));
    await did(person.choose('Table', 'Season passes 2 (plans)'), 2);
    await did(person.choose('Theme', 'Pier sorbet'), 2);
    await person.untilKept();
    await did(person.click('button', 'Publish page'));
    await person.untilText(/The page is live at/);
    expect(actions).toBeLessThanOrEqual(60);
    const rows = await live('passes');
    expect(rows[0]?.slice(1).map((name) => name.toLowerCase())).toEqual(['pier', 'deck', 'saloon', 'cabin']);
    // What a badge says stands below the names, which are heard at every cell.
    expect(rows[1]?.[0]).toBe('Note');
    // One switch chooses the period.
    expect(
      rowOf(rows, 'Price')
        ?.slice(1, 3)
        .map((price) => price.trim()),
    ).toEqual(['£4', '£9.50']);
    await person.click('radio', /^Yearly price/);
    const yearly = await seenRows();
    expect(
      rowOf(yearly, 'Price')
        ?.slice(1, 3)
        .map((price) => price.trim()),
    ).toEqual(['£40\nSave 16%', '£99\nSave 13%']);
    expect(rowOf(yearly, 'Choose')?.[3]).toBe('Take Saloon');
    expect(await (await person.find('link', 'Take Saloon')).getAttribute('href')).toBe(`${app.url}/passes/saloon`);
  });

  it('a fifth plan in at most ten actions, and the page follows', async () => {
    await duplicated('Cabin');
    await did(person.press('Bridge', Key.ENTER), 2);
    await did(person.press('45', Key.ENTER), 2);
    await person.find('cell', '£45');
    await person.untilKept();
    expect((await live('passes'))[0]?.length).toBe(5);
    await driver.navigate().back();
    const rows = await published();
    expect(rows[0]?.slice(1).map((name) => name.toLowerCase())).toEqual(['pier', 'deck', 'saloon', 'cabin', 'bridge']);
    expect(rowOf(rows, 'Price')?.[5]?.trim()).toBe('£45');
  });

  it('a sixth, in a colour of its own and pushed instead, in at most ten actions', async () => {
    await duplicated('Bridge');
    await did(person.press('Crow’s nest', Key.ENTER), 2);
    await did(person.fill('combobox', /^Accent/, '#e8590c'));
    await did(person.click('checkbox', 'Stands out'));
    await person.untilKept();
    const rows = await published();
    expect(rows[0]?.slice(1).map((name) => name.toLowerCase())).toEqual(['pier', 'deck', 'saloon', 'cabin', 'bridge', 'crow’s nest']);
    // Its column is in its colour.
    const fill = await driver.executeScript<string>(`return getComputedStyle(document.querySelector('th.zp-featured')).backgroundColor`);
    expect(fill).toBe('rgb(232, 89, 12)');
  });

  it('by keys alone: Enter goes on to the next feature, what is wrong is said and nothing of it is kept', async () => {
    await person.open(`${app.url}/pricings/season-passes`);
    await person.find('grid', /^Cells of Season passes/);
    await person.click('rowheader', 'Desk at Oldquay');
    await person.press('Desk on the pier', Key.ENTER, 'Letters kept', Key.ENTER, Key.ESCAPE);
    await person.find('rowheader', 'Letters kept');
    await person.untilText(/3 plans, 13 features/);
    await person.click('cell', '£9.50');
    await person.press('12,5O', Key.ENTER);
    await person.find('alert', /12,5O/);
    await person.find('cell', '£9.50');
    await person.click('cell', '£9.50');
    await person.press('free', Key.ENTER);
    await person.find('cell', 'Free');
    await person.click('button', /^Undo/);
    await person.find('cell', '£9.50');
    // Alt and an arrow move a plan with all that it has.
    await person.click('columnheader', 'Deck');
    await person.chord(Key.ALT, Key.ARROW_RIGHT);
    await person.until('Deck behind Saloon', async () => {
      const names = await driver.executeScript<string[]>(
        'return [...document.querySelector("zest-grid").shadowRoot.querySelectorAll("thead th")].map((each) => each.innerText.trim())',
      );
      return names.slice(1).join() === 'Saloon,Deck,Cabin' || undefined;
    });
    await person.untilKept();
  });

  it('lines of a list join the features that are there, a javascript link is refused, and a finding is settled by one press', async () => {
    await person.open(`${app.url}/pricings/season-passes`);
    await person.click('columnheader', 'Cabin');
    await person.click('button', 'Paste lines…');
    await person.fill('textbox', 'One feature a line', '✓ Bicycle\n✓ Hammock on deck\n');
    await person.untilText(/Bicycle\s+joins “Bicycle”/);
    await person.untilText(/Hammock on deck\s+becomes a feature/);
    await person.click('button', 'Take them');
    await person.untilText(/1 line became a feature, 1 joined one that was there/);
    await person.find('rowheader', 'Hammock on deck');
    await person.fill('textbox', 'Action 1, where it leads', 'javascript:alert(1)');
    await person.press(Key.TAB);
    await person.find('alert', /An action leads to http, https, mailto, tel or an address of the site/);
    await person.click('button', /^Checks [1-9]/);
    await person.untilKept();
    await person.click('button', 'Publish');
    await person.untilText(/Edition 1 is published\..* One check is open\./);
    await person.click('button', /^Say no: Of “Hammock on deck” nothing is said/);
    await person.gone('button', /^Say no: Of “Hammock on deck”/);
    // A footnote of what a plan has.
    await person.click('button', 'Details');
    await person.click('rowheader', 'Hammock on deck');
    await person.press(Key.ARROW_RIGHT, Key.ARROW_RIGHT, Key.ARROW_RIGHT);
    await person.fill('combobox', 'Footnote', 'From May to September.');
    await person.press(Key.TAB);
    await person.click('columnheader', 'Cabin');
    await person.click('rowheader', 'Hammock on deck');
    await person.press(Key.ARROW_RIGHT, Key.ARROW_RIGHT, Key.ARROW_RIGHT);
    await person.until('the footnote in its field', async () =>
      (await (await person.find('combobox', 'Footnote')).getAttribute('value')) === 'From May to September.' ? true : undefined,
    );
    await person.untilKept();
  });

  it('are seen as the cards that they are on a page, where one that is pressed is worked on beside them', async () => {
    await person.open(`${app.url}/pricings/season-passes`);
    await person.find('grid', /^Cells of/);
    await person.click('button', 'As cards');
    await person.click('heading', 'Saloon');
    await person.find('region', 'Plan Saloon');
    await person.fill('textbox', 'Description', 'For those who read on the way.');
    await person.press(Key.TAB);
    await person.choose('Icon', 'Boat');
    const card = (): Promise<string> =>
      driver.executeScript(
        `const card = [...document.querySelector('zest-cards-seen').shadowRoot.querySelectorAll('.zp-plan')].find((each) => each.querySelector('h2').innerText === 'Saloon');
         return card.innerText + (card.querySelector('svg') ? ' with an icon' : '')`,
      );
    await person.until(
      'the card with what was written',
      async () => /For those who read on the way\.[^]*with an icon/.test(await card()) || undefined,
    );
    await person.click('radio', /^A season/);
    await person.until('the price of a season', async () => (await card()).includes('Save') || undefined);
    expect(await axeFindings(driver)).toEqual([]);
    await person.untilKept();
    await person.click('button', 'As cards');
    await person.find('columnheader', 'Saloon');
  });

  it('have a picture in place of an icon, which is brought in beside the plan', async () => {
    const file = path.join(newFolder(), 'saloon.svg');
    fs.writeFileSync(file, '<svg xmlns="http://www.w3.org/2000/svg" width="48" height="24"><rect width="48" height="24" fill="#0b7285"/></svg>');
    await person.open(`${app.url}/pricings/season-passes`);
    await person.click('columnheader', 'Saloon');
    await person.find('button', 'A picture instead');
    const chooser = await driver.executeScript<WebElement>('return document.querySelector("zest-plan-form input[type=file]")');
    await chooser.sendKeys(file);
    await person.find('button', 'Another picture');
    await person.click('button', 'As cards');
    const height = (): Promise<number> =>
      driver.executeScript(
        `return document.querySelector('zest-cards-seen').shadowRoot.querySelector('.zp-featured img')?.getBoundingClientRect().height ?? 0`,
      );
    await person.until('the picture on its card', async () => (await height()) > 20 || undefined);
    await person.click('button', 'Take the picture away');
    await person.until('the card without it', async () => (await height()) === 0 || undefined);
    await person.untilKept();
  });

  it('have looks of their own beside the theme: a plan, a feature, one crossing; where none can be, that is said', async () => {
    await person.open(`${app.url}/pricings/season-passes`);
    await person.click('columnheader', 'Saloon');
    await person.click('button', 'Look');
    await person.find('complementary', 'Look beside the theme');
    await person.fill('combobox', 'Fill', '#fff3bf');
    await person.press(Key.TAB);
    await person.click('cell', 'half price');
    await person.click('button', 'This crossing');
    await person.fill('combobox', 'Ink', '#7a1f5c');
    await person.press(Key.TAB);
    await person.find('button', 'Saloon: Soup after ten');
    await person.click('button', 'Soup after ten');
    await person.fill('combobox', 'Weight', 'bold');
    await person.press(Key.TAB);
    await person.untilKept();
    const { document } = await sent<{ readonly document: { readonly exceptions: readonly object[] } }>(app, 'GET', '/pricings/season-passes');
    expect(document.exceptions).toEqual([
      { plan: 'saloon', feature: null, values: jasmine.objectContaining({ fill: '#fff3bf' }) },
      { plan: null, feature: 'soup', values: { weight: 'bold' } },
      { plan: 'saloon', feature: 'soup', values: { ink: '#7a1f5c' } },
    ] as never);
    const ink = await driver.executeScript<string>(`return getComputedStyle(arguments[0]).color`, await person.find('cell', 'half price'));
    expect(ink).toBe('rgb(122, 31, 92)');
    await person.click('cell', '£14');
    await person.click('button', 'This crossing');
    await person.fill('combobox', 'Ink', '#7a1f5c');
    await person.press(Key.TAB);
    await person.find('alert', /prices and actions have the look of their plan/);
    expect(await axeFindings(driver, { stylesheets: false })).toEqual([]);
    for (let steps = 0; steps < 3; steps++) await person.click('button', /^Undo/);
    await person.untilKept();
  });

  it('is made of a table that has prices, and back; one that has none says what is missing', async () => {
    await person.open(`${app.url}/tables`);
    await person.click('button', 'More for Fares by age');
    await person.click('menuitem', 'Make a pricing table of it');
    await person.find('grid', /^Cells of Fares by age/);
    await person.untilText(/pricing table, \d+ plans/);
    await person.untilKept();
    await person.open(`${app.url}/tables`);
    await person.click('button', 'More for Season passes');
    await person.click('menuitem', 'Make a plain table of it');
    await person.untilText(/pricing table, \d+ rows, 4 columns/);
    await person.open(`${app.url}/tables`);
    await person.click('button', 'More for Berths at Oldquay');
    await person.click('menuitem', 'Make a pricing table of it');
    await person.untilText(/There is no row and no column of prices in this/);
  });
});
