import { captionLines, closedBy, columnLine, columnTraits, isDrawn, lineAt, outerLines, rowLine, type ColumnTrait, type Line } from '../../lines';
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
  const second = step(secondRowCells(options), rowLine(view, 'rows', ['after-first-row']), rows);
  const last = step(lastRowCells(options), rowLine(view, 'rows', ['before-last-row']), rows);
  return [
    rows,
    step(laterRowCells(options, 'thead'), rowLine(view, 'tiers'), rows),
    step(firstRowCells(options, 'thead+tbody'), rowLine(view, 'header-body')),
    step(firstRowCells(options, 'tbody+tfoot'), rowLine(view, 'body-footer')),
    step(firstRowCells(options, 'thead+tfoot'), rowLine(view, 'header-footer')),
    second,
    last,
    step(secondAndLastRowCells(options), rowLine(view, 'rows', ['after-first-row', 'before-last-row']), isSame(last.line, rows.line) ? second : last),
  ];
}

/** Every set of traits that an edge between columns can have, smaller sets first, each over the one that would hold without it. */
function columnSteps(view: ThemeView, options: SelectorOptions, closed: Step | undefined): readonly Step[] {
  const placed: { readonly traits: readonly ColumnTrait[]; readonly step: Step }[] = [];
  for (const traits of traitSets) {
    const tests = traits.flatMap((trait) => (trait === 'header-columns' ? [] : [columnTests[trait]]));
    const selector = laterCells(options, tests, traits.includes('header-columns') ? 'thead' : '');
    // Written steps only: one that changed nothing is not there to hold.
    const below = placed.findLast(
      (each) => each.traits.every((trait) => traits.includes(trait)) && (each.traits.length === 0 || isWritten(each.step)),
    );
    placed.push({ traits, step: { selector, line: columnLine(view, traits), over: below?.step ?? closed } });
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
