import type { CoverPiece, Cut } from '../cover';
import type { FoamPiece } from '../cut';
import { bounds, type Point, type Polygon } from '../outline';
import type { Plan } from '../plan';

/** A line on a template and how it is drawn; the cloth's own edge is printed in colour. */
export type TemplateLine = { outline: Polygon; closed: boolean; dashed?: boolean; cloth?: boolean };
/** A piece to be printed at full size. */
export type Template = { title: string; lines: TemplateLine[]; marks: Point[] };

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

function coverTemplate(cover: CoverPiece, board: Polygon, cuts: readonly Cut[]): Template {
  return {
    title: `${cover.name}, cut ${cover.count}`,
    lines: [
      { outline: cover.outline, closed: true, cloth: true },
      { outline: cover.trimLine, closed: true, dashed: true },
      { outline: board, closed: true, dashed: true },
      ...cuts.map((cut): TemplateLine => ({ outline: [cut.from, cut.to], closed: false })),
    ],
    marks: cover.centreMarks,
  };
}

/** The templates of a plan: foam pads, then the cloth with its lines; then those of pieces that were measured differently. */
export function templatesOf(plan: Plan): Template[] {
  const cuts = [...plan.corners.map((corner) => corner.cut), ...(plan.cover.relief?.cuts ?? [])];
  return [
    ...plan.foam.map((foam) => padTemplate(foam)),
    coverTemplate(plan.cover.pieces[0]!, plan.outline.points, cuts),
    ...plan.variants.flatMap((variant) => [
      ...variant.foam.map((foam) => padTemplate(foam, ` of ${variant.name}`)),
      // Its corners lie elsewhere: they are relieved as on the others, by eye.
      coverTemplate(variant.cover, variant.outline.points, []),
    ]),
  ];
}
