import { Mark, Node, mergeAttributes, type Extensions } from '@tiptap/core';
import { Bold } from '@tiptap/extension-bold';
import { Code } from '@tiptap/extension-code';
import { Document } from '@tiptap/extension-document';
import { HardBreak } from '@tiptap/extension-hard-break';
import { History } from '@tiptap/extension-history';
import { Italic } from '@tiptap/extension-italic';
import { Link } from '@tiptap/extension-link';
import { Paragraph } from '@tiptap/extension-paragraph';
import { Strike } from '@tiptap/extension-strike';
import { Subscript } from '@tiptap/extension-subscript';
import { Superscript } from '@tiptap/extension-superscript';
import { Text } from '@tiptap/extension-text';
import { Underline } from '@tiptap/extension-underline';
import { isLanguage } from '../../../../../core/data-types';
import { spokenIn } from '../../../../../core/languages';
import { icons } from '../../../../../core/media';
import { isSafeAddress } from '../../../../../core/table';

const Small = Mark.create({
  name: 'small',
  parseHTML: () => [{ tag: 'small' }],
  renderHTML: ({ HTMLAttributes }) => ['small', mergeAttributes(HTMLAttributes), 0],
});

/** In which language a stretch is: for those who hear it, and for the direction of its letters. */
const Language = Mark.create({
  name: 'language',
  addAttributes: () => ({ href: { default: '' } }),
  parseHTML: () => [{ tag: 'span[lang]', getAttrs: ({ lang }) => isLanguage(lang) && { href: lang } }],
  renderHTML: ({ mark }) => ['span', spokenIn((mark.attrs as { readonly href: string }).href), 0],
});

/** An element in a colour; its style is set by script, which the page's policy allows where an attribute would not be. */
function inColour(
  tag: string,
  property: 'color' | 'backgroundColor',
  colour: string,
): { readonly dom: HTMLElement; readonly contentDOM: HTMLElement } {
  const dom = document.createElement(tag);
  if (colour !== '') dom.style[property] = colour;
  return { dom, contentDOM: dom };
}
const hrefOf = (attrs: Readonly<Record<string, unknown>>): string => (attrs as { readonly href: string }).href;
/** Marks with a colour. `colourOf` is what a name comes to in the theme of the table. */
const coloured = (colourOf: (text: string) => string): Extensions => [
  Mark.create({
    name: 'ink',
    addAttributes: () => ({ href: { default: '' } }),
    renderHTML: ({ mark }) => inColour('span', 'color', colourOf(hrefOf(mark.attrs))),
  }),
  Mark.create({
    name: 'highlight',
    addAttributes: () => ({ href: { default: '' } }),
    parseHTML: () => [{ tag: 'mark' }],
    renderHTML: ({ mark }) => inColour('mark', 'backgroundColor', colourOf(hrefOf(mark.attrs))),
  }),
];

const atom = {
  group: 'inline',
  inline: true,
  atom: true,
  addAttributes: () => ({ of: { default: '' }, text: { default: '' }, height: { default: null } }),
};
interface Stands {
  readonly of: string;
  readonly text: string;
  /** Of a picture, in px. */
  readonly height: number | null;
}
const attrsOf = (attrs: Readonly<Record<string, unknown>>): Stands => attrs as unknown as Stands;

/** An icon in the line; its text is what it says to those who cannot see it. */
const Icon = Node.create({
  ...atom,
  name: 'icon',
  renderHTML: ({ node }) => {
    const { of, text } = attrsOf(node.attrs);
    const path = icons.find(({ name }) => name === of)?.path ?? '';
    const svg = 'http://www.w3.org/2000/svg';
    return [
      `${svg} svg`,
      { role: 'img', 'aria-label': text, viewBox: '0 0 24 24', width: '1em', height: '1em', fill: 'currentColor' },
      [`${svg} path`, { d: path }],
    ];
  },
});
const Picture = Node.create({
  ...atom,
  name: 'picture',
  renderHTML: ({ node }) => {
    const { of, text, height } = attrsOf(node.attrs);
    return ['img', { src: of, alt: text, ...(height === null ? {} : { height }) }];
  },
});

/** What a cell's text can be made of. What else is pasted is cleaned away by the editor, which knows nothing else. */
export const textExtensions = (colourOf: (text: string) => string): Extensions => [
  Document,
  Paragraph,
  Text,
  HardBreak,
  History,
  Bold,
  Italic,
  Underline,
  Strike,
  Small,
  Subscript,
  Superscript,
  ...coloured(colourOf),
  Code.extend({ excludes: '' }),
  Link.configure({
    openOnClick: false,
    autolink: false,
    linkOnPaste: false,
    isAllowedUri: (href) => isSafeAddress(href ?? ''),
    HTMLAttributes: { target: null, rel: null },
  }),
  Language,
  Icon,
  Picture,
];
