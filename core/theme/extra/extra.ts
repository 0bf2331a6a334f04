import type { ConditionName } from '../catalogue/conditions';
import type { PartName } from '../catalogue/parts';
import type { PropertyName } from '../catalogue/properties';
import type { Theme } from '../theme';

/** So many characters can a theme's extra CSS have. */
export const EXTRA_MOST = 50_000;

/** What a rule of extra CSS reaches: a part under conditions, or something at or in it. */
export interface Reached {
  readonly part: PartName;
  /** In the order in which they were typed. */
  readonly conditions: readonly ConditionName[];
  /** What narrows the part's own element: `.late`, `[data-pier]`, `:nth-child(3n)`. */
  readonly also: string;
  /** What stands in it, with its combinator, or a pseudo-element of it: ` a:hover`, `>b`, `::after`. */
  readonly below: string;
}

/** A query around rules, the outermost first. */
export interface Around {
  readonly kind: 'media' | 'container' | 'supports';
  readonly query: string;
}

export type ExtraDeclaration = readonly [property: string, value: string];

/** A rule as it was typed, as far as the ledger cannot say the same. */
export interface ExtraRule {
  readonly reached: Reached;
  readonly around: readonly Around[];
  readonly declarations: readonly ExtraDeclaration[];
  readonly line: number;
}

export interface ExtraFrames {
  readonly name: string;
  readonly frames: readonly { readonly at: string; readonly declarations: readonly ExtraDeclaration[] }[];
}

/** Something that is left out, or is taken and may not be what was meant. */
export interface ExtraNotice {
  /** From 1. */
  readonly line: number;
  /** From 1. */
  readonly column: number;
  /** So many characters from there it is about; 0 where only the place is known. */
  readonly length: number;
  readonly say: string;
  readonly isLeftOut: boolean;
}

/** A declaration where it was typed, for what looks at it more closely (`core/css-check`). */
export interface ExtraWritten {
  readonly property: string;
  readonly value: string;
  readonly line: number;
  readonly column: number;
}

/** Extra CSS as it was read. */
export interface Extra {
  /** Whether it stands beside a theme, so that nothing of it is a value of the ledger. */
  readonly isAside: boolean;
  /** What the ledger can say as well, as its values. */
  readonly values: Theme['values'];
  /** On which line each of these stands. */
  readonly lineOf: (part: PartName, condition: ConditionName, property: PropertyName) => number | undefined;
  readonly rules: readonly ExtraRule[];
  readonly keyframes: readonly ExtraFrames[];
  /** In the order of their lines. */
  readonly notices: readonly ExtraNotice[];
  /** Every declaration that is taken, once. */
  readonly written: readonly ExtraWritten[];
}
