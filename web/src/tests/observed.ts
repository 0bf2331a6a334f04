import { TRANSPARENT, WHITE, flatten, parseColour, type Rgba } from '../../../core/colour';
import { icons, pictures } from '../../../core/media';

/** Everything about one cell that core says and Chromium can be asked for, in the same words. */
export type Facts = Readonly<Record<string, string | number>>;

export const round = (n: number): number => Math.round(n * 50) / 50;
export const colourFact = ({ r, g, b, alpha }: Rgba): string =>
  alpha === 0 ? 'nothing' : [r, g, b].map((n) => Math.round(n * 255)).join(' ') + ` / ${Math.round(alpha * 100)}`;

/** The name of a shelf picture in what a stylesheet or the browser says, so that data addresses can be compared. */
export const pictureFact = (css: string): string => {
  const last = piecesOf(css).at(-1) ?? '';
  if (last.startsWith('url(')) return pictures.find(({ svg }) => decodeURIComponent(last).includes(svg))?.name ?? 'none';
  // Fills that are laid over a cell have one colour from 0 to 0.
  if (!last.startsWith('linear-gradient(') || /\s0px[,)]/.test(last)) return 'none';
  const parts = piecesOf(last.slice('linear-gradient('.length, -1));
  return `${parts.length - (/deg$/.test(parts[0] ?? '') ? 1 : 0)} colours`;
};
export const iconFact = (css: string): string => icons.find(({ path }) => decodeURIComponent(css).includes(`'${path}'`))?.name ?? 'none';

/** What stands between commas that are in no brackets and no quotes, and how many of these there are. */
const piecesOf = (css: string): readonly string[] => {
  const pieces = [''];
  let [depth, quote] = [0, ''];
  for (const letter of css) {
    if (quote !== '') quote = letter === quote ? '' : quote;
    else if (letter === '"') quote = letter;
    else if (letter === '(') depth++;
    else if (letter === ')') depth--;
    if (letter === ',' && depth === 0 && quote === '') pieces.push('');
    else pieces[pieces.length - 1] += letter;
  }
  return pieces.map((each) => each.trim());
};
export const countOf = (css: string): number => piecesOf(css).length;

/** A shadow with its colour in bytes, however the browser writes it. */
export const shadowsIn = (css: string): string => css.replace(/^(?:rgba?|color)\([^)]*\)/, (colour) => colourFact(read(colour)));

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

/** The line around something, which takes no room. */
const around = (style: CSSStyleDeclaration): string =>
  style.outlineStyle === 'none' ? 'none' : `${Number.parseFloat(style.outlineWidth)} ${style.outlineStyle} ${colourFact(read(style.outlineColor))}`;

/** The fill that is laid over a cell as a picture of one colour; nothing where there is none. */
function overFill(style: CSSStyleDeclaration): Rgba {
  // A picture may lie below it, as a layer of its own.
  const gradient = /^linear-gradient\((.+?) 0px, .+? 0px\)(?:, (?:url\(.*|none|linear-gradient\(.*))?$/s.exec(style.backgroundImage)?.[1];
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
    caps: style.fontVariantCaps,
    hyphens: style.hyphens,
    letters: style.textShadow === 'none' ? 'none' : `${countOf(style.textShadow)}`,
    'padding-top': padding('block-start'),
    'padding-end': padding('inline-end'),
    'padding-bottom': padding('block-end'),
    'padding-start': padding('inline-start'),
  };
}

const inner = (cell: HTMLElement, selector: string): CSSStyleDeclaration | undefined => {
  const found = cell.querySelector(selector);
  return found ? getComputedStyle(found) : undefined;
};

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
    reading: inner(cell, '.zp-reads')?.writingMode ?? 'none',
    cut: inner(cell, '.zp-cut>summary')?.getPropertyValue('-webkit-line-clamp') ?? 'none',
    figures: style.fontVariantNumeric,
    bar: shadowsIn(style.boxShadow),
    around: around(style),
    off: style.outlineOffset,
    'row around': row ? around(getComputedStyle(row)) : 'none',
    round: `${style.borderStartStartRadius} ${style.borderEndEndRadius}`,
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
    sits: sitsOf(table),
    width: String(table.computedStyleMap().get('width')),
    room: style.paddingTop,
    gap: style.borderSpacing,
    picture: pictureFact(style.backgroundImage),
    'picture-size': style.backgroundSize,
    'picture-repeat': style.backgroundRepeat,
    'picture-position': style.backgroundPosition,
  };
}

/** Where automatic margins put a table. */
function sitsOf(table: HTMLElement): string {
  const isAuto = (side: string): boolean => String(table.computedStyleMap().get(`margin-inline-${side}`)) === 'auto';
  return isAuto('start') ? (isAuto('end') ? 'center' : 'end') : 'start';
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
    around: around(style),
    off: style.outlineOffset,
  };
}
