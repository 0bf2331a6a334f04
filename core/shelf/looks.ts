import { WHITE, flatten, toLch, type Rgba } from '../colour';
import { isDrawn } from '../lines';
import { inkOf, paintedFill } from '../paint';
import { resolve, resolveAt } from '../resolve';
import { parts, type ConditionName, type PartName, type PropertyName, type Slot, type ThemeView } from '../theme';

/** What of a theme is seen at a glance. */
export const lookNames = [
  { name: 'dark-header', label: 'Dark header' },
  { name: 'banded', label: 'Banded' },
  { name: 'hairlines', label: 'Hairlines' },
  { name: 'grid', label: 'Grid lines' },
  { name: 'no-lines', label: 'No lines' },
  { name: 'round', label: 'Round corners' },
  { name: 'cards', label: 'Rows as cards' },
  { name: 'dark', label: 'Dark' },
  { name: 'dark-mode', label: 'Has a dark mode' },
  { name: 'fits', label: 'Changes by width' },
] as const;
export type LookName = (typeof lookNames)[number]['name'];

/** What a theme looks like, for who looks for one. */
export interface Look {
  readonly looks: ReadonlySet<LookName>;
  /** Fonts as the ledger names them, each once. */
  readonly fonts: readonly string[];
  /** Colours of grounds, texts and lines that are seen, as they lie on a white page. */
  readonly colours: readonly Rgba[];
}

/** Lightness in OKLCH below which a ground is dark. */
const DARK = 0.5;
/** Two grounds that differ by so much in OKLab are told apart where they lie beside each other. */
const APART = 0.008;

/** What a view of a theme looks like. */
export function lookOf(view: ThemeView): Look {
  const ground = (part: PartName, ...conditions: readonly ConditionName[]): Rgba => paintedFill(view, { part, conditions });
  const [header, even, odd] = [ground('column-headers'), ground('body-rows', 'even'), ground('body-rows', 'odd')];
  const line = (name: PropertyName): { readonly is: boolean; readonly width: number } => {
    const value = resolveAt(view, { part: 'lines', condition: 'rest' }, name);
    return value.kind === 'line' && isDrawn(value) ? { is: true, width: value.width } : { is: false, width: 0 };
  };
  const [rows, columns] = [line('rows'), line('columns')];
  const table = (name: PropertyName): string => resolveAt(view, { part: 'table', condition: 'rest' }, name).css;
  const rowRadius = resolveAt(view, { part: 'body-rows', condition: 'rest' }, 'row-radius').css;
  const is: { readonly [name in LookName]: boolean } = {
    'dark-header': toLch(header).l < DARK,
    banded: distance(even, odd) > APART,
    hairlines: rows.is && rows.width <= 1 && !columns.is,
    grid: rows.is && columns.is,
    'no-lines': !rows.is && !columns.is,
    round: !/^0(?:px)?$/.test(table('radius')),
    cards: !/^0(?:px)?$/.test(rowRadius),
    dark: toLch(odd).l < DARK,
    'dark-mode': view.modes.includes('dark'),
    fits: view.steps.some(({ differs }) => differs),
  };
  return { looks: new Set(lookNames.flatMap(({ name }) => (is[name] ? [name] : []))), fonts: fontsOf(view), colours: coloursOf(view) };
}

/** Parts whose text is seen on every table. */
const read: readonly PartName[] = ['caption', 'column-headers', 'row-headers', 'body-rows', 'footer'];

const fontsOf = (view: ThemeView): readonly string[] => [
  ...new Set([...read, 'numbers' as const].map((part) => resolve(view, { part, conditions: [] }, 'font').text).filter((text) => text !== 'page')),
];

function coloursOf(view: ThemeView): readonly Rgba[] {
  const cells = parts
    .filter(({ box }) => box === 'cells')
    .flatMap(({ name, conditions }) => conditions.map((condition): Slot => ({ part: name, conditions: condition === 'rest' ? [] : [condition] })));
  const grounds = cells.map((slot) => paintedFill(view, slot));
  const inks = [...cells, ...read.map((part): Slot => ({ part, conditions: [] }))].map((slot) => inkOf(view, slot));
  const lines = (['rows', 'columns', 'outer-top', 'under-header', 'above-footer', 'outer-bottom'] as const).flatMap((name) => {
    const value = resolveAt(view, { part: 'lines', condition: 'rest' }, name);
    return value.kind === 'line' && isDrawn(value) ? [flatten(value.rgba, WHITE)] : [];
  });
  return [...new Map([...grounds, ...inks, ...lines].map((each) => [`${each.r} ${each.g} ${each.b}`, each])).values()];
}

/** How far two colours lie apart in OKLab. */
export function distance(a: Rgba, b: Rgba): number {
  const [from, to] = [toLch(a), toLch(b)];
  const rad = Math.PI / 180;
  return Math.hypot(
    from.l - to.l,
    from.c * Math.cos(from.h * rad) - to.c * Math.cos(to.h * rad),
    from.c * Math.sin(from.h * rad) - to.c * Math.sin(to.h * rad),
  );
}
