import type { HouseRules } from '../house';
import { applyOverrides, ruleOf } from '../house';
import type { Piece } from '../piece';
import type { Plan } from '../plan';
import { coverLines } from './cover-lines';
import type { SlipLine, Term } from './types';

/**
 * The numbers one would write on masking tape, each with its formula and the values in it.
 *
 * @param plan the piece's plan
 * @param piece the piece it was made from
 * @param house the workshop's rules
 */
export function slipOf(plan: Plan, piece: Piece, house: HouseRules): SlipLine[] {
  const read = applyOverrides(house, piece.overrides);
  const rule = (symbol: string, key: string): Term => {
    const found = ruleOf(key)!;
    return { symbol, label: found.label, value: read(key), unit: found.unit, rule: key };
  };
  const length = (symbol: string, label: string, value: number): Term => ({ symbol, label, value, unit: 'length' });
  const number = (symbol: string, label: string, value: number): Term => ({ symbol, label, value, unit: 'count' });
  const front = plan.stations[0]!;
  const near = plan.base.words[0];
  const cover = plan.cover.pieces[0]!;
  const padding = piece.pads.reduce((sum, pad) => sum + pad.thickness, 0);
  const { cut, fixing } = plan;
  const lines: SlipLine[] = [
    {
      key: 'height',
      group: 'Padding',
      label: 'Covered height at the middle',
      value: plan.surface.height,
      unit: 'length',
      formula: 'height = pads + loft × share − what the pull presses away',
      note: 'over the board',
      terms: [
        length('pads', 'All pads at the middle', padding),
        length('loft × share', 'Wadding under the cover', plan.wadding?.thickness ?? 0),
        rule('share', 'waddingUnderCover'),
      ],
    },
    {
      key: 'crown',
      group: 'Padding',
      label: 'Crown',
      value: plan.surface.crown,
      unit: 'length',
      formula: 'crown = covered middle − wadding − rim of the pad as cut',
      note: 'middle over rim',
      terms: [
        length('free', 'Crown before covering', plan.surface.freeCrown),
        ...piece.pads.filter((p) => p.role === 'crown').map((p) => length(p.id, 'Crown pad thickness', p.thickness)),
        rule('inset', 'crownInset'),
      ],
    },
    ...plan.foam.map((foam, i): SlipLine => ({
      key: `foam.${foam.pad}`,
      group: 'Padding',
      label: foam.role === 'crown' ? 'Crown pad' : foam.role === 'topper' ? 'Topper' : 'Main pad',
      value: foam.width,
      by: foam.height,
      unit: 'length',
      note: `${foam.materialName.toLowerCase()}, ${foam.layers.join(' + ')} mm, ${foam.count} to cut${foam.scrap ? ' from scraps' : ''}${foam.blocks.length > 1 ? `, ${foam.blocks.length} blocks each` : ''}`,
      formula: 'size = board + 2 × offset',
      terms: [
        length('board', 'Board width', plan.outline.width),
        ...(piece.pads[i]!.offset === null
          ? [rule('offset', foam.role === 'crown' ? 'crownInset' : 'overhang')]
          : [length('offset', 'This pad’s own overhang', piece.pads[i]!.offset)]),
      ],
    })),
    ...coverLines(plan, rule),
    {
      key: 'dust',
      group: 'Cover',
      label: 'Dust cover, cut size',
      value: plan.dustCover.width,
      by: plan.dustCover.height,
      unit: 'length',
      note: `${plan.dustCover.count} to cut`,
      formula: 'size = board − 2 × inset + 2 × turn',
      terms: [length('board', 'Board width', plan.outline.width), rule('inset', 'dustInset'), rule('turn', 'dustTurn')],
    },
  ];
  if (plan.wadding) {
    lines.splice(lines.length - 1, 0, {
      key: 'wadding',
      group: 'Cover',
      label: 'Wadding, cut size',
      value: plan.wadding.width,
      by: plan.wadding.height,
      unit: 'length',
      note: `${plan.wadding.count} to cut`,
      formula: 'each edge = board + (top − plan) + beyond',
      terms: [
        length('board', 'Board width', plan.outline.width),
        length('top − plan', `Longer over the top than in plan, ${near}`, front.top - front.planDistance),
        rule('beyond', 'waddingBeyond'),
      ],
    });
  }
  lines.push(
    {
      key: 'cloth.length',
      group: 'Buy',
      label: 'Cloth',
      value: cut.cloth.length,
      unit: 'length',
      note: `from a ${Math.round(cut.cloth.width)} mm roll, ${percent(cut.cloth.utilisation)} used`,
      formula: 'length = the shortest roll the packer fits the set on',
      terms: [
        number('pieces', 'Cloth pieces', cut.cloth.laid.length),
        length('across', 'Cover width', cover.width),
        length('along', 'Cover depth', cover.height),
        length('roll', 'Roll width', cut.cloth.width),
        rule('gap', 'clothGap'),
        rule('return', 'return'),
        rule('grip', 'grip'),
      ],
    },
    {
      key: 'foam.sheets',
      group: 'Buy',
      label: 'Foam sheets',
      value: cut.foam.sheets,
      unit: 'count',
      note: `${percent(cut.foam.utilisation)} used`,
      formula: 'sheets = the fewest the packer fits the set on, by foam and thickness',
      terms: [rule('width', 'foamSheetWidth'), rule('length', 'foamSheetLength'), rule('kerf', 'foamKerf')],
    },
    {
      key: 'staple.leg',
      group: 'Fixing',
      label: 'Staple leg',
      value: fixing.fastener.leg,
      unit: 'length',
      note: `${fixing.fastener.crown} crown`,
      formula: 'cloth stack + bite ≤ leg ≤ board − clearance',
      terms: [
        length('stack', 'Cloth, folded once', fixing.fastener.choice.stack),
        rule('bite', 'stapleBite'),
        length('board', 'Board', piece.base.board.thickness),
        rule('clearance', 'stapleClear'),
      ],
    },
    {
      key: 'staple.pitch',
      group: 'Fixing',
      label: 'Staple pitch',
      value: fixing.pitch,
      unit: 'length',
      formula: 'pitch = the house rule, evened out over each edge',
      terms: [rule('pitch', 'staplePitch'), rule('open', 'cornerOpen')],
    },
    {
      key: 'staple.count',
      group: 'Fixing',
      label: 'Staples for the set',
      value: fixing.toBuy,
      unit: 'count',
      note: `${fixing.count} in one`,
      formula: 'count × pieces × (1 + spare)',
      terms: [
        number('count', 'In one piece, dust cover included', fixing.count),
        number('pieces', 'Pieces', piece.count),
        rule('spare', 'stapleSpare'),
        rule('pitch', 'staplePitch'),
      ],
    },
    {
      key: 'minutes',
      group: 'Work',
      label: 'Work on one, with waits',
      value: plan.minutes,
      unit: 'minutes',
      formula: 'sum of the run sheet’s steps',
      terms: [
        rule('per staple', 'timeStaple'),
        rule('per corner', 'timeCorner'),
        rule('per metre of foam', 'timeCutMetre'),
        rule('wait for glue', 'timeGlueTack'),
      ],
    },
    {
      key: 'mass',
      group: 'Work',
      label: 'Mass of one, without cloth',
      value: plan.mass.total,
      unit: 'mass',
      formula: 'mass = volume × density, board and pads',
      terms: [
        { symbol: 'board', label: 'Board', value: plan.mass.board, unit: 'mass' },
        { symbol: 'foam', label: 'Foam', value: plan.mass.foam, unit: 'mass' },
        rule('overhang', 'overhang'),
      ],
    },
  );
  return lines;
}

function percent(share: number): string {
  return `${Math.round(share * 100)} %`;
}
