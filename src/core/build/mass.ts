import { polygonArea } from '../outline';
import type { BuiltPad, Stack } from './model';
import { freeHeight } from './stack';

/** kg in a volume of mm³ at a density in kg/m³. */
export function massOf(volume: number, density: number): number {
  return (volume / 1e9) * density;
}

/** Cells across a pad when its carved volume is summed. */
const CELLS = 40;

/** How much of its thickness a carved pad has on the whole. */
function carvedShare(stack: Stack, built: BuiltPad): number {
  const alone = { ...stack, pads: [built] };
  let inside = 0;
  let height = 0;
  const xs = built.polygon.map(([x]) => x);
  const ys = built.polygon.map(([, y]) => y);
  const [x0, x1, y0, y1] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  for (let i = 0; i < CELLS; i++) {
    for (let j = 0; j < CELLS; j++) {
      const z = freeHeight(alone, [x0 + ((i + 0.5) * (x1 - x0)) / CELLS, y0 + ((j + 0.5) * (y1 - y0)) / CELLS]);
      if (z > 0) [inside, height] = [inside + 1, height + z];
    }
  }
  return inside > 0 ? height / inside / built.pad.thickness : 1;
}

/** Mass of the built stack, kg: carved edges are counted by sampling. */
export function foamMass(stack: Stack): number {
  return stack.pads.reduce((sum, built) => {
    const share = built.pad.edge.kind === 'square' ? 1 : carvedShare(stack, built);
    return sum + massOf(polygonArea(built.polygon) * built.pad.thickness * share, built.foam.density);
  }, 0);
}
