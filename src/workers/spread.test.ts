import { MessageChannel, type MessagePort as NodePort } from 'node:worker_threads';
import { afterEach, describe, expect, it } from 'vitest';
import { cutsStep, sectionsStep, solveHalf, type HalfTask } from '../core/padding';
import { newPiece } from '../core/piece';
import { createPlanner, sheetView } from '../core/plan';
import type { PulledSection } from '../core/mechanics/section';
import { runErrand, type Brought, type Errand } from './errands';
import { work, type Means } from './jobs';
import { serve, spread, type SpreadPort } from './spread';
import { thorough } from '../testing/runs';
import { weekly } from '../testing/weekly';

const open: NodePort[] = [];
afterEach(() => open.splice(0).forEach((port) => port.close()));

/** A port to a helper that does the work after so long, or never. */
function helper<T, R>(local: (task: T) => R, wait: number | null = 0): { port: SpreadPort; served: () => number } {
  const { port1, port2 } = new MessageChannel();
  open.push(port1, port2);
  let served = 0;
  const far = port2 as unknown as SpreadPort;
  if (wait === null) far.onmessage = () => undefined;
  else if (wait === 0)
    serve<T, R>(far, (task) => {
      served += 1;
      return local(task);
    });
  else
    far.onmessage = ({ data }: { data: { round: number; n: number; task: T } }) =>
      void setTimeout(() => far.postMessage({ round: data.round, n: data.n, result: local(data.task) }), wait);
  return { port: port1 as unknown as SpreadPort, served: () => served };
}

const tasks = Array.from({ length: 40 }, (_, i) => i);

describe('work that is spread', () => {
  it('comes back whole and in order, with helpers and without', async () => {
    const square = (n: number): number => n * n;
    const one = helper(square);
    expect(await spread(tasks, square, [])).toEqual(tasks.map(square));
    expect(await spread(tasks, square, [one.port, helper(square).port])).toEqual(tasks.map(square));
    expect(one.served()).toBeGreaterThan(0);
    expect(await spread([], square, [one.port])).toEqual([]);
  });

  it('is done here where a helper does not answer', async () => {
    expect(await spread(tasks, (n) => -n, [helper<number, number>((n) => n, null).port])).toEqual(tasks.map((n) => -n));
  });

  it('what comes back too late belongs to no later round', async () => {
    const late = helper<number, string>((n) => `late ${n}`, 450);
    await spread([1, 2, 3], (n) => `own ${n}`, [late.port]);
    const after = await spread([4, 5, 6], (n) => `own ${n}`, [late.port]);
    for (const result of after) expect(result).not.toMatch(/late [123]/);
  }, 10_000);
});

describe('sections solved elsewhere', () => {
  const piece = newPiece('chair-seat');

  it('are the very ones that would have been solved here', async () => {
    const planner = createPlanner();
    const model = planner.model(piece, {});
    const wanted = planner.sectionsWanted(model, 'quick');
    expect(wanted.length).toBeGreaterThan(4);
    // As plain data they go through a channel and back.
    const solved = await spread<HalfTask, PulledSection>(wanted, (task) => solveHalf(task), [
      helper((task: HalfTask) => solveHalf(task)).port,
    ]);
    planner.takeSections(wanted, solved);
    planner.resetCounts();
    const taken = sectionsStep(model, 'quick');
    expect(planner.counts.get('section')!.worked).toBe(0);
    expect(planner.sectionsWanted(model, 'quick')).toEqual([]);
    const alone = createPlanner();
    expect(taken).toEqual(sectionsStep(alone.model(piece, {}), 'quick'));
    expect(wanted.length).toBeLessThan(cutsStep(model, 'quick').length);
  });

  const far = (): ReturnType<typeof helper> => {
    const planner = createPlanner();
    return helper<Errand, Brought>((errand) => runErrand(errand, planner));
  };
  const means = (helpers: SpreadPort[]): Means => ({ planner: createPlanner(), tell: () => undefined, helpers });

  it('a view with helpers is the view without', async () => {
    const question = { piece, house: {}, parts: ['cover'] as const, preview: true };
    const one = means([far().port]);
    const answer = await work({ kind: 'view', question }, one);
    expect(one.planner.counts.get('section')!.worked).toBeLessThanOrEqual(2);
    expect(answer).toEqual(sheetView(question, createPlanner()));
  });

  weekly(1)('panels are laid flat by whoever has time, and come out the same', async () => {
    const bordered = newPiece('headboard-bordered');
    const question = { piece: bordered, house: {}, parts: ['cover'] as const, preview: true };
    const one = means([far().port]);
    const answer = await work({ kind: 'view', question }, one);
    expect(answer).toEqual(sheetView(question, createPlanner()));
    // A band that is tried straight first is laid as it is shaped only when that fails: it is not sent out.
    const { asked, worked } = one.planner.counts.get('laid flat')!;
    expect(asked - worked).toBeGreaterThan(1);
    const model = one.planner.model(bordered, {});
    expect(one.planner.flatsWanted(model, 'quick')).toEqual([]);
  });

  it.runIf(thorough)(
    'cures are looked for row by row, and are those that one worker finds',
    async () => {
      const main = { thickness: 20, material: 'seat-medium' };
      const thin = { ...piece, pads: piece.pads.map((pad) => (pad.role === 'main' ? { ...pad, ...main } : pad)) };
      const helping = far();
      const found = await work({ kind: 'cures', question: { piece: thin, house: {} } }, means([helping.port]));
      expect(helping.served()).toBeGreaterThan(0);
      expect(found.length).toBeGreaterThan(0);
      expect(found).toEqual(await work({ kind: 'cures', question: { piece: thin, house: {} } }, means([])));
    },
    60_000,
  );

  it('a piece that cannot be is answered with what is wrong', async () => {
    const wrong = { ...piece, pads: [{ ...piece.pads[0]!, offset: -400 }] };
    expect(await work({ kind: 'view', question: { piece: wrong, house: {}, parts: [] } }, means([far().port]))).toHaveProperty('problems');
  });
});
