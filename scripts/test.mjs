// npm test: everything that must hold, from formatting to journeys in a real browser. Installs what it needs.
// Ends with a line `N passed, N failed`.
import { spawn, spawnSync } from 'node:child_process';
import { existsSync, readdirSync, statSync } from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { build, install } from './prepare.mjs';

process.chdir(path.resolve(path.dirname(fileURLToPath(import.meta.url)), '..'));
install();

if (!existsSync(process.env.CHROME_BIN ?? '/usr/bin/chromium') || !existsSync(process.env.CHROMEDRIVER ?? '/usr/bin/chromedriver')) {
  console.log('Installing Chromium and ChromeDriver from Debian…');
  for (const command of ['apt-get update -qq', 'apt-get install -y -qq chromium chromium-driver']) {
    const { status } = spawnSync('sh', ['-c', command], {
      stdio: ['ignore', 'ignore', 'inherit'],
      env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
    });
    if (status !== 0) {
      console.error(`"${command}" failed. Install Chromium and ChromeDriver, or name them in CHROME_BIN and CHROMEDRIVER.`);
      process.exit(1);
    }
  }
}

const node = process.execPath;
const bin = (name) => `node_modules/${name}`;
const jasmine = ['--import', 'tsx', bin('jasmine/bin/jasmine.js')];
const tsc = (project) => [bin('typescript/bin/tsc'), '-p', project, '--noEmit'];

let [passed, failed] = [0, 0];
const broken = [];

/** Runs one step. `count` reads specs from what it printed; a step without specs counts as one. */
async function step(name, args, count) {
  const started = Date.now();
  let output = '';
  const status = await new Promise((resolve) => {
    const child = spawn(node, args, { stdio: ['ignore', 'pipe', 'pipe'], env: { ...process.env, NO_COLOR: '1', FORCE_COLOR: '0', ZEST_BUILT: '1' } });
    for (const stream of [child.stdout, child.stderr]) stream.setEncoding('utf8').on('data', (text) => (output += text));
    child.once('error', (error) => ((output += error.message), resolve(1))).once('close', resolve);
  });
  const counted = count?.(output);
  const [good, bad] = counted ?? [status === 0 ? 1 : 0, status === 0 ? 0 : 1];
  const isGood = status === 0 && bad === 0 && (count === undefined || (counted !== undefined && good > 0));
  passed += good;
  failed += isGood ? 0 : Math.max(1, bad);
  if (!isGood) {
    broken.push(name);
    console.log(output.slice(-20_000));
  }
  console.log(`${isGood ? 'good' : 'BAD '}  ${name}: ${good} passed, ${bad} failed, ${((Date.now() - started) / 1000).toFixed(1)} s`);
}

/** Runs steps two at a time, each as soon as there is room for it. */
async function two(steps) {
  const waiting = [...steps];
  const lane = async () => {
    for (let next = waiting.shift(); next; next = waiting.shift()) await step(...next);
  };
  await Promise.all([lane(), lane()]);
}

/** Lots in which the journeys are run: small ones, so that neither lane waits long for the other. */
const LOTS = 8;

/** The journeys' files in lots of about the same weight. */
function lots() {
  const files = readdirSync('e2e', { recursive: true })
    .filter((name) => name.endsWith('.spec.ts'))
    .map((name) => ({ name: `e2e/${name}`, size: statSync(`e2e/${name}`).size }))
    .sort((a, b) => b.size - a.size);
  const all = Array.from({ length: LOTS }, () => ({ size: 0, names: [] }));
  for (const { name, size } of files) {
    const lot = all.reduce((least, each) => (each.size < least.size ? each : least));
    lot.size += size;
    lot.names.push(name);
  }
  return all.map(({ names }) => names);
}

const jasmineCount = (output) => {
  const match = /(\d+) specs?, (\d+) failures?/.exec(output);
  return match ? [Number(match[1]) - Number(match[2]), Number(match[2])] : undefined;
};
const karmaCount = (output) => {
  const last = [...output.matchAll(/Executed (\d+) of (\d+)(?: \((\d+) FAILED\))?/g)].at(-1);
  return last && last[1] === last[2] ? [Number(last[1]) - Number(last[3] ?? 0), Number(last[3] ?? 0)] : undefined;
};

// Built first, so that journeys can begin as soon as there is room for them.
build();
await two([
  ['web, and core against Chromium', [bin('@angular/cli/bin/ng.js'), 'test', '--no-progress'], karmaCount],
  ['core and server', [...jasmine, '--config=jasmine.json'], jasmineCount],
  ...lots().map((files, i) => [`journeys, ${i + 1} of ${LOTS}`, [...jasmine, '--config=e2e/jasmine.json', ...files], jasmineCount]),
  // Short steps come last and fill up what is left.
  ['lint', [bin('eslint/bin/eslint.js'), '.']],
  ['format', [bin('prettier/bin/prettier.cjs'), '--check', '.']],
  ...['core', 'server', 'runtime', 'tsconfig.tools.json', 'web/tsconfig.worker.json'].map((project) => [`types of ${project}`, tsc(project)]),
  [
    'import directions',
    [
      bin('dependency-cruiser/bin/dependency-cruise.mjs'),
      ...['--config', '.dependency-cruiser.cjs', 'core', 'server', 'web/src', 'e2e', 'bench', 'prove'],
    ],
  ],
]);

if (broken.length > 0) console.log(`Not good: ${broken.join(', ')}`);
console.log(`${passed} passed, ${failed} failed`);
process.exit(failed === 0 ? 0 : 1);
