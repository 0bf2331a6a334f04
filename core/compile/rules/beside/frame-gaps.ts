import { closedBy } from '../../../lines';
import { resolveAt } from '../../../resolve';
import type { Exception } from '../../../table';
import { everyLook, gapSides, lineage, parts, places, properties, propertyOf, type PartName, type ThemeView } from '../../../theme';
import { contract } from '../../markup/contract';
import { bodyStart, cellsOf, headerStart, markOf, type SelectorOptions } from '../../sheet/selectors';
import { rule, type CssNode, type Declaration } from '../../sheet/stylesheet';
import { iconParts, iconSides } from '../icon-sides';
import { openClip } from '../corners';
import { iconMarks } from './exception-rules';

/** A column's frame as it is drawn: the class of its cells, and its line. */
export interface DrawnFrame {
  readonly mark: string;
  readonly line: { readonly css: string; readonly width: number };
}

type Side = 'before' | 'after';
/** What draws a cell's part of the frame in the gap above it. */
interface Piece {
  readonly selector: string;
  readonly line: DrawnFrame['line'];
}

/**
 * Where rows stand apart, a column's frame goes on across the gaps: each of its cells but the first, and but one below the heading of a
 * group, draws both sides up to the cell above, on whichever side of its text it has nothing. Where something stands on both (an icon
 * before a number whose digits are filled up behind, icons before at one width and behind at another), the frame stops at the gap.
 */
export function frameGaps(
  view: ThemeView,
  exceptions: readonly Exception[],
  options: SelectorOptions,
  frames: readonly DrawnFrame[],
): readonly CssNode[] {
  const table = { part: 'table', condition: 'rest' } as const;
  if (resolveAt(view, table, 'cells').css !== 'spaced') return [];
  const [, down] = gapSides(resolveAt(view, table, 'gap'));
  if (down.css === '0') return [];
  // Lines of cells lie between their frame's sides: the piece reaches over the thickest of them, where the sides are drawn already.
  const over = thickest(view) + (closedBy(view)?.rows.line.width ?? 0);
  const isIconed = everyLook(view).some((look) => iconParts.some((part) => drawsIcon(look, part)));
  return [
    ...openClip(view, options, down.css),
    ...frames.map(({ mark }) => rule(`.${options.theme}>*>:where(tr)>:where(${mark})`, ['position', 'relative'])),
    ...pieces(view, exceptions, options, frames).map(({ selector, line }) =>
      rule(
        selector,
        ['content', '""'],
        ['position', 'absolute'],
        ['inset-inline', `-${line.width}px`],
        ['inset-block-end', '100%'],
        ['height', over === 0 ? down.css : `calc(${down.css} + ${over}px)`],
        ['border-inline', line.css],
        ...(isIconed ? BARE : []),
      ),
    ),
  ];
}

/** What takes away the shape of an icon that its part has on this side elsewhere, and this cell has not. */
const BARE: readonly Declaration[] = [
  ['width', 'auto'],
  ['margin', '0'],
  ['background', 'none'],
  ['mask', 'none'],
];

/** What takes the frame out of the gaps again, where rows are no longer beside one another. */
export const withoutFrameGaps = (
  view: ThemeView,
  exceptions: readonly Exception[],
  options: SelectorOptions,
  frames: readonly DrawnFrame[],
): readonly CssNode[] =>
  pieces(view, exceptions, options, frames).map(({ selector }) =>
    rule(selector, ['content', 'none'], ['position', 'static'], ['height', 'auto'], ['border-inline', 'none']),
  );

function pieces(view: ThemeView, exceptions: readonly Exception[], options: SelectorOptions, frames: readonly DrawnFrame[]): readonly Piece[] {
  return frames.flatMap(({ mark, line }) => {
    const below = `.${options.theme}>*>:where(tr:has(>.${contract.heading}))+tr>${mark}`;
    const inside = `${mark}:not(${headerStart(options, mark)},${bodyStart(options, mark)},${below})`;
    return (['after', 'before'] as const).flatMap((side) => {
      const cells = freeOn(side, view, exceptions, options, inside);
      return cells.length > 0 ? [{ selector: cells.map((each) => `${each}::${side}`).join(','), line }] : [];
    });
  });
}

/**
 * The cells within a frame that draw their piece on one side, since nothing stands there. What stands at any width and in any mode counts at
 * all of them: the stylesheets of these lie over one another, and a piece that changed its side would leave itself behind.
 */
function freeOn(side: Side, view: ThemeView, exceptions: readonly Exception[], options: SelectorOptions, inside: string): readonly string[] {
  const own = iconMarks(exceptions);
  const looks = everyLook(view);
  const isAligned = looks.some((look) => resolveAt(look, { part: 'numbers', condition: 'rest' }, 'decimals').css === 'aligned');
  const [padded, unpadded] = isAligned ? [`[${contract.pad}]`, `:not([${contract.pad}])`] : ['', ''];
  const [iconed, bare] = own.length > 0 ? [`:is(${own.join(',')})`, `:not(${own.join(',')})`] : ['', ''];
  const drawing = looks.map((look) => ({ sideOf: iconSides(look).sideOf, parts: iconParts.filter((part) => drawsIcon(look, part)) }));
  /** On which sides the cells of a part have icons. */
  const takenOf = (part: PartName): ReadonlySet<string> =>
    new Set(drawing.flatMap(({ parts: drawn, sideOf }) => (lineage(part).some((each) => drawn.includes(each)) ? [sideOf(part)] : [])));
  /** What tells the cells of a part that draw their piece on this side; a cell with an icon of its own has that before, and none behind. */
  const testsOf = (taken: ReadonlySet<string>): readonly string[] => {
    if (side === 'after') return taken.has('after') ? (iconed === '' ? [] : [iconed + unpadded]) : [unpadded];
    if (taken.has('before')) return [];
    return taken.has('after') ? [bare] : padded === '' ? [] : [padded + bare];
  };
  if (drawing.every(({ parts: drawn }) => drawn.length === 0))
    return testsOf(new Set()).map((test) => `.${options.theme}>*>:where(tr)>:where(${inside}${test})`);
  return cellParts.flatMap((part) => {
    const less = cellParts.filter((each) => each !== part && lineage(each).includes(part)).map((each) => `:not(${markOf(each)})`);
    return testsOf(takenOf(part)).map((test) => cellsOf(options, { part, condition: 'rest' }, part, `${inside}${less.join('')}${test}`));
  });
}

const drawsIcon = (view: ThemeView, part: PartName): boolean =>
  places.some((place) => place.part === part && (view.valueAt(place, ICON)?.css ?? 'none') !== 'none');
const ICON = propertyOf('icon');
/** The parts of which each cell is one; numbers are cells of another part. */
const cellParts: readonly PartName[] = parts.filter(({ box, name }) => box === 'cells' && name !== 'numbers').map(({ name }) => name);
const lines = properties.filter((property) => property.kind === 'line' && property.parts.includes('lines'));
const thickest = (view: ThemeView): number =>
  Math.max(
    ...lines.map(({ name }) => {
      const value = resolveAt(view, { part: 'lines', condition: 'rest' }, name);
      return value.kind === 'line' ? value.width : 0;
    }),
  );
