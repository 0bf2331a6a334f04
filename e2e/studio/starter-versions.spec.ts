import { consoleErrors, opened } from '../tools/opened';
import type { Person } from '../tools/person';
import type { WebDriver } from 'selenium-webdriver';
import type { App } from '../tools/server';

/** A theme that grows from an earlier version of its starter, and is moved to the later one when its maker wants that. */
describe('A later version of a starter', () => {
  let app: App;
  let driver: WebDriver;
  let person: Person;
  opened({ demo: true }, (all) => ({ app, driver, person } = all));
  afterEach(async () => {
    expect(await consoleErrors(driver))
      .withContext('console')
      .toEqual([]);
  });

  const kept = async (id: string): Promise<unknown> =>
    ((await (await fetch(`${app.url}/api/themes/${id}`)).json()) as { document: { base: unknown } }).document.base;
  const at = async (version: number): Promise<true | undefined> =>
    ((await kept('timetable')) as { version: number }).version === version || undefined;
  const stylesheet = async (id: string): Promise<string> => (await fetch(`${app.url}/api/themes/${id}/stylesheet?edition=newest`)).text();

  it('is offered, shown in words and pictures, taken in one action, and taken back', async () => {
    await person.open(`${app.url}/themes/timetable`);
    const before = await stylesheet('timetable');
    await person.click('button', /^See version 5/);
    await person.find('dialog', /Hairline, version 5/);
    expect((await person.isThere('cell', 'end')) || (await person.text()).includes('Numbers: align across')).toBeTrue();
    await person.click('button', /^Stay at version 1/);
    await person.gone('dialog', /Hairline, version 5/);
    expect(await kept('timetable')).toEqual({ starter: 'hairline', version: 1 });

    await person.click('button', /^See version 5/);
    await person.click('button', /^Move to version 5/);
    await person.until('the theme to be kept at version 5', () => at(5));
    await person.gone('button', /^See version 5/);
    // What is published stays as it was: its edition names the version that it grew from.
    expect(await stylesheet('timetable')).toBe(before);

    await person.click('button', /^Undo/);
    await person.find('button', /^See version 5/);
    await person.until('the theme to be kept at version 1', () => at(1));
  });
});
