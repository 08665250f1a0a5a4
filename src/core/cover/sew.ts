import { giveOf, preShrink } from '../cloth';
import { hiddenJoin, readGrid, type CoveredSurface, type Stack, type StationSection } from '../padding';
import type { CoverModel } from './reads';
import type { Give, StrainSummary } from '../flattening';
import { nailPlan } from './details/nail-places';
import { bounds, crossesItself, type Point } from '../outline';
import { hiddenEdge, kindOf, PieceProblems, type Covering } from '../piece';
import { choicesOf } from './choices';
import { seamTakeUp, secondParts } from './cloths-on';
import { cutFirst, takeUpOf } from './details/channels';
import { slackOpening, slackTaken, withMotifMark } from './details/finish';
import { backedFoam, linings, type LiningRows } from './details/linings';
import { loosePlans } from './details/loose';
import { notchPlaces } from './details/notch-places';
import { seamPlans, tackStrips } from './details/seam-plans';
import { stitched, type Opening } from './details/stitched';
import { weltsOf } from './details/welts';
import { reachOf } from './judge/reach';
import { sewnCheck } from './judge/sewn-check';
import { suitsOf } from './judge/suits';
import type { CoverPiece } from './laying/cloth-piece';
import { SeamTooDeep } from './laying/disc-mesh';
import { flatTasks, makePanel, type FlatTask, type MadePanel } from './laying/make-panel';
import type { Making, PanelSpec } from './laying/panel-spec';
import { nearerOf, nearerSeams } from './nearer-seams';
import type { CoverPlan, StrainMap } from './plan';
import { pullOver, type BlankCuts } from './pulled/blank';
import { seenLine } from './pulled/seen-line';
import type { CornerPlan } from './pulled/corners';
import { endedLengths } from './pulled/ended';
import { keptClear, reliefOf, type Relief } from './pulled/relief';
import type { StationWrap } from './pulled/wrap';
import { mapOf, pulledTop } from './pulled/pulled-top';
import { inWidths, withHidden, type Widths } from './pulled/widths';
import { yCuts, type YCut } from './pulled/y-cuts';
import { insetSeam, levelHeights, levelLength, levelOutline, levelPoints, placesOver } from './surface/levels';
import { ringOf, type Ring } from './surface/ring';
import { isGreater, isLess, snapped } from '../ties';
import { WAYS, type Beyond, type Sewn, type Way, type Working } from './ways';

/** What a cover is made from: the built piece and what was solved of it. */
export type CoverInput = {
  /** its count is how many are made to this outline */
  model: CoverModel;
  sections: readonly StationSection[];
  stations: readonly StationWrap[];
  covered: CoveredSurface;
  corners: readonly CornerPlan[];
  /** how far in from the board's edge each lining is stapled, mm */
  rows: LiningRows;
  /** larger triangles, and no strain of a pulled cover */
  coarse?: boolean;
};

/** A cover with what its figures are read from. */
export type SewnCover = {
  cover: CoverPlan;
  ring: Ring;
  maps: StrainMap[];
  made: MadePanel[];
  making: Making;
  give: Give;
  /** the first piece whole: a pulled cover wider than its roll is cut from it in widths */
  first: CoverPiece;
  /** where a place of the first piece lies once it is opened for buttons and channels and taken in, mm on the cut piece */
  open: (at: Point) => Point;
};

/** Triangles across a piece: for the sheet, and for a picture while something is dragged. */
const ACROSS = { fine: 26, coarse: 14 };
/** Sides of triangles, mm. */
const SIDE: readonly [number, number] = [6, 45];
/** Seams near the edge lie no deeper than this inside the board, mm. */
const SHALLOW = 24;

/** The ring for a covering: the first of the way's depths whose seam does not cross itself. */
function fitted(input: CoverInput, way: Way, covering: Covering, spacing: number): { ring: Ring; covering: Covering } {
  const { model, sections, covered } = input;
  const ringAt = (depth: number): Ring => model.keep('ring', { stack: model.stack, sections, covered, spacing, depth }, ringAround);
  const trials = way.depths?.(covering) ?? [{ depth: SHALLOW, covering }];
  const made = trials.map((trial) => () => ({ ring: ringAt(trial.depth), ...trial }));
  for (const trial of made.slice(0, -1)) {
    const { ring, depth, covering: item } = trial();
    if (!crossesItself(levelOutline(ring, insetSeam(ring, depth, item)))) return { ring, covering: item };
  }
  const last = made.at(-1)!();
  const liesFlat = made.length === 1 || !crossesItself(levelOutline(last.ring, insetSeam(last.ring, last.depth, last.covering)));
  return liesFlat ? last : made[0]!();
}

type RingReads = Pick<CoverInput, 'sections' | 'covered'> & { stack: Stack; spacing: number; depth: number };

function ringAround({ stack, sections, covered, spacing, depth }: RingReads): Ring {
  return ringOf(stack, sections, covered, { spacing, depth });
}

/** How far the covered middle stands over the lowest place of its rim, mm. */
function crownOf(model: CoverModel, { grid, inner }: CoveredSurface): number {
  const middle = readGrid(grid, model.middle);
  const rim = grid.heights.reduce((low, z, k) => (inner[k] && z < low ? z : low), middle);
  return Number.isNaN(middle) ? 0 : middle - rim;
}

/** Makes the panels of a sewn way. */
function panelsOf(way: Way, { panels }: Sewn, making: Making): MadePanel[] {
  try {
    return panels.map((spec) => makePanel(spec, making));
  } catch (error) {
    if (!(error instanceof SeamTooDeep)) throw error;
    const [field, name] = way.tooDeep ?? (['seamAt', 'seam'] as const);
    throw new PieceProblems([
      {
        path: `covering.${field}`,
        message: `The ${name} lies too deep for this outline: its seam would cross itself. Bring it nearer the edge`,
      },
    ]);
  }
}

/** What the pieces are taken from. */
type Made = { way: Way; working: Working; making: Making; made: readonly MadePanel[]; beyond: Beyond; cuts: BlankCuts };

/** How far a way's cloth goes under the board: to the staples, and beyond them for the hand. */
function beyondOf(way: Way, { piece, rule }: CoverModel): Beyond {
  return way.beyond?.(rule, piece.covering) ?? { staple: rule('return'), grip: rule('grip') };
}

/**
 * How the curves of a piece's edge are relieved.
 *
 * @param model the built piece
 * @param stations the measured stations
 */
export function reliefPlan(model: CoverModel, stations: readonly StationWrap[]): Relief | null {
  const { way } = choicesOf(model.piece.covering);
  const { staple } = beyondOf(way, model);
  const relief = reliefOf(model, stations, (station) => (way.pulled ? station.side : 0) + staple);
  return way.pulled ? keptClear(relief, seenLine(model, stations), model.rule('cornerCutStop') + openedBy(model)) : relief;
}

/** Channels open the cloth at every line: a cut beside one may come nearer to what is seen by half of that, mm. */
function openedBy({ piece, rule }: CoverModel): number {
  const { channels } = choicesOf(piece.covering);
  return channels ? Math.max(0, takeUpOf(channels, rule)) / 2 : 0;
}

/** Everything that is cut into the cloth's edge, in one place. */
function cutsOf({ model, stations, corners }: CoverInput, way: Way): BlankCuts & { yCuts: YCut[] } {
  const seen = way.pulled ? seenLine(model, stations) : [];
  return {
    corners,
    relief: reliefPlan(model, stations),
    yCuts: way.pulled ? yCuts(model, stations, kindOf(model.piece.kind).traits.throughFrame, seen) : [],
  };
}

/** The pieces before anything is stitched into them. */
type Plain = { pieces: CoverPiece[]; maps: StrainMap[]; fullness: number; open: Opening };

function plainPieces(input: CoverInput, { way, working, making, made, beyond, cuts }: Made): Plain {
  const { model, stations, coarse } = input;
  if (!way.pulled)
    return {
      pieces: made.flatMap((panel) => panel.pieces),
      maps: made.map(({ spec, mesh, flat, strain }) => mapOf(spec.id, mesh, flat, strain)),
      fullness: 0,
      open: (at) => at,
    };
  const whole = pullOver(model, stations, cuts, beyond);
  const slack = making.corrections.filter((correction) => correction.piece === 'cover');
  const blank = slackTaken(whole, slack);
  const open = slackOpening(whole, slack);
  const motif = making.motif ? { x: making.motif[0], y: making.motif[1] } : null;
  if (coarse) return { pieces: [{ ...blank, motif }], maps: [], fullness: 0, open };
  const top = pulledTop(making, working.give, model);
  if (!top) return { pieces: [{ ...blank, motif }], maps: [], fullness: 0, open };
  return { pieces: [{ ...blank, motif, strain: top.summary }], maps: [top.map], fullness: top.fullness, open };
}

/** The largest share of the give that any piece takes. */
function worstStrain(pieces: readonly CoverPiece[]): StrainSummary | null {
  return pieces.reduce<StrainSummary | null>(
    (worst, { strain }) => (strain && (!worst || isGreater(strain.share, worst.share)) ? strain : worst),
    null,
  );
}

/** Strips and panels that a way adds out of sight. */
function extrasOf(way: Way, working: Working, sewn: Sewn, making: Making): CoverPiece[] {
  return (
    way.extras?.(working, sewn, {
      count: making.count,
      seamLength: (seam) => making.seams.get(seam)?.reduce((sum, step) => sum + (Number.isNaN(step) ? 0 : step), 0) ?? null,
      panel: (spec, ring) => makePanel(spec, { ...making, ring }).pieces,
    }) ?? []
  );
}

/** A pulled cover that is wider than its roll, joined from widths. */
function joinedWidths({ piece, rule }: CoverModel, cover: CoverPiece): Widths | null {
  const { cloth } = piece;
  const [x, y] = [cover.width, cover.height];
  // What may be turned lies the way that fits, or failing that the narrower way.
  const axis = cloth.direction === 'across' || (cloth.direction === 'any' && isLess(y, x)) ? 1 : 0;
  return inWidths(cover, { width: cloth.rollWidth, axis, allowance: rule('seamAllowance'), threadFactor: rule('threadFactor') });
}

/** A pulled cover whose lower part nobody sees, joined there to plain cloth. */
function joinedHidden({ piece, board, rule }: CoverModel, cover: CoverPiece): Widths | null {
  const at = hiddenJoin(piece.base, board);
  return at === null
    ? null
    : withHidden(cover, at * preShrink(piece.cloth), { allowance: rule('seamAllowance'), threadFactor: rule('threadFactor') });
}

/** A cover set out: its way, what its panels share, and which they are. */
type SetOut = { way: Way; working: Working; making: Making; sewn: Sewn };

function setOut(input: CoverInput): SetOut {
  const { model, coarse = false } = input;
  const { piece, rule } = model;
  const { way, ...choices } = choicesOf(piece.covering);
  const box = bounds(model.board);
  const side = Math.max(box.width, box.height) / (coarse ? ACROSS.coarse : ACROSS.fine);
  const spacing = snapped(Math.min(SIDE[1], Math.max(SIDE[0], side)));
  const { ring, covering } = fitted(input, way, choices.covering, spacing);
  const give = giveOf(piece.cloth);
  const sewn = way.panels?.({ ...choices, covering, model, ring, rule, give, longer: 1 }) ?? { panels: [], seams: [], zip: null };
  // What is pulled over, or laid seam by seam on the board, is not drawn in by a machine.
  const takenUp = sewn.seams.some(({ laid }) => !laid) ? seamTakeUp(covering) : 1;
  const longer = preShrink(piece.cloth) * takenUp;
  const making: Making = {
    keep: model.keep,
    ring,
    spacing,
    give,
    count: piece.count,
    preShrink: longer,
    second: piece.second ? { give: giveOf(piece.second), preShrink: preShrink(piece.second) * takenUp } : null,
    notches: notchPlaces(model, ring, rule('notchPitch')),
    corrections: covering.corrections ?? [],
    motif: covering.motif ? [covering.motif.x, covering.motif.y] : null,
    seams: new Map(),
  };
  const working: Working = { ...choices, covering, model, ring, rule, give, longer };
  const second = secondParts(piece);
  const hiddenBelow = hiddenJoin(piece.base, model.board);
  return {
    way,
    working,
    making,
    sewn: {
      ...sewn,
      panels: sewn.panels.map((spec) =>
        isHidden(spec, ring, hiddenBelow) ? { ...spec, cloth: 'lining' } : isSecond(spec, second) ? { ...spec, cloth: 'second' } : spec,
      ),
    },
  };
}

/** Whether a strip lies wholly where nobody sees it: behind a mattress, below a skirting. Plain cloth does there. */
function isHidden({ region, cloth }: PanelSpec, ring: Ring, below: number | null): boolean {
  if (below === null || cloth !== undefined || region.kind !== 'strip') return false;
  const n = ring.places.length;
  const [inner, outer] = [levelPoints(ring, region.inner), levelPoints(ring, region.outer)];
  for (let i = region.from; i <= region.to; i++) if (inner[i % n]![1] > below || outer[i % n]![1] > below) return false;
  return true;
}

/** Whether a panel is cut from the second cloth; a zip's two strips are part of the band. */
function isSecond({ role, cloth }: PanelSpec, second: ReadonlySet<string>): boolean {
  return cloth === undefined && second.has(role === 'zip' ? 'band' : role);
}

/**
 * The panels that a cover will want laid flat, each of which may be laid elsewhere.
 *
 * @param input the built piece and what was solved of it
 */
export function flatsOf(input: CoverInput): FlatTask[] {
  try {
    const { sewn, making } = setOut(input);
    return flatTasks(sewn.panels, making);
  } catch (error) {
    // A seam that lies too deep is said by the cover itself.
    if (error instanceof SeamTooDeep || error instanceof PieceProblems) return [];
    throw error;
  }
}

/**
 * Works out the cover: from the real surface to flat pieces, by the way of covering that was chosen. Where a seam would
 * cross itself it is brought nearer the edge, and the cover says so.
 *
 * @param input the built piece and what was solved of it
 * @throws PieceProblems where it lies well nowhere, with the ways that can be made
 */
export function sewCover(input: CoverInput): SewnCover {
  try {
    return sewnAsAsked(input);
  } catch (error) {
    if (!(error instanceof PieceProblems)) throw error;
    const { piece } = input.model;
    const { way, covering } = choicesOf(piece.covering);
    for (const other of nearerSeams(way, covering)) {
      try {
        const sewn = sewnAsAsked({ ...input, model: { ...input.model, piece: { ...piece, covering: other } } });
        return { ...sewn, cover: { ...sewn.cover, nearer: nearerOf(way, covering, other) } };
      } catch (again) {
        if (!(again instanceof PieceProblems)) throw again;
      }
    }
    const pulled = WAYS.filter((other) => other.pulled && !other.tooDeep && other.id !== way.id).map(({ name }) => name);
    throw new PieceProblems([
      {
        path: 'covering.way',
        message: `${way.name}: its seam would cross itself on this outline, however near the edge it lies. Choose a way that is pulled over: ${pulled.join(', ')}`,
      },
    ]);
  }
}

function sewnAsAsked(input: CoverInput): SewnCover {
  const { model, stations, covered, corners } = input;
  const { rule } = model;
  const { way, working, making, sewn } = setOut(input);
  const { ring, covering, nails } = working;
  const made = panelsOf(way, sewn, making);
  const beyond = beyondOf(way, model);
  const cuts = cutsOf(input, way);
  const plain = plainPieces(input, { way, working, making, made, beyond, cuts });
  const done = stitched(working, plain.pieces);
  const pieces = [...done.pieces, ...extrasOf(way, working, sewn, making)].map(withMotifMark);
  const seams = seamPlans(working, sewn, pieces);
  const hidden = way.pulled ? joinedHidden(model, pieces[0]!) : null;
  const seen = hidden?.pieces[0] ?? pieces[0]!;
  const widths = way.pulled ? joinedWidths(model, seen) : null;
  const joined = [...(widths?.pieces ?? [seen]), ...(hidden?.pieces.slice(1) ?? [])];
  const loose = loosePlans(model);
  const whole = [...joined, ...pieces.slice(1)];
  // What is pulled over has its pull allowance to spare, what is sewn has nothing.
  const cut = cutFirst(whole, done.finished.map(withMotifMark), way.pulled ? 0 : rule('quiltRough'));
  const cover: CoverPlan = {
    method: way.id,
    name: way.name,
    pulled: way.pulled,
    corrected: making.corrections.reduce((sum, { by }) => sum + Math.abs(by), 0),
    under: way.pulled ? beyond : null,
    pieces: [...cut, ...loose.flatMap((loosePlan) => loosePlan.pieces)],
    seams: [...(widths?.seams ?? []), ...(hidden?.seams ?? []), ...seams],
    lines: sewn.seams.map(({ id, name, level, welted, over }) => {
      const [points, heights] = [levelPoints(ring, level), levelHeights(ring, level)];
      const along = placesOver(ring, over);
      return {
        id,
        name,
        points: along.map((i) => points[i]!),
        heights: along.map((i) => heights[i]!),
        welted,
        closed: !over,
        from: over?.from ?? 0,
      };
    }),
    relief: cuts.relief,
    yCuts: [...cuts.yCuts],
    ends: endedLengths(model),
    reach: reachOf(way, working, stations, sewn.seams, beyond),
    welts: [...weltsOf(working, sewn.seams), ...loose.flatMap((loosePlan) => loosePlan.welts)],
    loose,
    channels: done.channels,
    nails: nails && nailPlan(model, nails),
    buttons: done.buttons,
    zip: sewn.zip && {
      length: sewn.zip.length,
      place: hiddenEdge(model.piece.kind).name,
      past: sewn.zip.past,
      folded: sewn.zip.folded,
      words: `Along the ${hiddenEdge(model.piece.kind).name} and ${Math.round(sewn.zip.past)} mm past either corner, so that the pad goes in ${sewn.zip.folded ? 'folded' : 'whole'}.`,
    },
    border: way.fields.includes('border') ? covering.border! : null,
    tackStrips: tackStrips(way, working, sewn),
    backing: covering.backingStrips
      ? sewn.seams.map(({ name, level, over }) => ({
          seam: name,
          width: 2 * rule('seamAllowance') + 6,
          length: levelLength(ring, level, over),
        }))
      : [],
    linings: [...linings(model, stations, covering, input.rows), ...backedFoam(cut, done.channels)],
    motif: covering.motif ?? null,
    nearer: null,
    strain: worstStrain(plain.pieces),
    fullness: plain.fullness,
    suits: suitsOf(model, stations, corners, crownOf(model, covered)),
    check: sewnCheck({ way, working, made, seams, stations, pieces }),
  };
  return { cover, ring, maps: plain.maps, made, making, give: working.give, first: pieces[0]!, open: (at) => done.open(plain.open(at)) };
}
