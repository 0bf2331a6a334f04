import { themeWith, viewOf, starter } from '../tests/themes';
import { dice, type Dice } from '../tests/random';
import {
  JOIN_MS,
  act,
  deleteSwatch,
  isBaseSwatch,
  placeInWords,
  redo,
  redoLabel,
  renameSwatch,
  same,
  setSwatch,
  setValue,
  startHistory,
  takeTheirs,
  threeWayMerge,
  undo,
  undoLabel,
  type History,
} from './index';

interface Note {
  readonly name: string;
  readonly count: number;
  readonly tags: readonly string[];
}
const start = startHistory<Note>({ name: 'a', count: 0, tags: [] });
const step = (history: History<Note>, fields: Partial<Note>, touches: string, time: number): History<Note> =>
  act(history, { label: `set ${touches}`, touches, time, make: (note) => ({ ...note, ...fields }) });

describe('History', () => {
  it('undoes and does again, to the same document', () => {
    const one = step(start, { count: 1 }, 'count', 0);
    const two = step(one, { tags: ['x'] }, 'tags', 0);
    expect(undo(undo(two)).present).toEqual(start.present);
    expect(redo(redo(undo(undo(two)))).present).toEqual(two.present);
    expect([undoLabel(two), redoLabel(undo(two))]).toEqual(['set tags', 'set tags']);
  });
  it('joins quick steps on one thing, and no others', () => {
    const quick = step(step(start, { count: 1 }, 'count', 0), { count: 2 }, 'count', JOIN_MS - 1);
    expect(quick.done.length).toBe(1);
    expect(undo(quick).present.count).toBe(0);
    expect(step(quick, { count: 3 }, 'count', 3 * JOIN_MS).done.length).toBe(2);
    expect(step(quick, { name: 'b' }, 'name', JOIN_MS).done.length).toBe(2);
  });
  it('joins nothing to a step that was undone and done again', () => {
    const again = redo(undo(step(start, { count: 1 }, 'count', 5000)));
    expect(step(again, { count: 2 }, 'count', 5001).done.length).toBe(2);
  });
  it('joins no steps that touch nothing in particular', () =>
    expect(step(step(start, { count: 1 }, '', 0), { count: 2 }, '', 1).done.length).toBe(2));
  it('forgets what was undone when something new is done', () =>
    expect(step(undo(step(start, { count: 1 }, 'count', 0)), { name: 'b' }, 'name', 0).undone).toEqual([]));
  it('takes no step for a change that changes nothing', () => {
    expect(act(start, { label: 'x', touches: 'x', time: 0, make: (note) => note })).toBe(start);
    expect(step(start, { count: 0 }, 'count', 0)).toBe(start);
  });
  it('has nothing to undo at first', () => expect([undo(start), redo(start)]).toEqual([start, start]));
  it('goes back to the very start of 200 random steps', () => {
    const d = dice(3);
    let history = start;
    for (let i = 0; i < 200; i++)
      history = step(history, d.pick<Partial<Note>>([{ count: i }, { name: `n${i}` }, { tags: [`t${i}`, 'x'] }]), `t${i}`, i * 10_000);
    while (history.done.length > 0) history = undo(history);
    expect(history.present).toEqual(start.present);
  });
});

describe('Editing a theme', () => {
  const place = { part: 'body-rows', condition: 'even' } as const;
  const theme = themeWith({ 'body-rows': { even: { fill: 'mist', ink: 'deep 50%' } }, lines: { rest: { rows: '1px solid mist' } } });
  it('sets a value and lets it fall back again, leaving nothing empty behind', () => {
    const bare = themeWith({});
    const set = setValue(bare, place, 'fill', 'mist');
    expect(set.values).toEqual({ 'body-rows': { even: { fill: 'mist' } } });
    expect(setValue(set, place, 'fill', undefined).values).toEqual({});
    expect(setValue(set, place, 'fill', 'mist')).toBe(set);
  });
  it('renames a swatch everywhere it is meant, and nowhere else', () => {
    const renamed = renameSwatch(renameSwatch(theme, 'mist', 'fog'), 'deep', 'night');
    expect(renamed.values).toEqual({ 'body-rows': { even: { fill: 'fog', ink: 'night 50%' } }, lines: { rest: { rows: '1px solid fog' } } });
    expect(renamed.swatches.map(({ name }) => name)).toEqual(['fog', 'night', 'lamp']);
    const words = themeWith({
      price: { rest: { ink: 'ink for ink' } },
      period: { rest: { ink: 'reads that reads' } },
      badge: { rest: { ink: 'ink for for' } },
    });
    const inks = ['ink', 'reads', 'for'].reduce((each, name) => renameSwatch(each, name, `${name}-2`), words);
    expect([inks.values.price?.rest?.ink, inks.values.period?.rest?.ink, inks.values.badge?.rest?.ink]).toEqual([
      'ink for ink-2',
      'reads-2 that reads',
      'ink for for-2',
    ]);
    expect(renameSwatch(themeWith({ table: { rest: { fill: 'mist-2' } } }), 'mist', 'fog').values.table?.rest?.fill).toBe('mist-2');
  });
  it('adds, changes and takes away swatches', () => {
    const more = setSwatch(setSwatch(theme, { name: 'new', colour: '#fff' }), { name: 'mist', colour: '#000' });
    expect(more.swatches.map(({ name, colour }) => `${name} ${colour}`)).toEqual(['mist #000', 'deep #123c4d', 'lamp #e2590a', 'new #fff']);
    expect(deleteSwatch(more, 'mist').swatches.length).toBe(3);
    expect(isBaseSwatch(viewOf(themeWith({}, { base: starter('nightfall') })), 'mist')).toBeTrue();
  });
  it('says places in words', () =>
    expect([placeInWords(place, 'fill'), placeInWords({ part: 'caption', condition: 'rest' })]).toEqual(['Body rows, even: fill', 'Caption']));
});

describe('Three-way merge', () => {
  const base = {
    name: 'a',
    values: { one: { fill: 'x' }, two: { fill: 'y' } },
    swatches: [{ name: 'mist', colour: '1' }],
    rows: [
      ['a', 'b'],
      ['c', 'd'],
    ],
  };
  it('keeps changes of both where they touch different places', () => {
    const mine = {
      ...base,
      name: 'mine',
      rows: [
        ['A', 'b'],
        ['c', 'd'],
      ],
    };
    const theirs = {
      ...base,
      values: { one: { fill: 'z' }, two: { fill: 'y' } },
      rows: [
        ['a', 'b'],
        ['c', 'D'],
      ],
      swatches: [...base.swatches, { name: 'deep', colour: '2' }],
    };
    const { value, conflicts } = threeWayMerge(base, mine, theirs);
    expect(conflicts).toEqual([]);
    expect(value).toEqual({
      name: 'mine',
      values: theirs.values,
      swatches: theirs.swatches,
      rows: [
        ['A', 'b'],
        ['c', 'D'],
      ],
    });
  });
  it('reports one place changed in two ways, and can take the other side', () => {
    const mine = { ...base, values: { ...base.values, one: { fill: 'mine' } } };
    const theirs = { ...base, values: { ...base.values, one: { fill: 'theirs' } } };
    const { value, conflicts } = threeWayMerge(base, mine, theirs);
    expect(value).toEqual(mine);
    expect(conflicts).toEqual([{ path: ['values', 'one', 'fill'], mine: 'mine', theirs: 'theirs' }]);
    expect(conflicts.reduce(takeTheirs, value)).toEqual(theirs);
  });
  it('sees the same change on both sides as no conflict', () =>
    expect(threeWayMerge(base, { ...base, name: 'b' }, { ...base, name: 'b' }).conflicts).toEqual([]));
  it('takes deletions, and reports one against a change', () => {
    const gone = { ...base, swatches: [] as typeof base.swatches };
    expect(threeWayMerge(base, gone, base).value.swatches).toEqual([]);
    const theirs = { ...base, values: { one: { fill: 'new' }, two: { fill: 'y' } } };
    const mine = { ...base, values: { two: { fill: 'y' } } as typeof base.values };
    const { conflicts } = threeWayMerge(base, mine, theirs);
    expect(conflicts.length).toBe(1);
    expect(conflicts.reduce(takeTheirs, mine)).toEqual(theirs);
  });
  it('reports rows that both added, since nobody can tell where they belong', () => {
    const { conflicts } = threeWayMerge(base, { ...base, rows: [...base.rows, ['e', 'f']] }, { ...base, rows: [['x', 'y'], ...base.rows] });
    expect(conflicts.map(({ path }) => path)).toEqual([['rows']]);
  });
  it('takes one side as it is when only that one changed, for 200 random documents', () => {
    const random = (d: Dice): typeof base => ({
      name: d.pick(['a', 'b']),
      values: { one: { fill: d.pick(['x', 'p']) }, two: { fill: d.pick(['y', 'q']) } },
      swatches: d.pick([base.swatches, [{ name: 'deep', colour: '9' }]]),
      rows: base.rows,
    });
    for (let seed = 0; seed < 200; seed++) {
      const other = random(dice(seed));
      expect(threeWayMerge(base, base, other).value).toEqual(other);
      expect(threeWayMerge(base, other, base).value).toEqual(other);
    }
  });
  it('compares by content', () =>
    expect([same({ a: [1] }, { a: [1] }), same({ a: 1 }, { a: 1, b: 2 }), same([1], [2]), same(null, {})]).toEqual([true, false, false, false]));
});
