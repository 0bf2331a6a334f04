import { themeWith, viewOf, starter } from '../tests/themes';
import { dice, randomTable, randomTheme, withExceptions } from '../tests/random';
import { gridOf, slotOf } from '../table';
import { conditionOf, propertiesOf, type Place, type Slot } from '../theme';
import { fontSize, resolve, winnerAt, type Link } from './index';

/** A place without the step, which a winner does not tell. */
const place = ({ part, condition }: Place): string => `${part} ${condition}`;
/** Where a link stands in the order of strength. */
function rankOf({ source, place: at, excepted }: Link): number {
  if (excepted) return excepted.always ? 0 : 2;
  if (source === 'initial' || !at) return 4;
  return conditionOf(at.condition).tier === 'hand' ? 1 : 3;
}

const even: Slot = { part: 'body-rows', conditions: ['even'] };

describe('Resolving a value', () => {
  const theme = themeWith({
    table: { rest: { ink: 'deep' } },
    'body-rows': { rest: { ink: '#111111' }, even: { ink: 'lamp' }, hovered: { ink: '#222222' } },
  });

  it('takes the strongest place and shows the whole chain', () => {
    const { text, from, chain } = resolve(viewOf(theme), { part: 'body-rows', conditions: ['even', 'hovered'] }, 'ink');
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
    expect(resolve(viewOf(theme), { part: 'body-rows', conditions: ['odd'] }, 'ink').text).toBe('#111111');
    expect(resolve(viewOf(theme), { part: 'footer', conditions: [] }, 'ink').text).toBe('deep');
  });
  it('falls back to the base theme at each place, and says so', () => {
    const grown = themeWith({ table: { rest: { ink: 'lamp' } } }, { base: starter('nightfall') });
    const header = resolve(viewOf(grown), { part: 'column-headers', conditions: [] }, 'ink');
    expect(header.text).toBe('snow');
    expect(header.from.source).toBe('base');
    expect(resolve(viewOf(grown), { part: 'body-rows', conditions: [] }, 'ink').from.source).toBe('theme');
  });
  it('falls back to the initial value when nothing is said', () => {
    const { text, from } = resolve(viewOf(themeWith({})), even, 'case');
    expect([text, from.source]).toEqual(['as typed', 'initial']);
  });
  it('passes over a value with a mistake in it and says what it is', () => {
    const broken = themeWith({ 'body-rows': { even: { ink: 'mits' }, rest: { ink: 'deep' } } });
    const { text, chain } = resolve(viewOf(broken), even, 'ink');
    expect(text).toBe('deep');
    expect(chain[0]?.state).toBe('broken');
    expect(chain[0]?.say).toContain('mits');
  });
  it('gives row headers the row’s conditions before their own place at rest', () => {
    const rows = themeWith({ 'row-headers': { rest: { ink: 'deep' } }, 'body-rows': { even: { ink: 'lamp' }, selected: { ink: '#123456' } } });
    expect(resolve(viewOf(rows), { part: 'row-headers', conditions: ['even'] }, 'ink').text).toBe('deep');
    expect(resolve(viewOf(rows), { part: 'row-headers', conditions: ['even', 'selected'] }, 'ink').text).toBe('#123456');
  });
  it('is the same with and without the chain kept, whatever a table has beside its theme', () => {
    for (let seed = 0; seed < 25; seed++) {
      const d = dice(seed);
      const view = viewOf(randomTheme(d));
      const table = withExceptions(d, randomTable(d));
      for (const cell of gridOf(table).rows.flat()) {
        const slot = slotOf(
          table,
          cell,
          (['hovered', 'selected', 'sorted'] as const).filter(() => d.chance(0.4)),
        );
        for (const { name } of propertiesOf(slot.part)) {
          const { value, from, chain } = resolve(view, slot, name);
          const winner = winnerAt(view, slot, name);
          expect([winner.value, winner.place && place(winner.place), winner.excepted])
            .withContext(`seed ${seed}, ${slot.part} ${name}`)
            .toEqual([value, from.place && place(from.place), from.excepted]);
          // What holds always comes before the hand, everything else beside the theme after it.
          const ranks = chain.map((link) => rankOf(link));
          expect(ranks).toEqual([...ranks].sort((a, b) => a - b));
        }
      }
    }
  });
  it('measures rem by the root, and em by what is around', () => {
    const page = { fontSize: 20, rootSize: 10 };
    expect(fontSize(viewOf(themeWith({ table: { rest: { size: '2rem' } } })), even, page)).toBe(20);
    expect(fontSize(viewOf(themeWith({ table: { rest: { size: '2em' } } })), even, page)).toBe(40);
  });
  it('measures sizes that depend on the page', () => {
    expect(fontSize(viewOf(themeWith({ table: { rest: { size: '0.5em' } } })), even, { fontSize: 20, rootSize: 16 })).toBe(10);
    expect(fontSize(viewOf(themeWith({ table: { rest: { size: '2rem' } } })), even)).toBe(32);
    expect(fontSize(viewOf(themeWith({})), even)).toBe(16);
  });
});
