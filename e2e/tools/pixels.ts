import { PNG } from 'pngjs';
import type { WebDriver } from 'selenium-webdriver';

/** What was painted, by place on the page in CSS px, at a device pixel ratio. */
export interface Painted {
  readonly at: (x: number, y: number) => string;
  /** Lengths in device pixels of the runs of one colour along a line between two places. */
  readonly runs: (colour: string, from: readonly [number, number], to: readonly [number, number]) => readonly number[];
}

const names: Readonly<Record<string, string>> = {
  '255 255 255': 'page',
  '255 0 0': 'outer',
  '0 0 0': 'line',
  '0 0 255': 'header',
  '0 170 0': 'body',
  '255 255 0': 'table',
};

export async function paintedOn(driver: WebDriver, ratio: number): Promise<Painted> {
  // Two frames, so that the page that was just opened is what is on the screen, and not the one before.
  await driver.executeAsyncScript('const done = arguments[0]; requestAnimationFrame(() => requestAnimationFrame(() => setTimeout(done)))');
  const image = PNG.sync.read(Buffer.from(await driver.takeScreenshot(), 'base64'));
  const device = (x: number, y: number): string => {
    const i = (Math.round(y) * image.width + Math.round(x)) * 4;
    const colour = [...image.data.subarray(i, i + 3)].join(' ');
    return names[colour] ?? colour;
  };
  return {
    at: (x, y) => device(Math.floor(x * ratio), Math.floor(y * ratio)),
    runs: (colour, from, to) => {
      const [[x1 = 0, y1 = 0], [x2 = 0, y2 = 0]] = [from, to].map((place) => place.map((n) => Math.floor(n * ratio))) as [number[], number[]];
      const steps = Math.max(Math.abs(x2 - x1), Math.abs(y2 - y1));
      const found: number[] = [];
      let run = 0;
      for (let step = 0; step <= steps; step++) {
        const is = device(x1 + Math.sign(x2 - x1) * step, y1 + Math.sign(y2 - y1) * step) === colour;
        if (is) run++;
        if (run > 0 && (!is || step === steps)) {
          found.push(run);
          run = 0;
        }
      }
      return found;
    },
  };
}
