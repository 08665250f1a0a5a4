import type { BaseShape } from '../schema/shapes';
import { edgeNamed } from '../edge-part';
import { filletPolygon, tangentLength, type Corner } from '../polygon/fillet-polygon';
import { flatten } from '../polygon/flatten';
import { bounds } from '../polygon/measure';
import { drawNodes, type OutlineNode } from '../editing/nodes';
import { translated } from '../polygon/segment';
import { archedOutline, bowedOutline, crownedOutline, dOutline, kidneyOutline, ovalOutline } from '../shapes/curved';
import { alcoveCorners, cornerSeatCorners, fourCorners, quarteredCorners, seenRadius, steppedCorners } from '../shapes/straight';
import { closeBevel } from './bevel';
import { offsetNodes, saddleNodes, twoTapesNodes } from './points';
import { closeQuad, type Closing } from './quad';
import type { Outline, Point } from '../types';

/** A drawn outline, how far it was moved to be centred, and anything that keeps it from being drawn as measured. */
export type Measured = { outline: Outline; moved: Point; wrong: string | null };

const NOTHING: Outline = { segments: [] };

function whole(outline: Outline, tooRound: readonly number[] = []): Measured {
  return {
    outline,
    moved: [0, 0],
    wrong: tooRound.length > 0 ? 'A corner radius does not fit between its two edges; make it smaller' : null,
  };
}

/** Puts the middle of an outline's surrounding rectangle on the origin. */
function centred({ outline, wrong }: Measured): Measured {
  if (outline.segments.length === 0) return { outline, moved: [0, 0], wrong };
  const box = bounds(flatten(outline));
  const by: Point = [-(box.minX + box.maxX) / 2, -(box.minY + box.maxY) / 2];
  return { outline: { segments: outline.segments.map((segment) => translated(segment, by)) }, moved: by, wrong };
}

function ofNodes(nodes: readonly OutlineNode[], mirrored: boolean, least: number): Measured {
  if (nodes.length < least) return { outline: NOTHING, moved: [0, 0], wrong: 'These measurements do not make a closed outline yet' };
  const { outline, tooRound } = drawNodes({ nodes, mirrored });
  return whole(outline, tooRound);
}

function ofCorners(corners: Corner[]): Measured {
  const n = corners.length;
  const long = corners.findIndex((corner, i) => {
    const next = corners[(i + 1) % n]!;
    const length = Math.hypot(next.at[0] - corner.at[0], next.at[1] - corner.at[1]);
    return tangentLength(corners, i) + tangentLength(corners, (i + 1) % n) > length + 1e-6;
  });
  const wrong = long < 0 ? null : `The corner radii do not fit on the ${corners[long]!.edgeAfter} edge; make them smaller`;
  return { outline: filletPolygon(corners), moved: [0, 0], wrong };
}

/**
 * Draws a base from its measurements, its middle on the origin, before any notches.
 *
 * @param shape the measured shape, mm and radians
 */
export function measuredOutline(shape: BaseShape): Measured {
  switch (shape.type) {
    case 'round':
      return whole({
        segments: [
          { kind: 'arc', edge: edgeNamed('edge'), centre: [0, 0], radius: shape.diameter / 2, start: -Math.PI / 2, sweep: 2 * Math.PI },
        ],
      });
    case 'rectangle':
    case 'trapezoid':
      return ofCorners(quarteredCorners(shape));
    case 'bowed': {
      const { outline, tooRound } = bowedOutline(shape);
      return whole(outline, tooRound);
    }
    case 'oval':
      return whole(ovalOutline(shape));
    case 'd':
      return whole(dOutline(shape));
    case 'kidney':
      return whole(kidneyOutline(shape));
    case 'arched': {
      const { outline, tooRound } = archedOutline(shape);
      return whole(outline, tooRound);
    }
    case 'crowned': {
      const { outline, tooRound } = crownedOutline(shape);
      return whole(outline, tooRound);
    }
    case 'stepped':
      return ofCorners(steppedCorners(shape));
    case 'alcove':
      return centred(ofCorners(alcoveCorners(shape)));
    case 'corner':
      return centred(ofCorners(cornerSeatCorners(shape)));
    case 'quad': {
      const closed = closeQuad(shape);
      if (!closed)
        return {
          outline: NOTHING,
          moved: [0, 0],
          wrong: 'These sides and diagonals cannot meet: one of them is far too long or too short',
        };
      const radius = { front: seenRadius(shape.cornerRadius.front), back: seenRadius(shape.cornerRadius.back) };
      return centred(ofCorners(fourCorners(closed.corners, radius)));
    }
    case 'bevel': {
      if (shape.rows.length < 3) return { outline: NOTHING, moved: [0, 0], wrong: 'A closed shape has at least three sides' };
      const { corners } = closeBevel(shape.rows);
      return centred(
        ofNodes(
          corners.map(([x, y]) => ({ x, y, radius: 0, to: { kind: 'line' as const } })),
          false,
          3,
        ),
      );
    }
    case 'offsets':
      return centred(ofNodes(offsetNodes(shape), false, 3));
    case 'two-tapes': {
      const nodes = twoTapesNodes(shape);
      const dropped = shape.rows.length - nodes.length;
      const drawn = centred(ofNodes(nodes, false, 3));
      return dropped > 0
        ? { ...drawn, wrong: 'Two tapes of one point do not meet: together they must be longer than the two fixed points are apart' }
        : drawn;
    }
    case 'saddle':
      return shape.rows.length < 2
        ? { outline: NOTHING, moved: [0, 0], wrong: 'A saddle needs at least two cross-sections' }
        : centred(ofNodes(saddleNodes(shape), true, 3));
    case 'drawn':
      return ofNodes(shape.nodes, shape.mirrored, 2);
  }
}

/**
 * How a shape that was measured with more than it needs closes, and where the difference went.
 *
 * @param shape the measured shape
 * @returns null for shapes without a measurement to spare
 */
export function closingOf(shape: BaseShape): Closing | null {
  if (shape.type === 'quad') return closeQuad(shape)?.closing ?? null;
  if (shape.type === 'bevel' && shape.rows.length >= 3) return closeBevel(shape.rows).closing;
  return null;
}
