/**
 * The order of things with ids after two sides have moved, added and taken away: this window's, into which the other's moves and
 * new ones are put, each after the one that it stands after there. What either took away is gone, unless it is in `stays`.
 */
export function mergeOrder(
  base: readonly string[],
  mine: readonly string[],
  theirs: readonly string[],
  stays: (id: string) => boolean = () => false,
): readonly string[] {
  const [inBase, inMine, inTheirs] = [new Set(base), new Set(mine), new Set(theirs)];
  const isLeft = (id: string): boolean => stays(id) || !inBase.has(id) || (inMine.has(id) && inTheirs.has(id));
  const [calmMine, calmTheirs] = [unmoved(base, mine), unmoved(base, theirs)];
  const isTheirMove = (id: string): boolean => !inMine.has(id) || (inBase.has(id) && !calmTheirs.has(id) && calmMine.has(id));
  /** What it comes after there: what this window moved itself is no place to stand by. */
  const after = new Map<string, string | undefined>();
  let last: string | undefined;
  for (const id of theirs) {
    after.set(id, last);
    if (isTheirMove(id) || !inBase.has(id) || calmMine.has(id)) last = id;
  }
  const put = new Map<string | undefined, string[]>();
  for (const id of theirs) if (isTheirMove(id) && isLeft(id)) put.set(after.get(id), [...(put.get(after.get(id)) ?? []), id]);
  const order: string[] = [];
  const add = (id: string | undefined): void => {
    if (id !== undefined && isLeft(id)) order.push(id);
    // What follows something that was moved along with it follows it still; a chain cannot come back to itself.
    for (const next of put.get(id) ?? []) add(next);
    put.delete(id);
  };
  add(undefined);
  for (const id of mine) if (!isTheirMove(id) || !inTheirs.has(id)) add(id);
  // What stood after something that is gone here.
  for (const id of theirs) if (put.size > 0 && isTheirMove(id) && isLeft(id) && !order.includes(id)) order.push(id);
  return order;
}

/** The ids of which a side has kept the order among each other: a longest rising run of their places in the base. */
function unmoved(base: readonly string[], side: readonly string[]): ReadonlySet<string> {
  const place = new Map(base.map((id, at) => [id, at]));
  const known = side.flatMap((id) => {
    const at = place.get(id);
    return at === undefined ? [] : [{ id, at }];
  });
  /** Where the run of each length ends at the least place, as indexes of `known`; and what each came after. */
  const ends: number[] = [];
  const before = new Array<number>(known.length).fill(-1);
  known.forEach(({ at }, i) => {
    let [low, high] = [0, ends.length];
    while (low < high) {
      const middle = (low + high) >> 1;
      if ((known[ends[middle] ?? 0]?.at ?? 0) < at) low = middle + 1;
      else high = middle;
    }
    before[i] = low > 0 ? (ends[low - 1] ?? -1) : -1;
    ends[low] = i;
  });
  const calm = new Set<string>();
  for (let i = ends.at(-1) ?? -1; i >= 0; i = before[i] ?? -1) calm.add(known[i]?.id ?? '');
  return calm;
}
