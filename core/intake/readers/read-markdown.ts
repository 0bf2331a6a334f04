import { Lexer, type Token, type Tokens } from 'marked';
import { bad, good, type Outcome } from '../../outcome';
import { cellOf, isSafeAddress, textOf, type Cell, type Mark, type MarkKind } from '../../table';
import type { Raw } from '../raw';

/** Reads a table of Markdown, the one that is asked for; the heading above it becomes its caption. */
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
  const header = table.header.map(({ tokens }) => rich(tokens));
  const isHeaded = header.some((cell) => cell !== '');
  const body = table.rows.map((cells) => cells.map(({ tokens }) => rich(tokens)));
  return good({
    raw: { rows: isHeaded ? [header, ...body] : body, merges: [], headerRows: isHeaded ? 1 : 0, caption: found.heading, notes: [] },
    pieces: tables.map(
      ({ table: each, heading: name }, i) => (name || each.header.map(({ tokens }) => plain(tokens)).join(', ')).slice(0, 60) || `Table ${i + 1}`,
    ),
  });
}

/** What a person reads, without marks. */
const plain = (tokens: readonly Token[] = []): string => textOf(rich(tokens));

const marked: Readonly<Record<string, MarkKind>> = { strong: 'bold', em: 'italic', del: 'strike', codespan: 'code', link: 'link' };

/** What a person reads: character references read, line breaks kept, emphasis and links as marks. */
function rich(tokens: readonly Token[] = []): Cell {
  const marks: Mark[] = [];
  let text = '';
  const read = (each: readonly Token[]): void => {
    for (const token of each) {
      const from = text.length;
      if (token.type === 'br' || (token.type === 'html' && /^<br\s*\/?>$/i.test(token.raw.trim()))) text += '\n';
      else if (token.type === 'html') continue;
      else if ('tokens' in token && token.tokens) read(token.tokens);
      else if ('text' in token && typeof token.text === 'string') text += unescape(token.text);
      const kind = marked[token.type];
      const href = kind === 'link' ? String((token as Tokens.Link).href) : undefined;
      if (kind !== undefined && (href === undefined || isSafeAddress(href)))
        marks.push({ from, to: text.length, kind, ...(href === undefined ? {} : { href }) });
    }
  };
  read(tokens);
  const start = text.length - text.trimStart().length;
  return cellOf(
    text.trim(),
    marks.map((mark) => ({ ...mark, from: mark.from - start, to: mark.to - start })),
  );
}

const references: Readonly<Record<string, string>> = { amp: '&', lt: '<', gt: '>', quot: '"', '#39': "'", nbsp: ' ' };
const unescape = (text: string): string => text.replace(/&(amp|lt|gt|quot|#39|nbsp);/g, (whole, name: string) => references[name] ?? whole);
