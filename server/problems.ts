import type { Problem } from '../core/outcome';

/**
 * THE PROBLEM CATALOGUE: every refusal that a caller can meet. Bodies are RFC 9457 problem details; `type`
 * is `/problems/` and the name, `title` the sentence of the kind, `detail` the sentence of the case.
 */
export const problemKinds = {
  'not-found': { status: 404, title: 'It is not here.' },
  'no-such-address': { status: 404, title: 'There is nothing at this address.' },
  invalid: { status: 400, title: 'What was sent cannot be kept as it is.' },
  'not-json': { status: 400, title: 'What was sent is not JSON.' },
  'wrong-type': { status: 415, title: 'Only application/json can be read here.' },
  'too-large': { status: 413, title: 'What was sent is too large.' },
  'needs-if-match': { status: 428, title: 'A save has to say which revision it started from.' },
  'changed-elsewhere': { status: 412, title: 'It was saved elsewhere in the meantime.' },
  'address-taken': { status: 409, title: 'Another page has this address.' },
  'base-gone': { status: 409, title: 'What it grows from is not here.' },
  'grown-from': { status: 409, title: 'Other themes grow from it.' },
  'grows-from-itself': { status: 409, title: 'A theme cannot grow from itself.' },
  'not-published': { status: 409, title: 'It has not been published.' },
  'foreign-host': { status: 403, title: 'This address is not served here.' },
  'foreign-origin': { status: 403, title: 'Another site may not change anything here.' },
  'rows-missing': { status: 409, title: 'Rows that were sent ahead are not all here.' },
  'no-backups': { status: 409, title: 'No backups are kept here.' },
  'no-room': { status: 507, title: 'There is too little room on the disk to keep anything more.' },
  'server-error': { status: 500, title: 'Something went wrong on the server. Nothing that was kept is lost.' },
} as const;
export type ProblemKind = keyof typeof problemKinds;

/** A refusal on its way to the caller. */
export class Refusal extends Error {
  constructor(
    readonly kind: ProblemKind,
    readonly detail: string,
    /** More for the caller: the problems one by one, or the document as it stands now. */
    readonly more: Readonly<Record<string, unknown>> = {},
  ) {
    super(`${kind}: ${detail}`);
  }
}

export const problemBody = ({ kind, detail, more }: Refusal): Record<string, unknown> => ({
  type: `/problems/${kind}`,
  title: problemKinds[kind].title,
  status: problemKinds[kind].status,
  detail,
  ...more,
});

export const invalid = (problems: readonly Problem[]): Refusal =>
  new Refusal('invalid', problems[0] ? `${problems[0].at ? `${problems[0].at}: ` : ''}${problems[0].say}` : 'It cannot be read.', { problems });
