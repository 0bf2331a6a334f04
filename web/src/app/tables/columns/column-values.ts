import { ChangeDetectionStrategy, Component, computed, effect, input, output, signal } from '@angular/core';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { sayProblem } from '../../../../../core/outcome';
import {
  LIMITS,
  PLAIN_RULE,
  columnNames,
  formulaFunctions,
  readFormula,
  setColumns,
  wholeFunctions,
  writtenName,
  type Chosen,
  type ColumnRule,
  type Table,
} from '../../../../../core/table';
import type { Asked } from './column-form';

/** Where a column's values come from, and what they have to be: its formula and its rule. */
@Component({
  selector: 'zest-column-values',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatCheckboxModule],
  templateUrl: './column-values.html',
  styleUrls: ['./structure.scss', './column-form.scss'],
})
export class ColumnValues {
  readonly table = input.required<Table>();
  readonly choice = input.required<Chosen>();
  readonly changed = output<Asked>();

  protected readonly limits = LIMITS;
  protected readonly functions = [...formulaFunctions, ...wholeFunctions].map((name) => `${name}()`).join(', ');
  private readonly column = computed(() => this.table().columns[this.choice().column]);
  protected readonly formula = computed(() => this.column()?.formula ?? '');
  protected readonly rule = computed(() => this.column()?.rule ?? null);
  protected readonly choices = computed(() => (this.rule()?.choices ?? []).join('\n'));
  protected readonly names = computed(() => columnNames(this.table()));
  /** How a formula looks, over a column that is there. */
  protected readonly example = computed(() => `${writtenName(this.names()[this.choice().column === 1 ? 0 : 1] ?? 'Fare')} * 2`);
  /** What was typed as a formula and cannot be read. */
  protected readonly typed = signal<string | undefined>(undefined);
  protected readonly wrong = signal('');

  constructor() {
    // Another column begins anew.
    effect(() => {
      this.choice();
      this.typed.set(undefined);
      this.wrong.set('');
    });
  }

  private change(label: string, make: (table: Table, from: number, to: number) => Table): void {
    const { column, toColumn } = this.choice();
    this.changed.emit({ label, touches: '', make: (table) => make(table, column, toColumn) });
  }

  protected setFormula(text: string): void {
    const formula = text.trim();
    const read = formula === '' ? undefined : readFormula(formula, this.names());
    if (read && !read.ok) {
      this.typed.set(text);
      this.wrong.set(read.problems.map(sayProblem).join(' '));
      return;
    }
    this.typed.set(undefined);
    this.wrong.set('');
    this.change(formula === '' ? 'type a column’s values again' : 'work a column out', (table, from, to) => setColumns(table, from, to, { formula }));
  }

  protected ask(on: boolean): void {
    this.change(on ? 'set a rule for values' : 'take a rule for values away', (table, from, to) =>
      setColumns(table, from, to, { rule: on ? PLAIN_RULE : null }),
    );
  }
  protected put(part: Partial<ColumnRule>): void {
    this.change('change a rule for values', (table, from, to) =>
      setColumns(table, from, to, { rule: { ...(table.columns[from]?.rule ?? PLAIN_RULE), ...part } }),
    );
  }
  protected list(text: string): void {
    const choices = [...new Set(text.split(/\r?\n/).map((line) => line.trim().slice(0, 200)))].filter((line) => line !== '');
    if (choices.length > LIMITS.choices) {
      this.wrong.set(`A column has at most ${LIMITS.choices.toLocaleString('en')} choices; these are ${choices.length.toLocaleString('en')}.`);
      return;
    }
    this.wrong.set('');
    this.put({ choices });
  }
}
