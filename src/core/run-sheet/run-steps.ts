import type { PanelLayout } from '../base/panels';
import type { Model } from '../padding';
import { choicesOf, wayOf, type CoverPlan, type LiningPiece } from '../cover';
import type { FoamPiece } from '../foam-cutting';
import { FASTENERS, type Fastening, type FasteningSteps } from '../fastening';
import { rowInset } from '../fastening/rows';
import { takesStaples } from '../fastening/takes-staples';
import { polygonPerimeter } from '../outline';
import { HARDWARE_KINDS, kindOf, STRIP_KINDS, type Hardware } from '../piece';
import { keptLayers, newOf, otherParts, partComes, partName, reassembly } from '../strip';
import { buttonHoles, buttonWells, drawButtons } from './button-steps';
import { boardSteps, buildSteps, deckSteps, padSteps, stripSteps } from './before-steps';
import { cutInSteps, pushSteps } from './cut-in-steps';
import { averageOfSet } from '../step/batches';
import { CAUTIONS } from '../step/cautions';
import { FINISHED, HUNG, withStops } from '../step/checkpoints';
import { looseSteps } from './loose-steps';
import { drivenSteps, offSteps, platedSteps, sawSteps } from './hardware-steps';
import { sizeOf } from './metres';
import { finishingSteps, firstSteps, lastSteps, layingSteps, readySteps, sewingSteps } from './sewing-steps';
import { endedWith, graphOf } from './graph';
import { seenIn, step, type Step, type StepDraft } from '../step/step';
import { woodSteps } from './wood-steps';

/** Plain handling times, minutes. */
const HANDLING = { refit: 2 };

/** What a run sheet is put together from. */
export type Ingredients = {
  fastening: Fastening & { model: Model };
  foam: readonly FoamPiece[];
  wadding: LiningPiece | null;
  dust: LiningPiece | null;
  cover: CoverPlan;
  /** panels on their wall, where it is one */
  panels: PanelLayout | null;
};

/** Every fastener’s own steps, in the order of work. */
function fastenerSteps(fastening: Fastening): FasteningSteps {
  const fasteningStepses = FASTENERS.filter((fastener) => fastener.used(fastening)).map((fastener) =>
    fastener.steps(fastening, fastener.places(fastening)),
  );
  const all = (when: keyof FasteningSteps): StepDraft[] => fasteningStepses.flatMap((steps) => steps[when] ?? []);
  // Trimming and ends come after the last of them: what is pulled and folded is seen in its order.
  return {
    bare: seenIn('board', all('bare')),
    ahead: all('ahead'),
    fasten: seenIn('fastening', all('fasten')),
    close: seenIn('back', all('close')),
    finish: seenIn('back', all('finish')),
  };
}

/**
 * Buttons are drawn in once the cover is tacked, before its edges take the cloth that was cut for them; where nothing is tacked, last.
 * Inside corners are cut before anything beside them is fastened.
 */
function afterTacking(
  fasten: readonly StepDraft[],
  close: readonly StepDraft[],
  buttons: readonly StepDraft[],
  cuts: readonly StepDraft[],
): StepDraft[] {
  const tacked = fasten.findIndex(({ temporary }) => temporary) + 1;
  return tacked > 0
    ? [...fasten.slice(0, tacked), ...buttons, ...cuts, ...fasten.slice(tacked), ...close]
    : [...cuts, ...fasten, ...close, ...buttons];
}

/** What stays screwed on below stands through the dust cover. */
function roundPlates(hardware: readonly Hardware[]): string {
  const phrases = HARDWARE_KINDS.filter(({ plate }) => plate).flatMap(({ id, name }) => {
    const count = hardware.filter(({ kind, comes = 'stays' }) => kind === id && comes === 'stays').length;
    return count > 0 ? [`${count > 1 ? `${count} × ` : ''}${name.toLowerCase()}`] : [];
  });
  return phrases.length > 0 ? ` Cut it round: ${phrases.join(', ')}.` : '';
}

function dustStep(model: Model, dust: LiningPiece): StepDraft {
  const { rule, piece } = model;
  const stapled = takesStaples(model);
  const old = keptLayers(piece).has('dust');
  const staples = Math.ceil(polygonPerimeter(dust.outline) / (2 * rule('staplePitch')));
  return step(
    'dust',
    old ? 'The old dust cover' : 'Dust cover',
    `${old ? '' : `${sizeOf(dust)}. `}Turn ${rule('dustTurn')} mm under, ${rule('dustInset')} mm in from the edge; ${stapled ? `its staples ${Math.round(rowInset(model, choicesOf(piece.covering), 'dust'))} mm in, a row of their own` : 'glue its fold down all round: no staple holds here'}.${roundPlates(piece.base.hardware ?? [])}`,
    (staples * rule('timeStaple')) / 60 + 1,
    { uses: ['dust', stapled ? 'staple' : 'glue'], caution: stapled ? CAUTIONS.staples : CAUTIONS.glue },
  );
}

/** A place to the left or right of a middle, as it is said. */
const aside = (x: number): string => `${Math.abs(Math.round(x))} mm ${Math.abs(x) < 0.5 ? 'off the middle' : x < 0 ? 'left' : 'right'}`;

/** One cleat, minutes. */
const CLEAT = 4;

/** Cleats are screwed on from behind, over the dust cover, before anything hangs. */
function cleatSteps(panels: PanelLayout | null): StepDraft[] {
  if (!panels) return [];
  const { hanging, mounting } = panels;
  const matching = hanging.cleats.filter(({ panel }) => panel === 0 || mounting === 'joined');
  const screw =
    hanging.screw === null
      ? 'through a batten: no screw is short enough for this board'
      : `screws of ${hanging.screw} mm at the most, or they come through into the pad`;
  const where = [...new Set(matching.map(({ x }) => aside(x)))].join(', ');
  return [
    step(
      'cleats',
      mounting === 'joined' ? 'Join the panels, screw the cleats on' : 'Screw the cleats on',
      `${mounting === 'joined' ? 'Face down on a clean blanket, edges tight, battens across all of them behind. ' : ''}Level line ${hanging.line} mm below the top edge on every one; ${mounting === 'joined' ? `${matching.length} cleats` : `${matching.length} on each, ${where} of its middle`}; ${screw}. Stand-offs as thick as the cleats near the bottom corners, so that it hangs plumb.`,
      CLEAT * Math.max(1, matching.length / (mounting === 'joined' ? panels.centres.length : 1)),
      { uses: ['fastener'], caution: CAUTIONS.saw },
    ),
  ];
}

/** Panels go up from the middle of the wall outwards, so that what the wall is out by is shared by both ends. */
function hangSteps({ rule }: Pick<Model, 'rule'>, panels: PanelLayout | null): StepDraft[] {
  if (!panels) return [];
  const { hanging, needed, rated, holds, mounting } = panels;
  const joined = mounting === 'joined';
  const marks = hanging.wall.map((x) => `${x < -0.5 ? '−' : ''}${Math.abs(Math.round(x))}`).join(', ');
  return [
    step(
      'hang',
      'Hang it',
      `Mark the middle of the wall and one level line; wall halves at ${marks} mm from the middle, − to the left. The middle panels first, then outwards on both sides, a card as thick as the gap between them. ${holds ? `The cleats ${joined ? 'together' : 'of each panel'} hold ${rated} kg; 4 × its weight is ${Math.ceil(needed)} kg. Test them with ${Math.ceil(needed)} kg, never more than ${rated} kg, before anybody leans on it.` : `Do not hang it yet: it needs ${Math.ceil(needed)} kg of cleats (4 × weight) and these hold ${rated} kg. Never test cleats beyond their rating.`}`,
      // Of one panel, as every step is.
      rule('timeHang'),
      { check: HUNG, uses: ['fastener'], caution: CAUTIONS.hanging, place: 'site' },
    ),
  ];
}

/** What came off goes back on in the reverse order; what is replaced was made new before, fasteners and hardware were not. */
function refitSteps({ piece: { strip } }: Model, laid: ReadonlySet<string>): StepDraft[] {
  // What was pinned on photos of the whole is wanted from the first thing that goes back on.
  const pinned = (strip?.photos ?? []).filter((name) => strip?.pins?.some(({ photo }) => photo === name));
  const madeNew = new Set<string>(STRIP_KINDS.filter((kind) => kind.again === 'replace').map((kind) => kind.id));
  return (
    reassembly(strip)
      .filter(({ part }) => !strip || partComes(strip, part) === 'itself')
      .filter((part) => part.again !== 'replace' || !madeNew.has(part.item.what))
      // An old cover goes on where a new one would: its own steps put it there.
      .filter((part) => part.item.what !== 'cover' || !strip?.cover.some(({ back }) => back))
      .filter((part) => part.again !== 'refit' || !laid.has(part.item.what))
      .map((part, k) =>
        step(
          `refit-${part.item.id}`,
          part.again === 'refit' ? `Put back ${part.item.name.toLowerCase()}` : `Fit new ${part.item.name.toLowerCase()}`,
          part.words,
          HANDLING.refit,
          { photos: [...(k === 0 ? pinned : []), ...part.item.photos] },
        ),
      )
  );
}

/** Parts that are laid over the others’ rows and share none. */
const IN_NO_REBATE: ReadonlySet<string> = new Set(['trim', 'below']);

/**
 * The other parts of the chair that go on before this piece or after it, each with what belongs to it. A dust cover that is cut with
 * this piece is the chair’s: it is not told twice.
 */
function partSteps({ piece: { strip } }: Model, comes: 'before' | 'after', dust: LiningPiece | null = null): StepDraft[] {
  if (!strip) return [];
  const back = reassembly(strip);
  return otherParts(strip)
    .filter((other) => other.comes === comes && !(dust && other.part === 'below' && other.items.every(({ what }) => what === 'dust')))
    .map(({ part, name, items }, k) => {
      const matching = back.filter((refit) => refit.part === part);
      const things = matching.map(({ words, again }) => (again === 'refit' ? `${words} (the old one)` : words)).join('; ');
      const first =
        k === 0 && comes === 'after'
          ? ` Cloth of the ${partName(strip.part!)} that shares its rebate is trimmed with it now, not before.`
          : '';
      return step(
        `part-${part}`,
        `${name} ${comes === 'before' ? 'first' : 'now'}`,
        `${things || 'None of it goes back on'}.${IN_NO_REBATE.has(part) ? '' : ' Its cloth has a row of staples of its own beside that of its neighbour.'}${first}`,
        Math.max(1, matching.length) * HANDLING.refit,
        { caution: CAUTIONS.staples, photos: items.flatMap(({ photos }) => photos) },
      );
    });
}

/**
 * The run sheet of one piece, in working order, with the usual caution at the step that needs it.
 *
 * @param made what was worked out for it
 */
export function runSteps({ fastening, foam, wadding, dust, cover, panels }: Ingredients): Step[] {
  // A border that nobody chose is as wide as the outline allows: every step says that one.
  const { border } = cover;
  const { piece } = fastening.model;
  const model: Model =
    border === null ? fastening.model : { ...fastening.model, piece: { ...piece, covering: { ...piece.covering, border } } };
  const { bare, ahead, fasten, close, finish } = fastenerSteps(fastening);
  const loose = Boolean(wayOf(piece.covering.way).loose);
  const drawn = drawButtons(model, cover);
  // Layers that have a step of their own go back in it.
  const laid = new Set([
    ...(wadding ? ['wadding'] : []),
    ...(dust ? ['dust'] : []),
    ...cover.linings.flatMap(({ material }) => (material === 'liner' ? ['lining'] : [material])),
  ]);
  const newCover = newOf(cover, piece);
  const steps = endedWith(
    graphOf([
      ['strip', [...offSteps(model), ...stripSteps(model)]],
      ['cloth', seenIn('cloth', readySteps(model, newCover))],
      ['strip', [...sawSteps(model), ...seenIn('board', boardSteps(model))]],
      [
        'base',
        [
          ...seenIn('board', woodSteps(model)),
          ...drivenSteps(model),
          ...firstSteps(model, cover),
          ...seenIn('board', deckSteps(model)),
          ...buttonHoles(model, cover),
          ...bare,
          ...partSteps(model, 'before'),
        ],
      ],
      ['pads', padSteps(model, foam)],
      ['piece', seenIn('section', buildSteps(model, foam, wadding, cover.zip, buttonWells(model, cover)))],
      ['cloth', seenIn('cloth', sewingSteps(model, cover, newCover))],
      ['piece', [...layingSteps(model, cover, newCover)]],
      ['cloth', seenIn('cloth', ahead)],
      [
        'piece',
        [
          ...pushSteps(model),
          ...(loose ? [...fasten, ...close] : afterTacking(fasten, close, drawn, cutInSteps(model, fastening.corners, cover))),
          ...seenIn('back', finishingSteps(model, cover)),
          // A loose cushion is buttoned once it is filled and closed: before, there is nothing for them to draw on.
          ...(loose ? drawn : []),
          ...finish,
          ...lastSteps(model, cover),
        ],
      ],
      ['loose', looseSteps(cover, model.rule)],
      [
        'piece',
        [
          // One dust cover, last of the whole chair; what is screwed on below goes through it.
          ...partSteps(model, 'after', dust),
          ...seenIn('back', [...(dust ? [dustStep(model, dust)] : []), ...cleatSteps(panels)]),
          ...platedSteps(model, dust !== null),
          ...refitSteps(model, laid),
          step('measure', 'Measure and label', 'Crown and height against the sizes; label with serial and day.', model.rule('timeLabel'), {
            check: FINISHED,
            caution: CAUTIONS.fire,
            sees: { in: 'section' },
          }),
          // Labelled behind before nobody gets there any more.
          ...hangSteps(model, panels),
        ],
      ],
    ]),
    'measure',
  );
  const { pan, wall } = kindOf(piece.kind).traits;
  return withStops(averageOfSet(steps, piece.count, model.rule('setShare')), {
    loose,
    pan,
    wall,
    patterned: piece.cloth.repeatAcross > 0 || piece.cloth.repeatAlong > 0,
    welted: cover.welts.length > 0,
    banded: cover.pieces.some(({ role }) => role === 'band'),
  });
}
