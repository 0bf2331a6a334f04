import type { Line } from '../../lines';
import { isDrawn } from '../../lines';
import type { Property, Value } from '../../theme';
import type { Declaration } from './stylesheet';

export interface SetValue {
  readonly property: Property;
  readonly value: Value;
}

/** What modules of their own write; everything else becomes the CSS property that the catalogue names. */
const elsewhere = new Set(['fill', 'border-spacing', 'row-shadow', 'row-line', 'bar', 'reading', 'lines-shown']);

/** Values as declarations; sides that face each other are written together. */
export function declare(set: readonly SetValue[]): readonly Declaration[] {
  const declarations: Declaration[] = [];
  const sides: Record<string, string> = {};
  for (const { property, value } of set) {
    const { css, name } = property;
    if (css === undefined || elsewhere.has(name) || elsewhere.has(css)) continue;
    if (css.startsWith('padding-')) sides[css] = value.css;
    else declarations.push([css, value.css]);
  }
  return [...declarations, ...facing(sides, 'padding-block'), ...facing(sides, 'padding-inline')];
}

function facing(sides: Readonly<Record<string, string>>, name: string): readonly Declaration[] {
  const [start, end] = [sides[`${name}-start`], sides[`${name}-end`]];
  if (start !== undefined && end !== undefined) return [[name, start === end ? start : `${start} ${end}`]];
  if (start !== undefined) return [[`${name}-start`, start]];
  return end === undefined ? [] : [[`${name}-end`, end]];
}

/** A line as a border of one side; nothing where none is drawn. */
export const borderOf = (side: string, line: Line): readonly Declaration[] => (isDrawn(line) ? [[`border-${side}`, line.css]] : []);
