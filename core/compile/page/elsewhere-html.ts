import { dressed, isBleed, tableRef, tablesOn } from '../../page';
import { isolatedRules } from '../sheet/frame';
import type { Element, MarkupNode } from '../markup/markup';
import { compilePage } from './page-html';
import type { CompiledPage, PageInput, PageOptions } from './page-input';
import { shortHash } from '../sheet/short-hash';

/** One placement of a page, by itself: for a page that is not ours. */
export interface Elsewhere {
  /** The table's name. */
  readonly name: string;
  /** Its box, to stand anywhere in a document or in a shadow root. */
  readonly box: Element;
  /** It alone on a page of ours, with the stylesheet that goes with it. */
  readonly page: CompiledPage;
}

export interface ElsewhereOptions extends Pick<PageOptions, 'lang'> {
  /** What no other page and placement has: ids are made from it, since a page may have several of ours. */
  readonly key: string;
  /** The whole address of what a link or a picture leads to: what is written in a table is meant from a page of ours. */
  readonly addressOf: (reference: string) => string;
}

/**
 * Compiles one placement by itself; undefined where there is none of this id or its table is gone. It keeps its theme, its room
 * and its controls. One from edge to edge fills its place instead, since another's page cannot be measured.
 */
export function compileElsewhere(given: PageInput, id: string, { key, addressOf, lang }: ElsewhereOptions): Elsewhere | undefined {
  const block = tablesOn(dressed(given.page, given.site)).find((each) => each.id === id);
  const table = block && given.tables.get(tableRef(block));
  if (!block || !table) return undefined;
  const { isolated: _isolated, reach: _reach, ...alone } = block;
  const page = compilePage(
    {
      page: { ...given.page, wide: false, blocks: [isBleed(block) ? { ...alone, width: 'fill' } : alone] },
      tables: given.tables,
      ...(given.pricings ? { pricings: given.pricings } : {}),
      themes: given.themes,
      scheme: given.scheme,
    },
    { siteName: '', stylesheet: '', lasting: true, mark: `${shortHash(key)}-`, lang },
  );
  const box = page.placed[0] && withId(page.html, page.placed[0].box);
  return box && { name: table.name, box: addressed(box, addressOf), page: { ...page, css: [...isolatedRules, ...page.css] } };
}

function withId(node: MarkupNode, id: string): Element | undefined {
  if (typeof node === 'string') return undefined;
  if (node.attributes['id'] === id) return node;
  for (const child of node.children) {
    const found = withId(child, id);
    if (found) return found;
  }
  return undefined;
}

const leads = { a: 'href', img: 'src' } as const;

function addressed(node: Element, addressOf: ElsewhereOptions['addressOf']): Element {
  const name = node.tag === 'a' || node.tag === 'img' ? leads[node.tag] : undefined;
  const reference = name && node.attributes[name];
  return {
    ...node,
    attributes: name && typeof reference === 'string' ? { ...node.attributes, [name]: addressOf(reference) } : node.attributes,
    children: node.children.map((child) => (typeof child === 'string' ? child : addressed(child, addressOf))),
  };
}
