import { closedBy, frameLine, type Line } from '../../../lines';
import { frameBefore, framedAt, kindOf, type Exception, type GridCell, type Table } from '../../../table';
import { frameProperties, propertyOf, type ThemeView } from '../../../theme';
import { contract } from '../../markup/contract';
import { bodyEnd, bodyStart, footerEnd, headerStart, type SelectorOptions } from '../../sheet/selectors';
import { shortHash } from '../../sheet/short-hash';
import { rule, type CssNode, type Declaration } from '../../sheet/stylesheet';
import { frameGaps, withoutFrameGaps, type DrawnFrame } from './frame-gaps';

const lookOf = ({ values }: Pick<Exception, 'values'>): string => shortHash(JSON.stringify(frameProperties.map((name) => values[name] ?? '')));

/** The classes of a cell within a frame, or right after one. */
export function frameClasses(table: Table, cell: GridCell): readonly string[] {
  const [framed, before] = [framedAt(table, cell), frameBefore(table, cell)];
  return [...(framed ? [contract.framed(lookOf(framed.exception))] : []), ...(before ? [contract.afterFrame(lookOf(before))] : [])];
}

/**
 * The frames of columns, to be written after all other lines: each cell draws its two sides, the first one the top and the last one the
 * bottom, with the corners. Which are the first and the last follows the rows that are seen.
 */
export function columnFrames(
  view: ThemeView,
  { exceptions, merges }: { readonly exceptions: readonly Exception[]; readonly merges: boolean },
  options: SelectorOptions,
): readonly CssNode[] {
  const drawn = drawnIn(view, exceptions);
  if (drawn.length === 0) return [];
  const cells = (name: string): string => `.${options.theme}>*>:where(tr)>:where(.${name})`;
  // Where a frame stands right after another, it draws its own start.
  const after = closedBy(view) ? [] : drawn.map(({ look }) => rule(cells(contract.afterFrame(look)), ['border-inline-start', 'none']));
  return [
    ...after,
    ...drawn.flatMap(({ look, line, radius }) => {
      const mark = `.${contract.framed(look)}`;
      const end = (side: 'start' | 'end'): readonly Declaration[] => [
        [`border-block-${side}`, line.css],
        ...(radius === undefined
          ? []
          : ([
              [`border-${side}-start-radius`, radius],
              [`border-${side}-end-radius`, radius],
            ] as const)),
      ];
      return [
        rule(cells(contract.framed(look)), ['border-inline', line.css]),
        rule(`${headerStart(options, mark)},${bodyStart(options, mark)}`, ...end('start')),
        rule(`${footerEnd(options, mark)},${bodyEnd(options, mark, merges)}`, ...end('end')),
      ];
    }),
    ...frameGaps(view, exceptions, options, marked(drawn)),
  ];
}

/** Where rows are stacked there are no columns that a frame could be around. */
export function withoutFrames(view: ThemeView, exceptions: readonly Exception[], options: SelectorOptions): readonly CssNode[] {
  if (exceptions.every(({ values }) => values['frame'] === undefined)) return [];
  const cells = `.${options.theme}>:is(thead,tbody,tfoot)>tr>*`;
  return [
    rule(cells, ['border-block', 'none'], ['border-radius', '0']),
    ...withoutFrameGaps(view, exceptions, options, marked(drawnIn(view, exceptions))),
  ];
}

interface Drawn {
  readonly look: string;
  readonly line: Line;
  readonly radius: string | undefined;
}

/** The frames that are drawn, each look once. */
function drawnIn(view: ThemeView, exceptions: readonly Exception[]): readonly Drawn[] {
  const framing = new Map(
    exceptions.filter((each) => kindOf(each) === 'column' && each.values['frame'] !== undefined).map((each) => [lookOf(each), each]),
  );
  return [...framing].flatMap(([look, each]) => {
    const line = frameLine(view, each);
    return line === undefined ? [] : [{ look, line, radius: radiusOf(view, each) }];
  });
}

const marked = (drawn: readonly Drawn[]): readonly DrawnFrame[] => drawn.map(({ look, line }) => ({ mark: `.${contract.framed(look)}`, line }));

function radiusOf(view: ThemeView, { values }: Exception): string | undefined {
  const read = view.read(propertyOf('frame-radius'), values['frame-radius'] ?? '');
  return read.ok && read.value.css !== '0' ? read.value.css : undefined;
}
