import { PADDED } from '../step/checkpoints';
import { rimOf } from '../pad-rims';
import type { Model } from '../padding';
import type { FoamPiece } from '../foam-cutting';
import { shaperOf } from '../foam';
import { partWords } from '../outline';
import { kindOf, saidEdge } from '../piece';
import { CAUTIONS } from '../step/cautions';
import { hasUpperSide } from './foam-words';
import { metresRound } from './metres';
import { apartAt } from './over-all-steps';
import { step, type StepDraft } from '../step/step';

/** Working a metre of rim, or a square metre of what is carved all over: minutes. */
const MINUTES = { rimMetre: 3, areaSquare: 40, begin: 1 };

const whole = (mm: number): number => Math.round(mm);

/**
 * Working the rim of a pad; of one that is trimmed once it lies, after that.
 *
 * @param model the built piece
 * @param pad as it is cut
 * @param called as it is said within a sentence
 */
export function rimSteps({ pads, piece }: Model, { pad: id, kept, insertOf, finished }: FoamPiece, called: string): StepDraft[] {
  const built = pads.find((pad) => pad.pad.id === id);
  const rim = built && rimOf(built.pad.edge);
  const how =
    built && rim && !kept && insertOf === null
      ? rim.words(built.pad.edge, built.pad.thickness, Math.min(finished.width, finished.height))
      : null;
  if (!rim || !how) return [];
  const tool = shaperOf(piece.shapedWith);
  const minutes =
    rim.work === 'area' ? ((finished.width * finished.height) / 1e6) * MINUTES.areaSquare : metresRound([finished]) * MINUTES.rimMetre;
  return [
    step(`rim-${id}`, `Work the rim of the ${called}`, `${how} ${tool.name} to finish: ${tool.how}.`, MINUTES.begin + tool.time * minutes, {
      check: PADDED,
      caution: tool.caution === 'disc' ? CAUTIONS.disc : CAUTIONS.shaping,
      sees: { in: 'section', pad: id },
    }),
  ];
}

/**
 * Which side of a pad comes up, where that is not all one.
 *
 * @param model the built piece
 * @param pad as it is cut
 */
export function sideUp({ pads }: Model, pad: FoamPiece): string {
  const backed = pads.find((builtPad) => builtPad.pad.id === pad.pad)?.foam.type === 'backed';
  return `${backed ? ', foam side down, its backing up' : ''}${hasUpperSide(pad) ? ', the marked side up' : ''}`;
}

/** How far over the edge, as it is measured: half a millimetre is nothing. */
const FLUSH = 0.5;

/**
 * Where a pad's edge comes to lie: from what, how far, and where it is otherwise.
 *
 * @param model the built piece
 * @param pad as it is cut
 * @param below the pad that it is laid on; null where that is the base
 */
export function placedWords(model: Model, { pad: id, trimmed }: FoamPiece, below: string | null): string {
  const { pads, piece, rule } = model;
  const built = pads.find((pad) => pad.pad.id === id);
  if (!built || built.pad.outline) return 'on its marks, as drawn';
  const cut = apartAt(model, id);
  if (cut)
    return `its cut edge close against the lip${cut.toNear ? ` and flush with the board’s along the ${saidEdge(piece.kind, 'front')}` : ''}`;
  const over = built.offset + (trimmed ? rule('foamOversize') : 0);
  const under = pads.find((pad) => pad.pad.id === below);
  if (under && !under.pad.outline && Math.abs(under.offset - over) < FLUSH) return 'its edges flush with the pad below';
  const edge = kindOf(piece.kind).traits.pan ? 'pan’s' : 'board’s';
  const against = over < FLUSH ? [] : (piece.base.edges ?? []).filter((candidate) => candidate.against).map(({ edge }) => partWords(edge));
  const flush = against.length > 0 ? `, flush at the ${against.join(' and the ')}` : '';
  if (Math.abs(over) < FLUSH) return `its edges flush with the ${edge}`;
  if (over < 0) return `its edge ${whole(-over)} mm in from the ${edge} all round`;
  return `${whole(over)} mm over the ${edge} edge all round${flush}${trimmed ? ', to be trimmed' : ''}`;
}
