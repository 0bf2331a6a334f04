import { isDrawn, lineAt } from '../../lines';
import { cardParts, needsPointer, partOf, type ConditionName, type PartName, type Slot, type ThemeView } from '../../theme';
import { contract } from '../markup/contract';
import { iconShape } from '../rules/icons';
import { winnerAt } from '../../resolve';
import { rule, type CssNode, type Declaration, type Stylesheet } from '../sheet/stylesheet';
import { swatchRule, variablesOf } from '../sheet/swatch-rule';
import { cardSelector, cardsOfTheme } from './card-selectors';
import { INHERITED, cardLength, cardValues, initialOf, markOfFeature } from './card-values';
import { readingInks } from './reading-inks';

/** Every set of conditions under which a part can be seen, smaller ones first: so a later rule is of what holds more particularly. */
export function cardConditions(part: PartName): readonly (readonly ConditionName[])[] {
  const own = partOf(part).conditions.filter((condition) => condition !== 'rest');
  const sets = own.reduce<readonly (readonly ConditionName[])[]>((found, each) => [...found, ...found.map((set) => [...set, each])], [[]]);
  return sets.filter((set) => !(set.includes('absent') && set.includes('not-said'))).sort((a, b) => a.length - b.length);
}

interface Said {
  readonly conditions: readonly ConditionName[];
  readonly declarations: readonly Declaration[];
}

/**
 * What is written of a part: for each set of conditions what is not there already by the sets within it. Under every set so comes out
 * what `cardValues` says, since of rules that hold together the later one wins.
 */
function saidOf(view: ThemeView, part: PartName): readonly Said[] {
  const written: { readonly conditions: readonly ConditionName[]; readonly declarations: ReadonlyMap<string, string> }[] = [];
  for (const conditions of cardConditions(part)) {
    const there = (css: string): string =>
      written
        .findLast(({ conditions: set, declarations }) => declarations.has(css) && set.every((each) => conditions.includes(each)))
        ?.declarations.get(css) ?? initialOf(view, css);
    const own = new Map(cardValues(view, part, conditions).filter(([css, value]) => there(css) !== value));
    if (own.size > 0) written.push({ conditions, declarations: own });
  }
  return written.map(({ conditions, declarations }) => ({ conditions, declarations: facing([...declarations]) }));
}

/** Paddings that face each other are written together. */
function facing(declarations: readonly Declaration[]): readonly Declaration[] {
  const all = new Map(declarations);
  return declarations.flatMap(([css, value]): readonly Declaration[] => {
    const [, axis, end] = /^(padding-(?:block|inline))-(start|end)$/.exec(css) ?? [];
    if (axis === undefined) return [[css, value]];
    const [first, last] = [all.get(`${axis}-start`), all.get(`${axis}-end`)];
    if (first === undefined || last === undefined) return [[css, value]];
    return end === 'end' ? [] : [[axis, first === last ? first : `${first} ${last}`]];
  });
}

/** Under a pointer that can hover only, since it would stay after a tap. */
function ruleFor(
  theme: string,
  part: PartName,
  conditions: readonly ConditionName[],
  declarations: readonly Declaration[],
  held: boolean,
): readonly CssNode[] {
  const real = rule(cardSelector(theme, part, conditions), ...declarations);
  const isOfHand = held && conditions.some((condition) => ['hovered', 'pressed', 'focused'].includes(condition));
  return [
    conditions.some(needsPointer) ? { kind: 'media', query: '(hover:hover)', rules: [real] } : real,
    ...(isOfHand ? [rule(cardSelector(theme, part, conditions, true), ...declarations)] : []),
  ];
}

/** The mark before a feature: a mask over its ink. */
function markRules(view: ThemeView, theme: string): readonly CssNode[] {
  const shapes: { readonly conditions: readonly ConditionName[]; readonly shape: string }[] = [];
  for (const conditions of cardConditions('feature')) {
    const shape = markOfFeature(view, conditions);
    const there = shapes.findLast(({ conditions: set }) => set.every((each) => conditions.includes(each)))?.shape ?? 'none';
    if (shape !== there) shapes.push({ conditions, shape });
  }
  return shapes.flatMap(({ conditions, shape }) => {
    const selector = `${cardSelector(theme, 'feature', conditions)}::before`;
    return [rule(selector, ...(shape === 'none' ? ([['content', 'none']] as const) : ([...iconShape('before', shape), ['content', '""']] as const)))];
  });
}

/** A card is never narrower, so that some words have room: as many as would fit beside each other would be more than there is room for between them. */
const NARROWEST = '8rem';

/** Every part of cards that can have an ink, under every set of conditions. */
const cardSlots: readonly Slot[] = cardParts.flatMap((part) => cardConditions(part).map((conditions) => ({ part, conditions })));

/**
 * The stylesheet of a theme for cards of pricing tables, apart from that for tables: its swatches, then for each part what core says it
 * has under all that can hold together. `held`: a preview can hold conditions open.
 */
export function cardsCss(view: ThemeView, key: string, held = false): Stylesheet {
  return withSwatches(view, key, cardNodes(view, key, held));
}

/** That of the switches alone, for a comparison without cards. */
export const switchesCss = (view: ThemeView, key: string): Stylesheet => withSwatches(view, key, partNodes(view, key, 'period-switch', false));

function withSwatches(view: ThemeView, key: string, nodes: Stylesheet): Stylesheet {
  return [...swatchRule(view, cardsOfTheme(contract.theme(key)), nodes, readingInks(view, cardSlots)), ...nodes];
}

/** A plan that has an accent of its own: what selects its card, and the colour. */
export interface AccentedCard {
  readonly selector: string;
  readonly accent: string;
}

/** What the cards of plans with accents of their own have in place of the theme's: their colours alone, as custom properties. */
export function accentRules(view: ThemeView, key: string, cards: readonly AccentedCard[]): Stylesheet {
  const nodes = cardNodes(view, key, false);
  const there = new Map(variablesOf(view, nodes, readingInks(view, cardSlots)));
  return cards.flatMap(({ selector, accent }) => {
    const its = view.accented(accent);
    const other = variablesOf(its, nodes, readingInks(its, cardSlots)).filter(([name, value]) => there.get(name) !== value);
    return other.length === 0 ? [] : [rule(selector, ...other)];
  });
}

const partNodes = (view: ThemeView, key: string, part: PartName, held: boolean): Stylesheet =>
  saidOf(view, part).flatMap(({ conditions, declarations }) => ruleFor(contract.theme(key), part, conditions, declarations, held));

function cardNodes(view: ThemeView, key: string, held: boolean): Stylesheet {
  const theme = contract.theme(key);
  const root = cardsOfTheme(theme);
  const beside = cardLength(view, 'plan', 'between-plans');
  const outward = cardLength(view, 'plan', 'outward', ['featured']);
  const line = lineAt(view, 'rows');
  const room = initialRoom(outward);
  // A card that grows upwards and downwards has as much room left to those above and below as all have beside each other.
  const between = room === undefined ? beside : `calc(${beside === '0' ? '0px' : beside} + ${outward})`;
  return [
    ...cardParts.flatMap((part) => partNodes(view, key, part, held)),
    ...markRules(view, theme),
    ...roomRules(view, theme),
    ...badgeRules(view, theme),
    ...(isDrawn(line) ? [rule(`${root} :where(.${contract.inCards.feature}+.${contract.inCards.feature})`, ['border-block-start', line.css])] : []),
    ...(['sign', 'cents'] as const).flatMap((piece) =>
      [[], ['featured' as const]].flatMap((conditions) => {
        const name = piece === 'sign' ? 'sign-size' : 'cents-size';
        const size = cardLength(view, 'price', name, conditions);
        const there = conditions.length === 0 ? '100%' : cardLength(view, 'price', name);
        return size === there ? [] : [rule(`${cardSelector(theme, 'price', conditions)}>.${contract[piece]}`, ['font-size', size])];
      }),
    ),
    rule(
      `${root}>.${contract.plans}`,
      ['grid-template-columns', `repeat(auto-fit,minmax(min(100%,max(${NARROWEST},${cardLength(view, 'plan', 'least-width')})),1fr))`],
      ['column-gap', beside],
      // A number is no length in a sum (CSS Values 4, section 10.2).
      ['margin-block-end', between === '0' ? '0' : `calc(-1*${between})`],
      ...(room === undefined ? [] : [['padding-block', outward] as const]),
    ),
    rule(`${root}>.${contract.plans}>*`, ['margin-block-end', between]),
    // It grows beyond the lines that all cards have in common, which stay where they are: what its box takes outside it gives inside.
    ...(room === undefined
      ? []
      : [
          rule(
            `${root}>.${contract.plans}>.${contract.featured}`,
            ['margin-block', `calc(-1*${outward}) calc(${between} - ${outward})`],
            ...paddingOver(view, outward),
          ),
        ]),
  ];
}

/** A badge and an action begin where texts do: the line that they stand on has a text's room. */
function roomRules(view: ThemeView, theme: string): readonly CssNode[] {
  const roomIn = (conditions: readonly ConditionName[]): readonly Declaration[] =>
    facing(cardValues(view, 'plan-text', conditions).filter(([css]) => css.startsWith('padding-')));
  const [always, featured] = [roomIn([]), roomIn(['featured'])];
  const line = (within: string): string => `${cardsOfTheme(theme)} :where(${within}.${contract.line})`;
  const isSame = JSON.stringify(always) === JSON.stringify(featured);
  return [rule(line(''), ...always), ...(isSame ? [] : [rule(line(`.${contract.featured} `), ...featured)])];
}

/** Where the badge stands on its line, or that it takes all of it from edge to edge. Its text stands as that is said of it. */
function badgeRules(view: ThemeView, theme: string): readonly CssNode[] {
  const place = winnerAt(view, { part: 'badge', conditions: [] }, 'badge-place').value.css;
  if (place === 'as-texts') return [];
  const line = `${cardsOfTheme(theme)} :where(.${contract.line}:has(>.${contract.inCards.badge}))`;
  if (place !== 'whole') return [rule(line, ['display', 'flex'], ['justify-content', place])];
  return [rule(line, ['display', 'flex'], ['padding', '0']), rule(`${line}>*`, ['flex', '1'])];
}

/** What every part of cards begins from, so that every house begins from the same. */
export const LEVEL: readonly Declaration[] = [
  ...[...INHERITED].map((css): Declaration => [css, 'inherit']),
  ['margin', '0'],
  ['padding', '0'],
  ['border', '0'],
  ['background', 'none'],
  ['text-decoration', 'none'],
  ['list-style', 'none'],
];

const initialRoom = (outward: string): string | undefined => (outward === '0' || /^0[a-z]*$/.test(outward) ? undefined : outward);

/** The card's own room inside, and what it grows by. */
function paddingOver(view: ThemeView, outward: string): readonly Declaration[] {
  const own = new Map(cardValues(view, 'plan', ['featured']));
  const [start = '0', end = '0'] = [own.get('padding-block-start'), own.get('padding-block-end')];
  return [['padding-block', `calc(${start === '0' ? '0px' : start} + ${outward}) calc(${end === '0' ? '0px' : end} + ${outward})`]];
}

const everyPart = Object.entries(contract.inCards)
  .filter(([part]) => part !== 'period-switch')
  .map(([, name]) => `.${name}`)
  .join(',');

/**
 * What every list of cards has whatever its theme: cards side by side as far as there is room, with the parts of each on lines that they
 * have in common with their neighbours (CSS Grid 2, section 9), and its texts levelled, so that every house begins from the same.
 */
export const cardFrameRules: readonly CssNode[] = [
  rule(`.${contract.plans}`, ['display', 'grid'], ['list-style', 'none'], ['margin', '0'], ['padding', '0']),
  rule(
    `.${contract.plan}`,
    ['display', 'grid'],
    ['grid-template-rows', 'subgrid'],
    ['grid-template-columns', 'minmax(0,1fr)'],
    ['align-content', 'start'],
    ['row-gap', '0'],
    ['box-sizing', 'border-box'],
    ['min-width', '0'],
    ['margin', '0'],
    ['padding', '0'],
    ['overflow', 'clip'],
    ['overflow-wrap', 'anywhere'],
    ['list-style', 'none'],
  ),
  rule(`.${contract.plan} :where(ul,div,p)`, ['margin', '0'], ['padding', '0'], ['list-style', 'none'], ['min-width', '0']),
  rule(`.${contract.anyCards} :where(${everyPart})`, ...LEVEL),
  rule(
    `.${contract.anyCards} :where(${(['badge', 'plan-icon', 'action', 'second-action'] as const)
      .map((part) => `.${contract.inCards[part]}`)
      .join(',')})`,
    ['display', 'inline-block'],
  ),
  // The mark of a feature stands before its text, and what it means below both.
  rule(`.${contract.hint},.${contract.hint}>summary`, ['display', 'inline']),
  rule(`.${contract.hint}>summary`, ['cursor', 'pointer'], ['text-decoration', 'underline dotted'], ['line-height', 'max(1lh,24px)']),
  // A picture in place of an icon is as high as a few of those, and never wider than its card.
  rule(`img.${contract.inCards['plan-icon']}`, ['box-sizing', 'content-box'], ['height', '3em'], ['max-width', '100%'], ['object-fit', 'contain']),
  rule(`.${contract.common}>.${contract.plan}>ul`, ['display', 'contents']),
  {
    kind: 'media',
    query: '(forced-colors:active)',
    rules: [
      // Its shadow and its fill are gone there: the plan that is pushed keeps a heavier line than the others.
      rule(`.${contract.plans}>.${contract.plan}`, ['border', '1px solid']),
      rule(`.${contract.plans}>.${contract.featured}`, ['border', '3px solid']),
      rule(`.${contract.inCards.feature}::before`, ['forced-color-adjust', 'none'], ['background', 'CanvasText']),
    ],
  },
  {
    kind: 'media',
    query: 'print',
    rules: [rule(`.${contract.plan}`, ['break-inside', 'avoid'])],
  },
];
