import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { RouterLink } from '@angular/router';
import {
  LIMITS,
  equalColumns,
  setColumns,
  setFooterRows,
  setHeaderRows,
  setRowHeaders,
  typedColumnWidth,
  type Chosen,
  type Table,
  type TableKind,
} from '../../../../../core/table';
import { languageProblem } from '../../../../../core/data-types';
import { languages } from '../../../../../core/languages';
import type { KeptTheme } from '../../documents/api';
import { ColumnForm, type Asked } from './column-form';
import { ColumnValues } from './column-values';

const kindLabels: Readonly<Record<TableKind, string>> = { data: 'Data', pricing: 'Pricing', dashboard: 'Dashboard' };

/** Languages that are offered; any other code can be typed. */
const offered = [...languages.map(({ code, name }) => [code, name] as const), ['de-CH', 'Deutsch, Schweiz'], ['en-IN', 'English, India']] as const;

/** What a table is made of beside its cells: header and footer, columns, caption, theme. */
@Component({
  selector: 'zest-structure',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ColumnForm, ColumnValues, MatButtonModule, MatCheckboxModule, RouterLink],
  templateUrl: './structure.html',
  styleUrl: './structure.scss',
})
export class Structure {
  readonly table = input.required<Table>();
  readonly choice = input.required<Chosen>();
  readonly themes = input.required<readonly KeptTheme[]>();
  readonly changed = output<Asked>();

  protected readonly limits = LIMITS;
  protected readonly kinds = Object.entries(kindLabels);
  protected readonly wrong = signal('');
  protected readonly columnsSay = computed(() => {
    const { column, toColumn } = this.choice();
    return column === toColumn ? `Column ${column + 1}` : `Columns ${column + 1} to ${toColumn + 1}`;
  });
  private readonly chosen = computed(() => this.table().columns.slice(this.choice().column, this.choice().toColumn + 1));
  /** The width of the chosen columns, where they have the same. */
  protected readonly width = computed(() => {
    const widths = new Set(this.chosen().map(({ width }) => width));
    return widths.size === 1 ? ([...widths][0] ?? '') : undefined;
  });
  /** When the chosen columns give way; nothing where they stay or differ. */
  protected readonly yields = computed(() => {
    const each = new Set(this.chosen().map((column) => column.yields ?? ''));
    return each.size === 1 ? ([...each][0] ?? '') : '';
  });
  protected readonly isHidden = computed(() => this.chosen().every(({ hidden }) => hidden));

  private change(label: string, touches: string, make: (table: Table) => Table): void {
    this.wrong.set('');
    this.changed.emit({ label, touches, make });
  }

  protected count(what: 'header' | 'rowHeaders' | 'footer', typed: string): void {
    const n = Number(typed);
    if (typed.trim() === '' || !Number.isInteger(n) || n < 0) return;
    const set = { header: setHeaderRows, rowHeaders: setRowHeaders, footer: setFooterRows }[what];
    this.change({ header: 'mark header rows', rowHeaders: 'mark row headers', footer: 'mark footer rows' }[what], what, (table) => set(table, n));
  }

  protected setWidth(typed: string): void {
    const width = typedColumnWidth(typed);
    if (width === undefined)
      return this.wrong.set(`“${typed}” is no width. Write 120px, 8em or 10rem, a percentage as 20%, a share as 2fr; leave it empty for by content.`);
    const { column, toColumn } = this.choice();
    this.change('set a column’s width', '', (table) => setColumns(table, column, toColumn, { width }));
  }
  protected hide(hidden: boolean): void {
    const { column, toColumn } = this.choice();
    this.change(`${hidden ? 'hide' : 'show'} a column`, '', (table) => setColumns(table, column, toColumn, { hidden }));
  }
  protected giveWay(when: '' | 'first' | 'second'): void {
    const { column, toColumn } = this.choice();
    this.change('say when a column gives way', '', (table) => setColumns(table, column, toColumn, { yields: when || undefined }));
  }
  protected equal = (): void => this.change('make columns equally wide', '', equalColumns);
  protected pin = (pinned: boolean): void =>
    this.change(pinned ? 'pin the first column' : 'unpin the first column', '', (table) => ({ ...table, pinned }));

  protected caption = (caption: string): void =>
    this.change('set the caption', 'caption', (table) => ({ ...table, caption: caption.slice(0, LIMITS.caption) }));
  protected captionSide = (side: string): void =>
    this.change('place the caption', '', (table) => ({ ...table, captionSide: side as Table['captionSide'] }));
  protected captionAlign = (align: string): void =>
    this.change('align the caption', '', (table) => ({ ...table, captionAlign: align as Table['captionAlign'] }));
  protected describe = (description: string): void =>
    this.change('describe the table', 'description', (table) => ({ ...table, description: description.slice(0, LIMITS.description) }));
  protected note = (note: string): void =>
    this.change('set the text below', 'note', (table) => ({ ...table, note: note.slice(0, LIMITS.description) }));
  protected decimal = (mark: string): void => this.change('set the decimal mark', '', (table) => ({ ...table, decimal: mark as Table['decimal'] }));
  protected readonly languages = offered;
  protected readonly noLanguage = signal('');
  protected language(field: HTMLInputElement): void {
    const code = field.value.trim();
    this.noLanguage.set(languageProblem(code, 'English'));
    if (this.noLanguage() === '') this.change('say the language of the values', '', (table) => ({ ...table, language: code }));
  }
  protected kind = (kind: string): void => this.change('say what the table is for', '', (table) => ({ ...table, kind: kind as TableKind }));
  protected dress = (theme: string): void => this.change('dress the table', 'theme', (table) => ({ ...table, theme }));
}
