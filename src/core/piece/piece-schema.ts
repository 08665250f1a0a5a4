import { RULES } from '../house';
import { LIMITS } from './limits';
import { COVERING } from './covering-schema';
import { id, list, number, object, oneOf, place, shortText, yesOrNo } from './schema-parts';
import { SHAPES, type ShapeKind } from './shape-fields';

/** Photos are named by what is in them. */
const photo = { type: 'string', pattern: '^[0-9a-f]{64}\\.(jpg|png|webp)$' };
const pixel = { type: 'array', minItems: 2, maxItems: 2, items: { type: 'number', minimum: -20000, maximum: 20000 } };
const panRow = object({
  at: number(LIMITS.along),
  width: number(LIMITS.small),
  height: number(LIMITS.height),
  drop: number(LIMITS.height),
  crown: number(LIMITS.height),
});

/** A measured shape's own part of the schema, from its table of fields. */
function shapeSchema(kind: ShapeKind): Record<string, unknown> {
  const properties: Record<string, unknown> = { type: { const: kind.type } };
  const inner = new Map<string, Record<string, unknown>>();
  for (const { key, range } of kind.fields) {
    const [first, second] = key.split('.') as [string, string?];
    if (second) inner.set(first, { ...inner.get(first), [second]: number(range) });
    else properties[first] = number(range);
  }
  for (const [key, own] of inner) properties[key] = object(own);
  if (kind.join) properties.join = { enum: ['straight', 'smooth'] };
  if (kind.rows) {
    const columns = Object.fromEntries(kind.rows.columns.map(({ key, range }) => [key, number(range)]));
    properties.rows = list(object(columns), kind.rows.most, kind.rows.least);
  }
  if (kind.type === 'drawn') {
    properties.mirrored = yesOrNo;
    properties.nodes = list(
      object(
        {
          x: number(LIMITS.plan),
          y: number(LIMITS.plan),
          radius: number(LIMITS.radius),
          to: oneOf('kind', [
            object({ kind: { const: 'line' } }),
            object({ kind: { const: 'smooth' } }),
            object({ kind: { const: 'arc' }, rise: { type: 'number', minimum: -1500, maximum: 1500 } }),
            object({ kind: { const: 'curve' }, c1: place, c2: place }),
          ]),
          name: shortText,
        },
        ['name'],
      ),
      LIMITS.nodes[1],
      LIMITS.nodes[0],
    );
  }
  return object(properties);
}

const shape = oneOf('type', SHAPES.map(shapeSchema));
const spot = { x: number(LIMITS.plan), y: number(LIMITS.plan) };

const base = object(
  {
    shape,
    board: object({ material: id, thickness: number(LIMITS.board) }),
    supports: { enum: ['frame', 'two-rails', 'four-points', 'solid'] },
    notches: list(
      object({
        id,
        at: oneOf('kind', [
          object({ kind: { const: 'corner' }, corner: shortText }),
          object({ kind: { const: 'edge' }, edge: shortText, along: number(LIMITS.plan) }),
        ]),
        width: number(LIMITS.small),
        depth: number([2, 1000]),
      }),
      12,
    ),
    holes: list(
      oneOf('kind', [
        object({ id, kind: { const: 'round' }, ...spot, diameter: number(LIMITS.hole) }),
        object({ id, kind: { const: 'slot' }, ...spot, width: number(LIMITS.hole), height: number(LIMITS.hole) }),
      ]),
      60,
    ),
    hardware: list(
      object({
        id,
        kind: { enum: ['insert', 'bolt', 'screw', 'cleat'] },
        ...spot,
        diameter: number(LIMITS.hardware),
        length: number(LIMITS.hardware),
      }),
      60,
    ),
    edges: list(
      object({
        edge: shortText,
        fasten: yesOrNo,
        visible: yesOrNo,
        against: yesOrNo,
        strip: { oneOf: [{ type: 'null' }, object({ width: number(LIMITS.strip), thickness: number(LIMITS.strip) })] },
        trim: number([0, 40]),
      }),
      60,
    ),
    frame: {
      oneOf: [
        { type: 'null' },
        object({
          width: number(LIMITS.strip),
          thickness: number(LIMITS.strip),
          inset: number([0, 300]),
          ribs: { type: 'integer', minimum: 0, maximum: 20 },
          stock: number(LIMITS.stock),
          kerf: number([0, 10]),
        }),
      ],
    },
    mould: {
      oneOf: [
        { type: 'null' },
        object({ kind: { const: 'rows' }, rows: list(panRow, 40, 2) }),
        object({
          kind: { const: 'map' },
          name: shortText,
          x0: number(LIMITS.plan),
          y0: number(LIMITS.plan),
          step: number([0.5, 200]),
          columns: { type: 'integer', minimum: 2, maximum: 120 },
          rows: { type: 'integer', minimum: 2, maximum: 120 },
          heights: list(number([-1000, 1000]), 14400, 4),
        }),
      ],
    },
    trace: {
      oneOf: [
        { type: 'null' },
        object({
          photo,
          scale: oneOf('kind', [
            object({ kind: { const: 'two' }, apart: number(LIMITS.seat) }),
            object({ kind: { const: 'four' }, width: number(LIMITS.seat), height: number(LIMITS.seat) }),
          ]),
          marks: list(pixel, 4),
          points: list(pixel, 400),
        }),
      ],
    },
  },
  ['supports', 'notches', 'holes', 'hardware', 'edges', 'frame', 'mould', 'trace'],
);

const strip = object({
  items: list(
    object({
      id,
      what: { enum: ['cover', 'film', 'wadding', 'pad', 'fastener', 'screw', 'hardware', 'strap'] },
      name: shortText,
      where: { type: 'string', maxLength: 400 },
      count: { type: 'integer', minimum: 1, maximum: 9999 },
      crown: number([0, 60]),
      leg: number([0, 60]),
      thickness: number([0, 500]),
      again: { enum: ['refit', 'replace', 'leave-off'] },
      photos: list(photo, 12),
    }),
    80,
  ),
  findings: list(id, 20),
  press: {
    oneOf: [
      { type: 'null' },
      object({
        asNew: number(LIMITS.pad),
        now: number([0, 500]),
        seconds: { type: 'number', minimum: 0, maximum: 600 },
        crumbs: yesOrNo,
        mould: yesOrNo,
        marks: yesOrNo,
      }),
    ],
  },
  cover: list(object({ id, name: shortText, width: number([5, 4000]), height: number([5, 4000]) }), 20),
  tasks: list(object({ id, text: { type: 'string', maxLength: 400 }, done: yesOrNo }), 60),
});

/** The JSON Schema (draft 2020-12) of a piece; `npm run -s fovea -- schema` prints it. */
export const PIECE_SCHEMA = {
  $schema: 'https://json-schema.org/draft/2020-12/schema',
  $id: 'urn:fovea:piece:1',
  title: 'A piece: one padded rigid base, or a set of them alike. Lengths in mm, angles in radians.',
  ...object(
    {
      schema: { const: 'fovea.piece/1' },
      kind: {
        enum: [
          'chair-seat',
          'round-seat',
          'bench',
          'corner-seat',
          'headboard',
          'headboard-bordered',
          'headboard-panelled',
          'headboard-nailed',
          'saddle',
          'arm-pad',
          'block-seat',
          'tight-seat',
        ],
      },
      name: { type: 'string', minLength: 1, maxLength: 120, pattern: '\\S' },
      count: { type: 'integer', minimum: LIMITS.count[0], maximum: LIMITS.count[1] },
      due: { type: 'string', pattern: '^(\\d{4}-\\d{2}-\\d{2})?$' },
      notes: { type: 'string', maxLength: 20000 },
      base,
      pads: {
        type: 'array',
        maxItems: LIMITS.pads[1],
        items: object(
          {
            id,
            role: { enum: ['crown', 'main', 'topper'] },
            material: id,
            thickness: number(LIMITS.pad),
            offset: { type: ['number', 'null'], minimum: LIMITS.offset[0], maximum: LIMITS.offset[1] },
            edge: oneOf('kind', [
              object({ kind: { const: 'square' } }),
              object({ kind: { const: 'domed' } }),
              ...['feathered', 'bevelled', 'rounded', 'roll'].map((kind) =>
                object({ kind: { const: kind }, width: number(LIMITS.feather) }),
              ),
            ]),
            outline: {
              oneOf: [
                { type: 'null' },
                {
                  type: 'array',
                  minItems: 3,
                  maxItems: 400,
                  items: { type: 'array', minItems: 2, maxItems: 2, items: number(LIMITS.plan) },
                },
              ],
            },
            wedge: { oneOf: [{ type: 'null' }, number(LIMITS.pad)] },
            pocket: {
              oneOf: [
                { type: 'null' },
                object({
                  x: number(LIMITS.plan),
                  y: number(LIMITS.plan),
                  width: number(LIMITS.pocket),
                  length: number(LIMITS.pocket),
                  deep: number(LIMITS.deep),
                  material: id,
                }),
              ],
            },
            blocks: { type: 'integer', minimum: LIMITS.blocks[0], maximum: LIMITS.blocks[1] },
            scrap: yesOrNo,
          },
          ['outline', 'wedge', 'pocket', 'blocks', 'scrap'],
        ),
      },
      wadding: { type: ['string', 'null'], maxLength: 60 },
      cloth: object(
        {
          name: shortText,
          rollWidth: number(LIMITS.rollWidth),
          thickness: number(LIMITS.clothThickness),
          coated: yesOrNo,
          direction: { enum: ['along', 'across', 'any'] },
          repeatAcross: number(LIMITS.repeat),
          repeatAlong: number(LIMITS.repeat),
          shrinkage: number(LIMITS.shrinkage),
          pull: { enum: ['taut', 'firm', 'smooth'] },
          force: { oneOf: [{ type: 'null' }, number(LIMITS.force)] },
          weave: { enum: ['plain', 'twill', 'pile', 'knit', 'coated', 'coated stretch', 'hide'] },
          fibre: { enum: ['wool', 'cotton', 'linen', 'synthetic', 'mixed', 'hide'] },
          weight: number(LIMITS.weight),
          stretchWarp: number(LIMITS.stretch),
          stretchWeft: number(LIMITS.stretch),
          nap: { enum: ['none', 'pile', 'one-way'] },
          certificate: shortText,
          price: number(LIMITS.price),
        },
        ['force', 'weave', 'fibre', 'weight', 'stretchWarp', 'stretchWeft', 'nap', 'certificate', 'price'],
      ),
      chalk: object({
        x: { type: 'number', minimum: -2000, maximum: 2000 },
        y: { type: 'number', minimum: -2000, maximum: 2000 },
        angle: { type: 'number', minimum: -7, maximum: 7 },
      }),
      overrides: {
        type: 'object',
        propertyNames: { enum: RULES.map((rule) => rule.key) },
        additionalProperties: { type: 'number' },
      },
      strip,
      panels: {
        oneOf: [
          { type: 'null' },
          object({
            across: number([100, 8000]),
            gap: number([0, 300]),
            count: { type: 'integer', minimum: LIMITS.panels[0], maximum: LIMITS.panels[1] },
            mounting: { enum: ['joined', 'hung'] },
            cleats: { type: 'integer', minimum: 1, maximum: 60 },
            rating: number(LIMITS.rating),
          }),
        ],
      },
      foams: list(
        object(
          {
            id,
            name: shortText,
            type: { enum: ['polyether', 'high-resilience', 'slow-recovery', 'latex', 'recycled chip', 'closed cell', 'backed'] },
            density: number(LIMITS.density),
            ifd25: number(LIMITS.hardness),
            supportFactor: number(LIMITS.support),
            onset: { type: 'number', minimum: 0.01, maximum: 0.4 },
            sold: list(number(LIMITS.pad), 20),
          },
          ['onset'],
        ),
        40,
      ),
      sit: {
        oneOf: [
          { type: 'null' },
          object({
            loader: { enum: ['seated', 'saddle', 'leaning', 'elbow', 'disc'] },
            mass: number(LIMITS.mass),
            share: { oneOf: [{ type: 'null' }, number(LIMITS.share)] },
            x: number(LIMITS.plan),
            y: number(LIMITS.plan),
          }),
        ],
      },
      covering: COVERING,
      variants: list(object({ id, name: shortText, count: { type: 'integer', minimum: 1, maximum: 199 }, shape }), 12),
    },
    ['strip', 'panels', 'variants', 'foams', 'sit', 'covering'],
  ),
} as const;
