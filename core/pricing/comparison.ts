import {
  PLAIN_COLUMN,
  makeHeading,
  mergeEqual,
  plainColumns,
  setExceptions,
  tableOf,
  type Column,
  type Exception,
  type Mark,
  type Row,
  type Table,
} from '../table';
import { isOfColumns } from '../theme';
import { own } from '../own';
import { answerOf, type Given } from './answers';
import type { Feature, Plan, Pricing } from './pricing';
import { choicesOf, chosenCell } from './choices';
import { everyPeriod, shownPlans } from './shown';
import { writtenPrice, type Chosen, type WrittenPrice } from './shown-price';
import { pricingWords, type PricingWords } from './words';

/** What a row of the comparison is about. */
export type ComparisonRow =
  | { readonly is: 'names' | 'badge' | 'action' }
  | { readonly is: 'price'; readonly chosen: Chosen }
  | { readonly is: 'group' | 'feature'; readonly feature: Feature };

/** A pricing table as a table: a column for each plan that is shown, and what each row is about. */
export interface Comparison {
  readonly table: Table;
  /** For each row of the table. */
  readonly rows: readonly ComparisonRow[];
  /** The plans, in the columns from the second on. */
  readonly plans: readonly Plan[];
}

/** An answer as the comparison says it; nothing where nothing is said. */
export function answerText(given: Given | undefined, language: string, words: PricingWords): string {
  if (!given) return '';
  const { is, n, text = '' } = given.answer;
  if (is === 'yes' || is === 'no') return text === '' ? words[is] : text;
  if (is === 'text') return text;
  const number = new Intl.NumberFormat(language || 'en', { maximumFractionDigits: 20 }).format((n ?? '') as unknown as number);
  return text === '' ? number : `${number} ${text}`;
}

/**
 * The comparison of all plans that are shown. A column's header is the plan's name alone, since it is heard at every cell; price and action
 * are rows below it, then the features by their groups. Nothing of it is kept: it is made anew whenever it is asked for. Where more than
 * one period is chosen, each has a row of its own.
 */
export function comparisonOf(
  pricing: Pricing,
  chosen: Chosen | readonly Chosen[] = pricing.first,
  { says = barePrice, isShown = false, isWhole = false }: ComparisonOptions = {},
): Comparison {
  const prices = 'period' in chosen ? [chosen] : chosen;
  const words = pricingWords(pricing.language);
  const plans = shownPlans(pricing);
  const rows = rowsOf(pricing, prices, isWhole, isShown);
  const hints = isShown ? hintsOf(pricing, rows) : new Map<string, number>();
  const nameOf = ({ id, name, emphasised }: Feature): Row[number] => noted(name, hints.get(id), isShown && emphasised === true);
  const row = (name: Row[number], of: (plan: Plan) => Row[number]): Row => [name, ...plans.map(of)];
  const texts = rows.map((each): Row => {
    switch (each.is) {
      case 'names':
        return row(pricing.caption === '' ? words.features : pricing.caption, ({ name }) => name);
      case 'badge':
        return row(words.badge, ({ badge }) => badge);
      case 'price':
        return row(prices.length === 1 ? words.price : periodName(pricing, each.chosen.period), (plan) => says(pricing, plan, each.chosen));
      case 'action':
        return row(words.action, actionCell(words));
      case 'group':
        return row(nameOf(each.feature), () => '');
      case 'feature':
        return row(nameOf(each.feature), (plan) => {
          const given = answerOf(pricing, each.feature, plan);
          const text = answerText(given, pricing.language, words);
          return isShown ? noted(text, noteOf(pricing, given), false, pricing.marked === true ? markOf(given) : undefined) : text;
        });
    }
  });
  const { name, caption, language, theme } = pricing;
  const columns = isShown ? columnsOf(pricing, plans) : plainColumns(plans.length + 1);
  const plain = tableOf(name, texts, { kind: 'pricing', headerRows: 1, rowHeaders: 1, caption, language, theme, columns });
  const headed = rows.reduce((table, { is }, at) => {
    const made = is === 'group' ? makeHeading(table, at) : undefined;
    return made?.ok ? made.value : table;
  }, plain);
  const seen = isShown ? standingOut(pricing, pricing.joined === true ? withJoined(pricing, headed, rows, plans) : headed, plans) : headed;
  return { table: withLooks(pricing, seen, rows, plans), rows, plans };
}

/**
 * What is said of a plan's price; whether it is as visitors see it, with badges, footnotes, hints and what stands out; and whether everything is
 * there that could be said: rows for actions, features of cards alone, empty groups.
 */
interface ComparisonOptions {
  readonly says?: (pricing: Pricing, plan: Plan, chosen: Chosen) => Row[number];
  readonly isShown?: boolean;
  readonly isWhole?: boolean;
}

/** A column for each plan, after that of the features. */
const columnsOf = ({ featured }: Pricing, plans: readonly Plan[]): readonly Column[] => [
  PLAIN_COLUMN,
  ...plans.map(({ id }): Column => (id === featured ? { ...PLAIN_COLUMN, featured: true } : PLAIN_COLUMN)),
];

/** Whether anything is said of a feature: one that was only made has no name, and no plan has it. */
export const isSaid = ({ answers }: Pricing, { id, name }: Feature): boolean => name.trim() !== '' || own(answers, id) !== undefined;

/** What each row is about. */
function rowsOf(pricing: Pricing, prices: readonly Chosen[], isWhole: boolean, isShown = false): readonly ComparisonRow[] {
  const features = pricing.features.filter(
    (each, i, all) => isWhole || (each.kind === 'feature' ? each.in !== 'cards' && isSaid(pricing, each) : heads(all, i)),
  );
  const hasActions = isWhole || shownPlans(pricing).some(({ actions }) => actions.length > 0);
  return [
    { is: 'names' },
    ...(isShown && shownPlans(pricing).some(({ badge }) => badge !== '') ? [{ is: 'badge' as const }] : []),
    ...prices.map((chosen) => ({ is: 'price' as const, chosen })),
    ...(hasActions ? [{ is: 'action' as const }] : []),
    ...features.map((feature) => ({ is: feature.kind, feature })),
  ];
}

type PriceCell = NonNullable<ComparisonOptions['says']>;
const barePrice: PriceCell = (pricing, plan, chosen) => writtenPrice(pricing, plan, chosen)?.text ?? pricing.unpriced;
const periodName = ({ periods }: Pricing, period: string): string => periods.find(({ id }) => id === period)?.name ?? '';

/** A price with what it was and what it saves in small print, each on a line of its own. */
const wholePrice: PriceCell = (pricing, plan, chosen) => {
  const price = writtenPrice(pricing, plan, chosen);
  return price ? withSmall(price) : pricing.unpriced;
};
function withSmall({ text, was, saving }: WrittenPrice): Row[number] {
  const small = [was, saving].filter((each) => each !== undefined).join('\n');
  if (small === '') return text;
  return { text: `${text}\n${small}`, marks: [{ from: text.length + 1, to: text.length + 1 + small.length, kind: 'small' }] };
}

/** The number of an answer's footnote, from 1; undefined for none. */
function noteOf({ notes }: Pricing, given: Given | undefined): number | undefined {
  const at = notes.findIndex(({ id }) => id === given?.answer.note);
  return at < 0 ? undefined : at + 1;
}

/** The number under which what each feature and group means stands below a comparison: after the footnotes. */
const hintsOf = ({ notes }: Pricing, rows: readonly ComparisonRow[]): ReadonlyMap<string, number> =>
  new Map(
    rows
      .flatMap((row) => ('feature' in row && row.feature.hint.trim() !== '' ? [row.feature.id] : []))
      .map((id, at) => [id, notes.length + at + 1] as const),
  );

/** The icon in place of a bare yes or no. */
const markOf = (given: Given | undefined): string | undefined =>
  given && !given.answer.text ? { yes: 'tick', no: 'dash', text: undefined, number: undefined, limit: undefined }[given.answer.is] : undefined;

/** A text with the number of its footnote behind it, in bold where it is to be seen before others; as an icon that says it where one is named. */
function noted(text: string, note: number | undefined, isBold = false, icon?: string): Row[number] {
  const number = note === undefined ? '' : `\u00a0${note}`;
  const marks: readonly Mark[] = [
    ...(icon === undefined || text === '' ? [] : [{ from: 0, to: text.length, kind: 'icon' as const, href: icon }]),
    ...(isBold && text !== '' ? [{ from: 0, to: text.length, kind: 'bold' as const }] : []),
    ...(number === '' ? [] : [{ from: text.length, to: text.length + number.length, kind: 'super' as const }]),
  ];
  return marks.length === 0 ? text : { text: text + number, marks };
}

/** The comparison as it stands on a page: with what each period costs, what it cost before and what it saves, and with its footnotes below. */
export const wholeComparison = (pricing: Pricing): Comparison =>
  withNotes(pricing, comparisonOf(pricing, everyPeriod(pricing), { says: wholePrice, isShown: true }));

/** A comparison as a table of its own, to be kept, which knows nothing more of plans. */
export const withoutPlans = (table: Table): Table => ({ ...table, columns: table.columns.map(({ featured: _, ...column }) => column) });

/**
 * The same where visitors can choose what they see, period or currency: prices stand in one row, and in each of its cells what is said for
 * every choice.
 */
export function placedComparison(pricing: Pricing): Comparison {
  const choices = choicesOf(pricing);
  if (choices.length < 2) return wholeComparison(pricing);
  const says: PriceCell = (_, plan) => chosenCell(choices.map(({ choice, chosen }) => ({ choice, cell: wholePrice(pricing, plan, chosen) })));
  return withNotes(pricing, comparisonOf(pricing, pricing.first, { says, isShown: true }));
}

function withNotes(pricing: Pricing, made: Comparison): Comparison {
  const named = new Set(
    made.rows.flatMap((row) => (row.is === 'feature' ? made.plans.map((plan) => noteOf(pricing, answerOf(pricing, row.feature, plan))) : [])),
  );
  const notes = pricing.notes.flatMap(({ text }, i) => (named.has(i + 1) ? [`${i + 1} ${text}`] : []));
  const hints = hintsOf(pricing, made.rows);
  const meant = made.rows.flatMap((row) =>
    'feature' in row && hints.has(row.feature.id) ? [`${hints.get(row.feature.id)} ${row.feature.hint.trim()}`] : [],
  );
  // Where it does not fit, the names of the features stay in view.
  return { ...made, table: { ...made.table, pinned: true, note: [...notes, ...meant].join('\n') } };
}

const pricesIn = ({ periods }: Pricing, currency: string): readonly Chosen[] => periods.map(({ id }) => ({ period: id, currency }));

/** The comparison as it is worked on: everything that can be typed has its cell, and every period its row, in one currency. */
export const editedComparison = (pricing: Pricing, currency = pricing.first.currency): Comparison =>
  comparisonOf(pricing, pricesIn(pricing, currency), { isWhole: true });

/** What the rows of that are about. */
export const editedRows = (pricing: Pricing, currency = pricing.first.currency): readonly ComparisonRow[] =>
  rowsOf(pricing, pricesIn(pricing, currency), true);

/** Whether any feature of a group stands in the comparison. */
function heads(features: readonly Feature[], at: number): boolean {
  for (const { kind, in: place } of features.slice(at + 1)) {
    if (kind === 'group') return false;
    if (place !== 'cards') return true;
  }
  return false;
}

/** A plan's first action, as a link; what is said instead where it cannot be had. */
const actionCell =
  (words: PricingWords) =>
  ({ availability, availabilityText, actions: [first] }: Plan): Row[number] => {
    const instead = availability === 'sold out' ? words.soldOut : availability === 'coming soon' ? words.comingSoon : '';
    if (availability !== 'on sale') return availabilityText || instead;
    if (!first || first.text === '') return '';
    return first.href === '' ? first.text : { text: first.text, marks: [{ from: 0, to: first.text.length, kind: 'link', href: first.href }] };
  };

/** Answers that neighbouring plans have in common as one cell over all of them. What stands out stays apart: its frame would be interrupted. */
function withJoined(pricing: Pricing, table: Table, rows: readonly ComparisonRow[], plans: readonly Plan[]): Table {
  const at = plans.findIndex(({ id }) => id === pricing.featured) + 1;
  const stretches =
    at === 0
      ? [[1, plans.length] as const]
      : ([
          [1, at - 1],
          [at + 1, plans.length],
        ] as const);
  const joined = (given: Table, row: number): Table =>
    stretches.reduce((each, [column, toColumn]) => {
      const made = column < toColumn ? mergeEqual(each, { row, column, toRow: row, toColumn }) : undefined;
      return made?.ok ? made.value : each;
    }, given);
  return rows.reduce((each, { is }, row) => (is === 'feature' ? joined(each, row) : each), table);
}

/** The plan that is to stand out has a frame around its column: in its own accent or, without one, as its card has it at the least. */
function standingOut({ featured }: Pricing, table: Table, plans: readonly Plan[]): Table {
  const at = plans.findIndex(({ id }) => id === featured);
  const plan = plans[at];
  if (!plan) return table;
  const frame = `2px solid ${plan.accent.trim() === '' ? '#808080' : plan.accent.trim()}`;
  return setExceptions(table, [{ row: null, column: at + 1 }], (given) => ({ ...given, reach: 'header', values: { frame } }));
}

/** The looks of plans, features and crossings, on the columns, rows and cells that these are here. */
function withLooks(pricing: Pricing, table: Table, rows: readonly ComparisonRow[], plans: readonly Plan[]): Table {
  return pricing.exceptions.reduce((each, { plan, feature, values }) => {
    const column = plan === null ? null : plans.findIndex(({ id }) => id === plan) + 1;
    const row = feature === null ? null : rows.findIndex((at) => 'feature' in at && at.feature.id === feature);
    // A plan that is hidden, or a feature of cards alone, is not here.
    if (column === 0 || row === -1) return each;
    const own = row === null ? values : Object.fromEntries(Object.entries(values).filter(([name]) => !isOfColumns(name)));
    if (Object.keys(own).length === 0) return each;
    const look = (given: Exception): Exception => ({ ...given, reach: row === null ? 'header' : '', values: { ...given.values, ...own } });
    return setExceptions(each, [{ row, column }], look);
  }, table);
}
