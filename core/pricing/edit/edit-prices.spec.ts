import { seasonPasses } from '../../examples';
import {
  addCurrency,
  addPeriod,
  comparisonOf,
  emptyPricing,
  priceIn,
  readPricing,
  removeCurrency,
  removePeriod,
  setCurrency,
  structuredData,
  typeAmount,
  type Pricing,
} from '../index';
import { made, says } from '../../tests/outcomes';

const shown = (pricing: Pricing, plan: string, period: string, currency = 'GBP'): string | undefined => {
  const found = pricing.plans.find(({ id }) => id === plan);
  const price = found && priceIn(pricing, found, period, currency);
  return price && `${price.amount ?? price.is}${price.byHand ? ' by hand' : ''}`;
};

describe('Prices that are typed', () => {
  it('are amounts of their period; what was from an amount stays so', () => {
    const typed = made(typeAmount(seasonPasses, 'deck', 'month', '10,50 £'));
    expect(shown(typed, 'deck', 'month')).toBe('10.50');
    const from: Pricing = {
      ...seasonPasses,
      plans: seasonPasses.plans.map((plan) => ({ ...plan, prices: plan.prices.map((price) => ({ ...price, is: 'from' as const })) })),
    };
    expect(made(typeAmount(from, 'deck', 'month', '11')).plans[0]?.prices[0]).toEqual({ period: 'month', is: 'from', amount: '11' });
    expect(shown(made(typeAmount(seasonPasses, 'cabin', 'month', '30')), 'cabin', 'month')).toBe('30');
    expect(readPricing(typed).ok).toBeTrue();
  });
  it('stand in a further currency in place of what is worked out, until they are taken away', () => {
    expect(shown(seasonPasses, 'deck', 'month', 'EUR')).toBe('10.9');
    const own = made(typeAmount(seasonPasses, 'deck', 'month', '12', 'EUR'));
    expect([shown(own, 'deck', 'month', 'EUR'), shown(own, 'deck', 'month')]).toEqual(['12 by hand', '9.50']);
    expect(made(typeAmount(own, 'deck', 'month', '', 'EUR'))).toEqual(seasonPasses);
    expect(says(typeAmount(seasonPasses, 'cabin', 'month', '12', 'EUR'))).toMatch(/no amount in the first currency.*first/);
  });
  it('are taken away by nothing, and left as they are by what cannot be read', () => {
    expect(shown(made(typeAmount(seasonPasses, 'deck', 'month', ' ')), 'deck', 'month')).toBeUndefined();
    expect(says(typeAmount(seasonPasses, 'deck', 'month', '12,5O'))).toMatch(/letter O/);
  });
});

describe('Periods and currencies', () => {
  it('are added and taken away with the prices that hang on them', () => {
    const year = made(addPeriod(seasonPasses, 'Yearly', 12));
    const id = year.periods.at(-1)?.id ?? '';
    const less = made(removePeriod(made(removePeriod(made(typeAmount(year, 'deck', id, '90')), 'month')), 'season'));
    expect([less.first.period, less.plans.map(({ prices }) => prices.length)]).toEqual([id, [1, 0, 0]]);
    expect(readPricing(less).ok).toBeTrue();
    expect(says(removePeriod(less, id))).toMatch(/only period/);
    const six = Array.from({ length: 4 }).reduce<Pricing>((each) => made(addPeriod(each, 'More', null)), seasonPasses);
    expect(says(addPeriod(six, 'More', 1))).toMatch(/at most 6/);
  });
  it('have rates that are typed in either mark, and no rate of nothing', () => {
    const more = made(addCurrency(seasonPasses, 'JPY', '157,315'));
    expect(shown(more, 'deck', 'month', 'JPY')).toBe('1494');
    expect(shown(made(setCurrency(more, 'JPY', { rate: '200' })), 'deck', 'month', 'JPY')).toBe('1900');
    expect(shown(made(setCurrency(more, 'JPY', { rounding: { to: '100', ending: '' } })), 'deck', 'month', 'JPY')).toBe('1500');
    for (const [code, rate, wanted] of [
      ['CHF', '0', /makes every price nothing/],
      ['CHF', '0,00', /makes every price nothing/],
      ['CHF', 'one', /no rate/],
      ['CHF', '-1', /no rate/],
      ['EUR', '1', /there already/],
      ['pounds', '1', /no currency/],
    ] as const)
      expect(says(addCurrency(seasonPasses, code, rate)))
        .withContext(`${code} ${rate}`)
        .toMatch(wanted);
    expect(made(removeCurrency(seasonPasses, 'EUR')).plans[2]?.prices[0]?.by).toBeUndefined();
    expect(says(removeCurrency(seasonPasses, 'GBP'))).toMatch(/typed in GBP/);
  });
});

describe('Structured data of a pricing table', () => {
  interface Data {
    readonly '@graph': readonly {
      readonly name: string;
      readonly offers: readonly { readonly price?: string; readonly url?: string; readonly availability?: string }[];
    }[];
  }
  it('says what the page says: the plans that are shown, their prices in one currency, and where they are had', () => {
    const data = JSON.parse(structuredData(seasonPasses, { currency: 'GBP' }, (href) => `https://lantern.example${href}`)) as Data;
    expect(data['@graph'].map(({ name, offers }) => [name, offers.map(({ price }) => price)])).toEqual([
      ['Season passes: Deck', ['9.50', '51']],
      ['Season passes: Saloon', ['14', '72']],
      ['Season passes: Cabin', ['168']],
    ]);
    expect(data['@graph'][0]?.offers[0]?.url).toBe('https://lantern.example/passes/deck');
    const hidden = {
      ...seasonPasses,
      plans: seasonPasses.plans.map((plan) => ({ ...plan, hidden: plan.id === 'deck', availability: 'sold out' as const })),
    };
    const sold = JSON.parse(structuredData(hidden)) as Data;
    expect(sold['@graph'].map(({ offers }) => offers[0]?.availability)).toEqual(Array.from({ length: 2 }, () => 'https://schema.org/SoldOut'));
  });
  it('cannot end the element that it stands in', () => {
    const hostile: Pricing = {
      ...emptyPricing('</script><script>alert(1)</script>', 1),
      plans: seasonPasses.plans.map((plan) => ({ ...plan, name: '</ScRiPt \u2028 <!--', from: '' })),
      periods: seasonPasses.periods,
    };
    const text = structuredData(hostile);
    expect(text).not.toMatch(/[<\u2028]/);
    expect((JSON.parse(text) as Data)['@graph'][0]?.name).toContain('</ScRiPt');
    expect(comparisonOf(hostile).plans.length).toBe(3);
  });
});
