import { parseFragment, type DefaultTreeAdapterTypes } from 'parse5';
import { bad, good, type Outcome } from '../../core/outcome';

/** What a picture is, told from its content and not from its name. */
export interface PictureKind {
  readonly type: string;
  readonly extension: 'png' | 'jpg' | 'gif' | 'webp' | 'avif' | 'svg';
}

const startsWith = (content: Buffer, at: number, text: string): boolean => content.subarray(at, at + text.length).toString('latin1') === text;

const kinds: readonly (PictureKind & { readonly is: (content: Buffer) => boolean })[] = [
  { type: 'image/png', extension: 'png', is: (content) => startsWith(content, 0, '\x89PNG\r\n\x1a\n') },
  { type: 'image/jpeg', extension: 'jpg', is: (content) => startsWith(content, 0, '\xff\xd8\xff') },
  { type: 'image/gif', extension: 'gif', is: (content) => startsWith(content, 0, 'GIF8') },
  { type: 'image/webp', extension: 'webp', is: (content) => startsWith(content, 0, 'RIFF') && startsWith(content, 8, 'WEBP') },
  { type: 'image/avif', extension: 'avif', is: (content) => startsWith(content, 4, 'ftypavif') },
];

/** Finds out what a picture is. An SVG is taken only if nothing in it could run or be fetched. */
export function pictureKind(content: Buffer): Outcome<PictureKind> {
  const found = kinds.find(({ is }) => is(content));
  if (found) return good({ type: found.type, extension: found.extension });
  const start = content.subarray(0, 2000).toString('utf8');
  if (/^\s*(?:<\?xml[^>]*>\s*)?(?:<!--[\s\S]*?-->\s*)*(?:<!DOCTYPE svg[^[>]*>\s*)?<svg[\s>]/i.test(start)) return svgKind(content.toString('utf8'));
  return bad({
    code: 'picture-kind',
    say: 'This is no picture that can be used here.',
    remedy: 'Bring in a PNG, JPEG, GIF, WebP, AVIF or SVG file.',
  });
}

function svgKind(text: string): Outcome<PictureKind> {
  const wrong = /<!ENTITY/i.test(text) ? 'an entity' : wrongIn(parseFragment(text));
  if (wrong === undefined) return good({ type: 'image/svg+xml', extension: 'svg' });
  return bad({
    code: 'picture-runs',
    say: `This SVG holds ${wrong}, which could run or fetch something.`,
    remedy: 'Save it again as a plain drawing, or as a PNG.',
  });
}

const forbidden = new Set(['script', 'foreignobject', 'iframe', 'object', 'embed', 'handler', 'listener', 'animate', 'set', 'a']);

/** What in a drawing could run or reach out, in words; undefined where nothing can. */
function wrongIn(node: DefaultTreeAdapterTypes.ParentNode): string | undefined {
  for (const child of node.childNodes) {
    if (!('tagName' in child)) continue;
    const name = child.tagName.toLowerCase().replace(/^.*:/, '');
    if (forbidden.has(name)) return `a ${child.tagName} element`;
    for (const attribute of child.attrs) {
      const attributeName = attribute.name.toLowerCase();
      if (attributeName.startsWith('on')) return `the attribute ${attribute.name}`;
      if (attributeName.endsWith('href') && !/^\s*(#|data:image\/(png|jpeg|gif|webp);)/i.test(attribute.value))
        return `a link to ${attribute.value.slice(0, 60)}`;
      if (reachesOut(attribute.value)) return `the address ${attribute.value.slice(0, 60)}`;
    }
    if (name === 'style' && reachesOut(textOf(child))) return 'a style that fetches something';
    const inside = wrongIn(child);
    if (inside !== undefined) return inside;
  }
  return undefined;
}

const reachesOut = (text: string): boolean => /@import|url\(\s*["']?\s*(?!#|data:image\/(png|jpeg|gif|webp);)[^)\s]/i.test(text);
const textOf = (node: DefaultTreeAdapterTypes.ParentNode): string => node.childNodes.map((child) => ('value' in child ? child.value : '')).join('');
