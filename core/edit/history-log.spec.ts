import { act, startHistory, takeIn, undo, type History } from './history';
import { MOST_KEPT, aroundStep, goTo, logOf, newestOf, revived } from './history-log';

interface Doc {
  readonly a?: number;
  readonly b?: number;
  readonly c?: number;
}
const done = (history: History<Doc>, label: string, change: Doc, time = 1000): History<Doc> =>
  act(history, { label, touches: '', time, make: (present) => ({ ...present, ...change }) });
const three = (): History<Doc> => done(done(done(startHistory<Doc>({}), 'set a', { a: 1 }), 'set b', { b: 2 }, 0), 'set c', { c: 3 });
const together = (base: Doc, mine: Doc, theirs: Doc): Doc => {
  const names = [...new Set([...Object.keys(mine), ...Object.keys(theirs)])] as (keyof Doc)[];
  const pick = (name: keyof Doc): number | undefined => (theirs[name] === base[name] ? mine[name] : theirs[name]);
  return Object.fromEntries(names.flatMap((name) => (pick(name) === undefined ? [] : [[name, pick(name)]])));
};

describe('The list of what was done', () => {
  it('has each step with when, the newest first, and what was undone before it', () => {
    const log = logOf(undo(three()));
    expect(log.map(({ label, is, count, time }) => [label, is, count, time])).toEqual([
      ['set c', 'undone', 3, 1000],
      ['set b', 'now', 2, undefined],
      ['set a', 'done', 1, 1000],
    ]);
    expect(log.slice(1).map(({ at }) => aroundStep(undo(three()), at ?? 0))).toEqual([
      [{ a: 1 }, { a: 1, b: 2 }],
      [{}, { a: 1 }],
    ]);
  });
  it('goes to any moment, and forward again', () => {
    const history = three();
    expect(goTo(history, 1).present).toEqual({ a: 1 });
    expect(goTo(history, 0).present).toEqual({});
    expect(goTo(goTo(history, 0), 3).present).toEqual({ a: 1, b: 2, c: 3 });
    expect(goTo(history, 3)).toBe(history);
    expect(goTo(history, 9).present).toEqual(history.present);
  });
  it('leaves what another window did since, and does not count it', () => {
    const mine = three();
    const theirs = { ...mine.present, b: 20 };
    const both = takeIn(mine, { base: mine.present, theirs, merged: theirs, together });
    expect(logOf(both).length).toBe(3);
    expect(goTo(both, 0, together).present).toEqual({ b: 20 });
    expect(goTo(goTo(both, 0, together), 3, together).present).toEqual({ a: 1, b: 20, c: 3 });
  });
  it('is laid by and comes back with the document, changed elsewhere since or not', () => {
    const kept = structuredClone(newestOf(three()));
    const same = revived(kept, { a: 1, b: 2, c: 3 }, together);
    expect(goTo(same, 1).present).toEqual({ a: 1 });
    const since = revived(kept, { a: 1, b: 2, c: 30 }, together);
    expect(goTo(since, 1, together).present).toEqual({ a: 1, c: 30 });
    let long = startHistory<Doc>({});
    for (let i = 1; i < 300; i++) long = done(long, `${i}`, { a: i });
    expect(newestOf(long).done.length).toBe(MOST_KEPT);
    expect(goTo(newestOf(long), 0).present).toEqual({ a: 299 - MOST_KEPT });
  });
});
