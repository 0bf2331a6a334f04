import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { firstValueFrom } from 'rxjs';
import { freeName } from '../../../../../core/free-name';
import { sayProblem, type Problem } from '../../../../../core/outcome';
import { Views, basesOver, isThemeBase, starterBases, type Theme } from '../../../../../core/theme';
import { readThemeFile, type ThemesRead } from '../../../../../core/theme-file';
import { Dressed } from '../../controls/dressed/dressed';
import { sampleTable } from '../../controls/dressed/sample-table';
import { Api, ApiError } from '../../documents/api';

export interface BringThemes {
  /** Names that are taken. */
  readonly taken: readonly string[];
  /** Told once themes are kept: their ids, and whether these are all that were to be. */
  readonly kept: (ids: readonly string[], isAll: boolean) => void;
}

interface Found {
  /** What the file calls it. */
  readonly id: string;
  readonly theme: Theme;
  /** What it will be called: its name, or one that is free. */
  readonly name: string;
}

/** Themes from a file: they are seen first, with whatever is wrong, and then kept. */
@Component({
  selector: 'zest-bring-themes-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Dressed, MatButtonModule, MatDialogModule],
  template: `
    <h2 mat-dialog-title>Bring themes in</h2>
    <mat-dialog-content (dragover)="$event.preventDefault()" (drop)="drop($event)">
      <p class="zest-note">
        A theme as JSON, or a ZIP of several with their pictures, as “Save as a file” makes them; or design tokens. Drop it here, or open it.
      </p>
      <input #file type="file" accept=".json,.zip,application/json,application/zip" hidden (change)="open(file)" />
      <button mat-stroked-button type="button" (click)="file.click()">{{ read() ? 'Open another file' : 'Open a file' }}</button>
      <p class="zest-wrong" role="alert">{{ wrong() }}</p>
      @if (problems().length > 0) {
        <ul class="problems" aria-label="What is wrong">
          @for (problem of problems(); track $index) {
            <li>
              @if (problem.at) {
                <code>{{ problem.at }}</code>
              }
              {{ say(problem) }}
            </li>
          }
        </ul>
      }
      @if (found().length > 0) {
        <ul class="zest-cards" aria-label="Themes in the file">
          @for (each of found(); track $index) {
            <li class="theme">
              <zest-dressed [view]="views().of(each.theme)" [table]="sample" [scale]="0.47" />
              <strong>{{ each.name }}</strong>
              <span class="zest-note"
                >{{ baseOf(each.theme) }}{{ each.name === each.theme.name ? '' : '; called so since “' + each.theme.name + '” is taken' }}</span
              >
            </li>
          }
        </ul>
      }
    </mat-dialog-content>
    <mat-dialog-actions>
      <button mat-button mat-dialog-close>Leave it</button>
      <button mat-flat-button type="button" [disabled]="found().length === 0 || isBusy()" (click)="keep()">
        {{ found().length > 1 ? 'Keep ' + found().length + ' themes' : 'Keep the theme' }}
      </button>
    </mat-dialog-actions>
  `,
  styles: `
    .zest-wrong {
      min-height: 1.4em;
    }
    .problems {
      padding-inline-start: 18px;
      overflow-wrap: anywhere;
    }
    .theme {
      display: grid;
      gap: 2px;
      padding: 12px;
      background: #fff;
      color: #20261f;
      border: 1px solid var(--zest-line);
      border-radius: 12px;
    }
    .theme .zest-note {
      color: #5d665a;
    }
    zest-dressed {
      height: 160px;
    }
  `,
})
export class BringThemesDialog {
  private readonly dialog = inject<MatDialogRef<BringThemesDialog>>(MatDialogRef);
  private readonly data = inject<BringThemes>(MAT_DIALOG_DATA);
  private readonly api = inject(Api);
  protected readonly read = signal<ThemesRead | undefined>(undefined);
  /** In a file, themes grow from one another by what the file calls them. */
  protected readonly views = computed(() => {
    const byId = new Map((this.read()?.themes ?? []).map(({ id, theme }) => [id, theme]));
    return new Views(basesOver(starterBases, (id) => byId.get(id)));
  });
  protected readonly sample = sampleTable;
  protected readonly say = sayProblem;
  protected readonly wrong = signal('');
  protected readonly isBusy = signal(false);
  private readonly refused = signal<readonly Problem[]>([]);
  /** Those that are kept already, by what the file calls them, with their new ids: should one of the others not be taken, it can be tried again without them. */
  private readonly done = signal<ReadonlyMap<string, string>>(new Map());

  protected readonly problems = computed(() => [...this.refused(), ...(this.read()?.problems ?? [])]);
  protected readonly found = computed<readonly Found[]>(() => {
    const taken = [...this.data.taken];
    return (this.read()?.themes ?? []).flatMap(({ id, theme }): readonly Found[] => {
      const name = freeName(theme.name, taken);
      taken.push(name);
      return this.done().has(id) ? [] : [{ id, theme, name }];
    });
  });
  protected baseOf = (theme: Theme): string => `grows from ${this.views().of(theme).chain[1]?.name ?? 'nothing'}`;

  protected open(field: HTMLInputElement): void {
    const file = field.files?.[0];
    field.value = '';
    if (file) void this.look(file);
  }
  protected drop(event: DragEvent): void {
    event.preventDefault();
    const file = event.dataTransfer?.files[0];
    if (file) void this.look(file);
  }
  private async look(file: File): Promise<void> {
    const outcome = readThemeFile(file.name, new Uint8Array(await file.arrayBuffer()), starterBases);
    this.done.set(new Map());
    this.wrong.set(outcome.ok ? '' : `“${file.name}” cannot be brought in:`);
    this.refused.set(outcome.ok ? [] : outcome.problems);
    this.read.set(outcome.ok ? outcome.value : undefined);
  }

  /** Keeps each with its pictures. What cannot be kept is said, and stays. */
  protected async keep(): Promise<void> {
    this.isBusy.set(true);
    const ids: string[] = [];
    try {
      // Each comes after what it grows from, which has its new id by then.
      for (const { id, theme, name } of this.found()) {
        const base = isThemeBase(theme.base) ? { theme: this.done().get(theme.base.theme) ?? theme.base.theme } : theme.base;
        const kept = await this.keepOne({ ...theme, name, base });
        ids.push(kept);
        this.done.set(new Map(this.done()).set(id, kept));
      }
      this.dialog.close();
    } catch (error) {
      if (!(error instanceof ApiError)) throw error;
      this.wrong.set(error.say);
    } finally {
      this.isBusy.set(false);
      if (ids.length > 0) this.data.kept(ids, this.found().length === 0);
    }
  }

  private async keepOne(theme: Theme): Promise<string> {
    const media = new Map<string, string>();
    for (const { media: id } of theme.pictures ?? []) {
      const content = this.read()?.pictures.get(id);
      if (!content || media.has(id)) continue;
      media.set(id, (await firstValueFrom(this.api.keepPicture(new File([content.slice()], id)))).id);
    }
    const pictures = theme.pictures?.map((picture) => ({ ...picture, media: media.get(picture.media) ?? picture.media }));
    const kept = await firstValueFrom(this.api.create('themes', { ...theme, ...(pictures ? { pictures } : {}) }));
    return kept.id;
  }
}
