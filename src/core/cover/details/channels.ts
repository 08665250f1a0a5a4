import type { RuleReader } from '../../house';
import { bounds, lineCrossings, type Point, type Polygon } from '../../outline';
import type { Channels } from '../../piece';
import { movedPiece } from './finish';
import { flatPiece, withAllowances, type CoverPiece } from '../laying/cloth-piece';

/** The stitched channels of a piece. Lengths mm; the thread for one piece. */
export type ChannelPlan = {
  piece: string;
  /** every part that is quilted: of a panel that is split each half */
  parts: string[];
  /** whole channels, the width of one as sewn, and what is left at either edge */
  count: number;
  width: number;
  part: number;
  lines: number;
  /** what each stitched line takes up, and whether a sewn swatch said so */
  takeUp: number;
  fromSwatch: boolean;
  /** distance from line to line as marked on the cloth */
  pitch: number;
  /** the cloth across the channels: as sewn, and opened for the lines with its allowances, before it is cut rough */
  sewnWidth: number;
  cutWidth: number;
  thread: number;
  backing: number;
};

/** What a stitched line takes up: measured on a swatch, or by the house rule, mm. */
export function takeUpOf({ swatch }: Channels, rule: RuleReader): number {
  return swatch ? (swatch.before - swatch.after) / swatch.lines : rule('channelTakeUp');
}

/** A line in the plane: a point on it and the unit normal that says which side is beyond it. */
type Stitch = { at: Point; normal: Point };

/** A strip narrower than this beside the seam takes no line of its own: the outer channel is so much wider, mm. */
const LEAST_PART = 8;

/** A fan's lines meet this many panel depths below its near edge. */
const FAN = 1.2;

/** The stitched lines as they lie on the finished piece, from one side to the other. */
function stitches({ lay, run, width, centre }: Channels, sewn: Polygon): { stitches: Stitch[]; across: number } {
  const box = bounds(sewn);
  const middle: Point = [(box.minX + box.maxX) / 2, (box.minY + box.maxY) / 2];
  const straight = lay === 'straight';
  const across = !straight || run === 'front-to-back' ? box.width : box.height;
  const offsets: number[] = [];
  for (let c = centre === 'channel' ? width / 2 : 0; c < across / 2 - LEAST_PART; c += width) offsets.push(c, ...(c > 0 ? [-c] : []));
  offsets.sort((a, b) => a - b);
  if (straight) {
    const normal: Point = run === 'front-to-back' ? [1, 0] : [0, 1];
    return { across, stitches: offsets.map((c) => ({ at: [middle[0] + normal[0] * c, middle[1] + normal[1] * c], normal })) };
  }
  // Wide ends at the far edge: every line runs from there to one point in front of the piece.
  const apex: Point = [middle[0], box.minY - FAN * box.height];
  return {
    across,
    stitches: offsets.map((c) => {
      const angle = Math.atan2(c, box.maxY - apex[1]);
      return { at: apex, normal: [Math.cos(angle), -Math.sin(angle)] };
    }),
  };
}

/** Opens a place on a piece by every line's take-up: half to either side, so that the middle stays. */
function opened([x, y]: Point, lines: readonly Stitch[], takeUp: number, value = -1): Point {
  let [dx, dy] = [0, 0];
  lines.forEach(({ at, normal }, k) => {
    if (k === value) return;
    const beyond = Math.sign(Math.round(((x - at[0]) * normal[0] + (y - at[1]) * normal[1]) * 1e6));
    dx += (normal[0] * takeUp * beyond) / 2;
    dy += (normal[1] * takeUp * beyond) / 2;
  });
  return [x + dx, y + dy];
}

/**
 * The channels of a panel that is cut in several parts, taken together: lines and thread of all, sizes of the first.
 *
 * @param plans of each part
 */
export function channelsTogether([first, ...rest]: readonly ChannelPlan[]): ChannelPlan {
  return rest.reduce<ChannelPlan>(
    (all, plan) => ({
      ...all,
      parts: [...all.parts, ...plan.parts],
      count: all.count + plan.count,
      lines: all.lines + plan.lines,
      thread: all.thread + plan.thread,
    }),
    first!,
  );
}

/** Where a place of a piece comes to once the piece is opened for its channels, mm. */
export function channelOpening(piece: CoverPiece, channels: Channels, rule: RuleReader): (at: Point) => Point {
  const takeUp = takeUpOf(channels, rule);
  const { stitches: lines } = stitches(channels, piece.sewn);
  return (at) => opened(at, lines, takeUp);
}

/** A piece opened for its channels, the same as it comes out of the quilting, and the figures. */
type Quilted = { piece: CoverPiece; finished: CoverPiece; plan: ChannelPlan };

/** A stitched line from edge to edge of the finished piece, and which of the lines it is. */
type Chord = { k: number; points: Point[] };

/**
 * Sewn parts as they are cut first: those that are quilted opened for their channels and so much larger all round, since quilting moves
 * their edges. Once quilted they are cut to their templates.
 *
 * @param pieces the parts of a cover, opened where they are quilted
 * @param finished those that are quilted, as they must be once they are
 * @param beyond all round, mm
 */
export function cutFirst(pieces: readonly CoverPiece[], finished: readonly CoverPiece[], beyond: number): CoverPiece[] {
  return pieces.map((piece) => {
    const template = finished.find(({ id }) => id === piece.id);
    if (!template) return piece;
    const sides = piece.outline.map(() => beyond);
    return {
      ...piece,
      ...flatPiece(piece.name, piece.count, withAllowances(piece.outline, sides)),
      note: [template.note, 'Cut it rough and quilt it, then cut it to its template.'].filter(Boolean).join(' '),
      template,
    };
  });
}

/**
 * Lays out channels on a piece and opens it by what the stitching takes up. Source: docs/models.md, "Channels":
 * cut width = n·(w + take-up) + 2·seam, symmetric about the middle.
 *
 * @param piece the piece as it must be once stitched
 * @param channels the wanted channels
 * @param rule the house rules
 * @returns the piece to cut, with its stitch lines, and the figures
 */
export function channelled(piece: CoverPiece, channels: Channels, rule: RuleReader): Quilted {
  const takeUp = takeUpOf(channels, rule);
  const { stitches: lines, across } = stitches(channels, piece.sewn);
  const open = (p: Point): Point => opened(p, lines, takeUp);
  const chords = lines.flatMap(({ at, normal }, k): Chord[] => {
    const along: Point = [-normal[1], normal[0]];
    const crossings = lineCrossings(piece.sewn, at, along).sort((a, b) => a - b);
    if (crossings.length < 2) return [];
    return [{ k, points: [crossings[0]!, crossings.at(-1)!].map((t): Point => [at[0] + along[0] * t, at[1] + along[1] * t]) }];
  });
  const drawn = chords.map(({ k, points }) => points.map((point) => opened(point, lines, takeUp, k)));
  const length = (line: readonly Point[]): number =>
    line.length > 1 ? Math.hypot(line[1]![0] - line[0]![0], line[1]![1] - line[0]![1]) : 0;
  const wide = movedPiece(piece, open);
  const stitchLines = (each: readonly Point[][]): CoverPiece['lines'] =>
    each.map((points) => ({ kind: 'stitch' as const, points, closed: false }));
  // Channels lie between lines; what is beyond the outer ones is a part of one at either edge.
  const whole = Math.max(0, lines.length - 1);
  const part = (across - whole * channels.width) / 2;
  return {
    piece: {
      ...wide,
      lines: [...wide.lines, ...stitchLines(drawn)],
      note: [piece.note, 'Stitch the channels first: they draw it in to its sewn size.'].filter(Boolean).join(' '),
    },
    finished: { ...piece, lines: [...piece.lines, ...stitchLines(chords.map(({ points }) => points))] },
    plan: {
      piece: piece.id,
      parts: [piece.id],
      count: whole,
      width: channels.width,
      part: Math.abs(part - channels.width) < 0.5 ? channels.width : part,
      lines: drawn.length,
      takeUp,
      fromSwatch: channels.swatch !== null,
      pitch: channels.width + takeUp,
      sewnWidth: across,
      cutWidth: across + lines.length * takeUp + 2 * (piece.edges[0]?.kind === 'seam' ? piece.edges[0].allowance : 0),
      thread: (drawn.reduce((sum, line) => sum + length(line), 0) * rule('threadFactor')) / 100,
      backing: channels.backing,
    },
  };
}
