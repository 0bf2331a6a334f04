import { dice } from '../../tests/random';
import { mergeOrder } from './order';

const ids = (text: string): readonly string[] => text.split('');
const order = (base: string, mine: string, theirs: string): string => mergeOrder(ids(base), ids(mine), ids(theirs)).join('');

describe('The order of things that two windows moved', () => {
  for (const [what, base, mine, theirs, merged] of [
    ['is mine where the other moved nothing', 'abcd', 'dabc', 'abcd', 'dabc'],
    ['is theirs where this one moved nothing', 'abcd', 'abcd', 'dabc', 'dabc'],
    ['has both moves of different things', 'abcdef', 'fabcde', 'abdefc', 'fabdec'],
    ['has this window’s move of a thing that both moved', 'abcd', 'dabc', 'adbc', 'dabc'],
    ['has what either added, after what it stands after', 'abc', 'abxc', 'aybc', 'aybxc'],
    ['has several that were added one after the other', 'ab', 'ab', 'axyzb', 'axyzb'],
    ['lacks what either took away', 'abcd', 'abd', 'acd', 'ad'],
    ['puts what was added after something that is gone somewhere', 'abc', 'ac', 'abxc', 'acx'],
    ['begins with what was added before all', 'ab', 'ab', 'xab', 'xab'],
  ] as const)
    it(what, () => expect(order(base, mine, theirs)).toBe(merged));

  it('has each once, whatever was done', () => {
    for (let seed = 0; seed < 400; seed++) {
      const d = dice(seed);
      const base = Array.from({ length: d.whole(0, 9) }, (_, i) => `b${i}`);
      const side = (name: string): readonly string[] => {
        const all = base.filter(() => !d.chance(0.2));
        for (let i = d.whole(0, 4); i > 0; i--) {
          if (all.length > 0 && d.chance(0.6)) all.splice(d.whole(0, all.length - 1), 0, ...all.splice(d.whole(0, all.length - 1), 1));
          else all.splice(d.whole(0, all.length), 0, `${name}${i}`);
        }
        return all;
      };
      const [mine, theirs] = [side('m'), side('t')];
      const merged = mergeOrder(base, mine, theirs);
      const wanted = [...new Set([...mine, ...theirs])].filter((id) => !base.includes(id) || (mine.includes(id) && theirs.includes(id)));
      expect([...merged].sort())
        .withContext(`seed ${seed}`)
        .toEqual(wanted.sort());
      expect(mergeOrder(base, mine, base))
        .withContext(`seed ${seed}`)
        .toEqual([...mine]);
      expect(mergeOrder(base, base, theirs))
        .withContext(`seed ${seed}`)
        .toEqual([...theirs]);
    }
  });
});
