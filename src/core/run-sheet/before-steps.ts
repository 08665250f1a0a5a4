import { BASE_SOUND, PADDED } from '../step/checkpoints';
import { deckPlan, isMoulded, stretchedIn } from '../base';
import type { Model } from '../padding';
import { wayOf, type LiningPiece, type ZipPlan } from '../cover';
import { endsOf, gluedLayers, type FoamPiece } from '../foam-cutting';
import { cutterOf, deckOf, glueOf, shaperOf } from '../foam';
import { outlineSize, type Outline } from '../outline';
import { formOf } from '../pad-forms';
import { formedPad, kindOf, letInto, type Opening, type Pad, type StripItem, type StripRecord } from '../piece';
import { findingOf, inTurn, meetings, partName, partOf } from '../strip';
import { CAUTIONS } from '../step/cautions';
import { calledOf, cutWords } from './foam-words';
import { letInStep } from './let-in-steps';
import { metresRound } from './metres';
import { cutApartWords, overAllStep } from './over-all-steps';
import { placedWords, rimSteps, sideUp } from './pad-steps';
import { placeOnBoard } from './place-words';
import { step, type StepDraft } from '../step/step';

/** Plain handling times that no house rule is worth having for, minutes. */
const HANDLING = { setOut: 2, finding: 10, keep: 10, hessian: 8, form: 12, deckCheck: 4 };

/** Of gluing, this share is spraying; the rest is laying and pressing. */
const SPRAYING = 0.6;

/** What holds well and is in nobody’s way is left where it is. */
function staysWords(items: readonly StripItem[]): string {
  const stays = items.filter(({ again }) => again === 'stays').map(({ name, where }) => (where ? `${name} (${where})` : name));
  return stays.length > 0 ? ` Leave in: ${stays.join(', ')}; hammer down anything proud.` : '';
}

/** What is marked on cover and base before they part. */
function meetWords(strip: StripRecord, outline: Outline): string {
  const marks = meetings(strip, outline);
  return marks.length > 0
    ? ` Across cover and base, with one stroke each: ${marks.map(({ letter, words }) => `${letter} (${words})`).join('; ')}.`
    : '';
}

/** What comes off, in its order; of several parts of a chair from the outermost in. */
function offWords(strip: StripRecord): string {
  const off = inTurn(strip).filter(({ again }) => again !== 'stays');
  let text: string | null = null;
  const words = off.map((item) => {
    const part = partOf(strip, item);
    // A name that says it already is not said twice.
    const named = part && item.name.toLowerCase().includes(partName(part));
    const head = part && part !== text && !named ? `${partName(part)}: ` : '';
    text = part;
    return `${head}${item.name}`;
  });
  if (strip.items.length > 0 && words.length === 0) return 'Nothing comes off';
  return `${words.join(', ') || 'All of it'}; mark where each sat before it comes off`;
}

/** Taking the old work off, and what was found under it. */
export function stripSteps({ piece: { strip }, outline, rule }: Model): StepDraft[] {
  const steps: StepDraft[] = [];
  if (strip && (strip.items.length > 0 || strip.photos?.length || strip.meet?.length))
    steps.push(
      step(
        'strip',
        'Strip',
        `${offWords(strip)}.${meetWords(strip, outline)}${staysWords(strip.items)}`,
        Math.max(1, strip.items.filter(({ again }) => again !== 'stays').length) * rule('timeStripItem'),
        { caution: CAUTIONS.strip, photos: [...(strip.photos ?? []), ...strip.items.flatMap((item) => item.photos)] },
      ),
    );
  for (const id of strip?.findings ?? []) {
    const finding = findingOf(id);
    if (finding)
      steps.push(
        step(`finding-${id}`, finding.name, finding.consequence, HANDLING.finding, finding.caution ? { caution: finding.caution } : {}),
      );
  }
  return steps;
}

/** Looking the board over. */
export function boardSteps({ piece, outline, rule }: Model): StepDraft[] {
  if (placementOf({ piece }) === 'loose')
    return [
      step(
        'board',
        'Look at what it lies on',
        'Flat and sound, nothing that stands up through the padding or rubs the cover; measure it once more, left against right.',
        rule('timeBoardCheck'),
        { check: BASE_SOUND, uses: ['board'], caution: CAUTIONS.base },
      ),
    ];
  return [
    step(
      'board',
      'Check the board',
      `${kindOf(piece.kind).traits.pan || isMoulded(piece.base) ? 'Sound at its mounts, no crack, old rivets out and their holes round; break sharp edges; mark its middle line underneath.' : 'Flat, sound and square; break sharp edges; mark both centre lines underneath.'}${triedBare(piece.base.opening, outlineSize(outline))}`,
      rule('timeBoardCheck'),
      { check: BASE_SOUND, uses: ['board'], caution: kindOf(piece.kind).traits.pan ? CAUTIONS.saddle : CAUTIONS.base },
    ),
  ];
}

/** The bare board is tried where it goes: the cover takes what is left beside it. */
function triedBare(opening: Opening | null | undefined, board: { width: number; depth: number }): string {
  if (!opening) return '';
  const beside = (between: number | null, value: number, words: string): string[] =>
    between === null ? [] : [`${Math.round((between - value) * 5) / 10} mm ${words}`];
  const left = [...beside(opening.width, board.width, 'left and right'), ...beside(opening.depth, board.depth, 'near and far')];
  return left.length > 0 ? ` Try it bare where it goes: ${left.join(', ')}; the cover takes the most of it.` : '';
}

/** Stretching webbing or hooking springs, before anything lies on them. */
export function deckSteps({ piece, board, rule }: Model): StepDraft[] {
  const deck = deckPlan(board, piece.base);
  if (!deck) return [];
  if (deck.stays)
    return [
      step(
        'deck-check',
        `Look over the old ${deck.clips > 0 ? 'springs' : 'webbing'}`,
        `It stays in. Lean on it: the hand goes down ${stretchedIn(piece.base)!.give} mm, alike all over. Fasten any end that has worked loose again beside its old place; replace any that is frayed, rusted or slack.`,
        HANDLING.deckCheck,
        { caution: CAUTIONS.tension },
      ),
    ];
  const phrases = (['along', 'across'] as const).flatMap((way) => {
    const matching = deck.straps.filter((strap) => strap.way === way);
    if (matching.length === 0) return [];
    const cuts = matching.map(({ cut }) => Math.round(cut));
    const [least, most] = [Math.min(...cuts), Math.max(...cuts)];
    return [`${matching.length} ${way === 'along' ? 'front to back' : 'across'} of ${least === most ? most : `${least} to ${most}`} mm`];
  });
  return [
    step(
      'deck',
      deck.clips > 0 ? 'Hook in the springs' : 'Stretch the webbing',
      `${phrases.join(', ')}, each stretched by ${Math.round(deck.stretch)} %. ${deck.how} Leant on, the hand goes down ${stretchedIn(piece.base)!.give} mm.`,
      deck.straps.length * rule('timeStrap'),
      {
        uses: [deckOf(deck.kind).ware.kind, ...(deck.clips > 0 ? (['spring'] as const) : []), deckOf(deck.kind).holds.kind],
        caution: CAUTIONS.tension,
      },
    ),
    step(
      'hessian',
      'Hessian over it',
      `${Math.round(deck.hessian.width)} × ${Math.round(deck.hessian.height)} mm, tight but not strained, the edges turned over and stapled on the rails; the padding lies on it.`,
      HANDLING.hessian,
      { uses: ['hessian', 'staple'], caution: CAUTIONS.staples },
    ),
  ];
}

/** What is done with an old pad before it goes back in. */
const KEEPING = {
  stays:
    'Leave it where it is. Brush it and draw the dust off; glue down any edge that has come loose, level what is torn and fill it with an offcut.',
  'as-is': 'Lay it back as it lay, by the marks made before it came off.',
  cleaned: 'Brush it out of doors and draw the dust off; cut away what is torn or hard, and fill it with an offcut.',
  turned: 'Turn it over, the worn side down; see that it still lies flat to the edge.',
  trimmed: 'Cut the worn rim off square and glue on a strip of the same height.',
} as const;

/** Once the glue holds, the rough-cut pad is brought to its line. */
function trimStep({ rule }: Model, pad: FoamPiece, name: string, overhang: number): StepDraft {
  const guide =
    overhang >= 1 ? `held off the board’s edge by a ${Math.round(overhang * 10) / 10} mm strip` : 'flat against the board’s edge';
  return step(
    `trim-${pad.pad}`,
    `Trim the ${name} to the board`,
    `When the glue holds: blade upright, ${guide}, one long stroke a side, to ${Math.round(pad.finished.width)} × ${Math.round(pad.finished.height)} mm. Keep the strips.`,
    (metresRound([pad.finished]) * rule('timeCutMetre')) / 60,
    { check: PADDED, caution: CAUTIONS.knife, sees: { in: 'section', pad: pad.pad } },
  );
}

/** What is done to a pad's top, by its form. */
function formWords(pad: Pad, upright: boolean): string | null {
  const { profile, wedge, thickness } = pad;
  if (profile) return formOf(profile).words(profile, formedPad(pad), (x, y) => placeOnBoard(x, y, upright));
  if (typeof wedge !== 'number' || wedge === thickness) return null;
  const [one, other] = endsOf(pad);
  return `Hold the stencil to both sides and cut from line to line: ${Math.round(thickness)} mm at the ${one} edge, ${Math.round(wedge)} mm at the ${other} edge.`;
}

/** One slope through a block makes two wedges: the upper one is turned round. */
function pairWords(pad: Pad, made: number): string {
  const { thickness, wedge } = pad;
  const say = (mm: number): number => Math.round(mm);
  const [one, other] = endsOf(pad);
  return `Two from each block of ${say(made)} mm: hold the stencil to both sides, ${say(thickness)} mm at the ${one} edge and ${say(wedge!)} mm at the ${other} edge, and cut once from line to line; what comes off above is the second wedge, turned round and over. Mark ${one} and ${other} on both.`;
}

/** Giving the tops of new pads their form, before they are glued. */
function formSteps({ kind, pads, shapedWith }: Model['piece'], foam: readonly FoamPiece[]): StepDraft[] {
  const tool = shaperOf(shapedWith);
  return pads.flatMap((pad) => {
    const cut = foam.find((foamPiece) => foamPiece.pad === pad.id);
    const how = pad.kept ? null : cut?.pair ? pairWords(pad, cut.made) : formWords(pad, kindOf(kind).traits.upright);
    return how
      ? [
          step(
            `form-${pad.id}`,
            `Shape the ${calledOf({ pad: pad.id, role: pad.role }, foam)}`,
            `${how} ${tool.name} to finish: ${tool.how}.`,
            tool.time * HANDLING.form,
            {
              caution: tool.caution === 'disc' ? CAUTIONS.disc : CAUTIONS.shaping,
              sees: { in: 'section', pad: pad.id },
            },
          ),
        ]
      : [];
  });
}

/** Cutting the foam, carving its pockets. */
function cutSteps(model: Model, foam: readonly FoamPiece[]): StepDraft[] {
  const { piece, rule } = model;
  const tool = cutterOf(piece.cutWith);
  const layers = foam.filter(({ kept }) => !kept).flatMap((pad) => pad.layers.map(() => pad));
  const cut = foam.filter(({ kept }) => !kept).map((pad) => cutWords(pad, foam, rule('foamOversize')));
  const steps = [
    ...foam.flatMap((pad) =>
      pad.kept
        ? [
            step(`kept-${pad.pad}`, `The old ${calledOf(pad, foam)}`, KEEPING[pad.kept], HANDLING.keep, {
              caution: CAUTIONS.strip,
              sees: { in: 'section', pad: pad.pad },
            }),
          ]
        : [],
    ),
    ...(layers.length > 0
      ? [
          step(
            'foam',
            'Cut the foam',
            `${cut.join('. ')}. ${tool.name}: ${tool.how}.`,
            (tool.time * metresRound(layers) * rule('timeCutMetre')) / 60 + layers.length * HANDLING.setOut,
            {
              uses: layers.every(({ scrap }) => scrap) ? [] : ['foam'],
              caution: CAUTIONS[tool.caution],
              place: 'table',
              sees: { in: 'foam' },
            },
          ),
        ]
      : []),
  ];
  steps.push(
    ...formSteps(piece, foam),
    ...foam.filter(({ trimmed }) => !trimmed).flatMap((pad) => rimSteps(model, pad, calledOf(pad, foam))),
  );
  for (const pad of piece.pads) {
    const called = calledOf({ pad: pad.id, role: pad.role }, foam);
    letInto(pad).forEach((pocket, value, all) => steps.push(letInStep(pad, called, { pocket, index: value, of: all.length }, rule)));
  }
  return steps;
}

/** Whether the padding lies on its base, or is held by its cover alone: then its lowest layer is glued to nothing. */
function placementOf({ piece }: Pick<Model, 'piece'>): 'loose' | 'on its base' {
  return wayOf(piece.covering.way).loose ? 'loose' : 'on its base';
}

/** One joint: in how many layers, whether the glue is tried at it, what the pad is called, and which pad it lies on. */
type Joint = { joints: number; first: boolean; name: string; below: string | null };

/** What is glued to itself before the pad is laid. */
function firstGlued({ blocks, layers }: FoamPiece): string {
  const first = [
    ...(blocks.length > 1 ? ['the blocks to each other'] : []),
    ...(layers.length > 1 ? ['its layers on each other, edges flush'] : []),
  ];
  return first.length > 0 ? `Glue ${first.join(' and ')} first. ` : '';
}

/** Both faces are sprayed and left to tack, and only then is the pad laid. */
function glueSteps(model: Model, pad: FoamPiece, { joints, first, name, below }: Joint): StepDraft[] {
  const { rule, piece } = model;
  const glue = glueOf(piece.glue);
  const where = below === null && placementOf(model) === 'loose' ? 'its layers flush on each other' : placedWords(model, pad, below);
  const detail = `${firstGlued(pad)}${cutApartWords(model, pad.pad)}${pad.role === 'crown' ? 'Centre it on the marks' : 'Lay it from the middle outwards'}${sideUp(model, pad)}, ${where}.`;
  const faces = rule('glueFaces');
  const minutes = (pad.area / 1e6) * faces * rule('timeGlueSquare') * joints;
  const sees = { in: 'section', pad: pad.pad } as const;
  return [
    step(
      `spray-${pad.pad}`,
      `${glue?.verb ?? 'Spray'} for the ${name}`,
      `${first ? 'A test patch on a scrap first. ' : ''}${faces > 1 ? 'Both faces' : placementOf(model) === 'loose' ? 'The lower face' : 'The board’s face'}${placementOf(model) === 'loose' ? ' of every joint' : ''}, an even coat${glue ? ` (${glue.how})` : ''}; ${faces > 1 ? 'leave them until the glue is tacky' : 'lay it as soon as it is tacky'}.`,
      minutes * SPRAYING,
      { uses: ['glue'], caution: CAUTIONS.glue, place: 'spray', wait: rule('timeGlueTack'), open: rule('timeGlueOpen'), sees },
    ),
    step(`glue-${pad.pad}`, `Lay the ${name}`, `${detail} Press it down all over.`, minutes * (1 - SPRAYING), {
      check: PADDED,
      wait: rule('timeGluePress'),
      sees,
    }),
    ...(pad.trimmed
      ? [trimStep(model, pad, name, model.pads.find((builtPad) => builtPad.pad.id === pad.pad)?.offset ?? 0), ...rimSteps(model, pad, name)]
      : []),
  ];
}

/** Gluing every pad that lies on something; the glue is tried before the first. */
function gluing(model: Model, foam: readonly FoamPiece[]): StepDraft[] {
  return foam
    .filter(({ insertOf }) => insertOf === null)
    .map((pad, i, all) => ({ pad, below: all[i - 1]?.pad ?? null, joints: gluedLayers(pad, i === 0 && placementOf(model) === 'loose') }))
    .filter(({ joints }) => joints > 0)
    .flatMap(({ pad, joints, below }, i) => glueSteps(model, pad, { joints, below, first: i === 0, name: calledOf(pad, foam) }));
}

/** What is done to the pads before they come together with the base. */
export function padSteps(model: Model, foam: readonly FoamPiece[]): StepDraft[] {
  return foam.length > 0 ? cutSteps(model, foam) : [];
}

/**
 * Gluing the pads on, and the wadding over them.
 *
 * @param model the built piece
 * @param foam as it is cut
 * @param wadding over all, or none
 * @param zip of a cover that comes off
 * @param wells what is cut into the foam once it lies
 */
export function buildSteps(
  model: Model,
  foam: readonly FoamPiece[],
  wadding: LiningPiece | null,
  zip: ZipPlan | null,
  wells: readonly StepDraft[],
): StepDraft[] {
  const pads = [...(foam.length > 0 ? gluing(model, foam) : []), ...wells];
  return wadding ? [...pads, overAllStep(model, wadding, zip)] : pads;
}
