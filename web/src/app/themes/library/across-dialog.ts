import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { parseColour } from '../../../../../core/colour';
import { crossed, type Across } from '../../../../../core/edit';
import {
  canBeSet,
  conditionOf,
  families,
  partOf,
  parts,
  propertiesOf,
  viewOfChanged,
  type ConditionName,
  type PartName,
  type PropertyName,
  type Theme,
  type ThemeView,
} from '../../../../../core/theme';
import { lookOf } from '../../../../../core/shelf';
import { Dressed } from '../../controls/dressed/dressed';
import { sampleTable } from '../../controls/dressed/sample-table';

export interface AcrossData {
  readonly views: readonly ThemeView[];
  /** Keeps the themes that became others; false where it could not and that has been said. */
  readonly keep: (changed: ReadonlyMap<Theme, Theme>, label: string) => Promise<boolean>;
}

/** One swatch, font or value changed in several themes at once, each seen before and after. */
@Component({
  selector: 'zest-across-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Dressed, MatButtonModule, MatDialogModule],
  template: `
    <h2 mat-dialog-title>Change in {{ data.views.length }} themes</h2>
    <mat-dialog-content>
      <div class="what" role="group" aria-label="What is changed">
        @for (each of kinds; track each[0]) {
          <button type="button" class="zest-choice" [attr.aria-pressed]="is() === each[0]" (click)="is.set(each[0])">{{ each[1] }}</button>
        }
      </div>
      <div class="fields">
        @switch (is()) {
          @case ('swatch') {
            <label
              >Swatch
              <select class="zest-field" (change)="swatch.set($any($event.target).value)">
                @for (each of swatches(); track each) {
                  <option [value]="each" [selected]="each === swatch()">{{ each }}</option>
                }
              </select>
            </label>
            <label
              >Its new colour
              <input class="zest-field" spellcheck="false" placeholder="#1d6b8f" [value]="colour()" (input)="colour.set($any($event.target).value)" />
            </label>
          }
          @case ('font') {
            <label
              >Font
              <select class="zest-field" (change)="from.set($any($event.target).value)">
                @for (each of fonts(); track each) {
                  <option [value]="each" [selected]="each === from()">{{ each }}</option>
                }
              </select>
            </label>
            <label
              >Another in its place
              <select class="zest-field" (change)="to.set($any($event.target).value)">
                <option value="" [selected]="to() === ''">Choose one</option>
                @for (each of families; track each) {
                  <option [value]="each" [selected]="each === to()">{{ each }}</option>
                }
              </select>
            </label>
          }
          @default {
            <label
              >Part
              <select class="zest-field" (change)="pick($any($event.target).value)">
                @for (each of parts; track each.name) {
                  <option [value]="each.name" [selected]="each.name === part()">{{ each.label }}</option>
                }
              </select>
            </label>
            <label
              >Condition
              <select class="zest-field" (change)="condition.set($any($event.target).value)">
                @for (each of conditions(); track each) {
                  <option [value]="each" [selected]="each === condition()">{{ labelOf(each) }}</option>
                }
              </select>
            </label>
            <label
              >Property
              <select class="zest-field" (change)="property.set($any($event.target).value)">
                @for (each of properties(); track each.name) {
                  <option [value]="each.name" [selected]="each.name === property()">{{ each.label }}</option>
                }
              </select>
            </label>
            <label
              >Value
              <input class="zest-field" spellcheck="false" [value]="text()" (input)="text.set($any($event.target).value)" />
            </label>
          }
        }
      </div>
      @if (wrong()) {
        <p class="zest-wrong" role="alert">{{ wrong() }}</p>
      }
      <ul aria-label="What becomes of each theme">
        @for (each of results(); track each.view.theme) {
          <li [class.stays]="each.say">
            <h3>{{ each.view.theme.name }}</h3>
            @if (each.say) {
              <p class="zest-note">{{ each.say }}</p>
            } @else {
              <div class="pictures">
                <figure>
                  <zest-dressed [view]="each.view" [table]="sample" [scale]="0.42" />
                  <figcaption>Now</figcaption>
                </figure>
                <figure>
                  <zest-dressed [view]="each.after" [table]="sample" [scale]="0.42" />
                  <figcaption>Then</figcaption>
                </figure>
              </div>
            }
          </li>
        }
      </ul>
    </mat-dialog-content>
    <mat-dialog-actions>
      <button mat-button type="button" mat-dialog-close>Leave them</button>
      <button mat-flat-button type="button" [disabled]="isBusy() || changed().size === 0" (click)="take()">
        {{ changed().size === 1 ? 'Change 1 theme' : 'Change ' + changed().size + ' themes' }}
      </button>
    </mat-dialog-actions>
  `,
  styles: `
    .what,
    .fields {
      display: flex;
      flex-wrap: wrap;
      gap: 8px 14px;
      align-items: end;
      margin-block-end: 10px;
    }
    label {
      display: grid;
      gap: 3px;
    }
    ul {
      list-style: none;
      margin: 0;
      padding: 0;
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(400px, 1fr));
      gap: 12px;
    }
    li {
      border: 1px solid var(--zest-line);
      border-radius: 10px;
      padding: 10px 12px;
      background: var(--zest-card);
    }
    .stays {
      background: none;
    }
    h3 {
      margin: 0 0 6px;
      font: 650 14px/1.3 var(--zest-display);
    }
    p {
      margin: 0;
    }
    .pictures {
      display: grid;
      grid-template-columns: 1fr 1fr;
      gap: 10px;
    }
    figure {
      margin: 0;
    }
    zest-dressed {
      display: block;
      height: 124px;
      background: #fff;
      padding: 6px;
      contain: strict;
    }
    figcaption {
      color: var(--zest-soft);
      font-size: 12px;
    }
    @media (max-width: 700px) {
      ul {
        grid-template-columns: minmax(0, 1fr);
      }
    }
  `,
})
export class AcrossDialog {
  protected readonly data = inject<AcrossData>(MAT_DIALOG_DATA);
  private readonly dialog = inject<MatDialogRef<AcrossDialog>>(MatDialogRef);
  protected readonly sample = sampleTable;
  protected readonly kinds: readonly (readonly [Across['is'], string])[] = [
    ['swatch', 'A swatch'],
    ['font', 'A font'],
    ['value', 'A value'],
  ];
  protected readonly families = families.map(({ name }) => name);
  protected readonly parts = parts;
  protected readonly isBusy = signal(false);
  protected readonly is = signal<Across['is']>('swatch');
  protected readonly swatches = computed(() => [...new Set(this.data.views.flatMap(({ swatches }) => swatches.map(({ name }) => name)))].sort());
  protected readonly fonts = computed(() => [...new Set(this.data.views.flatMap((view) => lookOf(view).fonts))].sort());
  protected readonly swatch = signal(this.swatches()[0] ?? '');
  protected readonly colour = signal('');
  protected readonly from = signal(this.fonts()[0] ?? '');
  protected readonly to = signal('');
  protected readonly part = signal<PartName>('table');
  protected readonly condition = signal<ConditionName>('rest');
  protected readonly property = signal<PropertyName>('fill');
  protected readonly text = signal('');
  protected readonly conditions = computed(() => partOf(this.part()).conditions);
  protected readonly properties = computed(() => propertiesOf(this.part()).filter((property) => canBeSet(property, this.condition())));
  protected labelOf = (condition: ConditionName): string => conditionOf(condition).label;

  /** What is asked for, as far as it can be read. */
  private readonly change = computed((): Across | undefined => {
    switch (this.is()) {
      case 'swatch':
        return parseColour(this.colour()) ? { is: 'swatch', name: this.swatch(), colour: this.colour().trim() } : undefined;
      case 'font':
        return this.to() === '' ? undefined : { is: 'font', from: this.from(), to: this.to() };
      case 'value':
        if (this.text().trim() === '' || !this.properties().some(({ name }) => name === this.property())) return undefined;
        return { is: 'value', place: { part: this.part(), condition: this.condition() }, property: this.property(), text: this.text().trim() };
    }
  });
  protected readonly wrong = computed(() =>
    this.is() === 'swatch' && this.colour().trim() !== '' && this.change() === undefined ? `“${this.colour()}” is no colour, as #1d6b8f is.` : '',
  );
  protected readonly results = computed(() => {
    const change = this.change();
    const chosen = new Set(this.data.views.map(({ theme }) => theme));
    return this.data.views.map((view) => {
      if (!change) return { view, after: view, theme: view.theme, say: 'Nothing is asked for yet.' };
      const { theme, say } = crossed(view, change, (each) => chosen.has(each));
      return { view, after: viewOfChanged(view, theme), theme, say };
    });
  });
  protected readonly changed = computed(
    () => new Map(this.results().flatMap(({ view, theme }) => (theme === view.theme ? [] : [[view.theme, theme]]))),
  );

  protected pick(part: PartName): void {
    this.part.set(part);
    if (!this.conditions().includes(this.condition())) this.condition.set('rest');
    if (!this.properties().some(({ name }) => name === this.property())) this.property.set(this.properties()[0]?.name ?? 'fill');
  }
  protected async take(): Promise<void> {
    this.isBusy.set(true);
    if (await this.data.keep(this.changed(), this.is())) this.dialog.close();
    this.isBusy.set(false);
  }
}
