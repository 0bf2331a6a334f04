import { randomUUID } from 'node:crypto';
import {
  backOf,
  applyChange,
  changeBetween,
  cutHead,
  readHead,
  widthOf,
  type Row,
  type RowEdit,
  type SentChange,
  type Table,
  type TableChange,
  type TableHead,
} from '../../core/table';
import { freeName } from '../../core/free-name';
import { documentKinds, type Done, type Edition, type Kept, type KeptHead } from '../../core/documents';
import type { Database, Queries } from '../database/database';
import { DocumentStore, keptOf } from '../documents/store';
import { Refusal, invalid } from '../problems';
import { TableEditions } from './editions';
import { TableRows } from './rows';

interface HeadRow {
  id: string;
  document: TableHead;
  revision: number;
  updated_at: Date | string;
  row_count: number;
  column_count: number;
}
const headColumns = 'id, document, revision, updated_at, row_count, column_count';
const headOf = (row: HeadRow): KeptHead => ({ ...keptOf(row), rows: row.row_count, columns: row.column_count });
const splitTable = ({ rows, ...head }: Table): { readonly head: TableHead; readonly rows: readonly Row[] } => ({ head, rows });

/**
 * Tables: the document without its rows in one place, the rows one by one in another, so that an edit writes what it
 * changes and no more; and what was done to each, with the way back.
 */
export class TableStore extends DocumentStore<Table> {
  readonly editions = new TableEditions(this.database);

  constructor(database: Database) {
    super(database, { kind: documentKinds.tables });
  }

  override async list(): Promise<readonly Kept<Table>[]> {
    const heads = await this.database.query<HeadRow>(`select ${headColumns} from tables where deleted_at is null order by updated_at desc, id`);
    return Promise.all(heads.map(async (row) => this.whole(headOf(row), this.database)));
  }

  /** Every table with its header, its first body rows and its footer, last changed first. */
  async previews(bodyRows: number, id?: string): Promise<readonly (KeptHead & { readonly document: Table })[]> {
    const heads = await this.database.query<HeadRow & { shown: readonly Row[]; closing: readonly Row[] }>(
      `select ${headColumns},
         (select coalesce(jsonb_agg(cells order by place), '[]') from (select place, cells from table_rows where table_id = t.id order by place
            limit least((document ->> 'headerRows')::int + $1, row_count - (document ->> 'footerRows')::int)) a) as shown,
         (select coalesce(jsonb_agg(cells order by place), '[]') from (select place, cells from table_rows where table_id = t.id order by place desc
            limit (document ->> 'footerRows')::int) b) as closing
       from tables t where deleted_at is null and ($2::text is null or id = $2) order by updated_at desc, id`,
      [bodyRows, id ?? null],
    );
    return heads.map((row) => {
      const rows = [...row.shown, ...row.closing];
      return { ...headOf(row), document: { ...cutHead(row.document, row.shown.length, row.row_count - rows.length), rows } };
    });
  }

  /** One table with so many body rows. */
  async preview(id: string, bodyRows: number): Promise<KeptHead & { readonly document: Table }> {
    const [found] = await this.previews(bodyRows, id);
    if (!found) throw this.missing(id);
    return found;
  }

  async head(id: string, queries: Queries = this.database): Promise<KeptHead> {
    const [row] = await queries.query<HeadRow>(`select ${headColumns} from tables where id = $1 and deleted_at is null`, [id]);
    if (!row) throw this.missing(id);
    return headOf(row);
  }

  override async get(id: string, queries: Queries = this.database): Promise<Kept<Table>> {
    return this.whole(await this.head(id, queries), queries);
  }

  /** Some rows behind a place, as JSON text. */
  rowsAfter = (id: string, place: number, most: number): Promise<{ readonly json: string; readonly count: number; readonly last: number }> =>
    new TableRows(this.database).after(id, place, most);

  override async create(document: Table, id: string = randomUUID()): Promise<Kept<Table>> {
    const { head, rows } = splitTable(document);
    return this.database.transaction(async (queries) => {
      const kept = await insertHead(queries, id, head, rows.length, widthOf(document));
      await new TableRows(queries).append(id, rows);
      return { ...kept, document };
    });
  }

  /** Rows of a table that is on its way, piece by piece. Until the table itself comes they belong to nobody. */
  async upload(id: string, rows: readonly Row[]): Promise<void> {
    const [known] = await this.database.query('select 1 from tables where id = $1', [id]);
    if (known) throw new Refusal('invalid', 'These rows have come in already.');
    await new TableRows(this.database).append(id, rows);
  }

  /** Makes a table of rows that were sent ahead under its id; refuses `rows-missing` where not so many came as were sent. */
  async createFrom(id: string, json: unknown, sent?: number): Promise<KeptHead> {
    return this.database.transaction(async (queries) => {
      const rows = new TableRows(queries);
      allCame(sent, await rows.count(id));
      const { height, width } = await measured(queries, rows, id);
      const read = readHead(json, height, width);
      if (!read.ok) throw invalid(read.problems);
      return insertHead(queries, id, read.value, height, width);
    });
  }

  /** A copy under a name of its own. */
  async duplicate(id: string): Promise<KeptHead> {
    const copy = randomUUID();
    return this.database.transaction(async (queries) => {
      const { document, rows, columns } = await this.head(id, queries);
      await queries.query('insert into table_rows (table_id, place, cells) select $2, place, cells from table_rows where table_id = $1', [id, copy]);
      const names = await queries.query<{ name: string }>("select document ->> 'name' as name from tables where deleted_at is null");
      const name = freeName(
        `${document.name} copy`,
        names.map((each) => each.name),
      );
      return insertHead(queries, copy, { ...document, name }, rows, columns);
    });
  }

  /** Drops rows that were sent ahead of a table that never came. */
  async dropStray(): Promise<void> {
    await this.database.query('delete from table_rows where table_id not in (select id from tables)');
  }

  override async save(id: string, revision: number, document: Table): Promise<Kept<Table>> {
    const kept = await this.database.transaction(async (queries) => {
      const before = await this.claimed(id, revision, queries);
      const old = await this.whole(before, queries);
      const { head, rows } = splitTable(document);
      await new TableRows(queries).clear(id);
      await new TableRows(queries).append(id, rows);
      return record(queries, before, head, rows.length, widthOf(document), ['save the whole table'], [changeBetween(document, old.document)], true);
    });
    this.saySaved(kept);
    return { ...kept, document };
  }

  /** Makes a change to what is kept, and to nothing else. Refuses `changed-elsewhere` with the revision as it stands. */
  async change(id: string, revision: number, { change, said }: SentChange): Promise<KeptHead> {
    const kept = await this.database.transaction(async (queries) => {
      const before = await this.claimed(id, revision, queries);
      const rows = new TableRows(queries);
      let [height, width] = [before.rows, before.columns];
      let back: RowEdit[] = [];
      let columnsBack: TableChange['columns'];
      if (change.columns) {
        const done = await rows.columns(id, width, change.columns);
        if ('lacking' in done) throw new Refusal('invalid', done.lacking);
        [columnsBack, width] = [done.back, change.columns.length];
      }
      const edits = change.rows ?? [];
      for (let i = 0; i < edits.length; i++) {
        const edit = edits[i];
        if (!edit) continue;
        if ('cells' in edit) {
          // Those of many rows go together: one by one, a filled column would take minutes.
          const together = cellEditsFrom(edits, i);
          const done = await rows.setCells(id, together);
          if ('lacking' in done) throw new Refusal('invalid', `There is no such cell in row ${done.lacking.at + 1}.`);
          back = [...done.back, ...back];
          i += together.length - 1;
          continue;
        }
        if ('order' in edit) {
          if (!(await rows.reorder(id, edit.at, edit.order)))
            throw new Refusal('invalid', `There are ${height} rows, not ${edit.at + edit.order.length}.`);
          back.unshift({ at: edit.at, order: backOf(edit.order) });
          continue;
        }
        if (edit.at + edit.take > height) throw new Refusal('invalid', `There are ${height} rows, not ${edit.at + edit.take}.`);
        const { taken, count } = await rows.splice(id, edit.at, edit.take, 'upload' in edit ? { upload: edit.upload } : edit.put);
        if ('upload' in edit) {
          allCame(edit.rows, count);
          await rows.clear(edit.upload);
        }
        height += count - edit.take;
        back.unshift({ at: edit.at, take: count, put: taken });
      }
      if (change.rows?.some((edit) => 'take' in edit) === true) ({ height, width } = await measured(queries, rows, id));
      const read = readHead({ ...before.document, ...change.head }, height, width);
      if (!read.ok) throw invalid(read.problems);
      const { head } = changeBetween({ ...read.value, rows: [] }, { ...before.document, rows: [] });
      const undone: TableChange = { ...(head ? { head } : {}), ...(back.length > 0 ? { rows: back } : {}) };
      // What was done last is taken back first.
      const steps = columnsBack ? [undone, { columns: columnsBack }] : [undone];
      return record(queries, before, read.value, height, width, said, steps, change.rows !== undefined || change.columns !== undefined);
    });
    this.saySaved(kept);
    return kept;
  }

  /** What was done to a table, newest first. */
  async history(id: string): Promise<readonly Done[]> {
    await this.head(id);
    const rows = await this.database.query<{ revision: number; said: readonly string[]; made_at: Date | string }>(
      'select revision, said, made_at from table_changes where table_id = $1 order by revision desc',
      [id],
    );
    return rows.map(({ revision, said, made_at }) => ({ revision, said, madeAt: new Date(made_at).toISOString() }));
  }

  /** The table as it was at an earlier revision. Refuses `not-found` where the way back does not reach so far. */
  async at(id: string, revision: number): Promise<Table> {
    const now = await this.get(id);
    const steps = await this.database.query<{ back: readonly TableChange[] }>(
      'select back from table_changes where table_id = $1 and revision > $2 order by revision desc',
      [id, revision],
    );
    if (revision < 1 || steps.length !== now.revision - revision)
      throw new Refusal('not-found', `There is no way back to revision ${revision} of this table.`);
    return steps.flatMap(({ back }) => back).reduce((table, change) => applyChange(table, change), now.document);
  }

  /** The table as it stands becomes its next edition. Refuses `not-found`. */
  async publish(id: string, queries?: Queries): Promise<Edition> {
    const edition = await this.editions.publish(id, queries);
    if (!edition) throw this.missing(id);
    return edition;
  }

  private async whole(kept: KeptHead, queries: Queries): Promise<Kept<Table>> {
    const { rows: _rows, columns: _columns, ...rest } = kept;
    return { ...rest, document: { ...kept.document, rows: await new TableRows(queries).all(kept.id) } };
  }

  /** The head as it stands, locked for this transaction, if the caller started from it. */
  private async claimed(id: string, revision: number, queries: Queries): Promise<KeptHead> {
    const [row] = await queries.query<HeadRow>(`select ${headColumns} from tables where id = $1 and deleted_at is null for update`, [id]);
    if (!row) throw this.missing(id);
    const kept = headOf(row);
    if (kept.revision === revision) return kept;
    const { document, ...current } = kept;
    throw new Refusal('changed-elsewhere', `“${document.name}” was saved in another window in the meantime.`, { current });
  }
}

/** Rows that are sent ahead belong to nobody yet: a start in between sweeps them away, and then some may be here and some not. */
function allCame(sent: number | undefined, came: number): void {
  if (sent !== undefined && sent !== came)
    throw new Refusal('rows-missing', `Of ${sent} rows that were sent ahead, ${came} are here. Send them again.`);
}

/** The edits of cells that follow each other from one on. */
function cellEditsFrom(edits: NonNullable<SentChange['change']['rows']>, from: number): readonly Extract<RowEdit, { readonly cells: unknown }>[] {
  const found: Extract<RowEdit, { readonly cells: unknown }>[] = [];
  for (let i = from; i < edits.length; i++) {
    const edit = edits[i];
    if (!edit || !('cells' in edit)) break;
    found.push(edit);
  }
  return found;
}

async function insertHead(queries: Queries, id: string, head: TableHead, height: number, width: number): Promise<KeptHead> {
  const [row] = await queries.query<HeadRow>(
    `insert into tables (id, document, row_count, column_count) values ($1, $2, $3, $4) returning ${headColumns}`,
    [id, JSON.stringify(head), height, width],
  );
  if (!row) throw new Error('The new row did not come back');
  return headOf(row);
}

/** How many rows there are and how wide they all are. Refuses rows of different widths. */
async function measured(queries: Queries, rows: TableRows, id: string): Promise<{ readonly height: number; readonly width: number }> {
  const [found] = await queries.query<{ least: number | null; most: number | null }>(
    'select min(jsonb_array_length(cells))::int as least, max(jsonb_array_length(cells))::int as most from table_rows where table_id = $1',
    [id],
  );
  const height = await rows.count(id);
  if (height === 0) throw new Refusal('invalid', 'A table has at least one row.');
  if (found?.least !== found?.most) throw new Refusal('invalid', 'Every row has the same number of cells, at least one.');
  return { height, width: found?.most ?? 0 };
}

async function record(
  queries: Queries,
  before: KeptHead,
  head: TableHead,
  height: number,
  width: number,
  said: readonly string[],
  back: readonly TableChange[],
  isOfRows: boolean,
): Promise<KeptHead> {
  const [row] = await queries.query<HeadRow>(
    `update tables set document = $2, revision = revision + 1, updated_at = now(), row_count = $3, column_count = $4,
       rows_id = case when $5 then null else rows_id end
     where id = $1 returning ${headColumns}`,
    [before.id, JSON.stringify(head), height, width, isOfRows],
  );
  if (!row) throw new Error('The saved row did not come back');
  await queries.query('insert into table_changes (table_id, revision, said, back) values ($1, $2, $3, $4)', [
    before.id,
    row.revision,
    JSON.stringify(said),
    JSON.stringify(back),
  ]);
  return headOf(row);
}
