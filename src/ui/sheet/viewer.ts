import type { PlanPart, SheetView } from '@/core/plan';
import type { HouseRules } from '@/core/house';
import type { Piece, Problem } from '@/core/piece';
import { SIZE_GROUPS } from '@/core/sizes';
import { NotAnswered } from '@/ui/kit/worker/worker-client';
import type { JobClient } from '@/ui/kit/worker/workers';
import { stageView, type Stage, type StageView } from './stage';
import type { SheetState, SheetStore } from './store';

/** Two changes nearer than this belong to one drag, ms. */
const DRAG = 140;
/** Typing settles for this long before a sitting is begun, ms. */
const SETTLE = 120;

type Wanted = { piece: Piece; house: HouseRules; parts: readonly PlanPart[]; preview: boolean; round: boolean };

/** What the answer line is read from. */
const ANSWER: readonly PlanPart[] = ['cover', 'cut', 'fixing', 'run'];
/** The hand rests so long before the answer line is worked out, ms. */
const REST = 300;

/** What of a plan is wanted: what the stage looks at, and what the sizes that stand open are read from. */
export function partsOf(stage: StageView, unfolded: SheetState['unfolded'], round: RoundParts = []): PlanPart[] {
  const open = SIZE_GROUPS.filter(({ id }) => stage.sizes.includes(id) || unfolded.includes(id));
  return [...new Set([...stage.parts, ...round, ...open.flatMap(({ needs }) => needs)])].sort();
}

type RoundParts = readonly PlanPart[];

/** In the round the cover is seen whatever the stage is about; where there are several, also where each lies on the roll. */
export function roundParts({ count, panels }: Piece): RoundParts {
  return count > 1 || panels ? ['cover', 'fixing', 'cut'] : ['cover', 'fixing'];
}

/** Whose turn it is at a worker: one question is under way at a time. */
type Turn = { busy: boolean; over: boolean };

/**
 * Has what the stage does not look at worked out once the hand rests, for the answer line and the inspection.
 *
 * @param store of the sheet
 * @param client the worker that plans
 * @param turn shared with the stage's own questions
 * @param then asks what was wanted meanwhile
 */
function keepAnswered(store: SheetStore, client: JobClient, turn: Turn, then: () => void) {
  let idle: ReturnType<typeof setTimeout> | undefined;
  const put = (of: Piece, { plan, sizes: lines, findings }: SheetView): void => {
    const settled = plan.surface.converged && (plan.cover?.check.settled ?? true);
    if (store.getState().piece === of) store.setState({ answer: { of, lines, findings, settled } });
  };
  const work = async (asked: Wanted): Promise<void> => {
    if (turn.busy || turn.over || store.getState().piece !== asked.piece) return;
    turn.busy = true;
    try {
      const result = await client.ask('view', { ...asked, round: false, parts: [...new Set([...asked.parts, ...ANSWER])].sort() });
      if ('view' in result) put(asked.piece, result.view);
    } catch (error) {
      // The stage's own question says what is wrong.
      if (!(error instanceof NotAnswered)) throw error;
    }
    turn.busy = false;
    then();
  };
  return {
    settled: (asked: Wanted, view: SheetView): void => {
      clearTimeout(idle);
      if (ANSWER.every((part) => asked.parts.includes(part))) put(asked.piece, view);
      else if (store.getState().answer?.of !== asked.piece) idle = setTimeout(() => void work(asked), REST);
    },
    stop: (): void => clearTimeout(idle),
  };
}

/**
 * Has the sheet worked out whenever it changes. One question is under way at a time; the newest waits, older ones are
 * dropped. While something is dragged a quick look is asked for, and the settled answer when the hand rests.
 *
 * @param store of the sheet
 * @param client the worker that plans
 * @param stages every stage
 * @param [now] ms
 * @returns a way to stop
 */
export function keepViewed(
  store: SheetStore,
  client: JobClient,
  stages: readonly Stage[],
  now: () => number = () => performance.now(),
): () => void {
  let wanted: Wanted | null = null;
  let last = -Infinity;
  let rest: ReturnType<typeof setTimeout> | undefined;
  const turn: Turn = { busy: false, over: false };
  const answer = keepAnswered(store, client, turn, () => void ask());

  const answered = (asked: Wanted, result: { view: SheetView } | { problems: Problem[] }): void => {
    const { piece } = store.getState();
    const settled = asked.piece === piece && !asked.preview;
    store.setState(
      'view' in result ? { view: result.view, problems: [], stuck: null, settled } : { problems: result.problems, stuck: null, settled },
    );
    if (settled && 'view' in result) answer.settled(asked, result.view);
  };
  const ask = async (): Promise<void> => {
    if (turn.busy || turn.over) return;
    turn.busy = true;
    for (let next = wanted; next && !turn.over; next = wanted) {
      wanted = null;
      try {
        answered(next, await client.ask('view', next));
      } catch (error) {
        if (!(error instanceof NotAnswered) || error.why === 'given-up') continue;
        store.setState({ stuck: { message: error.message, at: store.getState().lastField } });
      }
    }
    turn.busy = false;
  };
  const want = (preview: boolean): void => {
    const { piece, house, stage, look, unfolded, round } = store.getState();
    wanted = {
      piece,
      house,
      preview,
      round,
      parts: partsOf(
        stageView(
          stages.find(({ id }) => id === stage)!,
          look,
        ),
        unfolded,
        round ? roundParts(piece) : [],
      ),
    };
    void ask();
  };
  const changed = (state: SheetState, before: SheetState | null): void => {
    const edited = before !== null && state.piece !== before.piece;
    const same = (['stage', 'look', 'unfolded', 'round'] as const).every((key) => state[key] === before?.[key]);
    if (before && !edited && same) return;
    if (!edited) return want(false);
    // Changes that follow each other fast are a drag: the settled answer is asked for when they stop.
    const live = now() - last < DRAG;
    last = now();
    store.setState({ settled: false });
    clearTimeout(rest);
    want(live);
    if (live) rest = setTimeout(() => want(false), DRAG);
  };
  changed(store.getState(), null);
  const stop = store.subscribe(changed);
  return () => {
    turn.over = true;
    clearTimeout(rest);
    answer.stop();
    stop();
    client.close();
  };
}

/**
 * Has the piece sat on while that is looked at; the newest change gives up what is under way.
 *
 * @param store of the sheet
 * @param client a worker for longer jobs
 * @param stages every stage
 */
export function keepSat(store: SheetStore, client: JobClient, stages: readonly Stage[]): () => void {
  let timer: ReturnType<typeof setTimeout> | undefined;
  let asked: unknown = null;
  const put = (sit: Partial<SheetState['sit']>): void => store.setState({ sit: { ...store.getState().sit, ...sit } });
  const sitDown = async ({ piece, house }: SheetState): Promise<void> => {
    if (store.getState().sit.running) client.giveUp();
    put({ running: true, wrong: null });
    try {
      const result = await client.ask('sit', { piece, house });
      if (asked === piece) put({ view: 'view' in result ? result.view : null, of: piece, running: false });
    } catch (error) {
      if (asked === piece && error instanceof NotAnswered && error.why !== 'given-up') put({ running: false, wrong: error.message });
    }
  };
  const look = (state: SheetState): void => {
    const wants = stages.find(({ id }) => id === state.stage)?.sits || state.round;
    if (!wants || !state.settled || state.piece.pads.length === 0 || asked === state.piece) return;
    asked = state.piece;
    clearTimeout(timer);
    timer = setTimeout(() => void sitDown(store.getState()), SETTLE);
  };
  look(store.getState());
  const stop = store.subscribe(look);
  return () => {
    clearTimeout(timer);
    stop();
    client.close();
  };
}
