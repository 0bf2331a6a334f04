import type { CssNode } from 'css-tree';
import { visitBrackets } from '../../css-brackets';

/** Where something begins in a text, as css-tree counts: lines and columns from 1. */
export interface Start {
  readonly offset: number;
  readonly line: number;
  readonly column: number;
}
export const startOf = ({ loc }: CssNode): Start => loc?.start ?? { offset: 0, line: 1, column: 1 };
/** The place before: of the brace that is put in front of what is read on its own. */
export const before = ({ offset, line, column }: Start): Start => ({ offset: offset - 1, line, column: column - 1 });
/** Where a text ends that begins somewhere. */
export function after({ offset, line, column }: Start, text: string): Start {
  const lines = text.split('\n');
  const last = lines.at(-1) ?? '';
  return { offset: offset + text.length, line: line + lines.length - 1, column: lines.length > 1 ? last.length + 1 : column + last.length };
}

/** Where the first block of a text ends, behind its closing brace; below 0 where it has none. */
export function endOfBlock(text: string): number {
  let [depth, end] = [0, -1];
  visitBrackets(text, (bracket, at) => {
    if (bracket === '{') depth++;
    else if (bracket === '}' && --depth === 0) end = at + 1;
    return end >= 0;
  });
  return end;
}
