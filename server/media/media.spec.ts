import { unzipSync, strFromU8 } from 'fflate';
import { families, fileOf } from '../../core/theme';
import { themeWith } from '../../core/tests/themes';
import { ask, runServer, type Running } from '../tests/running';
import { pictureKind } from './picture-kind';

const svg = (inside: string): Buffer => Buffer.from(`<svg xmlns="http://www.w3.org/2000/svg" width="4" height="4">${inside}</svg>`);
const png = Buffer.from('iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==', 'base64');

describe('What a picture is', () => {
  it('is told from its content, not from its name', () => {
    expect(pictureKind(png)).toEqual({ ok: true, value: { type: 'image/png', extension: 'png' } });
    expect(pictureKind(svg('<circle r="2"/>')).ok).toBeTrue();
    expect(
      pictureKind(Buffer.from('<?xml version="1.0"?>\n<!-- drawn by hand -->\n<svg xmlns="http://www.w3.org/2000/svg"><path d="M0 0"/></svg>')).ok,
    ).toBeTrue();
  });
  for (const [what, content] of [
    ['a text', Buffer.from('Boat,Fare\nMoth,8.20')],
    ['a page', Buffer.from('<!doctype html><svg></svg>')],
    ['nothing', Buffer.alloc(0)],
  ] as const) {
    it(`is none for ${what}`, () => {
      const kind = pictureKind(content);
      expect(!kind.ok && kind.problems[0]?.say).toContain('no picture');
    });
  }
  for (const [what, content] of [
    ['a script', svg('<script>alert(1)</script>')],
    ['a script under another name', svg('<svg:script>alert(1)</svg:script>')],
    ['an event handler', svg('<circle r="2" onload="alert(1)"/>')],
    ['foreign content', svg('<foreignObject><p>x</p></foreignObject>')],
    ['a link to a script', svg('<image href="javascript:alert(1)"/>')],
    ['a picture from elsewhere', svg('<image xlink:href="https://example.test/x.png"/>')],
    ['a style that fetches', svg('<style>@import "https://example.test/x.css";</style>')],
    ['a fill from elsewhere', svg('<rect fill="url(https://example.test/#a)"/>')],
    ['an animated address', svg('<a><animate attributeName="href" values="javascript:alert(1)"/></a>')],
    ['an entity', Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"><!DOCTYPE svg [<!ENTITY x "y">]><text>&x;</text></svg>')],
  ] as const) {
    it(`is refused where an SVG holds ${what}`, () => {
      const kind = pictureKind(content);
      expect(!kind.ok && kind.problems[0]?.say).toMatch(/could run or fetch/);
    });
  }
  it('may refer to itself and hold pictures of its own', () =>
    expect(
      pictureKind(svg('<defs><linearGradient id="a"/></defs><rect fill="url(#a)"/><use href="#a"/><image href="data:image/png;base64,AAAA"/>')).ok,
    ).toBeTrue());
});

describe('The media shelf', () => {
  let server: Running;
  beforeAll(async () => {
    server = await runServer();
  }, 60_000);
  afterAll(() => server.close());

  const bring = async (content: Buffer, name = 'x'): Promise<{ status: number; json: Record<string, unknown> }> => {
    const response = await fetch(`${server.url}/api/media?name=${encodeURIComponent(name)}`, { method: 'POST', body: new Uint8Array(content) });
    return { status: response.status, json: (await response.json()) as Record<string, unknown> };
  };

  it('keeps a picture once, and gives it so that nothing in it can run', async () => {
    const first = await bring(svg('<circle r="2"/>'), 'Wave.svg');
    const again = await bring(svg('<circle r="2"/>'), 'Other.svg');
    expect([first.status, again.json['id']]).toEqual([201, first.json['id']]);
    const { status, headers } = await ask(`${server.url}/pictures/${String(first.json['id'])}`);
    expect([status, headers.get('content-type')]).toEqual([200, 'image/svg+xml']);
    expect(headers.get('content-security-policy')).toContain("default-src 'none'");
    expect(headers.get('content-security-policy')).toContain('sandbox');
  });
  it('refuses what is none, what could run, and what is too large, with a sentence', async () => {
    expect((await bring(Buffer.from('hello'))).json['detail']).toMatch(/no picture/);
    expect((await bring(svg('<script/>'))).json['detail']).toMatch(/script element/);
    expect((await bring(Buffer.alloc(0))).status).toBe(400);
    const large = await bring(Buffer.alloc(40_000_000));
    expect([large.status, large.json['detail']]).toEqual([413, jasmine.stringMatching(/at most 5 MB/)]);
  });
  it('has no file of a name that is none', async () => {
    expect((await ask(`${server.url}/pictures/gone.png`)).status).toBe(404);
    expect((await ask(`${server.url}/fonts/..%2f..%2fpackage.json`)).status).toBe(404);
  });
  it('gives every shipped font file', async () => {
    for (const family of families)
      for (const range of family.letters)
        expect((await ask(`${server.url}/fonts/${fileOf(family, range)}`)).status)
          .withContext(fileOf(family, range))
          .toBe(200);
  });
  it('hands a theme off with the fonts and pictures that it uses, and no others', async () => {
    const { json } = await bring(png, 'dot.png');
    const media = String(json['id']);
    const theme = themeWith(
      { table: { rest: { font: 'figtree' } }, 'column-headers': { rest: { picture: 'dot' } } },
      { name: 'Parcel', pictures: [{ name: 'dot', media }] },
    );
    const { json: kept } = await ask(`${server.url}/api/themes`, 'POST', theme);
    const response = await fetch(`${server.url}/api/themes/${String(kept['id'])}/files`);
    const files = unzipSync(new Uint8Array(await response.arrayBuffer()));
    expect(Object.keys(files).sort()).toEqual([
      'fonts/figtree-latin-ext-wght-normal.woff2',
      'fonts/figtree-latin-wght-normal.woff2',
      'parcel.css',
      `pictures/${media}`,
    ]);
    expect(Buffer.from(files[`pictures/${media}`] ?? []).equals(png)).toBeTrue();
    const css = strFromU8(files['parcel.css'] ?? new Uint8Array());
    expect(css).toContain('url("fonts/figtree-latin-wght-normal.woff2")');
    expect(css).toContain(`url("pictures/${media}")`);
  });
  it('gives an edition whole, and says when there is none', async () => {
    const { json } = await ask(`${server.url}/api/themes`, 'POST', themeWith({}, { name: 'Edited' }));
    const id = String(json['id']);
    await ask(`${server.url}/api/themes/${id}/editions`, 'POST');
    expect((await ask(`${server.url}/api/themes/${id}/editions/1`)).json['name']).toBe('Edited');
    for (const number of ['2', 'x']) expect((await ask(`${server.url}/api/themes/${id}/editions/${number}`)).status).toBe(404);
  });
});
