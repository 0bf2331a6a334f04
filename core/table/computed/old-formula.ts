import { OLD_POWER, OLD_REMAINDER, parsed, type Expression } from './grammar';
import { reservedWords, writtenName } from './names';

/** Older formulas: names in square brackets or plain, `%` for a remainder and `^` for a power. */
const OLD_NAMES = /\[([^\][]*)\]|([\p{L}_$][\p{L}\p{N}_$]*)(?![\p{L}\p{N}_$]|\s*\()/gu;

/** How strongly what is written holds together; a part that holds less is put in brackets. */
const STRENGTH: Readonly<Record<string, number>> = { '+': 1, '-': 1, '*': 2, '/': 2 };

function written(node: Expression, least = 0): string {
  const at = (key: string, from = 0): string => written(node[key] as Expression, from);
  const word = (value: unknown): string => String(value);
  switch (node.type) {
    case 'Literal':
      return word(node['value']);
    case 'Quoted':
      return writtenName(word(node['name']));
    case 'Identifier':
      return word(node['name']);
    case 'UnaryExpression':
      return `${word(node['operator'])}${at('argument', 3)}`;
    case 'CallExpression':
      return `${at('callee')}(${(node['arguments'] as readonly Expression[]).map((each) => written(each)).join(', ')})`;
    case 'BinaryExpression': {
      const operator = word(node['operator']);
      if (operator === OLD_REMAINDER) return `mod(${at('left')}, ${at('right')})`;
      if (operator === OLD_POWER) return `power(${at('left')}, ${at('right')})`;
      const strength = STRENGTH[operator] ?? 0;
      if (strength === 0) throw new SyntaxError('An older formula has no such sign.');
      const text = `${at('left', strength)} ${operator} ${at('right', strength + 1)}`;
      return strength < least ? `(${text})` : text;
    }
    default:
      throw new SyntaxError('An older formula has nothing like it.');
  }
}

/**
 * A formula as it was kept up to `zest-table/5`, in the syntax that there is now. What a person wrote stays as it was written,
 * but for names in brackets, remainders and powers. One that could not be read stays one that cannot be read.
 */
export function upgradeFormula(old: string): string {
  const named = old.replace(OLD_NAMES, (found, bracketed: string | undefined, plain: string | undefined) =>
    bracketed !== undefined ? writtenName(bracketed) : reservedWords.has((plain ?? '').toLowerCase()) ? `"${found}"` : found,
  );
  if (!/[%^]/.test(named)) return named;
  try {
    return written(parsed(named.replace(/"(?:[^"]|"")*"|%/g, (found) => (found === '%' ? OLD_REMAINDER : found))));
  } catch {
    return named;
  }
}
