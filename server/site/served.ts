import { createHash } from 'node:crypto';
import { promisify } from 'node:util';
import { brotliCompress, constants, gzip } from 'node:zlib';
import type { Request, Response } from 'express';

/** A text that is served, with what names its content. */
export interface Served {
  readonly text: string;
  readonly tag: string;
}
export const served = (text: string): Served => ({ text, tag: createHash('sha256').update(text).digest('base64url').slice(0, 22) });

/** An address that changes with what stands there, so that it may be kept for good. */
export const versioned = (address: string, { tag }: Served): string => `${address}?v=${tag}`;

/** A year, in seconds: as long as anything is kept (RFC 9111, section 4.2.1, leaves it open). */
const FOR_GOOD = 31_536_000;
/** Shorter texts are sent as they are. */
const WORTH_IT = 1024;

type Coding = 'br' | 'gzip';
/** The best that there is takes 0.1 s for so much, and once; for more, quality 5 is near gzip's time and a fifth smaller. */
const SMALL = 64_000;
const [brotli, zip] = [promisify(brotliCompress), promisify(gzip)];
/** Each text as it was compressed, since it is sent many times. */
const compressed: Readonly<Record<Coding, WeakMap<Served, Promise<Buffer>>>> = { br: new WeakMap(), gzip: new WeakMap() };

function compress(content: Served, coding: Coding): Promise<Buffer> {
  const known = compressed[coding].get(content);
  if (known) return known;
  const bytes = Buffer.from(content.text);
  const made = coding === 'br' ? brotli(bytes, { params: { [constants.BROTLI_PARAM_QUALITY]: bytes.length <= SMALL ? 11 : 5 } }) : zip(bytes);
  compressed[coding].set(content, made);
  return made;
}

/**
 * Sends a text with a strong ETag, one for each coding (RFC 9110, section 8.8.3.3); a caller that has it already is told so. What
 * was asked for by the version that it has is kept for good, since another has another address; all else is asked for again.
 */
export async function answer(request: Request, response: Response, type: string, content: Served, status = 200): Promise<void> {
  const { text, tag } = content;
  const isVersioned = request.query['v'] === tag;
  const coding = text.length < WORTH_IT ? undefined : (['br', 'gzip'] as const).find((each) => request.acceptsEncodings(each) === each);
  response
    .set('ETag', `"${tag}${coding ? `-${coding}` : ''}"`)
    .set('Cache-Control', isVersioned ? `public, max-age=${FOR_GOOD}, immutable` : 'no-cache')
    .vary('Accept-Encoding')
    .type(type)
    .status(status);
  if (status === 200 && request.fresh) return void response.status(304).end();
  if (!coding) return void response.send(text);
  response.set('Content-Encoding', coding).end(await compress(content, coding));
}
