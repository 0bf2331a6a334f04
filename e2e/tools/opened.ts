import type { WebDriver } from 'selenium-webdriver';
import { openBrowser } from './driver';
import { Person } from './person';
import { startApp, type App, type StartOptions } from './server';

/** The running application, a browser and a person before it. */
export interface Opened {
  readonly app: App;
  readonly driver: WebDriver;
  readonly person: Person;
}

/** Opens all three before the specs of a describe, hands them to it, and closes them after. */
export function opened(options: StartOptions, take: (all: Opened) => void): void {
  let all: Opened | undefined;
  beforeAll(async () => {
    const [app, driver] = [await startApp(options), await openBrowser()];
    all = { app, driver, person: new Person(driver) };
    take(all);
  });
  afterAll(async () => {
    await all?.driver.quit();
    await all?.app.kill();
  });
}

/** Whatever the browser's console said that it should not have. */
export async function consoleErrors(driver: WebDriver, but: RegExp = /(?!)/): Promise<readonly string[]> {
  const logs = await driver.manage().logs().get('browser');
  return logs.filter(({ level, message }) => level.name === 'SEVERE' && !but.test(message)).map(({ message }) => message);
}
