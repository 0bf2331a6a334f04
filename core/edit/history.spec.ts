import { act, momentsOf, redo, redoLabel, startHistory, takeIn, takeTheirs, threeWayMerge, undo, undoLabel, type History } from '.';
import { dice } from '../tests/random';

type Doc = Readonly<Record<string, string>>;
type H = History<Doc>;

const together = (base: Doc, mine: Doc, theirs: Doc): Doc => {
  const { value, conflicts } = threeWayMerge(base, mine, theirs);
  return conflicts.reduce((document, conflict) => takeTheirs(document, conflict), value);
};
const set = (history: H, key: string, value: string): H =>
  act(history, { label: `set ${key}`, touches: '', time: 0, make: (doc) => ({ ...doc, [key]: value }) });
/** What another window has done since the state that both know. */
const elsewhere = (history: H, base: Doc, theirs: Doc): H =>
  takeIn(history, { base, theirs, merged: threeWayMerge(base, history.present, theirs).value, together });

describe('A history into which another window’s work comes', () => {
  const start = startHistory<Doc>({ a: '0', b: '0' });

  it('takes back its own steps, kept ones too, and never what came from there', () => {
    const kept = set(start, 'a', '1');
    const taken = elsewhere(kept, kept.present, { ...kept.present, b: 'theirs' });
    expect(taken.present).toEqual({ a: '1', b: 'theirs' });
    expect(undoLabel(taken)).toBe('set a');
    const undone = undo(taken, together);
    expect(undone.present).toEqual({ a: '0', b: 'theirs' });
    expect([undoLabel(undone), redoLabel(undone)]).toEqual([undefined, 'set a']);
    expect(redo(undone, together).present).toEqual({ a: '1', b: 'theirs' });
  });

  it('has nothing to take back where only another window did something', () => {
    const taken = elsewhere(start, start.present, { ...start.present, b: 'theirs' });
    expect(undoLabel(taken)).toBeUndefined();
    expect(undo(taken, together)).toBe(taken);
    expect(momentsOf(taken)).toEqual([]);
  });

  it('leaves a value that the other changed after it', () => {
    const kept = set(start, 'a', '1');
    const taken = elsewhere(kept, kept.present, { ...kept.present, a: 'theirs' });
    expect(undo(taken, together).present).toEqual({ a: 'theirs', b: '0' });
  });

  it('goes back to theirs where both changed one place and mine was kept', () => {
    const mine = set(set(start, 'a', '1'), 'b', '1');
    const theirs = { ...start.present, a: 'theirs', c: 'new' };
    const taken = takeIn(mine, {
      base: start.present,
      theirs,
      merged: { a: '1', b: '1', c: 'new' },
      together: (b, m, t) => threeWayMerge(b, m, t).value,
    });
    const once = undo(taken, together);
    expect(once.present).toEqual({ a: '1', b: '0', c: 'new' });
    expect(undo(once, together).present).toEqual(theirs);
  });

  it('does again what was undone before the other’s work came', () => {
    const undone = undo(set(set(start, 'a', '1'), 'a', '2'));
    const taken = elsewhere(undone, undone.present, { ...undone.present, b: 'theirs' });
    expect(redoLabel(taken)).toBe('set a');
    const again = redo(taken, together);
    expect(again.present).toEqual({ a: '2', b: 'theirs' });
    expect(undo(undo(again, together), together).present).toEqual({ a: '0', b: 'theirs' });
  });

  it('shows each of its own steps and none of theirs among the moments', () => {
    const kept = set(start, 'a', '1');
    const taken = set(elsewhere(kept, kept.present, { ...kept.present, b: 'theirs' }), 'a', '2');
    expect(momentsOf(taken).map(({ label }) => label)).toEqual(['set a', undefined]);
  });

  it('keeps whatever the other window has, through 400 random works of both', () => {
    for (let seed = 0; seed < 400; seed++) {
      const d = dice(seed);
      let history = startHistory<Doc>({ m0: '0', m1: '0', t0: '0', t1: '0' });
      let base = history.present;
      let theirs = base;
      for (let i = 0; i < 30; i++) {
        const what = d.whole(0, 5);
        if (what < 2) history = set(history, `m${d.whole(0, 1)}`, `${i}`);
        else if (what === 2) history = undo(history, together);
        else if (what === 3) history = redo(history, together);
        else if (what === 4) base = theirs = history.present;
        else {
          theirs = { ...theirs, [`t${d.whole(0, 1)}`]: `${i}` };
          history = elsewhere(history, base, theirs);
          base = theirs;
        }
        expect([history.present['t0'], history.present['t1']]).withContext(`seed ${seed}, step ${i}`).toEqual([theirs['t0'], theirs['t1']]);
      }
      const last = history.present;
      let steps = 0;
      for (let back = undo(history, together); back !== history; back = undo(history, together)) [history, steps] = [back, steps + 1];
      expect(history.present)
        .withContext(`seed ${seed}`)
        .toEqual({ ...theirs, m0: '0', m1: '0' });
      for (; steps > 0; steps--) history = redo(history, together);
      expect(history.present).withContext(`seed ${seed}`).toEqual(last);
    }
  });
});
