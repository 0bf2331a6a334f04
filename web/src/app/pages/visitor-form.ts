import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { languages, words, type LanguageCode, type Word } from '../../../../core/languages';
import { columnNames, type Table } from '../../../../core/table';
import { FRAME_HEIGHT, PLAIN_VISITOR, isRightToLeft, wordingOf, type Visitor } from '../../../../core/page';

/** What visitors can do with a placed table, and how it is said. */
@Component({
  selector: 'zest-visitor-form',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatCheckboxModule],
  templateUrl: './visitor-form.html',
  styles: `
    :host {
      display: flex;
      flex-direction: column;
      gap: 2px;
    }
    h3 {
      margin: 12px 0 0;
    }
    label {
      display: grid;
      gap: 4px;
      margin-block: 4px;
      color: var(--zest-soft);
    }
    label.short {
      grid-template-columns: 1fr 80px;
      align-items: center;
    }
    summary {
      cursor: pointer;
      padding-block: 4px;
    }
    p {
      margin: 0;
    }
    .within {
      display: grid;
      padding-inline-start: 16px;
    }
  `,
})
export class VisitorForm {
  readonly visitor = input.required<Visitor | null>();
  readonly table = input<Table>();
  /** Names of the table's columns. */
  protected readonly columns = computed((): readonly string[] => {
    const table = this.table();
    return table ? columnNames(table) : [];
  });
  /** Whether merged cells hold rows of its body together. */
  protected readonly isHeld = computed(
    () => this.table()?.merges.some((merge) => merge.rows > 1 && merge.row >= (this.table()?.headerRows ?? 0)) === true,
  );
  readonly changed = output<Visitor | null>();
  protected readonly languages = languages;
  protected readonly words = words;
  protected readonly plain = PLAIN_VISITOR;
  protected readonly wrong = signal('');
  /** What each label says as the language has it. */
  protected readonly ready = computed(() => wordingOf({ ...(this.visitor() ?? PLAIN_VISITOR), wording: {} }));
  protected readonly direction = computed(() => (isRightToLeft(this.visitor()?.language ?? 'en') ? 'rtl' : 'ltr'));

  protected put(part: Partial<Visitor>): void {
    this.wrong.set('');
    this.changed.emit({ ...(this.visitor() ?? PLAIN_VISITOR), ...part });
  }
  protected rows(typed: string): void {
    const n = typed.trim() === '' ? 0 : Number(typed);
    if (!Number.isInteger(n) || n < 0 || n > 1000)
      return this.wrong.set('Rows on a page are a whole number up to 1,000; leave it empty for all of them.');
    this.put({ pageRows: n });
  }
  protected below(typed: string): void {
    const n = Number(typed);
    if (!Number.isInteger(n) || n < 0 || n > 400)
      return this.wrong.set('How far below the window’s edge the header stays is a whole number up to 400.');
    this.put({ headerBelow: n === 0 ? undefined : n });
  }
  protected height(typed: string): void {
    const text = typed.trim().toLowerCase();
    if (text !== '' && !FRAME_HEIGHT.test(text)) return this.wrong.set('A frame’s height is from 120px to 4000px, or from 20vh to 100vh.');
    this.put({ headerHeight: text === '' ? undefined : text });
  }
  /** The column that rows are sorted by at first, wherever it stands now; -1 for none. */
  protected readonly firstColumn = computed(() => {
    const first = this.visitor()?.first;
    if (!first) return -1;
    const named = this.columns().indexOf(first.name);
    return named < 0 ? first.column : named;
  });
  protected first(column: string, down: boolean): void {
    const at = Number(column);
    const direction = down ? 'descending' : 'ascending';
    this.put({ first: column === '' ? null : { column: at, name: this.columns()[at] ?? '', direction } });
  }
  protected sorts(name: string, on: boolean): void {
    const others = this.visitor()?.unsorted.filter((each) => each !== name && this.columns().includes(each)) ?? [];
    this.put({ unsorted: on ? others : [...others, name] });
  }
  protected language = (code: string): void => this.put({ language: code as LanguageCode });
  /** A label in the person's own words; an empty one is the language's again. */
  protected word(name: Word, typed: string): void {
    const { [name]: _, ...others } = this.visitor()?.wording ?? {};
    const text = typed.trim().slice(0, 200);
    this.put({ wording: text === '' ? others : { ...others, [name]: text } });
  }
  protected putsOf = (word: (typeof words)[number]): string => ('puts' in word ? word.puts.map((name) => `{${name}}`).join(', ') : '');
}
