import type { Merge } from '../table';

/** Rows of a header at most, where a merged cell makes it longer than it was told to be. */
const HEADER_MOST = 4;

/** How far down rows from the top reach, with all that is merged into them. */
function reachOf(merges: readonly Merge[], count: number): number {
  let reach = count;
  for (let before = -1; before !== reach;) {
    before = reach;
    for (const { row, rows } of merges) if (row < reach && row + rows > reach) reach = row + rows;
  }
  return reach;
}

/** Rows of a header that was told to be `count`, so that no merged cell is cut: as many more as one reaches down, or as few as none does. */
export function uncutHeader(merges: readonly Merge[], count: number, height: number): number {
  if (count === 0) return 0;
  const reach = reachOf(merges, count);
  if (reach <= Math.max(count, HEADER_MOST) && reach < height) return reach;
  let fewer = count;
  while (fewer > 0 && reachOf(merges, fewer) > fewer) fewer--;
  return fewer;
}

/** Rows of a footer that was told to be `count`, so that no merged cell is cut: as few as none does. */
export function uncutFooter(merges: readonly Merge[], count: number, height: number): number {
  let fewer = count;
  while (fewer > 0 && merges.some(({ row, rows }) => row < height - fewer && row + rows > height - fewer)) fewer--;
  return fewer;
}
