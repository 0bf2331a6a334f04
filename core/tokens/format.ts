/**
 * Design tokens as the Design Tokens Community Group describes them (Design Tokens Format Module 2025.10): groups of tokens with `$type`
 * and `$value`; `{swatch.deep}` refers to another.
 */
export interface Token {
  readonly $type?: string;
  readonly $value: unknown;
  readonly $description?: string;
  readonly $extensions?: { readonly [name: string]: unknown };
}
export interface TokenGroup {
  readonly [name: string]: unknown;
}

/** The name under which this tool keeps what tokens have no word for, in `$extensions`. */
export const OWN = 'zest-pane';

/** What a file of tokens has at most. */
export const [TOKENS_MOST, TOKENS_DEEP, EXTENSIONS_MOST] = [2000, 24, 100_000] as const;

export interface ColourValue {
  readonly colorSpace: string;
  /** As the space has them (section 8.1 and Color Module 2025.10); `none` for one that is missing. */
  readonly components: readonly (number | 'none')[];
  readonly alpha?: number;
  readonly hex?: string;
}
export interface Dimension {
  readonly value: number;
  readonly unit: 'px' | 'rem';
}

export const isRecord = (value: unknown): value is Readonly<Record<string, unknown>> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
/** A field of its own, whatever it is called. */
export const fieldOf = (value: unknown, name: string): unknown => (isRecord(value) && Object.hasOwn(value, name) ? value[name] : undefined);
