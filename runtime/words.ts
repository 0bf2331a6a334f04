/** What is said around a table, in the visitor's language, as its box brings it. */
export interface Words {
  /** A number as it is written there. */
  readonly number: (n: number) => string;
  /** A sentence, with what is put into it. */
  readonly say: (word: string, put?: Readonly<Record<string, string | number>>) => string;
}

export function wordsOf(box: HTMLElement, language: string | undefined): Words {
  const words = JSON.parse(box.dataset['words'] as string) as Readonly<Record<string, string>>;
  const format = new Intl.NumberFormat(language || undefined);
  const number = (n: number): string => format.format(n);
  return {
    number,
    say: (word, put = {}) =>
      (words[word] ?? '').replace(/\{(\w+)\}/g, (_, name: string) => {
        const value = put[name] ?? '';
        return typeof value === 'number' ? number(value) : value;
      }),
  };
}
