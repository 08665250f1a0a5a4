import { offsetPolygon, pointAlong, polygonPerimeter, distanceAlong, type Polygon } from '../outline';
import { freeId, schemaAt, type Hole, type StripItem } from '../piece';

/** Where a hole’s width was not measured it is a rivet’s, mm. */
const USUAL = 4.5;
/** What leaves holes behind that are worth finding again. */
const LEAVES: readonly StripItem['what'][] = ['fastener', 'screw', 'hardware', 'strap'];

/** Whether a thing that came off leaves holes in the base that the new cover can use. */
export function leavesHoles({ what, again }: Pick<StripItem, 'what' | 'again'>): boolean {
  return LEAVES.includes(what) && again !== 'stays';
}

/** As many holes as a base may have. */
const MOST = schemaAt('base.holes')!.maxItems!;

/**
 * The holes that something which came off leaves in the base, to be moved to where they are: as many as came out, evenly along
 * the staple line from the middle of the front.
 *
 * @param item what came off; its measured crown or head is not wider than its hole
 * @param board the base’s edge
 * @param inset how far in from it they lie, mm
 * @param holes that the base has already
 */
export function oldHoles(item: Pick<StripItem, 'count' | 'crown'>, board: Polygon, inset: number, holes: readonly Hole[]): Hole[] {
  const line = offsetPolygon(board, -inset);
  if (!line) return [...holes];
  const total = polygonPerimeter(line);
  const front = distanceAlong(line, [0, -1e6]);
  const count = Math.min(item.count, MOST - holes.length);
  const found = [...holes];
  for (let k = 0; k < count; k++) {
    const [x, y] = pointAlong(line, front + (total * k) / count);
    const round = (mm: number): number => Math.round(mm * 10) / 10;
    found.push({
      id: freeId(found, 'h'),
      kind: 'round',
      x: round(x),
      y: round(y),
      diameter: item.crown >= 2 ? Math.min(item.crown, USUAL) : USUAL,
      held: true,
    });
  }
  return found;
}
