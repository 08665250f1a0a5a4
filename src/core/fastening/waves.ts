import type { FastenerPlace } from './fasteners';

/** Some fasteners that are put in one after another before one looks up: from number to number, and what they are. */
export type Wave = {
  from: number;
  to: number;
  says: string;
  /** they come out again: these are numbered by themselves */
  temporary: boolean;
};

/** Where a wave ends, nothing says that it belongs with the next. */
const UNSAID = 'in the order of their numbers';

/**
 * The order of fasteners in waves that can be followed, as their school puts them; what belongs to none is told in one wave.
 *
 * @param order as they are put in
 * @param [temporary] how many hold the cover first and come out again
 */
export function wavesOf(order: readonly FastenerPlace[], temporary = 0): Wave[] {
  const waves: Wave[] = [];
  if (temporary > 0)
    waves.push({
      from: 1,
      to: temporary,
      says: 'temporary ones first, in the same turn as those that stay: look from all sides',
      temporary: true,
    });
  for (const { n, wave = UNSAID } of order) {
    const last = waves.at(-1);
    if (last && !last.temporary && last.says === wave) last.to = n;
    else waves.push({ from: n, to: n, says: wave, temporary: false });
  }
  return waves;
}
