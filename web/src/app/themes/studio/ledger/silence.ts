import { gridOf, partOfCell, numberColumns, type Table } from '../../../../../../core/table';
import { outsideParts, partOf, type ConditionName, type PartName, type ThemeView } from '../../../../../../core/theme';
import { sidesOf, type RowName } from '../../../values/rows';

/** Why what is set for the picked parts shows nothing at the moment; empty where it shows. */
export function silenceOf(view: ThemeView, parts: readonly PartName[], table: Table, hasCards = false): string {
  const off = parts.filter((part) => view.isOff(part)).map((part) => partOf(part).label);
  if (off.length > 0) return `The own look of ${off.join(' and ').toLowerCase()} is off: what is set here does nothing until it is on.`;
  const lacking = parts.filter((part) => !isIn(table, part, hasCards)).map((part) => partOf(part).label.toLowerCase());
  return lacking.length > 0 ? `The table that is shown has no ${lacking.join(' and no ')}: choose another to see it.` : '';
}

/** That the extra CSS says the value that has the focus, where it does; empty where it does not. */
export function beatenByCss(view: ThemeView, parts: readonly PartName[], condition: ConditionName, row: RowName): string {
  const [own] = view.extras;
  const lines = parts.flatMap((part) => sidesOf(row).flatMap((side) => own?.lineOf(part, condition, side) ?? []));
  return lines.length === 0 ? '' : `Line ${lines[0]} of the extra CSS says this value: what is set here does nothing until it says so no more.`;
}

function isIn(table: Table, part: PartName, hasCards: boolean): boolean {
  if (partOf(part).box === 'cards') return hasCards;
  if (part === 'caption') return table.caption !== '';
  const columns = numberColumns(table);
  if (part === 'numbers') return columns.some(({ isNumeric }) => isNumeric);
  if (partOf(part).box !== 'cells' || outsideParts.includes(part)) return true;
  return gridOf(table).rows.some((cells) => cells.some((cell) => partOfCell(table, cell) === part));
}
