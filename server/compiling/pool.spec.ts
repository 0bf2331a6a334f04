import { emptyPage } from '../../core/page';
import { gridTable, starter, themeWith, viewOf } from '../../core/tests/themes';
import { compiled, type Job, type PageJob } from './job';
import { CompilePool } from './pool';

const block = {
  kind: 'table',
  id: 'a',
  shows: { kind: 'tables', id: 't' },
  dress: { kind: 'themes', id: 'l' },
  width: 'fill',
  align: 'start',
  room: '0',
  visitor: null,
} as const;
/** A job whose table has so many rows of ten columns. */
const jobOf = (rows: number): PageJob => {
  const table = gridTable(1, 10, {
    caption: 'Boats',
    rows: Array.from({ length: rows }, (_, r) => Array.from({ length: 10 }, (_, c) => (r === 0 ? `Column ${c}` : `Boat ${r} of ${c}`))),
  });
  return {
    kind: 'page',
    scheme: undefined,
    mark: undefined,
    extra: undefined,
    page: { ...emptyPage('Boats', 'boats'), blocks: [block] },
    site: undefined,
    tables: [['t', JSON.stringify(table)]],
    themes: [
      ['l', { key: 'hairline', chain: viewOf(themeWith({ 'body-rows': { even: { fill: '#abcdef' } } }, { base: starter('hairline') })).chain }],
    ],
    menu: [{ name: 'Boats', href: '/site/boats', isHere: true }],
    siteName: 'Here',
    address: '/site/boats.css',
    house: '/site/-house.css',
    houseCss: 'table { border: 1px solid red } td { padding: 3px }',
    script: '',
    frames: '',
    sheets: '',
    plans: '',
  };
};
const broken = (job: PageJob): Job => ({ ...job, tables: job.tables.map(([ref, json]) => [ref, `${json}?`]) });

describe('Compiling in threads', () => {
  const pool = new CompilePool();

  it('makes the same bytes as here, for pages and placements, large and small', async () => {
    for (const job of [jobOf(12), jobOf(3000)]) {
      const placement: Job = {
        ...job,
        kind: 'placement',
        block: 'a',
        key: 'p/a',
        address: '/elsewhere/p/a',
        here: 'http://o.invalid/site/boats',
        origin: 'http://o.invalid',
      };
      for (const each of [job, placement]) {
        const done = await pool.run(each);
        expect(done?.css.text).toContain('zp-hairline');
        expect(done).toEqual(compiled(each));
      }
    }
  }, 120_000);

  it('does something else while a large page is compiled', async () => {
    const order: string[] = [];
    const large = pool.run(jobOf(20_000)).then(() => order.push('large'));
    for (let i = 0; i < 20; i++) {
      await pool.run(jobOf(5));
      await new Promise((resolve) => setImmediate(resolve));
    }
    order.push('small');
    await large;
    expect(order).toEqual(['small', 'large']);
  }, 120_000);

  it('says what went wrong with one, and goes on with the others', async () => {
    const [good, bad, alsoGood] = await Promise.allSettled([pool.run(jobOf(3000)), pool.run(broken(jobOf(3000))), pool.run(jobOf(3000))]);
    expect([good.status, bad.status, alsoGood.status]).toEqual(['fulfilled', 'rejected', 'fulfilled']);
    expect(String(bad.status === 'rejected' && bad.reason)).toMatch(/JSON/);
  }, 120_000);

  it('has nothing for a placement that is not there', async () => {
    const job: Job = {
      ...jobOf(3000),
      kind: 'placement',
      block: 'z',
      key: 'p/z',
      address: '/elsewhere/p/z',
      here: 'http://o.invalid/',
      origin: 'http://o.invalid',
    };
    expect(await pool.run(job)).toBeUndefined();
  }, 120_000);
});
