import { Key, type WebDriver } from 'selenium-webdriver';
import { openBrowser } from './tools/driver';
import { Person } from './tools/person';
import { newFolder, startApp, type App } from './tools/server';

/** Edits of each document, a share of what `npm run prove -- windows` does; at every fourth the server is ended or killed while one is on its way. */
const EDITS = process.env['ZEST_PROVE'] === '1' ? 20 : 8;

/** The server is ended and killed again and again under two windows that work on. */
describe('Two windows whose server goes away again and again', () => {
  const data = newFolder();
  let app: App;
  let drivers: WebDriver[];
  let windows: readonly [Person, Person];

  beforeAll(async () => {
    app = await startApp({ data, demo: true });
    drivers = await Promise.all([openBrowser(), openBrowser()]);
    windows = drivers.map((driver) => new Person(driver)) as [Person, Person];
  });
  afterAll(async () => {
    await Promise.all(drivers.map((driver) => driver.quit()));
    await app.kill();
  });

  /** Does so many edits, by turns in either window; gives what is kept in the end, when both windows say that all is. */
  async function through(
    address: string,
    ready: (person: Person) => Promise<unknown>,
    edit: (person: Person, i: number) => Promise<void>,
  ): Promise<string> {
    const port = Number(new URL(app.url).port);
    for (const person of windows) {
      await person.open(`${app.url}${address}`);
      await ready(person);
    }
    for (let i = 0; i < EDITS; i++) {
      const person = windows[i % 2] as Person;
      await edit(person, i);
      if (i % 4 !== 3) continue;
      // At once: the edit is not kept yet, or just on its way.
      await app.kill(i % 8 === 3 ? 'SIGTERM' : 'SIGKILL');
      await edit(windows[(i + 1) % 2] as Person, i + 100);
      app = await startApp({ data, port });
    }
    for (const person of windows) await person.untilKept();
    return (await fetch(`${app.url}/api${address.split('?')[0]}`)).text();
  }
  const edits = Array.from({ length: EDITS }, (_, i) => i).flatMap((i) => (i % 4 === 3 ? [i, i + 100] : [i]));

  it('have every edit of a theme', async () => {
    const properties = ['Fill', 'Ink'];
    const conditions = ['At rest', 'Odd', 'Even', 'First', 'Last', 'Hovered'];
    const at = (i: number): readonly [string, string] => {
      const n = edits.indexOf(i);
      return [properties[n % 2] ?? '', conditions[Math.floor(n / 2) % conditions.length] ?? ''];
    };
    const value = (i: number): string => `#${(i + 0x345678).toString(16)}`;
    const kept = await through(
      '/themes/low-sound?part=body-rows',
      (person) => person.find('grid', 'Values of Body rows'),
      async (person, i) => {
        const [property, condition] = at(i);
        await person.click('gridcell', new RegExp(`^${property}, ${condition}:`));
        await person.press(value(i), Key.ENTER);
        await person.find('gridcell', new RegExp(`^${property}, ${condition}: ${value(i)}`));
      },
    );
    // Of the places that were set twice the later value holds.
    const last = new Map(edits.map((i) => [at(i).join(), value(i)]));
    for (const each of last.values()) expect(kept).toContain(each);
  });

  it('have every edit of a table', async () => {
    const kept = await through(
      '/tables/berths',
      (person) => person.find('grid', /^Cells of/),
      async (person, i) => {
        const n = edits.indexOf(i);
        const cells = await person.all('cell');
        await cells[(n % 5) * 4 + (Math.floor(n / 5) % 4)]?.click();
        await person.press(`edit ${i}.`, Key.ENTER);
        await person.find('cell', `edit ${i}.`);
      },
    );
    const place = (i: number): string => `${edits.indexOf(i) % 5} ${Math.floor(edits.indexOf(i) / 5) % 4}`;
    const last = new Map(edits.map((i) => [place(i), `edit ${i}.`]));
    for (const each of last.values()) expect(kept).toContain(each);
  });

  it('have every edit of a page', async () => {
    const kept = await through(
      '/pages/night-boats',
      (person) => person.find('button', 'Add'),
      async (person, i) => {
        await person.click('button', 'Add');
        await person.click('menuitem', 'Heading');
        await person.gone('menuitem', 'Heading');
        await person.fill('textbox', 'Text', `Notice ${i}.`);
        await person.press(Key.TAB);
        await person.find('button', new RegExp(`^Notice ${i}\\.`));
      },
    );
    for (const i of edits) expect(kept).toContain(`Notice ${i}.`);
  });
});
