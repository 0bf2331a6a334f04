import { toHex, WHITE, blend, type Rgba } from '../../../../../../core/colour';
import { outgrown } from '../../../../../../core/lines';
import { placeInWords } from '../../../../../../core/edit';
import { readability, type Readability } from '../../../../../../core/paint';
import { resolve, type Link, type Resolved } from '../../../../../../core/resolve';
import {
  bundleText,
  bundles,
  canBeSet,
  conditionOf,
  partOf,
  propertiesOf,
  propertyOf,
  type Property,
  type ConditionName,
  type PartName,
  type PropertyName,
  type Slot,
  type ThemeView,
} from '../../../../../../core/theme';
import { sidesOf, type RowName } from '../../../values/rows';

export interface LedgerRow {
  readonly name: RowName;
  readonly label: string;
  readonly group: string;
  /** For a row that stands for several sides. */
  readonly bundle: boolean;
  /** For one side of a bundle. */
  readonly side: boolean;
}

export interface LedgerCell {
  readonly text: string;
  /** Set here by the theme itself. */
  readonly own: boolean;
  readonly from: string;
  readonly colour?: string;
  readonly contrast?: Readability;
  /** What a row comes to, in px, where its text and padding are higher than the least height that is asked for. */
  readonly comesTo?: number;
  /** What is shown is told, and cannot be typed so: nothing is set there. */
  readonly isTold?: boolean;
  /** Several parts are picked and they differ. */
  readonly mixed?: boolean;
}

/**
 * The rows of the ledger: each property that all of the parts have, with those that have sides under one row
 * that can be opened. A search leaves the rows whose name or group has its words.
 */
export function ledgerRows(parts: readonly PartName[], opened: ReadonlySet<string>, search = ''): readonly LedgerRow[] {
  const [part = 'table'] = parts;
  const words = search.trim().toLowerCase().split(/\s+/).filter(Boolean);
  const isFound = ({ label, group }: LedgerRow): boolean => words.every((word) => `${group} ${label}`.toLowerCase().includes(word));
  const shared = propertiesOf(part).filter((property) => parts.every((each) => property.parts.includes(each)));
  return shared.flatMap((property): LedgerRow[] => rowsOf(property, opened)).filter(isFound);
}

/** The conditions that all of the parts have. */
export const sharedConditions = (parts: readonly PartName[]): readonly ConditionName[] =>
  partOf(parts[0] ?? 'table').conditions.filter((condition) => parts.every((part) => partOf(part).conditions.includes(condition)));

function rowsOf(property: Property, opened: ReadonlySet<string>): LedgerRow[] {
  const bundle = bundles.find(({ sides }) => (sides as readonly string[]).includes(property.name));
  const own: LedgerRow = { name: property.name, label: property.label, group: property.group, bundle: false, side: bundle !== undefined };
  if (!bundle) return [own];
  const head: LedgerRow[] =
    bundle.sides[0] === property.name ? [{ name: bundle.name, label: bundle.label, group: property.group, bundle: true, side: false }] : [];
  return opened.has(bundle.name) ? [...head, own] : head;
}

/** A part under a condition and, where that follows from others, under those too: a hovered even row is hovered, and even. */
export const slotFor = (part: PartName, condition: ConditionName): Slot => ({
  part,
  conditions: condition === 'rest' ? [] : [...(conditionOf(condition).when ?? []), condition],
});

export const resolvedAt = (view: ThemeView, part: PartName, condition: ConditionName, property: PropertyName): Resolved =>
  resolve(view, slotFor(part, condition), property);

/** What a cell shows: the value of the first part, and whether the others have the same. Undefined where it cannot be set. */
export function ledgerCell(view: ThemeView, parts: readonly PartName[], condition: ConditionName, row: RowName): LedgerCell | undefined {
  if (!sidesOf(row).every((side) => canBeSet(propertyOf(side), condition))) return undefined;
  const cells = parts.map((part) => cellOf(view, part, condition, row));
  const [first, ...others] = cells;
  if (!first) throw new RangeError('No part is picked');
  const mixed = others.some(({ text }) => text !== first.text);
  return {
    ...first,
    own: cells.some(({ own }) => own),
    ...(mixed ? { text: 'several', mixed, colour: undefined, contrast: undefined, comesTo: undefined } : {}),
  };
}

function cellOf(view: ThemeView, part: PartName, condition: ConditionName, row: RowName): LedgerCell {
  const resolved = sidesOf(row).map((side) => resolvedAt(view, part, condition, side));
  const first = resolved[0];
  if (!first) throw new RangeError(`The row ${row} has no property`);
  const bundle = bundles.find(({ name }) => name === row);
  const { step, mode } = view;
  const isOwn = ({ from }: Resolved): boolean =>
    from.source === 'theme' &&
    from.line === undefined &&
    from.place?.part === part &&
    from.place.condition === condition &&
    (from.place.mode ?? '') === mode &&
    (mode !== '' || (from.place.step ?? '') === step);
  const texts = resolved.map(({ text }) => text);
  const own = resolved.some(isOwn);
  return {
    text: bundle ? bundleText(bundle, texts) : first.text,
    own,
    from: own ? '' : sourceInWords(first.from),
    colour: chip(first.value.kind === 'colour' || first.value.kind === 'line' ? first.value.rgba : undefined),
    isTold: resolved.some(({ from }, i) => from.source === 'initial' && propertyOf(sidesOf(row)[i] ?? 'fill').told?.[part] !== undefined),
    contrast: row === 'ink' ? readability(view, slotFor(part, condition)) : undefined,
    // What is said of the whole table is said of its rows.
    comesTo: row === 'row-height' ? outgrown(view, slotFor(part === 'table' ? 'body-rows' : part, condition)) : undefined,
  };
}

const chip = (rgba: Rgba | undefined): string | undefined => (rgba && rgba.alpha > 0 ? toHex(blend(rgba, WHITE)) : undefined);

/** Where a value comes from, as the ledger and the why panel say it. */
export function sourceInWords({ source, of, place, line }: Pick<Link, 'source' | 'of' | 'place' | 'line'>): string {
  if (!place) return 'nothing set';
  const where = line === undefined ? placeInWords(place) : `Extra CSS, line ${line}`;
  if (source === 'theme') return where;
  return source === 'base' ? `${where}, in ${of?.name ?? ''}` : `${where}, as every theme starts`;
}

/** A condition as the ledger heads it: bands by how they are counted. */
export function conditionLabel(view: ThemeView | undefined, condition: ConditionName): string {
  const { label } = conditionOf(condition);
  if (!view || !/odd$|even$/.test(condition)) return label;
  const band = resolve(view, { part: 'body-rows', conditions: [] }, 'band');
  if (band.value.kind !== 'band' || band.value.every === 2) return label;
  return label
    .replace(/odd$/i, condition === 'odd' ? 'Between bands' : 'between bands')
    .replace(/even$/i, condition === 'even' ? `Every ${band.text}` : `every ${band.text}`);
}

/** A cell as it is shown. */
export interface ShownCell {
  readonly condition: ConditionName;
  /** None where the property cannot be set under this condition. */
  readonly cell: LedgerCell | undefined;
}
/** A row as it is shown. */
export interface ShownRow extends LedgerRow {
  readonly cells: readonly ShownCell[];
  readonly startsGroup: boolean;
}

/** A cell as it is read out: its text, how it reads, what it comes to, and where it is from. */
export function cellInWords({ text, contrast, comesTo, own, from }: LedgerCell, together: Pick<Readability, 'ratio'> | undefined): string {
  const reads = contrast ? ` ${contrast.ratio.toFixed(1)} ${contrast.picture ? 'on a picture' : contrast.passes ? 'passes' : 'fails'}` : '';
  const worst = together ? ` but ${together.ratio.toFixed(1)} together with other conditions fails` : '';
  const high = comesTo === undefined ? '' : ` but comes to ${comesTo}px by its text, padding and lines`;
  return `${text}${reads}${worst}${high}, ${own ? 'set here' : `from ${from}`}`;
}
