export { fitOf, type Fit } from './fit';
export { stretchesOfWidth, verdictAt, type Stretch } from './widths';
export { NARROWEST, proposeSteps, type Proposal } from './propose';
export { arrangementOf } from './arrangement';
export { TURNED_HEIGHT, TURNED_LEADING, type Need } from './need';
export type { Measure, TypeSetting } from './measure';
export { leastOnPaper, surelyFits, widestMeasure, type WidthRange } from './estimate';
export { piecesOf } from './pieces';
