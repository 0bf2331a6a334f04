import { viewOf, starter } from '../tests/themes';
import {
  addWidthStep,
  changeWidthStep,
  changesBetween,
  deleteWidthStep,
  renameSwatch,
  resetValues,
  setValue,
  threeWayMerge,
  usesOfSwatch,
} from '../edit';
import { resolve, resolveAt } from '../resolve';
import { countValues, hasSteps, ownText, readTheme, starterBases, stepFor, type Place, type Theme } from './index';

const plain: Theme = {
  format: 'zest-theme/2',
  name: 'T',
  base: starter('hairline'),
  swatches: [{ name: 'reed', colour: '#336655' }],
  values: { 'body-rows': { rest: { weight: '500', ink: 'reed' }, even: { weight: '600' } } },
};
const place = (step?: string): Place => ({ part: 'body-rows', condition: 'rest', ...(step === undefined ? {} : { step }) });
const weightAt = (theme: Theme, step: string): string => resolveAt(viewOf(theme, step), place(), 'weight').css;
const stepped = setValue(setValue(plain, place('medium'), 'weight', '700'), place('narrow'), 'ink', 'reed 50%');

describe('Width steps', () => {
  it('are two until others are made, and hold from the width that they name', () => {
    expect(viewOf(plain).steps.map(({ name, width }) => `${name} ${width}`)).toEqual(['medium 720', 'narrow 480']);
    expect([1000, 721, 720, 481, 480, 1].map((width) => stepFor(viewOf(plain).steps, width))).toEqual([
      '',
      '',
      'medium',
      'medium',
      'narrow',
      'narrow',
    ]);
    expect(hasSteps(viewOf(plain))).toBeFalse();
    expect(hasSteps(viewOf(stepped))).toBeTrue();
  });

  it('say what they set, and else what wider ones say', () => {
    expect(['', 'medium', 'narrow'].map((step) => weightAt(stepped, step))).toEqual(['500', '700', '700']);
    expect(ownText(stepped, place('narrow'), 'ink')).toBe('reed 50%');
    expect(ownText(stepped, place('narrow'), 'weight')).toBeUndefined();
    const { chain } = resolve(viewOf(stepped, 'narrow'), { part: 'body-rows', conditions: [] }, 'ink');
    expect(chain.slice(0, 2).map((link) => `${link.place?.step ?? ''} ${link.state}`)).toEqual(['narrow holds', ' beaten']);
  });

  it('do not go beyond their place: a band of every width beats a step’s rest', () => {
    const even = resolve(viewOf(stepped, 'narrow'), { part: 'body-rows', conditions: ['even'] }, 'weight');
    expect(even.text).toBe('600');
  });

  it('are no part of a theme: a copy of it is the same at each', () => {
    const at = viewOf({ ...stepped }, 'narrow');
    expect(at.step).toBe('narrow');
    expect(resolve(at, { part: 'body-rows', conditions: [] }, 'ink').text).toBe('reed 50%');
    expect(at.at('').at('narrow')).toBe(at);
    expect(at.at('none of these').step).toBe('');
  });

  it('are counted, told, reset and merged', () => {
    expect(countValues(stepped)).toBe(countValues(plain) + 2);
    expect(changesBetween(viewOf(plain), viewOf(stepped)).map(({ what }) => what)).toEqual([
      'Body rows, at medium: weight',
      'Body rows, at narrow: ink',
    ]);
    expect(hasSteps(viewOf(resetValues(stepped, { parts: ['body-rows'], step: 'narrow' })))).toBeTrue();
    expect(ownText(resetValues(stepped, { step: '' }), place('medium'), 'weight')).toBe('700');
    expect(countValues(resetValues(stepped, {}))).toBe(0);
    const mine = setValue(stepped, place('narrow'), 'size', '12px');
    const theirs = setValue(stepped, place('medium'), 'size', '14px');
    const merged = threeWayMerge(stepped, mine, theirs);
    expect(merged.conflicts).toEqual([]);
    expect(ownText(merged.value, place('narrow'), 'size')).toBe('12px');
    expect(ownText(merged.value, place('medium'), 'size')).toBe('14px');
  });

  it('are reached by a swatch’s new name, and named among its uses', () => {
    expect(ownText(renameSwatch(stepped, 'reed', 'moss'), place('narrow'), 'ink')).toBe('moss 50%');
    expect(usesOfSwatch(stepped, 'reed').map((use) => ('place' in use ? (use.place.step ?? '') : '?'))).toEqual(['', 'narrow']);
  });

  it('are added, renamed, moved and taken away, each with what is set at it', () => {
    const added = addWidthStep(viewOf(stepped), 'column', 320);
    if (!added.ok) throw new Error(added.problems[0]?.say);
    expect(viewOf(added.value).steps.map(({ name }) => name)).toEqual(['medium', 'narrow', 'column']);
    expect(weightAt(added.value, 'column')).toBe('700');
    const changed = changeWidthStep(viewOf(added.value), 'medium', { name: 'tablet', width: 800 });
    expect(changed.ok && weightAt(changed.value, 'tablet')).toBe('700');
    expect(weightAt(deleteWidthStep(viewOf(stepped), 'medium'), 'narrow')).toBe('500');
    for (const [name, width, say] of [
      ['narrow', 300, /already/],
      ['slim', 480, /“narrow” begins at 480px already/],
      ['Slim', 300, /lower-case/],
      ['slim', 20, /from 120 to 4000/],
    ] as const) {
      const refused = addWidthStep(viewOf(stepped), name, width);
      expect(refused.ok ? '' : refused.problems[0]?.say).toMatch(say);
    }
  });

  it('are read from a document, with every mistake in its place', () => {
    expect(readTheme(stepped, starterBases)).toEqual({ ok: true, value: stepped });
    const say = (widths: unknown): string => {
      const read = readTheme({ ...plain, widths }, starterBases);
      return read.ok ? '' : read.problems.map((problem) => `${problem.at ?? ''}: ${problem.say}`).join('; ');
    };
    expect(say([{ name: 'a', width: 480, values: { 'body-rows': { rest: { wieght: '1' } } } }])).toMatch(/widths\/0\/values\/.*no property “wieght”/);
    expect(say([{ name: 'a', width: 480 }])).toMatch(/has values/);
    expect(say([{ name: 'a', width: 48, values: {} }])).toMatch(/at least/);
    expect(say(['a', 'a'].map((name, i) => ({ name, width: 480 + i, values: {} })))).toMatch(/same name/);
    expect(say(['a', 'b'].map((name) => ({ name, width: 480, values: {} })))).toMatch(/same width/);
  });
});
