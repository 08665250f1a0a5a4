export { crownByWish, NEAR, type CrownChoice } from './crown-by-wish';
export { levelLines } from './level-lines';
export { along, wishedOver, type CrownWish, type Profile, type Wished } from './profile';
