import { LOOSE_ONES } from './loose';
import { Type, type Static } from '@sinclair/typebox';
import { CUTTERS, GLUES, SHAPERS } from '../../foam';
import { RULES } from '../../house';
import { KINDS, type PieceKind } from '../kinds';
import { BASE } from './base';
import { CLOTH } from './cloth';
import { COVERING, PINNED } from './covering';
import { choice, day, figure, id, length, list, optional, orNull, record, tag, whole, words, type FieldUnit } from '../../fields';
import { OWN_FOAM, PAD, SITTING } from './pads';
import { BASE_SHAPE } from '../../outline/schema/shapes';
import { STRIP } from './strip';

/** The form of the document, counted up with every change that older files must be migrated over. */
export const VERSION = 3;

const COUNT = [1, 200] as const;
/** Where somebody stands on the chalk line. */
const CHALK = [-2000, 2000] as const;

/** How panels on a wall are held. */
export const MOUNTINGS = [
  { id: 'hung', name: 'Each hung by itself' },
  { id: 'joined', name: 'Joined behind, hung as one' },
] as const;

/** Panels side by side on a wall: N equal ones over a width, with gaps. `rating` is what one cleat carries. */
export const PANELS = record({
  across: length('Over a width of', [100, 8000], { default: 1800 }),
  gap: length('Gap between', [0, 300], { default: 20 }),
  count: whole('Panels', [2, 40], { default: 4 }),
  mounting: choice('Held', MOUNTINGS, { default: 'hung' }),
  cleats: whole('Cleats', [1, 60], { default: 2 }),
  rating: figure('One cleat carries', 'kg', [0.5, 500], { default: 20 }),
});

/** A piece of the set whose base was measured differently; all else is shared. */
export const VARIANT = record({
  id: id(),
  name: words('Which'),
  count: whole('How many of these', [1, 199], { default: 1 }),
  shape: BASE_SHAPE,
});

/** The straight cut through the piece that the section shows: a point it passes through and its bearing. */
export const CHALK_LINE = record({
  x: length('Chalk line, to the right', CHALK),
  y: length('Chalk line, to the back', CHALK),
  angle: figure('Chalk line, bearing', 'rad', [-7, 7]),
});

const RULE_UNITS: Record<(typeof RULES)[number]['unit'], FieldUnit> = {
  length: 'mm',
  percent: '%',
  seconds: 's',
  minutes: 'count',
  count: 'count',
  mass: 'kg',
  force: 'N',
  money: 'money',
};

/** House rules set otherwise for this piece alone, by rule key. */
const OVERRIDES = Type.Unsafe<Record<string, number>>(
  record(Object.fromEntries(RULES.map((rule) => [rule.key, optional(figure(rule.label, RULE_UNITS[rule.unit], rule.allowed))]))),
);

/** The document: one padded rigid base, or a set of them alike. */
export const PIECE = record({
  schema: tag(`fovea.piece/${VERSION}`),
  kind: choice(
    'Kind',
    KINDS.map(({ id: text, name }): { id: PieceKind; name: string } => ({ id: text, name })),
  ),
  name: Type.String({ title: 'Name', minLength: 1, maxLength: 120, pattern: '\\S' }),
  count: whole('Quantity', COUNT, { default: 1 }),
  due: day('Due'),
  notes: words('Notes', 20000),
  base: BASE,
  /** from the base up */
  pads: list('Pads', PAD, [0, 40]),
  /** measurements that stand at a standard size until somebody types or confirms them, by their paths */
  unmeasured: optional(list('Not measured yet', Type.String({ title: 'Field', minLength: 1, maxLength: 80 }), [0, 120])),
  /** id of a wadding in the shipped table, or null for none */
  wadding: orNull(id('Wadding over all')),
  /** what the pads are glued with; left out, the house's own, as its rules say */
  /** what the foam is cut and shaped with; null is what is usual */
  cutWith: optional(orNull(choice('Cut with', CUTTERS.map(({ id: text, name }) => ({ id: text, name })), { empty: 'Standard blade' }))),
  shapedWith: optional(orNull(choice('Shaped with', SHAPERS.map(({ id: text, name }) => ({ id: text, name })), { empty: 'Standard rasp' }))),
  glue: optional(orNull(choice('Glue', GLUES.map(({ id: text, name }) => ({ id: text, name })), { empty: 'Shop standard' }))),
  cloth: CLOTH,
  /** for parts that are cut from another: a plain band round a striped top, a contrasting welt */
  second: optional(orNull(CLOTH)),
  chalk: CHALK_LINE,
  overrides: OVERRIDES,
  strip: optional(STRIP),
  panels: optional(orNull(PANELS)),
  variants: optional(list('Measured differently', VARIANT, [0, 12])),
  /** cloths that were pinned on: what is marked on them is laid on the computed pieces */
  pinned: optional(list('Pinned on and marked', PINNED, [0, 12])),
  /** filled rolls and loose cushions that lie or hang on it */
  loose: optional(LOOSE_ONES),
  foams: optional(list('Foams of our own', OWN_FOAM, [0, 40])),
  sit: optional(orNull(SITTING)),
  covering: COVERING,
});

export type Piece = Static<typeof PIECE>;
export type Panels = Static<typeof PANELS>;
export type Variant = Static<typeof VARIANT>;
export type ChalkLine = Static<typeof CHALK_LINE>;
