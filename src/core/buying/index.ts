export { needsOf, wareOf, type Need } from './needs';
export { inStore, stockFor, waresFor } from './offers';
export { buyProgram, type BuyAsked, type Buying, type BuyLine, type BuyProgram, type FlatOffer } from './program';
