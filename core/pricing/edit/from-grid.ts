import { bad, good, type Outcome } from '../../outcome';
import { readAmount } from '../amounts';
import {
  PRICING_LIMITS,
  emptyFeature,
  emptyPlan,
  emptyPricing,
  type Answer,
  type Feature,
  type Period,
  type Plan,
  type Price,
  type Pricing,
} from '../pricing';
import { answerFrom, currencyIn, freeWords, fromWords, priceFrom, requestWords } from './read-cells';

/** A pricing table made of a grid, with what was understood of it. */
export interface FromGrid {
  readonly pricing: Pricing;
  /** Whether plans stood across, each in its column, or down, each in its row. */
  readonly plans: 'across' | 'down';
  /** Cells that were no amount where amounts stood, by what they say; they are kept as what the plan is on request for. */
  readonly unread: readonly string[];
}

/** So many letters of a cell are looked at. */
const CELL_MOST = 400;
type Grid = readonly (readonly string[])[];

/** Words by which a period is told in the languages that are ready, and how many months it has. */
const periodWords: readonly (readonly [RegExp, number | null])[] = [
  [/month|monat|mois|mes(?!s)|μήν|μηνια|شهر/iu, 1],
  [/quarter|quartal|trimest|τρίμην|ربع/iu, 3],
  [/half.?year|halbjahr|semest|εξάμην/iu, 6],
  [/year|annual|jahr|\ban\b|\bans\b|annuel|año|anual|έτος|ετήσι|χρόν|سنة|سنوي/iu, 12],
  [/season|saison|temporada|σεζόν|موسم|once|one.?time|einmal|une fois|única|εφάπαξ|مرة/iu, null],
];
const priceWords = /pric|preis|prix|tarif|precio|τιμή|سعر|cost|fee|fare/iu;
const isAmountCell = (text: string): boolean => /\d/.test(text) && readAmount(text.replace(fromWords, '')).ok;
const amountsIn = (cells: readonly string[]): number => cells.filter(isAmountCell).length;
const isPriceLine = ([label = '', ...cells]: readonly string[]): boolean => {
  const filled = cells.filter((each) => each !== '');
  if (filled.length === 0 || amountsIn(filled) + filled.filter((each) => freeWords.test(each) || requestWords.test(each)).length < filled.length / 2)
    return false;
  return (
    priceWords.test(label) ||
    filled.some((each) => currencyIn(each) !== undefined) ||
    (amountsIn(filled) > 0 && periodWords.some(([word]) => word.test(label)))
  );
};

const turned = (grid: Grid): Grid => (grid[0] ?? []).map((_, column) => grid.map((row) => row[column] ?? ''));
/** Without rows and columns in which nothing stands, as a full rectangle. */
function squared(grid: Grid): Grid {
  const width = Math.max(0, ...grid.map((row) => row.length));
  const rows = grid
    .map((row) => Array.from({ length: width }, (_, i) => (row[i] ?? '').slice(0, CELL_MOST).replace(/\s+/g, ' ').trim()))
    .filter((row) => row.some((each) => each !== ''));
  const kept = Array.from({ length: width }, (_, i) => i).filter((i) => rows.some((row) => row[i] !== ''));
  return rows.map((row) => kept.map((i) => row[i] ?? ''));
}

/**
 * A pricing table from a grid of texts. A line of prices says which way plans stand: it goes across them. Ticks, crosses, words of yes and no,
 * numbers and texts become answers; an empty cell is not said. A row with a name alone heads those below it.
 */
export function fromGrid(name: string, cells: Grid, language = ''): Outcome<FromGrid> {
  const grid = squared(cells);
  const ways = (['across', 'down'] as const).map((way) => {
    const lines = (way === 'across' ? grid : turned(grid)).filter((line, i) => i > 0 && isPriceLine(line));
    return {
      way,
      count: lines.length,
      isTold: lines.some(([label = '']) => priceWords.test(label) || periodWords.some(([word]) => word.test(label))),
    };
  });
  // There are fewer prices of a plan than plans, and a line that is called a price is one.
  const [found] = ways.filter(({ count }) => count > 0).sort((one, other) => Number(other.isTold) - Number(one.isTold) || one.count - other.count);
  if (!found)
    return bad({
      code: 'pricing-grid',
      say: 'There is no row and no column of prices in this.',
      remedy: 'Put a price into each plan’s column or row, as £12.50, and the plans’ names above or beside them.',
    });
  return read(name, found.way === 'across' ? grid : turned(grid), found.way, language);
}

function read(name: string, grid: Grid, way: FromGrid['plans'], language: string): Outcome<FromGrid> {
  const [head = [], ...lines] = grid;
  const names = head.slice(1);
  if (names.length > PRICING_LIMITS.plans)
    return bad({
      code: 'pricing-plans',
      say: `There are ${names.length} plans in this.`,
      remedy: `A pricing table has at most ${PRICING_LIMITS.plans}.`,
    });
  const priced = lines.filter(isPriceLine);
  const currency = priced.flatMap((line) => line.slice(1).flatMap((each) => currencyIn(each) ?? []))[0] ?? 'GBP';
  const periods = periodsOf(priced.map(([label = '']) => label));
  const unread: string[] = [];
  const prices = names.map((_, plan) =>
    priced.flatMap((line, i): readonly Price[] => {
      const text = line[plan + 1] ?? '';
      const price = priceFrom(text, currency);
      if (price?.isUnread) unread.push(text);
      return price ? [{ period: periods[i]?.id ?? '', ...price.price }] : [];
    }),
  );
  const rest = lines.filter((line) => !priced.includes(line));
  if (rest.length > PRICING_LIMITS.features)
    return bad({
      code: 'pricing-features',
      say: `There are ${rest.length} features in this.`,
      remedy: `A pricing table has at most ${PRICING_LIMITS.features}.`,
    });
  const plans = names.map((text, i): Plan => ({ ...emptyPlan(`p${i + 1}`, text.slice(0, PRICING_LIMITS.name)), prices: prices[i] ?? [] }));
  const features: Feature[] = [];
  const answers: Record<string, Readonly<Record<string, Answer>>> = {};
  rest.forEach(([label = '', ...given], i) => {
    const isGroup = given.every((each) => each === '');
    const feature = emptyFeature(isGroup ? `g${i + 1}` : `f${i + 1}`, label.slice(0, PRICING_LIMITS.name), isGroup ? 'group' : 'feature');
    features.push(feature);
    const row = given.flatMap((text, plan) => (text === '' ? [] : [[`p${plan + 1}`, answerFrom(text, language)] as const]));
    if (row.length > 0) answers[feature.id] = Object.fromEntries(row);
  });
  const [first] = periods;
  const pricing: Pricing = {
    ...emptyPricing(name, 1, currency),
    ...{ language, caption: head[0] || name, periods, plans, features, answers },
    first: { period: first?.id ?? 'month', currency },
  };
  return good({ pricing, plans: way, unread });
}

/** The periods of lines of prices, told by their labels; the same months never twice. */
function periodsOf(labels: readonly string[]): readonly Period[] {
  const taken = new Set<number>();
  return labels.slice(0, PRICING_LIMITS.periods).map((label, i): Period => {
    const found = periodWords.find(([word]) => word.test(label))?.[1];
    const months = found === undefined ? (labels.length === 1 ? 1 : null) : found;
    const free = months !== null && !taken.has(months) ? months : null;
    if (free !== null) taken.add(free);
    return { id: `t${i + 1}`, name: label.slice(0, 60) || `Price ${i + 1}`, months: free };
  });
}
