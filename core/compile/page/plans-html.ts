import { everyBlock, showsCards, showsComparison, tableRef, type PlanForm, type TableBlock } from '../../page';
import { structuredData, type Pricing } from '../../pricing';
import { cardsElement, linesInCommon } from '../cards';
import { contract } from '../markup/contract';
import { element, type Element } from '../markup/markup';
import { rule, type CssNode, type Declaration } from '../sheet/stylesheet';
import type { PageInput } from './page-input';

/** The pricing table of a placement that shows cards at some width; undefined for every other placement. */
export const pricingOf = (block: TableBlock, { pricings }: Pick<PageInput, 'pricings'>): Pricing | undefined =>
  showsCards(block.plans) ? pricings?.get(tableRef(block)) : undefined;

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
  });
  return block.plans?.told === true ? [cards, element('script', { type: 'application/ld+json' }, structuredData(pricing))] : [cards];
}

/** Whether a form has cards, and whether it has the comparison. */
const has = (form: PlanForm): { readonly cards: boolean; readonly comparison: boolean } => ({
  cards: form !== 'comparison',
  comparison: form !== 'cards',
});

/** Rules for the forms of one placement: what is shown at which width, how many lines its cards have, and how wide they are at most. */
export function planRules(id: string, block: TableBlock, pricing: Pricing): readonly CssNode[] {
  const { plans } = block;
  if (plans === undefined) return [];
  const [cards, comparison] = [`#${cardsId(id)}`, `#${id}`];
  const shown = (is: boolean): Declaration => ['display', is ? 'block' : 'none'];
  const rulesFor = (form: PlanForm): readonly CssNode[] => {
    const there = has(form);
    return [
      rule(cards, shown(there.cards)),
      ...(showsComparison(plans) ? [rule(comparison, shown(there.comparison))] : []),
      // What leads to the comparison leads nowhere where that is not shown.
      ...(showsComparison(plans) ? [rule(`${cards}>p`, shown(there.comparison))] : []),
    ];
  };
  const narrower = [...(plans.at ?? [])].sort((a, b) => b.upTo - a.upTo);
  const count = pricing.plans.filter(({ hidden }) => !hidden).length;
  return [
    rule(`${cards}>.${contract.plans}>*`, ['grid-row', `span ${linesInCommon(pricing, manner(block))}`]),
    // A single card would be as wide as the page.
    ...(count < 4 ? [rule(`${cards}>.${contract.plans}`, ['max-width', `${count * 24}rem`])] : []),
    ...rulesFor(plans.form),
    ...narrower.map(({ upTo, form }): CssNode => ({ kind: 'container', query: `${contract.container} (width<=${upTo}px)`, rules: rulesFor(form) })),
  ];
}
