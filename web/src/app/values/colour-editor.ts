import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { parseColour, toHex } from '../../../../core/colour';
import { EditedLook } from './edited-look';

interface EyeDropperWindow {
  readonly EyeDropper?: new () => { open: () => Promise<{ sRGBHex: string }> };
}

/** A colour: a swatch or any colour, from the picker or from anywhere on the screen, and how much of it. */
@Component({
  selector: 'zest-colour-editor',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule],
  template: `
    <div class="swatches" role="group" aria-label="Swatches">
      @for (swatch of swatches(); track swatch.name) {
        <button
          type="button"
          [style.background]="swatch.hex"
          [attr.aria-label]="swatch.name"
          [title]="swatch.name"
          [attr.aria-pressed]="swatch.name === parts().name"
          (click)="say(swatch.name, parts().share)"
        ></button>
      }
    </div>
    <div class="row">
      <label>Any colour <input type="color" [value]="hex()" (input)="say($any($event.target).value, parts().share)" /></label>
      @if (dropper) {
        <button mat-stroked-button type="button" (click)="drop()">From the screen</button>
      }
    </div>
    <label class="share">
      How much
      <input type="range" min="0" max="100" [value]="parts().share" (input)="say(parts().name, +$any($event.target).value)" />
      <output>{{ parts().share }}%</output>
    </label>
    <div class="row">
      @if (none()) {
        <button type="button" class="zest-choice" [attr.aria-pressed]="text() === 'none'" (click)="changed.emit('none')">none</button>
      }
      @if (page()) {
        <button type="button" class="zest-choice" [attr.aria-pressed]="text() === 'page'" (click)="changed.emit('page')">page</button>
      }
    </div>
  `,
  styles: `
    :host {
      display: grid;
      gap: 10px;
      width: 260px;
    }
    .swatches {
      display: flex;
      flex-wrap: wrap;
      gap: 6px;
    }
    .swatches button {
      width: 28px;
      height: 28px;
      border-radius: 6px;
      border: 1px solid var(--zest-edge);
      cursor: pointer;
    }
    .swatches button[aria-pressed='true'] {
      outline: 2px solid var(--zest-zest);
      outline-offset: 1px;
    }
    .swatches button:focus-visible {
      outline: 3px solid var(--zest-zest);
      outline-offset: 1px;
    }
    .row,
    .share {
      display: flex;
      align-items: center;
      gap: 8px;
    }
    .share input {
      flex: 1;
      min-width: 0;
      accent-color: var(--zest-zest);
    }
    output {
      font-family: var(--zest-mono);
      min-width: 40px;
      text-align: end;
    }
    input[type='color'] {
      width: 40px;
      height: 28px;
      padding: 1px;
      vertical-align: middle;
    }
  `,
})
export class ColourEditor {
  private readonly state = inject(EditedLook);
  readonly text = input.required<string>();
  /** Whether the page's own colour can be taken. */
  readonly page = input(false);
  /** Whether there may be no colour at all. */
  readonly none = input(true);
  readonly changed = output<string>();

  protected readonly dropper = (window as unknown as EyeDropperWindow).EyeDropper;
  protected readonly swatches = computed(() => {
    const view = this.state.view();
    return [...(view?.vocabulary.swatches ?? [])].map(([name, rgba]) => ({ name, hex: toHex(rgba) }));
  });
  protected readonly parts = computed(() => {
    const match = /^(.+?)\s+(\d+(?:\.\d+)?)%$/.exec(this.text());
    const name = match?.[1] ?? this.text();
    return { name: ['none', 'page', ''].includes(name) ? '#808080' : name, share: match ? Number(match[2]) : 100 };
  });
  protected readonly hex = computed(() => {
    const { name } = this.parts();
    const rgba = this.state.view()?.vocabulary.swatches.get(name) ?? parseColour(name);
    return rgba ? toHex({ ...rgba, alpha: 1 }) : '#808080';
  });

  protected say = (name: string, share: number): void => this.changed.emit(share >= 100 ? name : `${name} ${share}%`);

  protected async drop(): Promise<void> {
    if (!this.dropper) return;
    try {
      this.say((await new this.dropper().open()).sRGBHex, this.parts().share);
    } catch {
      // The person left it with Escape: nothing is taken.
    }
  }
}
