import { HttpClient, HttpErrorResponse } from '@angular/common/http';
import { Injectable, inject } from '@angular/core';
import { catchError, map, tap, throwError, type Observable } from 'rxjs';
import {
  answers,
  shownAs,
  type Answer,
  type Backups,
  type Changed,
  type Deleted,
  type KeptBackup,
  type Documents,
  type Done,
  type Edition,
  type Follower,
  type Kept,
  type KeptHead,
  type KeptHouse,
  type KeptPage,
  type KeptPricing,
  type KeptTable,
  type KeptTheme,
  type KindName,
  type Pending,
  type RowsPiece,
  type ThemeEdition,
} from '../../../../core/documents';
import type { House } from '../../../../core/house';
import { good, type Outcome } from '../../../../core/outcome';
import { elsewhereAddress, type Along, type Page, type Ref, type ShownKind } from '../../../../core/page';
import type { Row, Table, TableHead } from '../../../../core/table';
import type { Pricing } from '../../../../core/pricing';
import type { Theme } from '../../../../core/theme';
import { ThemeDrafts } from './theme-drafts';

/** What a placement shows: a table, or the comparison of a pricing table and that itself. */
export interface ShownNow {
  readonly table: Table;
  readonly pricing?: Pricing;
}

export type {
  Changed,
  Done,
  Edition,
  Follower,
  Kept,
  KeptHead,
  KeptHouse,
  KeptPage,
  KeptPricing,
  KeptTable,
  KeptTheme,
  Pending,
  RowsPiece,
  ThemeEdition,
};
export type Kind = KindName;
/** What pages follow. */
export type Followed = ShownKind | 'themes';

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
  private readonly drafts = inject(ThemeDrafts);
  /** What themes come by is remembered, since others may grow from them. */
  private readonly know = <K extends Kind>(kind: K, kept: Kept<Documents[K]>): void => {
    if (kind === 'themes') this.drafts.know(kept as Kept<Theme>);
  };

  themes = (): Observable<readonly KeptTheme[]> => this.get('/api/themes', answers.themes).pipe(tap((themes) => this.drafts.knowAll(themes)));
  tables = (): Observable<readonly KeptTable[]> => this.get('/api/tables', answers.tables);
  pricings = (): Observable<readonly KeptPricing[]> => this.get('/api/pricings', answers.pricings);
  pages = (): Observable<readonly KeptPage[]> => this.get('/api/pages', answers.pages);
  document = <K extends Kind>(kind: K, id: string): Observable<Kept<Documents[K]>> =>
    this.get(`/api/${kind}/${id}`, answers.kept(kind)).pipe(tap((kept) => this.know(kind, kept)));
  create = <K extends Kind>(kind: K, document: Documents[K]): Observable<Kept<Documents[K]>> =>
    this.ask(this.http.post(`/api/${kind}`, document), answers.kept(kind)).pipe(tap((kept) => this.know(kind, kept)));
  save = <K extends Kind>(kind: K, id: string, revision: number, document: Documents[K]): Observable<Kept<Documents[K]>> =>
    this.ask(this.http.put(`/api/${kind}/${id}`, document, startedFrom(revision)), answers.kept(kind)).pipe(tap((kept) => this.know(kind, kept)));
  patch = (kind: Kind, id: string, revision: number, change: unknown): Observable<{ readonly revision: number }> =>
    this.ask(this.http.patch(`/api/${kind}/${id}`, change, startedFrom(revision)), answers.revision);
  tableHead = (id: string): Observable<KeptHead> => this.get(`/api/tables/${id}/head`, answers.head);
  tableRows = (id: string, after: number): Observable<RowsPiece> => this.get(`/api/tables/${id}/rows?after=${after}`, answers.rows);
  /** A table with its first body rows only. */
  tablePreview = (id: string): Observable<Kept<Table>> => this.get(`/api/tables/${id}/preview`, answers.kept('tables'));
  sendRows = (id: string, rows: readonly Row[]): Observable<unknown> => this.ask(this.http.post(`/api/tables/${id}/upload`, rows), whatever);
  /** Makes a table of rows that were sent ahead. */
  createFromRows = (id: string, rows: number, head: TableHead): Observable<KeptHead> =>
    this.ask(this.http.post(`/api/tables/${id}/from-upload?rows=${rows}`, head), answers.head);
  duplicateTable = (id: string): Observable<KeptHead> => this.ask(this.http.post(`/api/tables/${id}/duplicate`, null), answers.head);
  tableHistory = (id: string): Observable<readonly Done[]> => this.get(`/api/tables/${id}/history`, answers.history);
  tableAt = (id: string, revision: number): Observable<Table> => this.get(`/api/tables/${id}/history/${revision}`, answers.document('tables'));
  delete = (kind: Kind, id: string): Observable<unknown> => this.ask(this.http.delete(`/api/${kind}/${id}`), whatever);
  restore = (kind: Kind, id: string): Observable<unknown> => this.ask(this.http.post(`/api/${kind}/${id}/restore`, null), whatever);
  /** Publishes what pages follow as it was seen; pages of these ids stay as they are. */
  publish = (kind: Followed, id: string, seen: number, hold: readonly string[]): Observable<Edition> =>
    this.ask(this.http.post(`/api/${kind}/${id}/editions`, { hold }, startedFrom(seen)), answers.edition);
  /** Live pages that would change if it were published. */
  followers = (kind: Followed, id: string): Observable<readonly Follower[]> => this.get(`/api/${kind}/${id}/followers`, answers.followers);
  /** Themes that one grows from, which have changed since they were published. */
  changedBelow = (id: string): Observable<readonly Changed[]> => this.get(`/api/themes/${id}/below`, answers.changed);
  publishPage = (id: string, seen: number, along: readonly Along[]): Observable<Edition & { readonly slug: string }> =>
    this.ask(this.http.post(`/api/pages/${id}/publish`, { along }, startedFrom(seen)), answers.pageEdition);
  pending = (id: string): Observable<readonly Pending[]> => this.get(`/api/pages/${id}/pending`, answers.pending);
  unpublishPage = (id: string): Observable<unknown> => this.ask(this.http.delete(`/api/pages/${id}/publish`), whatever);

  editions = (id: string, kind: Kind = 'themes'): Observable<readonly Edition[]> => this.get(`/api/${kind}/${id}/editions`, answers.editions);
  pageEdition = (id: string, number: number): Observable<Page> => this.get(`/api/pages/${id}/editions/${number}`, answers.document('pages'));
  /** What a placement shows, as it stands: a table with its first body rows only, a pricing table as its comparison. */
  shown = ({ kind, id }: Pick<Ref<ShownKind>, 'kind' | 'id'>): Observable<ShownNow> =>
    kind === 'tables'
      ? this.tablePreview(id).pipe(map(({ document: table }) => ({ table })))
      : this.document(kind, id).pipe(map(({ document: pricing }) => ({ table: shownAs(kind, pricing), pricing })));
  /** The same in an edition. */
  shownEdition = ({ kind, id }: Pick<Ref<ShownKind>, 'kind' | 'id'>, number: number): Observable<ShownNow> =>
    kind === 'tables'
      ? this.get(`/api/tables/${id}/editions/${number}/preview`, answers.document('tables')).pipe(map((table) => ({ table })))
      : this.get(`/api/pricings/${id}/editions/${number}`, answers.document('pricings')).pipe(
          map((pricing) => ({ table: shownAs(kind, pricing), pricing })),
        );
  themeEditions = (id: string): Observable<readonly ThemeEdition[]> => this.get(`/api/themes/${id}/editions`, answers.themeEditions);
  /** An edition of a theme, then the themes that it stands on, as they were in theirs. */
  themeEdition = (id: string, number: number): Observable<readonly [Theme, ...Theme[]]> =>
    this.get(`/api/themes/${id}/editions/${number}/chain`, answers.chain);
  house = (): Observable<KeptHouse> => this.get('/api/house', answers.house);
  saveHouse = (revision: number, house: House): Observable<KeptHouse> =>
    this.ask(this.http.put('/api/house', house, startedFrom(revision)), answers.house);
  /** Where the neighbouring site answers; null where there is none. */
  neighbour = (): Observable<{ readonly address: string | null }> => this.get('/api/neighbour', answers.neighbour);
  /** A live placement as other sites get it: a link to its stylesheet, then its table. */
  elsewhere = (page: string, block: string): Observable<string> =>
    this.ask(this.http.get(elsewhereAddress(page, block), { responseType: 'text' }), good);
  backups = (): Observable<Backups> => this.get('/api/backups', answers.backups);
  makeBackup = (): Observable<KeptBackup> => this.ask(this.http.post('/api/backups', null), answers.backup);
  bringBackup = (file: File): Observable<KeptBackup> =>
    this.ask(this.http.post('/api/backups/brought', file, { headers: { 'Content-Type': 'application/zip' } }), answers.backup);
  /** Gives the backup of what was there before. */
  restoreBackup = (name: string): Observable<KeptBackup> => this.ask(this.http.post(`/api/backups/${name}/restore`, null), answers.backup);
  removeBackup = (name: string): Observable<unknown> => this.ask(this.http.delete(`/api/backups/${name}`), whatever);
  deleted = (): Observable<readonly Deleted[]> => this.get('/api/deleted', answers.deleted);
  keepPicture = (file: File): Observable<{ readonly id: string }> =>
    this.ask(
      this.http.post(`/api/media?name=${encodeURIComponent(file.name)}`, file, { headers: { 'Content-Type': 'application/octet-stream' } }),
      answers.picture,
    );

  private get = <T>(address: string, read: Answer<T>): Observable<T> => this.ask(this.http.get(address), read);
  /** Asks, and reads what is answered: nothing goes on into the tool that is not what it goes by. */
  private ask<A, T>(request: Observable<A>, read: (answer: A) => Outcome<T>): Observable<T> {
    return request.pipe(
      map((answer) => {
        const outcome = read(answer);
        if (!outcome.ok) throw new ApiError(0, `The server answers as this window does not know: ${outcome.problems[0]?.say ?? ''} Load it anew.`);
        return outcome.value;
      }),
      catchError((error: unknown) => throwError(() => readError(error))),
    );
  }
}

const startedFrom = (revision: number): { readonly headers: { readonly 'If-Match': string } } => ({ headers: { 'If-Match': `"${revision}"` } });
/** For answers of which nothing is asked but that they came. */
const whatever: Answer<unknown> = good;

function readError(error: unknown): ApiError {
  if (error instanceof ApiError) return error;
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
