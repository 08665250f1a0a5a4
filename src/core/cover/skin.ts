import { modelFrom, type ModelOf, type ModelReads } from '../padding';
import { cutCloths, fieldsOf, type Covering, type CutCloths } from '../piece';
import type { CoverFields } from './reads';
import { clothFor } from './cloths-on';
import type { Keep } from '../keep';
import { bounds, type Point } from '../outline';
import { discMesh, SeamTooDeep } from './laying/disc-mesh';
import { pulledSides } from './laying/pulled-sides';
import type { MadePanel } from './laying/make-panel';
import type { CoverPiece } from './laying/cloth-piece';
import { pulledTop } from './pulled/pulled-top';
import type { CoverInput, SewnCover } from './sew';
import { lowerEdge } from './surface/levels';
import type { Place3 } from './tape-over';

/** What of the piece tells where its cloth's pattern begins. */
type PatternFields = CutCloths & { covering: Pick<Covering, 'motif'> };
type PatternModel = ModelOf<PatternFields>;

const patternFields = (piece: CoverFields): PatternFields => ({ ...cutCloths(piece), covering: fieldsOf(piece.covering, 'motif') });

/** A part of the covered surface, and where each of its nodes lies on the cut cloth piece that covers it. */
export type ClothPatch = {
  piece: string;
  /** the panel that a map of its strain is known by */
  panel: string;
  /** which cloth is on it: the cover's own, the second, or lining */
  cloth: CoverPiece['cloth'];
  /** x y z by threes, mm */
  points: Float64Array;
  triangles: Uint32Array;
  /** x y by twos on the cut piece, from where the cloth's pattern begins there: how far across the roll and along it, mm */
  flat: Float64Array;
  /** lines stitched across it, in the same coordinates */
  stitches: Point[][];
};

/** The whole covered surface, from the middle of the top down to the board's lower edge, as its pieces cover it. */
export type Skin = { patches: ClothPatch[]; /** where a zip lies, mm */ zips: Place3[][] };

type Mesh = { points: Float64Array; triangles: Uint32Array };

/** Where a pattern begins on a piece: at the motif, or at the corner by which the piece is laid on the repeat. */
function patternStart(piece: CoverPiece, { piece: { covering, ...item } }: PatternModel): Point {
  const cloth = clothFor(item, piece.cloth);
  const along = cloth.direction !== 'across';
  const box = bounds(piece.outline);
  if (!piece.motif || !covering.motif || piece.cloth === 'second') return [box.minX, box.minY];
  const [across, down] = covering.motif.on === 'between' ? [cloth.repeatAcross / 2, cloth.repeatAlong / 2] : [0, 0];
  return along ? [piece.motif.x - across, piece.motif.y - down] : [piece.motif.x - down, piece.motif.y - across];
}

/** From a place on a cut piece to how far it is across the roll and along it from where the pattern begins. */
function fromPattern(piece: CoverPiece, model: PatternModel): (at: Point) => Point {
  const turned = clothFor(model.piece, piece.cloth).direction === 'across';
  const [x0, y0] = patternStart(piece, model);
  return ([x, y]) => (turned ? [y - y0, x - x0] : [x - x0, y - y0]);
}

/** What of a patch is read off its piece: where its nodes lie on the cloth, and what is stitched across it. */
function onCloth(
  flat: Float64Array,
  piece: CoverPiece,
  { model, making }: { model: PatternModel; making: SewnCover['making'] },
  open: (at: Point) => Point,
): Pick<ClothPatch, 'flat' | 'stitches'> {
  const longer = (piece.cloth === 'second' ? making.second?.preShrink : null) ?? making.preShrink;
  const across = fromPattern(piece, model);
  const out = new Float64Array(flat.length);
  for (let i = 0; i < flat.length; i += 2) out.set(across(open([flat[i]! * longer, flat[i + 1]! * longer])), i);
  return { flat: out, stitches: piece.lines.filter(({ kind }) => kind === 'stitch').map(({ points }) => points.map(across)) };
}

/** The whole surface in one, where no flat piece is known for it: cloth as it lies in the plan. */
function plainSkin({ ring, first, making }: SewnCover, spacing: number, model: PatternModel): Skin | null {
  try {
    const { points, triangles, start } = discMesh(ring, lowerEdge(ring), spacing);
    return {
      patches: [
        { piece: 'cover', panel: 'plain', cloth: 'cover', points, triangles, ...onCloth(start, first, { model, making }, (at) => at) },
      ],
      zips: [],
    };
  } catch (error) {
    if (error instanceof SeamTooDeep) return null;
    throw error;
  }
}

/** A blank is measured out from the middle: what was laid flat is moved so that its middle lies there too. */
function aboutMiddle(flat: Float64Array, start: Float64Array, [x, y]: Point): Float64Array {
  let nearest = 0;
  for (let i = 0; i < start.length; i += 2)
    if (Math.hypot(start[i]! - x, start[i + 1]! - y) < Math.hypot(start[nearest]! - x, start[nearest + 1]! - y)) nearest = i;
  const [dx, dy] = [start[nearest]! - flat[nearest]!, start[nearest + 1]! - flat[nearest + 1]!];
  return flat.map((value, i) => value + (i % 2 === 0 ? dx : dy));
}

/** A pulled cover: its top as it was laid flat, and the cloth that goes on from there down the sides. */
function pulledSkin(model: PatternModel, corners: CoverInput['corners'], sewn: SewnCover, spacing: number): Skin | null {
  const { ring, first: piece, open } = sewn;
  const top = pulledTop(sewn.making, sewn.give, model);
  if (!top) return plainSkin(sewn, spacing, model);
  const flat = aboutMiddle(top.flat, top.mesh.start, model.middle);
  const sides = pulledSides(ring, top.mesh, flat, corners);
  const patch = (panel: string, mesh: Mesh, flat: Float64Array): ClothPatch => ({
    piece: piece.id,
    panel,
    cloth: 'cover',
    points: mesh.points,
    triangles: mesh.triangles,
    ...onCloth(flat, piece, { model, making: sewn.making }, open),
  });
  return { patches: [patch('cover', top.mesh, flat), patch('sides', sides, sides.flat)], zips: [] };
}

function panelPatch({ spec, mesh, flat, pieces }: MadePanel, { cover, open, making }: SewnCover, model: PatternModel): ClothPatch {
  const piece = cover.pieces.find(({ id }) => id === pieces[0]!.id) ?? pieces[0]!;
  const opened = piece.id === cover.pieces[0]!.id;
  return {
    piece: piece.id,
    panel: spec.id,
    cloth: spec.cloth ?? 'cover',
    points: mesh.points,
    triangles: mesh.triangles,
    ...onCloth(flat, piece, { model, making }, opened ? open : (at) => at),
  };
}

/** Zips, each once: its two halves know of the same one. */
function zipLines({ made }: SewnCover): Place3[][] {
  const known = new Map<string, Place3[]>();
  for (const line of made.flatMap(({ zips }) => zips)) {
    const ends = [line[0]!, line.at(-1)!].map((at) => at.map((value) => Math.round(value)).join(' ')).sort();
    if (!known.has(ends.join(', '))) known.set(ends.join(', '), line);
  }
  return [...known.values()];
}

/**
 * The surface that a picture in the round shows: the very one that the cover is cut from, each part of it with the cloth
 * that lies there.
 *
 * @param input what the cover was made from
 * @param sewn the cover
 * @param spacing side of a triangle where none is known from the cover itself, mm
 * @param keep keeps what did not change
 * @returns null where the edge crosses itself on its way down
 */
export function skinOf(input: CoverInput, sewn: SewnCover, spacing: number, keep: Keep): Skin | null {
  const { stack, figures, piece } = input.model;
  return keep('skin', { sewn, spacing, corners: input.corners, stack, figures, piece: patternFields(piece) }, makeSkin);
}

type SkinReads = ModelReads<PatternFields> & Pick<CoverInput, 'corners'> & { sewn: SewnCover; spacing: number };

function makeSkin({ sewn, spacing, corners, ...reads }: SkinReads, keep: Keep): Skin | null {
  const model = modelFrom(reads, keep);
  if (!sewn.cover.pulled && sewn.made.length > 0)
    return { patches: sewn.made.map((panel) => panelPatch(panel, sewn, model)), zips: zipLines(sewn) };
  return pulledSkin(model, corners, sewn, spacing);
}
