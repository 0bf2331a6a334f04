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
import { SWATCH_NAME, modeIn, modeOf, readSwatches, refersToSwatch, standingOn, type Swatch } from '../../../../../../core/theme';
import { ThemeDrafts } from '../../../documents/theme-drafts';
import { StudioState } from '../studio-state';

/** The theme's swatches; one is opened at a time to change its colour or its name. */
@Component({
  selector: 'zest-swatches',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule, MatIconModule],
  templateUrl: './swatches.html',
  styleUrl: './swatches.scss',
})
export class Swatches {
  private readonly state = inject(StudioState);
  private readonly drafts = inject(ThemeDrafts);
  protected readonly swatches = computed(() => this.state.view()?.swatches ?? []);
  protected readonly opened = signal('');
  protected readonly wrong = signal('');

  protected readonly mode = this.state.mode;
  /** In which mode colours are set, in words; empty where they are set for all of them. */
  protected readonly modeWords = computed(() => {
    const mode = this.mode();
    return mode === '' ? '' : modeOf(mode).words;
  });
  /** Whether the theme itself says the colour that is looked at: in a mode, that of the mode. */
  protected isOwn({ name }: Swatch): boolean {
    const [theme, mode] = [this.state.theme(), this.mode()];
    const own = theme && mode !== '' ? (modeIn(theme, mode)?.swatches ?? []) : theme?.swatches;
    return own?.some((swatch) => swatch.name === name) ?? false;
  }
  protected canRename(swatch: Swatch): boolean {
    const view = this.state.view();
    return view !== undefined && this.mode() === '' && this.isOwn(swatch) && !isBaseSwatch(view, swatch.name);
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
    return usesOfSwatch(theme, this.opened()).map((use) => {
      if ('line' in use) return { name: `extra CSS, line ${use.line}`, go: () => this.state.goToLine(use.line) };
      return 'swatch' in use
        ? { name: `swatch ${use.swatch}` }
        : { name: placeInWords(use.place, use.property), go: () => this.state.goTo(use.place, use.property) };
    });
  });
  protected readonly below = computed(() => this.state.view()?.chain[1]?.name ?? 'nothing');
  /** Themes that grow from this one and refer to the swatch that is open. */
  protected readonly usedAbove = computed(() => {
    const [id, name] = [this.state.session()?.id ?? '', this.opened()];
    if (name === '') return [];
    return standingOn(id, this.drafts.all()).flatMap(({ document }) => (usesOfSwatch(document, name).length > 0 ? [document.name] : []));
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
      this.canRename(swatch) ? replaceSwatch(view, swatch.name, instead) : deleteSwatch(theme, swatch.name, this.mode()),
    );
    this.opened.set('');
    this.instead.set('');
  }
  private change(label: string, swatch: Swatch): void {
    this.wrong.set('');
    const words = this.modeWords();
    this.state.change(words === '' ? label : `${label} ${words}`, `swatch ${swatch.name} ${words}`, (theme) => setSwatch(theme, swatch, this.mode()));
  }
}
