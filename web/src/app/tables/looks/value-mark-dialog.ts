import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { MatIconModule } from '@angular/material/icon';
import { MatMenuModule } from '@angular/material/menu';
import { icons } from '../../../../../core/media';
import {
  VALUE_MARKS_MOST,
  broughtValueMarks,
  coloursOf,
  columnNames,
  valueMarkKinds,
  valueMarkSettings,
  isRing,
  boundOf,
  sameName,
  settingOf,
  tableOf,
  type ValueMark,
  type ValueMarkKind,
  type ValueMarkSetting,
  type Table,
} from '../../../../../core/table';
import { propertyOf, type ThemeView } from '../../../../../core/theme';
import { Api, type KeptTable } from '../../documents/api';
import { Dressed } from '../../controls/dressed/dressed';

export interface ValueMarkData {
  readonly table: Table;
  readonly view: ThemeView | undefined;
  /** The one that is open at first; empty for the first. */
  readonly open: string;
}
export interface MadeValueMarks {
  readonly dressings: readonly ValueMark[];
  /** What each of before is called now. */
  readonly names: ReadonlyMap<string, string>;
  /** The one that was open last. */
  readonly open: string;
}

/** A value mark on the bench: with what it was called before. */
interface Bench extends ValueMark {
  readonly was: string;
}

const samples: Readonly<Record<ValueMarkKind, readonly string[]>> = {
  rating: ['4.5', '2', '0'],
  meter: ['80', '35', '5'],
  status: ['open', 'late', 'cancelled'],
  tag: ['open', 'late', 'cancelled'],
  'yes-no': ['yes', 'no'],
  icon: ['Ferry', 'Night boat'],
  picture: ['harbour.jpg'],
  button: ['Book', 'Details'],
  person: ['Ada Lovell', 'Νίκη Αλεξίου', 'ليلى حداد'],
};
const hints: { readonly [name in ValueMarkSetting]?: string } = {
  colours: 'open = deep; late = #b3261e',
  alt: '{value} of {most}',
  link: '/book?boat={value}',
  picture: 'the name of a column with pictures',
  size: '1em',
};

/** The value marks of a table: ways to show values as marks. Each change is seen at once on sample values; all cells that wear one follow. */
@Component({
  selector: 'zest-value-mark-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Dressed, MatButtonModule, MatDialogModule, MatIconModule, MatMenuModule],
  templateUrl: './value-mark-dialog.html',
  styleUrl: './value-mark-dialog.scss',
})
export class ValueMarkDialog {
  protected readonly data = inject<ValueMarkData>(MAT_DIALOG_DATA);
  private readonly dialog = inject<MatDialogRef<ValueMarkDialog, MadeValueMarks>>(MatDialogRef);

  protected readonly kinds = valueMarkKinds;
  protected readonly icons = icons;
  protected readonly hints = hints;
  protected readonly most = VALUE_MARKS_MOST;
  protected readonly bench = signal<readonly Bench[]>(this.data.table.dressings.map((each) => ({ ...each, was: each.name })));
  protected readonly at = signal(
    Math.max(
      0,
      this.data.table.dressings.findIndex(({ name }) => name === this.data.open),
    ),
  );
  protected readonly wrong = signal('');
  /** Other tables that have value marks of which not all are here. */
  private readonly tables = signal<readonly KeptTable[]>([]);
  protected readonly others = computed(() =>
    this.tables().flatMap(({ id, document }) => {
      const coming = broughtValueMarks(this.bench(), document.dressings);
      return coming.length === 0 ? [] : [{ id, name: document.name, marks: document.dressings, say: coming.map(({ name }) => name).join(', ') }];
    }),
  );
  protected readonly current = computed(() => this.bench()[this.at()]);
  protected readonly settings = computed(() => {
    const current = this.current();
    if (!current) return [];
    return valueMarkSettings
      .filter(({ kinds }) => (kinds as readonly string[]).includes(current.kind))
      .map(({ name, label }) => ({
        name,
        label,
        own: current.settings[name] ?? '',
        holds: settingOf(this.bench(), { ...current, settings: {} }, name),
      }));
  });
  /** Those of the same kind that this one can be built from. */
  protected readonly bases = computed(() => {
    const current = this.current();
    if (!current) return [];
    return this.bench().filter(
      ({ name, kind }) =>
        kind === current.kind &&
        name !== current.name &&
        !isRing(
          this.bench().map((each) => (each === current ? { ...each, from: name } : each)),
          current.name,
        ),
    );
  });
  protected readonly swatches = computed(() => (this.data.view ? this.data.view.swatches.map(({ name }) => name) : []));
  protected readonly used = computed(() => {
    const was = this.current()?.was ?? '';
    return was === '' ? 0 : this.data.table.exceptions.filter(({ dressing }) => dressing === was).length;
  });
  protected readonly sample = computed((): Table => {
    const current = this.current();
    const texts = current ? this.sampleTexts(current) : [];
    return tableOf('Sample', [['Value'], ...texts.map((text) => [text])], {
      dressings: this.bench().map(({ was: _, ...each }) => each),
      exceptions: [{ row: null, column: 0, reach: '', dressing: current?.name ?? '', values: {} }],
    });
  });

  constructor() {
    inject(Api)
      .tables()
      .pipe(takeUntilDestroyed())
      // Without them there is nothing to bring, and all else can be done.
      .subscribe({ next: (tables) => this.tables.set(tables), error: () => undefined });
  }

  /** Takes the value marks of another table along; they are this table's own from then on. */
  protected bring(marks: readonly ValueMark[]): void {
    const coming = broughtValueMarks(this.bench(), marks);
    this.at.set(this.bench().length);
    this.bench.update((all) => [...all, ...coming.map((each) => ({ ...each, was: '' }))]);
    this.wrong.set('');
  }

  private sampleTexts(current: ValueMark): readonly string[] {
    const values = coloursOf(settingOf(this.bench(), current, 'colours')).map(({ value }) => value);
    if (values.length > 0) return values.slice(0, 4);
    const most = boundOf(settingOf(this.bench(), current, 'most')) ?? 0;
    if (current.kind === 'rating' || current.kind === 'meter') return [0.9, 0.45, 0].map((share) => String(Math.round(share * most * 10) / 10));
    return samples[current.kind];
  }

  protected kindLabel = (kind: ValueMarkKind): string => valueMarkKinds.find(({ name }) => name === kind)?.label ?? '';

  protected add(kind: ValueMarkKind): void {
    if (this.bench().length >= VALUE_MARKS_MOST) return this.wrong.set(`A table has at most ${VALUE_MARKS_MOST} value marks.`);
    const label = this.kindLabel(kind);
    const taken = new Set(this.bench().map(({ name }) => name));
    let name = label;
    for (let n = 2; taken.has(name); n++) name = `${label} ${n}`;
    this.bench.update((all) => [...all, { name, from: '', kind, settings: {}, was: '' }]);
    this.at.set(this.bench().length - 1);
    this.wrong.set('');
  }
  protected remove(): void {
    const gone = this.current();
    this.bench.update((all) => all.filter((each) => each !== gone).map((each) => (each.from === gone?.name ? { ...each, from: '' } : each)));
    this.at.set(Math.max(0, this.at() - 1));
  }
  private put(change: Partial<ValueMark>): void {
    const current = this.current();
    this.wrong.set('');
    this.bench.update((all) => all.map((each) => (each === current ? { ...each, ...change } : each)));
  }
  protected rename(field: HTMLInputElement): void {
    const name = field.value.trim().slice(0, 60);
    const before = this.current()?.name ?? '';
    if (name === before) return;
    if (name === '') return this.wrong.set('A value mark needs a name.');
    if (this.bench().some((each) => each.name === name)) return this.wrong.set(`There is a value mark “${name}” already. Give it another name.`);
    this.put({ name });
    this.bench.update((all) => all.map((each) => (each.from === before ? { ...each, from: name } : each)));
  }
  protected build = (from: string): void => this.put({ from });
  protected set(name: ValueMarkSetting, typed: string): void {
    const current = this.current();
    if (!current) return;
    const text = typed.trim();
    const say = text === '' ? '' : this.problemOf(name, text);
    if (say !== '') return this.wrong.set(say);
    const { [name]: _, ...others } = current.settings;
    this.put({ settings: text === '' ? others : { ...others, [name]: text } });
  }

  private problemOf(name: ValueMarkSetting, text: string): string {
    const { view } = this.data;
    if (name === 'least' || name === 'most') return this.boundProblem(name, text);
    if (name === 'size') {
      const read = view?.read(propertyOf('padding-top'), text);
      return !read || read.ok ? '' : `“${text}” is no size. Write a length as 1em, 24px or 1.5rem.`;
    }
    if (name === 'colour' || name === 'quiet' || name === 'ink') {
      const read = view?.read(propertyOf('ink'), text);
      return !read || read.ok ? '' : (read.problems[0]?.say ?? '');
    }
    if (name === 'picture') {
      const columns = columnNames(this.data.table);
      return columns.some((each) => sameName(each) === sameName(text))
        ? ''
        : `There is no column “${text.slice(0, 60)}”. The columns are ${columns.slice(0, 12).join(', ')}.`;
    }
    if (name === 'colours' && coloursOf(text).length === 0) return 'Write each value with its colour: open = deep; late = #b3261e.';
    return '';
  }

  private boundProblem(name: 'least' | 'most', text: string): string {
    const current = this.current();
    const value = boundOf(text);
    if (value === undefined) return `“${text}” is no number.`;
    const other = current && boundOf(settingOf(this.bench(), current, name === 'least' ? 'most' : 'least'));
    if (other === undefined || (name === 'most' ? value > other : value < other)) return '';
    return name === 'most' ? `The greatest has to be above the least, ${other}.` : `The least has to be below the greatest, ${other}.`;
  }

  protected done(): void {
    this.dialog.close({
      dressings: this.bench().map(({ was: _, ...each }) => each),
      names: new Map(this.bench().flatMap(({ was, name }) => (was === '' ? [] : [[was, name] as const]))),
      open: this.current()?.name ?? '',
    });
  }
}
