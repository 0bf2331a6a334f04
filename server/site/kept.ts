/**
 * What is made once and kept until it is forgotten. What could not be made again is what it last was, since visitors should see that
 * and no error.
 */
export class Kept<T> {
  private made = new Map<string, Promise<T | undefined>>();
  /** Each as it last could be made. */
  private readonly good = new Map<string, T>();

  /** `make` gives undefined for what there is none of; `log` is told of errors that are covered by what was kept. */
  constructor(
    private readonly make: (key: string) => Promise<T | undefined>,
    private readonly log: (message: string) => void,
  ) {}

  forget(): void {
    this.made = new Map();
  }

  get(key: string): Promise<T | undefined> {
    const known = this.made.get(key);
    if (known) return known;
    // Keys that lead nowhere are not kept, since there is no end of them.
    const { made } = this;
    const making = this.make(key).then(
      (found) => {
        if (found !== undefined) this.good.set(key, found);
        else {
          this.good.delete(key);
          made.delete(key);
        }
        return found;
      },
      (error: unknown) => {
        made.delete(key);
        const last = this.good.get(key);
        if (last === undefined) throw error;
        this.log(error instanceof Error ? (error.stack ?? error.message) : String(error));
        return last;
      },
    );
    made.set(key, making);
    return making;
  }
}
