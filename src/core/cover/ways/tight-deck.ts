import { stripPiece } from '../details/strip-piece';
import { cornerPlaces, levelSteps, lowerEdge, stretches, stretchLength } from '../surface/levels';
import { pulledReach } from './parts';
import type { Way } from './way';

/** A pull is sewn on this far below the deck's own edge, out of sight, mm. */
const HIDDEN = 35;

export const tightDeck: Way = {
  id: 'tight-deck',
  name: 'Tight deck',
  words: 'A deck whose edges pass through the frame and are fastened below its rails.',
  pulled: true,
  fields: ['pulls'],
  overNotches: true,
  // With pulls the deck itself ends hidden below its own edge; plain cloth goes on from there.
  beyond: (rule, { pulls }) =>
    pulls ? { staple: HIDDEN, grip: rule('seamAllowance') } : { staple: rule('pullThrough') - rule('grip'), grip: rule('grip') },
  reach: pulledReach({ label: 'Through the frame', rule: 'pullThrough' }),
  extras: ({ ring, rule, covering }, _sewn, { count }) => {
    if (!covering.pulls) return [];
    const steps = levelSteps(ring, lowerEdge(ring));
    return stretches(ring, cornerPlaces(ring)).map(([from, to], k) =>
      stripPiece({
        id: `pull-${k + 1}`,
        name: `Pull, ${ring.places[Math.round((from + to) / 2) % ring.places.length]!.edge}`,
        role: 'pull',
        cloth: 'lining',
        count,
        width: stretchLength(steps, from, to) - 2 * rule('yCutStop'),
        height: rule('pullThrough') - HIDDEN + rule('seamAllowance'),
        note: 'Plain cloth sewn to the deck out of sight; it passes through the frame.',
        seam: { id: 'pull', allowance: rule('seamAllowance') },
      }),
    );
  },
  pushed:
    'Lay it on, centre marks on centre lines. Push the cloth down through the gap above every rail with a flat stick: back first, then the sides, the front last; draw it level from below, no pull yet.',
  throughCard: 'through tack strip along each rail, so that the threads do not pull out',
  tackAlong: ({ ring }) => [{ name: 'under the rail', level: lowerEdge(ring) }],
  suits: ({ traits }) => ({
    against: [[!traits.throughFrame, false, 'Needs a frame with gaps between its rails.']],
    good: 'The deck passes between the rails and is fastened below.',
  }),
};
