import { Injectable } from '@angular/core';

const PREFIX = 'zest-shown-on/';

/** On which table each theme was looked at last, in this browser: the studio shows it there again. */
@Injectable({ providedIn: 'root' })
export class ShownOn {
  remember(theme: string, table: string): void {
    try {
      if (table !== '') localStorage.setItem(PREFIX + theme, table);
    } catch {
      // A browser that keeps nothing: the first table is shown.
    }
  }
  /** The table's id, or that of a specimen; empty where nothing is known. */
  of(theme: string): string {
    try {
      return localStorage.getItem(PREFIX + theme) ?? '';
    } catch {
      return '';
    }
  }
}
