import { cornerSteps, wayOf, type CornerPlan, type CoverPlan } from '../cover';
import type { Model } from '../padding';
import { saidCorner } from '../piece';
import { CAUTIONS } from '../step/cautions';
import { step, type StepDraft } from '../step/step';

/** One cut with what is tried before it, and pushing the cloth through the gaps of a frame: minutes. */
const MINUTES = { cut: 1.5, yCut: 3, push: 4 };

const upper = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);

/**
 * What the cloth is cut into before its edges are pulled: inside corners, and Y-cuts at posts and rails.
 *
 * @param model the built piece
 * @param corners its corners
 * @param cover with its Y-cuts
 */
export function cutInSteps({ piece, rule }: Model, corners: readonly CornerPlan[], { yCuts }: Pick<CoverPlan, 'yCuts'>): StepDraft[] {
  const inside = corners.filter(({ way, cut }) => way === 'cut in' && cut !== null);
  if (inside.length + yCuts.length === 0) return [];
  const through = yCuts.some((cut) => cut.through);
  const stop = Math.round(yCuts[0]?.stop ?? 0);
  const names = upper(inside.map(({ edge }) => saidCorner(piece.kind, edge).replace(/ corner$/, '')).join(', '));
  const lines = [
    ...(inside.length > 0 ? [`${names}: ${cornerSteps(inside, rule).join(' ')}`] : []),
    ...(yCuts.length > 0
      ? [
          `${yCuts.map(({ name }) => name).join(', ')}, a Y-cut: fold the cloth back and chalk it as drawn. ${through ? `Cut the stem in from the cloth’s edge to ${stop} mm short of the post, then from there an arm to each of the post’s corners` : `Cut the stem in from the cloth’s edge, then both arms, each to ${stop} mm short of what is seen`}; less at first, it can be cut further. ${through ? 'Try it on the layer below before it is cut in the cover. ' : ''}Turn the tongue between the arms under.`,
        ]
      : []),
  ];
  return [
    step('cut-in', 'Cut in at the inside corners', lines.join('\n'), inside.length * MINUTES.cut + yCuts.length * MINUTES.yCut, {
      caution: CAUTIONS.shears,
      sees: { in: 'corners' },
    }),
  ];
}

/** A cover whose edges go through a frame is pushed through before anything holds it. */
export function pushSteps({ piece }: Model): StepDraft[] {
  const { pushed } = wayOf(piece.covering.way);
  return pushed ? [step('push-through', 'Push it through the frame', pushed, MINUTES.push, { sees: { in: 'section' } })] : [];
}
