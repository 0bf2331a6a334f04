import { good, type Outcome } from '../../outcome';
import type { Brought } from '../bring-in';
import { readHtml } from './read-html';
import { readSeparated } from './read-delimited';

/** What a clipboard holds: either may be empty. */
export interface Clipboard {
  readonly html: string;
  readonly text: string;
}

/** Cells copied from a spreadsheet or a page: the HTML form where it has a table, else tab-separated text, else a guess. */
export function readClipboard({ html, text }: Clipboard): Outcome<Brought> {
  if (/<t(able|r|d|h)[\s>]/i.test(html)) {
    const read = readHtml(html);
    if (read.ok) return good({ kind: 'html', ...read.value, piece: 0 });
  }
  const read = readSeparated(text, [], text.includes('\t') ? '\t' : '');
  return read.ok ? good({ kind: 'separated', ...read.value, pieces: [], piece: 0 }) : read;
}
