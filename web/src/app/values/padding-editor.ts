import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';

const names = ['top', 'end', 'bottom', 'start'] as const;

/** Padding as the box that it makes: a field on each side, and one for all. */
@Component({
  selector: 'zest-padding-editor',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="box">
      @for (name of names; track name; let i = $index) {
        <input
          class="zest-field"
          [style.grid-area]="name"
          [attr.aria-label]="'Padding ' + name"
          [value]="sides()[i]"
          (change)="say(i, $any($event.target).value)"
        />
      }
      <span class="text" aria-hidden="true">Text</span>
    </div>
    <label class="all"
      >All sides <input type="range" min="0" max="40" [value]="first()" (input)="changed.emit($any($event.target).value + 'px')"
    /></label>
  `,
  styles: `
    :host {
      display: grid;
      gap: 10px;
      width: 260px;
    }
    .box {
      display: grid;
      grid-template: '. top .' auto 'start text end' 44px '. bottom .' auto / 1fr 1fr 1fr;
      gap: 6px;
      align-items: center;
      justify-items: center;
      padding: 8px;
      border: 1px dashed var(--zest-edge);
      border-radius: 8px;
    }
    .text {
      grid-area: text;
      width: 100%;
      height: 100%;
      display: grid;
      place-items: center;
      background: var(--zest-glow);
      border-radius: 4px;
    }
    .zest-field {
      width: 64px;
      text-align: center;
    }
    .all {
      display: flex;
      gap: 8px;
      align-items: center;
    }
    .all input {
      flex: 1;
      accent-color: var(--zest-zest);
    }
  `,
})
export class PaddingEditor {
  readonly text = input.required<string>();
  readonly changed = output<string>();
  protected readonly names = names;
  protected readonly sides = computed(() => {
    const [top = '0', end = top, bottom = top, start = end] = this.text().split(/\s+/);
    return [top, end, bottom, start];
  });
  protected readonly first = computed(() => Number.parseFloat(this.sides()[0] ?? '0'));
  protected say(side: number, typed: string): void {
    const text = /^\d+(\.\d+)?$/.test(typed.trim()) && typed.trim() !== '0' ? `${typed.trim()}px` : typed.trim();
    this.changed.emit(
      this.sides()
        .map((each, i) => (i === side ? text : each))
        .join(' '),
    );
  }
}
