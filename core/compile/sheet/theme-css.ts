import { layerOf } from '../../paint';
import { resolveAt } from '../../resolve';
import type { Exception } from '../../table';
import {
  conditionOf,
  lineage,
  needsPointer,
  partOf,
  places,
  propertiesOf,
  propertyOf,
  saysAnywhere,
  type Place,
  type Property,
  type ThemeView,
  type Value,
} from '../../theme';
import { aroundRules, contentRules } from '../rules/around-rules';
import { columnFrames } from '../rules/beside/column-frames';
import { cornerRules } from '../rules/corners';
import { canHold } from './combinations';
import { declare, type SetValue } from './declare';
import { NOTHING_BESIDE, type Beside } from './beside';
import { textLookRules } from '../rules/beside/text-look-rules';
import { valueMarkRules } from '../rules/beside/value-marks';
import { edgeRules, exceptedProperties, exceptionRules, ownIconRules, setsHeight, setsLines, setsPicture } from '../rules/beside/exception-rules';
import { readByExtra } from '../rules/beside/extra-rules';
import { feltValues, type Aspect, type Felt } from './lean';
import { decimalRules } from '../rules/decimal-rules';
import { iconRules } from '../rules/icons';
import { innerRules, wholeOnPaper } from '../rules/inner-rules';
import { lineRules, outerBorder } from '../rules/line-rules';
import { boxesRows, rowRules } from '../rules/row-rules';
import { GRADUAL_LAYER, isGradual, transitionRules } from '../rules/transition-rules';
import { hasPicture, isPictureShared, laidOver, pictureBehind, pictureInCells, pictureUnder, picturedCells } from '../rules/pictures';
import { aroundBars, captionOf, cellsOf, everyCell, groupsOf, heldCellsOf, isHeldOpen, notWithin, rowsOf, type SelectorOptions } from './selectors';
import { contract } from '../markup/contract';
import { selectorsFor } from './selectors-for';
import { swatchRule } from './swatch-rule';
import { rule, tidied, type CssNode, type Declaration, type Stylesheet } from './stylesheet';

export interface ThemeCssOptions {
  /** The key that names the theme's class: `zp-` and the key. */
  readonly key: string;
  /** For previews: conditions can also be held open by `data-held`. Published CSS does not carry this. */
  readonly held?: boolean;
  /** With what stands around the table: search bar, info line, empty message, pager. */
  readonly around?: boolean;
  /** Without values that are not felt anywhere: for what is published, not for previews. */
  readonly lean?: boolean;
  /** Whether it says none where the theme draws no line: for pages of which nothing is known. */
  readonly clears?: boolean;
  /** What the tables which it dresses have beside it. */
  readonly beside?: Beside;
}

/**
 * The stylesheet of a theme: its swatches, the table's box, then a rule for each place in the order of
 * strength, then what stands in cells and around the table, then the lines. It dresses every table that
 * carries the theme's class.
 */
export function themeCss(
  view: ThemeView,
  { key, held = false, around = false, lean = false, clears = false, beside = NOTHING_BESIDE }: ThemeCssOptions,
): Stylesheet {
  const { exceptions, worn, texts } = beside;
  const options = selectorsFor(view, key, held, exceptions);
  const felt = lean ? feltBeside(view, around, exceptions) : undefined;
  const isOwn = setsPicture(exceptions);
  const isCards = beside.holdsRows && boxesRows(view);
  const rulesOf = (isHand: boolean): readonly CssNode[] =>
    places
      .filter(({ part, condition }) => partOf(part).box !== 'lines' && (conditionOf(condition).tier === 'hand') === isHand)
      .flatMap((place) => placeRules(view, place, options, { around, felt, isOwn, isCards }));
  const { under, over } = exceptionRules(view, exceptions, options);
  const nodes = tidied([
    tableBox(view, options, clears),
    ...heightRule(view, options, exceptions),
    ...(isGradual(view) ? [rule(everyCell(options), laidOver(GRADUAL_LAYER, isOwn))] : []),
    ...rulesOf(false),
    ...innerRules(view, options, exceptions, felt),
    ...under,
    ...rulesOf(true),
    ...over,
    ...iconRules(view, options),
    ...ownIconRules(view, exceptions, options),
    ...decimalRules(view, options),
    ...contentRules(view, options, felt),
    ...valueMarkRules(view, worn, options),
    ...textLookRules(view, texts, options.theme),
    ...(around ? aroundRules(view, options, felt) : []),
    ...rowRules(view, options, beside.holdsRows, felt),
    ...transitionRules(view, options, around),
    ...lineRules(view, options, clears),
    ...edgeRules(view, exceptions, options),
    ...columnFrames(view, beside, options),
    ...cornerRules(view, options),
  ]);
  const root = around ? `.${options.theme},.${options.theme}-around` : `.${options.theme}`;
  return [...swatchRule(view, root, [...nodes, ...readByExtra(view, beside)]), ...nodes];
}

/**
 * What a table's own file has to bring along beside its theme's stylesheet, which knows nothing of this table: its looks and
 * value marks and, since these come after everything of the theme's, what the hand brings once more. Nothing where there is nothing.
 */
export function besideCss(view: ThemeView, key: string, beside: Beside): Stylesheet {
  const { exceptions, worn, texts } = beside;
  const isPlain = exceptions.length === 0 && worn.length === 0 && texts.length === 0 && beside.extras.length === 0;
  if (isPlain && !(beside.holdsRows && boxesRows(view))) return [];
  const options = selectorsFor(view, key, false, exceptions);
  const { under, over } = exceptionRules(view, exceptions, options);
  const hand = under.length === 0 ? [] : handRules(view, options, setsPicture(exceptions));
  const height = setsHeight(exceptions) ? [rule(everyCell(options), ['box-sizing', 'border-box'])] : [];
  // A theme that cuts texts has their boxes already.
  const isCut = setsLines(exceptions) && !saysAnywhere(view, 'lines-shown');
  const nodes = tidied([
    ...height,
    ...(isCut ? innerRules(view, options, exceptions) : []),
    ...(beside.holdsRows && boxesRows(view) ? rowRules(view, options, true) : []),
    ...under,
    ...hand,
    ...over,
    ...valueMarkRules(view, worn, options),
    ...textLookRules(view, texts, options.theme),
    ...ownIconRules(view, exceptions, options),
    ...edgeRules(view, exceptions, options),
    ...columnFrames(view, beside, options),
    ...(isCut ? wholeOnPaper(view, options, exceptions) : []),
  ]);
  return [...swatchRule(view, `.${options.theme}`, [...nodes, ...readByExtra({ ...view, extras: [] }, beside)]), ...nodes];
}

const handRules = (view: ThemeView, options: SelectorOptions, isOwn: boolean): readonly CssNode[] =>
  places
    .filter(({ part, condition }) => partOf(part).box === 'cells' && conditionOf(condition).tier === 'hand')
    .flatMap((place) => placeRules(view, place, options, { around: false, felt: undefined, isOwn, isCards: false }));

/** What is felt where tables have exceptions: what the hand brings counts then even if it says what lies below the exception. */
function feltBeside(view: ThemeView, around: boolean, exceptions: readonly Exception[]): Felt {
  const felt = feltValues(view, around);
  const excepted = exceptedProperties(exceptions);
  if (excepted.size === 0) return felt;
  return (place, aspect, on) =>
    felt(place, aspect, on) || (conditionOf(place.condition).tier === 'hand' && aspect !== 'icon-shape' && excepted.has(aspect));
}

/** The table's own box. Borders are always separate, since only then do corners round and lines have one owner. */
function tableBox(view: ThemeView, options: SelectorOptions, clears: boolean): CssNode {
  const value = (name: 'cells' | 'gap'): Value => resolveAt(view, { part: 'table', condition: 'rest' }, name);
  const spaced = value('cells').css === 'spaced';
  return rule(
    `.${options.theme}`,
    ['border-collapse', 'separate'],
    ['border-spacing', spaced ? value('gap').css : '0'],
    ...outerBorder(view, clears),
    ...pictureBehind(view, 'table'),
  );
}

/** A least height counts from edge to edge, lines and padding with it, and so does the width of row headers. */
function heightRule(view: ThemeView, options: SelectorOptions, exceptions: readonly Exception[]): readonly CssNode[] {
  const height = propertyOf('row-height');
  const isSet = places.some((place) => height.parts.includes(place.part) && (view.valueAt(place, height)?.css ?? 'auto') !== 'auto');
  if (isSet || setsHeight(exceptions)) return [rule(everyCell(options), ['box-sizing', 'border-box'])];
  const headers: Place = { part: 'row-headers', condition: 'rest' };
  return view.valueAt(headers, propertyOf('width'))?.kind === 'length' ? [rule(cellsOf(options, headers), ['box-sizing', 'border-box'])] : [];
}

interface Choice {
  readonly around: boolean;
  /** Whether a value is felt; without it, each is written. */
  readonly felt: Felt | undefined;
  /** Whether tables have pictures of their own behind some cells. */
  readonly isOwn: boolean;
  /** Whether rows are cards, over whose gaps fills reach where a merged cell holds them together. */
  readonly isCards: boolean;
}

/** The rules of one place: what is set there by the theme or, failing that, by what it grows from. */
function placeRules(view: ThemeView, place: Place, options: SelectorOptions, { around, felt, isOwn, isCards }: Choice): readonly CssNode[] {
  const set: SetValue[] = [];
  for (const property of propertiesOf(place.part)) {
    const value = view.valueAt(place, property);
    const aspects = aspectsOf(property).filter((aspect) => felt === undefined || felt(place, aspect));
    if (value && aspects.length > 0) set.push({ property, value, aspects });
  }
  if (set.length === 0) return [];
  const { box } = partOf(place.part);
  if (box === 'table') return wholeTable(view, set, options, around);
  if (box === 'caption') return [rule(captionOf(options), ...declare(set), ...fillOf(set))];
  if (box !== 'cells') return [];
  return conditionOf(place.condition).tier === 'hand'
    ? underHand(view, place, set, options, { felt, isOwn })
    : atRest(view, place, set, options, isCards);
}

/** What of a value is looked at on its own: of an icon, whether one stands there and which. */
const aspectsOf = ({ name }: Property): readonly Aspect[] => (name === 'icon' ? ['icon', 'icon-shape'] : [name]);

const fillOf = (set: readonly SetValue[]): readonly Declaration[] =>
  set.filter(({ property }) => property.name === 'fill').map(({ value }) => ['background-color', value.css]);

/** The whole table's values: its box on the table, type on caption, cells and bars, room inside on the cells only. */
function wholeTable(view: ThemeView, set: readonly SetValue[], options: SelectorOptions, around: boolean): readonly CssNode[] {
  const own = set.filter(({ property }) => property.falls === 'part');
  const handed = set.filter(({ property }) => property.falls === 'table' && property.name !== 'fill');
  const shared = handed.filter(({ property }) => property.parts.includes('caption') && !property.stops?.includes('caption'));
  const inside = handed.filter((each) => !shared.includes(each));
  const outside = [captionOf(options), ...(around ? [aroundBars(options)] : [])].join(',');
  return [
    rule(`.${options.theme}`, ...fillOf(set), ...declare(own.filter((each) => each.value.css !== view.initial(each.property).css))),
    rule(`${outside},${everyCell(options)}`, ...declare(shared)),
    rule(everyCell(options), ...declare(inside)),
  ];
}

function atRest(view: ThemeView, place: Place, set: readonly SetValue[], options: SelectorOptions, isCards: boolean): readonly CssNode[] {
  const { part, condition } = place;
  const layer = layerOf(place);
  const cells = cellsOf(options, place);
  const told = fillOf(set);
  const fill: readonly Declaration[] =
    isCards && lineage(part).includes('body-rows') ? [...told, ...told.map(([, css]) => [contract.fill, css] as const)] : told;
  const picture = condition === 'rest' && hasPicture(view, part) ? part : undefined;
  if (layer === 'cell') {
    const within = picture ? pictureInCells(view, picture) : [];
    const apart = notWithin(part);
    if (within.length === 0 || apart === '') return [rule(cells, ...fill, ...within, ...declare(set))];
    return [rule(cells, ...fill, ...declare(set)), rule(cellsOf(options, place, part, apart), ...within)];
  }
  const target = layer === 'group' ? groupsOf(options, part) : rowsOf(options, place);
  return [rule(target, ...fill, ...(picture ? pictureBehind(view, picture) : [])), rule(cells, ...declare(set))];
}

/**
 * The fill of what the hand touches is laid over the one at rest, as a picture of one colour: a translucent
 * one shows the band behind it. Hover is asked for only where a pointer can hover, since it sticks after a tap.
 */
function underHand(
  view: ThemeView,
  place: Place,
  set: readonly SetValue[],
  options: SelectorOptions,
  { felt, isOwn }: Pick<Choice, 'felt' | 'isOwn'>,
): readonly CssNode[] {
  const fill = set.find(({ property }) => property.name === 'fill')?.value;
  const gradual = isGradual(view);
  const over = fill && (fill.css === 'transparent' ? 'none' : `linear-gradient(${fill.css} 0 0)`);
  const isFelt = (part: Place['part']): boolean => felt === undefined || felt(place, 'fill', part);
  const pictured =
    over === undefined || gradual
      ? []
      : picturedCells(view).filter((part) => lineage(part).includes(place.part) && (part !== place.part || isFelt(part)));
  /** Where a part within has a picture of its own, that is laid over this one's anyway. */
  const apart = (part: Place['part']): string => (pictured.includes('group-headings') || isPictureShared(view) ? '' : notWithin(part));
  /** Whether a part within has a fill of its own there, whose rule comes later and brings its picture. */
  const hasOwn = (part: Place['part']): boolean =>
    lineage(part)
      .slice(0, lineage(part).indexOf(place.part))
      .some((each) => {
        const own = { part: each, condition: place.condition };
        return (
          canHold(each, place.condition) && view.valueAt(own, propertyOf('fill')) !== undefined && (felt === undefined || felt(own, 'fill', part))
        );
      });
  const isSplit = pictured.includes(place.part) && apart(place.part) !== '';
  const own =
    over === undefined || (isSplit && felt !== undefined && !felt(place, 'fill', 'group-headings'))
      ? []
      : gradual
        ? [[contract.over, fill?.css ?? 'transparent'] as const]
        : [pictured.includes(place.part) && !isSplit ? pictureUnder(view, place.part, over, isOwn) : laidOver(over, isOwn)];
  const declarations: readonly Declaration[] = [...own, ...declare(set)];
  const rules = (select: (only?: Place['part'], also?: string) => string): readonly CssNode[] => [
    rule(select(), ...declarations),
    ...pictured
      // What is written for all cells would take the picture of a part within, even where it is not felt there.
      .filter((part) => (part === place.part ? isSplit : isFelt(part) || (own.length > 0 && !hasOwn(part))) && canHold(part, place.condition))
      .map((part) => rule(select(part, apart(part)), pictureUnder(view, part, over ?? 'none', isOwn))),
  ];
  const held = options.held && isHeldOpen(place.condition) ? rules((only, also) => heldCellsOf(options, place, only, also)) : [];
  const real = rules((only, also) => cellsOf(options, place, only, also));
  return needsPointer(place.condition) ? [{ kind: 'media', query: '(hover:hover)', rules: real }, ...held] : [...real, ...held];
}
