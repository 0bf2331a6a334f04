import { benchBrowser } from './browser';
import { benchCompile } from './compile';
import { benchDurable } from './durable';
import { benchFamily } from './family';
import { benchPages } from './pages';
import { benchFormulas, benchRows } from './rows';
import { benchStart } from './start';
import { benchTables } from './tables';
import { benchVisitor } from './visitor';

const parts: Readonly<Record<string, () => void | Promise<void>>> = {
  compile: benchCompile,
  rows: benchRows,
  formulas: benchFormulas,
  start: benchStart,
  durable: benchDurable,
  browser: benchBrowser,
  tables: benchTables,
  visitor: benchVisitor,
  pages: benchPages,
  family: benchFamily,
};

// All of them, or those that are named: npm run bench -- compile pages. One that fails says so, and the others go on.
const asked = process.argv.slice(2);
const unknown = asked.find((name) => !Object.hasOwn(parts, name));
if (unknown !== undefined) {
  console.error(`The bench has no part “${unknown}”. It has: ${Object.keys(parts).join(', ')}.`);
  process.exit(1);
}
const failed: string[] = [];
for (const [name, run] of Object.entries(parts)) {
  if (asked.length > 0 && !asked.includes(name)) continue;
  try {
    await run();
  } catch (error) {
    failed.push(name);
    console.error(`The part “${name}” failed: ${error instanceof Error ? (error.stack ?? error.message) : String(error)}`);
  }
}
if (failed.length > 0) console.error(`Not measured to the end: ${failed.join(', ')}.`);
process.exit(failed.length === 0 ? 0 : 1);
