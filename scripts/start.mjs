// npm start: installs, builds, opens the data folder and serves. Plain Node: this runs before node_modules exists.
import { readFileSync } from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { build, install } from './prepare.mjs';

process.chdir(path.resolve(path.dirname(fileURLToPath(import.meta.url)), '..'));
const [major = 0, minor = 0] = process.versions.node.split('.').map(Number);
if (major < 20 || (major === 20 && minor < 19)) {
  console.error(`Zest Pane needs Node 20.19 or newer; this is ${process.versions.node}.`);
  process.exit(1);
}
if (process.argv.includes('--help')) {
  console.log(readFileSync('scripts/help.txt', 'utf8'));
} else {
  install();
  build();
  await import(new URL('../dist/server/main.mjs', import.meta.url).href);
}
