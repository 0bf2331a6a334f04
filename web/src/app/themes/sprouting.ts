import { Injectable, inject } from '@angular/core';
import { Router } from '@angular/router';
import { firstValueFrom } from 'rxjs';
import { sprout } from '../../../../core/edit';
import { freeName } from '../../../../core/free-name';
import type { Theme } from '../../../../core/theme';
import { Deleting } from '../controls/deleting';
import { Api } from '../documents/api';
import { ShownOn } from './shown-on';

/** Makes themes that grow from a theme. */
@Injectable({ providedIn: 'root' })
export class Sprouting {
  private readonly api = inject(Api);
  private readonly deleting = inject(Deleting);
  private readonly router = inject(Router);
  private readonly shownOn = inject(ShownOn);

  /** Keeps one that grows from a theme and says nothing itself yet, under a name that is free, and opens it on the table that the other was seen on. */
  async from({ id, document: { name } }: { readonly id: string; readonly document: Theme }): Promise<void> {
    const kept = await this.deleting.attempt(async () => {
      const taken = (await firstValueFrom(this.api.themes())).map(({ document }) => document.name);
      return firstValueFrom(this.api.create('themes', sprout(freeName(`${name}, grown`, taken), { theme: id })));
    });
    if (!kept) return;
    this.shownOn.remember(kept.id, this.shownOn.of(id));
    await this.router.navigate(['/themes', kept.id]);
  }
}
