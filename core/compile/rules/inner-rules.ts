import { TURNED_HEIGHT, TURNED_LEADING } from '../../fit';
import { resolveAt } from '../../resolve';
import { propertyOf, places, saysAnywhere, type Place, type PropertyName, type ThemeView } from '../../theme';
import type { Exception } from '../../table';
import { contract } from '../markup/contract';
import type { Felt } from '../sheet/lean';
import { cellsOf, everyCell, type SelectorOptions } from '../sheet/selectors';
import { rule, type CssNode, type Declaration } from '../sheet/stylesheet';

/** What the text of a header cell stands in, where headings are turned; and that of a cell which is cut after some lines, until it is opened. */
const READS = `.${contract.reads}`;
const CUT = 'summary';
const CLOSED = `:not([open])>${CUT}`;
const ACROSS = 'horizontal-tb';

/** Whether headings run otherwise than across anywhere, or may: their texts then stand in an element that can be turned. */
export const readsOtherwise = (view: ThemeView): boolean => saysAnywhere(view, 'reading');

/** Whether texts are cut after some lines, by a theme or by exceptions: they then stand in an element that opens. */
export const cutsTexts = (view: ThemeView, exceptions: readonly Pick<Exception, 'values'>[]): boolean =>
  saysAnywhere(view, 'lines-shown') || exceptions.some(({ values }) => values['lines-shown'] !== undefined);

/**
 * Which way headings run (CSS Writing Modes 4, section 3.2). The text is turned and not its cell, so that lines, padding and
 * alignment of the cell stay what they are; and it has a leading of its own, so that it is known how wide it is. As high as it
 * needs, whatever height its row is given.
 */
const turnedBox: readonly Declaration[] = [
  ['display', 'inline-block'],
  ['line-height', `${TURNED_LEADING}`],
  ['white-space', 'normal'],
  ['inline-size', 'max-content'],
  ['max-height', `${TURNED_HEIGHT}em`],
];
const acrossAgain: readonly Declaration[] = [
  ['display', 'inline'],
  ['line-height', 'inherit'],
  ['white-space', 'inherit'],
];

/** After how many lines a text ends (CSS Overflow 4, section 5, `line-clamp`, as all browsers have it). */
const clamp = (css: string): Declaration => ['-webkit-line-clamp', css];

type Said = readonly (readonly [place: Place, css: string])[];

/** Where something of the texts within cells is said, weakest first. */
const saidOf = (view: ThemeView, name: PropertyName, felt?: Felt): Said =>
  places.flatMap((place): Said => {
    const property = propertyOf(name);
    const value = property.parts.includes(place.part) ? view.valueAt(place, property) : undefined;
    return value === undefined || (felt && !felt(place, name)) ? [] : [[place, value.css]];
  });

/** Rules for what the texts of cells stand in: turned headings, and texts that are cut after some lines and open when they are asked to. */
export const innerRules = (view: ThemeView, options: SelectorOptions, exceptions: readonly Exception[], felt?: Felt): readonly CssNode[] => [
  ...(readsOtherwise(view) ? readingRules(view, options, felt) : []),
  ...(cutsTexts(view, exceptions) ? cutRules(view, options, exceptions, felt) : []),
];

/** Headings that are turned as those around them are have the box already. */
function readingRules(view: ThemeView, options: SelectorOptions, felt?: Felt): readonly CssNode[] {
  const said = saidOf(view, 'reading', felt);
  const isTurned = (css: string): boolean => css !== ACROSS;
  const around = ({ part }: Place): boolean =>
    part !== 'column-headers' && isTurned(resolveAt(view, { part: 'column-headers', condition: 'rest' }, 'reading').css);
  /** What a place writes beside the way itself: the box of a turned text, or what takes the one of those around it away. */
  const boxOf = (place: Place, css: string): readonly Declaration[] =>
    isTurned(css) ? (around(place) ? [] : turnedBox) : around(place) ? acrossAgain : [];
  return said.map(([place, css]) => rule(`${cellsOf(options, place)} :where(${READS})`, ...boxOf(place, css), ['writing-mode', css]));
}

const cutRules = (view: ThemeView, options: SelectorOptions, exceptions: readonly Exception[], felt?: Felt): readonly CssNode[] => [
  ...cutBox(options, exceptions),
  ...saidOf(view, 'lines-shown', felt).map(([place, css]) => rule(`${cellsOf(options, place)} :where(${CLOSED})`, clamp(css))),
];

/** The box of a text that can be cut, before anything is said of its lines. */
const cutBox = (options: SelectorOptions, exceptions: readonly Exception[]): readonly CssNode[] => [
  // An icon stands beside it, and not above.
  ...(exceptions.some(({ values }) => values.icon !== undefined)
    ? [rule(`${everyCell(options)}:where(:has(>.${contract.cut}))::before`, ['float', 'inline-start'])]
    : []),
  rule(
    `${everyCell(options)} :where(${CUT})`,
    ['display', '-webkit-box'],
    ['-webkit-box-orient', 'vertical'],
    ['overflow', 'hidden'],
    ['cursor', 'pointer'],
  ),
];

/** What an exception says of its cells' lines. */
export const cutOf = (cells: string, css: string): CssNode => rule(`${cells} :where(${CLOSED})`, clamp(css));

/** On paper nothing can be opened: all of it is whole. */
export const wholeOnPaper = (view: ThemeView, options: SelectorOptions, exceptions: readonly Exception[]): readonly CssNode[] =>
  cutsTexts(view, exceptions) ? [{ kind: 'media', query: 'print', rules: [rule(`${everyCell(options)} details>summary`, clamp('none'))] }] : [];
