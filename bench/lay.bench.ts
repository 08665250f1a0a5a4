// Lays of rectangles on a roll, against the packer alone and against what could at best be.
import { packRoll } from '../src/core/cut';
import { areaOf, jigsaw, packerRoll, thrownBlanks } from '../src/testing/lays';
import { bySweeps, compare, report } from './measure';

const WIDTH = 1400;
const SETS = 200;

console.log(`\n${SETS} thrown sets on a roll of ${WIDTH}`);
let [gained, longer] = [0, 0];
for (let set = 0; set < SETS; set++) {
  const { blanks, turn } = thrownBlanks(set);
  const room = { gap: 10, turn };
  const [own, packer] = [packRoll(blanks, WIDTH, room).length, packerRoll(blanks, WIDTH, room)];
  gained += (100 * areaOf(blanks)) / WIDTH / own - (100 * areaOf(blanks)) / WIDTH / packer;
  if (own > packer + 1) longer += 1;
}
compare('points of use better than the packer, on the whole', gained / SETS, 3, true);
compare('sets that are longer than the packer’s', longer, 0);
for (const count of [20, 40, 60]) {
  const parts = jigsaw(WIDTH, 3000, count);
  const lay = () => packRoll(parts, WIDTH, { gap: 0, turn: false });
  compare(`use of a jigsaw of ${count} that fills its roll`, 3000 / lay().length, 0.97, true);
  report(`a jigsaw of ${count}`, bySweeps(lay, 3), 4000);
}
