import { Lexer, type Token, type Tokens } from 'marked';
import { bad, good, type Outcome } from '../outcome';
import type { Raw } from './raw';

/** Reads a table of Markdown, the one that is asked for, as text; the heading above it becomes its caption. */
export function readMarkdown(text: string, piece = 0): Outcome<{ readonly raw: Raw; readonly pieces: readonly string[] }> {
  const tables: { readonly table: Tokens.Table; readonly heading: string }[] = [];
  let heading = '';
  for (const token of new Lexer({ gfm: true }).lex(text)) {
    if (token.type === 'heading') heading = plain((token as Tokens.Heading).tokens);
    if (token.type === 'table') {
      tables.push({ table: token as Tokens.Table, heading });
      heading = '';
    }
  }
  const found = tables[piece];
  if (!found) return bad({ code: 'no-table', say: 'There is no table in it.', remedy: 'A Markdown table has a line of dashes under its header.' });
  const { table } = found;
  const header = table.header.map(({ tokens }) => plain(tokens));
  const isHeaded = header.some((cell) => cell !== '');
  const body = table.rows.map((cells) => cells.map(({ tokens }) => plain(tokens)));
  return good({
    raw: { rows: isHeaded ? [header, ...body] : body, merges: [], headerRows: isHeaded ? 1 : 0, caption: found.heading, notes: [] },
    pieces: tables.map(
      ({ table: each, heading: name }, i) => (name || each.header.map(({ tokens }) => plain(tokens)).join(', ')).slice(0, 60) || `Table ${i + 1}`,
    ),
  });
}

/** What a person reads: marks gone, character references read, line breaks kept. */
function plain(tokens: readonly Token[] = []): string {
  return tokens
    .map((token): string => {
      if (token.type === 'br' || (token.type === 'html' && /^<br\s*\/?>$/i.test(token.raw.trim()))) return '\n';
      if (token.type === 'html') return '';
      if ('tokens' in token && token.tokens) return plain(token.tokens);
      return 'text' in token && typeof token.text === 'string' ? unescape(token.text) : '';
    })
    .join('')
    .trim();
}

const references: Readonly<Record<string, string>> = { amp: '&', lt: '<', gt: '>', quot: '"', '#39': "'", nbsp: ' ' };
const unescape = (text: string): string => text.replace(/&(amp|lt|gt|quot|#39|nbsp);/g, (whole, name: string) => references[name] ?? whole);
