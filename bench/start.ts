import { newFolder, startApp } from '../e2e/tools/server';
import { say } from './figures';

/** How long the built server takes to be ready: on a new folder with the demo data, and again. */
export async function benchStart(): Promise<void> {
  const data = newFolder();
  for (const what of ['first start, new folder and demo data', 'second start (under 4 s)']) {
    const begun = performance.now();
    const app = await startApp({ data, demo: true });
    say(what, `${((performance.now() - begun) / 1000).toFixed(2)} s`);
    await app.kill();
  }
}
