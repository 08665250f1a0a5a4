import { Type, type Static } from '@sinclair/typebox';
import { CLOTH, OWN_FOAM, PHOTO } from '../piece';
import { choice, figure, length, optional, orNull, record, tick, whole, words, id, list, pair } from '../fields';
import { SOLD_AS, WARE_KINDS, wareKind, type WareKind } from '../wares';

/** A thing as it is sold. Lengths mm; money is the workshop's own. */
export const WARE = record({
  kind: choice('Kind', WARE_KINDS, { default: 'foam' }),
  name: words('Name', 80, { default: '' }),
  /** the foam, wadding, board or cloth that it is, by its id; what can stand for any of its kind has none */
  of: Type.String({ title: 'Is', maxLength: 60, default: '' }),
  sold: choice('Sold', SOLD_AS, { default: 'sheet' }),
  thickness: optional(length('Thickness', [0.1, 300])),
  width: optional(length('Width', [5, 4000], { hint: 'between selvedges' })),
  /** of a sheet, of a roll or reel that is sold whole, of a batten */
  length: optional(length('Length', [5, 20_000_000])),
  /** pieces in a packet, a box */
  each: optional(whole('In one', [1, 100000])),
  /** m² that a can covers, one face */
  covers: optional(figure('Covers, m²', 'ratio', [0.1, 1000])),
  /** kg in a bag */
  mass: optional(figure('Weighs', 'kg', [0.01, 200])),
  price: figure('Price', 'money', [0, 100000], { default: 0, hint: 'each, or per metre off the roll' }),
  /** the price ships with Fovea: it ranks what could be bought, and is nowhere shown or charged */
  guide: optional(tick('Guide price only')),
  /** from so many on, so much less */
  breakFrom: optional(whole('Cheaper from', [2, 1000])),
  breakLess: optional(figure('Less by', '%', [0.1, 90])),
  supplier: words('Supplier', 60, { default: '' }),
  /** days from order to door */
  lead: whole('Delivery, days', [0, 365], { default: 3 }),
  /** glue: minutes until it is tacky, until it no longer grips, pressed for */
  tack: optional(figure('Tacky after, min', 'ratio', [0, 240])),
  open: optional(figure('Open time, min', 'ratio', [0, 1440])),
  press: optional(figure('Press time, min', 'ratio', [0, 1440])),
  certificate: optional(words('Fire certificate')),
  /** a photo of it, and of the certificate */
  photo: optional(PHOTO),
  proof: optional(PHOTO),
  notes: optional(words('Notes', 1000)),
  /** all that a plan needs of a foam or cloth of the workshop's own */
  foam: optional(orNull(OWN_FOAM)),
  cloth: optional(orNull(CLOTH)),
});

/** A spot where a roll is spoilt: across the roll from its left selvedge, and along it from its end. */
export const FLAW = record({
  x: length('From the left', [0, 4000], { default: 100 }),
  y: length('From the end', [0, 200000], { default: 500 }),
  width: length('Wide', [1, 4000], { default: 50 }),
  height: length('Long', [1, 20000], { default: 50 }),
});

/** What is in the store of a thing. */
export const STOCK_FORMS = [
  { id: 'full', name: 'As sold' },
  { id: 'part', name: 'Part roll' },
  { id: 'offcut', name: 'Offcut' },
] as const;

/** Something in the store: so many as they are sold, a part of a roll with its flaws, or an offcut with its outline. */
export const STOCK = record({
  ware: id('Of'),
  form: choice('Form', STOCK_FORMS, { default: 'full' }),
  /** as sold: how many, or the metres of what comes off the roll */
  count: figure('How many', 'ratio', [0, 1000000], { default: 1 }),
  width: optional(length('Width', [1, 4000])),
  length: optional(length('Length', [1, 200000])),
  flaws: optional(list('Flaws', FLAW, [0, 40])),
  /** an offcut that is no rectangle: its corners, mm */
  outline: optional(list('Outline', pair(length('Corner', [-5000, 200000])), [3, 400])),
  place: words('Where it lies', 60, { default: '' }),
  photo: optional(PHOTO),
});

export type Ware = Static<typeof WARE>;
export type Stock = Static<typeof STOCK>;
export type Flaw = Static<typeof FLAW>;

/** What one costs; null where the workshop has not said it yet. */
export const knownPrice = ({ price, guide }: Pick<Ware, 'price' | 'guide'>): number | null => (guide || price <= 0 ? null : price);
export type StockForm = (typeof STOCK_FORMS)[number]['id'];
/** The same as they are kept. */
export type KeptWare = Ware & { id: string };
export type KeptStock = Stock & { id: string };

/** What a size means on a kind, where its name alone does not say it. */
export const SIZE_HINTS: Partial<Record<WareKind, Partial<Record<keyof Ware, string>>>> = {
  staple: { thickness: 'its leg' },
  fastener: { thickness: 'head of a nail, shank of a rivet or screw', length: 'of a rivet or screw' },
  zip: { length: 'nothing where it comes off the reel' },
};

/** What of a thing's sizes is asked for, by how it is measured and sold. */
export function sizesAsked({ kind, sold }: Pick<Ware, 'kind' | 'sold'>): (keyof Ware)[] {
  const { measure, flat } = wareKind(kind) as { measure: string; flat?: boolean };
  const asked: (keyof Ware)[] = [];
  if (kind === 'foam' || kind === 'board' || kind === 'cord' || kind === 'staple' || kind === 'batten' || kind === 'fastener')
    asked.push('thickness');
  if (flat || kind === 'webbing' || kind === 'batten') asked.push('width');
  if (sold === 'sheet' || sold === 'packet' || sold === 'roll' || kind === 'batten' || kind === 'zip' || kind === 'fastener')
    asked.push('length');
  if (sold === 'packet' || measure === 'count' || (sold === 'box' && measure !== 'covers')) asked.push('each');
  if (measure === 'covers') asked.push('covers', 'tack', 'open', 'press');
  if (measure === 'mass') asked.push('mass');
  return asked;
}

/**
 * What is wrong between the fields of a thing, beside its cause; nothing where it can be bought by.
 *
 * @param ware of the right form
 */
export function wareProblems(ware: Ware): { path: string; message: string }[] {
  const wrong: { path: string; message: string }[] = [];
  if (ware.name.trim() === '') wrong.push({ path: 'name', message: 'It needs a name' });
  const needs: (keyof Ware)[] = sizesAsked(ware).filter((key) => !['tack', 'open', 'press'].includes(key));
  const { measure } = wareKind(ware.kind);
  for (const key of needs) {
    // What a batten or a nail does not say of its size may be any.
    if (key === 'thickness' && (ware.kind === 'batten' || ware.kind === 'fastener')) continue;
    // A zip is told by its length where it is sold singly; a box of one count says how many are in it.
    if (ware[key] === undefined && !(key === 'each' && ware.sold === 'each') && !(key === 'length' && measure === 'count'))
      wrong.push({ path: key, message: `Enter the size of one unit: ${(WARE.properties[key] as { title: string }).title.toLowerCase()}` });
  }
  if (ware.kind === 'foam' && !ware.foam && ware.of === '')
    wrong.push({ path: 'of', message: 'Which foam is it? Choose one, or say how hard it is' });
  if (ware.kind === 'cloth' && !ware.cloth) wrong.push({ path: 'cloth', message: 'What cloth is it?' });
  if ((ware.breakFrom === undefined) !== (ware.breakLess === undefined))
    wrong.push({ path: 'breakFrom', message: 'Enter both the quantity and the discount, or neither' });
  return wrong;
}

/**
 * How much of its measure one of a thing holds: mm² of a sheet or packet, mm of a reel, mm off the roll for each metre, pieces
 * of a box, m² of a can, kg of a bag.
 */
export function holds(ware: Ware): number {
  const { measure } = wareKind(ware.kind);
  if (ware.sold === 'metre') return 1000;
  switch (measure) {
    case 'area':
      return (ware.width ?? 0) * (ware.length ?? 0) * (ware.sold === 'packet' ? (ware.each ?? 1) : 1);
    case 'length':
      return (ware.length ?? 0) * (ware.sold === 'box' || ware.sold === 'packet' ? (ware.each ?? 1) : 1);
    case 'count':
      return ware.each ?? 1;
    case 'covers':
      return ware.covers ?? 0;
    case 'mass':
      return ware.mass ?? 0;
  }
}
