export { photoScale, squareUp, type PictureToPlan } from './photo-scale';
export { tracedNodes } from './traced-nodes';
