import fs from 'node:fs';
import path from 'node:path';
import { Key, type WebDriver, type WebElement } from 'selenium-webdriver';
import { axeFindings } from '../tools/axe';
import { consoleErrors, opened } from '../tools/opened';
import type { Person } from '../tools/person';
import { newFolder, type App } from '../tools/server';

/** How content people bring in what others sent them, and make a table of it. */
describe('From somebody’s spreadsheet', () => {
  let [app, driver, person]: [App, WebDriver, Person] = [undefined, undefined, undefined] as never;
  opened({ demo: true }, (all) => ({ app, driver, person } = all));
  afterEach(async () => expect(await consoleErrors(driver)).toEqual([]));

  const folder = newFolder();
  const openFile = async (name: string, content: string | Buffer): Promise<void> => {
    fs.writeFileSync(path.join(folder, name), content);
    await person.find('button', 'Open a file');
    const chooser = await driver.executeScript<WebElement>('return document.querySelector("input[type=file]")');
    await chooser.sendKeys(path.join(folder, name));
  };
  const newTable = async (): Promise<void> => {
    await person.open(`${app.url}/tables`);
    await person.click('button', 'New table');
  };
  const textOfRow = async (start: string): Promise<string> => {
    const cell = await person.find(/./.test(start) ? 'rowheader' : 'cell', start);
    return driver.executeScript<string>('return [...arguments[0].parentElement.cells].map((each) => each.innerText.trim()).join("|")', cell);
  };
  const taken = async (id: string, format: string): Promise<string> => (await fetch(`${app.url}/api/tables/${id}/data.${format}`)).text();
  const idOfOpen = async (): Promise<string> => /tables\/([\w-]+)/.exec(await driver.getCurrentUrl())?.[1] ?? '';

  it('(a) a pasted sheet with a title, blank columns and a total becomes a table to publish, and each finding can be undone', async () => {
    await newTable();
    await person.paste(await person.find('textbox', 'Paste copied cells here'), {
      'text/plain':
        'Crossings in October\t\t\t\n\t\t\t\nWeek\tCrossings\t\tFares\nFirst\t38\t\t£412.50\nSecond\t41\t\t£460.00\nTotal\t79\t\t£872.50\n\t\t\t\nSource: harbour office\t\t\t\n',
    });
    await person.untilText(/Crossings in October” above the table became its caption/);
    await person.untilText(/“Source: harbour office” below the table became the text below it/);
    await person.choose('It becomes', 'part of the description');
    await person.untilText(/“Source: harbour office” below the table became part of the description/);
    await person.choose('It becomes', 'the text below the table');
    await person.untilText(/“Source: harbour office” below the table became the text below it/);
    await person.untilText(/1 blank column was left out/);
    await person.untilText(/4 rows, 3 columns/);
    expect(await axeFindings(driver)).toEqual([]);
    // A finding undone and done again: the total stays in the body meanwhile.
    await person.click('checkbox', /is the footer/);
    await person.click('checkbox', /is the footer/);
    await person.click('checkbox', /1 blank column was left out/);
    await person.untilText(/4 rows, 4 columns/);
    await person.click('checkbox', /1 blank column was left out/);
    await person.untilText(/4 rows, 3 columns/);
    await person.fill('textbox', 'Name', 'October');
    await person.click('button', 'Create table');
    await person.find('heading', 'October');
    expect(await textOfRow('Total')).toBe('Total|79|£872.50');
    expect(await (await person.find('textbox', 'Text below')).getAttribute('value')).toBe('Source: harbour office');
    await person.fill('textbox', 'Description', 'Crossings and fares by week');
    await person.find('button', /^Undo describe the table/);
    await person.untilKept();
    const id = await idOfOpen();
    const html = await (await fetch(`${app.url}/api/tables/${id}/markup`)).text();
    expect(html).toContain('<th scope="row">Total</th>');
    expect(html).toContain('aria-describedby="table-about"');
    expect(html).toContain('<p class="zp-note">Source: harbour office</p>');
    expect(html).toContain('<p id="table-about" class="zp-about">Crossings and fares by week</p>');
  });

  it('opens a workbook made by LibreOffice, another of its sheets and a part of one', async () => {
    await newTable();
    await openFile('crossings.ods', fs.readFileSync('server/tests/files/crossings.ods'));
    await person.untilText(/The first 2 rows are the header/);
    await person.choose('Sheet', 'Άλλο');
    await person.untilText(/2 rows, 1 columns/);
    await person.choose('Sheet', 'October');
    await person.untilText(/6 rows, 5 columns/);
    await person.fill('textbox', 'Range', 'A3:D6');
    await person.press(Key.TAB);
    await person.untilText(/4 rows, 4 columns/);
    await person.fill('textbox', 'Range', 'nowhere');
    await person.press(Key.TAB);
    await person.find('alert', /“nowhere” is not a range/);
    await person.fill('textbox', 'Range', 'A1:E8');
    await person.press(Key.TAB);
    await person.untilText(/6 rows, 5 columns/);
    await person.click('button', 'Create table');
    expect(await textOfRow('Σκάφος')).toBe('Σκάφος|41|9|£1,460.00|2023-03-15 18:00');
  });

  it('reads JSON, Markdown, and a web page whose scripts do not run; says what a file is that is none of these', async () => {
    await newTable();
    await openFile('boats.json', '[{"Boat":"Moth","Berth":1},{"Boat":"Wick"}]');
    await person.untilText(/1 object lacks some of the names/);
    await person.click('button', 'Choose another source');
    await openFile('fares.md', '## Fares\n\n| Age | Fare |\n|---|---|\n| Adult | £11 |\n');
    await person.untilText(/2 rows, 2 columns/);
    await person.click('button', 'Choose another source');
    await openFile(
      'page.html',
      '<!doctype html><table><tr><th>A</th><th>B</th></tr><tr><td onclick="document.title=1"><img src=x onerror="document.title=2">1<td>2</table>',
    );
    await person.untilText(/2 rows, 2 columns/);
    expect(await driver.getTitle()).not.toMatch(/^[12]$/);
    await person.click('button', 'Choose another source');
    await openFile('table.xlsx', '%PDF-1.7 and so on');
    await person.find('alert', /it is a PDF/);
    await openFile('broken.json', '[{"a":1},\n{"a":}]');
    await person.find('alert', /line 2, column 6/);
    await openFile('greek.csv', Buffer.from([0x43, 0x61, 0x66, 0xe9, 0x3b, 0x31, 0x0a, 0x62, 0x3b, 0x32]));
    await person.untilText(/It was read as Windows-1252/);
    await person.choose('Cells separated by', 'commas');
    await person.untilText(/2 rows, 1 columns/);
    await person.press(Key.ESCAPE);
  });

  it('(f) pastes, copies, moves, duplicates, turns and undoes by keyboard, and takes the table away as data', async () => {
    await newTable();
    await person.paste(await person.find('textbox', 'Paste copied cells here'), {
      'text/plain': 'Boat\tTo\tFare\nMoth\tSkerrin\t8\nWick\tTarn Isle\t11\n',
    });
    await person.untilText(/3 rows, 3 columns/);
    await person.click('button', 'Create table');
    await person.find('rowheader', 'Moth');
    await person.click('rowheader', 'Moth');
    await person.chord(Key.ALT, Key.ARROW_DOWN);
    await person.until('Moth last', async () =>
      (await driver.executeScript<string>(
        'const { shadowRoot } = document.querySelector("zest-grid"); return [...shadowRoot.querySelectorAll("tbody tr")].map((row) => row.cells[0].innerText.trim()).join()',
      )) === 'Wick,Moth'
        ? true
        : undefined,
    );
    // Cells pasted over the end: the table grows; then the same with room made for them.
    await person.click('cell', '8');
    await person.paste(await person.find('cell', '8'), { 'text/plain': '=1+1\t-5\nx\ty' });
    await person.untilText(/4 cells pasted\. 1 row was added\. 1 column was added\./);
    await person.click('button', 'Insert instead of writing over');
    await person.untilText(/4 cells pasted\. 1 column was added\./);
    await person.untilText(/5 rows, 4 columns/);
    await person.find('cell', '8');
    await person.untilKept();
    expect(await taken(await idOfOpen(), 'csv')).toBe("Boat,To,Fare,\r\nWick,Tarn Isle,11,\r\n,,'=1+1,-5\r\n,,x,y\r\nMoth,Skerrin,8,");
    await person.click('button', 'Turn');
    await person.untilText(/4 rows, 5 columns/);
    await person.chord(Key.CONTROL, 'z');
    await person.untilText(/5 rows, 4 columns/);
    await person.click('button', 'Column');
    await person.click('menuitem', 'Duplicate');
    await person.untilText(/5 rows, 6 columns/);
    for (let i = 0; i < 3; i++) await person.chord(Key.CONTROL, 'z');
    await person.untilText(/3 rows, 3 columns/);
  });

  it('(c) merges equal neighbours, and says so where there are none', async () => {
    await newTable();
    await person.paste(await person.find('textbox', 'Paste copied cells here'), {
      'text/plain': 'Boat\tTo\nMoth\tSkerrin\nMoth\tTarn Isle\nWick\tTarn Isle\n',
    });
    await person.untilText(/4 rows, 2 columns/);
    await person.click('button', 'Create table');
    await person.click('cell', 'Moth');
    await person.chord(Key.SHIFT, Key.ARROW_DOWN);
    await person.click('button', 'Merge equal');
    expect(await (await person.find('cell', 'Moth')).getAttribute('rowspan')).toBe('2');
    // Others than equal ones keep what they said, or the first of it.
    await person.click('cell', 'Wick');
    await person.chord(Key.SHIFT, Key.ARROW_RIGHT);
    await person.click('button', 'Merge');
    await person.untilText(/The 2 texts of the merged cells stand line by line/);
    await person.find('cell', /Wick\s+Tarn Isle/);
    await person.click('button', 'Keep the first only');
    await person.find('cell', 'Wick');
    await person.click('columnheader', 'Boat');
    await person.click('button', 'Merge equal');
    await person.find('alert', /No neighbours in the choice say the same/);
    await person.click('button', /^Undo merge cells/);
    await person.click('button', /^Undo merge equal neighbours/);
    await person.untilKept();
  });

  it('(d) brings a newer file in: what it changes is shown first, and undone at once', async () => {
    await person.open(`${app.url}/tables/fares-by-age`);
    await person.click('button', 'Bring in again');
    await openFile('fares.csv', 'Single,Passenger,Return,Dogs\n£12.00,Adult,£19.50,£1\n£4.00,"Child, 4 to 11",£7.00,£1\n£1.00,Dog,£2.00,\n');
    await person.untilText(/4 rows, 4 columns/);
    await person.click('button', 'Compare');
    await person.untilText(/1 cell changed, 1 row new, 4 rows gone/);
    await person.find('rowheader', 'Adult');
    await person.untilText(/New columns\s+Dogs/);
    await person.untilText(/kept as they are\s+Ten crossings/);
    expect(await axeFindings(driver, { stylesheets: false })).toEqual([]);
    await person.click('button', 'Take it in');
    await person.gone('heading', 'What the newer file changes');
    expect(await textOfRow('Adult')).toBe('Adult|£12.00|£19.50|£88.00|£1');
    await person.click('button', /^Undo bring in a newer file/);
    await person.find('rowheader', 'Under 4');
    await person.untilKept();
  });

  it('finds tables by name, header and the page that they stand on', async () => {
    await person.open(`${app.url}/tables`);
    await person.fill('searchbox', 'Find a table', 'night boats');
    await person.find('link', 'Evening crossings');
    await person.gone('link', 'Workshop prices');
    await person.fill('searchbox', 'Find a table', 'nothing has this');
    await person.untilText(/No table is like that/);
    await person.click('button', 'Show all');
    await person.click('button', 'More for Workshop prices');
    await person.click('menuitem', 'Rename');
    await person.fill('textbox', 'Name', 'Prices of the press');
    await person.click('button', 'Rename');
    await person.find('link', 'Prices of the press');
  });
});
