/** What no step may be given, for whole it holds more than a step declares: a document, a built model. This room knows neither's type. */
type Whole = { overrides: unknown; pads: unknown; covering: unknown } | { house: unknown } | { keep: unknown };

/** What a step reads, by name. */
export type Reads = Readonly<Record<string, unknown>>;

/** The reads of a step, none of them a whole piece or model. */
export type Declared<R> = { [name in keyof R]: R[name] extends Whole ? never : R[name] };

/**
 * Runs a step of the plan, or gives what it came to before. A step is cached by what it reads, and is given that and nothing else:
 * its work is a function of a module (lint refuses one written in place, which could reach what is around it).
 *
 * @param step its name; steps are counted by it
 * @param reads everything that its work depends on, by name: plain data, arrays of numbers, or what another step came to
 * @param work the step itself; it is handed its reads, and the cache for steps of its own
 */
export type Keep = <R extends Reads, T>(step: string, reads: R & Declared<R>, work: (reads: R, keep: Keep) => T) => T;

/** Caches nothing: every step is run. */
export const keepNothing: Keep = (_step, reads, work) => work(reads, keepNothing);
