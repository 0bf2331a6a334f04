// Installs and builds what is missing or out of date. Plain Node: this runs before node_modules exists.
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, readdirSync, writeFileSync } from 'node:fs';

export function run(args, what) {
  if (what) console.log(what);
  // npm names its own script, so that no shell is needed to start it.
  const npm = process.env.npm_execpath;
  const result = npm
    ? spawnSync(process.execPath, [npm, ...args], { stdio: 'inherit' })
    : spawnSync('npm', args, { stdio: 'inherit', shell: process.platform === 'win32' });
  if (result.status !== 0) process.exit(result.status ?? 1);
}

const hash = (files) => {
  const sum = createHash('sha256');
  for (const file of files) sum.update(`${file}\0`).update(readFileSync(file)).update('\0');
  return sum.digest('hex');
};
const walk = (folder) =>
  readdirSync(folder, { withFileTypes: true })
    .sort((a, b) => (a.name < b.name ? -1 : 1))
    .flatMap((entry) => (entry.isDirectory() ? walk(`${folder}/${entry.name}`) : [`${folder}/${entry.name}`]));
const stampIs = (file, value) => existsSync(file) && readFileSync(file, 'utf8') === value;

/** node_modules as package-lock.json wants it. The stamp is the lock file's hash: editing a script installs nothing. */
export function install() {
  const wanted = hash(['package-lock.json']);
  if (stampIs('node_modules/.stamp', wanted)) return;
  run(['ci', '--include=dev', '--no-audit', '--no-fund'], 'Installing packages (the first start takes a minute)…');
  writeFileSync('node_modules/.stamp', wanted);
}

/** dist/ as the sources want it. */
export function build() {
  const sources = ['core', 'runtime', 'server', 'web', 'scripts'].flatMap(walk).filter((file) => !/\.spec\.ts$/.test(file));
  const wanted = hash(['package-lock.json', 'angular.json', 'tsconfig.base.json', ...sources]);
  if (stampIs('dist/.stamp', wanted)) return;
  run(['run', 'build'], 'Building…');
  mkdirSync('dist', { recursive: true });
  writeFileSync('dist/.stamp', wanted);
}
