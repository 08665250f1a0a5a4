import { step } from '../../step/step';
import { isLess, wholeUp } from '../../ties';
import { underside } from '../laying/underside';
import { bounds } from '../../outline';
import { hiddenEdge, kindOf, shownEdge, type PieceKind } from '../../piece';
import type { EdgeUse } from '../laying/panel-spec';
import { cornerPlaces, levelSteps, lowerEdge, placeAt, stretchLength, topSeam } from '../surface/levels';
import type { Ring } from '../surface/ring';
import { bandedReach, bandPanel, joinEdge, longestStrip, mm, seamEdge, SEWN_BOTH, topPanel } from './parts';
import { bandPartName, hiddenJoins } from '../surface/band-joins';
import type { Way, Working, ZipSpec } from './way';

/** Filling and closing a loose cover, minutes. */
const STUFF = 10;
const CLOSE = 4;
/** A zip needs a side at least so high, mm. */
const LEAST_SIDE = 40;

/** A pad up to this thick is folded in half to go through its zip; a thicker one goes in whole, mm. */
const FOLDS = 150;

/**
 * How long an opening has to be for a pad to go in: stretched open, a slit is twice its length round, and the pad's end, whole or
 * folded, goes through that.
 *
 * @param across the pad's end, mm
 * @param thick mm
 */
export function openingFor(across: number, thick: number): { length: number; folded: boolean } {
  const [whole, folded] = [across + thick, across / 2 + 2 * thick];
  return thick <= FOLDS && folded < whole ? { length: folded, folded: true } : { length: whole, folded: false };
}

/** A zip is lengthened so often at the most. */
const ZIP_TRIES = 8;

type ZipStretch = Pick<ZipSpec, 'from' | 'to' | 'length'>;

/** The zip: round either corner of the hidden edge by a hand's breadth, and as far on as the pad needs to go in. */
function zipFor(working: Working, steps: Float64Array, hidden: number): ZipSpec {
  const { ring, rule, model } = working;
  // Wadding lies on both faces of a loose pad.
  const thick = model.pads.reduce((sum, { pad }) => sum + pad.thickness, 0) + 2 * model.wadding;
  const needed = openingFor(bounds(model.board).width, thick);
  let past = rule('zipClear');
  let stretch = zipStretch(ring, steps, past, hidden);
  // Where it grows by less than it is asked for, as on a round pad that opens over a third of its way round anyway, it is asked again.
  for (let k = 0; k < ZIP_TRIES && isLess(stretch.length, needed.length); k++) {
    past += (needed.length - stretch.length) / 2;
    stretch = zipStretch(ring, steps, past, hidden);
  }
  return { ...stretch, past, folded: needed.folded };
}

/** The stretch of the band from the middle of the hidden edge to so far beyond the corner on either side. */
function zipStretch(ring: Ring, steps: Float64Array, clear: number, hidden: number): ZipStretch {
  const n = ring.places.length;
  const corners = cornerPlaces(ring);
  const reach = (way: 1 | -1): number => {
    let i = hidden;
    let beyond = 0;
    let past = corners.length === 0;
    let gone = 0;
    for (let k = 0; k < n / 3; k++) {
      const step = steps[(way > 0 ? i : i - 1 + n) % n]!;
      gone += step;
      i += way;
      if (past) beyond += step;
      else if (corners.includes(((i % n) + n) % n)) past = true;
      // A round pad opens over a third of its way round.
      if (past && beyond >= clear && (corners.length > 0 || gone > ring.total / 6)) break;
    }
    return i;
  };
  const [from, to] = [reach(-1), reach(1)];
  const whole = from < 0 ? n : 0;
  return { from: from + whole, to: to + whole, length: stretchLength(steps, from, to) };
}

/** A stretch in as few even parts as come off the roll. */
function onTheRoll(steps: Float64Array, from: number, to: number, longest: number): [number, number][] {
  const whole = stretchLength(steps, from, to);
  const count = Math.max(1, wholeUp(whole / longest));
  const ends = [from];
  for (let i = from, done = 0; i < to && ends.length < count; i++) {
    done += steps[i % steps.length]!;
    // Where a place lies just in the middle the join falls on it, whichever way its last bit was rounded.
    if (!isLess(done, (whole * ends.length) / count)) ends.push(i + 1);
  }
  return [...ends, to].slice(1).map((end, k): [number, number] => [ends[k]!, end]);
}

/** The band but for the zip: in one, joined where nobody looks, or in even parts where it has no such places. */
function bandParts(
  ring: Ring,
  steps: Float64Array,
  { zip, along, longest }: { zip: ZipStretch; along: number; longest: number },
): [number, number][] {
  const n = ring.places.length;
  const [from, to] = [zip.to, zip.from + n];
  const even = onTheRoll(steps, from, to, longest);
  const joins = even.length > 1 ? hiddenJoins(ring, steps, longest, along, zip) : null;
  if (!joins) return even;
  const between = joins.map((place) => place + n * Math.ceil((from - place) / n)).sort((a, b) => a - b);
  const ends = [from, ...between, to];
  return ends.slice(1).map((end, k): [number, number] => [ends[k]!, end]);
}

/** What its panels and seams are called: the top of a seat is the front of what is used upright. */
const namesOf = (kind: PieceKind): { top: string; bottom: string } =>
  kindOf(kind).traits.upright ? { top: 'Front', bottom: 'Back' } : { top: 'Top', bottom: 'Bottom' };

export const block: Way = {
  id: 'block',
  name: 'Loose cover with zip',
  words: 'Top, bottom and a band with a zip: the pad goes in and comes out.',
  pulled: false,
  boxed: true,
  loose: true,
  fields: ['seamAt', 'bandCut'],
  welt: { start: {}, upper: 'Piping in the top seam', lower: 'Piping in the lower seam' },
  channels: 'offered',
  buttons: 'offered',
  overNotches: false,
  panels: (working) => {
    const { ring, covering, welt, rule } = working;
    const allowance = rule('seamAllowance');
    const [top, lower] = [topSeam(ring, covering, rule, working.model.boxed), lowerEdge(ring)];
    const { kind } = working.model.piece;
    const { along } = hiddenEdge(kind);
    const names = namesOf(kind);
    const bandName = `${shownEdge(kind)} and sides`;
    const zip = zipFor(working, levelSteps(ring, top), placeAt(ring, along));
    const middle = top.map((v, i) => (v + lower[i]!) / 2);
    const zipEdge: EdgeUse = { id: 'zip', kind: 'zip', seam: 'zip', allowance };
    const [one, two] = [joinEdge('zip end 1', allowance), joinEdge('zip end 2', allowance)];
    const sewn = { stapleAt: undefined };
    const parts = bandParts(ring, levelSteps(ring, top), { zip, along, longest: longestStrip(working) });
    const below = seamEdge('lower', allowance);
    return {
      panels: [
        topPanel(working, top, seamEdge('top', allowance), `${names.top} panel`),
        ...parts.map(([from, to], k) =>
          bandPanel(
            working,
            { inner: top, outer: lower, from, to },
            {
              id: parts.length > 1 ? `band-${k + 1}` : 'band',
              name: parts.length > 1 ? bandPartName(kind, ring, { from, to }, k) : `Band, ${bandName}`,
              role: 'band',
              ...sewn,
              outer: below,
              first: k === 0 ? two : joinEdge(`join ${k}`, allowance),
              last: k === parts.length - 1 ? one : joinEdge(`join ${k + 1}`, allowance),
            },
            SEWN_BOTH,
          ),
        ),
        bandPanel(
          working,
          { inner: top, outer: middle, from: zip.from, to: zip.to },
          { id: 'zip-upper', name: 'Zip band, upper half', role: 'zip', ...sewn, first: one, last: two, outer: zipEdge },
          SEWN_BOTH,
        ),
        bandPanel(
          working,
          { inner: middle, outer: lower, from: zip.from, to: zip.to },
          { id: 'zip-lower', name: 'Zip band, lower half', role: 'zip', ...sewn, first: one, last: two, inner: zipEdge, outer: below },
          SEWN_BOTH,
        ),
      ],
      seams: [
        { id: 'top', name: `${names.top} seam`, level: top, welted: Boolean(welt?.upper) },
        { id: 'lower', name: `${names.bottom} seam`, level: lower, welted: Boolean(welt?.lower) },
      ],
      zip,
    };
  },
  reach: (working, seams) => bandedReach(working, seams, { sewnBelow: true }),
  extras: ({ model, ring, rule }, _sewn, { panel }) =>
    panel(
      {
        id: 'bottom',
        name: `${namesOf(model.piece.kind).bottom} panel`,
        role: 'bottom',
        region: { kind: 'disc', level: new Float64Array(ring.places.length) },
        outer: { id: 'lower', kind: 'seam', seam: 'lower', allowance: rule('seamAllowance') },
        note: 'Drawn as seen from above: lay the pattern on the back of the cloth.',
      },
      underside(model, ring),
    ),
  steps: ({ pieces, zip }) => ({
    after: [
      step(
        'stuff',
        'Fill the cover',
        `${zip?.folded ? 'Fold the pad, wadding and all, and feed it in; unfold it' : 'Open the zip all the way, squeeze the pad’s end together and feed it in whole, wadding and all'}; square it to the seams, and comb the foam into every corner with the flat of the hand.`,
        STUFF,
      ),
      step(
        'close',
        'Turn the corners out and close the zip',
        `Push the corners out from inside; close the zip from one end; slap the seams straight along ${pieces.length > 2 ? 'the band' : 'the edge'}.`,
        CLOSE,
        { uses: ['zip'] },
      ),
    ],
  }),
  suits: ({ side, traits }) => ({
    against: [
      [side < LEAST_SIDE, true, `A side of ${mm(side)} is too low for a zip.`],
      [!traits.loose, false, 'For pads that lie loose: this one is glued to its board.'],
    ],
    good: 'The cover comes off for washing.',
  }),
};
