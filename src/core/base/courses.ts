import { between, bounds, polygonArea, type Polygon } from '../outline';
import type { Base } from '../piece';
import { stretchedIn } from './deck';

/** One piece of a base that is put together from courses: its outline on the board, numbered from the near edge. Lengths mm. */
export type Course = {
  course: number;
  /** from the back of the base forwards; 1 where there is one only */
  layer: number;
  outline: Polygon;
  width: number;
  height: number;
  thickness: number;
  area: number;
  /** an end or its top is not square: drawn from the course below, or from the outline */
  shaped: boolean;
};

/** A course lower than this is a strip that splits; all are made a little lower instead, mm. */
const SLIVER = 40;
/** A piece that fills its box to within this is square. */
const SQUARE = 0.998;

/** Where the joints of a layer lie, rising, with its two ends. */
function joints(low: number, high: number, wanted: number, staggered: boolean): number[] {
  const depth = high - low;
  const count = Math.max(1, Math.ceil(depth / wanted - 1e-9));
  const rest = depth - (count - 1) * wanted;
  // Rather all alike than a sliver on top.
  const height = count > 1 && rest < SLIVER ? depth / count : wanted;
  const first = staggered && count > 1 ? height / 2 : height;
  const at = [low];
  for (let y = low + first; y < high - 1e-6; y += height) at.push(y);
  // Staggered, a sliver may be left over: it stays one with the course below it.
  if (at.length > 2 && high - at.at(-1)! < SLIVER) at.pop();
  return [...at, high];
}

/**
 * The pieces of a base made from planks in courses, or from boards in layers whose joints are staggered by half a course.
 *
 * @param board its outline
 * @param base of the document
 * @returns nothing where it is one board, or none
 */
export function coursesOf(board: Polygon, base: Pick<Base, 'courses' | 'board' | 'deck'>): Course[] {
  const { courses } = base;
  const { thickness } = base.board;
  if (!courses || stretchedIn(base)) return [];
  const { minY, maxY } = bounds(board);
  return Array.from({ length: courses.layers }, (_, layer) => {
    const at = joints(minY, maxY, courses.height, layer % 2 === 1);
    return at.slice(1).flatMap((to, k): Course[] => {
      const outline = between(board, 1, at[k]!, to);
      if (outline.length < 3) return [];
      const { width, height } = bounds(outline);
      const area = Math.abs(polygonArea(outline));
      return [
        {
          course: k + 1,
          layer: layer + 1,
          outline,
          width,
          height,
          thickness: thickness / courses.layers,
          area,
          shaped: area < SQUARE * width * height,
        },
      ];
    });
  }).flat();
}
