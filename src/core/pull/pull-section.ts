import type { Point } from '../outline';
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

/** Solved sections are kept: a set of stations asks for many alike, and a sheet asks again after every change. */
const KEPT = new Map<string, PulledSection>();
const MOST_KEPT = 1200;

/** How far the nodes of the last section moved, by its triangles. */
const LAST = new Map<string, Float64Array>();

/**
 * Solves a section of a stack under a pulled cover. Source: docs/models.md, "The pulled cover".
 *
 * @param stack the cut, from its middle to its rim
 * @param pull N/mm; nothing leaves the foam as it is
 * @param start where the cover begins in the middle
 * @param element wanted size of a triangle's side, mm
 * @param [quick=false] begin from what the last section of the same triangles came to: for a picture while something is
 *   dragged, where the last one is a hair away
 */
export function pullSection(stack: StackCut, pull: number, start: Start, element: number, quick = false): PulledSection {
  const key = keyOf(stack, pull, start, element) + (quick ? ' q' : '');
  const kept = KEPT.get(key);
  if (kept) return kept;
  const mesh = meshOf(stack, element);
  const alike = `${mesh.nodes} ${mesh.unknowns} ${mesh.lawOf.length} ${mesh.width}`;
  const before = quick ? LAST.get(alike) : undefined;
  const { at, line, converged, rounds } = relax(mesh, pull, start, stack.edge, before && mesh.at.map((v, i) => v + before[i]!));
  if (quick && converged) {
    if (LAST.size >= MOST_KEPT) LAST.clear();
    LAST.set(
      alike,
      at.map((v, i) => v - mesh.at[i]!),
    );
  }
  const points = Array.from({ length: line.length / 2 }, (_, i): Point => [line[2 * i]!, line[2 * i + 1]!]);
  const place = (k: number): Point => [at[2 * k]!, at[2 * k + 1]!];
  const solved: PulledSection = {
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
  if (KEPT.size >= MOST_KEPT) KEPT.clear();
  KEPT.set(key, solved);
  return solved;
}

/** A name for the whole problem; a thousandth of a millimetre more or less is the same one. */
function keyOf(stack: StackCut, pull: number, start: Start, element: number): string {
  const short = (v: number): number => Math.round(v * 1e3);
  const parts: (string | number)[] = [short(pull * 1e3), short(start.slope), start.height === null ? 'on' : short(start.height), element];
  parts.push(short(stack.edge.x), short(stack.edge.top), short(stack.edge.bottom));
  for (let i = 0; i < stack.x.length; i++) parts.push(short(stack.x[i]!), short(stack.base[i]!));
  for (const { from, to, lower, upper, law, insert } of stack.layers) {
    parts.push('|', from, to, law.modulus, law.curve?.plateau ?? '', law.curve?.densify ?? '');
    if (insert)
      parts.push(
        'p',
        insert.from,
        insert.to,
        short(insert.deep),
        insert.law.modulus,
        insert.law.curve?.plateau ?? '',
        insert.law.curve?.densify ?? '',
      );
    for (let i = from; i <= to; i++) parts.push(short(lower[i]!), short(upper[i]!));
  }
  return parts.join(' ');
}
