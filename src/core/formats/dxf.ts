import DxfParser from 'dxf-parser';
import Drawing from 'dxf-writer';
import { pointAt, UNNAMED, type Outline, type Point, type Segment } from '../outline';
import { arcByRise, stretch } from '../outline/polygon/segment';
import type { Hole } from '../piece';
import { FileProblem, LARGEST_TEXT, MOST_SEGMENTS, type DrawingUnit } from '../file-problem';
import { asLines, ringsOf, type ReadOutline } from './rings';

/** $INSUNITS codes that a workshop drawing can be in. */
const UNIT_CODES: Record<number, DrawingUnit> = { 1: 'in', 4: 'mm', 5: 'cm', 6: 'm' };

type Vertex = { x: number; y: number; bulge?: number };
type Entity = {
  type: string;
  vertices?: Vertex[];
  shape?: boolean;
  center?: Vertex;
  radius?: number;
  startAngle?: number;
  endAngle?: number;
  controlPoints?: Vertex[];
  fitPoints?: Vertex[];
  knotValues?: number[];
  degreeOfSplineCurve?: number;
  closed?: boolean;
  majorAxisEndPoint?: Vertex;
  axisRatio?: number;
};

function point(vertex: Vertex | undefined): Point {
  const [x, y] = [Number(vertex?.x), Number(vertex?.y)];
  if (!Number.isFinite(x) || !Number.isFinite(y)) throw new FileProblem('The drawing has a point whose coordinates are not figures');
  return [x, y];
}

/** A polyline's stretch: straight, or an arc by its bulge b = tan(θ/4), which rises b·chord/2 to the right for b > 0. */
function stretchBetween(a: Vertex, b: Vertex): Segment {
  const [from, to] = [point(a), point(b)];
  const bulge = Number(a.bulge ?? 0);
  return arcByRise(UNNAMED, from, to, Number.isFinite(bulge) ? (bulge * Math.hypot(to[0] - from[0], to[1] - from[1])) / 2 : 0);
}

function polyline(vertices: readonly Vertex[], closed: boolean): Segment[] {
  const count = closed ? vertices.length : vertices.length - 1;
  return Array.from({ length: Math.max(0, count) }, (_, i) => stretchBetween(vertices[i]!, vertices[(i + 1) % vertices.length]!));
}

/** The way round from one angle to another: more than nothing, and one full turn at most. */
function turnFrom(from: number, to: number): number {
  const turn = (to - from) % (2 * Math.PI);
  return turn > 1e-9 ? turn : turn + 2 * Math.PI;
}

function arc(entity: Entity, from: number, sweep: number): Segment[] {
  const radius = Number(entity.radius);
  if (!(radius > 0) || !Number.isFinite(from) || !Number.isFinite(sweep)) return [];
  return [{ kind: 'arc', edge: UNNAMED, centre: point(entity.center), radius, start: from, sweep }];
}

/** A B-spline evaluated by de Boor's recurrence in short chords; a clamped cubic of four points is one Bézier exactly. */
function spline(entity: Entity): Segment[] {
  const control = (entity.controlPoints ?? []).map(point);
  const degree = entity.degreeOfSplineCurve ?? 3;
  const knots = entity.knotValues ?? [];
  if (control.length < 2) {
    const fit = (entity.fitPoints ?? []).map(point);
    return fit.length >= 2 ? asLines(fit).slice(0, entity.closed ? fit.length : fit.length - 1) : [];
  }
  if (degree === 3 && control.length === 4)
    return [{ kind: 'curve', edge: UNNAMED, from: control[0]!, c1: control[1]!, c2: control[2]!, to: control[3]! }];
  if (
    degree < 1 ||
    degree > 5 ||
    knots.length !== control.length + degree + 1 ||
    !knots.every((k, i) => Number.isFinite(k) && (i === 0 || k >= knots[i - 1]!))
  )
    throw new FileProblem('The drawing has a spline whose knots do not fit its points');
  const at = (u: number): Point => {
    let k = degree;
    while (k < control.length - 1 && u >= knots[k + 1]!) k += 1;
    const d = Array.from({ length: degree + 1 }, (_, j) => [...control[j + k - degree]!] as [number, number]);
    for (let r = 1; r <= degree; r++) {
      for (let j = degree; j >= r; j--) {
        const low = knots[j + k - degree]!;
        const width = knots[j + 1 + k - r]! - low;
        const t = width > 0 ? (u - low) / width : 0;
        d[j] = [d[j - 1]![0] * (1 - t) + d[j]![0] * t, d[j - 1]![1] * (1 - t) + d[j]![1] * t];
      }
    }
    return d[degree]!;
  };
  const [u0, u1] = [knots[degree]!, knots[control.length]!];
  const steps = Math.min(200, control.length * 8);
  const points = Array.from({ length: steps + 1 }, (_, i) => at(u0 + ((u1 - u0) * i) / steps));
  return asLines(points).slice(0, -1);
}

function ellipse(entity: Entity): Segment[] {
  const [cx, cy] = point(entity.center);
  const [ax, ay] = point(entity.majorAxisEndPoint);
  const ratio = Number(entity.axisRatio);
  const from = Number(entity.startAngle ?? 0);
  const to = from + turnFrom(from, Number(entity.endAngle ?? 2 * Math.PI));
  if (!(ratio > 0) || !Number.isFinite(from) || !Number.isFinite(to)) return [];
  const parts = Math.max(1, Math.ceil((to - from) / (Math.PI / 4) - 1e-9));
  const step = (to - from) / parts;
  const handle = (4 / 3) * Math.tan(step / 4);
  const at = (t: number): Point => [cx + ax * Math.cos(t) - ay * ratio * Math.sin(t), cy + ay * Math.cos(t) + ax * ratio * Math.sin(t)];
  const way = (t: number): Point => [
    (-ax * Math.sin(t) - ay * ratio * Math.cos(t)) * handle,
    (-ay * Math.sin(t) + ax * ratio * Math.cos(t)) * handle,
  ];
  return Array.from({ length: parts }, (_, i): Segment => {
    const [t0, t1] = [from + i * step, from + (i + 1) * step];
    const [p, q, dp, dq] = [at(t0), at(t1), way(t0), way(t1)];
    return { kind: 'curve', edge: UNNAMED, from: p, c1: [p[0] + dp[0], p[1] + dp[1]], c2: [q[0] - dq[0], q[1] - dq[1]], to: q };
  });
}

function segmentsOf(entity: Entity): Segment[] {
  switch (entity.type) {
    case 'LINE':
      return entity.vertices && entity.vertices.length >= 2 ? polyline(entity.vertices.slice(0, 2), false) : [];
    case 'LWPOLYLINE':
    case 'POLYLINE':
      return polyline(entity.vertices ?? [], entity.shape === true);
    case 'CIRCLE':
      return arc(entity, 0, 2 * Math.PI);
    case 'ARC': {
      const from = Number(entity.startAngle);
      return arc(entity, from, turnFrom(from, Number(entity.endAngle)));
    }
    case 'SPLINE':
      return spline(entity);
    case 'ELLIPSE':
      return ellipse(entity);
    default:
      return [];
  }
}

/** DXF is pairs of lines, a whole number and its value; anything else is another kind of file. */
function checkPairs(text: string): void {
  const lines = text.split(/\r\n|\r|\n/);
  while (lines.length > 0 && lines.at(-1)!.trim() === '') lines.pop();
  if (lines.length === 0) throw new FileProblem('This DXF is empty');
  if (lines.length > MOST_SEGMENTS * 40) throw new FileProblem('This DXF has far more in it than one outline; export the outline alone');
  for (let i = 0; i < lines.length; i += 2) {
    if (!/^\s*-?\d{1,5}\s*$/.test(lines[i]!)) throw new FileProblem(`This is not a DXF drawing: line ${i + 1} should be a group code`);
  }
  if (lines.length % 2 !== 0 || lines.at(-1)!.trim() !== 'EOF') throw new FileProblem('This DXF breaks off: its end mark is missing');
}

/** The entities that draw lines, and of each the group codes that say where: what else stands in one is passed over. */
const DRAWN: Record<string, readonly number[]> = {
  LINE: [10, 20, 30, 11, 21, 31],
  LWPOLYLINE: [70, 10, 20, 42],
  POLYLINE: [66, 70],
  VERTEX: [10, 20, 42],
  SEQEND: [],
  CIRCLE: [10, 20, 30, 40],
  ARC: [10, 20, 30, 40, 50, 51],
  SPLINE: [70, 71, 72, 73, 74, 10, 20, 30, 11, 21, 31, 40],
  ELLIPSE: [10, 20, 30, 11, 21, 31, 40, 41, 42],
};
/** Entities whose own plane may be turned over; the others are drawn in the world's. */
const IN_OWN_PLANE = new Set(['LWPOLYLINE', 'POLYLINE', 'CIRCLE', 'ARC']);
/** A point of a polyline that only steers its curve. */
const STEERS = 16;

/** One record of a section: what it is, and its pairs. */
type Entry = { type: string; pairs: [code: number, value: string][] };

/** The records of every section, by its name. */
function recordsOf(text: string): Map<string, Entry[]> {
  const lines = text.split(/\r\n|\r|\n/);
  const sections = new Map<string, Entry[]>();
  let current: Entry[] | null = null;
  for (let i = 0; i + 1 < lines.length; i += 2) {
    const code = Number.parseInt(lines[i]!, 10);
    const value = lines[i + 1]!.trim();
    if (code === 0 && value === 'SECTION') {
      const name = lines[i + 3]?.trim() ?? '';
      current = sections.get(name) ?? [];
      sections.set(name, current);
      // A header has no records: its pairs are kept as one.
      current.push({ type: '', pairs: [] });
      i += 2;
    } else if (code === 0 && value === 'ENDSEC') current = null;
    else if (code === 0) current?.push({ type: value, pairs: [] });
    else current?.at(-1)?.pairs.push([code, value]);
  }
  return sections;
}

const figureOf = ({ pairs }: Entry, code: number): number => Number(pairs.find(([value]) => value === code)?.[1] ?? NaN);

/** Layers that are switched off or frozen. */
function hiddenLayers(tables: readonly Entry[]): Set<string> {
  const hidden = tables.filter((entry) => entry.type === 'LAYER' && (figureOf(entry, 62) < 0 || (figureOf(entry, 70) & 1) === 1));
  return new Set(hidden.map(({ pairs }) => pairs.find(([code]) => code === 2)?.[1] ?? ''));
}

/** Whether an entity is seen: not itself hidden, not on the sheet of paper, not on a layer that is off. */
function isSeen(entry: Entry, hidden: ReadonlySet<string>): boolean {
  const layer = entry.pairs.find(([code]) => code === 8)?.[1] ?? '';
  return !hidden.has(layer) && figureOf(entry, 60) !== 1 && figureOf(entry, 67) !== 1;
}

/** Whether an entity's own plane is turned over, which mirrors it. */
function isMirrored(entry: Entry): boolean {
  if (!IN_OWN_PLANE.has(entry.type)) return false;
  const [x, y, z] = [210, 220, 230].map((code) => figureOf(entry, code)) as [number, number, number];
  if (Number.isNaN(z)) return false;
  if (Math.abs(x || 0) > 1e-6 || Math.abs(y || 0) > 1e-6 || Math.abs(Math.abs(z) - 1) > 1e-6)
    throw new FileProblem('A line in this DXF is drawn on a tilted plane; draw the outline flat, as seen from above');
  return z < 0;
}

/** A drawing with nothing in it but its unit and its lines, and which of them are mirrored. */
type Lines = { text: string; mirrored: boolean[]; hidden: number };

/**
 * The same drawing with nothing in it but its unit and its lines. The parser trusts that sections and tables are whole
 * and would read for ever in one that is not, and drops what has a code in it that it does not know; here they always are.
 */
function linesOnly(text: string): Lines {
  const sections = recordsOf(text);
  const header = sections.get('HEADER')?.flatMap(({ pairs }) => pairs) ?? [];
  const unitAt = header.findIndex(([code, value]) => code === 9 && value === '$INSUNITS');
  const out = ['0', 'SECTION', '2', 'HEADER'];
  if (unitAt >= 0) out.push('9', '$INSUNITS', '70', String(Number.parseInt(header[unitAt + 1]?.[1] ?? '0', 10) || 0));
  out.push('0', 'ENDSEC', '0', 'SECTION', '2', 'ENTITIES');
  const layers = hiddenLayers(sections.get('TABLES') ?? []);
  const mirrored: boolean[] = [];
  let hidden = 0;
  /** what the vertices that follow belong to: a polyline that is kept, one that is not, or nothing */
  let line: 'kept' | 'left' | null = null;
  const endLine = (): void => {
    if (line === 'kept') out.push('0', 'SEQEND');
    line = null;
  };
  for (const entry of sections.get('ENTITIES') ?? []) {
    const codes = DRAWN[entry.type];
    const part = entry.type === 'VERTEX' || entry.type === 'SEQEND';
    // A polyline that was never ended is ended here; loose vertices belong to none.
    if (!part || entry.type === 'SEQEND') endLine();
    if (!codes || entry.type === 'SEQEND') continue;
    if (part && (line !== 'kept' || (figureOf(entry, 70) & STEERS) === STEERS)) continue;
    if (!part) {
      // A polyline of fewer than two points is no line.
      if (entry.type === 'LWPOLYLINE' && entry.pairs.filter(([code]) => code === 10).length < 2) continue;
      const seen = isSeen(entry, layers);
      if (!seen) hidden += 1;
      if (entry.type === 'POLYLINE') line = seen ? 'kept' : 'left';
      if (!seen) continue;
      mirrored.push(isMirrored(entry));
    }
    out.push('0', entry.type);
    const reported = entry.pairs.filter(([code]) => codes.includes(code));
    // The parser begins a polyline's points anew at anything that comes between them: its flag comes first.
    if (entry.type === 'LWPOLYLINE') reported.sort(([a], [b]) => Number(b === 70) - Number(a === 70));
    if (entry.type === 'LWPOLYLINE') out.push('90', String(reported.filter(([code]) => code === 10).length));
    for (const [code, value] of reported) out.push(String(code), value);
  }
  endLine();
  out.push('0', 'ENDSEC', '0', 'EOF');
  return { text: out.join('\n'), mirrored, hidden };
}

/** A segment seen from behind: right and left change sides. */
function turnedOver(segment: Segment): Segment {
  const over = ([x, y]: Point): Point => [-x, y];
  if (segment.kind === 'line') return { ...segment, from: over(segment.from), to: over(segment.to) };
  if (segment.kind === 'curve')
    return { ...segment, from: over(segment.from), c1: over(segment.c1), c2: over(segment.c2), to: over(segment.to) };
  return { ...segment, centre: over(segment.centre), start: Math.PI - segment.start, sweep: -segment.sweep };
}

/**
 * Reads the outline out of a DXF drawing.
 *
 * @param text the file, in its text form
 * @param options.unit of its coordinates, when the file does not say
 * @param options.close whether an open outline is closed by a straight line
 * @throws FileProblem in words for the person who chose the file
 */
export function readDxf(text: string, options: { unit?: DrawingUnit; close?: boolean } = {}): ReadOutline {
  if (text.length > LARGEST_TEXT) throw new FileProblem('This DXF is larger than 4 MB; export the outline alone');
  if (text.startsWith('AutoCAD Binary DXF')) throw new FileProblem('This is a binary DXF; save it as a text (ASCII) DXF');
  checkPairs(text);
  const lines = linesOnly(text);
  let parsed;
  try {
    parsed = new DxfParser().parseSync(lines.text);
  } catch (error) {
    throw new FileProblem(`This DXF cannot be read: ${error instanceof Error ? error.message.slice(0, 160) : String(error).slice(0, 160)}`);
  }
  const entities = (parsed?.entities ?? []) as unknown as Entity[];
  // A line that the parser lost may have been the outline itself.
  if (entities.length !== lines.mirrored.length)
    throw new FileProblem(
      `${Math.abs(lines.mirrored.length - entities.length)} lines in this DXF cannot be read; export the outline alone, as polylines`,
    );
  const runs = entities
    .map((entity, i) => (lines.mirrored[i] ? segmentsOf(entity).map(turnedOver) : segmentsOf(entity)))
    .filter((run) => run.length > 0);
  if (runs.length === 0)
    throw new FileProblem(
      lines.hidden > 0
        ? 'Every line in this DXF lies on a layer that is switched off; switch on the outline’s'
        : 'There is no line in this DXF; text, blocks and dimensions are not outlines',
    );
  const words = UNIT_CODES[Number(parsed?.header?.$INSUNITS)];
  const unit = options.unit ?? words;
  if (!unit) throw new FileProblem('This DXF does not say in which unit it is drawn; choose one', { needsUnit: true });
  return ringsOf(runs, unit, options);
}

/**
 * Writes an outline and its holes as a DXF in millimetres: a polyline with bulges for lines and arcs, splines for curves.
 *
 * @param outline of the base
 * @param holes as circles and rectangles
 */
export function writeDxf(outline: Outline, holes: readonly Hole[] = []): string {
  // The package's types leave out its splines.
  const drawing = new Drawing() as Drawing & { drawSpline(points: [number, number][]): unknown };
  drawing.setUnits('Millimeters');
  drawing.addLayer('OUTLINE', Drawing.ACI.WHITE, 'CONTINUOUS');
  drawing.addLayer('HOLES', Drawing.ACI.WHITE, 'CONTINUOUS');
  drawing.setActiveLayer('OUTLINE');
  const straight = outline.segments.every((segment) => segment.kind !== 'curve');
  const vertex = (segment: Segment): [number, number, number] => {
    const [x, y] = pointAt(segment, 0);
    return [x, y, segment.kind === 'arc' ? Math.tan(segment.sweep / 4) : 0];
  };
  const halved = outline.segments.flatMap((segment): Segment[] =>
    segment.kind === 'arc' && Math.abs(segment.sweep) > Math.PI ? [stretch(segment, 0, 0.5), stretch(segment, 0.5, 1)] : [segment],
  );
  if (straight) drawing.drawPolyline(halved.map(vertex) as unknown as [number, number][], true);
  else {
    for (const segment of halved) {
      const to = pointAt(segment, 1);
      if (segment.kind === 'curve')
        drawing.drawSpline([segment.from, segment.c1, segment.c2, segment.to].map(([x, y]): [number, number] => [x, y]));
      else drawing.drawPolyline([vertex(segment), [to[0], to[1]]] as unknown as [number, number][], false);
    }
  }
  drawing.setActiveLayer('HOLES');
  for (const hole of holes) {
    if (hole.kind === 'round') drawing.drawCircle(hole.x, hole.y, hole.diameter / 2);
    else drawing.drawRect(hole.x - hole.width / 2, hole.y - hole.height / 2, hole.x + hole.width / 2, hole.y + hole.height / 2);
  }
  return drawing.toDxfString();
}
