import { freeName } from '../../free-name';

/** What a value mark makes of a value; `room` is what its mark takes of a line, with what parts it from a text, in em. */
export const valueMarkKinds = [
  { name: 'rating', label: 'Rating', hint: 'So many of so many shapes', room: 5.25 },
  { name: 'meter', label: 'Meter', hint: 'A bar, as long as its value', room: 5.25 },
  { name: 'status', label: 'Status mark', hint: 'A dot or an icon in the colour of its value, with its text', room: 1 },
  { name: 'tag', label: 'Tag', hint: 'Its text on a filled ground', room: 1.2 },
  { name: 'yes-no', label: 'Yes or no mark', hint: 'A tick or a stroke', room: 1 },
  { name: 'icon', label: 'Icon with text', hint: 'An icon beside its text', room: 1.4 },
  { name: 'picture', label: 'Picture', hint: 'The picture that it names', room: 0 },
  { name: 'button', label: 'Button', hint: 'A link in the shape of a button', room: 1.8 },
  { name: 'person', label: 'Person', hint: 'A round picture, or initials, and a name', room: 2.1 },
] as const;
export type ValueMarkKind = (typeof valueMarkKinds)[number]['name'];
const rooms = new Map<ValueMarkKind, number>(valueMarkKinds.map(({ name, room }) => [name, room]));
/** Room that a kind's mark takes of a line, in em. */
export const roomOf = (kind: ValueMarkKind): number => rooms.get(kind) ?? 0;

/** What of a value mark can be set, and for which kinds. */
export const valueMarkSettings = [
  { name: 'shape', label: 'Shape', kinds: ['rating', 'status', 'icon', 'button'] },
  { name: 'colour', label: 'Colour', kinds: ['rating', 'meter', 'status', 'tag', 'yes-no', 'icon', 'button', 'person'] },
  { name: 'quiet', label: 'Colour of what is empty', kinds: ['rating', 'meter', 'yes-no'] },
  { name: 'ink', label: 'Ink', kinds: ['tag', 'button', 'person'] },
  { name: 'colours', label: 'Colours of values', kinds: ['status', 'tag', 'icon'] },
  { name: 'size', label: 'Size', kinds: ['rating', 'meter', 'status', 'yes-no', 'icon', 'picture', 'person'] },
  { name: 'least', label: 'Least', kinds: ['rating', 'meter'] },
  { name: 'most', label: 'Greatest', kinds: ['rating', 'meter'] },
  { name: 'text', label: 'With its text', kinds: ['rating', 'meter', 'yes-no'] },
  { name: 'alt', label: 'Said to those who cannot see it', kinds: ['rating', 'meter', 'yes-no', 'picture'] },
  { name: 'link', label: 'Leads to, where its cell has no link', kinds: ['button'] },
  { name: 'picture', label: 'Picture from the column', kinds: ['person'] },
] as const;
export type ValueMarkSetting = (typeof valueMarkSettings)[number]['name'];

/** A way to show values, made once and put on as many cells as wanted. */
export interface ValueMark {
  /** Unique in its table. */
  readonly name: string;
  /** Name of the value mark that it is built from, whose settings hold where it has none; empty for none. */
  readonly from: string;
  readonly kind: ValueMarkKind;
  /** Texts; what each can be is said in docs/theme-format.md. */
  readonly settings: { readonly [name in ValueMarkSetting]?: string };
}

export const VALUE_MARKS_MOST = 100;

/** The number that a least or greatest value is, with a point or a comma as its decimal mark; undefined where it is none. */
export function boundOf(text: string): number | undefined {
  const plain = text.trim().replace(',', '.');
  const value = Number(plain);
  return plain !== '' && Number.isFinite(value) ? value : undefined;
}

/** What a value mark of a kind has where nobody sets it. */
const valueMarkDefaults: Readonly<Record<ValueMarkSetting, string>> = {
  shape: 'star',
  colour: 'page',
  quiet: '#8883',
  ink: 'page',
  colours: '',
  size: '1em',
  least: '0',
  most: '5',
  text: 'off',
  alt: '',
  link: '',
  picture: '',
};
const ownDefaults: { readonly [kind in ValueMarkKind]?: ValueMark['settings'] } = {
  meter: { most: '100', size: '6em', colour: '#3d7ea6' },
  status: { shape: 'dot', text: 'on' },
  tag: { colour: '#8882' },
  'yes-no': { shape: 'tick' },
  icon: { shape: 'boat' },
  picture: { size: '2.5em' },
  person: { size: '2em', colour: '#8883' },
  button: { shape: 'none', colour: '#3d7ea6', ink: '#ffffff' },
};

/** A setting of a value mark: its own, or that of what it is built from, or what its kind has. Value marks that are built from each other in a ring stop where it closes. */
export function settingOf(dressings: readonly ValueMark[], mark: ValueMark, name: ValueMarkSetting): string {
  const seen = new Set<string>();
  for (let at: ValueMark | undefined = mark; at && !seen.has(at.name);) {
    const own: string | undefined = at.settings[name];
    if (own !== undefined) return own;
    seen.add(at.name);
    const { from }: ValueMark = at;
    at = from === '' ? undefined : dressings.find((each) => each.name === from);
  }
  return ownDefaults[mark.kind]?.[name] ?? valueMarkDefaults[name];
}

/**
 * Value marks of another table, to come beside a table's own: each with what it is built from, and under another name where its
 * own is taken by one that is not the same. Those that are there already, and those beyond the most, do not come.
 */
export function broughtValueMarks(own: readonly ValueMark[], others: readonly ValueMark[]): readonly ValueMark[] {
  const isSame = (a: ValueMark, b: ValueMark): boolean => a.name === b.name && a.kind === b.kind && a.from === b.from && sameSettings(a, b);
  const names = new Map<string, string>();
  const taken = own.map(({ name }) => name);
  const coming = others
    .filter((each) => !own.some((mine) => isSame(mine, each)))
    .slice(0, Math.max(0, VALUE_MARKS_MOST - own.length))
    .map((each) => {
      const name = freeName(each.name, taken).slice(0, 60);
      taken.push(name);
      names.set(each.name, name);
      return { ...each, name };
    });
  return coming.map((each) => {
    const from = names.get(each.from) ?? (own.some(({ name }) => name === each.from) ? each.from : '');
    return { ...each, from };
  });
}

const sameSettings = ({ settings: a }: ValueMark, { settings: b }: ValueMark): boolean =>
  valueMarkSettings.every(({ name }) => (a[name] ?? '') === (b[name] ?? ''));

/** Whether a value mark is built from itself in the end. */
export function isRing(dressings: readonly ValueMark[], name: string): boolean {
  const seen = new Set<string>();
  for (let at = dressings.find((each) => each.name === name); at; at = dressings.find((each) => each.name === at?.from)) {
    if (seen.has(at.name)) return true;
    seen.add(at.name);
  }
  return false;
}
