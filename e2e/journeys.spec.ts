import fs from 'node:fs';
import path from 'node:path';
import { Key, type WebDriver, type WebElement } from 'selenium-webdriver';
import { consoleErrors, opened } from './tools/opened';
import type { Person } from './tools/person';
import { newFolder, type App } from './tools/server';

/** The seven ways through the product, each by role and name, from an empty data folder. */
describe('From an empty data folder', () => {
  let app: App;
  let driver: WebDriver;
  let person: Person;
  opened({}, (all) => ({ app, driver, person } = all));
  afterEach(async () => {
    expect(await consoleErrors(driver))
      .withContext('console')
      .toEqual([]);
  });

  const cell = (property: string, condition: string): RegExp => new RegExp(`^${property}, ${condition}:`);
  /** Types a value into a cell of the ledger, as a person does: focus, type over, Enter. */
  const setValue = async (property: string, condition: string, text: string): Promise<void> => {
    await person.click('gridcell', cell(property, condition));
    await person.press(text, Key.ENTER);
  };
  const specimenCell = (name: string): Promise<WebElement> => person.find('cell', name);

  it('1. opens on an empty library that says what to do first', async () => {
    await person.open(app.url);
    await person.find('heading', 'Themes');
    await person.find('button', 'Choose a starter');
    for (const view of ['Tables', 'Pages']) {
      await person.click('link', view);
      await person.find('button', 'Make the first one');
    }
  });

  it('2. makes, renames, duplicates and deletes themes, and takes a deletion back', async () => {
    await person.click('link', 'Themes');
    await person.click('button', 'New theme');
    await person.until('six starters', async () =>
      (await person.all('button', /^(Hairline|Boxed|Bands|Nightfall|Pebble|Broadsheet|Console) /)).length >= 6 ? true : undefined,
    );
    await person.click('button', /^Nightfall /);
    await person.find('heading', 'Nightfall, mine');
    await person.click('button', 'Rename Nightfall, mine');
    await person.fill('textbox', 'Name of the theme', 'Harbour dusk');
    await person.press(Key.ENTER);
    await person.find('heading', 'Harbour dusk');
    await person.untilKept();
    await person.click('link', 'Themes');
    await person.click('button', 'More for Harbour dusk');
    await person.click('menuitem', 'Duplicate');
    await person.find('link', 'Harbour dusk copy');
    await person.click('button', 'More for Harbour dusk copy');
    await person.click('menuitem', 'Delete');
    await person.gone('link', 'Harbour dusk copy');
    await person.click('button', 'Undo');
    await person.find('link', 'Harbour dusk copy');
    await person.click('button', 'More for Harbour dusk copy');
    await person.click('menuitem', 'Rename');
    await person.fill('textbox', 'Name', '');
    await person.click('button', 'Rename');
    await person.find('alert', null);
    await person.fill('textbox', 'Name', 'Νυχτερινό ليلي');
    await person.click('button', 'Rename');
    await person.find('link', 'Νυχτερινό ليلي');
  });

  it('3. shapes a theme in the studio by keyboard, sees it on the specimen, and goes back', async () => {
    await person.click('link', 'Harbour dusk');
    await person.click('button', 'Body rows');
    await person.find('grid', 'Values of Body rows');
    const even = await specimenCell('Fennel Point');
    const rowFill = (): Promise<string> => driver.executeScript<string>('return getComputedStyle(arguments[0].closest("tr")).backgroundColor', even);
    const before = await rowFill();

    await setValue('Fill', 'Even', '#ffeeaa');
    await person.until('the new fill', async () => ((await rowFill()) === 'rgb(255, 238, 170)' ? true : undefined));
    await person.find('gridcell', /^Fill, Even: #ffeeaa, set here/);
    await person.find('gridcell', /^Ink, Even: night [\d.]+ passes, from Whole table, in Nightfall/);

    // A mistake stays in its cell with the reason; the table keeps the last good value.
    await setValue('Fill', 'Even', 'mits');
    await person.find('gridcell', /mits\. There is no swatch or colour “mits”.*Did you mean mist/);
    expect(await rowFill()).toBe('rgb(255, 238, 170)');
    await setValue('Fill', 'Even', 'mist');
    await person.gone('alert', /mits/);

    // Delete falls back; undo and redo go through all of it, by keyboard and by button.
    await person.click('gridcell', cell('Fill', 'Even'));
    await person.press(Key.DELETE);
    await person.find('gridcell', /^Fill, Even: mist, from Body rows, even, in Nightfall/);
    await person.until('the starter’s fill', async () => ((await rowFill()) === before ? true : undefined));
    await person.chord(Key.CONTROL, 'z');
    await person.find('gridcell', /^Fill, Even: mist, set here/);
    await person.click('button', /^Undo set a value/);
    await person.until('the fill of before', async () => ((await rowFill()) === 'rgb(255, 238, 170)' ? true : undefined));
    await person.chord(Key.CONTROL, Key.SHIFT, 'z');
    await person.find('gridcell', /^Fill, Even: mist, set here/);

    // Type scale, padding on all sides and on one, lines.
    await setValue('Size', 'At rest', 'body+1');
    await person.until('17.25px', async () => ((await person.style(even, 'font-size')) === '17.25px' ? true : undefined));
    await setValue('Padding', 'At rest', '3px 20px');
    await person.until('20px at the start', async () => ((await person.style(even, 'padding-left')) === '20px' ? true : undefined));
    await person.click('button', 'Each side of Padding');
    await setValue('Padding top', 'At rest', '11px');
    await person.until('11px at the top', async () => ((await person.style(even, 'padding-top')) === '11px' ? true : undefined));
    await person.click('button', 'Lines');
    await setValue('Between columns', 'At rest', '2px dashed lamp-x');
    await person.find('gridcell', /no swatch or colour “lamp-x”/);
    await setValue('Between columns', 'At rest', '2px dashed tide');
    await person.until('a dashed line', async () => ((await person.style(even, 'border-left-style')) === 'dashed' ? true : undefined));

    // The specimen answers to pointing, selecting and picking.
    await driver.actions().move({ origin: even }).perform();
    await person.until('the hovered fill', async () => ((await person.style(even, 'background-image')).includes('gradient') ? true : undefined));
    await person.click('button', /is held hovered/);
    await person.until('two selected rows', async () => ((await person.all('button', /is held selected/)).length === 2 ? true : undefined));
    await even.click();
    await person.find('grid', 'Values of Body rows');
    expect(await person.isThere('heading', 'Why this fill')).toBeTrue();

    // Swatches.
    await person.click('button', /^Swatch mist/);
    await person.fill('textbox', 'Colour', '#ddeeff');
    await person.press(Key.TAB);
    await person.until('the swatch’s new colour', async () => ((await rowFill()) === 'rgb(221, 238, 255)' ? true : undefined));

    await person.untilKept();
    await driver.navigate().refresh();
    await person.find('gridcell', /^Fill, Even: mist, set here/);
    expect(await driver.getCurrentUrl()).toContain('part=body-rows');
  });

  it('3b. moves through the ledger with the arrow keys, copies and pastes a value', async () => {
    await person.click('gridcell', cell('Fill', 'Even'));
    await person.press(Key.ARROW_RIGHT, Key.ARROW_DOWN);
    const focused = await driver.executeScript<string>('return document.activeElement.getAttribute("aria-label")');
    expect(focused).toMatch(/^Ink, Odd columns:/);
    await person.click('gridcell', cell('Fill', 'Hovered'));
    await person.chord(Key.CONTROL, 'c');
    await person.click('gridcell', cell('Fill', 'Last'));
    await person.chord(Key.CONTROL, 'v');
    await person.find('gridcell', /^Fill, Last: glow, set here/);
    await person.press(Key.F2);
    await person.press(Key.ESCAPE);
    await person.find('gridcell', /^Fill, Last: glow, set here/);
    await person.press('?');
    await person.find('heading', 'Shortcuts');
    await person.press(Key.ESCAPE);
    await person.gone('heading', 'Shortcuts');
    await person.untilKept();
  });

  it('4. makes tables by rows and columns, from pasted cells and from a CSV file, and gives them structure', async () => {
    await person.click('link', 'Tables');
    await person.click('button', 'New table');
    await person.fill('spinbutton', 'Rows', '3');
    await person.fill('spinbutton', 'Columns', '2');
    await person.click('button', 'Create empty table');
    await person.find('heading', 'New table');
    await person.find('grid', 'Cells of New table');
    await (await person.all('cell', ''))[0]?.click();
    await person.press('Boat', Key.TAB, 'Fare', Key.ENTER);
    await person.find('columnheader', 'Boat');
    await person.find('columnheader', 'Fare');
    await person.press('£6.50', Key.ENTER);
    await person.find('cell', '£6.50');
    await person.click('button', 'Row');
    await person.click('menuitem', 'Add below');
    await person.untilText(/4 rows, 2 columns/);
    await person.click('button', 'Row');
    await person.click('menuitem', 'Delete');
    await person.untilText(/3 rows, 2 columns/);
    await person.click('columnheader', 'Fare');
    await person.click('button', 'Column');
    await person.click('menuitem', 'Move towards the start');
    await person.until('Fare first', async () => ((await (await person.all('columnheader'))[0]?.getText()) === 'Fare' ? true : undefined));
    await person.click('button', 'Row');
    await person.click('menuitem', 'Move down');
    await person.find('alert', /stays in its part of the table/);
    await person.untilKept();

    // Cells of a spreadsheet: tab-separated, one row short.
    await person.click('link', 'Tables');
    await person.click('button', 'New table');
    await person.paste(await person.find('textbox', 'Paste copied cells here'), {
      'text/plain': 'Boat\tTo\tFare\nMoth\tSkerrin\t£8.20\nWick\tTarn Isle\n',
    });
    await person.untilText(/Row 3 came in short/);
    await person.click('button', 'Create table');
    await person.find('heading', 'Pasted table');
    await person.find('cell', 'Tarn Isle');
    await person.untilText(/Row 3 came in short/);

    // The HTML of a clipboard, with merged cells and a header in two tiers.
    await person.click('link', 'Tables');
    await person.click('button', 'New table');
    await person.fill('textbox', 'Name', 'Crossings');
    await person.paste(await person.find('textbox', 'Paste copied cells here'), {
      'text/html':
        '<table><caption>Evening</caption><thead><tr><th rowspan=2>Boat<th colspan=2>Leaves<tr><th>Weekday<th>Weekend</thead><tbody><tr><th>Moth<td>18:35<td>19:05<tr><th>Wick<td colspan=2>19:20</table>',
      'text/plain': 'x',
    });
    await person.click('button', 'Create table');
    await person.find('columnheader', 'Leaves');
    expect(await (await person.find('cell', '19:20')).getAttribute('colspan')).toBe('2');
    expect(await (await person.find('rowheader', 'Wick')).getAttribute('scope')).toBe('row');
    await person.fill('spinbutton', 'Footer rows', '1');
    await person.press(Key.TAB);
    await person.fill('textbox', 'Caption', 'Evening crossings');
    await person.choose('Dressed in', 'No theme');
    await person.choose('Dressed in', 'Harbour dusk');
    await person.until('the theme’s header', async () =>
      (await driver.executeScript<string>(
        'return getComputedStyle(arguments[0].closest("thead")).backgroundColor',
        await person.find('columnheader', 'Leaves'),
      )) === 'rgb(18, 60, 77)'
        ? true
        : undefined,
    );
    await person.click('button', /^Undo dress the table/);
    await person.click('button', /^Do again: dress the table/);
    await person.untilKept();

    // A CSV file with a quotation mark that is never closed, and one that is empty.
    const folder = newFolder();
    const file = (name: string, text: string): string => (fs.writeFileSync(path.join(folder, name), text), path.join(folder, name));
    await person.click('link', 'Tables');
    await person.click('button', 'New table');
    const open = async (name: string, text: string): Promise<void> => {
      await person.find('button', 'Open a file');
      const chooser = await driver.executeScript<WebElement>('return document.querySelector("input[type=file]")');
      await chooser.sendKeys(file(name, text));
    };
    await open('empty.csv', '');
    await person.find('alert', /There are no rows in it/);
    await open('broken.csv', 'a;b\n1;"two\n');
    await person.untilText(/line 2, column 3 is never closed/);
    await person.click('button', 'Choose another source');
    await open('Berths.csv', 'Berth;Length\n1;42,5\n2;58\n');
    await person.untilText(/separated by semicolons/);
    await person.click('button', 'Create table');
    await person.find('heading', 'Berths');
    await person.find('cell', '42,5');
    await person.untilKept();
  });

  it('5. builds a page from heading, text and table, and sees it at any width', async () => {
    await person.click('link', 'Pages');
    await person.click('button', 'New page');
    await person.fill('textbox', 'Name', 'Night boats');
    await person.click('button', 'Create page');
    await person.find('heading', 'Night boats');
    await person.click('button', 'Add');
    await person.click('menuitem', 'Heading');
    await person.fill('textbox', 'Text', 'When they leave');
    await person.click('button', 'Add');
    await person.click('menuitem', 'Text');
    await person.fill('textbox', 'Text', 'Lanterns are lit half an hour before.');
    await person.click('button', 'Add');
    await person.click('menuitem', 'Table');
    await person.choose('Table', 'Crossings');
    await person.choose('Theme', 'Harbour dusk');
    await person.fill('combobox', 'Width', 'hugely');
    await person.press(Key.TAB);
    await person.find('alert', /“hugely” is not a width/);
    await person.fill('combobox', 'Width', '75%');
    await person.press(Key.TAB);
    await person.choose('Sits', 'In the center');
    await person.fill('textbox', 'Room around', '24px 0');
    await person.press(Key.TAB);
    await person.click('button', 'Move up');
    await person.untilKept();
    const inFrame = <T>(script: string): Promise<T> =>
      driver.executeScript<T>(`const frame = document.querySelector('iframe').contentDocument; ${script}`);
    await person.until('the table above the text', async () =>
      (await inFrame<string>('return [...frame.querySelector(".entry").children].map((each) => each.tagName).join(" ")')) === 'H1 H2 DIV P'
        ? true
        : undefined,
    );
    const wide = await inFrame<number>('return frame.documentElement.clientWidth');
    const ruler = await person.find('slider', 'Page width');
    for (let i = 0; i < 12; i++) await ruler.sendKeys(Key.ARROW_LEFT);
    await person.until('a narrower page', async () =>
      (await inFrame<number>('return frame.documentElement.clientWidth')) < wide - 60 ? true : undefined,
    );
  });

  it('6. publishes the page, and the live page follows the theme when it is published again', async () => {
    await person.click('button', 'Publish page');
    await person.untilText(/The page is live at/);
    const editor = await driver.getCurrentUrl();
    await person.open(`${app.url}/site/night-boats`);
    await person.find('heading', 'Night boats');
    await person.find('table', 'Evening crossings');
    // Nobody does more with it than read: only the lines by which frames that scroll are stops of the Tab key.
    expect(await driver.executeScript<string[]>('return [...document.scripts].map(({ src }) => new URL(src).pathname)')).toEqual([
      '/site/table/frames.js',
    ]);
    const headerFill = async (): Promise<string> =>
      driver.executeScript<string>(
        'return getComputedStyle(arguments[0].closest("thead")).backgroundColor',
        await person.find('columnheader', 'Boat'),
      );
    expect(await headerFill()).toBe('rgb(18, 60, 77)');

    await person.open(`${app.url}/themes`);
    await person.click('link', 'Harbour dusk');
    await person.click('button', 'Column headers');
    await setValue('Fill', 'At rest', '#552200');
    await person.untilKept();
    await person.open(`${app.url}/site/night-boats`);
    expect(await headerFill())
      .withContext('saved, not published')
      .toBe('rgb(18, 60, 77)');
    await driver.navigate().back();
    await person.click('button', /^Publish edition 2/);
    await person.untilText(/One live page follows this theme/);
    await person.click('button', 'Publish');
    await person.untilText(/Edition 2 is published/);
    await person.open(`${app.url}/site/night-boats`);
    expect(await headerFill())
      .withContext('published again')
      .toBe('rgb(85, 34, 0)');
    await person.open(editor);
    await person.click('button', 'Take it down');
    await person.gone('link', 'Open live page');
    await person.click('button', 'Publish page');
    await person.untilText(/The page is live at/);
  });

  it('7. takes theme and table away as files that look as the live page does', async () => {
    const [theme] = ((await (await fetch(`${app.url}/api/themes`)).json()) as { id: string; document: { name: string } }[]).filter(
      ({ document }) => document.name === 'Harbour dusk',
    );
    const [table] = ((await (await fetch(`${app.url}/api/tables`)).json()) as { id: string; document: { name: string } }[]).filter(
      ({ document }) => document.name === 'Crossings',
    );
    const css = await (await fetch(`${app.url}/api/themes/${theme?.id}/stylesheet`)).text();
    const html = await (await fetch(`${app.url}/api/tables/${table?.id}/markup`)).text();
    const file = path.join(newFolder(), 'taken.html');
    fs.writeFileSync(file, `<!doctype html><meta charset="utf-8"><style>${css}</style>${html}`);

    /** Everything about how the table's boxes are painted, as one text. Room and width come from the page. */
    const painted = (): Promise<string> =>
      driver.executeScript<string>(`
      const text = ['color', 'font-family', 'font-size', 'font-weight', 'text-transform', 'letter-spacing', 'line-height', 'text-align', 'vertical-align', 'padding'];
      const box = ['background-color', 'background-image', 'border', 'border-radius', 'clip-path', 'border-spacing'];
      return [...document.querySelectorAll('table, caption, thead, tbody, tfoot, tr, th, td')].map((each) => {
        const holdsText = ['CAPTION', 'TH', 'TD'].includes(each.tagName);
        const borders = each.tagName === 'TR' || each.tagName.length === 5 && each.tagName !== 'TABLE' ? box.filter((name) => name !== 'border') : box;
        return each.tagName + ' ' + [...(holdsText ? text : []), ...borders].map((name) => getComputedStyle(each).getPropertyValue(name)).join(';');
      }).join('\\n');`);
    await person.open(`file://${file}`);
    const taken = await painted();
    await person.open(`${app.url}/site/night-boats`);
    expect(taken).toBe(await painted());
    expect(taken).toContain('rgb(85, 34, 0)');
    await person.open(`${app.url}/themes`);
    await person.click('link', 'Harbour dusk');
    await person.click('button', 'More for this theme');
    await person.find('menuitem', 'Download CSS');
  });
});
