import { Key, type WebDriver } from 'selenium-webdriver';
import { openBrowser } from './tools/driver';
import { Person } from './tools/person';
import { newFolder, startApp, type App } from './tools/server';

const setValue = async (person: Person, property: string, condition: string, text: string): Promise<void> => {
  await person.click('gridcell', new RegExp(`^${property}, ${condition}:`));
  await person.press(text, Key.ENTER);
};
const typeCell = async (person: Person, name: string, text: string): Promise<void> => {
  await person.click('cell', name);
  await person.press(text, Key.ENTER);
};

describe('Two windows on one document', () => {
  const data = newFolder();
  let app: App;
  let port: number;
  let drivers: WebDriver[];
  let one: Person;
  let two: Person;
  const both = async (address: string, ready: (person: Person) => Promise<unknown>): Promise<void> => {
    for (const person of [one, two]) {
      await person.open(`${app.url}${address}`);
      await ready(person);
    }
  };
  /** The server goes, both do something, the server is back; whoever is quicker keeps first. */
  const whileGone = async (work: () => Promise<void>): Promise<void> => {
    await app.kill('SIGKILL');
    await work();
    app = await startApp({ data, port });
  };
  const ask = async (address: string): Promise<unknown> => (await fetch(`${app.url}${address}`)).json();

  beforeAll(async () => {
    app = await startApp({ data, demo: true });
    port = Number(new URL(app.url).port);
    drivers = await Promise.all([openBrowser(), openBrowser()]);
    [one, two] = drivers.map((driver) => new Person(driver)) as [Person, Person];
  });
  afterAll(async () => {
    await Promise.all(drivers.map((driver) => driver.quit()));
    await app.kill();
  });

  it('follow each other, and each undoes its own steps only', async () => {
    await both('/themes/low-sound?part=body-rows', (person) => person.find('grid', 'Values of Body rows'));
    await setValue(one, 'Fill', 'Even', '#aaffaa');
    await two.find('gridcell', /^Fill, Even: #aaffaa, set here/);
    await two.untilKept();
    // What came from the other window is no step of this one.
    expect(await two.isThere('button', /^Undo set/)).toBeFalse();
    await setValue(two, 'Weight', 'At rest', '600');
    await one.find('gridcell', /^Weight, At rest: 600, set here/);
    await one.click('button', /^Undo/);
    await two.find('gridcell', /^Fill, Even: (?!#aaffaa)/);
    await two.find('gridcell', /^Weight, At rest: 600, set here/);
    await one.untilKept();
    await one.click('button', /^Do again: set/);
    await two.find('gridcell', /^Fill, Even: #aaffaa, set here/);
  });

  it('are followed by eight tabs of one browser, over one connection', async () => {
    const [driver] = drivers as [WebDriver];
    const first = await driver.getWindowHandle();
    // A browser opens no more than six connections to a server: with one for each tab the seventh would wait for ever.
    for (let tab = 0; tab < 8; tab++) {
      await driver.switchTo().newWindow('tab');
      await one.open(`${app.url}/themes/harbour-dusk?part=body-rows`);
      await one.find('grid', 'Values of Body rows');
    }
    await two.open(`${app.url}/themes/harbour-dusk?part=body-rows`);
    await setValue(two, 'Fill', 'Even', '#ddffdd');
    for (const tab of await driver.getAllWindowHandles()) {
      if (tab === first) continue;
      await driver.switchTo().window(tab);
      await one.find('gridcell', /^Fill, Even: #ddffdd, set here/);
      await driver.close();
    }
    await driver.switchTo().window(first);
  });

  it('are put together where they changed different places while nothing could be kept', async () => {
    await both('/themes/low-sound?part=body-rows', (person) => person.find('grid', 'Values of Body rows'));
    await whileGone(async () => {
      await setValue(one, 'Fill', 'Odd', '#ffeeee');
      await one.untilText(/Not kept yet/);
      await setValue(two, 'Ink', 'Odd', '#222222');
      await two.untilText(/Not kept yet/);
    });
    for (const person of [one, two]) {
      await person.find('gridcell', /^Fill, Odd: #ffeeee, set here/);
      await person.find('gridcell', /^Ink, Odd: #222222 [\d.]+ passes, set here/);
      await person.untilKept();
    }
  });

  it('are shown both sides of one cell, in words and as pictures, and lose neither before the person has chosen', async () => {
    await both('/tables/berths', (person) => person.find('grid', /^Cells of/));
    await whileGone(async () => {
      await typeCell(one, 'Wick', 'ONE');
      await one.untilText(/Not kept yet/);
      await typeCell(two, 'Wick', 'TWO');
      await two.untilText(/Not kept yet/);
    });
    const asked = await one.until('a window that asks', async () => {
      for (const person of [one, two]) if (await person.isThere('heading', 'Another window changed this too')) return person;
      return undefined;
    });
    const [mine, theirs] = asked === one ? ['ONE', 'TWO'] : ['TWO', 'ONE'];
    await asked.find('radio', `This window: ${mine}`);
    await asked.find('group', /^Row \d+ \(.+\), /);
    await asked.click('radio', `The other window: ${theirs}`);
    await asked.click('button', 'Keep the other window’s');
    await asked.find('cell', theirs);
    await asked.untilKept();
    expect(await asked.isThere('cell', mine)).toBeFalse();
  });

  it('bring back what one deleted while the other edits it, with the edit', async () => {
    const { id } = (await (
      await fetch(`${app.url}/api/tables/berths/duplicate`, { method: 'POST', headers: { 'Content-Type': 'application/json' } })
    ).json()) as { id: string };
    await one.open(`${app.url}/tables/${id}`);
    await one.find('grid', /^Cells of/);
    await fetch(`${app.url}/api/tables/${id}`, { method: 'DELETE' });
    await one.untilText(/was deleted in another window/);
    await typeCell(one, 'Moth', 'STILL HERE');
    await one.click('button', 'Bring it back');
    await one.untilKept();
    expect(JSON.stringify(await ask(`/api/tables/${id}`))).toContain('STILL HERE');
  });

  it('are merged in a pricing table: one moves a plan, the other adds one and types a price', async () => {
    await both('/pricings/season-passes', (person) => person.find('columnheader', 'Saloon'));
    await whileGone(async () => {
      await one.click('columnheader', 'Cabin');
      await one.chord(Key.ALT, Key.ARROW_LEFT);
      await one.untilText(/Not kept yet/);
      await two.click('columnheader', 'Saloon');
      await two.click('button', 'Plan');
      await two.click('menuitem', 'Add after');
      await two.find('columnheader', 'Plan 4');
      await typeCell(two, '£9.50', '10');
      await two.untilText(/Not kept yet/);
    });
    await Promise.all([one.untilKept(), two.untilKept()]);
    for (const person of [one, two]) {
      await person.find('columnheader', 'Plan 4');
      await person.find('cell', '£10');
    }
    const { document } = (await ask('/api/pricings/season-passes')) as {
      readonly document: { readonly plans: readonly { readonly name: string }[] };
    };
    expect(document.plans.map(({ name }) => name)).toEqual(['Deck', 'Cabin', 'Saloon', 'Plan 4']);
  });
});

describe('What was not kept when a browser was closed', () => {
  it('is offered by name when the tool is next opened, and goes through the same merge', async () => {
    const [data, profile] = [newFolder(), newFolder()];
    let app = await startApp({ data, demo: true });
    const port = Number(new URL(app.url).port);
    let driver = await openBrowser(undefined, profile);
    try {
      let person = new Person(driver);
      await person.open(`${app.url}/themes/harbour-dusk?part=body-rows`);
      await person.find('grid', 'Values of Body rows');
      await app.kill('SIGKILL');
      await setValue(person, 'Fill', 'Even', '#ffe0b2');
      await person.untilText(/safe in this browser/);
      // A view that was not loaded yet says why it does not come.
      await person.click('link', 'Backups');
      await person.untilText(/This view cannot be opened now/);
      await driver.quit();

      app = await startApp({ data, port });
      const kept = (await (await fetch(`${app.url}/api/themes/harbour-dusk`)).json()) as { revision: number; document: Record<string, unknown> };
      await fetch(`${app.url}/api/themes/harbour-dusk`, {
        method: 'PUT',
        headers: { 'Content-Type': 'application/json', 'If-Match': `"${kept.revision}"` },
        body: JSON.stringify({ ...kept.document, name: 'Harbour at night' }),
      });
      driver = await openBrowser(undefined, profile);
      person = new Person(driver);
      await person.open(`${app.url}/tables`);
      await person.find('region', 'Not kept yet');
      await person.click('button', /^Open “Harbour/);
      await person.find('gridcell', /^Fill, Even: #ffe0b2, set here/);
      await person.untilKept();
      await person.gone('region', 'Not kept yet');
      const now = JSON.stringify(await (await fetch(`${app.url}/api/themes/harbour-dusk`)).json());
      expect(now).toContain('Harbour at night');
      expect(now).toContain('#ffe0b2');
    } finally {
      await driver.quit().catch(() => undefined);
      await app.kill();
    }
  });
});
