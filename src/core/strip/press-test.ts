import type { PressReadings } from '../piece';

/** What becomes of the old foam, which reading decided it, and how much goes on top when it is plumped. */
export type PressVerdict = {
  verdict: 'keep' | 'plump' | 'replace';
  /** share of its thickness that the foam has lost */
  loss: number;
  /** mm to lay on top; 0 unless plumped */
  plump: number;
  decided: string;
};

/** Loss up to which foam is kept, and up to which it is plumped (trade table). */
const KEEP = 0.05;
const PLUMP = 0.12;
const ROUNDING = 1e-9;
/** Quick return, and slow: seconds to stand up again from half its height. */
const QUICK = 2;
const SLOW = 5;
/** Thin layers sold to plump with, mm. */
const LAYERS = [5, 10, 13, 15, 20, 25] as const;

/**
 * Judges old foam by hand: thickness lost, time to come back from half height, hardness beside new foam, crumbs, mould, marks of the board.
 * Readings are asked in the order of what they rule out; the first that decides is named.
 *
 * @param readings mm and seconds
 */
export function pressTest(readings: PressReadings): PressVerdict {
  const loss = Math.max(0, 1 - readings.now / readings.asNew);
  const percent = Math.round(loss * 1000) / 10;
  const done = (verdict: PressVerdict['verdict'], decided: string, plump = 0): PressVerdict => ({ verdict, loss, plump, decided });
  if (readings.mould) return done('replace', 'Any mould: replace.');
  if (readings.crumbs) return done('replace', 'It crumbles: replace.');
  // Thick but dead: the height is there and nothing carries in it.
  if (readings.hardness === 'dead') return done('replace', 'It gives way at once under the hand: thick, but dead.');
  if (readings.seconds > SLOW) return done('replace', `Took ${readings.seconds} s to come back; more than ${SLOW} s is spent foam.`);
  if (loss > PLUMP + ROUNDING) return done('replace', `Lost ${percent} % of its thickness; more than ${PLUMP * 100} % is past plumping.`);
  const lossMm = Math.max(0, readings.asNew - readings.now);
  const layer = LAYERS.find((t) => t >= lossMm) ?? LAYERS.at(-1)!;
  if (loss > KEEP + ROUNDING)
    return done('plump', `Lost ${percent} %, between ${KEEP * 100} and ${PLUMP * 100} %: a thin layer makes it up.`, layer);
  if (readings.seconds > QUICK)
    return done('plump', `Took ${readings.seconds} s to come back; over ${QUICK} s it is tired: a thin layer on top.`, layer);
  if (readings.hardness === 'softer') return done('plump', 'It is softer than new foam: a thin layer on top carries first.', layer);
  if (readings.marks) return done('plump', 'The board has printed itself in: a thin layer below the cover hides it.', layer);
  return done('keep', `Lost ${percent} % and came back in ${readings.seconds} s: keep it.`);
}
