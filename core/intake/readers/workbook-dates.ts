import { SSF as formats } from '@e965/xlsx';

/** The part of the library's number formats that is used here; its own types leave them open. */
export const SSF = formats as {
  readonly is_date: (format: string) => boolean;
  readonly format: (format: string, value: number) => string;
  readonly parse_date_code: (
    serial: number,
    options: { readonly date1904: boolean },
  ) => { readonly y: number; readonly m: number; readonly d: number; readonly H: number; readonly M: number; readonly S: number } | null;
};

const two = (n: number): string => String(n).padStart(2, '0');

/** Whether a format shows days or years, and not a time alone. */
export const hasDay = (format: string): boolean => /[dy]/i.test(format.replace(/"[^"]{0,200}"|\[[^\]]{0,200}\]|\\./g, ''));

/**
 * A serial number as a date, a time or both. The 1900 system counts a 29 February 1900 that there never was; the library knows.
 * Its day 0 is the one before 1900 begins; that of the 1904 system is the first of 1904.
 */
export function dateOf(serial: number, is1904: boolean, isDay: boolean): string | undefined {
  if (isDay && serial >= 0 && serial < 1) {
    const time = SSF.parse_date_code(serial, { date1904: false });
    const at = time && serial > 0 ? ` ${two(time.H)}:${two(time.M)}` : '';
    return `${is1904 ? '1904-01-01' : '1899-12-31'}${at}`;
  }
  const code = SSF.parse_date_code(serial, { date1904: is1904 });
  if (!code) return undefined;
  const time = `${two(code.H)}:${two(code.M)}${code.S > 0 ? `:${two(Math.round(code.S))}` : ''}`;
  if (serial < 1) return time;
  const date = `${code.y}-${two(code.m)}-${two(code.d)}`;
  return Number.isInteger(serial) ? date : `${date} ${time}`;
}

/** Days as hours, minutes and seconds: over 24 hours are no date. */
export function duration(days: number): string {
  const seconds = Math.round(Math.abs(days) * 86_400);
  const text = `${Math.floor(seconds / 3600)}:${two(Math.floor(seconds / 60) % 60)}${seconds % 60 ? `:${two(seconds % 60)}` : ''}`;
  return days < 0 ? `−${text}` : text;
}
