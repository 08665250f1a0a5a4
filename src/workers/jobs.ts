import type { Fineness, HalfTask } from '../core/padding';
import type { FlatTask, LaidFlat } from '../core/cover';
import type { HouseRules } from '../core/house';
import { createSearch, type Lay, type LayBound, type LayTask } from '../core/nesting';
import { foamOf, PieceProblems, type Piece } from '../core/piece';
import {
  crownPads,
  cures,
  padForHeight,
  proposals,
  savings,
  withinCloth,
  sheetView,
  sitView,
  type Planner,
  type Shelf,
  type Tell,
  type ViewQuestion,
} from '../core/plan';
import type { PulledSection } from '../core/mechanics/section';
import { cheapestOf, cureRows, foamChart, type ChartCell, type ChartLimits, type Cure } from '../core/seat-check';
import type { CrownWish } from '../core/inverse-crown';
import { runErrand, type Brought, type Errand } from './errands';
import { spread, type SpreadPort } from './spread';

/** What a job is worked with: the worker's planner, a way to say how far it is, and helpers. */
export type Means = { planner: Planner; tell: (done: number, of: number, best?: unknown) => void; helpers: readonly SpreadPort[] };

type Asked = { piece: Piece; house: HouseRules };

/** Fewer sections than this are not worth carrying to a helper. */
const WORTH_SPREADING = 4;
/** Nor is one panel alone. */
const PANELS_WORTH_SPREADING = 2;
/** A row of trials takes long: it is waited for so long before it is tried here, ms. */
const CURE_PATIENCE = 60_000;

/** Does tasks of one kind together with the helpers. */
async function together<T, R extends Brought>(tasks: readonly T[], errand: (task: T) => Errand, { planner, helpers }: Means): Promise<R[]> {
  return (await spread<Errand, Brought>(tasks.map(errand), (item) => runErrand(item, planner), helpers)) as R[];
}

/** Solves the sections that a view will want, and lays its panels flat, together with the helpers. */
async function solveAhead({ piece, house, preview, parts }: ViewQuestion, means: Means): Promise<void> {
  const { planner, helpers } = means;
  if (helpers.length === 0 || planner.check(piece, house).length > 0) return;
  const model = planner.model(piece, house);
  const fineness: Fineness = preview ? 'quick' : 'full';
  const sections = planner.sectionsWanted(model, fineness);
  if (sections.length >= WORTH_SPREADING)
    planner.takeSections(sections, await together<HalfTask, PulledSection>(sections, (task) => ({ kind: 'section', task }), means));
  if (!parts.includes('cover')) return;
  const panels = planner.flatsWanted(model, fineness);
  if (panels.length >= PANELS_WORTH_SPREADING)
    planner.takeFlats(panels, await together<FlatTask, LaidFlat>(panels, (task) => ({ kind: 'flat', task }), means));
}

/** Cures looked for row by row, each row where there is room. */
async function curesSpread({ piece, house }: Asked, { planner, helpers, tell }: Means): Promise<Cure[]> {
  const of = cureRows(piece, house, planner.keep);
  let done = 0;
  tell(0, of);
  const work = (errand: Errand): Brought => {
    const cure = runErrand(errand, planner);
    tell(++done, of);
    return cure;
  };
  const errands = Array.from({ length: of }, (_, row): Errand => ({ kind: 'cure', piece, house, row }));
  const found = await spread<Errand, Brought>(errands, work, helpers, { inHand: 1, patience: CURE_PATIENCE });
  return cheapestOf(found as (Cure | null)[]);
}

/** Tells on, and never gives up by itself: a job that is given up has its worker ended. */
const telling = ({ tell }: Means): Tell => {
  return (done, of) => {
    tell(done, of);
    return true;
  };
};

/** The best lay so far, the least it could be, and how many were tried. */
export type LayFound = { lay: Lay; bound: LayBound; tried: number };
/** A search looks for so long before it says how far it is, ms. */
const LOOK = 120;

/** Looks for a lay until its time is up or nothing better can be; the first is told at once. */
async function lookForLay({ task, seed, seconds }: { task: LayTask; seed: number; seconds: number }, { tell }: Means): Promise<LayFound> {
  const search = createSearch(task, seed);
  const found = (): LayFound => ({ lay: search.best(), bound: search.bound, tried: search.tried() });
  const began = performance.now();
  tell(0, seconds, found());
  for (;;) {
    const gone = (performance.now() - began) / 1000;
    if (gone >= seconds || search.done()) return found();
    search.step(LOOK);
    tell(Math.min(gone, seconds), seconds, found());
    await new Promise((resolve) => setTimeout(resolve, 0));
  }
}

/** Every kind of job: what is asked, and how it is answered. A new one is a line here. */
export const JOBS = {
  view: async (question: ViewQuestion, means: Means) => {
    await solveAhead(question, means);
    return sheetView(question, means.planner);
  },
  sit: ({ piece, house }: Asked, { planner }: Means) => sitView(piece, house, planner),
  cures: (asked: Asked, means: Means) =>
    means.helpers.length > 0 ? curesSpread(asked, means) : cures({ ...asked, planner: means.planner, tell: telling(means) }),
  lay: lookForLay,
  savings: (asked: Asked & { shelf?: Shelf }, means: Means) => savings({ ...asked, planner: means.planner, tell: telling(means) }),
  within: ({ have, ...asked }: Asked & { have: number; shelf?: Shelf }, means: Means) =>
    withinCloth({ ...asked, planner: means.planner, tell: telling(means) }, have),
  proposals: (asked: Asked, means: Means) => proposals({ ...asked, planner: means.planner, tell: telling(means) }),
  wish: ({ wish, ...asked }: Asked & { wish: CrownWish }, means: Means) =>
    crownPads({ ...asked, planner: means.planner, tell: telling(means) }, wish),
  height: ({ wanted, ...asked }: Asked & { wanted: number }, { planner }: Means) => padForHeight({ ...asked, planner }, wanted),
  chart: (
    {
      piece,
      material,
      masses,
      thicknesses,
      limits,
    }: { piece: Piece; material: string; masses: number[]; thicknesses: number[]; limits: ChartLimits },
    { tell }: Means,
  ) => {
    const cells: ChartCell[] = [];
    for (const cell of foamChart(masses, thicknesses, foamOf(piece, material)!, limits)) {
      cells.push(cell);
      tell(cells.length, masses.length * thicknesses.length, [...cells]);
    }
    return cells;
  },
};

export type JobKind = keyof typeof JOBS;
/** What a kind of job is asked. */
export type Question<K extends JobKind> = Parameters<(typeof JOBS)[K]>[0];
/** What it answers. */
export type Answer<K extends JobKind> = Awaited<ReturnType<(typeof JOBS)[K]>>;
/** A job as it is sent to a worker. */
export type Job<K extends JobKind = JobKind> = { kind: K; question: Question<K> };

/** What a worker says: how far it is, its answer, or what went wrong. */
export type Said<A> = { done: number; of: number; best?: unknown } | { answer: A } | { wrong: string };

/** Works a job. */
export async function work<K extends JobKind>({ kind, question }: Job<K>, means: Means): Promise<Answer<K>> {
  const job = JOBS[kind] as (question: Question<K>, means: Means) => Promise<Answer<K>>;
  return job(question, means);
}

/** What to say of an error: the words for the user where there are some. */
export function wordsOf(error: unknown): string {
  if (error instanceof PieceProblems) return error.problems[0]!.message;
  return error instanceof Error ? error.message : String(error);
}
