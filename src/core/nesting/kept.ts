import { Type, type Static } from '@sinclair/typebox';
import { choice, figure, length, list, optional, orNull, pair, record, tick, whole, words } from '../fields';
import { FLAW } from '../store/ware';
import type { Lay } from './types';

/** What foam is cut with, and what its cut takes, mm. */
export const CUT_TOOLS = [
  { id: 'knife', name: 'Knife', kerf: 0 },
  { id: 'wire', name: 'Electric knife or hot wire', kerf: 2 },
  { id: 'saw', name: 'Saw', kerf: 3 },
  { id: 'house', name: 'As in House rules', kerf: null },
] as const;
export type CutTool = (typeof CUT_TOOLS)[number]['id'];

const ON: readonly [number, number] = [-1000, 1_000_000];

/** A lay as it is kept: what it lies on, where everything lies, and the revisions of the pieces it was made for. */
export const KEPT_LAY = record({
  name: words('Lay', 80, { default: '' }),
  group: Type.String({ title: 'Of', maxLength: 160 }),
  tool: choice('Cut with', CUT_TOOLS, { default: 'house' }),
  bins: list(
    'On',
    record({
      id: Type.String({ maxLength: 80 }),
      says: words('What', 120),
      stock: orNull(Type.String({ maxLength: 80 })),
      ware: orNull(Type.String({ maxLength: 80 })),
      width: length('Width', [1, 4000]),
      length: orNull(length('Length', [1, 1_000_000])),
      flaws: list('Flaws', FLAW, [0, 40]),
      outline: orNull(list('Outline', pair(length('Corner', ON)), [3, 400])),
    }),
    [0, 400],
  ),
  places: list(
    'Pieces',
    record({
      key: Type.String({ maxLength: 200 }),
      bin: whole('On which', [0, 400]),
      x: length('From the left', ON),
      y: length('From the end', ON),
      turn: Type.Unsafe<0 | 90 | 180 | 270>({ type: 'integer', enum: [0, 90, 180, 270] }),
      locked: optional(tick('Held')),
    }),
    [0, 5000],
  ),
  left: list('Fits nowhere', Type.String({ maxLength: 200 }), [0, 5000]),
  used: list('Taken', length('Taken', ON), [0, 400]),
  /** the pieces' revisions, by their ids */
  revisions: Type.Record(Type.String(), Type.Integer({ minimum: 1 })),
  /** what it takes off a roll beside what is in the store, and the size line that says it */
  bought: optional(record({ line: Type.String({ maxLength: 40 }), length: length('Bought', ON) })),
  /** what must be bought for it, in the workshop's money */
  cost: figure('Costs', 'money', [0, 10_000_000], { default: 0 }),
});
export type KeptLay = Static<typeof KEPT_LAY>;

/** What a tool takes between two pieces, mm. */
export function gapOf(tool: CutTool, house: number): number {
  return CUT_TOOLS.find(({ id }) => id === tool)?.kerf ?? house;
}

/**
 * A lay as it is sent to be kept; which revisions it was made for is for the keeper to say.
 *
 * @param lay as it was found, or laid by hand
 * @param as what it is called, of which material, cut with what, and what must be bought for it
 */
export function toKeep({ bins, places, left, used }: Lay, as: { name: string; group: string; tool: CutTool; cost: number }): KeptLay {
  return {
    ...as,
    bins: bins.map((bin) => ({
      ...bin,
      flaws: [...bin.flaws],
      outline: bin.outline && bin.outline.map(([x, y]): [number, number] => [x, y]),
    })),
    places: places.map((place) => ({ ...place })),
    left: [...left],
    used: [...used],
    revisions: {},
  };
}
