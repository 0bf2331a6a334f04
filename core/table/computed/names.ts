/**
 * Names in formulas, as SQL has them (ISO/IEC 9075-2, "Names and identifiers"): a name of one plain word stands as it is, any
 * other in double quotes, in which a double quote is written twice. Names are the same whatever their case and spaces are.
 */
export const sameName = (text: string): string => text.trim().replace(/\s+/g, ' ').toLocaleLowerCase();

/** Words that mean something of their own; a column that is called so stands in quotes. */
export const reservedWords: ReadonlySet<string> = new Set(['and', 'or', 'not', 'is', 'null', 'true', 'false', 'this']);

/** A column's name as a formula has it. */
export const writtenName = (name: string): string =>
  /^[\p{L}_][\p{L}\p{N}_]*$/u.test(name) && !reservedWords.has(name.toLowerCase()) ? name : `"${name.replaceAll('"', '""')}"`;

/** Texts, names in quotes, and plain words that are no function's. No part of it can be told in two ways, so it never turns back. */
const NAMES = /'(?:[^']|'')*'|"((?:[^"]|"")*)"|([\p{L}_$][\p{L}\p{N}_$]*)(?![\p{L}\p{N}_$]|\s*\()/gu;

/** A formula in which a column is called otherwise. */
export function renameIn(formula: string, from: string, to: string): string {
  return formula.replace(NAMES, (found, quoted: string | undefined, plain: string | undefined) => {
    const name = quoted?.replaceAll('""', '"') ?? (plain !== undefined && !reservedWords.has(plain.toLowerCase()) ? plain : undefined);
    return name !== undefined && sameName(name) === sameName(from) ? writtenName(to) : found;
  });
}
