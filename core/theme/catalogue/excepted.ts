import { properties, type Property, type PropertyName } from './properties';
import type { Values } from '../theme';

/**
 * What one column, row or cell of a table has beside its theme, as a slot sees it. Weaker than what the visitor's
 * hand brings, unless it holds always; stronger than everything else that a theme says.
 */
export interface Excepted {
  /** Where it is made: a whole row without a column, a whole column without a row, else a cell. From 0. */
  readonly row: number | null;
  readonly column: number | null;
  /** Whether it holds under the hand as well: hovered, selected, focused. */
  readonly always: boolean;
  /** Values in the value syntax of the theme that the table is dressed in. */
  readonly values: Values;
}

/** The lines on a cell's own edges: the one above it and the one at its start. */
export const edgeProperties = ['line-above', 'line-before'] as const;
/** The frame around a whole column of a table, and its corners. */
export const frameProperties = ['frame', 'frame-radius'] as const;
const isFrame = (name: string): boolean => (frameProperties as readonly string[]).includes(name);
const isEdge = (name: string): boolean => (edgeProperties as readonly string[]).includes(name);
const can = ({ name, group, parts, kind, css }: Property): boolean =>
  group !== 'Rows' &&
  (isEdge(name) || isFrame(name) || name === 'icon' || group === 'Picture' || (parts.includes('body-rows') && kind !== 'band' && css !== undefined));

/** The properties that an exception can have: all of a body cell's that become CSS of that very cell, a picture behind
 * it, an icon, the lines on its edges, and for a column the frame around it. */
export const exceptionProperties: readonly PropertyName[] = (properties as readonly Property[]).filter(can).map(({ name }) => name);

const known: ReadonlySet<string> = new Set(exceptionProperties);
export const isExceptionProperty = (name: string): name is PropertyName => known.has(name);

/** Whether an exception of columns alone can have a property. */
export const isOfColumns = isFrame;
