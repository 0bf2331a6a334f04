import { Injectable, inject } from '@angular/core';
import { EMPTY, catchError, filter, merge, mergeMap, type Observable } from 'rxjs';
import { isThemeBase, starterBases, type Base, type Bases, type Theme } from '../../../../../core/theme';
import { Api } from '../../documents/api';
import { Changes } from '../../documents/changes';
import { ThemeDrafts } from '../../documents/theme-drafts';

/**
 * What themes grow from: what ships, and other themes as they are in the tool now, whichever window changes them. What was not heard
 * of yet is asked for, and comes when it comes.
 */
@Injectable({ providedIn: 'root' })
export class ThemeBases implements Bases {
  readonly ground = starterBases.ground;
  readonly names = starterBases.names;
  private readonly drafts = inject(ThemeDrafts);
  private readonly api = inject(Api);
  private readonly changes = inject(Changes);
  private readonly asked = new Set<string>();
  private isFollowing = false;

  readonly find = (base: Base): Theme | undefined => {
    if (!isThemeBase(base)) return starterBases.find(base);
    const known = this.drafts.find(base.theme);
    if (!known) this.fetch(base.theme);
    this.follow();
    return known;
  };

  private fetch(id: string): void {
    if (this.asked.has(id)) return;
    this.asked.add(id);
    // Not while something is being worked out. What comes is taken in by the API.
    queueMicrotask(() => quietly(this.api.document('themes', id)).subscribe(() => this.asked.delete(id)));
  }

  /** From the first theme on that grows from another: what happens to any is heard of. */
  private follow(): void {
    if (this.isFollowing) return;
    this.isFollowing = true;
    const saved = this.changes.all$.pipe(
      filter(({ kind, what }) => kind === 'theme' && what === 'saved'),
      mergeMap(({ id }) => quietly(this.api.document('themes', id))),
    );
    merge(saved, this.changes.again$.pipe(mergeMap(() => quietly(this.api.themes())))).subscribe();
  }
}

/** Should the server not answer, it is asked again when something happens. */
const quietly = <T>(request: Observable<T>): Observable<T> => request.pipe(catchError(() => EMPTY));
