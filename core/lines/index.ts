export { edgeLines, isDrawn, lineAt, stronger, type Contender, type EdgeLines, type Line, type LineName, type Origin } from './lines';
export { cellLines, drawnSegments, outerLines, type CellLines, type OuterLines, type Segment } from './draw';
