import { viewOf, starter } from '../../../tests/themes';
import { setValue } from '../../../edit';
import type { PropertyName, Theme } from '../../../theme';
import { byWidth, themeCss, writeCss } from '../../index';

const plain: Theme = { format: 'zest-theme/2', name: 'T', base: starter('hairline'), swatches: [], values: {} };
const at = (theme: Theme, step: string, property: PropertyName, text: string): Theme =>
  setValue(theme, { part: 'body-rows', condition: 'rest', step }, property, text);
const css = (theme: Theme): string =>
  writeCss(
    byWidth(viewOf(theme), (each) => themeCss(each, { key: 't' })),
    'compact',
  );
const ranges = (text: string): readonly string[] => Array.from(text.matchAll(/@container zp \(([^)]+)\)/g), ([, range]) => range ?? '');

describe('A stylesheet by width', () => {
  it('is the plain one where nothing differs', () => {
    expect(css({ ...plain, widths: [{ name: 'narrow', width: 480, values: {} }] })).toBe(css(plain));
    // What is said again at a step is no difference.
    const said = setValue(plain, { part: 'body-rows', condition: 'rest' }, 'weight', '500');
    expect(css(at(said, 'narrow', 'weight', '500'))).toBe(css(said));
  });

  it('says what differs once for each stretch of widths in which it is the same', () => {
    expect(ranges(css(at(plain, 'narrow', 'weight', '700')))).toEqual(['width>480px', 'width<=480px']);
    expect(ranges(css(at(plain, 'medium', 'weight', '700')))).toEqual(['width>720px', 'width<=720px']);
    const both = at(at(plain, 'medium', 'weight', '700'), 'narrow', 'weight', '800');
    expect(ranges(css(both))).toEqual(['width>720px', '480px<width<=720px', 'width<=480px']);
  });

  it('repeats only the properties that differ', () => {
    const blocks = css(at(plain, 'narrow', 'ink', '#123456'))
      .split('@container')
      .slice(1)
      .join('');
    expect(blocks).toContain('#123456');
    expect(blocks).not.toContain('padding');
    expect(blocks).not.toContain('border');
  });

  it('keeps what the pointer brings in its own query, within the width', () => {
    const theme = setValue(plain, { part: 'body-rows', condition: 'hovered', step: 'narrow' }, 'ink', '#00ff00');
    expect(css(theme)).toMatch(/@container zp \(width<=480px\)\{.*@media \(hover:hover\)\{[^}]*#00ff00/);
  });
});
