import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import { parseColour, toHex } from '../../../../../../core/colour';
import {
  applyBrand,
  deleteSwatch,
  isBaseSwatch,
  moveSwatch,
  placeInWords,
  renameSwatch,
  replaceSwatch,
  setSwatch,
  usesOfSwatch,
  type Instead,
} from '../../../../../../core/edit';
import { sayProblem } from '../../../../../../core/outcome';
import { SWATCH_NAME, readSwatches, refersToSwatch, type Swatch } from '../../../../../../core/theme';
import { StudioState } from '../studio-state';

/** The theme's swatches; one is opened at a time to change its colour or its name. */
@Component({
  selector: 'zest-swatches',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule, MatIconModule],
  template: `
    <div class="head">
      <h2 class="zest-label">Swatches</h2>
      <button mat-button type="button" (click)="add()">Add a swatch</button>
    </div>
    <form class="brand" (submit)="derive($event)">
      <label
        >From one brand colour
        <input type="color" name="brand" aria-label="Brand colour" [value]="brand()" (input)="brand.set($any($event.target).value)"
      /></label>
      <input class="zest-field" aria-label="Brand colour as text" [value]="brand()" (change)="typeBrand($any($event.target).value)" />
      <button mat-stroked-button type="submit">Derive</button>
    </form>
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
            <span class="chip" [style.background]="hex(swatch)"></span>{{ swatch.name }}
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
              <p class="zest-wrong" role="alert">{{ wrong() || broken(swatch) }}</p>
              <p class="uses">
                @if (uses().length === 0) {
                  Used nowhere in this theme itself.
                } @else {
                  Used in:
                  @for (use of uses(); track $index) {
                    @if (use.go) {
                      <button type="button" class="use" (click)="use.go()">{{ use.name }}</button>
                    } @else {
                      <span>{{ use.name }}</span>
                    }
                  }
                }
              </p>
              @if (isOwn(swatch)) {
                <div class="row">
                  <button mat-icon-button type="button" [attr.aria-label]="'Move ' + swatch.name + ' up'" (click)="move(swatch, -1)">
                    <mat-icon svgIcon="up" />
                  </button>
                  <button mat-icon-button type="button" [attr.aria-label]="'Move ' + swatch.name + ' down'" (click)="move(swatch, 1)">
                    <mat-icon svgIcon="down" />
                  </button>
                </div>
                @if (!canRename(swatch) || uses().length === 0) {
                  <button mat-stroked-button type="button" (click)="remove(swatch)">
                    {{ canRename(swatch) ? 'Delete' : 'Back to the starter’s' }}
                  </button>
                } @else {
                  <label
                    >When it is deleted, its places get
                    <select class="zest-field" (change)="instead.set($any($event.target).value)">
                      <option value="" [selected]="instead() === ''">its colour as it is</option>
                      <option value="/" [selected]="instead() === '/'">what is above</option>
                      @for (other of swatches(); track other.name) {
                        @if (other.name !== swatch.name) {
                          <option [value]="other.name" [selected]="instead() === other.name">{{ other.name }}</option>
                        }
                      }
                    </select>
                  </label>
                  <button mat-stroked-button type="button" (click)="remove(swatch)">Delete</button>
                }
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
    .brand {
      display: grid;
      grid-template-columns: 1fr auto;
      gap: 6px;
      align-items: center;
      margin-block-end: 8px;
    }
    .brand label {
      grid-column: 1 / -1;
      display: flex;
      align-items: center;
      justify-content: space-between;
    }
    .brand input[type='color'] {
      width: 44px;
      height: 26px;
    }
    .uses {
      color: var(--zest-soft);
    }
    .use {
      all: unset;
      cursor: pointer;
      display: block;
      color: var(--zest-ink);
      text-decoration: underline;
      min-height: 22px;
    }
    .use:focus-visible {
      outline: 2px solid var(--zest-zest);
    }
    .row {
      display: flex;
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
  protected readonly swatches = computed(() => this.state.view()?.swatches ?? []);
  protected readonly opened = signal('');
  protected readonly wrong = signal('');

  protected isOwn = ({ name }: Swatch): boolean => this.state.theme()?.swatches.some((swatch) => swatch.name === name) ?? false;
  protected canRename(swatch: Swatch): boolean {
    const view = this.state.view();
    return view !== undefined && this.isOwn(swatch) && !isBaseSwatch(view, swatch.name);
  }
  protected hex({ name, colour }: Swatch): string {
    const rgba = this.state.view()?.vocabulary.swatches.get(name) ?? parseColour(colour);
    return rgba ? toHex({ ...rgba, alpha: 1 }) : '#000000';
  }
  /** Why a swatch comes to nothing, such as a loop. */
  protected broken({ name }: Swatch): string {
    const read = this.state.view()?.colours.get(name);
    return read && !read.ok && read.problems[0] ? sayProblem(read.problems[0]) : '';
  }
  protected readonly uses = computed(() => {
    const theme = this.state.theme();
    if (!theme || this.opened() === '') return [];
    return usesOfSwatch(theme, this.opened()).map((use) =>
      'swatch' in use
        ? { name: `swatch ${use.swatch}` }
        : { name: placeInWords(use.place, use.property), go: () => this.state.goTo(use.place, use.property) },
    );
  });
  protected readonly instead = signal('');
  protected readonly brand = signal('#1d6b8f');

  protected typeBrand(typed: string): void {
    const rgba = parseColour(typed);
    if (rgba) this.brand.set(toHex({ ...rgba, alpha: 1 }));
  }
  /** The whole theme in the colours that come of one. */
  protected derive(event: Event): void {
    event.preventDefault();
    const rgba = parseColour(this.brand());
    if (rgba) this.state.change(`derive the swatches from ${this.brand()}`, '', (_, view) => applyBrand(view, rgba));
  }
  protected move = ({ name }: Swatch, by: number): void => this.state.change(`move the swatch ${name}`, '', (theme) => moveSwatch(theme, name, by));
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
    const refers = refersToSwatch(colour);
    if (!parseColour(colour) && !refers)
      return this.wrong.set(`“${typed}” is not a colour. Write one such as #eef5f6, or another swatch, as in deep 9%.`);
    if (refers) {
      const tried = readSwatches(this.swatches().map((each) => (each.name === swatch.name ? { ...each, colour } : each))).get(swatch.name);
      if (tried && !tried.ok) return this.wrong.set(tried.problems[0] ? sayProblem(tried.problems[0]) : '');
    }
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
  protected remove(swatch: Swatch): void {
    const instead: Instead =
      this.instead() === '' ? { kind: 'colour' } : this.instead() === '/' ? { kind: 'fall back' } : { kind: 'swatch', name: this.instead() };
    this.state.change(`delete the swatch ${swatch.name}`, '', (theme, view) =>
      this.canRename(swatch) ? replaceSwatch(view, swatch.name, instead) : deleteSwatch(theme, swatch.name),
    );
    this.opened.set('');
    this.instead.set('');
  }
  private change(label: string, swatch: Swatch): void {
    this.wrong.set('');
    this.state.change(label, `swatch ${swatch.name}`, (theme) => setSwatch(theme, swatch));
  }
}
