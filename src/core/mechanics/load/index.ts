export { everySecond, foamSprings, linearSprings, strainsAt, type Columns, type Springs } from './columns';
export { settle, type Pulled, type Settled } from './settle';
export { netOver, sagOf, tensionFor, type DeckNet } from './deck';
export { shearOf, type Bed } from './bed';
export { foamPressure, forceAt, sitOn, sitOnDeck, type SatOnDeck, type SitResult } from './sit';
