import { resolveAt } from '../resolve';
import { ORDINARY_BAND, type Band } from '../table';
import { propertyOf, type ThemeView } from '../theme';
import { lineAt, stronger, type Contender, type Line, type LineName } from './lines';

/** What lies on the two sides of an edge between rows. */
export type RowEdge = 'tiers' | 'header-body' | 'header-footer' | 'body-footer' | 'rows';

/** What is particular about an edge between rows of the body: by band, and by where it lies. */
const rowTraits = ['above-even-rows', 'below-even-rows', 'after-first-row', 'before-last-row'] as const;
/** What is particular about an edge between columns. */
export const columnTraits = ['header-columns', 'after-first-column', 'before-last-column', 'beside-row-headers'] as const;
export type RowTrait = (typeof rowTraits)[number];
export type ColumnTrait = (typeof columnTraits)[number];

/** Lines that meet on an edge, the more particular ones first. */
const rowLines: Readonly<Record<RowEdge, readonly LineName[]>> = {
  tiers: ['between-tiers', 'rows'],
  'header-body': ['under-header', 'rows'],
  'header-footer': ['under-header', 'above-footer', 'rows'],
  'body-footer': ['above-footer', 'rows'],
  rows: ['rows'],
};

/** A line that is drawn, and which of the theme's it is. */
export interface Drawn {
  readonly line: Line;
  readonly name: LineName;
}

/** Every how manieth row is even, and the first that is, as a theme counts them from 1. */
export function bandOf(view: ThemeView): Band {
  const value = resolveAt(view, { part: 'body-rows', condition: 'rest' }, 'band');
  return value.kind === 'band' ? value : ORDINARY_BAND;
}

/** The trait that the edge above a row has by its band, if any; rows are counted from 1 in their group. The first has no row above it. */
export function bandTrait({ every, from }: Band, row: number): RowTrait | undefined {
  if (row < 2) return undefined;
  if (row % every === from % every) return 'above-even-rows';
  return (row - 1) % every === from % every ? 'below-even-rows' : undefined;
}

/** The line that is drawn between two rows. */
export const drawnBetweenRows = (view: ThemeView, edge: RowEdge, traits: readonly RowTrait[] = []): Drawn =>
  drawn(view, [...rowTraits.filter((trait) => traits.includes(trait)).toReversed(), ...rowLines[edge]]);
export const rowLine = (...on: Parameters<typeof drawnBetweenRows>): Line => drawnBetweenRows(...on).line;

/** The line that is drawn between two columns. */
export const drawnBetweenColumns = (view: ThemeView, traits: readonly ColumnTrait[] = []): Drawn =>
  drawn(view, [...columnTraits.filter((trait) => traits.includes(trait)).toReversed(), 'columns']);
export const columnLine = (...on: Parameters<typeof drawnBetweenColumns>): Line => drawnBetweenColumns(...on).line;

/**
 * Spaced cells touch nothing: each is closed all around, by the lines between rows and columns, where no more particular one
 * lies at its top or its start. Undefined where cells share their edges.
 */
export function closedBy(view: ThemeView): { readonly rows: Drawn; readonly columns: Drawn } | undefined {
  if (resolveAt(view, { part: 'table', condition: 'rest' }, 'cells').css !== 'spaced') return undefined;
  return { rows: { line: lineAt(view, 'rows'), name: 'rows' }, columns: { line: lineAt(view, 'columns'), name: 'columns' } };
}

/** Whether a theme says none for a particular edge: there is no line then, whatever less particular one there would be. */
const saysNone = (view: ThemeView, name: LineName): boolean =>
  name !== 'rows' && name !== 'columns' && view.valueAt({ part: 'lines', condition: 'rest' }, propertyOf(name))?.css === 'none';

/**
 * Which of the lines on one edge is drawn. Where cells are joined the strongest wins; where they are single
 * or spaced the more particular one is drawn, unless it is none because nobody said anything of it.
 */
function drawn(view: ThemeView, all: readonly LineName[]): Drawn {
  const joined = resolveAt(view, { part: 'table', condition: 'rest' }, 'cells').css === 'joined';
  const until = all.findIndex((name) => saysNone(view, name));
  const names = until < 0 ? all : all.slice(0, until + 1);
  const contenders = names.map((name): Contender & Drawn => ({
    name,
    line: lineAt(view, name),
    origin: name === 'rows' ? 'row' : name === 'columns' ? 'column' : 'cell',
  }));
  const [first, ...others] = contenders;
  if (!first) throw new RangeError('No line meets on this edge');
  if (joined) return others.reduce(stronger, first);
  return contenders.find(({ line }) => line.style !== 'none') ?? first;
}
