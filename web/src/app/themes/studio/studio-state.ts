import { Injectable, computed, inject, signal } from '@angular/core';
import { MatSnackBar } from '@angular/material/snack-bar';
import { firstValueFrom } from 'rxjs';
import { placeInWords, setValue } from '../../../../../core/edit';
import { sayProblem, type Outcome } from '../../../../../core/outcome';
import { previewOf, type Table } from '../../../../../core/table';
import {
  bundles,
  lookOf,
  propertyOf,
  readBundle,
  readValue,
  tidy,
  type BundleName,
  type ConditionName,
  type PartName,
  type Place,
  type PropertyName,
  type Theme,
} from '../../../../../core/theme';
import { Deleting } from '../../controls/deleting';
import { sampleTable } from '../../controls/sample-table';
import { Api, type KeptTable } from '../../documents/api';
import { OpenDocument } from '../../documents/open-document';

/** A row of the ledger that can be edited: one property, or the sides of a bundle together. */
export type RowName = PropertyName | BundleName;

export interface Wrong {
  readonly typed: string;
  readonly say: string;
}

/** Body rows of a table that the specimen shows. */
const SPECIMEN_ROWS = 40;

const isBundle = (row: RowName): row is BundleName => bundles.some(({ name }) => name === row);
export const sidesOf = (row: RowName): readonly PropertyName[] => (isBundle(row) ? (bundles.find(({ name }) => name === row)?.sides ?? []) : [row]);

/** What the studio shows and what can be done there: one theme being edited on one table. */
@Injectable()
export class StudioState {
  private readonly opened = inject<OpenDocument<Theme>>(OpenDocument);
  private readonly api = inject(Api);
  private readonly snackBar = inject(MatSnackBar);
  private readonly deleting = inject(Deleting);

  readonly session = this.opened.session;
  readonly theme = this.opened.document;
  readonly missing = this.opened.missing;
  readonly edition = signal(0);
  readonly key = signal('');
  readonly tables = signal<readonly KeptTable[]>([]);
  readonly table = signal<Table>(sampleTable);
  readonly tableId = signal('');
  readonly part = signal<PartName>('body-rows');
  readonly condition = signal<ConditionName>('rest');
  readonly row = signal<RowName>('fill');
  /** Texts that were typed and cannot be read, by part, condition and row: kept in their cells until they are mended. */
  readonly wrong = signal<ReadonlyMap<string, Wrong>>(new Map());
  readonly look = computed(() => {
    const theme = this.theme();
    return theme && lookOf(theme);
  });

  async open(id: string): Promise<void> {
    if (!(await this.opened.open('themes', id))) return;
    const themes = (await this.deleting.attempt(() => firstValueFrom(this.api.themes()))) ?? [];
    const kept = themes.find((theme) => theme.id === id);
    this.edition.set(kept?.edition ?? 0);
    this.key.set(kept?.key ?? '');
    const tables = (await this.deleting.attempt(() => firstValueFrom(this.api.tables()))) ?? [];
    this.tables.set(tables);
    const first = tables.find(({ document }) => document.theme === id) ?? tables[0];
    if (first) await this.showOn(first.id);
  }

  async showOn(id: string): Promise<void> {
    if (id === '') return (this.table.set(sampleTable), this.tableId.set(''));
    const kept = await this.deleting.attempt(() => firstValueFrom(this.api.get<Table>('tables', id)));
    if (!kept) return;
    this.table.set(previewOf(kept.document, SPECIMEN_ROWS));
    this.tableId.set(id);
  }

  wrongKey = (condition: ConditionName, row: RowName): string => `${this.part()} ${condition} ${row}`;

  /** Sets what was typed at a place; gives false and keeps the text beside the place when it cannot be read. */
  type(condition: ConditionName, row: RowName, typed: string): boolean {
    const look = this.look();
    if (!look) return false;
    const bundle = bundles.find(({ name }) => name === row);
    const read: Outcome<unknown> = bundle
      ? readBundle(bundle, typed, look.vocabulary)
      : readValue(propertyOf(row as PropertyName).kind, typed, look.vocabulary);
    const problem = read.ok ? undefined : read.problems[0];
    if (problem) {
      this.wrong.update((wrong) => new Map(wrong).set(this.wrongKey(condition, row), { typed, say: sayProblem(problem) }));
      return false;
    }
    const sides = sidesOf(row);
    const texts = bundle && read.ok ? (read.value as readonly string[]) : [tidy(typed)];
    this.set(condition, row, (side) => texts[sides.indexOf(side)] ?? texts[0]);
    return true;
  }

  /** Takes the value away at a place, so that it falls back. */
  fallBack = (condition: ConditionName, row: RowName): void => this.set(condition, row, () => undefined);

  private set(condition: ConditionName, row: RowName, text: (side: PropertyName) => string | undefined): void {
    const place: Place = { part: this.part(), condition };
    this.forgive(condition, row);
    const label = text(sidesOf(row)[0] ?? 'fill') === undefined ? 'let it fall back' : 'set a value';
    this.session()?.act(`${label}: ${placeInWords(place, sidesOf(row)[0])}`, '', (theme) =>
      sidesOf(row).reduce((changed, side) => setValue(changed, place, side, text(side)), theme),
    );
  }

  forgive(condition: ConditionName, row: RowName): void {
    const key = this.wrongKey(condition, row);
    if (!this.wrong().has(key)) return;
    this.wrong.update((wrong) => new Map([...wrong].filter(([each]) => each !== key)));
  }

  change(label: string, touches: string, make: (theme: Theme) => Theme): void {
    this.session()?.act(label, touches, make);
  }

  /** Publishes what is kept as the next edition. */
  async publish(): Promise<void> {
    const session = this.session();
    if (!session || !(await session.flush())) {
      this.snackBar.open('It cannot be published before it is kept. Try again in a moment.', 'Close');
      return;
    }
    const edition = await this.deleting.attempt(() => firstValueFrom(this.api.publishTheme(session.id)));
    if (!edition) return;
    const said =
      edition.number === this.edition()
        ? `Nothing changed since edition ${edition.number}.`
        : `Edition ${edition.number} is published. Pages that follow the theme show it at their next load.`;
    this.edition.set(edition.number);
    this.snackBar.open(said, 'Good');
  }

  async download(): Promise<void> {
    const session = this.session();
    if (session && (await session.flush())) location.assign(`/api/themes/${session.id}/stylesheet`);
  }
}
