import { bad, good, type Outcome } from '../../outcome';
import { elsewhereAddress } from '../../page';
import { element, writeHtml } from '../markup/markup';
import { contract } from '../markup/contract';

/** How a table stands on another's page: in an element of ours that a script fills, or as plain HTML that a stylesheet dresses. */
export type SnippetForm = 'element' | 'plain';

export interface Snippet {
  /** Where this server answers, as in `http://localhost:4310`. */
  readonly origin: string;
  /** Ids of the page and of the placement on it. */
  readonly page: string;
  readonly block: string;
  /** The table's name, and the page's address: what stands in the element until the script has come, or where it cannot. */
  readonly name: string;
  readonly slug: string;
  /** The element's name, where the other page has one of ours' own name already. */
  readonly element?: string;
}

/** The script that fills the elements. */
const ELSEWHERE_SCRIPT = '/elsewhere/table.js';

const reserved = new Set([
  'annotation-xml',
  'color-profile',
  'font-face',
  'font-face-src',
  'font-face-uri',
  'font-face-format',
  'font-face-name',
  'missing-glyph',
]);

/** Reads a name for a custom element (HTML Standard, section 4.13.3, of which ASCII letters, digits and hyphens are taken). */
export function readElementName(text: string): Outcome<string> {
  const name = text.trim();
  if (/^[a-z][a-z0-9]*(-[a-z0-9]+)+$/.test(name) && name.length <= 60 && !reserved.has(name)) return good(name);
  return bad({
    code: 'element-name',
    say: `“${name.slice(0, 80)}” is no name for an element.`,
    remedy: 'Write small letters and at least one hyphen, as in evening-boats.',
  });
}

/** The lines to paste into another's page so that a placement stands there. Plain HTML needs `html`, as the server gives it. */
export function snippet({ origin, page, block, name, slug, element: called = contract.host }: Snippet, form: SnippetForm, html = ''): string {
  const address = `${origin}${elsewhereAddress(page, block)}`;
  if (form === 'plain') return `${writeHtml(element('link', { rel: 'stylesheet', href: `${address}.css` }))}\n${html}`;
  const script = element('script', {
    defer: '',
    src: `${origin}${ELSEWHERE_SCRIPT}`,
    'data-element': called === contract.host ? undefined : called,
  });
  const link = element('a', { href: `${origin}/site/${encodeURIComponent(slug)}` }, name);
  const host = writeHtml(element(called, { src: address }, '\n  ', link, '\n'));
  return `${writeHtml(script)}\n${host}`;
}

/** A sentence on what the other site's own rules must allow (Content Security Policy 3), where it has such rules. */
export const allowance = (origin: string, form: SnippetForm): string =>
  form === 'plain'
    ? `A site with a content security policy allows ${origin} for styles, fonts and pictures.`
    : `A site with a content security policy allows ${origin} for scripts, connections, styles, fonts and pictures.`;
