import { closedBy, frameLine } from '../../../lines';
import { frameBefore, framedAt, kindOf, type Exception, type GridCell, type Table } from '../../../table';
import { frameProperties, propertyOf, type ThemeView } from '../../../theme';
import { contract } from '../../markup/contract';
import type { Beside } from '../../sheet/beside';
import { bodyEnd, bodyStart, footerEnd, headerStart, type SelectorOptions } from '../../sheet/selectors';
import { shortHash } from '../../sheet/short-hash';
import { rule, type CssNode, type Declaration } from '../../sheet/stylesheet';

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
  { exceptions, merges }: Pick<Beside, 'exceptions' | 'merges'>,
  options: SelectorOptions,
): readonly CssNode[] {
  const framing = new Map(
    exceptions.filter((each) => kindOf(each) === 'column' && each.values['frame'] !== undefined).map((each) => [lookOf(each), each]),
  );
  if (framing.size === 0) return [];
  const drawn = [...framing].flatMap(([look, each]) => {
    const line = frameLine(view, each);
    return line === undefined ? [] : [{ look, line, radius: radiusOf(view, each) }];
  });
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
  ];
}

function radiusOf(view: ThemeView, { values }: Exception): string | undefined {
  const read = view.read(propertyOf('frame-radius'), values['frame-radius'] ?? '');
  return read.ok && read.value.css !== '0' ? read.value.css : undefined;
}
