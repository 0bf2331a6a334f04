import {
  askedBy,
  besideCss,
  besideIn,
  extraBeside,
  selectorsFor,
  boxed,
  byWidth,
  type KeyedView,
  fontRules,
  framedTable,
  frameRules,
  sheetOf,
  writeCss,
  writeHtml,
} from '../compile';
import type { Scheme } from '../page';
import { fontAddress, mediaAddress, type ThemeView } from '../theme';
import { needsContainer, type Table } from '../table';

/** A theme as files: its stylesheet, and what the stylesheet names beside it. */
export interface ThemeFiles {
  readonly css: string;
  /** Names of font files, which lie in `fonts/` beside the stylesheet. */
  readonly fonts: readonly string[];
  /** Ids of kept pictures, which lie in `pictures/`. */
  readonly pictures: readonly string[];
}

/**
 * The theme's stylesheet with everything that a dressed table needs beside its markup; addresses are relative to it. It is bright, unless
 * it is asked to be dark or to follow the visitor: that is for sites that are dark too.
 */
export function themeFiles(view: ThemeView, key: string, scheme: Scheme = 'light'): ThemeFiles {
  const title = view.theme.name.replace(/[*/]/g, ' ');
  const rules = sheetOf(view, { use: 'file', key, scheme });
  const written = writeCss([...fontRules(rules), ...frameRules, ...rules]);
  const found = (address: string, name: RegExp): readonly string[] => [
    ...new Set(Array.from(written.matchAll(new RegExp(`"${address}(${name.source})"`, 'g')), ([, each]) => each ?? '')),
  ];
  const fonts = found(fontAddress(''), /[a-z0-9-]+\.woff2/);
  const pictures = found(mediaAddress(''), /[0-9a-f]+\.[a-z]+/);
  const css = written.replaceAll(`"${fontAddress('')}`, '"fonts/').replaceAll(`"${mediaAddress('')}`, '"pictures/');
  return {
    css: `/* ${title}: put class="zp-${key}" on a table, in a frame in a box (docs/markup.md), whose width decides its width steps. Swatches are custom properties of that class. */\n${css}`,
    fonts,
    pictures,
  };
}

/** The stylesheet alone, as text. */
export const themeFile = (view: ThemeView, key: string): string => themeFiles(view, key).css;

/**
 * The table's markup as a file to be put into a page, in its frame. What it has beside its theme comes along as a style, to
 * stand after the theme's stylesheet.
 */
export function tableFile(table: Table, dress: KeyedView | undefined): string {
  const beside = dress && besideIn(dress.view, [table]);
  const rules =
    dress && beside
      ? [...byWidth(dress.view, (at) => besideCss(at, dress.key, beside)), ...extraBeside(dress.view, selectorsFor(dress.view, dress.key), beside)]
      : [];
  // Nothing that a value says can end the style.
  const style = rules.length === 0 ? '' : `<style>\n${writeCss(rules).trim().replaceAll('</', '<\\/')}\n</style>\n`;
  // Shares beside fixed lengths are told from the box's width, with no stylesheet as well.
  const measure = needsContainer(table) ? 'container-type: inline-size' : undefined;
  return `${style}${writeHtml(
    boxed(
      framedTable(table, {
        id: 'table',
        theme: dress?.key,
        inline: true,
        ...askedBy(dress?.view, table),
      }),
      undefined,
      measure,
    ),
  )}\n`;
}
