import { anyOf } from '../../languages';

const YES = new RegExp(`^(?:${anyOf(({ yes }) => yes)}|✓|✔|☑|x)$`, 'iu');
const NO = new RegExp(`^(?:${anyOf(({ no }) => no)}|✗|✘|✕|☐)$`, 'iu');

/** Reads yes or no in any of the languages, or as a tick or a cross. Undefined where it is neither. */
export function readYesNo(typed: string): boolean | undefined {
  const text = typed.trim();
  return YES.test(text) ? true : NO.test(text) ? false : undefined;
}

/** An address that a browser goes to (WHATWG URL, "special schemes" http and https), without spaces. */
export const isLink = (text: string): boolean => /^(?:https?:\/\/[^\s/]+\S*|www\.[^\s/.]+\.\S+)$/i.test(text.trim());
/** As the HTML Standard has a valid e-mail address, with a dot in its domain. */
export const isEmail = (text: string): boolean => /^[\p{L}\p{N}.!#$%&'*+/=?^_`{|}~-]+@[\p{L}\p{N}-]+(?:\.[\p{L}\p{N}-]+)+$/u.test(text.trim());
/** An address or a path that ends as pictures do. */
export const isPicture = (text: string): boolean => /^(?:https?:\/\/|\/)?[^\s?#]+\.(?:png|jpe?g|gif|webp|avif|svg)(?:[?#]\S*)?$/i.test(text.trim());
