import { Key, type WebDriver } from 'selenium-webdriver';
import { consoleErrors, opened } from '../tools/opened';
import type { Person } from '../tools/person';
import type { App } from '../tools/server';

const fares = 'Fare to\tPrice\nSkerrin\t€13\nTarn Isle\t€7.5\nLow Sound\t€1204.25\nFennel Point\t€88\nGannet Stack\t€19.999\n';

/** Where the decimal comma of each cell of a column is painted, in px; of cells without one, nothing. */
const COMMAS = `
  const column = arguments[0], grid = document.querySelector('zest-grid').shadowRoot;
  return [...grid.querySelectorAll('tbody tr, tfoot tr')].flatMap((row) => {
    const walker = document.createTreeWalker(row.cells[column], NodeFilter.SHOW_TEXT);
    for (let text = walker.nextNode(); text; text = walker.nextNode()) {
      const at = text.data.lastIndexOf(',');
      if (at < 0) continue;
      const range = document.createRange();
      range.setStart(text, at);
      range.setEnd(text, at + 1);
      return [range.getBoundingClientRect().left];
    }
    return [];
  });`;

describe('A fare column', () => {
  let [app, driver, person]: [App, WebDriver, Person] = [undefined, undefined, undefined] as never;
  opened({ demo: true }, (all) => ({ app, driver, person } = all));
  afterEach(async () => expect(await consoleErrors(driver)).toEqual([]));

  it('is in euro as Germans write it, lined up on the decimal comma, with a median below', async () => {
    await person.open(`${app.url}/themes/ticket-stub`);
    await person.click('button', 'Numbers');
    for (const [property, text] of [
      ['Decimal marks', 'aligned'],
      ['Align across', 'end'],
    ] as const) {
      await person.click('gridcell', new RegExp(`^${property}, At rest:`));
      await person.press(text, Key.ENTER);
      await person.find('gridcell', new RegExp(`^${property}, At rest: .*set here`));
    }
    await person.untilKept();

    await person.open(`${app.url}/tables`);
    await person.click('button', 'New table');
    await person.paste(await person.find('textbox', 'Paste copied cells here'), { 'text/plain': fares });
    await person.untilText(/Column 2: money/);
    await person.click('button', 'Create table');
    await person.find('grid', /^Cells of/);
    await person.choose('Dressed in', 'Ticket stub');
    await person.click('cell', '€7.5');
    await person.choose('Type', 'Money');
    await person.click('checkbox', 'Shown in a format');
    await person.fill('combobox', 'Language of values', 'de');
    await person.press(Key.TAB);
    await person.find('cell', '1.204,25 €');
    await person.find('cell', '7,50 €');
    await person.choose('Total', 'Median');
    const places = await person.until('six commas, one below the other', async () => {
      const found = await driver.executeScript<number[]>(COMMAS, 1);
      return found.length === 6 && Math.max(...found) - Math.min(...found) < 0.6 ? found : undefined;
    });
    expect(places.length).toBe(6);
    // The median of 7.50, 13, 19.999, 88 and 1,204.25, in the row below.
    await person.until('the median', async () =>
      (await driver.executeScript<string>("return document.querySelector('zest-grid').shadowRoot.querySelector('tfoot').textContent")).includes(
        '20,00',
      )
        ? true
        : undefined,
    );
    await person.untilKept();
  });

  it('is parted from the others by a line of its own, in place of the theme’s, which “why” tells', async () => {
    const side = async (name: string): Promise<string> => person.style(await person.find('cell', name), 'border-inline-start');
    await person.click('cell', '7,50 €');
    const before = await side('88,00 €');
    await person.click('button', 'Look');
    await person.click('button', 'Column 2');
    await person.fill('combobox', 'Line before', '4px double deep');
    await person.press(Key.TAB);
    await person.find('alert', /no swatch or colour “deep”/);
    await person.fill('combobox', 'Line before', '4px double plum');
    await person.press(Key.TAB);
    await person.until('the column’s line', async () => (/^4px double/.test(await side('88,00 €')) ? true : undefined));
    await person.focus('combobox', 'Line before');
    await person.untilText(/Why this line before\s+Column 2, here\s+4px double plum/);
    expect(await side('Skerrin').catch(() => '')).not.toContain('double');
    await person.click('button', /^Undo/);
    await person.until('the theme’s line again', async () => ((await side('88,00 €')) === before ? true : undefined));
  });
});
