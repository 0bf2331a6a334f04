import { array, lazy, mixed, number, object, string, type ObjectSchema, type TestContext, type ValidationError } from 'yup';
import { parseColour } from '../colour';
import { SWATCH_REFERENCE } from './read-swatches';
import { bad, type Outcome, type Problem } from '../outcome';
import { checkShape } from '../problems-of';
import type { ConditionName } from './catalogue/conditions';
import { partNames, partOf, type PartName } from './catalogue/parts';
import { canBeSet, propertiesOf, type Property } from './catalogue/properties';
import type { Bases } from './chain';
import { modeNames } from './catalogue/modes';
import { EXTRA_MOST } from './extra/extra';
import { THEME_FORMAT, isThemeBase, type Theme } from './theme';
import { STEP_LEAST, STEP_MOST, WIDTHS_MOST } from './widths';

const NAME_MOST = 120;
const SWATCHES_MOST = 200;

/** A document's name: what is shown, 1 to 120 characters. */
export const nameSchema = string()
  .strict()
  .required('Give it a name.')
  .trim('A name has no spaces around it.')
  .max(NAME_MOST, `A name has at most ${NAME_MOST} characters.`);

/** A swatch's name: 1 to 40 lower-case letters, digits and hyphens, a letter first. Letters of any script without case will do. */
export const SWATCH_NAME = /^[a-z][a-z0-9-]{0,39}$/;

const swatchSchema = object({
  name: string()
    .strict()
    .required('A swatch needs a name.')
    .matches(SWATCH_NAME, 'A swatch’s name is made of lower-case letters, digits and hyphens, a letter first.'),
  colour: string()
    .strict()
    .required('A swatch needs a colour.')
    .max(100)
    .test(
      'colour',
      'A swatch’s colour is a CSS colour, as in #eef5f6, or another swatch, as in deep 9%.',
      (text) => parseColour(text ?? '') !== undefined || SWATCH_REFERENCE.test(text ?? ''),
    ),
}).noUnknown('A swatch has a name and a colour only.');

/** The id of a kept picture: the start of its content's SHA-256 in hex, and what kind it is. */
const MEDIA_ID = /^[0-9a-f]{24}\.(png|jpg|gif|webp|avif|svg)$/;
export const PICTURES_MOST = 50;

const pictureSchema = object({
  name: string()
    .strict()
    .required('A picture needs a name.')
    .matches(SWATCH_NAME, 'A picture’s name is made of lower-case letters, digits and hyphens, a letter first.'),
  media: string().strict().required('A picture names its file.').matches(MEDIA_ID, 'This is not the id of a kept picture.'),
}).noUnknown('A picture has a name and a file only.');

const stepSchema = object({
  name: string().strict().required('A step needs a name.').matches(SWATCH_NAME, 'A step’s name is made of lower-case letters, digits and hyphens.'),
  step: number().strict().required().integer('A step is a whole number.').min(-10).max(10),
}).noUnknown();

const widthSchema = object({
  name: string()
    .strict()
    .required('A width step needs a name.')
    .matches(SWATCH_NAME, 'A width step’s name is made of lower-case letters, digits and hyphens, a letter first.'),
  width: number()
    .strict()
    .optional()
    .default(undefined)
    .integer('A width step begins at a whole number of px.')
    .min(STEP_LEAST, `A width step begins at ${STEP_LEAST} px at least.`)
    .max(STEP_MOST, `A width step begins at ${STEP_MOST} px at most.`),
  values: mixed<Theme['values']>().required('A width step has values, even if none is set.').test('values', valuesAreRight),
}).noUnknown('A width step has a name, a width and values only.');

const modeSchema = object({
  name: string()
    .strict()
    .required('A mode has a name.')
    .oneOf([...modeNames], `A mode is one of ${modeNames.join(', ')}.`),
  swatches: array()
    .strict()
    .of(swatchSchema.required())
    .optional()
    .default(undefined)
    .max(SWATCHES_MOST, `A theme has at most ${SWATCHES_MOST} swatches.`)
    .test('unique', 'Two swatches have the same name.', (swatches) => unique(swatches)),
  values: mixed<Theme['values']>().required('A mode has values, even if none is set.').test('values', valuesAreRight),
}).noUnknown('A mode has a name, swatches and values only.');

const COLLECTION_MOST = 60;
export const TAGS_MOST = 20;
/** A tag: one word or several, 1 to 40 characters. */
export const tagSchema = string()
  .strict()
  .required('A tag is a word.')
  .trim('A tag has no spaces around it.')
  .max(40, 'A tag has at most 40 characters.');

const scaleSchema = object({
  base: number().strict().required().min(6, 'The base size is at least 6 px.').max(60, 'The base size is at most 60 px.'),
  ratio: number().strict().required().min(1, 'The ratio is at least 1.').max(2, 'The ratio is at most 2.'),
  steps: array()
    .strict()
    .of(stepSchema.required())
    .required()
    .min(1, 'A type scale has at least one step.')
    .max(20)
    .test('unique', 'Two steps have the same name.', (steps) => unique(steps)),
}).noUnknown();

const unique = (named: readonly { name: string }[] | undefined): boolean => new Set(named?.map(({ name }) => name)).size === (named?.length ?? 0);

const starterBaseSchema = object({
  starter: string().strict().required('A theme says which starter it grows from.').max(60, 'A starter’s name has at most 60 characters.'),
  version: number()
    .strict()
    .required('A theme says which version of its starter it grows from.')
    .integer()
    .min(1, 'Versions are counted from 1.')
    .max(10_000),
})
  .noUnknown('What a theme grows from is a starter and its version, or another theme.')
  .required('A theme says what it grows from.');

const themeBaseSchema = object({
  theme: string().strict().required('A theme that grows from another names it by its id.').max(100, 'An id has at most 100 characters.'),
}).noUnknown('A theme that grows from another names its id and nothing else.');

/** The shape of a theme document. Places and properties are checked against the catalogue after it. */
const themeSchema: ObjectSchema<Theme> = object({
  format: string()
    .strict()
    .required('The document says no format.')
    .oneOf([THEME_FORMAT] as const, `This is not a theme that can be read here: its format is not ${THEME_FORMAT}.`),
  name: nameSchema,
  base: lazy((base: unknown) => (isRecord(base) && Object.hasOwn(base, 'theme') ? themeBaseSchema : starterBaseSchema)),
  swatches: array()
    .strict()
    .of(swatchSchema.required())
    .required()
    .max(SWATCHES_MOST, `A theme has at most ${SWATCHES_MOST} swatches.`)
    .test('unique', 'Two swatches have the same name.', (swatches) => unique(swatches)),
  scale: scaleSchema.optional().default(undefined),
  pictures: array()
    .strict()
    .of(pictureSchema.required())
    .optional()
    .default(undefined)
    .max(PICTURES_MOST, `A theme has at most ${PICTURES_MOST} pictures of its own.`)
    .test('unique', 'Two pictures have the same name.', (pictures) => unique(pictures)),
  values: mixed<Theme['values']>().required('A theme has values, even if none is set.').test('values', valuesAreRight),
  widths: array()
    .strict()
    .of(widthSchema.required())
    .optional()
    .default(undefined)
    .max(WIDTHS_MOST, `A theme has at most ${WIDTHS_MOST} width steps.`)
    .test('unique', 'Two width steps have the same name.', (widths) => unique(widths))
    .test('apart', 'Two width steps begin at the same width.', (widths = []) => {
      const said = widths.flatMap(({ width }) => width ?? []);
      return new Set(said).size === said.length;
    }),
  modes: array()
    .strict()
    .of(modeSchema.required())
    .optional()
    .default(undefined)
    .test('unique', 'Two modes have the same name.', (modes) => unique(modes)),
  css: string().strict().optional().default(undefined).max(EXTRA_MOST, `Extra CSS has at most ${EXTRA_MOST} characters.`),
  collection: string()
    .strict()
    .optional()
    .default(undefined)
    .trim('A collection’s name has no spaces around it.')
    .min(1, 'A collection has a name.')
    .max(COLLECTION_MOST, `A collection’s name has at most ${COLLECTION_MOST} characters.`),
  tags: array()
    .strict()
    .of(tagSchema)
    .optional()
    .default(undefined)
    .max(TAGS_MOST, `A theme has at most ${TAGS_MOST} tags.`)
    .test('unique', 'Two tags are the same.', (tags) => new Set(tags).size === (tags?.length ?? 0)),
  extensions: mixed<NonNullable<Theme['extensions']>>()
    .optional()
    .default(undefined)
    .test(
      'extensions',
      'What other programs keep with tokens is an object of objects, 150 kB at most.',
      (value) => value === undefined || areExtensions(value),
    ),
  apart: mixed<NonNullable<Theme['apart']>>()
    .optional()
    .default(undefined)
    .test(
      'apart',
      'What is kept apart of a newer format is that format and its fields, 200 kB at most.',
      (value) => value === undefined || isApart(value),
    ),
}).noUnknown('A theme has no other fields.') as unknown as ObjectSchema<Theme>;

/** What the fields of a theme are called. */
export const themeFields: readonly string[] = Object.keys(themeSchema.fields);

/**
 * Reads a theme document from JSON that came from anywhere; one of an older format is brought up to this one. A starter that it grows
 * from has to be among `bases`; whether another theme is there is asked where it is kept. Every problem says where it is.
 */
export function readTheme(json: unknown, bases: Bases): Outcome<Theme> {
  const shape = checkShape(themeSchema, upgradeTheme(json));
  if (!shape.ok) return shape;
  const { base, values } = shape.value;
  if (!base || (!isThemeBase(base) && !bases.find(base)))
    return bad({
      code: 'base',
      say: `There is no ${base ? `version ${base.version} of ${base.starter}` : 'such base'}. A theme grows from one of: ${bases.names.join(', ')}.`,
      at: 'base',
    });
  const problems = misplaced(values);
  return problems.length > 0 ? bad(...problems) : shape;
}

/** In `zest-theme/1` a theme named its starter alone: it grew from what is now its first version. */
export function upgradeTheme(json: unknown): unknown {
  const old = json as { readonly format?: unknown; readonly base?: unknown } | null;
  if (typeof old !== 'object' || old?.format !== 'zest-theme/1' || typeof old.base !== 'string') return json;
  return { ...old, format: THEME_FORMAT, base: { starter: old.base, version: 1 } };
}

function valuesAreRight(value: unknown, context: TestContext): true | ValidationError {
  const problem = misplaced(value)[0];
  return problem === undefined || context.createError({ message: problem.say, path: `${context.path}${problem.at ? `.${problem.at}` : ''}` });
}

const isRecord = (value: unknown): value is Record<string, unknown> => typeof value === 'object' && value !== null && !Array.isArray(value);

const isApart = (value: unknown): boolean =>
  isRecord(value) &&
  Object.keys(value).length === 2 &&
  typeof value['format'] === 'string' &&
  /^zest-theme\/\d{1,4}$/.test(value['format']) &&
  isRecord(value['fields']) &&
  JSON.stringify(value).length <= 200_000;

/** By path, what is kept there, within bounds. Nobody looks into it. */
const areExtensions = (value: unknown): boolean => isRecord(value) && Object.values(value).every(isRecord) && JSON.stringify(value).length <= 150_000;

/** Values at places that do not exist, and values that are no text. What a text means is checked where it is read. */
function misplaced(values: unknown): Problem[] {
  if (!isRecord(values)) return [{ code: 'values', say: 'The values are not an object of parts.' }];
  return Object.entries(values).flatMap(([part, conditions]) => {
    if (!(partNames as readonly string[]).includes(part)) return [{ code: 'part', say: `There is no part “${part}”.`, at: part }];
    if (!isRecord(conditions)) return [{ code: 'values', say: `The values of ${part} are not an object of conditions.`, at: part }];
    return Object.entries(conditions).flatMap(([condition, own]) => misplacedIn(part as PartName, condition, own));
  });
}

function misplacedIn(part: PartName, condition: string, own: unknown): Problem[] {
  const at = `${part}.${condition}`;
  if (!(partOf(part).conditions as readonly string[]).includes(condition))
    return [{ code: 'condition', say: `${partOf(part).label} has no condition “${condition}”.`, at }];
  if (!isRecord(own)) return [{ code: 'values', say: 'These values are not an object of properties.', at }];
  const known = propertiesOf(part);
  return Object.entries(own).flatMap(([property, text]): Problem[] => {
    const found = known.find(({ name }) => name === property);
    if (!found) return [{ code: 'property', say: `${partOf(part).label} has no property “${property}”.`, at: `${at}.${property}` }];
    if (!canBeSet(found, condition as ConditionName))
      return [{ code: 'property', say: `${found.label} of ${partOf(part).label.toLowerCase()} ${whereItCan(found)}.`, at: `${at}.${property}` }];
    if (typeof text !== 'string' || text.length === 0 || text.length > 200)
      return [{ code: 'value', say: 'A value is a text of 1 to 200 characters.', at: `${at}.${property}` }];
    return [];
  });
}

/** Where a property can be set that cannot be set at some place. */
const whereItCan = ({ conditions }: Property): string =>
  conditions === undefined ? 'cannot be set under this condition' : 'can be set at rest only';
