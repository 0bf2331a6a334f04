import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { parseColour, toHex } from '../../../../../core/colour';
import { deleteSwatch, isBaseSwatch, renameSwatch, setSwatch } from '../../../../../core/edit';
import { SWATCH_NAME, type Swatch } from '../../../../../core/theme';
import { StudioState } from './studio-state';

/** The theme's swatches; one is opened at a time to change its colour or its name. */
@Component({
  selector: 'zest-swatches',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule],
  template: `
    <div class="head">
      <h2 class="zest-label">Swatches</h2>
      <button mat-button type="button" (click)="add()">Add a swatch</button>
    </div>
    <ul aria-label="Swatches">
      @for (swatch of swatches(); track swatch.name) {
        <li [class.open]="opened() === swatch.name">
          <button
            type="button"
            class="swatch"
            [attr.aria-expanded]="opened() === swatch.name"
            [attr.aria-label]="'Swatch ' + swatch.name + ', ' + swatch.colour"
            (click)="toggle(swatch.name)"
          >
            <span class="chip" [style.background]="swatch.colour"></span>{{ swatch.name }}
          </button>
          @if (opened() === swatch.name) {
            <div class="editor">
              <label>Pick <input type="color" [value]="hex(swatch)" (input)="drag(swatch, $any($event.target).value)" /></label>
              <label
                >Colour
                <input
                  class="zest-field"
                  [value]="swatch.colour"
                  (change)="type(swatch, $any($event.target).value)"
                  [attr.aria-invalid]="wrong() ? true : null"
              /></label>
              @if (canRename(swatch)) {
                <label>Name <input class="zest-field" [value]="swatch.name" (change)="rename(swatch, $any($event.target).value)" /></label>
              }
              <p class="zest-wrong" role="alert">{{ wrong() }}</p>
              @if (isOwn(swatch)) {
                <button mat-stroked-button type="button" (click)="remove(swatch)">
                  {{ canRename(swatch) ? 'Delete' : 'Back to the starter’s' }}
                </button>
              }
            </div>
          }
        </li>
      }
    </ul>
  `,
  styles: `
    .head {
      display: flex;
      justify-content: space-between;
      align-items: center;
      margin-block-end: 4px;
    }
    h2 {
      font-family: var(--zest-text);
    }
    ul {
      list-style: none;
      margin: 0;
      padding: 0;
      display: grid;
      grid-template-columns: 1fr 1fr;
      gap: 6px;
    }
    li.open {
      grid-column: 1 / -1;
    }
    .swatch {
      display: flex;
      align-items: center;
      gap: 8px;
      width: 100%;
      font: inherit;
      color: var(--zest-ink);
      background: var(--zest-card);
      border: 1px solid var(--zest-line);
      border-radius: 8px;
      padding: 4px 8px;
      cursor: pointer;
      text-align: start;
      overflow: hidden;
    }
    .swatch:hover {
      border-color: var(--zest-edge);
    }
    .chip {
      width: 18px;
      height: 18px;
      border-radius: 5px;
      border: 1px solid var(--zest-line);
      flex: none;
    }
    .editor {
      display: flex;
      flex-direction: column;
      gap: 8px;
      padding: 10px;
    }
    .editor p {
      margin: 0;
    }
    label {
      color: var(--zest-soft);
    }
    input[type='color'] {
      display: block;
      width: 100%;
      height: 40px;
      padding: 0;
      border: 1px solid var(--zest-edge);
      border-radius: 8px;
      background: none;
      cursor: pointer;
    }
  `,
})
export class Swatches {
  private readonly state = inject(StudioState);
  protected readonly swatches = computed(() => this.state.look()?.swatches ?? []);
  protected readonly opened = signal('');
  protected readonly wrong = signal('');

  protected isOwn = ({ name }: Swatch): boolean => this.state.theme()?.swatches.some((swatch) => swatch.name === name) ?? false;
  protected canRename(swatch: Swatch): boolean {
    const theme = this.state.theme();
    return theme !== undefined && this.isOwn(swatch) && !isBaseSwatch(theme, swatch.name);
  }
  protected hex({ colour }: Swatch): string {
    const rgba = parseColour(colour);
    return rgba ? toHex({ ...rgba, alpha: 1 }) : '#000000';
  }
  protected toggle(name: string): void {
    this.wrong.set('');
    this.opened.update((opened) => (opened === name ? '' : name));
  }

  protected add(): void {
    const taken = new Set(this.swatches().map(({ name }) => name));
    const name = ['accent', ...Array.from({ length: 200 }, (_, i) => `accent-${i + 2}`)].find((each) => !taken.has(each)) ?? 'accent-new';
    this.change(`add the swatch ${name}`, { name, colour: '#e2590a' });
    this.opened.set(name);
  }
  protected drag(swatch: Swatch, value: string): void {
    if (value !== this.hex(swatch)) this.change(`change the swatch ${swatch.name}`, { ...swatch, colour: value });
  }
  protected type(swatch: Swatch, typed: string): void {
    const colour = typed.trim().toLowerCase();
    if (!parseColour(colour)) return this.wrong.set(`“${typed}” is not a colour. Write one such as #eef5f6.`);
    this.change(`change the swatch ${swatch.name}`, { ...swatch, colour });
  }
  protected rename({ name }: Swatch, typed: string): void {
    const to = typed.trim().toLowerCase();
    if (!SWATCH_NAME.test(to)) return this.wrong.set('A name is made of lower-case letters, digits and hyphens, a letter first.');
    if (to !== name && this.swatches().some((swatch) => swatch.name === to)) return this.wrong.set(`There is a swatch “${to}” already.`);
    this.wrong.set('');
    this.state.change(`rename the swatch ${name}`, `swatch ${name}`, (theme) => renameSwatch(theme, name, to));
    this.opened.set(to);
  }
  protected remove({ name }: Swatch): void {
    this.state.change(`delete the swatch ${name}`, '', (theme) => deleteSwatch(theme, name));
    this.opened.set('');
  }
  private change(label: string, swatch: Swatch): void {
    this.wrong.set('');
    this.state.change(label, `swatch ${swatch.name}`, (theme) => setSwatch(theme, swatch));
  }
}
