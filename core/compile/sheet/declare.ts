import type { Line } from '../../lines';
import { isDrawn } from '../../lines';
import type { Property, Value } from '../../theme';
import { contract } from '../markup/contract';
import type { Aspect } from './lean';
import type { Declaration } from './stylesheet';

export interface SetValue {
  readonly property: Property;
  readonly value: Value;
  /** What of an icon is written: that one stands there, which, or both. Nothing where a module of its own writes it. */
  readonly aspects?: readonly Aspect[];
}

/** What modules of their own write; everything else becomes the CSS property that the catalogue names. */
const elsewhere = new Set(['fill', 'border-spacing', 'row-shadow', 'row-line', 'bar', 'reading', 'lines-shown']);

/** Values as declarations; sides that face each other are written together. */
export function declare(set: readonly SetValue[]): readonly Declaration[] {
  const declarations: Declaration[] = [];
  const icon: Declaration[] = [];
  const sides: Record<string, string> = {};
  for (const { property, value, aspects = [] } of set) {
    const { css, name } = property;
    if (name === 'icon') icon.push(...iconOf(value, aspects));
    if (css === undefined || elsewhere.has(name) || elsewhere.has(css)) continue;
    if (css.startsWith('padding-')) sides[css] = value.css;
    else declarations.push([css, value.css]);
  }
  return [...declarations, ...facing(sides, 'padding-block'), ...facing(sides, 'padding-inline'), ...icon];
}

/** Whether a cell has an icon, and which: read by the pseudo-element that draws it. */
const iconOf = ({ css }: Value, aspects: readonly Aspect[]): readonly Declaration[] => [
  ...(aspects.includes('icon') ? [[contract.iconThere, css === 'none' ? 'none' : '""'] as const] : []),
  ...(css !== 'none' && aspects.includes('icon-shape') ? [[contract.iconShape, css] as const] : []),
];

function facing(sides: Readonly<Record<string, string>>, name: string): readonly Declaration[] {
  const [start, end] = [sides[`${name}-start`], sides[`${name}-end`]];
  if (start !== undefined && end !== undefined) return [[name, start === end ? start : `${start} ${end}`]];
  if (start !== undefined) return [[`${name}-start`, start]];
  return end === undefined ? [] : [[`${name}-end`, end]];
}

/** A line as a border of one side; nothing where none is drawn. */
export const borderOf = (side: string, line: Line): readonly Declaration[] => (isDrawn(line) ? [[`border-${side}`, line.css]] : []);
