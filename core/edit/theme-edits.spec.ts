import { parseColour } from '../colour';
import { readabilityTogether } from '../paint';
import { themeWith, viewOf, starter } from '../tests/themes';
import { partNames, starters, type Theme } from '../theme';
import {
  act,
  applyBrand,
  changesBetween,
  documentAt,
  momentsOf,
  moveSwatch,
  renameSwatch,
  removeStep,
  renameStep,
  replaceSwatch,
  resetValues,
  setScale,
  setStep,
  setValue,
  startHistory,
  usesOfSwatch,
} from './index';

const theme = themeWith(
  {
    table: { rest: { ink: 'deep', shadow: '0 1px 2px deep 20%, 0 4px 8px lamp' } },
    'body-rows': { even: { fill: 'mist', ink: 'deep 80%' }, hovered: { fill: 'lamp' } },
    lines: { rest: { rows: '1px solid deep', columns: '1px dotted deeper' } },
  },
  {
    swatches: [
      { name: 'mist', colour: '#eef5f6' },
      { name: 'deep', colour: '#123c4d' },
      { name: 'lamp', colour: '#e2590a' },
      { name: 'haze', colour: 'deep 30%' },
    ],
  },
);

describe('Resetting', () => {
  it('takes back a value, a group of them, a condition, a part or everything', () => {
    expect(resetValues(theme, { parts: ['body-rows'], conditions: ['even'], properties: ['fill'] }).values['body-rows']?.even).toEqual({
      ink: 'deep 80%',
    });
    expect(resetValues(theme, { properties: ['fill'] }).values['body-rows']).toEqual({ even: { ink: 'deep 80%' } });
    expect(resetValues(theme, { parts: ['body-rows'], conditions: ['hovered'] }).values['body-rows']).toEqual({
      even: { fill: 'mist', ink: 'deep 80%' },
    });
    expect(resetValues(theme, { parts: ['body-rows'] }).values['body-rows']).toBeUndefined();
    expect(resetValues(theme, {}).values).toEqual({});
  });
  it('leaves what is not in its scope as it is', () => expect(resetValues(theme, { parts: ['footer'] })).toBe(theme));
});

describe('A swatch', () => {
  it('knows where it is used, in values and in other swatches', () => {
    const uses = usesOfSwatch(theme, 'deep').map((use) => {
      if ('line' in use) return `line ${use.line}`;
      return 'swatch' in use ? `swatch ${use.swatch}` : `${use.place.part} ${use.place.condition} ${use.property}`;
    });
    expect(uses.sort()).toEqual(['body-rows even ink', 'lines rest rows', 'swatch haze', 'table rest ink', 'table rest shadow']);
  });
  it('takes all of them along when it is renamed, and nothing else', () => {
    const renamed = renameSwatch(theme, 'deep', 'abyss');
    expect(renamed.values.table?.rest?.shadow).toBe('0 1px 2px abyss 20%, 0 4px 8px lamp');
    expect(renamed.values.lines?.rest).toEqual({ rows: '1px solid abyss', columns: '1px dotted deeper' });
    expect(renamed.swatches.find(({ name }) => name === 'haze')?.colour).toBe('abyss 30%');
  });
  it('gives its users its colour, another swatch or nothing when it is deleted', () => {
    expect(replaceSwatch(viewOf(theme), 'deep', { kind: 'colour' }).values['body-rows']?.even?.ink).toBe('#123c4d 80%');
    expect(replaceSwatch(viewOf(theme), 'deep', { kind: 'swatch', name: 'lamp' }).values.lines?.rest?.rows).toBe('1px solid lamp');
    const fallen = replaceSwatch(viewOf(theme), 'deep', { kind: 'fall back' });
    expect(fallen.values.table).toBeUndefined();
    expect(fallen.values['body-rows']?.even).toEqual({ fill: 'mist' });
    for (const instead of [{ kind: 'colour' }, { kind: 'swatch', name: 'mist' }, { kind: 'fall back' }] as const) {
      const without = replaceSwatch(viewOf(theme), 'deep', instead);
      expect(usesOfSwatch(without, 'deep')).toEqual([]);
      expect(without.swatches.some(({ name }) => name === 'deep')).toBeFalse();
    }
  });
  it('moves in the list and stops at its ends', () => {
    const names = (each: Theme): string[] => each.swatches.map(({ name }) => name);
    expect(names(moveSwatch(theme, 'lamp', -1))).toEqual(['mist', 'lamp', 'deep', 'haze']);
    expect(names(moveSwatch(theme, 'mist', 99))).toEqual(['deep', 'lamp', 'haze', 'mist']);
    expect(moveSwatch(theme, 'mist', -1)).toBe(theme);
  });
});

describe('A brand colour', () => {
  for (const { key, theme } of starters) {
    it(`makes a theme that can be read under every condition together, from ${key}`, () => {
      const grown: Theme = { ...theme, base: starter(key), swatches: [], values: {} };
      for (const brand of ['#a3195b', '#f3b61f']) {
        const branded = applyBrand(viewOf(grown), parseColour(brand) ?? { r: 0, g: 0, b: 0, alpha: 1 });
        for (const part of partNames.filter((name) => name !== 'lines')) {
          const [worst] = readabilityTogether(viewOf(branded), part, 'rest');
          expect(worst?.passes)
            .withContext(`${brand} ${part} ${worst?.slot.conditions.join(' ') ?? ''} ${worst?.ratio.toFixed(2) ?? ''}`)
            .toBeTrue();
        }
      }
    });
  }
  it('keeps shapes, type and the widths of lines', () => {
    const branded = applyBrand(viewOf(theme), parseColour('#a3195b') ?? { r: 0, g: 0, b: 0, alpha: 1 });
    expect(branded.values.lines?.rest?.rows).toBe('1px solid line');
    expect(branded.values.table?.rest?.shadow).toBe(theme.values.table?.rest?.shadow);
    expect(viewOf(branded).vocabulary.swatches.has('brand')).toBeTrue();
  });
});

describe('What changed between two states', () => {
  it('is told in words, in the order of the anatomy', () => {
    const changed = setValue(
      setValue(theme, { part: 'body-rows', condition: 'even' }, 'fill', 'lamp'),
      { part: 'caption', condition: 'rest' },
      'ink',
      'deep',
    );
    expect(
      changesBetween(viewOf(theme), viewOf({ ...changed, name: 'Other' })).map(
        ({ what, before, after }) => `${what}: ${before ?? '-'} → ${after ?? '-'}`,
      ),
    ).toEqual(['Name: Specimen → Other', 'Caption: ink: - → deep', 'Body rows, even: fill: mist → lamp']);
  });
  it('tells swatches that came, went and changed', () => {
    const swatches = [{ name: 'mist', colour: '#ffffff' }, ...theme.swatches.slice(2), { name: 'new', colour: '#010203' }];
    expect(
      changesBetween(viewOf(theme), viewOf({ ...theme, swatches })).map(({ what, before, after }) => `${what}: ${before ?? '-'} → ${after ?? '-'}`),
    ).toEqual(['Swatch mist: #eef5f6 → #ffffff', 'Swatch deep: #123c4d → -', 'Swatch new: - → #010203']);
  });
  it('is nothing between a state and itself', () => expect(changesBetween(viewOf(theme), viewOf({ ...theme }))).toEqual([]));
});

describe('Earlier moments', () => {
  const steps = ['#111111', '#222222', '#333333'].reduce(
    (history, ink, i) =>
      act(history, {
        label: `ink ${i}`,
        touches: '',
        time: 1000 * (i + 1),
        make: (present) => setValue(present, { part: 'table', condition: 'rest' }, 'ink', ink),
      }),
    startHistory<Theme>(theme),
  );
  it('are every step of the work, the newest first, the beginning last', () =>
    expect(momentsOf(steps).map(({ steps: n, label, time }) => [n, label, time])).toEqual([
      [2, 'ink 1', 2000],
      [1, 'ink 0', 1000],
      [0, undefined, undefined],
    ]));
  it('can be looked at without going back', () => {
    expect(documentAt(steps, 1).values.table?.rest?.ink).toBe('#111111');
    expect(documentAt(steps, 0)).toEqual(theme);
    expect(steps.present.values.table?.rest?.ink).toBe('#333333');
  });
});

describe('The type scale', () => {
  const sized = themeWith({ table: { rest: { size: 'lead+1' } }, caption: { rest: { size: 'title' } }, footer: { rest: { size: '12px' } } });
  const sizes = ({ values }: Theme): readonly (string | undefined)[] => [
    values.table?.rest?.size,
    values.caption?.rest?.size,
    values.footer?.rest?.size,
  ];
  it('takes another base and ratio and keeps its steps', () => {
    const scaled = setScale(viewOf(sized), { base: 20, ratio: 1.5 });
    expect([scaled.scale?.base, scaled.scale?.ratio, scaled.scale?.steps.length]).toEqual([20, 1.5, 4]);
  });
  it('takes a new step in its place, and moves one', () => {
    expect(setStep(viewOf(sized), { name: 'huge', step: 5 }).scale?.steps.at(-1)).toEqual({ name: 'huge', step: 5 });
    expect(setStep(viewOf(sized), { name: 'title', step: -3 }).scale?.steps[0]?.name).toBe('title');
  });
  it('takes sizes along when a step is renamed', () => expect(sizes(renameStep(viewOf(sized), 'lead', 'big'))).toEqual(['big+1', 'title', '12px']));
  it('leaves sizes as large as they were when a step goes', () => {
    const without = removeStep(viewOf(removeStep(viewOf(sized), 'lead')), 'title');
    expect(sizes(without)).toEqual(['19.84px', '19.84px', '12px']);
    const one = ['small', 'body'].reduce((theme, name) => removeStep(viewOf(theme), name), without);
    expect(one.scale?.steps.length).toBe(1);
  });
});
