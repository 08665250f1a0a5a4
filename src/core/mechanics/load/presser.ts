import { foamSprings, overAll } from './columns';
import { halved, shearOf, type Bed } from './bed';
import { imbalance, settle, type Pulled, type Settled } from './settle';

/** The load is met when the force is this near; on a coarser grid, which only says where to begin, when it is this near. */
const NEAR = 0.002;
const NEAR_COARSE = 0.01;
const MOST_TRIES = 40;
/** A grid of fewer nodes a side is pressed as it is. */
const FEWEST = 24;

/** The height of a form's underside over its lowest place at a plan point, mm; Infinity where there is none. */
export type Underside = (x: number, y: number) => number;

export type Found = Pick<Settled, 'height' | 'pressure' | 'contact' | 'converged'>;

/** A form over its padding: where it first touches, how deep the padding is at most, and the force at a depth. */
export type Presser = {
  touch: number;
  most: number;
  /** presses the form to where its lowest place is at a height; the force that takes, N */
  at: (lowest: number) => number;
  /** what was found last */
  found: () => Found;
};

/**
 * Sets a form over the padding; each depth begins from what the last one came to.
 *
 * @param bed the padding
 * @param underside of the form over its lowest place at a plan point, mm
 * @param [begun] how it lay under much the same load
 */
export function presserOf(bed: Bed, underside: Underside, begun?: Found): Presser {
  const { columns, rows, step, there, rest, height, layers } = bed;
  const n = columns * rows;
  const form = new Float64Array(n).fill(Infinity);
  let touch = -Infinity;
  let most = 0;
  for (let i = 0; i < n; i++) {
    if (!there[i]) continue;
    form[i] = underside(bed.x0 + (i % columns) * step, bed.y0 + Math.floor(i / columns) * step);
    touch = Math.max(touch, height[i]! - form[i]!);
    most = Math.max(most, rest[i]! - bed.base[i]!);
  }
  const problem: Pulled = {
    columns,
    rows,
    step,
    free: there,
    there,
    rest,
    springs: foamSprings(layers),
    pull: bed.pull,
    shear: shearOf(layers),
    steep: false,
  };
  // Unloaded, the padding is at rest as it was found: whatever the rim does to keep it so goes on doing it.
  problem.load = imbalance(problem, height).map((force) => -force / (step * step));
  let found: Found = begun ?? { height: height.slice(), pressure: new Float64Array(n), contact: new Float64Array(n), converged: true };
  return {
    touch,
    most,
    at: (lowest) => {
      const over = form.map((z) => z + lowest);
      found = settle(
        { ...problem, over },
        // What bore the form goes on bearing it, up as well as down.
        found.height.map((h, i) => (!there[i] ? h : found.contact[i]! > 0 && over[i]! < Infinity ? over[i]! : Math.min(h, over[i]!))),
        found.contact,
      );
      return found.contact.reduce((sum, f) => sum + f, 0);
    },
    found: () => found,
  };
}

/** Where a form came to rest: its lowest place, the force it bears with, and how its padding lies. */
export type Rested = { lowest: number; force: number; touch: number; found: Found; /** d ln(force) / d lowest, 1/mm */ slope: number };

/** How the padding lies at a load, from how it lay on every second node: pressed down as far, a node's share of the force on each. */
function refined(bed: Bed, coarse: Bed, { height, contact }: Found): Found {
  const { columns, rows } = bed;
  const down = overAll(
    coarse.height.map((z, i) => z - height[i]!),
    coarse,
    columns,
    rows,
  );
  const force = overAll(contact, coarse, columns, rows);
  const at = (value: number): number => (Number.isNaN(value) ? 0 : value);
  return {
    height: bed.height.map((z, i) => (bed.there[i] ? z - at(down[i]!) : z)),
    pressure: new Float64Array(columns * rows),
    contact: force.map((f, i) => (bed.there[i] ? at(f) / 4 : 0)),
    converged: true,
  };
}

/** Where to begin: how deep, how steep the force is there, and how the padding lies. */
export type Begun = Pick<Rested, 'lowest' | 'slope' | 'found'>;

/** How a form comes to rest on every second node, laid over all of them; undefined where the grid is too small for that. */
function begunCoarsely(bed: Bed, underside: Underside, load: number): Begun | undefined {
  if (bed.columns <= FEWEST || bed.rows <= FEWEST) return undefined;
  const coarse = halved(bed);
  const rested = pressed(coarse, underside, load, NEAR_COARSE, begunCoarsely(coarse, underside, load));
  return rested.found.converged ? { ...rested, found: refined(bed, coarse, rested.found) } : undefined;
}

/**
 * Presses a form in until it bears a load: on every second node first, which says how deep to begin on all of them.
 *
 * @param bed the padding
 * @param underside the form's
 * @param load N
 * @param [known] where the same form came to rest on much the same padding
 */
export function pressTo(bed: Bed, underside: Underside, load: number, known?: Begun): Rested {
  const begun = known ?? begunCoarsely(bed, underside, load);
  const rested = pressed(bed, underside, load, NEAR, begun);
  // A start that leads nowhere is dropped for the plain one.
  return begun && !rested.found.converged ? pressed(bed, underside, load, NEAR) : rested;
}

function pressed(bed: Bed, underside: Underside, load: number, near: number, begun?: Begun): Rested {
  const { touch, most, at, found } = presserOf(bed, underside, begun?.found);
  // The force grows without end as the foam shuts: the depth is found between a touch and next to nothing left.
  let [low, high] = [touch - most, touch];
  let lowest = begun && begun.lowest < high && begun.lowest > low ? begun.lowest : touch - Math.min(0.25 * most, 25);
  let slope = begun?.slope ?? Number.NaN;
  // The force bends upwards with depth: its logarithm is nearly straight.
  const bent = (force: number): number => Math.log(force + 0.02 * load);
  let force = 0;
  let last: { lowest: number; bent: number } | null = null;
  for (let tries = 0; tries < MOST_TRIES; tries++) {
    force = at(lowest);
    const here = { lowest, bent: bent(force) };
    if (last && here.lowest !== last.lowest) slope = (here.bent - last.bent) / (here.lowest - last.lowest);
    if (Math.abs(force / load - 1) < near) break;
    if (force > load) low = lowest;
    else high = lowest;
    if (high - low < 1e-6) break;
    last = here;
    // Without a slope yet: a try a third of the way to where nothing is left, or to a touch.
    const step = slope < 0 ? (bent(load) - here.bent) / slope : force < load ? -0.3 * (lowest - low) : 0.5 * (high - lowest);
    // Not all the way to where nothing is left: the force there says nothing of the slope.
    const next = Math.max(lowest + step, lowest + 0.7 * (low - lowest));
    lowest = next > low && next < high ? next : (lowest + high) / 2;
  }
  return { lowest, force, touch, found: found(), slope };
}
