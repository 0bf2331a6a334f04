import { readFileSync } from 'node:fs';
import path from 'node:path';

/** The hashes of works as they were when they were last meant to change, by the work's name. */
export const keptFile = path.join(import.meta.dirname, 'bytes.json');
export const keptBytes = (): Readonly<Record<string, string>> => JSON.parse(readFileSync(keptFile, 'utf8')) as Record<string, string>;

/** Names of works that are not as they were kept. */
export const differing = (now: Readonly<Record<string, string>>, kept: Readonly<Record<string, string>>): readonly string[] =>
  Object.keys(now).filter((name) => now[name] !== kept[name]);
