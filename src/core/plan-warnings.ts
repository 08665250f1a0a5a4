import type { Model } from './build';
import type { StationWrap } from './cover';
import type { CutPlan, FoamPiece } from './cut';
import type { LegChoice } from './fix';
import { ruleOf, unusual } from './house';

/** Something the plan is not happy with: a code, where it is (a path in the piece or a station), and in words. */
export type Warning = { code: string; where: string; message: string };

/** Under this the fingers have nothing to hold, mm (trade default: warn when grip < 25). */
const LEAST_GRIP = 25;

function shown(mm: number): string {
  return `${Math.round(mm * 10) / 10} mm`;
}

/**
 * Everything about a plan that a practitioner would want to be told before cutting.
 *
 * @param model the built piece
 * @param made what was worked out for it
 */
export function planWarnings(
  model: Model,
  made: { stations: readonly StationWrap[]; foam: readonly FoamPiece[]; cut: CutPlan; leg: LegChoice },
): Warning[] {
  const { piece } = model;
  const warnings: Warning[] = [];
  const warn = (code: string, where: string, message: string): void => void warnings.push({ code, where, message });
  if (!piece.pads.some((pad) => pad.role === 'main')) warn('no-main-pad', 'pads', 'No main pad yet: the cover would lie on the board.');
  const short = made.stations.filter((station) => station.grip < LEAST_GRIP);
  if (short.length > 0)
    warn(
      'grip-short',
      `station ${short[0]!.id}`,
      `Grip is ${shown(short[0]!.grip)} at ${short.length === made.stations.length ? 'every station' : `${short.length} stations`}; under ${LEAST_GRIP} mm the fingers slip.`,
    );
  for (const [i, pad] of made.foam.entries()) {
    if (!pad.exact) {
      const total = pad.layers.reduce((sum, t) => sum + t, 0);
      warn(
        'thickness-not-sold',
        `pads.${i}.thickness`,
        `${pad.materialName} is not sold to make ${shown(pad.thickness)}: buy ${pad.layers.join(' + ')} mm and slit off ${shown(total - pad.thickness)}.`,
      );
    }
  }
  model.pads.forEach(({ pad, offset, foam }, i) => {
    if (pad.role === 'main' && offset <= 0)
      warn(
        'edge-not-buried',
        `pads.${i}.offset`,
        offset === 0
          ? 'The pad is flush with the board: its hard edge may be felt through the cover.'
          : `The pad is ${shown(-offset)} short of the board: its hard edge lies bare under the cover.`,
      );
    if (foam.type === 'slow-recovery' && pad.role === 'main')
      warn(
        'slow-main-pad',
        `pads.${i}.material`,
        'Slow-recovery foam returns slowly and supports little on its own; use it as a topper at most.',
      );
    if (pad.role === 'crown' && piece.pads.slice(0, i).some((below) => below.role === 'main'))
      warn('crown-on-top', `pads.${i}`, 'The crown pad lies on the main pad: its step will read through. Move it below.');
  });
  for (const layout of made.cut.foam.layouts) {
    if (layout.tooLarge.length > 0)
      warn(
        'pad-larger-than-sheet',
        'cut.foam',
        `The ${layout.tooLarge.join(', ')} pad does not fit on a ${made.cut.foam.sheetWidth} × ${made.cut.foam.sheetLength} mm sheet; it must be joined.`,
      );
  }
  if (made.cut.cloth.tooLarge.length > 0)
    warn(
      'cloth-too-narrow',
      'cloth.rollWidth',
      `The cover does not fit on a roll ${shown(piece.cloth.rollWidth)} wide; turn it on the roll, or use a wider cloth.`,
    );
  if (!made.leg.fits)
    warn(
      'staple-leg',
      'base.board.thickness',
      `No staple leg fits: the cloth needs ${shown(made.leg.least)} or more and the board takes ${shown(made.leg.most)} at most.`,
    );
  const striped = piece.cloth.repeatAcross > 0 || piece.cloth.repeatAlong > 0;
  if (striped && piece.cloth.pull === 'taut')
    warn('stripe-pulled', 'cloth.pull', 'A stripe shows every pull: smooth the cover only, over a liner cloth.');
  if (striped && piece.cloth.direction === 'any')
    warn('stripe-turned', 'cloth.direction', 'A patterned cloth lies one way: it was not turned on the roll.');
  for (const [key, value] of Object.entries(piece.overrides)) {
    const remark = unusual(key, value);
    if (remark) warn('override-unusual', `overrides.${key}`, `${ruleOf(key)!.label}: ${value} for this piece. ${remark}.`);
  }
  return warnings;
}
