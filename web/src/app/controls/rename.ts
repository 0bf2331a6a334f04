import { ChangeDetectionStrategy, Component, ElementRef, inject, input, output, signal } from '@angular/core';
import { MatIconModule } from '@angular/material/icon';
import { MatButtonModule } from '@angular/material/button';
import { MatTooltipModule } from '@angular/material/tooltip';
import { isNameTaken } from '../../../../core/free-name';
import { nameSchema } from '../../../../core/theme';

/** A document's name as a heading that can be edited in place. */
@Component({
  selector: 'zest-name',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule, MatIconModule, MatTooltipModule],
  template: `
    @if (editing()) {
      <input
        class="zest-field"
        [attr.aria-label]="label()"
        [value]="name()"
        maxlength="160"
        [attr.aria-invalid]="wrong() ? true : null"
        aria-describedby="name-wrong"
        (keydown.enter)="$event.preventDefault(); finish($event, true)"
        (keydown.escape)="finish($event, false)"
        (blur)="finish($event, true)"
        (input)="wrong.set(''); isTaken.set(isNameTaken($any($event.target).value, taken()))"
      />
      <span id="name-wrong" class="zest-wrong" role="alert">{{ wrong() }}</span>
      <span class="zest-note" role="status">{{ isTaken() ? 'Another is called so already.' : '' }}</span>
    } @else {
      <h1>{{ name() }}</h1>
      <button mat-icon-button (click)="start()" [attr.aria-label]="'Rename ' + name()" matTooltip="Rename"><mat-icon svgIcon="edit" /></button>
    }
  `,
  styles: `
    :host {
      display: flex;
      align-items: center;
      gap: 4px;
      min-width: 0;
    }
    h1 {
      overflow: hidden;
      text-overflow: ellipsis;
      white-space: nowrap;
      max-width: 34ch;
    }
    input {
      font: 700 18px/1.2 var(--zest-display);
      width: 280px;
    }
    mat-icon {
      transform: scale(0.75);
      color: var(--zest-soft);
    }
  `,
})
export class Name {
  readonly name = input.required<string>();
  readonly label = input('Name');
  /** Names that others have: that one is taken is said, and no reason not to take it. */
  readonly taken = input<readonly string[]>([]);
  readonly renamed = output<string>();
  protected readonly isTaken = signal(false);
  protected readonly isNameTaken = isNameTaken;
  protected readonly editing = signal(false);
  protected readonly wrong = signal('');
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;

  protected start(): void {
    this.editing.set(true);
    this.wrong.set('');
    this.isTaken.set(false);
    setTimeout(() => this.host.querySelector('input')?.select());
  }

  protected finish(event: Event, take: boolean): void {
    if (!this.editing()) return;
    const typed = (event.target as HTMLInputElement).value.trim().replace(/\s+/g, ' ');
    if (take && typed !== this.name()) {
      try {
        nameSchema.validateSync(typed);
      } catch (error) {
        this.wrong.set((error as Error).message);
        if (event.type === 'blur') this.editing.set(false);
        return;
      }
      this.renamed.emit(typed);
    }
    this.editing.set(false);
    if (event.type !== 'blur') setTimeout(() => this.host.querySelector('button')?.focus());
  }
}
