export { TABLE_FORMAT, emptyTable, heightOf, sectionOf, sectionRows, tableOf, widthOf, type Merge, type Section, type Table } from './table';
export { gridOf, type Grid, type GridCell } from './grid';
export { columnGroups, headerRole, type HeaderRole } from './headers';
export { LIMITS, readTable, tableSchema } from './read-table';
export { previewOf } from './preview';
export { slotOf } from './slots';
export { deleteColumn, deleteRow, insertColumn, insertRow, moveColumn, moveRow, type Edited } from './edit-grid';
export { setCell, setFooterRows, setHeaderRows, setRowHeaders } from './edit-content';
export { mergeCells, splitCells } from './edit-merges';
