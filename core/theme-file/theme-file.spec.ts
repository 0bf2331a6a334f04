import { strToU8, zipSync } from 'fflate';
import { dice, randomTheme, starterNames, withSteps } from '../tests/random';
import { starter, themeWith } from '../tests/themes';
import { THEME_FORMAT, starterBases, starters, type Theme } from '../theme';
import { picturesOf, readThemeFile, themeFile, withBases, type FiledTheme } from './index';
import { THEME_FILE_MOST, THEME_MOST } from './limits';

const MEDIA = `${'0123456789ab'.repeat(2)}.png`;
const OTHER = `${'ba9876543210'.repeat(2)}.svg`;
const bytesOf = (content: string | Uint8Array): Uint8Array => (typeof content === 'string' ? strToU8(content) : content);
const read = (bytes: Uint8Array | string, name = 'x.json'): ReturnType<typeof readThemeFile> => readThemeFile(name, bytesOf(bytes), starterBases);
const says = (bytes: Uint8Array | string, name?: string): string => {
  const outcome = read(bytes, name);
  const problems = outcome.ok ? outcome.value.problems : outcome.problems;
  return `${outcome.ok ? 'read' : 'refused'}: ${problems.map(({ at = '', say }) => `${at} ${say}`).join(' | ')}`;
};
const again = (themes: readonly Theme[], pictures = new Map<string, Uint8Array>()): readonly Theme[] => {
  const outcome = read(bytesOf(themeFile(filed(themes), pictures).content));
  if (!outcome.ok) throw new Error(outcome.problems[0]?.say);
  return outcome.value.themes.map(({ theme }) => theme);
};
/** Themes under ids of their own. */
function filed(themes: readonly Theme[]): readonly FiledTheme[] {
  return themes.map((theme, i) => ({ id: `id-${i}`, theme }));
}

describe('A file of themes', () => {
  it('gives every starter and 300 random themes back as they were, alone and together', () => {
    const random = Array.from({ length: 300 }, (_, seed) =>
      withSteps(dice(seed), { ...randomTheme(dice(seed), starterNames), name: `Random ${seed}` }),
    );
    const all = [...starters.map(({ theme }) => theme), ...random];
    for (const theme of all)
      expect(again([theme]))
        .withContext(theme.name)
        .toEqual([theme]);
    expect(again(all)).toEqual(all);
  });
  it('is JSON for one theme, and a ZIP with the pictures that come along', () => {
    const plain = themeFile(filed([themeWith({}, { name: 'Βάρκες' })]), new Map());
    expect([plain.name, plain.type, typeof plain.content]).toEqual(['theme.json', 'application/json', 'string']);
    const pictured = themeWith({ table: { rest: { picture: 'sea' } } }, { name: 'Night sea', pictures: [{ name: 'sea', media: MEDIA }] });
    const pictures = new Map([[MEDIA, new Uint8Array([1, 2, 3])]]);
    const file = themeFile(filed([pictured, { ...pictured, pictures: [{ name: 'sky', media: OTHER }] }]), pictures);
    expect([file.name, file.type]).toEqual(['themes.zip', 'application/zip']);
    const back = read(bytesOf(file.content));
    expect(back.ok && [...back.value.pictures]).toEqual([[MEDIA, new Uint8Array([1, 2, 3])]]);
    expect(says(bytesOf(file.content))).toBe('read:  The picture “sky” of “Night sea” is not in the file.');
    expect(picturesOf(filed([pictured, pictured]))).toEqual([MEDIA]);
    expect(themeFile(filed([pictured]), pictures).name).toBe('night-sea.zip');
    // The same themes make the same bytes.
    expect(themeFile(filed([pictured]), pictures).content).toEqual(themeFile(filed([pictured]), pictures).content);
  });
  it('brings an older format up, and says where something is wrong', () => {
    const old = { ...themeWith({}), format: 'zest-theme/1', base: 'hairline' };
    const outcome = read(JSON.stringify(old));
    expect(outcome.ok && outcome.value.themes[0]?.theme.base).toEqual({ starter: 'hairline', version: 1 });
    expect(says(JSON.stringify({ ...themeWith({}), swatches: [{ name: 'Mist', colour: 'red' }] }), 'brand.json')).toMatch(
      /^refused: brand\.json: swatches\/0\/name .*lower-case letters/,
    );
    expect(says(JSON.stringify({ ...themeWith({}), base: { starter: 'gone', version: 1 } }))).toMatch(/There is no version 1 of gone/);
    expect(says(JSON.stringify({ ...themeWith({}), format: 'zest-theme/9' }))).toContain(`newer than ${THEME_FORMAT}`);
  });
  it('keeps apart what a newer format has and this one does not, and gives it back', () => {
    const newer = {
      ...themeWith({ 'body-rows': { rest: { ink: 'deep' } } }),
      format: 'zest-theme/9',
      sound: { hover: 'click' },
      swatches: [{ name: 'deep', colour: '#123c4d', note: 'of the brand' }],
      values: { 'body-rows': { rest: { ink: 'deep', glow: '3px' }, tapped: { ink: '#000000' } }, sidebar: { rest: { fill: 'deep' } } },
      widths: [{ name: 'phone', width: 400, values: { caption: { rest: { size: '14px', glow: '1px' } } }, angle: 3 }],
    };
    const outcome = read(JSON.stringify(newer));
    if (!outcome.ok) throw new Error(JSON.stringify(outcome.problems));
    const [{ theme } = { theme: themeWith({}) }] = outcome.value.themes;
    expect([theme.format, theme.values, theme.widths]).toEqual([
      THEME_FORMAT,
      { 'body-rows': { rest: { ink: 'deep' } } },
      [{ name: 'phone', width: 400, values: { caption: { rest: { size: '14px' } } } }],
    ]);
    expect(JSON.parse(String(themeFile(filed([theme]), new Map()).content))).toEqual(newer);
    // What is changed here holds; what was left out here is gone with what was said of it.
    const changed = { ...theme, name: 'Sea', swatches: [] };
    expect(JSON.parse(String(themeFile(filed([changed]), new Map()).content))).toEqual({ ...newer, name: 'Sea', swatches: [] });
    const hostile = JSON.stringify(newer).replace('"sound"', '"__proto__"').replace('"sidebar"', '"__proto__"');
    expect(says(hostile)).toMatch(/^read/);
    expect(({} as { hover?: string }).hover).toBeUndefined();
  });
  const grown = (name: string, base: string): FiledTheme => ({ id: `${name} id`, theme: themeWith({}, { name, base: { theme: `${base} id` } }) });
  const brand: FiledTheme = { id: 'Brand id', theme: themeWith({}, { name: 'Brand' }) };
  it('brings along what themes grow from, each under the name of its JSON', () => {
    const [winter, night] = [grown('Winter', 'Brand'), grown('Winter night', 'Winter')];
    const together = withBases([night], [brand, winter, night, grown('Other', 'Brand')]);
    expect(together.map(({ theme }) => theme.name)).toEqual(['Brand', 'Winter', 'Winter night']);
    const file = themeFile(together, new Map(), true);
    expect(file.name).toBe('winter-night.zip');
    const back = read(bytesOf(file.content));
    expect(back.ok && back.value.themes.map(({ id, theme }) => [id, theme.base])).toEqual([
      ['brand', starter('ground')],
      ['winter', { theme: 'brand' }],
      ['winter-night', { theme: 'winter' }],
    ]);
    // A whole library stands in any order.
    const all = read(bytesOf(themeFile([night, winter, brand], new Map()).content));
    expect(all.ok && all.value.themes.map(({ id }) => id)).toEqual(['brand', 'winter', 'winter-night']);
  });
  it('leaves out what grows from nothing that is there, and what grows from itself, and says so', () => {
    const zip = (...themes: readonly FiledTheme[]): Uint8Array => bytesOf(themeFile(themes, new Map(), false).content);
    expect(says(bytesOf(themeFile([grown('Winter', 'Brand')], new Map()).content), 'winter.json')).toMatch(
      /^refused: winter\.json: base “Winter” grows from “Brand id”, which is not in the file/,
    );
    expect(says(zip(brand, grown('Lost', 'Gone'), grown('Lower', 'Lost')), 'x.zip')).toMatch(
      /^read: themes\/lost\.json: base .*“Gone id”.* \| themes\/lower\.json: base “Lower” grows from “lost”/,
    );
    expect(says(zip(brand, grown('A', 'B'), grown('B', 'A'), grown('On A', 'A')), 'x.zip')).toMatch(
      /^read: themes\/a\.json: base A theme cannot grow from itself: “A”, from “B”, from “A”\. \| themes\/b\.json.* \| themes\/on-a\.json: base “On A” grows from “a”/,
    );
  });
  it('keeps what is right in a package of which a part is not', () => {
    const zip = zipSync({
      'themes/good.json': strToU8(JSON.stringify(themeWith({}, { name: 'Good' }))),
      'themes/cut.json': strToU8('{"format":'),
      'themes/odd.json': strToU8('[1, 2]'),
      '../../etc/passwd': strToU8('x'),
      'themes/../../up.json': strToU8(JSON.stringify(themeWith({}, { name: 'Up' }))),
    });
    const outcome = read(zip, 'some.zip');
    expect(outcome.ok && outcome.value.themes.map(({ theme }) => theme.name)).toEqual(['Good']);
    expect(says(zip, 'some.zip')).toMatch(/^read: themes\/cut\.json This is not JSON\. \| themes\/odd\.json/);
  });
  for (const [what, content, expected] of [
    ['nothing', '', /This is not JSON/],
    ['a list', '[]', /^refused/],
    ['null', 'null', /^refused/],
    ['a text that is no JSON', '<svg/>', /This is not JSON/],
    ['keys of prototypes', '{"format":"zest-theme/2","__proto__":{"name":"x"},"constructor":1}', /^refused/],
    [
      'values under keys of prototypes',
      JSON.stringify(themeWith({})).replace('"values":{}', '"values":{"__proto__":{"rest":{}},"constructor":{"rest":{"fill":"red"}}}'),
      /^refused/,
    ],
    ['values that are no texts', JSON.stringify(themeWith({ table: { rest: { fill: 3 as never } } })), /^refused/],
    ['lists in lists without end', '['.repeat(500_000), /^refused/],
    ['a theme that is too large', `"${'x'.repeat(THEME_MOST)}"`, /is 2 MB of JSON/],
    ['a package without themes', zipSync({ 'readme.txt': strToU8('x') }), /There is no theme in/],
    ['a package that is cut off', zipSync({ 'themes/a.json': strToU8('{}') }).subarray(0, 40), /^refused/],
  ] as const)
    it(`refuses ${what}`, () => expect(says(content)).toMatch(expected));
  it('refuses what is too heavy, and what comes to more when it is unpacked than it says or may', () => {
    expect(says(new Uint8Array(THEME_FILE_MOST + 1))).toMatch(/weighs 30 MB/);
    const blank = new Uint8Array(50_000_000);
    const bomb = zipSync({ 'themes/a.json': blank, 'themes/b.json': blank });
    expect(bomb.length).toBeLessThan(1_000_000);
    expect(says(bomb)).toMatch(/cannot be unpacked/);
  });
});
