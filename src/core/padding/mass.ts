import { bounds, lineCrossings, polygonArea, type Point } from '../outline';
import { rimOf } from '../pad-rims';
import { letInVolume, type Hole } from '../piece';
import type { BuiltPad, Stack } from './model';
import { stackAt } from './pads/stack';

/** kg in a volume of mm³ at a density in kg/m³. */
export function massOf(volume: number, density: number): number {
  return (volume / 1e9) * density;
}

/** Cells across a pad when its volume is summed. */
const CELLS = 50;
/** A narrow ring is looked at more closely. */
const NARROW_CELLS = 150;

/** Mean thickness of a pad over its outline, mm: wedges, carved rims and rolls as they are. */
function meanThickness(stack: Stack, built: BuiltPad): number {
  const { pad, polygon } = built;
  if (rimOf(pad.edge).whole && !built.form) return pad.thickness;
  const alone = { ...stack, pads: [built] };
  let inside = 0;
  let sum = 0;
  const box = bounds(polygon);
  const cells = rimOf(pad.edge).narrow ? NARROW_CELLS : CELLS;
  for (let i = 0; i < cells; i++) {
    const foot: Point = [box.minX + ((i + 0.5) * box.width) / cells, box.minY];
    const crossings = lineCrossings(polygon, foot, [0, 1]);
    for (let j = 0; j < cells; j++) {
      const up = ((j + 0.5) * box.height) / cells;
      if (crossings.filter((at) => at < up).length % 2 === 0) continue;
      inside += 1;
      const found = stackAt(alone, [foot[0], foot[1] + up], () => true).pads[0];
      if (found) sum += found.upper - found.lower;
    }
  }
  return inside > 0 ? sum / inside : pad.thickness;
}

/** Mass of the built stack, kg; a pocket's insert in its own foam. */
export function foamMass(stack: Stack): number {
  return stack.pads.reduce((sum, built) => {
    const letIn = built.letIn.map(({ pocket, foam }) => ({ volume: letInVolume(pocket), density: foam.density }));
    const volume = polygonArea(built.polygon) * meanThickness(stack, built) - letIn.reduce((all, result) => all + result.volume, 0);
    return sum + massOf(volume, built.foam.density) + letIn.reduce((all, result) => all + massOf(result.volume, result.density), 0);
  }, 0);
}

/** Area of what is drilled and sawn out of a board, mm². */
export function holesArea(holes: readonly Hole[]): number {
  return holes.reduce((sum, hole) => sum + (hole.kind === 'round' ? (Math.PI * hole.diameter ** 2) / 4 : hole.width * hole.height), 0);
}
