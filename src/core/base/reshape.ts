import { baseOutline, drawNodes, flatten, fold, nodesOf, outlineSize, rightHalf, type Outline } from '../outline';
import { checkShape, shapeKind, type BaseShape, type Notch } from '../piece';

/** What a measurement of that name is for a base of a width and depth. */
function guess(key: string, width: number, depth: number): number | null {
  switch (key) {
    case 'width':
    case 'frontWidth':
    case 'backWidth':
    case 'front':
    case 'back':
    case 'diameter':
      return width;
    case 'depth':
    case 'height':
    case 'leftDepth':
    case 'rightDepth':
    case 'left':
    case 'right':
      return depth;
    case 'sideHeight':
      return depth * 0.78;
    case 'straight':
      return Math.max(0, depth - width / 2, depth * 0.5);
    case 'hollow':
      return depth * 0.12;
    case 'bow':
      return Math.min(width, depth) * 0.07;
    case 'shoulder':
      return width * 0.14;
    case 'diagonalA':
    case 'diagonalB':
      return Math.hypot(width, depth);
    default:
      return null;
  }
}

/**
 * Another shape of about the same size, so that nothing measured is thrown away needlessly. Drawn freely, it is the
 * very same outline, notches and all.
 */
export function reshape(shape: BaseShape, type: BaseShape['type'], notches: readonly Notch[] = []): BaseShape {
  if (shape.type === type) return shape;
  if (type === 'drawn') {
    const outline = baseOutline(shape, notches);
    const nodes = nodesOf(outline.segments);
    const half = rightHalf(outline);
    // What is the same on both sides is drawn as one half.
    if (half && isMirrored(outline)) return { type: 'drawn', mirrored: true, nodes: half };
    return { type: 'drawn', mirrored: false, nodes };
  }
  const { width: across, depth } = outlineSize(baseOutline(shape));
  // Corner to corner, as if not rounded, where it was measured so.
  const width = 'frontWidth' in shape ? shape.frontWidth : across;
  const start = shapeKind(type).start as unknown as Record<string, unknown>;
  const item = shape as unknown as Record<string, unknown>;
  const round = (value: number): number => Math.round(value * 10) / 10;
  const fields = Object.fromEntries(
    Object.keys(start).map((key) => {
      // A measurement of the same name is the same measurement.
      if (key !== 'type' && key in item && typeof item[key] === typeof start[key] && !Array.isArray(start[key])) return [key, item[key]];
      const value = typeof start[key] === 'number' ? guess(key, width, depth) : null;
      return [key, value === null ? start[key] : round(value)];
    }),
  );
  if (type === 'alcove') fields.backWidth = round(width);
  const made = { ...fields, type } as BaseShape;
  // Radii that do not fit the new shape are the first thing to give way.
  if ('cornerRadius' in made && checkShape(made).length > 0)
    return { ...made, cornerRadius: { front: 0, back: 0 }, ...('insideRadius' in made ? { insideRadius: 0 } : {}) };
  return made;
}

/** Halves that differ by less than this are the same, mm. */
const ALIKE = 0.05;

/** Whether an outline is the same on both sides of its centre line, notches and all. */
function isMirrored(outline: Outline): boolean {
  const { centre, misfit } = fold(flatten(outline, 0.1));
  return Math.abs(centre) < ALIKE && misfit < ALIKE * 2;
}

/** A free outline with its mirror turned on (from its right half) or off (both halves as points of their own). */
export function withMirror(shape: Extract<BaseShape, { type: 'drawn' }>, mirrored: boolean): BaseShape | null {
  if (shape.mirrored === mirrored) return shape;
  const { outline } = drawNodes({
    nodes: shape.nodes.map((node) => ({ ...node, radius: mirrored ? node.radius : 0 })),
    mirrored: shape.mirrored,
  });
  if (!mirrored) {
    const whole = drawNodes(shape).outline;
    return { type: 'drawn', mirrored: false, nodes: nodesOf(whole.segments) };
  }
  const half = rightHalf(outline);
  return half ? { type: 'drawn', mirrored: true, nodes: half } : null;
}
