import { THEME_FORMAT, canBeSet, partNames, partOf, propertiesOf, themeFields, type ConditionName, type PartName, type Theme } from '../theme';

type Fields = Readonly<Record<string, unknown>>;
const isRecord = (value: unknown): value is Fields => typeof value === 'object' && value !== null && !Array.isArray(value);

/** What each field of a list's items is called, as far as it is known here. */
const items = new Map<string, readonly string[]>([
  ['swatches', ['name', 'colour']],
  ['pictures', ['name', 'media']],
  ['widths', ['name', 'width', 'values']],
  ['modes', ['name', 'swatches', 'values']],
]);

/** What is known of something, and what is not; undefined where there is none of either. */
interface Parted {
  readonly known: Fields;
  readonly rest: Fields;
}

const parted = (fields: Fields, isKnown: (name: string) => boolean): Parted => {
  const entries = Object.entries(fields);
  return {
    known: Object.fromEntries(entries.filter(([name]) => isKnown(name))),
    rest: Object.fromEntries(entries.filter(([name]) => !isKnown(name))),
  };
};

/**
 * A theme of a newer format, as this one reads it: fields that are not known here, and values at places or of properties that are not,
 * are kept apart in `apart`, whatever they are, and never read. `withApart` gives them back.
 */
export function setApart(json: Fields, format: string): Fields {
  const { known, rest } = parted(json, (name) => themeFields.includes(name) && name !== 'apart');
  const fields: Record<string, unknown> = { ...rest };
  const made: Record<string, unknown> = { ...known, format: THEME_FORMAT };
  const put = (name: string, value: Parted): void => {
    made[name] = value.known;
    if (Object.keys(value.rest).length > 0) fields[name] = value.rest;
  };
  if (isRecord(known['values'])) put('values', partedValues(known['values']));
  for (const [name, itemFields] of items) {
    const list = known[name];
    if (!Array.isArray(list)) continue;
    const left = new Map<string, unknown>();
    made[name] = list.map((item: unknown): unknown => {
      if (!isRecord(item) || typeof item['name'] !== 'string') return item;
      const own = parted(item, (field) => itemFields.includes(field));
      const values = isRecord(own.known['values']) ? partedValues(own.known['values']) : undefined;
      const more = { ...own.rest, ...(values && Object.keys(values.rest).length > 0 ? { values: values.rest } : {}) };
      if (Object.keys(more).length > 0) left.set(item['name'], more);
      return { ...own.known, ...(values ? { values: values.known } : {}) };
    });
    if (left.size > 0) fields[name] = Object.fromEntries(left);
  }
  return { ...made, apart: { format, fields } };
}

/** Values, and those of them at places and of properties that are not known. Names come from outside, so they are asked for in maps. */
function partedValues(values: Fields): Parted {
  const [known, rest] = [new Map<string, unknown>(), new Map<string, unknown>()];
  for (const [part, conditions] of Object.entries(values)) {
    if (!isPart(part) || !isRecord(conditions)) {
      rest.set(part, conditions);
      continue;
    }
    const all = Object.entries(conditions).map(([condition, own]) => [condition, partedAt(part, condition, own)] as const);
    const some = (which: keyof Parted): Fields =>
      Object.fromEntries(all.flatMap(([name, each]) => (Object.keys(each[which]).length > 0 ? [[name, each[which]]] : [])));
    if (Object.keys(some('known')).length > 0) known.set(part, some('known'));
    if (Object.keys(some('rest')).length > 0) rest.set(part, some('rest'));
  }
  return { known: Object.fromEntries(known), rest: Object.fromEntries(rest) };
}

const isPart = (name: string): name is PartName => (partNames as readonly string[]).includes(name);
const isConditionOf = (part: PartName, name: string): name is ConditionName => (partOf(part).conditions as readonly string[]).includes(name);
function partedAt(part: PartName, condition: string, own: unknown): Parted {
  if (!isRecord(own)) return { known: {}, rest: {} };
  return isConditionOf(part, condition) ? parted(own, (property) => can(part, condition, property)) : { known: {}, rest: own };
}

const can = (part: PartName, condition: ConditionName, name: string): boolean =>
  propertiesOf(part).some((property) => property.name === name && canBeSet(property, condition));

/** A theme as it goes out: what was kept apart of a newer format stands where it stood, and the format is that one. */
export function withApart({ apart, ...theme }: Theme): Fields {
  if (apart === undefined) return theme;
  const all = new Map<string, unknown>(Object.entries({ ...theme, format: apart.format }));
  for (const [name, left] of Object.entries(apart.fields)) {
    const here = all.get(name);
    all.set(name, items.has(name) && Array.isArray(here) ? here.map((item: unknown) => together(item, leftOf(item, left))) : together(here, left));
  }
  return Object.fromEntries(all);
}
const leftOf = (item: unknown, left: unknown): unknown => {
  const name = isRecord(item) ? String(item['name']) : '';
  return isRecord(left) && Object.hasOwn(left, name) ? left[name] : undefined;
};

/** Two records as one, down to what is none; what stands here already stays. */
function together(here: unknown, left: unknown): unknown {
  if (!isRecord(here) || !isRecord(left)) return here ?? left;
  const names = [...new Set([...Object.keys(here), ...Object.keys(left)])];
  return Object.fromEntries(
    names.map((name) => [name, together(Object.hasOwn(here, name) ? here[name] : undefined, Object.hasOwn(left, name) ? left[name] : undefined)]),
  );
}
