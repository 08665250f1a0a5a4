import { describe, expect, it } from 'vitest';
import { along, crownByWish, levelLines, wishedOver, type Profile } from '.';
import { modelOf } from '../padding';
import { isInside, polygonArea } from '../outline';
import { newPiece } from '../piece';
import { runs } from '../../testing/runs';
import { weekly } from '../../testing/weekly';

const PROFILES: Profile[] = [
  { kind: 'flat-topped' },
  { kind: 'round' },
  { kind: 'parabolic' },
  { kind: 'off-centre', x: 0.2, y: 0.3 },
  { kind: 'drawn', shares: [1, 0.95, 0.8, 0.5, 0.2, 0] },
];

const chair = newPiece('chair-seat');
const model = modelOf(chair, {});

describe('a wished profile', () => {
  it.each(PROFILES.map((profile) => [profile.kind, profile] as const))(
    '%s is whole at its highest place and nothing at the rim',
    (_, profile) => {
      const wished = wishedOver(model.board, model.middle, 25, profile)!;
      expect(wished.share(wished.peak)).toBeCloseTo(1, 3);
      for (const p of wished.rim) expect(wished.share([p[0] * 1.01, p[1] * 1.01])).toBeLessThan(0.05);
      for (let k = 1; k <= 20; k++) expect(along(profile, k / 20)).toBeLessThanOrEqual(along(profile, (k - 1) / 20) + 1e-9);
    },
  );

  it('its level lines shrink as they rise, each inside the one below', () => {
    const wished = wishedOver(model.board, model.middle, 25, { kind: 'parabolic' })!;
    const [low] = levelLines(wished, 0.1);
    const [high] = levelLines(wished, 0.6);
    expect(polygonArea(low!)).toBeGreaterThan(polygonArea(high!));
    for (const p of high!) expect(isInside(low!, p)).toBe(true);
  });

  it('a saddle rises to front and back', () => {
    const wished = wishedOver(model.board, model.middle, 25, { kind: 'saddle' })!;
    expect(wished.share(wished.peak)).toBeGreaterThan(wished.share(model.middle));
  });

  it('an inset that leaves nothing gives none', () => {
    expect(wishedOver(model.board, model.middle, 400, { kind: 'round' })).toBeNull();
  });
});

describe('crown by wish', () => {
  weekly(1)('meets the wish within a millimetre once covered, in every way that says so', () => {
    for (const profile of PROFILES.slice(0, runs(1, 3))) {
      const choices = crownByWish(chair, {}, { height: 20, profile });
      expect(choices.find((choice) => choice.kind === 'fewest')?.meets).toBe(true);
      for (const choice of choices.filter((c) => c.meets)) expect(Math.abs(choice.crown - 20)).toBeLessThanOrEqual(1);
      const stepped = choices.find((choice) => choice.kind === 'stock');
      const smooth = choices.find((choice) => choice.kind === 'smoothest');
      if (stepped && smooth) expect(smooth.showThrough.curvature).toBeLessThanOrEqual(stepped.showThrough.curvature);
    }
  });

  weekly(2)('builds higher than the wish where the cover is pulled', () => {
    const [fewest] = crownByWish({ ...chair, cloth: { ...chair.cloth, force: 14 } }, {}, { height: 25, profile: { kind: 'parabolic' } });
    const built = fewest!.pads.filter((pad) => pad.role === 'crown').reduce((sum, pad) => sum + pad.thickness, 0);
    expect(built).toBeGreaterThan(25);
  });

  weekly(3)('keeps the other pads, asks for nothing without a main pad, and stops when told', () => {
    const [fewest] = crownByWish(chair, {}, { height: 12, profile: { kind: 'parabolic' } });
    expect(fewest!.pads.filter((pad) => pad.role === 'main')).toEqual(chair.pads.filter((pad) => pad.role === 'main'));
    expect(crownByWish({ ...chair, pads: [] }, {}, { height: 12, profile: { kind: 'round' } })).toEqual([]);
    expect(crownByWish(chair, {}, { height: 12, profile: { kind: 'round' } }, { onTry: () => false })).toEqual([]);
  });
});
