export { isDrawn, lineAt, stronger, type Contender, type Line, type LineName, type Origin } from './lines';
export { columnLine, columnTraits, rowLine, type ColumnTrait, type RowEdge, type RowTrait } from './edges';
export { cellEdges, cellLines, drawnSegments, outerLines, type CellLines, type EdgeLine, type OuterLines, type Segment } from './draw';
