import { WARE_KINDS, type WareKindRow } from './list';

export type WareKind = (typeof WARE_KINDS)[number]['id'];

/** A kind by its id. */
export function wareKind(id: WareKind): WareKindRow & { id: WareKind } {
  return WARE_KINDS.find((kind) => kind.id === id)!;
}

export { SOLD_AS, WARE_KINDS, type SoldAs, type WareMeasure } from './list';
