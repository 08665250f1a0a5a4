export { everySecond, foamSprings, linearSprings, strainsAt, type Columns, type Springs } from './columns';
export { settle, type Pulled, type Settled } from './settle';
export { netOver, sagOf, tensionFor, type DeckNet } from './deck';
export { foamPressure, forceAt, shearOf, sitOn, sitOnDeck, type Bed, type SatOnDeck, type SitResult } from './sit';
