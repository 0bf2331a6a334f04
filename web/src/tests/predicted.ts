import { TRANSPARENT, WHITE, flatten, parseColour, type Rgba } from '../../../core/colour';
import { cellLines, lineAt, outerLines, type Line } from '../../../core/lines';
import { iconAddress, icons, pictures } from '../../../core/media';
import { fillLayers, inkOf } from '../../../core/paint';
import { ORDINARY_PAGE, fontSize, resolve, resolveAt, toPx, winnerAt } from '../../../core/resolve';
import { ORDINARY_BAND, padOf, slotOf, type Band, type GridCell, type Table } from '../../../core/table';
import { partOf, propertyOf, type ConditionName, type PartName, type PropertyName, type Slot, type Theme } from '../../../core/theme';

/** Everything about one cell that core says and Chromium can be asked for, in the same words. */
export type Facts = Readonly<Record<string, string | number>>;

const round = (n: number): number => Math.round(n * 50) / 50;
export const colourFact = ({ r, g, b, alpha }: Rgba): string =>
  alpha === 0 ? 'nothing' : [r, g, b].map((n) => Math.round(n * 255)).join(' ') + ` / ${Math.round(alpha * 100)}`;

const borderFact = (line: Line | undefined): string =>
  line === undefined || line.style === 'none' || line.style === 'hidden' ? 'none' : `${line.width} ${line.style} ${colourFact(line.rgba)}`;

/** What core says of a cell. `shown` paints a declared value as the browser does, so that only who wins is compared. */
export function predictCell(theme: Theme, table: Table, cell: GridCell, held: readonly ConditionName[], shown: Shown): Facts {
  const slot = slotOf(table, cell, held, bandOf(theme));
  const lines = cellLines(theme, table, cell);
  const number = slot.also?.includes('numbers') ?? false;
  // Digits that are not seen take the place of an icon behind the number.
  const isPadded = number && padOf(table, cell) !== '' && atRest(theme, 'numbers', 'decimals') === 'aligned';
  return {
    ...predictText(theme, slot),
    fill: colourFact(flattened(theme, slot)),
    top: borderFact(lines.top),
    start: borderFact(lines.start),
    end: 'none',
    bottom: 'none',
    valign: word(theme, slot, 'valign'),
    wrap: word(theme, slot, 'wrap'),
    figures: word(theme, slot, 'figures'),
    height: shown('height', word(theme, slot, 'row-height')),
    ...(slot.part === 'row-headers' || slot.part === 'group-headings' ? { width: shown('width', atRest(theme, 'row-headers', 'width')) } : {}),
    ...(cell.text === '' ? { before: 'none', after: 'none' } : predictIcon(theme, slot)),
    ...(isPadded ? { after: 'none' } : {}),
    ...predictPicture(theme, slot, shown),
    'group picture': groupPicture(theme, cell),
    pad: isPadded ? padOf(table, cell) : 'none',
  };
}

/** A declared value as the browser computes it on a bare element in the same place. */
export type Shown = (property: string, css: string) => string;

const atRest = (theme: Theme, part: PartName, name: PropertyName): string => resolveAt(theme, { part, condition: 'rest' }, name).css;
export function bandOf(theme: Theme): Band {
  const value = resolveAt(theme, { part: 'body-rows', condition: 'rest' }, 'band');
  return value.kind === 'band' ? value : ORDINARY_BAND;
}

/** The fill before the whole table's opacity, which is compared by itself. */
const flattened = (theme: Theme, slot: Slot): Rgba => {
  const { over, cell, row, group, table } = fillLayers(theme, slot);
  return flatten(over, cell, row, group, table, WHITE);
};

/** The name of a shelf picture in what a stylesheet or the browser says, so that data addresses can be compared. */
const pictureFact = (css: string): string => {
  const found = pictures.find(({ svg }) => decodeURIComponent(css).includes(svg));
  return found?.name ?? 'none';
};
const iconFact = (css: string): string => icons.find(({ path }) => decodeURIComponent(css).includes(`'${path}'`))?.name ?? 'none';

function predictPicture(theme: Theme, slot: Slot, shown: Shown): Facts {
  // The table's own is below whatever the hand lays over it.
  const atRest = { ...slot, conditions: [] };
  const own = winnerAt(theme, atRest, 'picture');
  if (!own.excepted) return { picture: partPicture(theme, slot.part) };
  const detail = (name: PropertyName): string => winnerAt(theme, atRest, name).value.css;
  return {
    picture: pictureFact(own.value.css),
    'picture-size': `auto, ${shown('background-size', detail('picture-size'))}`,
    'picture-repeat': `repeat, ${shown('background-repeat', detail('picture-repeat'))}`,
    'picture-position': `0% 0%, ${shown('background-position', detail('picture-position'))}`,
  };
}
const partPicture = (theme: Theme, part: PartName): string =>
  partOf(part).depth > 1 && propertyOf('picture').parts.includes(part) ? pictureFact(atRest(theme, part, 'picture')) : 'none';
const groupPicture = (theme: Theme, cell: GridCell): string =>
  cell.section === 'body' ? 'none' : pictureFact(atRest(theme, cell.section === 'header' ? 'column-headers' : 'footer', 'picture'));

function predictIcon(theme: Theme, slot: Slot): Facts {
  // The table's own stands before the text, whatever the hand does.
  const own = winnerAt(theme, { ...slot, conditions: [] }, 'icon');
  if (own.excepted) return { before: iconFact(iconAddress(own.excepted.values.icon ?? '') ?? 'none'), after: 'none' };
  if (!propertyOf('icon').parts.includes(slot.part)) return { before: 'none', after: 'none' };
  const said = iconFact(iconAddress(resolve(theme, slot, 'icon').text) ?? 'none');
  const side = resolve(theme, { part: slot.part, conditions: [] }, 'icon-side').value.css;
  return { before: side === 'before' ? said : 'none', after: side === 'after' ? said : 'none' };
}

export function predictCaption(theme: Theme, { captionSide, captionAlign }: Table): Facts {
  const slot: Slot = { part: 'caption', conditions: [] };
  const side = { '': atRest(theme, 'caption', 'side'), above: 'top', below: 'bottom' }[captionSide];
  const below = side === 'bottom';
  const line = borderFact(lineAt(theme, 'under-caption'));
  const text = predictText(theme, slot);
  const isTurned = side !== atRest(theme, 'caption', 'side');
  return {
    ...text,
    ...(isTurned ? { 'padding-top': text['padding-bottom'] ?? 0, 'padding-bottom': text['padding-top'] ?? 0 } : {}),
    fill: colourFact(flatten(fillLayers(theme, slot).table, WHITE)),
    side,
    ...(captionAlign === '' ? {} : { align: captionAlign }),
    top: below ? line : 'none',
    bottom: below ? 'none' : line,
  };
}

export function predictTable(theme: Theme, shown: Shown): Facts {
  const { top, end, bottom, start } = outerLines(theme);
  const value = (name: PropertyName): string => atRest(theme, 'table', name);
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
    width: shown('width', value('width')),
    gap: shown('border-spacing', value('cells') === 'spaced' ? value('gap') : '0'),
    picture: pictureFact(value('picture')),
    'picture-size': shown('background-size', pictured ? value('picture-size') : 'auto'),
    'picture-repeat': shown('background-repeat', pictured ? value('picture-repeat') : 'repeat'),
    'picture-position': shown('background-position', pictured ? value('picture-position') : 'left top'),
  };
}

/** What core says of a link, a button or an icon in a cell, or of a bar around the table. */
export function predictThing(theme: Theme, slot: Slot, shown: Shown): Facts {
  const has = (name: PropertyName): boolean => propertyOf(name).parts.includes(slot.part);
  const facts: Record<string, string | number> = { ink: colourFact(inkOf(theme, slot)), size: round(fontSize(theme, slot)) };
  const tell = (name: PropertyName, key: string, css: string): void => {
    if (has(name)) facts[key] = shown(css, word(theme, slot, name));
  };
  tell('radius', 'radius', 'border-top-left-radius');
  tell('shadow', 'shadow', 'box-shadow');
  tell('underline', 'underline', 'text-decoration-line');
  if (has('fill')) facts['fill'] = colourFact(resolvedColour(theme, slot));
  if (has('edge')) {
    const edge = resolve(theme, slot, 'edge').value;
    facts['edge'] = edge.kind === 'line' ? borderFact(edge) : 'none';
  }
  if (has('shown')) facts['shown'] = atRest(theme, slot.part, 'shown');
  if (has('weight') && word(theme, slot, 'weight') !== 'inherit' && slot.part !== 'links' && slot.part !== 'buttons')
    facts['weight'] = word(theme, slot, 'weight');
  return facts;
}

const resolvedColour = (theme: Theme, slot: Slot): Rgba => {
  const { value } = resolve(theme, slot, 'fill');
  return value.kind === 'colour' ? value.rgba : TRANSPARENT;
};

const word = (theme: Theme, slot: Slot, name: PropertyName): string => resolve(theme, slot, name).value.css;

function predictText(theme: Theme, slot: Slot): Facts {
  const size = fontSize(theme, slot);
  const px = (name: PropertyName): number => round(toPx(resolve(theme, slot, name).value, size, ORDINARY_PAGE));
  const page = (name: PropertyName, ordinary: string): string => (word(theme, slot, name) === 'inherit' ? ordinary : word(theme, slot, name));
  const leading = resolve(theme, slot, 'line-height').value;
  const spacing = resolve(theme, slot, 'letter-spacing').value;
  return {
    ink: colourFact(inkOf(theme, slot)),
    font: page('font', 'page').replace(/"/g, ''),
    size: round(size),
    weight: page('weight', '400'),
    slant: page('slant', 'normal'),
    case: page('case', 'none'),
    align: word(theme, slot, 'align'),
    leading: leading.kind === 'number' ? round(leading.amount * size) : leading.kind === 'length' ? px('line-height') : 'normal',
    spacing: spacing.kind === 'length' && spacing.amount !== 0 ? round(toPx(spacing, size)) : 'normal',
    'padding-top': px('padding-top'),
    'padding-end': px('padding-end'),
    'padding-bottom': px('padding-bottom'),
    'padding-start': px('padding-start'),
  };
}

export const read = (text: string): Rgba => {
  const colour = text === 'rgba(0, 0, 0, 0)' ? TRANSPARENT : parseColour(text);
  if (!colour) throw new Error(`The browser gave a colour that cannot be read: ${text}`);
  return colour;
};

const side = (style: CSSStyleDeclaration, name: string): string => {
  const kind = style.getPropertyValue(`border-${name}-style`);
  if (kind === 'none' || kind === 'hidden') return 'none';
  return `${Number.parseFloat(style.getPropertyValue(`border-${name}-width`))} ${kind} ${colourFact(read(style.getPropertyValue(`border-${name}-color`)))}`;
};

/** The fill that is laid over a cell as a picture of one colour; nothing where there is none. */
function overFill(style: CSSStyleDeclaration): Rgba {
  // A picture may lie below it, as a layer of its own.
  const gradient = /^linear-gradient\((.+?) 0px, .+? 0px\)(?:, (?:url\(.*|none))?$/s.exec(style.backgroundImage)?.[1];
  return gradient === undefined ? TRANSPARENT : read(gradient);
}

const fillOf = (element: globalThis.Element | null): Rgba => (element ? read(getComputedStyle(element).backgroundColor) : TRANSPARENT);

function observeText(style: CSSStyleDeclaration): Facts {
  const number = (text: string): number | string => (Number.isNaN(Number.parseFloat(text)) ? text : round(Number.parseFloat(text)));
  const padding = (name: string): number => round(Number.parseFloat(style.getPropertyValue(`padding-${name}`)));
  return {
    ink: colourFact(read(style.color)),
    font: style.fontFamily.replace(/"/g, ''),
    size: round(Number.parseFloat(style.fontSize)),
    weight: style.fontWeight,
    slant: style.fontStyle,
    case: style.textTransform,
    align: style.textAlign,
    leading: number(style.lineHeight),
    spacing: number(style.letterSpacing),
    'padding-top': padding('block-start'),
    'padding-end': padding('inline-end'),
    'padding-bottom': padding('block-end'),
    'padding-start': padding('inline-start'),
  };
}

/** What Chromium says of a cell: its layers are blended here from the computed colours of cell, row, group and table. */
export function observeCell(cell: HTMLElement): Facts {
  const style = getComputedStyle(cell);
  const row = cell.closest('tr');
  const group = cell.closest('thead,tbody,tfoot');
  const fill = flatten(overFill(style), fillOf(cell), fillOf(row), fillOf(group), fillOf(cell.closest('table')), WHITE);
  const pseudo = (name: string): string => {
    const { content, maskImage, visibility } = getComputedStyle(cell, name);
    return content === 'none' || content === 'normal' || visibility === 'hidden' ? 'none' : iconFact(maskImage);
  };
  const after = getComputedStyle(cell, '::after');
  return {
    ...observeText(style),
    fill: colourFact(fill),
    top: side(style, 'block-start'),
    start: side(style, 'inline-start'),
    end: side(style, 'inline-end'),
    bottom: side(style, 'block-end'),
    valign: style.verticalAlign,
    wrap: style.whiteSpace,
    figures: style.fontVariantNumeric,
    height: String(cell.computedStyleMap().get('height')),
    width: String(cell.computedStyleMap().get('width')),
    before: pseudo('::before'),
    after: pseudo('::after'),
    picture: pictureFact(style.backgroundImage),
    'picture-size': style.backgroundSize,
    'picture-repeat': style.backgroundRepeat,
    'picture-position': style.backgroundPosition,
    'group picture': group ? pictureFact(getComputedStyle(group).backgroundImage) : 'none',
    pad: after.visibility === 'hidden' && after.content !== 'none' ? after.content.replace(/"/g, '') || 'none' : 'none',
  };
}

export function observeCaption(caption: HTMLElement): Facts {
  const style = getComputedStyle(caption);
  return {
    ...observeText(style),
    fill: colourFact(flatten(fillOf(caption), WHITE)),
    side: style.captionSide,
    top: side(style, 'block-start'),
    bottom: side(style, 'block-end'),
  };
}

export function observeTable(table: HTMLElement): Facts {
  const style = getComputedStyle(table);
  return {
    top: side(style, 'block-start'),
    end: side(style, 'inline-end'),
    bottom: side(style, 'block-end'),
    start: side(style, 'inline-start'),
    opacity: style.opacity,
    radius: style.borderTopLeftRadius,
    shadow: style.boxShadow,
    layout: style.tableLayout,
    width: String(table.computedStyleMap().get('width')),
    gap: style.borderSpacing,
    picture: pictureFact(style.backgroundImage),
    'picture-size': style.backgroundSize,
    'picture-repeat': style.backgroundRepeat,
    'picture-position': style.backgroundPosition,
  };
}

export function observeThing(thing: HTMLElement): Facts {
  const style = getComputedStyle(thing);
  return {
    ink: colourFact(read(style.color)),
    size: round(Number.parseFloat(style.fontSize)),
    radius: style.borderTopLeftRadius,
    shadow: style.boxShadow,
    underline: style.textDecorationLine,
    fill: colourFact(read(style.backgroundColor)),
    edge: side(style, 'block-start'),
    shown: style.display === 'none' ? 'off' : 'on',
    weight: style.fontWeight,
  };
}

/** Where prediction and browser say other things. */
export function differences(where: string, predicted: Facts, observed: Facts): string[] {
  return Object.keys(predicted)
    .filter((key) => !agree(predicted[key], observed[key]))
    .map((key) => `${where}: ${key} predicted ${predicted[key]}, painted ${observed[key]}`);
}

/** Equal, or apart by the rounding of one channel to a byte. */
function agree(a: unknown, b: unknown): boolean {
  if (a === b) return true;
  if (typeof a === 'number' && typeof b === 'number') return Math.abs(a - b) <= 0.03;
  const [x, y] = [String(a), String(b)].map((text) => text.match(/\d+/g)?.map(Number) ?? []);
  if (!x || !y || x.length < 4 || x.length !== y.length) return false;
  return String(a).replace(/\d+/g, '') === String(b).replace(/\d+/g, '') && x.every((n, i) => Math.abs(n - (y[i] ?? NaN)) <= 1);
}
