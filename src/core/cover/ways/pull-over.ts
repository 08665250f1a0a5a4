import { mm, percent, pulledReach } from './parts';
import { lowerEdge } from '../surface/levels';
import { stapledWelt } from '../details/stapled-welt';
import type { Way } from './way';

/** A side higher than this hangs slack when it is only pulled over, mm. */
const HIGH_SIDE = 95;
/** Folds of a cloth thicker than this are bulky, mm. */
const THICK = 1.3;

export const pullOver: Way = {
  id: 'pull-over',
  name: 'Pulled over',
  words: 'One cloth over all, stapled under; corners folded.',
  pulled: true,
  fields: [],
  welt: { start: { upper: false, lower: false }, upper: null, lower: 'Piping stapled under the edge', stapled: ({ lower }) => lower },
  overNotches: true,
  panels: ({ ring, welt }) => ({
    panels: [],
    seams: welt?.lower ? [{ id: 'lower', name: 'Lower edge', level: lowerEdge(ring), welted: true, laid: true }] : [],
    zip: null,
  }),
  steps: (facts) => ({ after: facts.welt?.lower ? [stapledWelt(facts, 'it hides the line of the cover’s own staples')] : [] }),
  reach: pulledReach({ label: 'Under the board, to the staples', rule: 'return' }),
  suits: ({ give, dome, side, most, cloth }) => ({
    against: [
      [
        dome > Math.min(give.warp, give.weft),
        false,
        `The dome needs ${percent(dome)} of stretch; this cloth gives ${percent(Math.min(give.warp, give.weft))}.`,
      ],
      [side > HIGH_SIDE, false, `A side of ${mm(side)} is high for one cloth: it hangs slack or drags.`],
      [most > 0 && cloth.thickness > THICK, false, `A corner leaves ${mm(most)} of thick cloth over: cut the bulk away.`],
    ],
    good: 'Low sides and a gentle crown: one cloth lies well.',
  }),
};
