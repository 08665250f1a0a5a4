import type { Point } from '../../outline';
import { meshOf, type StackCut } from './mesh';
import { relax } from './relax';
import type { Start } from './string';
import { linePressure } from './wadding';

/** A stack under its pulled cover, from the middle of the cut to the board's lower edge. */
export type PulledSection = {
  /** the line pulled over the foam, mm */
  line: Point[];
  /** pressure on the cloth at each point of it, N/mm² */
  pressure: number[];
  /** each layer as it lies now: underside and top, from the middle to its rim */
  layers: { lower: Point[]; upper: Point[]; rim: Point[] }[];
  converged: boolean;
  rounds: number;
};

/**
 * Solves a section of a stack under a pulled cover. Source: docs/models.md, "The pulled cover".
 *
 * @param stack the cut, from its middle to its rim
 * @param pull N/mm; nothing leaves the foam as it is
 * @param start where the cover begins in the middle
 * @param element wanted size of a triangle's side, mm
 */
export function pullSection(stack: StackCut, pull: number, start: Start, element: number): PulledSection {
  const mesh = meshOf(stack, element);
  const { at, line, converged, rounds } = relax(mesh, pull, start, stack.edge);
  const { seam } = stack.edge;
  const points = Array.from({ length: line.length / 2 }, (_, i): Point => [line[2 * i]!, line[2 * i + 1]!]);
  if (seam) points.push(...seam.down);
  const place = (k: number): Point => [at[2 * k]!, at[2 * k + 1]!];
  return {
    line: points,
    pressure: linePressure(points, pull),
    layers: mesh.grid.map((columns) => {
      const there = columns.filter((column) => column !== undefined);
      return {
        lower: there.map((column) => place(column[0]!)),
        upper: there.map((column) => place(column.at(-1)!)),
        rim: [...(there.at(-1) ?? [])].map(place),
      };
    }),
    converged,
    rounds,
  };
}
