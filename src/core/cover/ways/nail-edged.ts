import { mm, pulledReach } from './parts';
import { ROWS_APART } from '../rows-apart';
import { stripPiece } from '../details/strip-piece';
import { cornerPlaces, edgeName, levelSteps, lowerEdge, placeAt, stretches, stretchLength, type Level } from '../surface/levels';
import type { Ring } from '../surface/ring';
import { CAUTIONS } from '../../step/cautions';
import { step, type StepDraft } from '../../step/step';
import type { SewnFacts, Way } from './way';

/** A metre of welt along an edge, a metre of back-tacking, minutes. */
const MINUTES = { weltMetre: 2, tackMetre: 4 };

/** Welt and band hide the board's edge, and the cover's staples behind, once the nails are in. */
function bandSteps({ seams, rule, card }: SewnFacts): StepDraft[] {
  const metres = (seams.find(({ id }) => id === 'lower')?.length ?? 0) / 1000;
  return [
    step(
      'edge-welt',
      'Piping along the edge',
      'Staple the piping round the board’s edge, its cord on the front corner of it, the raw edge backwards, clear of the nails; its ends meet in the middle of the bottom.',
      metres * MINUTES.weltMetre,
      { uses: ['staple', 'cord'], caution: CAUTIONS.staples },
    ),
    step(
      'band-tack',
      'Back-tack the band',
      `Face down over the front, ${card ? 'tack strip' : 'staples close together,'} tight against the cord; turn it over the edge and round to the back, smooth, and staple it there ${Math.round(rule('return') + ROWS_APART)} mm in, over the cover’s raw edge. Trim.`,
      metres * MINUTES.tackMetre,
      { uses: card ? ['staple', 'card'] : ['staple'], caution: CAUTIONS.staples },
    ),
  ];
}

/**
 * The band in the parts that it is joined from: along the bottom, and up either side to the middle of the top, so that its joins lie at
 * the bottom corners and once at the top. In one strip it would take its own length of cloth. A round edge has no corners: two halves.
 */
function bandParts(ring: Ring, level: Level): { id: string; name: string; length: number }[] {
  const steps = levelSteps(ring, level);
  const corners = [...cornerPlaces(ring)].sort((a, b) => ring.places[a]!.point[1] - ring.places[b]!.point[1]);
  const bottom = corners.length > 1 ? corners.slice(0, 2) : [placeAt(ring, 0.25), placeAt(ring, 0.75)];
  const marks = [...bottom, ...(corners.length > 1 ? [placeAt(ring, 0.5)] : [])].sort((a, b) => a - b);
  const parts = stretches(ring, marks).map(([from, to], k) => ({
    id: `edge-band-${k + 1}`,
    name: `Band round the edge, ${sideName(ring, from, to)}`,
    length: stretchLength(steps, from, to),
  }));
  // Laid and printed by their names: no two have the same.
  return parts.map((part, k) =>
    parts.some(({ id, name }) => id !== part.id && name === part.name) ? { ...part, name: `${part.name} ${k + 1}` } : part,
  );
}

/** A part that goes up one side and over half of the top is called by its side; any other by the edge that it lies along. */
function sideName(ring: Ring, from: number, to: number): string {
  const [x, y] = ring.places[Math.round((from + to) / 2) % ring.places.length]!.point;
  return Math.abs(x) > Math.abs(y) / 4 ? (x < 0 ? 'left' : 'right') : edgeName(ring, from, to);
}

export const nailEdged: Way = {
  id: 'nail-edged',
  name: 'Nail-edged',
  words: 'Pulled over, with a line of nails in the bare margin.',
  pulled: true,
  fields: [],
  nails: 'always',
  welt: {
    start: { upper: false, lower: true, cut: 'straight' },
    upper: null,
    lower: 'Piped band round the edge',
    stapled: ({ lower }) => lower,
  },
  panels: ({ ring, welt }) => ({
    panels: [],
    seams: welt?.lower ? [{ id: 'lower', name: 'Edge', level: lowerEdge(ring), welted: true, laid: true }] : [],
    zip: null,
  }),
  extras: ({ ring, rule, welt, model }, { seams }, { count }) => {
    const [edge] = seams;
    if (!edge || !welt?.lower) return [];
    const allowance = rule('seamAllowance');
    const height = allowance + model.edgeThickness + rule('return') + ROWS_APART + rule('grip');
    return bandParts(ring, edge.level).map(({ id, name, length }) =>
      stripPiece({
        id,
        name,
        role: 'band',
        cloth: 'cover',
        count,
        width: length + 2 * allowance,
        ends: allowance,
        height,
        note: 'Back-tacked along the piping once the nails are in, turned round to the back.',
        seam: { id: 'lower', allowance },
      }),
    );
  },
  tackAlong: ({ welt }, { seams }) => (welt?.lower ? seams.map((seam) => ({ ...seam, name: 'the edge' })) : []),
  tackedRows: ({ welt }) =>
    (welt?.lower ?? true)
      ? [
          { name: 'Band, back-tacked along the edge', inset: 0, leavesNear: false },
          { name: 'Band, behind the board', inset: 0, leavesNear: false },
        ]
      : [],
  steps: (facts) => ({ last: facts.welt?.lower ? bandSteps(facts) : [] }),
  overNotches: true,
  reach: pulledReach({ label: 'Under the board, to the staples', rule: 'return' }),
  suits: ({ bare, rule, cloth }) => ({
    against: [
      [bare < rule('nailMargin') / 2, true, `Nails would stand over foam: hold the pads back ${mm(rule('nailMargin'))}.`],
      [cloth.coated, false, 'Every nail through coated cloth is a hole for good: mark twice.'],
    ],
    good: 'The bare margin lets nails bite wood.',
  }),
};
