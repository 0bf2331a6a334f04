import { array, number, object, string, type Schema } from 'yup';
import type { Outcome } from '../outcome';
import { checkShape } from '../problems-of';
import type { KindName } from './kinds';

/** The form of a backup: a ZIP file with `backup.json`, which is a BackupHead, and the files that it lists. */
export const BACKUP_FORMAT = 'zest-backup/1';

/** Why a backup was made: by the schedule, because somebody asked, before a restore replaced everything, or it was brought in as a file. */
export const backupReasons = ['schedule', 'asked', 'before-restore', 'brought-in'] as const;
export type BackupReason = (typeof backupReasons)[number];

/** How many of each there are, what lies deleted left out. */
export interface BackupCounts {
  readonly themes: number;
  readonly tables: number;
  readonly pages: number;
  readonly pictures: number;
  /** Missing where there are none, as in all backups from before there were any. */
  readonly pricings?: number;
}

const many = (count: number, one: string): string => `${count.toLocaleString('en')} ${one}${count === 1 ? '' : 's'}`;

/** What a backup holds: `7 themes, 8 tables, 2 pages and 1 picture`. */
export function countsInWords({ themes, tables, pages, pictures, pricings = 0 }: BackupCounts): string {
  const also = pricings === 0 ? [] : [many(pricings, 'pricing table')];
  return `${[many(themes, 'theme'), many(tables, 'table'), ...also, many(pages, 'page')].join(', ')} and ${many(pictures, 'picture')}`;
}

/** What a backup says of itself. */
export interface BackupHead {
  readonly format: typeof BACKUP_FORMAT;
  /** When it was begun: it holds everything as it was then (ISO 8601). */
  readonly madeAt: string;
  readonly reason: BackupReason;
  /** The migrations of the data that it was made of, in their order. */
  readonly schema: readonly string[];
  readonly counts: BackupCounts;
  /** Its files, each with its size in bytes and its SHA-256 in hexadecimal digits, in the order in which they are read. */
  readonly files: readonly { readonly name: string; readonly bytes: number; readonly sha256: string }[];
}

/** A backup as the tool lists it. */
export interface KeptBackup {
  /** Its file's name. */
  readonly name: string;
  readonly madeAt: string;
  readonly reason: BackupReason;
  readonly bytes: number;
  readonly counts: BackupCounts;
}

/** The backups there are, and how keeping them goes. */
export interface Backups {
  /** The folder in which they lie; null where none are kept by themselves. */
  readonly folder: string | null;
  readonly kept: readonly KeptBackup[];
  /** Why the last one could not be made; an empty text if it could. */
  readonly trouble: string;
  /** What is not as it was when the last backup was made, though nobody changed it: sentences. */
  readonly damage: readonly string[];
  readonly counts: BackupCounts;
}

/** Something that was deleted and can be brought back. */
export interface Deleted {
  readonly kind: KindName;
  readonly id: string;
  readonly name: string;
  readonly deletedAt: string;
}

const text = string().required();
const whole = number().required().integer().min(0);
const countsSchema = object({ themes: whole, tables: whole, pages: whole, pictures: whole, pricings: number().integer().min(0) }).noUnknown();
export const backupShapes = {
  kept: object({ name: text, madeAt: text, reason: text.oneOf(backupReasons), bytes: whole, counts: countsSchema }),
  counts: countsSchema,
};
const headSchema = object({
  format: text.oneOf([BACKUP_FORMAT], 'It is not a backup of Zest Pane in the form zest-backup/1.'),
  madeAt: text.matches(/^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d(\.\d{1,6})?Z$/, 'When it was made is no date.'),
  reason: text.oneOf(backupReasons),
  schema: array().required().of(text.max(80)).min(1).max(1000),
  counts: countsSchema,
  files: array()
    .required()
    .max(5_000_000)
    .of(
      object({
        name: text.max(200).matches(/^[\w-]+(\/[\w.%~-]+){1,3}$/, 'A file in it has a name that backups do not have.'),
        bytes: whole.max(2_000_000_000),
        sha256: text.matches(/^[0-9a-f]{64}$/, 'A file in it has no SHA-256.'),
      }),
    ),
});

/** Reads what a backup says of itself. */
export const readBackupHead = (json: unknown): Outcome<BackupHead> => checkShape(headSchema as unknown as Schema<BackupHead>, json);
