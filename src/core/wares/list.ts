/** How a thing is sold, with what one of it is called and which sizes it has. */
export const SOLD_AS = [
  { id: 'sheet', name: 'Sheet', many: 'sheets' },
  { id: 'packet', name: 'Packet', many: 'packets' },
  { id: 'metre', name: 'Off the roll', many: 'metres' },
  { id: 'roll', name: 'Whole roll or reel', many: 'rolls' },
  { id: 'can', name: 'Can', many: 'cans' },
  { id: 'box', name: 'Box', many: 'boxes' },
  { id: 'bag', name: 'Bag', many: 'bags' },
  { id: 'each', name: 'Singly', many: '' },
] as const;
export type SoldAs = (typeof SOLD_AS)[number]['id'];

/** Measured by its area, its length, its count, the area it covers, or its mass. */
export type WareMeasure = 'area' | 'length' | 'count' | 'covers' | 'mass';

/** A kind of thing that a workshop buys. A new one is a line here. */
export type WareKindRow = {
  id: string;
  name: string;
  measure: WareMeasure;
  /** as it is most often sold */
  sold: SoldAs;
  /** it lies flat and is cut: a roll or sheet of it has a width */
  flat?: boolean;
};

/** What a workshop buys and has. */
export const WARE_KINDS = [
  { id: 'foam', name: 'Foam', measure: 'area', sold: 'sheet', flat: true },
  { id: 'wadding', name: 'Wadding', measure: 'length', sold: 'metre', flat: true },
  { id: 'cloth', name: 'Cloth', measure: 'length', sold: 'metre', flat: true },
  { id: 'lining', name: 'Lining cloth', measure: 'length', sold: 'metre', flat: true },
  { id: 'dust', name: 'Dust cloth', measure: 'length', sold: 'metre', flat: true },
  { id: 'film', name: 'Slip film', measure: 'length', sold: 'metre', flat: true },
  { id: 'waterproof', name: 'Waterproof cloth', measure: 'length', sold: 'metre', flat: true },
  { id: 'hessian', name: 'Hessian', measure: 'length', sold: 'metre', flat: true },
  { id: 'board', name: 'Board', measure: 'area', sold: 'sheet', flat: true },
  { id: 'batten', name: 'Batten', measure: 'length', sold: 'each' },
  { id: 'webbing', name: 'Webbing', measure: 'length', sold: 'roll' },
  { id: 'spring', name: 'Springs and clips', measure: 'count', sold: 'box' },
  { id: 'cord', name: 'Cord', measure: 'length', sold: 'roll' },
  { id: 'card', name: 'Tack strip, lip and edge tape', measure: 'length', sold: 'roll' },
  { id: 'zip', name: 'Zip', measure: 'count', sold: 'each' },
  { id: 'thread', name: 'Thread', measure: 'length', sold: 'roll' },
  { id: 'glue', name: 'Glue', measure: 'covers', sold: 'can' },
  { id: 'staple', name: 'Staples', measure: 'count', sold: 'box' },
  { id: 'fastener', name: 'Nails, tacks, rivets, screws', measure: 'count', sold: 'box' },
  { id: 'hardware', name: 'Legs, hinges, tee nuts', measure: 'count', sold: 'each' },
  { id: 'button', name: 'Buttons and knobs', measure: 'count', sold: 'box' },
  { id: 'hook', name: 'Hook and loop', measure: 'length', sold: 'roll' },
  { id: 'fill', name: 'Loose filling', measure: 'mass', sold: 'bag' },
] as const satisfies readonly WareKindRow[];
