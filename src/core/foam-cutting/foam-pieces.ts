import { intersectD, FillRule } from 'clipper2-ts';
import { sideOf, type BuiltPad, type ModelOf } from '../padding';
import { laminate } from '../foam';
import { bounds, offsetPolygon, polygonArea, type Point, type Polygon } from '../outline';
import { letInto, thickest, WEDGE_WAYS, type Packet, type Pad, type Piece, type Pocket } from '../piece';

/** What of the piece its foam pieces hang on: how its pads are cut, and how many are made. */
export type FoamFields = Pick<Piece, 'pads' | 'count'>;
type FoamModel = ModelOf<FoamFields, 'foamOversize'>;

/** One block of a pad: what is cut as one piece. */
export type FoamBlock = { outline: Polygon; width: number; height: number; area: number };

/** A pad as foam pieces to cut: `count` is pieces over the whole set, layers and blocks included. */
export type FoamPiece = {
  pad: string;
  role: string;
  material: string;
  materialName: string;
  thickness: number;
  /** thicknesses sold that make it up, base up; more than its own when it must be slit */
  layers: number[];
  exact: boolean;
  /** how thick a block the layers make: that of two wedges where they are cut in pairs */
  made: number;
  /** two wedges come from each block */
  pair: boolean;
  /** what it is cut from where that is not a sheet */
  packet: Packet | null;
  count: number;
  /** as it is cut; rough-cut, that is larger than it becomes */
  width: number;
  height: number;
  area: number;
  outline: Polygon;
  /** as it is once it lies there: what it is trimmed to */
  finished: { width: number; height: number; outline: Polygon };
  /** rough-cut, and trimmed to the board once it is glued */
  trimmed: boolean;
  /** the blocks it is joined from side by side; one where it is whole */
  blocks: FoamBlock[];
  /** cut from what is left over in the store: nothing is bought for it */
  scrap: boolean;
  /** an old pad that goes back in: nothing is cut for it */
  kept: NonNullable<Pad['kept']> | null;
  /** where pockets are carved into it, or patches let in */
  letIn: Polygon[];
  /** its side as it is drawn on the foam, from its near edge and its underside: where it is cut to a line; null where it is level */
  side: Point[] | null;
  /** what the ends of that side are called */
  sideEnds: readonly [string, string];
  /** the pad that this one is let into, from above: the insert of a pocket, or fresh foam in old */
  insertOf: string | null;
  /** which of what is let into it, from 1 */
  nth: number;
  /** how wide its rim is cut sloping, to lie in a wall that slopes; mm */
  blend: number;
};

/** Sides of the polygon that an oval is cut as. */
const OVAL = 72;

/** A pocket’s oval. */
export function pocketOutline({ x, y, width, length }: Pocket): Polygon {
  return Array.from({ length: OVAL }, (_, i): Point => {
    const angle = (2 * Math.PI * i) / OVAL;
    return [x + (width / 2) * Math.cos(angle), y + (length / 2) * Math.sin(angle)];
  });
}

/** What the ends of a pad's side are called: a wedge may run from left to right. */
export function endsOf({ wedge, wedgeWay, profile }: Pick<Pad, 'wedge' | 'wedgeWay' | 'profile'>): readonly [string, string] {
  return typeof wedge === 'number' && !profile ? (WEDGE_WAYS.find(({ id }) => id === wedgeWay) ?? WEDGE_WAYS[0]).ends : WEDGE_WAYS[0].ends;
}

/** What is let into a pad: laid in from above and trimmed flush, so the next thickness sold does. */
function insertPieces({ piece }: FoamModel, { pad, letIn }: BuiltPad): FoamPiece[] {
  return letIn.map(({ pocket, foam }, value): FoamPiece => {
    const outline = pocketOutline(pocket);
    const proud = foam.sold.find((thickness) => thickness >= pocket.deep);
    const layers = proud === undefined ? laminate(pocket.deep, foam.sold).layers : [proud];
    const { width, length: height } = pocket;
    return {
      pad: value === 0 ? `${pad.id} insert` : `${pad.id} insert ${value + 1}`,
      role: pad.role,
      material: foam.id,
      materialName: foam.name,
      thickness: pocket.deep,
      layers,
      exact: true,
      made: pocket.deep,
      pair: false,
      packet: null,
      count: piece.count * layers.length,
      width,
      height,
      area: polygonArea(outline),
      outline,
      finished: { width, height, outline },
      trimmed: false,
      blocks: [blockOf(outline)],
      scrap: false,
      kept: null,
      letIn: [],
      side: null,
      sideEnds: endsOf(pad),
      insertOf: pad.id,
      nth: value + 1,
      blend: pocket.blend ?? 0,
    };
  });
}

/** Reach of a strip beyond the pad, mm. */
const BEYOND = 10;

function blockOf(outline: Polygon): FoamBlock {
  const box = bounds(outline);
  return { outline, width: box.width, height: box.height, area: polygonArea(outline) };
}

/**
 * Splits a pad into blocks of even size: side by side, and where one is not long enough one behind the other.
 *
 * @param outline of the pad
 * @param across how many side by side
 * @param deep how many one behind the other
 */
export function inBlocks(outline: Polygon, across: number, deep = 1): FoamBlock[] {
  if (across * deep <= 1) return [blockOf(outline)];
  const box = bounds(outline);
  const subject = outline.map(([x, y]) => ({ x, y }));
  return Array.from({ length: across * deep }, (_, k) => {
    const [i, j] = [k % across, Math.floor(k / across)];
    const [left, right] = [box.minX + (box.width * i) / across, box.minX + (box.width * (i + 1)) / across];
    const [low, high] = [
      box.minY + (box.height * j) / deep - (j === 0 ? BEYOND : 0),
      box.minY + (box.height * (j + 1)) / deep + (j === deep - 1 ? BEYOND : 0),
    ];
    const strip = [
      { x: left, y: low },
      { x: right, y: low },
      { x: right, y: high },
      { x: left, y: high },
    ];
    return intersectD([subject], [strip], FillRule.NonZero, 4).map((ring): Polygon => ring.map(({ x, y }) => [x, y] as const));
  })
    .flat()
    .map((ring) => blockOf(polygonArea(ring) < 0 ? [...ring].reverse() : ring));
}

/**
 * How many pieces of a packet a pad is joined from, side by side and one behind the other: the fewest, whichever way they lie.
 *
 * @param size of the pad as it is cut, mm
 * @param packet what it is cut from
 */
export function fromPacket(size: { width: number; height: number }, packet: Packet): { across: number; deep: number } {
  const ways = [
    [packet.width, packet.length],
    [packet.length, packet.width],
  ].map(([width, length]) => ({ across: Math.ceil(size.width / width! - 1e-9), deep: Math.ceil(size.height / length! - 1e-9) }));
  const [one, two] = ways as [{ across: number; deep: number }, { across: number; deep: number }];
  return two.across * two.deep < one.across * one.deep ? two : one;
}

/**
 * Whether a pad's wedges are cut in pairs: it must be one, new, level from side to side, and there must be two of it.
 *
 * @param pad of the document
 * @param count how many of it there are in the set, blocks included
 */
export function isPaired(pad: Pick<Pad, 'pair' | 'wedge' | 'thickness' | 'profile' | 'kept'>, count: number): boolean {
  const { pair, wedge, thickness, profile, kept } = pad;
  return Boolean(pair) && typeof wedge === 'number' && wedge !== thickness && !profile && !kept && count > 1;
}

/**
 * How many layers of a pad are glued to what lies under them.
 *
 * @param pad as it is cut
 * @param onNothing whether nothing lies under it: the lowest pad of a loose cover
 */
export function gluedLayers({ layers, kept }: Pick<FoamPiece, 'layers' | 'kept'>, onNothing: boolean): number {
  if (kept === 'stays') return 0;
  return layers.length - (onNothing ? 1 : 0);
}

/**
 * Whether a pad can be rough-cut and trimmed: only what reaches the board's edge has an edge to run the blade along; a drawn
 * outline, and an old pad, are what they are.
 *
 * @param pad of the document
 * @param offset beyond the board (+) or short of it (−), mm
 */
export function canBeTrimmed(pad: Pick<Pad, 'outline' | 'kept'>, offset: number): boolean {
  return offset >= 0 && !pad.outline && !pad.kept;
}

/**
 * The foam pieces of every pad, in the order of the stack, and then what is let into them.
 *
 * @param model the built piece
 */
export function foamPieces(model: FoamModel): FoamPiece[] {
  const pads = model.pads.map((built, i): FoamPiece => {
    const { foam } = built;
    // How it is cut is said in the document alone: nothing of that is left in the stack.
    const pad = model.piece.pads[i]!;
    const retained = pad.kept ?? null;
    const trimmed = Boolean(pad.trim) && canBeTrimmed(pad, built.offset);
    const polygon = trimmed ? (offsetPolygon(built.polygon, model.rule('foamOversize')) ?? built.polygon) : built.polygon;
    const [box, item] = [bounds(polygon), bounds(built.polygon)];
    const packet = retained ? null : (pad.packet ?? null);
    const parts = packet ? fromPacket(box, packet) : { across: 1, deep: 1 };
    const deep = Math.max(parts.deep, pad.blocksDeep ?? 1);
    const across = Math.max(parts.across, pad.blocks ?? 1);
    const blocks = inBlocks(polygon, across, deep);
    const all = model.piece.count * blocks.length;
    // Of a wedge joined along its slope no two parts are alike.
    const pair = (pad.wedgeWay === 'right' ? across : deep) === 1 && isPaired(pad, all);
    const made = pair ? pad.thickness + pad.wedge! : thickest(pad);
    const { layers, exact } = retained
      ? { layers: [pad.thickness], exact: true }
      : laminate(made, foam.sold, (pad.wedge ?? null) === null ? undefined : 0);
    return {
      pad: pad.id,
      role: pad.role,
      material: foam.id,
      materialName: foam.name,
      thickness: pad.thickness,
      layers,
      exact,
      made,
      pair,
      packet,
      count: (pair ? Math.ceil(all / 2) : all) * layers.length,
      width: box.width,
      height: box.height,
      area: polygonArea(polygon),
      outline: polygon,
      blocks,
      finished: { width: item.width, height: item.height, outline: built.polygon },
      trimmed,
      scrap: Boolean(pad.scrap),
      kept: retained,
      letIn: letInto(pad).map(pocketOutline),
      side: retained ? null : sideOf(pad, built.polygon),
      sideEnds: endsOf(pad),
      insertOf: null,
      nth: 1,
      blend: 0,
    };
  });
  return [...pads, ...model.pads.flatMap((built) => insertPieces(model, built))];
}
