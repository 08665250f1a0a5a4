import { RULES } from '../house';
import { baseOutline, flatten } from '../outline';
import { firstProfile } from '../pad-forms';
import { KINDS, newChairSeat, newPiece, PIECE, SHAPES, STARTING_SHAPES, type Piece } from '../piece';
import { describe as described, type DocumentField, type PlainSchema } from '../piece/schema/field-at';

// What the tests of the document share: documents that together have every figure there is, and ways to change one.

/** A place of a document that holds a figure, and the pattern that it is one of. */
export type Spot = { path: string; pattern: string; field: DocumentField };

/** Every figure of a document, found by walking it beside its schema. */
export function spotsOf(document: unknown): Spot[] {
  const found: Spot[] = [];
  const walk = (value: unknown, schema: PlainSchema, path: string, pattern: string): void => {
    if (value === null || value === undefined) return;
    if (typeof value === 'number') {
      found.push({ path, pattern, field: described(schema) });
      return;
    }
    if (typeof value !== 'object') return;
    const below = (key: string): string => (path ? `${path}.${key}` : key);
    const named = (key: string): string => (pattern ? `${pattern}.${key}` : key);
    if (schema.oneOf) {
      const tag = schema.discriminator!.propertyName;
      const reported = (value as Record<string, unknown>)[tag];
      const form = schema.oneOf.find((candidate) => candidate.properties![tag]!.const === reported)!;
      return walk(value, form, path, `${pattern}<${String(reported)}>`);
    }
    if (Array.isArray(value)) return value.forEach((item, i) => walk(item, schema.items!, below(String(i)), named('*')));
    for (const [key, inner] of Object.entries(value)) {
      const item = schema.properties?.[key];
      if (item) walk(inner, item, below(key), named(key));
    }
  };
  walk(document, PIECE as unknown as PlainSchema, '', '');
  return found;
}

const photo = `${'a'.repeat(64)}.jpg`;
const chair = newChairSeat();
const SEAT = flatten(baseOutline(chair.base.shape));
const row = { at: 0, width: 300, height: 0, drop: 5, crown: 2 };

/** Documents that together have every figure there is. */
export const CARRIERS: [string, Piece][] = [
  ...SHAPES.map(({ type }): [string, Piece] => [`shape ${type}`, newChairSeat(STARTING_SHAPES[type])]),
  ...KINDS.map(({ id }): [string, Piece] => [`kind ${id}`, newPiece(id)]),
  [
    'everything on a board',
    {
      ...chair,
      count: 3,
      base: {
        ...chair.base,
        notches: [
          { id: 'n-1', at: { kind: 'corner', name: 'back left' }, width: 40, depth: 45 },
          { id: 'n-2', at: { kind: 'edge', name: 'front', along: 0 }, width: 30, depth: 20 },
        ],
        holes: [
          { id: 'h-1', kind: 'round', x: 20, y: 30, diameter: 20 },
          { id: 'h-2', kind: 'slot', x: -20, y: -30, width: 60, height: 20 },
        ],
        hardware: [{ id: 'f-1', kind: 'insert', x: 60, y: 60, diameter: 10, length: 9, comes: 'new' }],
        edges: [
          {
            edge: { kind: 'edge', name: 'back' },
            fasten: true,
            visible: true,
            against: true,
            strip: { width: 8, thickness: 5 },
            trim: 3,
            end: { up: 4, turn: 15, held: 'gimp-pins' },
            short: 10,
          },
        ],
        courses: { height: 150, layers: 2, glued: true },
        hidden: { by: 'mattress', upTo: 120, lap: 40 },
        opening: { width: 520, depth: 500, clear: 2 },
        frame: { width: 45, thickness: 20, inset: 20, ribs: 1, stock: 2400, kerf: 3, blocks: 60 },
        mould: { kind: 'rows', rows: [row, { ...row, at: 200 }, { ...row, at: 420 }] },
        trace: { photo, scale: { kind: 'two', apart: 300 }, marks: [[1, 2]], points: [[3, 4]] },
      },
      pads: [
        { ...chair.pads[0]!, offset: -30, kept: 'cleaned', hardnessLeft: 80 },
        {
          ...chair.pads[1]!,
          wedge: 60,
          wedgeWay: 'right',
          blocksDeep: 2,
          profile: { kind: 'hollow', x: 0, y: 0, width: 200, length: 180, by: 8 },
          blocks: 2,
          pair: true,
          packet: { width: 420, length: 380, each: 10 },
          pocket: {
            x: 0,
            y: 60,
            width: 160,
            length: 100,
            deep: 15,
            blend: 20,
            material: 'seat-soft',
            sat: {
              photo,
              marks: [
                [1, 2],
                [3, 40],
              ],
              points: [
                [10, 20],
                [30, 20],
              ],
            },
          },
          patches: [{ x: 0, y: -80, width: 100, length: 80, deep: 10, blend: 10, material: 'seat-soft' }],
          edge: { kind: 'rounded', width: 10 },
        },
      ],
      second: { ...chair.cloth, name: 'Second', force: 8, weight: 280, stretchWarp: 2, stretchWeft: 3, price: 30, photo, photoWidth: 180 },
      cloth: { ...chair.cloth, force: 9, weight: 300, stretchWarp: 2, stretchWeft: 3, price: 40, photo, photoWidth: 200 },
      pinned: [
        {
          id: 'q-1',
          piece: 'top',
          rows: [
            { at: 0, left: 200, right: 200 },
            { at: 400, left: 180, right: 180 },
          ],
          trace: { photo, scale: { kind: 'two', apart: 300 }, marks: [[1, 2]], points: [[3, 4]] },
        },
      ],
      loose: [
        {
          id: 'l-1',
          kind: 'roll',
          name: 'Head roll',
          count: 1,
          length: 420,
          height: 120,
          thick: 120,
          zip: true,
          welted: true,
          loops: 2,
          loopLong: 40,
        },
      ],
      foams: [{ id: 'own-1', name: 'Ours', type: 'polyether', density: 33, ifd25: 160, supportFactor: 2.1, onset: 0.05, sold: [50] }],
      sit: { loader: 'seated', mass: 80, share: 78, x: 0, y: 0 },
      overrides: Object.fromEntries(RULES.map(({ key, value }) => [key, value])),
      variants: [{ id: 'v-1', name: 'One', count: 1, shape: STARTING_SHAPES.rectangle }],
      strip: {
        part: 'deck',
        items: [
          {
            id: 's-1',
            what: 'fastener',
            name: 'Staples',
            where: '',
            count: 40,
            crown: 5,
            leg: 8,
            thickness: 0,
            again: 'replace',
            part: 'inside-back',
            photos: [photo],
          },
        ],
        findings: [],
        press: { asNew: 50, now: 42, seconds: 2, hardness: 'as-new', crumbs: false, mould: false, marks: false },
        cover: [{ id: 'o-1', name: 'Cover', width: 600, height: 580, back: { letOut: 8 } }],
        tasks: [],
        meet: [{ id: 'm-1', name: 'Seam', edge: { kind: 'edge', name: 'front' }, along: 40 }],
        photos: [photo],
        pins: [{ id: 'p-1', photo, x: 0.5, y: 0.5, text: 'this tab went under the rail' }],
      },
    },
  ],
  ...(['dip', 'rise', 'side', 'read'] as const).map((kind): [string, Piece] => [
    `a pad with a ${kind}`,
    { ...chair, pads: [{ ...chair.pads[1]!, profile: firstProfile(kind, chair.pads[1]!, SEAT)! }] },
  ]),
  [
    'a scanned pad',
    {
      ...chair,
      pads: [
        {
          ...chair.pads[1]!,
          kept: 'cleaned',
          profile: {
            kind: 'scanned',
            map: {
              kind: 'map',
              name: 'scan',
              x0: -250,
              y0: -250,
              step: 100,
              columns: 6,
              rows: 6,
              heights: Array.from({ length: 36 }, () => 1),
            },
          },
        },
      ],
    },
  ],
  [
    'a scanned board with a traced photo',
    {
      ...chair,
      pinned: [
        { id: 'q-1', piece: 'cover', rows: [], trace: { photo, scale: { kind: 'four', width: 300, height: 200 }, marks: [], points: [] } },
      ],
      base: {
        ...chair.base,
        mould: {
          kind: 'map',
          name: 'scan',
          x0: -250,
          y0: -250,
          step: 100,
          columns: 6,
          rows: 6,
          heights: Array.from({ length: 36 }, () => 1),
        },
        trace: { photo, scale: { kind: 'four', width: 300, height: 200 }, marks: [], points: [] },
      },
      pads: [
        {
          ...chair.pads[1]!,
          outline: [
            [-100, -100],
            [100, -100],
            [0, 120],
          ],
        },
      ],
    },
  ],
  ...(['feathered', 'bevelled', 'roll'] as const).map((kind): [string, Piece] => [
    `a rim ${kind}`,
    { ...chair, pads: [{ ...chair.pads[1]!, edge: { kind, width: 20 } }] },
  ]),
  [
    'everything on a cover',
    {
      ...chair,
      cloth: { ...chair.cloth, repeatAcross: 120, repeatAlong: 90, shrinkage: 2, ready: 'as-is' },
      covering: {
        way: 'boxed',
        border: 60,
        lip: 12,
        seamMoves: [{ at: 0.25, by: 4 }],
        welt: { cord: 6, cut: 'straight', upper: true, lower: true, double: false },
        channels: {
          lay: 'straight',
          run: 'across',
          width: 45,
          centre: 'line',
          backing: 6,
          swatch: { lines: 5, before: 250, after: 235 },
        },
        buttons: { columns: 2, rows: 2, spacing: 120, down: 110, grid: 'square', depth: 10, size: 22 },
        nails: { pitch: 25, head: 11, small: 8 },
        motif: { x: 0, y: 0, on: 'stripe' },
        darts: [0.1],
        topStitch: 5,
        seamSwatch: { before: 500, after: 497 },
        corrections: [{ id: 'c-1', piece: 'top', what: 'width', where: null, by: 4, note: '', day: '' }],
      },
    },
  ],
  ['nails', { ...newPiece('headboard-nailed'), covering: { way: 'nail-edged', nails: { pitch: 25, head: 11, small: 8 } } }],
  [
    'buttons',
    { ...newPiece('headboard'), covering: { way: 'buttoned', buttons: { columns: 4, rows: 2, spacing: 150, depth: 15, size: 22 } } },
  ],
  [
    'a curve',
    newChairSeat({
      type: 'drawn',
      mirrored: false,
      nodes: [
        { x: -200, y: -200, radius: 10, to: { kind: 'arc', rise: 15 } },
        { x: 200, y: -200, radius: 10, to: { kind: 'curve', c1: [220, -60], c2: [220, 60] } },
        { x: 200, y: 200, radius: 0, to: { kind: 'line' } },
        { x: -200, y: 200, radius: 0, to: { kind: 'smooth' } },
      ],
    }),
  ],
];

/** The document with one figure changed, by its path. */
export function withFigure(document: Piece, path: string, value: number): Piece {
  const copy = structuredClone(document) as unknown as Record<string, unknown>;
  const keys = path.split('.');
  let node = copy;
  for (const key of keys.slice(0, -1)) node = node[key] as Record<string, unknown>;
  node[keys.at(-1)!] = value;
  return copy as unknown as Piece;
}

/** Puts down where in plain data a figure is none. */
export function everyFigure(value: unknown, path: string, bad: string[]): void {
  if (typeof value === 'number') {
    if (!Number.isFinite(value)) bad.push(path);
  } else if (value && typeof value === 'object')
    for (const [key, inner] of Object.entries(value)) everyFigure(inner, `${path}.${key}`, bad);
}
