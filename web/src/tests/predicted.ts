import { TRANSPARENT, WHITE, flatten, type Rgba } from '../../../core/colour';
import { captionLines, cellLines, frameLine, outerLines, type Line } from '../../../core/lines';
import { iconAddress } from '../../../core/media';
import { fillLayers, inkOf } from '../../../core/paint';
import { ORDINARY_PAGE, fontSize, resolve, resolveAt, toPx, winnerAt } from '../../../core/resolve';
import { ORDINARY_BAND, framedAt, goesOnBelow, joinsAbove, padOf, slotOf, type Band, type GridCell, type Table } from '../../../core/table';
import { partOf, propertyOf, type ConditionName, type PartName, type PropertyName, type Slot, type ThemeView } from '../../../core/theme';
import { boxesRows } from '../../../core/compile';
import { colourFact, countOf, iconFact, pictureFact, round, shadowsIn, type Facts } from './observed';

const borderFact = (line: Line | undefined): string =>
  line === undefined || line.style === 'none' || line.style === 'hidden' ? 'none' : `${line.width} ${line.style} ${colourFact(line.rgba)}`;

/** What core says of a cell. `shown` paints a declared value as the browser does, so that only who wins is compared. */
export function predictCell(view: ThemeView, table: Table, cell: GridCell, held: readonly ConditionName[], shown: Shown): Facts {
  const slot = slotOf(table, cell, held, bandOf(view));
  const lines = cellLines(view, table, cell);
  const number = slot.also?.includes('numbers') ?? false;
  // Digits that are not seen take the place of an icon behind the number.
  const isPadded = number && padOf(table, cell) !== '' && atRest(view, 'numbers', 'decimals') === 'aligned';
  return {
    ...predictText(view, slot),
    fill: colourFact(flattened(view, slot)),
    top: borderFact(lines.top),
    start: borderFact(lines.start),
    end: borderFact(lines.end),
    bottom: borderFact(lines.bottom),
    valign: word(view, slot, 'valign'),
    wrap: word(view, slot, 'wrap'),
    figures: word(view, slot, 'figures'),
    ...predictBar(view, table, cell, slot, shown),
    ...predictAround(view, cell, slot, shown),
    ...predictFrame(view, table, cell, shown),
    height: shown('height', word(view, slot, 'row-height')),
    ...(slot.part === 'row-headers' || slot.part === 'group-headings' ? { width: shown('width', atRest(view, 'row-headers', 'width')) } : {}),
    ...(cell.text === '' ? { before: 'none', after: 'none' } : predictIcon(view, slot)),
    ...(isPadded ? { after: 'none' } : {}),
    ...predictPicture(view, slot, shown),
    'group picture': groupPicture(view, cell),
    pad: isPadded ? padOf(table, cell) : 'none',
  };
}

/** The bar of a row lies in its cell in the first column, whatever that is; the row's corners in the first and the last. */
function predictBar(view: ThemeView, table: Table, cell: GridCell, slot: Slot, shown: Shown): Facts {
  if (cell.section !== 'body') return { bar: 'none', round: '0px 0px' };
  const isCard = boxesRows(view);
  const row: Slot = { ...slot, part: 'body-rows' };
  const { value } = resolve(view, row, 'bar');
  const bar = value.kind === 'line' && value.width > 0 ? `inset ${value.width}px 0 ${colourText(value.rgba)}` : 'none';
  const radius = atRest(view, 'body-rows', 'row-radius');
  const round = (is: boolean): string => (is ? shown('border-top-left-radius', radius) : '0px');
  // A cell of a card reaches up over the gap above it.
  const reachesUp = isCard && joinsAbove(table, cell.row) && atRest(view, 'table', 'cells') === 'spaced';
  return {
    ...(reachesUp ? {} : { bar: shadowsIn(shown('box-shadow', cell.column === 0 ? bar : 'none')) }),
    round: `${round(cell.column === 0 && !(isCard && joinsAbove(table, cell.row)))} ${round(
      cell.column + cell.columns === (table.rows[0]?.length ?? 0) && !(isCard && goesOnBelow(table, cell.row + cell.rows - 1)),
    )}`,
  };
}

/** The corners of a column's frame, which are the cells' own. */
function predictFrame(view: ThemeView, table: Table, cell: GridCell, shown: Shown): Facts {
  const framed = framedAt(table, cell);
  if (!framed || !frameLine(view, framed.exception)) return {};
  const read = view.read(propertyOf('frame-radius'), framed.exception.values['frame-radius'] ?? '');
  if (!read.ok || read.value.css === '0' || !(framed.isTop || framed.isBottom)) return {};
  const radius = shown('border-top-left-radius', read.value.css);
  const [start = '0px', end = '0px'] = String(predictBar(view, table, cell, slotOf(table, cell), shown)['round'] ?? '').split(' ');
  return { round: `${framed.isTop ? radius : start} ${framed.isBottom ? radius : end}` };
}

/** The line around a header cell that is focused, and around a row under the hand. Nothing is focused here, so the browser's own is none. */
function predictAround(view: ThemeView, { section }: GridCell, slot: Slot, shown: Shown): Facts {
  const around = (of: Slot, name: 'outline' | 'row-line'): string => {
    const { value } = resolve(view, of, name);
    return value.kind === 'line' ? borderFact(value) : 'none';
  };
  const isHeader = section === 'header';
  return {
    around: isHeader ? around(slot, 'outline') : 'none',
    off: isHeader ? shown('outline-offset', word(view, slot, 'outline-offset')) : '0px',
    'row around': section === 'body' ? around({ ...slot, part: 'body-rows' }, 'row-line') : 'none',
  };
}
const colourText = ({ r, g, b, alpha }: Rgba): string => `rgb(${[r, g, b].map((n) => Math.round(n * 255)).join(' ')} / ${alpha})`;

/** A declared value as the browser computes it on a bare element in the same place. */
export type Shown = (property: string, css: string) => string;

const atRest = (view: ThemeView, part: PartName, name: PropertyName): string => resolveAt(view, { part, condition: 'rest' }, name).css;
export function bandOf(view: ThemeView): Band {
  const value = resolveAt(view, { part: 'body-rows', condition: 'rest' }, 'band');
  return value.kind === 'band' ? value : ORDINARY_BAND;
}

/** The fill before the whole table's opacity, which is compared by itself. */
const flattened = (view: ThemeView, slot: Slot): Rgba => {
  const { over, cell, row, group, table } = fillLayers(view, slot);
  return flatten(over, cell, row, group, table, WHITE);
};

function predictPicture(view: ThemeView, slot: Slot, shown: Shown): Facts {
  // The table's own is below whatever the hand lays over it.
  const atRest = { ...slot, conditions: [] };
  const own = winnerAt(view, atRest, 'picture');
  if (!own.excepted) return { picture: partPicture(view, slot.part) };
  const detail = (name: PropertyName): string => winnerAt(view, atRest, name).value.css;
  return {
    picture: pictureFact(own.value.css),
    'picture-size': `auto, ${shown('background-size', detail('picture-size'))}`,
    'picture-repeat': `repeat, ${shown('background-repeat', detail('picture-repeat'))}`,
    'picture-position': `0% 0%, ${shown('background-position', detail('picture-position'))}`,
  };
}
const partPicture = (view: ThemeView, part: PartName): string =>
  partOf(part).depth > 1 && propertyOf('picture').parts.includes(part) ? pictureFact(atRest(view, part, 'picture')) : 'none';
const groupPicture = (view: ThemeView, cell: GridCell): string =>
  cell.section === 'body' ? 'none' : pictureFact(atRest(view, cell.section === 'header' ? 'column-headers' : 'footer', 'picture'));

function predictIcon(view: ThemeView, slot: Slot): Facts {
  // The table's own stands before the text, whatever the hand does.
  const own = winnerAt(view, { ...slot, conditions: [] }, 'icon');
  if (own.excepted) return { before: iconFact(iconAddress(own.excepted.values.icon ?? '') ?? 'none'), after: 'none' };
  if (!propertyOf('icon').parts.includes(slot.part)) return { before: 'none', after: 'none' };
  const said = iconFact(iconAddress(resolve(view, slot, 'icon').text) ?? 'none');
  const side = resolve(view, { part: slot.part, conditions: [] }, 'icon-side').value.css;
  return { before: side === 'before' ? said : 'none', after: side === 'after' ? said : 'none' };
}

export function predictCaption(view: ThemeView, { captionSide, captionAlign }: Table): Facts {
  const slot: Slot = { part: 'caption', conditions: [] };
  const side = { '': atRest(view, 'caption', 'side'), above: 'top', below: 'bottom' }[captionSide];
  const below = side === 'bottom';
  const line = borderFact(captionLines(view, below ? 'below' : 'above').caption);
  const text = predictText(view, slot);
  const isTurned = side !== atRest(view, 'caption', 'side');
  return {
    ...text,
    ...(isTurned ? { 'padding-top': text['padding-bottom'] ?? 0, 'padding-bottom': text['padding-top'] ?? 0 } : {}),
    fill: colourFact(flatten(fillLayers(view, slot).table, WHITE)),
    side,
    ...(captionAlign === '' ? {} : { align: captionAlign }),
    top: below ? line : 'none',
    bottom: below ? 'none' : line,
  };
}

export function predictTable(view: ThemeView, { caption, captionSide }: Table, shown: Shown): Facts {
  const { end, start, ...outer } = outerLines(view);
  const isBelow = (captionSide === '' ? atRest(view, 'caption', 'side') : captionSide === 'below' ? 'bottom' : 'top') === 'bottom';
  const [top, bottom] =
    caption === ''
      ? [outer.top, outer.bottom]
      : isBelow
        ? [outer.top, captionLines(view, 'below').outer]
        : [captionLines(view, 'above').outer, outer.bottom];
  const value = (name: PropertyName): string => atRest(view, 'table', name);
  const pictured = value('picture') !== 'none';
  return {
    top: borderFact(top),
    end: borderFact(end),
    bottom: borderFact(bottom),
    start: borderFact(start),
    opacity: value('opacity'),
    radius: shown('border-top-left-radius', value('radius')),
    shadow: shown('box-shadow', value('shadow')),
    layout: value('layout'),
    sits: resolve(view, { part: 'table', conditions: [] }, 'sits').text,
    width: shown('width', value('width')),
    room: shown('padding-top', value('edge-room')),
    gap: shown('border-spacing', value('cells') === 'spaced' ? value('gap') : '0'),
    picture: pictureFact(value('picture')),
    'picture-size': shown('background-size', pictured ? value('picture-size') : 'auto'),
    'picture-repeat': shown('background-repeat', pictured ? value('picture-repeat') : 'repeat'),
    'picture-position': shown('background-position', pictured ? value('picture-position') : 'left top'),
  };
}

/** What core says of a link, a button or an icon in a cell, or of a bar around the table. */
export function predictThing(view: ThemeView, slot: Slot, shown: Shown): Facts {
  const has = (name: PropertyName): boolean => propertyOf(name).parts.includes(slot.part);
  const facts: Record<string, string | number> = { ink: colourFact(inkOf(view, slot)), size: round(fontSize(view, slot)) };
  const tell = (name: PropertyName, key: string, css: string): void => {
    if (has(name)) facts[key] = shown(css, word(view, slot, name));
  };
  tell('radius', 'radius', 'border-top-left-radius');
  tell('shadow', 'shadow', 'box-shadow');
  tell('underline', 'underline', 'text-decoration-line');
  if (has('fill')) facts['fill'] = colourFact(resolvedColour(view, slot));
  if (has('edge')) {
    const edge = resolve(view, slot, 'edge').value;
    facts['edge'] = edge.kind === 'line' ? borderFact(edge) : 'none';
  }
  if (has('outline')) {
    const line = resolve(view, slot, 'outline').value;
    facts['around'] = line.kind === 'line' ? borderFact(line) : 'none';
    facts['off'] = shown('outline-offset', word(view, slot, 'outline-offset'));
  }
  if (has('shown')) facts['shown'] = atRest(view, slot.part, 'shown');
  if (has('weight') && word(view, slot, 'weight') !== 'inherit' && slot.part !== 'links' && slot.part !== 'buttons')
    facts['weight'] = word(view, slot, 'weight');
  return facts;
}

const resolvedColour = (view: ThemeView, slot: Slot): Rgba => {
  const { value } = resolve(view, slot, 'fill');
  return value.kind === 'colour' ? value.rgba : TRANSPARENT;
};

const word = (view: ThemeView, slot: Slot, name: PropertyName): string => resolve(view, slot, name).value.css;

function predictText(view: ThemeView, slot: Slot): Facts {
  const size = fontSize(view, slot);
  const px = (name: PropertyName): number => round(toPx(resolve(view, slot, name).value, size, ORDINARY_PAGE));
  const page = (name: PropertyName, ordinary: string): string => (word(view, slot, name) === 'inherit' ? ordinary : word(view, slot, name));
  const leading = resolve(view, slot, 'line-height').value;
  const spacing = resolve(view, slot, 'letter-spacing').value;
  return {
    ink: colourFact(inkOf(view, slot)),
    font: page('font', 'page').replace(/"/g, ''),
    size: round(size),
    weight: page('weight', '400'),
    slant: page('slant', 'normal'),
    case: page('case', 'none'),
    align: word(view, slot, 'align'),
    leading: leading.kind === 'number' ? round(leading.amount * size) : leading.kind === 'length' ? px('line-height') : 'normal',
    caps: word(view, slot, 'caps'),
    hyphens: word(view, slot, 'hyphens'),
    letters: shadowFact(view, slot),
    spacing: spacing.kind === 'length' && spacing.amount !== 0 ? round(toPx(spacing, size)) : 'normal',
    'padding-top': px('padding-top'),
    'padding-end': px('padding-end'),
    'padding-bottom': px('padding-bottom'),
    'padding-start': px('padding-start'),
  };
}

/** How many shadows letters have: where they lie is as it is written. */
function shadowFact(view: ThemeView, slot: Slot): string {
  const css = word(view, slot, 'text-shadow');
  return css === 'none' ? 'none' : `${countOf(css)}`;
}

/** Where prediction and browser say other things. */
export function differences(where: string, predicted: Facts, observed: Facts): string[] {
  return Object.keys(predicted)
    .filter((key) => !agree(predicted[key], observed[key]))
    .map((key) => `${where}: ${key} predicted ${predicted[key]}, painted ${observed[key]}`);
}

/** Equal, or apart by the rounding of one channel to a byte, or of a length to a ten-thousandth. */
function agree(a: unknown, b: unknown): boolean {
  if (a === b) return true;
  const lengths = [a, b].map((text) => /^([\d.]+)px$/.exec(String(text))?.[1]).filter((each) => each !== undefined);
  if (lengths.length === 2) return Math.abs(Number(lengths[0]) - Number(lengths[1])) <= 0.0002;
  if (typeof a === 'number' && typeof b === 'number') return Math.abs(a - b) <= 0.03;
  const [x, y] = [String(a), String(b)].map((text) => text.match(/\d+/g)?.map(Number) ?? []);
  if (!x || !y || x.length < 4 || x.length !== y.length) return false;
  return String(a).replace(/\d+/g, '') === String(b).replace(/\d+/g, '') && x.every((n, i) => Math.abs(n - (y[i] ?? NaN)) <= 1);
}
