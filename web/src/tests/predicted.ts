import { TRANSPARENT, WHITE, flatten, parseColour, type Rgba } from '../../../core/colour';
import { cellLines, outerLines, type Line } from '../../../core/lines';
import { fillLayers, inkOf, paintedFill } from '../../../core/paint';
import { ORDINARY_PAGE, fontSize, resolve, toPx } from '../../../core/resolve';
import { slotOf, type GridCell, type Table } from '../../../core/table';
import type { ConditionName, PropertyName, Slot, Theme } from '../../../core/theme';

/** Everything about one cell that core says and Chromium can be asked for, in the same words. */
export type Facts = Readonly<Record<string, string | number>>;

const round = (n: number): number => Math.round(n * 50) / 50;
export const colourFact = ({ r, g, b, alpha }: Rgba): string =>
  alpha === 0 ? 'nothing' : [r, g, b].map((n) => Math.round(n * 255)).join(' ') + ` / ${Math.round(alpha * 100)}`;

const borderFact = (line: Line | undefined): string =>
  line === undefined || line.style === 'none' || line.style === 'hidden' ? 'none' : `${line.width} ${line.style} ${colourFact(line.rgba)}`;

/** What core says of a cell. */
export function predictCell(theme: Theme, table: Table, cell: GridCell, held: readonly ConditionName[]): Facts {
  const slot = slotOf(table, cell, held);
  const lines = cellLines(theme, table, cell);
  return {
    ...predictText(theme, slot),
    fill: colourFact(paintedFill(theme, slot)),
    top: borderFact(lines.top),
    start: borderFact(lines.start),
    end: 'none',
    bottom: 'none',
    valign: word(theme, slot, 'valign'),
  };
}

export function predictCaption(theme: Theme): Facts {
  const slot: Slot = { part: 'caption', conditions: [] };
  return { ...predictText(theme, slot), fill: colourFact(flatten(fillLayers(theme, slot).table, WHITE)) };
}

export function predictTable(theme: Theme): Facts {
  const { top, end, bottom, start } = outerLines(theme);
  return { top: borderFact(top), end: borderFact(end), bottom: borderFact(bottom), start: borderFact(start) };
}

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

const read = (text: string): Rgba => {
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
  const gradient = /^linear-gradient\((.+)\)$/.exec(style.backgroundImage)?.[1];
  if (gradient === undefined) return TRANSPARENT;
  return read(gradient.slice(0, (gradient.length - 2) / 2));
}

const fillOf = (element: globalThis.Element): Rgba => read(getComputedStyle(element).backgroundColor);

function observeText(style: CSSStyleDeclaration): Facts {
  const number = (text: string): number | string => (Number.isNaN(Number.parseFloat(text)) ? text : round(Number.parseFloat(text)));
  const padding = (name: string): number => round(Number.parseFloat(style.getPropertyValue(`padding-${name}`)));
  return {
    ink: colourFact(read(style.color)),
    font: style.fontFamily.replace(/"/g, ''),
    size: round(Number.parseFloat(style.fontSize)),
    weight: style.fontWeight,
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

/** What Chromium says of a cell: its layers are blended here from the computed colours of cell, row and table. */
export function observeCell(cell: HTMLElement): Facts {
  const style = getComputedStyle(cell);
  const row = cell.closest('tr');
  const table = cell.closest('table');
  if (!row || !table) throw new Error('A cell stands in a row of a table');
  const fill = flatten(overFill(style), fillOf(cell), fillOf(row), fillOf(table), WHITE);
  return {
    ...observeText(style),
    fill: colourFact(fill),
    top: side(style, 'block-start'),
    start: side(style, 'inline-start'),
    end: side(style, 'inline-end'),
    bottom: side(style, 'block-end'),
    valign: style.verticalAlign,
  };
}

export function observeCaption(caption: HTMLElement): Facts {
  return { ...observeText(getComputedStyle(caption)), fill: colourFact(flatten(fillOf(caption), WHITE)) };
}

export function observeTable(table: HTMLElement): Facts {
  const style = getComputedStyle(table);
  return { top: side(style, 'block-start'), end: side(style, 'inline-end'), bottom: side(style, 'block-end'), start: side(style, 'inline-start') };
}
