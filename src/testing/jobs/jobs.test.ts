import { readFileSync, writeFileSync } from 'node:fs';
import { format } from 'prettier';
import { describe, expect, it } from 'vitest';
import { needsOf } from '../../core/buying';
import { checkDocument } from '../../core/document';
import { layGroups } from '../../core/nesting';
import { planPiece, sheetView } from '../../core/plan';
import { JOBS } from '.';
import { jobsTable } from './table';
import { sharedPlanner } from '../quick';
import { thisWeek } from '../runs';

/** So many pleats at a corner nobody exceeds (trade.md, corners). */
const MOST_PLEATS = 3;

describe.each(thisWeek(JOBS, 2).map((job) => [job.title, job] as const))('%s', (_title, job) => {
  const planner = sharedPlanner;
  const plan = planPiece(job.piece, {}, { planner });

  it('is a piece like any other, and begins without a warning', () => {
    expect('problems' in checkDocument(job.piece, {})).toBe(false);
    expect(plan.warnings.map(({ code }) => code)).toEqual(job.warns ?? []);
  });

  it('is cut, bought and timed as a master would have it', () => {
    for (const { what, of, least, most, why } of job.figures) {
      const value = of(plan);
      expect(value, `${what} at least, for ${why}`).toBeGreaterThanOrEqual(least);
      expect(value, `${what} at most, for ${why}`).toBeLessThanOrEqual(most);
    }
    for (const corner of plan.corners) {
      expect(corner.pleats).toBeLessThanOrEqual(MOST_PLEATS);
      if (job.corners) expect(corner.way).toBe(job.corners);
    }
  });

  it('is worked in an order in which nothing is used before it is made', () => {
    const keys = plan.steps.map(({ key }) => key);
    expect(new Set(keys).size).toBe(keys.length);
    let from = -1;
    for (const key of job.order) {
      const at = keys.indexOf(key);
      expect(at, `${key} in ${keys.join(' ')}`).toBeGreaterThan(from);
      from = at;
    }
    for (const key of job.never ?? []) expect(keys).not.toContain(key);
    for (const step of plan.steps) {
      expect(step.minutes, step.key).toBeGreaterThan(0);
      expect(step.detail.length, step.key).toBeGreaterThan(10);
    }
  });

  it('has its shopping list', () => {
    const shown = sheetView({ piece: job.piece, house: {}, parts: ['cover', 'cut', 'fixing', 'run'] }, planner);
    if ('problems' in shown) throw new Error(shown.problems[0]!.message);
    const sizes = new Map(shown.view.sizes.map((line) => [line.key, line.value]));
    // Everything on it is used by a step, which waits until it is there; and of what a step uses something is on it.
    const needed = new Set(
      needsOf([{ id: job.id, piece: job.piece, plan }], layGroups([{ id: job.id, piece: job.piece, plan }], {}), {}).map(
        ({ kind }) => kind,
      ),
    );
    const used = new Set(plan.steps.flatMap(({ uses = [] }) => uses));
    expect([...needed].filter((kind) => !used.has(kind))).toEqual([]);
    const idle = plan.steps.filter(({ uses }) => uses && !uses.some((kind) => needed.has(kind) || kind === 'board'));
    expect(idle.map(({ key }) => key)).toEqual([]);
    for (const key of job.buys) expect(sizes.get(key), `${key} of ${[...sizes.keys()].join(' ')}`).toBeGreaterThan(0);
    // Nothing is left out of a sum.
    expect(plan.cut.cloth.tooLarge).toEqual([]);
    expect(plan.cut.foam.layouts.flatMap(({ tooLarge }) => tooLarge)).toEqual([]);
  });
});

describe('the jobs', () => {
  it('are forty and more, each with its own name, of every kind there is', async () => {
    expect(JOBS.length).toBeGreaterThanOrEqual(40);
    expect(new Set(JOBS.map(({ id }) => id)).size).toBe(JOBS.length);
    const { KINDS } = await import('../../core/piece');
    expect(new Set(JOBS.map(({ piece }) => piece.kind)).size).toBe(KINDS.length);
    expect(JOBS.filter(({ browser }) => browser).length).toBeGreaterThanOrEqual(12);
  });

  it('stand in docs/jobs.md as they are planned (FOVEA_WRITE=1 writes it)', async () => {
    const page = await format(jobsTable(JOBS), { parser: 'markdown', printWidth: 140 });
    if (process.env.FOVEA_WRITE) writeFileSync('docs/jobs.md', page);
    expect(readFileSync('docs/jobs.md', 'utf8')).toBe(page);
  });
});
