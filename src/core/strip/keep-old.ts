import { findMaterial, FOAMS } from '../foam';
import type { Pad, Piece, PressReadings } from '../piece';
import { pressTest } from './press-test';

/** What old foam is plumped with: soft enough to follow it, firm enough to last; thin foam with a back where that is not sold so thin. */
const PLUMPED_WITH = ['seat-medium-soft', 'backed-thin'] as const;

/** A foam that is sold in a thickness, or the first of them in the next thickness up. */
function layerOf(thickness: number): Pick<Pad, 'material' | 'thickness'> {
  const foams = PLUMPED_WITH.map((id) => findMaterial(FOAMS, id)!);
  const sold = foams.find((foam) => foam.sold.includes(thickness));
  if (sold) return { material: sold.id, thickness };
  const [first] = foams;
  return { material: first!.id, thickness: first!.sold.find((value) => value >= thickness) ?? first!.sold.at(-1)! };
}

/** Whether the foam was never taken off: what is found good and glued down stays in. */
export const staysIn = (strip: Piece['strip']): boolean =>
  (strip?.items ?? []).some(({ what, again }) => what === 'pad' && again === 'stays');

/** A pad without how it would be cut from a sheet. */
function uncut(pad: Pad): Pad {
  const { trim: _trim, scrap: _scrap, blocks: _blocks, blocksDeep: _deep, pair: _pair, packet: _packet, ...rest } = pad;
  void [_trim, _scrap, _blocks, _deep, _pair, _packet];
  return rest;
}

/**
 * The stack upon the foam that stays on its base: that foam lies lowest, as thick as it was measured at Strip, and what was planned under
 * it goes.
 *
 * @param piece the document
 * @returns null where there is no main pad for it to be
 */
export function withStayingFoam({ pads, strip }: Pick<Piece, 'pads' | 'strip'>): Pad[] | null {
  const at = pads.findIndex(({ role }) => role === 'main');
  if (at < 0) return null;
  const main = pads[at]!;
  const thickness = strip?.items.find(({ what, again }) => what === 'pad' && again === 'stays')?.thickness || main.thickness;
  const old: Pad = { ...uncut(main), ...settledForm(main, thickness / main.thickness), thickness, offset: null, kept: 'stays' };
  return [old, ...pads.slice(at + 1)];
}

/** A pad's form once all of it has settled to a share of its height. */
function settledForm({ profile }: Pad, share: number): Pick<Pad, 'profile'> {
  const less = (mm: number): number => Math.round(mm * share * 10) / 10;
  if (profile?.kind === 'side')
    return { profile: { ...profile, points: profile.points.map((point) => ({ ...point, height: less(point.height) })) } };
  if (profile?.kind === 'read')
    return { profile: { ...profile, rows: profile.rows.map((row) => ({ ...row, middle: less(row.middle), side: less(row.side) })) } };
  if (profile?.kind === 'scanned')
    return {
      profile: {
        ...profile,
        map: { ...profile.map, heights: profile.map.heights.map((height) => Math.round(height * share * 1000) / 1000) },
      },
    };
  if (profile) return { profile: { ...profile, by: Math.max(1, less(profile.by)) } };
  return {};
}

/**
 * The stack with the old foam in it again: the main pad as thick as it was measured, as hard as it has become, and the thin
 * layer on top that the press test asked for. Pads under and over it stay.
 *
 * @param piece the document
 * @param readings of the press test
 * @returns null where the test says to replace it, or nothing is there to be replaced by it
 */
export function withOldFoam({ pads, strip }: Pick<Piece, 'pads' | 'strip'>, readings: PressReadings): Pad[] | null {
  const { verdict, plump } = pressTest(readings);
  const at = pads.findIndex(({ role }) => role === 'main');
  const main = pads[at];
  if (verdict === 'replace' || !main || readings.now < 1) return null;
  const rest = uncut(main);
  // A moulded form has settled with it: as much at every place.
  const old: Pad = {
    ...rest,
    ...settledForm(main, readings.now / main.thickness),
    thickness: readings.now,
    kept: at === 0 && staysIn(strip) ? 'stays' : 'cleaned',
  };
  const layer: Pad = {
    id: 'plumping',
    role: 'topper',
    ...layerOf(plump),
    offset: null,
    edge: { kind: 'square' },
  };
  const others = pads.slice(at + 1).filter(({ id }) => id !== layer.id);
  return [...pads.slice(0, at), old, ...(plump > 0 ? [layer] : []), ...others];
}
