export { everySecond, foamSprings, linearSprings, strainsAt, type Columns, type Springs } from './columns';
export { settle, type Pulled, type Settled } from './settle';
export { bodySize, LOADERS, loaderOf, type Loader } from './loaders';
export { forceAt, shearOf, sitOn, type Bed, type SitResult } from './sit';
