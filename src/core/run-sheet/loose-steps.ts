import { LOOSE_KINDS } from '../piece';
import type { CoverPlan, LoosePlan } from '../cover';
import type { RuleReader } from '../house';
import { CAUTIONS } from '../step/cautions';
import { step, type StepDraft } from '../step/step';

/** Filling one, turning and closing it; a loop made and sewn in; a knob set: minutes. */
const HANDLING = { fill: 8, close: 6, loop: 3, knob: 2 };

const mm = (value: number): number => Math.round(value);

/** A name and how many there are on one piece. */
const called = ({ name, count }: LoosePlan): string => (count > 1 ? `${count} × ${name.toLowerCase()}` : name.toLowerCase());

function sewWords({ kind, taper, welts, zip, loops }: LoosePlan): string {
  const order =
    kind === 'roll'
      ? 'the long seam first, open in its middle; then the round ends, pinned in eight and eased in evenly'
      : `face to face, pinned at the middles and the corners; the corners are cut in ${mm(taper)} mm, so that they do not stand out as ears`;
  return [
    ...(zip === null ? [] : [`the zip first, ${mm(zip)} mm, ${kind === 'roll' ? 'in the long seam' : 'in the lower seam'}`]),
    ...(welts.length > 0 ? ['the piping on one side, its join below'] : []),
    ...(loops.length > 0 ? [`the loops into the upper seam, ${loops.map(mm).join(', ')} mm from its left end`] : []),
    order,
  ].join('; ');
}

/** The steps of what lies loose on a piece: sewn, filled, hung. */
export function looseSteps({ loose }: Pick<CoverPlan, 'loose'>, rule: RuleReader): StepDraft[] {
  return loose.flatMap((loosePlan) => {
    const sewing = ((loosePlan.sewn / 1000) * (loosePlan.welts.length > 0 ? 2 : 1) * rule('timeSewMetre')) / 60;
    const each = sewing + (loosePlan.zip === null ? 0 : rule('timeZip')) + loosePlan.loops.length * HANDLING.loop;
    const kind = LOOSE_KINDS.find(({ id }) => id === loosePlan.kind)!.name.toLowerCase();
    return [
      step(
        `loose-sew-${loosePlan.id}`,
        `Sew ${called(loosePlan)}`,
        `A ${kind}, ${mm(loosePlan.finished.length)} × ${mm(loosePlan.finished.height)} mm once filled: ${sewWords(loosePlan)}. Its case the same way, without zip, piping or loops, open a hand wide.`,
        loosePlan.count * (each + sewing),
        { uses: ['cloth', 'thread', 'zip', 'cord'], caution: CAUTIONS.machine, place: 'machine' },
      ),
      step(
        `loose-fill-${loosePlan.id}`,
        `Fill ${called(loosePlan)}`,
        `${Math.round(loosePlan.fill * 1000)} g of loose fibre teased into the case, corners and ends first, by the handful; sew the case shut; into the cover, ${loosePlan.zip === null ? 'which is sewn shut by hand' : 'close the zip'}. Knead it until no lump is felt.`,
        loosePlan.count * (HANDLING.fill + (loosePlan.zip === null ? HANDLING.close : 0)),
        { uses: ['fill'], caution: CAUTIONS.filling },
      ),
      ...(loosePlan.loops.length > 0
        ? [
            step(
              `loose-hang-${loosePlan.id}`,
              `Hang ${called(loosePlan)}`,
              `A knob for each loop, ${loosePlan.loops.map(mm).join(', ')} mm from where its left end comes, on one line ${mm(loosePlan.loopLong)} mm above its upper seam; screwed into wood, not into padding.`,
              loosePlan.count * loosePlan.loops.length * HANDLING.knob,
              { uses: ['button'], caution: CAUTIONS.base },
            ),
          ]
        : []),
    ];
  });
}
