import type { WebDriver } from 'selenium-webdriver';
import { opened } from './tools/opened';
import type { Person } from './tools/person';
import type { App } from './tools/server';

/** Texts with which somebody would run something, break out of where they stand, or turn what follows around. */
const hostile: readonly string[] = [
  '<img src=x onerror="globalThis.hit=1">',
  '"><script>globalThis.hit=1</script><b a="',
  '</style></title></textarea><svg onload=globalThis.hit=1>',
  "'-globalThis.hit-'{{constructor.constructor('globalThis.hit=1')()}}${globalThis.hit=1}",
  'javascript:globalThis.hit=1//*/}body{display:none}/*',
  '\u202eltr\u2066 &lt;i&gt; \u0085 %3Cscript%3E',
];

/** Documents of each kind that are opened: a share of what `npm run prove -- windows` does. */
const MOST = process.env['ZEST_PROVE'] === '1' ? 100 : 2;

type Json = Readonly<Record<string, unknown>>;

/** Every field of a person's own words in a document, by its name. */
const WORDS: ReadonlySet<string> = new Set(
  'name caption description note title text alt show wording label labels unit before after yes no prefix suffix'.split(' '),
);

/** The document with a hostile text in each of those fields, another one in each; names that must be unlike stay unlike. */
function spoilt(value: unknown, count: { n: number }, field = ''): unknown {
  const text = (): string => `${hostile[count.n++ % hostile.length] ?? ''} ${count.n}`;
  // A unit is short.
  if (typeof value === 'string') return WORDS.has(field) ? text().slice(0, field === 'unit' ? 18 : undefined) : value;
  if (Array.isArray(value))
    return value.map((each: unknown) =>
      field === 'rows' && Array.isArray(each) ? each.map(text) : spoilt(each, count, field === 'rows' ? 'rows' : ''),
    );
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(
    Object.entries(value).map(([name, each]) => [name, name === 'swatches' || name === 'widths' ? each : spoilt(each, count, name)]),
  );
}

describe('Texts that would run something', () => {
  let [app, driver, person]: [App, WebDriver, Person] = [undefined, undefined, undefined] as never;
  opened({ demo: true, backups: true }, (all) => ({ app, driver, person } = all));

  const ask = async (method: string, at: string, body?: unknown, revision?: number): Promise<Json> => {
    const answer = await fetch(`${app.url}${at}`, {
      method,
      headers: { 'Content-Type': 'application/json', ...(revision === undefined ? {} : { 'If-Match': `"${revision}"` }) },
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
    });
    const json = (await answer.json()) as Json;
    expect(answer.ok)
      .withContext(`${method} ${at}: ${JSON.stringify(json).slice(0, 300)}`)
      .toBeTrue();
    return json;
  };

  it('are texts everywhere: in every library, editor, dialog and live page', async () => {
    const count = { n: 0 };
    const kept = new Map<string, string[]>();
    for (const kind of ['themes', 'tables', 'pages'] as const) {
      const all = (await ask('GET', `/api/${kind}`)) as unknown as readonly { id: string; revision: number; document: Json }[];
      for (const { id } of all) {
        const { document, revision } = (await ask('GET', `/api/${kind}/${id}`)) as unknown as { document: Json; revision: number };
        await ask('PUT', `/api/${kind}/${id}`, spoilt(document, count), revision);
        kept.set(kind, [...(kept.get(kind) ?? []), id]);
      }
    }
    expect(count.n).toBeGreaterThan(30);
    for (const kind of ['themes', 'tables'] as const) for (const id of kept.get(kind) ?? []) await ask('POST', `/api/${kind}/${id}/editions`, {});
    const live: string[] = [];
    for (const id of kept.get('pages') ?? []) live.push(`/site/${String((await ask('POST', `/api/pages/${id}/publish`, {}))['slug'])}`);
    await ask('POST', '/api/backups');

    const dialogs: Readonly<Record<string, readonly (readonly [button: string | RegExp, item?: string])[]>> = {
      themes: [['Compare'], [/^Publish/]],
      tables: [['History'], ['Text'], ['Column', 'Split by a separator…'], [/^Publish/]],
      pages: [[/^Publish/], [/Editions/]],
    };
    const addresses = [
      ...['/themes', '/tables', '/pages', '/pages/house', '/backups', '/site', ...live],
      ...[...kept].flatMap(([kind, ids]) => ids.slice(0, MOST).map((id) => `/${kind}/${id}`)),
    ];
    let views = 0;
    const look = async (what: string): Promise<void> => {
      views++;
      expect(
        await driver.executeScript(
          'return globalThis.hit === undefined && [...document.querySelectorAll("iframe")].every((each) => !each.contentWindow || each.contentWindow.hit === undefined)',
        ),
      )
        .withContext(`something ran in ${what}`)
        .toBeTrue();
    };
    for (const address of addresses) {
      await person.open(`${app.url}${address}`);
      await person.until(`something at ${address}`, async () => ((await person.text()).length > 40 ? true : undefined));
      const [, kind = '', id] = address.split('/');
      if (id !== undefined && kept.get(kind)?.includes(id)) {
        // A view is there when its name is.
        await person.find('heading', /globalThis|ltr/);
        if (kept.get(kind)?.indexOf(id) === 0)
          for (const [button, item] of dialogs[kind] ?? []) {
            if (!(await person.isThere('button', button))) continue;
            await person.click('button', button);
            if (item !== undefined) await person.click('menuitem', item);
            await look(`${address}, ${String(button)}`);
            await person.open(`${app.url}${address}`);
            await person.find('heading', /globalThis|ltr/);
          }
      }
      await look(address);
    }
    expect(views).toBeGreaterThan(18);
  });
});
