import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatChipsModule, type MatChipInputEvent } from '@angular/material/chips';
import { MAT_DIALOG_DATA, MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatIconModule } from '@angular/material/icon';
import { TAGS_MOST, tagSchema } from '../../../../../core/theme';

/** Where themes lie: their collection, and tags. */
export interface Order {
  readonly collection: string;
  readonly tags: readonly string[];
}
export interface OrderData extends Order {
  readonly title: string;
  /** Collections and tags that there are, to be offered. */
  readonly collections: readonly string[];
  readonly known: readonly string[];
  /** Keeps it; false where it could not and that has been said. */
  readonly keep: (order: Order) => Promise<boolean>;
}

/** Puts themes into a collection and gives them tags. */
@Component({
  selector: 'zest-order-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule, MatChipsModule, MatDialogModule, MatFormFieldModule, MatIconModule],
  template: `
    <h2 mat-dialog-title>{{ data.title }}</h2>
    <form (submit)="$event.preventDefault(); isBusy() || take()">
      <mat-dialog-content>
        <label
          >Collection
          <input class="zest-field" list="zest-collections" maxlength="60" [value]="collection" (input)="collection = $any($event.target).value" />
        </label>
        <datalist id="zest-collections">
          @for (each of data.collections; track each) {
            <option [value]="each"></option>
          }
        </datalist>
        <mat-form-field appearance="outline" subscriptSizing="dynamic">
          <mat-label>Tags</mat-label>
          <mat-chip-grid #grid aria-label="Tags">
            @for (tag of tags(); track tag) {
              <mat-chip-row (removed)="drop(tag)">
                {{ tag }}
                <button matChipRemove type="button" [attr.aria-label]="'Take away ' + tag"><mat-icon svgIcon="close" /></button>
              </mat-chip-row>
            }
            <input placeholder="A word, then Enter" [matChipInputFor]="grid" [matChipInputAddOnBlur]="true" (matChipInputTokenEnd)="add($event)" />
          </mat-chip-grid>
        </mat-form-field>
        @if (offered().length > 0) {
          <p class="offered" role="group" aria-label="Tags that there are">
            @for (each of offered(); track each) {
              <button type="button" class="zest-choice" (click)="put(each)">{{ each }}</button>
            }
          </p>
        }
        <p class="zest-wrong" role="alert">{{ wrong() }}</p>
      </mat-dialog-content>
      <mat-dialog-actions>
        <button mat-button type="button" mat-dialog-close>Leave it</button>
        <button mat-flat-button type="submit" [disabled]="isBusy()">Keep</button>
      </mat-dialog-actions>
    </form>
  `,
  styles: `
    mat-form-field {
      width: 100%;
      margin-block-start: 14px;
    }
    .offered {
      display: flex;
      flex-wrap: wrap;
      gap: 6px;
      margin: 10px 0 0;
    }
    .zest-wrong {
      margin: 6px 0 0;
      min-height: 18px;
    }
  `,
})
export class OrderDialog {
  protected readonly data = inject<OrderData>(MAT_DIALOG_DATA);
  private readonly dialog = inject<MatDialogRef<OrderDialog>>(MatDialogRef);
  protected collection = this.data.collection;
  protected readonly tags = signal(this.data.tags);
  protected readonly wrong = signal('');
  protected readonly isBusy = signal(false);
  protected offered = (): readonly string[] => this.data.known.filter((each) => !this.tags().includes(each));

  protected add({ value, chipInput }: MatChipInputEvent): void {
    const tag = value.trim().replace(/\s+/g, ' ');
    if (tag === '') return;
    if (this.put(tag)) chipInput.clear();
  }
  protected put(tag: string): boolean {
    this.wrong.set('');
    try {
      tagSchema.validateSync(tag);
    } catch (error) {
      this.wrong.set((error as Error).message);
      return false;
    }
    if (this.tags().length >= TAGS_MOST) {
      this.wrong.set(`A theme has at most ${TAGS_MOST} tags.`);
      return false;
    }
    this.tags.update((tags) => (tags.includes(tag) ? tags : [...tags, tag]));
    return true;
  }
  protected drop(tag: string): void {
    this.tags.update((tags) => tags.filter((each) => each !== tag));
  }

  protected async take(): Promise<void> {
    this.isBusy.set(true);
    const collection = this.collection.trim().replace(/\s+/g, ' ');
    if (await this.data.keep({ collection, tags: this.tags() })) this.dialog.close();
    this.isBusy.set(false);
  }
}
