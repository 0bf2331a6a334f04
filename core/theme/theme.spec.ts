import { WHITE, toHex } from '../colour';
import { themeWith, viewOf, starter } from '../tests/themes';
import {
  bundleText,
  bundles,
  conditionNames,
  countValues,
  edgeProperties,
  frameProperties,
  ground,
  keyFrom,
  lineage,
  partNames,
  partOf,
  places,
  placesFor,
  properties,
  propertiesOf,
  propertyOf,
  readBundle,
  readTheme,
  readValue,
  chainOf,
  isThemeBase,
  type Base,
  shippedStarters,
  starterBases,
  type Theme,
  upgradeTheme,
  starters,
  type Property,
} from './index';

describe('The catalogue', () => {
  it('has initial values that can be read', () => {
    const { vocabulary } = viewOf(themeWith({}));
    for (const { kind, initial, name } of properties)
      expect(readValue(kind, initial, vocabulary).ok)
        .withContext(name)
        .toBeTrue();
  });
  it('gives every part a property and every property a part, but for the lines and frames that only tables have', () => {
    for (const part of partNames) expect(propertiesOf(part).length).withContext(part).toBeGreaterThan(0);
    const without = (properties as readonly Property[]).filter((each) => each.parts.length === 0).map(({ name }) => name);
    expect(without).toEqual([...edgeProperties, ...frameProperties]);
  });
  it('leads every part to the whole table or to itself', () => {
    expect(lineage('row-headers')).toEqual(['row-headers', 'body-rows', 'table']);
    expect(lineage('lines')).toEqual(['lines']);
  });
  it('starts every part’s conditions with at rest', () => {
    for (const part of partNames) expect(partOf(part).conditions[0]).toBe('rest');
  });
  it('refuses names that it does not have', () => {
    expect(() => partOf('tail' as 'table')).toThrowError(RangeError);
    expect(() => propertyOf('glow' as 'fill')).toThrowError(RangeError);
  });
});

describe('The order of strength', () => {
  const at = ([part, condition]: readonly [string, string]): number =>
    places.findIndex((place) => place.part === part && place.condition === condition);
  it('has every place once', () => expect(places.length).toBe(new Set(places.map(({ part, condition }) => `${part} ${condition}`)).size));
  for (const [weaker, stronger] of [
    [
      ['table', 'rest'],
      ['body-rows', 'rest'],
    ],
    [
      ['body-rows', 'rest'],
      ['body-rows', 'even'],
    ],
    [
      ['body-rows', 'even'],
      ['body-rows', 'last'],
    ],
    [
      ['body-rows', 'last'],
      ['row-headers', 'rest'],
    ],
    [
      ['row-headers', 'last'],
      ['body-rows', 'hovered'],
    ],
    [
      ['body-rows', 'hovered'],
      ['row-headers', 'hovered'],
    ],
    [
      ['row-headers', 'hovered'],
      ['body-rows', 'selected'],
    ],
  ] as const) {
    it(`${weaker.join(' ')} gives way to ${stronger.join(' ')}`, () => expect(at(weaker)).toBeLessThan(at(stronger)));
  }
  it('asks no other part’s places, and only conditions that hold', () => {
    const asked = placesFor({ part: 'body-rows', conditions: ['even', 'hovered'] }, propertyOf('ink')).map(
      ({ part, condition }) => `${part} ${condition}`,
    );
    expect(asked).toEqual(['body-rows hovered', 'body-rows even', 'body-rows rest', 'table rest']);
  });
  it('does not hand the table’s fill and padding to the caption, which stands outside', () => {
    const asked = (name: 'fill' | 'padding-top' | 'ink'): string[] =>
      placesFor({ part: 'caption', conditions: [] }, propertyOf(name)).map(({ part }) => part);
    expect([asked('fill'), asked('padding-top'), asked('ink')]).toEqual([['caption'], ['caption'], ['caption', 'table']]);
  });
});

describe('A condition for some properties alone', () => {
  it('takes no others', () => {
    const saysOf = (values: Theme['values']): string => {
      const read = readTheme(themeWith(values), starterBases);
      return read.ok ? 'good' : (read.problems[0]?.say ?? '');
    };
    expect(saysOf({ 'column-headers': { 'over-numbers': { align: 'end' }, 'even-groups': { fill: 'mist' } } })).toBe('good');
    expect(saysOf({ 'body-rows': { 'hovered-even': { fill: 'mist', ink: 'deep' } } })).toBe('good');
    expect(saysOf({ 'body-rows': { 'hovered-even': { weight: '700' } } })).toBe('Weight of body rows cannot be set under this condition.');
    expect(saysOf({ 'body-rows': { hovered: { band: '2nd' } } })).toBe('Even means every of body rows can be set at rest only.');
  });
});

describe('Starters', () => {
  it('are at least six, of different names and tempers', () => {
    expect(starters.length).toBeGreaterThanOrEqual(6);
    expect(new Set(starters.map(({ temper }) => temper)).size).toBe(starters.length);
  });
  for (const { key, version, theme } of shippedStarters) {
    it(`${key}, version ${version}, is a document that can be read, and every value in it too`, () => {
      if (key !== 'ground') expect(readTheme(theme, starterBases)).toEqual({ ok: true, value: theme });
      const look = viewOf(theme);
      for (const place of places) {
        for (const { name } of propertiesOf(place.part)) {
          for (const { read, text } of look.said(place, name))
            expect(read.ok).withContext(`${place.part} ${place.condition} ${name}: ${text}`).toBeTrue();
        }
      }
    });
  }
  it('give way to the ground when one is gone', () => {
    const lost = themeWith({}, { base: starter('gone') });
    expect(chainOf(lost, starterBases)).toEqual([lost, ground]);
  });
  it('end a chain that leads back to itself at the ground', () => {
    const [a, b] = [themeWith({}, { name: 'A', base: starter('b') }), themeWith({}, { name: 'B', base: starter('a') })];
    const bases = { ...starterBases, find: (base: Base) => (!isThemeBase(base) && base.starter === 'a' ? a : b) };
    expect(chainOf(a, bases).map(({ name }) => name)).toEqual(['A', 'B', 'Ground']);
  });
});

describe('A theme’s swatches', () => {
  it('are the base theme’s, with its own in their place and new ones last', () => {
    const look = viewOf(
      themeWith(
        {},
        {
          base: starter('nightfall'),
          swatches: [
            { name: 'deep', colour: '#111111' },
            { name: 'zing', colour: '#ff0000' },
          ],
        },
      ),
    );
    expect(toHex(look.vocabulary.swatches.get('deep') ?? WHITE)).toBe('#111111');
    expect(toHex(look.vocabulary.swatches.get('mist') ?? WHITE)).toBe('#eef5f7');
    expect(look.swatches.at(-1)?.name).toBe('zing');
    expect(look.swatches.map(({ name }) => name).indexOf('deep')).toBe(2);
  });
});

describe('Reading a theme document', () => {
  const theme = themeWith({ 'body-rows': { even: { fill: 'mist' } } });
  const said = (json: unknown): string => {
    const read = readTheme(json, starterBases);
    return read.ok ? 'good' : read.problems.map(({ at, say }) => `${at ?? ''}: ${say}`).join(' | ');
  };
  it('takes a good one as it is', () => expect(readTheme(JSON.parse(JSON.stringify(theme)), starterBases)).toEqual({ ok: true, value: theme }));
  it('brings one of the first format up: it grew from what is now its starter’s first version', () => {
    const old = { ...theme, format: 'zest-theme/1', base: 'nightfall' };
    expect(readTheme(old, starterBases)).toEqual({ ok: true, value: { ...theme, base: starter('nightfall') } });
    expect(upgradeTheme('hello')).toBe('hello');
  });
  it('counts its values', () => expect(countValues(theme)).toBe(1));
  for (const [what, json, says] of [
    ['no object', 'hello', /object/],
    ['null', null, /.+/],
    ['another format', { ...theme, format: 'zest-theme/9' }, /format.*not zest-theme\/2/],
    ['an unknown base', { ...theme, base: starter('gone') }, /no version 1 of gone.*grows from one of/],
    ['an unknown version', { ...theme, base: { starter: 'nightfall', version: 99 } }, /no version 99 of nightfall/],
    ['a base without a version', { ...theme, base: { starter: 'nightfall' } }, /which version/],
    ['no name', { ...theme, name: '' }, /name/],
    ['a name of 10,000 characters', { ...theme, name: 'x'.repeat(10_000) }, /at most 120/],
    ['a swatch that is no colour', { ...theme, swatches: [{ name: 'a', colour: '#12' }] }, /swatches\/0\/colour.*CSS colour/],
    ['a swatch with a space in its name', { ...theme, swatches: [{ name: 'a b', colour: '#fff' }] }, /lower-case letters/],
    ['two swatches of one name', { ...theme, swatches: [theme.swatches[0], theme.swatches[0]] }, /same name/],
    ['an unknown part', { ...theme, values: { tail: {} } }, /no part “tail”/],
    ['an unknown condition', { ...theme, values: { caption: { hovered: { ink: 'mist' } } } }, /Caption has no condition “hovered”/],
    ['an unknown property', { ...theme, values: { lines: { rest: { fill: 'mist' } } } }, /Lines has no property “fill”/],
    ['a value that is a number', { ...theme, values: { table: { rest: { fill: 7 } } } }, /value is a text/],
    ['a value that is too long', { ...theme, values: { table: { rest: { fill: 'x'.repeat(201) } } } }, /1 to 200/],
    ['a field too many', { ...theme, script: 'x' }, /no other fields/],
    ['a type scale out of range', { ...theme, scale: { base: 900, ratio: 1.1, steps: [{ name: 'body', step: 0 }] } }, /at most 60/],
  ] as const) {
    it(`says what is wrong with ${what}`, () => expect(said(json)).toMatch(says));
  }
  it('keeps a value with a mistake in it, since the rest of the theme still holds', () => {
    expect(said({ ...theme, values: { table: { rest: { fill: 'gone-swatch' } } } })).toBe('good');
  });
});

describe('Sides that are set together', () => {
  const [padding, outer] = bundles;
  const { vocabulary } = viewOf(themeWith({}));
  for (const [typed, sides] of [
    ['7px', ['7px', '7px', '7px', '7px']],
    ['7px 12px', ['7px', '12px', '7px', '12px']],
    ['1px 2px 3px 4px', ['1px', '2px', '3px', '4px']],
  ] as const) {
    it(`reads ${typed} and says it again`, () => {
      const read = readBundle(padding, typed, vocabulary);
      expect(read.ok && read.value).toEqual(sides);
      expect(bundleText(padding, [...sides])).toBe(typed);
    });
  }
  it('reads lines apart by a slash', () => {
    const read = readBundle(outer, '4px solid deep / none', vocabulary);
    expect(read.ok && read.value).toEqual(['4px solid deep', 'none', '4px solid deep', 'none']);
  });
  it('refuses five sides and a side with a mistake', () => {
    expect(readBundle(padding, '1px 1px 1px 1px 1px', vocabulary).ok).toBeFalse();
    expect(readBundle(padding, '1px 1pz', vocabulary).ok).toBeFalse();
  });
});

describe('Keys', () => {
  it('are short, plain and new', () => {
    expect(keyFrom('Harbour dusk!', () => false)).toBe('harbour-dusk');
    expect(keyFrom('Harbour dusk', (key) => key === 'harbour-dusk')).toBe('harbour-dusk-2');
    expect(keyFrom('Éclair 2', () => false)).toBe('eclair-2');
  });
  it('are given to names in any script', () => {
    for (const name of ['Θαλάσσιο', 'ليلي', '2026', '—']) expect(keyFrom(name, () => false)).toMatch(/^[a-z][a-z0-9-]*$/);
  });
  it('conditions are named once', () => expect(new Set(conditionNames).size).toBe(conditionNames.length));
});
