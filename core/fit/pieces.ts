const isDigit = (letter: string | undefined): boolean => letter !== undefined && letter >= '0' && letter <= '9';
const isWord = (letter: string | undefined): boolean => letter !== undefined && /[\p{L}\p{N}]/u.test(letter);
/** Letters of scripts that are set without spaces: a line may break between any two (Unicode line breaking, class ID). */
const BETWEEN_ANY = /[\p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}\p{Script=Hangul}]/u;

/**
 * A text in the pieces between which a line may break (Unicode Standard Annex 14, as browsers apply it to plain text): after
 * white space, hyphens and dashes, before an em dash, after a question mark or an ellipsis, and between ideographs. A line
 * break ends a piece too. White space is not part of a piece.
 */
export function piecesOf(text: string): readonly string[] {
  const pieces: string[] = [];
  for (const word of text.split(/[ \t\r\n\u2000-\u2006\u2008-\u200b\u205f\u3000]+/)) {
    const letters = Array.from(word);
    let piece = '';
    letters.forEach((letter, i) => {
      const [before, next] = [letters[i - 1], letters[i + 1]];
      if (piece !== '' && (letter === '—' || (BETWEEN_ANY.test(letter) && (BETWEEN_ANY.test(before ?? '') || isWord(before))))) {
        pieces.push(piece);
        piece = '';
      }
      piece += letter;
      if (next === undefined) return;
      const mayEnd =
        (letter === '-' && isWord(before) && isWord(next)) ||
        (letter === '-' && before === undefined && !isDigit(next)) ||
        (letter === '?' && isWord(next)) ||
        '–—…\u2010'.includes(letter) ||
        (BETWEEN_ANY.test(letter) && isWord(next));
      if (!mayEnd) return;
      pieces.push(piece);
      piece = '';
    });
    if (piece !== '') pieces.push(piece);
  }
  return pieces;
}

/** The lines that a text has for itself. */
export const linesOf = (text: string): readonly string[] => text.split(/\r?\n/).map((line) => line.replace(/\s+/g, ' ').trim());
