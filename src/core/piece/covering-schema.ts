import { LIMITS } from './limits';
import { id, list, number, object, shortText, yesOrNo } from './schema-parts';

/** How the cloth goes over it. */
export const COVERING = object(
  {
    way: {
      enum: ['pull-over', 'boxed', 'bordered', 'channelled', 'saddle-set', 'lipped', 'block', 'tight-deck', 'nail-edged', 'buttoned'],
    },
    liner: yesOrNo,
    slipFilm: yesOrNo,
    waterproof: yesOrNo,
    seamAt: { enum: ['on-top', 'edge', 'below'] },
    seamMoves: list(object({ at: number([0, 1]), by: number(LIMITS.seamMove) }), 24),
    bandCut: { enum: ['straight', 'shaped', null] },
    joins: { enum: ['back', 'corners'] },
    welt: object({
      cord: number(LIMITS.cord),
      cut: { enum: ['straight', 'bias'] },
      upper: yesOrNo,
      lower: yesOrNo,
      double: yesOrNo,
    }),
    border: number(LIMITS.border),
    lip: number(LIMITS.lip),
    channels: object({
      lay: { enum: ['straight', 'radiating'] },
      run: { enum: ['front-to-back', 'across'] },
      width: number(LIMITS.channel),
      centre: { enum: ['channel', 'line'] },
      backing: number(LIMITS.backing),
      swatch: {
        oneOf: [
          { type: 'null' },
          object({ lines: { type: 'integer', minimum: 1, maximum: 60 }, before: number([20, 2000]), after: number([20, 2000]) }),
        ],
      },
    }),
    buttons: object({
      columns: { type: 'integer', minimum: 1, maximum: 30 },
      rows: { type: 'integer', minimum: 1, maximum: 30 },
      spacing: number(LIMITS.spacing),
      depth: number(LIMITS.buttonDepth),
      size: number(LIMITS.button),
    }),
    nails: object({
      pitch: number(LIMITS.nailPitch),
      head: number(LIMITS.nailHead),
      small: { oneOf: [{ const: 0 }, number(LIMITS.nailHead)] },
    }),
    panelAllowance: { enum: ['add', 'none'] },
    pulls: yesOrNo,
    motif: { oneOf: [{ type: 'null' }, object({ x: number(LIMITS.plan), y: number(LIMITS.plan), on: { enum: ['stripe', 'between'] } })] },
    darts: list(number([0, 1]), 12),
    split: { enum: ['none', 'depth', 'width'] },
    topStitch: number(LIMITS.topStitch),
    doubleStitch: yesOrNo,
    backingStrips: yesOrNo,
    corrections: list(
      object({
        id,
        piece: shortText,
        what: { enum: ['height', 'width', 'depth'] },
        where: shortText,
        by: number(LIMITS.correction),
        note: { type: 'string', maxLength: 400 },
        day: { type: 'string', pattern: '^(\\d{4}-\\d{2}-\\d{2})?$' },
      }),
      60,
    ),
  },
  [
    ...['liner', 'slipFilm', 'waterproof', 'seamAt', 'seamMoves', 'bandCut', 'joins', 'welt', 'border', 'lip', 'channels', 'buttons'],
    ...['nails', 'panelAllowance', 'pulls', 'motif', 'darts', 'split', 'topStitch', 'doubleStitch', 'backingStrips', 'corrections'],
  ],
);
