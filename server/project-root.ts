import fs from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';

/** The folder with package.json above this file: the same from the sources and from the bundle. */
export function projectRoot(): string {
  let folder = path.dirname(fileURLToPath(import.meta.url));
  while (!fs.existsSync(path.join(folder, 'package.json'))) {
    const above = path.dirname(folder);
    if (above === folder) throw new Error('The project folder was not found');
    folder = above;
  }
  return folder;
}
