import { HttpClient, HttpErrorResponse } from '@angular/common/http';
import { Injectable, inject } from '@angular/core';
import { catchError, throwError, type Observable } from 'rxjs';
import type { Page } from '../../../../core/page';
import type { Table } from '../../../../core/table';
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
export interface Edition {
  readonly number: number;
  readonly publishedAt: string;
}
export type Kind = 'themes' | 'tables' | 'pages';

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
  delete = (kind: Kind, id: string): Observable<unknown> => this.ask(this.http.delete(`/api/${kind}/${id}`));
  restore = <T>(kind: Kind, id: string): Observable<Kept<T>> => this.ask(this.http.post<Kept<T>>(`/api/${kind}/${id}/restore`, null));
  publishTheme = (id: string): Observable<Edition> => this.ask(this.http.post<Edition>(`/api/themes/${id}/editions`, null));
  publishPage = (id: string): Observable<Edition & { slug: string }> =>
    this.ask(this.http.post<Edition & { slug: string }>(`/api/pages/${id}/publish`, null));
  unpublishPage = (id: string): Observable<unknown> => this.ask(this.http.delete(`/api/pages/${id}/publish`));

  editions = (id: string): Observable<readonly Edition[]> => this.ask(this.http.get<readonly Edition[]>(`/api/themes/${id}/editions`));
  edition = (id: string, number: number): Observable<Theme> => this.ask(this.http.get<Theme>(`/api/themes/${id}/editions/${number}`));
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
