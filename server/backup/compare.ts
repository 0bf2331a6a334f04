import { isDeepStrictEqual } from 'node:util';
import { documentKinds, kindNames } from '../../core/documents';
import type { Database } from '../database/database';
import { LIES_FOR } from '../documents/deleted';
import type { OpenBackup } from './archive';
import { layoutOf, type Layout } from './layout';
import { piecesOf, sha256 } from './pieces';

interface AnyRow {
  readonly revision?: number;
  readonly document?: { readonly name?: string };
  readonly deleted_at?: string | null;
}

/**
 * What is not as it was when a backup was made, though nobody changed it: sentences. Everything has a number that grows as it is
 * saved, editions and sets of rows are never changed: what has the same number and is not the same was spoilt, and so was what is not
 * there at all. What is younger than the backup cannot be told.
 */
export async function spoiltSince(database: Database, backup: OpenBackup, now = new Date()): Promise<readonly string[]> {
  const hashes = new Map<string, string>();
  const rows = new Map<string, readonly AnyRow[]>();
  await database.transaction(async (queries) => {
    for await (const { name, content } of piecesOf(queries)) {
      hashes.set(name, sha256(content));
      if (isCompared(layoutOf(name))) rows.set(name, rowsIn(content));
    }
  });
  const found = new Set<string>();
  /** What has another number than in the backup: its rows may be others. */
  const changed = new Set<string>();
  const isOld = now.getTime() - Date.parse(backup.head.madeAt) > LIES_FOR;
  for await (const { name, content } of backup.pieces()) {
    const layout = layoutOf(name);
    const hash = hashes.get(name);
    if (hash === sha256(content) || layout?.part === 'live') continue;
    const [folder = '', id = ''] = name.replace(/\.json$/, '').split('/');
    const what = `${folder}/${id}`;
    if (!layout || layout.folder === 'media') found.add(`A picture (${id}) is ${hash === undefined ? 'gone' : 'spoilt'}.`);
    else if (layout.folder === 'row-sets') found.add(`The rows of an edition of a table are ${hash === undefined ? 'gone' : 'spoilt'}.`);
    else if (layout.part === 'rows') {
      if (!changed.has(what)) found.add(`Rows of the table ${called(rows, what)} are ${hash === undefined ? 'gone' : 'spoilt'}.`);
    } else if (layout.part !== undefined) {
      // What was published and done is only ever added to, so that all that a backup has of it is there.
      const there = [...rows].filter(([each]) => each.startsWith(`${what}/${layout.part}-`)).flatMap(([, all]) => all);
      if (!changed.has(what) || rows.has(`${what}.json`))
        if (rowsIn(content).some((row) => !there.some((each) => isDeepStrictEqual(each, row))))
          found.add(`What was ${layout.part === 'editions' ? 'published' : 'done'} with the ${wordOf(folder)} ${called(rows, what)} is spoilt.`);
    } else {
      const [before, after] = [rowsIn(content)[0], rows.get(name)?.[0]];
      if (!after) {
        // What lies deleted is swept one day.
        if (!isOld && (before?.deleted_at ?? null) === null) found.add(`The ${wordOf(folder)} “${before?.document?.name ?? id}” is gone.`);
        changed.add(what);
      } else if (after.revision !== before?.revision) changed.add(what);
      else if (!isDeepStrictEqual(after.document, before?.document)) found.add(`The ${wordOf(folder)} “${before?.document?.name ?? id}” is spoilt.`);
    }
  }
  return [...found];
}

const isCompared = (layout: Layout | undefined): boolean =>
  layout !== undefined && layout.part !== 'rows' && layout.folder !== 'row-sets' && layout.folder !== 'media';
const rowsIn = (content: Buffer): readonly AnyRow[] => JSON.parse(content.toString('utf8')) as readonly AnyRow[];
const called = (rows: ReadonlyMap<string, readonly AnyRow[]>, what: string): string =>
  `“${rows.get(`${what}.json`)?.[0]?.document?.name ?? what.split('/')[1] ?? ''}”`;
const wordOf = (folder: string): string => {
  const kind = kindNames.find((each) => each === folder);
  return kind ? documentKinds[kind].word : 'house stylesheet';
};
