export {
  JOIN_MS,
  act,
  documentAt,
  momentsOf,
  redo,
  redoLabel,
  startHistory,
  takeIn,
  undo,
  undoLabel,
  type Change,
  type History,
  type Moment,
  type Step,
  type Together,
} from './history';
export { aroundStep, goTo, logOf, newestOf, revived, type Logged } from './history-log';
export { mergeAt, takeTheirs, threeWayMerge, type Conflict, type Merged } from './merging/merge';
export { mergeThemes, takeTheirTheme } from './merging/merge-themes';
export { mergeOrder } from './merging/order';
export { dequal as same } from 'dequal/lite';
export { setExtraCss } from './extra-css';
export { inOneMode, placeInWords, resetValues, setValue, type Scope } from './edit-theme';
export {
  deleteSwatch,
  isBaseSwatch,
  moveSwatch,
  renameSwatch,
  replaceSwatch,
  setSwatch,
  usesOfSwatch,
  type Instead,
  type SwatchUse,
} from './swatches';
export { crossed, type Across, type Crossed } from './across';
export { applyBrand } from './brand';
export { staysBehind, takenAlong, type Behind } from './behind';
export { baseInWords, changesBetween, type ThemeChange } from './changes';
export { detached, grownFrom, laterVersion, lookChanges, sprout, type Detached } from './bases';
export { addWidthStep, changeWidthStep, deleteWidthStep, stepBelow } from './width-steps';
export { removeStep, renameStep, setScale, setStep } from './type-scale';
