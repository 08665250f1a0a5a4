import { isSawn, plateScrew } from '../base';
import type { Model } from '../padding';
import { HARDWARE_KINDS, hardwareKind, kindOf, type Hardware } from '../piece';
import { CAUTIONS } from '../step/cautions';
import { step, type StepDraft } from '../step/step';
import { wayOf } from '../cover';
import { placeOnBoard } from './place-words';

/** Taking one thing off: minutes. */
const OFF = 1;

/** Hardware by its kind, in the list’s order, with what each lot is called. */
function lots(items: readonly Hardware[]): { kind: (typeof HARDWARE_KINDS)[number]; items: Hardware[]; says: string }[] {
  return HARDWARE_KINDS.flatMap((kind) => {
    const matching = items.filter((item) => item.kind === kind.id);
    if (matching.length === 0) return [];
    const name = kind.name.toLowerCase();
    return [{ kind, items: matching, says: matching.length > 1 ? `${matching.length} × ${name}` : name }];
  });
}

/** Where each of a lot sits, measured from the middle of the board. */
const places = (items: readonly Hardware[], { kind }: Pick<Model['piece'], 'kind'>): string =>
  items.map(({ x, y }) => placeOnBoard(x, y, kindOf(kind).traits.upright)).join('; ');

const isFitted = ({ comes = 'stays' }: Hardware): boolean => comes !== 'stays';

/** What is in the way comes off before anything else is done, and is bagged with its screws. */
export function offSteps({ piece }: Model): StepDraft[] {
  const off = (piece.base.hardware ?? []).filter(({ comes }) => comes === 'refit');
  if (off.length === 0) return [];
  return [
    step(
      'hardware-off',
      'Take the hardware off',
      `${lots(off)
        .map(({ says }) => says)
        .join(', ')}: mark where each sat, bag them with their screws.`,
      off.length * OFF,
      { caution: CAUTIONS.base, sees: { in: 'back' } },
    ),
  ];
}

/** The board is sawn before anything is fixed to it. */
export function sawSteps({ piece, rule }: Model): StepDraft[] {
  const { base, covering } = piece;
  if (!isSawn(base) || wayOf(covering.way).loose) return [];
  const holes = base.holes?.length ?? 0;
  return [
    step(
      'saw-board',
      'Saw the board',
      `From the sheet as laid out. Draw round the template, mark its front and both centre lines; saw outside the line, sand to it. Break every edge that cloth is pulled over.${holes > 0 ? ` Then its ${holes === 1 ? 'hole' : `${holes} holes`}, a scrap clamped behind so that the back does not split.` : ''}`,
      rule('timeSawBoard') + holes,
      { uses: ['board'], caution: CAUTIONS.saw, sees: { in: 'board' } },
    ),
  ];
}

/** What is driven into the bare board. */
export function drivenSteps({ piece, rule }: Model): StepDraft[] {
  const driven = (piece.base.hardware ?? []).filter((item) => isFitted(item) && hardwareKind(item.kind).bare);
  if (driven.length === 0) return [];
  return [
    step(
      'hardware-driven',
      'Fit what goes into the bare board',
      `${lots(driven)
        .map(({ says, items }) => `${says}: ${places(items, piece)}`)
        .join(
          '. ',
        )}. Drill square, a scrap behind; tee nuts from the top face, hammered flush, so that nothing stands up under the padding.`,
      driven.length * rule('timeDriven'),
      { uses: driven.some(({ comes }) => comes === 'new') ? ['hardware'] : [], caution: CAUTIONS.saw, sees: { in: 'board' } },
    ),
  ];
}

/** Plates, hinges and posts go on last, over the dust cover. */
export function platedSteps({ piece, rule }: Model, dust: boolean): StepDraft[] {
  const plated = (piece.base.hardware ?? []).filter((item) => isFitted(item) && !hardwareKind(item.kind).bare);
  if (plated.length === 0) return [];
  const screwed = plated.filter(({ kind }) => hardwareKind(kind).screws > 0);
  const fresh = screwed.filter(({ comes }) => comes === 'new');
  const long = [...new Set(fresh.map(plateScrew))].filter((value) => value !== null).sort((a, b) => a - b);
  const screws = long.length > 0 ? ` New screws of ${long.join(' and ')} mm.` : '';
  const none = fresh.some((item) => plateScrew(item) === null)
    ? ' Where no screw is short enough for the wood there is, glue a block behind first, or bolt it through.'
    : '';
  const pierced = dust ? ' Feel for the marks through the dust cover and pierce it with an awl for every screw.' : '';
  return [
    step(
      'hardware-plated',
      'Screw the hardware on',
      `${lots(plated)
        .map(({ says, items }) => `${says}: ${places(items, piece)}`)
        .join('. ')}.${screws}${none}${pierced} Pilot holes first; no screw comes through into the padding.`,
      plated.length * rule('timePlate'),
      {
        uses: [
          ...(plated.some(({ comes }) => comes === 'new') ? (['hardware'] as const) : []),
          ...(long.length > 0 ? (['fastener'] as const) : []),
        ],
        caution: CAUTIONS.saw,
        sees: { in: 'back' },
      },
    ),
  ];
}
