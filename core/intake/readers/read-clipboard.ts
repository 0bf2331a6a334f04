import { bad, good, type Outcome } from '../../outcome';
import type { Brought } from '../bring-in';
import { readHtml } from './read-html';
import { readMarkdown } from './read-markdown';
import { readSeparated } from './read-delimited';

/** What a clipboard holds: either may be empty. */
export interface Clipboard {
  readonly html: string;
  readonly text: string;
}

/** Whether a text has a table of Markdown: a line of dashes between bars under another with bars. */
const isMarkdown = (text: string): boolean => {
  const lines = text.split('\n', 200).map((line) => line.trim());
  return lines.some(
    (line, at) => at > 0 && line.includes('-') && line.includes('|') && /^[|:\- \t]+$/.test(line) && (lines[at - 1] ?? '').includes('|'),
  );
};

/** Cells copied from a spreadsheet or a page: the HTML form where it has a table, else tab-separated text, else a guess. */
export function readClipboard({ html, text }: Clipboard): Outcome<Brought> {
  if (/<t(able|r|d|h)[\s>]/i.test(html)) {
    const read = readHtml(html);
    if (read.ok) return good({ kind: 'html', ...read.value, piece: 0 });
    if (text.trim() === '') return read;
  }
  if (text.trim() === '') return bad({ code: 'no-cells', say: 'There are no cells on the clipboard.', remedy: 'Copy the cells first, then paste.' });
  if (/^[\s,;|]*$/.test(text))
    return bad({ code: 'no-cells', say: 'There is nothing but separators on the clipboard.', remedy: 'Copy cells with something in them.' });
  if (isMarkdown(text)) {
    const read = readMarkdown(text);
    if (read.ok) return good({ kind: 'markdown', ...read.value, piece: 0 });
  }
  // What has no cells in it is one.
  if (!/[\t,;|\n]/.test(text.trim())) return good({ kind: 'separated', raw: { rows: [[text.trim()]], merges: [], notes: [] }, pieces: [], piece: 0 });
  const read = readSeparated(text, [], text.includes('\t') ? '\t' : '');
  return read.ok ? good({ kind: 'separated', ...read.value, pieces: [], piece: 0 }) : read;
}
