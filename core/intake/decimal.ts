import { textOf, type Row } from '../table';

/** Rows that are looked at, evenly strewn. */
const SAMPLE = 500;
/** A comma that cannot part thousands, and a point that cannot. */
const COMMA = /^[^\d,]*(?:\d{1,3}(?:[.\u00a0\u202f' ]\d{3})+|\d+),(?:\d{1,2}|\d{4,})[^\d,]*$/;
const POINT = /^[^\d.]*(?:\d{1,3}(?:[,\u00a0\u202f' ]\d{3})+|\d+)\.(?:\d{1,2}|\d{4,})[^\d.]*$/;

/** The decimal mark of rows that came in, as far as numbers in them show it beyond doubt; undefined where they do not, or show both alike. */
export function decimalOf(rows: readonly Row[]): '.' | ',' | undefined {
  const step = Math.max(1, Math.floor(rows.length / SAMPLE));
  let [commas, points] = [0, 0];
  for (let at = 0; at < rows.length; at += step)
    for (const cell of rows[at] ?? []) {
      const text = textOf(cell).trim();
      if (text.length > 40) continue;
      if (COMMA.test(text)) commas++;
      else if (POINT.test(text)) points++;
    }
  return commas === points ? undefined : commas > points ? ',' : '.';
}
