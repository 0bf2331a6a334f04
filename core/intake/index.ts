export { FILE_MOST } from './limits';
export { arrange, findingKinds, type Arranged, type Below, type Finding, type FindingKind } from './arrange';
export { bringIn, type Progress } from './bring-in';
export { decimalOf } from './decimal';
export { encodings, quotes, separators, type Brought, type Encoding, type Quote, type Raw, type SourceKind, type SourceOptions } from './raw';
export { readClipboard, type Clipboard } from './readers/read-clipboard';
export { square, tableFrom, type Intake } from './square';
