import {
  bandOf,
  bandTrait,
  captionLines,
  closedBy,
  columnLine,
  columnTraits,
  isDrawn,
  lineAt,
  outerLines,
  rowLine,
  type ColumnTrait,
  type Line,
  type RowTrait,
} from '../../lines';
import { resolveAt, winnerAt } from '../../resolve';
import type { ThemeView } from '../../theme';
import { borderOf } from '../sheet/declare';
import {
  captionOf,
  columnTests,
  everyCell,
  firstRowCells,
  lastRowCells,
  laterCells,
  laterRowCells,
  rowsOfBand,
  secondAndLastRowCells,
  secondRowCells,
  type SelectorOptions,
} from '../sheet/selectors';
import { contract } from '../markup/contract';
import { rule, type CssNode, type Declaration } from '../sheet/stylesheet';

/**
 * The table's own border, which closes the outside. `clears` says none where none is drawn: for a page of which nothing is known,
 * which may draw lines around every table.
 */
export function outerBorder(view: ThemeView, clears: boolean): readonly Declaration[] {
  const { top, end, bottom, start } = outerLines(view);
  const none: readonly Declaration[] = clears ? [['border', '0']] : [];
  if ([end, bottom, start].every((line) => line.css === top.css)) return isDrawn(top) ? [['border', top.css]] : none;
  const sides: readonly (readonly [string, Line])[] = [
    ['block-start', top],
    ['inline-end', end],
    ['block-end', bottom],
    ['inline-start', start],
  ];
  return [...(sides.every(([, line]) => isDrawn(line)) ? [] : none), ...sides.flatMap(([side, line]) => borderOf(side, line))];
}

/** Each inner edge is drawn once: by the cell below it, or by the cell after it. Spaced cells are closed all around. */
export function lineRules(view: ThemeView, options: SelectorOptions, clears: boolean): readonly CssNode[] {
  const closed = closedBy(view);
  const base = (line: Line | undefined): Step | undefined => (line && isDrawn(line) ? { selector: everyCell(options), line } : undefined);
  const [rows, columns] = [base(closed?.rows.line), base(closed?.columns.line)];
  return [
    rule(
      everyCell(options),
      ...(clears && !(rows && columns) ? ([['border', '0']] as const) : []),
      ...(rows ? ([['border-block', rows.line.css]] as const) : []),
      ...(columns ? ([['border-inline', columns.line.css]] as const) : []),
    ),
    ...layered(rowSteps(view, options, rows), 'block-start'),
    ...layered(columnSteps(view, options, columns), 'inline-start'),
    ...captionLine(view, options),
  ];
}

/** Edges that a selector finds, and the line on them. A later step is stronger; it stands only where it changes something. */
interface Step {
  readonly selector: string;
  readonly line: Line;
  /** The earlier step that holds on the same edges without this one; none where nothing does. */
  readonly over?: Step;
}

const isSame = (a: Line, b: Line | undefined): boolean => (b === undefined || !isDrawn(b) ? !isDrawn(a) : a.css === b.css);

function layered(steps: readonly Step[], side: string): readonly CssNode[] {
  return steps
    .filter(({ line, over }) => !isSame(line, over?.line))
    .map(({ selector, line }) => rule(selector, [`border-${side}`, isDrawn(line) ? line.css : 'none']));
}

function rowSteps(view: ThemeView, options: SelectorOptions, closed: Step | undefined): readonly Step[] {
  const step = (selector: string, line: Line, over = closed): Step => ({ selector, line, over });
  const rows = step(`${laterRowCells(options)},${firstRowCells(options, 'tbody+tbody')}`, rowLine(view, 'rows'));
  return [
    rows,
    step(laterRowCells(options, 'thead'), rowLine(view, 'tiers'), rows),
    step(firstRowCells(options, 'thead+tbody'), rowLine(view, 'header-body')),
    step(firstRowCells(options, 'tbody+tfoot'), rowLine(view, 'body-footer')),
    step(firstRowCells(options, 'thead+tfoot'), rowLine(view, 'header-footer')),
    ...bodyRowSteps(view, options, rows),
  ];
}

/**
 * Every set of traits that an edge between two rows of the body can have, weaker ones first, each over the one that would hold
 * without it. The band of the second row is known; the last row can be of either.
 */
function bodyRowSteps(view: ThemeView, options: SelectorOptions, rows: Step): readonly Step[] {
  const band = bandOf(view);
  const { every, from } = band;
  /** Rows after the first whose upper edge has a trait by its band, as :nth-child() counts them. */
  const above = `${every}n+${from === 1 ? from + every : from}`;
  const below = `${every}n+${from + 1}`;
  const ofSecond = [bandTrait(band, 2)].filter((trait) => trait !== undefined);
  const [second, last] = ['after-first-row', 'before-last-row'] as const;
  const sets: readonly (readonly [readonly RowTrait[], string])[] = [
    [['above-even-rows'], rowsOfBand(options, above)],
    [['below-even-rows'], rowsOfBand(options, below)],
    [[...ofSecond, second], secondRowCells(options)],
    [[last], lastRowCells(options)],
    [['above-even-rows', last], rowsOfBand(options, above, true)],
    [['below-even-rows', last], rowsOfBand(options, below, true)],
    [[...ofSecond, second, last], secondAndLastRowCells(options)],
  ];
  return heldOver<RowTrait>(
    sets.map(([traits, selector]) => ({ traits, selector, line: rowLine(view, 'rows', traits) })),
    rows,
  );
}

/** Every set of traits that an edge between columns can have, smaller sets first, each over the one that would hold without it. */
function columnSteps(view: ThemeView, options: SelectorOptions, closed: Step | undefined): readonly Step[] {
  const edges = traitSets.map((traits) => {
    const tests = traits.flatMap((trait) => (trait === 'header-columns' ? [] : [columnTests[trait]]));
    return { traits, selector: laterCells(options, tests, traits.includes('header-columns') ? 'thead' : ''), line: columnLine(view, traits) };
  });
  return heldOver(edges, closed);
}

/** Steps for edges by their traits, each over the last one before it that is there on the same edges: one that changes nothing is not. */
function heldOver<Trait>(
  edges: readonly { readonly traits: readonly Trait[]; readonly selector: string; readonly line: Line }[],
  first: Step | undefined,
): readonly Step[] {
  const placed: { readonly traits: readonly Trait[]; readonly step: Step }[] = [];
  for (const { traits, selector, line } of edges) {
    const under = placed.findLast(
      (each) => each.traits.every((trait) => traits.includes(trait)) && (each.traits.length === 0 || isWritten(each.step)),
    );
    placed.push({ traits, step: { selector, line, over: under?.step ?? first } });
  }
  return placed.map(({ step }) => step);
}

const isWritten = ({ line, over }: Step): boolean => !isSame(line, over?.line);

const traitSets: readonly (readonly ColumnTrait[])[] = columnTraits
  .reduce<readonly (readonly ColumnTrait[])[]>((sets, trait) => [...sets, ...sets.map((set) => [...set, trait])], [[]])
  .toSorted((a, b) => a.length - b.length);

/** Between caption and table, on whichever side the caption stands: one line, the stronger of theirs. */
function captionLine(view: ThemeView, options: SelectorOptions): readonly CssNode[] {
  const below = resolveAt(view, { part: 'caption', condition: 'rest' }, 'side').css === 'bottom';
  const [here, there] = below ? (['below', 'above'] as const) : (['above', 'below'] as const);
  const [lines, turnedLines] = [captionLines(view, here), captionLines(view, there)];
  const [towards, away] = below ? (['block-start', 'block-end'] as const) : (['block-end', 'block-start'] as const);
  const room = (side: 'padding-top' | 'padding-bottom'): string => winnerAt(view, { part: 'caption', conditions: [] }, side).value.css;
  const [top, bottom] = [room('padding-top'), room('padding-bottom')];
  // A table can have its caption on the other side: the line, and the room to the table, turn with it.
  const turned: readonly Declaration[] = [
    ...(lines.caption ? ([[`border-${towards}`, '0']] as const) : []),
    ...(turnedLines.caption ? borderOf(away, turnedLines.caption) : []),
    ...(top === bottom ? [] : ([['padding-block', `${bottom} ${top}`]] as const)),
  ];
  const on = (side: 'above' | 'below'): string => `:where(.${contract.caption(side)})`;
  const other = captionOf({ ...options, theme: `${options.theme}${on(there)}` });
  // The table's own line is none where its caption has the stronger one.
  const outer = (side: 'above' | 'below', { caption }: typeof lines): readonly CssNode[] => {
    const border = side === 'above' ? 'block-start' : 'block-end';
    if (!caption || !isDrawn(lineAt(view, side === 'above' ? 'outer-top' : 'outer-bottom'))) return [];
    const sides = side === here ? `:not(.${contract.caption(there)})` : `.${contract.caption(there)}`;
    return [rule(`.${options.theme}:where(${sides}:has(>caption))`, [`border-${border}`, 'none'])];
  };
  return [
    rule(captionOf(options), ...(lines.caption ? borderOf(towards, lines.caption) : [])),
    ...(turned.length > 0 ? [rule(other, ...turned)] : []),
    ...outer(here, lines),
    ...outer(there, turnedLines),
  ];
}
