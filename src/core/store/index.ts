export { SOLD_AS, WARE_KINDS, wareKind, type SoldAs, type WareKind, type WareMeasure } from '../wares';
export { sortsOf, WARE_SORTS, type Bought } from '../wares';
export {
  knownPrice,
  FLAW,
  holds,
  SIZE_HINTS,
  sizesAsked,
  STOCK,
  STOCK_FORMS,
  WARE,
  wareProblems,
  type Flaw,
  type KeptStock,
  type KeptWare,
  type Stock,
  type StockForm,
  type Ware,
} from './ware';
export { clothOf, shelf } from './shelf';
export { readStoreCsv, STORE_TABLES, writeStoreCsv, type StoreTable } from './csv';
export { CLOTH_ASKED, clothInStore, clothSold, clothToStore, foamToStore, takenCloth, withStoreFoam } from './take';
