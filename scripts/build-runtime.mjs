// What published pages load, ours and others': plain scripts without a dependency.
import { mkdirSync, rmSync, writeFileSync } from 'node:fs';
import { build } from 'esbuild';
import { minify } from 'terser';

const target = ['chrome111', 'firefox113', 'safari16.4'];
// All of these have it; esbuild is more careful, since the letters it names are another with each version of Unicode.
const supported = { 'regexp-unicode-property-escapes': true };
const shared = { bundle: true, platform: 'browser', target, format: 'iife', charset: 'utf8', supported, logLevel: 'warning', write: false };

/** The features that not every page has, in the order of runtime/features/index.ts. A page loads a script with those that it has. */
export const optional = ['address', 'filters', 'choose', 'totals', 'columns', 'rowLink'];
const order = ['address', 'sort', 'search', 'filters', 'choose', 'totals', 'pages', 'columns', 'rowLink'];
const fileOf = (name) => name.replace(/[A-Z]/g, (letter) => `-${letter.toLowerCase()}`);

/** Names of our own for what parts of the script hand to one another: no element, event or list has a property that is called so. */
const inner = /^(again|cellAt|cellsAt|filters|fold|headings|make|renew|say|says|shown|starts|units)$/;

/** A script as small as can be. Our functions need no `this` of their own, and nothing replaces what the language has. */
async function small({ outputFiles: [file] }) {
  const ecma = 2022;
  const compress = { ecma, passes: 4, pure_getters: true, unsafe: true, unsafe_arrows: true };
  const { code } = await minify(file.text, { ecma, toplevel: true, compress, mangle: { properties: { regex: inner } }, format: { ecma } });
  return code;
}

/** The script for pages with some of the optional features. */
export async function tableScript(some) {
  const features = order.filter((name) => !optional.includes(name) || some.includes(name));
  const imports = features.map((name) => `import { ${name} } from './features/${fileOf(name)}';`);
  const contents = `import { start } from './entry';\n${imports.join('\n')}\nstart([${features.join(', ')}]);\n`;
  return small(await build({ ...shared, stdin: { contents, resolveDir: 'runtime', loader: 'ts' } }));
}

/** The script for every page with tables: which of their frames are stops of the Tab key. */
export const framesScript = () => starting('tendAll', 'frames');

/** The script for pages whose tables are laid over several sheets where they are printed. */
export const sheetsScript = () => starting('layOverSheets', 'sheets');

/** The script for pages with cards of plans: what visitors choose stands in the address. */
export const plansScript = () => starting('keepChoices', 'plans');

/** A script that calls one function of a file. */
async function starting(name, file) {
  const contents = `import { ${name} } from './${file}';\n${name}();\n`;
  return small(await build({ ...shared, stdin: { contents, resolveDir: 'runtime', loader: 'ts' } }));
}

/** Every choice of the optional features, each in their order. */
export const choices = optional.reduce((sets, name) => [...sets, ...sets.map((set) => [...set, name])], [[]]);

export async function buildRuntime() {
  rmSync('dist/runtime', { recursive: true, force: true });
  mkdirSync('dist/runtime/table', { recursive: true });
  await Promise.all(choices.map(async (chosen) => writeFileSync(`dist/runtime/table/${chosen.join('.') || 'plain'}.js`, await tableScript(chosen))));
  writeFileSync('dist/runtime/table/frames.js', await framesScript());
  writeFileSync('dist/runtime/table/sheets.js', await sheetsScript());
  writeFileSync('dist/runtime/table/plans.js', await plansScript());
  writeFileSync('dist/runtime/elsewhere.js', await small(await build({ ...shared, entryPoints: ['runtime/elsewhere.ts'] })));
}
