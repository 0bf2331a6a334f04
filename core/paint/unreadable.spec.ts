import { setValue } from '../edit';
import { ORDINARY_BAND, tableOf, type Exception } from '../table';
import { starter, viewOf } from '../tests/themes';
import { starterNames } from '../tests/random';
import type { Theme } from '../theme';
import { readability, unreadableInks, unreadableLooks } from './index';

const grown = (base: string): Theme => ({ format: 'zest-theme/2', name: base, base: starter(base), swatches: [], values: {} });

describe('Inks that cannot be read', () => {
  it('are none in what ships', () => {
    for (const base of starterNames)
      expect(unreadableInks(viewOf(grown(base))))
        .withContext(base)
        .toEqual([]);
  });
  it('are found by where they are set, also where a change elsewhere spoilt them, and the ink that is offered mends all of it', () => {
    const dark = setValue(grown('nightfall'), { part: 'body-rows', condition: 'even' }, 'fill', '#102030');
    const found = unreadableInks(viewOf(dark));
    expect(found.length).toBeGreaterThan(0);
    const footer = setValue(grown('nightfall'), { part: 'footer', condition: 'rest' }, 'ink', '#d0d8e0');
    const [first, ...more] = unreadableInks(viewOf(setValue(footer, { part: 'footer', condition: 'rest' }, 'fill', '#ffffff')));
    expect([first?.place, more.length]).toEqual([{ part: 'footer', condition: 'rest' }, 0]);
    expect(first?.worst.ratio).toBeLessThan(2);
    const mended = setValue(
      viewOf(setValue(footer, { part: 'footer', condition: 'rest' }, 'fill', '#ffffff')).theme,
      { part: 'footer', condition: 'rest' },
      'ink',
      first?.ink ?? '',
    );
    expect(unreadableInks(viewOf(mended))).toEqual([]);
  });
});

describe('Looks beside the theme that cannot be read', () => {
  const look = (row: number | null, column: number | null, values: Exception['values']): Exception => ({
    row,
    column,
    reach: '',
    dressing: '',
    values,
  });
  const rows = [
    ['Boat', 'Fare'],
    ['Moth', '8'],
    ['Wick', '9'],
    ['', ''],
  ];
  const view = viewOf(grown('hairline'));
  const of = (...exceptions: readonly Exception[]) => unreadableLooks(view, tableOf('x', rows, { exceptions }), ORDINARY_BAND);
  it('are those by whose ink or fill it is so: of columns, rows and cells', () => {
    expect(of(look(null, 1, { ink: '#eeeeee' })).map(({ exception }) => exception.column)).toEqual([1]);
    expect(of(look(2, null, { fill: '#222222' })).map(({ exception }) => exception.row)).toEqual([2]);
    expect(of(look(1, 0, { ink: '#dddddd' }), look(1, 1, { ink: '#000000' })).length).toBe(1);
    expect(of(look(null, 1, { weight: '700' }))).toEqual([]);
    // Where nothing is written, nothing is to be read.
    expect(of(look(3, 0, { ink: '#eeeeee' }))).toEqual([]);
  });
  it('are mended by the ink that is offered, under the hand as well', () => {
    const [found] = of(look(1, 0, { ink: '#cccccc' }));
    expect(found?.worst.passes).toBeFalse();
    expect(of(look(1, 0, { ink: found?.ink ?? '' }))).toEqual([]);
    expect(readability(view, { part: 'body-rows', conditions: [] }).passes).toBeTrue();
  });
});
