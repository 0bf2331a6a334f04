import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { toHex } from '../../../../../core/colour';
import { groundFields, readGround, swatchOf, swatchText, type Ground, type GroundField } from '../../../../../core/page';
import type { ThemeView } from '../../../../../core/theme';

/** A theme on the page, by the id under which blocks name its swatches. */
export interface PageTheme {
  readonly id: string;
  readonly view: ThemeView;
}

/** A sampler of colours from anything on the screen, where the browser has one (EyeDropper API, WICG). */
interface Sampler {
  open(): Promise<{ readonly sRGBHex: string }>;
}
const samplerOf = (): (new () => Sampler) | undefined => (globalThis as { readonly EyeDropper?: new () => Sampler }).EyeDropper;

const fields: Readonly<Record<GroundField, { readonly label: string; readonly hint: string; readonly isColour: boolean }>> = {
  fill: { label: 'Fill', hint: 'none', isColour: true },
  ink: { label: 'Ink', hint: 'the page’s', isColour: true },
  padding: { label: 'Room inside', hint: 'as it comes', isColour: false },
  width: { label: 'Width', hint: 'all of it', isColour: false },
  radius: { label: 'Corners', hint: 'square', isColour: false },
  line: { label: 'Line around', hint: '1px solid #d9dde2', isColour: false },
};

/** Every swatch of the page's themes, as a block or a text of the page names it, with what it comes to where it is bright. */
export const coloursOn = (themes: readonly PageTheme[]): ReadonlyMap<string, string> =>
  new Map(
    themes.flatMap(({ id, view }) =>
      [...view.colours].flatMap(([swatch, read]) => (read.ok ? [[swatchText({ swatch, theme: id }), toHex(read.value)] as const] : [])),
    ),
  );

/** What a section or a text has about it: colours, room, width, corners and a line. */
@Component({
  selector: 'zest-ground-form',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule],
  template: `
    @for (field of rows(); track field.name) {
      <div class="pair">
        <label
          >{{ field.label }}
          <input
            class="zest-field"
            spellcheck="false"
            maxlength="120"
            [attr.list]="field.isColour ? 'zest-block-colours' : null"
            [placeholder]="field.hint"
            [value]="field.value"
            [title]="field.value"
            [attr.aria-invalid]="wrong().field === field.name || null"
            #typed
            (change)="set(field.name, typed.value)"
        /></label>
        @if (field.isColour) {
          <span class="chip" aria-hidden="true" [style.background]="field.colour ?? 'transparent'"></span>
          @if (canSample) {
            <button
              mat-button
              type="button"
              [attr.aria-label]="'Sample the ' + field.label.toLowerCase() + ' from the screen'"
              (click)="sample(field.name)"
            >
              Sample
            </button>
          }
        }
      </div>
    }
    <datalist id="zest-block-colours">
      @for (each of swatches(); track each.text) {
        <option [value]="each.text"></option>
      }
    </datalist>
    @if (wrong().say) {
      <p class="zest-wrong" role="alert">{{ wrong().say }}</p>
    }
  `,
  styles: `
    :host {
      display: block;
      margin-block-start: 12px;
    }
    .pair {
      display: flex;
      align-items: end;
      gap: 6px;
      margin-block-end: 10px;
    }
    label {
      flex: 1;
      min-width: 0;
      color: var(--zest-soft);
    }
    .chip {
      flex: none;
      width: 20px;
      height: 20px;
      margin-block-end: 6px;
      border: 1px solid var(--zest-edge);
      border-radius: 4px;
      forced-color-adjust: none;
    }
  `,
})
export class GroundForm {
  readonly block = input.required<Ground>();
  readonly themes = input<readonly PageTheme[]>([]);
  readonly changed = output<Readonly<Record<string, string>>>();
  protected readonly canSample = samplerOf() !== undefined;
  protected readonly wrong = signal<{ readonly field?: GroundField; readonly say: string }>({ say: '' });

  protected readonly swatches = computed(() => [...coloursOn(this.themes())].map(([text, colour]) => ({ text, colour })));
  protected readonly rows = computed(() =>
    groundFields.map((name) => {
      const value = this.block()[name] ?? '';
      const colour = swatchOf(value) ? this.swatches().find(({ text }) => text === value)?.colour : value || undefined;
      return { name, ...fields[name], value, colour };
    }),
  );

  protected set(field: GroundField, typed: string): void {
    const text = typed.trim();
    const read = readGround(field, text);
    if (!read.ok) return this.wrong.set({ field, say: `${read.problems[0]?.say ?? ''} ${read.problems[0]?.remedy ?? ''}` });
    if (swatchOf(text) && !this.swatches().some((each) => each.text === text))
      return this.wrong.set({ field, say: `No theme on this page has that swatch: “${text}”. Choose one of the list, or write a colour.` });
    this.wrong.set({ say: '' });
    this.changed.emit({ [field]: text });
  }

  /** Takes a colour from anything on the screen; leaving the sampler changes nothing. */
  protected async sample(field: GroundField): Promise<void> {
    const Sampling = samplerOf();
    if (!Sampling) return;
    try {
      const { sRGBHex } = await new Sampling().open();
      this.set(field, sRGBHex);
    } catch {
      this.wrong.set({ say: '' });
    }
  }
}
