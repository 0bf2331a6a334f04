import { Key, type WebDriver } from 'selenium-webdriver';
import { devTools } from '../tools/driver';
import { consoleErrors, opened } from '../tools/opened';
import type { Person } from '../tools/person';
import type { App } from '../tools/server';

/** Rows as cards with a bar on the hovered one that comes gradually: all of it in the ledger. */
describe('Rows as cards', () => {
  let [app, driver, person]: [App, WebDriver, Person] = [undefined, undefined, undefined] as never;
  opened({ demo: true }, (all) => ({ app, driver, person } = all));
  afterEach(async () => {
    await devTools(driver, 'Emulation.setEmulatedMedia', { media: '', features: [] });
    expect(await consoleErrors(driver, /favicon/)).toEqual([]);
  });
  const set = async (part: string, cell: RegExp, text: string): Promise<void> => {
    await person.click('button', part);
    await person.click('gridcell', cell);
    await person.press(text, Key.ENTER);
  };
  let [page, theme] = ['', ''];
  beforeAll(async () => {
    const post = async (address: string, body: unknown): Promise<{ readonly id: string }> => {
      const headers = { 'content-type': 'application/json' };
      return (await (await fetch(`${app.url}/api${address}`, { method: 'POST', headers, body: JSON.stringify(body) })).json()) as { id: string };
    };
    const base = { starter: 'hairline', version: 3 };
    ({ id: theme } = await post('/themes', {
      format: 'zest-theme/2',
      name: 'Cards',
      base,
      swatches: [{ name: 'lamp', colour: '#b8470a' }],
      values: {},
    }));
    const block = { id: 'a', kind: 'table', shows: { kind: 'tables', id: 'workshop-prices' }, dress: { kind: 'themes', id: theme } };
    const blocks = [{ ...block, width: 'fill', align: 'start', room: '0', visitor: null }];
    ({ id: page } = await post('/pages', { format: 'zest-page/6', name: 'Cards', slug: 'cards', blocks }));
    await person.open(`${app.url}/themes/${theme}`);
  });

  it('are set in the ledger: nine values', async () => {
    await set('Whole table', /^Cells, At rest:/, 'spaced');
    await set('Whole table', /^Gap when spaced, At rest:/, '0 8px');
    await set('Whole table', /^Changes go, At rest:/, '200ms ease-out');
    await set('Whole table', /^Room at its edge, At rest:/, '12px');
    await set('Body rows', /^Fill, At rest:/, '#f7f4ec');
    await set('Body rows', /^Fill, Hovered:/, '#ffe9c7');
    await set('Body rows', /^Corners of a row, At rest:/, '10px');
    await set('Body rows', /^Shadow of a row, At rest:/, '0 1px 3px #000000 30%');
    await set('Body rows', /^Bar at its start, Hovered:/, '4px lamp');
    await person.find('gridcell', /^Bar at its start, Hovered: 4px lamp.*set here/);
    await person.untilKept();
    const answer = await fetch(`${app.url}/api/pages/${page}/publish`, { method: 'POST' });
    expect(answer.ok).toBeTrue();
  });

  /** What the second body row of the live page has. */
  const row = (): Promise<readonly string[]> =>
    driver.executeScript(`
      const row = document.querySelector('.zp-frame tbody').rows[1], cell = row.cells[0];
      const [r, c] = [getComputedStyle(row), getComputedStyle(cell)];
      return [getComputedStyle(document.querySelector('.zp-frame > table')).borderSpacing, r.borderRadius, r.boxShadow, c.borderStartStartRadius, c.boxShadow, c.getPropertyValue('--zp_over'), c.transitionDuration.split(',')[0]]`);
  const hovered = async (): Promise<void> => {
    const { x, y } = await driver.executeScript<DOMRect>(
      "return document.querySelector('.zp-frame tbody').rows[1].cells[0].getBoundingClientRect().toJSON()",
    );
    await driver
      .actions()
      .move({ x: Math.round(x + 30), y: Math.round(y + 8), duration: 0 })
      .perform();
  };

  it('stand apart on the live page, and the hovered one has its bar and its fill gradually', async () => {
    await person.open(`${app.url}/site/cards`);
    const [gap, radius, shadow, corner, bar, over, duration] = await row();
    expect([gap, radius, corner, bar, over, duration]).toEqual(['0px 8px', '10px', '10px', 'none', 'rgba(0, 0, 0, 0)', '0.2s']);
    expect(shadow).toContain('0px 1px 3px 0px');
    // Each colour that the cell has on the way, until it is the last one.
    await driver.executeScript(`
      const cell = document.querySelector('.zp-frame tbody').rows[1].cells[0];
      window.seen = new Set();
      const look = () => { window.seen.add(getComputedStyle(cell).getPropertyValue('--zp_over')); requestAnimationFrame(look); };
      look();`);
    await hovered();
    await person.until('the hovered fill', async () => ((await row())[5] === 'rgb(255, 233, 199)' ? true : undefined));
    expect((await row())[4]).toBe('rgb(184, 71, 10) 4px 0px 0px 0px inset');
    expect(await driver.executeScript<number>('return window.seen.size')).toBeGreaterThan(2);
  });

  it('change at once for visitors who want less motion, and on paper have no fill of the pointer', async () => {
    await devTools(driver, 'Emulation.setEmulatedMedia', {
      media: '',
      features: [{ name: 'prefers-reduced-motion', value: 'reduce' }],
    });
    await person.open(`${app.url}/site/cards`);
    expect((await row())[6]).toBe('0s');
    await hovered();
    expect((await row())[5]).toBe('rgb(255, 233, 199)');
  });

  it('have been done in steps that outlive the window’s loading: to any of them it goes back, and forward again', async () => {
    await person.open(`${app.url}/themes/${theme}`);
    await person.click('button', 'What was done');
    await person.find('menuitem', /bar at its start.*here/);
    await person.click('menuitem', /gap when spaced.*not set → 0 8px/);
    await person.click('button', 'Whole table');
    await person.find('gridcell', /^Gap when spaced, At rest: 0 8px.*set here/);
    await person.gone('gridcell', /^Changes go, At rest: 200ms/);
    await person.untilKept();
    await driver.navigate().refresh();
    await person.click('button', 'What was done');
    await person.find('menuitem', /gap when spaced.*here/);
    await person.click('menuitem', /bar at its start.*taken back/);
    await person.click('button', 'Body rows');
    await person.find('gridcell', /^Bar at its start, Hovered: 4px lamp.*set here/);
    await person.click('button', 'What was done');
    await person.click('menuitem', 'The beginning');
    await person.gone('gridcell', /^Bar at its start, Hovered: 4px lamp/);
    await person.untilKept();
  });
});
