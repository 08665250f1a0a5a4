import { coveredStep, readGrid, surfaceStep, type Model, type ShowThrough } from '../padding';
import { builtModel } from '../cover';
import type { HouseRules } from '../house';
import { keepNothing, type Keep } from '../keep';
import { deepest, distanceTo, type Polygon } from '../outline';
import { checkPiece, foamOf, foamsOf, PieceProblems, type Pad, type Piece } from '../piece';
import { RIM_SIZE, type PadEdge } from '../pad-rims';
import { levelLines } from './level-lines';
import { wishedOver, type CrownWish, type Wished } from './profile';

/** One way of building a wished crown, covered and measured again. Lengths mm. */
export type CrownChoice = {
  kind: 'fewest' | 'stock' | 'smoothest';
  name: string;
  /** the whole stack with the crown pads in their places */
  pads: Pad[];
  crownPads: number;
  /** covered crown at its highest place, and how far that is from the wish */
  crown: number;
  miss: number;
  /** whether that is within a millimetre */
  meets: boolean;
  /** widest departure from the wished profile anywhere within its rim */
  worst: number;
  showThrough: ShowThrough;
  /** whether every thickness is sold as it is */
  sold: boolean;
  converged: boolean;
};

/** The covered crown must come this near to the wish, mm. */
export const NEAR = 1;

const MOST_ROUNDS = 7;

/** Thinnest layer that is slit by hand, mm. */
const THINNEST = 10;

/** A layer of a crown: a sheet of a foam. */
type Sheet = { thickness: number; material: string };

type Measured = { crown: number; worst: number; showThrough: ShowThrough; converged: boolean };

/** A wish with what it is worked out on. */
type Wishing = {
  piece: Piece;
  /** the same without crown pads */
  bare: Piece;
  house: HouseRules;
  wish: CrownWish;
  wished: Wished;
  /** foam of the crown, where it is one's own choice */
  material: string;
  keep: Keep;
};

/** Covers a piece and compares its crown with the wish. */
function measure(trial: Piece, { house, wish, wished, keep }: Wishing, fine: boolean): Measured {
  const model = builtModel(trial, house, keep);
  const fineness = fine ? 'full' : 'trial';
  const { grid, inner } = coveredStep(model, fineness);
  const { showThrough, converged } = surfaceStep(model, fineness);
  const rim = rimHeight(model);
  const at = (x: number, y: number): number => readGrid(grid, [x, y]) - model.baseHeight(x, y) - model.wadding - rim;
  let worst = 0;
  inner.forEach((on, k) => {
    if (!on) return;
    const [x, y] = [grid.x0 + (k % grid.columns) * grid.step, grid.y0 + Math.floor(k / grid.columns) * grid.step];
    worst = Math.max(worst, Math.abs(at(x, y) - wish.height * wished.share([x, y])));
  });
  return { crown: at(wished.peak[0], wished.peak[1]), worst, showThrough, converged };
}

function attempt(trial: Piece, wishing: Wishing, fine: boolean): Measured | null {
  try {
    return measure(trial, wishing, fine);
  } catch (error) {
    if (error instanceof PieceProblems) return null;
    throw error;
  }
}

/** What the crown rises over: the padding without any crown pad. */
function rimHeight(model: Model): number {
  return model.pads.filter(({ pad }) => pad.role !== 'crown').reduce((sum, { pad }) => sum + pad.thickness, 0);
}

/** Mean distance from one level line in to the next: how far the lower pad is feathered. */
function featherTo(outer: Polygon, inner: Polygon | undefined): number {
  if (!inner) return deepest(outer).depth * 0.9;
  const steps = inner.filter((_, i) => i % 6 === 0).map((p) => distanceTo(outer, p));
  return steps.reduce((sum, d) => sum + d, 0) / steps.length;
}

/** Crown pads for a height, cut along the wish's level lines at the given layers from below. */
function layered(wished: Wished, layers: readonly Sheet[], edge: 'feathered' | 'square', scrap: boolean): Pad[] {
  const total = layers.reduce((sum, sheet) => sum + sheet.thickness, 0);
  let from = 0;
  return layers.flatMap(({ thickness, material }, k) => {
    // A square step is cut along the middle of its own height; a feathered one begins at its foot.
    const level = edge === 'square' ? from + thickness / 2 : from;
    const lines = levelLines(wished, level / total);
    from += thickness;
    const next = levelLines(wished, Math.min(0.97, from / total));
    return lines.map((outline, i): Pad => {
      const rim: PadEdge =
        edge === 'square'
          ? { kind: 'square' }
          : {
              kind: 'feathered',
              width: Math.min(RIM_SIZE[1], Math.max(RIM_SIZE[0], featherTo(outline, next.length === lines.length ? next[i] : next[0]))),
            };
      return {
        id: `crown-${k + 1}${lines.length > 1 ? `-${i + 1}` : ''}`,
        role: 'crown',
        material,
        thickness,
        offset: 0,
        outline: outline.map(([x, y]): [number, number] => [Math.round(x * 10) / 10, Math.round(y * 10) / 10]),
        edge: rim,
        ...(scrap && { scrap: true }),
      };
    });
  });
}

/** Sold sheets that come nearest to a height: the nearest first, then the fewest, then those of the wanted foam. */
function fromStock(height: number, sheets: readonly Sheet[], wanted: string): Sheet[] | null {
  let best: Sheet[] | null = null;
  let least = Infinity;
  const walk = (taken: Sheet[], sum: number, from: number): void => {
    if (taken.length > 0) {
      const cost =
        Math.max(0, Math.abs(sum - height) - 0.4) * 10 + taken.length + 0.3 * taken.filter((sheet) => sheet.material !== wanted).length;
      if (cost < least) [best, least] = [taken, cost];
    }
    if (taken.length >= 3) return;
    for (let i = from; i < sheets.length; i++)
      if (sum + sheets[i]!.thickness <= height + 3) walk([...taken, sheets[i]!], sum + sheets[i]!.thickness, i);
  };
  walk([], 0, 0);
  return best;
}

/** Softer or harder than this a scrap is not hidden in a crown, N. */
const HIDDEN = [90, 400] as const;

/** Every sheet that scraps can come from: the thickest first, so that what is cut largest lies below. */
function scraps(piece: Piece): Sheet[] {
  return foamsOf(piece)
    .filter((foam) => foam.ifd25 >= HIDDEN[0] && foam.ifd25 <= HIDDEN[1] && foam.type !== 'slow-recovery' && foam.type !== 'backed')
    .flatMap((foam) => foam.sold.filter((thickness) => thickness >= THINNEST).map((thickness) => ({ thickness, material: foam.id })))
    .sort((a, b) => b.thickness - a.thickness);
}

/** One way of building a crown of a height. */
type Way = { kind: CrownChoice['kind']; name: string; build: (height: number) => Pad[] | null };

function waysFor({ piece, wish, wished, material }: Wishing): Way[] {
  const dome = wish.profile.kind === 'round' || wish.profile.kind === 'parabolic';
  const sheets = (height: number, n: number): Sheet[] =>
    Array.from({ length: n }, () => ({ thickness: Math.round((height * 10) / n) / 10, material }));
  const one = (height: number): Pad[] =>
    dome
      ? [{ id: 'crown-1', role: 'crown', material, thickness: height, offset: null, edge: { kind: 'domed' } }]
      : layered(wished, sheets(height, wish.profile.kind === 'flat-topped' ? 1 : 2), 'feathered', false);
  const stock = scraps(piece);
  // Thinner slices than that nobody slits and glues.
  const thin = Math.max(2, Math.min(5, Math.floor(wish.height / THINNEST)));
  // What is sold comes before what must be slit.
  return [
    {
      kind: 'stock',
      name: 'From scraps, sold thicknesses',
      build: (height) => {
        const layers = fromStock(height, stock, material);
        return layers && layered(wished, layers, 'square', true);
      },
    },
    { kind: 'fewest', name: 'Fewest pads', build: one },
    { kind: 'smoothest', name: 'Smoothest', build: (height) => layered(wished, sheets(height, thin), 'feathered', false) },
  ];
}

/** Told after each trial; false gives up. */
type Tell = () => boolean;

/** Builds higher by what the pull takes away until the covered crown is as wished. */
function reach(way: Way, wishing: Wishing, tell: Tell): CrownChoice | null | 'stopped' {
  const { bare, wish, piece } = wishing;
  let height = wish.height;
  let best: { pads: Pad[]; crown: number } | null = null;
  for (let round = 0; round < MOST_ROUNDS; round++) {
    if (!tell()) return 'stopped';
    const pads = way.build(Math.round(height * 10) / 10);
    if (!pads || pads.length === 0) break;
    const trial = { ...bare, pads: [...pads, ...bare.pads] };
    if (checkPiece(trial).length > 0) break;
    const measured = attempt(trial, wishing, false);
    if (!measured) break;
    if (!best || Math.abs(measured.crown - wish.height) < Math.abs(best.crown - wish.height)) best = { pads, crown: measured.crown };
    const miss = wish.height - measured.crown;
    if (Math.abs(miss) < 0.25) break;
    // What the pull takes away grows slowly with the height: the miss itself is the next step.
    height += miss;
    if (height <= 0.5) break;
  }
  if (!best) return null;
  if (!tell()) return 'stopped';
  const pads = [...best.pads, ...bare.pads];
  const measured = attempt({ ...bare, pads }, wishing, true);
  if (!measured) return null;
  return {
    kind: way.kind,
    name: way.name,
    pads,
    crownPads: best.pads.length,
    crown: measured.crown,
    miss: measured.crown - wish.height,
    meets: measured.converged && Math.abs(measured.crown - wish.height) <= NEAR,
    worst: measured.worst,
    showThrough: measured.showThrough,
    sold: best.pads.every((pad) => foamOf(piece, pad.material)!.sold.some((t) => Math.abs(t - pad.thickness) <= 0.05)),
    converged: measured.converged,
  };
}

/** What a search is told and what it keeps. */
export type WishOptions = { onTry?: (done: number, of: number) => boolean; keep?: Keep };

/**
 * Finds the crown pads for a crown as it should be once covered: the pads follow the wish's level lines, are built
 * higher by what the pull takes away, and are covered again until the crown is as wished.
 *
 * @param piece a checked piece with a main pad; its own crown pads are replaced
 * @param house the workshop's rules
 * @param wish the crown after covering
 * @param [options.onTry] told how many of how many trials are done; returning false stops
 * @returns the ways that were found, each measured on the fine grid; empty where the board is too small
 */
export function crownByWish(piece: Piece, house: HouseRules, wish: CrownWish, options: WishOptions = {}): CrownChoice[] {
  const { onTry = () => true, keep = keepNothing } = options;
  const bare: Piece = { ...piece, pads: piece.pads.filter((pad) => pad.role !== 'crown') };
  const model = builtModel(bare, house, keep);
  const setBack = Math.min(0, bare.pads.find((pad) => pad.role === 'main')?.offset ?? 0);
  const wished = wishedOver(model.board, model.middle, model.rule('crownInset') - setBack, wish.profile);
  const first = piece.pads.find((pad) => pad.role === 'crown');
  const material = first?.material ?? bare.pads.find((pad) => pad.role === 'main')?.material;
  if (!wished || !material || wish.height <= 0) return [];
  const wishing: Wishing = { piece, bare, house, wish, wished, material, keep };
  const ways = waysFor(wishing);
  const of = ways.length * (MOST_ROUNDS + 1);
  const choices: CrownChoice[] = [];
  for (const [w, way] of ways.entries()) {
    let round = 0;
    const choice = reach(way, wishing, () => onTry(w * (MOST_ROUNDS + 1) + round++, of));
    if (choice === 'stopped') break;
    if (choice) choices.push(choice);
  }
  onTry(of, of);
  return choices;
}
