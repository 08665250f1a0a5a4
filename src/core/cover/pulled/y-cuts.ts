import type { CoverModel } from '../reads';
import { lineCrossings, notchNamed, samePart, type EdgePart, type Point, type Polygon } from '../../outline';
import { leastOf } from '../../ties';
import { clothOut } from './cloth-out';
import type { StationWrap } from './wrap';

/**
 * A Y-cut at a post or rail, on the flat blank: the stem from the cloth's edge, and two arms to the post's corners. `stop`
 * is how far short of the post, or of the board's edge, it ends.
 */
export type YCut = {
  name: string;
  /** the notch that it is for */ part: EdgePart;
  stem: [Point, Point];
  arms: [Point, Point][];
  stop: number;
  arm: number;
  /** the post comes through the cover: inside the notch nothing is seen but the post */
  through: boolean;
};

/** What is seen beside a notch runs at a slant to it: an arm keeps so much more clear of it, mm. */
const SLANT = 2;

/** On the flat blank: the place at a distance beyond the covered line of a station. */
function onBlank(station: StationWrap, distance: number): Point {
  const growth = station.top - station.planDistance + distance;
  return [station.x + station.normalX * growth, station.y + station.normalY * growth];
}

/**
 * The two inside corners of a notch, in the order of the tape. The stations may begin on the notch's own floor: of the ways from one
 * corner on to the next its floor is the shortest.
 */
function floorEnds({ places, perimeter }: CoverModel, stations: readonly StationWrap[], part: EdgePart): [StationWrap, StationWrap] | null {
  const corners = places.flatMap((place, i) => (samePart(place.part, part) && place.turn < 0 ? [i] : []));
  if (corners.length < 2) return null;
  const next = (k: number): number => corners[(k + 1) % corners.length]!;
  const along = (k: number): number => (places[next(k)]!.at - places[corners[k]!]!.at + perimeter) % perimeter;
  const floor = leastOf(corners.length, along);
  return [stations[corners[floor]!]!, stations[next(floor)]!];
}

/**
 * Y-cuts at the notches in the middle of an edge: the stem runs in from the cloth's edge, from there two arms part to the
 * notch's corners. Where a post comes through the cover they stop short of the post; on a piece whose side is seen, short of
 * the board's lower edge. A notch out of a corner has one inside corner and takes a single cut, which is planned with the
 * corners. Source: docs/models.md, "Corners".
 *
 * @param model the built piece
 * @param stations the measured stations
 * @param through whether posts come through the cover
 * @param seen the board's lower edge on the flat blank: inside it the cloth is seen
 */
export function yCuts(model: CoverModel, stations: readonly StationWrap[], through: boolean, seen: Polygon): YCut[] {
  const { rule } = model;
  return (model.piece.base.notches ?? []).flatMap((notch): YCut[] => {
    if (notch.at.kind !== 'edge') return [];
    const part = notchNamed(notch.id);
    const ends = floorEnds(model, stations, part);
    if (!ends) return [];
    const [a, b] = ends;
    const arm = rule('yCutArm');
    const middle: Point = [(a.x + b.x) / 2, (a.y + b.y) / 2];
    // Out of the notch: square to its floor, away from the piece.
    const [dx, dy] = [b.x - a.x, b.y - a.y];
    const size = Math.hypot(dx, dy) || 1;
    const out: Point = [dy / size, -dx / size];
    const at = (t: number, s: number): Point => [middle[0] + out[0] * t + (dx / size) * s, middle[1] + out[1] * t + (dy / size) * s];
    const half = Math.min(size / 2, arm);
    // How far out the cloth is seen, beside the notch as well as in it.
    const shown = (s: number): number => Math.max(0, ...lineCrossings(seen, at(0, s), out));
    const stop = through ? rule('yCutStop') : rule('cornerCutStop') + SLANT;
    const tips = ([-half, half] as const).map((s) => (through ? Math.max(0, stop - half) : shown(s) + stop));
    const fork = at(through ? stop : Math.max(shown(0) + stop, ...tips) + half / 2, 0);
    // From the cloth's edge.
    const edge = clothOut(model, a);
    const far = onBlank(a, edge);
    const reach = through ? (far[0] - middle[0]) * out[0] + (far[1] - middle[1]) * out[1] : shown(0) + edge - a.side;
    const length = Math.max(reach, (fork[0] - middle[0]) * out[0] + (fork[1] - middle[1]) * out[1] + arm / 2);
    return [
      {
        name: `Notch ${part.name}`,
        part,
        stem: [at(length, 0), fork],
        arms: [
          [fork, at(tips[0]!, -half)],
          [fork, at(tips[1]!, half)],
        ],
        stop,
        arm,
        through,
      },
    ];
  });
}
