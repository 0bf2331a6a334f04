import { Injectable, inject } from '@angular/core';
import { MatDialog } from '@angular/material/dialog';
import { MatSnackBar } from '@angular/material/snack-bar';
import { firstValueFrom } from 'rxjs';
import { calledOf } from '../../../../core/documents';
import type { Along } from '../../../../core/page';
import { Deleting } from '../controls/deleting';
import { Api, type Edition, type Followed } from '../documents/api';
import type { PagePublishing } from './page-publish-dialog';
import type { Publishing } from './publish-dialog';

/** What is open and is to be published. */
interface Open {
  readonly id: string;
  readonly document: { readonly name: string };
  /** The revision that is seen. */
  readonly seen: number;
  flush(): Promise<boolean>;
}

/** Publishes themes, tables and pages. What would be seen elsewhere is shown first, and chosen. */
@Injectable({ providedIn: 'root' })
export class Publisher {
  private readonly api = inject(Api);
  private readonly dialog = inject(MatDialog);
  private readonly deleting = inject(Deleting);
  private readonly snackBar = inject(MatSnackBar);

  /**
   * Publishes an open theme, table or pricing table, once it is kept; undefined where that was left or could not be done. Says what came of
   * it, and what is still to be looked at, which keeps nobody from publishing.
   */
  async publish(kind: Followed, session: Open | undefined, newest?: number, open = ''): Promise<Edition | undefined> {
    if (!session || !(await this.isKept(session))) return undefined;
    const edition = await this.publishKept(kind, session, open);
    if (!edition) return undefined;
    const said =
      edition.number === newest
        ? `Nothing changed since edition ${edition.number}.`
        : `Edition ${edition.number} is published. Pages that follow the ${calledOf(kind)} show it at their next load.`;
    this.snackBar.open(open === '' ? said : `${said} ${open}`, 'Good');
    return edition;
  }

  private async isKept(session: Open): Promise<boolean> {
    const is = await session.flush();
    if (!is) this.snackBar.open('It cannot be published before it is kept. See what the header says.', 'Close');
    return is;
  }

  private async publishKept(kind: Followed, { id, seen, document: { name } }: Open, open: string): Promise<Edition | undefined> {
    const followers = await this.deleting.attempt(() => firstValueFrom(this.api.followers(kind, id)));
    const below = kind === 'themes' ? await this.deleting.attempt(() => firstValueFrom(this.api.changedBelow(id))) : [];
    if (!followers || !below) return undefined;
    let hold: readonly string[] | undefined = [];
    if (followers.length > 0) {
      const { PublishDialog } = await import('./publish-dialog');
      const data: Publishing = { kind, id, name, followers, below, open };
      hold = await firstValueFrom(
        this.dialog
          .open<InstanceType<typeof PublishDialog>, Publishing, readonly string[]>(PublishDialog, { data, width: '860px', maxWidth: '94vw' })
          .afterClosed(),
      );
    }
    const held = hold;
    return held && this.deleting.attempt(() => firstValueFrom(this.api.publish(kind, id, seen, held)));
  }

  /** Publishes an open page, once it is kept, with what it follows as far as that is chosen. */
  async publishPage(session: Open | undefined): Promise<(Edition & { readonly slug: string }) | undefined> {
    if (!session || !(await this.isKept(session))) return undefined;
    const { id, seen, document } = session;
    const { name } = document;
    const pending = await this.deleting.attempt(() => firstValueFrom(this.api.pending(id)));
    if (!pending) return undefined;
    let along: readonly Along[] | undefined = [];
    if (pending.length > 0) {
      const { PagePublishDialog } = await import('./page-publish-dialog');
      along = await firstValueFrom(
        this.dialog
          .open<InstanceType<typeof PagePublishDialog>, PagePublishing, readonly Along[]>(PagePublishDialog, {
            data: { name, pending },
            width: '560px',
            maxWidth: '94vw',
          })
          .afterClosed(),
      );
    }
    const chosen = along;
    return chosen && this.deleting.attempt(() => firstValueFrom(this.api.publishPage(id, seen, chosen)));
  }
}
