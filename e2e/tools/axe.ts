import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import type { WebDriver } from 'selenium-webdriver';

const axe = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

interface Finding {
  readonly id: string;
  readonly nodes: readonly { readonly target: unknown; readonly failureSummary: string }[];
}

/**
 * Everything that axe has to say about what is on the screen, one line each. For its rules on stylesheets it writes copies
 * of them into documents of its own, which the content security policy stops with a word on the console.
 */
export async function axeFindings(driver: WebDriver, { stylesheets = true } = {}): Promise<string[]> {
  await driver.executeScript(axe);
  // What is fading in has other colours on the way.
  await driver.executeAsyncScript(
    'const done = arguments[0]; const ending = document.getAnimations().filter((each) => Number.isFinite(each.effect?.getComputedTiming().endTime)); Promise.allSettled(ending.map((each) => each.finished)).then(() => done())',
  );
  const found = await driver.executeAsyncScript<readonly Finding[]>(
    'const done = arguments[1]; axe.run(document, { resultTypes: ["violations"], preload: arguments[0] }).then((result) => done(result.violations.map(({ id, nodes }) => ({ id, nodes: nodes.map(({ target, failureSummary }) => ({ target, failureSummary })) }))))',
    stylesheets,
  );
  return found.flatMap(({ id, nodes }) =>
    nodes.map(({ target, failureSummary }) => `${id}: ${JSON.stringify(target)} ${failureSummary.replace(/\s+/g, ' ')}`),
  );
}
