export { BOARDS, findMaterial, FOAMS, WADDINGS, type Board, type Foam, type Wadding } from './materials';
export { laminate, type Lamination } from './laminate';
