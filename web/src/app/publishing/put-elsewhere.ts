import { ChangeDetectionStrategy, Component, inject, input } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatDialog } from '@angular/material/dialog';
import { firstValueFrom } from 'rxjs';
import { Deleting } from '../controls/deleting';
import { Api } from '../documents/api';
import type { PuttingElsewhere } from './elsewhere-dialog';

/** Leads to the lines with which a live placement stands on another site. */
@Component({
  selector: 'zest-put-elsewhere',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule],
  template: `
    <p>
      <button mat-stroked-button type="button" [disabled]="slug() === undefined" (click)="show()">Put it elsewhere</button>
      @if (slug() === undefined) {
        <br /><span class="zest-note">Publish the page, and its tables can stand on other sites too.</span>
      }
    </p>
  `,
})
export class PutElsewhere {
  /** Ids of the page and of the block. */
  readonly page = input.required<string>();
  readonly block = input.required<string>();
  /** The address at which the page is live; undefined where it is not. */
  readonly slug = input.required<string | undefined>();
  readonly name = input.required<string>();
  private readonly api = inject(Api);
  private readonly dialog = inject(MatDialog);
  private readonly deleting = inject(Deleting);

  protected async show(): Promise<void> {
    const [page, block, slug] = [this.page(), this.block(), this.slug() ?? ''];
    const got = await this.deleting.attempt(() =>
      Promise.all([firstValueFrom(this.api.elsewhere(page, block)), firstValueFrom(this.api.neighbour()), import('./elsewhere-dialog')]),
    );
    if (!got) return;
    const [html, { address: neighbour }, { ElsewhereDialog }] = got;
    const data: PuttingElsewhere = { snippet: { origin: location.origin, page, block, name: this.name(), slug }, html, neighbour };
    this.dialog.open(ElsewhereDialog, { data, width: '720px', maxWidth: '94vw', autoFocus: 'dialog' });
  }
}
