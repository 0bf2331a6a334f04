import { readExtra } from '../theme';
import { checkExtra } from './index';

const told = (css: string): readonly string[] =>
  checkExtra(readExtra(css, new Set(['deep']))).map(({ line, column, say }) => `${line}.${column}: ${say}`);

describe('Extra CSS that is looked at closely', () => {
  it('says which names are no property and which values theirs does not take, in their lines', () => {
    expect(told('body-row { color: red }\nbody-rows { colr: red;\n  padding: 3 px; color: #123; & b { display: blok } }')).toEqual([
      jasmine.stringMatching(/^1\.1: “body-row” is no part/),
      '2.13: There is no property “colr”. Did you mean color?',
      '3.3: “3 px” is no value that padding takes: browsers leave it out.',
      '3.37: “blok” is no value that display takes: browsers leave it out.',
    ]);
  });

  it('says what it passes on though it does not know it', () => {
    const [found] = checkExtra(readExtra('body-rows { text-flight: arc 3 }', new Set()));
    expect([found?.isLeftOut, found?.say]).toEqual([false, jasmine.stringMatching(/passed on/)]);
  });

  it('has nothing to say of what is right, or is seen only where it is used', () => {
    expect(told('body-rows { color: var(--deep); --x: 1 px; width: calc(1px + var(--x)); transition: color .2s ease-in-out }')).toEqual([]);
  });
});
