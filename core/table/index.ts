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
  type TableHead,
} from './table';
export {
  cellOf,
  cutCell,
  isColour,
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
export { choiceOf, choiceText, type Choice } from './choice';
export { PLAIN_COLUMN, plainColumns, readColumnWidth, typedColumnWidth, type Column, type ColumnWidth } from './columns/column';
export { PLAIN_RULE, type ColumnRule } from './columns/column';
export {
  VALUE_MARKS_MOST,
  valueMarkKinds,
  broughtValueMarks,
  valueMarkSettings,
  isRing,
  boundOf,
  settingOf,
  type ValueMark,
  type ValueMarkKind,
  type ValueMarkSetting,
  roomOf,
} from './looks/value-mark';
export { exceptionReaches, kindOf, type Exception, type ExceptionKind } from './looks/exception';
export { coloursOf, markedValueIn, valueMarkOn, type MarkedValue } from './looks/marked-value';
export { exceptionAt, exceptionsOn } from './looks/exceptions-on';
export { frameBefore, framedAt, type Framed } from './looks/frames';
export { placesOf, setValueMarks, setExceptions, withValue } from './edit/edit-exceptions';
export { inColumnLanguage, languageIn, withColumnLanguages } from './columns/language';
export { cssWidths, equalColumns, needsContainer, setColumns, setTotals, shownTable } from './columns/columns';
export { bodyGroups, dropHeading, groupsWithin, isGroupHeading, makeHeading, rowGroupOf, rowGroups, type RowGroup } from './grid/groups';
export { gridOf, type Grid, type GridCell } from './grid/grid';
export { columnGroups, headerRole, type HeaderRole } from './grid/headers';
export { turnedTable } from './grid/turned';
export { headersOf, namedHeaders } from './grid/assignment';
export { saysTypes, typeOfColumn, withWholeTypes } from './columns/found-types';
export { bringAgain, columnNames, possibleKeys, type Again, type CellChange } from './edit/bring-again';
export { LIMITS } from './reading/limits';
export { cellProblem, rowsProblem } from './reading/read-rows';
export { gridProblem } from './reading/grid-problem';
export { readHead, readTable, upgradeColumn, upgradeTable } from './reading/read-table';
export {
  applyChange,
  backOf,
  changeBetween,
  isNoChange,
  readChange,
  sharing,
  type RowEdit,
  type SentChange,
  type SentEdit,
  type TableChange,
} from './edit/change';
export type { ColumnFrom } from './edit/change-columns';
export { cutHead, previewOf } from './grid/preview';
export { ORDINARY_BAND, heldOn, isHeaderGroup, partOfCell, slotOf, type Band, type Held } from './grid/slots';
export { goesOnBelow, holdsRows, joinsAbove } from './grid/cards';
export { isUnevenRow, marksOf, type Marks } from './grid/marks';
export { isWrong, isTotal, rememberTotal, shownCell, shownText, totalIn, valueIn, valuesOf } from './columns/shown';
export { valueConditions } from './grid/value-conditions';
export { isNegative, isNegativeCell, isNumber, isNumberCell, numberColumns, padOf, type NumberColumn } from './columns/numbers';
export { computedIn, computedTable, typedRows } from './computed/computed';
export type { Computed } from './computed/work-out';
export { formulaFunctions, readFormula, wholeFunctions, type Formula } from './computed/formula';
export { sameName, writtenName } from './computed/names';
export { readIn, readingOf, type Reading } from './columns/readings';
export { ruleProblem } from './columns/rules';
export { joinColumns, partsOf, separatorIn, splitColumn } from './edit/split-column';
export { deleteColumn, deleteRow, deleteRows, insertColumn, insertRow, type Edited } from './edit/edit-grid';
export { deleteLines, duplicateLines, insertLines, moveLines, turn, type Lines } from './edit/edit-lines';
export { narrowedTable } from './grid/narrowed';
export { inOrderOf, sortGroups } from './columns/sort-rows';
export { blockOf, clearBlock, putBlock, type Block, type Chosen, type Put } from './edit/edit-block';
export { fillBlock, putCell, setCell, setFooterRows, setHeaderRows, setRowHeaders } from './edit/edit-content';
export { mergeCells, mergeEqual, splitCells, splitTexts } from './edit/edit-merges';
export { seenAround, seenRows, type Seen, type SeenCell, type SeenRow } from './grid/window';
export { mergeAcrossGroups } from './edit/merge-groups';
export { mergeTables } from './merging/merge-tables';
