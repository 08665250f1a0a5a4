import { CLOTHS, type ClothKind } from '../cloth';
import { BOARDS, FOAMS, GLUES, WADDINGS } from '../foam';
import { STAPLE_LEGS } from '../wares';
import { newPiece, type Cloth } from '../piece';
import type { Ware } from './ware';

/** What an empty store begins with: made-up names and prices, every one to be changed. */

/** Suppliers of the made-up lodge. */
const FROM = { foam: 'The foam loft', cloth: 'The cloth room', bench: 'The bench drawer' } as const;
/** A sheet of foam and of board as they are mostly sold, mm. */
const FOAM_SHEET = { width: 1000, length: 2000 };
const BOARD_SHEET = { width: 1220, length: 2440 };
/** A square metre of board for each millimetre of thickness, in the workshop's money. */
const BOARD_PRICE = 1.9;
/** Boards that are kept on the shelf, mm. */
const BOARD_KEPT: Record<string, readonly number[]> = { plywood: [6, 9, 12, 15, 18], chipboard: [12, 16], fibreboard: [6, 12] };

/** Threads by their tex: how long a cone is, mm, and what it costs. */
const THREADS = [
  [45, 2_000_000, 9],
  [70, 1_500_000, 9.5],
  [90, 1_000_000, 10.5],
] as const;
const CROWNS = ['narrow', 'broad', 'narrow stainless', 'broad stainless'] as const;

const money = (value: number): number => Math.round(value * 100) / 100;

/** A cloth of the shelf as a piece would carry it. */
export function clothOf({ id: _, ...kind }: ClothKind): Cloth {
  void _;
  // Stripes and pile show every pull: they are smoothed only, until somebody says otherwise.
  const shows = kind.nap === 'pile' || kind.repeatAcross > 0 || kind.repeatAlong > 0;
  return { ...newPiece('chair-seat').cloth, ...kind, direction: 'along', pull: shows ? 'smooth' : 'taut' };
}

const foams = (): Ware[] =>
  FOAMS.flatMap((foam) =>
    foam.sold.map((thickness): Ware => {
      const square = (FOAM_SHEET.width * FOAM_SHEET.length) / 1e6;
      return {
        kind: 'foam',
        name: `${foam.name}, ${thickness} mm`,
        of: foam.id,
        sold: 'sheet',
        thickness,
        ...FOAM_SHEET,
        price: money(foam.price * (thickness / 10) * square),
        supplier: FROM.foam,
        lead: 4,
      };
    }),
  );

const rolls: Ware[] = [
  ...WADDINGS.map(({ id, name, weight, stretched }): Ware => ({
    kind: 'wadding',
    name,
    of: id,
    sold: 'metre',
    width: 1500,
    price: money(stretched ? 4 + weight / 100 : 1.2 + weight / 100),
    supplier: FROM.foam,
    lead: 3,
  })),
  { kind: 'lining', name: 'Lining calico', of: '', sold: 'metre', width: 1500, price: 6, supplier: FROM.cloth, lead: 3 },
  { kind: 'dust', name: 'Dust cloth, black', of: '', sold: 'metre', width: 1400, price: 2.2, supplier: FROM.cloth, lead: 3 },
  { kind: 'film', name: 'Slip film', of: '', sold: 'metre', width: 1500, price: 0.9, supplier: FROM.cloth, lead: 3 },
  { kind: 'waterproof', name: 'Waterproof cloth', of: '', sold: 'metre', width: 1500, price: 5.5, supplier: FROM.cloth, lead: 5 },
  { kind: 'hessian', name: 'Hessian', of: '', sold: 'metre', width: 1400, price: 3.1, supplier: FROM.cloth, lead: 3 },
];

const boards: Ware[] = BOARDS.flatMap(({ id, name }) =>
  (BOARD_KEPT[id] ?? []).map((thickness): Ware => ({
    kind: 'board',
    name: `${name}, ${thickness} mm`,
    of: id,
    sold: 'sheet',
    thickness,
    ...BOARD_SHEET,
    price: money((BOARD_PRICE * thickness * BOARD_SHEET.width * BOARD_SHEET.length) / 1e6),
    supplier: FROM.bench,
    lead: 2,
  })),
);

const bench = (item: Omit<Ware, 'of' | 'supplier' | 'lead'> & { of?: string }): Ware => ({
  of: '',
  supplier: FROM.bench,
  lead: 2,
  ...item,
});

/** Battens as they are sold, planed: width, thickness, mm, price. */
const BATTENS = [
  [40, 20, 3.6],
  [45, 20, 4.2],
  [45, 28, 5.6],
  [70, 20, 6.1],
] as const;
/** What is screwed to a board or driven into it: price of one. */
const HARDWARE = [
  ['insert', 'Threaded insert', 0.35],
  ['bolt', 'Bolt', 0.3],
  ['tee-nut', 'Tee nut', 0.2],
  ['leg', 'Leg with its plate', 6.5],
  ['castor', 'Castor with its plate', 4.8],
  ['bracket', 'Bracket', 1.1],
  ['hinge', 'Hinge', 2.4],
  ['latch', 'Latch', 3.2],
] as const;
/** Heads of decorative nails, lengths of rivets and of screws, mm. */
const NAIL_HEADS = [7, 9, 11, 13, 16];
const RIVET_LENGTHS = [8, 10, 12, 16, 20, 25];
const SCREW_LENGTHS = [10, 12, 16, 20, 25, 30];

/** What is driven, screwed and hooked. */
const fasteners = (): Ware[] => [
  ...NAIL_HEADS.map((head) =>
    bench({
      kind: 'fastener',
      of: 'nail',
      name: `Decorative nails, ${head} mm head`,
      sold: 'box',
      thickness: head,
      each: 200,
      price: money(4 + head / 2),
    }),
  ),
  ...RIVET_LENGTHS.map((length) =>
    bench({
      kind: 'fastener',
      of: 'rivet',
      name: `Rivets with washers, 4 × ${length} mm, stainless`,
      sold: 'box',
      thickness: 4,
      length,
      each: 50,
      price: money(7 + length / 5),
    }),
  ),
  ...SCREW_LENGTHS.map((length) =>
    bench({
      kind: 'fastener',
      of: 'screw',
      name: `Screws with cup washers, 3.5 × ${length} mm`,
      sold: 'box',
      thickness: 3.5,
      length,
      each: 100,
      price: money(6 + length / 10),
    }),
  ),
  bench({ kind: 'fastener', of: 'clip', name: 'Edge clips, with their tabs', sold: 'box', each: 50, price: 11 }),
  bench({ kind: 'fastener', of: 'cleat', name: 'Cleats, in pairs', sold: 'box', each: 10, price: 12 }),
  bench({ kind: 'fastener', of: 'stand-off', name: 'Stand-offs', sold: 'box', each: 20, price: 4 }),
  bench({ kind: 'fastener', of: 'gimp-pin', name: 'Gimp pins', sold: 'box', each: 500, price: 5.5 }),
  bench({ kind: 'fastener', of: 'tack', name: 'Tacks', sold: 'box', each: 500, price: 4.5 }),
  bench({ kind: 'fastener', of: 'clip-nail', name: 'Clip nails', sold: 'box', thickness: 5, length: 20, each: 200, price: 4 }),
  bench({ kind: 'fastener', of: 'wood-screw', name: 'Wood screws', sold: 'box', each: 200, price: 6.5 }),
];

const smallThings = (): Ware[] => [
  ...BATTENS.map(([width, thickness, price]) =>
    bench({ kind: 'batten', of: 'batten', name: `Batten, ${width} × ${thickness}`, sold: 'each', width, thickness, length: 2400, price }),
  ),
  bench({
    kind: 'batten',
    of: 'edge-strip',
    name: 'Hard-edge strip, 8 × 5',
    sold: 'each',
    width: 8,
    thickness: 5,
    length: 2400,
    price: 2.1,
  }),
  bench({ kind: 'batten', of: 'plank', name: 'Plank, 150 wide', sold: 'each', width: 150, length: 2400, price: 11 }),
  bench({ kind: 'batten', of: 'trim', name: 'Trim strip, to bend', sold: 'each', width: 20, length: 2400, price: 5.5 }),
  bench({ kind: 'webbing', of: 'elastic', name: 'Elastic webbing, 50 mm', sold: 'roll', width: 50, length: 50_000, price: 38 }),
  bench({ kind: 'webbing', of: 'jute', name: 'Jute webbing, 50 mm', sold: 'roll', width: 50, length: 33_000, price: 21 }),
  bench({ kind: 'spring', of: 'zigzag', name: 'Zigzag springs', sold: 'box', each: 20, price: 26 }),
  bench({ kind: 'spring', of: 'spring-clip', name: 'Spring clips', sold: 'box', each: 100, price: 14 }),
  ...[3, 4, 5, 6, 8, 10].map((thickness) =>
    bench({
      kind: 'cord',
      of: 'welt',
      name: `Piping cord, ${thickness} mm`,
      sold: 'roll',
      thickness,
      length: 100_000,
      price: 3 * thickness,
    }),
  ),
  bench({ kind: 'cord', of: 'draw', name: 'Draw-cord, 4 mm', sold: 'roll', thickness: 4, length: 50_000, price: 8 }),
  bench({ kind: 'card', of: 'tack-strip', name: 'Tack strip', sold: 'roll', length: 90_000, price: 14 }),
  bench({ kind: 'card', of: 'lip', name: 'Lip strip', sold: 'roll', length: 50_000, price: 21 }),
  bench({ kind: 'card', of: 'edge-tape', name: 'Edge tape', sold: 'roll', width: 25, length: 50_000, price: 9 }),
  bench({ kind: 'zip', name: 'Zip off the reel', sold: 'each', price: 2.4 }),
  ...THREADS.map(([tex, length, price]) =>
    bench({ kind: 'thread', name: `Thread, tex ${tex}`, of: `tex ${tex}`, sold: 'roll', length, price }),
  ),
  ...GLUES.map((glue) =>
    bench({
      kind: 'glue',
      name: glue.name,
      of: glue.id,
      sold: 'can',
      covers: 6,
      tack: glue.figures.timeGlueTack,
      press: glue.figures.timeGluePress,
      price: 12.5,
    }),
  ),
  ...CROWNS.flatMap((crown) =>
    STAPLE_LEGS.map((leg) =>
      bench({
        kind: 'staple',
        name: `Staples, ${crown.replace(' ', ' crown, ')}${crown.includes(' ') ? '' : ' crown'}, ${leg} mm`,
        of: crown,
        sold: 'box',
        thickness: leg,
        each: 10_000,
        price: money((6 + leg / 4) * (crown.includes('stainless') ? 3 : 1)),
      }),
    ),
  ),
  ...HARDWARE.map(([of, name, price]) => bench({ kind: 'hardware', of, name, sold: 'each', price })),
  bench({ kind: 'button', of: 'button', name: 'Buttons to cover', sold: 'box', each: 50, price: 9 }),
  bench({ kind: 'button', of: 'knob', name: 'Knobs with screws', sold: 'box', each: 20, price: 8 }),
  bench({ kind: 'hook', name: 'Hook and loop, 25 mm', sold: 'roll', width: 25, length: 10_000, price: 9 }),
  bench({ kind: 'fill', name: 'Polyester fibre', sold: 'bag', mass: 5, price: 32 }),
];

const cloths = (): Ware[] =>
  CLOTHS.filter(({ id }) => id !== 'lining-calico').map((kind): Ware => ({
    kind: 'cloth',
    name: kind.name,
    of: kind.id,
    sold: 'metre',
    width: kind.rollWidth,
    price: kind.price,
    supplier: FROM.cloth,
    lead: 7,
    cloth: clothOf(kind),
  }));

/** What an empty store begins with, each with an id that does not change. */
export function shelf(): (Ware & { id: string })[] {
  const taken = new Set<string>();
  return [...foams(), ...rolls, ...cloths(), ...boards, ...smallThings(), ...fasteners()].map((ware) => {
    const base = `${ware.kind}-${ware.name}`
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '')
      .slice(0, 52);
    let id = base;
    for (let n = 2; taken.has(id); n++) id = `${base}-${n}`;
    taken.add(id);
    return { ...ware, id };
  });
}
