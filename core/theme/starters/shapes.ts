import type { Theme, Values } from '../theme';
import type { TypeScale } from '../type-scale';

export interface Starter {
  readonly key: string;
  /** Counted from 1: a starter that has shipped never changes, what is better about it comes as the next version. */
  readonly version: number;
  /** What it is for, in a few words. */
  readonly temper: string;
  readonly theme: Theme;
}

/** Padding as it is said: up and down, then left and right. */
export const pad = (block: string, inline: string): Values => ({
  'padding-top': block,
  'padding-bottom': block,
  'padding-start': inline,
  'padding-end': inline,
});
export const box = (line: string): Values => ({ 'outer-top': line, 'outer-end': line, 'outer-bottom': line, 'outer-start': line });
export const swatches = (colours: Readonly<Record<string, string>>): Theme['swatches'] =>
  Object.entries(colours).map(([name, colour]) => ({ name, colour }));
export const scale = (base: number, ratio: number): TypeScale => ({
  base,
  ratio,
  steps: [
    { name: 'small', step: -1 },
    { name: 'body', step: 0 },
    { name: 'lead', step: 1 },
    { name: 'title', step: 2 },
  ],
});
export const plain = { format: 'zest-theme/2', base: { starter: 'ground', version: 1 } } as const;
