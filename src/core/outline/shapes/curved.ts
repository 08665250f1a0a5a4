import type { BaseShape, CornerRadius } from '../schema/shapes';
import { edgeNamed } from '../edge-part';
import { roundJoints } from '../editing/nodes';
import { arcByRise } from '../polygon/segment';
import type { Outline, Point, Segment } from '../types';
import { seenRadius } from './straight';

type Shape<T extends BaseShape['type']> = Extract<BaseShape, { type: T }>;

function line(name: string, from: Point, to: Point): Segment {
  return { kind: 'line', edge: edgeNamed(name), from, to };
}

/** A cubic between two places with given directions there; the handles reach a share of the way. */
function curve(name: string, from: Point, leave: Point, to: Point, arrive: Point): Segment {
  return {
    kind: 'curve',
    edge: edgeNamed(name),
    from,
    c1: [from[0] + leave[0], from[1] + leave[1]],
    c2: [to[0] - arrive[0], to[1] - arrive[1]],
    to,
  };
}

/** Front, right, back, left (or bottom, right, top, left) with rounded joints. */
function fourSides(segments: Segment[], radius: CornerRadius): { outline: Outline; tooRound: number[] } {
  // The joint at the start of each: front left, front right, back right, back left.
  const [f, b] = [seenRadius(radius.front), seenRadius(radius.back)];
  return roundJoints(segments, [f, f, b, b]);
}

/** A seat whose front bows out in one arc. */
export function bowedOutline(shape: Shape<'bowed'>): { outline: Outline; tooRound: number[] } {
  const [f, b, half] = [shape.frontWidth / 2, shape.backWidth / 2, shape.depth / 2];
  const low = -half + shape.bow;
  return fourSides(
    [
      arcByRise(edgeNamed('front'), [-f, low], [f, low], shape.bow),
      line('right', [f, low], [b, half]),
      line('back', [b, half], [-b, half]),
      line('left', [-b, half], [-f, low]),
    ],
    shape.cornerRadius,
  );
}

/** A headboard whose top is one arc from side to side. */
export function archedOutline(shape: Shape<'arched'>): { outline: Outline; tooRound: number[] } {
  const [half, low] = [shape.width / 2, -shape.height / 2];
  const side = low + shape.sideHeight;
  return fourSides(
    [
      line('bottom', [-half, low], [half, low]),
      line('right', [half, low], [half, side]),
      arcByRise(edgeNamed('top'), [half, side], [-half, side], shape.height - shape.sideHeight),
      line('left', [-half, side], [-half, low]),
    ],
    shape.cornerRadius,
  );
}

/** A headboard with flat shoulders from which the top swells up in one S on each side. */
export function crownedOutline(shape: Shape<'crowned'>): { outline: Outline; tooRound: number[] } {
  const [half, low, high] = [shape.width / 2, -shape.height / 2, shape.height / 2];
  const side = low + shape.sideHeight;
  const inner = half - shape.shoulder;
  const pull: Point = [-inner / 2, 0];
  const segments = [
    line('bottom', [-half, low], [half, low]),
    line('right', [half, low], [half, side]),
    line('right shoulder', [half, side], [inner, side]),
    curve('top right', [inner, side], pull, [0, high], pull),
    curve('top left', [0, high], pull, [-inner, side], pull),
    line('left shoulder', [-inner, side], [-half, side]),
    line('left', [-half, side], [-half, low]),
  ].filter((segment) => segment.kind !== 'line' || Math.hypot(segment.to[0] - segment.from[0], segment.to[1] - segment.from[1]) > 1e-6);
  const radius = new Map([
    ['bottom', seenRadius(shape.cornerRadius.front)],
    ['right', seenRadius(shape.cornerRadius.front)],
    [shape.shoulder > 0 ? 'right shoulder' : 'top right', seenRadius(shape.cornerRadius.back)],
    ['left', seenRadius(shape.cornerRadius.back)],
  ]);
  return roundJoints(
    segments,
    segments.map(({ edge }) => radius.get(edge.name) ?? 0),
  );
}

/** A straight back and straight sides, the front one arc. */
export function dOutline(shape: Shape<'d'>): Outline {
  const [w, half] = [shape.width / 2, shape.depth / 2];
  const low = half - shape.straight;
  const segments = [
    arcByRise(edgeNamed('front'), [-w, low], [w, low], shape.depth - shape.straight),
    line('right', [w, low], [w, half]),
    line('back', [w, half], [-w, half]),
    line('left', [-w, half], [-w, low]),
  ];
  return { segments: segments.filter((s) => s.kind !== 'line' || s.from[0] !== s.to[0] || Math.abs(s.from[1] - s.to[1]) > 1e-9) };
}

/** Quarter arcs of an ellipse are cut in two: a Bézier with handles (4/3)·tan(θ/4) is then true to a millionth. */
export function ovalOutline(shape: Shape<'oval'>): Outline {
  const [a, b] = [shape.width / 2, shape.depth / 2];
  const parts = 8;
  const step = (2 * Math.PI) / parts;
  const handle = (4 / 3) * Math.tan(step / 4);
  const names = ['front', 'right', 'right', 'back', 'back', 'left', 'left', 'front'];
  return {
    segments: names.map((name, i): Segment => {
      const [t0, t1] = [-Math.PI / 2 + i * step, -Math.PI / 2 + (i + 1) * step];
      const at = (t: number): Point => [a * Math.cos(t), b * Math.sin(t)];
      const way = (t: number): Point => [-a * Math.sin(t) * handle, b * Math.cos(t) * handle];
      return curve(name, at(t0), way(t0), at(t1), way(t1));
    }),
  };
}

/** Where the lobes of a kidney stand farthest forward, as a share of half the width. */
const LOBE = 0.52;
/** How far each handle of a kidney reaches, as a share of the way to the next extreme: a quarter circle's. */
const ROUND = 0.5523;

/** An oval with a hollow in its front: extremes at the hollow, the lobes, the sides and the back. */
export function kidneyOutline(shape: Shape<'kidney'>): Outline {
  const [w, half] = [shape.width / 2, shape.depth / 2];
  const lobe = w * LOBE;
  const front: Point = [0, -half + shape.hollow];
  const right = [
    curve('front', front, [lobe * 0.5, 0], [lobe, -half], [lobe * 0.5, 0]),
    curve('right', [lobe, -half], [(w - lobe) * ROUND, 0], [w, 0], [0, half * ROUND]),
    curve('back', [w, 0], [0, half * ROUND], [0, half], [-w * ROUND, 0]),
  ];
  const left = [
    curve('back', [0, half], [-w * ROUND, 0], [-w, 0], [0, -half * ROUND]),
    curve('left', [-w, 0], [0, -half * ROUND], [-lobe, -half], [(w - lobe) * ROUND, 0]),
    curve('front', [-lobe, -half], [lobe * 0.5, 0], front, [lobe * 0.5, 0]),
  ];
  return { segments: [...right, ...left] };
}
