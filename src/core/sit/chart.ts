import { curveOf, GRAVITY, type Foam } from '../foam';
import { bodySize, loaderOf, sitOn, type Bed } from '../press';

/** One place of the foam chart: the softest hardness (N, 25 % indentation) that carries a body on a pad; null where none does. */
export type ChartCell = { mass: number; thickness: number; hardness: number | null };

/** The pad of the chart: a flat seat of this side under a firm pull, looked at in these steps, mm. */
const SEAT = 430;
const STEP = 10;

/** Hardness is looked for between these, N. */
const RANGE = [40, 900] as const;

function slab(thickness: number, curve: ReturnType<typeof curveOf>, pull: number): Bed {
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
    layers: { curves: [curve], thickness: [all] },
    foams: [0],
    pull,
  };
}

/**
 * The foam chart: for every body mass and pad thickness, the softest foam of a type that neither bottoms out nor is
 * pressed past its limit. Computed with the same solver as a piece's own sitting.
 *
 * @param masses kg
 * @param thicknesses mm
 * @param foam type, support factor and first stiff strain are taken from it
 * @param limits share of the mass on the seat (percent), least left (mm), most strain (0 … 1), pull (N/mm)
 * @returns cells one by one, so that they can be shown as they come and given up between
 */
export function* foamChart(
  masses: readonly number[],
  thicknesses: readonly number[],
  foam: Pick<Foam, 'type' | 'supportFactor' | 'onset'>,
  limits: { share: number; leastLeft: number; mostStrain: number; pull: number },
): Generator<ChartCell> {
  const { underside } = loaderOf('seated');
  for (const mass of masses) {
    const size = bodySize(mass);
    const load = (mass * limits.share * GRAVITY) / 100;
    for (const thickness of thicknesses) {
      const holds = (ifd25: number): boolean => {
        const bed = slab(thickness, curveOf({ ...foam, ifd25 }), limits.pull);
        const result = sitOn(bed, (x, y) => underside(x, y, size), load);
        return result.converged && result.leastLeft >= limits.leastLeft && result.strains[0]! <= limits.mostStrain;
      };
      let [low, high]: [number, number] = [RANGE[0], RANGE[1]];
      let hardness: number | null = null;
      if (holds(low)) hardness = low;
      else if (holds(high)) {
        while (high / low > 1.02) {
          const middle = Math.sqrt(low * high);
          if (holds(middle)) high = middle;
          else low = middle;
        }
        hardness = high;
      }
      yield { mass, thickness, hardness };
    }
  }
}
