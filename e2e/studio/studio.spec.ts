import fs from 'node:fs';
import path from 'node:path';
import { Key, type WebDriver, type WebElement } from 'selenium-webdriver';
import { consoleErrors, opened } from '../tools/opened';
import type { Person } from '../tools/person';
import { newFolder, type App } from '../tools/server';

/** The studio's work as a practitioner does it, on the demo data. */
describe('In the studio', () => {
  let app: App;
  let driver: WebDriver;
  let person: Person;
  opened({ demo: true }, (all) => ({ app, driver, person } = all));
  afterEach(async () => {
    // A refused picture is told by the console too.
    expect(await consoleErrors(driver, /\/api\/media/))
      .withContext('console')
      .toEqual([]);
  });

  const cell = (property: string, condition: string): RegExp => new RegExp(`^${property}, ${condition}:`);
  const setValue = async (property: string, condition: string, text: string): Promise<void> => {
    await person.click('gridcell', cell(property, condition));
    await person.press(text, Key.ENTER);
    await person.find('gridcell', new RegExp(`^${property}, ${condition}: .*set here`));
  };
  /** A part by keyboard alone: its button in the anatomy takes the focus, then Enter. */
  const goToPart = async (name: string): Promise<void> => {
    await driver.executeScript('arguments[0].focus()', await person.find('button', name));
    await person.press(Key.ENTER);
    await person.find('grid', `Values of ${name}`);
  };
  /** Tab by Tab to an element, as one does who has no pointer. */
  const tabTo = async (role: string, name: string | RegExp): Promise<void> => {
    const wanted = await person.find(role, name);
    for (let i = 0; i < 200; i++) {
      if (await driver.executeScript<boolean>('return document.activeElement === arguments[0]', wanted)) return;
      await person.press(Key.TAB);
    }
    throw new Error(`${role} ${String(name)} is not reached with Tab`);
  };
  /** To a cell of the ledger with the arrow keys, from the cell that Tab reaches. */
  const arrowTo = async (property: string, condition: string): Promise<void> => {
    for (let i = 0; !(await driver.executeScript<boolean>('return document.activeElement.matches("zest-ledger td")')); i++) {
      if (i > 200) throw new Error('The ledger is not reached with Tab');
      await person.press(Key.TAB);
    }
    const wanted = await person.find('gridcell', cell(property, condition));
    const steps = await driver.executeScript<readonly [number, number]>(
      `const place = (td) => [td.cellIndex, [...document.querySelectorAll('zest-ledger tbody tr')].filter((row) => row.querySelector('[role=gridcell]')).indexOf(td.parentElement)];
       const [x, y] = place(document.activeElement); const [u, v] = place(arguments[0]); return [u - x, v - y];`,
      wanted,
    );
    const keys = [
      ...Array<string>(Math.abs(steps[1])).fill(steps[1] < 0 ? Key.ARROW_UP : Key.ARROW_DOWN),
      ...Array<string>(Math.abs(steps[0])).fill(steps[0] < 0 ? Key.ARROW_LEFT : Key.ARROW_RIGHT),
    ];
    if (keys.length > 0) await person.press(...keys);
  };
  const typeValue = async (property: string, condition: string, text: string): Promise<void> => {
    await arrowTo(property, condition);
    await person.press(text, Key.ENTER);
    await person.find('gridcell', new RegExp(`^${property}, ${condition}: .*set here`));
  };
  const style = async (role: string, name: string, property: string): Promise<string> => person.style(await person.find(role, name), property);
  const untilStyle = (role: string, name: string, property: string, wanted: string | RegExp): Promise<unknown> =>
    person.until(`${property} ${String(wanted)} on ${name}`, async () => {
      const found = await style(role, name, property).catch(() => '');
      return (typeof wanted === 'string' ? found === wanted : wanted.test(found)) || undefined;
    });
  const onClosest = (role: string, name: string, selector: string, property: string): Promise<string> =>
    person
      .find(role, name)
      .then((element: WebElement) =>
        driver.executeScript<string>('return getComputedStyle(arguments[0].closest(arguments[1]))[arguments[2]]', element, selector, property),
      );
  const open = async (theme: string, query = ''): Promise<void> => {
    await person.open(`${app.url}/themes/${theme}${query}`);
    await person.find('grid', /^Values of/);
  };

  it('a. a plain table is restyled from whole to part: table, header, lines, bands, hovered, selected, sorted, footer, caption, pager', async () => {
    await open('timetable');
    await person.choose(/Shown on/, 'Three tiers of headers');
    await goToPart('Whole table');
    await setValue('Font', 'At rest', 'source serif');
    await setValue('Shadow', 'At rest', '0 2px 6px #000000 25%');
    await goToPart('Column headers');
    await setValue('Fill', 'At rest', '#204060');
    await setValue('Ink', 'At rest', '#ffffff');
    await setValue('Ink', 'Sorted column', '#ffe08a');
    await goToPart('Header groups');
    await setValue('Align across', 'At rest', 'center');
    await goToPart('Lines');
    await setValue('Beside the row headers', 'At rest', '2px solid #204060');
    await setValue('Between header tiers', 'At rest', '1px dashed #ffffff');
    await goToPart('Body rows');
    await setValue('Even means every', 'At rest', '3rd');
    await setValue('Fill', 'Every 3rd', '#e8f0f8');
    await setValue('Fill', 'Hovered', '#fff4cc');
    await setValue('Fill', 'Selected', '#cfe3f7');
    await setValue('Fill', 'Sorted column', '#204060 10%');
    await goToPart('Numbers');
    await setValue('Align across', 'At rest', 'end');
    await setValue('Decimal marks', 'At rest', 'aligned');
    await setValue('Ink', 'Negative', '#b3261e');
    await goToPart('Footer');
    await setValue('Fill', 'At rest', '#d5e2ee');
    await goToPart('Caption');
    await setValue('Stands', 'At rest', 'below');
    await goToPart('Pager items');
    await setValue('Fill', 'Current', '#204060');
    await setValue('Ink', 'Current', '#ffffff');

    expect(await onClosest('columnheader', 'Out', 'thead', 'backgroundColor')).toBe('rgb(32, 64, 96)');
    expect(await style('columnheader', 'Passengers', 'text-align')).toBe('center');
    expect(await onClosest('cell', '−12', 'table', 'boxShadow')).toContain('rgba(0, 0, 0, 0.25)');
    expect(await style('cell', '−12', 'color')).toBe('rgb(179, 38, 30)');
    expect(await style('cell', '−12', 'text-align')).toBe('end');
    expect(await style('cell', '412', 'border-left-width')).toBe('2px');
    expect(await onClosest('cell', '1,204', 'tr', 'backgroundColor')).toBe('rgb(232, 240, 248)');
    expect(await onClosest('cell', '28', 'table', 'fontFamily')).not.toContain('Source Serif');
    await untilStyle('cell', '412', 'font-family', /Source Serif 4/);
    const caption = await driver.executeScript<string>(
      'return getComputedStyle(arguments[0].closest("table").caption).captionSide',
      await person.find('cell', '412'),
    );
    expect(caption).toBe('bottom');
    await person.untilKept();
  }, 1080_000);

  it('a2. the same without a pointer: parts by Tab, values by arrow keys, an editor, a fill across, a way back', async () => {
    await open('thistle-ledger');
    const part = async (name: string): Promise<void> => {
      await tabTo('button', name);
      await person.press(Key.ENTER);
      await person.find('grid', `Values of ${name}`);
    };
    await tabTo('combobox', /Shown on/);
    await person.press('Three');
    await part('Whole table');
    await typeValue('Size', 'At rest', 'body');
    await part('Column headers');
    await typeValue('Fill', 'At rest', '#402030');
    await typeValue('Ink', 'At rest', '#ffffff');
    await part('Lines');
    await typeValue('Between rows', 'At rest', '1px solid #402030');
    await part('Body rows');
    await typeValue('Fill', 'Even', '#f6eef2');
    await typeValue('Fill', 'Hovered', '#fbe9c8');
    await typeValue('Fill', 'Selected', '#ead2dd');
    await typeValue('Weight', 'Sorted column', '600');
    // The fitting editor opens on Space and gives the focus back on Escape.
    await arrowTo('Fill', 'Selected');
    await person.press(Key.SPACE);
    await person.find('dialog', 'Editor for Fill, Selected');
    await person.press(Key.ESCAPE);
    await person.gone('dialog', 'Editor for Fill, Selected');
    expect(await driver.executeScript<string>('return document.activeElement.getAttribute("aria-label")')).toMatch(/^Fill, Selected:/);
    await arrowTo('Ink', 'At rest');
    await person.chord(Key.CONTROL, 'r');
    await person.find('gridcell', /^Ink, Disabled: .*set here/);
    await person.chord(Key.CONTROL, 'z');
    await person.find('gridcell', /^Ink, Disabled: .*from/);
    await part('Footer');
    await typeValue('Fill', 'At rest', '#ead2dd');
    await part('Caption');
    await typeValue('Align across', 'At rest', 'center');
    await part('Pager items');
    await typeValue('Fill', 'Current', '#402030');
    await typeValue('Ink', 'Current', '#ffffff');
    expect(await onClosest('columnheader', 'Out', 'thead', 'backgroundColor')).toBe('rgb(64, 32, 48)');
    await person.untilKept();
  }, 1620_000);

  it('b. a header that has become unreadable is found, and mended with the ink that is offered', async () => {
    await open('harbour-dusk');
    await goToPart('Column headers');
    await setValue('Fill', 'At rest', '#dfe8ec');
    await person.find('gridcell', /^Ink, At rest: snow .*fails/);
    await person.click('gridcell', cell('Ink', 'At rest'));
    await person.untilText(/The ink reads 1\.\d : 1/);
    await person.untilText(/This changes too: Column headers, odd columns/);
    await person.click('button', 'Use it here');
    await person.find('gridcell', /^Ink, At rest: #[0-9a-f]{6} .*passes, set here/);
    expect(await person.isThere('button', 'Use it here')).toBeFalse();
    // The chain leads to where the beaten value is set.
    await person.click('button', 'Go to Whole table, in Nightfall');
    await person.find('grid', 'Values of Whole table');
    await person.click('button', /^Undo set a value/);
    await person.click('button', /^Undo set a value/);
  });

  it('c. one line around every cell, none doubled, rounded corners, in four actions', async () => {
    await open('low-sound', '?part=lines');
    await setValue('Outer, all sides', 'At rest', '1px solid #345678');
    await setValue('Between rows', 'At rest', '1px solid #345678');
    await setValue('Between columns', 'At rest', '1px solid #345678');
    await goToPart('Whole table');
    await setValue('Corner radius', 'At rest', '12px');
    await person.choose(/Shown on/, 'Many merged cells');
    const sides = await driver.executeScript<readonly string[]>(
      `const cells = [...document.querySelector('zest-specimen .host').shadowRoot.querySelectorAll('th, td')];
       return cells.map((each) => { const style = getComputedStyle(each); return [style.borderInlineEndWidth, style.borderBlockEndWidth].join(' '); });`,
    );
    expect(new Set(sides)).toEqual(new Set(['0px 0px']));
    expect(await onClosest('cell', 'D1', 'table', 'borderTopLeftRadius')).toBe('12px');
    expect(await onClosest('cell', 'D1', 'table', 'borderTopWidth')).toBe('1px');
  });

  it('d. a header with a picture from a file, row headers of their own colour, alternating header columns', async () => {
    await open('paper-stock', '?part=column-headers');
    await person.click('gridcell', cell('Picture behind', 'At rest'));
    await person.press(Key.SPACE);
    await person.find('dialog', /Picture behind/);
    const folder = newFolder();
    const file = (name: string, text: string): string => (fs.writeFileSync(path.join(folder, name), text), path.join(folder, name));
    const chooser = await driver.executeScript<WebElement>('return document.querySelector("zest-picture-editor input[type=file]")');
    await chooser.sendKeys(file('script.svg', '<svg xmlns="http://www.w3.org/2000/svg"><script>alert(1)</script></svg>'));
    await person.find('alert', /script\.svg.*could run/);
    await chooser.sendKeys(file('table.txt', 'not a picture'));
    await person.find('alert', /no picture/);
    await chooser.sendKeys(file('large.png', 'x'.repeat(5_100_000)));
    await person.find('alert', /weighs 5\.1 MB/);
    await chooser.sendKeys(
      file('Night Sea.svg', '<svg xmlns="http://www.w3.org/2000/svg" width="8" height="8"><circle cx="4" cy="4" r="2" fill="#88aacc"/></svg>'),
    );
    await person.find('button', 'night-sea');
    await person.press(Key.ESCAPE);
    await person.find('gridcell', /^Picture behind, At rest: night-sea, set here/);
    await person.until('the picture', async () =>
      (await onClosest('columnheader', 'Crossing', 'thead', 'backgroundImage').catch(() => '')).includes('/pictures/') ? true : undefined,
    );
    await setValue('Fill', 'Even columns', '#e2d6c2');
    await goToPart('Row headers');
    await setValue('Fill', 'At rest', '#cfe0d4');
    await setValue('Width', 'At rest', '9em');
    expect(await style('columnheader', 'Boat', 'background-color')).toBe('rgb(226, 214, 194)');
    expect(await style('rowheader', 'L1001', 'background-color')).toBe('rgb(207, 224, 212)');
    await person.untilKept();
    await driver.navigate().refresh();
    await person.find('gridcell', /^Fill, At rest: #cfe0d4/);
  }, 810_000);

  it('e. a brand colour makes a finished theme in three actions, and takes it back in one', async () => {
    await open('night-watch');
    await person.fill('textbox', 'Brand colour as text', '#a3195b');
    await person.press(Key.TAB);
    await person.click('button', 'Derive');
    await person.find('button', /^Swatch on-header/);
    await person.until('the brand’s header', async () =>
      (await onClosest('columnheader', 'Boat', 'thead', 'backgroundColor')) === 'rgb(163, 25, 91)' ? true : undefined,
    );
    expect(await driver.executeScript('return document.querySelectorAll("zest-ledger .fails").length')).toBe(0);
    // A swatch that is used says where, and its users get another when it goes.
    await person.click('button', /^Swatch hover/);
    await person.find('button', 'Body rows, hovered: fill');
    await person.choose(/When it is deleted/, 'select');
    await person.click('button', 'Delete');
    await person.find('gridcell', /^Fill, Hovered: select, set here/);
    await person.click('button', /^Undo delete the swatch/);
    await person.click('button', /^Undo derive the swatches/);
    await person.gone('button', /^Swatch on-header/);
  });

  it('f. the draft is compared with how it was, a value is put back, a group is reset and undone', async () => {
    await open('ticket-stub');
    await person.choose(/Shown on/, 'A small sample');
    await setValue('Fill', 'Hovered', '#ffeeaa');
    await setValue('Size', 'At rest', 'body+1');
    await setValue('Weight', 'At rest', '500');
    await person.click('button', 'Compare');
    await person.find('heading', /^Compare Ticket stub/);
    await person.find('table', 'What changed');
    await person.find('rowheader', 'Body rows, hovered: fill');
    await person.find('rowheader', 'Body rows: size');
    await person.click('button', 'Put back Body rows: size');
    await person.gone('rowheader', 'Body rows: size');
    await person.choose('With', await lastChoice());
    await person.click('button', 'Close');
    await person.find('gridcell', /^Size, At rest: body, from/);
    // F8 held: as it was; let go: as it is.
    const hovered = (): Promise<string> => style('cell', 'Fennel Point', 'background-image');
    const now = await hovered();
    await driver.actions().keyDown(Key.F8).perform();
    await person.find('status', /^Earlier:/);
    await person.until('the earlier fill', async () => ((await hovered()) !== now ? true : undefined));
    await driver.actions().keyUp(Key.F8).perform();
    await person.until('the present fill', async () => ((await hovered()) === now ? true : undefined));
    await person.click('gridcell', cell('Weight', 'At rest'));
    await person.click('button', 'Reset');
    await person.click('menuitem', 'The group of this value');
    await person.find('gridcell', /^Weight, At rest: 400, from/);
    await person.find('gridcell', /^Fill, Hovered: #ffeeaa, set here/);
    await person.click('button', /^Undo reset the group type/);
    await person.find('gridcell', /^Weight, At rest: 500, set here/);
  }, 810_000);

  /** The last of the states that can be compared with: the first edition. */
  async function lastChoice(): Promise<string> {
    return driver.executeScript<string>('return [...document.querySelectorAll("zest-compare-dialog option")].at(-1).textContent.trim()');
  }

  it('g. several parts, a rectangle of values, a search for a property', async () => {
    await open('timetable', '?part=column-headers');
    await driver
      .actions()
      .keyDown(Key.SHIFT)
      .click(await person.find('button', 'Footer'))
      .keyUp(Key.SHIFT)
      .perform();
    await person.find('grid', 'Values of Column headers and Footer');
    await setValue('Case', 'At rest', 'uppercase');
    await goToPart('Footer');
    await person.find('gridcell', /^Case, At rest: uppercase, set here/);
    await goToPart('Body rows');
    await person.fill('searchbox', 'Find a property', 'padding');
    await person.gone('gridcell', cell('Fill', 'At rest'));
    await person.fill('searchbox', 'Find a property', 'colour');
    await setValue('Fill', 'Hovered', '#fff4cc');
    await person.click('gridcell', cell('Fill', 'Hovered'));
    await person.chord(Key.SHIFT, Key.ARROW_DOWN);
    await person.chord(Key.CONTROL, 'c');
    await person.click('gridcell', cell('Fill', 'First'));
    await person.chord(Key.CONTROL, 'v');
    await person.find('gridcell', /^Fill, First: #fff4cc, set here/);
    await person.find('gridcell', /^Ink, First: .*set here/);
    await person.chord(Key.SHIFT, Key.ARROW_RIGHT);
    await person.click('button', 'Fill across');
    await person.find('gridcell', /^Fill, Last: #fff4cc, set here/);
    await person.press(Key.F2);
    await person.press(Key.ESCAPE);
    await person.click('gridcell', cell('Fill', 'First'));
    await person.chord(Key.SHIFT, Key.ARROW_RIGHT);
    await person.press(Key.DELETE);
    await person.find('gridcell', /^Fill, Last: .*from/);
  }, 810_000);

  it('g2. a step of the type scale is added, named, moved and taken away, and sizes follow', async () => {
    await open('low-sound', '?part=caption');
    await person.click('button', 'Add a step');
    await person.fill('textbox', 'Name', 'banner');
    await person.press(Key.TAB);
    await setValue('Size', 'At rest', 'banner');
    await person.find('button', /^banner 22\.81px/);
    await person.fill('spinbutton', 'Step', '4');
    await person.press(Key.TAB);
    await person.find('button', /^banner 26\.24px/);
    await person.click('button', 'Take it away');
    await person.find('gridcell', /^Size, At rest: 26\.24px, set here/);
    await person.click('button', /^Undo take the step/);
    await person.find('gridcell', /^Size, At rest: banner, set here/);
  });

  it('h. swatches that refer to each other in a loop are told with the loop, and nothing kept is touched', async () => {
    await open('harbour-dusk');
    await person.click('button', /^Swatch lamp/);
    await person.fill('textbox', 'Colour', 'tide 40%');
    await person.press(Key.TAB);
    await person.click('button', /^Swatch tide/);
    await person.fill('textbox', 'Colour', 'lamp');
    await person.press(Key.TAB);
    await person.find('alert', /in a loop: tide → lamp → tide/);
    await person.click('button', /^Undo change the swatch lamp/);
  });

  it('i. what decides a cell is said where the pointer is, and a part that is off says so', async () => {
    await open('harbour-dusk');
    await person.choose(/Shown on/, 'Evening crossings');
    await person.hover('cell', 'Fennel Point');
    await person.untilText(/Fill glow\s+Body rows, hovered/);
    await goToPart('Row headers');
    await setValue('Own look', 'At rest', 'off');
    await person.find('status', /own look of row headers is off/);
    await person.click('button', /^Undo set a value/);
    await goToPart('Links');
    await person.find('link', 'Crossings');
    await setValue('Ink', 'At rest', '#7d1f33');
    await untilStyle('link', 'Crossings', 'color', 'rgb(125, 31, 51)');
  });

  it('j. a theme is found as its name is typed, and a starter is tried on one’s own table before it is taken', async () => {
    await person.open(`${app.url}/themes`);
    await person.find('link', 'Harbour dusk');
    await person.fill('searchbox', 'Find a theme', 'watch');
    await person.gone('link', 'Harbour dusk');
    await person.find('link', 'Night watch');
    await person.fill('searchbox', 'Find a theme', 'nothing like it');
    await person.click('button', 'Show all');
    await person.click('button', 'New theme');
    await person.choose('Tried on', 'Fares by age');
    await person.until(
      'the table on a starter',
      async () =>
        (await driver.executeScript<boolean>(
          'return [...document.querySelectorAll("zest-starter-dialog zest-dressed")].some((each) => each.shadowRoot?.textContent.includes("Fares"))',
        )) || undefined,
    );
    await person.click('button', /^Porthole/);
    await person.find('heading', 'Porthole, mine');
    await person.find('grid', 'Values of Body rows');
  });
});
