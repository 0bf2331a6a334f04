import { createHash } from 'node:crypto';
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

/**
 * Sends a text with a strong ETag; a caller that has it already is told so. What was asked for by the version that it has is
 * kept for good, since another has another address; all else is asked for again.
 */
export function answer(request: Request, response: Response, type: string, { text, tag }: Served, status = 200): void {
  const isVersioned = request.query['v'] === tag;
  response
    .set('ETag', `"${tag}"`)
    .set('Cache-Control', isVersioned ? `public, max-age=${FOR_GOOD}, immutable` : 'no-cache')
    .type(type)
    .status(status);
  if (status === 200 && request.fresh) response.status(304).end();
  else response.send(text);
}
