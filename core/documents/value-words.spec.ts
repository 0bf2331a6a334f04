import { documentKinds, valueInWords } from '.';
import { tableOf } from '../table';

describe('What two windows have, in words', () => {
  for (const [value, said] of [
    ['#f4f1ea', '#f4f1ea'],
    ['', 'empty'],
    [undefined, 'nothing'],
    [true, 'yes'],
    [0, '0'],
    [{ text: 'Moth ahoy', marks: [{ from: 0, to: 4, kind: 'bold' }] }, 'Moth ahoy (bold “Moth”)'],
    [{ text: 'Moth', marks: [{ from: 0, to: 4, kind: 'link', href: '/moth' }] }, 'Moth (link to /moth)'],
    [{ id: 'x1', headerRows: 2, tags: ['a', 'b'], none: [] }, 'header rows: 2, tags: a; b, none: none'],
  ] as const)
    it(`is said as ${said}`, () => expect(valueInWords(value)).toBe(said));
  it('is cut where it is long', () => expect(valueInWords('x'.repeat(1000)).length).toBe(241));

  it('stands where the view has it: a row by its number and its first cell, a column by its name', () => {
    const table = tableOf('Fares', [
      ['Boat', 'Fare'],
      ['Moth', '4'],
    ]);
    expect(documentKinds.tables.where({ path: ['rows', '1', '1'], mine: '5', theirs: '6' }, table)).toBe('Row 2 (Moth), Fare');
    expect(documentKinds.tables.where({ path: ['caption'], mine: 'a', theirs: 'b' }, table)).toBe('caption');
  });
});
