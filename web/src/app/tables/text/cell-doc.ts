import type { JSONContent } from '@tiptap/core';
import { isLanguage } from '../../../../../core/data-types';
import { cellOf, isColour, isPictureAddress, isSafeAddress, stretchesOf, type Cell, type Mark, type MarkKind } from '../../../../../core/table';

/** Marks of a cell, and what the text editor calls them. */
const names: Readonly<Partial<Record<MarkKind, string>>> = {
  bold: 'bold',
  italic: 'italic',
  underline: 'underline',
  strike: 'strike',
  small: 'small',
  sub: 'subscript',
  super: 'superscript',
  highlight: 'highlight',
  code: 'code',
  link: 'link',
  language: 'language',
  ink: 'ink',
};
/** Those that say which: a link, a language, a colour; a highlight may. */
const withHref: ReadonlySet<MarkKind> = new Set(['link', 'language', 'ink', 'highlight']);
const kinds = new Map(Object.entries(names).map(([kind, name]) => [name, kind as MarkKind]));

/** A cell as the text editor's document: one paragraph, in which line breaks can be marked like letters. */
export function docOf(cell: Cell): JSONContent {
  const content: JSONContent[] = [];
  for (const { text, marks } of stretchesOf(cell)) {
    const stood = marks.find(({ kind }) => kind === 'icon' || kind === 'picture');
    const around = marks.flatMap(({ kind, href }) => {
      const type = names[kind];
      return type === undefined ? [] : [{ type, ...(withHref.has(kind) ? { attrs: { href: href ?? '' } } : {}) }];
    });
    if (stood) {
      content.push({
        type: stood.kind,
        attrs: { of: stood.href, text, ...(stood.height === undefined ? {} : { height: stood.height }) },
        marks: around,
      });
      continue;
    }
    text.split('\n').forEach((piece, i) => {
      if (i > 0) content.push({ type: 'hardBreak', marks: around });
      if (piece !== '') content.push({ type: 'text', text: piece, marks: around });
    });
  }
  return { type: 'doc', content: [{ type: 'paragraph', content }] };
}

/** The text editor's document as a cell. Addresses that would run something, or that are no picture's, leave their text behind. */
export function cellOfDoc({ content = [] }: JSONContent): Cell {
  let text = '';
  const marks: Mark[] = [];
  content.forEach((paragraph, i) => {
    if (i > 0) text += '\n';
    for (const piece of paragraph.content ?? []) {
      const from = text.length;
      const { of, text: said, height } = (piece.attrs ?? {}) as { readonly of?: string; readonly text?: string; readonly height?: unknown };
      text += piece.type === 'hardBreak' ? '\n' : piece.type === 'text' ? (piece.text ?? '') : (said ?? '');
      const to = text.length;
      if (piece.type === 'icon' && of !== undefined) marks.push({ from, to, kind: 'icon', href: of });
      if (piece.type === 'picture' && of !== undefined && isPictureAddress(of))
        marks.push({ from, to, kind: 'picture', href: of, ...(typeof height === 'number' ? { height } : {}) });
      for (const { type, attrs } of piece.marks ?? []) {
        const kind = kinds.get(type);
        const href = (attrs as { readonly href?: unknown } | undefined)?.href;
        if (kind === 'link') {
          if (typeof href === 'string' && isSafeAddress(href)) marks.push({ from, to, kind, href });
        } else if (kind === 'language') {
          if (typeof href === 'string' && isLanguage(href)) marks.push({ from, to, kind, href });
        } else if (kind === 'ink') {
          if (typeof href === 'string' && isColour(href)) marks.push({ from, to, kind, href });
        } else if (kind === 'highlight') {
          marks.push({ from, to, kind, ...(typeof href === 'string' && isColour(href) ? { href } : {}) });
        } else if (kind) marks.push({ from, to, kind });
      }
    }
  });
  return cellOf(text, marks);
}
