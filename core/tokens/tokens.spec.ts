import { dice, randomTheme, withModes, withSteps } from '../tests/random';
import { themeWith, viewOf } from '../tests/themes';
import { starterBases, starters, type Theme } from '../theme';
import { areTokens, readTokens, tokensOf, type TokensRead } from './index';

const read = (json: unknown, name = 'sea.json'): TokensRead => {
  const outcome = readTokens(name, json, starterBases);
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.problems));
  return outcome.value;
};
/** Out as text and in again, as another program would have it. */
const around = (theme: Theme): Theme => read(JSON.parse(JSON.stringify(tokensOf(viewOf(theme)).json))).theme;
/** With keys in one order, and without lists of no swatches in modes, which say what none say. */
const inOrder = (theme: Theme): unknown =>
  JSON.parse(
    JSON.stringify(
      { ...theme, modes: theme.modes?.map(({ swatches = [], ...mode }) => (swatches.length > 0 ? { ...mode, swatches } : mode)) },
      (_, value: unknown) =>
        typeof value === 'object' && value !== null && !Array.isArray(value)
          ? Object.fromEntries(Object.entries(value).sort(([a], [b]) => (a < b ? -1 : 1)))
          : value,
    ),
  );

describe('A theme as design tokens', () => {
  const theme = themeWith(
    {
      'body-rows': { rest: { fill: 'mist', ink: 'deep 60%', 'padding-top': '6px', weight: '500', align: 'center' }, even: { fill: '#ffffff' } },
      lines: { rest: { rows: '1px solid deep' } },
    },
    {
      swatches: [
        { name: 'mist', colour: '#eef5f6' },
        { name: 'deep', colour: 'oklch(0.35 0.06 220)' },
        { name: 'haze', colour: 'deep 9%' },
      ],
      modes: [{ name: 'dark', swatches: [{ name: 'mist', colour: '#101418' }], values: {} }],
    },
  );

  it('has references, spaces and units as they were said', () => {
    const { json, unsaid } = tokensOf(viewOf(theme));
    const tokens = json as {
      readonly swatch: Readonly<Record<string, object>>;
      readonly value: Readonly<Record<string, unknown>>;
      readonly modes: unknown;
    };
    expect(tokens.swatch['mist']).toEqual({
      $type: 'color',
      $value: { colorSpace: 'srgb', components: [0.93333, 0.96078, 0.96471], hex: '#eef5f6' },
    });
    expect(tokens.swatch['deep']).toEqual({ $type: 'color', $value: { colorSpace: 'oklch', components: [0.35, 0.06, 220] } });
    expect(tokens.swatch['haze']).toEqual(jasmine.objectContaining({ $extensions: { 'zest-pane': { text: 'deep 9%' } } }));
    expect(tokens.value['body-rows'] as Record<string, unknown>).toEqual(
      jasmine.objectContaining({
        rest: jasmine.objectContaining({ fill: { $type: 'color', $value: '{swatch.mist}' }, weight: { $type: 'fontWeight', $value: 500 } }),
      }),
    );
    expect(tokens.value['lines']).toEqual({
      rest: { rows: { $type: 'border', $value: { color: '{swatch.deep}', width: { value: 1, unit: 'px' }, style: 'solid' } } },
    });
    expect(unsaid).toEqual(['value.body-rows.rest.align: center']);
  });

  it('comes back as it was: starters, and random themes with steps and modes', () => {
    for (const each of starters)
      expect(inOrder(around(each.theme)))
        .withContext(each.theme.name)
        .toEqual(inOrder(each.theme));
    for (let seed = 0; seed < 60; seed++) {
      const d = dice(seed);
      const each = withModes(d, withSteps(d, randomTheme(d)));
      expect(inOrder(around(each)))
        .withContext(`seed ${seed}`)
        .toEqual(inOrder(each));
    }
    expect(inOrder(around(theme))).toEqual(inOrder(theme));
  });

  it('takes what another program changed, also where a text was kept with it', () => {
    const json = JSON.parse(JSON.stringify(tokensOf(viewOf(theme)).json)) as { swatch: Record<string, { $value: unknown }> };
    if (json.swatch['haze']) json.swatch['haze'].$value = { colorSpace: 'srgb', components: [1, 0, 0] };
    expect(read(json).theme.swatches[2]).toEqual({ name: 'haze', colour: '#ff0000' });
  });

  it('gives back what other programs keep with tokens, and reads none of it', () => {
    const json = JSON.parse(JSON.stringify(tokensOf(viewOf(theme)).json)) as { swatch: Record<string, object>; $extensions: object };
    json.swatch['mist'] = { ...json.swatch['mist'], $extensions: { 'org.example': { order: 3, deep: { deeper: ['a'] } } } };
    json.$extensions = { ...json.$extensions, 'org.example': 'x' };
    const { theme: again } = read(json);
    expect(again.extensions).toEqual({ 'swatch.mist': { 'org.example': { order: 3, deep: { deeper: ['a'] } } }, '': { 'org.example': 'x' } });
    const out = tokensOf(viewOf(again)).json as typeof json;
    expect([out.swatch['mist'], out.$extensions]).toEqual([json.swatch['mist'] as never, jasmine.objectContaining({ 'org.example': 'x' })]);
  });
});

describe('Design tokens of other programs', () => {
  const others = {
    color: {
      $type: 'color',
      brand: {
        500: { $value: { colorSpace: 'srgb', components: [0.07, 0.2353, 0.302] } },
        wide: { $value: { colorSpace: 'display-p3', components: [0, 1, 0] } },
        soft: { $value: { colorSpace: 'oklab', components: [0.9, 0.01, 0.02], alpha: 0.5 } },
        old: { $value: '#ABCDEF' },
      },
      accent: { $value: '{color.brand.500}', $description: 'For what is pressed' },
      lost: { $value: '{color.brand.wide}' },
      a: { $value: '{color.b}' },
      b: { $value: '{color.a}' },
    },
    alias: { $value: '{color.accent}' },
    space: { small: { $type: 'dimension', $value: { value: 4, unit: 'px' } } },
  };

  it('become swatches, with references kept and no colour changed', () => {
    const { theme, told } = read(others, 'Sea.tokens.json');
    expect([theme.name, theme.swatches]).toEqual([
      'Sea',
      [
        { name: 'color-brand-500', colour: 'rgb(7% 23.53% 30.2%)' },
        { name: 'color-brand-soft', colour: 'oklab(0.9 0.01 0.02 / 0.5)' },
        { name: 'color-brand-old', colour: '#ABCDEF' },
        { name: 'color-accent', colour: 'color-brand-500' },
        { name: 'alias', colour: 'color-accent' },
      ],
    ]);
    expect(told.map(({ at }) => at)).toEqual(['color.brand.wide', 'color.a', 'color.b', 'space.small']);
    expect(told[0]?.say).toMatch(/display-p3 would become others/);
    expect(told[1]?.say).toMatch(/refers to itself/);
  });

  it('are known by a $value somewhere, and a theme is none', () => {
    expect([areTokens(others), areTokens({ format: 'zest-theme/2' }), areTokens([]), areTokens(null), areTokens({ a: { b: 1 } })]).toEqual([
      true,
      false,
      false,
      false,
      false,
    ]);
  });

  it('that are hostile do nothing, and say where they are wrong', () => {
    const json = JSON.parse(
      '{"__proto__":{"x":{"$type":"color","$value":"#123456"}},"constructor":{"prototype":{"$type":"color","$value":"red}</style>"}},"n":{"$type":"color","$value":{"colorSpace":"srgb","components":[1,2,"x"]}},"m":5}',
    ) as unknown;
    const { theme, told } = read(json);
    expect(theme.swatches.map(({ colour }) => colour)).toEqual(['#123456']);
    expect(told.length).toBe(3);
    expect(({} as { x?: unknown }).x).toBeUndefined();
    let deep: unknown = { $type: 'color', $value: '#000000' };
    for (let i = 0; i < 60; i++) deep = { a: deep };
    expect(readTokens('x', deep, starterBases).ok).toBeFalse();
    const many = Object.fromEntries(Array.from({ length: 2001 }, (_, i) => [`t${i}`, { $type: 'color', $value: '#000000' }]));
    expect(readTokens('x', many, starterBases).ok).toBeFalse();
  });
});
