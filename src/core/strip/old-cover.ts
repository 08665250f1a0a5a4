import { isReadied } from '../cloth';
import type { CoverPiece, StationWrap } from '../cover';
import type { HouseRules, RuleReader } from '../house';
import { applyOverrides } from '../house';
import type { Piece } from '../piece';
import { standsFor } from './goes-back';

/** One reason why the new cover differs from the old, mm over the whole width or depth. */
export type Reason = { label: string; width: number; height: number };
/** A measured old piece beside the computed one. Sizes mm. */
export type OldCompared = {
  id: string;
  name: string;
  old: { width: number; height: number };
  computed: { width: number; height: number };
  difference: { width: number; height: number };
  reasons: Reason[];
  /** what no reason here accounts for */
  unexplained: { width: number; height: number };
};

function sum(values: readonly number[]): number {
  return values.reduce((total, value) => total + value, 0);
}

/** The station that lies farthest out one way. */
function outermost(stations: readonly StationWrap[], way: readonly [number, number]): StationWrap {
  const far = (station: StationWrap): number => station.x * way[0] + station.y * way[1];
  return stations.reduce((best, station) => (far(station) > far(best) ? station : best));
}

/**
 * Lays the old cover's measured pieces beside the computed cover and says where each difference comes from: the crown
 * that was added, foam thicker or thinner than what came off, and the grip that is trimmed off a finished cover.
 *
 * @param piece with its strip record
 * @param house the workshop's rules
 * @param pieces the computed cover's pieces; an old piece is laid beside the one of its name, or else the first
 * @param stations the measured stations
 */
export function compareOldCover(
  piece: Piece,
  house: HouseRules,
  pieces: readonly CoverPiece[],
  stations: readonly StationWrap[],
): OldCompared[] {
  const record = piece.strip;
  if (!record || record.cover.length === 0) return [];
  const rule: RuleReader = applyOverrides(house, piece.overrides);
  const oldFoam = sum(record.items.filter((item) => item.what === 'pad').map((item) => item.thickness));
  const mains = sum(piece.pads.filter((pad) => pad.role === 'main').map((pad) => pad.thickness));
  const rise = sum(piece.pads.filter((pad) => pad.role === 'crown').map((pad) => pad.thickness));
  // A low arc of rise c over a chord L is longer than the chord by 8c²/3L.
  const crown = (chord: number): number => (8 * rise * rise) / (3 * chord);
  const across = (a: number, b: number): number => Math.max(1, Math.hypot(a, b));
  const ends = {
    width: [outermost(stations, [-1, 0]), outermost(stations, [1, 0])],
    height: [outermost(stations, [0, -1]), outermost(stations, [0, 1])],
  } as const;
  const chord = ([a, b]: readonly [StationWrap, StationWrap]): number => across(a.x - b.x, a.y - b.y);
  const grip = 2 * (rule('grip') - Math.min(rule('grip'), rule('stapleToTrim')));
  return record.cover.map((old) => {
    const cover = standsFor(old.name, pieces);
    const pulled = cover.role === 'cover';
    const difference = { width: cover.width - old.width, height: cover.height - old.height };
    // A sewn piece has no grip, and its size hangs on its seams, not on the foam's thickness.
    const reasons: Reason[] = pulled ? [{ label: 'Pull allowance, trimmed off the old one', width: grip, height: grip }] : [];
    const crowned = { width: crown(chord(ends.width)), height: crown(chord(ends.height)) };
    if (crowned.width > 0.5 || crowned.height > 0.5) reasons.push({ label: 'Crown added: longer over the top', ...crowned });
    if (pulled && oldFoam > 0 && Math.abs(mains - oldFoam) > 0.5) {
      const thicker = 2 * (mains - oldFoam);
      reasons.push({
        label: thicker > 0 ? 'Foam thicker than what came off' : 'Foam thinner than what came off',
        width: thicker,
        height: thicker,
      });
    }
    if (piece.cloth.shrinkage > 0 && !isReadied(piece.cloth)) {
      const share = piece.cloth.shrinkage / 100;
      reasons.push({ label: 'Cut longer for shrinkage', width: cover.width * share, height: cover.height * share });
    }
    return {
      id: old.id,
      name: old.name,
      old: { width: old.width, height: old.height },
      computed: { width: cover.width, height: cover.height },
      difference,
      reasons,
      unexplained: {
        width: difference.width - sum(reasons.map((reason) => reason.width)),
        height: difference.height - sum(reasons.map((reason) => reason.height)),
      },
    };
  });
}
