import type { OutlineNode } from '../outline/nodes';

/** The shapes a base can be measured as. Lengths mm, angles radians; each is centred when it is drawn. */

export type CornerRadius = { front: number; back: number };

/** One reading across a line down the middle: how far along, and how far out to the left and right. */
export type OffsetRow = { at: number; left: number; right: number };
/** The distances of one point from the two fixed points. */
export type TapeRow = { a: number; b: number };
/** One side of a room-like shape and the inside angle at its far end, by bevel. */
export type BevelRow = { length: number; angle: number };
/**
 * A cross-section of a moulded pan, square to its centre line: distance from the front end, width, height of the
 * middle over the reference plane, how far the edges lie below the middle, and how far the surface stands proud of the
 * straight line from middle to edge half way out.
 */
export type PanRow = { at: number; width: number; height: number; drop: number; crown: number };

export type BaseShape =
  | { type: 'rectangle'; width: number; depth: number; cornerRadius: CornerRadius }
  | { type: 'trapezoid'; frontWidth: number; backWidth: number; depth: number; cornerRadius: CornerRadius }
  | { type: 'round'; diameter: number }
  /** depth is at the middle, the bow included */
  | { type: 'bowed'; frontWidth: number; backWidth: number; depth: number; bow: number; cornerRadius: CornerRadius }
  | { type: 'oval'; width: number; depth: number }
  /** straight back and sides, round front */
  | { type: 'd'; width: number; depth: number; straight: number }
  /** an oval with a hollow in its front */
  | { type: 'kidney'; width: number; depth: number; hollow: number }
  | { type: 'arched'; width: number; sideHeight: number; height: number; cornerRadius: CornerRadius }
  | {
      type: 'stepped';
      width: number;
      sideHeight: number;
      height: number;
      shoulder: number;
      cornerRadius: CornerRadius;
      insideRadius: number;
    }
  | { type: 'crowned'; width: number; sideHeight: number; height: number; shoulder: number; cornerRadius: CornerRadius }
  /** a seat between two walls: along the back wall, then each side at its own angle */
  | { type: 'alcove'; backWidth: number; leftAngle: number; leftDepth: number; rightAngle: number; rightDepth: number; frontRadius: number }
  /** a seat round a corner of the room; angles are inside angles */
  | {
      type: 'corner';
      leftWall: number;
      angle: number;
      rightWall: number;
      leftDepth: number;
      rightDepth: number;
      leftEnd: number;
      rightEnd: number;
      insideRadius: number;
    }
  | { type: 'saddle'; nose: number; tail: number; rows: PanRow[] }
  | {
      type: 'quad';
      front: number;
      right: number;
      back: number;
      left: number;
      diagonalA: number;
      diagonalB: number;
      cornerRadius: CornerRadius;
    }
  | { type: 'offsets'; join: Join; rows: OffsetRow[] }
  | { type: 'two-tapes'; apart: number; join: Join; rows: TapeRow[] }
  | { type: 'bevel'; rows: BevelRow[] }
  | { type: 'drawn'; mirrored: boolean; nodes: OutlineNode[] };

/** How measured points are joined: straight from one to the next, or as a flexible rule would lie. */
export type Join = 'straight' | 'smooth';
