import { describe, expect, it } from 'vitest';
import { WAYS } from '../cover';
import { KINDS, newPiece, PieceProblems, SHAPES, type Piece } from '../piece';
import { createPlanner, planPiece } from '../plan';
import { checkDocument } from '.';
import { CARRIERS, everyFigure, spotsOf, withFigure } from './carriers';
import { seededRandom } from '../../testing/seeded-random';
import { LONGEST, patience, timed } from '../../testing/patience';
import { measured } from '../../testing/measured';
import { runs } from '../../testing/runs';

/** How many documents are made, and how many of those that are taken are planned: more with `npm run fuzz`. */
const MADE = Number(process.env.FOVEA_FUZZ ?? runs(1500, 10_000));
const PLANNED = Number(process.env.FOVEA_FUZZ_PLANS ?? runs(8, 40));
const SEED = Number(process.env.FOVEA_FUZZ_SEED ?? 20261126);
type Roll = ReturnType<typeof seededRandom>;
const pick = <T>(roll: Roll, list: readonly T[]): T => list[Math.floor(roll() * list.length)]!;

/** A figure that could be meant: near what is there, anywhere in its range, or at a limit. */
function likely(roll: Roll, now: number, [low, high]: readonly [number, number], whole: boolean): number {
  const way = roll();
  const value = way < 0.5 ? now * (0.5 + roll()) : way < 0.85 ? low + (high - low) * roll() ** 2 : pick(roll, [low, high]);
  const clamped = Math.min(high, Math.max(low, value));
  return whole ? Math.round(clamped) : Math.round(clamped * 100) / 100;
}

/** Changes a few figures and choices of a document at once: every one may be, all together may not. */
function changed(roll: Roll, from: Piece): Piece {
  let piece = structuredClone(from);
  const spots = spotsOf(piece).filter(({ field }) => field.range);
  for (let k = 1 + Math.floor(roll() * 5); k > 0; k--) {
    const spot = pick(roll, spots);
    const now = spot.path.split('.').reduce<unknown>((value, key) => (value as Record<string, unknown>)[key], piece) as number;
    piece = withFigure(piece, spot.path, likely(roll, now, spot.field.range!, spot.field.type === 'integer'));
  }
  if (roll() < 0.3) {
    piece = { ...piece, covering: { way: pick(roll, WAYS).id } as Piece['covering'] };
  }
  if (roll() < 0.2) {
    const corner = roll() < 0.5;
    const at = corner
      ? { kind: 'corner', name: pick(roll, ['back left', 'front right']) }
      : { kind: 'edge', name: pick(roll, ['back', 'left']), along: roll() * 200 - 100 };
    const notch = { id: 'n-9', at, width: 20 + roll() * 100, depth: 10 + roll() * 80 };
    piece = { ...piece, base: { ...piece.base, notches: [notch] as NonNullable<Piece['base']['notches']> } };
  }
  if (roll() < 0.15) piece = { ...piece, covering: { ...piece.covering, darts: [roll(), roll()] } };
  if (roll() < 0.1) piece = { ...piece, pads: piece.pads.slice(0, 1) };
  return piece;
}

/** Spoils a document: something taken out, put in the wrong place, or of another kind. */
function spoilt(roll: Roll, from: Piece): unknown {
  const copy = structuredClone(from) as unknown as Record<string, unknown>;
  let node: Record<string, unknown> = copy;
  for (;;) {
    const key = pick(roll, Object.keys(node));
    const inner = node[key];
    if (inner !== null && typeof inner === 'object' && Object.keys(inner).length > 0 && roll() < 0.75) {
      node = inner as Record<string, unknown>;
      continue;
    }
    if (roll() < 0.25) delete node[key];
    else node[key] = pick(roll, [null, '', 'x'.repeat(5000), -1, 1e308, 0, [], {}, [[[]]], true, { kind: 'square' }, '<b>&', NaN]);
    return copy;
  }
}

const STARTS: Piece[] = [...CARRIERS.map(([, piece]) => piece), ...KINDS.flatMap(({ id }) => SHAPES.slice(0, 4).map(() => newPiece(id)))];

describe('documents changed at random', () => {
  it(`${MADE} spoilt ones are each refused in words that name a place, or taken`, () => {
    const roll = seededRandom(SEED);
    let refused = 0;
    for (let k = 0; k < MADE; k++) {
      const document = spoilt(roll, pick(roll, STARTS));
      const began = performance.now();
      const checked = checkDocument(document);
      expect(performance.now() - began, JSON.stringify(document).slice(0, 400)).toBeLessThan(2000);
      if (!('problems' in checked)) continue;
      refused += 1;
      for (const { message } of checked.problems) {
        expect(message.length, message).toBeGreaterThan(8);
        expect(message).not.toMatch(/oneOf|schema in|undefined|NaN|object Object/);
      }
    }
    measured('documents', { made: MADE, refused });
  }, 120_000);

  it(`${PLANNED} that are taken are planned, to finite figures, before anybody tires of waiting`, () => {
    const roll = seededRandom(SEED + 1);
    const failed: string[] = [];
    let [planned, longest] = [0, 0];
    while (planned < PLANNED) {
      const document = changed(roll, pick(roll, STARTS));
      const checked = checkDocument(document);
      if ('problems' in checked) continue;
      planned += 1;
      let [took, limit] = [Infinity, LONGEST];
      try {
        // Slow once may be the machine's doing.
        for (let again = 0; again < 3 && took > limit; again++) {
          let plan: unknown;
          took = timed(() => (plan = planPiece(checked.piece, {}, { sits: false, coarse: true, planner: createPlanner() })));
          if (took > limit) limit = patience();
          const bad: string[] = [];
          everyFigure(plan, 'plan', bad);
          if (bad.length > 0) failed.push(`no figure at ${bad[0]}: ${JSON.stringify(document)}`);
        }
        longest = Math.max(longest, took);
        if (took > limit) failed.push(`${Math.round(took)} ms: ${JSON.stringify(document)}`);
      } catch (error) {
        failed.push(`${error instanceof PieceProblems ? 'third way: ' : ''}${String(error).slice(0, 200)}: ${JSON.stringify(document)}`);
      }
    }
    expect(failed).toEqual([]);
    measured('plans', { planned, slow: failed.length, longest: Math.round(longest) });
  }, 3_600_000);
});
