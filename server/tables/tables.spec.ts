import { randomUUID } from 'node:crypto';
import {
  changeBetween,
  deleteColumn,
  deleteLines,
  deleteRow,
  inOrderOf,
  insertColumn,
  insertRow,
  mergeCells,
  moveLines,
  setCell,
  sortGroups,
  type Row,
  type Table,
  type TableChange,
} from '../../core/table';
import { dice, randomTable } from '../../core/tests/random';
import { gridTable } from '../../core/tests/themes';
import { ask, runServer, type Answer, type Running } from '../tests/running';

describe('Tables as they are kept', () => {
  let server: Running;
  beforeAll(async () => {
    server = await runServer();
  }, 60_000);
  afterAll(() => server.close());

  const at = (id: string, path = ''): string => `${server.url}/api/tables/${id}${path}`;
  const make = async (table: Table): Promise<string> => String((await ask(`${server.url}/api/tables`, 'POST', table)).json['id']);
  const kept = async (id: string): Promise<Table> => (await ask(at(id))).json['document'] as Table;
  const change = (id: string, revision: number, made: TableChange, said: readonly string[] = []): Promise<Answer> =>
    ask(at(id), 'PATCH', { change: made, said }, { 'If-Match': `"${revision}"` });
  const edited = (outcome: { readonly ok: boolean; readonly value?: Table }): Table => {
    if (!outcome.ok || !outcome.value) throw new Error('It can be done');
    return outcome.value;
  };

  it('write one row for one cell, and nothing else', async () => {
    const table = gridTable(300, 4);
    const id = await make(table);
    const other = await server.database.query<{ place: number }>('select place from table_rows where table_id = $1', [id]);
    const versions = (): Promise<readonly { xmin: string }[]> =>
      server.database.query('select xmin::text from table_rows where table_id = $1 order by place', [id]);
    const before = await versions();
    const next = setCell(table, 120, 2, 'typed');
    expect(changeBetween(table, next)).toEqual({ rows: [{ at: 120, cells: [[2, 'typed']] }] });
    const answer = await change(id, 1, changeBetween(table, next), ['type in row 121, column 3']);
    expect([answer.status, answer.json['revision'], answer.json['document']]).toEqual([200, 2, undefined]);
    const after = await versions();
    expect(after.filter(({ xmin }, i) => xmin !== before[i]?.xmin).length).toBe(1);
    expect(other.length).toBe(300);
    expect(await kept(id)).toEqual(next);
  });

  it('are filled down a whole column in a handful of statements, and emptied again as they were', async () => {
    const table = gridTable(6000, 3);
    const id = await make(table);
    const filled = { ...table, rows: table.rows.map((row, i) => (i === 0 ? row : [row[0] ?? '', 'open', row[2] ?? ''])) };
    const made = changeBetween(table, filled);
    expect(made.rows?.length).toBe(5999);
    const transaction = server.database.transaction.bind(server.database);
    let statements = 0;
    spyOn(server.database, 'transaction').and.callFake((work) =>
      transaction((queries) =>
        work({
          query: (sql, values) => {
            statements++;
            return queries.query(sql, values);
          },
        }),
      ),
    );
    expect((await change(id, 1, made)).status).toBe(200);
    expect(statements).toBeLessThan(30);
    expect(await kept(id)).toEqual(filled);
    expect((await ask(at(id, '/history/1'))).json as unknown).toEqual(table);
  });

  it('take two edits of one row after each other, and go back to what stood before the first', async () => {
    const table = gridTable(3, 3);
    const id = await make(table);
    const answer = await change(id, 1, {
      rows: [
        { at: 1, cells: [[0, 'a']] },
        { at: 2, cells: [[0, 'b']] },
        {
          at: 1,
          cells: [
            [0, 'c'],
            [2, 'd'],
          ],
        },
      ],
    });
    expect(answer.status).toBe(200);
    expect((await kept(id)).rows[1]).toEqual(['c', table.rows[1]?.[1] ?? '', 'd']);
    expect((await ask(at(id, '/history/1'))).json as unknown).toEqual(table);
  });

  it('are the same after any change as in the window that made it, and go back step by step', async () => {
    for (let seed = 0; seed < 12; seed++) {
      const d = dice(seed);
      let table = randomTable(d);
      const id = await make(table);
      const states = [table];
      for (let step = 0; step < 12; step++) {
        const row = d.whole(0, table.rows.length - 1);
        const works: readonly (() => { readonly ok: boolean; readonly value?: Table })[] = [
          () => ({ ok: true, value: setCell(table, row, 0, `s${step}`) }),
          () => insertRow(table, row, d.pick(['before', 'after'])),
          () => deleteRow(table, row),
          () => moveLines(table, { axis: 'row', from: row, to: row }, d.whole(0, table.rows.length)),
          () => mergeCells(table, { row, column: 0 }, { row, column: (table.rows[0]?.length ?? 1) - 1 }),
          () => deleteLines(table, { axis: 'column', from: 0, to: 0 }),
          () => ({ ok: true, value: { ...table, caption: `c${step}` } }),
          () =>
            inOrderOf(
              table,
              sortGroups(table).map(({ count }) => Array.from({ length: count }, (_, i) => count - 1 - i)),
            ),
        ];
        const outcome = d.pick(works)();
        if (!outcome.ok || !outcome.value || outcome.value === table) continue;
        const answer = await change(id, states.length, changeBetween(table, outcome.value), [`step ${step}`]);
        expect(answer.status).withContext(`seed ${seed}, step ${step}: ${answer.text}`).toBe(200);
        table = outcome.value;
        states.push(table);
        expect(await kept(id))
          .withContext(`seed ${seed}, step ${step}`)
          .toEqual(table);
      }
      for (const [i, state] of states.entries())
        expect(JSON.parse((await ask(at(id, `/history/${i + 1}`))).text))
          .withContext(`seed ${seed}, back to ${i + 1}`)
          .toEqual(state);
    }
  }, 60_000);

  it('get a column, lose one and have one moved by saying where columns come from, and are taken back', async () => {
    const table = gridTable(60, 4);
    const id = await make(table);
    let now = table;
    for (const [i, next] of [
      edited(insertColumn(table, 1, 'after')),
      edited(deleteColumn(edited(insertColumn(table, 1, 'after')), 0)),
      { ...edited(deleteColumn(table, 0)), name: 'Other' },
      table,
    ].entries()) {
      const made = changeBetween(now, next);
      expect(made.rows).withContext(`step ${i}`).toBeUndefined();
      expect((await change(id, i + 1, made)).status).toBe(200);
      now = next;
      expect(await kept(id)).toEqual(now);
    }
    for (const revision of [1, 2, 3, 4]) expect((await ask(at(id, `/history/${revision}`))).status).toBe(200);
    expect((await ask(at(id, '/history/1'))).json as unknown).toEqual(table);
    expect((await change(id, 5, { columns: [9] })).json['detail']).toBe('There are 4 columns, not 10.');
    expect((await change(id, 5, { columns: [{ cells: ['x'] }] })).json['detail']).toBe('There are 60 rows, and cells for 1.');
    expect(await kept(id)).toEqual(table);
  });

  it('may have as many columns as a table may, whatever a function of the database takes', async () => {
    const table = gridTable(3, 99);
    const id = await make(table);
    const next = edited(insertColumn(table, 70, 'after'));
    expect((await change(id, 1, changeBetween(table, next))).status).toBe(200);
    expect(await kept(id)).toEqual(next);
  });

  it('are refused an order of rows that are not there', async () => {
    const id = await make(gridTable(3, 1));
    expect((await change(id, 1, { rows: [{ at: 1, order: [2, 1, 0] }] })).status).toBe(400);
    expect((await change(id, 1, { rows: [{ at: 0, order: [2, 1, 0] }] })).status).toBe(200);
    expect((await kept(id)).rows.map((row) => row[0])).toEqual(['r2c0', 'r1c0', 'r0c0']);
  });

  it('tell what was done, newest first', async () => {
    const table = gridTable(2, 2);
    const id = await make(table);
    await change(id, 1, { head: { caption: 'x' } }, ['set the caption']);
    await change(id, 2, { head: { caption: 'y' } }, ['set the caption', 'mark header rows']);
    expect(JSON.parse((await ask(at(id, '/history'))).text)).toEqual([
      jasmine.objectContaining({ revision: 3, said: ['set the caption', 'mark header rows'] }),
      jasmine.objectContaining({ revision: 2, said: ['set the caption'] }),
    ]);
    expect((await ask(at(id, '/history/0'))).status).toBe(404);
    expect((await ask(at(id, '/history/9'))).status).toBe(404);
  });

  it('put rows in at one place as often as wanted', async () => {
    let table = gridTable(3, 1);
    const id = await make(table);
    for (let i = 0; i < 40; i++) {
      const next = setCell(edited(insertRow(table, 1, 'before')), 1, 0, `n${i}`);
      expect((await change(id, i + 1, changeBetween(table, next))).status).toBe(200);
      table = next;
    }
    const many = Array.from({ length: 3000 }, (_, i): Row => [`m${i}`]);
    expect((await change(id, 41, { rows: [{ at: 20, take: 5, put: many }] })).status).toBe(200);
    expect(await kept(id)).toEqual({ ...table, rows: table.rows.toSpliced(20, 5, ...many) });
  });

  it('come piece by piece, in their order, and are only there once the table is', async () => {
    const table = gridTable(4500, 3, { name: 'In pieces' });
    const id = randomUUID();
    const { rows, ...head } = table;
    for (let from = 0; from < rows.length; from += 2000)
      expect((await ask(at(id, '/upload'), 'POST', rows.slice(from, from + 2000))).status).toBe(204);
    expect((await ask(at(id))).status).toBe(404);
    const made = await ask(at(id, '/from-upload'), 'POST', head);
    expect([made.status, made.json['rows'], made.json['columns']]).toEqual([201, 4500, 3]);
    expect(await kept(id)).toEqual(table);
    const taken: Row[] = [];
    for (let after = 0; ;) {
      const piece = JSON.parse((await ask(at(id, `/rows?after=${after}`))).text) as { rows: Row[]; last: number; count: number };
      if (piece.count === 0) break;
      taken.push(...piece.rows);
      after = piece.last;
    }
    expect(taken).toEqual([...rows]);
    expect((await ask(at(id, '/upload'), 'POST', [['x', 'y', 'z']])).status).toBe(400);
  }, 30_000);

  it('take rows that were sent ahead into a change, and give back what stood there', async () => {
    const table = gridTable(5, 2);
    const id = await make(table);
    const upload = randomUUID();
    await ask(at(upload, '/upload'), 'POST', [
      ['a', 'b'],
      ['c', 'd'],
    ]);
    const sent = { change: { rows: [{ at: 1, take: 3, upload }] }, said: ['bring in a newer file'] };
    expect((await ask(at(id), 'PATCH', sent, { 'If-Match': '"1"' })).status).toBe(200);
    expect((await kept(id)).rows.map(([first]) => first)).toEqual(['r0c0', 'a', 'c', 'r4c0']);
    expect(JSON.parse((await ask(at(id, '/history/1'))).text)).toEqual(table);
  });

  it('lose rows that were sent ahead of a table that never came', async () => {
    const id = randomUUID();
    await ask(at(id, '/upload'), 'POST', [['x']]);
    await server.stores.tables.dropStray();
    expect((await ask(at(id, '/from-upload'), 'POST', {})).status).toBe(400);
  });

  it('show their header, their first rows and their footer in a preview', async () => {
    const table = gridTable(2900, 2, { headerRows: 2, footerRows: 1, groups: [10, 2500] });
    const id = await make(table);
    const { document, rows } = (await ask(at(id, '/preview'))).json as { document: Table; rows: number };
    expect([rows, document.rows.length, document.groups, document.rows.at(-1)?.[0]]).toEqual([2900, 2003, [10], 'r2899c0']);
  });

  describe('refuse, and stay as they are', () => {
    const table = gridTable(4, 2);
    for (const [what, sent, status] of [
      ['a cell beyond the last column', { change: { rows: [{ at: 0, cells: [[7, 'x']] }] }, said: [] }, 400],
      ['a row beyond the last', { change: { rows: [{ at: 9, cells: [[0, 'x']] }] }, said: [] }, 400],
      ['more rows taken out than there are', { change: { rows: [{ at: 2, take: 5, put: [] }] }, said: [] }, 400],
      ['every row taken out', { change: { rows: [{ at: 0, take: 4, put: [] }] }, said: [] }, 400],
      ['rows of another width', { change: { rows: [{ at: 0, take: 1, put: [['x']] }] }, said: [] }, 400],
      ['a number in a cell', { change: { rows: [{ at: 0, cells: [[0, 7]] }] }, said: [] }, 400],
      [
        'a link that runs code',
        { change: { rows: [{ at: 0, cells: [[0, { text: 'x', marks: [{ from: 0, to: 1, kind: 'link', href: 'java\nscript:x' }] }]] }] }, said: [] },
        400,
      ],
      ['merged cells outside the table', { change: { head: { merges: [{ row: 3, column: 0, rows: 2, columns: 1 }] } }, said: [] }, 400],
      ['a heading in the header', { change: { head: { groups: [0] } }, said: [] }, 400],
      ['a field that tables do not have', { change: { head: { colour: 'red' } }, said: [] }, 400],
      ['an edit that is two', { change: { rows: [{ at: 0, cells: [], take: 1, put: [] }] }, said: [] }, 400],
      ['no words', { change: {} }, 400],
    ] as const) {
      it(what, async () => {
        const id = await make(table);
        const answer = await ask(at(id), 'PATCH', sent, { 'If-Match': '"1"' });
        expect(answer.status).withContext(answer.text).toBe(status);
        expect(answer.json['detail']).toEqual(jasmine.any(String));
        expect(await kept(id)).toEqual(table);
      });
    }
    it('a change that started from an older revision, with the revision as it stands', async () => {
      const id = await make(table);
      await change(id, 1, { head: { caption: 'x' } });
      const stale = await change(id, 1, { head: { caption: 'y' } });
      expect([stale.status, (stale.json['current'] as { revision: number }).revision]).toEqual([412, 2]);
    });
  });
});
