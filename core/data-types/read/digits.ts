/** The digits of other scripts begin at a zero, ten in a row (Unicode, category Nd). These are the ones that tables here come with. */
const ZEROS = [0x0660, 0x06f0, 0x0966, 0x09e6, 0xff10];

/** A text with its digits as 0 to 9, whatever script they are written in; marks of direction go. */
export const digitsOf = (text: string): string =>
  /[^\u0020-\u007e]/.test(text)
    ? text.replace(/[\u200e\u200f\u061c]/g, '').replace(/\p{Nd}/gu, (digit) => {
        const code = digit.codePointAt(0) ?? 0;
        const zero = ZEROS.find((each) => code >= each && code < each + 10);
        return zero === undefined ? digit : String(code - zero);
      })
    : text;
