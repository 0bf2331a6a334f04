import { dice, randomGrown, starterNames, withExtra } from '../tests/random';
import { starter, themeWith, viewOf } from '../tests/themes';
import {
  CHAIN_MOST,
  Views,
  basesOver,
  hasSteps,
  loopThrough,
  standsOn,
  starterBases,
  viewOfChain,
  type Place,
  type Theme,
  type ThemeView,
} from '../theme';
import {
  addWidthStep,
  changeWidthStep,
  changesBetween,
  deleteWidthStep,
  detached,
  grownFrom,
  lookChanges,
  setValue,
  sprout,
  stepBelow,
} from './index';

const body: Place = { part: 'body-rows', condition: 'rest' };
const brand = setValue(
  themeWith(
    { 'body-rows': { rest: { fill: 'paper', 'padding-start': '16px' }, even: { fill: 'paper 60%' } } },
    {
      name: 'Brand',
      base: starter('hairline'),
      swatches: [{ name: 'paper', colour: '#eef5f6' }],
      widths: [{ name: 'phone', width: 400, values: {} }],
    },
  ),
  { ...body, step: 'phone' },
  'padding-start',
  '4px',
);
const winter = themeWith({ 'body-rows': { rest: { ink: 'paper' } } }, { name: 'Winter', base: { theme: 'brand' } });
const themes = new Map([
  ['brand', brand],
  ['winter', winter],
]);
const over = new Views(basesOver(starterBases, (id) => themes.get(id)));
const textAt = (view: ThemeView, place: Place, property: 'fill' | 'padding-start' | 'ink'): string | undefined =>
  view.said(place, property).find(({ read }) => read.ok)?.text;

describe('A theme that grows from another', () => {
  it('has what that says, at every width, and its own in its place', () => {
    const view = over.of(winter);
    expect(view.chain.map(({ name }) => name)).toEqual(['Winter', 'Brand', 'Hairline', 'Ground']);
    expect(view.said(body, 'fill')[0]).toEqual(jasmine.objectContaining({ source: 'base', of: brand, text: 'paper' }));
    expect(view.steps.map(({ name, width, of, differs }) => [name, width, of?.name, differs])).toEqual([['phone', 400, 'Brand', true]]);
    expect(textAt(view.at('phone'), body, 'padding-start')).toBe('4px');
    // What it says itself is stronger than what lies below says anywhere.
    const own = over.of(setValue(winter, body, 'padding-start', '20px'));
    expect(textAt(own.at('phone'), body, 'padding-start')).toBe('20px');
    expect(textAt(over.of(setValue(own.theme, { ...body, step: 'phone' }, 'padding-start', '2px')).at('phone'), body, 'padding-start')).toBe('2px');
  });
  it('follows a change in what it grows from, and is the same view until there is one', () => {
    const kept = new Map(themes);
    const views = new Views(basesOver(starterBases, (id) => kept.get(id)));
    const before = views.of(winter);
    expect(views.of(winter)).toBe(before);
    kept.set('brand', { ...brand, swatches: [{ name: 'paper', colour: '#ffffff' }] });
    expect(views.of(winter).swatches.find(({ name }) => name === 'paper')?.colour).toBe('#ffffff');
    kept.delete('brand');
    expect(views.of(winter).chain.map(({ name }) => name)).toEqual(['Winter', 'Ground']);
  });
  it('sets values at steps from below without moving them, and leaves nothing behind', () => {
    const set = setValue(winter, { ...body, step: 'phone' }, 'ink', '#000');
    expect(set.widths).toEqual([{ name: 'phone', values: { 'body-rows': { rest: { ink: '#000' } } } }]);
    expect(over.of(set).steps).toEqual(over.of(winter).steps);
    expect(setValue(set, { ...body, step: 'phone' }, 'ink', undefined)).toEqual(winter);
    // Over a starter that has none, the usual ones stay as they are.
    const usual = setValue(themeWith({}), { ...body, step: 'narrow' }, 'ink', '#000');
    expect(viewOf(usual).steps.map(({ name, width }) => `${name} ${width}`)).toEqual(['medium 720', 'narrow 480']);
    expect([hasSteps(viewOf(usual)), hasSteps(viewOf(themeWith({})))]).toEqual([true, false]);
    const more = addWidthStep(viewOf(usual), 'column', 300);
    expect(more.ok && viewOf(more.value).steps.map(({ name, width, differs }) => `${name} ${width} ${differs}`)).toEqual([
      'medium 720 false',
      'narrow 480 true',
      'column 300 false',
    ]);
  });
  it('adds, moves and takes away steps of its own; those from below it can move and not rename', () => {
    const added = addWidthStep(over.of(winter), 'tablet', 800);
    const steps = (theme: Theme): readonly string[] => over.of(theme).steps.map(({ name, width, of }) => `${name} ${width} ${of?.name}`);
    expect(added.ok && steps(added.value)).toEqual(['tablet 800 Winter', 'phone 400 Brand']);
    const moved = changeWidthStep(over.of(winter), 'phone', { name: 'phone', width: 440 });
    expect(moved.ok && steps(moved.value)).toEqual(['phone 440 Winter']);
    expect(moved.ok && textAt(over.of(moved.value, 'phone'), body, 'padding-start')).toBe('4px');
    const renamed = changeWidthStep(over.of(winter), 'phone', { name: 'small', width: 400 });
    expect(renamed.ok ? '' : renamed.problems[0]?.say).toBe('“phone” is a step of Brand.');
    expect(moved.ok && steps(deleteWidthStep(over.of(moved.value), 'phone'))).toEqual(['phone 400 Brand']);
    expect([stepBelow(over.of(winter), 'phone')?.of?.name, stepBelow(over.of(brand), 'phone')]).toEqual(['Brand', undefined]);
  });
  it('is told by name where it grows from another, or from none that is there', () => {
    const told = (from: ThemeView, to: ThemeView): readonly string[] =>
      changesBetween(from, to)
        .filter(({ what }) => what === 'Grows from')
        .map(({ before = '', after = '' }) => `${before} → ${after}`);
    expect(told(over.of(winter), over.of(grownFrom(winter, starter('tiles'))))).toEqual(['Brand → Tiles, version 1']);
    expect(told(over.of(winter), over.of(grownFrom(winter, { theme: 'none' })))).toEqual(['Brand → a theme that is gone']);
  });
  it('says what looks otherwise on another base: swatches, steps and values', () => {
    const changes = lookChanges(over.of(winter), over.of(grownFrom(winter, starter('hairline'))));
    expect(changes.map(({ what, before = '-', after = '-' }) => `${what}: ${before} → ${after}`)).toEqual(
      jasmine.arrayContaining([
        'Swatch paper: #eef5f6 → #ffffff',
        'Width step phone: 400px and narrower → -',
        'Body rows: fill: paper → -',
        'Body rows, at phone: padding start: 4px → -',
      ]),
    );
    expect(lookChanges(over.of(winter), over.of(sprout('Other', { theme: 'winter' })))).toEqual([]);
  });
});

describe('Detaching a theme', () => {
  it('makes what lies below its own, with nothing that looks otherwise', () => {
    const view = over.of(setValue(winter, body, 'padding-start', '20px'));
    const done = detached(view);
    expect(done?.theme.base).toEqual(starter('hairline'));
    // The fills, the swatch; not the padding, which it says itself.
    expect(done?.taken).toBe(3);
    expect(done?.theme.widths).toEqual([{ name: 'phone', width: 400, values: {} }]);
    expect(done && lookChanges(view, viewOf(done.theme))).toEqual([]);
    expect(detached(viewOf(themeWith({}, { base: starter('ground') })))).toBeUndefined();
  });
  it('holds for 40 random families, down to the ground', () => {
    for (let seed = 0; seed < 40; seed++) {
      const view = randomGrown(dice(seed), starterNames, 1 + (seed % 4));
      const done = detached(view);
      if (!done) continue;
      const after = viewOfChain([done.theme, ...view.chain.slice(2)]);
      expect(lookChanges(view, after)).withContext(`seed ${seed}`).toEqual([]);
    }
  });
  it('holds with extra CSS at every level, whose rules come along', () => {
    for (let seed = 100; seed < 120; seed++) {
      const d = dice(seed);
      const [theme, ...rest] = randomGrown(d, starterNames, 1 + (seed % 3)).chain;
      const some = [theme, ...rest].map((each, i) =>
        i <= rest.length - 2 && d.chance(0.7) ? { ...withExtra(d, each), css: `${withExtra(d, each).css}\nbody-rows b { order: ${i} }` } : each,
      );
      const view = viewOfChain([some[0] ?? theme, ...some.slice(1)]);
      const done = detached(view);
      if (!done) continue;
      const after = viewOfChain([done.theme, ...view.chain.slice(2)]);
      // With modes and steps, what is stronger is counted.
      if (done.stronger === 0) expect(lookChanges(view, after)).withContext(`seed ${seed}`).toEqual([]);
    }
  });
});

describe('A loop of themes', () => {
  const base = (id: string): Theme => themeWith({}, { base: { theme: id } });
  const loop = new Map([
    ['a', base('b')],
    ['b', base('c')],
    ['c', themeWith({})],
  ]);
  const themeOf = (id: string): Theme | undefined => loop.get(id);
  it('is found before it is made, with the way around', () => {
    expect(standsOn({ theme: 'a' }, themeOf)).toEqual(['a', 'b', 'c']);
    expect(loopThrough('c', { theme: 'a' }, themeOf)).toEqual(['c', 'a', 'b', 'c']);
    expect(loopThrough('c', { theme: 'c' }, themeOf)).toEqual(['c', 'c']);
    expect(loopThrough('a', { theme: 'c' }, themeOf)).toBeUndefined();
    expect(loopThrough('new', { theme: 'a' }, themeOf)).toBeUndefined();
  });
  it('that is there all the same ends, and leads to the ground', () => {
    const round = new Map([...loop, ['c', base('a')] as const]);
    expect(standsOn({ theme: 'a' }, (id) => round.get(id))).toEqual(['a', 'b', 'c', 'a']);
    const views = new Views(basesOver(starterBases, (id) => round.get(id)));
    expect(views.of(base('a')).chain.length).toBeLessThan(CHAIN_MOST);
  });
});
