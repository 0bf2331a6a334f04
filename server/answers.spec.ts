import { randomUUID } from 'node:crypto';
import { answers, type Answer } from '../core/documents';
import { houseIn } from '../core/house';
import { emptyPage } from '../core/page';
import { gridTable, themeWith } from '../core/tests/themes';
import { ask, runServer, type Running } from './tests/running';

/** What the tool goes by is what the server answers: every reader of answers is tried on the answer that it is for. */
describe('Answers of the API', () => {
  let server: Running;
  beforeAll(async () => {
    server = await runServer();
  }, 60_000);
  afterAll(() => server.close());

  it('are as the tool reads them', async () => {
    const { themes, tables, pages } = server.stores;
    const theme = (await themes.create(themeWith({}, { name: 'Look' }))).id;
    const table = (await tables.create(gridTable(3, 2))).id;
    const block = {
      ...({ id: 'a', kind: 'table', shows: { kind: 'tables', id: table }, dress: { kind: 'themes', id: theme } } as const),
      ...({ width: 'fill', align: 'start', room: '0', visitor: null } as const),
    };
    const page = (await pages.create({ ...emptyPage('Night', 'night'), blocks: [block] })).id;
    const other = (await pages.create(emptyPage('Not yet', 'not-yet'))).id;
    const post = (path: string, body?: object): Promise<unknown> => ask(`${server.url}${path}`, 'POST', body ?? {}).then(({ json }) => json);
    const get = (path: string): Promise<unknown> => ask(`${server.url}${path}`).then(({ json }) => json);
    const revision = async (path: string): Promise<Record<string, string>> => ({
      'If-Match': (await ask(`${server.url}${path}`)).headers.get('etag') ?? '',
    });
    const ahead = randomUUID();
    await post(`/api/tables/${ahead}/upload`, [['A', 'B']]);
    const { rows: _rows, ...head } = gridTable(1, 2);
    const read: readonly (readonly [what: string, Answer<unknown>, Promise<unknown>])[] = [
      ['a page that goes live', answers.pageEdition, post(`/api/pages/${page}/publish`)],
      ['themes', answers.themes, get('/api/themes')],
      ['tables', answers.tables, get('/api/tables')],
      ['pages, live and not', answers.pages, get('/api/pages')],
      ['a theme', answers.kept('themes'), get(`/api/themes/${theme}`)],
      ['a page', answers.kept('pages'), get(`/api/pages/${other}`)],
      ['a table’s beginning', answers.kept('tables'), get(`/api/tables/${table}/preview`)],
      ['a table’s head', answers.head, get(`/api/tables/${table}/head`)],
      ['a table of rows that came ahead', answers.head, post(`/api/tables/${ahead}/from-upload`, head)],
      ['a copy of a table', answers.head, post(`/api/tables/${table}/duplicate`)],
      ['rows', answers.rows, get(`/api/tables/${table}/rows?after=0`)],
      ['a new theme', answers.kept('themes'), post('/api/themes', themeWith({}))],
      ['a house stylesheet', answers.house, get('/api/house')],
      [
        'one that is kept',
        answers.house,
        ask(`${server.url}/api/house`, 'PUT', houseIn('plain'), await revision('/api/house')).then(({ json }) => json),
      ],
      ['no neighbour', answers.neighbour, get('/api/neighbour')],
    ];
    for (const [what, answer, json] of read)
      expect(answer(await json))
        .withContext(what)
        .toEqual(jasmine.objectContaining({ ok: true }));
    const change = { change: { head: { caption: 'Boats' } }, said: ['change the caption'] };
    const changed = await ask(`${server.url}/api/tables/${table}`, 'PATCH', change, await revision(`/api/tables/${table}`));
    const later: readonly (readonly [what: string, Answer<unknown>, unknown])[] = [
      ['a change', answers.revision, changed.json],
      ['what was done', answers.history, await get(`/api/tables/${table}/history`)],
      ['as it was', answers.document('tables'), await get(`/api/tables/${table}/history/1`)],
      ['what waits to be published', answers.pending, await get(`/api/pages/${page}/pending`)],
      ['who follows', answers.followers, await get(`/api/tables/${table}/followers`)],
      ['an edition that is made', answers.edition, await post(`/api/tables/${table}/editions`)],
      ['a table’s editions', answers.editions, await get(`/api/tables/${table}/editions`)],
      ['a page’s editions', answers.editions, await get(`/api/pages/${page}/editions`)],
      ['a theme’s editions', answers.editions, await get(`/api/themes/${theme}/editions`)],
      ['an edition of a theme', answers.document('themes'), await get(`/api/themes/${theme}/editions/1`)],
      ['an edition of a table', answers.document('tables'), await get(`/api/tables/${table}/editions/1/preview`)],
      ['an edition of a page', answers.document('pages'), await get(`/api/pages/${page}/editions/1`)],
    ];
    for (const [what, answer, json] of later)
      expect(answer(json))
        .withContext(what)
        .toEqual(jasmine.objectContaining({ ok: true }));
  });

  it('are refused where a document is of another format, or a field is missing or something else', () => {
    const good = { id: 'x', revision: 1, updatedAt: '2026-01-01T00:00:00Z', document: themeWith({}) };
    const isRead = (answer: Answer<unknown>, json: unknown): boolean => answer(json).ok;
    expect(isRead(answers.kept('themes'), good)).toBeTrue();
    expect(isRead(answers.kept('tables'), good)).toBeFalse();
    expect(isRead(answers.kept('themes'), { ...good, document: { ...good.document, format: 'zest-theme/99' } })).toBeFalse();
    expect(isRead(answers.kept('themes'), { ...good, revision: '1' })).toBeFalse();
    expect(isRead(answers.themes, { 0: good })).toBeFalse();
    expect(isRead(answers.themes, [{ ...good, key: 'k' }])).toBeFalse();
    expect(isRead(answers.rows, { revision: 1, rows: '[]', count: 0, last: 0 })).toBeFalse();
    expect(isRead(answers.editions, null)).toBeFalse();
  });
});
