import { createServer, type Server, type ServerResponse } from 'node:http';
import { ask } from '../tests/running';
import { createNeighbour } from './neighbour';

const listen = async (server: Server): Promise<string> => {
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  return `http://localhost:${(server.address() as { port: number }).port}`;
};

/** An answer that does not end as long as somebody reads it. */
function sendOn(response: ServerResponse): void {
  const piece = 'x'.repeat(1_000_000);
  const more = (): void => {
    if (response.destroyed) return;
    if (response.write(piece)) setImmediate(more);
    else response.once('drain', more);
  };
  more();
}

describe('The neighbouring site', () => {
  let zest: Server;
  let site: Server;
  let [there, url] = ['', ''];
  let isUp = true;
  beforeAll(async () => {
    zest = createServer((request, response) => {
      response.statusCode = isUp ? 200 : 503;
      if (request.url === '/elsewhere/a/long') return sendOn(response);
      response.end(`<table id="${request.url ?? ''}"></table>`);
    });
    there = await listen(zest);
    site = createServer(createNeighbour(there));
    url = await listen(site);
  });
  afterAll(() => [zest, site].forEach((each) => each.close()));
  const form = { 'Content-Type': 'application/x-www-form-urlencoded' };
  const write = (title: string, body: string, path = ''): ReturnType<typeof ask> =>
    ask(`${url}/edit${path}`, 'POST', new URLSearchParams({ title, body }).toString(), form);

  it('has stories with our tables in both forms', async () => {
    expect((await ask(url)).text).toContain('href="/story/fares"');
    expect((await ask(`${url}/story/night-boats`)).text).toContain(`<zest-pane-table src="${there}/elsewhere/night-boats/b7">`);
    expect((await ask(`${url}/story/fares`)).text).toContain('<table id="/elsewhere/night-boats/b5">');
  });
  it('keeps what is written, shows it, and lets it be changed', async () => {
    const { status, text } = await write('Σήμερα', '<p>One</p>');
    expect(status).toBe(200);
    expect(text).toContain('<p>One</p>');
    const edit = /href="(\/edit\/[^"]+)"/.exec(text)?.[1] ?? '';
    expect((await ask(`${url}${edit}`)).text).toContain('&lt;p&gt;One&lt;/p&gt;</textarea>');
    expect((await write('Σήμερα', '<p>Two</p>', edit.replace('/edit', ''))).text).toContain('<p>Two</p>');
  });
  it('lets no script run but ours', async () => {
    const policy = (await ask(`${url}/story/fares`)).headers.get('content-security-policy') ?? '';
    expect(policy).toContain(`script-src 'self' ${there};`);
    expect(policy).toContain("default-src 'none'");
    expect(policy).not.toContain('unsafe');
  });
  it('includes from there alone, and says where that cannot be had', async () => {
    expect((await write('Far', '<!--#include virtual="http://elsewhere.test/x" -->')).text).toContain('cannot be had');
    expect((await write('Broken', '<!--#include virtual="::" -->')).text).toContain('cannot be had');
    for (const own of ['/api/changes', '/api/tables', '/site/night-boats', '/elsewhere/table.js', '/elsewhere/a/b/pictures/c'])
      expect((await write('Own', `<!--#include virtual="${there}${own}" -->`)).text)
        .withContext(own)
        .toContain('cannot be had');
    expect((await write('Long', `<!--#include virtual="${there}/elsewhere/a/long" -->`)).text).toContain('cannot be had');
    isUp = false;
    expect((await ask(`${url}/story/fares`)).text).toContain('cannot be had');
    isUp = true;
  });
  it('refuses what it cannot keep, in a sentence', async () => {
    expect((await write('', 'x')).text).toContain('headline');
    expect((await write('x'.repeat(201), 'x')).status).toBe(400);
    expect((await write('Long', 'x'.repeat(2_000_001))).text).toContain('too long');
    expect((await ask(`${url}/story/none`)).status).toBe(404);
    expect((await ask(`${url}/edit`, 'POST', 'title=x&body=y', { ...form, Origin: 'http://paper.test' })).status).toBe(400);
  });
});
