import {
  needsPointer,
  partOf,
  places,
  readExtra,
  swatchVariable,
  type ConditionName,
  type Extra,
  type ExtraDeclaration,
  type ExtraRule,
  type Reached,
  type ThemeView,
} from '../../../theme';
import { contract } from '../../markup/contract';
import type { Beside } from '../../sheet/beside';
import { shortHash } from '../../sheet/short-hash';
import { familyOf } from '../../sheet/families';
import { cardSelector, cardsOfTheme } from '../../cards/card-selectors';
import { captionOf, cellsUnder, isHeldOpen, thingsUnder, withContents, type SelectorOptions } from '../../sheet/selectors';
import { rule, type CssNode, type Declaration, type Stylesheet } from '../../sheet/stylesheet';

/**
 * What a theme's extra CSS says that the ledger cannot: behind all that the theme says, so that it holds. What lies below comes first,
 * then part by part and condition by condition in the order of strength, then as it was typed.
 */
export function extraRules(view: ThemeView, options: SelectorOptions, extras = view.extras): Stylesheet {
  if (extras.every(({ rules, keyframes }) => rules.length === 0 && keyframes.length === 0)) return [];
  const lowestFirst = extras.toReversed();
  const all = lowestFirst.flatMap(({ rules }) => [...rules].sort((a, b) => strengthOf(a) - strengthOf(b)));
  const frames = lowestFirst.flatMap(({ keyframes }) => keyframes);
  const names = new Map(frames.map(({ name }) => [name, `${options.theme}-${name}`]));
  const written = (declarations: readonly ExtraDeclaration[]): readonly Declaration[] =>
    declarations.map(([property, value]) => [property, inWords(view, property, value, names)]);
  return [
    ...contained(all, options),
    ...all.flatMap((each) => nodesOf(each, written(each.declarations), options)),
    ...keyframesOf(lowestFirst, names, written),
    ...stillWhereAsked(all, options),
  ];
}

/** What is said beside the theme, for all tables of the site and for some of them alone, above the theme's own. */
export const extraBeside = (view: ThemeView, options: SelectorOptions, { site, extras }: Beside): Stylesheet => [
  ...(site === '' ? [] : extraRules(view, options, [asideOf(view, site)])),
  ...extras.flatMap((css) => extraRules(view, { ...options, theme: contract.own(shortHash(css)) }, [asideOf(view, css)])),
];
const asideOf = (view: ThemeView, css: string): Extra => readExtra(css, new Set(view.colours.keys()), true);

/** Names of the custom properties that it reads, so that the theme's swatches among them are said. */
export const readByExtra = (view: ThemeView, { site, extras }: Beside): readonly CssNode[] =>
  [...view.extras, ...[site, ...extras].filter((css) => css !== '').map((css) => asideOf(view, css))].flatMap(({ rules, keyframes }) =>
    [...rules, ...keyframes.flatMap(({ frames }) => frames)].map(({ declarations }) =>
      rule('', ...declarations.map(([property, value]): Declaration => [property, inWords(view, property, value, new Map())])),
    ),
  );

/** Where a rule stands in the order of strength: by the strongest of its conditions. */
function strengthOf({ reached: { part, conditions } }: ExtraRule): number {
  const all: readonly ConditionName[] = conditions.length === 0 ? ['rest'] : conditions;
  return Math.max(...all.map((condition) => places.findIndex((place) => place.part === part && place.condition === condition)));
}

/** Swatches as the theme's own custom properties, its pictures as what they stand for, keyframes by the names that they have outside. */
function inWords(view: ThemeView, property: string, value: string, frames: ReadonlyMap<string, string>): string {
  const swatched = value.replace(/var\(\s*--([a-z][a-z0-9-]*)(?=\s*[,)])/g, (whole, name: string) =>
    view.colours.has(name) ? `var(${swatchVariable(name)}` : whole,
  );
  const pictured = swatched.replace(/url\("?([a-z][a-z0-9-]*)"?\)/g, (_, name: string) => view.vocabulary.pictures?.get(name) ?? 'none');
  if (property !== 'animation' && property !== 'animation-name') return pictured;
  return pictured.replace(/[\w-]+/g, (word) => frames.get(word) ?? word);
}

/** What a rule reaches, as it is and, in a preview, as it is held open. */
function selectorOf(options: SelectorOptions, { part, conditions, also, below }: Reached, isHeld: boolean): string {
  const { box } = partOf(part);
  const element =
    box === 'table'
      ? `.${options.theme}`
      : box === 'caption'
        ? captionOf(options)
        : box === 'cells'
          ? cellsUnder(options, part, conditions, isHeld)
          : box === 'cards'
            ? cardSelector(options.theme, part, conditions, isHeld)
            : thingsUnder(options, part, conditions, isHeld);
  return `${element}${also}${withContents(below)}`;
}

function nodesOf({ reached, around }: ExtraRule, declarations: readonly Declaration[], options: SelectorOptions): readonly CssNode[] {
  if (declarations.length === 0) return [];
  const within = (node: CssNode): CssNode => around.reduceRight<CssNode>((inner, { kind, query }) => ({ kind, query, rules: [inner] }), node);
  const real = rule(selectorOf(options, reached, false), ...declarations);
  // After a tap hovering would stay.
  const pointed: CssNode = reached.conditions.some(needsPointer) ? { kind: 'media', query: '(hover:hover)', rules: [real] } : real;
  const isHeld = options.held && reached.conditions.some(isHeldOpen);
  return [within(pointed), ...(isHeld ? [within(rule(selectorOf(options, reached, true), ...declarations))] : [])];
}

const keyframesOf = (
  extras: readonly Extra[],
  names: ReadonlyMap<string, string>,
  written: (declarations: readonly ExtraDeclaration[]) => readonly Declaration[],
): readonly CssNode[] =>
  extras
    .flatMap(({ keyframes }) => keyframes)
    .map(({ name, frames }) => ({
      kind: 'keyframes',
      query: names.get(name) ?? name,
      rules: frames.map(({ at, declarations }) => rule(at, ...written(declarations))),
    }));

/** Families of properties by which something can be painted beyond its box. */
const reaching: ReadonlySet<string> = new Set(
  ['position', 'inset', 'transform', 'translate', 'scale', 'rotate', 'margin', 'box-shadow', 'outline', 'filter', 'animation', 'offset', 'zoom'].map(
    familyOf,
  ),
);

/**
 * What could be painted beyond the table is cut off a little outside of it, and what is placed by its edges is placed by the table's
 * (CSS Containment 2, sections 3.2 and 3.4): so nothing lies over the page.
 */
function contained(rules: readonly ExtraRule[], options: SelectorOptions): readonly CssNode[] {
  const reach = rules.filter(({ declarations }) => declarations.some(([property]) => reaching.has(familyOf(property))));
  const within = ({ reached: { part } }: ExtraRule): string => {
    const { box } = partOf(part);
    return box === 'around' ? `.${options.theme}-around` : box === 'cards' ? cardsOfTheme(options.theme) : `.${options.theme}`;
  };
  const boxes = [`.${options.theme}`, `.${options.theme}-around`, cardsOfTheme(options.theme)].filter((box) =>
    reach.some((each) => within(each) === box),
  );
  return boxes.length === 0 ? [] : [rule(boxes.join(','), ['contain', 'layout paint'], ['overflow-clip-margin', '3em'])];
}

/** What moves is still for visitors who want less motion (Media Queries 5, section 12.1). */
function stillWhereAsked(rules: readonly ExtraRule[], options: SelectorOptions): readonly CssNode[] {
  const moving = (family: string): readonly CssNode[] => {
    const selectors = rules
      .filter(({ declarations }) => declarations.some(([property]) => familyOf(property) === family))
      .map(({ reached }) => selectorOf(options, reached, false));
    return selectors.length === 0 ? [] : [rule([...new Set(selectors)].join(','), [family, 'none'])];
  };
  const still = ['animation', 'transition'].flatMap(moving);
  return still.length === 0 ? [] : [{ kind: 'media', query: '(prefers-reduced-motion:reduce)', rules: still }];
}
