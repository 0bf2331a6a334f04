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
    ['a script under another name', svg('<s:script xmlns:s="http://www.w3.org/2000/svg">alert(1)</s:script>')],
    ['an event handler', svg('<circle r="2" onload="alert(1)"/>')],
    ['foreign content', svg('<foreignObject><p>x</p></foreignObject>')],
    ['a link to a script', svg('<image href="javascript:alert(1)"/>')],
    ['a picture from elsewhere', svg('<image xmlns:l="http://www.w3.org/1999/xlink" l:href="https://example.test/x.png"/>')],
    ['a style that fetches', svg('<style>@import "https://example.test/x.css";</style>')],
    ['a fill from elsewhere', svg('<rect fill="url(https://example.test/#a)"/>')],
    ['an animated address', svg('<a><animate attributeName="href" values="javascript:alert(1)"/></a>')],
    ['an entity', Buffer.from('<!DOCTYPE svg [<!ENTITY x "y">]><svg xmlns="http://www.w3.org/2000/svg"><text>&x;</text></svg>')],
    ['a script in a style in a description', svg('<desc><style><script>alert(1)</script></style></desc>')],
    ['a script in a field in a title', svg('<title><textarea><script>alert(1)</script></textarea></title>')],
    ['a stylesheet by an instruction', svg('<?xml-stylesheet href="https://example.test/x.css"?>')],
    ['a set of pictures', svg('<rect style="fill:image-set(\'http://example.test/x.png\' 1x)"/>')],
    ['an address behind an escape', svg('<rect style="fill:u\\72l(http://example.test/x)"/>')],
    ['an import behind an escape', svg('<style>@\\69mport "http://example.test/x.css";</style>')],
    ['a page’s picture in a description', svg('<desc><img xmlns="http://www.w3.org/1999/xhtml" src="http://example.test/x.png"/></desc>')],
    ['an animated transform of an address', svg('<animateTransform attributeName="href" to="javascript:alert(1)"/>')],
    ['an address in quotes', svg('<rect fill=\'url( "http://example.test/#a" )\'/>')],
    ['a drawing in an address', svg('<image href="data:image/svg+xml,&lt;svg/&gt;"/>')],
    ['a base for its addresses', svg('<g xml:base="http://example.test/"/>')],
  ] as const) {
    it(`is refused where an SVG holds ${what}`, () => {
      const kind = pictureKind(content);
      expect(!kind.ok && kind.problems[0]?.say).toMatch(/could run or fetch/);
    });
  }
  for (const [what, content, say] of [
    ['an end that is missing', Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"><g>'), /cannot be read by a browser: unclosed tag/],
    ['a namespace that is missing', Buffer.from('<svg><path d="M0 0"/></svg>'), /no xmlns=/],
    [
      'an encoding in which letters are others',
      Buffer.from('<?xml version="1.0" encoding="iso-2022-jp"?><svg xmlns="http://www.w3.org/2000/svg"/>'),
      /encoding/,
    ],
    ['groups without end', svg('<g>'.repeat(20_000) + '</g>'.repeat(20_000)), /more than 200 deep/],
    ['a drawing that draws itself', svg('<g id="a"><use href="#a"/></g>'), /uses itself/],
    [
      'ten times ten times ten and so on of the same',
      svg(Array.from({ length: 9 }, (_, i) => `<g id="g${i}">${`<use href="#g${i - 1}"/>`.repeat(10)}</g>`).join('')),
      /more than 200,000 elements, those that are used again counted/,
    ],
  ] as const) {
    it(`is refused with a sentence where an SVG has ${what}`, () => {
      const kind = pictureKind(content);
      expect(!kind.ok && kind.problems[0]?.say).toMatch(say);
    });
  }
  it('is told in a moment of what was made to take for ever', () => {
    for (const text of ['<!---->'.repeat(40) + 'x', '<!---->'.repeat(100_000), `<?xml ${'a'.repeat(1_000_000)}`, '<!DOCTYPE svg '.repeat(100_000)])
      expect(pictureKind(Buffer.from(text)).ok).toBeFalse();
  });
  it('keeps what drawing programs leave for themselves, and every still part of a drawing', () => {
    const left =
      '<sodipodi:namedview xmlns:sodipodi="http://sodipodi.sourceforge.net/DTD/sodipodi-0.dtd" pagecolor="#fff"/>' +
      '<metadata><r:RDF xmlns:r="http://www.w3.org/1999/02/22-rdf-syntax-ns#"><r:li r:resource="http://example.test/"/></r:RDF></metadata>';
    const drawn =
      '<defs><filter id="f"><feGaussianBlur stdDeviation="2"/></filter><clipPath id="c"><rect width="2" height="2"/></clipPath>' +
      '<mask id="m"><rect fill="#fff" width="4" height="4"/></mask><pattern id="p"><path d="M0 0h1"/></pattern></defs>' +
      '<style>.a{fill:url(#p);filter:url("#f")} @media print{.a{fill:red}}</style>' +
      '<g class="a" clip-path="url(#c)" mask="url(#m)" transform="rotate(4) translate(1,2)"><use xlink:href="#c" xmlns:xlink="http://www.w3.org/1999/xlink"/></g>' +
      '<text font-family="serif">Νίκη <tspan>ليلى</tspan></text>';
    expect(pictureKind(svg(left + drawn))).toEqual({ ok: true, value: { type: 'image/svg+xml', extension: 'svg' } });
    const typed =
      '\uFEFF<?xml version="1.0" encoding="UTF-8"?>\n<!DOCTYPE svg PUBLIC "-//W3C//DTD SVG 1.1//EN" "http://www.w3.org/Graphics/SVG/1.1/DTD/svg11.dtd">\n';
    expect(pictureKind(Buffer.from(typed + svg(drawn).toString())).ok).toBeTrue();
  });
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
