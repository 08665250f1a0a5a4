import { mm, type Check, type Found } from '../finding';
import { distance, fromOutline, isWithin, lastCrossing, type Point } from '../geometry';
import { besideEdges, isBesideInsideCorner, rayOf, type FlatPart } from '../parts';
import type { SheetPlan } from '../../plan-data';

/** A layer is not a millimetre short of its own row. */
const SHORT = 1;
/** Wadding ends so far short of a fold that is seen, mm. */
const SHORT_OF_FOLD = 6;
/** Places of a row are looked at so far apart, mm. */
const EVERY = 8;
/** A dust cover reaches at least so far beyond its own row: it is stapled through its fold, mm. */
const FOLDED = 2;

/** Whether a layer reaches so far beyond the covered top's edge at every station. */
function inspectLayer(
  stations: SheetPlan['stations'],
  part: Pick<FlatPart, 'name' | 'outline'>,
  row: string,
  reach: (s: SheetPlan['stations'][number]) => number,
): Found[] {
  return stations.flatMap((station, k): Found[] => {
    if (station.turn !== 0 || isBesideInsideCorner(stations, station)) return [];
    const { from, towards } = rayOf(station);
    const drawn = lastCrossing(part.outline, from, towards) ?? 0;
    // Beside an edge whose cloth ends in sight a layer ends as it does there.
    const both = [station, ...besideEdges(stations, k).filter(({ ends }) => ends)];
    const needed = Math.min(...both.map((place) => place.top + reach(place)));
    if (drawn >= needed - (both.length > 1 ? SHORT_OF_FOLD : SHORT)) return [];
    const place = `station ${station.id}, ${station.edge}`;
    return [{ part: part.name, place, by: drawn - needed, says: `At ${place}, ${part.name} ends ${mm(needed - drawn)} short of ${row}` }];
  });
}

/** A sheet that is wrapped round a loose pad goes right round it from front to back, and over half of either end. */
function inspectWrapped(stations: SheetPlan['stations'], part: FlatPart): Found[] {
  const rim = stations.map((station): Point => {
    const { from, towards } = rayOf(station);
    return [from[0] + towards[0] * station.top, from[1] + towards[1] * station.top];
  });
  const side = Math.max(...stations.map((station) => station.side));
  const extent = (points: readonly Point[], axis: 0 | 1): number =>
    Math.max(...points.map((point) => point[axis])) - Math.min(...points.map((point) => point[axis]));
  const found = (place: string, by: number): Found[] =>
    by >= -SHORT ? [] : [{ part: part.name, place, by, says: `${part.name} is ${mm(-by)} too short to go ${place}` }];
  return [
    ...found('right round the pad', extent(part.outline, 1) - 2 * (extent(rim, 1) + side)),
    ...found('over its ends', extent(part.outline, 0) - (extent(rim, 0) + side)),
  ];
}

/** The dust cover: its own row runs through it, and inside the board. */
function inspectDust({ dustCover, fixing, outline }: SheetPlan): Found[] {
  const row = fixing?.rows.find(({ id }) => id === 'dust');
  if (!fixing || !row) return [];
  if (!dustCover)
    return [{ part: 'Dust cover', place: 'back', by: null, says: 'There is a row for a dust cover, and no dust cover is cut' }];
  let last: Point | null = null;
  return row.line.flatMap((place): Found[] => {
    // Round a fine curve every few millimetres are enough.
    if (last && distance(last, place) < EVERY) return [];
    last = place;
    const inside = isWithin(dustCover.outline, place) ? fromOutline(dustCover.outline, place) : -fromOutline(dustCover.outline, place);
    const onBoard = isWithin(outline.points, place);
    if (inside >= FOLDED && onBoard) return [];
    return [
      {
        part: 'Dust cover',
        place: `x ${Math.round(place[0])}, y ${Math.round(place[1])}`,
        by: inside,
        says: onBoard ? `The dust cover ends ${mm(FOLDED - inside)} short of its row` : 'The dust cover’s row runs off the board',
      },
    ];
  });
}

export const LAYERS: Check = {
  id: 'layers',
  holds: 'every layer reaches its own row',
  needs: ['cover', 'fixing'],
  find: ({ plan }) => {
    const { cover, fixing, stations, wadding } = plan;
    if (!cover || !fixing) return [];
    const insetOf = (id: string): number | null => fixing.rows.find((row) => row.id === id)?.inset ?? null;
    const stapled = cover.linings.flatMap((part): Found[] => {
      if (part.row === null) return [];
      const inset = insetOf(part.row);
      return inspectLayer(stations, part, inset === null ? 'the board’s lower edge' : 'its row', ({ side }) => side + (inset ?? 0));
    });
    const film = cover.linings
      .filter(({ material, wraps }) => material === 'film' && !wraps)
      .flatMap((part) => inspectLayer(stations, part, 'the edge', ({ side }) => side));
    const stapledIn = insetOf('over-all') ?? 0;
    // Two that meet half-way down wrap one loose pad.
    const faces = wadding ? wadding.count / plan.piece.count : 1;
    const over = wadding
      ? inspectLayer(
          stations,
          wadding,
          stapledIn > 0 ? 'its row' : faces > 1 ? 'the middle of its side' : 'the board’s lower edge',
          (station) => (station.ends ? station.side + station.return - SHORT_OF_FOLD : station.side / faces + stapledIn),
        )
      : [];
    const wrapped = cover.linings.filter(({ wraps }) => wraps).flatMap((part) => inspectWrapped(stations, part));
    return [...stapled, ...film, ...wrapped, ...over, ...inspectDust(plan)];
  },
};
