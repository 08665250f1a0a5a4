import type { WareKind } from '../wares';
import type { Bought } from '../wares';
import { FASTENED } from '../step/checkpoints';
import { clothsOn } from '../cover';
import { BOARDS, findMaterial } from '../foam';
import { polygonPerimeter } from '../outline';
import { CAUTIONS } from '../step/cautions';
import { step, type StepDraft } from '../step/step';
import { meetAgain, meetings } from '../meeting-marks';
import { sayLength, type Warning } from '../warning';
import { heldBy, holdsOf, nextBest, ownHolds, shareHeld } from './held';
import { staplePlaces } from './staple-places';
import type { Fastener, Fastening, SoldSize } from './fasteners/fastener';
import { cornerStep, drawnOver, endSteps, reliefStep, trimStep } from './fastening-steps';
import { fasteningDepth } from './depth';

/** What holds the cover along its edge other than staples and rivets, in what it differs from them. */
type HoldFacts = {
  id: string;
  name: string;
  /** what it is for, in a line */
  words: string;
  /** what it is bought as */
  ware: Bought;
  /** kinds of wares that it takes beside itself */
  uses?: readonly WareKind[];
  /** no farther from each other than this, mm */
  apart: number;
  /** minutes for one of them */
  each: number;
  /** lengths that it is sold in where it bites into wood, mm; none where it needs no wood */
  lengths?: readonly number[];
  /** beyond the folded cloth it goes into the wood by this at least, mm */
  bite?: number;
  size: (length: number) => { says: string; sold?: SoldSize };
  /** what holds it while it is looked at */
  temporary: string;
  /** how it is set, after its count */
  how: string;
  caution: string;
  /** one of it, in a word */
  one: string;
  /** what stands over is trimmed once it holds: beyond what */
  trimmed?: string;
  /** what is sewn to the cloth's edge before it is pulled on, trimmed first: what holds it has no edge to trim afterwards */
  sewn?: { name: string; words: string; /** rows of stitching */ rows: number; /** minutes */ metre: number };
  /** bought by length or area, mm or mm², instead of by its count */
  bulk?: { unit: 'thread' | 'area'; amount: (fastening: Fastening) => number };
};

/** What is held: the cover folded once. */
const FOLDED = 2;
/** A point stops so far short of the far face, mm. */
const CLEAR = 1;

/** The length that holds: the shortest that bites enough and does not come through; the shortest of all where none does. */
export function lengthOf({ model }: Fastening, lengths: readonly number[], bite: number): { length: number; fits: boolean } {
  const stack = FOLDED * Math.max(...clothsOn(model.piece).map(({ thickness }) => thickness));
  const depth = fasteningDepth(model.piece);
  const found = lengths.find((length) => length >= stack + bite && length <= stack + depth - CLEAR);
  return { length: found ?? lengths[0]!, fits: found !== undefined };
}

/** What is sewn to the edge before the cover is pulled on, where something is; so many metres of it. */
function sewnOn({ sewn, ware, uses = [] }: HoldFacts, key: string, first: string, metres: number): StepDraft[] {
  if (!sewn) return [];
  const words = `${first}${sewn.words}`;
  return [
    step(key, sewn.name, words, metres * sewn.metre, { uses: [ware.kind, ...uses, 'thread'], caution: CAUTIONS.machine, place: 'machine' }),
  ];
}

/** Makes a fastener of what holds a cover along its edge. */
export function edgeHold(facts: HoldFacts): Fastener {
  const { id, name, ware, words, apart, each, lengths, bite = 0, size, temporary, how, caution, one, trimmed, sewn, bulk } = facts;
  const uses = [ware.kind, ...(facts.uses ?? [])];
  const chosen = (fastening: Fastening) => (lengths ? lengthOf(fastening, lengths, bite) : { length: 0, fits: true });
  return {
    id,
    name,
    kind: 'other',
    holdsEdge: true,
    ware,
    words,
    caution,
    used: ({ model }) => holdsOf(model).includes(id),
    size: (fastening) => {
      const { length, fits } = chosen(fastening);
      return { fits, ...size(length) };
    },
    places: ({ model, corners }) => staplePlaces(model, corners, id, apart),
    spare: (rule) => rule('stapleSpare'),
    ...(bulk ? { bulk } : {}),
    ...(sewn ? { seam: ({ model }) => sewn.rows * shareHeld(model, id) * polygonPerimeter(model.board) } : {}),
    steps: (fastening, places) => {
      const { model } = fastening;
      const count = bulk ? '' : `${places.length} of them, ${size(chosen(fastening).length).says}, as numbered; `;
      // Along a single edge: what holds the rest is set, and what stands over trimmed, with the whole.
      if (heldBy(model) !== id) {
        const edges = ownHolds(model).filter(({ by }) => by === id);
        const long = edges.reduce((sum, { length }) => sum + length, 0) / 1000;
        const sew = sewnOn(facts, `edge-sewn-${id}`, '', long);
        const task = `${name}: hold the ${edges.map(({ edge }) => edge).join(' and the ')}`;
        return { ahead: sew, fasten: [step(id, task, `${count}${how}`, places.length * each, { check: FASTENED, uses, caution })] };
      }
      const corner = cornerStep(fastening, { caution, by: one });
      const metres = polygonPerimeter(model.board) / 1000;
      return {
        ahead: sewnOn(facts, 'edge-sewn', 'Trim the cloth along its trim line first; ', metres),
        fasten: [
          step(
            'tack',
            'Set the centres',
            `${drawnOver(model)}Centre marks on centre lines, opposite sides in turn; ${temporary}.${meetAgain(meetings(model.piece.strip, model.outline))}`,
            4,
            { uses, temporary: true, caution },
          ),
          ...reliefStep(fastening),
          step(id, `${name}: hold the cover`, `${count}${how}`, places.length * each, { check: FASTENED, uses, caution }),
        ],
        close: [...(corner ? [corner] : []), ...endSteps(model), ...(trimmed ? [trimStep(model, trimmed)] : [])],
      };
    },
    warnings: (fastening): Warning[] => {
      const { fits } = chosen(fastening);
      const { board } = fastening.model.piece.base;
      if (!lengths) return [];
      const bites = findMaterial(BOARDS, board.material)!.bears;
      const edge = (fastening.model.piece.base.edges ?? []).findIndex(({ held }) => held === id);
      const where = heldBy(fastening.model) === id ? 'covering.held' : `base.edges.${edge}.held`;
      if (fits && bites) return [];
      const why = bites
        ? `${sayLength(fasteningDepth(fastening.model.piece))} of wood is too little for any length sold`
        : 'this board holds nothing that is driven into it';
      return [
        {
          code: 'hold-too-shallow',
          where,
          message: `${name} do not hold here: ${why}. Next best: ${nextBest(fastening.model)}.`,
          mend: { says: 'Glue it', path: where, value: 'glue' },
        },
      ];
    },
  };
}
