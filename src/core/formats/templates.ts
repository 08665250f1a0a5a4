import { OF_CLOTH, type CoverPiece } from '../cover';
import type { FoamPiece } from '../foam-cutting';
import { bounds, distanceTo, type Point, type Polygon } from '../outline';
import { hardwareKind, type Hole } from '../piece';
import type { Plan } from '../plan';
import { firstOutlineCount } from '../plan-data';

/** What is done along a line: cut through, sewn or finished on it, or only marked. */
export type LineLayer = 'cut' | 'seam' | 'mark';
/** A line on a template and how it is drawn; the cloth's own edge is printed in colour. What says nothing is marked; what runs along the edge at its allowance says so. */
export type TemplateLine = { outline: Polygon; closed: boolean; dashed?: boolean; cloth?: boolean; layer?: LineLayer; along?: boolean };
/** A piece to be printed at full size. */
export type Template = {
  /** by which it is known again when the piece has changed: the pad or the cloth piece that it is of */
  id: string;
  title: string;
  lines: TemplateLine[];
  marks: Point[];
  labels?: { at: Point; says: string }[];
  /** notches, as they are called */
  notches?: { at: Point; says: string }[];
  /** cuts, stitching or buttons are drawn inside it: its outline alone is not enough */
  detailed?: boolean;
  /** held to the work itself: only paper at full size does */
  stencil?: boolean;
  /** its line comes later, from the board or another template: on paper only where somebody asks for it */
  trimmed?: boolean;
};

/** Ways to give a template to the bench. */
export const TEMPLATE_MODES = [
  { id: 'whole', name: 'Whole' },
  { id: 'half', name: 'Half, on the fold' },
  { id: 'corners', name: 'Only the corners' },
  { id: 'string', name: 'String and radius' },
  { id: 'ruled', name: 'By ruler: its size' },
  { id: 'drafted', name: 'Drafted: measurements from a base line' },
  { id: 'none', name: 'Not printed' },
] as const;
export type TemplateMode = (typeof TEMPLATE_MODES)[number]['id'];

/** What shape a template has, where that saves paper. Lengths mm. */
export type TemplateShape = {
  circle: { x: number; y: number; radius: number } | null;
  rectangle: boolean;
  symmetric: boolean;
  box: ReturnType<typeof bounds>;
};

/** So far a circle, a rectangle or a mirror picture may be off and still be cut as one, mm. */
const TRUE = 0.6;

/** Whether a line is its own mirror picture among the others, or a mark among the marks: what is cut on the fold is cut twice. */
function mirroredAbout(x: number, { lines, marks }: Pick<Template, 'lines' | 'marks'>): boolean {
  const mirror = ([a, b]: Point): Point => [2 * x - a, b];
  const near = (point: Point, { outline, closed }: TemplateLine): boolean =>
    closed ? distanceTo(outline, point) < TRUE : outline.slice(1).some((b, i) => distanceTo([outline[i]!, b], point) < TRUE);
  return (
    lines.every((line) => lines.some((other) => line.outline.every((point) => near(mirror(point), other)))) &&
    marks.every((mark) => marks.some((other) => Math.hypot(2 * x - mark[0] - other[0], mark[1] - other[1]) < TRUE))
  );
}

/** Shapes that were looked at: whether an outline mirrors takes a walk round it for each of its points. */
const shapes = new WeakMap<Template, TemplateShape>();

/** What a template's cut line is: a circle that a string draws, a rectangle, the same left and right. */
export function shapeOf(template: Template): TemplateShape {
  const found = shapes.get(template) ?? measuredShape(template);
  shapes.set(template, found);
  return found;
}

function measuredShape({ lines, marks }: Template): TemplateShape {
  const { outline } = lines[0]!;
  const box = bounds(outline);
  const [x, y] = [(box.minX + box.maxX) / 2, (box.minY + box.maxY) / 2];
  const radii = outline.map(([a, b]) => Math.hypot(a - x, b - y));
  const [near, far] = [Math.min(...radii), Math.max(...radii)];
  const corners: Point[] = [
    [box.minX, box.minY],
    [box.maxX, box.minY],
    [box.maxX, box.maxY],
    [box.minX, box.maxY],
  ];
  const onBox = ([a, b]: Point): boolean => Math.min(a - box.minX, box.maxX - a, b - box.minY, box.maxY - b) < TRUE;
  const mirrored = mirroredAbout(x, { lines, marks });
  return {
    circle: outline.length > 12 && far - near < TRUE ? { x, y, radius: (near + far) / 2 } : null,
    rectangle: outline.every(onBox) && corners.every((corner) => distanceTo(outline, corner) < TRUE),
    symmetric: mirrored,
    box,
  };
}

/** The modes that make sense for a template; the first is the usual one. */
export function modesOf(template: Template): TemplateMode[] {
  const { circle, rectangle, symmetric } = shapeOf(template);
  if (circle && !template.detailed) return ['string', 'whole', 'half', 'none'];
  // A rectangle without anything drawn into it is faster ruled than taped together.
  if (rectangle && !template.detailed) return ['ruled', 'whole', 'half', 'corners', 'none'];
  if (template.stencil) return ['whole', 'none'];
  // What mirrors is cut on the fold: half the paper, and both sides alike.
  const modes: TemplateMode[] = [...(symmetric ? (['half'] as const) : []), 'whole', 'drafted', 'corners', 'none'];
  return template.trimmed ? ['none', ...modes.filter((mode) => mode !== 'none')] : modes;
}

/** What of a line lies right of the fold, in stretches. */
function rightOf({ outline, closed, ...drawn }: TemplateLine, x: number): TemplateLine[] {
  const found: TemplateLine[] = [];
  let current: Point[] = [];
  const end = (): void => {
    if (current.length > 1) found.push({ ...drawn, outline: current, closed: false });
    current = [];
  };
  const last = closed ? outline.length : outline.length - 1;
  for (let i = 0; i < last; i++) {
    const [a, b] = [outline[i]!, outline[(i + 1) % outline.length]!];
    const crossing: Point = [x, a[1] + ((b[1] - a[1]) * (x - a[0])) / (b[0] - a[0] || 1)];
    if (a[0] >= x) {
      if (current.length === 0) current.push(a);
      current.push(b[0] >= x ? b : crossing);
      if (b[0] < x) end();
    } else if (b[0] >= x) current = [crossing, b];
  }
  end();
  return found;
}

/** A template's right half, to be laid on the folded cloth. */
export function onTheFold(template: Template): Template {
  const { box } = shapeOf(template);
  const x = (box.minX + box.maxX) / 2;
  return {
    ...template,
    lines: [
      ...template.lines.flatMap((line) => rightOf(line, x)),
      {
        outline: [
          [x, box.minY],
          [x, box.maxY],
        ],
        closed: false,
        dashed: true,
      },
    ],
    marks: template.marks.filter((mark) => mark[0] >= x - TRUE),
    labels: [...(template.labels ?? []).filter(({ at }) => at[0] >= x), { at: [x, (box.minY + box.maxY) / 2 - 12], says: 'fold' }],
  };
}

/** Places of a template where its cut line turns, where it can be laid by eye between them. */
export function cornersOf({ lines }: Template): Point[] {
  const { outline } = lines[0]!;
  const n = outline.length;
  return outline.filter((b, i) => {
    const [a, c] = [outline[(i + n - 1) % n]!, outline[(i + 1) % n]!];
    const turn = Math.atan2(
      (b[0] - a[0]) * (c[1] - b[1]) - (b[1] - a[1]) * (c[0] - b[0]),
      (b[0] - a[0]) * (c[0] - b[0]) + (b[1] - a[1]) * (c[1] - b[1]),
    );
    return Math.abs(turn) > TURNS;
  });
}

/** A line turns where it bends by more than this, radians. */
const TURNS = 0.06;

const NAMES: Record<string, string> = { crown: 'Crown pad', main: 'Main pad', topper: 'Topper' };

/** What a template is before it has its id: what that is made from. */
type Bare = Omit<Template, 'id'> & { of: string };

function padTemplate(foam: FoamPiece, of = ''): Bare {
  // The board itself is the template of what is trimmed against it: the line is what it comes to.
  const { outline } = foam.finished;
  const box = bounds(outline);
  const [x, y] = foam.insertOf ? [(box.minX + box.maxX) / 2, (box.minY + box.maxY) / 2] : [0, 0];
  return {
    of: `foam ${foam.pad}`,
    title: `${foam.insertOf ? `Insert${foam.nth > 1 ? ` ${foam.nth}` : ''}, ` : ''}${NAMES[foam.role] ?? 'Pad'}${of}, ${foam.materialName}, ${foam.layers.join(' + ')} mm, cut ${foam.count}${foam.scrap ? ', from scraps' : ''}${foam.trimmed ? ', the line it is trimmed to' : ''}`,
    // Joins between blocks are dashed: each block is cut along them.
    lines: [
      { outline, closed: true, layer: 'cut' },
      ...(foam.blocks.length > 1
        ? foam.blocks.map((block): TemplateLine => ({ outline: block.outline, closed: true, dashed: true, layer: 'cut' }))
        : []),
      // What is carved into it, or let in, is marked through the template.
      ...foam.letIn.map((outline) => ({ outline, closed: true, dashed: true })),
    ],
    ...(foam.trimmed && foam.blocks.length === 1 && foam.letIn.length === 0 ? { trimmed: true } : {}),
    marks: [
      [x, box.minY],
      [box.maxX, y],
      [x, box.maxY],
      [box.minX, y],
    ],
  };
}

/** A hole as a closed line. */
function holeOutline(hole: Hole): Polygon {
  const { x, y } = hole;
  if (hole.kind === 'slot') {
    const [w, h] = [hole.width / 2, hole.height / 2];
    return [
      [x - w, y - h],
      [x + w, y - h],
      [x + w, y + h],
      [x - w, y + h],
    ];
  }
  return Array.from({ length: HOLE_POINTS }, (_, k): Point => {
    const angle = (2 * Math.PI * k) / HOLE_POINTS;
    return [x + (hole.diameter / 2) * Math.cos(angle), y + (hole.diameter / 2) * Math.sin(angle)];
  });
}
const HOLE_POINTS = 48;

/** The board that is sawn new, with its holes and the middles of what is fixed to it. */
function boardTemplate({ base, cut }: Plan, outline: Polygon, count: number, of = ''): Bare[] {
  const { board } = cut;
  if (!board) return [];
  const box = bounds(outline);
  const names = base.hardware.map(({ kind }) => hardwareKind(kind).name);
  return [
    {
      of: `board${of}`,
      title: `Board${of}, ${board.materialName}, ${board.thickness} mm, saw ${count}`,
      lines: [
        { outline, closed: true, layer: 'cut' },
        ...base.holes.map((hole): TemplateLine => ({ outline: holeOutline(hole), closed: true, layer: 'cut' })),
      ],
      marks: [[0, box.minY], [box.maxX, 0], [0, box.maxY], [box.minX, 0], ...base.hardware.map(({ x, y }): Point => [x, y])],
      labels: base.hardware.map(({ x, y }, k) => ({ at: [x, y] as Point, says: names[k]! })),
      detailed: base.holes.length + base.hardware.length > 0,
    },
  ];
}

/** A pad's side at full size: drawn on both sides of the block, the upper line cut along. */
function stencil(foam: FoamPiece, of = ''): Bare[] {
  const { side } = foam;
  if (!side) return [];
  const [from, to] = [side[0]![0], side.at(-1)![0]];
  return [
    {
      of: `foam ${foam.pad} side`,
      title: `Side of the ${(NAMES[foam.role] ?? 'pad').toLowerCase()}${of}: a stencil, drawn on both sides`,
      lines: [{ outline: [[from, 0], [to, 0], ...[...side].reverse()], closed: true, layer: 'cut' }],
      marks: [],
      labels: [
        { at: [from, 0], says: `${foam.sideEnds[0]} edge, underside` },
        { at: [to, 0], says: `${foam.sideEnds[1]} edge` },
      ],
      // A stencil is held to the foam and drawn round: its size alone does not do.
      detailed: true,
      stencil: true,
    },
  ];
}

/** Half the length of the grain line, mm; shorter on a low piece. */
const GRAIN = 50;

/** A line along the warp through the middle of a piece. */
function grainLine({ outline }: CoverPiece): Polygon {
  const box = bounds(outline);
  const [x, y] = [(box.minX + box.maxX) / 2, (box.minY + box.maxY) / 2];
  const half = Math.min(GRAIN, box.height * 0.3);
  return [
    [x, y - half],
    [x, y + half],
  ];
}

function coverTemplate(cover: CoverPiece, variant = ''): Bare {
  // What is stapled nowhere is sewn all round, also where no edge is told by itself.
  const sewn = cover.stapleLine.length === 0 || cover.edges.some((edge) => edge.kind !== 'staple');
  return {
    of: `cloth ${cover.id} ${variant}`.trim(),
    title: `${cover.name}, cut ${cover.count}${OF_CLOTH[cover.cloth]}`,
    lines: [
      { outline: cover.outline, closed: true, cloth: true, layer: 'cut' },
      { outline: sewn ? cover.sewn : cover.trimLine, closed: true, dashed: true, layer: 'seam' },
      ...cover.lines.map((line): TemplateLine => ({
        outline: line.points,
        closed: line.closed,
        dashed: line.kind !== 'cut',
        layer: line.kind === 'cut' ? 'cut' : 'mark',
        ...(line.kind === 'fold' || line.kind === 'staple' ? { along: true } : {}),
      })),
      { outline: grainLine(cover), closed: false },
    ],
    labels: [
      ...cover.notches.map(({ x, y, label }) => ({ at: [x, y] as Point, says: label })),
      ...cover.marks.filter(({ kind }) => kind === 'match').map(({ x, y, label }) => ({ at: [x, y] as Point, says: label })),
      { at: grainLine(cover)[1]!, says: 'grain' },
      ...(cover.hand ? [{ at: grainLine(cover)[0]!, says: cover.hand }] : []),
    ],
    notches: cover.notches.map(({ x, y, label }) => ({ at: [x, y] as Point, says: label })),
    detailed: cover.marks.length > 0 || cover.lines.some(({ kind }) => kind === 'cut' || kind === 'stitch' || kind === 'nail'),
    marks: [...cover.centreMarks, ...cover.notches.map(({ x, y }): Point => [x, y]), ...cover.marks.map(({ x, y }): Point => [x, y])],
  };
}

/** Of a part that is quilted its template; its rough shape, for which the size does, only where somebody asks for it. */
function coverTemplates(cover: CoverPiece, variant = ''): Bare[] {
  if (!cover.template) return [coverTemplate(cover, variant)];
  const rough = coverTemplate(cover, `rough ${variant}`.trim());
  const finished = coverTemplate(cover.template, variant);
  return [
    { ...finished, title: `${finished.title}, after quilting` },
    { ...rough, title: `${rough.title}, rough`, trimmed: true },
  ];
}

/** A nail strip is held by one hand along the line, and goes on a sheet of paper: no longer than this, mm. */
const NAIL_STRIP = { long: 250, wide: 40, end: 15, apart: 6, alike: 0.05 };

/** Strips that nails are spaced by, one for every pitch: laid on the last nail it gives the next. */
function nailStrips(nails: Plan['cover']['nails']): Bare[] {
  if (!nails) return [];
  const pitches: { pitch: number; edges: string[] }[] = [];
  for (const { edge, pitch } of nails.runs) {
    const known = pitches.find((candidate) => Math.abs(candidate.pitch - pitch) < NAIL_STRIP.alike);
    if (known) known.edges.push(edge);
    else pitches.push({ pitch, edges: [edge] });
  }
  // One below the other on one sheet of paper.
  const half = NAIL_STRIP.wide / 2;
  const lines: TemplateLine[] = [];
  const marks: Point[] = [];
  const labels: { at: Point; says: string }[] = [];
  pitches.forEach(({ pitch, edges }, row) => {
    const y = -row * (NAIL_STRIP.wide + NAIL_STRIP.apart);
    const gaps = Math.max(1, Math.floor(NAIL_STRIP.long / pitch));
    const [from, to] = [-NAIL_STRIP.end, gaps * pitch + NAIL_STRIP.end];
    const outline: Polygon = [
      [from, y - half],
      [to, y - half],
      [to, y + half],
      [from, y + half],
    ];
    const middle: Polygon = [
      [from, y],
      [to, y],
    ];
    lines.push({ outline, closed: true, layer: 'cut' }, { outline: middle, closed: false });
    marks.push(...Array.from({ length: gaps + 1 }, (_, k): Point => [k * pitch, y]));
    labels.push({ at: [0, y], says: `${[...new Set(edges)].join(', ')}: on the last nail` });
  });
  return [
    { of: 'nail strips', title: `Nail ${pitches.length === 1 ? 'strip' : 'strips'}`, lines, marks, labels, detailed: true, stencil: true },
  ];
}

/** The templates of a plan: foam pads, then the cloth with its lines, strips for nails; then those of pieces that were measured differently. */
export function templatesOf(plan: Plan): Template[] {
  const bare = [
    ...boardTemplate(plan, plan.outline.points, firstOutlineCount(plan)),
    ...plan.foam.filter(({ kept }) => !kept).flatMap((foam) => [padTemplate(foam), ...stencil(foam)]),
    ...plan.cover.pieces.flatMap((piece) => coverTemplates(piece)),
    ...nailStrips(plan.cover.nails),
    ...plan.variants.flatMap((variant) => [
      ...boardTemplate(plan, variant.outline.points, variant.count, ` of ${variant.name}`),
      ...variant.foam.flatMap((foam) => [padTemplate(foam, ` of ${variant.name}`), ...stencil(foam, ` of ${variant.name}`)]),
      ...variant.covers.flatMap((cover) => coverTemplates(cover, variant.id)),
    ]),
  ];
  const known = new Map<string, number>();
  return bare.map(({ of, ...template }) => {
    const text = of.toLowerCase().replace(/[^a-z0-9]+/g, '-');
    const before = known.get(text) ?? 0;
    known.set(text, before + 1);
    return { id: before > 0 ? `${text}-${before + 1}` : text, ...template };
  });
}
