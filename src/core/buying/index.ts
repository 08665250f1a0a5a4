export { needsOf, type Need } from './needs';
export { inStore, stockFor, waresFor } from './offers';
export { buyProgram, type BuyAsked, type Buying, type BuyLine, type BuyProgram, type FlatOffer } from './program';
export { isUnanswered, PURCHASE, PURCHASE_LINE, PURCHASE_STATES, type Purchase, type PurchaseLine, type PurchaseState } from './purchase';
export { boughtBy, costOf, freshBin, quickOffers, stockBins } from './bins';
export { firePapers, type FirePaper } from './fire-papers';
