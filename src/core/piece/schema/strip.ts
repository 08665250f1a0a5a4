import { type Static } from '@sinclair/typebox';
import { PHOTO } from './base';
import { EDGE } from '../../outline/schema/edge';
import { choice, figure, id, length, list, optional, orNull, PLAN, record, tick, whole, words } from '../../fields';

/** What an item taken off was, and what usually happens to it. */
export const STRIP_KINDS = [
  { id: 'fastener', name: 'Fasteners', again: 'replace' },
  { id: 'cover', name: 'Cover piece', again: 'replace' },
  { id: 'film', name: 'Film', again: 'replace' },
  { id: 'wadding', name: 'Wadding', again: 'replace' },
  { id: 'lining', name: 'Lining cloth', again: 'replace' },
  { id: 'dust', name: 'Dust cover', again: 'replace' },
  { id: 'pad', name: 'Pad', again: 'replace' },
  { id: 'screw', name: 'Screws', again: 'refit' },
  { id: 'hardware', name: 'Hardware', again: 'refit' },
  { id: 'strap', name: 'Straps', again: 'refit' },
] as const;

/** What happens to it. */
export const AGAIN = [
  { id: 'replace', name: 'Replaced by new' },
  { id: 'refit', name: 'Goes back on' },
  { id: 'leave-off', name: 'Not wanted again' },
  { id: 'stays', name: 'Stays in' },
] as const;

/**
 * Parts of one chair, in the order they are covered: the cloth of each goes under or behind that of the next, so they come
 * off from the last to the first.
 */
export const CHAIR_PARTS = [
  { id: 'deck', name: 'Deck' },
  { id: 'inside-arms', name: 'Inside arms' },
  { id: 'inside-back', name: 'Inside back' },
  { id: 'wings', name: 'Inside wings' },
  { id: 'outside-arms', name: 'Outside arms' },
  { id: 'outside-back', name: 'Outside back' },
  { id: 'trim', name: 'Trim and nails' },
  { id: 'below', name: 'Dust cover' },
] as const;

/** One thing taken off, in the order it came. */
export const STRIP_ITEM = record({
  id: id(),
  what: choice('What', STRIP_KINDS),
  name: words('Name'),
  where: words('Where it sat, and marks', 400),
  count: whole('How many', [1, 9999], { default: 1 }),
  /** of a fastener; 0 is not measured */
  crown: length('Crown or head', [0, 60], { hint: 'nothing if not measured', default: 0 }),
  leg: length('Leg or length', [0, 60], { default: 0 }),
  thickness: length('Thickness', [0, 500], { default: 0 }),
  again: choice('Then', AGAIN),
  photos: list('Photos', PHOTO, [0, 12]),
  /** of which part of the chair; left out, of this piece */
  part: optional(orNull(choice('Part of the chair', CHAIR_PARTS, { empty: 'This piece' }))),
});

/** An old piece that is not made new. */
export const GOES_BACK = record({
  letOut: length('Seams let out, either side', [0, 40], { hint: 'what its seams and turnings still hold', default: 0 }),
});

/** A measured piece of the old cover, kept as a pattern. */
export const OLD_PIECE = record({
  id: id(),
  name: words('What'),
  width: length('Width, laid flat', [5, 4000]),
  height: length('Depth, laid flat', [5, 4000]),
  /** it goes on again itself, measured seam to seam or edge to edge */
  back: optional(orNull(GOES_BACK)),
});

/** How old foam feels under the hand beside new foam of its kind. */
export const HARDNESS_FELT = [
  { id: 'as-new', name: 'As firm' },
  { id: 'softer', name: 'Softer' },
  { id: 'dead', name: 'Gives way at once' },
] as const;

/** Readings of the hand-press test on the old foam. */
export const PRESS = record({
  asNew: length('Thickness as new', [0.5, 500], { default: 50 }),
  now: length('Thickness now', [0, 500], { default: 50 }),
  seconds: figure('Back from half height', 's', [0, 600], { default: 1 }),
  /** left out, nobody pressed it against new foam */
  hardness: optional(choice('Pressed beside new foam', HARDNESS_FELT, { default: 'as-new' })),
  crumbs: tick('It crumbles', { default: false }),
  mould: tick('Mould, or smells of it', { default: false }),
  marks: tick('Marked by the board', { default: false }),
});

/** Where something is on a photo, as shares of its width and height from its upper left corner, and what is to be known of it. */
export const PIN = record({
  id: id(),
  photo: PHOTO,
  x: figure('Across the photo', 'ratio', [0, 1], { default: 0.5 }),
  y: figure('Down the photo', 'ratio', [0, 1], { default: 0.5 }),
  text: words('What is there', 200),
});

/** A mark made on cover and base before they part, that must meet again: so far from the middle of an edge. */
export const MEET = record({
  id: id(),
  name: words('What meets there'),
  edge: EDGE,
  along: length('From the edge’s middle', PLAN, { hint: 'to the right or the back', default: 0 }),
});

export const STRIP = record({
  /** which part of a chair this piece is, where it is not one by itself */
  part: optional(orNull(choice('This piece is', CHAIR_PARTS, { empty: 'A piece by itself' }))),
  items: list('What came off', STRIP_ITEM, [0, 80]),
  /** of the whole, before anything came off */
  photos: optional(list('Photos of the whole', PHOTO, [0, 24])),
  pins: optional(list('Pins on photos', PIN, [0, 200])),
  meet: optional(list('Marks that must meet again', MEET, [0, 24])),
  findings: list('Findings', id('Finding'), [0, 20]),
  press: orNull(PRESS),
  cover: list('Old cover', OLD_PIECE, [0, 20]),
  tasks: list('Left for later', record({ id: id(), text: words('Task', 400), done: tick('Done') }), [0, 60]),
});

export type StripRecord = Static<typeof STRIP>;
export type Meet = Static<typeof MEET>;
export type StripItem = Static<typeof STRIP_ITEM>;
export type Pin = Static<typeof PIN>;
export type ChairPart = (typeof CHAIR_PARTS)[number]['id'];
export type StripKind = StripItem['what'];
export type OldPiece = Static<typeof OLD_PIECE>;
export type PressReadings = Static<typeof PRESS>;
