export { FILE_MOST } from './limits';
export { arrange, findingKinds, type Arranged, type Finding, type FindingKind } from './arrange';
export { bringIn } from './bring-in';
export { kindsOfColumns, type ColumnKind } from './column-kinds';
export { encodings, separators, type Brought, type Encoding, type Raw, type SourceKind, type SourceOptions } from './raw';
export { readClipboard, type Clipboard } from './read-clipboard';
export { square, tableFrom, type Intake } from './square';
