import type { Buttons, Channels, Covering, Nails, Piece, Way, Welt } from '../piece';

/** A way of covering: what it is called and what is special about it. */
export type WayInfo = { id: Way; name: string; words: string };

/** Every way, in the order it is offered. */
export const WAYS: readonly WayInfo[] = [
  { id: 'pull-over', name: 'Pulled over', words: 'One cloth over all, stapled under; corners folded.' },
  { id: 'boxed', name: 'Top and band', words: 'A top panel sewn to a band, with welts or without.' },
  {
    id: 'bordered',
    name: 'Bordered panel',
    words: 'An inner panel, a mitred border over the rolls, an outer band joined at the mitres.',
  },
  { id: 'channelled', name: 'Channelled', words: 'One cloth stitched into channels on backed foam, then pulled over.' },
  { id: 'saddle-set', name: 'Saddle set', words: 'Top, two sides, nose and tail, sewn together and pulled on from the front.' },
  { id: 'lipped', name: 'Finished at a lip', words: 'A panel turned under against a lip, a cord laid along it.' },
  { id: 'block', name: 'Block cover', words: 'Top, bottom and a band with a zip: the pad goes in and comes out.' },
  { id: 'tight-deck', name: 'Tight deck', words: 'A deck whose edges pass through the frame and are fastened below its rails.' },
  { id: 'nail-edged', name: 'Nail-edged', words: 'Pulled over, with a line of nails in the bare margin.' },
  { id: 'buttoned', name: 'Buttoned', words: 'Pulled over, drawn in by buttons on a grid.' },
];

/** How a piece is covered; one that says nothing is pulled over. */
export function coveringOf(piece: Piece): Covering {
  return piece.covering ?? { way: 'pull-over' };
}

/** Ways whose cover is one cloth from edge to edge. */
export function pulledOver(way: Way): boolean {
  return way === 'pull-over' || way === 'channelled' || way === 'nail-edged' || way === 'buttoned' || way === 'tight-deck';
}

const WELT: Welt = { cord: 6, cut: 'straight', upper: true, lower: true, double: false };
const CHANNELS: Channels = { lay: 'straight', run: 'front-to-back', width: 45, centre: 'channel', backing: 6, swatch: null };
const BUTTONS: Buttons = { columns: 5, rows: 3, spacing: 180, depth: 18, size: 22 };
const NAILS: Nails = { pitch: 25, head: 11, small: 0 };

/** The welt of a covering, where its way has one and it was not left out. */
export function weltOf({ way, welt }: Covering): Welt | null {
  if (way === 'bordered' || way === 'boxed' || way === 'block') return welt ?? WELT;
  return way === 'saddle-set' || way === 'lipped' ? (welt ?? { ...WELT, cord: 5, lower: false }) : null;
}

/** The channels of a covering: always where that is its way, and on a sewn top where they were chosen. */
export function channelsOf({ way, channels }: Covering): Channels | null {
  if (way === 'channelled') return channels ?? CHANNELS;
  return way === 'saddle-set' || way === 'boxed' || way === 'bordered' || way === 'block' ? (channels ?? null) : null;
}

/** The buttons of a covering, for the ways that have them. */
export function buttonsOf({ way, buttons }: Covering): Buttons | null {
  if (way === 'buttoned') return buttons ?? BUTTONS;
  return way === 'block' ? (buttons ?? null) : null;
}

/** The nails of a covering, where that is its way. */
export function nailsOf({ way, nails }: Covering): Nails | null {
  return way === 'nail-edged' ? (nails ?? NAILS) : null;
}

/** What the forms begin from. */
export const STARTING = { welt: WELT, channels: CHANNELS, buttons: BUTTONS, nails: NAILS, border: 90, lip: 12 } as const;
