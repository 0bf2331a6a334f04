/**
 * Cases from seeds, parted into specs that each have room. `npm test` runs a share of them, always the same, and one that no run
 * had before; `npm run prove` runs all. What fails is run again alone by `ZEST_SEED`.
 */
export interface Seeded {
  /** How many seeds there are in all. */
  readonly all: number;
  /** How many of them every run has; a fourth where nothing is said. */
  readonly usual?: number;
  /** The first seed. */
  readonly from?: number;
  /** So many stand in one spec. */
  readonly together?: number;
}

export interface Asked {
  readonly isProof: boolean;
  readonly seed: number;
}

/** What this run is asked for: by the environment in Node, by Karma's settings in a browser. */
export function askedFor(): Asked {
  const { process: node, __karma__: karma } = globalThis as {
    readonly process?: { readonly env?: Readonly<Record<string, string | undefined>> };
    readonly __karma__?: { readonly config?: { readonly zest?: Partial<Asked> } };
  };
  const given = karma?.config?.zest ?? { isProof: node?.env?.['ZEST_PROVE'] === '1', seed: Number(node?.env?.['ZEST_SEED'] ?? Number.NaN) };
  return { isProof: given.isProof === true, seed: Number.isInteger(given.seed) ? Number(given.seed) : (Date.now() % 1_000_000_000) + 1_000_000 };
}

/** Makes specs that check a case for each of some seeds, in blocks, and one for a seed that is new in this run. */
export function forSeeds(what: string, { all, usual = Math.ceil(all / 4), from = 0, together = 25 }: Seeded, check: (seed: number) => void): void {
  const { isProof, seed } = askedFor();
  const count = isProof ? all : Math.min(all, usual);
  for (let first = from; first < from + count; first += together) {
    const last = Math.min(first + together, from + count) - 1;
    it(`${what}, seeds ${first} to ${last}`, () => {
      for (let each = first; each <= last; each++) check(each);
      expect(last).toBeGreaterThanOrEqual(first);
    });
  }
  it(`${what}, the seed ${seed}`, () => {
    check(seed);
    expect(seed).toBeGreaterThanOrEqual(0);
  });
}
