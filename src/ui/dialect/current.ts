import type { Dialect } from '@/core/dialect';

/** One for the process or the page: Next bundles server components, the first paint and the page apart, each with modules of its own. */
const KEY = Symbol.for('fovea.dialect');
const shared = globalThis as { [KEY]?: Dialect };

/** The words that everything on the page is written in. */
export const currentDialect = (): Dialect => shared[KEY] ?? 'british';

/** Sets them, before anything is drawn. */
export function setDialect(dialect: Dialect): void {
  shared[KEY] = dialect;
}
