import { dice } from '../tests/random';
import {
  cellOf,
  cutCell,
  isSafeAddress,
  isSameCell,
  joinCells,
  marksIn,
  markKinds,
  retype,
  stretchesOf,
  textOf,
  type Cell,
  type Mark,
} from './index';

const bold = (from: number, to: number): Mark => ({ from, to, kind: 'bold' });
const link = (from: number, to: number, href = 'https://x.test'): Mark => ({ from, to, kind: 'link', href });
/** A cell with brackets around its bold letters. */
const shown = (cell: Cell): string =>
  stretchesOf(cell)
    .map(({ text, marks }) => (marks.some(({ kind }) => kind === 'bold') ? `[${text}]` : text))
    .join('');

describe('A text with marks', () => {
  it('is a plain string where no mark is left', () => {
    expect(cellOf('Moth', [])).toBe('Moth');
    expect(cellOf('Moth', [bold(9, 12), bold(2, 2)])).toBe('Moth');
  });
  it('has marks of one kind that touch as one', () => expect(marksIn(cellOf('abcdef', [bold(3, 5), bold(0, 2), bold(2, 3)]))).toEqual([bold(0, 5)]));
  it('has one link at each place: the first holds', () =>
    expect(marksIn(cellOf('abcdef', [link(0, 4, 'a'), link(2, 6, 'b')]))).toEqual([link(0, 4, 'a'), link(4, 6, 'b')]));
  it('is cut with its marks', () => {
    expect(cutCell(cellOf('abcdef', [bold(2, 6)]), 4)).toEqual(cellOf('abcd', [bold(2, 4)]));
    expect(cutCell('abc', 4)).toBe('abc');
  });
  it('keeps its marks when cells are put together', () => {
    expect(shown(joinCells(['a', cellOf('bc', [bold(0, 1)]), 'd']))).toBe('a\n[b]c\nd');
    expect(joinCells(['a', 'b'], ' ')).toBe('a b');
  });
  it('is cut wherever a mark begins or ends, and comes to the same text', () => {
    for (let seed = 0; seed < 300; seed++) {
      const d = dice(seed);
      const text = 'abcdefghij'.slice(0, d.whole(1, 10));
      const marks = Array.from({ length: d.whole(0, 5) }, (): Mark => {
        const [from, kind] = [d.whole(0, 9), d.pick(markKinds)];
        return { from, to: from + d.whole(0, 5), kind, ...(kind === 'link' ? { href: d.pick(['a', 'b']) } : {}) };
      });
      const cell = cellOf(text, marks);
      expect(
        stretchesOf(cell)
          .map((each) => each.text)
          .join(''),
      ).toBe(text);
      for (let at = 0; at < text.length; at++) {
        const kinds = new Set(marks.filter(({ from, to }) => from <= at && at < to).map(({ kind }) => kind));
        const kept = marksIn(cell)
          .filter(({ from, to }) => from <= at && at < to)
          .map(({ kind }) => kind);
        expect([...kept].sort())
          .withContext(`seed ${seed}, letter ${at}`)
          .toEqual([...kinds].sort());
      }
      expect(isSameCell(cell, cellOf(textOf(cell), marksIn(cell)))).toBeTrue();
    }
  });
});

describe('Typing into a text with marks', () => {
  const cell = cellOf('one two three', [bold(4, 7)]);
  for (const [what, text, expected] of [
    ['before the mark', 'ONE one two three', 'ONE one [two] three'],
    ['behind it', 'one two three four', 'one [two] three four'],
    ['inside it', 'one tXwo three', 'one [tXwo] three'],
    ['at its end', 'one twoX three', 'one [two]X three'],
    ['over a part of it', 'one tXXe', 'one [t]XXe'],
    ['over all of it and more', 'oXthree', 'oXthree'],
    ['over exactly it', 'one XX three', 'one [XX] three'],
    ['the same', 'one two three', 'one [two] three'],
    ['nothing', '', ''],
  ] as const)
    it(`${what} keeps what is marked marked`, () => expect(shown(retype(cell, text))).toBe(expected));
  it('never makes a mark that reaches outside the text', () => {
    for (let seed = 0; seed < 500; seed++) {
      const d = dice(seed);
      const word = (): string => Array.from({ length: d.whole(0, 8) }, () => d.pick(['a', 'b', 'c'])).join('');
      const from = d.whole(0, 4);
      const typed = word();
      const retyped = retype(cellOf(word(), [bold(from, from + d.whole(1, 4))]), typed);
      expect(textOf(retyped)).toBe(typed);
      for (const mark of marksIn(retyped))
        expect(mark.from >= 0 && mark.from < mark.to && mark.to <= typed.length)
          .withContext(`seed ${seed}`)
          .toBeTrue();
    }
  });
});

describe('Addresses of links', () => {
  for (const href of ['https://x.test', 'http://x.test', 'mailto:a@x.test', 'tel:+47', '/boats', 'boats.html#moth', '#moth'])
    it(`may be ${href}`, () => expect(isSafeAddress(href)).toBeTrue());
  for (const href of [
    'javascript:x',
    'JavaScript:x',
    ' java\nscript:x',
    '\u0001javascript:x',
    'data:text/html,x',
    'vbscript:x',
    'blob:x',
    'file:///x',
    '',
  ])
    it(`may not be ${JSON.stringify(href)}`, () => expect(isSafeAddress(href)).toBeFalse());
});
