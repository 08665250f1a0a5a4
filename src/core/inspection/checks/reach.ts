import { mm, type Check, type Found } from '../finding';
import { distance, firstCrossing, fromOutline, lastCrossing, lineLength, type Point } from '../geometry';
import { besideEdges, isBesideInsideCorner, pulledBlank, rayOf, sewnParts, type CoverPart, type Station } from '../parts';
import type { SheetPlan } from '../../plan-data';

/** Not a millimetre short, and no farther beyond what holds it than this, mm. */
const SHORT = 1;
const BEYOND = 60;
/** Cloth that is so much nearer to another part of the board's edge is that part's, mm. */
const OTHER = 5;
/** Laid flat, a strip's own height may give so much of itself. */
const LAID_FLAT = 0.01;
/** Round a bend an allowance may be so much wider than is said, mm: never narrower. */
const MORE = 3;
/** A figure of a station is rounded to so much, mm. */
const ROUNDED = 0.01;

/** The sum of a station's parts, and that its side reaches from the covered top down to the board's lower edge. */
function inspectStation(station: Station, thickness: number): Found[] {
  const { id, edge, top, side, wrap, fromCentre, edgeHeight } = station;
  const place = `station ${id}, ${edge}`;
  const found: Found[] = [];
  const sum = top + side + station.return + station.grip;
  if (Math.abs(fromCentre - sum) > ROUNDED || Math.abs(wrap - (sum - top)) > ROUNDED)
    found.push({
      part: 'Cover',
      place,
      by: fromCentre - sum,
      says: `At ${place}, top, side, turn-under and pull allowance add up to ${mm(sum)}, and ${mm(fromCentre)} is given`,
    });
  // Straight down is the shortest way there is.
  const drop = edgeHeight + thickness;
  if (side < drop - SHORT)
    found.push({ part: 'Cover', place, by: side - drop, says: `At ${place}, the side is ${mm(side)}, and the edge is ${mm(drop)} high` });
  return found;
}

/** The pulled cloth against what each station asks for. */
function inspectPulled(plan: SheetPlan): Found[] {
  const { cover, stations } = plan;
  const blank = cover && pulledBlank(cover);
  if (!cover || !blank) return [];
  const { outline, longer } = blank;
  const isOpened = cover.buttons !== null || cover.channels !== null;
  const under = ({ ends, return: turned }: Station): number => (ends ? turned : cover.under!.staple);
  return stations.flatMap((station, k): Found[] => {
    if (station.turn !== 0) return [];
    const { from, towards } = rayOf(station, longer);
    const drawn = (lastCrossing(outline, from, towards) ?? 0) / longer;
    // Where one edge goes over into another without a corner, the cloth of both begins there.
    const beside = besideEdges(stations, k);
    const visible = station.top + station.side;
    const needed = visible + under(station);
    const least = Math.min(needed, ...beside.filter(({ ends }) => ends !== station.ends).map((other) => visible + under(other)));
    const place = `station ${station.id}, ${station.edge}`;
    // Opened cloth is longer than the way over the top, never shorter.
    if (drawn < least - SHORT - cover.corrected)
      return [
        { part: 'Cover', place, by: drawn - needed, says: `At ${place}, the cloth ends ${mm(needed - drawn)} short of what holds it` },
      ];
    const over = drawn - Math.max(needed, ...beside.map((other) => visible + under(other)));
    // Beside a hollow another edge's cloth lies on the way out: what ends there is that edge's, and nearer to it.
    const end: Point = [from[0] / longer + towards[0] * drawn, from[1] / longer + towards[1] * drawn];
    const isOwn = (): boolean => fromOutline(plan.outline.points, end) > distance(end, [station.x, station.y]) - OTHER;
    if (over > BEYOND + SHORT && !isOpened && !isBesideInsideCorner(stations, station) && isOwn())
      return [{ part: 'Cover', place, by: over, says: `At ${place}, the cloth runs ${mm(over)} beyond what holds it` }];
    return [];
  });
}

/** The points of an edge on its part's sewn line. */
const edgePoints = ({ sewn }: CoverPart, { from, sides }: CoverPart['edges'][number]): Point[] =>
  Array.from({ length: sides + 1 }, (_, k) => sewn[(from + k) % sewn.length]!);

/**
 * How high a strip is at a notch of its seam: straight in from the seam to where it is stapled, or the shortest way there, whichever is
 * longer: beside a slope that is not the way down.
 */
function heightAt(part: CoverPart, seam: CoverPart['edges'][number], stapled: readonly Point[], notch: Point): number {
  const points = edgePoints(part, seam);
  const k = points.findIndex((point) => distance(point, notch) < 1e-6);
  const [a, b] = [points[Math.max(0, k - 1)]!, points[Math.min(points.length - 1, k + 1)]!];
  const size = distance(a, b) || 1;
  const line = [...stapled, ...stapled.slice(1, -1).reverse()];
  const inwards = firstCrossing(line, notch, [-(b[1] - a[1]) / size, (b[0] - a[0]) / size]) ?? 0;
  return Math.max(inwards, fromOutline(line, notch));
}

/**
 * A strip that is sewn on along one edge and stapled along another: from each notch of its seam to the staples it is as long as the
 * edge is high there.
 */
function inspectBands({ cover, stations, base }: SheetPlan): Found[] {
  // A moulded base has no one lower edge that a seam's height could be counted from.
  if (!cover || cover.pulled || base.moulded) return [];
  return sewnParts(cover).flatMap((part): Found[] => {
    const stapled = part.edges.filter(({ kind }) => kind === 'staple');
    if (stapled.length === 0 || part.role === 'pull') return [];
    const line = stapled.flatMap((edge) => edgePoints(part, edge));
    return part.notches.flatMap(({ x, y, label, edge: on }): Found[] => {
      const drawnEdge = part.edges.find(({ id }) => id === on);
      const seam = drawnEdge?.seam;
      const station = stations.find(({ id }) => id === label);
      const drawn = cover.lines.find(({ id }) => id === seam);
      if (!station || !drawn) return [];
      // The seam where it is nearest to the station in plan, and how high it is there.
      let nearest = 0;
      const away = ([px, py]: Point): number => Math.hypot(px - station.x, py - station.y);
      drawn.points.forEach((point, i) => {
        if (away(point) < away(drawn.points[nearest]!)) nearest = i;
      });
      // Straight down is the shortest way there is.
      const drop = Math.min(drawn.heights[nearest]! + base.edgeThickness, station.side);
      const length = heightAt(part, drawnEdge!, line, [x, y]) / part.longer;
      // Where the cloth is asked to give it is cut shorter by that.
      const given = LAID_FLAT + Math.max(0, part.strain?.warp ?? 0, part.strain?.weft ?? 0);
      if (length > drop * (1 - given) - 2 * SHORT - cover.corrected) return [];
      const place = `notch ${label}`;
      return [
        { part: part.name, place, by: length - drop, says: `At ${place}, ${part.name} ends ${mm(drop - length)} short of what holds it` },
      ];
    });
  });
}

/** An allowance is measured at these shares of its edge. */
const QUARTERS = [0.25, 0.5, 0.75];

/** How far outside a side of the sewn line the cut line lies, mm: the sewn line goes round counter-clockwise. */
function allowanceAt(outline: readonly Point[], points: readonly Point[], k: number): number {
  const [a, b] = [points[k]!, points[k + 1]!];
  const size = distance(a, b) || 1;
  return firstCrossing(outline, [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2], [(b[1] - a[1]) / size, -(b[0] - a[0]) / size]) ?? 0;
}

/** The cut line lies its allowance outside the line along which a part is sewn or held. */
function inspectAllowances({ cover }: SheetPlan): Found[] {
  return (cover ? sewnParts(cover) : []).flatMap((part): Found[] => {
    if (part.role === 'cover' || part.sewn.length < 3) return [];
    return part.edges.flatMap((edge): Found[] => {
      const points = edgePoints(part, edge);
      if (edge.kind === 'dart' || lineLength(points) < 4 * edge.allowance) return [];
      // In a hollow the allowances of both its sides meet farther out: the nearest of three places is what it has.
      const drawn = Math.min(...QUARTERS.map((share) => allowanceAt(part.outline, points, Math.floor((points.length - 2) * share))));
      if (drawn >= edge.allowance - SHORT && drawn <= edge.allowance + MORE) return [];
      const place = `edge “${edge.id}”`;
      return [
        {
          part: part.name,
          place,
          by: drawn - edge.allowance,
          says: `Along ${place}, ${part.name} has ${mm(drawn)} of allowance, and ${mm(edge.allowance)} is given`,
        },
      ];
    });
  });
}

export const REACH: Check = {
  id: 'reach',
  holds: `at every station the cloth reaches what holds it, and runs no more than ${BEYOND} mm beyond`,
  needs: ['cover'],
  find: ({ plan }) => [
    ...plan.stations.flatMap((station) => inspectStation(station, plan.base.edgeThickness)),
    ...inspectPulled(plan),
    ...inspectBands(plan),
    ...inspectAllowances(plan),
  ],
};
