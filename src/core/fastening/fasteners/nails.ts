import { CAUTIONS } from '../../step/cautions';
import { step } from '../../step/step';
import { nailPlan } from '../../cover/details/nail-places';
import type { Fastener } from './fastener';

const round = (mm: number): number => Math.round(mm * 10) / 10;

export const nails: Fastener = {
  id: 'nails',
  name: 'Decorative nails',
  kind: 'other',
  face: 'top',
  ware: { kind: 'fastener', sort: 'nail', name: 'Fasteners' },
  caution: CAUTIONS.nails,
  words: 'A line of heads in the bare margin.',
  used: ({ choices }) => choices.nails !== null,
  size: ({ choices }) => {
    const { head, small } = choices.nails!;
    return {
      says: small === null ? `${round(head)} mm head` : `${round(head)} and ${round(small)} mm heads in turn`,
      fits: true,
      sold: { thickness: head },
    };
  },
  places: ({ model, choices }) => {
    const plan = nailPlan(model, choices.nails!);
    return plan.runs.flatMap((run, k) => {
      const before = plan.runs.slice(0, k).reduce((sum, nailRun) => sum + nailRun.count, 0);
      return plan.places.slice(before, before + run.count).map(({ x, y, head }, i) => ({
        n: before + i + 1,
        x,
        y,
        head,
        edge: run.edge,
        kind: i === 0 ? ('corner' as const) : ('edge' as const),
      }));
    });
  },
  spare: (rule) => rule('stapleSpare'),
  steps: ({ model, choices }) => {
    const plan = nailPlan(model, choices.nails!);
    const runs = plan.runs.map((run) => `${run.edge} ${round(run.pitch)} mm`).join(', ');
    return {
      finish: [
        step(
          'nails',
          'Nail the edge',
          `${plan.count} nails, corners first, then the middle of each side, then halving: ${runs}.`,
          (plan.count * model.rule('timeNail')) / 60,
          { uses: ['fastener'], caution: CAUTIONS.nails, sees: { in: 'nails' } },
        ),
      ],
    };
  },
  warnings: ({ model, choices }) => {
    const { margin, least, gap } = nailPlan(model, choices.nails!);
    return [
      ...(margin < least
        ? [
            {
              code: 'nails-over-foam',
              where: 'covering.nails',
              message: `The foam leaves a bare margin of ${Math.round(margin)} mm: nails over foam are kicked out. Hold the pads back ${Math.round(model.rule('nailMargin'))} mm.`,
            },
          ]
        : []),
      ...(gap < 0 ? [{ code: 'nails-overlap', where: 'covering.nails', message: 'The nail heads would overlap: widen the pitch.' }] : []),
    ];
  },
};
