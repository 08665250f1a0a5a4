import { armPad } from './arm-pad';
import { backCushion } from './back-cushion';
import { bench } from './bench';
import { blockSeat } from './block-seat';
import { chairSeat } from './chair-seat';
import { cornerSeat } from './corner-seat';
import { headboard } from './headboard';
import { headboardBordered } from './headboard-bordered';
import { headboardNailed } from './headboard-nailed';
import { headboardPanelled } from './headboard-panelled';
import { roundSeat } from './round-seat';
import { saddle } from './saddle';
import { seatCushion } from './seat-cushion';
import { tightSeat } from './tight-seat';

/** Every kind of piece, in the order it is offered. A new one is a file beside these and a line here. */
export const KINDS = [
  chairSeat,
  roundSeat,
  bench,
  cornerSeat,
  headboard,
  headboardBordered,
  headboardPanelled,
  headboardNailed,
  saddle,
  armPad,
  blockSeat,
  seatCushion,
  backCushion,
  tightSeat,
] as const;
