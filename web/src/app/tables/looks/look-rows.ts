import { WHITE, blend, toHex } from '../../../../../core/colour';
import { placeInWords } from '../../../../../core/edit';
import { cellEdges } from '../../../../../core/lines';
import { readability, type Readability } from '../../../../../core/paint';
import { resolve, type Link } from '../../../../../core/resolve';
import {
  LIMITS,
  exceptionAt,
  gridOf,
  heightOf,
  kindOf,
  placesOf,
  sectionRows,
  slotOf,
  widthOf,
  type Chosen,
  type Exception,
  type ExceptionKind,
  type GridCell,
  type Table,
} from '../../../../../core/table';
import {
  bundleText,
  bundles,
  exceptionProperties,
  isOfColumns,
  propertyOf,
  type PropertyName,
  type Slot,
  type ThemeView,
} from '../../../../../core/theme';
import { sidesOf, type RowName } from '../../values/rows';
import { bandOf } from '../grid/band';

/** A property of an exception as the panel shows it. */
export interface LookRow {
  readonly name: RowName;
  readonly label: string;
  readonly group: string;
  /** What all chosen places have of their own; empty where none has, undefined where they differ. */
  readonly text: string | undefined;
  /** What holds there. */
  readonly holds: string;
  readonly colour: string | undefined;
  /** How well the text reads there, beside its ink and its fill. */
  readonly contrast: Readability | undefined;
}

const [paddingSides] = bundles;
const sides: readonly PropertyName[] = paddingSides.sides;
/** Rows in the catalogue's order, the four sides of the padding as one. */
const lookRowNames: readonly RowName[] = [...new Set(exceptionProperties.map((name): RowName => (sides.includes(name) ? 'padding' : name)))];
export const labelOf = (row: RowName): string => bundles.find(({ name }) => name === row)?.label ?? propertyOf(row as PropertyName).label;

/** What places are called where they are no columns and rows of a table: how one of a kind is, and what stands at a place. */
export interface LookNames {
  readonly kinds: { readonly [kind in ExceptionKind]: string };
  readonly at: (place: Pick<Exception, 'row' | 'column'>) => string;
}
type PlaceWords = LookNames['at'];

/** Where an exception stands, in words, counted from 1. */
export function placeOfException({ row, column }: Pick<Exception, 'row' | 'column'>): string {
  if (row === null) return `Column ${(column ?? 0) + 1}`;
  return column === null ? `Row ${row + 1}` : `Row ${row + 1}, column ${column + 1}`;
}

/** The cell that tells what holds at chosen places: for a column the first of the body, where the header is not meant. */
function cellFor(table: Table, kind: ExceptionKind, { row, column }: Chosen): GridCell {
  const body = sectionRows(table, 'body');
  const at = kind === 'column' && row < body.first && body.count > 0 ? body.first : row;
  const inside = (n: number, count: number): number => Math.max(0, Math.min(n, count - 1));
  return gridOf(table).at(inside(at, heightOf(table)), inside(column, widthOf(table)));
}
export const slotFor = (view: ThemeView, table: Table, kind: ExceptionKind, choice: Chosen): Slot =>
  slotOf(table, cellFor(table, kind, choice), [], bandOf(view));

/** The line on an edge of a cell, whoever draws it; undefined for a property that is none. The table's outside is the theme's alone. */
function edgeLine(view: ThemeView, table: Table, cell: GridCell, name: string): string | undefined {
  if (name !== 'line-above' && name !== 'line-before') return undefined;
  const { top, start } = cellEdges(view, table, cell);
  const line = (name === 'line-above' ? top : start)?.line;
  if (line === undefined) return 'the table’s own';
  return line.style === 'none' ? 'none' : `${line.width}px ${line.style}${line.swatch ? ` ${line.swatch}` : ''}`;
}

/** Where exceptions stand, by row and column. */
export type LookPlaces = ReturnType<typeof placesOf>;

/** The places of a choice; undefined where there are more than a table can have. */
export function placesIn(kind: ExceptionKind, choice: Chosen): LookPlaces | undefined {
  const [rows, columns] = [choice.toRow - choice.row + 1, choice.toColumn - choice.column + 1];
  const count = { column: columns, row: rows, cell: rows * columns }[kind];
  return count > LIMITS.exceptions ? undefined : placesOf(kind, choice);
}

export function lookRows(view: ThemeView, table: Table, kind: ExceptionKind, choice: Chosen, places: LookPlaces, search: string): readonly LookRow[] {
  const cell = cellFor(table, kind, choice);
  const slot = slotOf(table, cell, [], bandOf(view));
  const found = places.map(({ row, column }) => exceptionAt(table, row, column));
  const wanted = search.trim().toLowerCase();
  return lookRowNames
    .filter((name) => labelOf(name).toLowerCase().includes(wanted) && (kind === 'column' || !isOfColumns(name)))
    .map((name): LookRow => {
      const properties = sidesOf(name);
      const owns = new Set(found.map((each) => ownText(each, name)));
      const holding = properties.map((property) => resolve(view, slot, property));
      const [first] = holding;
      const edge = edgeLine(view, table, cell, name);
      const value = first?.value;
      return {
        name,
        label: labelOf(name),
        group: propertyOf(properties[0] ?? 'fill').group,
        text: owns.size === 1 ? [...owns][0] : undefined,
        holds:
          properties.length > 1
            ? bundleText(
                paddingSides,
                holding.map(({ text }) => text),
              )
            : (edge ?? first?.text ?? ''),
        contrast: name === 'ink' || name === 'fill' ? readability(view, slot) : undefined,
        colour: value?.kind === 'colour' && value.rgba.alpha > 0 ? toHex(blend(value.rgba, WHITE)) : undefined,
      };
    });
}

function ownText(exception: Exception | undefined, name: RowName): string {
  const texts = sidesOf(name).map((property) => exception?.values[property]);
  const set = texts.filter((text) => text !== undefined);
  return set.length === 0
    ? ''
    : texts.length > 1
      ? bundleText(
          paddingSides,
          texts.map((text) => text ?? '…'),
        )
      : (set[0] ?? '');
}

/** One step of the chain behind what holds, in words. */
export interface LookStep {
  readonly where: string;
  readonly text: string;
  readonly state: Link['state'];
  readonly say: string | undefined;
}

export function whyOf(
  view: ThemeView,
  table: Table,
  kind: ExceptionKind,
  choice: Chosen,
  property: PropertyName,
  at: PlaceWords = placeOfException,
): readonly LookStep[] {
  const cell = cellFor(table, kind, choice);
  // Below a table's own line lies what the theme draws on that edge.
  const plain = { ...table, exceptions: [] };
  const edge = edgeLine(view, plain, cell, property);
  const { top, start } = cellEdges(view, plain, cell);
  const under = property === 'line-above' ? top : start;
  const ofTheme = `${under ? propertyOf(under.name).label : 'Outside'}, a line of ${view.theme.name}`;
  return resolve(view, slotOf(table, cell, [], bandOf(view)), property).chain.map((link) => ({
    where: edge !== undefined && link.source === 'initial' ? ofTheme : whereOf(link, at),
    text: edge !== undefined && link.source === 'initial' ? edge : link.text,
    state: link.state,
    say: link.say,
  }));
}

function whereOf({ source, of, place, excepted }: Link, at: PlaceWords): string {
  if (excepted) return `${at(excepted)}, here${excepted.always ? ', always' : ''}`;
  if (!place) return 'Nothing set';
  const where = placeInWords(place);
  if (source === 'theme') return `${where}, in ${of?.name ?? ''}`;
  return source === 'base' ? `${where}, in ${of?.name ?? ''}` : `${where}, as every theme starts`;
}

/** An entry of the list of all exceptions: places that have the very same look stand together. */
export interface ListedLook {
  readonly key: string;
  readonly kind: ExceptionKind;
  readonly at: readonly Pick<Exception, 'row' | 'column'>[];
  readonly where: string;
  readonly says: string;
}

export function listedLooks({ exceptions }: Table, placeOf: PlaceWords = placeOfException): readonly ListedLook[] {
  const found = new Map<string, { readonly first: Exception; readonly at: Exception[] }>();
  for (const each of exceptions) {
    const key = JSON.stringify([kindOf(each), each.reach, each.dressing, each.values]);
    const known = found.get(key);
    if (known) known.at.push(each);
    else found.set(key, { first: each, at: [each] });
  }
  return [...found].map(([key, { first, at }]) => ({
    key,
    kind: kindOf(first),
    at,
    where: at.length === 1 ? placeOf(first) : `${placeOf(first)} and ${at.length - 1} more`,
    says: [
      ...(first.dressing === '' ? [] : [`shown as ${first.dressing}`]),
      ...Object.entries(first.values).map(([name, text]) => `${propertyOf(name as PropertyName).label.toLowerCase()} ${text}`),
    ].join(', '),
  }));
}
