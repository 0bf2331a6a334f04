import fs from 'node:fs';
import path from 'node:path';
import { Key, type WebDriver, type WebElement } from 'selenium-webdriver';
import { axeFindings } from '../tools/axe';
import { devTools, openBrowser } from '../tools/driver';
import { Person } from '../tools/person';
import { newFolder, startApp } from '../tools/server';

describe('A page of blocks', () => {
  let app: Awaited<ReturnType<typeof startApp>>;
  let driver: WebDriver;
  let person: Person;
  beforeAll(async () => {
    app = await startApp({ demo: true });
    driver = await openBrowser();
    person = new Person(driver);
    await person.open(`${app.url}/pages/thistle-press`);
    await person.find('button', 'Publish page');
  }, 1080_000);
  afterAll(async () => {
    await driver.quit();
    await app.kill();
  });

  const add = async (kind: string): Promise<void> => {
    await person.click('button', 'Add');
    await person.click('menuitem', kind);
    await person.gone('menuitem', kind);
  };
  /** What stands in the preview's page, below its title. */
  const shape = (): Promise<string> =>
    driver.executeScript(
      `const told = (each) => each.tagName + (['DIV', 'SECTION'].includes(each.tagName) && !each.matches('.zp-box') ? '(' + [...each.children].map(told).join(' ') + ')' : '');
       return [...document.querySelector('iframe').contentDocument.querySelector('.entry').children].slice(1).map(told).join(' ');`,
    );
  const until = (wanted: string): Promise<unknown> =>
    person.until(`the page as ${wanted}`, async () => ((await shape()) === wanted ? true : undefined));

  it('has a section, columns with a table in a third, a picture and room, all without a pointer but for the file', async () => {
    await person.click('button', /^Workshop prices/);
    await add('Section');
    await add('Columns');
    await add('Text');
    await person.fill('textbox', 'Text', 'Write to us.\n\nBring an apron.');
    await person.click('button', /^2 : 1/);
    await add('Table');
    await until('P DIV SECTION(DIV(DIV(P P) DIV(DIV)))');
    await person.click('button', /^#f2f0e9/);
    await person.fill('combobox', 'Fill', '#e8f0e4');
    await person.press(Key.TAB);
    await person.fill('combobox', 'Ink', 'no colour at all');
    await person.press(Key.TAB);
    await person.find('alert', /is no colour/);
    await person.click('button', /^We set type/);
    await add('Room');
    await person.fill('textbox', 'Height', '3rem');
    await person.press(Key.TAB);
    expect(await axeFindings(driver)).toEqual([]);
    await until('P DIV() DIV SECTION(DIV(DIV(P P) DIV(DIV)))');
  });

  it('is moved step by step out of its columns and by dragging, copied, deleted and undone', async () => {
    await person.click('button', /^Write to us/);
    await person.click('button', 'Move down');
    await until('P DIV() DIV SECTION(DIV(DIV() DIV(P P DIV)))');
    await person.click('button', /^Undo move a block/);
    await until('P DIV() DIV SECTION(DIV(DIV(P P) DIV(DIV)))');
    await person.click('button', 'Duplicate');
    await until('P DIV() DIV SECTION(DIV(DIV(P P P P) DIV(DIV)))');
    await person.click('button', 'Delete');
    await until('P DIV() DIV SECTION(DIV(DIV(P P) DIV(DIV)))');
    const grips = await driver.executeScript<readonly never[]>("return [...document.querySelectorAll('zest-block-outline .grip')]");
    await driver
      .actions({ async: true })
      .move({ origin: grips[0] })
      .press()
      .move({ origin: grips[0], x: 0, y: 12, duration: 100 })
      .move({ origin: grips[2], x: 0, y: 14, duration: 400 })
      .pause(200)
      .release()
      .perform();
    await until('DIV() DIV P SECTION(DIV(DIV(P P) DIV(DIV)))');
    await person.click('button', /^Undo move a block/);
    await until('P DIV() DIV SECTION(DIV(DIV(P P) DIV(DIV)))');
  });

  it('has marks in its text, a title, a description and a place in the menu; and is live so', async () => {
    await person.click('button', /^Write to us/);
    await person.click('button', 'Marks and links');
    const editor = await person.find('textbox', /Text of the page/);
    await editor.click();
    await person.chord(Key.CONTROL, 'a');
    await person.click('button', 'Bold');
    await person.click('button', 'Take it');
    await person.gone('textbox', /Text of the page/);
    await driver.executeScript("document.querySelector('zest-block-outline')?.scrollIntoView()");
    await person.open(`${app.url}/pages/thistle-press`);
    await person.fill('textbox', 'Title', 'The press on the quay');
    await person.press(Key.TAB);
    await person.fill('textbox', 'Description', 'Workshops, set by hand.');
    await person.press(Key.TAB);
    await person.click('checkbox', 'In the site’s menu');
    await person.untilKept();
    await person.click('button', 'Publish page');
    await person.untilText(/The page is live at/);
    await person.open(`${app.url}/site/thistle-press`);
    expect(await driver.getTitle()).toBe('The press on the quay');
    await person.find('navigation', 'Site');
    await person.find('link', 'At Thistle Press');
    const [bold, fill, side, console] = await driver.executeScript<readonly unknown[]>(
      `const boxes = document.querySelectorAll('.zp-box');
       return [document.querySelector('section strong')?.textContent, getComputedStyle(document.querySelector('section')).backgroundColor,
         boxes[1].getBoundingClientRect().width < boxes[0].getBoundingClientRect().width / 2, document.documentElement.scrollWidth <= innerWidth];`,
    );
    expect([bold, fill, side, console]).toEqual(['Write to us.', 'rgb(232, 240, 228)', true, true]);
    expect(await axeFindings(driver)).toEqual([]);
    // What a page has in the menu stands on the others too.
    await person.open(`${app.url}/site/night-boats`);
    await person.find('link', 'At Thistle Press');
  });

  it('breaks long words and bare addresses in its texts, and does not scroll sideways on a phone', async () => {
    const long = 'https://timetables.skerrin.example/winter/crossings-and-connections-from-oldquay-to-fennel-point';
    const block = (id: string, more: object): object => ({ id, ...more });
    const made = await fetch(`${app.url}/api/pages`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({
        format: 'zest-page/6',
        name: 'Überseefrachtschifffahrtsverbindungsauskunftsstelle',
        slug: 'long-words',
        blocks: [
          block('a', { kind: 'heading', level: 2, text: long }),
          block('b', { kind: 'text', text: long }),
          block('c', { kind: 'section', fill: '#eeeeee', ink: '', blocks: [block('d', { kind: 'text', text: `See ${long}` })] }),
        ],
      }),
    });
    const { id, detail } = (await made.json()) as { readonly id: string; readonly detail?: string };
    expect(made.status)
      .withContext(detail ?? '')
      .toBe(201);
    await fetch(`${app.url}/api/pages/${id}/publish`, { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: '{"along":[]}' });
    await devTools(driver, 'Emulation.setDeviceMetricsOverride', { width: 320, height: 640, deviceScaleFactor: 1, mobile: false });
    await person.open(`${app.url}/site/long-words`);
    await person.find('heading', long);
    expect(await driver.executeScript('return document.documentElement.scrollWidth')).toBe(320);
    await devTools(driver, 'Emulation.setDeviceMetricsOverride', { width: 1280, height: 800, deviceScaleFactor: 1, mobile: false });
  });

  it('keeps the place of a picture that has not come yet', async () => {
    const svg = path.join(newFolder(), 'quay.svg');
    fs.writeFileSync(svg, '<svg xmlns="http://www.w3.org/2000/svg" width="320" height="200"><rect width="320" height="200" fill="teal"/></svg>');
    await person.open(`${app.url}/pages/night-boats`);
    await person.click('button', /^Lanterns are lit/);
    await add('Picture');
    await person.find('button', 'From a file');
    const chooser = await driver.executeScript<WebElement>('return document.querySelector("zest-block-form input[type=file]")');
    await chooser.sendKeys(svg);
    await person.find('button', 'Another file');
    await person.fill('textbox', 'What it shows', 'The quay');
    await person.untilKept();
    await person.click('button', 'Publish page');
    await person.untilText(/The page is live at/);
    await person.open(`${app.url}/site/night-boats`);
    const [box, shift] = await driver.executeAsyncScript<readonly unknown[]>(
      `const done = arguments[0]; let shift = 0;
       new PerformanceObserver((list) => list.getEntries().forEach((each) => (shift += each.value))).observe({ type: 'layout-shift', buffered: true });
       const picture = document.querySelector('figure img');
       picture.decode().then(() => requestAnimationFrame(() => requestAnimationFrame(() => setTimeout(() =>
         done([[picture.getAttribute('width'), picture.getAttribute('height'), picture.width, picture.height], shift])))));`,
    );
    expect([box, shift]).toEqual([['320', '200', 320, 200], 0]);
  });

  it('has a ground around a text, in the colours of a theme that is on it, and words in an ink of their own', async () => {
    await person.open(`${app.url}/pages/night-boats`);
    await person.click('button', /^Lanterns are lit/);
    const type = async (role: string, name: string, text: string): Promise<void> => {
      await person.fill(role, name, text);
      await person.press(Key.TAB);
    };
    await type('combobox', 'Fill', 'mist of nowhere');
    await person.find('alert', /No theme on this page has that swatch/);
    await type('combobox', 'Fill', 'mist of harbour-dusk');
    await type('textbox', 'Room inside', '12px 18px');
    await type('textbox', 'Corners', '8px');
    await type('textbox', 'Line around', '1px wavy teal');
    await person.find('alert', /is no line\. Write width, style and colour/);
    await type('textbox', 'Line around', '1px solid wake of harbour-dusk');
    await person.click('button', 'Marks and links');
    await person.find('dialog', /^Text of/);
    // The dialog takes the focus into its text; what is done before that would land elsewhere.
    const choose = (): Promise<true> =>
      person.until('all of the text chosen', async () => {
        await person.chord(Key.CONTROL, 'a');
        return (
          (await driver.executeScript<true | null>(
            `const text = document.activeElement;
             return text?.matches('zest-text-dialog .ProseMirror') && getSelection().toString().startsWith('Lanterns') ? true : null`,
          )) ?? undefined
        );
      });
    await choose();
    await type('combobox', 'Ink', 'lamp');
    await person.find('alert', /“lamp” is no colour/);
    await person.click('textbox', /^Text of/);
    await choose();
    // As the ground and the line around it.
    await type('combobox', 'Ink', 'lamp of harbour-dusk');
    await person.click('button', 'Take it');
    await person.untilKept();
    await person.click('button', 'Publish page');
    await person.untilText(/The page is live at/);
    await person.open(`${app.url}/site/night-boats`);
    const [ground, corners, line, ink, html] = await driver.executeScript<readonly string[]>(
      `const text = [...document.querySelectorAll('.entry > div > p')].find((each) => each.textContent.startsWith('Lanterns are lit')), box = getComputedStyle(text.parentElement);
       return [box.backgroundColor, box.borderTopLeftRadius, box.borderTopStyle, getComputedStyle(text.querySelector('span') ?? text).color, text.innerHTML];`,
    );
    expect([corners, line, ink])
      .withContext(html ?? '')
      .toEqual(['8px', 'solid', 'rgb(184, 74, 6)']);
    // The same grey as the band of the table below it.
    expect(ground).toBe(
      await driver.executeScript<string>(`const table = [...document.querySelectorAll('table')].find(({ caption }) => caption?.textContent.startsWith('Evening crossings'));
         return getComputedStyle(table.querySelector('tbody tr:nth-child(2)')).backgroundColor;`),
    );
    expect(await axeFindings(driver)).toEqual([]);
  });
});
