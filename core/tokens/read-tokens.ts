import { bad, good, type Outcome, type Problem } from '../outcome';
import {
  SWATCH_NAME,
  Views,
  modeNames,
  newestOf,
  readTheme,
  type Bases,
  type PropertyName,
  type StarterBase,
  type Theme,
  type ThemeView,
} from '../theme';
import { colourText } from './colours';
import { EXTENSIONS_MOST, OWN, TOKENS_DEEP, TOKENS_MOST, fieldOf, isRecord } from './format';
import { saidAs, swatchIn, textOf, type Said } from './values';
import { isSame } from './write-tokens';

/** A theme made of design tokens, and what of them it does not have. */
export interface TokensRead {
  readonly theme: Theme;
  readonly told: readonly Problem[];
}

/** Whether JSON holds design tokens: somewhere in it is a `$value`. */
export const areTokens = (json: unknown): boolean => isRecord(json) && !Object.hasOwn(json, 'format') && found(json, 0);
const found = (json: unknown, deep: number): boolean =>
  isRecord(json) && deep <= TOKENS_DEEP && (Object.hasOwn(json, '$value') || Object.values(json).some((each) => found(each, deep + 1)));

/** A token with the path to it and the type that holds for it. */
interface Found {
  readonly path: readonly string[];
  readonly type: string;
  readonly value: unknown;
  readonly own: unknown;
  readonly others: Readonly<Record<string, unknown>>;
}

const nameOf = (path: readonly string[]): string => path.join('.');
const problem = (path: readonly string[], say: string): Problem => ({ code: 'token', say, at: nameOf(path) });

/**
 * Reads design tokens as a theme. Those that this tool wrote come back as they were; of others, colours become swatches by their paths, and
 * references between them stay. What has no place in a theme is told by its path, and so is a colour that would become another one.
 */
export function readTokens(name: string, json: unknown, bases: Bases): Outcome<TokensRead> {
  const told: Problem[] = [];
  const tokens: Found[] = [];
  const extensions = new Map<string, unknown>();
  const tooMany = collect(json, [], '', 0, tokens, told, extensions);
  if (tooMany !== undefined) return bad({ code: 'tokens', say: tooMany, remedy: 'Bring it in in parts.' });
  const own = fieldOf(fieldOf(json, '$extensions'), OWN);
  const isOurs = isRecord(own) && fieldOf(own, 'format') !== undefined;
  const byPath = new Map(tokens.map((each) => [nameOf(each.path), each]));
  const made = isOurs ? ofOurs(tokens, byPath, json, own, told, bases) : ofOthers(name, tokens, byPath, told);
  const carried = carry(tokens, extensions, told);
  const read = readTheme({ ...made, ...(Object.keys(carried).length > 0 ? { extensions: carried } : {}) }, bases);
  return read.ok ? good({ theme: read.value, told }) : bad(...read.problems.map((each) => ({ ...each, at: each.at ? `${name}: ${each.at}` : name })));
}

/** Finds every token, with the type of the nearest group that says one (section 6.4). Gives a sentence where there is too much. */
function collect(
  json: unknown,
  path: readonly string[],
  type: string,
  deep: number,
  tokens: Found[],
  told: Problem[],
  extensions: Map<string, unknown>,
): string | undefined {
  if (!isRecord(json)) {
    told.push(problem(path, 'This is neither a token nor a group of tokens.'));
    return undefined;
  }
  if (deep > TOKENS_DEEP) return `Groups stand in groups more than ${TOKENS_DEEP} deep.`;
  const said = fieldOf(json, '$type');
  const here = typeof said === 'string' ? said : type;
  const all = fieldOf(json, '$extensions');
  const others = isRecord(all) ? Object.fromEntries(Object.entries(all).filter(([key]) => key !== OWN)) : {};
  if (Object.hasOwn(json, '$value')) {
    if (tokens.length >= TOKENS_MOST) return `There are more than ${TOKENS_MOST.toLocaleString('en')} tokens.`;
    tokens.push({ path, type: here, value: json['$value'], own: isRecord(all) ? fieldOf(all, OWN) : undefined, others });
    return undefined;
  }
  if (Object.keys(others).length > 0) extensions.set(nameOf(path), others);
  for (const [key, value] of Object.entries(json)) {
    if (key.startsWith('$')) continue;
    const tooMany = collect(value, [...path, key], here, deep + 1, tokens, told, extensions);
    if (tooMany !== undefined) return tooMany;
  }
  return undefined;
}

type Made = Readonly<Record<string, unknown>>;

/** A theme as this tool wrote it. */
function ofOurs(tokens: readonly Found[], byPath: ReadonlyMap<string, Found>, json: unknown, own: unknown, told: Problem[], bases: Bases): Made {
  const said = fieldOf(own, 'base');
  const isThere = typeof fieldOf(said, 'starter') === 'string' && bases.find(said as StarterBase) !== undefined;
  const base = isThere ? said : { starter: 'hairline', version: newestOf('hairline') };
  const sized = (path: string): number | undefined => {
    const value = byPath.get(path)?.value;
    const amount = typeof value === 'number' ? value : fieldOf(value, 'value');
    return typeof amount === 'number' ? amount : undefined;
  };
  const at = (start: readonly string[]): readonly Found[] => tokens.filter(({ path }) => start.every((each, i) => path[i] === each));
  const swatches = (start: readonly string[], view: ThemeView): readonly { readonly name: string; readonly colour: string }[] =>
    at([...start, 'swatch'])
      .filter(({ path }) => path.length === start.length + 2)
      .flatMap((token) => {
        const colour = textFor(token, 'fill', view);
        if (colour === undefined) told.push(problem(token.path, whyNot(token)));
        return colour === undefined ? [] : [{ name: token.path.at(-1) ?? '', colour }];
      });
  // Of a share of a swatch it is told from all swatches together whether it is still what was written.
  const written = at(['swatch']).map(({ path, own: kept, value }) => {
    const [text, read] = [fieldOf(kept, 'text'), colourText(value)];
    return { name: path.at(-1) ?? '', colour: typeof text === 'string' ? text : (swatchIn(value) ?? ('text' in read ? read.text : '#000000')) };
  });
  const view = new Views(bases).of({ format: 'zest-theme/2', name: '', base: base as Theme['base'], swatches: written, values: {} });
  const first = swatches([], view);
  const values = (start: readonly string[]): Record<string, Record<string, Record<string, string>>> => {
    const unsaid = fieldOf(fieldOf(fieldOf(groupAt(json, [...start, 'value']), '$extensions'), OWN), 'unsaid');
    const made: Record<string, Record<string, Record<string, string>>> = isRecord(unsaid) ? (structuredClone(unsaid) as never) : {};
    for (const token of at([...start, 'value'])) {
      const [part, condition, property] = token.path.slice(start.length + 1);
      if (part === undefined || condition === undefined || property === undefined) continue;
      const text = textFor(token, property, view);
      if (text === undefined) told.push(problem(token.path, whyNot(token)));
      else ((made[part] ??= {})[condition] ??= {})[property] = text;
    }
    return made;
  };
  const [sizeBase, ratio] = [sized('type.base'), sized('type.ratio')];
  const steps = at(['type', 'step']).flatMap(({ path, own: kept }) => {
    const step = fieldOf(kept, 'step');
    return typeof step === 'number' ? [{ name: path[2] ?? '', step }] : [];
  });
  const named = (group: string): readonly string[] =>
    Object.keys((groupAt(json, [group]) as object | undefined) ?? {}).filter((each) => !each.startsWith('$'));
  const widths = named('widths').map((each) => {
    const width = sized(`widths.${each}.width`);
    return { name: each, ...(width === undefined ? {} : { width }), values: values(['widths', each]) };
  });
  const modes = modeNames.flatMap((each) => {
    if (groupAt(json, ['modes', each]) === undefined) return [];
    const ownSwatches = swatches(['modes', each], view);
    return [{ name: each, ...(ownSwatches.length > 0 ? { swatches: ownSwatches } : {}), values: values(['modes', each]) }];
  });
  const css = fieldOf(own, 'css');
  return {
    format: 'zest-theme/2',
    name: fieldOf(own, 'name') ?? 'Tokens',
    base,
    swatches: first,
    ...(sizeBase !== undefined && ratio !== undefined && steps.length > 0 ? { scale: { base: sizeBase, ratio, steps } } : {}),
    values: values([]),
    ...(widths.length > 0 ? { widths } : {}),
    ...(modes.length > 0 ? { modes } : {}),
    ...(typeof css === 'string' ? { css } : {}),
  };
}

function groupAt(json: unknown, path: readonly string[]): unknown {
  return path.reduce<unknown>((group, name) => fieldOf(group, name), json);
}

/** The text that was kept with a token, where its value still is what that says; else the text that its value comes to. */
function textFor(token: Found, property: string, view: ThemeView): string | undefined {
  const said: Said = { type: token.type, value: token.value };
  const kept = fieldOf(token.own, 'text');
  if (typeof kept === 'string') {
    const again = saidAs(property as PropertyName, kept, view);
    if (again === undefined || isSame(again.value, token.value)) return kept;
  }
  return textOf(said);
}

const whyNot = ({ type, value }: Found): string => {
  const read = type === 'color' && swatchIn(value) === undefined ? colourText(value) : undefined;
  if (read && 'say' in read) return read.say;
  return `A token of the type ${type || 'that is not said'} has no place here as it is.`;
};

/** Tokens of other programs: each colour is a swatch. */
function ofOthers(name: string, tokens: readonly Found[], byPath: ReadonlyMap<string, Found>, told: Problem[]): Made {
  const names = new Map<string, string>();
  const free = (path: readonly string[]): string => {
    const plain =
      path
        .join('-')
        .toLowerCase()
        .replace(/[^a-z0-9]+/g, '-')
        .replace(/^[^a-z]+|-+$/g, '')
        .slice(0, 36) || 'colour';
    for (let number = 1, each = plain; ; each = `${plain}-${++number}`) if (![...names.values()].includes(each)) return each;
  };
  /** A reference's token, through whatever it refers to, and its type: an alias need not say one (section 7.1). */
  const target = (value: unknown): Found | undefined => {
    const path = typeof value === 'string' ? /^\{([^{}]+)\}$/.exec(value)?.[1] : undefined;
    return path === undefined ? undefined : byPath.get(path);
  };
  const typeOf = (token: Found, seen: ReadonlySet<Found> = new Set()): string => {
    if (token.type !== '' || seen.has(token)) return token.type;
    const next = target(token.value);
    return next ? typeOf(next, new Set([...seen, token])) : '';
  };
  const isLoop = (token: Found): boolean => {
    const seen = new Set<Found>();
    for (let at: Found | undefined = token; at; at = target(at.value)) {
      if (seen.has(at)) return true;
      seen.add(at);
    }
    return false;
  };
  const colours = tokens.filter((token) => typeOf(token) === 'color');
  for (const token of colours) names.set(nameOf(token.path), free(token.path));
  const swatches = colours.flatMap((token) => {
    const mine = names.get(nameOf(token.path)) ?? '';
    if (!SWATCH_NAME.test(mine)) return [];
    if (isLoop(token)) {
      told.push(problem(token.path, 'This token refers to itself, around others.'));
      return [];
    }
    const next = target(token.value);
    if (next) return [{ name: mine, colour: names.get(nameOf(next.path)) ?? '#000000' }];
    const read = colourText(token.value);
    if ('text' in read) return [{ name: mine, colour: read.text }];
    told.push(problem(token.path, read.say));
    return [];
  });
  // What refers to one that was left out is left out too, and so on.
  const all = new Set(names.values());
  let left = swatches;
  for (let before = -1; before !== left.length;) {
    before = left.length;
    const there = new Set(left.map((each) => each.name));
    left = left.filter(({ colour }) => !all.has(colour) || there.has(colour));
  }
  for (const token of tokens)
    if (!colours.includes(token))
      told.push(
        problem(token.path, `A token of the type ${token.type || 'that is not said'} has no place of its own in a theme: set it where it belongs.`),
      );
  return {
    format: 'zest-theme/2',
    name:
      name
        .replace(/(?:\.tokens)?\.json$/i, '')
        .slice(0, 120)
        .trim() || 'Tokens',
    base: { starter: 'hairline', version: newestOf('hairline') },
    swatches: left,
    values: {},
  };
}

/** What other programs said with their tokens, by path; given back when the theme is written as tokens. */
function carry(tokens: readonly Found[], groups: ReadonlyMap<string, unknown>, told: Problem[]): Readonly<Record<string, unknown>> {
  const all = new Map<string, unknown>(groups);
  for (const { path, others } of tokens) if (Object.keys(others).length > 0) all.set(nameOf(path), others);
  const made = Object.fromEntries(all);
  if (JSON.stringify(made).length <= EXTENSIONS_MOST) return made;
  told.push({
    code: 'tokens',
    say: `What other programs keep with these tokens ($extensions) is more than ${EXTENSIONS_MOST / 1000} kB, and is left out.`,
  });
  return {};
}
