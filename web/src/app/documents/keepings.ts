import { Injectable, inject } from '@angular/core';
import { BehaviorSubject, firstValueFrom } from 'rxjs';
import {
  applyChange,
  changeBetween,
  isNoChange,
  sharing,
  type Row,
  type SentChange,
  type SentEdit,
  type Table,
  type TableChange,
} from '../../../../core/table';
import type { Documents, KindName } from '../../../../core/documents';
import { Api, ApiError, type Kept } from './api';
import type { Keeping } from './keeping';

/** Rows that one request carries. */
const ROWS_AT_ONCE = 2000;
/** So often is a change sent again whose rows, sent ahead, a start of the server swept away. */
const TRIES = 3;

/** How far a table that is opened has come. */
export interface Coming {
  readonly rows: number;
  readonly of: number;
}

/** How documents are kept that are not sent as a whole: tables, of which only what changes goes to the server. */
@Injectable({ providedIn: 'root' })
export class Keepings {
  private readonly api = inject(Api);
  private readonly comingSubject = new BehaviorSubject<Coming | undefined>(undefined);
  /** The table that is on its way in pieces, if there is one. */
  readonly coming$ = this.comingSubject.asObservable();

  of<K extends KindName>(kind: K): Keeping<Documents[K]> | undefined {
    return this.byKind[kind];
  }

  private readonly tables: Keeping<Table> = {
    save: async (id, revision, before, after, said) => {
      const change = changeBetween(before, after);
      if (isNoChange(change)) return { revision };
      for (let tries = 1; ; tries++)
        try {
          return await firstValueFrom(this.api.patch('tables', id, revision, { change: await this.ahead(change), said }));
        } catch (error) {
          if (tries >= TRIES || !(error instanceof ApiError) || error.body['type'] !== '/problems/rows-missing') throw error;
        }
    },
    fetch: (id) => this.fetchTable(id),
    at: (id, revision) => firstValueFrom(this.api.tableAt(id, revision)),
    draft: changeBetween,
    knownParts: sharing,
    takeUp: (table, draft) => {
      try {
        return applyChange(table, draft as TableChange);
      } catch {
        return undefined;
      }
    },
  };
  private readonly byKind: { readonly [kind in KindName]?: Keeping<Documents[kind]> } = { tables: this.tables };

  /** A change whose many rows were sent ahead, and are named in it. */
  private async ahead(change: TableChange): Promise<SentChange['change']> {
    const rows: SentEdit[] = [];
    for (const edit of change.rows ?? [])
      rows.push(
        'put' in edit && edit.put.length > ROWS_AT_ONCE
          ? { at: edit.at, take: edit.take, upload: await this.sendAhead(edit.put), rows: edit.put.length }
          : edit,
      );
    return { ...change, ...(rows.length > 0 ? { rows } : {}) };
  }

  /** Sends many rows piece by piece; gives the id by which a change names them. */
  private async sendAhead(rows: readonly Row[]): Promise<string> {
    const id = crypto.randomUUID();
    for (let from = 0; from < rows.length; from += ROWS_AT_ONCE) await firstValueFrom(this.api.sendRows(id, rows.slice(from, from + ROWS_AT_ONCE)));
    return id;
  }

  /** A table, its rows piece by piece, so that no piece holds this window up. Begins again where it is changed meanwhile. */
  private async fetchTable(id: string): Promise<Kept<Table>> {
    try {
      for (;;) {
        const { rows: count, columns: _columns, ...kept } = await firstValueFrom(this.api.tableHead(id));
        const rows: Row[] = [];
        let isWhole = true;
        for (let after = 0; rows.length < count;) {
          const piece = await firstValueFrom(this.api.tableRows(id, after));
          isWhole = piece.revision === kept.revision && piece.count > 0;
          if (!isWhole) break;
          for (const row of piece.rows) rows.push(row);
          after = piece.last;
          if (count > ROWS_AT_ONCE) this.comingSubject.next({ rows: rows.length, of: count });
        }
        if (isWhole) return { ...kept, document: { ...kept.document, rows } };
      }
    } finally {
      this.comingSubject.next(undefined);
    }
  }
}
