import type { CoverPiece } from '../cover';
import type { FoamPiece } from '../cut';
import { bounds, type Point, type Polygon } from '../outline';
import type { Plan } from '../plan';

/** A line on a template and how it is drawn; the cloth's own edge is printed in colour. */
export type TemplateLine = { outline: Polygon; closed: boolean; dashed?: boolean; cloth?: boolean };
/** A piece to be printed at full size. */
export type Template = { title: string; lines: TemplateLine[]; marks: Point[]; labels?: { at: Point; says: string }[] };

const NAMES: Record<string, string> = { crown: 'Crown pad', main: 'Main pad', topper: 'Topper' };

function padTemplate(foam: FoamPiece, of = ''): Template {
  const box = bounds(foam.outline);
  return {
    title: `${NAMES[foam.role] ?? 'Pad'}${of}, ${foam.materialName}, ${foam.layers.join(' + ')} mm, cut ${foam.count}${foam.scrap ? ', from scraps' : ''}`,
    // Joins between blocks are dashed: each block is cut along them.
    lines: [
      { outline: foam.outline, closed: true },
      ...(foam.blocks.length > 1 ? foam.blocks.map((block): TemplateLine => ({ outline: block.outline, closed: true, dashed: true })) : []),
    ],
    marks: [
      [0, box.minY],
      [box.maxX, 0],
      [0, box.maxY],
      [box.minX, 0],
    ],
  };
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

function coverTemplate(cover: CoverPiece): Template {
  const sewn = cover.edges.some((edge) => edge.kind !== 'staple');
  return {
    title: `${cover.name}, cut ${cover.count}${cover.cloth === 'lining' ? ' of lining cloth' : ''}`,
    lines: [
      { outline: cover.outline, closed: true, cloth: true },
      ...(sewn ? [{ outline: cover.sewn, closed: true, dashed: true }] : [{ outline: cover.trimLine, closed: true, dashed: true }]),
      ...cover.lines.map((line): TemplateLine => ({ outline: line.points, closed: line.closed, dashed: line.kind !== 'cut' })),
      { outline: grainLine(cover), closed: false },
    ],
    labels: [
      ...cover.notches.map(({ x, y, label }) => ({ at: [x, y] as Point, says: label })),
      { at: grainLine(cover)[1]!, says: 'grain' },
      ...(cover.hand ? [{ at: grainLine(cover)[0]!, says: cover.hand }] : []),
    ],
    marks: [...cover.centreMarks, ...cover.notches.map(({ x, y }): Point => [x, y]), ...cover.marks.map(({ x, y }): Point => [x, y])],
  };
}

/** The templates of a plan: foam pads, then the cloth with its lines; then those of pieces that were measured differently. */
export function templatesOf(plan: Plan): Template[] {
  return [
    ...plan.foam.map((foam) => padTemplate(foam)),
    ...plan.cover.pieces.map(coverTemplate),
    ...plan.variants.flatMap((variant) => [
      ...variant.foam.map((foam) => padTemplate(foam, ` of ${variant.name}`)),
      ...variant.covers.map(coverTemplate),
    ]),
  ];
}
