import type { Theme } from '../theme';

/** A theme or a table with other extra CSS; where nothing is left of it, without. */
export function setExtraCss<T extends { readonly css?: string }>(document: T, css: string): T {
  if ((document.css ?? '') === css) return document;
  const { css: _, ...rest } = document;
  return (css.trim() === '' ? rest : { ...rest, css }) as T;
}

const readsSwatch = (name: string): RegExp => new RegExp(`(?<=var\\(\\s{0,20})--${name}(?=\\s{0,20}[,)])`, 'g');

/** The theme with a swatch by another name in its extra CSS. */
export const renameInExtraCss = (theme: Theme, name: string, to: string): Theme =>
  theme.css === undefined ? theme : setExtraCss(theme, theme.css.replace(readsSwatch(name), `--${to}`));

/** The theme with a colour in place of a swatch in its extra CSS. */
export const fixInExtraCss = (theme: Theme, name: string, colour: string): Theme =>
  theme.css === undefined ? theme : setExtraCss(theme, theme.css.replace(new RegExp(`var\\(\\s{0,20}--${name}\\s{0,20}\\)`, 'g'), colour));

/** The lines of the extra CSS that read a swatch, from 1. */
export const linesReading = ({ css = '' }: Theme, name: string): readonly number[] =>
  css.split('\n').flatMap((line, i) => (readsSwatch(name).test(line) ? [i + 1] : []));
