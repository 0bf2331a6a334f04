import type { Specificity } from './cascade/specificity';

/** What a longhand is called in the ledger. */
export function wordOf(longhand: string): string {
  for (const [test, word] of words) if (test.test(longhand)) return word;
  return longhand;
}
const words: readonly (readonly [RegExp, string])[] = [
  [/^background-color$/, 'fill'],
  [/^background/, 'picture'],
  [/^color$/, 'ink'],
  [/^border-.*radius$/, 'corners'],
  [/^border-(?:spacing|collapse)$/, 'gaps between cells'],
  [/^(?:border|outline)/, 'lines'],
  [/^padding/, 'padding'],
  [/^margin/, 'room around'],
  [/^font-family$/, 'font'],
  [/^font-size$/, 'size'],
  [/^font-weight$/, 'weight'],
  [/^font-style$/, 'slant'],
  [/^(?:font|line-height|letter-spacing|word-spacing)/, 'type'],
  [/^text-transform$/, 'case'],
  [/^text-align/, 'alignment'],
  [/^vertical-align$/, 'alignment down'],
  [/^text-decoration/, 'underline'],
  [/^(?:white-space|text-wrap|overflow-wrap|word-break|hyphens)/, 'wrapping'],
  [/^box-shadow$/, 'shadow'],
  [/^(?:width|min-width|max-width)$/, 'width'],
  [/^(?:height|min-height|max-height)$/, 'height'],
  [/^(?:table-layout|display|float|position|overflow)/, 'layout'],
  [/^caption-side$/, 'side of the caption'],
];

/** What elements are called. */
export function placeOf(tag: string): string {
  return places[tag] ?? 'controls and marks';
}
const places: Readonly<Record<string, string>> = {
  table: 'the table',
  caption: 'caption',
  colgroup: 'columns',
  col: 'columns',
  thead: 'header',
  tbody: 'body',
  tfoot: 'footer',
  tr: 'rows',
  th: 'header cells',
  td: 'cells',
  a: 'links',
  button: 'buttons',
  div: 'frame',
  p: 'notes',
};

const counted = (count: number, one: string, many: string): string =>
  count === 0
    ? ''
    : count === 1
      ? `${/^[aeiou]/.test(one) ? 'an' : 'a'} ${one}`
      : `${['', '', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine'][count] ?? count} ${many}`;

/** A weight in words: “an id, two classes and an element”. */
export function weightInWords([ids, classes, types]: Specificity): string {
  const said = [counted(ids, 'id', 'ids'), counted(classes, 'class', 'classes'), counted(types, 'element', 'elements')].filter(Boolean);
  return listed(said.length === 0 ? ['nothing'] : said);
}

/** Names in a row: “a, b and c”. */
export const listed = (names: readonly string[]): string =>
  names.length < 2 ? (names[0] ?? '') : `${names.slice(0, -1).join(', ')} and ${names[names.length - 1] ?? ''}`;
