import { parseColour } from '../colour';
import { emptyPage, type Page } from '../page';
import { themeWith, viewOf } from '../tests/themes';
import { starters, type Theme } from '../theme';
import { NOTHING_WANTED, collectionsOf, isWanted, lookOf, tagsOf, usesOf, wantsNothing, type Look, type Shelved, type Wanted } from './index';

const look = (values: Theme['values'], given: Partial<Theme> = {}): readonly string[] => [...lookOf(viewOf(themeWith(values, given))).looks];

describe('What a theme looks like', () => {
  it('is told from what is seen, whatever says it', () => {
    expect(look({})).toEqual(['no-lines']);
    expect(look({ 'column-headers': { rest: { fill: 'deep' } } })).toContain('dark-header');
    // A translucent ground is as dark as it is on the page.
    expect(look({ 'column-headers': { rest: { fill: 'deep 10%' } } })).not.toContain('dark-header');
    expect(look({ 'body-rows': { even: { fill: 'mist' } } })).toContain('banded');
    expect(look({ 'body-rows': { even: { fill: 'mist' }, odd: { fill: 'mist' } } })).not.toContain('banded');
    expect(look({ lines: { rest: { rows: '1px solid deep' } } })).toEqual(['hairlines']);
    expect(look({ lines: { rest: { rows: '3px solid deep' } } })).toEqual([]);
    expect(look({ lines: { rest: { rows: '1px solid deep', columns: '1px solid deep' } } })).toEqual(['grid']);
    expect(look({ table: { rest: { radius: '8px' } }, 'body-rows': { rest: { 'row-radius': '8px' } } })).toEqual(['no-lines', 'round', 'cards']);
    expect(look({ table: { rest: { fill: '#101418' } } })).toContain('dark');
    expect(look({}, { modes: [{ name: 'dark', values: {}, swatches: [{ name: 'mist', colour: '#101010' }] }] })).toContain('dark-mode');
  });

  it('has fonts and colours, of the starters too', () => {
    const { fonts, colours } = lookOf(
      viewOf(themeWith({ table: { rest: { font: 'oldstyle', ink: 'deep' } }, 'body-rows': { hovered: { fill: 'lamp 20%' } } })),
    );
    expect(fonts).toEqual(['oldstyle']);
    expect(colours.length).toBeGreaterThan(2);
    const of = (name: string): Look => {
      const found = starters.find((each) => each.theme.name.toLowerCase() === name);
      if (!found) throw new Error(name);
      return lookOf(viewOf(found.theme));
    };
    expect(of('nightfall').looks).toContain('dark-header');
    expect(of('console').looks).toContain('dark');
    expect(of('bands').looks).toContain('banded');
    expect(of('hairline').looks).toContain('hairlines');
    expect(of('boxed').looks).toContain('grid');
  });
});

describe('Looking for a theme', () => {
  const shelved = (given: Partial<Theme>, use: Shelved['use'] = { live: 0, kinds: [] }): Shelved => {
    const theme = themeWith({ 'column-headers': { rest: { fill: 'deep' } } }, { name: 'Harbour dusk', ...given });
    return { theme, said: [theme.name, 'Nightfall'], use, look: () => lookOf(viewOf(theme)) };
  };
  const found = (wanted: Partial<Wanted>, given: Partial<Theme> = {}, use?: Shelved['use']): boolean =>
    isWanted(shelved(given, use), { ...NOTHING_WANTED, ...wanted });

  it('goes by words in names, tags and collections, and by these themselves', () => {
    expect(found({ words: 'harbour NIGHT' })).toBeTrue();
    expect(found({ words: 'harbour spring' })).toBeFalse();
    expect(found({ words: 'spring' }, { tags: ['Spring'] })).toBeTrue();
    expect(found({ tags: ['spring'] }, { tags: ['spring', 'print'] })).toBeTrue();
    expect(found({ tags: ['spring', 'screen'] }, { tags: ['spring', 'print'] })).toBeFalse();
    expect([
      found({ collection: 'Ferries' }, { collection: 'Ferries' }),
      found({ collection: '' }, { collection: 'Ferries' }),
      found({ collection: '' }),
    ]).toEqual([true, false, true]);
  });

  it('goes by look, a colour near one, and use', () => {
    expect([found({ looks: ['dark-header'] }), found({ looks: ['dark-header', 'grid'] })]).toEqual([true, false]);
    expect([found({ near: parseColour('#143a50') }), found({ near: parseColour('#ff00ff') })]).toEqual([true, false]);
    const [live, worn] = [
      { live: 2, kinds: [] },
      { live: 0, kinds: ['pricing' as const] },
    ];
    expect([
      found({ use: 'live' }, {}, live),
      found({ use: 'live' }, {}, worn),
      found({ use: 'nowhere' }, {}, live),
      found({ use: 'nowhere' }),
    ]).toEqual([true, false, false, true]);
    expect([found({ use: 'tables' }, {}, worn), found({ use: 'pricing' }, {}, worn), found({ use: 'dashboard' }, {}, worn)]).toEqual([
      true,
      true,
      false,
    ]);
  });

  it('asks for no look where none is wanted, and wants nothing at first', () => {
    const asked = { ...shelved({}), look: (): Look => fail('It was asked for') as never };
    expect(isWanted(asked, NOTHING_WANTED)).toBeTrue();
    expect([wantsNothing(NOTHING_WANTED), wantsNothing({ ...NOTHING_WANTED, tags: ['a'] })]).toEqual([true, false]);
  });

  it('offers every collection and tag once, in order', () => {
    const themes = [themeWith({}, { collection: 'Press', tags: ['b', 'a'] }), themeWith({}, { collection: 'Ferries', tags: ['a'] }), themeWith({})];
    expect([collectionsOf(themes), tagsOf(themes)]).toEqual([
      ['Ferries', 'Press'],
      ['a', 'b'],
    ]);
  });

  it('knows live pages, also by what reaches them, and tables', () => {
    const page = (given: Partial<Page>): Page => ({ ...emptyPage('P', 'p'), ...given });
    const block = { id: 'a', kind: 'table' as const, shows: { kind: 'tables' as const, id: 't' }, dress: { kind: 'themes' as const, id: 'one' } };
    const blocks = [{ ...block, width: 'fill' as const, align: 'start' as const, room: '0', visitor: null }] as unknown as Page['blocks'];
    const uses = usesOf(
      [{ document: page({ blocks }), live: { slug: 'p' } }, { document: page({ blocks }) }],
      [{ document: { theme: 'two', kind: 'data' } }, { document: { theme: 'two', kind: 'pricing' } }, { document: { theme: '', kind: 'data' } }],
    );
    expect([...uses]).toEqual([
      ['one', { live: 1, kinds: [] }],
      ['two', { live: 0, kinds: ['data', 'pricing'] }],
    ]);
  });
});
