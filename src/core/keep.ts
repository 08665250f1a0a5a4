/**
 * Runs a step of the plan, or gives what it came to before. A step is a plain function of what it reads, and is kept by
 * exactly that: the reads are all that its work may depend on.
 *
 * @param step its name; steps are counted by it
 * @param reads everything that its work depends on: plain data, numbers' arrays, or what another step came to
 * @param work the step itself
 */
export type Keep = <T>(step: string, reads: readonly unknown[], work: () => T) => T;

/** Keeps nothing: every step is run. */
export const keepNothing: Keep = (_step, _reads, work) => work();
