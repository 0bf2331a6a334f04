import type { Merge } from '../table';

/** The first merged cells that begin above a heading and reach into its row or below. */
export const mergeAcrossGroups = (merges: readonly Merge[], groups: readonly number[]): Merge | undefined =>
  groups.length === 0 ? undefined : merges.find((merge) => merge.rows > 1 && groups.some((row) => row > merge.row && row < merge.row + merge.rows));
