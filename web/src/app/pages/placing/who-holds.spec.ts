import { setValue } from '../../../../../core/edit';
import { starter, viewOf } from '../../../../../core/tests/themes';
import type { Theme } from '../../../../../core/theme';
import { placeHolds, widthHolds } from './who-holds';

describe('Who says how a placement stands', () => {
  const plain: Theme = { format: 'zest-theme/2', name: 'T', base: starter('hairline'), swatches: [], values: {} };
  const table = { part: 'table', condition: 'rest' } as const;
  it('is said of its width where there are two, and not where there are none', () => {
    const view = viewOf(setValue(plain, table, 'width', '480px'));
    expect(widthHolds({ width: 'fill' }, view)).toBe('Its theme asks for 480px; fill holds here. Write content to leave it to the theme.');
    expect(widthHolds({ width: 'content' }, view)).toBe('As wide as its theme has it: 480px.');
    expect([widthHolds({ width: 'fill' }, undefined), widthHolds({ width: 'fill' }, viewOf(plain))]).toEqual(['', '']);
  });
  it('is said of where it sits', () => {
    const view = viewOf(setValue(plain, table, 'sits', 'center'));
    expect(placeHolds({ align: 'end', width: 'content' }, view)).toContain('Its theme has it in the center; at the end holds here.');
    expect(placeHolds({ align: 'theme', width: 'content' }, view)).toBe('Its theme has it in the center.');
    expect(placeHolds({ align: 'theme', width: '32rem' }, viewOf(plain))).toBe('Its theme has it at the start.');
    expect(placeHolds({ align: 'end', width: 'content' }, viewOf(plain))).toBe('');
    expect(placeHolds({ align: 'start', width: 'fill' }, view)).toContain('fills its column');
  });
});
