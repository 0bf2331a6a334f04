import {
  accentRules,
  accentedCards,
  byWidth,
  cardFrameRules,
  cardSelector,
  cardsElement,
  choiceRules,
  choicesElements,
  element,
  linesInCommon,
  rule,
  sheetOf,
  writeCss,
  writeHtml,
} from '../../../core/compile';
import { cardFill, inkOf, pageOf } from '../../../core/paint';
import { cardManners, readPricing, shownPlans, viewWithAccent, type CardManner, type Pricing } from '../../../core/pricing';
import { fontSize, resolve, toPx, winnerAt } from '../../../core/resolve';
import { randomPricing, withCards } from '../../../core/tests/plans';
import { dice, randomTheme, starterNames, withModes, withSteps } from '../../../core/tests/random';
import { forSeeds } from '../../../core/tests/seeded';
import { viewOf } from '../../../core/tests/themes';
import { TRANSPARENT, toHex } from '../../../core/colour';
import {
  cardParts,
  containerOf,
  propertyOf,
  stepFor,
  type ConditionName,
  type PartName,
  type PropertyName,
  type Slot,
  type ThemeView,
} from '../../../core/theme';
import { colourFact, iconFact, read, round } from './observed';

const DRESSED = { id: 'c', theme: 'k' };
const WIDTHS = [320, 390, 768, 1280, 1920];

/** A property's CSS on a part of cards: what is taken from the page is what the card has. */
function cssOf(view: ThemeView, slot: Slot, name: PropertyName, ordinary: string): string {
  const { value } = winnerAt(view, slot, name);
  const container = containerOf(slot);
  if (value.css !== 'inherit') return value.css;
  return container ? cssOf(view, container, name, ordinary) : ordinary;
}

/** What core says of a part of cards. */
function predicted(view: ThemeView, slot: Slot): Readonly<Record<string, string | number>> {
  const size = fontSize(view, slot);
  const has = (name: PropertyName): boolean => propertyOf(name).parts.includes(slot.part);
  const px = (name: PropertyName): number => round(toPx(resolve(view, slot, name).value, size));
  return {
    ink: colourFact(inkOf(view, slot)),
    size: round(size),
    fill: has('fill') ? colourFact(cardFill(view, slot)?.rgba ?? TRANSPARENT) : 'nothing',
    weight: cssOf(view, slot, 'weight', '400'),
    case: cssOf(view, slot, 'case', 'none'),
    align: cssOf(view, slot, 'align', 'start'),
    font: cssOf(view, slot, 'font', 'page').replace(/"/g, ''),
    'padding-start': px('padding-start'),
    'padding-end': px('padding-end'),
    ...(slot.part === 'plan' ? {} : { 'padding-top': px('padding-top'), 'padding-bottom': px('padding-bottom') }),
    ...(has('radius') ? { radius: resolve(view, slot, 'radius').value.css === '0' ? 0 : px('radius') } : {}),
    ...(slot.part === 'feature' ? { icon: iconFact(resolve(view, slot, 'icon').value.css) } : {}),
  };
}

function observed(part: PartName, element: HTMLElement): Readonly<Record<string, string | number>> {
  const style = getComputedStyle(element);
  const px = (name: string): number => round(Number.parseFloat(style.getPropertyValue(name)));
  const mark = getComputedStyle(element, '::before');
  return {
    ink: colourFact(read(style.color)),
    size: round(Number.parseFloat(style.fontSize)),
    fill: colourFact(read(style.backgroundColor)),
    weight: style.fontWeight,
    case: style.textTransform,
    align: style.textAlign,
    font: style.fontFamily.replace(/"/g, ''),
    'padding-start': px('padding-inline-start'),
    'padding-end': px('padding-inline-end'),
    ...(part === 'plan' ? {} : { 'padding-top': px('padding-block-start'), 'padding-bottom': px('padding-block-end') }),
    ...(propertyOf('radius').parts.includes(part) ? { radius: px('border-top-left-radius') } : {}),
    ...(part === 'feature' ? { icon: mark.content === 'none' ? 'none' : iconFact(mark.maskImage) } : {}),
  };
}

/** Lays cards out in a box of a width, and hands over what they stand in. */
function laidOut(view: ThemeView, pricing: Pricing, manner: CardManner, width: number, look: (box: HTMLElement) => void): void {
  const host = document.createElement('div');
  host.style.cssText = `width:${width}px;font:400 16px/1.4 page;color:${toHex(pageOf(view).ink)};text-align:start;container:zp/inline-size;position:relative`;
  if (pricing.language === 'ar') host.dir = 'rtl';
  const root = host.attachShadow({ mode: 'open' });
  document.body.append(host);
  try {
    const sheet = new CSSStyleSheet();
    sheet.replaceSync(
      writeCss([
        ...cardFrameRules,
        ...choiceRules([pricing]),
        ...sheetOf(view, { use: 'specimen', key: 'k', cards: 'alone' }),
        ...byWidth(view, (each) => accentRules(each, 'k', accentedCards(each, pricing, '#c>.zp-plans'))),
        rule('.zp-plans>*', ['grid-row', `span ${linesInCommon(pricing, manner)}`]),
      ]),
    );
    root.adoptedStyleSheets = [sheet];
    const all = [...choicesElements(pricing, DRESSED), cardsElement(pricing, { ...DRESSED, manner, level: 3 })];
    root.innerHTML = writeHtml(element('div', {}, ...all));
    look(root.firstElementChild as HTMLElement);
  } finally {
    host.remove();
  }
}

const hands = ['hovered', 'pressed', 'focused'] as const;
const holds = (element: HTMLElement): readonly ConditionName[] => [
  ...(element.closest('.zp-featured') ? (['featured'] as const) : []),
  ...(element.matches('.zp-absent') ? (['absent'] as const) : []),
  ...(element.matches('.zp-not-said') ? (['not-said'] as const) : []),
  ...(element.matches('.zp-emphasised') ? (['emphasised'] as const) : []),
  ...(element.matches('[aria-disabled=true]') ? (['disabled'] as const) : []),
  ...(element.querySelector(':scope>input:checked') ? (['current'] as const) : []),
  ...hands.filter((each) => element.dataset['held']?.split(' ').includes(each)),
];

const isSeen = (element: HTMLElement): boolean => element.getClientRects().length > 0;

/** Chromium lays out in parts of a pixel. */
const isSame = (a: unknown, b: unknown): boolean => (typeof a === 'number' && typeof b === 'number' ? Math.abs(a - b) < 0.05 : a === b);

/** Where what core says and what Chromium has are not the same. */
function differences(theme: ThemeView, pricing: Pricing, box: HTMLElement): readonly string[] {
  const cards = [...box.querySelectorAll<HTMLElement>('.zp-plan')];
  const plans = shownPlans(pricing);
  const viewAt = (element: HTMLElement): ThemeView => {
    const plan = plans[cards.findIndex((card) => card.contains(element))];
    return plan ? viewWithAccent(theme, plan) : theme;
  };
  return cardParts.flatMap((part) => {
    const [, where = ''] = /:where\((.+)\)$/.exec(cardSelector('zp-k', part, [])) ?? [];
    return [...box.querySelectorAll<HTMLElement>(where)].filter(isSeen).flatMap((element) => {
      const conditions = holds(element);
      const [said, seen] = [predicted(viewAt(element), { part, conditions }), observed(part, element)];
      return Object.keys(said).flatMap((key) =>
        isSame(said[key], seen[key]) ? [] : [`${part} ${conditions.join(' ')}: ${key} is ${seen[key]}, where core says ${said[key]}`],
      );
    });
  });
}

const inlineOf = (element: HTMLElement): number => {
  const { paddingInlineStart, paddingInlineEnd, borderInlineStartWidth, borderInlineEndWidth } = getComputedStyle(element);
  return [paddingInlineStart, paddingInlineEnd, borderInlineStartWidth, borderInlineEndWidth].reduce((sum, each) => sum + Number.parseFloat(each), 0);
};

/** Whether what stands in a card has room for three letters beside its paddings. */
const hasRoom = (card: HTMLElement): boolean =>
  [...card.querySelectorAll<HTMLElement>('*')].filter(isSeen).every((element) => {
    let taken = 3 * Number.parseFloat(getComputedStyle(element).fontSize);
    for (let at: HTMLElement | null = element; at && at !== card; at = at.parentElement) taken += inlineOf(at);
    return (
      card.clientWidth - Number.parseFloat(getComputedStyle(card).paddingInlineStart) - Number.parseFloat(getComputedStyle(card).paddingInlineEnd) >=
      taken
    );
  });

/** What overlaps what it should not, what stands on lines that should be common, and what is wider than it may be. */
function faults(box: HTMLElement, width: number): readonly string[] {
  const found: string[] = [];
  const cards = [...box.querySelectorAll<HTMLElement>('.zp-plan')];
  const rects = cards.map((card) => card.getBoundingClientRect());
  if (box.scrollWidth > width + 1) found.push(`${box.scrollWidth} px wide in ${width}`);
  rects.forEach((a, i) =>
    rects.slice(i + 1).forEach((b, more) => {
      const isOver = a.left < b.right - 0.5 && b.left < a.right - 0.5 && a.top < b.bottom - 0.5 && b.top < a.bottom - 0.5;
      if (isOver) found.push(`card ${i} lies over card ${i + more + 1}`);
    }),
  );
  for (const card of cards) {
    const pieces = [
      ...card.querySelectorAll<HTMLElement>(
        '.zp-badge,.zp-plan-icon,.zp-name,.zp-said,.zp-price,.zp-was,.zp-monthly,.zp-saves,.zp-act,.zp-act-too,li',
      ),
    ]
      .filter(isSeen)
      .map((element) => element.getBoundingClientRect());
    pieces.slice(1).forEach((piece, i) => {
      if (piece.top < (pieces[i]?.bottom ?? 0) - 0.5)
        found.push(`piece ${i + 1} of ${card.textContent?.slice(0, 12)} begins above the end of the one before`);
    });
    if (card.scrollWidth > card.clientWidth + 1 && hasRoom(card)) found.push(`${card.textContent?.slice(0, 12)} is cut off`);
  }
  // Cards whose common lines begin together stand side by side.
  const lineTops = (card: HTMLElement): readonly number[] =>
    [...card.children]
      .flatMap((child) => (getComputedStyle(child).display === 'contents' ? [...child.children] : [child]))
      .map((each) => each.getBoundingClientRect().top);
  const tops = cards.map(lineTops);
  tops.forEach((own, i) => {
    // What a card has around its first line is its own.
    const other = tops.slice(0, i).find((each) => Math.abs((each[1] ?? 0) - (own[1] ?? 0)) < 30);
    own.slice(1, other?.length ?? 1).forEach((top, at) => {
      const beside = other?.[at + 1] ?? 0;
      if (Math.abs(top - beside) > 0.5) found.push(`line ${at + 1} of card ${i} at ${top}, of its neighbour at ${beside}`);
    });
  });
  return found;
}

describe('Cards', () => {
  const check = (seed: number): void => {
    const d = dice(seed + 88_000);
    const plain = randomTheme(d, starterNames);
    const some = d.chance(0.4) ? withSteps(d, plain) : plain;
    const whole = viewOf(withCards(d, d.chance(0.4) ? withModes(d, some) : some));
    const view = whole.in(d.pick(['', ...whole.modes.filter((mode) => mode !== 'print')]));
    const pricing = randomPricing(d);
    const manner = d.pick(cardManners);
    for (const width of d.chance(0.3) ? WIDTHS : [d.pick(WIDTHS)])
      laidOut(view, pricing, manner, width, (box) => {
        for (const element of box.querySelectorAll<HTMLElement>('.zp-act,.zp-act-too,.zp-period'))
          element.dataset['held'] = hands.filter((each) => (each !== 'pressed' || !element.matches('.zp-period')) && d.chance(0.3)).join(' ');
        const at = view.at(stepFor(view.steps, width));
        expect([...new Set(differences(at, pricing, box))].slice(0, 3))
          .withContext(`seed ${seed} at ${width}`)
          .toEqual([]);
        expect(faults(box, width).slice(0, 3)).withContext(`seed ${seed} at ${width}, ${manner}, ${pricing.plans.length} plans`).toEqual([]);
      });
  };
  forSeeds('agree with core, stand on common lines and overlap nothing', { all: 300, usual: 60, together: 20 }, check);

  it('of random pricing tables are what can be kept', () => {
    for (let seed = 0; seed < 40; seed++) {
      const read = readPricing(randomPricing(dice(seed)));
      expect(read.ok || JSON.stringify(read.problems))
        .withContext(`seed ${seed}`)
        .toBeTrue();
    }
  });
});
