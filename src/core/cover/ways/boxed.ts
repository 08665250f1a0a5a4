import type { Welt } from '../../piece';
import { stripPiece } from '../details/strip-piece';
import { levelLength, levelSteps, lowerEdge, stretches, topSeam } from '../surface/levels';
import { bandPartName } from '../surface/band-joins';
import { bandedReach, bandPanel, joinEdge, joinMarks, longestStrip, mm, noBand, seamEdge, topPanel } from './parts';
import { stapledWelt } from '../details/stapled-welt';
import type { Way } from './way';

/** Whether the lower welt is sewn between the band and a fly; otherwise it is stapled on. */
const sewnBelow = (welt: Welt | null): boolean => Boolean(welt?.lower) && welt?.held === 'sewn';

const stapled = (welt: Welt): boolean => welt.lower && !sewnBelow(welt);

/** A side higher than this asks for a band, mm. */
const HIGH_SIDE = 95;

export const boxed: Way = {
  id: 'boxed',
  name: 'Boxed',
  words: 'Top and band: a top panel sewn to a band, with piping or without.',
  pulled: false,
  boxed: true,
  fields: ['seamAt', 'bandCut', 'joins'],
  welt: { start: {}, upper: 'Piping in the top seam', lower: 'Piping along the lower edge', holds: true, stapled },
  channels: 'offered',
  overNotches: true,
  panels: (working) => {
    const { ring, covering, welt, rule } = working;
    const allowance = rule('seamAllowance');
    const [top, lower] = [topSeam(ring, covering, rule, working.model.boxed), lowerEdge(ring)];
    const parts = stretches(ring, joinMarks(working, levelSteps(ring, top), longestStrip(working)));
    const below = sewnBelow(welt) ? { outer: seamEdge('lower', allowance), stapleAt: undefined } : {};
    return {
      panels: [
        topPanel(working, top, seamEdge('top', allowance)),
        ...parts.map(([from, to], k) =>
          bandPanel(
            working,
            { inner: top, outer: lower, from, to },
            {
              id: parts.length > 1 ? `band-${k + 1}` : 'band',
              name: parts.length > 1 ? bandPartName(working.model.piece.kind, ring, { from, to }, k) : 'Band',
              role: 'band',
              ...below,
              first: joinEdge(`join ${k + 1}`, allowance),
              last: joinEdge(`join ${((k + 1) % parts.length) + 1}`, allowance),
            },
          ),
        ),
      ],
      seams: [
        { id: 'top', name: 'Top seam', level: top, welted: Boolean(welt?.upper) },
        ...(welt?.lower
          ? [
              sewnBelow(welt)
                ? { id: 'lower', name: 'Lower seam', level: lower, welted: true }
                : { id: 'lower', name: 'Lower edge', level: lower, welted: true, laid: true },
            ]
          : []),
      ],
      zip: null,
    };
  },
  reach: (working, seams) => bandedReach(working, seams, { sewnBelow: sewnBelow(working.welt) }),
  extras: ({ ring, rule, welt }, { seams }, { count, seamLength }) => {
    const lower = seams.find((seam) => seam.id === 'lower');
    if (!lower || !sewnBelow(welt)) return [];
    return [
      stripPiece({
        id: 'fly',
        name: 'Fly, below the lower piping',
        role: 'fly',
        cloth: 'lining',
        count,
        // As long as the bands are along that seam, as they are cut, and an allowance at either end to close it.
        width: (seamLength('lower') ?? levelLength(ring, lower.level)) + 2 * rule('seamAllowance'),
        ends: rule('seamAllowance'),
        height: rule('return') + rule('grip') + rule('seamAllowance'),
        note: 'Sewn in with the lower piping and stapled under; relieve it on curves.',
        seam: { id: 'lower', allowance: rule('seamAllowance') },
      }),
    ];
  },
  steps: (facts) => ({ after: facts.welt && stapled(facts.welt) ? [stapledWelt(facts, 'the band lies under it')] : [] }),
  suits: ({ side, bare }) => ({
    against: [noBand(side), [bare > 0, false, 'The padding is set back: a band ends on bare board.']],
    good: side > HIGH_SIDE ? `The side of ${mm(side)} needs a band.` : 'A seam gives the edge a clean line.',
  }),
};
