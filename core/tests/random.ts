import { toHex } from '../colour';
import {
  Views,
  basesOver,
  canBeSet,
  conditionNames,
  exceptionProperties,
  isOfColumns,
  isThemeBase,
  modeNames,
  tableParts,
  propertiesOf,
  propertyOf,
  starterBases,
  type ConditionName,
  type Part,
  type Theme,
  type ThemeView,
  type ValueKind,
  newestOf,
} from '../theme';
import {
  exceptionReaches,
  makeHeading,
  mergeCells,
  sectionRows,
  setExceptions,
  splitCells,
  tableOf,
  type Exception,
  type Held,
  type Table,
} from '../table';

/** Random themes and tables from a seed, for specs that hold core against the browser. Same seed, same things. */
export interface Dice {
  readonly next: () => number;
  readonly whole: (least: number, most: number) => number;
  readonly pick: <T>(items: readonly T[]) => T;
  readonly chance: (share: number) => boolean;
}

/** A small generator with a period of 2^32 (the mulberry32 mixing function). */
export function dice(seed: number): Dice {
  let state = seed >>> 0;
  const next = (): number => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = state;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
  const whole = (least: number, most: number): number => least + Math.floor(next() * (most - least + 1));
  const pick = <T>(items: readonly T[]): T => {
    const found = items[whole(0, items.length - 1)];
    if (found === undefined) throw new RangeError('Nothing to pick from');
    return found;
  };
  return { next, whole, pick, chance: (share) => next() < share };
}

const swatchNames = ['mist', 'deep', 'glow', 'lamp'];
/** What random themes grow from: the first twelve starters, and the bare ground, so that each seed is the same theme as ever. */
export const starterNames = starterBases.names.slice(0, 13);
const hex = (d: Dice): string => `#${Array.from({ length: 6 }, () => d.whole(0, 15).toString(16)).join('')}`;
const colour = (d: Dice): string => {
  const plain = d.chance(0.6) ? d.pick(swatchNames) : hex(d);
  return d.chance(0.35) ? `${plain} ${d.whole(0, 100)}%` : plain;
};
const length = (d: Dice, most: number): string =>
  d.chance(0.2) ? '0' : d.pick([`${d.whole(1, most)}px`, `${d.whole(1, 12) / 4}em`, `${d.whole(1, 6) / 4}rem`]);

/** A text of each kind, as a person might type it. */
export const randomText: Readonly<Record<ValueKind, (d: Dice) => string>> = {
  colour: (d) => (d.chance(0.1) ? 'none' : colour(d)),
  ink: (d) => (d.chance(0.1) ? 'none' : colour(d)),
  family: (d) => d.pick(['page', 'system', 'humanist', 'serif', 'mono', 'Brand Sans, sans-serif']),
  size: (d) => d.pick(['page', 'body', 'body+1', 'small', 'lead-1', `${d.whole(9, 30)}px`, '0.9em', '1.2rem']),
  weight: (d) => d.pick(['300', '400', 'bold', '650', 'semibold', 'page']),
  slant: (d) => d.pick(['upright', 'italic']),
  case: (d) => d.pick(['as typed', 'uppercase', 'lowercase', 'capitalize']),
  spacing: (d) => d.pick(['normal', '0.05em', '1px', '-0.5px']),
  leading: (d) => d.pick(['page', 'normal', '1.2', '1.75', '24px']),
  align: (d) => d.pick(['start', 'center', 'end', 'justify', 'as its column']),
  valign: (d) => d.pick(['top', 'middle', 'bottom', 'baseline']),
  length: (d) => length(d, 24),
  height: (d) => d.pick(['auto', '40px', '3em']),
  line: (d) =>
    d.chance(0.25)
      ? d.pick(['none', 'hidden'])
      : `${d.whole(1, 5)}px ${d.pick(['solid', 'dashed', 'dotted', 'double', 'ridge', 'inset'])} ${colour(d)}`,
  cells: (d) => d.pick(['joined', 'single', 'spaced']),
  width: (d) => d.pick(['content', 'fill', '240px', '12em', '75%']),
  picture: (d) => (d.chance(0.2) ? `${colour(d)} to ${colour(d)}${d.pick(['', ' across', ' 30deg'])}` : d.pick(['none', 'waves', 'dots'])),
  repeat: (d) => d.pick(['both ways', 'across', 'down', 'once']),
  'picture-size': (d) => d.pick(['its own', 'cover', 'contain', '24px', '50% auto']),
  'picture-position': (d) => d.pick(['left top', 'center', 'right', 'bottom', '10px 25%']),
  share: (d) => d.pick(['100%', '80%', '35%']),
  shadow: (d) =>
    d.pick(['none', `0 2px 8px ${colour(d)}`, `inset 0 0 0 2px ${colour(d)}`, `1px 1px 0.5em -1px ${colour(d)}, 0 4px 10px rgb(10, 20, 30)`]),
  layout: (d) => d.pick(['by content', 'equal']),
  arrangement: (d) => d.pick(['as it is', 'scrolls', 'stacked', 'turned', 'most columns', 'fewest columns']),
  'badge-place': (d) => d.pick(['as texts do', 'start', 'center', 'end', 'over the whole card']),
  sits: (d) => d.pick(['start', 'center', 'end']),
  side: (d) => d.pick(['above', 'below']),
  wrap: (d) => d.pick(['wrap', 'one line']),
  figures: (d) => d.pick(['as the font has them', 'tabular', 'old style', 'lining, slashed zero', 'tabular, old style']),
  caps: (d) => d.pick(['as typed', 'small capitals', 'all small capitals']),
  hyphens: (d) => d.pick(['where typed', 'automatic', 'never']),
  'text-shadow': (d) => d.pick(['none', `1px 1px 2px ${colour(d)}`, `0 1px ${colour(d)}, 0 0 3px #123456`]),
  gap: (d) => d.pick(['0', '5px', '0 8px', '6px 0', '0.5em 4px']),
  bar: (d) => d.pick(['none', `${d.whole(1, 8)}px ${colour(d)}`]),
  outline: (d) => d.pick(['as the browser has it', 'none', `${d.whole(1, 4)}px ${d.pick(['solid', 'dashed', 'double'])} ${colour(d)}`]),
  offset: (d) => d.pick(['0', '2px', '-3px', '0.25em']),
  transition: (d) => d.pick(['at once', '150ms', 'fill 0.2s linear', 'ink, shadow 90ms ease-in-out']),
  reading: (d) => d.pick(['across', 'up', 'down']),
  'lines-shown': (d) => d.pick(['all', '1', '2', '3']),
  decimals: (d) => d.pick(['as typed', 'aligned']),
  icon: (d) => d.pick(['none', 'boat', 'up', 'star']),
  'icon-side': (d) => d.pick(['before', 'after']),
  underline: (d) => d.pick(['none', 'underline', 'dotted']),
  band: (d) => d.pick(['2nd', '2nd from 1', '3rd', '3rd from 1', '4th from 2']),
  repeats: (d) => d.pick(['header', 'header and footer', 'nothing']),
  sheet: (d) => d.pick(['as it comes', 'upright', 'across']),
  'too-wide': (d) => d.pick(['smaller', 'over several sheets', 'as it is']),
  scale: (d) => d.pick(['100%', '60%', '45.5%']),
  'printed-fills': (d) => d.pick(['if asked for', 'always']),
  switch: (d) => (d.chance(0.75) ? 'on' : 'off'),
};

/** The same as a designer writes it who keeps to a theme's swatches, type scale and a rhythm of 4 px. */
const orderly = (d: Dice): string => (d.chance(0.3) ? `${d.pick(swatchNames)} ${d.whole(1, 9)}0%` : d.pick(swatchNames));
export const orderlyText: Readonly<Record<ValueKind, (d: Dice) => string>> = {
  ...randomText,
  colour: (d) => (d.chance(0.1) ? 'none' : orderly(d)),
  ink: (d) => (d.chance(0.1) ? 'none' : orderly(d)),
  family: (d) => d.pick(['page', 'serif', 'mono']),
  size: (d) => d.pick(['body', 'body+1', 'body-1', 'lead']),
  figures: (d) => d.pick(['as the font has them', 'tabular', 'old style']),
  picture: (d) => d.pick(['none', 'waves', 'dots']),
  length: (d) => d.pick(['0', '4px', '8px', '12px', '16px', '24px']),
  line: (d) => (d.chance(0.25) ? 'none' : `${d.whole(1, 3)}px ${d.pick(['solid', 'dashed', 'dotted'])} ${orderly(d)}`),
};

/** The conditions of a part, in their order, but for what only comparisons of plans have (`plans.ts` draws that). */
const drawnOf = ({ conditions }: Part): readonly ConditionName[] => conditionNames.filter((name) => name !== 'featured' && conditions.includes(name));

/** A theme with a value for every property at every place. */
export function fullTheme(d: Dice, starter = 'nightfall', text = randomText): Theme {
  const values = Object.fromEntries(
    tableParts.map((part) => [
      part.name,
      Object.fromEntries(
        drawnOf(part).map((condition) => [
          condition,
          Object.fromEntries(
            propertiesOf(part.name)
              .filter((property) => canBeSet(property, condition) && property.kind !== 'switch')
              .map(({ name, kind }) => [name, text[kind](d)]),
          ),
        ]),
      ),
    ]),
  );
  return {
    format: 'zest-theme/2',
    name: 'Full',
    base: { starter, version: 1 },
    swatches: swatchNames.map((name) => ({ name, colour: hex(d) })),
    values,
  };
}

/** A theme with values strewn over every part, condition and property. */
export function randomTheme(d: Dice, names: readonly string[] = starterNames): Theme {
  const density = d.pick([0.08, 0.25, 0.6]);
  const values: Record<string, Record<string, Record<string, string>>> = {};
  for (const part of tableParts) {
    for (const condition of drawnOf(part)) {
      for (const property of propertiesOf(part.name)) {
        if (canBeSet(property, condition) && d.chance(density))
          ((values[part.name] ??= {})[condition] ??= {})[property.name] = randomText[property.kind](d);
      }
    }
  }
  const starter = d.pick(names);
  const base = { starter, version: d.pick([1, newestOf(starter)]) };
  return { format: 'zest-theme/2', name: 'Random', base, swatches: swatchNames.map((name) => ({ name, colour: hex(d) })), values };
}

/**
 * The view of a random theme that grows from others, `deep` of them one below the other, and the lowest from a starter: each with some
 * swatches of its own, and with steps of its own or of those below.
 */
export function randomGrown(d: Dice, names: readonly string[], deep: number): ThemeView {
  const themes = Array.from({ length: deep + 1 }, (_, i): Theme => {
    const whole = randomTheme(d, names);
    const some = d.chance(0.5) ? whole : withSteps(d, whole);
    const widths = some.widths?.map(({ width = 0, ...step }) => (i < deep && d.chance(0.5) ? step : { ...step, width: width + i }));
    const swatches = whole.swatches.filter(() => i === deep || d.chance(0.3));
    return { ...some, name: `Random ${i}`, swatches, base: i < deep ? { theme: `${i + 1}` } : whole.base, ...(widths ? { widths } : {}) };
  });
  const [theme] = themes;
  if (!theme) throw new TypeError('A family has a theme');
  return new Views(basesOver(starterBases, (id) => themes[Number(id)])).of(theme);
}

/** The theme with some modes, in each of which some swatches and values are others. */
export function withModes(d: Dice, theme: Theme): Theme {
  const some = modeNames.filter(() => d.chance(0.5));
  const modes = (some.length > 0 ? some : (['dark'] as const)).map((name) => {
    const { values } = randomTheme(d, ['ground']);
    const swatches = theme.swatches.filter(() => d.chance(0.6)).map((swatch) => ({ ...swatch, colour: hex(d) }));
    return { name, swatches, values: d.chance(0.3) ? {} : Object.fromEntries(Object.entries(values).filter(() => d.chance(0.3))) };
  });
  return { ...theme, modes };
}

/** The theme with some of what it could say in the ledger said in extra CSS instead, and with texts there that the ledger has not. */
export function withExtra(d: Dice, theme: Theme): Theme {
  const said = new Views(starterBases).of(randomTheme(d, ['ground']));
  const rules = tableParts.flatMap((part) =>
    drawnOf(part).flatMap((condition) => {
      const { name } = part;
      const declared = propertiesOf(name).flatMap((property) => {
        const value = d.chance(0.3) ? said.valueAt({ part: name, condition }, property) : undefined;
        if (value === undefined || property.css === undefined || value.kind === 'page') return [];
        return [`${property.css}: ${value.kind === 'colour' ? toHex(value.rgba) : value.css.replaceAll('var(--zp-', 'var(--')}`];
      });
      const at = condition === 'rest' ? name : `${name}:${condition}`;
      return declared.length === 0 || name === 'lines'
        ? []
        : [d.chance(0.2) ? `${name} { &${at.slice(name.length)} { ${declared.join('; ')} } }` : `${at} { ${declared.join(';')} }`];
    }),
  );
  return { ...theme, css: rules.join('\n') };
}

/** The theme with up to three width steps, at which some values or many are others. */
export function withSteps(d: Dice, theme: Theme): Theme {
  const all = [880, 640, 400].filter(() => d.chance(0.75));
  const widths = (all.length > 0 ? all : [640]).map((width, i) => {
    const { values } = randomTheme(d, [isThemeBase(theme.base) ? 'ground' : (theme.base?.starter ?? 'ground')]);
    const some = Object.fromEntries(Object.entries(values).filter(() => d.chance(0.4)));
    return { name: `step-${i}`, width, values: some };
  });
  return { ...theme, widths };
}

const randomNumber = (d: Dice): string =>
  d.pick([`${d.whole(-90, 900)}`, `£${d.whole(1, 90)}.50`, `−${d.whole(1, 9)}.125`, `${d.whole(1, 9)},${d.whole(100, 999)}`]);

/** Conditions held open here and there: on rows, on columns, and on the header cells that sort. */
export function randomHeld(d: Dice, { rows }: Table): Held {
  const some = (count: number, conditions: readonly ConditionName[], share: number): ReadonlyMap<number, readonly ConditionName[]> =>
    new Map(Array.from({ length: count }, (_, i) => [i, conditions.filter(() => d.chance(share))] as const).filter(([, names]) => names.length > 0));
  const width = rows[0]?.length ?? 0;
  return {
    rows: some(rows.length, ['hovered', 'selected', 'focused', 'disabled'], 0.3),
    columns: some(width, ['sorted', 'column-hovered'], 0.25),
    headers: some(width, ['hovered', 'pressed', 'focused'], 0.25),
  };
}

/** A table with up to three header tiers, row headers, a footer and merged cells anywhere. */
export function randomTable(d: Dice): Table {
  const [height, width] = [d.whole(1, 9), d.whole(1, 7)];
  const rows = Array.from({ length: height }, (_, row) =>
    Array.from({ length: width }, (_, column) => (d.chance(0.1) ? '' : column % 3 === 2 && row > 1 ? randomNumber(d) : `r${row}c${column}`)),
  );
  const headerRows = d.whole(0, Math.min(3, height));
  const footerRows = d.whole(0, Math.min(2, height - headerRows));
  let table = tableOf('Random', rows, {
    headerRows,
    footerRows,
    rowHeaders: d.whole(0, Math.min(2, width)),
    caption: d.chance(0.6) ? 'A caption' : '',
  });
  for (let i = d.whole(0, 6); i > 0; i--) {
    const from = { row: d.whole(0, height - 1), column: d.whole(0, width - 1) };
    const merged = mergeCells(table, from, {
      row: Math.min(height - 1, from.row + d.whole(0, 2)),
      column: Math.min(width - 1, from.column + d.whole(0, 2)),
    });
    if (merged.ok) table = merged.value;
  }
  return withGroups(d, table);
}

/** The table with exceptions on some of its columns, rows and cells, of a few properties or of many. */
export function withExceptions(d: Dice, table: Table): Table {
  const density = d.pick([0.1, 0.3, 0.9]);
  const made = (exception: Exception): Exception => ({
    ...exception,
    reach: d.pick(exceptionReaches),
    values: Object.fromEntries(
      exceptionProperties
        .filter((name) => d.chance(density) && !(exception.row !== null && isOfColumns(name)))
        .map((name) => [name, randomText[propertyOf(name).kind](d)]),
    ),
  });
  const [height, width] = [table.rows.length, table.rows[0]?.length ?? 0];
  const places = Array.from({ length: d.whole(1, 6) }, () => {
    const [row, column] = [d.whole(0, height - 1), d.whole(0, width - 1)];
    return d.pick([
      { row: null, column },
      { row, column: null },
      { row, column },
    ]);
  });
  return setExceptions(table, places, made);
}

/** Headings of row groups here and there, over the whole row or not, and a caption in a place of its own. */
function withGroups(d: Dice, table: Table): Table {
  const { first, count } = sectionRows(table, 'body');
  let grouped: Table = { ...table, captionSide: d.pick(['', '', 'above', 'below']), captionAlign: d.pick(['', '', 'start', 'center', 'end']) };
  for (let row = first; row < first + count; row++) {
    const made = d.chance(0.2) ? makeHeading(grouped, row) : undefined;
    if (!made?.ok) continue;
    const parted = d.chance(0.3) ? splitCells(made.value, row, 0) : made;
    grouped = parted.ok ? parted.value : made.value;
  }
  return grouped;
}
