/** Formats that tables come in from, with the endings of names that say so; the first is the usual one. Known without any reader. */
export const endingsOf = {
  workbook: ['xlsx', 'xls', 'ods'],
  html: ['html', 'htm'],
  json: ['json', 'ndjson', 'jsonl'],
  markdown: ['md', 'markdown'],
  separated: ['csv', 'tsv', 'txt'],
} as const satisfies Readonly<Record<string, readonly string[]>>;
export type SourceKind = keyof typeof endingsOf;
/** In the order in which a text is held against them. */
export const sourceKinds = Object.keys(endingsOf) as readonly SourceKind[];

const byEnding = new Map<string, SourceKind>(sourceKinds.flatMap((kind) => endingsOf[kind].map((ending) => [ending, kind] as const)));
/** The format that a name's ending says, if it is one of these. */
export const formatByEnding = (ending: string): SourceKind | undefined => byEnding.get(ending);
/** Every ending that can be read, with its point. */
export const sourceEndings: readonly string[] = [...byEnding.keys()].map((ending) => `.${ending}`);
