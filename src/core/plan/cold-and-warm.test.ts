import { describe, expect, it } from 'vitest';
import { editsOf, houseEdits } from '../../testing/edits';
import { seededRandom } from '../../testing/seeded-random';
import { needsOf } from '../buying';
import { WAYS } from '../cover';
import type { HouseRules } from '../house';
import { layGroups } from '../nesting';
import { KINDS, newPiece, PieceProblems, type Piece } from '../piece';
import { createPlanner, planPiece, PLAN_PARTS, sheetView, sitView, type Planner } from '.';
import { runs, thorough, thisWeek } from '../../testing/runs';

/**
 * No answer depends on what was asked before: a planner that planned the piece as it was, and then as it is, says to the last digit
 * what a planner says that never planned anything: plan, views, lay and shopping list.
 */

/** How many single edits of each kind are tried where not all are, drawn anew for every kind. */
const SAMPLE = 1;
const CHAINS = runs(4, 2000);
/** Of the ways every so many are tried on a kind, others on the next. */
const EVERY = runs(3, 1);

type Asked = { says: string; piece: Piece; house: HouseRules };

/**
 * All that somebody is answered of a piece, as text: its plan, what the sheet shows of it on every stage, what it is laid and bought
 * from, in the thorough run the piece in the round and the sitting; or what is refused.
 */
function answer(planner: Planner, { piece, house }: Omit<Asked, 'says'>): string {
  try {
    const plan = planPiece(piece, house, { coarse: true, sits: thorough, planner });
    const planned = [{ id: 'p', piece, plan }];
    const lay = layGroups(planned, house);
    return JSON.stringify({
      plan,
      view: sheetView({ piece, house, parts: PLAN_PARTS, preview: true, round: thorough }, planner),
      sit: thorough ? sitView(piece, house, planner) : null,
      lay,
      needs: needsOf(planned, lay, house),
    });
  } catch (error) {
    if (!(error instanceof PieceProblems)) throw error;
    return JSON.stringify(error.problems);
  }
}

/** Where two answers differ, by their paths. */
function stalePaths(warm: unknown, cold: unknown, path = 'answer'): string[] {
  if (Object.is(warm, cold)) return [];
  if (!warm || !cold || typeof warm !== 'object' || typeof cold !== 'object') return [path];
  const [a, b] = [warm as Record<string, unknown>, cold as Record<string, unknown>];
  return [...new Set([...Object.keys(a), ...Object.keys(b)])].flatMap((key) => stalePaths(a[key], b[key], `${path}.${key}`));
}

/**
 * Solves whose work is handed their reads and nothing else: they cannot read what they did not declare. The cold planner keeps these, or
 * every answer would cost a second; in the thorough run every so many answers begin with nothing at all.
 */
const SOLVES = ['section', 'foam', 'laid flat', 'panel mesh', 'covered surface', 'board bent', 'deck'];
const ALL_COLD = 25;
const solver = createPlanner();
let asked = 0;

function coldPlanner(): Planner {
  if (thorough && ++asked % ALL_COLD === 0) return createPlanner();
  solver.forgetBut(SOLVES);
  return solver;
}

function expectFresh(planner: Planner, question: Asked): void {
  const [warm, cold] = [answer(planner, question), answer(coldPlanner(), question)];
  if (warm !== cold) expect(stalePaths(JSON.parse(warm), JSON.parse(cold)).slice(0, 8), `stale after ${question.says}`).toEqual([]);
}

const singleEdits = (piece: Piece): Asked[] => [
  ...editsOf(piece).map((edit) => ({ ...edit, house: {} })),
  ...houseEdits().map((edit) => ({ ...edit, piece })),
];

describe.each(thisWeek(KINDS, 3).map(({ id }) => [id] as const))('%s', (kind) => {
  const start = newPiece(kind);

  it('in every way of covering, one after the other', () => {
    const planner = createPlanner();
    answer(planner, { piece: start, house: {} });
    const from = KINDS.findIndex(({ id }) => id === kind) % EVERY;
    for (const { id: way } of WAYS.filter((_, i) => i % EVERY === from))
      expectFresh(planner, { says: way, piece: { ...start, covering: { way } } as Piece, house: {} });
  });

  it('as another kind, and with one thing changed', () => {
    const planner = createPlanner();
    const base = { piece: start, house: {} };
    answer(planner, base);
    const random = seededRandom(KINDS.findIndex(({ id }) => id === kind) + 41);
    const all = singleEdits(start).filter(({ piece, house }) => planner.check(piece, house).length === 0);
    const tried = thorough ? all : Array.from({ length: SAMPLE }, () => all[Math.floor(random() * all.length)]!);
    const other = KINDS[Math.floor(random() * KINDS.length)]!.id;
    for (const asked of [{ says: other, piece: { ...start, kind: other }, house: {} }, ...tried]) {
      answer(planner, base);
      expectFresh(planner, asked);
    }
  });
});

describe('edit after edit', () => {
  it('changes no answer either', () => {
    const random = seededRandom(20261130);
    const planner = createPlanner();
    for (let k = 0; k < CHAINS; k++) {
      let piece = newPiece(KINDS[Math.floor(random() * KINDS.length)]!.id);
      let says = piece.kind as string;
      for (let step = 0; step < 4; step++) {
        const edits = editsOf(piece);
        const edit = edits[Math.floor(random() * edits.length)]!;
        if (planner.check(edit.piece, {}).length > 0) continue;
        ({ piece } = edit);
        says += `, ${edit.says}`;
        if (step < 3) answer(planner, { piece, house: {} });
      }
      if (planner.check(piece, {}).length === 0) expectFresh(planner, { says, piece, house: {} });
    }
  });
});
