import type { WareKind } from './kinds';

/**
 * What there is of a kind that is not all one: a box of nails does for no rivet. A thing in the store says which it is by its id in
 * `of`; one that says nothing may be any. A new one is a line here.
 */
export const WARE_SORTS = {
  fastener: [
    { id: 'nail', name: 'Decorative nails' },
    { id: 'clip-nail', name: 'Nails for spring clips' },
    { id: 'tack', name: 'Tacks' },
    { id: 'rivet', name: 'Rivets with washers' },
    { id: 'screw', name: 'Screws with cup washers' },
    { id: 'wood-screw', name: 'Wood screws' },
    { id: 'clip', name: 'Edge clips' },
    { id: 'gimp-pin', name: 'Gimp pins' },
    { id: 'cleat', name: 'Cleats' },
    { id: 'stand-off', name: 'Stand-offs' },
  ],
  hardware: [
    { id: 'insert', name: 'Threaded inserts' },
    { id: 'bolt', name: 'Bolts' },
    { id: 'screw', name: 'Screws' },
    { id: 'cleat', name: 'Cleats' },
    { id: 'tee-nut', name: 'Tee nuts' },
    { id: 'leg', name: 'Legs with plates' },
    { id: 'castor', name: 'Castors with plates' },
    { id: 'bracket', name: 'Brackets' },
    { id: 'hinge', name: 'Hinges' },
    { id: 'latch', name: 'Latches' },
    { id: 'post', name: 'Posts' },
  ],
  card: [
    { id: 'tack-strip', name: 'Tack strip' },
    { id: 'lip', name: 'Lip strip' },
    { id: 'edge-tape', name: 'Edge tape' },
  ],
  spring: [
    { id: 'zigzag', name: 'Zigzag springs' },
    { id: 'spring-clip', name: 'Spring clips' },
  ],
  button: [
    { id: 'button', name: 'Buttons to cover' },
    { id: 'knob', name: 'Knobs with screws' },
  ],
  batten: [
    { id: 'batten', name: 'Batten' },
    { id: 'edge-strip', name: 'Hard-edge strip' },
    { id: 'plank', name: 'Plank' },
    { id: 'trim', name: 'Trim strip, to bend' },
  ],
  webbing: [
    { id: 'elastic', name: 'Elastic' },
    { id: 'jute', name: 'Jute' },
  ],
  cord: [
    { id: 'welt', name: 'Piping cord' },
    { id: 'draw', name: 'Draw-cord' },
    { id: 'twine', name: 'Button twine' },
  ],
} as const satisfies Partial<Record<WareKind, readonly { id: string; name: string }[]>>;

type Sorted = keyof typeof WARE_SORTS;

/** A ware that something is bought as: its kind, which of it, and what it is called on an order. */
export type Bought =
  | { [K in Sorted]: { kind: K; sort: (typeof WARE_SORTS)[K][number]['id']; name: string } }[Sorted]
  | { kind: Exclude<WareKind, Sorted>; sort?: undefined; name: string };

/** What there is of a kind; nothing where it is all one. */
export const sortsOf = (kind: WareKind): readonly { id: string; name: string }[] => (kind in WARE_SORTS ? WARE_SORTS[kind as Sorted] : []);
