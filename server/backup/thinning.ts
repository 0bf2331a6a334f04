/** A backup, as far as it matters for letting it go. */
export interface Aged {
  readonly name: string;
  readonly madeAt: Date;
}

const [HOUR, DAY] = [3_600_000, 86_400_000] as const;
/** Of which stretch one is kept, and how old those are of which it is: the younger, the closer. */
const spans: readonly { readonly upTo: number; readonly one: number }[] = [
  { upTo: DAY, one: HOUR },
  { upTo: 14 * DAY, one: DAY },
  { upTo: 60 * DAY, one: 7 * DAY },
  { upTo: 400 * DAY, one: 30 * DAY },
];

/**
 * Which backups are let go: of the last day one for each hour stays, of two weeks one for each day, of two months one for each week,
 * of a year one for each month. The newest always stays, and of each stretch its oldest, so that one that stays today also stays
 * when it comes into the next.
 */
export function toLetGo(backups: readonly Aged[], now: Date): readonly string[] {
  const oldestFirst = [...backups].sort((a, b) => a.madeAt.getTime() - b.madeAt.getTime());
  const newest = oldestFirst.at(-1);
  const taken = new Set<string>();
  return oldestFirst.flatMap((backup) => {
    const age = now.getTime() - backup.madeAt.getTime();
    const span = spans.find(({ upTo }) => age <= upTo);
    if (backup === newest) return [];
    if (!span) return [backup.name];
    const place = `${span.one} ${Math.floor(backup.madeAt.getTime() / span.one)}`;
    if (taken.has(place)) return [backup.name];
    taken.add(place);
    return [];
  });
}
