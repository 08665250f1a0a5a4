import { coveredStep } from '../padding';
import { builtModel } from '../cover';
import type { Foam } from '../foam';
import type { HouseRules } from '../house';
import { keepNothing, type Keep } from '../keep';
import { checkPiece, foamsOf, kindOf, PieceProblems, type Pad, type Piece } from '../piece';
import type { SitPlan } from './sit-plan';
import { sitStep, trySitting, type TrialOptions } from './solve';

/** A change that was solved again and found to cure what a sitting complains of. */
export type Cure = {
  kind: 'thicker' | 'firmer' | 'both' | 'topper' | 'overhang';
  words: string;
  /** for one piece, in the workshop's money */
  cost: number;
  leastLeft: number;
  sink: number;
  /** the pads with the change made */
  pads: Pad[];
};

/** Overhangs that are tried against a felt edge, mm. */
const OVERHANGS = [10, 15, 20];

function price(piece: Piece, pads: readonly Pad[], area: number): number {
  return pads.reduce((sum, pad) => {
    const foam = foamsOf(piece).find((f) => f.id === pad.material);
    return sum + ((foam?.price ?? 0) * area * pad.thickness) / 1e7;
  }, 0);
}

/** A change to try. */
type Trial = Pick<Cure, 'kind' | 'words' | 'pads'>;

/** What is to be cured: the piece, its main pad, what it costs. */
type Sick = { piece: Piece; at: number; main: Pad; foam: Foam; foams: readonly Foam[]; area: number };

/** Of each kind so many are tried. */
const MOST_TRIALS = 14;

const changed = ({ piece, at }: Sick, item: Partial<Pad>): Pad[] => piece.pads.map((pad, i) => (i === at ? { ...pad, ...item } : pad));

const cheapestFirst = ({ piece, area }: Sick, trials: Trial[]): Trial[] =>
  trials.sort((a, b) => price(piece, a.pads, area) - price(piece, b.pads, area));

/** A thickness as it is bought: one sheet, or the two that are glued together. */
function sheetsOf({ sold }: Foam, thickness: number): string {
  if (sold.includes(thickness)) return `${thickness} mm`;
  const thin = sold.find((t) => sold.some((other) => Math.abs(t + other - thickness) < 1e-6))!;
  return `${thin} + ${thickness - thin} mm`;
}

/** Thicknesses that can be laid from one sheet or two, ten millimetres apart at least. */
function thicker(sick: Sick): Trial[] {
  const { foam, main } = sick;
  const sums = [...new Set(foam.sold.flatMap((a) => [a, ...foam.sold.map((b) => a + b)]))]
    .filter((t) => t > main.thickness + 1)
    .sort((a, b) => a - b)
    .reduce<number[]>((retained, t) => (retained.length === 0 || t - retained.at(-1)! >= 10 ? [...retained, t] : retained), []);
  return sums.map((thickness) => ({
    kind: 'thicker',
    words: `Main pad thicker by ${Math.round((thickness - main.thickness) * 10) / 10} mm: ${sheetsOf(foam, thickness)} of ${foam.name.toLowerCase()}`,
    pads: changed(sick, { thickness }),
  }));
}

function firmer(sick: Sick): Trial[] {
  const { foam, foams, main } = sick;
  return foams
    .filter(
      (f) =>
        f.ifd25 > foam.ifd25 && f.type !== 'closed cell' && f.type !== 'backed' && f.sold.some((t) => Math.abs(t - main.thickness) <= 1),
    )
    .sort((a, b) => a.ifd25 - b.ifd25)
    .map((f) => ({
      kind: 'firmer',
      words: `Main pad firmer: ${f.name.toLowerCase()} (${f.ifd25} N instead of ${foam.ifd25} N)`,
      pads: changed(sick, { material: f.id }),
    }));
}

/** Thicker and firmer at once, for pads that are far too thin. */
function both(sick: Sick): Trial[] {
  const { foam, foams, main } = sick;
  const trials = foams
    .filter((f) => f.ifd25 > foam.ifd25 && (f.type === 'polyether' || f.type === 'high-resilience'))
    .flatMap((f) =>
      f.sold
        .filter((t) => t > main.thickness + 1)
        .map((thickness): Trial => ({
          kind: 'both',
          words: `Main pad firmer and thicker: ${thickness} mm of ${f.name.toLowerCase()}`,
          pads: changed(sick, { material: f.id, thickness }),
        })),
    );
  return cheapestFirst(sick, trials);
}

/** A thin firm pad laid underneath carries what the soft one cannot. */
function under(sick: Sick): Trial[] {
  const { piece, at, main, foam, foams } = sick;
  const trials = foams
    .filter((f) => f.type === 'recycled chip' || f.id === 'seat-extra-firm' || f.id === 'seat-firm')
    .flatMap((f) =>
      f.sold
        .filter((t) => t >= 10 && t <= 50)
        .map((thickness): Trial => ({
          kind: 'topper',
          words: `Keep the ${foam.name.toLowerCase()} as a topper over ${thickness} mm of ${f.name.toLowerCase()}`,
          pads: [
            ...piece.pads.slice(0, at),
            { ...main, id: free(piece.pads), material: f.id, thickness, pocket: null, patches: [] },
            { ...main, role: 'topper' },
            ...piece.pads.slice(at + 1),
          ],
        })),
    );
  return cheapestFirst(sick, trials);
}

function overhangs(sick: Sick, now: number): Trial[] {
  return OVERHANGS.filter((offset) => offset > now).map((offset) => ({
    kind: 'overhang',
    words: `Overhang of ${offset} mm`,
    pads: changed(sick, { offset }),
  }));
}

/** What is told while cures are looked for, and what is kept. */
export type CureOptions = { onTry?: (done: number, of: number) => boolean; keep?: Keep };

/** The rows of changes that may help, each mildest first, and what is to be cured; null when nothing is wrong. */
function rowsFor(piece: Piece, house: HouseRules, keep: Keep): { sick: Sick; rows: Trial[][] } | null {
  const model = builtModel(piece, house, keep);
  const before = sitStep(model, 'trial')?.plan;
  if (!before || (!before.bottoms && !before.edgeFelt)) return null;
  const covered = coveredStep(model, 'trial');
  const at = piece.pads.reduce(
    (best, pad, i) => (pad.role === 'main' && (best < 0 || pad.thickness > piece.pads[best]!.thickness) ? i : best),
    -1,
  );
  const main = piece.pads[at];
  if (!main) return null;
  const foams = foamsOf(piece);
  const area = covered.there.reduce((sum, on) => sum + on, 0) * covered.grid.step ** 2;
  const sick: Sick = { piece, at, main, foam: foams.find((f) => f.id === main.material)!, foams, area };
  const rows = before.bottoms ? [thicker(sick), firmer(sick), both(sick), under(sick)] : [];
  if (before.edgeFelt && kindOf(piece.kind).traits.sat) rows.push(overhangs(sick, model.pads[at]?.offset ?? 0));
  return { sick, rows };
}

/** How many rows of changes there are to try: each may be tried elsewhere. */
export function cureRows(piece: Piece, house: HouseRules, keep: Keep = keepNothing): number {
  return rowsFor(piece, house, keep)?.rows.length ?? 0;
}

/**
 * The mildest change of a row that cures.
 *
 * @param piece a checked piece
 * @param house the workshop's rules
 * @param row which of `cureRows`
 * @returns the cure, or null where none of the row holds
 */
export function cureOfRow(piece: Piece, house: HouseRules, row: number, keep: Keep = keepNothing): Cure | null {
  const found = rowsFor(piece, house, keep);
  return found?.rows[row] ? firstThatHolds(found.rows[row], found.sick, house, keep) : null;
}

/** Cures as they are shown: cheapest first. */
export function cheapestOf(cures: readonly (Cure | null)[]): Cure[] {
  return cures.filter((cure) => cure !== null).sort((a, b) => a.cost - b.cost);
}

/**
 * Finds the cheapest changes that cure a sitting's complaints, each verified by covering and sitting again.
 *
 * @param piece a checked piece
 * @param house the workshop's rules
 * @param [options.onTry] told how many trials of how many are done; returning false stops the search
 * @returns cures that hold, cheapest first; empty when nothing is wrong or nothing sold helps
 */
export function curesFor(piece: Piece, house: HouseRules, { onTry = () => true, keep = keepNothing }: CureOptions = {}): Cure[] {
  const rows = cureRows(piece, house, keep);
  const found: (Cure | null)[] = [];
  for (let row = 0; row < rows; row++) {
    if (!onTry(row, rows)) break;
    found.push(cureOfRow(piece, house, row, keep));
  }
  onTry(rows, rows);
  return cheapestOf(found);
}

function firstThatHolds(row: readonly Trial[], { piece, area }: Sick, house: HouseRules, keep: Keep): Cure | null {
  for (const trial of row.slice(0, MOST_TRIALS)) {
    const item = { ...piece, pads: trial.pads };
    if (checkPiece(item).length > 0) continue;
    // A rough look first; what passes it is solved once more as the sheet will show it.
    const rough = attempt(item, house, { fineness: 'trial', keep });
    if (!rough || !holds(rough)) continue;
    const after = attempt(item, house, { fineness: 'full', keep });
    if (!after || !holds(after)) continue;
    return { ...trial, cost: price(piece, trial.pads, area), leastLeft: after.leastLeft, sink: after.sink };
  }
  return null;
}

function holds({ bottoms, edgeFelt, converged }: SitPlan): boolean {
  return !bottoms && !edgeFelt && converged;
}

function attempt(piece: Piece, house: HouseRules, options: TrialOptions): SitPlan | null {
  try {
    return trySitting(piece, house, options)?.plan ?? null;
  } catch (error) {
    if (error instanceof PieceProblems) return null;
    throw error;
  }
}

function free(pads: readonly Pad[]): string {
  for (let n = 1; ; n++) if (pads.every((pad) => pad.id !== `under-${n}`)) return `under-${n}`;
}
