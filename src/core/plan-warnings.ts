import type { BoardCheck, PanelLayout } from './base';
import type { Model, Surface } from './build';
import type { CoverPlan, StationWrap } from './cover';
import { clothWarnings } from './cover/cloth-warnings';
import type { CutPlan, FoamPiece } from './cut';
import type { LegChoice } from './fix';
import { BOARDS, findMaterial } from './foam';
import { ruleOf, unusual } from './house';
import { distanceTo } from './outline';
import { kindOf } from './piece';
import type { SitPlan } from './sit';
import type { OldStaple } from './strip';

/** Something the plan is not happy with: a code, where it is (a path in the piece or a station), and in words. */
export type Warning = { code: string; where: string; message: string };

/** Under this the fingers have nothing to hold, mm (trade default: warn when grip < 25). */
const LEAST_GRIP = 25;

function shown(mm: number): string {
  return `${Math.round(mm * 10) / 10} mm`;
}

type Made = {
  stations: readonly StationWrap[];
  foam: readonly FoamPiece[];
  cut: CutPlan;
  leg: LegChoice;
  board: BoardCheck;
  panels: PanelLayout | null;
  staples: readonly OldStaple[];
  surface: Surface;
  sit: SitPlan | null;
  cover: CoverPlan;
};

/**
 * Everything about a plan that a practitioner would want to be told before cutting.
 *
 * @param model the built piece
 * @param made what was worked out for it
 */
export function planWarnings(model: Model, made: Made): Warning[] {
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
    if (pad.role === 'main' && offset <= 0 && kindOf(piece.kind).sat)
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
  if (!made.surface.converged)
    warn(
      'not-at-rest',
      'surface',
      'The cover did not come to rest over this stack: its figures are not to be cut to. Pull less, or take a firmer foam.',
    );
  if (made.surface.showThrough.reads)
    warn(
      'shows-through',
      'pads',
      `The step of the ${made.surface.showThrough.pad ?? ''} pad reads through the cover (it bends with a radius of ${Math.round(1000 / made.surface.showThrough.curvature)} mm above it): feather its rim, or lay a thicker pad over it.`,
    );
  if (made.sit?.bottoms) warn('bottoms-out', 'sit', made.sit.words.find((words) => words.startsWith('It bottoms')) ?? 'It bottoms out.');
  if (made.sit?.edgeFelt)
    warn('edge-felt', 'sit', made.sit.words.find((words) => words.startsWith('The board’s edge')) ?? 'The board’s edge is felt.');
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
  baseWarnings(model, made, warn);
  if (!made.leg.fits)
    warn(
      'staple-leg',
      'base.board.thickness',
      `No staple leg fits: the cloth needs ${shown(made.leg.least)} or more and the board takes ${shown(made.leg.most)} at most.`,
    );
  for (const { code, where, message } of clothWarnings(model, made.cover)) warn(code, where, message);
  for (const [key, value] of Object.entries(piece.overrides)) {
    const remark = unusual(key, value);
    if (remark) warn('override-unusual', `overrides.${key}`, `${ruleOf(key)!.label}: ${value} for this piece. ${remark}.`);
  }
  return warnings;
}

/** What the base itself gives cause to say: its board, its hardware, the wall it hangs on, the staples it had. */
function baseWarnings(model: Model, { board, panels, staples }: Made, warn: (code: string, where: string, message: string) => void): void {
  const { base } = model.piece;
  if (board.verdict === 'soft' || board.verdict === 'breaks') {
    const cures = [
      board.thickness ? `${board.thickness} mm of the same board would do` : '',
      board.rib ? `a rib of ${board.rib.width} × ${board.rib.height} mm across the middle would carry it` : '',
    ].filter(Boolean);
    warn(
      board.verdict === 'breaks' ? 'board-breaks' : 'board-soft',
      'base.board.thickness',
      `${board.words} ${cures.length > 0 ? `${capital(cures.join('; '))}.` : 'No board sold of this kind does; take another, or carry it all over.'}`,
    );
  }
  if (!findMaterial(BOARDS, base.board.material)!.bears)
    warn('board-holds-no-staple', 'base.board.material', 'This board holds no staple: glue the cover, or fasten into a wood edge strip.');
  if (panels && !panels.holds)
    warn(
      'panels-too-heavy',
      'panels.rating',
      `${panels.mounting === 'joined' ? 'The joined panels need' : 'Each panel needs'} ${Math.ceil(panels.needed * 10) / 10} kg of cleat rating (mass × 4); there are ${panels.rated} kg. Add cleats, and proof-load before use.`,
    );
  for (const fact of base.edges ?? []) {
    if (!fact.visible && fact.trim > 0) warn('trim-not-seen', 'base.edges', `The ${fact.edge} edge is not seen: its trim can be left off.`);
    if (!fact.fasten && fact.visible && !fact.against && !fact.strip)
      warn('edge-loose', 'base.edges', `The ${fact.edge} edge is seen and not fastened: finish its cover against a hard-edge strip.`);
  }
  for (const staple of staples) if (staple.tooLong) warn('old-staple-long', 'strip', staple.words);
  const clear = model.rule('hardwareClear');
  (base.hardware ?? []).forEach((item, i) => {
    const toEdge = distanceTo(model.board, [item.x, item.y]) - item.diameter / 2;
    const toStaples = Math.abs(toEdge + item.diameter / 2 - model.rule('return')) - item.diameter / 2;
    if (toEdge < clear)
      warn(
        'hardware-near-edge',
        `base.hardware.${i}`,
        `The ${item.kind} ${i + 1} lies ${shown(toEdge)} from the board’s edge; under ${shown(clear)} it splits out.`,
      );
    else if (toStaples < clear)
      warn(
        'hardware-on-staples',
        `base.hardware.${i}`,
        `The ${item.kind} ${i + 1} stands in the staple line: staples near it were moved or left out.`,
      );
    if (item.kind !== 'cleat' && item.kind !== 'insert' && item.length > base.board.thickness)
      warn(
        'hardware-through',
        `base.hardware.${i}`,
        `The ${item.kind} ${i + 1} is ${shown(item.length - base.board.thickness)} longer than the board: keep its end out of the pad, or take a shorter one.`,
      );
  });
}

function capital(words: string): string {
  return words.charAt(0).toUpperCase() + words.slice(1);
}
