import { foamAnswer, GRAVITY, scaledAnswer, type Foam, type FoamAnswer } from '../foam';
import { bodySize, loaderOf } from '../loaders';
import { forceAt, type Bed } from '../mechanics/load';

/** One place of the foam chart: the softest hardness (N, 25 % indentation) that carries a body on a pad; null where none does. */
export type ChartCell = { mass: number; thickness: number; hardness: number | null };

/** The pad of the chart: a flat seat of this side under a firm pull, looked at in these steps, mm. */
const SEAT = 430;
const STEP = 10;

/** Hardness is looked for between these, N. */
const RANGE = [40, 900] as const;

/** Near enough, as a share; a few steps find it. */
const NEAR = 0.01;
const MOST_STEPS = 12;

function slab(thickness: number, answer: FoamAnswer, pull: number): Bed {
  const n = SEAT / STEP + 1;
  const count = n * n;
  const all = new Float64Array(count).fill(thickness);
  return {
    columns: n,
    rows: n,
    step: STEP,
    x0: -SEAT / 2,
    y0: -SEAT / 2,
    there: new Uint8Array(count).fill(1),
    board: new Uint8Array(count).fill(1),
    rest: all,
    height: all,
    base: new Float64Array(count),
    layers: { foams: [answer], thickness: [all] },
    foams: [0],
    pull,
  };
}

/** What is let pass of a sitting on the chart: share of the mass on the seat, percent; least left, mm; most strain; pull, N/mm. */
export type ChartLimits = { share: number; leastLeft: number; mostStrain: number; pull: number };

/**
 * The softest hardness that bears a load on a slab when it may be pressed in just so far: under the lowest place of the
 * form the foam gives the whole depth, so the depth at which a limit is reached is known, and the force at that depth
 * grows with the hardness.
 */
function softest(force: (hardness: number) => number, load: number): number | null {
  let [low, high]: [number, number] = [RANGE[0], RANGE[1]];
  let [atLow, atHigh] = [force(low), force(high)];
  if (atLow >= load) return low;
  if (!(atHigh >= load)) return null;
  for (let step = 0; step < MOST_STEPS && high / low > 1 + NEAR; step++) {
    // Foam's part of the force is in proportion to its hardness: the straight line between the two all but hits.
    const aim = low + ((high - low) * (load - atLow)) / (atHigh - atLow);
    const next = Math.min(high / (1 + NEAR / 4), Math.max(low * (1 + NEAR / 4), aim));
    const found = force(next);
    if (Math.abs(found / load - 1) < NEAR / 4) return next;
    if (found >= load) [high, atHigh] = [next, found];
    else [low, atLow] = [next, found];
  }
  return high;
}

/**
 * The foam chart: for every body mass and pad thickness, the softest foam of a type that neither bottoms out nor is
 * pressed past its limit. Computed with the same solver as a piece's own sitting.
 *
 * @param masses kg
 * @param thicknesses mm
 * @param foam type, support factor and first stiff strain are taken from it
 * @param limits what is let pass
 * @returns cells one by one, so that they can be shown as they come and given up between
 */
export function* foamChart(
  masses: readonly number[],
  thicknesses: readonly number[],
  foam: Pick<Foam, 'type' | 'supportFactor' | 'onset'>,
  limits: ChartLimits,
): Generator<ChartCell> {
  const { underside } = loaderOf('seated');
  const unit = foamAnswer({ ...foam, ifd25: 100 });
  for (const mass of masses) {
    const size = bodySize(mass);
    const load = (mass * limits.share * GRAVITY) / 100;
    const form = (x: number, y: number): number => underside(x, y, size);
    for (const thickness of thicknesses) {
      const depth = Math.min(thickness - limits.leastLeft, thickness * limits.mostStrain);
      const force = (hardness: number): number => {
        const answer = scaledAnswer(unit, (unit.curve.plateau * hardness) / 100);
        const { force: borne, converged } = forceAt(slab(thickness, answer, limits.pull), form, depth);
        return converged ? borne : NaN;
      };
      yield { mass, thickness, hardness: depth > 0 ? softest(force, load) : null };
    }
  }
}
