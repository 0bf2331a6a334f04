export { fitOf, type Fit } from './fit';
export type { Need } from './need';
export type { Measure, TypeSetting } from './measure';
export { piecesOf } from './pieces';
