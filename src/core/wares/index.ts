export { SOLD_AS, WARE_KINDS, wareKind, type SoldAs, type WareKind, type WareMeasure } from './kinds';
export { sortsOf, WARE_SORTS, type Bought } from './sorts';
export { STAPLE_LEGS } from './staple-legs';
