import { giveOf } from '../cloth';
import { readGrid, type CoveredSurface, type Model } from '../build';
import { edgeFullness, strainOf, strainSummary, flattenSurface, type StrainSummary, type Strain, type SurfaceMesh } from '../flattening';
import { bounds, crossesItself, type Point } from '../outline';
import { PieceProblems, type Covering, type Motif } from '../piece';
import { channelled, type ChannelPlan } from './channels';
import { flatPiece, type CoverPiece, type LiningPiece } from './cloth-piece';
import { buttonsOf, channelsOf, coveringOf, nailsOf, pulledOver, STARTING, WAYS } from './covering';
import { cornerPlans, reliefCuts, type ReliefCut } from './corners';
import { extraPieces, HIDDEN } from './extra-pieces';
import { buttoned, buttonPlan, nailPlan, type ButtonPlan, type NailPlan } from './grids';
import { insetSeam } from './levels';
import { linings } from './linings';
import { awayFromCorners, makePanel, type MadePanel } from './make-panel';
import type { Making } from './panel-spec';
import { notchPlaces } from './notch-places';
import { discMesh, levelOutline, SeamTooDeep } from './panel-mesh';
import { pullOver, type Beyond } from './pieces';
import { reachOf, seamLine, type Reach } from './reach';
import { ringOf, type Ring } from './ring';
import { seamPlans, tackStrips, type SeamPlan } from './seam-plans';
import { sewnCheck, type SewnCheck } from './sewn-check';
import { sewnPanels, type Sewn } from './ways';
import { suitsOf, type Suit } from './suits';
import { weltsOf, type WeltPlan } from './welts';
import type { StationSection, StationWrap } from './wrap';
import { yCuts, type YCut } from './y-cuts';

/** The zip of a cover that comes off. */
export type ZipPlan = { length: number; place: string; words: string };

/** Everything about the cover: how it is made, its pieces, what is sewn into it. */
export type CoverPlan = {
  method: Covering['way'];
  name: string;
  pieces: CoverPiece[];
  seams: SeamPlan[];
  /** seam lines in the plan, for the drawing */
  lines: { id: string; name: string; points: [number, number][] }[];
  relief: { pitch: number; cuts: ReliefCut[] } | null;
  yCuts: YCut[];
  reach: Reach;
  welts: WeltPlan[];
  channels: ChannelPlan | null;
  nails: NailPlan | null;
  buttons: ButtonPlan | null;
  zip: ZipPlan | null;
  /** width of the border, where the way has one */
  border: number | null;
  tackStrips: { edge: string; length: number }[];
  backing: { seam: string; width: number; length: number }[];
  linings: LiningPiece[];
  /** where a motif lies, where it was given its place */
  motif: Motif | null;
  strain: StrainSummary | null;
  /** cloth left over round the shoulder of a pulled cover, mm: worked in all round */
  fullness: number;
  /** which ways suit the surface and the cloth, and why */
  suits: Suit[];
  check: SewnCheck;
};

/** A piece's strain over its flat shape, for a map. */
export type StrainMap = {
  piece: string;
  triangles: Uint32Array;
  flat: Float64Array;
  warp: Float64Array;
  weft: Float64Array;
  bias: Float64Array;
};

/** A cover with what its figures are read from. */
export type SewnCover = { cover: CoverPlan; ring: Ring; maps: StrainMap[]; made: MadePanel[] };

/** Triangles across a piece: for the sheet, and for a picture while something is dragged. */
const ACROSS = { fine: 26, coarse: 14 };
/** Sides of triangles, mm. */
const SIDE: readonly [number, number] = [6, 45];

/**
 * Works out the cover: from the real surface to flat pieces, by the way of covering that was chosen.
 *
 * @param model the built piece; its count is how many are made to this outline
 * @param sections the stations' sections
 * @param stations what was measured on them
 * @param covered the covered surface
 * @param [coarse=false] larger triangles, and no strain of a pulled cover
 * @throws PieceProblems where a seam lies too deep for the outline
 */
export function sewCover(
  model: Model,
  sections: readonly StationSection[],
  stations: readonly StationWrap[],
  covered: CoveredSurface,
  coarse = false,
): SewnCover {
  const { piece, rule } = model;
  const chosen = coveringOf(piece);
  const box = bounds(model.board);
  const spacing = Math.min(SIDE[1], Math.max(SIDE[0], Math.max(box.width, box.height) / (coarse ? ACROSS.coarse : ACROSS.fine)));
  const { ring, covering } = fitted(model, sections, covered, chosen, spacing);
  const give = giveOf(piece.cloth);
  const making: Making = {
    ring,
    spacing,
    give,
    count: piece.count,
    preShrink: 1 / (1 - piece.cloth.shrinkage / 100),
    notches: notchPlaces(model, ring, rule('notchPitch')),
    corrections: covering.corrections ?? [],
    motif: covering.motif ? [covering.motif.x, covering.motif.y] : null,
    seams: new Map(),
  };
  const sewn = sewnPanels(model, ring, covering, Math.max(give.warp, give.weft));
  let made: MadePanel[] = [];
  try {
    made = sewn.panels.map((spec) => makePanel(spec, making));
  } catch (error) {
    if (!(error instanceof SeamTooDeep)) throw error;
    const [path, least] =
      covering.way === 'bordered'
        ? ['covering.border', 'border']
        : covering.way === 'lipped'
          ? ['covering.lip', 'lip']
          : ['covering.seamAt', 'seam'];
    throw new PieceProblems([
      { path: path!, message: `The ${least} lies too deep for this outline: its seam would cross itself. Bring it nearer the edge` },
    ]);
  }
  const finish = finishing(model, ring, covering, sewn, made, stations, making, coarse);
  const strain = finish.maps.length > 0 ? finish.worst : null;
  const seams = seamPlans(model, ring, sewn, finish.pieces);
  const cover: CoverPlan = {
    method: covering.way,
    name: WAYS.find((way) => way.id === covering.way)!.name,
    pieces: finish.pieces,
    seams,
    lines: sewn.seams.map((seam) => ({ id: seam.id, name: seam.name, points: seamLine(ring, seam).points })),
    relief: reliefCuts(model, stations),
    yCuts: yCuts(model, stations, covering),
    reach: reachOf(model, ring, stations, covering, sewn.seams, finish.beyond),
    welts: weltsOf(model, ring, covering, sewn.seams),
    channels: finish.channels,
    nails: finish.nails,
    buttons: finish.buttons,
    zip: sewn.zip && {
      length: sewn.zip.length,
      place: 'back',
      words: `Along the back and ${Math.round(rule('zipClear'))} mm round either corner: the pad is folded and goes in.`,
    },
    border: covering.way === 'bordered' ? covering.border! : null,
    tackStrips: tackStrips(ring, covering, sewn),
    backing: covering.backingStrips
      ? sewn.seams.map((seam) => ({ seam: seam.name, width: 2 * rule('seamAllowance') + 6, length: seamLine(ring, seam).length }))
      : [],
    linings: [...linings(model, stations, covering), ...backedFoam(finish)],
    motif: covering.motif ?? null,
    strain,
    fullness: finish.fullness,
    suits: suitsOf(model, stations, cornerPlans(model, stations), crownOf(model, covered)),
    check: sewnCheck(model, ring, covering, made, seams, stations),
  };
  return { cover, ring, maps: finish.maps, made };
}

/** Borders that are tried where nobody chose one, widest first, mm. */
const BORDERS = [STARTING.border, 70, 50, 35, 25] as const;

/** The ring for a covering; a border that nobody chose is taken as wide as the outline allows. */
function fitted(
  model: Model,
  sections: readonly StationSection[],
  covered: CoveredSurface,
  covering: Covering,
  spacing: number,
): { ring: Ring; covering: Covering } {
  const ringAt = (depth: number): Ring => ringOf(model, sections, covered, { spacing, depth });
  if (covering.way !== 'bordered') return { ring: ringAt(covering.way === 'lipped' ? (covering.lip ?? STARTING.lip) : SHALLOW), covering };
  if (covering.border !== undefined) return { ring: ringAt(covering.border), covering };
  const trials = BORDERS.map((border) => ({ ring: ringAt(border), covering: { ...covering, border } }));
  return trials.find(({ ring, covering: own }) => !crossesItself(levelOutline(ring, insetSeam(ring, own.border!, own)))) ?? trials[0]!;
}

/** Seams near the edge lie no deeper than this inside the board, mm. */
const SHALLOW = 24;

/** How far the covered middle stands over the lowest place of its rim, mm. */
function crownOf(model: Model, { grid, inner }: CoveredSurface): number {
  const middle = readGrid(grid, model.middle);
  const rim = grid.heights.reduce((low, z, k) => (inner[k] && z < low ? z : low), middle);
  return Number.isNaN(middle) ? 0 : middle - rim;
}

/** Channels are quilted on backed foam cut like the piece itself. */
function backedFoam({ pieces, channels }: Finished): LiningPiece[] {
  const quilted = channels && channels.backing > 0 ? pieces.find((piece) => piece.id === channels.piece) : undefined;
  return quilted
    ? [{ ...flatPiece(`Backed foam, ${Math.round(channels!.backing)} mm`, quilted.count, quilted.outline), material: 'backed-foam' }]
    : [];
}

type Finished = {
  pieces: CoverPiece[];
  beyond: Beyond | null;
  channels: ChannelPlan | null;
  nails: NailPlan | null;
  buttons: ButtonPlan | null;
  maps: StrainMap[];
  worst: StrainSummary | null;
  fullness: number;
};

/** How far the cloth of a pulled cover runs on under the board. */
function beyondOf(model: Model, covering: Covering): Beyond | null {
  const { rule } = model;
  if (covering.way !== 'tight-deck') return null;
  // With pulls the deck itself ends hidden below its own edge; plain cloth goes on from there.
  return covering.pulls
    ? { staple: HIDDEN, grip: rule('seamAllowance') }
    : { staple: rule('pullThrough') - rule('grip'), grip: rule('grip') };
}

function finishing(
  model: Model,
  ring: Ring,
  covering: Covering,
  sewn: Sewn,
  made: readonly MadePanel[],
  stations: readonly StationWrap[],
  making: Making,
  coarse: boolean,
): Finished {
  const { rule } = model;
  const beyond = beyondOf(model, covering);
  const give = making.give;
  let pieces: CoverPiece[];
  const maps: StrainMap[] = made.map(({ spec, mesh, flat, strain }) => mapOf(spec.id, mesh, flat, strain));
  let worst: StrainSummary | null = null;
  let fullness = 0;
  const chosen = channelsOf(covering);
  let channels: ChannelPlan | null = null;
  if (pulledOver(covering.way)) {
    let blank = pullOver(model, stations, beyond ?? undefined);
    const corrections = making.corrections.filter((correction) => correction.piece === 'cover');
    if (corrections.length > 0) blank = slackTaken(blank, corrections);
    if (!coarse) {
      // The shape of the top, inside the shoulder: the sides are folded or relieved.
      const mesh = discMesh(ring, new Float64Array(ring.places.length), making.spacing);
      const { flat } = flattenSurface(mesh, mesh.start, { tolerance: 0.02, rounds: 80 });
      const strain = strainOf(mesh, flat);
      worst = strainSummary(strain, give, awayFromCorners(ring, mesh));
      blank = { ...blank, strain: worst };
      maps.push(mapOf('cover', mesh, flat, strain));
      fullness = edgeFullness(
        mesh,
        mesh.start,
        ring.places.map((_, i) => i),
        model.middle,
      );
    }
    if (making.motif) blank = { ...blank, motif: { x: making.motif[0], y: making.motif[1] } };
    pieces = [blank];
  } else pieces = made.flatMap((panel) => panel.pieces);
  for (const { strain } of pieces) if (strain && (!worst || strain.share > worst.share)) worst = strain;
  const buttons = buttonsOf(covering);
  const padding = model.pads.reduce((sum, { pad }) => sum + pad.thickness, 0) + model.wadding;
  const buttonsPlan = buttons ? buttonPlan(model, buttons, padding) : null;
  if (buttons && buttonsPlan) pieces = pieces.map((piece, k) => (k === 0 ? buttoned(piece, buttonsPlan, buttons) : piece));
  if (chosen) {
    const done = channelled(pieces[0]!, chosen, rule);
    pieces = [done.piece, ...pieces.slice(1)];
    channels = done.plan;
  }
  const nails = nailsOf(covering);
  const stitch = covering.topStitch ?? 0;
  if (stitch > 0) pieces = pieces.map((piece) => withTopStitch(piece, stitch));
  pieces.push(...extraPieces(model, ring, covering, sewn, making));
  return {
    pieces: pieces.map((piece) => withMotifMark(piece)),
    beyond,
    channels,
    nails: nails ? nailPlan(model, nails) : null,
    buttons: buttonsPlan,
    maps,
    worst,
    fullness,
  };
}

function mapOf(piece: string, mesh: SurfaceMesh, flat: Float64Array, strain: Strain): StrainMap {
  return { piece, triangles: mesh.triangles, flat, warp: strain.warp, weft: strain.weft, bias: strain.bias };
}

/** A pulled cover that came out slack or tight on the first piece: so much is taken off its width or depth. */
function slackTaken(blank: CoverPiece, corrections: readonly { what: string; by: number }[]): CoverPiece {
  const by = (what: string): number => corrections.filter((c) => c.what === what).reduce((sum, c) => sum + c.by, 0);
  const [fx, fy] = [(blank.width - by('width')) / blank.width, (blank.height - by('depth')) / blank.height];
  const at = ([x, y]: Point): Point => [x * fx, y * fy];
  const outline = blank.outline.map(at);
  return {
    ...blank,
    ...flatPiece(blank.name, blank.count, outline),
    sewn: blank.sewn.map(at),
    stapleLine: blank.stapleLine.map(at),
    trimLine: blank.trimLine.map(at),
    centreMarks: blank.centreMarks.map(at),
  };
}

/** A second row of stitching inside every seam of a piece. */
function withTopStitch(piece: CoverPiece, distance: number): CoverPiece {
  const lines = piece.edges
    .filter((edge) => edge.kind === 'seam')
    .map((edge) => {
      const points: Point[] = [];
      for (let k = 0; k <= edge.sides; k++) {
        const n = piece.sewn.length;
        const [a, b] = [piece.sewn[(edge.from + k) % n]!, piece.sewn[(edge.from + k + 1) % n]!];
        const length = Math.hypot(b[0] - a[0], b[1] - a[1]) || 1;
        points.push([a[0] - ((b[1] - a[1]) / length) * distance, a[1] + ((b[0] - a[0]) / length) * distance]);
      }
      return { kind: 'top-stitch' as const, points, closed: false };
    });
  return { ...piece, lines: [...piece.lines, ...lines] };
}

function withMotifMark(piece: CoverPiece): CoverPiece {
  if (!piece.motif) return piece;
  return { ...piece, marks: [...piece.marks, { kind: 'motif', ...piece.motif, label: 'motif' }] };
}
