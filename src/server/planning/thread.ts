import { readFileSync, readlinkSync } from 'node:fs';
import { setPriority } from 'node:os';
import { join } from 'node:path';
import { isMainThread } from 'node:worker_threads';
import { chalkStep, sectionAlong, type Section } from '../../core/padding';
import { patternFile } from '../../core/formats/pattern-files';
import type { PatternFormat } from '../../core/formats/pattern-formats';
import { expectSound } from '../../core/inspection';
import { printedPages, printPdf, type PrintChoice, type Printed, type PrintJob } from '../../core/formats/pdf';
import type { HouseRules } from '../../core/house';
import type { Step } from '../../core/run-sheet';
import { templatesOf } from '../../core/formats/templates';
import { outlineSize, type Polygon } from '../../core/outline';
import { PieceProblems, type Piece } from '../../core/piece';
import { thingsOf } from '../../core/price';
import { buyProgram, needsOf, quickOffers, type BuyAsked, type Buying, type FlatOffer, type Need } from '../../core/buying';
import { layGroups, type LayGroup } from '../../core/nesting';
import {
  createPlanner,
  expectAgreement,
  fingerprintAt,
  fingerprintOf,
  planPiece,
  runStep,
  type Fingerprint,
  type Plan,
} from '../../core/plan';
import { sizesOf } from '../../core/sizes';
import type { KeptStock, KeptWare } from '../../core/store';
import { benchPictures, thinned, type BenchPictures } from './pictures';

/** What is asked of a piece; `seen` are the figures that somebody saw of it. */
export type Asked = { piece: Piece; house: HouseRules; seen?: Fingerprint };

/** A section as a row of the floor draws it: its lines, with no more points than can be seen at that size. */
export type SmallSection = Pick<Section, 'board' | 'base' | 'covered' | 'cover' | 'bare' | 'wadding'> & { padded: boolean };

/** What the floor, the diary and the bench take from a piece's plan. */
export type Look = BenchPictures & {
  steps: Step[];
  /** what its plan comes to */
  fingerprint: Fingerprint;
  section: SmallSection | null;
  size: { width: number; depth: number };
};

/** How far planning stands back where cores are few: whoever waits for an answer comes first. */
const STAND_BACK = 10;

/** Lowers the priority of this thread alone: Linux has one for each, and names the thread that asks. */
function standBack(): void {
  if (isMainThread || process.platform !== 'linux') return;
  try {
    setPriority(Number(readlinkSync('/proc/thread-self').split('/').at(-1)), STAND_BACK);
  } catch {
    // Where it is not allowed, planning is as fast as everything else.
  }
}
standBack();

/** A thread keeps what it planned: the floor is opened far more often than a piece changes. */
const planner = createPlanner();

function checked({ piece, house }: Pick<Asked, 'piece' | 'house'>): Asked {
  const problems = planner.check(piece, house);
  if (problems.length > 0) throw new PieceProblems(problems);
  return { piece, house };
}

/** The plan of a piece as it leaves the program: the one that was seen, and sound. */
function planned({ seen, ...asked }: Asked, { sits = true } = {}): Plan {
  const { piece, house } = checked(asked);
  const plan = planPiece(piece, house, { planner, sits });
  expectAgreement(piece.name, seen, fingerprintOf(plan));
  expectSound(piece.name, { plan, sizes: sizesOf(plan, piece, house) });
  return plan;
}

function small({ board, base, covered, cover, bare, wadding, pads }: Section): SmallSection {
  return {
    board,
    base: thinned(base),
    covered: covered.map(({ id, outline }) => ({ id, outline: thinned(outline) })),
    cover: thinned(cover),
    bare: thinned(bare),
    wadding: thinned(wadding),
    padded: pads.length > 0,
  };
}

/**
 * Steps, a small true section and the size of a piece. A row wants a small picture: a coarse section does. What stands in a step is cut
 * by: it is worked out as the sheet works it out.
 */
export function look(asked: Asked): Look {
  const { piece, house } = checked(asked);
  const model = planner.model(piece, house);
  const { width, depth } = outlineSize(model.outline);
  const section = sectionAlong(model.stack, model.middle, [1, 0], { coarse: true, keep: model.keep });
  return {
    steps: runStep(model),
    fingerprint: fingerprintAt(model, planner),
    ...benchPictures(model),
    section: section && small(section),
    size: { width: Math.round(width), depth: Math.round(depth) },
  };
}

function fontFile(face: string): Uint8Array {
  return readFileSync(join(process.cwd(), `node_modules/@expo-google-fonts/fira-sans/${face}/FiraSans_${face}.ttf`));
}

type PrintAsked = Asked & Pick<PrintJob, 'unit' | 'words' | 'paper' | 'address' | 'chosen'> & { choice?: PrintChoice };

function printJob({ unit, words, paper, address, chosen, ...asked }: PrintAsked): PrintJob {
  const { piece, house } = asked;
  return {
    plan: planned(asked),
    section: chalkStep(planner.model(piece, house)),
    piece,
    house,
    unit,
    ...(words ? { words } : {}),
    paper,
    ...(address ? { address } : {}),
    ...(chosen ? { chosen } : {}),
    fonts: { regular: fontFile('400Regular'), bold: fontFile('600SemiBold') },
  };
}

/** A piece's patterns or its cut list, as a file. */
export function patterns({ format, ...asked }: Asked & { format: PatternFormat }): string {
  return patternFile(planned(asked), asked.piece, format);
}

/** A piece as one PDF. */
export function print(asked: PrintAsked): Promise<Uint8Array> {
  return printPdf(printJob(asked), asked.choice);
}

/** The same pages, as they are shown before they are printed. */
export function pages(asked: PrintAsked): Promise<Printed> {
  return printedPages(printJob(asked), asked.choice);
}

/** Pieces that are cut and bought together, and the rules of the house. */
export type Together = { pieces: { id: string; piece: Piece }[]; house: HouseRules };

/** All that some pieces are cut from, and everything they take. */
/** What some pieces take, with what the plan of each comes to. */
export type Needed = { groups: LayGroup[]; needs: Need[]; minutes: Record<string, number>; fingerprints: Record<string, Fingerprint> };

export function needs({ pieces, house }: Together): Needed {
  const plans = pieces.map(({ id, piece }) => {
    checked({ piece, house });
    const plan = planPiece(piece, house, { planner, sits: false });
    expectSound(piece.name, { plan, sizes: sizesOf(plan, piece, house) });
    return { id, piece, plan };
  });
  const groups = layGroups(plans, house);
  // With hands on, of one of the set: waits cost nobody's time.
  const minutes = Object.fromEntries(plans.map(({ id, plan }) => [id, plan.steps.reduce((sum, step) => sum + step.minutes, 0)]));
  const fingerprints = Object.fromEntries(plans.map(({ id, plan }) => [id, fingerprintOf(plan)]));
  return { groups, needs: needsOf(plans, groups, house), minutes, fingerprints };
}

/** What each thing of the store would have to hold of what lies flat, by quick lays. */
export function offers({
  groups,
  wares,
  stock,
}: {
  groups: LayGroup[];
  wares: KeptWare[];
  stock: KeptStock[];
}): Record<string, FlatOffer[]> {
  return Object.fromEntries(groups.map((group) => [group.key, quickOffers(group, wares, stock)]));
}

/** What the materials of some work cost. */
export function things({ needs, groups, wares }: { needs: Need[]; groups: LayGroup[]; wares: KeptWare[] }): ReturnType<typeof thingsOf> {
  return thingsOf(needs, groups, wares);
}

/** What to buy, solved exactly. */
export async function buy(asked: BuyAsked): Promise<Buying> {
  const { default: load } = await import('highs');
  const solver = await load();
  const { lp, read } = buyProgram(asked);
  const found = solver.solve(lp, { time_limit: 20 });
  if (found.Status !== 'Optimal') throw new Error(`The shopping list could not be solved: ${found.Status}`);
  const columns = found.Columns as Record<string, { Primal?: number } | undefined>;
  return read((column) => columns[column]?.Primal ?? 0);
}

/** Each template's cut line, for a cutter. */
export function templates(asked: Asked): { id: string; title: string; outline: Polygon }[] {
  return templatesOf(planned(asked, { sits: false })).map(({ id, title, lines }) => ({
    id,
    title,
    outline: lines[0]!.outline,
  }));
}
