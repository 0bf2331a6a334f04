import { WHITE, contrast } from '../colour';
import { readability, slotsOf } from '../paint';
import { resolveAt } from '../resolve';
import { dice, randomTheme, starterNames } from '../tests/random';
import { themeWith, viewOf } from '../tests/themes';
import { conditionOf, partNames, partOf, starters, viewOfChanged, type ThemeView } from '../theme';
import { sprout } from '../edit';
import { saveInk } from './save-ink';

const printed = (view: ThemeView): ThemeView => viewOfChanged(view, saveInk(view)).in('print');

describe('Print that saves ink', () => {
  const holds = (name: string, view: ThemeView): void => {
    const print = printed(view);
    const opacity = Number(resolveAt(print, { part: 'table', condition: 'rest' }, 'opacity').css);
    for (const part of partNames) {
      const { box } = partOf(part);
      // Nothing is chosen on paper.
      if (box === 'lines' || box === 'around' || box === 'table' || part === 'period-switch') continue;
      for (const slot of slotsOf(print, part)) {
        if (slot.conditions.some((each) => conditionOf(each).tier === 'hand')) continue;
        const { ground, ratio } = readability(print, slot);
        expect(contrast(ground, WHITE)).withContext(`${name}: ${part}`).toBeLessThan(1.001);
        if (opacity === 1) expect(ratio).withContext(`${name}: ${part}`).toBeGreaterThanOrEqual(4.5);
      }
    }
  };
  for (const { key, version } of starters)
    it(`has dark texts on white paper: ${key}`, () => holds(key, viewOf(sprout('T', { starter: key, version }))));
  it('has so for random themes', () => {
    for (let seed = 0; seed < 60; seed++) holds(`seed ${seed}`, viewOf(randomTheme(dice(seed), starterNames)));
  });
  it('has lines in place of the fills that told rows, header and footer apart, and leaves the rest as it was', () => {
    const theme = themeWith({
      table: { rest: { fill: '#ffffff', ink: '#111111' } },
      'column-headers': { rest: { fill: '#223344', ink: '#ffffff' } },
      'body-rows': { even: { fill: '#eeeeee' }, hovered: { fill: '#ffeecc' } },
      lines: { rest: { columns: '2px dotted #fafafa' } },
    });
    const print = printed(viewOf(theme));
    const line = (name: 'rows' | 'under-header' | 'above-footer' | 'columns'): string =>
      resolveAt(print, { part: 'lines', condition: 'rest' }, name).css;
    expect([line('rows'), line('under-header')]).toEqual(['1px solid #a6a6a6', '1px solid #6b6b6b']);
    expect(line('columns')).toMatch(/^2px dotted #[a-d]/);
    expect(resolveAt(print, { part: 'body-rows', condition: 'hovered' }, 'fill').css).toBe('#ffeecc');
    const { modes, ...rest } = saveInk(viewOf(theme));
    expect(rest as unknown).toEqual(theme);
    expect(modes?.map(({ name }) => name)).toEqual(['print']);
    const again = viewOfChanged(viewOf(theme), saveInk(viewOf(theme)));
    expect(saveInk(again)).toEqual(again.theme);
  });
});
