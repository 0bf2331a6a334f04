import { newFolder, startApp, type App } from '../e2e/tools/server';
import { gridTable, themeWith } from '../core/tests/themes';
import { quantile, say } from './figures';

/** How long the built server takes to be ready: on a new folder with the demo data, and again; and with much in it as with little. */
export async function benchStart(): Promise<void> {
  const data = newFolder();
  for (const what of ['first start, new folder and demo data', 'second start (under 4 s)']) {
    const [took] = await started(data, true);
    say(what, `${(took / 1000).toFixed(2)} s`);
  }
  const [small, large] = [await filled(10, 10, 0), await filled(500, 300, 100_000)];
  const times: [number[], number[]] = [[], []];
  for (let turn = 0; turn < 5; turn++)
    for (const [at, folder] of [small, large].entries()) times[at === 0 ? 0 : 1].push((await started(folder, false))[0]);
  const [few, many] = times.map((each) => quantile(each, 0.5));
  say('start with 500 themes, 300 tables and one of 100,000 rows, to one with ten of each (about 1)', ((many ?? NaN) / (few ?? NaN)).toFixed(2));
}

async function started(data: string, demo: boolean): Promise<readonly [ms: number, answer: number]> {
  const begun = performance.now();
  const app = await startApp({ data, demo });
  const ready = performance.now() - begun;
  const answered = performance.now();
  await (await fetch(`${app.url}/api/themes`)).text();
  const answer = performance.now() - answered;
  await app.kill();
  return [ready, answer];
}

/** A folder with so many themes and tables, and one table of so many rows. */
async function filled(themes: number, tables: number, rows: number): Promise<string> {
  const data = newFolder();
  const app = await startApp({ data });
  for (let i = 0; i < themes; i++) await post(app, '/api/themes', themeWith({ 'body-rows': { even: { fill: '#eee' } } }, { name: `Theme ${i}` }));
  for (let i = 0; i < tables; i++) await post(app, '/api/tables', { ...gridTable(20, 5), name: `Table ${i}` });
  const id = crypto.randomUUID();
  for (let from = 0; from < rows; from += 2000) await post(app, `/api/tables/${id}/upload`, gridTable(2000, 12).rows);
  const { rows: _rows, ...head } = gridTable(1, 12);
  if (rows > 0) await post(app, `/api/tables/${id}/from-upload?rows=${rows}`, head);
  await app.kill();
  return data;
}

async function post(app: App, address: string, body: unknown): Promise<void> {
  const answer = await fetch(`${app.url}${address}`, { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(body) });
  if (!answer.ok) throw new Error(`${address}: ${await answer.text()}`);
}
