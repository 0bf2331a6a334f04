export {
  countsInWords,
  BACKUP_FORMAT,
  backupReasons,
  readBackupHead,
  type BackupCounts,
  type BackupHead,
  type BackupReason,
  type Backups,
  type Deleted,
  type KeptBackup,
} from './backup';
export { valueInWords } from './value-words';
export { calledOf, documentKinds, kindNames, shownAs, type DocumentKind, type Documents, type KindName } from './kinds';
export {
  answers,
  type Answer,
  type Changed,
  type Done,
  type Edition,
  type EditionRef,
  type Follower,
  type Kept,
  type KeptHead,
  type KeptHouse,
  type KeptPage,
  type KeptPricing,
  type KeptTable,
  type KeptTheme,
  type Pending,
  type RowsPiece,
  type ThemeEdition,
} from './answers';
