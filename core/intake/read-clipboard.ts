import { type Outcome } from '../outcome';
import { readHtmlTable } from './read-html';
import { readSeparated } from './read-delimited';
import type { Intake } from './square';

/** What a clipboard holds: either may be empty. */
export interface Clipboard {
  readonly html: string;
  readonly text: string;
}

/** Cells copied from a spreadsheet or a page: the HTML form where it has a table, else tab-separated text, else a guess. */
export function readClipboard(name: string, { html, text }: Clipboard): Outcome<Intake> {
  if (/<t(able|r|d|h)[\s>]/i.test(html)) {
    const read = readHtmlTable(name, html);
    if (read.ok) return read;
  }
  return readSeparated(name, text, [], text.includes('\t') ? '\t' : '');
}
