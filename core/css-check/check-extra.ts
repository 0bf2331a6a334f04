import { lexer } from 'css-tree';
import { closest, distance } from 'fastest-levenshtein';
import type { Extra, ExtraNotice, ExtraWritten } from '../theme';

/**
 * What browsers will leave out of extra CSS that was read: names that are no property, and values that theirs does not take. What every
 * property takes is a large list, so this stands by itself and is loaded where somebody writes.
 */
export function checkExtra({ written, notices }: Extra): readonly ExtraNotice[] {
  const found = written.flatMap((each): readonly ExtraNotice[] => {
    const verdict = judge(each);
    return verdict ? [{ line: each.line, column: each.column, length: each.property.length, ...verdict }] : [];
  });
  return [...notices, ...found].sort((a, b) => a.line - b.line || a.column - b.column);
}

function judge({ property, value }: ExtraWritten): Pick<ExtraNotice, 'say' | 'isLeftOut'> | undefined {
  // With a variable in it a value is seen only where it is used (CSS Variables 1, section 3.1).
  if (property.startsWith('--') || /\b(?:var|env|attr|if|random)\(/i.test(value)) return undefined;
  const { error } = lexer.matchProperty(property, value);
  if (!error) return undefined;
  if (error.name !== 'SyntaxReferenceError')
    return { say: `“${shown(value)}” is no value that ${property} takes: browsers leave it out.`, isLeftOut: true };
  const near = closest(property, names);
  if (distance(property, near) <= 2) return { say: `There is no property “${property}”. Did you mean ${near}?`, isLeftOut: true };
  return { say: `“${property}” is not known here, and is passed on: browsers that know it take it.`, isLeftOut: false };
}

const names: readonly string[] = Object.keys((lexer as unknown as { readonly properties: object }).properties);
const shown = (text: string): string => (text.length > 60 ? `${text.slice(0, 60)}…` : text);
