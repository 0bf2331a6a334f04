import { Injectable, inject, type Signal } from '@angular/core';
import { MatDialog } from '@angular/material/dialog';
import { MatSnackBar } from '@angular/material/snack-bar';
import { firstValueFrom } from 'rxjs';
import type { Theme } from '../../../../../core/theme';
import { Deleting } from '../../controls/deleting';
import { ThemeViews } from '../../controls/dressed/theme-views';
import { Api, type KeptTheme } from '../../documents/api';
import type { AcrossData } from './across-dialog';
import type { OrderData } from './order-dialog';

/** The library whose themes are changed: what it has, and its looking again. */
export interface Shelf {
  readonly items: Signal<readonly KeptTheme[]>;
  readonly load: () => Promise<void>;
}

/** What is done to several themes of the library at once; all of it can be taken back. */
@Injectable({ providedIn: 'root' })
export class Changing {
  private readonly api = inject(Api);
  private readonly views = inject(ThemeViews);
  private readonly dialog = inject(MatDialog);
  private readonly deleting = inject(Deleting);
  private readonly snackBar = inject(MatSnackBar);

  /** Puts themes into a collection and gives them tags. Tags that only some of them have stay theirs, unless they are given to all. */
  async order(
    themes: readonly KeptTheme[],
    { collections, tags: known, ...shelf }: Shelf & { readonly collections: readonly string[]; readonly tags: readonly string[] },
  ): Promise<void> {
    const { OrderDialog } = await import('./order-dialog');
    const shared = (themes[0]?.document.tags ?? []).filter((tag) => themes.every(({ document }) => document.tags?.includes(tag)));
    const lie = new Set(themes.map(({ document }) => document.collection ?? ''));
    const placed = (document: Theme, collection: string, tags: readonly string[]): Theme => {
      const { collection: before, tags: had = [], ...rest } = document;
      const all = [...had.filter((tag) => tags.includes(tag) || !shared.includes(tag)), ...tags.filter((tag) => !had.includes(tag))];
      // Of several that lie in several, nothing typed leaves each where it is.
      const into = collection === '' && lie.size > 1 ? before : collection === '' ? undefined : collection;
      return { ...rest, ...(into === undefined ? {} : { collection: into }), ...(all.length === 0 ? {} : { tags: all }) };
    };
    const data: OrderData = {
      title: themes.length === 1 ? `Where ${themes[0]?.document.name ?? ''} lies` : `Where ${themes.length} themes lie`,
      collection: lie.size === 1 ? ([...lie][0] ?? '') : '',
      tags: shared,
      collections,
      known,
      keep: ({ collection, tags }) => this.keepAll(new Map(themes.map(({ document }) => [document, placed(document, collection, tags)])), shelf),
    };
    this.dialog.open<InstanceType<typeof OrderDialog>, OrderData>(OrderDialog, { width: '460px', data });
  }

  /** Changes one swatch, font or value in several. */
  async across(themes: readonly KeptTheme[], shelf: Shelf): Promise<void> {
    const { AcrossDialog } = await import('./across-dialog');
    const data: AcrossData = { views: themes.map(({ document }) => this.views.of(document)), keep: (changed) => this.keepAll(changed, shelf) };
    this.dialog.open<InstanceType<typeof AcrossDialog>, AcrossData>(AcrossDialog, { width: '920px', maxWidth: '96vw', data });
  }

  /** Keeps themes that became others. What somebody else changed meanwhile stays as it is, and that is said. */
  private async keepAll(changed: ReadonlyMap<Theme, Theme>, shelf: Shelf, isUndo = false): Promise<boolean> {
    const before = new Map<string, Theme>();
    await this.deleting.attempt(async () => {
      for (const { id, revision, document } of shelf.items()) {
        const next = changed.get(document);
        if (next === undefined) continue;
        await firstValueFrom(this.api.save('themes', id, revision, next));
        before.set(id, document);
      }
    });
    await shelf.load();
    if (before.size > 0 && !isUndo)
      this.snackBar
        .open(before.size === 1 ? '1 theme is changed.' : `${before.size} themes are changed.`, 'Undo', { duration: 12_000 })
        .onAction()
        .subscribe(() => void this.takeBack(before, shelf));
    return before.size === changed.size;
  }

  private takeBack(before: ReadonlyMap<string, Theme>, shelf: Shelf): Promise<boolean> {
    const now = shelf.items().flatMap(({ id, document }): readonly (readonly [Theme, Theme])[] => {
      const was = before.get(id);
      return was === undefined ? [] : [[document, was]];
    });
    return this.keepAll(new Map(now), shelf, true);
  }
}
