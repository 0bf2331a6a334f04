import { themeWith } from '../tests/themes';
import type { Slot } from '../theme';
import { fontSize, resolve } from './index';

const even: Slot = { part: 'body-rows', conditions: ['even'] };

describe('Resolving a value', () => {
  const theme = themeWith({
    table: { rest: { ink: 'deep' } },
    'body-rows': { rest: { ink: '#111111' }, even: { ink: 'lamp' }, hovered: { ink: '#222222' } },
  });

  it('takes the strongest place and shows the whole chain', () => {
    const { text, from, chain } = resolve(theme, { part: 'body-rows', conditions: ['even', 'hovered'] }, 'ink');
    expect(text).toBe('#222222');
    expect(from.place).toEqual({ part: 'body-rows', condition: 'hovered' });
    expect(chain.map((link) => `${link.text} ${link.state}`)).toEqual([
      '#222222 holds',
      'lamp beaten',
      '#111111 beaten',
      'deep beaten',
      'page beaten',
    ]);
  });
  it('falls back to the part at rest, then the whole table', () => {
    expect(resolve(theme, { part: 'body-rows', conditions: ['odd'] }, 'ink').text).toBe('#111111');
    expect(resolve(theme, { part: 'footer', conditions: [] }, 'ink').text).toBe('deep');
  });
  it('falls back to the base theme at each place, and says so', () => {
    const grown = themeWith({ table: { rest: { ink: 'lamp' } } }, { base: 'nightfall' });
    const header = resolve(grown, { part: 'column-headers', conditions: [] }, 'ink');
    expect(header.text).toBe('snow');
    expect(header.from.source).toBe('base');
    expect(resolve(grown, { part: 'body-rows', conditions: [] }, 'ink').from.source).toBe('theme');
  });
  it('falls back to the initial value when nothing is said', () => {
    const { text, from } = resolve(themeWith({}), even, 'case');
    expect([text, from.source]).toEqual(['as typed', 'initial']);
  });
  it('passes over a value with a mistake in it and says what it is', () => {
    const broken = themeWith({ 'body-rows': { even: { ink: 'mits' }, rest: { ink: 'deep' } } });
    const { text, chain } = resolve(broken, even, 'ink');
    expect(text).toBe('deep');
    expect(chain[0]?.state).toBe('broken');
    expect(chain[0]?.say).toContain('mits');
  });
  it('gives row headers the row’s conditions before their own place at rest', () => {
    const rows = themeWith({ 'row-headers': { rest: { ink: 'deep' } }, 'body-rows': { even: { ink: 'lamp' }, selected: { ink: '#123456' } } });
    expect(resolve(rows, { part: 'row-headers', conditions: ['even'] }, 'ink').text).toBe('deep');
    expect(resolve(rows, { part: 'row-headers', conditions: ['even', 'selected'] }, 'ink').text).toBe('#123456');
  });
  it('measures sizes that depend on the page', () => {
    expect(fontSize(themeWith({ table: { rest: { size: '0.5em' } } }), even, { fontSize: 20, rootSize: 16 })).toBe(10);
    expect(fontSize(themeWith({ table: { rest: { size: '2rem' } } }), even)).toBe(32);
    expect(fontSize(themeWith({}), even)).toBe(16);
  });
});
