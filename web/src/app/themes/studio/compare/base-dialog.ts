import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { baseInWords, changesBetween, detached, grownFrom, lookChanges } from '../../../../../../core/edit';
import type { Table } from '../../../../../../core/table';
import { isThemeBase, loopThrough, newestOf, starters, type Base, type Theme, type ThemeView } from '../../../../../../core/theme';
import { Compared, type Side } from './compared';
import { ThemeViews } from '../../../controls/dressed/theme-views';
import { Api } from '../../../documents/api';
import { ThemeDrafts } from '../../../documents/theme-drafts';

/** A theme whose ground is to change: to a later version of its starter, to something else, or so that it stands without what it grew from. */
export interface Moving {
  readonly id: string;
  readonly theme: Theme;
  readonly table: Table;
  readonly to: 'version' | 'another' | 'alone';
}

/** What is done to the theme then. */
export interface Moved {
  readonly label: string;
  readonly make: (theme: Theme, view: ThemeView) => Theme;
}

/** Something to grow from. */
interface Ground {
  readonly key: string;
  readonly name: string;
  readonly base: Base;
  /** The way from it back to the theme, where it grows from that. */
  readonly loop: string;
}

/** Before a theme is given another ground: what looks otherwise then, in words and in pictures. */
@Component({
  selector: 'zest-base-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Compared, MatButtonModule, MatDialogModule],
  template: `
    <h2 mat-dialog-title>{{ title }}</h2>
    <mat-dialog-content>
      @if (data.to === 'another') {
        <label class="from"
          >Grows from
          <select class="zest-field" (change)="pick($any($event.target).value)">
            <option value="" [selected]="picked() === ''">{{ base }}, as now</option>
            @for (group of groups(); track group.label) {
              <optgroup [label]="group.label">
                @for (ground of group.grounds; track ground.key) {
                  <option [value]="ground.key" [disabled]="ground.loop !== ''" [selected]="ground.key === picked()">
                    {{ ground.name }}{{ ground.loop }}
                  </option>
                }
              </optgroup>
            }
          </select>
        </label>
      }
      <p>{{ lead() }}</p>
      <zest-compared [label]="tableLabel" [sides]="sides()" [table]="data.table" [changes]="changes()">{{ none() }}</zest-compared>
    </mat-dialog-content>
    <mat-dialog-actions>
      <button mat-button mat-dialog-close>{{ stay }}</button>
      <button mat-flat-button [disabled]="!then()" (click)="move()">{{ go() }}</button>
    </mat-dialog-actions>
  `,
  styles: `
    .from {
      display: grid;
      gap: 4px;
      max-width: 360px;
      margin-block-end: 8px;
    }
  `,
})
export class BaseDialog {
  protected readonly data = inject<Moving>(MAT_DIALOG_DATA);
  private readonly dialog = inject<MatDialogRef<BaseDialog, Moved>>(MatDialogRef);
  private readonly views = inject(ThemeViews);
  private readonly drafts = inject(ThemeDrafts);
  private readonly api = inject(Api);

  private readonly now = this.views.of(this.data.theme);
  private readonly name = this.data.theme.name;
  protected readonly base = baseInWords(this.now);
  private readonly newest = newestFor(this.data.theme);
  protected readonly title = {
    version: `${this.now.chain[1]?.name ?? ''}, version ${this.newest?.version ?? 0}`,
    another: `What “${this.name}” grows from`,
    alone: `Detach “${this.name}”`,
  }[this.data.to];
  protected readonly tableLabel = this.data.to === 'alone' ? 'What becomes its own' : 'What looks otherwise';
  protected readonly stay = this.data.to === 'version' ? `Stay at version ${this.versionNow()}` : 'Leave it as it is';
  protected readonly picked = signal('');

  protected readonly groups = computed(() => {
    const known = this.drafts.all();
    const themeOf = (id: string): Theme | undefined => (id === this.data.id ? this.data.theme : this.drafts.find(id));
    const themes = known
      .filter(({ id }) => id !== this.data.id && !(isThemeBase(this.data.theme.base) && this.data.theme.base.theme === id))
      .map(({ id, document: { name } }): Ground => {
        const loop = loopThrough(this.data.id, { theme: id }, themeOf)?.slice(2) ?? [];
        const names = loop.map((each) => themeOf(each)?.name ?? each);
        return { key: `theme ${id}`, name, base: { theme: id }, loop: names.length > 0 ? ` (grows from ${names.join(', that from ')})` : '' };
      })
      .sort((a, b) => a.name.localeCompare(b.name));
    const shipped = starters.map(({ key, version, theme }): Ground => ({
      key: `starter ${key}`,
      name: theme.name,
      base: { starter: key, version },
      loop: '',
    }));
    return [
      { label: 'Your themes', grounds: themes },
      { label: 'Starters', grounds: shipped },
    ].filter(({ grounds }) => grounds.length > 0);
  });
  private readonly ground = computed(() => this.groups().flatMap(({ grounds }) => grounds.find(({ key }) => key === this.picked()) ?? [])[0]);

  private readonly alone = this.data.to === 'alone' ? detached(this.now) : undefined;
  /** The theme as it would be; undefined while nothing is chosen. */
  private readonly made = computed((): Theme | undefined => {
    if (this.data.to === 'alone') return this.alone?.theme;
    const base = this.data.to === 'version' ? this.newest : this.ground()?.base;
    return base && grownFrom(this.data.theme, base);
  });
  protected readonly then = computed(() => {
    const made = this.made();
    return made && this.views.of(made);
  });
  protected readonly sides = computed((): readonly [Side, Side] => [
    { name: 'As it is', view: this.now },
    {
      name: {
        version: `With version ${this.newest?.version ?? 0}`,
        another: this.ground() ? `From ${this.ground()?.name}` : 'From what is chosen',
        alone: 'Detached',
      }[this.data.to],
      view: this.then(),
    },
  ]);
  protected readonly changes = computed(() => {
    const then = this.then();
    if (!then) return [];
    return this.data.to === 'alone' ? changesBetween(this.now, then) : lookChanges(this.now, then);
  });

  constructor() {
    // What others made or deleted meanwhile; without an answer, what was heard of is offered.
    if (this.data.to === 'another') this.api.themes().subscribe({ error: () => undefined });
  }

  protected lead(): string {
    const below = this.now.chain[1]?.name ?? '';
    if (this.data.to === 'version')
      return `This theme grows from version ${this.versionNow()}. What it says itself stays; editions that are published stay as they are.`;
    if (this.data.to === 'another')
      return `What “${this.name}” says itself stays. Everything else comes from what is chosen. Editions that are published stay as they are.`;
    const taken = this.alone?.taken ?? 0;
    const what = taken === 1 ? 'One value, swatch or picture' : `${taken} values, swatches and pictures`;
    const then = this.then();
    const stronger = this.alone?.stronger ?? 0;
    const but =
      stronger === 0
        ? 'Nothing looks otherwise.'
        : `Nothing looks otherwise, but for ${stronger === 1 ? 'one value' : `${stronger} values`} that it says at width steps and “${below}” in modes: there the mode’s holds.`;
    return `${but} ${what} of “${below}” ${taken === 1 ? 'becomes' : 'become'} its own: a change in “${below}” is not seen here any more. It grows from ${then ? baseInWords(then) : 'nothing'} then.`;
  }
  protected none(): string {
    if (this.data.to === 'another' && !this.then()) return 'Choose what it is to grow from.';
    return this.data.to === 'alone' ? 'It says all of that itself already.' : 'Nothing looks otherwise: this theme says all of that itself.';
  }
  protected go(): string {
    if (this.data.to === 'version') return `Move to version ${this.newest?.version ?? 0}`;
    if (this.data.to === 'alone') return 'Detach it';
    return this.ground() ? `Let it grow from ${this.ground()?.name}` : 'Let it grow';
  }

  protected pick(key: string): void {
    this.picked.set(key);
  }
  protected move(): void {
    if (this.data.to === 'alone')
      return this.dialog.close({ label: `detach it from ${this.now.chain[1]?.name ?? ''}`, make: (theme, view) => detached(view)?.theme ?? theme });
    const base = this.made()?.base;
    if (!base) return;
    const label =
      this.data.to === 'version' ? `move to version ${this.newest?.version ?? 0} of its starter` : `grow from ${this.ground()?.name ?? ''}`;
    this.dialog.close({ label, make: (theme) => grownFrom(theme, base) });
  }

  private versionNow(): number {
    const { base } = this.data.theme;
    return base && !isThemeBase(base) ? base.version : 0;
  }
}

/** The starter that a theme grows from, in its newest version. */
function newestFor({ base }: Theme): { readonly starter: string; readonly version: number } | undefined {
  return base && !isThemeBase(base) ? { starter: base.starter, version: newestOf(base.starter) } : undefined;
}
