import { Injectable } from '@angular/core';

/** What was found when a table came in, handed from the dialog to the editor that opens next. */
@Injectable({ providedIn: 'root' })
export class FreshNotes {
  private readonly notes = new Map<string, readonly string[]>();

  leave(id: string, notes: readonly string[]): void {
    this.notes.set(id, notes);
  }
  take(id: string): readonly string[] {
    const notes = this.notes.get(id) ?? [];
    this.notes.delete(id);
    return notes;
  }
}
