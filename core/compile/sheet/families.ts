/** Shorthands whose longhands begin as they do. */
const SHORTHAND =
  /^(?:animation|background|container|flex|font|inset|list-style|margin|mask|outline|overflow|padding|text-decoration|transition)(?=-|$)/;
/** Names that have to do with each other though they do not look like it. */
const others: readonly (readonly [RegExp, string])[] = [
  [/^line-height$/, 'font'],
  [/^border-.*radius$/, 'radius'],
  [/^border-(?:spacing|collapse)$/, ''],
  [/^border(?:-|$)/, 'border'],
  [/^(?:top|right|bottom|left)$/, 'inset'],
  [/^(?:white-space|text-wrap)/, 'white-space'],
  [/^inline-size$/, 'width'],
  [/^block-size$/, 'height'],
  [/^(?:row-|column-|grid-)?gap$/, 'gap'],
];

const known = new Map<string, string>();

/** The family of properties that a property belongs to: those that a shorthand sets together, so that their order among each other counts. */
export function familyOf(property: string): string {
  let family = known.get(property);
  if (family === undefined) {
    const other = others.find(([test]) => test.test(property));
    family = property.startsWith('--') ? property : other ? other[1] || property : (SHORTHAND.exec(property)?.[0] ?? property);
    known.set(property, family);
  }
  return family;
}
