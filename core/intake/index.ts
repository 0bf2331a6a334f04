export { FILE_MOST } from './limits';
export { arrange, type Arranged, type Below, type Chosen, type Finding, type FindingKind } from './arrange';
export { bringIn, type Brought } from './bring-in';
export { sourceEndings, sourceKinds, type SourceKind } from './endings';
export { decimalOf } from './decimal';
export { encodings, quotes, separators, type Encoding, type Progress, type Quote, type Raw, type SourceOptions } from './raw';
export { readClipboard, type Clipboard } from './readers/read-clipboard';
export { square, tableFrom, type Intake } from './square';
export { entryNames, isZip, plainPackage } from './readers/zip';
