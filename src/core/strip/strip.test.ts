import { describe, expect, it } from 'vitest';
import { checkDocument } from '../document';
import { newChairSeat, newPiece, type Piece, type PressReadings, type StripItem } from '../piece';
import { planPiece } from '../plan';
import { stripItem } from '../../testing/strip-item';
import { FINDINGS, pressTest, reassembly, withOldFoam } from '.';
import { QUICK } from '../../testing/quick';

/** No sitting and larger triangles: these tests ask for neither. */

const good: PressReadings = { asNew: 50, now: 49, seconds: 1, crumbs: false, mould: false, marks: false };
const item = (id: string, what: StripItem['what'], again: StripItem['again'], more: Partial<StripItem> = {}): StripItem =>
  stripItem(id, { what, name: what, again, ...more });

describe('the press test says which reading decided', () => {
  it.each([
    [{}, 'keep', 'Lost 2 %', 0],
    [{ now: 47.5 }, 'keep', 'Lost 5 %', 0],
    [{ now: 46 }, 'plump', 'between 5 and 12 %', 5],
    [{ now: 44 }, 'plump', 'Lost 12 %', 10],
    [{ now: 43 }, 'replace', 'more than 12 %', 0],
    [{ seconds: 3 }, 'plump', 'Took 3 s', 5],
    [{ seconds: 6 }, 'replace', 'spent foam', 0],
    [{ crumbs: true }, 'replace', 'crumbles', 0],
    [{ mould: true, now: 50 }, 'replace', 'mould', 0],
    [{ marks: true }, 'plump', 'printed itself', 5],
  ] as const)('%j: %s', (change, verdict, words, plump) => {
    const found = pressTest({ ...good, ...change });
    expect(found.verdict).toBe(verdict);
    expect(found.decided.toLowerCase()).toContain(words.toLowerCase());
    expect(found.plump).toBe(plump);
  });

  it('foam that has grown has lost nothing', () => {
    expect(pressTest({ ...good, now: 55 }).loss).toBe(0);
  });
});

describe('the strip record', () => {
  const items = [
    item('s-1', 'fastener', 'replace', { name: 'Staples', leg: 10, crown: 11, count: 60 }),
    item('s-2', 'strap', 'refit', { name: 'Strap', where: 'two holes from the end', photos: [`${'a'.repeat(64)}.png`] }),
    item('s-3', 'cover', 'replace', { name: 'Cover' }),
    item('s-4', 'pad', 'replace', { name: 'Foam', thickness: 40 }),
    item('s-5', 'hardware', 'refit', { name: 'Latch' }),
    item('s-6', 'film', 'leave-off', { name: 'Film' }),
  ];
  const strip = {
    items,
    findings: ['mould', 'rust'],
    press: good,
    cover: [{ id: 'o-1', name: 'Cover', width: 700, height: 680 }],
    tasks: [],
  };
  const piece: Piece = { ...newChairSeat(), strip };

  it('goes back on in the reverse order, without what is not wanted again', () => {
    expect(reassembly(strip).map((step) => step.item.id)).toEqual(['s-5', 's-4', 's-3', 's-2', 's-1']);
    expect(reassembly(strip)[4]!.words).toContain('60 × Staples, new');
    expect(reassembly(undefined)).toEqual([]);
  });

  it('is followed by the run sheet: strip first, findings with their cautions, what was kept refitted with its photos', () => {
    const steps = planPiece(piece, {}, QUICK).steps;
    const keys = steps.map((step) => step.key);
    expect(keys[0]).toBe('strip');
    expect(keys.slice(1, 3)).toEqual(['finding-mould', 'finding-rust']);
    expect(steps[1]!.caution).toContain('local rules');
    expect(keys.indexOf('refit-s-5')).toBeGreaterThan(keys.indexOf('dust'));
    expect(keys.indexOf('refit-s-2')).toBeGreaterThan(keys.indexOf('refit-s-5'));
    expect(keys).not.toContain('refit-s-4');
    expect(steps.find((step) => step.key === 'refit-s-2')!.photos).toEqual(items[1]!.photos);
  });

  it('lays the old cover beside the new one and says where each millimetre comes from', () => {
    const plan = planPiece(piece, {}, QUICK);
    const [compared] = plan.strip.oldCover;
    const cover = plan.cover.pieces[0]!;
    expect(compared!.difference.width).toBeCloseTo(cover.width - 700, 2);
    const sum = compared!.reasons.reduce((total, reason) => total + reason.width, 0) + compared!.unexplained.width;
    expect(sum).toBeCloseTo(compared!.difference.width, 1);
    const labels = compared!.reasons.map((reason) => reason.label).join();
    expect(labels).toContain('Crown added');
    expect(labels).toContain('Foam thicker');
    expect(compared!.reasons.find((reason) => reason.label.startsWith('Foam'))!.width).toBeCloseTo(2 * (50 - 40), 6);
  });

  it('reads the old staple: the size to buy, and that it was too long', () => {
    expect(planPiece(piece, {}, QUICK).strip.staples[0]).toMatchObject({ buy: 10, tooLong: false });
    const long: Piece = { ...piece, strip: { ...strip, items: [{ ...items[0]!, leg: 14 }] } };
    const plan = planPiece(long, {}, QUICK);
    expect(plan.strip.staples[0]).toMatchObject({ tooLong: true });
    expect(plan.warnings.map((warning) => warning.code)).toContain('old-staple-long');
  });

  it('every finding has a consequence', () => {
    for (const finding of FINDINGS) expect(finding.consequence.length).toBeGreaterThan(20);
  });
});

describe('old foam with a form of its own', () => {
  it('goes back as it has settled: every reading by the same share, nothing higher than the pad', () => {
    const chair = newPiece('chair-seat');
    const readings = { asNew: 50, now: 45, seconds: 1, crumbs: false, mould: false, marks: false };
    const rows = [0, 200, 400].map((at) => ({ at, middle: 50, side: 40 }));
    const pads = chair.pads.map((pad) => (pad.role === 'main' ? { ...pad, profile: { kind: 'read' as const, rows } } : pad));
    const old = withOldFoam({ pads }, readings)!;
    const main = old.find(({ role }) => role === 'main')!;
    expect(main.profile).toEqual({ kind: 'read', rows: rows.map((row) => ({ ...row, middle: 45, side: 36 })) });
    expect('problems' in checkDocument({ ...chair, pads: old }, {})).toBe(false);
    const dipped = chair.pads.map((pad) =>
      pad.role === 'main' ? { ...pad, profile: { kind: 'dip' as const, y: 0, length: 200, by: 20 } } : pad,
    );
    expect(withOldFoam({ pads: dipped }, readings)!.find(({ role }) => role === 'main')!.profile).toMatchObject({ by: 18 });
  });
});
