import { Key } from 'selenium-webdriver';
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

      // What is not kept lies in the browser: it is there after a reload.
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
  });
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
  });
});
