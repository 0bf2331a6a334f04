export { JOIN_MS, act, redo, redoLabel, startHistory, undo, undoLabel, type Change, type History, type Step } from './history';
export { same, takeTheirs, threeWayMerge, type Conflict, type Merged } from './merge';
export { deleteSwatch, isBaseSwatch, placeInWords, renameSwatch, setSwatch, setValue } from './edit-theme';
