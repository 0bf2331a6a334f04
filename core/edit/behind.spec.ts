import { resolve } from '../resolve';
import { starter, viewOf } from '../tests/themes';
import type { PropertyName, Theme } from '../theme';
import { staysBehind, takenAlong } from './behind';
import { setValue } from './edit-theme';

const grown: Theme = { format: 'zest-theme/2', name: 'Grown', base: starter('hairline'), swatches: [], values: {} };
const whole = (property: PropertyName, text: string, step?: string, theme = grown): Theme =>
  setValue(theme, { part: 'table', condition: 'rest', step }, property, text);
const parts = (theme: Theme, property: PropertyName, step = ''): readonly string[] =>
  staysBehind(viewOf(theme, step), property).map(({ label, text }) => `${label}: ${text}`);
const valueOf = (theme: Theme, part: 'column-headers' | 'footer' | 'body-rows', property: PropertyName, step = ''): string =>
  resolve(viewOf(theme, step), { part, conditions: [] }, property).text;

describe('Parts that stay behind the whole table', () => {
  it('are those of which a base says something nearer, and none where the theme says nothing', () => {
    expect(parts(grown, 'valign')).toEqual([]);
    expect(parts(whole('valign', 'top'), 'valign')).toEqual(['Column headers: bottom']);
    expect(parts(whole('weight', '300'), 'weight')).toContain('Column headers: 600');
    expect(parts(whole('valign', 'bottom'), 'valign')).toEqual([]);
  });
  it('are none that the theme itself has set, and none in what does not come to parts', () => {
    const own = setValue(whole('valign', 'top'), { part: 'column-headers', condition: 'rest' }, 'valign', 'middle');
    expect(parts(own, 'valign')).toEqual([]);
    expect(parts(whole('radius', '9px'), 'radius')).toEqual([]);
  });
  it('come along by one step, at every width or at the one that is looked at', () => {
    const made = takenAlong(viewOf(whole('valign', 'top')), 'valign');
    expect([valueOf(made, 'column-headers', 'valign'), valueOf(made, 'body-rows', 'valign')]).toEqual(['top', 'top']);
    expect(parts(made, 'valign')).toEqual([]);
    const narrow = whole('ink', 'soft', 'narrow');
    expect(parts(narrow, 'ink')).toEqual([]);
    const taken = takenAlong(viewOf(narrow, 'narrow'), 'ink');
    expect(valueOf(taken, 'footer', 'ink', 'narrow')).toBe('soft');
    expect(valueOf(taken, 'footer', 'ink')).toBe('ink');
    expect(takenAlong(viewOf(grown), 'ink')).toEqual(grown);
  });
});
