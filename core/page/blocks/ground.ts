import { string } from 'yup';
import { parseColour } from '../../colour';
import { bad, good, type Outcome } from '../../outcome';
import { readRoom, readSpace, readWidth } from '../placement';

/** What a section or a text has of its own about it. What is missing is as the page has it. */
export interface Ground {
  /** Colours: of CSS, or a swatch of a theme on the page, as `mist of harbour-dusk`. */
  readonly fill?: string;
  readonly ink?: string;
  /** Room inside, one to four lengths as in CSS. */
  readonly padding?: string;
  /** As a placement's; narrower than the page it stands in the middle. */
  readonly width?: string;
  readonly radius?: string;
  /** A line around it: width, style and colour, as `1px solid #d9dde2`. */
  readonly line?: string;
}
export const groundFields = ['fill', 'ink', 'padding', 'width', 'radius', 'line'] as const;
export type GroundField = (typeof groundFields)[number];

/** A swatch of a theme by the theme's id: what tables in it show, a block shows too. */
export interface SwatchOf {
  readonly swatch: string;
  readonly theme: string;
}
/** Reads `mist of harbour-dusk`; undefined for what names no swatch. */
export function swatchOf(text: string): SwatchOf | undefined {
  const match = /^([a-z][a-z0-9-]{0,30}) of ([\w-]{1,60})$/.exec(text.trim());
  return match ? { swatch: match[1] ?? '', theme: match[2] ?? '' } : undefined;
}
export const swatchText = ({ swatch, theme }: SwatchOf): string => `${swatch} of ${theme}`;

/** Reads a colour of a block: of CSS (CSS Color 4), or a theme's swatch. */
export const readBlockColour = (text: string): Outcome<string> =>
  swatchOf(text) || parseColour(text)
    ? good(text.trim())
    : bad({
        code: 'colour',
        say: `“${text.slice(0, 40)}” is no colour.`,
        remedy: 'Write one such as #f4f1ea or teal, a swatch of a theme on the page, or nothing.',
      });

const STYLES = ['solid', 'dashed', 'dotted', 'double'];
/** Reads a line around a block in its parts. */
export function readBlockLine(text: string): Outcome<{ readonly width: string; readonly style: string; readonly colour: string }> {
  const [width = '', style = '', ...rest] = text.trim().split(/\s+/);
  const colour = readBlockColour(rest.join(' '));
  if (/^(?:[1-9]|[12]\d)px$/.test(width) && STYLES.includes(style) && colour.ok) return good({ width, style, colour: colour.value });
  return bad({
    code: 'line',
    say: `“${text.slice(0, 40)}” is no line.`,
    remedy: `Write width, style and colour, as in 1px solid #d9dde2; styles are ${STYLES.join(', ')}.`,
  });
}

/** What each field of a block's ground can be. */
const readers: Readonly<Record<GroundField, (text: string) => Outcome<unknown>>> = {
  fill: readBlockColour,
  ink: readBlockColour,
  padding: readRoom,
  width: readWidth,
  radius: readSpace,
  line: readBlockLine,
};
/** Reads what was typed for a field; nothing takes it away. */
export const readGround = (field: GroundField, text: string): Outcome<unknown> => (text.trim() === '' ? good('') : readers[field](text));

const text = (field: GroundField, isRequired: boolean) => {
  const schema = string()
    .strict()
    .max(120)
    .test(field, (given, context) => {
      const read = given === undefined ? undefined : readGround(field, given);
      return read?.ok !== false || context.createError({ message: `${read.problems[0]?.say ?? ''} ${read.problems[0]?.remedy ?? ''}` });
    });
  return isRequired ? schema.defined() : schema.optional();
};
/** The fields as a block's schema has them. A section always says its colours, which may be none. */
export const groundShape = (hasColours: boolean) => ({
  fill: text('fill', hasColours),
  ink: text('ink', hasColours),
  padding: text('padding', false),
  width: text('width', false),
  radius: text('radius', false),
  line: text('line', false),
});
export const hasGround = (block: Ground): boolean => groundFields.some((field) => (block[field] ?? '') !== '');
