import { HttpClient, HttpErrorResponse } from '@angular/common/http';
import { Injectable, inject } from '@angular/core';
import { catchError, throwError, type Observable } from 'rxjs';
import type { KindName } from '../../../../core/documents';
import { elsewhereAddress } from '../../../../core/compile';
import type { House } from '../../../../core/house';
import type { Page, Published, TableBlock } from '../../../../core/page';
import type { Row, Table, TableHead } from '../../../../core/table';
import type { Theme } from '../../../../core/theme';

export interface Kept<T> {
  readonly id: string;
  readonly document: T;
  readonly revision: number;
  readonly updatedAt: string;
}
export type KeptTheme = Kept<Theme> & { readonly key: string; readonly edition: number };
export type KeptTable = Kept<Table> & { readonly rows: number; readonly columns: number };
export type KeptPage = Kept<Page> & { readonly live?: { readonly slug: string; readonly number: number; readonly publishedAt: string } };
/** A table without its rows, and how many there are. */
export type KeptHead = Kept<TableHead> & { readonly rows: number; readonly columns: number };
/** Some rows of a table, and where the next ones begin. */
export interface RowsPiece {
  readonly revision: number;
  readonly rows: readonly Row[];
  readonly count: number;
  readonly last: number;
}
/** What was done to a table in one save, in words. */
export interface Done {
  readonly revision: number;
  readonly said: readonly string[];
  readonly madeAt: string;
}
export interface Edition {
  readonly number: number;
  readonly publishedAt: string;
}
/** The site's house stylesheet as it is kept. */
export interface KeptHouse {
  readonly document: House;
  readonly revision: number;
  readonly updatedAt: string;
}
/** A live page of which some placements follow a theme or a table. */
export interface Follower {
  readonly id: string;
  readonly name: string;
  readonly slug: string;
  readonly blocks: readonly TableBlock[];
}
/** Something that a page follows and that has changed since its newest edition. */
export interface Pending extends Published {
  readonly name: string;
  readonly edition: number;
  readonly others: readonly string[];
}
export type Kind = KindName;

/** A request that did not do what it was for: the server could not be reached (status 0), or it refused. */
export class ApiError extends Error {
  constructor(
    readonly status: number,
    readonly say: string,
    readonly body: Readonly<Record<string, unknown>> = {},
  ) {
    super(say);
  }
}

/** The server's API as streams. Every error that comes out is an ApiError with a sentence for the person. */
@Injectable({ providedIn: 'root' })
export class Api {
  private readonly http = inject(HttpClient);

  themes = (): Observable<readonly KeptTheme[]> => this.ask(this.http.get<readonly KeptTheme[]>('/api/themes'));
  tables = (): Observable<readonly KeptTable[]> => this.ask(this.http.get<readonly KeptTable[]>('/api/tables'));
  pages = (): Observable<readonly KeptPage[]> => this.ask(this.http.get<readonly KeptPage[]>('/api/pages'));
  get = <T>(kind: Kind, id: string): Observable<Kept<T>> => this.ask(this.http.get<Kept<T>>(`/api/${kind}/${id}`));
  create = <T>(kind: Kind, document: T): Observable<Kept<T>> => this.ask(this.http.post<Kept<T>>(`/api/${kind}`, document));
  save = <T>(kind: Kind, id: string, revision: number, document: T): Observable<Kept<T>> =>
    this.ask(this.http.put<Kept<T>>(`/api/${kind}/${id}`, document, { headers: { 'If-Match': `"${revision}"` } }));
  patch = (kind: Kind, id: string, revision: number, change: unknown): Observable<{ readonly revision: number }> =>
    this.ask(this.http.patch<{ readonly revision: number }>(`/api/${kind}/${id}`, change, { headers: { 'If-Match': `"${revision}"` } }));
  tableHead = (id: string): Observable<KeptHead> => this.ask(this.http.get<KeptHead>(`/api/tables/${id}/head`));
  tableRows = (id: string, after: number): Observable<RowsPiece> => this.ask(this.http.get<RowsPiece>(`/api/tables/${id}/rows?after=${after}`));
  /** A table with its first body rows only. */
  tablePreview = (id: string): Observable<Kept<Table>> => this.ask(this.http.get<Kept<Table>>(`/api/tables/${id}/preview`));
  sendRows = (id: string, rows: readonly Row[]): Observable<unknown> => this.ask(this.http.post(`/api/tables/${id}/upload`, rows));
  /** Makes a table of rows that were sent ahead. */
  createFromRows = (id: string, head: TableHead): Observable<KeptHead> => this.ask(this.http.post<KeptHead>(`/api/tables/${id}/from-upload`, head));
  duplicateTable = (id: string): Observable<KeptHead> => this.ask(this.http.post<KeptHead>(`/api/tables/${id}/duplicate`, null));
  tableHistory = (id: string): Observable<readonly Done[]> => this.ask(this.http.get<readonly Done[]>(`/api/tables/${id}/history`));
  tableAt = (id: string, revision: number): Observable<Table> => this.ask(this.http.get<Table>(`/api/tables/${id}/history/${revision}`));
  delete = (kind: Kind, id: string): Observable<unknown> => this.ask(this.http.delete(`/api/${kind}/${id}`));
  restore = <T>(kind: Kind, id: string): Observable<Kept<T>> => this.ask(this.http.post<Kept<T>>(`/api/${kind}/${id}/restore`, null));
  /** Publishes a theme or a table; pages of these ids stay as they are. */
  publish = (kind: 'themes' | 'tables', id: string, hold: readonly string[]): Observable<Edition> =>
    this.ask(this.http.post<Edition>(`/api/${kind}/${id}/editions`, { hold }));
  /** Live pages that would change if it were published. */
  followers = (kind: 'themes' | 'tables', id: string): Observable<readonly Follower[]> =>
    this.ask(this.http.get<readonly Follower[]>(`/api/${kind}/${id}/followers`));
  publishPage = (id: string, along: readonly Published[]): Observable<Edition & { slug: string }> =>
    this.ask(this.http.post<Edition & { slug: string }>(`/api/pages/${id}/publish`, { along }));
  pending = (id: string): Observable<readonly Pending[]> => this.ask(this.http.get<readonly Pending[]>(`/api/pages/${id}/pending`));
  unpublishPage = (id: string): Observable<unknown> => this.ask(this.http.delete(`/api/pages/${id}/publish`));

  editions = (id: string, kind: Kind = 'themes'): Observable<readonly Edition[]> =>
    this.ask(this.http.get<readonly Edition[]>(`/api/${kind}/${id}/editions`));
  pageEdition = (id: string, number: number): Observable<Page> => this.ask(this.http.get<Page>(`/api/pages/${id}/editions/${number}`));
  /** An edition of a table with its first body rows only. */
  tableEdition = (id: string, number: number): Observable<Table> => this.ask(this.http.get<Table>(`/api/tables/${id}/editions/${number}/preview`));
  edition = (id: string, number: number): Observable<Theme> => this.ask(this.http.get<Theme>(`/api/themes/${id}/editions/${number}`));
  house = (): Observable<KeptHouse> => this.ask(this.http.get<KeptHouse>('/api/house'));
  saveHouse = (revision: number, house: House): Observable<KeptHouse> =>
    this.ask(this.http.put<KeptHouse>('/api/house', house, { headers: { 'If-Match': `"${revision}"` } }));
  /** Where the neighbouring site answers; null where there is none. */
  neighbour = (): Observable<{ readonly address: string | null }> => this.ask(this.http.get<{ readonly address: string | null }>('/api/neighbour'));
  /** A live placement as other sites get it: a link to its stylesheet, then its table. */
  elsewhere = (page: string, block: string): Observable<string> => this.ask(this.http.get(elsewhereAddress(page, block), { responseType: 'text' }));
  keepPicture = (file: File): Observable<{ readonly id: string }> =>
    this.ask(
      this.http.post<{ readonly id: string }>(`/api/media?name=${encodeURIComponent(file.name)}`, file, {
        headers: { 'Content-Type': 'application/octet-stream' },
      }),
    );

  private ask<T>(request: Observable<T>): Observable<T> {
    return request.pipe(catchError((error: unknown) => throwError(() => readError(error))));
  }
}

function readError(error: unknown): ApiError {
  if (!(error instanceof HttpErrorResponse)) return new ApiError(0, 'Something went wrong in this window.');
  if (error.status === 0) return new ApiError(0, 'The server cannot be reached.');
  const body = (typeof error.error === 'string' ? parse(error.error) : error.error) as Record<string, unknown> | null;
  const detail = body?.['detail'];
  return new ApiError(error.status, typeof detail === 'string' ? detail : `The server answered ${error.status}.`, body ?? {});
}

function parse(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}
