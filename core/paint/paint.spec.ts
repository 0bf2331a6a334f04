import { toHex } from '../colour';
import { themeWith, viewOf } from '../tests/themes';
import { partNames, propertyOf, starters, type Slot } from '../theme';
import { fillLayers, layerOf, paintedFill, readability, readabilityTogether } from './index';

const even: Slot = { part: 'body-rows', conditions: ['even'] };

describe('What is painted behind a text', () => {
  const theme = themeWith({
    table: { rest: { fill: '#ffffff' } },
    'body-rows': { even: { fill: '#0000ff' }, selected: { fill: '#ff0000 20%' } },
    'row-headers': { rest: { fill: '#00ff00 20%' } },
  });
  it('lays a selected row’s fill over its band', () =>
    expect(toHex(paintedFill(viewOf(theme), { part: 'body-rows', conditions: ['even', 'selected'] }))).toBe('#3300cc'));
  it('lays a row header’s own fill between the row and the selection', () => {
    expect(toHex(paintedFill(viewOf(theme), { part: 'row-headers', conditions: ['even'] }))).toBe('#0033cc');
    expect(toHex(paintedFill(viewOf(theme), { part: 'row-headers', conditions: ['even', 'selected'] }))).toBe('#3329a3');
  });
  it('shows the page where nothing is filled', () => expect(toHex(paintedFill(viewOf(themeWith({})), even))).toBe('#ffffff'));
  it('keeps the caption off the table’s fill', () => expect(fillLayers(viewOf(theme), { part: 'caption', conditions: [] }).table.alpha).toBe(0));
  it('knows how well a text reads there', () => {
    const hard = themeWith({ table: { rest: { ink: '#777777', fill: '#888888' } } });
    expect(readability(viewOf(hard), even)).toEqual(jasmine.objectContaining({ needed: 4.5, passes: false }));
    const large = themeWith({ table: { rest: { ink: '#777777', size: '30px', weight: '700' } } });
    expect(readability(viewOf(large), even)).toEqual(jasmine.objectContaining({ needed: 3, passes: true }));
  });
  it('knows which box paints what', () => {
    expect(layerOf({ part: 'table', condition: 'rest' })).toBe('table');
    expect(layerOf({ part: 'footer', condition: 'last' })).toBe('row');
    expect(layerOf({ part: 'row-headers', condition: 'odd' })).toBe('cell');
    expect(layerOf({ part: 'row-headers', condition: 'hovered' })).toBe('over');
  });
  it('measures ink that is translucent on what lies behind it', () => {
    const faint = readability(viewOf(themeWith({ table: { rest: { ink: '#000000 40%', fill: '#ffffff' } } })), even);
    expect(faint.passes).toBeFalse();
    expect(toHex(faint.ink)).toBe('#999999');
  });
  it('takes the page’s ink and fill where the theme says nothing', () => {
    const dark = { fill: { r: 0, g: 0, b: 0, alpha: 1 }, ink: { r: 1, g: 1, b: 1, alpha: 1 } };
    expect(readability(viewOf(themeWith({})), even, dark).ratio).toBeCloseTo(21, 5);
  });
});

describe('Every starter', () => {
  for (const { key, theme } of starters) {
    it(`${key} can be read under every condition together`, () => {
      for (const part of partNames.filter((name) => name !== 'lines')) {
        const [worst] = readabilityTogether(viewOf(theme), part, 'rest');
        expect(worst?.passes)
          .withContext(`${part} ${worst?.slot.conditions.join(' ') ?? ''} ${worst?.ratio.toFixed(2) ?? ''}`)
          .toBeTrue();
      }
    });
  }
});

describe('Colours that go over into one another', () => {
  const header: Slot = { part: 'column-headers', conditions: [] };
  const read = (picture: string, ink: string): ReturnType<typeof readability> =>
    readability(viewOf(themeWith({ 'column-headers': { rest: { fill: '#123c4d', picture, ink } } })), header);
  it('are measured at their worst place, of which the ends are two', () => {
    const { ratio, picture, ground } = read('#123c4d to #ffffff', '#ffffff');
    expect(picture).toBeFalse();
    expect(ratio).toBeCloseTo(1, 1);
    expect(toHex(ground)).toBe('#ffffff');
    expect(read('#000000 to #222222 across', '#ffffff').ratio).toBeGreaterThan(15);
    // Half way, where neither end is as bad.
    expect(read('#000000 to #ffffff', '#808080').ratio).toBeLessThan(1.1);
  });
  it('show the fill below where they are translucent; of a drawn picture nothing is known', () => {
    expect(toHex(read('#ffffff 0% to #ffffff 0%', '#ffffff').ground)).toBe('#123c4d');
    expect(read('waves', '#ffffff').picture).toBeTrue();
  });
  it('are behind links in their cell, and refused with what is wrong', () => {
    const view = viewOf(themeWith({ table: { rest: { picture: '#000000 to #111111' } }, links: { rest: { ink: '#222222' } } }));
    expect(readability(view, { part: 'links', conditions: [] }).passes).toBeFalse();
    const wrong = view.read(propertyOf('picture'), 'nowhere to #ffffff');
    expect(!wrong.ok && wrong.problems[0]?.say).toContain('no swatch or colour');
    expect(view.read(propertyOf('picture'), '#fff to #000 to #fff to #000 to #fff to #000 to #fff').ok).toBeFalse();
    const read = view.read(propertyOf('picture'), '#123c4d to #1d6b8f 50% across');
    expect(read.ok && read.value.css).toBe('linear-gradient(90deg,#123c4d,#1d6b8f80)');
  });
});
