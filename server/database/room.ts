import fs from 'node:fs';
import type { RequestHandler } from 'express';
import { Refusal } from '../problems';

/**
 * Bytes that stay free: the database's log grows by a piece at a time (16 MB in folders of the first versions), and one that
 * cannot grow stops everything, reading too.
 */
export const RESERVE = 24_000_000;
/** What one thing that is kept takes at most of what was sent: in the log, where it lies, and as the way back. */
const TIMES = 3;

/** Bytes that are free where a folder lies. */
export function roomAt(folder: string): number {
  const { bavail, bsize } = fs.statfsSync(folder);
  return bavail * bsize;
}

/** Refuses to keep what would not leave the reserve. Reading goes on. */
export const keepReserve =
  (room: () => number): RequestHandler =>
  (request, _response, next) => {
    const isReading = ['GET', 'HEAD', 'OPTIONS'].includes(request.method);
    if (!isReading && room() < RESERVE + TIMES * Number(request.headers['content-length'] ?? 0))
      throw new Refusal(
        'no-room',
        `The disk with the data folder is nearly full: ${Math.floor(room() / 1_000_000)} MB are left. Nothing that was kept is lost; make room and try again.`,
      );
    next();
  };
