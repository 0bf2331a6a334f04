import { starter, themeWith, viewOf } from '../tests/themes';
import { ownText, viewOfChain, type Theme, type ThemeView } from '../theme';
import { crossed, type Across } from './index';

const base = themeWith(
  { table: { rest: { font: 'oldstyle' } }, 'body-rows': { rest: { ink: 'deep' } } },
  { name: 'Brand', base: starter('hairline'), widths: [{ name: 'phone', width: 400, values: { caption: { rest: { font: 'oldstyle' } } } }] },
);
const grown = themeWith({ caption: { rest: { font: 'oldstyle' } } }, { name: 'Winter', base: { theme: 'brand' }, swatches: [] });
const view = (theme: Theme, ...below: readonly Theme[]): ThemeView => viewOfChain([theme, ...below, ...viewOf(base).chain.slice(1)]);
const none = (): boolean => false;

describe('A change across several themes', () => {
  it('gives a swatch another colour where it is, and says where it is not, or comes along', () => {
    const change: Across = { is: 'swatch', name: 'deep', colour: '#111111' };
    expect(crossed(viewOf(base), change, none).theme.swatches.find(({ name }) => name === 'deep')?.colour).toBe('#111111');
    // From one that is not changed, it becomes its own.
    expect(crossed(view(grown, base), change, none).theme.swatches).toEqual([{ name: 'deep', colour: '#111111' }]);
    const along = crossed(view(grown, base), change, (theme) => theme === base || theme === grown);
    expect([along.theme === grown, along.say]).toEqual([true, 'It has “deep” from Brand, and follows it.']);
    expect(crossed(viewOf(base), { ...change, name: 'sea' }, none).say).toBe('It has no swatch “sea”.');
    expect(crossed(viewOf(base), { ...change, colour: '#123c4d' }, none).say).toBe('It is so already.');
  });

  it('puts a font in place of another wherever that stands, at width steps too', () => {
    const change: Across = { is: 'font', from: 'oldstyle', to: 'humanist' };
    const { theme } = crossed(viewOf(base), change, none);
    expect([theme.values.table?.rest?.font, theme.widths?.[0]?.values.caption?.rest?.font]).toEqual(['humanist', 'humanist']);
    const own = crossed(view(grown, base), change, (each) => each === base).theme;
    expect([ownText(own, { part: 'caption', condition: 'rest' }, 'font'), ownText(own, { part: 'table', condition: 'rest' }, 'font')]).toEqual([
      'humanist',
      undefined,
    ]);
    expect(crossed(viewOf(base), { ...change, from: 'monospace' }, none).say).toBe('It has nothing in monospace.');
  });

  it('sets a value, and says why where it cannot be read', () => {
    const place = { part: 'body-rows', condition: 'hovered' } as const;
    const change = (text: string): Across => ({ is: 'value', place, property: 'fill', text });
    expect(ownText(crossed(viewOf(base), change('lamp 20%'), none).theme, place, 'fill')).toBe('lamp 20%');
    const { theme, say } = crossed(viewOf(base), change('see'), none);
    expect([theme === base, say]).toEqual([true, jasmine.stringMatching(/There is no swatch or colour “see”/)]);
  });
});
