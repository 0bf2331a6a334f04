import type { Merge } from './table';

/** Rows and columns follow the same rules for merges; an axis says which two fields are meant. */
export const axes = {
  row: { start: 'row', span: 'rows' },
  column: { start: 'column', span: 'columns' },
} as const;
export type Axis = (typeof axes)[keyof typeof axes];

/** Merges after a line was put in at `at`: those that the new line cuts through grow, those after it move on. */
export function openMerges(merges: readonly Merge[], { start, span }: Axis, at: number): readonly Merge[] {
  return merges.map((merge) => {
    if (merge[start] >= at) return { ...merge, [start]: merge[start] + 1 };
    return merge[start] + merge[span] > at ? { ...merge, [span]: merge[span] + 1 } : merge;
  });
}

/** Merges after the line `at` was taken out: those that had it shrink, and a merge of one cell is none. */
export function closeMerges(merges: readonly Merge[], { start, span }: Axis, at: number): readonly Merge[] {
  return merges
    .map((merge) => {
      if (merge[start] > at) return { ...merge, [start]: merge[start] - 1 };
      return merge[start] + merge[span] > at ? { ...merge, [span]: merge[span] - 1 } : merge;
    })
    .filter(({ rows, columns }) => rows > 0 && columns > 0 && rows * columns > 1);
}
