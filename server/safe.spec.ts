import { connect, type Socket } from 'node:net';
import { request as rawRequest } from 'node:http';
import { emptyPage } from '../core/page';
import { gridTable } from '../core/tests/themes';
import { changesOf } from './changes/changes';
import { RESERVE } from './database/room';
import { ask, runServer, type Running } from './tests/running';

describe('A server that nothing stops', () => {
  let server: Running;
  let room = Infinity;
  beforeAll(async () => {
    server = await runServer({ room: () => room });
  }, 60_000);
  beforeEach(() => (room = Infinity));
  afterAll(() => server.close());

  const statusFor = (host: string): Promise<number | undefined> =>
    new Promise((resolve, reject) => {
      rawRequest(`${server.url}/api/health`, { headers: { Host: host } }, (response) => {
        response.resume();
        resolve(response.statusCode);
      })
        .on('error', reject)
        .end();
    });

  it('refuses saves while there is a reserve on the disk yet, reads on, and keeps again when there is room', async () => {
    const { json } = await ask(`${server.url}/api/tables`, 'POST', gridTable(3, 2));
    const [id, save] = [
      String(json['id']),
      (name: string) => ask(`${server.url}/api/tables/${String(json['id'])}`, 'PUT', gridTable(3, 2, { name }), { 'If-Match': '"1"' }),
    ];
    room = RESERVE - 1;
    const refused = await save('No room');
    expect([refused.status, refused.json['type']]).toEqual([507, '/problems/no-room']);
    expect(refused.json['detail']).toContain('23 MB are left');
    expect((await ask(`${server.url}/api/tables/${id}`)).status).toBe(200);
    room = RESERVE * 2;
    expect((await save('Room')).status).toBe(200);
  });

  it('asks for more room for what is large', async () => {
    room = RESERVE + 1000;
    expect((await ask(`${server.url}/api/tables`, 'POST', gridTable(2, 2))).status).toBe(507);
  });

  it('knows its own name in whichever case and on any port, and no other', async () => {
    expect(await statusFor('LocalHost:80')).toBe(200);
    expect(await statusFor('127.0.0.1:4999')).toBe(200);
    expect(await statusFor('[::1]:1')).toBe(200);
    expect(await statusFor('localhost.example.org')).toBe(403);
    expect(await statusFor('example.org')).toBe(403);
  });

  /** A window that asks for what changes and does not read it for now. */
  const slowWindow = async (): Promise<{ readonly socket: Socket; readonly gone: Promise<void> }> => {
    const socket = connect(Number(new URL(server.url).port), '127.0.0.1');
    await new Promise<void>((resolve) => socket.once('connect', resolve));
    socket.pause();
    socket.write('GET /api/changes HTTP/1.1\r\nHost: localhost\r\n\r\n');
    socket.on('error', () => undefined);
    return { socket, gone: new Promise<void>((resolve) => socket.once('close', () => resolve())) };
  };
  const listening = async (count: number): Promise<void> => {
    while (changesOf(server.database).count !== count) await new Promise((resolve) => setImmediate(resolve));
  };

  it('holds the last that happened to each thing for a window that reads slowly, and no more', async () => {
    const changes = changesOf(server.database);
    const before = changes.count;
    const { socket, gone } = await slowWindow();
    await listening(before + 1);
    for (let revision = 1; revision <= 400; revision++) {
      for (let each = 0; each < 500; each++) changes.say({ kind: 'table', id: `t${each}`, what: 'saved', revision });
      await new Promise((resolve) => setImmediate(resolve));
    }
    expect(changes.count).toBe(before + 1);
    const last = new Set(Array.from({ length: 500 }, (_, each) => `t${each}`));
    let bytes = 0;
    let rest = '';
    const told = new Promise<void>((resolve) =>
      socket.on('data', (data: Buffer) => {
        bytes += data.length;
        const lines = (rest + data.toString()).split('\n');
        rest = lines.pop() ?? '';
        for (const line of lines) {
          const [, id = ''] = /"id":"(t\d+)".*"revision":400}/.exec(line) ?? [];
          last.delete(id);
        }
        if (last.size === 0) resolve();
      }),
    );
    socket.resume();
    await told;
    // All of it would be about 15 MB.
    expect(bytes).toBeLessThan(10_000_000);
    socket.destroy();
    await gone;
    await listening(before);
  });

  it('lets go of a window that does not read what it is told, and tells the others on', async () => {
    const changes = changesOf(server.database);
    const before = changes.count;
    const { socket, gone } = await slowWindow();
    const reader = (await fetch(`${server.url}/api/changes`)).body?.getReader();
    await listening(before + 2);
    let heard = 0;
    void (async () => {
      for (let part = await reader?.read(); part && !part.done; part = await reader?.read()) heard += (part.value as Uint8Array).length;
    })();
    // Until the server has let go it takes what it is told; without a limit, all of this would wait in memory.
    for (let i = 0; i < 400 && changes.count > before + 1; i++) {
      for (let each = 0; each < 500; each++) changes.say({ kind: 'table', id: `t${i} ${each}`, what: 'saved' });
      await new Promise((resolve) => setImmediate(resolve));
    }
    expect(changes.count).toBe(before + 1);
    socket.resume();
    await gone;
    expect(heard).toBeGreaterThan(1_000_000);
    await reader?.cancel();
    await listening(before);
  });

  it('has one page at an address, also when another was deleted and comes back, and when two ask at once', async () => {
    const make = (name: string) => ask(`${server.url}/api/pages`, 'POST', emptyPage(name, 'one-address'));
    const first = String((await make('First')).json['id']);
    await ask(`${server.url}/api/pages/${first}`, 'DELETE');
    const both = await Promise.all([make('Second'), make('Third')]);
    expect(both.map(({ status }) => status).sort()).toEqual([201, 409]);
    const back = await ask(`${server.url}/api/pages/${first}/restore`, 'POST');
    expect([back.status, back.json['type']]).toEqual([409, '/problems/address-taken']);
    const second = String(both.find(({ status }) => status === 201)?.json['id']);
    await ask(`${server.url}/api/pages/${second}`, 'PUT', emptyPage('Second', 'another-address'), { 'If-Match': '"1"' });
    expect((await ask(`${server.url}/api/pages/${first}/restore`, 'POST')).status).toBe(200);
  });

  it('does not try what has signs that cannot be kept: NUL, half a character, depth without end', async () => {
    const at = (path: string, body?: unknown): Promise<number> =>
      ask(`${server.url}${path}`, body === undefined ? 'GET' : 'POST', body).then(({ status }) => status);
    expect(await at('/api/tables/%00')).toBe(404);
    expect(await at('/site/a%00b')).toBe(404);
    expect(await at('/api/themes/%ff')).toBe(400);
    expect(await at('/api/themes/x/editions/2147483648')).toBe(404);
    expect(await at('/api/tables', gridTable(2, 2, { name: 'a\0b' }))).toBe(400);
    expect(await at('/api/tables', gridTable(2, 2, { caption: '\ud800' }))).toBe(400);
    expect(await at('/api/tables', '['.repeat(100_000) + ']'.repeat(100_000))).toBe(400);
    expect(await at('/api/themes', { format: { toString: 1 } })).toBe(400);
    expect(await at('/api/tables/0f0e0d0c-0000-4000-8000-000000000000/upload', [['a', { text: 'd' }]])).toBe(400);
    expect(server.logged).toEqual([]);
  });
});
