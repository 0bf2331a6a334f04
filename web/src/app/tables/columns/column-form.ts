import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import { MatCheckboxModule } from '@angular/material/checkbox';
import {
  PLAIN_FORMAT,
  currencyCode,
  dataTypes,
  type dateStyles,
  isNumericType,
  languageProblem,
  totalKinds,
  totalsFor,
  type ColumnFormat,
  type DataType,
} from '../../../../../core/data-types';
import { heightOf, setColumns, setTotals, textOf, typeOfColumn, valuesOf, type Chosen, type Column, type Table } from '../../../../../core/table';

/** An edit of a table that is asked for: its name in the history, and what it touches, so that typing is one step. */
export interface Asked {
  readonly label: string;
  readonly touches: string;
  readonly make: (table: Table) => Table;
}

const orders = [
  ['', 'day before month'],
  ['mdy', 'month before day'],
  ['ymd', 'year first'],
] as const;
const dateLabels: Readonly<Record<(typeof dateStyles)[number], string>> = {
  iso: '2026-11-26',
  short: 'short',
  medium: 'medium',
  long: 'long',
  full: 'with the weekday',
};

/** What the chosen columns are: their type, how values are shown, what they come to. */
@Component({
  selector: 'zest-column-form',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatCheckboxModule],
  templateUrl: './column-form.html',
  styleUrls: ['./structure.scss', './column-form.scss'],
})
export class ColumnForm {
  readonly table = input.required<Table>();
  readonly choice = input.required<Chosen>();
  readonly changed = output<Asked>();

  protected readonly types = dataTypes;
  protected readonly orders = orders;
  protected readonly dateStyles = Object.entries(dateLabels);
  protected readonly wrong = signal('');

  private readonly set = computed(() => this.table().columns.slice(this.choice().column, this.choice().toColumn + 1));
  /** What all chosen columns have, where they have the same. */
  private common<K extends keyof Column>(name: K): Column[K] | undefined {
    const all = new Set(this.set().map((column) => column[name]));
    return all.size === 1 ? [...all][0] : undefined;
  }
  protected readonly type = computed(() => this.common('type'));
  protected readonly total = computed(() => this.common('total'));
  protected readonly order = computed(() => this.common('order'));
  protected readonly language = computed(() => this.common('language'));
  protected readonly format = computed(() => this.set()[0]?.format ?? null);
  protected readonly isTyped = computed(() => (this.type() ?? '') !== '');
  protected readonly isNumeric = computed(() => {
    const type = this.type();
    return type !== undefined && type !== '' && isNumericType(type);
  });
  /** What the cells themselves tell. Asked only while no type is set, since it reads up to 500 of them. */
  private readonly found = computed(() => typeOfColumn(this.table(), this.choice().column));
  protected readonly foundSays = computed(() => dataTypes.find(({ name }) => name === this.found().type)?.label.toLowerCase() ?? '');
  protected readonly totals = computed(() => {
    const type = this.type() ?? '';
    const can = totalsFor(type === '' ? this.found().type : type);
    return totalKinds.filter(({ name }) => can.includes(name));
  });
  /** A text in the last footer row stands in front of the total. */
  protected readonly isCovered = computed(() => {
    const table = this.table();
    return (this.total() ?? '') !== '' && textOf(table.rows[heightOf(table) - 1]?.[this.choice().column]).trim() !== '';
  });
  /** How many cells are not of the type that was said. Counted for as many as can be looked at at once. */
  protected readonly wrongSays = computed(() => {
    if (!this.isTyped()) return '';
    let [count, looked] = [0, 0];
    for (const value of valuesOf(this.table(), this.choice().column, 0, 2000)) {
      looked++;
      if (value === undefined) count++;
    }
    const of = looked === 2000 ? ' of the first 2,000' : '';
    return count === 0
      ? ''
      : count === 1
        ? `1 cell${of} is something else; it is marked.`
        : `${count} cells${of} are something else; they are marked.`;
  });

  private change(label: string, make: (table: Table, from: number, to: number) => Table): void {
    const { column, toColumn } = this.choice();
    this.wrong.set('');
    this.changed.emit({ label, touches: '', make: (table) => make(table, column, toColumn) });
  }

  /** What the cells tell beside their type comes with it: the order of dates, the decimal mark where none is set. */
  protected setType(name: string): void {
    const type = name as '' | DataType;
    const { order, decimal } = typeOfColumn(this.table(), this.choice().column, type);
    this.change('say what a column is', (table, from, to) => {
      const set = setColumns(table, from, to, { type, order: type === 'date' && order !== 'dmy' ? order : '', format: null });
      return type !== '' && isNumericType(type) && table.decimal === '' && decimal !== '' ? { ...set, decimal } : set;
    });
  }
  protected setOrder = (order: string): void =>
    this.change('say how dates are written', (table, from, to) => setColumns(table, from, to, { order: order as Column['order'] }));
  protected speak(typed: string): void {
    const code = typed.trim();
    const problem = languageProblem(code, 'the table’s');
    if (problem !== '') return this.wrong.set(problem);
    this.change('say the language of a column', (table, from, to) => setColumns(table, from, to, { language: code === '' ? undefined : code }));
  }
  protected setTotal = (total: string): void =>
    this.change(total === '' ? 'take a total away' : 'add a total', (table, from, to) => setTotals(table, from, to, total as Column['total']));

  protected show(inFormat: boolean): void {
    const { currency, unit, type } = typeOfColumn(this.table(), this.choice().column, this.type() ?? '');
    const isYears =
      type === 'whole' && [...valuesOf(this.table(), this.choice().column, 0, 500)].every((value) => Number(value) >= 1000 && Number(value) < 2200);
    const format: ColumnFormat = { ...PLAIN_FORMAT, currency: currencyCode(currency), unit, grouping: !isYears };
    this.change(inFormat ? 'show a column in a format' : 'show a column as typed', (table, from, to) =>
      setColumns(table, from, to, { format: inFormat ? format : null }),
    );
  }
  protected put(part: Partial<ColumnFormat>): void {
    this.change('change a column’s format', (table, from, to) =>
      setColumns(table, from, to, { format: { ...(table.columns[from]?.format ?? PLAIN_FORMAT), ...part } }),
    );
  }
  protected signed(isSigned: boolean): void {
    this.change('change a column’s format', (table, from, to) => {
      const { positive: _, ...format } = table.columns[from]?.format ?? PLAIN_FORMAT;
      return setColumns(table, from, to, { format: isSigned ? { ...format, positive: 'plus' } : format });
    });
  }
  protected decimals(typed: string): void {
    const n = typed.trim() === '' ? null : Number(typed);
    if (n !== null && (!Number.isInteger(n) || n < 0 || n > 10))
      return this.wrong.set('Decimals are a whole number from 0 to 10; leave it empty for as many as there are.');
    this.put({ decimals: n });
  }
  protected currency(typed: string): void {
    const code = currencyCode(typed.trim()) || typed.trim().toUpperCase();
    if (!/^(?:[A-Z]{3})?$/.test(code))
      return this.wrong.set(`“${typed}” is no currency. Write its three letters, such as GBP or EUR; leave it empty for the bare amount.`);
    this.put({ currency: code });
  }
}
