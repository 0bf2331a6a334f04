import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { kindOfValue, type Place } from '../../../../core/theme';
import { kindOf, type RowName } from './rows';
import { EditedLook } from './edited-look';
import { suggestionsFor } from './suggestions';
import { ColourEditor } from './colour-editor';
import { FontEditor } from './font-editor';
import { LengthEditor } from './length-editor';
import { LineEditor } from './line-editor';
import { PaddingEditor } from './padding-editor';
import { PictureEditor } from './picture-editor';
import { ShadowEditor } from './shadow-editor';

/** The editor that fits a value: each gives texts in the value syntax, so whatever is drawn here can be typed too. */
@Component({
  selector: 'zest-value-editor',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ColourEditor, FontEditor, LengthEditor, LineEditor, MatButtonModule, PaddingEditor, PictureEditor, ShadowEditor],
  template: `
    @switch (editor()) {
      @case ('colour') {
        <zest-colour-editor [text]="text()" [page]="true" (changed)="changed.emit($event)" />
      }
      @case ('line') {
        <zest-line-editor [text]="text()" (changed)="changed.emit($event)" />
      }
      @case ('padding') {
        <zest-padding-editor [text]="text()" (changed)="changed.emit($event)" />
      }
      @case ('shadow') {
        <zest-shadow-editor [text]="text()" (changed)="changed.emit($event)" />
      }
      @case ('font') {
        <zest-font-editor [text]="text()" (changed)="changed.emit($event)" />
      }
      @case ('picture') {
        <zest-picture-editor [text]="text()" [kind]="kind()" (changed)="changed.emit($event)" />
      }
      @case ('length') {
        <zest-length-editor [text]="text()" [kind]="kind()" [words]="words()" (changed)="changed.emit($event)" />
      }
      @default {
        <div class="words" role="group" aria-label="Choices">
          @for (word of words(); track word) {
            <button type="button" class="zest-choice" [attr.aria-pressed]="word === text()" (click)="changed.emit(word)">{{ word }}</button>
          }
        </div>
      }
    }
    <div class="foot"><button mat-button type="button" (click)="done.emit()">Done</button></div>
  `,
  styles: `
    .words {
      display: flex;
      flex-wrap: wrap;
      gap: 6px;
      max-width: 300px;
    }
    .foot {
      display: flex;
      justify-content: end;
      margin-block-start: 8px;
    }
  `,
})
export class ValueEditor {
  private readonly state = inject(EditedLook);
  readonly row = input.required<RowName>();
  /** Where in a theme it is edited; empty beside one. */
  readonly places = input<readonly Place[]>([]);
  readonly text = input.required<string>();
  readonly changed = output<string>();
  readonly done = output();

  protected readonly kind = computed(() => kindOf(this.row()));
  protected readonly editor = computed(() => (this.row() === 'padding' ? 'padding' : kindOfValue(this.kind()).editor));
  protected readonly words = computed(() => {
    const view = this.state.view();
    return view ? suggestionsFor(this.row(), view, this.places()) : [];
  });
}
