import { Pipe, type PipeTransform } from '@angular/core';

const parts = { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' } as const;
const thisYear = new Intl.DateTimeFormat('en-GB', parts);
const anyYear = new Intl.DateTimeFormat('en-GB', { ...parts, year: 'numeric' });
const toTheSecond = new Intl.DateTimeFormat('en-GB', { ...parts, year: 'numeric', second: '2-digit' });

/** A moment as the whole tool says it: `29 Nov, 10:51`, with its year where that is not this one, or to the second. */
export function when(at: string | number | Date, exact = false, now = new Date()): string {
  const moment = new Date(at);
  if (exact) return toTheSecond.format(moment);
  return (moment.getFullYear() === now.getFullYear() ? thisYear : anyYear).format(moment);
}

/** The same in a template. */
@Pipe({ name: 'when' })
export class When implements PipeTransform {
  transform = (at: string | number | Date, exact = false): string => when(at, exact);
}
