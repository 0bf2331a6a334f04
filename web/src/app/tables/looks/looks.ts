import { A11yModule } from '@angular/cdk/a11y';
import { OverlayModule } from '@angular/cdk/overlay';
import { ChangeDetectionStrategy, Component, ElementRef, computed, forwardRef, inject, input, output, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { MatDialog } from '@angular/material/dialog';
import { MatIconModule } from '@angular/material/icon';
import { firstValueFrom } from 'rxjs';
import { sayProblem } from '../../../../../core/outcome';
import {
  LIMITS,
  markedValueIn,
  valueMarkOn,
  exceptionAt,
  gridOf,
  heightOf,
  kindOf,
  sectionRows,
  setValueMarks,
  setExceptions,
  shownText,
  widthOf,
  withValue,
  type Chosen,
  type Exception,
  type ExceptionKind,
  type Table,
} from '../../../../../core/table';
import { unreadableLooks, type UnreadableLook } from '../../../../../core/paint';
import type { ThemeView } from '../../../../../core/theme';
import { EditedLook } from '../../values/edited-look';
import { readRow, sidesOf, type RowName } from '../../values/rows';
import { suggestionsFor } from '../../values/suggestions';
import { ValueEditor } from '../../values/value-editor';
import { setExtraCss } from '../../../../../core/edit';
import { ExtraCssDialog } from '../../controls/css/extra-css-dialog';
import { UnreadableList, type UnreadableText } from '../../controls/unreadable-list';
import { bandOf } from '../grid/band';
import type { Asked } from '../columns/column-form';
import type { ValueMarkData, MadeValueMarks } from './value-mark-dialog';
import { labelOf, listedLooks, lookRows, placeOfException, placesIn, whyOf, type ListedLook, type LookNames, type LookRow } from './look-rows';

const kinds: readonly ExceptionKind[] = ['column', 'row', 'cell'];

/** The looks that the chosen columns, rows or cells have beside the theme, in the studio's own editors, and why they look so. */
@Component({
  selector: 'zest-looks',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [A11yModule, MatButtonModule, MatCheckboxModule, MatIconModule, OverlayModule, UnreadableList, ValueEditor],
  providers: [{ provide: EditedLook, useExisting: forwardRef(() => Looks) }],
  templateUrl: './looks.html',
  styleUrls: ['../columns/structure.scss', './looks.scss'],
})
export class Looks implements EditedLook {
  private readonly dialog = inject(MatDialog);
  private readonly css = inject(ExtraCssDialog);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  readonly table = input.required<Table>();
  readonly view = input.required<ThemeView | undefined>();
  readonly choice = input.required<Chosen>();
  /** What places are called where the table is the comparison of plans, which has looks alone; none for a table. */
  readonly names = input<LookNames>();
  readonly changed = output<Asked>();
  /** Slots to go to. */
  readonly went = output<Chosen>();

  protected readonly kinds = kinds;
  protected readonly kind = signal<ExceptionKind>('column');
  protected readonly search = signal('');
  /** The property that is asked about. */
  protected readonly asked = signal<RowName>('fill');
  protected readonly wrong = signal<{ readonly row: RowName; readonly typed: string; readonly say: string } | undefined>(undefined);
  protected readonly visual = signal<LookRow | undefined>(undefined);
  protected readonly origin = signal<Element>(this.host);
  private from: HTMLElement | undefined;

  private readonly all = computed(() => placesIn(this.kind(), this.choice()));
  private readonly places = computed(() => this.all() ?? []);
  protected readonly rows = computed(() => {
    const view = this.view();
    return view ? lookRows(view, this.table(), this.kind(), this.choice(), this.places(), this.search()) : [];
  });
  protected readonly why = computed(() => {
    const view = this.view();
    const property = sidesOf(this.asked())[0];
    return view && property ? whyOf(view, this.table(), this.kind(), this.choice(), property, this.placeOf) : [];
  });
  protected readonly list = computed(() => listedLooks(this.table(), this.placeOf));
  private readonly firstOne = computed(() => {
    const [place] = this.places();
    return place && exceptionAt(this.table(), place.row, place.column);
  });
  protected readonly reaches = computed(() => (this.firstOne()?.reach ?? '') !== '');
  protected readonly hasOwn = computed(() => this.places().some(({ row, column }) => exceptionAt(this.table(), row, column)));
  protected readonly suggestions = computed(() => {
    const view = this.view();
    return view ? suggestionsFor(this.asked(), view) : [];
  });
  protected readonly label = labelOf;
  private readonly placeOf = (place: Pick<Exception, 'row' | 'column'>): string => (this.names()?.at ?? placeOfException)(place);
  /** The value mark that all chosen places have; undefined where they differ. */
  protected readonly dressing = computed(() => {
    const names = new Set(this.places().map(({ row, column }) => exceptionAt(this.table(), row, column)?.dressing ?? ''));
    return names.size === 1 ? [...names][0] : undefined;
  });
  private readonly cell = computed(() => {
    const table = this.table();
    const { row, column } = this.choice();
    const { first, count } = sectionRows(table, 'body');
    const at = this.kind() === 'column' && count > 0 ? Math.max(row, first) : row;
    return gridOf(table).at(Math.min(at, heightOf(table) - 1), Math.min(column, widthOf(table) - 1));
  });
  /** The value mark that holds on the chosen cell, whoever brings it. */
  protected readonly worn = computed(() => valueMarkOn(this.table(), this.cell())?.name ?? '');
  /** Why a cell shows its value plainly although it wears a value mark. */
  protected readonly undressed = computed(() => {
    const dressing = valueMarkOn(this.table(), this.cell());
    const text = shownText(this.table(), this.cell()).trim();
    if (!dressing || text === '' || markedValueIn(this.table(), this.cell(), dressing)) return '';
    return `“${text.slice(0, 40)}” is nothing that ${dressing.name} can show; it stands there as it is.`;
  });

  protected dress(dressing: string): void {
    this.change(dressing === '' ? 'show values plainly' : `show values as ${dressing}`, '', (each) => ({ ...each, dressing }));
  }
  /** Makes and changes dressings; one that was added is put on what is chosen. */
  /** Extra CSS for this table alone: it stands above its theme's. */
  protected writeCss(): void {
    void this.css.open({
      title: 'Extra CSS of this table',
      about: 'For this table alone, above what its theme says. Parts are written as elements, conditions as pseudo-classes of them.',
      css: this.table().css ?? '',
      swatches: this.view()?.swatches.map(({ name }) => name) ?? [],
      changed: (css) => this.changed.emit({ label: 'write extra CSS', touches: 'css', make: (each) => setExtraCss(each, css) }),
    });
  }

  protected async editValueMarks(): Promise<void> {
    const { ValueMarkDialog } = await import('./value-mark-dialog');
    const table = this.table();
    const data: ValueMarkData = { table, view: this.view(), open: this.worn() };
    const made = await firstValueFrom(
      this.dialog.open<unknown, ValueMarkData, MadeValueMarks>(ValueMarkDialog, { width: '860px', maxWidth: '96vw', data }).afterClosed(),
    );
    if (!made) return;
    const isNew = made.open !== '' && ![...made.names.values()].includes(made.open);
    const at = this.places();
    this.changed.emit({
      label: 'change value marks',
      touches: '',
      make: (each) => {
        const set = setValueMarks(each, made.dressings, made.names);
        return isNew ? setExceptions(set, at, (exception) => ({ ...exception, dressing: made.open })) : set;
      },
    });
  }

  /** What a kind stands for among the chosen slots. */
  protected kindLabel(kind: ExceptionKind): string {
    const { row, column, toRow, toColumn } = this.choice();
    const count = { column: toColumn - column + 1, row: toRow - row + 1, cell: (toRow - row + 1) * (toColumn - column + 1) }[kind];
    const word = this.names()?.kinds[kind] ?? kind;
    if (count > 1) return `${count.toLocaleString('en')} ${word}s`;
    return kind === 'cell' ? `This ${word}` : this.placeOf(kind === 'column' ? { row: null, column } : { row, column: null });
  }

  private change(label: string, touches: string, change: (exception: Exception) => Exception): void {
    const at = this.places();
    const after = new Set([...this.table().exceptions, ...at].map(({ row, column }) => `${row} ${column}`)).size;
    if (!this.all() || after > LIMITS.exceptions) {
      const say = `A table has at most ${LIMITS.exceptions.toLocaleString('en')} looks beside its theme. Choose the whole column or row instead.`;
      this.wrong.set({ row: this.asked(), typed: '', say });
      return;
    }
    this.wrong.set(undefined);
    this.changed.emit({ label, touches, make: (table) => setExceptions(table, at, change) });
  }

  /** Sets what was typed; an empty text falls back to the theme. False where it cannot be read. */
  protected type(row: RowName, typed: string, touches = ''): boolean {
    const view = this.view();
    if (!view) return false;
    this.asked.set(row);
    if (typed.trim() === '') {
      this.clear(row);
      return true;
    }
    const read = readRow(row, typed, view.vocabulary);
    if (!read.ok) {
      this.wrong.set({ row, typed, say: read.problems[0] ? sayProblem(read.problems[0]) : '' });
      return false;
    }
    this.change(`set ${labelOf(row).toLowerCase()} beside the theme`, touches, (each) =>
      sidesOf(row).reduce((changed, property, i) => withValue(changed, property, read.value[i]), each),
    );
    return true;
  }
  protected clear(row: RowName): void {
    this.change(`take ${labelOf(row).toLowerCase()} back to the theme`, '', (each) =>
      sidesOf(row).reduce((changed, property) => withValue(changed, property, undefined), each),
    );
  }
  protected clearAll = (): void => this.change('take a look back to the theme', '', (each) => ({ ...each, dressing: '', values: {} }));
  protected reach(on: boolean): void {
    const reach: Exception['reach'] = !on ? '' : this.kind() === 'column' ? 'header' : 'always';
    this.change('say how far a look reaches', '', (each) => ({ ...each, reach }));
  }

  private readonly spoilt = computed(() => {
    const view = this.view();
    return view ? unreadableLooks(view, this.table(), bandOf(view)) : [];
  });
  /** Looks beside the theme by which texts cannot be read, anywhere in the table. */
  protected readonly unreadable = computed(() =>
    this.spoilt().map(({ exception, worst, failing, cases, ink }): UnreadableText => ({
      key: this.placeOf(exception),
      where: this.placeOf(exception),
      ratio: worst.ratio,
      needed: worst.needed,
      times: failing < cases ? `, in ${failing} of ${cases} cases` : '',
      ink,
    })),
  );
  private spoiltAt = (keys: readonly string[]): readonly UnreadableLook[] =>
    this.spoilt().filter(({ exception }) => keys.includes(this.placeOf(exception)));
  protected goToUnreadable(key: string): void {
    const [found] = this.spoiltAt([key]);
    if (found) this.goTo({ key, kind: kindOf(found.exception), at: [found.exception], where: key, says: '' });
  }
  protected mend(keys: readonly string[]): void {
    const all = this.spoiltAt(keys).filter(({ ink }) => ink !== undefined);
    this.changed.emit({
      label: all.length === 1 ? 'mend an ink' : `mend ${all.length} inks`,
      touches: '',
      make: (table) => all.reduce((each, { exception, ink }) => setExceptions(each, [exception], (set) => withValue(set, 'ink', ink)), table),
    });
  }

  protected drop({ at, kind }: ListedLook): void {
    this.changed.emit({
      label: `take the look of ${at.length === 1 ? `a ${kind}` : `${at.length} ${kind}s`} back to the theme`,
      touches: '',
      make: (table) => setExceptions(table, at, (each) => ({ ...each, dressing: '', values: {} })),
    });
  }
  protected goTo({ at, kind }: ListedLook): void {
    const [first] = at;
    if (!first) return;
    this.kind.set(kind);
    const table = this.table();
    const [row, column] = [first.row ?? 0, first.column ?? 0];
    this.went.emit({
      row,
      column,
      toRow: first.row ?? table.rows.length - 1,
      toColumn: first.column ?? (table.rows[0]?.length ?? 1) - 1,
    });
  }
  protected openVisual(row: LookRow, from: HTMLElement): void {
    this.from = from;
    this.origin.set(from);
    this.asked.set(row.name);
    this.visual.set(row);
  }
  protected visualText(): string {
    const open = this.visual();
    const row = this.rows().find(({ name }) => name === open?.name);
    return row?.text ? row.text : (row?.holds ?? '');
  }
  protected closeVisual(): void {
    this.visual.set(undefined);
    this.from?.focus();
  }
}
