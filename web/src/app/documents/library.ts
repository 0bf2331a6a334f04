import { Directive, inject, signal } from '@angular/core';
import { MatDialog } from '@angular/material/dialog';
import { Router } from '@angular/router';
import { firstValueFrom, type Observable } from 'rxjs';
import { calledOf, documentKinds, type Documents, type KindName } from '../../../../core/documents';
import { freeName } from '../../../../core/free-name';
import { Deleting } from '../controls/deleting';
import { askName } from '../controls/name-dialog';
import { Api, type Kept } from './api';

/** What a library of a kind of documents has, whatever the kind: all of them, a search in what is said of each, and what is done to one. */
@Directive()
export abstract class Library<K extends KindName, Item extends Kept<Documents[K]>> {
  protected readonly api = inject(Api);
  protected readonly router = inject(Router);
  protected readonly dialog = inject(MatDialog);
  protected readonly deleting = inject(Deleting);
  protected readonly items = signal<readonly Item[]>([]);
  protected readonly loaded = signal(false);
  protected readonly search = signal('');

  protected abstract readonly kind: K;
  /** Asks for all of them. */
  protected abstract readonly ask: () => Observable<readonly Item[]>;
  /** Everything that a search looks in. */
  protected abstract said(item: Item): readonly string[];

  protected async load(): Promise<void> {
    this.items.set((await this.deleting.attempt(() => firstValueFrom(this.ask()))) ?? this.items());
    this.loaded.set(true);
  }

  /** How many there are: `3 themes`. */
  protected count(): string {
    const { word, words } = documentKinds[this.kind];
    return this.items().length === 1 ? `1 ${word}` : `${this.items().length} ${words}`;
  }

  /** Whether every word of the search is in what is said of one. */
  protected isFound(item: Item): boolean {
    const text = this.said(item).join(' ').toLocaleLowerCase();
    return this.search()
      .trim()
      .toLocaleLowerCase()
      .split(/\s+/)
      .every((word) => text.includes(word));
  }

  /** A name that none of them has. */
  protected free = (name: string): string =>
    freeName(
      name,
      this.items().map(({ document }) => document.name),
    );

  /** Keeps a new one, under a name that none has yet, and opens it; false where it cannot be kept, which is said. */
  protected async begin(document: Documents[K], before: (id: string) => void = () => undefined): Promise<boolean> {
    const kept = await this.deleting.attempt(() => firstValueFrom(this.api.create(this.kind, { ...document, name: this.free(document.name) })));
    if (!kept) return false;
    before(kept.id);
    return this.router.navigate([`/${this.kind}`, kept.id]);
  }

  /** Asks for another name, and gives it. */
  protected async rename(item: Item): Promise<void> {
    await askName(this.dialog, {
      title: `Rename the ${calledOf(this.kind)}`,
      name: item.document.name,
      action: 'Rename',
      taken: this.items().flatMap(({ id, document }) => (id === item.id ? [] : [document.name])),
      keep: (name) => this.named(item, name),
    });
    // Whether it was renamed or somebody else was faster: as it is now.
    await this.load();
  }
  protected duplicate = (item: Item): Promise<void> => this.then(() => this.copied(item));
  protected remove: (item: Item) => Promise<void> = (item): Promise<void> => this.deleting.delete(this.kind, item, () => void this.load());

  protected async named(item: Item, name: string): Promise<void> {
    await firstValueFrom(this.api.save(this.kind, item.id, item.revision, { ...item.document, name }));
  }
  protected async copied(item: Item): Promise<void> {
    await firstValueFrom(this.api.create(this.kind, { ...item.document, name: this.free(`${item.document.name} copy`) }));
  }

  private async then(work: () => Promise<void>): Promise<void> {
    await this.deleting.attempt(work);
    await this.load();
  }
}
