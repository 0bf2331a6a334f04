import fs from 'node:fs';
import path from 'node:path';
import { setFlagsFromString } from 'node:v8';
import { runInNewContext } from 'node:vm';
import fc from 'fast-check';
import { kindNames } from '../core/documents';
import { pricingExamples } from '../core/examples';
import { askedFor } from '../core/tests/seeded';
import { createStores } from '../server/app';
import { loadDemo } from '../server/demo';
import { problemKinds } from '../server/problems';
import { runServer, type Running } from '../server/tests/running';

/** A request as it goes over the wire. */
interface Asked {
  readonly method: string;
  readonly path: string;
  readonly headers: Readonly<Record<string, string>>;
  readonly body?: string;
}

/** Texts that have gone wrong somewhere: names that every object has, signs that cannot be kept, numbers past every edge. */
const nasty = fc.constantFrom(
  ...['constructor', 'toString', '__proto__', 'hasOwnProperty', 'valueOf', '\0', 'a\0b', '\ud800', 'x\udc00y', '', ' ', '..', '../..', '%', '%00'],
  ...[
    '%ff',
    '2147483648',
    '99999999999999999999',
    '-1',
    '1e9',
    'NaN',
    'null',
    "'; drop table themes; --",
    '<script>',
    '\u202e',
    '😀',
    'é'.repeat(300),
  ],
);
const nastyValue: fc.Arbitrary<unknown> = fc.oneof(
  nasty,
  fc.constantFrom<unknown>(null, true, 0, -1, 1.5, 2147483648, 1e308, [], {}, [[]], [[['a']]], { toString: 1 }, { length: 5 }, { text: 'd' }),
  fc.constant({ constructor: { prototype: 1 } }),
  fc.constant(JSON.parse('{"__proto__":{"polluted":true}}') as unknown),
  fc.jsonValue({ maxDepth: 3 }),
);

/** A document with something in it that is not meant there: a value in place of another, a name too many, one gone. */
function spoilt(document: unknown, d: { readonly pick: number; readonly value: unknown; readonly how: number; readonly name: string }): unknown {
  const places: (readonly string[])[] = [];
  const walk = (value: unknown, at: readonly string[]): void => {
    places.push(at);
    if (typeof value === 'object' && value !== null && at.length < 12)
      for (const [name, inside] of Object.entries(value)) walk(inside, [...at, name]);
  };
  walk(document, []);
  const at = places[d.pick % places.length] ?? [];
  const copy = structuredClone(document);
  if (at.length === 0) return d.how === 0 ? d.value : copy;
  let inside = copy as Record<string, unknown>;
  for (const name of at.slice(0, -1)) inside = inside[name] as Record<string, unknown>;
  const last = at.at(-1) ?? '';
  if (d.how === 0) inside[last] = d.value;
  else if (d.how === 1 && Array.isArray(inside)) inside.push(d.value);
  else if (d.how === 1) Object.defineProperty(inside, d.name, { value: d.value, enumerable: true, configurable: true, writable: true });
  else delete inside[last];
  return copy;
}

const demo = (kind: string): readonly (readonly [string, unknown])[] =>
  fs
    .readdirSync(path.join('demo', kind))
    .map((file) => [file.replace('.json', ''), JSON.parse(fs.readFileSync(path.join('demo', kind, file), 'utf8'))] as const);
const kinds = kindNames;
const documents = Object.fromEntries(
  kinds.map((kind) => [kind, kind === 'pricings' ? pricingExamples.map(({ key, pricing }) => [key, pricing] as const) : demo(kind)]),
);
const ids = kinds.flatMap((kind) => (documents[kind] ?? []).map(([id]) => id));

/** Every route of docs/api.md: KIND, ID and the like are filled in. */
const routes = (): readonly (readonly [method: string, path: string])[] => {
  const listed = fs.readFileSync(path.join('docs', 'api.md'), 'utf8').matchAll(/`(GET|POST|PUT|PATCH|DELETE) (\/[^`\s]*)`/g);
  const found = [...listed].map(([, method = '', route = '']) => [method, route] as const);
  return [
    ...found,
    ...['rows?after=PLACE', 'preview', 'head', 'history/NUMBER', 'editions/NUMBER/preview', 'markup'].map(
      (each) => ['GET', `/api/tables/ID/${each}`] as const,
    ),
    ...['upload', 'from-upload'].map((each) => ['POST', `/api/tables/UUID/${each}`] as const),
    ...['editions', 'editions/NUMBER'].map((each) => ['GET', `/api/pages/ID/${each}`] as const),
    ...['ADDRESS', 'ADDRESS', 'ADDRESS.css', 'table/FEATURES.js', '-house.css'].map((each) => ['GET', `/site/${each}`] as const),
    ...['BLOCK.css', 'BLOCK/pictures/ID'].map((each) => ['GET', `/elsewhere/PAGE/${each}`] as const),
    ['GET', '/api/tables/ID/followers'] as const,
    ['GET', '/api/pricings/ID/followers'] as const,
    ['POST', '/api/pages/ID/publish'] as const,
  ].filter(([, route]) => !route.includes('…') && route !== '/api/changes');
};

const kept = <T>(value: T): fc.Arbitrary<T> => fc.constant(value);
const part = (name: string): fc.Arbitrary<string> => {
  const id = fc.oneof(
    { weight: 6, arbitrary: fc.constantFrom(...ids) },
    { weight: 2, arbitrary: nasty.map(encoded) },
    { weight: 1, arbitrary: fc.string().map(encoded) },
  );
  const number = fc.oneof(fc.constantFrom('0', '1', '2', '7', '2147483647', '2147483648', '99999999999999999999999', '1.5', 'x'), nasty.map(encoded));
  const one: Readonly<Record<string, fc.Arbitrary<string>>> = {
    KIND: fc.constantFrom(...kinds),
    ID: id,
    PAGE: id,
    BLOCK: id,
    ADDRESS: id,
    FILE: id,
    NUMBER: number,
    REVISION: number,
    PLACE: number,
    NAME: id,
    FORMAT: fc.constantFrom('csv', 'xlsx', 'ods', 'json', 'md', 'toString'),
    FEATURES: fc.constantFrom('sort', 'sort.search', 'plain', 'constructor'),
    UUID: fc.oneof(fc.uuid({ version: 4 }), id),
  };
  return Object.hasOwn(one, name) ? (one[name] ?? kept(name)) : kept(name);
};

/** Percent-encoded as far as it can be; what cannot is sent as the bytes that some program would send. */
function encoded(text: string): string {
  return text.isWellFormed() ? encodeURIComponent(text) : '%ED%A0%80';
}

const address = (route: string): fc.Arbitrary<string> =>
  fc.tuple(...route.split(/([A-Z]{2,})/).map((each) => (/^[A-Z]{2,}$/.test(each) ? part(each) : kept(each)))).map((parts) => parts.join(''));

function request([method, route]: readonly [string, string]): fc.Arbitrary<Asked> {
  const kind = kinds.find((each) => route.includes(`/${each}`)) ?? 'tables';
  const sound: readonly unknown[] = [
    ...(documents[kind] ?? []).map(([, document]) => document),
    { change: { head: { name: 'Other' }, rows: [{ at: 0, cells: [[0, 'x']] }] }, said: ['x'] },
    { hold: ['night-boats'] },
    { along: [{ kind: 'theme', id: 'harbour-dusk' }] },
    { choice: 'plain', css: '', name: '' },
    [
      ['a', 'b'],
      ['c', { text: 'd' }],
    ],
  ];
  const wrong = fc.record({ pick: fc.nat(), value: nastyValue, how: fc.nat(2), name: nasty });
  const json = fc.oneof(
    { weight: 6, arbitrary: fc.tuple(fc.constantFrom(...sound), wrong).map(([document, how]) => JSON.stringify(spoilt(document, how))) },
    { weight: 2, arbitrary: nastyValue.map((value) => JSON.stringify(value)) },
    { weight: 1, arbitrary: fc.string() },
    {
      weight: 1,
      arbitrary: fc.constantFrom('['.repeat(20_000) + ']'.repeat(20_000), '{"a":'.repeat(500) + '1' + '}'.repeat(500), '\ufeff{}', '{"a":1,"a":2}'),
    },
  );
  const type = fc.oneof({ weight: 12, arbitrary: kept('application/json') }, fc.constantFrom('text/plain', 'application/json; charset=utf-7', 'x'));
  const match = fc.oneof({ weight: 8, arbitrary: kept('"1"') }, fc.constantFrom('"2"', '*', '1', '"99999999999"', 'W/"1"', '""'));
  return fc.tuple(address(route), json, type, match).map(([at, body, contentType, ifMatch]): Asked => ({
    method,
    path: at,
    headers: { 'Content-Type': contentType, 'If-Match': ifMatch },
    ...(method === 'GET' ? {} : { body }),
  }));
}

function heapNow(): number {
  setFlagsFromString('--expose-gc');
  (runInNewContext('gc') as () => void)();
  return process.memoryUsage().heapUsed;
}

/** A share of `npm run prove -- fuzz`, which sends 20,000. */
describe('Requests that nobody meant', () => {
  const { isProof, seed } = askedFor();
  const count = isProof ? 20_000 : 700;
  const AT_ONCE = 1000;
  let running: Running;

  beforeAll(async () => {
    running = await runServer();
    await loadDemo(running.database);
    const { pricings } = createStores(running.database);
    // One of them stands in the sample world.
    const there = new Set((await pricings.list()).map(({ id }) => id));
    for (const { key, pricing } of pricingExamples) if (!there.has(key)) await pricings.create(pricing, key);
  });
  /** What the JavaScript of server and client holds after each lot, in bytes, once what nobody needs any more is gone. */
  const heaps: number[] = [];
  afterAll(async () => {
    await running.close();
    // Documents that were kept grow the database, not this; a list that nobody empties would.
    const middle = (some: readonly number[]): number => [...some].sort((a, b) => a - b)[Math.floor(some.length / 2)] ?? 0;
    if (isProof)
      expect(middle(heaps.slice(-5)) / middle(heaps.slice(3, 8)))
        .withContext(`heaps ${heaps.join(', ')}`)
        .toBeLessThan(1.3);
  });

  /** A save that starts from what is kept goes further than one that does not. */
  const revisionAt = async (at: string): Promise<string> => {
    const answer = await fetch(`${running.url}${at}${at.startsWith('/api/tables') ? '/head' : ''}`);
    await answer.text();
    return answer.headers.get('ETag') ?? '"1"';
  };

  const ask = async ({ method, path: at, headers: given, body }: Asked): Promise<void> => {
    const isSave = (method === 'PUT' || method === 'PATCH') && given['If-Match'] === '"1"';
    const headers = isSave ? { ...given, 'If-Match': await revisionAt(at) } : given;
    const answer = await fetch(`${running.url}${at}`, {
      method,
      headers,
      redirect: 'manual',
      signal: AbortSignal.timeout(60_000),
      ...(body === undefined ? {} : { body }),
    });
    const text = await answer.text();
    if (answer.status >= 500)
      throw new Error(`${method} ${at} was answered with ${answer.status}: ${text.slice(0, 300)} ${running.logged.at(-1) ?? ''}`);
    if (answer.status >= 400 && at.startsWith('/api')) {
      const problem = JSON.parse(text) as { readonly type?: string; readonly detail?: string };
      if (!Object.keys(problemKinds).some((kind) => problem.type === `/problems/${kind}`) || !problem.detail)
        throw new Error(`${method} ${at}: ${text.slice(0, 200)}`);
    }
  };

  it('are answered in words where nothing is sent, something that is not JSON, or JSON that is no document', async () => {
    const bodies: readonly Pick<Asked, 'headers' | 'body'>[] = [
      { headers: {} },
      ...['', 'x', '{}'].map((body) => ({ headers: { 'Content-Type': 'text/plain' }, body })),
      ...['', 'null', 'true', '0', '"x"', '[]', '[null]', '{}', '{'].map((body) => ({ headers: { 'Content-Type': 'application/json' }, body })),
    ];
    for (const [method, route] of routes().filter(([each]) => each !== 'GET'))
      for (const kind of kinds) {
        const filled: Readonly<Record<string, string>> = {
          KIND: kind,
          ID: documents[kind]?.[0]?.[0] ?? '',
          NUMBER: '1',
          FORMAT: 'csv',
          FEATURES: 'sort',
        };
        const at = route.replace(/[A-Z]{2,}/g, (name) => filled[name] ?? 'none');
        for (const { headers, ...body } of bodies) await ask({ method, path: at, headers: { ...headers, 'If-Match': '"1"' }, ...body });
      }
    expect(running.logged).toEqual([]);
  }, 300_000);

  for (let from = 0; from < count; from += AT_ONCE)
    it(`are answered in words, ${from} to ${Math.min(count, from + AT_ONCE)} (seed ${seed})`, async () => {
      const requests = fc.constantFrom(...routes()).chain(request);
      await fc.assert(fc.asyncProperty(requests, ask), { seed: seed + from, numRuns: Math.min(AT_ONCE, count - from), endOnFailure: !isProof });
      expect(running.logged).toEqual([]);
      // What was sent has not changed what every object has.
      expect(({} as { polluted?: boolean }).polluted).toBeUndefined();
      expect((await fetch(`${running.url}/api/health`)).status).toBe(200);
      if (isProof) heaps.push(heapNow());
    }, 1_200_000);
});
