import { mergeThemes, setValue, takeTheirTheme } from '..';
import { themeWith } from '../../tests/themes';
import type { Theme } from '../../theme';

const at = (theme: Theme, condition: 'rest' | 'even' | 'hovered', property: 'fill' | 'ink', value: string | undefined): Theme =>
  setValue(theme, { part: 'body-rows', condition }, property, value);

describe('A theme that two windows changed', () => {
  const plain = themeWith({});
  const base = at(plain, 'even', 'fill', '#eee');

  it('loses the only value of a place to one side and has the other’s in the same place', () => {
    const { value, conflicts } = mergeThemes(base, at(base, 'even', 'fill', undefined), at(base, 'even', 'ink', '#222'));
    expect(conflicts).toEqual([]);
    expect(value.values['body-rows']).toEqual({ even: { ink: '#222' } });
  });

  it('has no place left where both took away what stood there', () => {
    const gone = at(base, 'even', 'fill', undefined);
    expect(mergeThemes(base, gone, gone).value).toEqual(plain);
    expect(mergeThemes(base, gone, base).value).toEqual(plain);
  });

  it('is asked about where one value was taken away here and set otherwise there', () => {
    const { value, conflicts } = mergeThemes(base, at(base, 'even', 'fill', undefined), at(base, 'even', 'fill', '#ddd'));
    expect(conflicts).toEqual([{ path: ['values', 'body-rows', 'even', 'fill'], mine: undefined, theirs: '#ddd' }]);
    expect(value).toEqual(plain);
    expect(conflicts.reduce((theme, conflict) => takeTheirTheme(theme, conflict), value)).toEqual(at(plain, 'even', 'fill', '#ddd'));
  });

  it('is merged in a width step as outside it', () => {
    const step = (values: Theme['values']): Theme => ({ ...plain, widths: [{ name: 'narrow', width: 480, values }] });
    const { value, conflicts } = mergeThemes(
      step({ 'body-rows': { even: { fill: '#eee' } } }),
      step({}),
      step({ 'body-rows': { even: { fill: '#eee' }, odd: { fill: '#fff' } } }),
    );
    expect([conflicts, value]).toEqual([[], step({ 'body-rows': { odd: { fill: '#fff' } } })]);
  });
  it('makes no third ground of two: what was given another one by one side has that, by both is asked about', () => {
    const from = (ground: Theme['base']): Theme => ({ ...base, base: ground });
    const [brand, later] = [from({ theme: 'brand' }), from({ starter: 'ground', version: 2 })];
    expect(mergeThemes(base, brand, base).value.base).toEqual({ theme: 'brand' });
    expect(mergeThemes(base, base, brand).value.base).toEqual({ theme: 'brand' });
    expect(mergeThemes(base, brand, brand).conflicts).toEqual([]);
    const { value, conflicts } = mergeThemes(base, brand, later);
    expect(value.base).toEqual({ theme: 'brand' });
    expect(conflicts).toEqual([{ path: ['base'], mine: brand.base, theirs: later.base }]);
    expect(conflicts[0] && takeTheirTheme(value, conflicts[0]).base).toEqual({ starter: 'ground', version: 2 });
  });
});
