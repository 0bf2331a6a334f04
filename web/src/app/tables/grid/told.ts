import type { Clipboard } from '../../../../../core/intake';
import type { Choice } from '../choice';

/** A text for a cell; for all cells of a block where one was chosen when typing began. */
export interface Typed {
  readonly row: number;
  readonly column: number;
  readonly text: string;
  readonly block?: Choice;
}

/** Cells from a clipboard, and whether room is made for them. */
export interface Pasted {
  readonly clipboard: Clipboard;
  readonly way: 'replace' | 'insert';
}
