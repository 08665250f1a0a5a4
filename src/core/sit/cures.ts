import type { HouseRules } from '../house';
import { checkPiece, foamsOf, kindOf, PieceProblems, type Pad, type Piece } from '../piece';
import type { SitPlan } from './sit-plan';
import { solvePiece } from './solve';

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

/**
 * Finds the cheapest changes that cure a sitting's complaints, each verified by covering and sitting again.
 *
 * @param piece a checked piece
 * @param house the workshop's rules
 * @param [onTry] told how many trials of how many are done; returning false stops the search
 * @returns cures that hold, cheapest first; empty when nothing is wrong or nothing sold helps
 */
export function curesFor(piece: Piece, house: HouseRules, onTry: (done: number, of: number) => boolean = () => true): Cure[] {
  const now = solvePiece(piece, house);
  const before = now.sat?.plan;
  if (!before || (!before.bottoms && !before.edgeFelt)) return [];
  const area = now.covered.there.reduce((sum, on) => sum + on, 0) * now.covered.grid.step ** 2;
  const foams = foamsOf(piece);
  const at = piece.pads.reduce(
    (best, pad, i) => (pad.role === 'main' && (best < 0 || pad.thickness > piece.pads[best]!.thickness) ? i : best),
    -1,
  );
  const main = piece.pads[at];
  if (!main) return [];
  const foam = foams.find((f) => f.id === main.material)!;
  const change = (own: Partial<Pad>): Pad[] => piece.pads.map((pad, i) => (i === at ? { ...pad, ...own } : pad));
  const trials: Omit<Cure, 'cost' | 'leastLeft' | 'sink'>[][] = [];
  if (before.bottoms) {
    // Thicknesses that can be laid from one sheet or two, ten millimetres apart at least.
    const sums = [...new Set(foam.sold.flatMap((a) => [a, ...foam.sold.map((b) => a + b)]))]
      .filter((t) => t > main.thickness + 1)
      .sort((a, b) => a - b)
      .reduce<number[]>((kept, t) => (kept.length === 0 || t - kept.at(-1)! >= 10 ? [...kept, t] : kept), []);
    // Of each kind the mildest that cures is wanted: they are tried in order.
    trials.push(
      sums.map((thickness) => ({
        kind: 'thicker' as const,
        words: `Main pad thicker by ${Math.round((thickness - main.thickness) * 10) / 10} mm: ${thickness} mm of ${foam.name.toLowerCase()}`,
        pads: change({ thickness }),
      })),
    );
    const firmer = foams
      .filter(
        (f) =>
          f.ifd25 > foam.ifd25 && f.type !== 'closed cell' && f.type !== 'backed' && f.sold.some((t) => Math.abs(t - main.thickness) <= 1),
      )
      .sort((a, b) => a.ifd25 - b.ifd25);
    trials.push(
      firmer.map((f) => ({
        kind: 'firmer' as const,
        words: `Main pad firmer: ${f.name.toLowerCase()} (${f.ifd25} N instead of ${foam.ifd25} N)`,
        pads: change({ material: f.id }),
      })),
    );
    // Thicker and firmer at once, the cheapest first, for pads that are far too thin.
    const both = foams
      .filter((f) => f.ifd25 > foam.ifd25 && (f.type === 'polyether' || f.type === 'high-resilience'))
      .flatMap((f) =>
        f.sold
          .filter((t) => t > main.thickness + 1)
          .map((thickness) => ({
            kind: 'both' as const,
            words: `Main pad firmer and thicker: ${thickness} mm of ${f.name.toLowerCase()}`,
            pads: change({ material: f.id, thickness }),
          })),
      );
    trials.push(both.sort((a, b) => price(piece, a.pads, area) - price(piece, b.pads, area)));
    // A thin firm pad laid underneath carries what the soft one cannot.
    const under = foams.filter((f) => f.type === 'recycled chip' || f.id === 'seat-extra-firm' || f.id === 'seat-firm');
    const toppers = under.flatMap((f) =>
      f.sold
        .filter((t) => t >= 10 && t <= 50)
        .map((thickness) => ({
          kind: 'topper' as const,
          words: `Keep the ${foam.name.toLowerCase()} as a topper over ${thickness} mm of ${f.name.toLowerCase()}`,
          pads: [
            ...piece.pads.slice(0, at),
            { ...main, id: free(piece.pads), material: f.id, thickness, pocket: null },
            { ...main, role: 'topper' as const },
            ...piece.pads.slice(at + 1),
          ],
        })),
    );
    trials.push(toppers.sort((a, b) => price(piece, a.pads, area) - price(piece, b.pads, area)));
  }
  if (before.edgeFelt && kindOf(piece.kind).sat)
    trials.push(
      OVERHANGS.filter((o) => o > (now.model.pads[at]?.offset ?? 0)).map((offset) => ({
        kind: 'overhang',
        words: `Overhang of ${offset} mm`,
        pads: change({ offset }),
      })),
    );
  const of = trials.length;
  const found: Cure[] = [];
  for (const [i, row] of trials.entries()) {
    if (!onTry(i, of)) break;
    for (const trial of row.slice(0, 14)) {
      const changed = { ...piece, pads: trial.pads };
      if (checkPiece(changed).length > 0) continue;
      // A rough look first; what passes it is solved once more as the sheet will show it.
      const rough = attempt(changed, house, false);
      if (!rough || !holds(rough)) continue;
      const after = attempt(changed, house, true);
      if (!after || !holds(after)) continue;
      found.push({ ...trial, cost: price(piece, trial.pads, area), leastLeft: after.leastLeft, sink: after.sink });
      break;
    }
  }
  onTry(of, of);
  return found.sort((a, b) => a.cost - b.cost);
}

function holds({ bottoms, edgeFelt, converged }: SitPlan): boolean {
  return !bottoms && !edgeFelt && converged;
}

function attempt(piece: Piece, house: HouseRules, fine: boolean): SitPlan | null {
  try {
    return solvePiece(piece, house, undefined, fine).sat?.plan ?? null;
  } catch (error) {
    if (error instanceof PieceProblems) return null;
    throw error;
  }
}

function free(pads: readonly Pad[]): string {
  for (let n = 1; ; n++) if (pads.every((pad) => pad.id !== `under-${n}`)) return `under-${n}`;
}
