import { Key, type WebDriver } from 'selenium-webdriver';
import { openBrowser } from './tools/driver';
import { Person } from './tools/person';
import { newFolder, startApp, type App } from './tools/server';

const cell = (property: string, condition: string): RegExp => new RegExp(`^${property}, ${condition}:`);
const setValue = async (person: Person, property: string, condition: string, text: string): Promise<void> => {
  await person.click('gridcell', cell(property, condition));
  await person.press(text, Key.ENTER);
};

describe('When the server is cut off in the middle of editing', () => {
  it('says so, keeps the changes through a reload, and sends them when it is back', async () => {
    const data = newFolder();
    let app: App = await startApp({ data, demo: true });
    const port = Number(new URL(app.url).port);
    const driver = await openBrowser();
    const person = new Person(driver);
    try {
      await person.open(`${app.url}/themes/harbour-dusk?part=body-rows`);
      await setValue(person, 'Fill', 'Odd', '#fff8e1');
      await person.untilKept();
      await app.kill('SIGKILL');
      await setValue(person, 'Fill', 'Even', '#ffe0b2');
      await person.untilText(/Not kept yet: the server cannot be reached/);
      await setValue(person, 'Ink', 'Even', '#222222');
      await person.find('gridcell', /^Ink, Even: #222222 [\d.]+ passes, set here/);
      app = await startApp({ data, port });
      await person.untilText(/All changes kept/);
      const kept = (await (await fetch(`${app.url}/api/themes/harbour-dusk`)).json()) as {
        document: { values: { 'body-rows': Record<string, unknown> } };
      };
      expect(kept.document.values['body-rows']['even']).toEqual({ fill: '#ffe0b2', ink: '#222222' });
      expect(kept.document.values['body-rows']['odd']).toEqual({ fill: '#fff8e1' });

      // What is not kept lies in the window: it is there after a reload.
      await driver.executeScript('sessionStorage.setItem("probe", "x")');
      await app.kill('SIGKILL');
      await setValue(person, 'Ink', 'Odd', '#333333');
      await person.untilText(/Not kept yet/);
      app = await startApp({ data, port });
      await driver.navigate().refresh();
      await driver
        .switchTo()
        .alert()
        .then(
          (alert) => alert.accept(),
          () => undefined,
        );
      await person.find('gridcell', /^Ink, Odd: #333333 [\d.]+ passes, set here/);
      await person.untilKept();
    } finally {
      await driver.quit();
      await app.kill();
    }
  }, 270_000);
});

describe('When a new table cannot be kept', () => {
  it('the dialog stays with everything in it, says why, and makes it when it can', async () => {
    const data = newFolder();
    let app: App = await startApp({ data, demo: true });
    const port = Number(new URL(app.url).port);
    const driver = await openBrowser();
    const person = new Person(driver);
    try {
      await person.open(`${app.url}/tables`);
      await person.find('link', 'Berths at Oldquay');
      await person.click('button', 'New table');
      await person.fill('textbox', 'Name', 'Tides at Skerrin');
      const field = await person.find('textbox', 'Paste copied cells here');
      await person.paste(field, {
        'text/html':
          '<table><tr><td rowspan="2">Region</td><td>Sales</td></tr><tr><td>EUR</td></tr><tr><td>North</td><td>38</td></tr><tr><td>South</td><td>41</td></tr></table>',
        'text/plain': '',
      });
      await person.find('checkbox', 'The first 2 rows are the header.');
      await app.kill();
      await person.click('button', 'Create table');
      await person.find('alert', /cannot be reached.*Nothing is lost/);
      app = await startApp({ data, port });
      await person.find('checkbox', 'The first 2 rows are the header.');
      await person.click('button', 'Create table');
      await person.find('grid', 'Cells of Tides at Skerrin');
      await person.find('columnheader', 'EUR');
    } finally {
      await driver.quit();
      await app.kill();
    }
  }, 270_000);
});

describe('Two windows on one theme', () => {
  let app: App;
  let drivers: WebDriver[];
  let one: Person;
  let two: Person;
  beforeAll(async () => {
    app = await startApp({ demo: true });
    drivers = await Promise.all([openBrowser(), openBrowser()]);
    [one, two] = drivers.map((driver) => new Person(driver)) as [Person, Person];
  }, 240_000);
  afterAll(async () => {
    await Promise.all(drivers.map((driver) => driver.quit()));
    await app.kill();
  });
  beforeEach(async () => {
    for (const person of [one, two]) {
      await person.open(`${app.url}/themes/low-sound?part=body-rows`);
      await person.find('grid', 'Values of Body rows');
    }
  }, 240_000);

  it('put changes in different places together, and say so', async () => {
    await setValue(one, 'Fill', 'Even', '#aaffaa');
    await one.untilKept();
    await setValue(two, 'Weight', 'At rest', '600');
    await two.untilText(/Another window changed this too/);
    await two.find('gridcell', /^Fill, Even: #aaffaa, set here/);
    await two.find('gridcell', /^Weight, At rest: 600, set here/);
    await two.untilKept();
  }, 240_000);

  it('show both sides of one place, and lose neither before the person has chosen', async () => {
    await setValue(one, 'Fill', 'Odd', '#111111');
    await one.untilKept();
    await setValue(two, 'Fill', 'Odd', '#eeeeee');
    await two.find('heading', 'Another window changed this too');
    await two.find('radio', /This window: #eeeeee/);
    await two.click('radio', /The other window: #111111/);
    await two.click('button', 'Keep the other window’s');
    await two.find('gridcell', /^Fill, Odd: #111111, set here/);
    await two.untilKept();
    await two.click('button', /^Undo take in another window/);
    await two.find('gridcell', /^Fill, Odd: #eeeeee, set here/);
    await two.untilKept();
  }, 240_000);
});
