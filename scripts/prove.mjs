// npm run prove -- NAME: the full numbers of what `npm test` runs a share of. Without a name: all of them, one after the other.
import { spawnSync } from 'node:child_process';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { build, install } from './prepare.mjs';

process.chdir(path.resolve(path.dirname(fileURLToPath(import.meta.url)), '..'));
install();

const tsx = ['--import', 'tsx'];
const jasmine = (...files) => [...tsx, 'node_modules/jasmine/bin/jasmine.js', '--config=jasmine.json', ...files];
const inChromium = (...names) => [
  'node_modules/@angular/cli/bin/ng.js',
  'test',
  '--no-progress',
  ...names.map((name) => `--include=web/src/tests/${name}.spec.ts`),
];

/** Each proof: what it shows, and how it is run. */
const proofs = {
  bytes: ['The sample world and 200 random works have the bytes that are kept in prove/bytes.json.', [...tsx, 'prove/bytes.ts']],
  browser: ['What core predicts is what Chromium computes: 1,000 themes, 500 with exceptions, 300 with width steps.', inChromium('browser-agrees')],
  marks: ['200 random values are painted as their value marks are made.', inChromium('value-marks-agree')],
  fit: ['300 random tables are as wide as core says, within 2 px.', inChromium('fit-agrees')],
  widths: ['150 random themes stack random tables, and rules bring the labels that the markup would.', inChromium('arrangements')],
  house: ['120 random house stylesheets leave placed tables as their themes have them.', inChromium('house-agrees')],
  visitor: ['500 random tables in a visitor’s hands are what core predicts.', inChromium('visitor-agrees')],
  power: ['Nothing that was acknowledged is lost at 200 moments at which the power goes.', jasmine('prove/power/power.spec.ts')],
  kill: [
    'Killed while an older folder is brought up to date, 300 pages are published, a backup is restored or made: nothing is lost, nothing half done.',
    jasmine('prove/kill.spec.ts'),
  ],
  pages: [
    'Live pages with every demo table in every arrangement never scroll sideways, from 320 to 1920, in each of the 13 starters.',
    [...tsx, 'node_modules/jasmine/bin/jasmine.js', '--config=e2e/jasmine.json', 'e2e/pages/live-pages.spec.ts'],
  ],
  windows: [
    '20 edits of a theme, a table and a page in two windows whose server is ended and killed are all kept; hostile texts run in no view.',
    [...tsx, 'node_modules/jasmine/bin/jasmine.js', '--config=e2e/jasmine.json', 'e2e/kills.spec.ts', 'e2e/hostile-texts.spec.ts'],
  ],
  fuzz: ['20,000 requests that nobody meant, to every route of docs/api.md, are answered in words.', jasmine('prove/fuzz.spec.ts')],
  works: ['10,000 random works on tables lose nothing, and undo gives back the identical table.', jasmine('core/table/edit/edits.spec.ts')],
};

const [name, ...rest] = process.argv.slice(2);
if (name !== undefined && !Object.hasOwn(proofs, name)) {
  console.error(`There is no proof “${name}”. There are: ${Object.keys(proofs).join(', ')}.`);
  process.exit(1);
}
build();
let isGood = true;
for (const [each, [what, command]] of Object.entries(proofs)) {
  if (name !== undefined && each !== name) continue;
  console.log(`\n${each}: ${what}`);
  const started = Date.now();
  const { status } = spawnSync(process.execPath, [...command, ...rest], {
    stdio: 'inherit',
    env: { ...process.env, ZEST_PROVE: '1', ZEST_BUILT: '1' },
  });
  console.log(`${status === 0 ? 'good' : 'BAD '}  ${each}, ${((Date.now() - started) / 1000).toFixed(0)} s`);
  isGood &&= status === 0;
}
process.exit(isGood ? 0 : 1);
