export { CLOTHS, giveOf, weaveOf, type ClothKind, type Gives, type Weave } from './cloths';
