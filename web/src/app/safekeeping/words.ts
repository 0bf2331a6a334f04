import type { BackupReason } from '../../../../core/documents';

/** Why a backup was made, after its time. */
export const reasonsInWords: { readonly [reason in BackupReason]: string } = {
  schedule: 'by itself',
  asked: 'asked for',
  'before-restore': 'before a restore',
  'brought-in': 'brought in',
};

/** A file's size in the unit that fits. */
export const sizeInWords = (bytes: number): string =>
  bytes < 1_000_000 ? `${Math.max(1, Math.round(bytes / 1000))} kB` : `${(bytes / 1_000_000).toLocaleString('en', { maximumFractionDigits: 1 })} MB`;
