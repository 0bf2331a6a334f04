import { Key, type WebDriver } from 'selenium-webdriver';
import { axeFindings } from '../tools/axe';
import { devTools } from '../tools/driver';
import { consoleErrors, opened } from '../tools/opened';
import type { Person } from '../tools/person';
import type { App } from '../tools/server';

/** A live page as others read it: by keys, with the system's colours, on paper, on a narrow screen. */
describe('A live page, read otherwise,', () => {
  let [app, driver, person]: [App, WebDriver, Person] = [undefined, undefined, undefined] as never;
  opened({ demo: true }, (all) => ({ app, driver, person } = all));
  afterEach(async () => expect(await consoleErrors(driver)).toEqual([]));

  const resized = (width: number, height = 800): Promise<unknown> =>
    devTools(driver, 'Emulation.setDeviceMetricsOverride', { width, height, deviceScaleFactor: 1, mobile: false });
  const seenAs = (media: string, features: readonly object[] = []): Promise<unknown> =>
    devTools(driver, 'Emulation.setEmulatedMedia', { media, features });
  afterEach(async () => {
    await seenAs('');
    await resized(1280);
  });
  const read = <T>(script: string, ...given: readonly unknown[]): Promise<T> => driver.executeScript<T>(`return ${script}`, ...given);

  // The fares as they were before their theme had a width step: wider than a phone.
  beforeAll(async () => {
    const { revision, document } = (await (await fetch(`${app.url}/api/themes/ticket-stub`)).json()) as { revision: number; document: object };
    const headers = { 'Content-Type': 'application/json' };
    const send = (address: string, method: string, at: number, body: object): Promise<Response> =>
      fetch(`${app.url}/api/themes/ticket-stub${address}`, { method, headers: { ...headers, 'If-Match': `"${at}"` }, body: JSON.stringify(body) });
    expect((await send('', 'PUT', revision, { ...document, widths: [] })).status).toBe(200);
    expect((await send('/editions', 'POST', revision + 1, { hold: [] })).ok).toBeTrue();
  });

  /** The demo page with its header in view and rows to choose, or as it is asked for. */
  const published = async (asked: object = {}): Promise<void> => {
    const { headers, page } = await (async () => {
      const answer = await fetch(`${app.url}/api/pages/night-boats`);
      return { headers: answer.headers, page: (await answer.json()) as { document?: { blocks: object[] }; blocks?: object[] } };
    })();
    const document = page.document ?? page;
    const blocks = (document.blocks ?? []).map((block) =>
      'visitor' in block && block.visitor ? { ...block, visitor: { ...block.visitor, header: true, choose: true, ...asked } } : block,
    );
    const saved = await fetch(`${app.url}/api/pages/night-boats`, {
      method: 'PUT',
      headers: { 'content-type': 'application/json', 'if-match': headers.get('etag') ?? '' },
      body: JSON.stringify({ ...document, blocks }),
    });
    expect(saved.status).toBe(200);
    expect((await fetch(`${app.url}/api/pages/night-boats/publish`, { method: 'POST' })).status).toBe(201);
  };

  it('sorts by a press anywhere in a header cell, and stops by Tab at a frame only where that scrolls', async () => {
    await published();
    await person.open(`${app.url}/site/night-boats`);
    const button = await person.find('button', 'Passengers');
    await driver.executeScript("arguments[0].scrollIntoView({ block: 'center', behavior: 'instant' })", button);
    const cell = await read<DOMRect>("arguments[0].closest('th').getBoundingClientRect().toJSON()", button);
    const pressAt = (x: number, y: number): Promise<void> =>
      driver
        .actions()
        .move({ x: Math.round(x), y: Math.round(y) })
        .click()
        .perform();
    await pressAt(cell.right - 3, cell.bottom - 3);
    await person.untilText(/Sorted upwards by Passengers/);
    await pressAt(cell.left + 3, cell.top + 3);
    await person.untilText(/Sorted downwards by Passengers/);
    const stops = (): Promise<readonly string[]> =>
      read("[...document.querySelectorAll('.zp-frame[tabindex]')].map((frame) => frame.querySelector('caption').innerText)");
    // In a low window the crossings do not go into their frame; the other two tables are seen whole.
    await resized(1280, 480);
    await person.until('one stop', async () => (await stops()).join() === 'Every crossing of the autumn timetable' || undefined);
    await resized(320);
    await person.until('another stop where a table is too wide', async () => (await stops()).includes('Fares by age') || undefined);
    expect(await axeFindings(driver)).toEqual([]);
  });

  it('keeps the caption where it is read while a table is scrolled sideways', async () => {
    await resized(320);
    await person.open(`${app.url}/site/night-boats`);
    await person.find('searchbox', 'Search');
    const [before, after, frame] = await read<readonly [DOMRect, DOMRect, DOMRect]>(`(() => {
      const frame = document.querySelector('#place-5');
      const caption = frame.querySelector('caption');
      const before = caption.getBoundingClientRect().toJSON();
      frame.scrollLeft = 400;
      return [before, caption.getBoundingClientRect().toJSON(), frame.getBoundingClientRect().toJSON()];
    })()`);
    expect(Math.abs(before.left - after.left)).toBeLessThan(3);
    expect(after.right).toBeLessThanOrEqual(frame.right + 1);
  });

  it('cuts no shadow off where a table surely fits, and scrolls it where it might not', async () => {
    await person.open(`${app.url}/site/night-boats`);
    const overflow = (): Promise<string> => read("getComputedStyle(document.querySelector('#place-5')).overflowX");
    expect(await overflow()).toBe('visible');
    expect(await read("getComputedStyle(document.querySelector('#place-5 > table')).boxShadow")).not.toBe('none');
    await resized(320);
    expect(await overflow()).toBe('auto');
    expect(await read('document.documentElement.scrollWidth')).toBe(320);
  });

  it('keeps the header in view of the page below a site’s own bar, or in a frame of some height', async () => {
    await published({ headerIn: 'page', headerBelow: 40, pageRows: 50 });
    await person.open(`${app.url}/site/night-boats`);
    await person.find('searchbox', 'Search');
    const top = (what: string): Promise<number> => read(`Math.round(document.querySelector('#place-7 ${what}').getBoundingClientRect().top)`);
    await read("(document.querySelector('#place-7 tbody tr:nth-child(20)').scrollIntoView({ block: 'center', behavior: 'instant' }), 0)");
    expect(await top('thead')).toBe(40);
    await person.focus('checkbox', /^Choose/);
    for (let i = 0; i < 25; i++) await person.press(Key.TAB);
    for (let i = 0; i < 20; i++) await person.chord(Key.SHIFT, Key.TAB);
    const [focus, header] = await read<readonly [number, number]>(
      "[document.activeElement.getBoundingClientRect().top, document.activeElement.closest('table').tHead.getBoundingClientRect().bottom]",
    );
    expect(focus).toBeGreaterThanOrEqual(header);
    expect(await axeFindings(driver)).toEqual([]);
    await published({ headerHeight: '300px', headerIn: undefined, pageRows: 50 });
    await person.open(`${app.url}/site/night-boats`);
    await person.find('searchbox', 'Search');
    expect(await read("document.querySelector('#place-7 .zp-frame').clientHeight")).toBe(300);
  });

  it('hides no focus under a header that stays in view', async () => {
    await published();
    await person.open(`${app.url}/site/night-boats`);
    await person.focus('checkbox', /^Choose/);
    for (let i = 0; i < 9; i++) await person.press(Key.TAB);
    await read("(document.activeElement.closest('.zp-frame').scrollTop = 9999)");
    for (let i = 0; i < 8; i++) {
      await person.chord(Key.SHIFT, Key.TAB);
      const [focus, header] = await read<readonly [number, number]>(
        "[document.activeElement.getBoundingClientRect().top, document.activeElement.closest('table').tHead.getBoundingClientRect().bottom]",
      );
      expect(focus).withContext(`step ${i}`).toBeGreaterThanOrEqual(header);
    }
  });

  it('calls a row by what its header says, and not by its tick box besides', async () => {
    await published();
    await person.open(`${app.url}/site/night-boats`);
    await person.find('checkbox', /^Choose/);
    const names = await read<readonly (readonly string[])[]>(
      "[...document.querySelectorAll('#place-7 tbody tr:not([hidden]) > th')].map((th) => [th.getAttribute('aria-label'), th.lastChild.textContent.trim()])",
    );
    expect(names.length).toBeGreaterThan(5);
    for (const [name, text] of names) expect(name).toBe(text);
  });

  it('keeps a mark for bands, chosen rows and the row under the pointer where the system has the colours', async () => {
    await published();
    await seenAs('', [{ name: 'forced-colors', value: 'active' }]);
    await person.open(`${app.url}/site/night-boats`);
    await person.click('checkbox', /^Choose/);
    const rows = await read<readonly { readonly fill: string; readonly outline: string }[]>(
      "[...document.querySelectorAll('#place-7 tbody tr:not([hidden])')].map((row) => ({ fill: getComputedStyle(row).backgroundColor, outline: getComputedStyle(row).outlineStyle }))",
    );
    expect(rows.slice(0, 4).map(({ outline }) => outline)).toEqual(['solid', 'none', 'none', 'none']);
    expect(rows[1]?.fill).not.toBe(rows[2]?.fill);
    expect(rows[1]?.fill).toBe(rows[3]?.fill);
  });

  it('prints no control, cuts nothing off, and lets the browser repeat the header', async () => {
    await published();
    await person.open(`${app.url}/site/night-boats`);
    await person.find('searchbox', 'Search');
    await seenAs('print');
    const shown = await read<readonly string[]>(
      "[...document.querySelectorAll('.zp-search, .zp-pager, .zp-choose, .zp-open')].filter((each) => each.checkVisibility()).map((each) => each.className)",
    );
    expect(shown).toEqual([]);
    const frames = await read<readonly (readonly string[])[]>(`[...document.querySelectorAll('.zp-frame')].map((frame) => {
      const [style, header] = [getComputedStyle(frame), getComputedStyle(frame.querySelector('thead'))];
      return [style.overflowX, style.overflowY, style.maxHeight, style.maskImage, header.position, header.display];
    })`);
    for (const each of frames) expect(each).toEqual(['visible', 'visible', 'none', 'none', 'static', 'table-header-group']);
    expect(await read("getComputedStyle(document.querySelector('#place-7 tbody tr')).breakInside")).toBe('avoid');
  });
});
