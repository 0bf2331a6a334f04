// npm test: everything that must hold, from formatting to journeys in a real browser. Installs what it needs.
// Ends with a line `N passed, N failed`.
import { spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';
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
function step(name, args, count) {
  const started = Date.now();
  const { status, stdout, stderr } = spawnSync(node, args, {
    encoding: 'utf8',
    maxBuffer: 1 << 28,
    env: { ...process.env, NO_COLOR: '1', FORCE_COLOR: '0' },
  });
  const output = `${stdout}${stderr}`;
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

const jasmineCount = (output) => {
  const match = /(\d+) specs?, (\d+) failures?/.exec(output);
  return match ? [Number(match[1]) - Number(match[2]), Number(match[2])] : undefined;
};
const karmaCount = (output) => {
  const last = [...output.matchAll(/Executed (\d+) of (\d+)(?: \((\d+) FAILED\))?/g)].at(-1);
  return last && last[1] === last[2] ? [Number(last[1]) - Number(last[3] ?? 0), Number(last[3] ?? 0)] : undefined;
};

step('format', [bin('prettier/bin/prettier.cjs'), '--check', '.']);
for (const project of ['core', 'server', 'e2e', 'bench', 'web/tsconfig.worker.json']) step(`types of ${project}`, tsc(project));
step('lint', [bin('eslint/bin/eslint.js'), '.']);
step('import directions', [
  bin('dependency-cruiser/bin/dependency-cruise.mjs'),
  '--config',
  '.dependency-cruiser.cjs',
  'core',
  'server',
  'web/src',
  'e2e',
  'bench',
]);
step('core and server', [...jasmine, '--config=jasmine.json'], jasmineCount);
step('web, and core against Chromium', [bin('@angular/cli/bin/ng.js'), 'test', '--no-progress'], karmaCount);
build();
step('journeys', [...jasmine, '--config=e2e/jasmine.json'], jasmineCount);

if (broken.length > 0) console.log(`Not good: ${broken.join(', ')}`);
console.log(`${passed} passed, ${failed} failed`);
process.exit(failed === 0 ? 0 : 1);
