/** What is cut and bought together: a job, several of them, or one piece. */
export type Scope = { jobs: string[]; piece: string | null };

const PIECE = 'p-';
const BETWEEN = '~';
const ID = /^[0-9a-zA-Z-]{1,60}$/;

/** A scope as an address and a row of the database have it. */
export function writeScope({ jobs, piece }: Scope): string {
  return piece === null ? [...jobs].sort().join(BETWEEN) : `${PIECE}${piece}`;
}

/**
 * Reads a scope.
 *
 * @returns null where it is none
 */
export function readScope(text: string): Scope | null {
  if (text.startsWith(PIECE)) return ID.test(text.slice(PIECE.length)) ? { jobs: [], piece: text.slice(PIECE.length) } : null;
  const jobs = text.split(BETWEEN);
  return jobs.every((id) => ID.test(id)) && new Set(jobs).size === jobs.length ? { jobs: jobs.sort(), piece: null } : null;
}
