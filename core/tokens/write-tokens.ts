import { dequal } from 'dequal/lite';
import { modeNames, partNames, stepSize, type ConditionName, type PropertyName, type Theme, type ThemeView } from '../theme';
import { colourValue } from './colours';
import { OWN, fieldOf, isRecord, type Token, type TokenGroup } from './format';
import { saidAs, textOf } from './values';

/** A theme as design tokens, and what they have no word for. */
export interface TokensOut {
  readonly json: TokenGroup;
  /** What cannot be said in tokens, as paths: it lies in `$extensions` for this tool, and other programs do not see it. */
  readonly unsaid: readonly string[];
}

/** What a theme says itself, as design tokens. References stay references; colours stay in their space. */
export function tokensOf(view: ThemeView): TokensOut {
  const { theme } = view;
  const unsaid: string[] = [];
  const kept = theme.extensions ?? {};
  /** A token, with what other programs said with it, and its text where that says more than the value. */
  const token = (path: string, type: string, value: unknown, text?: string): Token => {
    const others = fieldOf(kept, path);
    const own = text === undefined ? {} : { [OWN]: { text } };
    const all = { ...(isRecord(others) ? others : {}), ...own };
    return { $type: type, $value: value, ...(Object.keys(all).length > 0 ? { $extensions: all } : {}) };
  };
  const swatches = (all: Theme['swatches'], path: string): TokenGroup =>
    Object.fromEntries(
      all.map(({ name, colour }) => {
        const said = saidAs('fill', colour, view);
        const value = said?.value ?? colourValue('#000000');
        return [name, token(`${path}.${name}`, 'color', value, said && textOf(said) === colour ? undefined : colour)];
      }),
    );
  const values = (all: Theme['values'], path: string): TokenGroup | undefined => {
    const left: Record<string, Record<string, Record<string, string>>> = {};
    const groups: Record<string, Record<string, Record<string, Token>>> = {};
    for (const part of partNames)
      for (const [condition, own] of Object.entries(all[part] ?? {}) as [ConditionName, Readonly<Record<PropertyName, string>>][])
        for (const [property, text] of Object.entries(own) as [PropertyName, string][]) {
          const said = saidAs(property, text, view);
          const at = `${path}.${part}.${condition}.${property}`;
          if (said === undefined) {
            unsaid.push(`${at}: ${text}`);
            ((left[part] ??= {})[condition] ??= {})[property] = text;
          } else ((groups[part] ??= {})[condition] ??= {})[property] = token(at, said.type, said.value, textOf(said) === text ? undefined : text);
        }
    const isEmpty = Object.keys(left).length === 0;
    if (isEmpty && Object.keys(groups).length === 0) return undefined;
    return { ...groups, ...(isEmpty ? {} : { $extensions: { [OWN]: { unsaid: left } } }) };
  };
  const group = (name: string, made: TokenGroup | undefined): TokenGroup =>
    made === undefined || Object.keys(made).length === 0 ? {} : { [name]: made };
  const { scale } = theme;
  const steps = (theme.widths ?? []).map(({ name, width, values: own }) => [
    name,
    {
      ...(width === undefined ? {} : { width: token(`widths.${name}.width`, 'dimension', { value: width, unit: 'px' }) }),
      ...group('value', values(own, `widths.${name}.value`)),
    },
  ]);
  const modes = modeNames.flatMap((name) => {
    const mode = theme.modes?.find((each) => each.name === name);
    if (!mode) return [];
    const said = {
      ...group('swatch', swatches(mode.swatches ?? [], `modes.${name}.swatch`)),
      ...group('value', values(mode.values, `modes.${name}.value`)),
    };
    return [[name, said] as const];
  });
  if (theme.css !== undefined) unsaid.push('css: extra CSS');
  for (const { name } of theme.pictures ?? []) unsaid.push(`pictures.${name}: a picture`);
  if (theme.base !== null && 'theme' in theme.base) unsaid.push('base: the theme that it grows from');
  const others = fieldOf(kept, '');
  const json = {
    $description: theme.name,
    $extensions: {
      ...(isRecord(others) ? others : {}),
      [OWN]: {
        format: theme.format,
        name: theme.name,
        ...(theme.base !== null && 'starter' in theme.base ? { base: theme.base } : {}),
        ...(theme.css === undefined ? {} : { css: theme.css }),
      },
    },
    ...group('swatch', swatches(theme.swatches, 'swatch')),
    ...(scale === undefined
      ? {}
      : {
          type: {
            base: token('type.base', 'dimension', { value: scale.base, unit: 'px' }),
            ratio: token('type.ratio', 'number', scale.ratio),
            step: Object.fromEntries(
              scale.steps.map(({ name, step }) => [
                name,
                { $type: 'dimension', $value: { value: stepSize(scale, step), unit: 'px' }, $extensions: { [OWN]: { step } } },
              ]),
            ),
          },
        }),
    ...group('value', values(theme.values, 'value')),
    ...group('widths', Object.fromEntries(steps) as TokenGroup),
    ...group('modes', Object.fromEntries(modes)),
  };
  return { json, unsaid };
}

/** Whether two values of tokens are the same. */
export const isSame = (a: unknown, b: unknown): boolean => dequal(a, b);
