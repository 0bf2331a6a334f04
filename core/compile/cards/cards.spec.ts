import { readability } from '../../paint';
import { seasonPasses } from '../../examples';
import { emptyPlan, everyPeriod, type Pricing } from '../../pricing';
import { fontSize, winnerAt } from '../../resolve';
import { randomPricing } from '../../tests/plans';
import { dice } from '../../tests/random';
import { themeWith, viewOf } from '../../tests/themes';
import { cardParts, partOf, shippedStarters, type PartName, type Slot } from '../../theme';
import { writeCss } from '../sheet/stylesheet';
import { sheetOf } from '../sheet/sheet';
import { writeHtml } from '../markup/markup';
import { cardConditions, cardsCss, cardsElement, choiceRules, choicesElements, linesInCommon, type CardsHtmlOptions } from './index';

const DRESSED = { id: 'c', theme: 'k' };
const html = (pricing: Pricing, given: Partial<CardsHtmlOptions> = {}): string =>
  [...choicesElements(pricing, DRESSED), cardsElement(pricing, { ...DRESSED, manner: 'common lines', level: 3, ...given })]
    .map((each) => writeHtml(each, 'compact'))
    .join('');
const slot = (part: PartName, ...conditions: Slot['conditions']): Slot => ({ part, conditions });

describe('Cards as markup', () => {
  const passes = html(seasonPasses);
  it('are a list of plans with a heading each, at the level that is asked for', () => {
    expect(passes.match(/<li class="zp-plan/g)?.length).toBe(3);
    expect(passes).toContain('<h3 class="zp-name">Deck</h3>');
    expect(html(seasonPasses, { level: 2 })).toContain('<h2 class="zp-name">Deck</h2>');
    expect(passes).toContain('<li class="zp-plan zp-featured">');
  });
  it('say to those who hear it what a plan does not have, and what was not said', () => {
    const [first] = seasonPasses.features.filter(({ kind }) => kind === 'feature');
    const [plan] = seasonPasses.plans;
    const asked = (is: 'no' | undefined): string =>
      html({ ...seasonPasses, answers: is && first && plan ? { [first.id]: { [plan.id]: { is } } } : { [first?.id ?? '']: {} } });
    expect(asked('no')).toContain('<li class="zp-feature zp-absent"><span class="zp-heard">Not included: </span>');
    expect(asked(undefined)).toContain('<li class="zp-feature zp-not-said"><span class="zp-heard">Not said: </span>');
    expect(html({ ...seasonPasses, language: 'de' })).toContain('<span class="zp-heard">Nicht enthalten: </span>');
  });
  it('have radio buttons for their periods, whose names are the placement’s own, with what is saved', () => {
    expect(passes.match(/<input type="radio" name="c-period"/g)?.length).toBe(everyPeriod(seasonPasses).length);
    expect(passes).toContain('checked');
    expect(passes).toMatch(/A season, save up to \d+%<\/label>/);
    expect(html({ ...seasonPasses, periods: seasonPasses.periods.slice(0, 1) })).not.toContain('c-period');
  });
  it('have a switch of currencies where there are several, and each price in all of them', () => {
    expect(passes).toContain('<fieldset class="zp-currencies"><legend class="zp-heard">Currency</legend>');
    expect(passes.match(/<input type="radio" name="c-currency"[^>]*>/g)?.map((each) => each.includes('checked'))).toEqual([true, false]);
    expect(passes).toMatch(
      /<div class="zp-of-period zp-p0 zp-of-currency zp-c1"><p class="zp-price"><span class="zp-sign">€<\/span>10<span class="zp-cents">\.90/,
    );
    const single = html({ ...seasonPasses, currencies: seasonPasses.currencies.slice(0, 1) });
    expect(single).not.toMatch(/zp-currencies|zp-of-currency/);
    expect(html({ ...seasonPasses, saving: 'money' })).toContain('>A season</label>');
    const css = writeCss(choiceRules([seasonPasses]), 'compact');
    expect(css).toContain('.zp-choices:has(.zp-currencies .zp-c1:checked)~* .zp-of-currency:not(.zp-c1){display:none}');
    expect(writeCss(choiceRules([{ ...seasonPasses, currencies: seasonPasses.currencies.slice(0, 1) }]), 'compact')).not.toContain('zp-of-currency');
  });
  it('have a picture in place of an icon, which leads nowhere and says nothing that the plan’s name does not', () => {
    const plans = seasonPasses.plans.map((plan, at) => (at === 0 ? { ...plan, icon: 'boat', picture: '/pictures/ab12.png' } : plan));
    expect(html({ ...seasonPasses, plans })).toContain('<img class="zp-plan-icon" src="/pictures/ab12.png" alt loading="lazy">');
    expect(html({ ...seasonPasses, plans })).not.toContain('<svg');
    const none = plans.map((plan) => ({ ...plan, icon: '', picture: '' }));
    expect(html({ ...seasonPasses, plans: none })).not.toMatch(/<img|zp-plan-icon/);
  });
  it('part a price into its currency and its decimals, whatever stands around it', () => {
    expect(passes).toContain('<p class="zp-price"><span class="zp-sign">£</span>9<span class="zp-cents">.50</span></p>');
    const french = html({ ...seasonPasses, language: 'fr-FR' });
    expect(french).toMatch(/<p class="zp-price">9<span class="zp-cents">,50<\/span>.*?<span class="zp-sign">£GB<\/span>/);
  });
  it('say whose an action is, and lead nowhere where a plan cannot be had', () => {
    expect(passes).toContain('aria-label="Take Deck: Deck"');
    const full = html({ ...seasonPasses, plans: seasonPasses.plans.map((plan) => ({ ...plan, availability: 'sold out' as const })) });
    expect(full).toContain('<a class="zp-act" role="link" aria-disabled="true">Sold out</a>');
    expect(full).not.toContain('href=');
  });
  it('have as many lines in common as pieces, the same in every card, for random pricing tables', () => {
    for (let seed = 0; seed < 60; seed++) {
      const pricing = randomPricing(dice(seed));
      for (const manner of ['own lists', 'common lines'] as const) {
        const [, list] = cardsElement(pricing, { id: 'c', theme: 'k', manner, level: 2 }).children.flatMap((each) =>
          typeof each !== 'string' && each.tag === 'ul' ? [each, each] : [],
        );
        const counts = (list?.children ?? []).map((card) => {
          if (typeof card === 'string') return 0;
          return card.children.reduce((sum, piece) => {
            const isList = typeof piece !== 'string' && piece.tag === 'ul' && manner === 'common lines';
            return sum + (isList ? piece.children.length : 1);
          }, 0);
        });
        expect(Math.max(...counts))
          .withContext(`seed ${seed}, ${manner}`)
          .toBe(linesInCommon(pricing, manner));
      }
    }
  });
  it('say what a feature or a group means to those who open it, without a script', () => {
    const features = seasonPasses.features.map((each) => (each.id === 'late' || each.id === 'g1' ? { ...each, hint: 'After ten <at night>' } : each));
    const said = html({ ...seasonPasses, features });
    expect(said).toContain(
      '<li class="zp-feature"><details class="zp-hint"><summary>Late boats</summary><p>After ten &lt;at night&gt;</p></details></li>',
    );
    expect(said).toContain('<li class="zp-features-of"><details class="zp-hint"><summary>Crossings</summary>');
    expect(passes).not.toContain('<details');
  });
  it('let nothing that was typed become an element', () => {
    const evil = '"><script>alert(1)</script>';
    const plan = { ...emptyPlan('p', evil), subtitle: evil, badge: evil, note: evil, actions: [{ text: evil, href: '/a', rank: 'first' as const }] };
    expect(html({ ...seasonPasses, plans: [plan], caption: evil })).not.toContain('<script');
  });
});

describe('The stylesheet of cards', () => {
  const text = (values: Parameters<typeof themeWith>[0]): string => writeCss(cardsCss(viewOf(themeWith(values)), 'k'), 'compact');
  it('adds nothing to that of tables, and the tables’ nothing to it', () => {
    for (const { key, theme } of shippedStarters) {
      const sheet = (cards?: 'too' | 'alone'): string =>
        writeCss(sheetOf(viewOf(theme), { use: 'page', key: 'k', ...(cards ? { cards } : {}) }), 'compact');
      expect(sheet()).withContext(key).not.toContain('zp-k-cards');
      expect(sheet('alone'))
        .withContext(key)
        .not.toMatch(/\.zp-k[^-]/);
    }
  });
  it('says once what is the same under more conditions', () => {
    const css = text({ plan: { rest: { fill: 'mist' }, featured: { fill: 'mist', ink: 'deep' } } });
    expect(css.match(/background-color:var\(--zp-mist\)/g)?.length).toBe(1);
    expect(css).toContain('.zp-k-cards :where(.zp-plan.zp-featured){');
  });
  it('makes a card grow outwards beyond the lines that all have in common, by as much as it takes inside', () => {
    const css = text({ plan: { featured: { outward: '12px' } } });
    expect(css).toContain('margin-block:calc(-1*12px) calc(calc(16px + 12px) - 12px);padding-block:calc(0px + 12px) calc(0px + 12px)');
  });
  it('asks for every set of conditions once, smaller ones first', () => {
    for (const part of cardParts) {
      const sets = cardConditions(part);
      expect(new Set(sets.map((set) => set.join(' '))).size).toBe(sets.length);
      expect(sets.map(({ length }) => length)).toEqual([...sets.map(({ length }) => length)].sort((a, b) => a - b));
      for (const condition of partOf(part).conditions.filter((each) => each !== 'rest'))
        expect(sets.some((set) => set.length === 1 && set[0] === condition))
          .withContext(`${part} ${condition}`)
          .toBeTrue();
    }
  });
});

describe('What a theme of before says of cards', () => {
  const view = viewOf(
    themeWith({
      table: { rest: { fill: '#fafafa', radius: '9px' } },
      'column-headers': { rest: { fill: '#123c4d', ink: '#ffffff', weight: '800', case: 'uppercase', size: '20px' } },
      'body-rows': { rest: { ink: '#334455', 'padding-start': '30px' } },
      buttons: { rest: { fill: '#e2590a', ink: '#000000', radius: '7px' }, hovered: { fill: '#ffffff' } },
      'pager-items': { current: { fill: '#00ff00' } },
    }),
  );
  const css = (at: Slot, name: Parameters<typeof winnerAt>[2]): string => winnerAt(view, at, name).value.css;
  it('dresses a card as the rows, its name in the headers’ type and not in their colours', () => {
    expect(css(slot('plan'), 'ink')).toBe('#334455');
    expect([css(slot('plan-heading'), 'weight'), css(slot('plan-heading'), 'case'), css(slot('plan-heading'), 'ink')]).toEqual([
      '800',
      'uppercase',
      '#334455',
    ]);
    expect(css(slot('plan'), 'radius')).toBe('9px');
    expect([css(slot('plan'), 'padding-start'), css(slot('feature'), 'padding-start')]).toEqual(['0', '30px']);
  });
  it('makes an action its button under all that it can be, and the switch its pager', () => {
    expect([css(slot('action'), 'fill'), css(slot('action', 'featured', 'hovered'), 'fill')]).toEqual(['#e2590a', '#ffffff']);
    expect(css(slot('action'), 'radius')).toBe('7px');
    expect(css(slot('period-switch', 'current'), 'fill')).toBe('#00ff00');
  });
  it('has what lies under every theme where it says nothing of a part itself', () => {
    expect(fontSize(view, slot('price'))).toBeCloseTo(fontSize(view, slot('plan')) * 1.7, 5);
    expect(css(slot('feature', 'absent'), 'icon')).not.toBe(css(slot('feature'), 'icon'));
    const own = viewOf(themeWith({ price: { rest: { size: '40px' } }, plan: { rest: { 'padding-start': '3px' } } }));
    // A card's own room is its own.
    expect([winnerAt(own, slot('plan'), 'padding-start').value.css, winnerAt(own, slot('price'), 'padding-start').value.css]).toEqual([
      '3px',
      '12px',
    ]);
    expect(fontSize(own, slot('price'))).toBe(40);
  });
  it('can be read in every shipped starter, featured or not', () => {
    for (const { key, version, theme } of shippedStarters)
      for (const part of cardParts)
        for (const conditions of cardConditions(part).filter((set) => !set.includes('disabled'))) {
          const { ratio, needed } = readability(viewOf(theme), slot(part, ...conditions));
          expect(ratio)
            .withContext(`${key} ${version}: ${part} ${conditions.join(' ')}`)
            .toBeGreaterThanOrEqual(needed);
        }
  });
});
