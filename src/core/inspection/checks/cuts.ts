import { at, mm, type Check, type Found } from '../finding';
import { distance, fromOutline, isWithin, lineLength, type Point } from '../geometry';
import { pulledBlank } from '../parts';
import type { SheetPlan } from '../../plan-data';

/** A cut is drawn where it was planned within so much, and ends no nearer to what is seen than its rule less this, mm. */
const NEAR = 0.6;
/** A cut is this much off its corner's own direction at most, mm. */
const ASIDE = 6;
/** A cut's mouth lies so near the cloth's edge, or beyond it, mm. */
const MOUTH = 2;

type Line = readonly Point[];

/** A line is walked in steps of this, mm. */
const STEP = 3;

/** Places along a line. */
function along(line: Line): Point[] {
  return line.slice(1).flatMap((b, i): Point[] => {
    const a = line[i]!;
    const steps = Math.max(1, Math.ceil(distance(a, b) / STEP));
    return Array.from({ length: steps + 1 }, (_, k) => [a[0] + ((b[0] - a[0]) * k) / steps, a[1] + ((b[1] - a[1]) * k) / steps]);
  });
}

/** How near a line comes to what is seen, mm; less than nothing where it runs into it. */
function clearOf(seen: Line, line: Line, isHidden: (place: Point) => boolean): { least: number; place: Point } {
  const places = along(line).filter((place) => !isHidden(place));
  let nearest: { least: number; place: Point } = { least: Infinity, place: line[0]! };
  for (let i = 0; i < places.length;) {
    const place = places[i]!;
    const far = fromOutline(seen, place) * (isWithin(seen, place) ? -1 : 1);
    if (far < nearest.least) nearest = { least: far, place };
    // So far off, the next few places cannot be nearer than the nearest yet.
    i += Math.max(1, Math.floor((far - nearest.least) / STEP));
  }
  return nearest;
}

type Blank = NonNullable<ReturnType<typeof pulledBlank>>;

const pointsOf = ({ points, closed }: { points: Line; closed: boolean }): Line => (closed ? [...points, points[0]!] : points);

/** The cuts as they are drawn: on their part, from its edge, and short of what is seen by so much. */
function inspectDrawn({ parts, outline }: Blank, stop: number, isHidden: (place: Point) => boolean): Found[] {
  return parts.flatMap((part): Found[] => {
    const { name } = part;
    const cuts = part.lines.filter(({ kind }) => kind === 'cut').map(pointsOf);
    const seen = part.lines.filter(({ kind, closed }) => kind === 'fold' && closed).map(({ points }) => points);
    return cuts.flatMap((cut): Found[] => {
      const found = seen.flatMap((line): Found[] => {
        const { least, place } = clearOf(line, cut, isHidden);
        if (least >= stop - NEAR) return [];
        const says =
          least < 0
            ? `A cut of ${name} runs ${mm(-least)} into cloth that is seen, at ${at(place)}`
            : `A cut of ${name} ends ${mm(least)} from cloth that is seen, at ${at(place)}: ${mm(stop)} is the rule`;
        return [{ part: name, place: at(place), by: least - stop, says }];
      });
      const place = at(cut.at(-1)!);
      const begins = cut.some((point) => !isWithin(outline, point) || fromOutline(outline, point) < MOUTH);
      // The arms of a Y begin where its stem ends.
      const joins = cuts.some((other) => other !== cut && cut.some((p) => other.some((q) => distance(p, q) < MOUTH)));
      // Joined from widths, a cut may begin on the part beside.
      if (!begins && !joins && parts.length === 1)
        found.push({ part: name, place, by: null, says: `A cut of ${name} at ${place} does not begin at the cloth’s edge` });
      if (!along(cut).some((point) => isWithin(outline, point)))
        found.push({ part: name, place, by: null, says: `A cut at ${place} does not lie on ${name}` });
      return found;
    });
  });
}

/** A cut as it was planned, with the corner of the board that it is for. */
type Planned = { name: string; place: string; line: readonly [Point, Point]; corner: Point };

function plannedCuts(plan: SheetPlan): Planned[] {
  return [
    ...plan.corners.flatMap(({ cut, edge, x, y }): Planned[] =>
      cut ? [{ name: `The cut at the ${edge}`, place: edge, line: [cut.from, cut.to], corner: [x, y] }] : [],
    ),
    ...(plan.cover?.relief?.cuts ?? []).map(({ from, to, x, y }): Planned => ({
      name: `The relief cut at ${at([x, y])}`,
      place: at([x, y]),
      line: [from, to],
      corner: [x, y],
    })),
  ];
}

/** Where a post stands in a notch and comes through the cover, the cloth is cut away round it: nothing of it is seen there. */
function behindPost({ cover, outline }: SheetPlan, longer: number): (place: Point) => boolean {
  if (!cover?.yCuts.some(({ through }) => through)) return () => false;
  return ([x, y]) => {
    const onBoard: Point = [x / longer, y / longer];
    return !isWithin(outline.points, onBoard) || fromOutline(outline.points, onBoard) < MOUTH;
  };
}

/** Every cut that was planned is drawn, and runs towards its own corner. */
function inspectPlanned(plan: SheetPlan, { parts, outline, longer }: Blank, isOpened: boolean): Found[] {
  // A correction moves the cuts with the cloth.
  const near = NEAR + (plan.cover?.corrected ?? 0);
  const drawn = parts.flatMap(({ lines }) => lines.filter(({ kind }) => kind === 'cut').map(({ points }) => points));
  const grown = ([x, y]: Point): Point => [x * longer, y * longer];
  return plannedCuts(plan).flatMap(({ name, place, line, corner }): Found[] => {
    const [from, to] = line;
    const found: Found[] = [];
    const add = (by: number | null, words: string): void => void found.push({ part: 'Cover', place, by, says: `${name} ${words}` });
    const onCloth = along(line.map(grown)).some((point) => isWithin(outline, point));
    // A cut is a line from its mouth, or a wedge about its tip: either way its inner end is drawn.
    const isDrawn = drawn.some((points) => points.some((point) => distance(point, grown(to)) < near));
    if (onCloth && !isOpened && parts.length === 1 && !isDrawn) add(null, 'is planned and not drawn');
    if (distance(to, corner) >= distance(from, corner)) add(null, 'runs away from it');
    const size = distance(from, to) || 1;
    const aside = Math.abs((corner[0] - from[0]) * (to[1] - from[1]) - (corner[1] - from[1]) * (to[0] - from[0])) / size;
    if (aside > ASIDE) add(aside, `passes ${mm(aside)} beside it`);
    return found;
  });
}

/** A Y-cut lies at its own notch. */
function inspectYCuts({ stations, cover }: SheetPlan): Found[] {
  return (cover?.yCuts ?? []).flatMap(({ name, part, stem, arms }): Found[] => {
    const mouth = stations.filter((station) => station.part.kind === part.kind && station.part.name === part.name);
    const far = Math.min(...mouth.map(({ x, y }) => distance([x, y], stem.at(-1)!)));
    const reach = Math.max(0, ...mouth.map(({ wrap }) => wrap)) + Math.max(0, ...arms.map(lineLength));
    return mouth.length > 0 && far > reach
      ? [{ part: 'Cover', place: name, by: far, says: `The Y-cut of ${name.toLowerCase()} lies ${mm(far)} from it` }]
      : [];
  });
}

export const CUTS: Check = {
  id: 'cuts',
  holds: 'every cut lies on its part, at what it is for, and ends short of cloth that is seen',
  needs: ['cover'],
  find: ({ plan }) => {
    const { cover, rules } = plan;
    const blank = cover && pulledBlank(cover);
    if (!cover || !blank) return [];
    // Channels and buttons open the cloth: what was clear by the rule may be nearer by half of what one of them takes.
    const isOpened = cover.channels !== null || cover.buttons !== null;
    const stop = isOpened ? 0 : (rules.cornerCutStop ?? 0) * blank.longer;
    return [...inspectDrawn(blank, stop, behindPost(plan, blank.longer)), ...inspectPlanned(plan, blank, isOpened), ...inspectYCuts(plan)];
  },
};
