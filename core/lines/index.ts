export { isDrawn, lineAt, stronger, type Contender, type Line, type LineName, type Origin } from './lines';
export { bandOf, bandTrait, closedBy, columnLine, columnTraits, rowLine, type ColumnTrait, type RowEdge, type RowTrait } from './edges';
export {
  captionLines,
  cellEdges,
  cellLines,
  drawnSegments,
  frameLine,
  outerLines,
  type CellEdges,
  type CellLines,
  type EdgeLine,
  type OuterLines,
  type Segment,
} from './draw';
export { outgrown } from './row-height';
