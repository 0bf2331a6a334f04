import { bad, good, type Outcome, type Problem } from '../../core/outcome';
import { problemOfSvg, type SvgProblem } from './svg';

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
  const text = content.toString('utf8');
  const problem = /^\uFEFF?\s*</.test(text.slice(0, 1000)) ? problemOfSvg(text) : ({ kind: 'none', found: '' } as const);
  if (!problem) return good({ type: 'image/svg+xml', extension: 'svg' });
  return bad(said[problem.kind](problem.found));
}

const said: { readonly [kind in SvgProblem['kind']]: (found: string) => Problem } = {
  none: () => ({
    code: 'picture-kind',
    say: 'This is no picture that can be used here.',
    remedy: 'Bring in a PNG, JPEG, GIF, WebP, AVIF or SVG file.',
  }),
  runs: (found) => ({
    code: 'picture-runs',
    say: `This SVG holds ${found}, which could run or fetch something.`,
    remedy: 'Save it again as a plain drawing, or as a PNG.',
  }),
  broken: (found) => ({
    code: 'picture-broken',
    say: `This SVG cannot be read by a browser: ${found}.`,
    remedy: 'Save it again from the program that it comes from, or as a PNG.',
  }),
  'too-much': (found) => ({
    code: 'picture-too-much',
    say: `This SVG holds ${found}: it would take too long to draw.`,
    remedy: 'Save a simpler drawing, or a PNG.',
  }),
};
