export { readGrid, type HeightGrid } from './grid';
export { MAP } from './map';
export { monotoneThrough } from './monotone';
