export { priceOf, type Price, type PricedThing, type PricedWork, type PriceLine } from './price';
export { thingsOf } from './things';
