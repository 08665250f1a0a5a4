import { describe, expect, it } from 'vitest';
import { problemsOf } from '../document';
import { cutRows } from '../formats/pattern-files';
import { newChairSeat, newPiece, type OldPiece, type Piece } from '../piece';
import { planPiece } from '../plan';
import { sizesOf } from '../sizes';
import { stripItem } from '../../testing/strip-item';
import { NO_STRIP } from './no-strip';
import { QUICK } from '../../testing/quick';

/** No sitting and larger triangles: these tests ask for neither. */

const old = (width: number, height: number, letOut = 0): OldPiece => ({ id: 'o-1', name: 'Cover', width, height, back: { letOut } });
const withOld = (piece: Piece, item: OldPiece): Piece => ({ ...piece, strip: { ...NO_STRIP, cover: [item] } });
const plain = newChairSeat();
const judged = (piece: Piece) => planPiece(piece, {}, QUICK);

describe('an old cover that goes on again', () => {
  const measured = judged(withOld(plain, old(700, 680))).strip.back[0]!;

  it('is as large as the build asks, edge to edge once trimmed, plus nothing', () => {
    const { width, height } = measured.need;
    const just = judged(withOld(plain, old(width / (1 + measured.stretch.width / 700), height / (1 + measured.stretch.height / 680))));
    expect(just.strip.back[0]!.room.width).toBeCloseTo(0, 6);
    expect(just.strip.back[0]!.room.height).toBeCloseTo(0, 6);
    // Half of what the cloth gives: on a seat of woven cloth a finger's breadth, never a hand's.
    expect(measured.stretch.width).toBeGreaterThan(4);
    expect(measured.stretch.width).toBeLessThan(16);
  });

  it('says by how much the build may be thicker: built that much thicker it only just closes', () => {
    const roomy = withOld(plain, old(measured.need.width + 12, measured.need.height + 12));
    const { thicker } = judged(roomy).strip.back[0]!;
    // Twelve millimetres and what the cloth still gives, over two sides.
    expect(thicker).toBeGreaterThan(6);
    expect(thicker).toBeLessThan(16);
    const main = roomy.pads.findIndex(({ role }) => role === 'main');
    const grown = (by: number): Piece => ({
      ...roomy,
      pads: roomy.pads.map((pad, i) => (i === main ? { ...pad, thickness: pad.thickness + by } : pad)),
    });
    // The side lies on a bulging flank: a millimetre more of pad is within a fifth of one of cloth at either side.
    expect(judged(grown(0.75 * thicker!)).strip.back[0]!.closes).toBe(true);
    expect(judged(grown(1.35 * thicker!)).strip.back[0]!.closes).toBe(false);
  });

  it('seams let out give twice their width', () => {
    const [shut, out] = [0, 9].map((letOut) => judged(withOld(plain, old(700, 680, letOut))).strip.back[0]!);
    expect(out!.room.width - shut!.room.width).toBeCloseTo(18, 6);
    expect(out!.thicker! - shut!.thicker!).toBeCloseTo(9, 6);
  });

  it('too small, it is warned of, and the mend makes it close', () => {
    const small = withOld(plain, old(measured.need.width - 14, measured.need.height - 10));
    const warning = judged(small).warnings.find(({ code }) => code === 'old-cover-short')!;
    expect(warning.message).toMatch(/does not close: \d+ mm short across/);
    const [, , i] = /^(pads)\.(\d+)\.thickness$/.exec(warning.mend!.path)!.map(Number);
    const mended: Piece = {
      ...small,
      pads: small.pads.map((pad, k) => (k === i ? { ...pad, thickness: warning.mend!.value as number } : pad)),
    };
    expect(judged(mended).strip.back[0]!.room.width).toBeGreaterThan(-2);
    expect(judged(mended).warnings.filter(({ code }) => code === 'old-cover-short')).toEqual([]);
  });

  it('is neither cut nor bought nor sewn: the run sheet makes it ready instead', () => {
    const piece: Piece = {
      ...withOld(plain, old(800, 800)),
      strip: {
        ...NO_STRIP,
        cover: [old(800, 800, 6)],
        items: [
          { id: 's-1', what: 'cover', name: 'Cover', where: '', count: 1, crown: 0, leg: 0, thickness: 0, again: 'refit', photos: [] },
        ],
      },
    };
    expect(problemsOf(piece)).toEqual([]);
    const plan = judged(piece);
    expect(plan.cut.cloth).toMatchObject({ length: 0, laid: [] });
    expect(plan.warnings.map(({ code }) => code)).not.toContain('cloth-too-narrow');
    const keys = sizesOf(plan, piece, {}).map(({ key }) => key);
    expect(keys).toContain('old.o-1');
    expect(keys).not.toContain('cloth.length');
    expect(keys).not.toContain('thread');
    const ids = plan.steps.map(({ key }) => key);
    expect(ids).not.toContain('cloth');
    expect(ids).not.toContain('refit-s-1');
    expect(ids.indexOf('old-cover')).toBeGreaterThan(ids.indexOf('strip') >= 0 ? ids.indexOf('strip') : -1);
    expect(ids.indexOf('old-cover')).toBeLessThan(ids.findIndex((id) => id.startsWith('staple')));
    expect(plan.steps.find(({ key }) => key === 'old-cover')!.detail).toContain('let its seams out by 6 mm');
    expect(cutRows(plan, piece).map(({ what }) => what)).not.toContain('Cover');
    // The new foam is still cut.
    expect(cutRows(plan, piece).length).toBeGreaterThan(0);
  });
});

describe('old layers that go back as they came', () => {
  const items = ['wadding', 'dust', 'lining'].map((what, k) =>
    stripItem(`s-${k}`, { what: what as 'wadding', name: `Old ${what}`, again: 'refit' }),
  );
  const covering = { ...plain.covering, liner: true };
  const fresh = judged({ ...plain, covering });
  const piece: Piece = { ...plain, covering, strip: { ...NO_STRIP, items } };
  const back = judged(piece);

  it('are neither cut nor bought, and lie where new ones would', () => {
    expect([fresh.cut.wadding, fresh.cut.dustCover, fresh.cut.lining].every(Boolean)).toBe(true);
    expect([back.cut.wadding, back.cut.dustCover, back.cut.lining]).toEqual([null, null, null]);
    expect(back.surface).toEqual(fresh.surface);
    expect(back.cover.pieces).toEqual(fresh.cover.pieces);
    const whats = cutRows(back, piece).map(({ what }) => what);
    for (const gone of ['Wadding', 'Dust cover', 'Liner cloth']) expect(whats).not.toContain(gone);
  });

  it('go back in the step that lays them, once', () => {
    const named = back.steps.map(({ key, name }) => `${key}: ${name}`);
    expect(named).toContain('wadding: Lay the old wadding back');
    expect(named).toContain('lay-liner: Lay on the old liner cloth');
    expect(named).toContain('dust: The old dust cover');
    // What is not cut has no size.
    const sized = ({ steps }: typeof back, key: string): boolean => / × /.test(steps.find((step) => step.key === key)!.detail);
    for (const key of ['wadding', 'lay-liner', 'dust']) expect([key, sized(back, key), sized(fresh, key)]).toEqual([key, false, true]);
    expect(back.steps.some(({ key }) => key.startsWith('refit-'))).toBe(false);
    // Where there is no such layer in the build, what goes back still has its step.
    const none = judged({ ...piece, wadding: null });
    expect(none.steps.map(({ key }) => key)).toContain('refit-s-0');
  });
});

describe('an old panel of a sewn cover', () => {
  const boxed: Piece = { ...newPiece('bench'), count: 1, covering: { way: 'boxed' } };
  const fresh = judged(boxed);
  const top = fresh.cover.pieces.find(({ role }) => role === 'top')!;

  it('goes back to new bands: the bands alone are cut, and the seams are sewn', () => {
    const piece = withOld(boxed, { id: 'o-1', name: top.name, width: top.width, height: top.height, back: { letOut: 0 } });
    const plan = judged(piece);
    expect(plan.strip.back[0]).toMatchObject({ pulled: false, thicker: null, closes: true });
    const labels = plan.cut.cloth.laid.map(({ label }) => label);
    expect(labels).not.toContain(top.name);
    expect(labels.length).toBeGreaterThan(0);
    expect(labels.length).toBeLessThan(fresh.cut.cloth.laid.length);
    const ids = plan.steps.map(({ key }) => key);
    expect(ids).toContain('sew');
    expect(ids.indexOf('old-cover')).toBeLessThan(ids.indexOf('sew'));
  });
});
