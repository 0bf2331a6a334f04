import type { Merge } from '../table';

/** Rows and columns follow the same rules for merges; an axis says which two fields are meant. */
export const axes = {
  row: { start: 'row', span: 'rows' },
  column: { start: 'column', span: 'columns' },
} as const;
export type Axis = (typeof axes)[keyof typeof axes];

/** Merges after so many lines were put in at `at`: those that the new lines cut through grow, those after them move on. */
export function openMerges(merges: readonly Merge[], { start, span }: Axis, at: number, count = 1): readonly Merge[] {
  return merges.map((merge) => {
    if (merge[start] >= at) return { ...merge, [start]: merge[start] + count };
    return merge[start] + merge[span] > at ? { ...merge, [span]: merge[span] + count } : merge;
  });
}

/** Merges after the lines from one to another were taken out: those that had some of them shrink, and a merge of one cell is none. */
export function closeMerges(merges: readonly Merge[], { start, span }: Axis, from: number, to = from): readonly Merge[] {
  return merges
    .map((merge) => {
      const end = merge[start] + merge[span];
      const gone = Math.max(0, Math.min(end, to + 1) - Math.max(merge[start], from));
      const before = Math.max(0, Math.min(merge[start], to + 1) - from);
      return gone === 0 && before === 0 ? merge : { ...merge, [start]: merge[start] - before, [span]: merge[span] - gone };
    })
    .filter(({ rows, columns }) => rows > 0 && columns > 0 && rows * columns > 1);
}
