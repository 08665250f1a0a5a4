import { lowerEdge, placeAt, topSeam } from '../surface/levels';
import type { Ring } from '../surface/ring';
import { bandedReach, bandPanel, joinEdge, noBand, seamEdge, topPanel } from './parts';
import type { Way } from './way';

/** Directions that lie within this of straight ahead or straight back belong to a saddle's nose or tail (cosine). */
const NOSE = 0.72;

const PARTS = [
  { id: 'nose', name: 'Nose', role: 'nose' },
  { id: 'right', name: 'Side, right', role: 'side', hand: 'right' },
  { id: 'tail', name: 'Tail', role: 'tail' },
  { id: 'left', name: 'Side, left', role: 'side', hand: 'left' },
] as const;

/** Nose, right side, tail and left side of a saddle: by which way its edge faces. */
function noseAndTail(ring: Ring): [number, number][] {
  const n = ring.places.length;
  const faces = ring.places.map(({ out }) => out[1] / Math.hypot(...out));
  const grown = (from: number, is: (face: number) => boolean): [number, number] => {
    let [low, high] = [from, from];
    while (is(faces[(low - 1 + n) % n]!) && high - low < n / 3) low--;
    while (is(faces[(high + 1) % n]!) && high - low < n / 3) high++;
    return [low, high];
  };
  const [noseFrom, noseTo] = grown(0, (face) => face < -NOSE);
  const [tailFrom, tailTo] = grown(placeAt(ring, 0.5), (face) => face > NOSE);
  // At least a step of each, so that nothing comes out empty.
  const nose: [number, number] = [Math.min(noseFrom, -1), Math.max(noseTo, 1)];
  return [
    [nose[0] + n, nose[1] + n],
    [nose[1], tailFrom],
    [tailFrom, tailTo],
    [tailTo, nose[0] + n],
  ];
}

export const saddleSet: Way = {
  id: 'saddle-set',
  name: 'Four-piece saddle',
  words: 'Top, two sides, nose and tail, sewn together and pulled on from the front.',
  pulled: false,
  fields: ['seamAt', 'bandCut', 'panelAllowance'],
  welt: { start: { cord: 5, lower: false }, upper: 'Piping in the top seam', lower: null },
  channels: 'offered',
  overNotches: true,
  panels: (working) => {
    const { ring, covering, welt, rule } = working;
    const allowance = rule('seamAllowance');
    const panel = covering.panelAllowance === 'none' ? 0 : allowance;
    const [top, lower] = [topSeam(ring, covering, rule), lowerEdge(ring)];
    const marks = noseAndTail(ring);
    const part = (k: number) =>
      bandPanel(
        working,
        { inner: top, outer: lower, from: marks[k]![0], to: marks[k]![1] },
        {
          ...PARTS[k]!,
          first: joinEdge(`join ${k + 1}`, allowance),
          last: joinEdge(`join ${((k + 1) % PARTS.length) + 1}`, allowance),
        },
      );
    const whole = topPanel(working, top, seamEdge('top', panel));
    return {
      panels: [{ ...whole, note: panel === 0 ? 'Cut on the seam line: the pull makes it tight.' : '' }, ...[1, 3, 0, 2].map(part)],
      seams: [{ id: 'top', name: 'Top seam', level: top, welted: Boolean(welt?.upper) }],
      zip: null,
    };
  },
  reach: (working, seams) => bandedReach(working, seams, working.covering.panelAllowance === 'none' ? { panel: 0 } : {}),
  suits: ({ traits, side }) => ({
    against: [[!traits.pan, false, 'Made for saddles: sides, nose and tail each of their own.'], noBand(side, 'no side pieces')],
    good: 'Each side of a saddle bends its own way: four pieces follow it.',
  }),
};
