import { setFlagsFromString } from 'node:v8';
import { runInNewContext } from 'node:vm';

/** The value below which a share of the values lie (nearest rank). */
export function quantile(values: readonly number[], share: number): number {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.max(0, Math.ceil(share * sorted.length) - 1))] ?? NaN;
}

export const say = (what: string, figure: string): void => console.log(`${what.padEnd(66)} ${figure}`);
export const ms = (n: number): string => `${n.toFixed(2)} ms`;
export const kB = (bytes: number): string => `${(bytes / 1000).toFixed(1)} kB`;

// Memory is tidied up before each run, so that what one leaves behind does not count as the other's time.
setFlagsFromString('--expose-gc');
const tidyUp = runInNewContext('gc') as () => void;

/** Milliseconds that each of the works takes, `runs` times in turn, after as many that warm up. */
export function takeTurns(runs: number, works: readonly ((run: number) => unknown)[]): readonly (readonly number[])[] {
  const times = works.map((): number[] => []);
  for (let run = -runs; run < runs; run++) {
    works.forEach((work, i) => {
      tidyUp();
      const start = performance.now();
      work(run + runs);
      if (run >= 0) times[i]?.push(performance.now() - start);
    });
  }
  return times;
}
