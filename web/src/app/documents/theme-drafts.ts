import { Injectable, computed, signal } from '@angular/core';
import type { Kept } from '../../../../core/documents';
import type { Theme } from '../../../../core/theme';

/** Themes as they were last heard of from the server, by their ids: what others grow from. */
@Injectable({ providedIn: 'root' })
export class ThemeDrafts {
  private readonly kept = signal<ReadonlyMap<string, Kept<Theme>>>(new Map());

  /** A theme, or undefined for one that was not heard of. Changes as it does. */
  readonly find = (id: string): Theme | undefined => this.kept().get(id)?.document;

  /** All that were heard of. Changes as they do. */
  readonly all = computed(() => [...this.kept().values()]);

  /** Takes in what the server said of some; of what is known in the same revision nothing changes. */
  know(...themes: readonly Kept<Theme>[]): void {
    const newer = themes.filter(({ id, revision }) => revision > (this.kept().get(id)?.revision ?? 0));
    if (newer.length > 0) this.kept.update((kept) => new Map([...kept, ...newer.map((each) => [each.id, each] as const)]));
  }

  /** Takes in all that there are: others are there no more. */
  knowAll(themes: readonly Kept<Theme>[]): void {
    this.know(...themes);
    const there = new Set(themes.map(({ id }) => id));
    if (this.all().some(({ id }) => !there.has(id))) this.kept.update((kept) => new Map([...kept].filter(([id]) => there.has(id))));
  }
}
