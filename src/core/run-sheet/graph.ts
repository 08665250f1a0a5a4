import type { LinkedStep, Strand, StepDraft } from '../step/step';

/** Steps of a strand, in the order that they are told in. */
export type Told = readonly [Strand, readonly StepDraft[]];

/**
 * Puts told steps together to a graph: a step comes after the one before it in its own strand; one of the piece comes after all that
 * was told before it, of whatever strand. What lies loose is made at any time.
 *
 * @param strands strands, in the order of the run sheet
 */
export function graphOf(strands: readonly Told[]): LinkedStep[] {
  const last = new Map<Strand, string>();
  // What the piece's last step stands on already need not be said again.
  const joined = new Map<Strand, string>();
  const seen = new Map<Strand, string>();
  return strands.flatMap(([strand, steps]) =>
    steps.map((step): LinkedStep => {
      const before = last.get(strand);
      const after = before === undefined ? [] : [before];
      // Nothing is made before the old work is off and the bare base looked at.
      const off = last.get('strip');
      if (strand !== 'strip' && off !== undefined && seen.get(strand) !== off) after.push(off);
      if (off !== undefined) seen.set(strand, off);
      if (strand === 'piece')
        for (const [other, key] of last)
          if (other !== 'piece' && other !== 'strip' && other !== 'loose' && joined.get(other) !== key && !after.includes(key)) {
            after.push(key);
            joined.set(other, key);
          }
      last.set(strand, step.key);
      return { ...step, strand, after };
    }),
  );
}

/**
 * Everything loose is there when the piece is looked at for the last time.
 *
 * @param steps of the sheet
 * @param last key of the step at which it is
 */
export function endedWith(steps: readonly LinkedStep[], last: string): LinkedStep[] {
  const loose = steps.filter(({ strand }) => strand === 'loose').at(-1);
  return steps.map((step) => (step.key === last && loose ? { ...step, after: [...step.after, loose.key] } : step));
}
