export {
  TABLE_FORMAT,
  captionAligns,
  captionSides,
  decimalMarks,
  emptyTable,
  heightOf,
  sectionOf,
  sectionRows,
  tableKinds,
  tableOf,
  widthOf,
  type Merge,
  type Section,
  type Table,
  type TableKind,
} from './table';
export {
  cellOf,
  cutCell,
  isPictureAddress,
  isSafeAddress,
  isSameCell,
  joinCells,
  markKinds,
  marksIn,
  retype,
  paragraphsOf,
  stretchesOf,
  textOf,
  textsOf,
  type Cell,
  type Mark,
  type MarkKind,
  type RichText,
  type Stretch,
  type Row,
} from './cell';
export { PLAIN_COLUMN, plainColumns, readColumnWidth, typedColumnWidth, type Column, type ColumnWidth } from './column';
export { PLAIN_RULE, type ColumnRule } from './column';
export {
  DRESSINGS_MOST,
  dressingDefaults,
  dressingKinds,
  dressingSettings,
  isRing,
  settingOf,
  type Dressing,
  type DressingKind,
  type DressingSetting,
} from './dressing';
export { exceptionReaches, kindOf, type Exception, type ExceptionKind } from './exception';
export { coloursOf, dressedIn, dressingOn, type Dressed } from './dressed';
export { exceptionAt, exceptionsOn } from './exceptions-on';
export { placesOf, setDressings, setExceptions, withValue } from './edit-exceptions';
export { cssWidths, equalColumns, needsContainer, setColumns, setTotals, shownTable } from './columns';
export { bodyGroups, dropHeading, groupsWithin, isGroupHeading, makeHeading, rowGroupOf, rowGroups, type RowGroup } from './groups';
export { gridOf, type Grid, type GridCell } from './grid';
export { columnGroups, headerRole, type HeaderRole } from './headers';
export { TURNED_MOST, turnedTable } from './turned';
export { headersOf, namedHeaders } from './assignment';
export { saysTypes, typeOfColumn, withWholeTypes } from './found-types';
export { bringAgain, columnNames, possibleKeys, type Again, type CellChange } from './bring-again';
export { LIMITS, cellProblem, gridProblem, readHead, readTable, rowsProblem, tableSchema, type TableHead } from './read-table';
export {
  applyChange,
  backOf,
  changeBetween,
  isNoChange,
  readChange,
  sharing,
  weightOf,
  type RowEdit,
  type SentChange,
  type SentEdit,
  type TableChange,
} from './change';
export { cutHead, previewOf } from './preview';
export { ORDINARY_BAND, heldOn, isHeaderGroup, partOfCell, slotOf, type Band, type Held } from './slots';
export { isUnevenRow, marksOf, type Marks } from './marks';
export { isWrong, isTotal, rememberTotal, shownCell, shownText, totalIn, valueIn, valuesOf } from './shown';
export { isNegative, isNegativeCell, isNumber, isNumberCell, numberColumns, padOf, type NumberColumn } from './numbers';
export { NO_VALUE, computedIn, computedTable, type Computed } from './computed';
export { formulaFunctions, readFormula, wholeFunctions, type Formula } from './formula';
export { readIn, readingOf, type Reading } from './readings';
export { ruleProblem } from './rules';
export { deleteColumn, deleteRow, deleteRows, insertColumn, insertRow, type Edited } from './edit-grid';
export { deleteLines, duplicateLines, insertLines, moveLines, turn, type Lines } from './edit-lines';
export { narrowedTable } from './narrowed';
export { inOrderOf, sortGroups } from './sort-rows';
export { blockOf, clearBlock, putBlock, type Block, type Chosen, type Put } from './edit-block';
export { putCell, setCell, setFooterRows, setHeaderRows, setRowHeaders } from './edit-content';
export { mergeCells, mergeEqual, splitCells } from './edit-merges';
export { seenAround, seenRows, type Seen, type SeenCell, type SeenRow } from './window';
