import { shortHash } from '../../compile/sheet/short-hash';
import { grownFrom, laterVersion, lookChanges } from '../../edit';
import { starter, themeWith, viewOf } from '../../tests/themes';
import { cardParts, type Theme } from '../index';
import { newestOf, shippedStarters, starterBases, starters } from './index';

/** Every version that shipped, by what it says. A line here is never changed: another look is another version. */
const shipped: Readonly<Record<string, string>> = {
  'ground 1': '74oyxv',
  'hairline 1': '1juguf9',
  'boxed 1': 'c5qxyc',
  'bands 1': '8tiwin',
  'nightfall 1': 'd9fpsv',
  'pebble 1': 'igvksw',
  'broadsheet 1': '149lek2',
  'console 1': 'uff4pw',
  'manifest 1': 't7groi',
  'porthole 1': '1d1c3xq',
  'gazette 1': '10dfld7',
  'tiles 1': '8q4vce',
  'chalk 1': 'mc0r4k',
  'hairline 2': 'fx6mf3',
  'ground 2': '1cq9g52',
  'hairline 3': 'n7qg1a',
  'tiles 2': '416rga',
  'boxed 2': 'b2lmsn',
  'bands 2': 'stj5ao',
  'nightfall 2': 'pv6m6u',
  'pebble 2': 'oinhed',
  'broadsheet 2': 'bh8z6z',
  'console 2': '3d8e4t',
  'manifest 2': 'jsq7t9',
  'porthole 2': '1mtog9n',
  'gazette 2': '123xqxo',
  'chalk 2': 'ytqsfj',
  'hairline 4': 'cmccik',
  'tiles 3': 'k9vuc5',
  'boxed 3': '1w7u8vi',
  'bands 3': 'wx26i6',
  'nightfall 3': '107yy2w',
  'pebble 3': 't2z0y4',
  'broadsheet 3': 'mcnqu6',
  'console 3': 'spbrix',
  'manifest 3': '1s54h0s',
  'porthole 3': '1fng0bj',
  'gazette 3': 'sm1ks9',
  'chalk 3': '6cp73k',
  'hairline 5': '1flchob',
  'tiles 4': '5pejl5',
  'boxed 4': '1radw33',
  'bands 4': '1d4qr6j',
  'nightfall 4': 'q9frbd',
  'pebble 4': '1gjlbvr',
  'broadsheet 4': '1dj37c0',
  'console 4': '1wsjma1',
  'manifest 4': '1rqlppk',
  'porthole 4': 'ajtql5',
  'gazette 4': 'p9zdfr',
  'chalk 4': 'fwrlvb',
  'regatta 1': '19iyyvf',
  'lamplight 1': '1srj4z0',
  'tariff 1': 'cs8507',
  'sorbet 1': '1fhpdxg',
  'draughtsman 1': 'jua6fe',
  'placard 1': 'ydpybx',
  'regatta 2': '1cnyvsl',
  'lamplight 2': '1sb0gqa',
  'tariff 2': '1h07ikn',
  'sorbet 2': '6r9ogh',
  'draughtsman 2': '5bibnn',
  'placard 2': '17rf1eb',
};

describe('A version of a starter', () => {
  it('never changes once it has shipped, so that editions which name it always compile to the same bytes', () => {
    const now = Object.fromEntries(shippedStarters.map(({ key, version, theme }) => [`${key} ${version}`, shortHash(JSON.stringify(theme))]));
    expect(now).toEqual({ ...shipped });
  });
  it('is counted from 1 without a gap, and the newest is what one begins from', () => {
    for (const { key, version } of starters) {
      expect(version).withContext(key).toBe(newestOf(key));
      for (let each = 1; each <= version; each++)
        expect(starterBases.find({ starter: key, version: each }))
          .withContext(`${key} ${each}`)
          .toBeDefined();
    }
    expect(newestOf('none of these')).toBe(0);
  });
  it('is left only by the person, and what that changes is told', () => {
    const theme = themeWith({ numbers: { rest: { figures: 'old style' } } }, { base: starter('hairline') });
    expect(laterVersion(theme)).toBe(5);
    expect(laterVersion(grownFrom(theme, { starter: 'hairline', version: 3 }))).toBe(5);
    expect(laterVersion(grownFrom(theme, { starter: 'hairline', version: 5 }))).toBeUndefined();
    expect(laterVersion(themeWith({}))).toBe(2);
    expect(laterVersion(themeWith({}, { base: null }))).toBeUndefined();
    const changes = lookChanges(viewOf(theme), viewOf(grownFrom(theme, { starter: 'hairline', version: 2 })));
    // What the theme says itself holds in either version.
    expect(changes.map(({ what, before, after }) => `${what}: ${before ?? '-'} → ${after ?? '-'}`)).toEqual([
      'Numbers: decimal marks: - → aligned',
      'Numbers: align across: - → end',
    ]);
    expect(lookChanges(viewOf(theme), viewOf({ ...theme }))).toEqual([]);
  });
  it('that dresses cards says of tables what the one before it says', () => {
    const tables = ({ values }: Theme): object =>
      Object.fromEntries(
        Object.entries(values).flatMap(([part, { featured: _, ...said }]) =>
          cardParts.some((each) => each === part) ? [] : [[part, said] as const],
        ),
      );
    for (const { key, version, theme } of starters) {
      const before = starterBases.find({ starter: key, version: version - 1 });
      expect(before && tables(theme))
        .withContext(key)
        .toEqual(before && tables(before));
      expect(Object.keys(theme.values).some((part) => part === 'plan'))
        .withContext(key)
        .toBeTrue();
    }
  });
});
