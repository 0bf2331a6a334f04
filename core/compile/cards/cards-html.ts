import { icons } from '../../media';
import {
  cardsOf,
  choicesOf,
  pricingWords,
  writtenPrice,
  type Card,
  type CardLine,
  type CardManner,
  type Chosen,
  type Pricing,
  type WrittenPrice,
} from '../../pricing';
import { choiceClass } from '../markup/choice-class';
import { contract } from '../markup/contract';
import { element, textWithBreaks, type Element, type MarkupNode } from '../markup/markup';
import { aroundCards, planChoice } from './switches-html';

export interface CardsHtmlOptions {
  /** What no other placement of the page has: ids and the names of radio buttons are made from it. */
  readonly id: string;
  /** The key that names the theme's class; without one the cards are not dressed. */
  readonly theme: string | undefined;
  readonly manner: CardManner;
  /** The level of the plans' headings: one below the last heading before them. */
  readonly level: number;
  /** Whether there is a switch by which one plan is chosen, to be shown alone. */
  readonly isChosen?: boolean;
  /** Where the comparison of the same plans stands, for a link that leads there. */
  readonly comparison?: string | undefined;
}

const { inCards } = contract;

/** A piece of a card that stands on a line of its own; empty where this card has nothing of it. */
type Piece = Element;
const nothing = element('div');
const p = (mark: string, ...children: readonly MarkupNode[]): Element => element('p', { class: mark }, ...children);

/** A price with its currency and its decimals apart, so that a theme can make them smaller. */
function priceNodes({ text, parts }: WrittenPrice): readonly MarkupNode[] {
  const amount = parts.map((part) => part.text).join('');
  const at = amount === '' ? -1 : text.indexOf(amount);
  if (at < 0) return [text];
  const pieces = parts.map(({ kind, text: said }) =>
    kind === 'currency'
      ? element('span', { class: contract.sign }, said)
      : kind === 'decimals'
        ? element('span', { class: contract.cents }, said)
        : said,
  );
  return [text.slice(0, at), ...pieces, text.slice(at + amount.length)].filter((each) => each !== '');
}

/** What a plan costs in one period and one currency. */
function priceFor(pricing: Pricing, { plan, unpriced }: Card, chosen: Chosen): readonly Element[] {
  const price = writtenPrice(pricing, plan, chosen);
  if (!price) return unpriced === '' ? [] : [p(inCards.period, unpriced)];
  return [
    p(inCards.price, ...priceNodes(price)),
    ...(price.was === undefined ? [] : [p(inCards['earlier-price'], price.was)]),
    ...(price.perMonth === undefined ? [] : [p(inCards.period, price.perMonth)]),
    ...(price.saving === undefined ? [] : [p(inCards.saving, price.saving)]),
  ];
}

/** What a plan costs in each period and each currency; only that of the chosen ones is seen and heard. */
function pricesOf(pricing: Pricing, card: Card): Piece {
  const pieces = choicesOf(pricing).map(({ choice, chosen }) => ({ mark: choiceClass(choice), nodes: priceFor(pricing, card, chosen) }));
  const [only] = pieces;
  if (pieces.length === 1) return element('div', {}, ...(only?.nodes ?? []));
  return element('div', {}, ...pieces.map(({ mark, nodes }) => element('div', { class: mark }, ...nodes)));
}

/** What can be done about a plan: its actions or, where it cannot be had, what is said instead of the first. Each says whose it is. */
function actionsOf({ plan, actions, instead }: Card): Piece {
  const linked = actions.filter(({ text, rank }) => text !== '' && !(instead !== undefined && rank === 'first'));
  const nodes = [
    ...(instead === undefined || instead === '' ? [] : [element('a', { class: inCards.action, role: 'link', 'aria-disabled': 'true' }, instead)]),
    ...linked.map(({ text, href, rank }) =>
      element(
        'a',
        {
          class: rank === 'first' ? inCards.action : inCards['second-action'],
          ...(href === '' ? { role: 'link', 'aria-disabled': 'true' } : { href }),
          'aria-label': plan.name === '' ? undefined : `${text}: ${plan.name}`,
        },
        text,
      ),
    ),
  ];
  return nodes.length === 0 ? nothing : element('div', {}, ...nodes.map((node) => element('p', { class: contract.line }, node)));
}

/** A text that says what it means to those who open it: without a script, by keys too (HTML Standard, section 4.11.1). */
const hinted = (text: readonly MarkupNode[], hint: string): Element =>
  element('details', { class: contract.hint }, element('summary', {}, ...text), element('p', {}, ...textWithBreaks(hint)));

function lineNode({ is, text, hint, note, feature }: CardLine, { absent, notSaid }: { readonly absent: string; readonly notSaid: string }): Element {
  const number = note === undefined ? [] : [element('sup', {}, `\u00a0${note}`)];
  const whole = [...textWithBreaks(text), ...number];
  const said = hint === undefined ? whole : [hinted(whole, hint)];
  if (is === 'group') return element('li', { class: inCards['feature-group'] }, ...said);
  const heard = is === 'absent' ? absent : is === 'not said' ? `${notSaid}:` : '';
  const mark = is === 'absent' ? ` ${contract.absent}` : is === 'not said' ? ` ${contract.notSaid}` : '';
  const spoken = heard === '' ? [] : [element('span', { class: contract.heard }, `${heard} `)];
  const strong = feature.emphasised === true ? ` ${contract.emphasised}` : '';
  return element('li', { class: inCards.feature + mark + strong }, ...spoken, ...said);
}

const iconOf = ({ plan }: Card): Piece => {
  // What it shows is said by the plan's name below it.
  if (plan.picture) {
    const picture = element('img', { class: inCards['plan-icon'], src: plan.picture, alt: '', loading: 'lazy' });
    return element('div', { class: contract.line }, picture);
  }
  const path = icons.find(({ name }) => name === plan.icon)?.path;
  const size = { viewBox: '0 0 24 24', width: '1em', height: '1em', fill: 'currentColor' };
  if (path === undefined) return nothing;
  const icon = element('svg', { ...size, 'aria-hidden': 'true' }, element('path', { d: path }));
  return element('div', { class: contract.line }, element('span', { class: inCards['plan-icon'] }, icon));
};

const saidOf = ({ plan }: Card): Piece => {
  const texts = [plan.subtitle, plan.description].filter((text) => text !== '');
  return texts.length === 0 ? nothing : element('div', {}, ...texts.map((text) => p(inCards['plan-text'], ...textWithBreaks(text))));
};

/** The pieces of each card, one for each line that the cards have in common; lines on which no card has anything are left out. */
function piecesOf(pricing: Pricing, cards: readonly Card[], { manner, level }: CardsHtmlOptions): readonly (readonly Piece[])[] {
  const words = pricingWords(pricing.language);
  const lines = (card: Card): Element =>
    element('ul', { role: 'list' }, ...card.lines.map((line) => lineNode(line, { absent: words.absent, notSaid: words.notSaid })));
  const kinds: readonly ((card: Card) => Piece)[] = [
    ({ plan }) => (plan.badge === '' ? nothing : element('div', { class: contract.line }, element('span', { class: inCards.badge }, plan.badge))),
    iconOf,
    ({ plan }) => element(`h${level}`, { class: inCards['plan-heading'] }, plan.name),
    saidOf,
    (card) => pricesOf(pricing, card),
    actionsOf,
    (card) => {
      if (card.lines.length === 0 && card.everythingIn === undefined) return nothing;
      if (manner === 'common lines') return lines(card);
      const from = card.everythingIn === undefined ? [] : [p(inCards['plan-text'], card.everythingIn)];
      return element('div', {}, ...from, ...(card.lines.length === 0 ? [] : [lines(card)]));
    },
    ({ plan }) => (plan.note === '' ? nothing : p(inCards['plan-text'], ...textWithBreaks(plan.note))),
  ];
  const rows = kinds.map((pieceOf) => cards.map(pieceOf)).filter((row) => row.some(({ children }) => children.length > 0));
  return cards.map((_, at) => rows.flatMap((row) => row[at] ?? []));
}

/** How many lines the cards of a pricing table have in common. */
export function linesInCommon(pricing: Pricing, manner: CardManner): number {
  const cards = cardsOf(pricing, manner);
  const [first] = piecesOf(pricing, cards, { id: '', theme: undefined, manner, level: 2 });
  const features = manner === 'common lines' ? (cards[0]?.lines.length ?? 0) : 0;
  return (first?.length ?? 0) + (features > 0 ? features - 1 : 0);
}

/** Footnotes that a card names, by their numbers. */
function notesOf({ notes }: Pricing, cards: readonly Card[]): readonly Element[] {
  const named = new Set(cards.flatMap(({ lines }) => lines.flatMap(({ note }) => note ?? [])));
  const shown = notes.flatMap(({ text }, at) => (named.has(at + 1) ? [element('p', {}, element('sup', {}, String(at + 1)), ` ${text}`)] : []));
  return shown.length === 0 ? [] : [element('div', { class: contract.note }, ...shown)];
}

/**
 * A pricing table as cards: a list of its plans, each with a heading. Everything that the plans have is said, absent features too, so that
 * those who hear it lack nothing.
 */
export function cardsElement(pricing: Pricing, options: CardsHtmlOptions): Element {
  const cards = cardsOf(pricing, options.manner);
  const words = pricingWords(pricing.language);
  const pieces = piecesOf(pricing, cards, options);
  const items = cards.map(({ isFeatured }, at) =>
    element('li', { class: isFeatured ? `${contract.plan} ${contract.featured}` : contract.plan }, ...(pieces[at] ?? [])),
  );
  const isCommon = options.manner === 'common lines';
  const name = pricing.caption || pricing.name;
  return element(
    'div',
    { id: options.id, ...aroundCards(pricing, options.theme) },
    ...(options.isChosen === true && cards.length > 1 ? [planChoice(pricing, options.id)] : []),
    element(
      'ul',
      { class: isCommon ? `${contract.plans} ${contract.common}` : contract.plans, role: 'list', 'aria-label': name || undefined },
      ...items,
    ),
    ...notesOf(pricing, cards),
    ...(options.comparison === undefined ? [] : [element('p', {}, element('a', { href: `#${options.comparison}` }, words.compare))]),
  );
}
