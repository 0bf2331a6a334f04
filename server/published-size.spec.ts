import { viewOf } from '../core/tests/themes';
import { brotliCompressSync } from 'node:zlib';
import { emptyPage, visitorFeatures, type TableBlock } from '../core/page';
import { shownAs } from '../core/documents';
import { emptyFeature, emptyPlan, emptyPricing } from '../core/pricing';
import { choices, optional, tableScript } from '../scripts/build-runtime.mjs';
import { byMode, compilePage, sheetOf, themeCss, writeCss, writeHtml } from '../core/compile';
import { deriveDark } from '../core/dark';
import { setValue } from '../core/edit';
import { starters, type ModeName, type Theme } from '../core/theme';
import { dice, fullTheme, orderlyText } from '../core/tests/random';

describe('The size of a published stylesheet', () => {
  /** What few themes say anything of, and none at every place. */
  const fine: readonly string[] = ['caps', 'hyphens', 'text-shadow', 'edge-room', 'row-radius', 'row-shadow', 'bar', 'transition'];
  const without = ({ values, ...theme }: Theme): Theme => ({
    ...theme,
    values: Object.fromEntries(
      Object.entries(values).map(([part, conditions]) => [
        part,
        Object.fromEntries(
          Object.entries(conditions)
            .filter(([condition]) => !part.match(/^(?:body-rows|row-headers)$/) || !condition.endsWith('-columns'))
            .map(([condition, said]) => [condition, Object.fromEntries(Object.entries(said).filter(([name]) => !fine.includes(name)))]),
        ),
      ]),
    ),
  });
  const sizesOf = (make: (theme: Theme) => Theme, count = 8): readonly number[] =>
    Array.from({ length: count }, (_, seed) => {
      const nodes = themeCss(viewOf(make(fullTheme(dice(seed), 'nightfall', orderlyText))), { key: 'full', lean: true, around: true });
      return brotliCompressSync(writeCss(nodes, 'compact')).length;
    });
  it('is at most 4 kB as it is sent, for themes with every property at every place, made from swatches and a type scale', () => {
    const sizes = sizesOf(without);
    expect(Math.max(...sizes)).toBeLessThanOrEqual(4000);
    expect(Math.min(...sizes)).toBeGreaterThan(2000);
  });
  it('is at most 4.5 kB with fine type, bands of columns and rows as boxes at every place besides', () =>
    expect(Math.max(...sizesOf((theme) => theme, 3))).toBeLessThanOrEqual(4500));
});

describe('The size of a published stylesheet in light and dark', () => {
  it('is at most 5 kB as it is sent, and at most 1.3 of light alone; a theme without modes does not grow by a byte', () => {
    const bright = (theme: Theme): Theme =>
      setValue(setValue(theme, { part: 'table', condition: 'rest' }, 'fill', '#ffffff'), { part: 'body-rows', condition: 'rest' }, 'fill', '#ffffff');
    for (const seed of [1, 2, 6]) {
      const both = deriveDark(viewOf(bright(fullTheme(dice(seed), 'nightfall', orderlyText))));
      if (!both) throw new Error('A bright theme has a dark');
      const size = (modes: readonly ModeName[]): number => {
        const sheet = byMode(viewOf(both), modes, (at) => themeCss(at, { key: 'full', lean: true, around: true }));
        return brotliCompressSync(writeCss(sheet, 'compact')).length;
      };
      const [light, dark] = [size([]), size(['dark'])];
      expect(dark).withContext(`seed ${seed}`).toBeLessThanOrEqual(5000);
      expect(dark / light)
        .withContext(`seed ${seed}`)
        .toBeLessThanOrEqual(1.3);
    }
    for (const { key, theme } of starters) {
      const css = (scheme: 'light' | 'follows'): string => writeCss(sheetOf(viewOf(theme), { use: 'page', key, scheme }), 'compact');
      expect(css('follows')).withContext(key).toBe(css('light'));
    }
  });
});

describe('The size of what a published page loads', () => {
  const size = async (some: readonly string[]): Promise<number> => {
    const script = await tableScript(some);
    expect(script).not.toContain('eval(');
    return brotliCompressSync(script).length;
  };
  it('is at most 5 kB of script as it is sent, with every feature; without those that it has not, it is less', async () => {
    const [all, plain] = [await size(optional), await size([])];
    expect(all).toBeLessThanOrEqual(5000);
    expect(plain).toBeLessThanOrEqual(3500);
    for (const name of optional)
      expect(await size(optional.filter((each) => each !== name)))
        .withContext(`without ${name}`)
        .toBeLessThan(all);
  });
  it('has a script for every choice of features, of those that core knows', () => {
    expect(optional).toEqual([...visitorFeatures]);
    expect(choices.length).toBe(2 ** visitorFeatures.length);
  });
});

describe('The size of a pricing table in both forms', () => {
  it('of 4 plans and 20 features is at most 12 kB as it is sent, markup and stylesheet, in every starter', () => {
    const words = ['Berths kept at the pier', 'Late boats', 'Soup after ten', 'Bicycles on deck', 'A desk at Oldquay'];
    const features = Array.from({ length: 20 }, (_, at) => emptyFeature(`f${at}`, `${words[at % words.length] ?? ''}, ${at + 1} of them`));
    const plans = ['Pier', 'Deck', 'Saloon', 'Cabin'].map((name, at) => ({
      ...emptyPlan(`p${at}`, name),
      ...{ subtitle: `For those who like the ${name.toLowerCase()}`, badge: at === 2 ? 'Most taken' : '' },
      prices: [
        { period: 'month', is: 'amount' as const, amount: `${4 + at * 5}.50` },
        { period: 'year', is: 'amount' as const, amount: `${45 + at * 50}`, was: `${60 + at * 50}` },
      ],
      actions: [{ text: `Take ${name}`, href: `/passes/${at}`, rank: 'first' as const }],
    }));
    const answers = Object.fromEntries(
      features.map(({ id }, at) => [
        id,
        Object.fromEntries(plans.map((plan, p) => [plan.id, { is: (at + p) % 3 === 0 ? ('no' as const) : ('yes' as const) }])),
      ]),
    );
    const periods = [
      { id: 'month', name: 'Monthly', months: 1 },
      { id: 'year', name: 'Yearly', months: 12 },
    ];
    const pricing = { ...emptyPricing('Passes', 4), plans, features, answers, periods, featured: 'p2' };
    const placed: TableBlock = {
      ...{ id: 'a', kind: 'table', shows: { kind: 'pricings', id: 'p' }, dress: { kind: 'themes', id: 't' } },
      ...{ plans: { form: 'cards and comparison', lists: 'common lines' }, width: 'fill', align: 'start', room: '0', visitor: null },
    };
    for (const { key, theme } of starters) {
      const page = { ...emptyPage('Passes', 'passes'), blocks: [placed] };
      const { html, css } = compilePage(
        {
          ...{ page, tables: new Map([['p', shownAs('pricings', pricing)]]), pricings: new Map([['p', pricing]]) },
          themes: new Map([['t', { key, view: viewOf(theme) }]]),
        },
        { siteName: 'Site', stylesheet: '/s.css' },
      );
      const [markup, sheet] = [writeHtml(html, 'compact'), writeCss(css, 'compact')];
      expect(markup).toContain('zp-plan');
      expect(markup).toContain('<table');
      expect(brotliCompressSync(markup).length + brotliCompressSync(sheet).length)
        .withContext(key)
        .toBeLessThanOrEqual(12_000);
    }
  });
});
