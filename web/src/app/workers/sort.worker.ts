import { expose } from 'comlink';
import { folded, readValueOf, sortedPlaces, totalOf, type TotalKind } from '../../../../core/data-types';
import type { Reading } from '../../../../core/table';

/** Sorts, finds and adds up the rows of a long table, off the interface's thread. */
class Sorter {
  private texts: string[] = [];

  /** Texts of a column's body, handed over piece by piece; the first piece forgets earlier ones. */
  take(texts: readonly string[], isFirst: boolean): void {
    if (isFirst) this.texts = [];
    for (const text of texts) this.texts.push(text);
  }
  /** The order of each stretch of so many texts. What is not of the column's type is sorted as a text. */
  orders(reading: Reading, direction: 'ascending' | 'descending', language: string, counts: readonly number[]): readonly Uint32Array[] {
    const values = this.texts.map((text) => {
      const value = readValueOf(reading.type, text, reading);
      return value === undefined ? text : value;
    });
    let from = 0;
    return counts.map((count) => sortedPlaces(values.slice(from, (from += count)), direction, language));
  }
  /** What the column comes to. */
  total(reading: Reading, kind: TotalKind): number | null {
    return totalOf(
      kind,
      this.texts.map((text) => readValueOf(reading.type, text, reading)),
    );
  }

  private lines: string[] = [];
  private language = '';
  private readonly fold = (text: string): string => folded(text, this.language);
  /** Rows to be searched in their language, each as one text, handed over piece by piece. */
  lend(lines: readonly string[], isFirst: boolean, language: string): void {
    if (isFirst) this.lines = [];
    this.language = language;
    for (const line of lines) this.lines.push(this.fold(line));
  }
  /** Which of the lent rows have all of the words, whatever their case and accents. */
  find(words: string): Uint32Array {
    const asked = this.fold(words).split(/\s+/).filter(Boolean);
    return Uint32Array.from(this.lines.flatMap((line, at) => (asked.every((word) => line.includes(word)) ? [at] : [])));
  }
}
export type SortWorker = Sorter;

expose(new Sorter());
