import { expose } from 'comlink';
import { readValueOf, sortedPlaces } from '../../../../core/data-types';
import type { Reading } from '../../../../core/table';

/** Puts the values of a column in order, off the interface's thread. */
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
}
export type SortWorker = Sorter;

expose(new Sorter());
