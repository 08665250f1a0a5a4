import { railInside } from '../base';
import type { CoveredSurface, ModelOf, Stack } from '../padding';
import { deckOf, GRAVITY } from '../foam';
import { distanceField, isInside, type Polygon } from '../outline';
import type { Sitting, StretchedDeck } from '../piece';
import { foamPressure, netOver, sitOn, sitOnDeck, strainsAt, tensionFor, type Bed, type DeckNet, type SitResult } from '../mechanics/load';
import { formOf, loadOf } from './sitting';

/** What of the piece a sitting hangs on: what is stretched over its frame, if anything. */
export type SitFields = { pan: boolean; base: { deck: StretchedDeck | null } };
/** The rules that it is judged by. */
export type SitRules = 'leastLeft' | 'mostStrain' | 'handLean';
type SitModel = ModelOf<SitFields, SitRules>;

/** What a sitting finds. Lengths mm, load N, pressures N/mm², area mm². */
export type SitPlan = {
  loader: Sitting['loader'];
  mass: number;
  /** percent of the mass that comes on the piece */
  share: number;
  load: number;
  sink: number;
  /** how far webbing or springs go down with it, where there are any */
  deck: number | null;
  /** height of the loaded place over the board's top face, and of the same place unloaded */
  loadedHeight: number;
  unloadedHeight: number;
  peakPressure: number;
  meanPressure: number;
  contactArea: number;
  leastLeft: number;
  /** highest strain of each pad, and of a pocket's insert where there is one */
  strains: { pad: string; strain: number }[];
  bottoms: boolean;
  edgeFelt: boolean;
  /** highest pressure within reach of the board's edge */
  edgePressure: number;
  converged: boolean;
  /** each verdict with its reason */
  words: string[];
  /** why it bottoms out and why the edge is felt, where they are */
  why: { bottoms: string | null; edge: string | null };
};

/** The board's edge is felt through what bears this near to it, mm. */
const EDGE_REACH = 12;

/** A pressure over the board's edge above this is felt as an edge, N/mm². */
const EDGE_FELT = 0.011;

/** A rail has padding on both sides of its edge: it is felt where it presses twice as hard as the middle of a good seat, N/mm². */
const RAIL_FELT = 0.035;

/** Less than this over the board is no padding, mm. */
const THINNEST = 1;

/** The covered padding as something to sit on. */
export function bedOf(model: Stack, covered: CoveredSurface): Bed {
  const { grid, inner, rest, base, columns, foams } = covered;
  const { columns: n, rows: m, step, x0, y0 } = grid;
  const there = covered.there.slice();
  const height = grid.heights.map((z) => (Number.isNaN(z) ? 0 : z));
  const free = rest.map((z) => (Number.isNaN(z) ? 0 : z));
  const thickness = columns.thickness.map((t) => t.slice());
  for (let i = 0; i < there.length; i++) {
    if (!there[i] || inner[i]) continue;
    // At the rim the cover has drawn the foam down and aside rather than pressed it: what is left there lies loose.
    const left = height[i]! - base[i]!;
    if (left < THINNEST) there[i] = 0;
    else for (const t of thickness) t[i] = (t[i]! * left) / Math.max(THINNEST, free[i]! - base[i]!);
    free[i] = height[i]!;
  }
  return {
    columns: n,
    rows: m,
    step,
    x0,
    y0,
    there,
    board: distanceField(model.board, grid, step).inside,
    rest: free,
    height,
    base,
    layers: { foams: columns.foams, thickness },
    foams,
    pull: model.pull,
  };
}

/** A sitting, solved: what is said of it, and the solution it is said from. */
export type Sat = { plan: SitPlan; result: SitResult; bed: Bed };

/**
 * Sits on the covered piece and judges it.
 *
 * @param model the built piece
 * @param covered its surface
 * @param sitting who sits
 * @param share percent of the mass that comes on the piece
 * @returns null where there is nothing to sit on
 */
export function sitPlan(model: SitModel, covered: CoveredSurface, sitting: Sitting, share: number): Sat | null {
  if (model.pads.length === 0) return null;
  const bed = bedOf(model, covered);
  const load = loadOf(sitting, share);
  const { result, bed: lying, deck } = sat(model, bed, sitting, load);
  // Rails that leave no opening are a board.
  const sprung = deck === null ? null : model.piece.base.deck;
  // Of a frame it is the rail’s inner edge that one sits against.
  const hard = (sprung && railInside(model.board, sprung)) ?? model.board;
  const edge = distanceField(hard, covered.grid, EDGE_REACH + bed.step);
  const passedOn = foamPressure(lying, result.height);
  let edgePressure = 0;
  let lowest = -1;
  result.pressure.forEach((p, i) => {
    if (p > 0 && edge.away[i]! <= EDGE_REACH) edgePressure = Math.max(edgePressure, passedOn[i]!);
    if (p > 0 && (lowest < 0 || result.height[i]! < result.height[lowest]!)) lowest = i;
  });
  const level = lowest >= 0 ? bed.base[lowest]! : 0;
  const least = model.rule('leastLeft');
  const most = model.rule('mostStrain') / 100;
  const strains = covered.foams.map((k) => ({ pad: layerName(model, k), strain: result.strains[k]! }));
  const { high, carried } = lowest >= 0 ? stackAt(bed, lowest, result.pressure[lowest]!) : { high: 0, carried: 0 };
  const needed = Math.max(least, (LEAST_SHARE * high) / 100);
  const onBoard =
    lowest >= 0 &&
    isInside(model.board, [bed.x0 + (lowest % bed.columns) * bed.step, bed.y0 + Math.floor(lowest / bed.columns) * bed.step]);
  const bottoms = !sprung && (result.leastLeft < needed || carried > most);
  const felt = sprung ? RAIL_FELT : EDGE_FELT;
  const edgeFelt = edgePressure > felt;
  const kPa = (p: number): string => `${Math.round(p * 10000) / 10} kPa`;
  const thin =
    bottoms && result.leastLeft < needed
      ? `Bottoms out: ${short(result.leastLeft)} mm of foam left over the board; ${short(needed)} mm is the minimum.`
      : null;
  const flat =
    bottoms && carried > most
      ? `Bottoms out: the foam is squashed to ${Math.round(100 * (1 - carried))} % of its thickness, over the ${Math.round(most * 100)} % limit.`
      : null;
  const rigid = model.piece.pan ? 'pan’s edge' : 'board’s edge';
  const edged = edgeFelt ? `The ${sprung ? 'rail' : rigid} is felt: ${kPa(edgePressure)} over it, ${kPa(felt)} maximum.` : null;
  const restless = result.converged ? null : 'The sit check could not be worked out: do not build to these figures.';
  const words = [thin, flat, edged, restless].filter((text) => text !== null);
  if (sprung) words.push(deckWords(deckOf(sprung.kind).name, deck!, result.sink));
  else if (words.length === 0) words.push(`No fault: it does not bottom out and the ${rigid} is not felt.`);
  return {
    bed,
    result,
    plan: {
      loader: sitting.loader,
      mass: sitting.mass,
      share,
      load,
      sink: result.sink,
      deck,
      loadedHeight: lowest >= 0 ? result.height[lowest]! - (onBoard ? level : 0) : 0,
      unloadedHeight: lowest >= 0 ? bed.height[lowest]! - (onBoard ? level : 0) : 0,
      peakPressure: result.peakPressure,
      meanPressure: result.meanPressure,
      contactArea: result.contactArea,
      leastLeft: result.leastLeft,
      strains,
      bottoms,
      edgeFelt,
      edgePressure,
      converged: result.converged,
      words,
      why: { bottoms: thin ?? flat, edge: edged },
    },
  };
}

/** Webbing or springs go down so far under a sitter, mm: less is a board, more and the front rail is what one sits on. */
const DECK_GIVES = [15, 45] as const;

/** What is said of a deck that went down. */
function deckWords(name: string, deck: number, sink: number): string {
  const [least, most] = DECK_GIVES;
  const text = `${name}: ${short(deck)} of the ${short(sink)} mm it sinks are the deck’s`;
  if (deck > most) return `${text}; more than ${most} and the front rail is felt. Stretch it tighter.`;
  return deck < least ? `${text}; it is as good as a board.` : `${text}; ${least} to ${most} is usual.`;
}

/** The webbing or springs of a piece as a net under its padding, tight as the hand found them; null on a board. */
function deckNet({ piece, board, rule, keep }: SitModel, { columns, rows, step, x0, y0 }: Bed): DeckNet | null {
  const stretched = piece.base.deck;
  const inner = stretched && railInside(board, stretched);
  if (!stretched || !inner) return null;
  const grid = { columns, rows, step, x0, y0 };
  return keep('deck', { inner, stretched, grid, force: rule('handLean') * GRAVITY }, tightened);
}

type NetReads = {
  inner: Polygon;
  stretched: StretchedDeck;
  grid: Pick<Bed, 'columns' | 'rows' | 'step' | 'x0' | 'y0'>;
  force: number;
};

/** A net as tight as a hand leant on it with a force finds it. */
function tightened({ inner, stretched, grid, force }: NetReads): DeckNet {
  const { across, stretch } = deckOf(stretched.kind);
  const net = netOver(inner, grid, { tension: 1, across, stretch });
  return { ...net, tension: tensionFor(net, stretched.give, force) };
}

/** Sits down on a board, or on webbing or springs that go down with it. */
function sat(model: SitModel, bed: Bed, sitting: Sitting, load: number): { result: SitResult; bed: Bed; deck: number | null } {
  const net = deckNet(model, bed);
  if (!net) return { result: sitOn(bed, formOf(model, sitting), load), bed, deck: null };
  const { result, bed: lying, most } = sitOnDeck(bed, formOf(model, sitting), load, net);
  return { result, bed: lying, deck: most };
}

/** Less than this share of the stack over the board is none, percent. */
const LEAST_SHARE = 15;
/** A top layer thinner than this share of the stack and softer than the one below only smooths: it does not carry. */
const TOPPER = 0.25;

/** The stack under one place: how high it stands unloaded, and what share of the layers that carry is pressed away together. */
function stackAt({ layers }: Bed, node: number, pressure: number): { high: number; carried: number } {
  const thick = layers.thickness.map((t) => t[node]!);
  const high = thick.reduce((sum, t) => sum + t, 0);
  const strain = strainsAt(layers, node, pressure);
  const present = thick.flatMap((t, k) => (t > 0 ? [k] : []));
  const top = present.at(-1);
  const below = present.at(-2);
  const hardness = (k: number): number => layers.foams[k]!.curve.plateau;
  const smooths = top !== undefined && below !== undefined && thick[top]! < TOPPER * high && hardness(top) < hardness(below);
  const carrying = smooths ? present.slice(0, -1) : present;
  const whole = carrying.reduce((sum, k) => sum + thick[k]!, 0);
  return { high, carried: whole > 0 ? carrying.reduce((sum, k) => sum + thick[k]! * strain[k]!, 0) / whole : 0 };
}

function short(mm: number): number {
  return Math.round(mm * 10) / 10;
}

/** What a layer of the bed is called: pads in order, what is let into a pad after it. */
function layerName(model: Stack, layer: number): string {
  let at = 0;
  for (const built of model.pads) {
    if (at === layer) return `${built.pad.role} pad`;
    at += 1;
    for (const { pocket } of built.letIn) {
      if (at === layer) return pocket === built.pad.pocket ? 'pocket' : 'patch';
      at += 1;
    }
  }
  return 'pad';
}
