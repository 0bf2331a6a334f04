import { emptyPage } from '../page';
import { seasonPasses } from '../examples';
import { gridTable, themeWith } from '../tests/themes';
import { starterBases } from '../theme';
import { documentKinds, kindNames, type KindName } from './index';

const samples: Readonly<Record<KindName, { readonly format: string; readonly name: string }>> = {
  themes: themeWith({ 'body-rows': { even: { fill: 'mist' } } }),
  tables: gridTable(3, 2),
  pages: { ...emptyPage('P', 'p'), blocks: [{ id: 'a', kind: 'heading', level: 2, text: 'A' }] } as never,
  pricings: seasonPasses,
};

/** Walks the registry: a kind that lacks something fails here, or does not compile. */
describe('Every kind of document', () => {
  for (const name of kindNames) {
    const kind = documentKinds[name];
    const sample = samples[name];
    it(`${name}: is kept under its own name and format`, () => {
      expect([kind.words, kind.format]).toEqual([name, sample.format]);
      expect(name.startsWith(kind.word)).toBeTrue();
    });
    it(`${name}: reads what it writes, and leaves alone what is none`, () => {
      const json: unknown = JSON.parse(JSON.stringify(sample));
      expect(kind.read(json, starterBases)).toEqual({ ok: true, value: sample } as never);
      for (const other of [undefined, null, 'text', 7, [], { format: `${kind.format}9` }]) {
        expect(kind.upgrade(other)).toBe(other);
        expect(kind.read(other, starterBases).ok).toBeFalse();
      }
    });
    it(`${name}: merges what differs, and takes the other side’s where it is asked`, () => {
      const merge = kind.merge as unknown as (...sides: readonly unknown[]) => {
        readonly value: { readonly name: string };
        readonly conflicts: readonly never[];
      };
      const [mine, theirs] = [
        { ...sample, name: 'Mine' },
        { ...sample, name: 'Theirs' },
      ];
      expect(merge(sample, mine, sample).value.name).toBe('Mine');
      const { value, conflicts } = merge(sample, mine, theirs);
      expect(conflicts.length).toBe(1);
      const [conflict] = conflicts;
      expect((kind.where as unknown as (...given: readonly unknown[]) => string)(conflict, value)).toBe('name');
      expect((kind.take as unknown as (...given: readonly unknown[]) => { readonly name: string })(value, conflict).name).toBe('Theirs');
    });
  }
  it('names what a page is made of, wherever it stands, with the editions at which it is held', () => {
    const rest = { kind: 'table', width: 'fill', align: 'start', room: '0', visitor: null } as const;
    const shows = { kind: 'tables', id: 't', held: 2 } as const;
    const dress = { kind: 'themes', id: 'h' } as const;
    const inside = { ...rest, id: 'b', shows, dress } as const;
    const page = {
      ...emptyPage('P', 'p'),
      blocks: [
        { ...rest, id: 'a', shows: { kind: 'tables', id: 'u' }, dress: null },
        { id: 's', kind: 'section', fill: '', ink: '', blocks: [inside] },
      ],
    } as const;
    expect(documentKinds.pages.follows(page)).toEqual([{ kind: 'tables', id: 'u' }, shows, dress]);
    expect(documentKinds.tables.follows(gridTable(2, 2))).toEqual([]);
  });
  it('says where in the words and numbers of its view', () => {
    const { where: inTable } = documentKinds.tables;
    expect(inTable({ path: ['rows', '2', '1'], mine: 'a', theirs: 'b' }, gridTable(3, 2))).toBe('Row 3 (r2c0), r0c1');
    const { where: inTheme } = documentKinds.themes;
    expect(inTheme({ path: ['values', 'body-rows', 'even', 'fill'], mine: 'a', theirs: 'b' }, themeWith({}))).toBe('Body rows, even: fill');
    const { where: onPage } = documentKinds.pages;
    const page = samples.pages as Parameters<typeof onPage>[1];
    expect(onPage({ path: ['blocks', 'a', 'text'], mine: 'a', theirs: 'b' }, page)).toBe('The heading “A”: text');
    const { where: inPricing } = documentKinds.pricings;
    const { plans, features, periods, answers } = seasonPasses;
    const [feature = '', row = {}] = Object.entries(answers)[0] ?? [];
    const [plan = ''] = Object.keys(row);
    const at = (...path: readonly string[]): string => inPricing({ path, mine: 'a', theirs: 'b' }, seasonPasses);
    const named = (id: string): string => [...plans, ...features].find((each) => each.id === id)?.name ?? '';
    expect(at('answers', feature, plan)).toBe(`${named(feature)}, ${named(plan)}`);
    expect(at('plans', plans[0]?.id ?? '', 'badge')).toBe(`${plans[0]?.name}: badge`);
    expect(at('plans', plans[0]?.id ?? '', 'prices', periods[0]?.id ?? '')).toBe(`${plans[0]?.name}: price, ${periods[0]?.name}`);
    expect(at('first', 'period')).toContain('period');
  });
});
