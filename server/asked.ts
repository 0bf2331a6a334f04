import type { RequestHandler } from 'express';
import express from 'express';
import { Refusal, invalid } from './problems';

/** What may come in one body. */
export const BODY_MOST = '16mb';
/** So deep may lists and fields lie within each other: documents have fewer than twenty levels. */
const DEEP_MOST = 64;
/** The greatest number of an edition or a revision (PostgreSQL, `integer`), in its nine digits. */
const NUMBER = /^\d{1,9}$/;

/** A text with which nothing can be done: it has a NUL, which the database cannot hold, or half a character (RFC 8259, section 8.2). */
const isBroken = (text: string): boolean => text.includes('\0') || !text.isWellFormed();

/** Bodies are JSON that is no deeper than documents are, and whose texts can be kept. */
export const jsonBodies: readonly RequestHandler[] = [
  express.json({ limit: BODY_MOST }),
  (request, _response, next) => {
    const wrong = brokenIn(request.body);
    if (wrong) throw invalid([{ code: 'text', ...wrong }]);
    next();
  },
];

/** Looks through a body, without calling itself: how deep it is, is for the sender to choose. */
function brokenIn(body: unknown): { readonly say: string; readonly at: string } | undefined {
  const open: { readonly value: unknown; readonly at: readonly string[] }[] = [{ value: body, at: [] }];
  for (let next = open.pop(); next !== undefined; next = open.pop()) {
    const { value, at } = next;
    if (typeof value === 'string' && isBroken(value))
      return { say: 'This text has a sign that cannot be kept: a NUL, or half of a character.', at: at.join('.') };
    if (typeof value !== 'object' || value === null) continue;
    if (at.length >= DEEP_MOST) return { say: `Lists and fields lie within each other more than ${DEEP_MOST} deep.`, at: at.slice(0, 5).join('.') };
    if (Array.isArray(value) && isFlat(value)) continue;
    for (const [name, inside] of Object.entries(value)) {
      if (isBroken(name)) return { say: 'This name has a sign that cannot be kept: a NUL, or half of a character.', at: at.join('.') };
      open.push({ value: inside, at: [...at, name] });
    }
  }
  return undefined;
}

/** A list of sound texts and numbers, as rows of tables are: looked through without a step for each. */
const isFlat = (list: readonly unknown[]): boolean => list.every((each) => (typeof each === 'string' ? !isBroken(each) : typeof each !== 'object'));

/** An address names nothing that has such signs in it. */
export const soundAddress: RequestHandler = (request, _response, next) => {
  let path: string;
  try {
    path = decodeURIComponent(request.path);
  } catch {
    throw new Refusal('invalid', 'The address cannot be read: what follows its per cent signs is no UTF-8.');
  }
  if (isBroken(path) || Object.values(request.query).some((each) => typeof each === 'string' && isBroken(each)))
    throw new Refusal('no-such-address', 'There is nothing at this address: it has signs that no address has.');
  next();
};

/** The number that an address names, of an edition or a revision; undefined for what is none. */
export const numberIn = (given: unknown): number | undefined => (typeof given === 'string' && NUMBER.test(given) ? Number(given) : undefined);
