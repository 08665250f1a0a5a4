import type { FoamPiece } from '../foam-cutting';
import { bounds, edgeIndex } from '../outline';
import { PAD_ROLES } from '../piece';

/** A role of a pad as it is said within a sentence. */
const roleName = (role: string): string => PAD_ROLES.find(({ id }) => id === role)!.name.toLowerCase();

const ORDINALS = ['first', 'second', 'third', 'fourth', 'fifth', 'sixth', 'seventh', 'eighth'];

/** A pad as it is called: of several of one role which, counted from below. */
export function calledOf(pad: { pad: string; role: string }, foam: readonly FoamPiece[]): string {
  const alike = foam.filter(({ role, insertOf }) => role === pad.role && insertOf === null);
  const at = alike.findIndex((foamPiece) => foamPiece.pad === pad.pad);
  return alike.length > 1 && at >= 0 ? `${ORDINALS[at] ?? `${at + 1}th`} ${roleName(pad.role)}` : roleName(pad.role);
}

/** What a line may be off and still be the same on both sides, mm. */
const ALIKE = 0.5;

/** Whether a pad turned over is another one: then its upper side is marked when it is cut. */
export function hasUpperSide({ outline, insertOf, side }: FoamPiece): boolean {
  if (insertOf !== null || side !== null) return false;
  const { minX, width } = bounds(outline);
  const sides = edgeIndex(outline, ALIKE);
  return outline.some(([x, y]) => sides.distanceTo([2 * minX + width - x, y]) > ALIKE);
}

/** What a pad is cut from: a sheet of its thickness, several one on the other, or one that is slit down. */
function sheetWords({ layers, exact, made, pair }: FoamPiece): string {
  const whole = layers.reduce((sum, layer) => sum + layer, 0);
  const sheets = layers.map((layer) => `${Math.round(layer)} mm`).join(', on it ');
  const slit = exact ? sheets : `${sheets}, slit off by ${Math.round(whole - made)} mm`;
  if (pair) return `blocks of ${slit}, two wedges from each,`;
  return exact ? slit : `${slit},`;
}

/** A pad as it is cut: what it is, from what, how large, in how many parts. */
export function cutWords(pad: FoamPiece, foam: readonly FoamPiece[], oversize: number): string {
  const called = calledOf(pad, foam);
  const name = pad.insertOf ? `insert for the ${called}` : called;
  const size = `${Math.round(pad.width)} × ${Math.round(pad.height)} mm`;
  return [
    `${name.charAt(0).toUpperCase()}${name.slice(1)}: ${sheetWords(pad)} ${pad.materialName.toLowerCase()}, ${size}`,
    ...(pad.trimmed ? [`rough-cut, ${oversize} mm larger all round`] : []),
    ...(hasUpperSide(pad) ? ['its upper side marked'] : []),
    ...(pad.scrap ? ['from scraps'] : []),
    ...(pad.blocks.length > 1 ? [`in ${pad.blocks.length} blocks`] : []),
    ...(pad.packet
      ? [`from ${pad.scrap ? 'offcuts' : 'packet pieces'} of ${Math.round(pad.packet.width)} × ${Math.round(pad.packet.length)} mm`]
      : []),
  ].join(', ');
}
