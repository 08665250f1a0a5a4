import { type Static } from '@sinclair/typebox';
import { MAP } from './base';
import { length, list, oneOf, PLAN, record, spot, tag, tick, type Range } from './field';

/** How far a worked form reaches over the pad. */
const REACH: Range = [30, 2500];
const BY: Range = [1, 250];
const ALONG: Range = [0, 4000];
const HIGH: Range = [0, 500];

/** A point of a side as it is drawn on the foam: so far from the near edge, so high. */
export const SIDE_POINT = record({ at: length('From the near edge', ALONG), height: length('Height there', HIGH) });

/** A moulded pad as it is read with a straight-edge and a tape: so far from the near edge, so thick in the middle and at either side. */
export const THICKNESS_ROW = record({
  at: length('From the near edge', ALONG),
  middle: length('Thick in the middle', HIGH),
  side: length('Thick at the sides', HIGH),
});

/**
 * The form of a pad's top where it is not level: hollowed for who sits, dipped or raised across its whole width, cut along a
 * line that is drawn on its side, or moulded in a factory and read.
 */
export const PAD_PROFILES = {
  hollow: record({
    kind: tag('hollow'),
    ...spot,
    width: length('Hollow, left to right', REACH, { default: 320 }),
    length: length('Hollow, front to back', REACH, { default: 300 }),
    by: length('Hollowed out by', BY, { default: 12, reason: 'Felt, not seen: a hand laid in it tips the fingers. Twice that holds a sitter in one place.' }),
  }),
  dip: record({
    kind: tag('dip'),
    y: length('Its middle, behind the middle', PLAN, { default: 0 }),
    length: length('Front to back', REACH, { default: 300 }),
    by: length('Dips by', BY, { default: 15, reason: 'What stops a rider from sliding; a deeper one fixes where they sit.' }),
  }),
  rise: record({
    kind: tag('rise'),
    y: length('Its middle, behind the middle', PLAN, { default: 0 }),
    length: length('Front to back', REACH, { default: 300 }),
    by: length('Rises by', BY, { default: 15, reason: 'Fills the small of the back; more pushes the sitter off it.' }),
  }),
  side: record({
    kind: tag('side'),
    faired: tick('Curved from point to point', { default: false }),
    points: list('Points of the side', SIDE_POINT, [2, 40]),
  }),
  read: record({ kind: tag('read'), rows: list('Readings', THICKNESS_ROW, [2, 40]) }),
  scanned: record({ kind: tag('scanned'), map: MAP }),
};

export const PAD_PROFILE = oneOf('kind', [
  PAD_PROFILES.hollow,
  PAD_PROFILES.dip,
  PAD_PROFILES.rise,
  PAD_PROFILES.side,
  PAD_PROFILES.read,
  PAD_PROFILES.scanned,
]);

/** What the top of a pad can be, as it is offered. What is scanned comes from a file. */
export const PROFILES = [
  { id: 'hollow', name: 'Hollowed for who sits', does: 'Hollow', carved: true },
  { id: 'dip', name: 'A saddle’s dip across', does: 'Dip', carved: true },
  { id: 'rise', name: 'A lumbar rise across', does: 'Rise', carved: true },
  { id: 'side', name: 'Cut to a line on its side', does: 'Side', carved: true },
  { id: 'read', name: 'Moulded: read by tape', does: 'Moulded form', carved: false },
  { id: 'scanned', name: 'Moulded: scanned', does: 'Moulded form', carved: false },
] as const satisfies readonly { id: PadProfile['kind']; name: string; does: string; carved: boolean }[];

export type PadProfile = Static<typeof PAD_PROFILE>;
export type SidePoint = Static<typeof SIDE_POINT>;
export type ThicknessRow = Static<typeof THICKNESS_ROW>;
