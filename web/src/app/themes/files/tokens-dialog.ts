import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogModule } from '@angular/material/dialog';
import { tokensOf } from '../../../../../core/tokens';
import type { ThemeView } from '../../../../../core/theme';
import { offerFile } from './offer-file';

/** A theme as design tokens, with what they have no word for, before it is saved. */
@Component({
  selector: 'zest-tokens-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule, MatDialogModule],
  template: `
    <h2 mat-dialog-title>“{{ view.theme.name }}” as design tokens</h2>
    <mat-dialog-content>
      <p>
        Swatches, type scale, values and modes, as the Design Tokens Community Group describes them. References stay references, and colours stay in
        their space.
      </p>
      @if (tokens.unsaid.length > 0) {
        <p class="zest-note">
          Tokens have no word for {{ tokens.unsaid.length === 1 ? 'this' : 'these ' + tokens.unsaid.length }}. Other programs do not see them; brought
          in here again, what is a value comes back.
        </p>
        <ul aria-label="What tokens have no word for" tabindex="0">
          @for (each of tokens.unsaid; track each) {
            <li>
              <code>{{ each }}</code>
            </li>
          }
        </ul>
      } @else {
        <p class="zest-note">Tokens have a word for everything that it says.</p>
      }
    </mat-dialog-content>
    <mat-dialog-actions>
      <button mat-button mat-dialog-close>Leave it</button>
      <button mat-flat-button mat-dialog-close (click)="save()">Save the file</button>
    </mat-dialog-actions>
  `,
  styles: `
    ul {
      max-height: 220px;
      overflow: auto;
      padding-inline-start: 18px;
    }
    code {
      font: 500 12px/1.5 var(--zest-mono);
      overflow-wrap: anywhere;
    }
  `,
})
export class TokensDialog {
  protected readonly view = inject<ThemeView>(MAT_DIALOG_DATA);
  protected readonly tokens = tokensOf(this.view);

  protected save(): void {
    const name = this.view.theme.name.replace(/[^\p{L}\p{N}]+/gu, '-').replace(/^-|-$/g, '') || 'theme';
    offerFile(`${name}.tokens.json`, new Blob([`${JSON.stringify(this.tokens.json, null, 2)}\n`], { type: 'application/json' }));
  }
}
