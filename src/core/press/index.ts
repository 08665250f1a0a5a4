export { everySecond, foamSprings, linearSprings, strainsAt, type Columns, type Springs } from './columns';
export { redBlack, levelOf, type Level } from './multigrid';
export { settle, type Pulled, type Settled } from './settle';
export { bodySize, LOADERS, loaderOf, type Loader } from './loaders';
export { shearOf, sitOn, type Bed, type SitResult } from './sit';
