import { Key, type WebDriver } from 'selenium-webdriver';
import { axeFindings } from '../tools/axe';
import { consoleErrors, opened } from '../tools/opened';
import type { Person } from '../tools/person';
import type { App } from '../tools/server';

const sheet =
  'Boat\tFare\tSails\nLantern Ada\t£1,204.5\t02/13/2026\nMoth\t(£12)\t04/05/2026\nPaper Gull\tfree\t12/01/2026\nWick\t–\t07/30/2026\nTern\t£3\t01/02/2026\n';

describe('Columns with a type', () => {
  let [app, driver, person]: [App, WebDriver, Person] = [undefined, undefined, undefined] as never;
  opened({}, (all) => ({ app, driver, person } = all));
  afterEach(async () => expect(await consoleErrors(driver)).toEqual([]));

  it('come in as what they are', async () => {
    await person.open(`${app.url}/tables`);
    await person.click('button', 'New table');
    await person.paste(await person.find('textbox', 'Paste copied cells here'), { 'text/plain': sheet });
    await person.untilText(/Column 3: dates/);
    await person.click('button', 'Create table');
    await person.find('grid', /^Cells of/);
  });

  const markup = async (): Promise<string> => {
    const id = (await driver.getCurrentUrl()).split('/').at(-1);
    return (await fetch(`${app.url}/api/tables/${id}/markup`)).text();
  };

  it('are shown in a format, and what is not of the type is marked and kept', async () => {
    await person.click('cell', '(£12)');
    // The panel follows a moment later; until then it speaks of the column before.
    await person.find('heading', 'Column 2');
    await person.choose('Type', 'Money');
    await person.untilText(/1 cell is something else; it is marked/);
    await person.click('checkbox', 'Shown in a format');
    await person.find('cell', '£1,204.50');
    await person.find('cell', '-£12.00');
    await person.choose('Negative', '(12)');
    await person.find('cell', '(£12.00)');
    await person.fill('textbox', 'For nothing', 'none');
    await person.press(Key.TAB);
    await person.find('cell', 'none');
    await person.click('cell', 'free');
    await person.untilText(/“free” is not money/);
    await person.fill('textbox', 'Currency', 'pounds');
    await person.press(Key.TAB);
    await person.find('alert', /“pounds” is no currency/);
    await person.fill('textbox', 'Currency', 'eur');
    await person.press(Key.TAB);
    await person.find('cell', '€1,204.50');
  });

  it('are added up in a footer row that comes with the total, in the language of the table', async () => {
    await person.choose('Total', 'Sum');
    await person.find('cell', '€1,195.50');
    await person.fill('combobox', 'Language of values', 'de');
    await person.press(Key.TAB);
    await person.find('cell', '1.195,50 €');
    await person.untilKept();
    const html = await markup();
    expect(html).toContain('<td class="zp-beside zp-number">1.195,50\u00a0€</td>');
    expect(html).toContain('zp-number zp-negative">(12,00\u00a0€)</td>');
    expect(html).toContain('free</td>');
  });

  it('hold dates in the order in which they were written', async () => {
    await person.click('cell', '02/13/2026');
    await person.choose('Type', 'Date');
    await person.find('combobox', 'Written');
    await person.click('checkbox', 'Shown in a format');
    await person.find('cell', '13.02.2026');
    await person.find('cell', '05.04.2026');
    await person.choose('Date', 'long');
    await person.find('cell', '13. Februar 2026');
    // What was typed is there when the cell is opened.
    await person.click('cell', '13. Februar 2026');
    await person.press(Key.F2);
    expect(await driver.executeScript<string>('return document.querySelector("zest-grid").shadowRoot.querySelector("textarea").value')).toBe(
      '02/13/2026',
    );
    await person.press(Key.ESCAPE);
  });

  it('go back to what was typed', async () => {
    for (let i = 0; i < 3; i++) await person.click('button', /^Undo/);
    await person.find('cell', '02/13/2026');
    await person.click('cell', '(12,00 €)');
    await person.choose('Type', 'as typed');
    await person.find('cell', '(£12)');
    await person.untilKept();
    expect(await markup()).toContain('(£12)</td>');
  });

  it('are worked out from others by name, and say in the cell why they cannot be', async () => {
    await person.click('cell', '£3');
    await person.click('button', 'Column');
    await person.click('menuitem', 'Add after');
    await person.click('columnheader', 'Fare');
    await person.press(Key.ARROW_RIGHT);
    await person.press('Twice', Key.ENTER);
    await person.fill('textbox', 'Worked out from', 'Fair * 2');
    await person.press(Key.TAB);
    await person.find('alert', /There is no column “Fair”\..*Boat, Fare/);
    await person.fill('textbox', 'Worked out from', 'Fare * 2');
    await person.press(Key.TAB);
    await person.find('cell', '2409');
    await person.find('cell', '“free” is no number');
    await person.click('cell', '£3');
    await person.press('£4.25', Key.ENTER);
    await person.find('cell', '8.5');
    await person.click('cell', '8.5');
    await person.press('9', Key.ENTER);
    await person.find('alert', /Column 3 is worked out from Fare \* 2/);
    await person.click('columnheader', 'Fare');
    await person.press('Price', Key.ENTER);
    await person.click('cell', '8.5');
    expect(await (await person.find('textbox', 'Worked out from')).getAttribute('value')).toBe('Price * 2');
    await person.untilKept();
    expect(await markup()).toContain('>2409</td>');
  });

  it('have a rule, and what breaks it is marked with its message and kept', async () => {
    await person.click('cell', '£4.25');
    await person.choose('Type', 'Money');
    await person.click('checkbox', 'A rule for its values');
    await person.fill('textbox', 'At most', '1000');
    await person.press(Key.TAB);
    await person.fill('textbox', 'Said of others', 'Too dear for a boat');
    await person.press(Key.TAB);
    const dear = await person.find('cell', '£1,204.5');
    await person.until('the mark', async () => ((await dear.getAttribute('aria-invalid')) === 'true' ? true : undefined));
    await person.click('cell', '£1,204.5');
    await person.untilText(/Too dear for a boat/);
    expect(await axeFindings(driver, { stylesheets: false })).toEqual([]);
  });

  it('have texts with marks, links and icons in them, written in an editor and cleaned of what would run', async () => {
    await person.click('rowheader', 'Moth');
    await person.click('button', 'Text');
    const field = await person.find('textbox', /^Text of row 3, column 1/);
    await field.click();
    await person.chord(Key.CONTROL, 'a');
    await person.click('button', 'Bold');
    await person.fill('textbox', 'Leads to', 'javascript:alert(1)');
    await person.press(Key.TAB);
    await person.find('alert', /is no address that a link can lead to/);
    await person.fill('textbox', 'Leads to', '/boats/moth');
    await person.press(Key.TAB);
    await person.gone('alert', /no address/);
    await field.click();
    await person.press(Key.END);
    await person.click('button', 'Icon');
    await person.click('menuitem', 'Star');
    expect(await axeFindings(driver, { stylesheets: false })).toEqual([]);
    await person.click('button', 'Take it');
    await person.gone('textbox', /^Text of row/);
    await person.find('img', 'Star');
    await person.untilKept();
    expect(await markup()).toMatch(/<a href="\/boats\/moth"><strong>Moth<\/strong>.*<svg class="zp-icon" role="img" aria-label="Star"/);
    await person.click('button', /^Undo/);
    await person.gone('img', 'Star');
  });

  it('put the rows in their order, worked out beside the page, which is undone in one step', async () => {
    await person.click('cell', '£1,204.5');
    const names = (): Promise<readonly string[]> =>
      driver.executeScript(
        "return [...document.querySelector('zest-grid').shadowRoot.querySelectorAll('tbody th')].map((cell) => cell.textContent.trim())",
      );
    const before = await names();
    await person.click('button', 'Column');
    await person.click('menuitem', 'Sort rows by it, upwards');
    await person.untilText(/5 rows sorted upwards/);
    expect(await names()).toEqual(['Moth', 'Tern', 'Lantern Ada', 'Paper Gull', 'Wick']);
    await person.untilKept();
    expect(await markup()).toMatch(/Moth[^]*Tern[^]*Lantern Ada[^]*Paper Gull[^]*Wick/);
    await person.click('button', /^Undo/);
    await person.until('their own order', async () => (String(await names()) === String(before) ? true : undefined));
  });

  it('are narrowed to the rows with some words, which can be typed in and nothing else', async () => {
    const names = (): Promise<readonly string[]> =>
      driver.executeScript(
        "return [...document.querySelector('zest-grid').shadowRoot.querySelectorAll('tbody th')].map((cell) => cell.textContent.trim())",
      );
    await person.fill('searchbox', 'Find rows', 'GULL');
    await person.untilText(/1 of 5 rows/);
    expect(await names()).toEqual(['Paper Gull']);
    await person.click('cell', 'free');
    await person.untilText(/Row 4, column 2/);
    await person.press('£2.50', Key.ENTER);
    await person.click('button', 'Row');
    await person.click('menuitem', 'Delete');
    await person.find('alert', /Show all of them first/);
    await person.click('button', 'Show all');
    await person.until('all rows', async () => ((await names()).length === 5 ? true : undefined));
    await person.find('cell', '£2.50');
    await person.untilKept();
    expect(await markup()).toMatch(/Paper Gull<\/th><td[^>]*>£2\.50/);
    await person.fill('searchbox', 'Find rows', 'nothing of that kind');
    await person.untilText(/0 of 5 rows/);
    expect(await names()).toEqual([]);
    expect(await axeFindings(driver, { stylesheets: false })).toEqual([]);
    await person.click('button', 'Show all');
  });
});
