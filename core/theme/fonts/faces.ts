import { families, letters, type Family, type Letters } from './families';

/** One file of a shipped family, as a stylesheet asks for it. */
export interface Face {
  readonly family: string;
  readonly weights: string;
  readonly file: string;
  readonly range: string;
}

export const fileOf = ({ file }: Family, range: Letters): string => `${file}-${range}-wght-normal.woff2`;

/** Where the server keeps the font files. */
export const fontAddress = (file: string): string => `/fonts/${file}`;

/** The families that a stylesheet's font lists name. */
export const familiesIn = (lists: Iterable<string>): readonly Family[] => {
  const named = [...lists].join(' ');
  return families.filter(({ family }) => named.includes(`"${family}"`));
};

/** The faces of a family; for a text, those whose letters stand in it. */
export function facesOf(family: Family, text?: string): readonly Face[] {
  const points = text === undefined ? undefined : new Set(Array.from(text, (letter) => letter.codePointAt(0) ?? 0));
  return family.letters
    .filter((range) => points === undefined || [...points].some((point) => isIn(letters[range], point)))
    .map((range) => ({ family: family.family, weights: family.weights, file: fileOf(family, range), range: letters[range] }));
}

/** Whether a code point lies in a unicode-range. */
export const isIn = (range: string, point: number): boolean =>
  range.split(',').some((piece) => {
    const [from = '', to = from] = piece.replace('U+', '').split('-');
    return point >= Number.parseInt(from, 16) && point <= Number.parseInt(to, 16);
  });
