import {
  everyBlock,
  hasCards,
  hasComparison,
  showsCards,
  showsComparison,
  showsOneAtATime,
  tableRef,
  type PlanForm,
  type TableBlock,
} from '../../page';
import { choicesOf, placedComparison, shownPlans, structuredData, viewWithAccent, type Pricing } from '../../pricing';
import type { ThemeView } from '../../theme';
import { accentRules, accentedCards, cardsElement, choicesElements, linesInCommon } from '../cards';
import { contract } from '../markup/contract';
import { element, type Element } from '../markup/markup';
import { inEveryLook } from '../sheet/sheet';
import { planAccent } from '../sheet/plan-accent';
import { rule, type CssNode, type Declaration, type Stylesheet } from '../sheet/stylesheet';
import { wornBy, type PageInput } from './page-input';

/** The pricing table of a placement that shows cards at some width; undefined for every other placement. */
export const pricingOf = (block: TableBlock, { pricings }: Pick<PageInput, 'pricings'>): Pricing | undefined =>
  showsCards(block.plans) ? pricings?.get(tableRef(block)) : undefined;

/** The pricing table of a placement in which visitors can choose what they see, in whichever form; undefined for every other placement. */
export function choosingOf(block: TableBlock, { pricings }: Pick<PageInput, 'pricings'>): Pricing | undefined {
  const pricing = pricings?.get(tableRef(block));
  return pricing && choicesOf(pricing).length > 1 ? pricing : undefined;
}

/** Tables by their names, each pricing table in which visitors can choose as the comparison that says all that can be chosen. */
export function withChoices({ tables, pricings = new Map<string, Pricing>() }: Pick<PageInput, 'tables' | 'pricings'>): PageInput['tables'] {
  const choosing = [...pricings].filter(([ref, pricing]) => tables.has(ref) && choicesOf(pricing).length > 1);
  return choosing.length === 0 ? tables : new Map([...tables, ...choosing.map(([ref, pricing]) => [ref, placedComparison(pricing).table] as const)]);
}

/** The switches of a placement's pricing table, for all of its forms; `id` is that of the placement. */
export const placedSwitches = (pricing: Pricing, id: string, theme: string | undefined): readonly Element[] =>
  choicesElements(pricing, { id: cardsId(id), theme });

/** The level of a heading below the last one before a block. */
function levelAt({ page }: PageInput, { id }: TableBlock): number {
  const before = everyBlock(page.blocks);
  const headings = before
    .slice(
      0,
      before.findIndex((each) => each.id === id),
    )
    .flatMap((each) => (each.kind === 'heading' ? [each.level] : []));
  return (headings.at(-1) ?? 1) + 1;
}

const cardsId = (id: string): string => `${id}-cards`;
const manner = ({ plans }: TableBlock): 'own lists' | 'common lines' => plans?.lists ?? 'own lists';

/** A placement's cards; `id` is that of the placement. */
export function placedCards(block: TableBlock, input: PageInput, pricing: Pricing, id: string, theme: string | undefined): readonly Element[] {
  const cards = cardsElement(pricing, {
    ...{ id: cardsId(id), theme, manner: manner(block), level: levelAt(input, block) },
    ...(showsComparison(block.plans) ? { comparison: id } : {}),
    isChosen: showsOneAtATime(block.plans),
  });
  return block.plans?.told === true ? [cards, element('script', { type: 'application/ld+json' }, structuredData(pricing))] : [cards];
}

const ONE: PlanForm = 'one plan at a time';
/** What a plan that is not chosen is displayed as: nothing where one is shown at a time, and as ever in other forms. */
const ONE_SHOWN = '--zp_others';
const ONE_WIDTH = '32rem';

/** Each plan is gone while another one is chosen, without a script; on paper all of them are there. */
const oneAtATime = (cards: string, count: number): readonly CssNode[] => [
  ...Array.from({ length: count }, (_, at) =>
    rule(`${cards}:has(.${contract.nthPlan(at)}:checked)>.${contract.plans}>:not(:nth-child(${at + 1}))`, ['display', `var(${ONE_SHOWN})`]),
  ),
  {
    kind: 'media',
    query: 'print',
    rules: [rule(`${cards}>.${contract.plans}>*`, [ONE_SHOWN, 'grid']), rule(`${cards}>.${contract.choice}.${contract.choice}`, ['display', 'none'])],
  },
];

/** Rules for the forms of one placement: what is shown at which width, how many lines its cards have, and how wide they are at most. */
export function planRules(id: string, block: TableBlock, pricing: Pricing): readonly CssNode[] {
  const { plans } = block;
  if (plans === undefined) return [];
  const [cards, comparison] = [`#${cardsId(id)}`, `#${id}`];
  const shown = (is: boolean): Declaration => ['display', is ? 'block' : 'none'];
  const isChosen = showsOneAtATime(plans);
  const count = shownPlans(pricing).length;
  // A single card would be as wide as the page.
  const widest = count < 4 ? `${count * 24}rem` : 'none';
  const rulesFor = (form: PlanForm): readonly CssNode[] => {
    const isOne = form === ONE;
    return [
      rule(cards, shown(hasCards(form)), ...(isChosen ? [[ONE_SHOWN, isOne ? 'none' : 'grid'] as const] : [])),
      ...(isChosen
        ? [rule(`${cards}>.${contract.choice}`, shown(isOne)), rule(`${cards}>.${contract.plans}`, ['max-width', isOne ? ONE_WIDTH : widest])]
        : []),
      ...(showsComparison(plans) ? [rule(comparison, shown(hasComparison(form)))] : []),
      // What leads to the comparison leads nowhere where that is not shown.
      ...(showsComparison(plans) ? [rule(`${cards}>p`, shown(hasComparison(form)))] : []),
    ];
  };
  const narrower = [...(plans.at ?? [])].sort((a, b) => b.upTo - a.upTo);
  return [
    rule(`${cards}>.${contract.plans}>*`, ['grid-row', `span ${linesInCommon(pricing, manner(block))}`]),
    ...(isChosen || widest === 'none' ? [] : [rule(`${cards}>.${contract.plans}`, ['max-width', widest])]),
    ...(isChosen ? oneAtATime(cards, count) : []),
    ...rulesFor(plans.form),
    ...narrower.map(({ upTo, form }): CssNode => ({ kind: 'container', query: `${contract.container} (width<=${upTo}px)`, rules: rulesFor(form) })),
  ];
}

/**
 * What the cards of a placement, and the column of its featured plan, have in place of their theme's accent; `id`
 * is that of the placement, `sheets` what its tables wear.
 */
export function planAccents(id: string, block: TableBlock, input: PageInput, sheets: Stylesheet): Stylesheet {
  const [pricing, worn] = [input.pricings?.get(tableRef(block)), wornBy(block, input)];
  if (!pricing || !worn || pricing.plans.every(({ accent, accentIn }) => accent === '' && accentIn === undefined)) return [];
  const list = `#${cardsId(id)}>.${contract.plans}`;
  return inEveryLook(worn.view, worn.scheme, input.mark ?? '', (each) => [
    ...(showsCards(block.plans) ? accentRules(each, worn.key, accentedCards(each, pricing, list)) : []),
    ...(showsComparison(block.plans) ? columnRules(each, pricing, id, sheets) : []),
  ]);
}

/** They go with each cell of the featured plan, since a column hands nothing to its cells. */
function columnRules(view: ThemeView, pricing: Pricing, id: string, sheets: Stylesheet): Stylesheet {
  const plan = shownPlans(pricing).find((each) => each.id === pricing.featured);
  const its = plan && viewWithAccent(view, plan);
  const other = its ? planAccent(view, its, sheets) : [];
  return other.length === 0 ? [] : [rule(`#${id} .${contract.featured}`, ...other)];
}
