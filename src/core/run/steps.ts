import type { Model } from '../build';
import type { CornerPlan, CoverPlan, LiningPiece } from '../cover';
import type { FoamPiece } from '../cut';
import { polygonPerimeter } from '../outline';
import { findingOf, reassembly } from '../strip';
import { CAUTIONS } from './cautions';
import { sewingSteps } from './sewing-steps';

/** One step of the run sheet. Minutes are for one piece of the set. */
export type Step = {
  key: string;
  name: string;
  detail: string;
  minutes: number;
  /** minutes of waiting that follow, hands free */
  wait: number;
  caution?: string;
  /** photos that show how it was */
  photos?: string[];
};

/** Plain handling times that no house rule is worth having for, minutes. */
const HANDLING = {
  checkBoard: 4,
  layWadding: 3,
  turnAndCentre: 2,
  trim: 3,
  measure: 4,
  takeOff: 3,
  finding: 10,
  refit: 2,
  carvePass: 2,
} as const;

/** Parts that the steps before have already made new. */
const MADE_NEW = new Set(['cover', 'film', 'wadding', 'pad', 'fastener']);

type Ingredients = {
  foam: readonly FoamPiece[];
  cover: CoverPlan;
  wadding: LiningPiece | null;
  corners: readonly CornerPlan[];
  staples: number;
  leg: number;
  dustStaples: number;
};

/**
 * The run sheet of one piece, in working order, with the usual caution at the step that needs it.
 *
 * @param model the built piece
 * @param made what was worked out for it
 */
export function runSteps(model: Model, made: Ingredients): Step[] {
  const rule = model.rule;
  const steps: Step[] = [];
  const add = (
    key: string,
    name: string,
    detail: string,
    minutes: number,
    caution?: string,
    wait = 0,
    photos: readonly string[] = [],
  ): void => {
    steps.push({
      key,
      name,
      detail,
      minutes: Math.max(1, Math.round(minutes)),
      wait: Math.round(wait),
      ...(caution ? { caution } : {}),
      ...(photos.length > 0 ? { photos: [...photos] } : {}),
    });
  };
  const metres = (pieces: readonly { outline: LiningPiece['outline'] }[]): number =>
    pieces.reduce((sum, piece) => sum + polygonPerimeter(piece.outline) / 1000, 0);
  const { strip } = model.piece;
  if (strip && strip.items.length > 0)
    add(
      'strip',
      'Strip',
      `${strip.items.map((item) => item.name).join(', ')}; mark where each sat before it comes off.`,
      strip.items.length * HANDLING.takeOff,
      CAUTIONS.strip,
      0,
      strip.items.flatMap((item) => item.photos),
    );
  for (const id of strip?.findings ?? []) {
    const finding = findingOf(id);
    if (finding) add(`finding-${id}`, finding.name, finding.consequence, HANDLING.finding, finding.caution ?? undefined);
  }
  add(
    'board',
    'Check the board',
    'Flat, sound and square; break sharp edges; mark both centre lines underneath.',
    HANDLING.checkBoard,
    model.piece.kind === 'saddle' ? CAUTIONS.saddle : CAUTIONS.base,
  );
  if (made.foam.length > 0) {
    const layers = made.foam.flatMap((piece) => piece.layers.map(() => piece));
    add(
      'foam',
      'Cut the foam',
      layers
        .map(
          (p) =>
            `${p.role === 'topper' ? 'topper' : `${p.role} pad`} ${p.materialName.toLowerCase()}${p.scrap ? ', from scraps' : ''}${p.blocks.length > 1 ? `, in ${p.blocks.length} blocks` : ''}`,
        )
        .join(', '),
      (metres(layers) * rule('timeCutMetre')) / 60,
      CAUTIONS.knife,
    );
    for (const { id, role, pocket } of model.piece.pads) {
      if (!pocket) continue;
      const passes = Math.ceil(pocket.deep / rule('carvePass') - 1e-9);
      add(
        `pocket-${id}`,
        `Carve the pocket in the ${role === 'topper' ? 'topper' : `${role} pad`}`,
        `${passes} even passes, feeling left against right after each; glue the insert in flush.`,
        passes * HANDLING.carvePass,
        CAUTIONS.knife,
      );
    }
    for (const piece of made.foam) {
      const name = piece.role === 'topper' ? 'Glue on the topper' : `Glue on the ${piece.role} pad`;
      const detail =
        piece.role === 'crown'
          ? 'Centre it on the marks; carve its rim as drawn.'
          : `${piece.blocks.length > 1 ? 'Glue the blocks to each other first. ' : ''}Lay it from the middle outwards, even overhang all round.`;
      add(
        `glue-${piece.pad}`,
        name,
        detail,
        (piece.area / 1e6) * 2 * rule('timeGlueSquare') * piece.layers.length,
        CAUTIONS.glue,
        rule('timeGlueTack'),
      );
    }
  }
  if (made.wadding)
    add(
      'wadding',
      'Lay the wadding',
      'Glue on top, down the sides, staple under; no fold at the corners.',
      HANDLING.layWadding + (metres([made.wadding]) * rule('timeClothMetre')) / 60,
      CAUTIONS.glue,
    );
  const sewing = sewingSteps(model, made.cover, metres);
  for (const step of sewing.before) add(step.key, step.name, step.detail, step.minutes, step.caution);
  add(
    'tack',
    'Tack the centres',
    'Centre marks on centre lines: front, back, left, right; temporary, half driven.',
    HANDLING.turnAndCentre + (4 * rule('timeStaple')) / 60,
    CAUTIONS.staples,
  );
  const edgeStaples = Math.max(0, made.staples - 4);
  add(
    'staple',
    'Staple outwards',
    `${edgeStaples} staples, ${made.leg} mm leg, opposite sides in turn as numbered; ${model.piece.cloth.pull === 'taut' ? 'pull taut with the flat of the hand' : 'smooth only, no pull'}.`,
    (edgeStaples * rule('timeStaple')) / 60,
    CAUTIONS.staples,
  );
  if (made.corners.length > 0) {
    const folded = made.corners.filter((corner) => !corner.inside);
    const pleats = [...new Set(folded.map((corner) => corner.pleats))].join(' or ');
    const inside = made.corners.length - folded.length;
    add(
      'corners',
      'Fold the corners',
      `${folded.length} corners, ${pleats} ${pleats === '1' ? 'pleat' : 'pleats'} each${inside > 0 ? `; cut into ${inside} inside ${inside === 1 ? 'corner' : 'corners'} so that the cloth can spread` : ''}; relieve the cloth as drawn first.`,
      made.corners.length * rule('timeCorner'),
      CAUTIONS.staples,
    );
  } else {
    add(
      'relief',
      'Relieve the edge',
      'Cut the cloth under the board as drawn; lay the tabs over each other.',
      rule('timeCorner'),
      CAUTIONS.shears,
    );
  }
  add('trim', 'Trim', `Along the trim line, ${rule('stapleToTrim')} mm outside the staples.`, HANDLING.trim, CAUTIONS.shears);
  for (const step of sewing.after) add(step.key, step.name, step.detail, step.minutes, step.caution);
  add(
    'dust',
    'Dust cover',
    `Turn ${rule('dustTurn')} mm under, ${rule('dustInset')} mm in from the edge.`,
    (made.dustStaples * rule('timeStaple')) / 60 + 1,
    CAUTIONS.staples,
  );
  // What came off goes back on in the reverse order; what is replaced was made new above, fasteners and hardware were not.
  for (const step of reassembly(strip)) {
    if (step.again === 'replace' && MADE_NEW.has(step.item.what)) continue;
    add(
      `refit-${step.item.id}`,
      step.again === 'refit' ? `Put back ${step.item.name.toLowerCase()}` : `Fit new ${step.item.name.toLowerCase()}`,
      step.words,
      HANDLING.refit,
      undefined,
      0,
      step.item.photos,
    );
  }
  add('measure', 'Measure and label', 'Crown and height against the slip; label with serial and day.', HANDLING.measure, CAUTIONS.fire);
  return steps;
}
