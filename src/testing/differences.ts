/** A figure may move by this between engines: mm, and mm², N or minutes alike. */
const STEADY = 0.01;
/** A large area may move by this share of itself. */
const STEADY_SHARE = 1e-7;

/**
 * Every place where two plans, or views of them, differ by more than an engine's last bits explain.
 *
 * @returns the path of each with both values
 */
export function differences(a: unknown, b: unknown, path = 'plan'): string[] {
  if (typeof a === 'number' && typeof b === 'number')
    return Math.abs(a - b) <= STEADY + STEADY_SHARE * Math.abs(a) || Object.is(a, b) ? [] : [`${path}: ${a} and ${b}`];
  if (Array.isArray(a) && Array.isArray(b))
    return a.length === b.length
      ? a.flatMap((value, i) => differences(value, b[i], `${path}.${i}`))
      : [`${path}: ${a.length} of them and ${b.length}`];
  if (a && b && typeof a === 'object' && typeof b === 'object') {
    const [left, right] = [a as Record<string, unknown>, b as Record<string, unknown>];
    return [...new Set([...Object.keys(left), ...Object.keys(right)])].flatMap((key) =>
      differences(left[key], right[key], `${path}.${key}`),
    );
  }
  return a === b ? [] : [`${path}: ${String(a)} and ${String(b)}`];
}
