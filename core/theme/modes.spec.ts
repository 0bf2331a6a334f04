import { viewOf } from '../tests/themes';
import { themeWith, starter } from '../tests/themes';
import {
  changesBetween,
  deleteSwatch,
  detached,
  lookChanges,
  mergeThemes,
  placeInWords,
  renameSwatch,
  replaceSwatch,
  resetValues,
  setSwatch,
  setValue,
} from '../edit';
import { resolve } from '../resolve';
import { readability } from '../paint';
import { Views, basesOver, countValues, everyLook, modeIn, modesOf, ownText, readTheme, starterBases, type Place, type Theme } from './index';

const body: Place = { part: 'body-rows', condition: 'rest' };
const dark: Place = { ...body, mode: 'dark' };
const plain = themeWith({ 'body-rows': { rest: { fill: 'mist', ink: 'deep', size: '14px' } } });
const theme = setSwatch(setValue(plain, dark, 'ink', 'lamp'), { name: 'mist', colour: '#15191c' }, 'dark');

describe('Modes of a theme', () => {
  it('have other colours for swatches and other values, and everything else as it is', () => {
    const view = viewOf(theme);
    expect([view.mode, view.modes, view.in('dark').mode]).toEqual(['', ['dark'], 'dark']);
    const css = (mode: '' | 'dark' | 'print', property: 'fill' | 'ink' | 'size'): string =>
      resolve(view.in(mode), { part: 'body-rows', conditions: [] }, property).text;
    expect([css('', 'ink'), css('dark', 'ink'), css('print', 'ink')]).toEqual(['deep', 'lamp', 'deep']);
    expect([css('', 'fill'), css('dark', 'fill')]).toEqual(['mist', 'mist']);
    expect(view.in('dark').swatches.find(({ name }) => name === 'mist')?.colour).toBe('#15191c');
    expect(view.swatches.find(({ name }) => name === 'mist')?.colour).toBe('#eef5f6');
    // It is read on a dark page there, and why says where it is set.
    expect(readability(view.in('dark'), { part: 'body-rows', conditions: [] }).passes).toBeTrue();
    const { chain } = resolve(view.in('dark'), { part: 'body-rows', conditions: [] }, 'ink');
    expect(chain.slice(0, 2).map(({ place, state }) => `${place?.mode ?? ''} ${state}`)).toEqual(['dark holds', ' beaten']);
    expect(placeInWords(dark, 'ink')).toBe('Body rows, in the dark: ink');
  });
  it('are stronger than width steps, and paper has none of these', () => {
    const narrow = setValue(setValue(theme, { ...body, step: 'narrow' }, 'ink', '#111'), { ...body, step: 'narrow' }, 'size', '10px');
    const view = viewOf(setValue(narrow, { ...body, mode: 'print' }, 'ink', '#000'));
    const text = (mode: '' | 'dark' | 'print', property: 'ink' | 'size'): string =>
      resolve(view.in(mode).at('narrow'), { part: 'body-rows', conditions: [] }, property).text;
    expect([text('', 'ink'), text('dark', 'ink'), text('print', 'ink')]).toEqual(['#111', 'lamp', '#000']);
    expect([text('dark', 'size'), text('print', 'size')]).toEqual(['10px', '14px']);
    expect(everyLook(view).map(({ mode, step }) => `${mode} ${step}`.trim())).toEqual([
      '',
      'medium',
      'narrow',
      'dark',
      'dark medium',
      'dark narrow',
      'print',
    ]);
  });
  it('are counted, told, taken back and merged', () => {
    expect(countValues(theme)).toBe(countValues(plain) + 1);
    expect(changesBetween(viewOf(plain), viewOf(theme)).map(({ what, before = '-', after = '-' }) => `${what}: ${before} → ${after}`)).toEqual([
      'Swatch mist, in the dark: - → #15191c',
      'Body rows, in the dark: ink: - → lamp',
    ]);
    expect(ownText(resetValues(theme, { parts: ['body-rows'], step: '', mode: '' }), dark, 'ink')).toBe('lamp');
    expect(ownText(resetValues(theme, { step: '', mode: 'dark' }), body, 'ink')).toBe('deep');
    expect(modeIn(resetValues(theme, { mode: 'dark' }), 'dark')).toEqual({
      name: 'dark',
      values: {},
      swatches: [{ name: 'mist', colour: '#15191c' }],
    });
    // Nothing is left of a mode in which nothing is said.
    expect(deleteSwatch(resetValues(theme, { mode: 'dark' }), 'mist', 'dark')).toEqual(plain);
    const { value, conflicts } = mergeThemes(
      theme,
      setValue(theme, dark, 'fill', '#111'),
      setValue(theme, { ...body, mode: 'print' }, 'ink', '#000'),
    );
    expect([conflicts, modesOf([value]), ownText(value, dark, 'fill')]).toEqual([[], ['dark', 'print'], '#111']);
  });
  it('follow a swatch that is renamed, deleted or replaced', () => {
    const renamed = renameSwatch(renameSwatch(theme, 'mist', 'fog'), 'lamp', 'light');
    expect(modeIn(renamed, 'dark')).toEqual({
      name: 'dark',
      swatches: [{ name: 'fog', colour: '#15191c' }],
      values: { 'body-rows': { rest: { ink: 'light' } } },
    });
    expect(deleteSwatch(theme, 'mist').modes?.[0]?.swatches).toEqual([]);
    expect(ownText(replaceSwatch(viewOf(theme), 'lamp', { kind: 'swatch', name: 'deep' }), dark, 'ink')).toBe('deep');
  });
  it('come from below, are seen where the base changes, and become its own where it is detached', () => {
    const grown: Theme = themeWith({}, { name: 'Grown', base: { theme: 'base' }, swatches: [] });
    const views = new Views(basesOver(starterBases, () => theme));
    const view = views.of(grown);
    expect([view.modes, view.in('dark').swatches.find(({ name }) => name === 'mist')?.colour]).toEqual([['dark'], '#15191c']);
    expect(lookChanges(view, viewOf({ ...grown, base: starter('ground') })).map(({ what }) => what)).toEqual(
      jasmine.arrayContaining(['Swatch mist', 'Body rows: ink', 'Body rows, in the dark: ink']),
    );
    const done = detached(view);
    expect(done?.theme.modes).toEqual(theme.modes);
    expect(done && lookChanges(view, viewOf(done.theme))).toEqual([]);
    expect(done?.stronger).toBe(0);
    // What it says at a step is stronger than a base's mode, and weaker than its own.
    const stepped = setValue(setValue(grown, { ...body, step: 'narrow' }, 'ink', '#111'), { ...body, step: 'narrow' }, 'size', '9px');
    expect(detached(views.of(stepped))?.stronger).toBe(1);
  });
  it('are read from a document, with every mistake in its place', () => {
    expect(readTheme(JSON.parse(JSON.stringify(theme)), starterBases)).toEqual({ ok: true, value: theme });
    const say = (modes: unknown): string => {
      const read = readTheme({ ...plain, modes }, starterBases);
      return read.ok ? '' : read.problems.map(({ at = '', say: said }) => `${at}: ${said}`).join('; ');
    };
    expect(say([{ name: 'night', values: {} }])).toMatch(/modes\/0\/name: A mode is one of dark, contrast, print, forced/);
    expect(say([{ name: 'dark' }])).toMatch(/has values/);
    expect(say([{ name: 'dark', values: { 'body-rows': { rest: { wieght: '1' } } } }])).toMatch(/modes\/0\/values\/.*no property “wieght”/);
    expect(say([{ name: 'dark', values: {}, swatches: [{ name: 'mist', colour: 'url(x)' }] }])).toMatch(/modes\/0\/swatches\/0\/colour/);
    expect(say(['dark', 'dark'].map((name) => ({ name, values: {} })))).toMatch(/same name/);
  });
});
