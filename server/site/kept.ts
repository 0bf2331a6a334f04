/** What was made, and what of it was made of: `kind/id` of documents. */
export interface Made<T> {
  readonly value: T;
  readonly of: ReadonlySet<string>;
}

/**
 * What is made once and kept until it is forgotten. What could not be made again is what it last was, since visitors should see that
 * and no error.
 */
export class Kept<T> {
  private readonly made = new Map<string, Promise<T | undefined>>();
  /** What each is made of, once that is known. */
  private readonly parts = new WeakMap<Promise<T | undefined>, ReadonlySet<string>>();
  /** Each as it last could be made. */
  private readonly good = new Map<string, T>();

  /** `make` gives undefined for what there is none of; `log` is told of errors that are covered by what was kept. */
  constructor(
    private readonly make: (key: string) => Promise<Made<T> | undefined>,
    private readonly log: (message: string) => void,
  ) {}

  /** Forgets what is made of a document, and what is just being made; without one, everything. */
  forget(document?: string): void {
    for (const [key, making] of this.made) if (document === undefined || this.parts.get(making)?.has(document) !== false) this.made.delete(key);
  }

  get(key: string): Promise<T | undefined> {
    const known = this.made.get(key);
    if (known) return known;
    /** Keys that lead nowhere are not kept, since there is no end of them; what was forgotten in the meantime is another's. */
    const drop = (): void => {
      if (this.made.get(key) === making) this.made.delete(key);
    };
    const making: Promise<T | undefined> = this.make(key).then(
      (found) => {
        if (found !== undefined) {
          this.good.set(key, found.value);
          this.parts.set(making, found.of);
        } else {
          this.good.delete(key);
          drop();
        }
        return found?.value;
      },
      (error: unknown) => {
        drop();
        const last = this.good.get(key);
        if (last === undefined) throw error;
        this.log(error instanceof Error ? (error.stack ?? error.message) : String(error));
        return last;
      },
    );
    this.made.set(key, making);
    return making;
  }
}
