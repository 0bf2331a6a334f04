import { Injectable, computed, inject, signal } from '@angular/core';
import { firstValueFrom } from 'rxjs';
import { documentAt, placeInWords, resetValues, setValue, type Scope } from '../../../../../core/edit';
import { themeFiles } from '../../../../../core/hand-off';
import { sayProblem } from '../../../../../core/outcome';
import type { Scheme } from '../../../../../core/page';
import { previewOf, shownTable } from '../../../../../core/table';
import {
  NO_EXTRA,
  partOf,
  placeAt,
  properties,
  propertiesOf,
  propertyOf,
  stepFor,
  type ConditionName,
  type Extra,
  type ExtraNotice,
  type ModeName,
  type PartName,
  type Picture,
  type Place,
  type PropertyName,
  type Theme,
  type ThemeView,
} from '../../../../../core/theme';
import { widthWithin } from './widths/width-within';
import { sampleTable } from '../../controls/dressed/sample-table';
import { ThemeViews } from '../../controls/dressed/theme-views';
import { Deleting } from '../../controls/deleting';
import { Api, type KeptTable } from '../../documents/api';
import { OpenDocument } from '../../documents/open-document';
import { Publisher } from '../../publishing/publisher';
import { ShownOn } from '../shown-on';
import type { EditedLook } from '../../values/edited-look';
import { readRow, sidesOf, type RowName } from '../../values/rows';
import { PLANS, hardSpecimens, type HardSpecimen } from './specimen/specimens';

export interface Wrong {
  readonly typed: string;
  readonly say: string;
}

/** A text for a cell of the ledger. */
export interface Entry {
  readonly condition: ConditionName;
  readonly row: RowName;
  readonly typed: string;
}

const firstSpecimen: HardSpecimen = hardSpecimens[0] ?? { id: 'sample', table: sampleTable };

/** Body rows of a table that the specimen shows. */
const SPECIMEN_ROWS = 40;

/** What the studio shows and what can be done there: one theme being edited on one table. */
@Injectable()
export class StudioState implements EditedLook {
  private readonly opened = inject<OpenDocument<'themes'>>(OpenDocument);
  private readonly api = inject(Api);
  private readonly views = inject(ThemeViews);
  private readonly publisher = inject(Publisher);
  private readonly deleting = inject(Deleting);
  private readonly shownOn = inject(ShownOn);

  readonly session = this.opened.session;
  readonly theme = this.opened.document;
  readonly missing = this.opened.missing;
  readonly edition = signal(0);
  readonly key = signal('');
  readonly tables = signal<readonly KeptTable[]>([]);
  /** The table on which the theme is tried, whole; and as it is shown: with the looks that it has beside the theme, or without. */
  private readonly chosen = signal<HardSpecimen>(firstSpecimen);
  readonly ownLooks = signal(true);
  readonly hasOwnLooks = computed(() => this.chosen().table.exceptions.length > 0);
  readonly specimen = computed((): HardSpecimen => {
    const chosen = this.chosen();
    return this.ownLooks() || !this.hasOwnLooks() ? chosen : { ...chosen, table: { ...chosen.table, exceptions: [] } };
  });
  /** How often a specimen was asked for. */
  private asked = 0;
  readonly table = computed(() => this.specimen().table);
  readonly tableId = signal<string>(firstSpecimen.id);
  /** Whether what stands around the table is shown with it. */
  readonly around = signal(false);
  /** An earlier state of the theme that is looked at in place of the present one. */
  readonly earlier = signal<{ readonly view: ThemeView; readonly name: string } | undefined>(undefined);
  /** The picked parts, the first one foremost: what is set goes to all of them. */
  readonly parts = signal<readonly PartName[]>(['body-rows']);
  readonly part = computed<PartName>(() => this.parts()[0] ?? 'body-rows');
  readonly condition = signal<ConditionName>('rest');
  readonly row = signal<RowName>('fill');
  /** What stands below the specimen. */
  readonly lower = signal<'values' | 'css'>('values');
  /** The place in the extra CSS that was asked for last. */
  readonly lineAsked = signal<{ readonly line: number; readonly column?: number } | undefined>(undefined);
  /** What was found when the extra CSS was looked at closely, which its editor does. */
  readonly cssChecked = signal<{ readonly extra: Extra; readonly notices: readonly ExtraNotice[] } | undefined>(undefined);
  readonly cssNotices = computed(() => {
    const [extra = NO_EXTRA, checked] = [this.view()?.extras[0], this.cssChecked()];
    return checked?.extra === extra ? checked.notices : extra.notices;
  });
  /** Counts up when the ledger should take the focus. */
  readonly focusRequested = signal(0);
  /** Texts that were typed and cannot be read, by part, condition and row: kept in their cells until they are mended. */
  readonly wrong = signal<ReadonlyMap<string, Wrong>>(new Map());
  /** The width step that is looked at and set at; empty for what holds at every width. */
  readonly step = signal('');
  /** The mode that is looked at and set in, at every width; empty for what holds in all of them. */
  readonly mode = signal<ModeName | ''>('');
  /** The theme as it is at that step in that mode. */
  readonly view = computed(() => {
    const theme = this.theme();
    return theme && this.views.of(theme, this.step(), this.mode());
  });
  /** How wide the container of the specimen can be without scrolling, in px. */
  readonly room = signal(900);
  /** How wide the container of the specimen is to be, in px, as far as its step allows. */
  readonly wanted = signal(10_000);
  readonly width = computed(() => {
    const view = this.view();
    return view ? widthWithin(view, this.step(), this.wanted()) : this.wanted();
  });

  async open(id: string): Promise<void> {
    const before = this.asked;
    // All themes first, so that what this one grows from is known when it is seen.
    const themes = (await this.deleting.attempt(() => firstValueFrom(this.api.themes()))) ?? [];
    if (!(await this.opened.open('themes', id))) return;
    const kept = themes.find((theme) => theme.id === id);
    this.edition.set(kept?.edition ?? 0);
    this.key.set(kept?.key ?? '');
    const tables = (await this.deleting.attempt(() => firstValueFrom(this.api.tables()))) ?? [];
    this.tables.set(tables);
    const last = this.shownOn.of(id);
    const isThere = tables.some((table) => table.id === last) || hardSpecimens.some((each) => each.id === last);
    const first = isThere ? last : (tables.find(({ document }) => document.theme === id) ?? tables[0])?.id;
    // A specimen that was chosen while the tables were on their way stays, be it the one that was shown.
    if (first !== undefined && this.asked === before) await this.showOn(first);
  }

  /** Shows the theme on a table that the person chose, and again when it is next opened. */
  chooseTable(id: string): void {
    this.shownOn.remember(this.session()?.id ?? '', id);
    void this.showOn(id);
  }

  /** Shows the theme on a table; the one that was asked for last stays, however long another takes to come. */
  async showOn(id: string): Promise<void> {
    const before = this.tableId();
    this.asked++;
    this.tableId.set(id);
    const hard = hardSpecimens.find((each) => each.id === id);
    if (hard) return this.chosen.set(hard);
    const kept = await this.deleting.attempt(() => firstValueFrom(this.api.tablePreview(id)));
    if (this.tableId() !== id) return;
    if (kept) this.chosen.set({ id, table: shownTable(previewOf(kept.document, SPECIMEN_ROWS)) });
    else this.tableId.set(before);
  }

  readonly bringPicture = (picture: Picture): void => {
    this.change(`bring in the picture ${picture.name}`, '', (theme) => ({ ...theme, pictures: [...(theme.pictures ?? []), picture] }));
  };

  wrongKey = (condition: ConditionName, row: RowName): string => `${this.parts().join('+')} ${condition} ${row} ${this.step()} ${this.mode()}`;

  /** Sets what was typed at a place; gives false and keeps the text beside the place when it cannot be read. */
  type = (condition: ConditionName, row: RowName, typed: string, touches = ''): boolean => this.typeMany([{ condition, row, typed }], touches);

  /** Sets texts at several places as one step; those that cannot be read stay beside their places with the reason. */
  typeMany(entries: readonly Entry[], touches = ''): boolean {
    const view = this.view();
    if (!view) return false;
    const wrong = new Map(this.wrong());
    const good: { readonly entry: Entry; readonly texts: readonly string[] }[] = [];
    for (const entry of entries) {
      const key = this.wrongKey(entry.condition, entry.row);
      const read = readRow(entry.row, entry.typed, view.vocabulary, this.placesUnder(entry.condition));
      wrong.delete(key);
      if (read.ok) good.push({ entry, texts: read.value });
      else wrong.set(key, { typed: entry.typed, say: read.problems[0] ? sayProblem(read.problems[0]) : '' });
    }
    this.wrong.set(wrong);
    const [first] = good;
    if (first) {
      const label = good.length === 1 ? `set a value: ${this.inWords(first.entry)}` : `set ${good.length} values`;
      this.session()?.act(label, touches, (theme) => good.reduce((changed, { entry, texts }) => this.put(changed, entry, texts), theme));
    }
    return good.length === entries.length;
  }

  /** Takes the values away at places, so that they fall back. */
  fallBackMany(entries: readonly Omit<Entry, 'typed'>[]): void {
    const [first] = entries;
    if (!first) return;
    for (const { condition, row } of entries) this.forgive(condition, row);
    const label = entries.length === 1 ? `let it fall back: ${this.inWords(first)}` : `let ${entries.length} values fall back`;
    this.session()?.act(label, '', (theme) => entries.reduce((changed, entry) => this.put(changed, entry, undefined), theme));
  }

  /** Of each chosen part, the place under a condition. */
  placesUnder = (condition: ConditionName): readonly Place[] => this.parts().map((part) => ({ part, condition }));

  private put(theme: Theme, { condition, row }: Omit<Entry, 'typed'>, texts: readonly string[] | undefined): Theme {
    const [step, mode] = [this.step(), this.mode()];
    return this.parts().reduce(
      (changed, part) =>
        sidesOf(row).reduce(
          (each, side, i) => setValue(each, placeAt({ part, condition }, step, mode), side, texts && (texts[i] ?? texts[0])),
          changed,
        ),
      theme,
    );
  }

  private inWords({ condition, row }: Omit<Entry, 'typed'>): string {
    return placeInWords(placeAt({ part: this.part(), condition }, this.step(), this.mode()), sidesOf(row)[0]);
  }

  propertiesOf = (row: RowName): readonly PropertyName[] => sidesOf(row);
  /** The properties of a group of the ledger. */
  propertiesIn = (group: string): readonly PropertyName[] => properties.filter((property) => property.group === group).map(({ name }) => name);

  /** Takes back own values in a scope, so that they come from above again. */
  reset(what: string, scope: Scope): void {
    this.wrong.set(new Map());
    this.session()?.act(`reset ${what}`, '', (theme) =>
      // Everything is what is set at every step too.
      resetValues(theme, Object.keys(scope).length === 0 ? scope : { ...scope, step: this.mode() === '' ? this.step() : '', mode: this.mode() }),
    );
  }

  forgive(condition: ConditionName, row: RowName): void {
    const key = this.wrongKey(condition, row);
    if (!this.wrong().has(key)) return;
    this.wrong.update((wrong) => new Map([...wrong].filter(([each]) => each !== key)));
  }

  /** Picks a part; with `beside`, joins it to those that are picked or lets it go. */
  pick(part: PartName, condition: ConditionName = 'rest', beside = false): void {
    const picked = this.parts();
    if (beside && picked.includes(part) && picked.length > 1) this.parts.set(picked.filter((each) => each !== part));
    else this.parts.set(beside && !picked.includes(part) ? [...picked, part] : [part]);
    this.condition.set(partOf(this.part()).conditions.includes(condition) ? condition : 'rest');
    if (partOf(part).box === 'around') this.around.set(true);
    if (partOf(part).box === 'content' && this.tableId() !== 'contents') void this.showOn('contents');
    if (partOf(part).box === 'cards' && this.specimen().pricing === undefined) void this.showOn(PLANS);
    if (!sidesOf(this.row()).every((side) => this.parts().every((each) => propertyOf(side).parts.includes(each))))
      this.row.set(part === 'lines' ? 'rows' : (propertiesOf(this.part())[0]?.name ?? 'fill'));
  }

  /** Goes to where a value is set. */
  goTo({ part, condition, step = '', mode }: Place, row: RowName): void {
    this.lower.set('values');
    if (step !== this.step()) this.goToStep(step);
    this.mode.set(mode ?? '');
    this.parts.set([part]);
    this.condition.set(condition);
    this.row.set(row);
    this.focusRequested.update((n) => n + 1);
  }

  /** Goes to a line of the theme's extra CSS. */
  goToLine(line: number, column?: number): void {
    this.lower.set('css');
    this.lineAsked.set({ line, ...(column === undefined ? {} : { column }) });
  }

  /** Looks at a width step: the specimen is as wide as it holds at most, or as there is room. */
  goToStep(step: string): void {
    const view = this.view();
    if (!view) return;
    this.step.set(step);
    this.wanted.set(view.steps.find(({ name }) => name === step)?.width ?? this.room());
  }
  /** Goes to a width, and to the step that holds there. */
  goToWidth(width: number): void {
    const view = this.view();
    this.wanted.set(width);
    if (view) this.step.set(stepFor(view.steps, width));
  }

  /** Does something to the theme; what it does may ask what the theme grows from. */
  change(label: string, touches: string, make: (theme: Theme, view: ThemeView) => Theme): void {
    this.session()?.act(label, touches, (theme) => make(theme, this.views.of(theme, this.step(), this.mode())));
  }

  /** What is looked back at: the last that was compared with, or the beginning of this work. */
  readonly backTo = signal<{ readonly view: ThemeView; readonly name: string } | undefined>(undefined);
  lookBack(on: boolean): void {
    const session = this.session();
    const start = session && { view: this.views.of(documentAt(session.history, 0)), name: 'at the beginning' };
    this.earlier.set(on ? (this.backTo() ?? start) : undefined);
  }

  /** Publishes what is kept as the next edition. */
  async publish(): Promise<void> {
    const edition = await this.publisher.publish('themes', this.session(), this.edition());
    if (edition) this.edition.set(edition.number);
  }

  /** Takes the theme away as a stylesheet: bright, or dark where the visitor has it dark. */
  async download(scheme: Scheme = 'light'): Promise<void> {
    const session = this.session();
    if (!session || !(await session.flush())) return;
    const { fonts, pictures } = themeFiles(this.views.of(session.document), this.key());
    // Fonts and pictures lie beside the stylesheet, so they come together in one file.
    location.assign(`/api/themes/${session.id}/${fonts.length + pictures.length > 0 ? 'files' : 'stylesheet'}?scheme=${scheme}`);
  }
}
