import { decimalsOf } from './amounts';
import { shownPlans } from './shown';
import type { Plan, Pricing } from './pricing';
import type { Chosen } from './shown-price';
import { priceIn } from './worked-out';

/** What is told of an offer's availability (schema.org ItemAvailability); where it is something else, nothing is. */
const availabilities: { readonly [availability in Plan['availability']]: string | undefined } = {
  'on sale': 'https://schema.org/InStock',
  'sold out': 'https://schema.org/SoldOut',
  'coming soon': 'https://schema.org/PreOrder',
  other: undefined,
};

/** An offer of a plan in a period: with a price, or with none where it is on request. Nothing is told of what is `from` an amount but that. */
function offersOf(pricing: Pricing, plan: Plan, currency: string, address: (href: string) => string): readonly object[] {
  const href = plan.actions.find(({ rank }) => rank === 'first')?.href ?? '';
  return pricing.periods.flatMap(({ id, name, months }) => {
    const price = priceIn(pricing, plan, id, currency);
    if (!price || price.is === 'on request') return [];
    const amount = price.is === 'free' ? '0' : (price.amount ?? '0');
    // As many decimals as the currency has, so that a price is never taken for another.
    const [whole = '0', part = ''] = amount.split('.');
    const value = part === '' ? whole : `${whole}.${part.padEnd(decimalsOf(currency), '0')}`;
    const specification = {
      ...{ '@type': 'UnitPriceSpecification', priceCurrency: currency, ...(price.is === 'from' ? { minPrice: value } : { price: value }) },
      ...(pricing.tax === '' ? {} : { valueAddedTaxIncluded: pricing.tax === 'included' }),
      ...(months === null ? { name } : { billingDuration: `P${months}M` }),
    };
    const availability = availabilities[plan.availability];
    return [
      {
        ...{ '@type': 'Offer', name, ...(price.is === 'from' ? {} : { price: value, priceCurrency: currency }), priceSpecification: specification },
        ...(availability === undefined ? {} : { availability }),
        ...(href === '' ? {} : { url: address(href) }),
      },
    ];
  });
}

/**
 * A pricing table as structured data (JSON-LD; schema.org Product and Offer), as a text that may stand in a `script` element: none of `<`, `>`
 * and `&` is in it. It says what the page says: the plans that are shown, in one currency. `address` makes an address of a link whole.
 */
export function structuredData(
  pricing: Pricing,
  { currency }: Pick<Chosen, 'currency'> = pricing.first,
  address: (href: string) => string = (href) => href,
): string {
  const products = shownPlans(pricing).flatMap((plan) => {
    const offers = offersOf(pricing, plan, currency, address);
    if (offers.length === 0 || plan.name.trim() === '') return [];
    const description = plan.description || plan.subtitle;
    return [{ '@type': 'Product', name: `${pricing.name}: ${plan.name}`, ...(description === '' ? {} : { description }), offers }];
  });
  const data = { '@context': 'https://schema.org', '@graph': products };
  return JSON.stringify(data)
    .replace(/[<>&]/g, (sign) => `\\u00${sign.charCodeAt(0).toString(16)}`)
    .replaceAll('\u2028', '\\u2028')
    .replaceAll('\u2029', '\\u2029');
}
