import type { ModeName, Values } from '../theme';

/** How often a price is paid: `months` is how many months one payment is for, null where that cannot be said. */
export interface Period {
  readonly id: string;
  readonly name: string;
  readonly months: number | null;
}

/**
 * A currency in which prices are shown. The first of a document's is the one in which they are typed; each further one has a rate, how
 * much of it one of the first is worth, as an exact decimal.
 */
export interface Currency {
  /** ISO 4217. */
  readonly code: string;
  readonly rate?: string;
  /** To what amounts that are worked out are rounded: a step (`1`), and what they end with (`.90`); missing for the currency's own custom. */
  readonly rounding?: { readonly to: string; readonly ending: string };
}

export const priceKinds = ['amount', 'from', 'free', 'on request'] as const;

/** What a plan costs in one period. */
export interface Price {
  readonly period: string;
  readonly is: (typeof priceKinds)[number];
  /** An exact decimal with a point (`12.50`); of `amount` and `from` alone. */
  readonly amount?: string;
  /** What it was before, as an exact decimal. */
  readonly was?: string;
  /** What it is for, as `per berth`. */
  readonly unit?: string;
  /** Amounts in further currencies that were typed, in place of those that are worked out. */
  readonly by?: Readonly<Record<string, string>>;
}

export interface Action {
  readonly text: string;
  readonly href: string;
  readonly rank: 'first' | 'second';
}

export const availabilities = ['on sale', 'sold out', 'coming soon', 'other'] as const;

export interface Plan {
  readonly id: string;
  readonly name: string;
  readonly subtitle: string;
  readonly description: string;
  /** An icon of the shelf; empty for none. */
  readonly icon: string;
  /** The address of a picture that was brought in, in place of the icon; empty or left out for none. */
  readonly picture?: string;
  /** A colour of the theme's syntax; empty for the theme's own. */
  readonly accent: string;
  /** What it is instead in modes. */
  readonly accentIn?: { readonly [mode in ModeName]?: string };
  readonly badge: string;
  readonly hidden: boolean;
  /** The plan of which it has everything; empty for none. */
  readonly from: string;
  readonly availability: (typeof availabilities)[number];
  /** What is said in place of its first action where it is not on sale; empty for the language's own word. */
  readonly availabilityText: string;
  readonly prices: readonly Price[];
  readonly actions: readonly Action[];
  readonly note: string;
}

export const featurePlaces = ['both', 'cards', 'comparison'] as const;

/** A group of features, or a feature. A group has those that follow it, up to the next group. */
export interface Feature {
  readonly id: string;
  readonly kind: 'group' | 'feature';
  readonly name: string;
  /** What it means, for those who ask. */
  readonly hint: string;
  readonly in: (typeof featurePlaces)[number];
  /** Whether it is to be seen before others. */
  readonly emphasised?: boolean;
  /** How a card says a number of it, by plural forms (Unicode CLDR); `{n}` stands for the number, `other` is always there. */
  readonly phrase: Readonly<Record<string, string>>;
}

export const answerKinds = ['yes', 'no', 'text', 'number', 'limit'] as const;

/** What a plan has of a feature. No answer at all is not said, which is not no. */
export interface Answer {
  readonly is: (typeof answerKinds)[number];
  /** An exact decimal; of `number` and `limit` alone. */
  readonly n?: string;
  readonly text?: string;
  /** What the card says in place of the feature's phrase. */
  readonly card?: string;
  /** The id of a footnote. */
  readonly note?: string;
}

export const savingKinds = ['percent', 'money', 'months', 'nothing'] as const;

/** A look that one plan, one feature, or what crosses both has beside the theme. */
export interface PricingException {
  readonly plan: string | null;
  readonly feature: string | null;
  readonly values: Values;
}

/**
 * A pricing table as it is kept and exchanged. Order is in lists alone; answers hang on the ids of a feature and of a plan, prices on
 * that of a period, so nothing goes astray when something moves.
 */
export interface Pricing {
  readonly format: 'zest-pricing/1';
  readonly name: string;
  readonly caption: string;
  /** BCP 47; amounts are written in it. Empty for English. */
  readonly language: string;
  readonly periods: readonly Period[];
  readonly currencies: readonly Currency[];
  /** What is shown first. */
  readonly first: { readonly period: string; readonly currency: string };
  readonly tax: 'included' | 'not included' | '';
  /** What a longer period is said to save, always rounded down. */
  readonly saving: (typeof savingKinds)[number];
  /** What is shown where a plan has no price for a period; empty for nothing. */
  readonly unpriced: string;
  /** Whether answers that neighbours have in common are one cell in the comparison. */
  readonly joined?: boolean;
  /** Whether yes and no are seen as a tick and a dash in the comparison, and heard as words. */
  readonly marked?: boolean;
  readonly plans: readonly Plan[];
  /** The id of the plan that is to stand out; empty for none. */
  readonly featured: string;
  readonly features: readonly Feature[];
  readonly answers: Readonly<Record<string, Readonly<Record<string, Answer>>>>;
  readonly notes: readonly { readonly id: string; readonly text: string }[];
  readonly exceptions: readonly PricingException[];
  /** The id of the theme that it wears; may be empty. */
  readonly theme: string;
}

export const PRICING_FORMAT = 'zest-pricing/1';

/** How much a pricing table has at most. */
export const PRICING_LIMITS = {
  plans: 12,
  features: 400,
  periods: 6,
  currencies: 12,
  notes: 60,
  actions: 2,
  name: 120,
  text: 500,
  exceptions: 500,
} as const;

export const emptyPlan = (id: string, name: string): Plan => ({
  ...{ id, name, subtitle: '', description: '', icon: '', accent: '', badge: '', hidden: false, from: '', availability: 'on sale' },
  ...{ availabilityText: '', prices: [], actions: [], note: '' },
});

export const emptyFeature = (id: string, name: string, kind: Feature['kind'] = 'feature'): Feature => ({
  ...{ id, kind, name, hint: '', in: 'both', phrase: {} },
});

/** A pricing table of so many plans, paid by the month in one currency. */
export const emptyPricing = (name: string, plans: number, currency = 'GBP'): Pricing => ({
  ...{ format: PRICING_FORMAT, name, caption: name, language: '', tax: 'included', saving: 'percent', unpriced: '', featured: '', theme: '' },
  periods: [{ id: 'month', name: 'Monthly', months: 1 }],
  currencies: [{ code: currency }],
  first: { period: 'month', currency },
  plans: Array.from({ length: plans }, (_, i) => emptyPlan(`p${i + 1}`, `Plan ${i + 1}`)),
  features: [],
  answers: {},
  notes: [],
  exceptions: [],
});
