import { inject } from '@angular/core';
import type { CanDeactivateFn } from '@angular/router';
import { Sessions } from './sessions';

/** Before a view is left, what is not kept yet is sent. When that cannot be done now, its draft stays in this browser and is taken up on the way back. */
export const leaveWhenKept: CanDeactivateFn<unknown> = async () => {
  await inject(Sessions).active?.flush();
  return true;
};
