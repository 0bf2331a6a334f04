import { Key, type WebDriver } from 'selenium-webdriver';
import { devTools } from '../tools/driver';
import { consoleErrors, opened } from '../tools/opened';
import type { Person } from '../tools/person';
import type { App } from '../tools/server';

/** A table typed row by row, as people type tables everywhere. */
describe('Typing into a table', () => {
  let [app, driver, person]: [App, WebDriver, Person] = [undefined, undefined, undefined] as never;
  opened({ demo: true }, (all) => ({ app, driver, person } = all));
  afterEach(async () => expect(await consoleErrors(driver)).toEqual([]));

  const newTable = async (text: string, size: RegExp): Promise<void> => {
    await person.open(`${app.url}/tables`);
    await person.click('button', 'New table');
    await person.paste(await person.find('textbox', 'Paste copied cells here'), { 'text/plain': text });
    await person.untilText(size);
    await person.click('button', 'Create table');
    await person.find('grid', /^Cells of/);
  };
  const csv = async (): Promise<string> => {
    await person.untilKept();
    const id = /tables\/([\w-]+)/.exec(await driver.getCurrentUrl())?.[1] ?? '';
    return (await fetch(`${app.url}/api/tables/${id}/data.csv`)).text();
  };
  const type = (...keys: readonly string[]): Promise<void> =>
    driver
      .actions()
      .sendKeys(...keys)
      .perform();

  it('goes on by Tab at the end of a row, back by Enter to where it began, and never over what was typed', async () => {
    await newTable('Boat\tTo\tFare\nMoth\tSkerrin\t8\n', /2 rows, 3 columns/);
    await person.click('cell', '8');
    await type('9', Key.TAB, 'Wick', Key.TAB, 'Tarn Isle', Key.TAB, '11', Key.ENTER);
    await type('Eider', Key.TAB, Key.TAB, '12 £ 😀', Key.TAB, 'Teal', Key.TAB, 'Oldquay', Key.TAB, '7', Key.ESCAPE);
    expect(await csv()).toBe('Boat,To,Fare\r\nMoth,Skerrin,9\r\nWick,Tarn Isle,11\r\nEider,,12 £ 😀\r\nTeal,Oldquay,');
    // Escape ended the run: Tab leaves the table again.
    await type(Key.TAB);
    expect(
      await driver.executeScript<boolean>(
        'return document.activeElement.localName === "zest-grid" && document.activeElement.shadowRoot.activeElement?.matches("[data-cell]") === true',
      ),
    ).toBeFalse();
  });

  it('takes texts whole that come without a key: by an input method, dictation or a list of signs', async () => {
    await newTable('Boat\tTo\nMoth\tSkerrin\n', /2 rows, 2 columns/);
    const compose = (text: string): Promise<unknown> =>
      devTools(driver, 'Input.imeSetComposition', { text, selectionStart: text.length, selectionEnd: text.length });
    const insert = (text: string): Promise<unknown> => devTools(driver, 'Input.insertText', { text });
    await person.click('cell', 'Skerrin');
    await insert('Low Sound, said aloud');
    expect(await (await person.find('textbox', /^Cell in row 2, column 2/)).getAttribute('value')).toBe('Low Sound, said aloud');
    await type(Key.TAB);
    // The cell below the last one, in a row that Tab has made.
    await compose('か');
    await compose('かんじ');
    await insert('漢字');
    expect(await (await person.find('textbox', /^Cell in row 3, column 1/)).getAttribute('value')).toBe('漢字');
    await type(' 丸', Key.ENTER);
    await insert('😀');
    await type(Key.ESCAPE);
    await person.click('cell', 'Moth');
    await compose('ほ');
    // What is given up leaves the cell as it was.
    await compose('');
    await person.find('cell', 'Moth');
    expect(await csv()).toBe('Boat,To\r\nMoth,"Low Sound, said aloud"\r\n漢字 丸,\r\n,');
  });

  it('keeps what stands in the field when another cell is pressed', async () => {
    await newTable('Boat\tTo\nMoth\tSkerrin\n', /2 rows, 2 columns/);
    await person.click('cell', 'Skerrin');
    await type('Lomsay');
    await person.click('columnheader', 'Boat');
    expect(await csv()).toBe('Boat,To\r\nMoth,Lomsay');
  });

  it('sets all that is chosen, by Shift and press or by drawing the pointer over cells, and says so', async () => {
    await newTable('Boat\tMon\tTue\nMoth\ta\tb\nWick\tc\td\nTeal\te\tf\n', /4 rows, 3 columns/);
    await person.click('cell', 'a');
    await driver
      .actions()
      .keyDown(Key.SHIFT)
      .click(await person.find('cell', 'd'))
      .keyUp(Key.SHIFT)
      .perform();
    await type('open', Key.ENTER);
    await person.untilText(/4 cells say “open” now\./);
    expect(await csv()).toBe('Boat,Mon,Tue\r\nMoth,open,open\r\nWick,open,open\r\nTeal,e,f');
    expect(await driver.executeScript<string>('return getSelection().toString()')).toBe('');
    const [from, to] = [await person.find('cell', 'e'), await person.find('cell', 'f')];
    await driver.actions().move({ origin: from }).press().move({ origin: to, duration: 120 }).release().perform();
    await type('shut', Key.ENTER);
    await person.untilText(/2 cells say “shut” now\./);
    await person.click('button', 'In the first only');
    expect(await csv()).toBe('Boat,Mon,Tue\r\nMoth,open,open\r\nWick,open,open\r\nTeal,shut,f');
  });

  it('adds a row below the header to the body, and says how it can be a header row; splitting gives texts back', async () => {
    await newTable('Boat\tTo\nMoth\tSkerrin\n', /2 rows, 2 columns/);
    await person.click('columnheader', 'Boat');
    await person.click('button', 'Row');
    await person.click('menuitem', 'Add below');
    await person.untilText(/The new row is one of the body\./);
    const headerRows = async (): Promise<string | null> => (await person.find('spinbutton', 'Header rows')).getAttribute('value');
    expect(await headerRows()).toBe('1');
    await person.click('button', 'A header row');
    await person.until('two header rows', async () => ((await headerRows()) === '2' ? true : undefined));
    await person.click('cell', 'Moth');
    await person.chord(Key.SHIFT, Key.ARROW_RIGHT);
    await person.click('button', 'Merge');
    await person.click('button', 'Split');
    expect(await csv()).toBe('Boat,To\r\n,\r\nMoth,Skerrin');
  });

  it('splits a column that holds two values by what stands between them, and joins columns, in five actions each', async () => {
    await newTable('Place\tHigh / low\nSkerrin\t4.2 / 1.1\nTarn Isle\t3.9 / 0.8\n', /3 rows, 2 columns/);
    await person.click('cell', '4.2 / 1.1');
    await person.click('button', 'Column');
    await person.click('menuitem', 'Split by a separator…');
    // What stands between most of them is proposed, and what comes of it is seen.
    await person.find('cell', '0.8');
    await person.click('button', 'Split');
    await person.find('button', /^Undo split a column/);
    expect(await csv()).toBe('Place,High,low\r\nSkerrin,4.2,1.1\r\nTarn Isle,3.9,0.8');
    await person.click('button', 'Column');
    await person.click('menuitem', 'Join them…');
    await person.fill('textbox', 'What stands between the parts', ' to ');
    await person.click('button', 'Join');
    await person.find('button', /^Undo join 2 columns/);
    expect(await csv()).toBe('Place,High to low\r\nSkerrin,4.2 to 1.1\r\nTarn Isle,3.9 to 0.8');
    for (let i = 0; i < 2; i++) await person.click('button', /^Undo/);
    await person.find('cell', '4.2 / 1.1');
  });

  it('sets a rectangle of the ledger, chosen by Shift and press', async () => {
    await person.open(`${app.url}/themes/harbour-dusk`);
    await person.click('button', /^Body rows/);
    await person.click('gridcell', /^Fill, At rest/);
    const to = await person.find('gridcell', /^Ink, Even/);
    await driver.actions().keyDown(Key.SHIFT).click(to).keyUp(Key.SHIFT).perform();
    const chosen = await driver.executeScript<number>('return document.querySelectorAll("[role=gridcell][aria-selected=true]").length');
    expect(chosen).toBeGreaterThanOrEqual(4);
    await type('#123456', Key.ENTER);
    const has = await driver.executeScript<number>(
      'return [...document.querySelectorAll("[role=gridcell][aria-selected=true]")].filter((each) => each.innerText.includes("#123456")).length',
    );
    expect(has).toBe(chosen);
    // One sign is a value as well as many, also where the pointer goes on instead of Enter.
    await person.click('gridcell', /^Padding, At rest/);
    await type('0');
    await person.click('gridcell', /^Fill, At rest/);
    await person.find('gridcell', /^Padding, At rest: 0, set here/);
  });
});
