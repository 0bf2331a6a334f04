import type { Rgba } from '../../../colour';
import { isDrawn } from '../../../lines';
import { resolveAt } from '../../../resolve';
import {
  edgeProperties,
  isExceptionProperty,
  isOfColumns,
  partOf,
  propertyOf,
  type Excepted,
  type ThemeView,
  type PartName,
  type PropertyName,
} from '../../../theme';
import { exceptionsOn, kindOf, type Exception, type GridCell, type Table } from '../../../table';
import { shortHash } from '../../sheet/short-hash';
import { declare, type SetValue } from '../../sheet/declare';
import { FILLED, iconShape } from '../icons';
import { cutOf } from '../inner-rules';
import { isPictureShared, laidOver, pictureOf, pictureUnder, picturedCells } from '../pictures';
import { cellsOf, markedAfter, markedBelow, markOf, notWithin, type SelectorOptions } from '../../sheet/selectors';
import { contract } from '../../markup/contract';
import { GRADUAL_LAYER, isGradual } from '../transition-rules';
import { rule, type CssNode, type Declaration } from '../../sheet/stylesheet';

type Looked = Pick<Exception, 'row' | 'column' | 'reach' | 'values'>;

/** The class by which the stylesheet finds the cells of an exception. Its kind is part of it, since kinds differ in strength. */
function exceptionClass(exception: Looked): string {
  const values = Object.entries(exception.values).sort(([a], [b]) => (a < b ? -1 : 1));
  return contract.exception(shortHash(JSON.stringify([kindOf(exception), exception.reach === 'always', values])));
}

/** The classes of what holds on a cell beside its theme. */
export const exceptionClasses = (table: Table, cell: GridCell): readonly string[] =>
  exceptionsOn(table, cell)
    .filter(({ values }) => Object.keys(values).some((name) => !isOfColumns(name)))
    .map(exceptionClass);

/** The exceptions of some tables, each look once, weakest first. */
export function exceptionsIn(tables: readonly Pick<Table, 'exceptions'>[]): readonly Exception[] {
  const kinds = ['column', 'row', 'cell'];
  const found = new Map<string, Exception>();
  for (const { exceptions } of tables) for (const each of exceptions) if (Object.keys(each.values).length > 0) found.set(exceptionClass(each), each);
  return [...found.values()].sort((a, b) => kinds.indexOf(kindOf(a)) - kinds.indexOf(kindOf(b)));
}

/**
 * The properties that exceptions set and the hand can set too, so that what a theme says of these has to be written. Not the
 * fill: what the hand brings is a layer of its own.
 */
export const exceptedProperties = (exceptions: readonly Exception[]): ReadonlySet<PropertyName> =>
  new Set(exceptions.flatMap(({ values }) => Object.keys(values).filter((name) => isExceptionProperty(name) && name !== 'fill') as PropertyName[]));

/**
 * Rules of exceptions: those that give way to the hand, to be written before its rules, and those that always hold, to be
 * written after them. A value that cannot be read is left out, so that the next one in the chain holds.
 */
export function exceptionRules(
  view: ThemeView,
  exceptions: readonly Exception[],
  options: SelectorOptions,
): { readonly under: readonly CssNode[]; readonly over: readonly CssNode[] } {
  const written = (reach: 'always' | 'others'): readonly CssNode[] =>
    exceptions
      .filter((each) => (each.reach === 'always') === (reach === 'always'))
      .flatMap((each) => ruleOf(view, each, options, setsPicture(exceptions)))
      .filter((node) => node.kind !== 'rule' || node.declarations.length > 0);
  return { under: [...written('others'), ...pictureRules(view, exceptions, options)], over: written('always') };
}

/** Whether an exception brings a picture, so that what is laid over cells has to leave it in sight. */
export const setsPicture = (exceptions: readonly Exception[]): boolean => exceptions.some(({ values }) => values.picture !== undefined);

/** What leaves out the cells of the parts that stand within a part. */
const apartFrom = (part: PartName): string => (part === 'column-headers' ? `:not(${markOf('header-groups')},${markOf('corner')})` : notWithin(part));

/** The pictures behind exceptions' cells. All stand below what the hand brings: that is laid over them. */
function pictureRules(view: ThemeView, exceptions: readonly Exception[], options: SelectorOptions): readonly CssNode[] {
  const own = byStrength(exceptions).flatMap((each): readonly CssNode[] => {
    const set = valuesIn(view, each.values);
    const over = isGradual(view) ? GRADUAL_LAYER : undefined;
    const declarations = pictureOf((name) => set.find(({ property }) => property.name === name)?.value.css, over);
    return declarations.length === 0 ? [] : [rule(markedCells(each, options), ...declarations)];
  });
  if (!setsPicture(exceptions)) return own;
  // How a part's pictures lie holds for those that take their place, even where the part has none itself.
  const ofParts = propertyOf('picture').parts.flatMap((part): readonly CssNode[] => {
    const declarations = pictureOf((name) => (name === 'picture' ? undefined : view.valueAt({ part, condition: 'rest' }, propertyOf(name))?.css));
    return partOf(part).box !== 'cells' || declarations.length === 0
      ? []
      : [rule(cellsOf(options, { part, condition: 'rest' }, part, apartFrom(part)), ...declarations)];
  });
  return [...ofParts, ...own];
}

const markedCells = (exception: Looked, { theme }: SelectorOptions): string => `.${theme}>*>:where(tr)>:where(.${exceptionClass(exception)})`;

const valuesIn = (view: ThemeView, values: Excepted['values']): readonly SetValue[] =>
  Object.entries(values).flatMap(([name, text]) => {
    if (!isExceptionProperty(name)) return [];
    const property = propertyOf(name);
    const read = view.read(property, text);
    return read.ok ? [{ property, value: read.value }] : [];
  });

function ruleOf(view: ThemeView, exception: Looked, options: SelectorOptions, isOwn: boolean): readonly CssNode[] {
  const set = valuesIn(view, exception.values);
  const mark = `.${exceptionClass(exception)}`;
  const fill = set.find(({ property }) => property.name === 'fill')?.value.css;
  const cells = markedCells(exception, options);
  const lines = set.find(({ property }) => property.name === 'lines-shown')?.value.css;
  const cut = lines === undefined ? [] : [cutOf(cells, lines)];
  if (exception.reach !== 'always')
    return [rule(cells, ...(fill === undefined ? [] : [['background-color', fill] as const]), ...declare(set)), ...cut];
  // What the hand brings is laid over a cell's fill as a picture; what always holds takes its place.
  const over = fill === undefined ? undefined : fill === 'transparent' ? 'none' : `linear-gradient(${fill} 0 0)`;
  const apart = (part: PartName): string => (isPictureShared(view) ? '' : notWithin(part));
  return [
    rule(cells, ...(over === undefined ? [] : [laidOver(over, isOwn)]), ...declare(set)),
    ...cut,
    ...(over === undefined
      ? []
      : picturedCells(view).map((part: PartName) =>
          rule(cellsOf(options, { part, condition: 'rest' }, part, apart(part) + mark), pictureUnder(view, part, over, isOwn)),
        )),
  ];
}

/**
 * The lines on the edges of exceptions' cells, to be written after the theme's own: each takes the place of the one that the
 * cell draws there, so that none is doubled, and goes with its row wherever that is sorted to.
 */
export function edgeRules(view: ThemeView, exceptions: readonly Exception[], options: SelectorOptions): readonly CssNode[] {
  return byStrength(exceptions).flatMap((each) =>
    valuesIn(view, each.values).flatMap(({ property: { name }, value }) => {
      if (value.kind !== 'line' || !(edgeProperties as readonly string[]).includes(name)) return [];
      const [select, side] = name === 'line-above' ? ([markedBelow, 'block-start'] as const) : ([markedAfter, 'inline-start'] as const);
      return [rule(select(options, `.${exceptionClass(each)}`), [`border-${side}`, isDrawn(value) ? value.css : 'none'])];
    }),
  );
}

/**
 * The icons of exceptions, before the text of any cell, in place of its part's on either side. They hold under the hand too:
 * an icon says what a thing is. Behind a number stand the digits that it is aligned by.
 */
export function ownIconRules(view: ThemeView, exceptions: readonly Exception[], options: SelectorOptions): readonly CssNode[] {
  const isAligned = resolveAt(view, { part: 'numbers', condition: 'rest' }, 'decimals').css === 'aligned';
  return byStrength(exceptions).flatMap((each) =>
    valuesIn(view, each.values).flatMap(({ property: { name }, value }) => {
      if (name !== 'icon') return [];
      const cells = (also: string): string => `.${options.theme}>*>:where(tr)>:where(.${exceptionClass(each)}${FILLED}${also})`;
      const drawn: readonly Declaration[] = value.css === 'none' ? [['content', 'none']] : [...iconShape('before', value.css), ['content', '""']];
      return [rule(`${cells('')}::before`, ...drawn), rule(`${cells(isAligned ? `:not([${contract.pad}])` : '')}::after`, ['content', 'none'])];
    }),
  );
}

/** What tells the cells that have an icon by an exception. */
export const iconMarks = (exceptions: readonly Exception[]): readonly string[] =>
  exceptions.filter(({ values }) => values.icon !== undefined).map((each) => `.${exceptionClass(each)}`);

const byStrength = (exceptions: readonly Exception[]): readonly Exception[] => [
  ...exceptions.filter(({ reach }) => reach !== 'always'),
  ...exceptions.filter(({ reach }) => reach === 'always'),
];

/** Whether an exception says after how many lines texts are cut. */
export const setsLines = (exceptions: readonly Exception[]): boolean => exceptions.some(({ values }) => values['lines-shown'] !== undefined);

/** Whether an exception sets a lowest row height. */
export const setsHeight = (exceptions: readonly Exception[]): boolean => exceptions.some(({ values }) => values['row-height'] !== undefined);

/** The fills of exceptions, for the first column that stays in view: each with the class of its cells. */
export function exceptionFills(
  view: ThemeView,
  exceptions: readonly Exception[],
): readonly { readonly mark: string; readonly css: string; readonly rgba: Rgba }[] {
  const fill = propertyOf('fill');
  return exceptions.flatMap((each) => {
    const text = each.values.fill;
    const read = text === undefined ? undefined : view.read(fill, text);
    if (each.reach === 'always' || !read?.ok || read.value.kind !== 'colour') return [];
    const { css, rgba } = read.value;
    return [{ mark: `.${exceptionClass(each)}`, css, rgba }];
  });
}
