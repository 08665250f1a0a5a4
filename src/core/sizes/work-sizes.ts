import type { FastenerPlan, Fixing } from '../fastening';
import { batchMinutes } from '../step/batches';
import type { Bought } from '../wares';
import { count, length, type Making, type SizeLine } from './types';

/** A fastener by the heads that it has: alternating nails are two boxes, a large and a small one. */
function byHead(fastenerPlan: FastenerPlan): (FastenerPlan & { small: boolean })[] {
  const heads = [...new Set(fastenerPlan.places.flatMap(({ head }) => (head === undefined ? [] : [head])))].sort((a, b) => b - a);
  if (heads.length < 2) return [{ ...fastenerPlan, small: false }];
  return heads.map((head, k) => {
    const count = fastenerPlan.places.filter((place) => place.head === head).length;
    // Every head has its share of the spare.
    return {
      ...fastenerPlan,
      small: k > 0,
      count,
      toBuy: Math.ceil((fastenerPlan.toBuy * count) / fastenerPlan.count - 1e-9),
      sold: { thickness: head },
    };
  });
}

/** What a hung piece has behind it, and as what it is bought. */
const HUNG = {
  cleat: { kind: 'fastener', sort: 'cleat', name: 'Cleats, in pairs' },
  'stand-off': { kind: 'fastener', sort: 'stand-off', name: 'Stand-offs' },
} as const satisfies Record<string, Bought>;

function hung({ behind }: Fixing, pieces: number, key: string, kind: keyof typeof HUNG): SizeLine[] {
  const one = behind.things.filter((thing) => thing.kind === kind).length;
  if (one === 0) return [];
  return [
    {
      key,
      group: 'Fastening',
      label: HUNG[kind].name,
      ware: HUNG[kind],
      value: one * pieces,
      unit: 'count',
      note: `${one} behind each`,
      formula: 'count × pieces',
      terms: [count('count', 'Behind one', one), count('pieces', 'Pieces', pieces)],
    },
  ];
}

/** Staples in full: their leg, how far apart, how many. */
function stapleSizes({ fastener, fasteners, pitch }: Fixing, piece: Making['piece'], rule: Making['rule']): SizeLine[] {
  const { choice } = fastener;
  // Whatever holds the cover, the dust cover is stapled.
  const stapled = fasteners.find(({ kind }) => kind === 'staple');
  if (!stapled) return [];
  return [
    {
      key: 'staple.leg',
      group: 'Fastening',
      label: 'Staple leg',
      value: fastener.leg,
      unit: 'length',
      note: `${fastener.crown} crown${fastener.stainless ? ', stainless' : ''}`,
      formula: 'cloth stack + bite ≤ leg ≤ cloth stack + board − clearance',
      terms: [
        length('stack', 'Cloth, folded once', choice.stack),
        rule('bite', 'stapleBite'),
        length('board', 'Board, and the frame behind it', choice.most - choice.stack + rule('clearance', 'stapleClear').value),
        rule('clearance', 'stapleClear'),
      ],
    },
    {
      key: 'staple.pitch',
      group: 'Fastening',
      label: 'Staple pitch',
      value: pitch,
      unit: 'length',
      formula: 'pitch = the house rule, evened out over each edge',
      terms: [rule('pitch', 'staplePitch'), rule('open', 'cornerOpen')],
    },
    {
      key: 'staple.count',
      ware: { kind: 'staple', name: 'Staples' },
      group: 'Fastening',
      label: 'Staples for the set',
      value: stapled.toBuy,
      unit: 'count',
      note: `${stapled.count} in one`,
      formula: 'count × pieces × (1 + spare)',
      terms: [
        count('count', 'In one piece, dust cover and piping included', stapled.count),
        count('pieces', 'Pieces', piece.count),
        rule('spare', 'stapleSpare'),
        rule('pitch', 'staplePitch'),
      ],
    },
  ];
}

/** Fasteners: the staples in full, every other kind by its count. */
export function fixingSizes({ plan, piece, rule }: Making): SizeLine[] {
  const { fixing } = plan;
  if (!fixing) return [];
  const others = fixing.fasteners.filter(({ kind }) => kind !== 'staple');
  return [
    ...stapleSizes(fixing, piece, rule),
    ...hung(fixing, piece.count, 'hung.cleats', 'cleat'),
    ...hung(fixing, piece.count, 'hung.standoffs', 'stand-off'),
    ...others.flatMap(byHead).map((item): SizeLine => ({
      key: `fastener.${item.id}${item.small ? '.small' : ''}`,
      group: 'Fastening',
      label: `${item.name}${item.small ? ', small heads,' : ''} for the set`,
      ...(item.bulk
        ? {
            value: item.bulk.amount * piece.count,
            unit: item.bulk.unit,
            note: item.size,
            formula: 'all of one piece × pieces',
            terms: [
              { symbol: 'one', label: 'In one piece', value: item.bulk.amount, unit: item.bulk.unit },
              count('pieces', 'Pieces', piece.count),
            ],
          }
        : {
            value: item.toBuy,
            unit: 'count' as const,
            note: `${item.size}; ${item.count} in one`,
            formula: 'count × pieces × (1 + spare)',
            terms: [count('count', 'In one piece', item.count), count('pieces', 'Pieces', piece.count), rule('spare', 'stapleSpare')],
          }),
      sold: item.sold,
      ware: item.ware,
    })),
  ];
}

/** Time and mass. */
export function workSizes({ plan, piece, rule }: Making): SizeLine[] {
  const mass = (symbol: string, label: string, value: number) => ({ symbol, label, value, unit: 'mass' as const });
  return [
    ...(plan.minutes === undefined
      ? []
      : [
          {
            key: 'minutes',
            group: 'Work' as const,
            label: 'Work on one, with waits',
            ...(piece.count > 1 ? {} : { answers: { name: 'Work' } }),
            value: plan.minutes,
            unit: 'minutes' as const,
            formula: 'sum of the run sheet’s steps',
            terms: [
              rule('per staple', 'timeStaple'),
              rule('per corner', 'timeCorner'),
              rule('per metre of foam', 'timeCutMetre'),
              rule('wait for glue', 'timeGlueTack'),
              rule('glue holds', 'timeGluePress'),
            ],
          },
        ]),
    ...(plan.steps === undefined || piece.count === 1
      ? []
      : [
          {
            key: 'minutes.set',
            group: 'Work' as const,
            label: `Work on all ${piece.count}, in batches`,
            answers: { name: `Work for ${piece.count}` },
            value: batchMinutes(plan.steps, piece.count),
            unit: 'minutes' as const,
            formula: 'each step on all of them before the next; of a wait only what is longer than the others take',
            terms: [count('pieces', 'Pieces', piece.count)],
          },
        ]),
    {
      key: 'mass',
      group: 'Work',
      label: 'Weight each, without cloth',
      value: plan.mass.total,
      unit: 'mass',
      formula: 'mass = volume × density: board, its frame and pads',
      terms: [
        mass('board', 'Board', plan.mass.board),
        mass('foam', 'Foam', plan.mass.foam),
        ...(plan.mass.frame > 0 ? [mass('frame', 'Battens and blocks', plan.mass.frame)] : []),
        rule('overhang', 'overhang'),
      ],
    },
  ];
}
