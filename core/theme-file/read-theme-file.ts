import { strFromU8, unzipSync } from 'fflate';
import { entryNames, isZip, plainPackage } from '../intake';
import { bad, good, type Outcome, type Problem } from '../outcome';
import { THEME_FORMAT, isThemeBase, loopThrough, readTheme, type Bases, type Theme } from '../theme';
import { areTokens, readTokens } from '../tokens';
import { setApart } from './apart';
import { withBases, type FiledTheme } from './filed';
import { THEMES_MOST, THEME_FILE_MOST, THEME_FILE_UNPACKED_MOST, THEME_MOST } from './limits';

/** What a file of themes holds. What is wrong with one of them stays out, and the rest can be kept. */
export interface ThemesRead {
  /** Each after what it grows from. */
  readonly themes: readonly FiledTheme[];
  /** Pictures that came along, by their ids. */
  readonly pictures: ReadonlyMap<string, Uint8Array>;
  /** What cannot be kept or is not there, each with the file in the package and the place in it. */
  readonly problems: readonly Problem[];
}

const THEME_ENTRY = /^(?:themes\/)?[^/\\]{1,200}\.json$/;
const PICTURE_ENTRY = /^pictures\/([0-9a-f]{24}\.(?:png|jpg|gif|webp|avif|svg))$/;

/**
 * Reads themes from a file: one as JSON, or a ZIP as `themeFile` writes it. Older formats are brought up to this one. Only entries
 * that such a file has are unpacked, and nothing goes to any path: names that lead elsewhere are names of nothing here.
 */
export function readThemeFile(name: string, bytes: Uint8Array, bases: Bases): Outcome<ThemesRead> {
  if (bytes.length > THEME_FILE_MOST)
    return refuse(`“${name}” weighs ${inMB(bytes.length)}.`, `A file of themes weighs at most ${inMB(THEME_FILE_MOST)}: bring them in in parts.`);
  if (!isZip(bytes)) {
    const read = readOne(name, bytes, bases);
    if (!read.ok) return read;
    const { themes, problems } = standing([{ id: nameIn(name), theme: read.value.theme }], () => name);
    return themes.length === 0
      ? bad(...problems)
      : good({ themes, pictures: new Map(), problems: [...read.value.told, ...lacking(themes, new Map())] });
  }
  const names = entryNames(bytes) ?? [];
  const found = names.filter((each) => THEME_ENTRY.test(each));
  if (found.length === 0) return refuse(`There is no theme in “${name}”.`, 'Themes stand in its folder “themes”, each as JSON.');
  if (found.length > THEMES_MOST)
    return refuse(
      `There are ${found.length.toLocaleString('en')} themes in “${name}”.`,
      `Bring in at most ${THEMES_MOST.toLocaleString('en')} at once.`,
    );
  const plain = plainPackage(bytes, (each) => THEME_ENTRY.test(each) || PICTURE_ENTRY.test(each), THEME_FILE_UNPACKED_MOST);
  if (!plain)
    return refuse(
      `“${name}” cannot be unpacked: it is damaged, or comes to more than ${inMB(THEME_FILE_UNPACKED_MOST)}.`,
      'Save it once more where it was made, in parts if it is large.',
    );
  const entries = new Map(Object.entries(unzipSync(plain)));
  const pictures = new Map([...entries].flatMap(([at, content]) => (PICTURE_ENTRY.exec(at)?.[1] ? [[at.slice('pictures/'.length), content]] : [])));
  const reads = found.map((at) => ({ id: nameIn(at), read: readOne(at, entries.get(at) ?? new Uint8Array(), bases) }));
  const { themes, problems: loose } = standing(
    reads.flatMap(({ id, read }) => (read.ok ? [{ id, theme: read.value.theme }] : [])),
    (id) => found.find((at) => nameIn(at) === id) ?? id,
  );
  const problems = [...reads.flatMap(({ read }) => (read.ok ? read.value.told : read.problems)), ...loose];
  return themes.length === 0 ? bad(...problems) : good({ themes, pictures, problems: [...problems, ...lacking(themes, pictures)] });
}

/** What others in a file call a theme: its JSON's name. */
const nameIn = (path: string): string => path.replace(/^.*\//s, '').replace(/\.json$/, '');

/** Those that stand on what the file has, each after that; and what is wrong with the others. `at` gives the file of one. */
function standing(themes: readonly FiledTheme[], at: (id: string) => string): Pick<ThemesRead, 'themes' | 'problems'> {
  const problems: Problem[] = [];
  let left = themes;
  for (;;) {
    const byId = new Map(left.map(({ id, theme }) => [id, theme]));
    const wrong = left.filter(({ id, theme: { name, base } }) => {
      if (!isThemeBase(base)) return false;
      const loop = loopThrough(id, base, (each) => byId.get(each));
      if (!loop && byId.has(base.theme)) return false;
      const names = loop?.map((each) => `“${byId.get(each)?.name ?? each}”`).join(', from ');
      problems.push({
        code: 'theme-base',
        say: names
          ? `A theme cannot grow from itself: ${names}.`
          : `“${name}” grows from “${base.theme}”, which is not in the file, or cannot be read.`,
        remedy: names ? 'Let one of them grow from another.' : 'Save it anew with what it grows from, or let it grow from a starter.',
        at: `${at(id)}: base`,
      });
      return true;
    });
    if (wrong.length === 0) return { themes: withBases(left, []), problems };
    left = left.filter((each) => !wrong.includes(each));
  }
}

const inMB = (bytes: number): string => `${(bytes / 1_000_000).toFixed(1).replace(/\.0$/, '')} MB`;
const refuse = (say: string, remedy: string, at?: string): Outcome<never> => bad({ code: 'theme-file', say, remedy, ...(at ? { at } : {}) });

/** A theme, and what is to be known of it. */
interface ReadOne {
  readonly theme: Theme;
  readonly told: readonly Problem[];
}

/** One theme, with the file's name before the path of whatever is wrong in it. */
function readOne(name: string, bytes: Uint8Array, bases: Bases): Outcome<ReadOne> {
  if (bytes.length > THEME_MOST) return refuse(`This theme is ${inMB(bytes.length)} of JSON.`, `A theme is at most ${inMB(THEME_MOST)}.`, name);
  let json: unknown;
  try {
    json = JSON.parse(strFromU8(bytes).replace(/^\uFEFF/, ''));
  } catch {
    return refuse('This is not JSON.', 'A theme is saved as a file in the library, or written as docs/theme-format.md says.', name);
  }
  if (areTokens(json)) {
    const tokens = readTokens(name, json, bases);
    return tokens.ok
      ? good({ theme: tokens.value.theme, told: tokens.value.told.map((each) => ({ ...each, at: each.at ? `${name}: ${each.at}` : name })) })
      : tokens;
  }
  const newer = newerFormat(json);
  const read = readTheme(newer === undefined ? json : setApart(json as Readonly<Record<string, unknown>>, newer), bases);
  return read.ok
    ? good({ theme: read.value, told: newer === undefined ? [] : [keptApart(name, newer)] })
    : bad(...read.problems.map((problem) => ({ ...problem, at: problem.at ? `${name}: ${problem.at}` : name })));
}

const keptApart = (name: string, format: string): Problem => ({
  code: 'newer-format',
  say: `This theme is of the format ${format}, which is newer than ${THEME_FORMAT}. What is not known here is kept apart, and goes out with it again.`,
  at: name,
});

function newerFormat(json: unknown): string | undefined {
  if (typeof json !== 'object' || json === null || !Object.hasOwn(json, 'format')) return undefined;
  const { format } = json as { readonly format: unknown };
  const numberOf = (text: string): number => Number(/^zest-theme\/(\d{1,4})$/.exec(text)?.[1] ?? 0);
  return typeof format === 'string' && numberOf(format) > numberOf(THEME_FORMAT) ? format : undefined;
}

/** Pictures that themes name and the file does not have: they have to be here already. */
const lacking = (themes: readonly FiledTheme[], pictures: ReadonlyMap<string, Uint8Array>): readonly Problem[] =>
  themes.flatMap(({ theme: { name, pictures: own = [] } }) =>
    own
      .filter(({ media }) => !pictures.has(media))
      .map((picture) => ({
        code: 'theme-picture',
        say: `The picture “${picture.name}” of “${name}” is not in the file.`,
        remedy: 'It is shown if it was brought in here before.',
      })),
  );
