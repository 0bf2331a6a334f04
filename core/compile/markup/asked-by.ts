import { piecesOf } from '../../fit';
import { propertyOf, everyLook, type ThemeView } from '../../theme';
import { isGroupHeading, isNumberCell, textOf, valueMarkOn, type GridCell, type Table } from '../../table';
import { boxesRows } from '../rules/row-rules';
import { cutsTexts, readsOtherwise } from '../rules/inner-rules';
import { leavesOut, stacks, turns } from '../rules/arrangement-rules';

/** What the markup of a table has to have for the theme that dresses it, at whatever width and in whatever mode it is looked at. */
export interface AskedFor {
  /** Whether cells have the labels that rows need to be stacked, and roles that hold while they are. */
  readonly labelled?: boolean;
  /** Whether columns say whether they give way, and rows open to what was left out. */
  readonly fewer?: boolean;
  /** Whether a short table that visitors do not use stands beside itself with its rows as columns. */
  readonly turned?: boolean;
  /** Whether the texts of header cells stand in an element that can be turned. */
  readonly reads?: boolean;
  /** Whether rows say which of them a merged cell holds together, since they are boxes. */
  readonly cards?: boolean;
  /** The fewest lines after which texts of body cells are cut; without it none are. */
  readonly cut?: number;
}

export const askedBy = (view: ThemeView | undefined, table: Table): AskedFor =>
  view === undefined
    ? {}
    : {
        labelled: stacks(view),
        fewer: leavesOut(view),
        turned: turns(view),
        reads: readsOtherwise(view),
        cards: boxesRows(view),
        cut: fewestLines(view, table),
      };

const lines = propertyOf('lines-shown');

/** The fewest lines after which anything of a table in a theme is cut. */
function fewestLines(view: ThemeView, { exceptions }: Table): number | undefined {
  if (!cutsTexts(view, exceptions)) return undefined;
  const looks = everyLook(view);
  const values = looks.flatMap((look) => [
    ...lines.parts.map((part) => look.valueAt({ part, condition: 'rest' }, lines)),
    ...exceptions.flatMap(({ values: { [lines.name]: text } }) => {
      const read = text === undefined ? undefined : look.read(lines, text);
      return read?.ok ? [read.value] : [];
    }),
  ]);
  const counts = values.flatMap((value) => (value?.kind === 'number' ? [value.amount] : []));
  return counts.length === 0 ? undefined : Math.min(...counts);
}

/**
 * Whether a cell's text may be longer than so many lines: no line is broken but between two of its pieces. A text with a link is never
 * cut, since the link could not be reached; nor are names of rows, numbers and value marks.
 */
export function mayBeCut(table: Table, cell: GridCell, most: number): boolean {
  if (cell.section !== 'body' || cell.isRowHeader || isGroupHeading(table, cell.row)) return false;
  if (isNumberCell(table, cell) || valueMarkOn(table, cell) !== undefined) return false;
  return !cell.marks.some(({ kind }) => kind === 'link' || kind === 'picture') && piecesOf(textOf(cell.text)).length > most;
}
