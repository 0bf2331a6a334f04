import { Key, type WebDriver, type WebElement } from 'selenium-webdriver';
import { axeFindings } from '../tools/axe';
import { consoleErrors, opened } from '../tools/opened';
import type { Person } from '../tools/person';
import type { App } from '../tools/server';

describe('Looks beside the theme', () => {
  let [app, driver, person]: [App, WebDriver, Person] = [undefined, undefined, undefined] as never;
  opened({ demo: true }, (all) => ({ app, driver, person } = all));
  afterEach(async () => expect(await consoleErrors(driver)).toEqual([]));

  const fill = (cell: WebElement): Promise<string> => person.style(cell, 'background-color');
  const kept = async (): Promise<string> => {
    await person.untilKept();
    return (await fetch(`${app.url}/api/tables/fares-by-age/markup`)).text();
  };

  it('tint one column and mark one cell, and leave the header as it is', async () => {
    await person.open(`${app.url}/tables/fares-by-age`);
    await person.click('cell', '£13.00');
    const header = await fill(await person.find('columnheader', 'Return'));
    await person.click('button', 'Look');
    await person.click('button', 'Column 3');
    await person.fill('combobox', 'Fill', 'mist');
    await person.press(Key.TAB);
    await person.find('alert', /mist/);
    await person.click('button', 'Editor for Fill');
    await person.click('button', 'blush');
    await person.click('button', 'Done');
    await person.until('the tinted column', async () =>
      (await fill(await person.find('cell', '£7.00'))) === 'rgb(251, 226, 196)' ? true : undefined,
    );
    expect(await fill(await person.find('columnheader', 'Return'))).toBe(header);
    await person.click('button', 'This cell');
    await person.fill('combobox', 'Ink', '#b3261e');
    await person.press(Key.TAB);
    await person.until('the marked cell', async () =>
      (await person.style(await person.find('cell', '£13.00'), 'color')) === 'rgb(179, 38, 30)' ? true : undefined,
    );
    expect(await axeFindings(driver, { stylesheets: false })).toEqual([]);
    const html = await kept();
    expect(html.split('</style>')[1]?.match(/zp-x-/g)?.length).toBe(7);
  });

  it('say why a cell looks so, and what that beat', async () => {
    await person.focus('combobox', 'Fill');
    await person.untilText(/Why this fill\s+Column 3, here\s+blush/);
    await person.focus('combobox', 'Ink');
    await person.untilText(/Why this ink\s+Row 3, column 3, here\s+#b3261e/);
  });

  it('lay a picture behind one cell, a header’s too, which stays under the hand', async () => {
    const behind = async (role: string, name: string): Promise<string> =>
      driver.executeScript('return getComputedStyle(arguments[0]).backgroundImage', await person.find(role, name));
    for (const [role, name] of [
      ['columnheader', 'Single'],
      ['cell', '£7.00'],
    ] as const) {
      await person.click(role, name);
      await person.click('button', 'This cell');
      await person.fill('combobox', 'Picture behind', 'waves');
      await person.press(Key.TAB);
      await person.fill('combobox', 'Picture size', '12px');
      await person.press(Key.TAB);
      await person.until('the picture', async () => ((await behind(role, name)).includes('url(') ? true : undefined));
    }
    await person.click('button', 'Editor for Picture behind');
    await person.untilText(/brought into the theme, in the studio/);
    await person.press(Key.ESCAPE);
    for (let i = 0; i < 4; i++) await person.click('button', /^Undo/);
    await person.until('no picture', async () => ((await behind('columnheader', 'Single')) === 'none' ? true : undefined));
    await person.click('cell', '£13.00');
    await person.click('button', 'This cell');
  });

  it('go with their column, reach into the header where they are told to, and are cleared from the list', async () => {
    await person.click('button', 'Column');
    await person.click('menuitem', 'Move towards the start');
    await person.find('button', 'Row 3, column 2');
    await person.click('button', 'Column 2');
    await person.click('checkbox', 'In its header too');
    await person.until('the tinted header', async () =>
      (await fill(await person.find('columnheader', 'Return'))) === 'rgb(251, 226, 196)' ? true : undefined,
    );
    await person.click('button', 'Clear Row 3, column 2');
    await person.gone('button', 'Row 3, column 2');
    await person.click('button', 'Clear Column 2');
    await person.gone('list', 'All looks beside the theme');
    expect(await kept()).not.toContain('zp-x-');
    for (let i = 0; i < 2; i++) await person.click('button', /^Undo/);
    await person.find('button', 'Row 3, column 2');
  });

  it('make a rating of plain numbers, and all its stars smaller at once', async () => {
    await person.click('cell', '£11.00');
    for (const typed of ['4', '2.5', '5', 'new']) await person.press(typed, Key.ENTER);
    await person.click('cell', '2.5');
    await person.click('button', 'Column 3');
    await person.click('button', 'Value marks…');
    await person.click('button', 'Add a value mark');
    await person.click('menuitem', 'Rating');
    await person.fill('combobox', 'Colour', 'heather');
    await person.press(Key.TAB);
    await person.click('button', 'Done');
    const widthOf = async (): Promise<number> => (await (await person.find('img', '2.5 of 5')).getRect()).width;
    const before = await widthOf();
    expect(before).toBeGreaterThan(40);
    expect(await axeFindings(driver, { stylesheets: false })).toEqual([]);
    await person.click('cell', 'new');
    await person.untilText(/“new” is nothing that Rating can show; it stands there as it is/);
    await person.click('button', 'Value marks…');
    await person.fill('textbox', 'Size', 'small');
    await person.press(Key.TAB);
    await person.find('alert', /“small” is no size/);
    await person.fill('textbox', 'Size', '0.5em');
    await person.press(Key.TAB);
    await person.click('button', 'Done');
    await person.until('smaller stars', async () => (Math.abs((await widthOf()) - before / 2) < 1 ? true : undefined));
    expect(await kept()).toContain('aria-label="4 of 5"');
  });

  it('show values plainly where their value mark is deleted, and bring it back', async () => {
    await person.click('button', 'Value marks…');
    await person.click('button', /^Delete: 1 place shows its values plainly then/);
    await person.click('button', 'Done');
    await person.find('cell', '2.5');
    await person.click('button', /^Undo/);
    await person.find('img', '2.5 of 5');
  });
});
