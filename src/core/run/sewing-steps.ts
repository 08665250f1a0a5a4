import type { Model } from '../build';
import type { CoverPlan, LiningPiece } from '../cover';
import { CAUTIONS } from './cautions';

type Step = { key: string; name: string; detail: string; minutes: number; caution?: string };

/** Plain handling times, minutes. */
const HANDLING = { lining: 4, film: 2, prove: 6, zip: 8, lip: 6, weltMetre: 2 } as const;

/**
 * What is cut, sewn and laid on before the cover is fastened, and what is set into it afterwards, by its way.
 *
 * @param model the built piece
 * @param cover its cover
 * @param metres length round flat pieces, m
 */
export function sewingSteps(
  model: Model,
  cover: CoverPlan,
  metres: (pieces: readonly { outline: LiningPiece['outline'] }[]) => number,
): { before: Step[]; after: Step[] } {
  const { rule, piece } = model;
  const before: Step[] = [];
  const after: Step[] = [];
  const count = cover.pieces.length;
  const cut = (metres(cover.pieces) * rule('timeClothMetre')) / 60;
  before.push({
    key: 'cloth',
    name: 'Cut the cover',
    detail:
      count === 1
        ? 'Centre marks on all four sides; grain from front to back.'
        : `${count} pieces: ${cover.pieces.map(({ name }) => name.toLowerCase()).join(', ')}. Notches and centre marks before they part; grain as drawn.`,
    minutes: cut,
    caution: CAUTIONS.shears,
  });
  const sew = (length: number): number => ((length / 1000) * rule('timeSewMetre')) / 60;
  const { channels, welts, seams, zip, nails, buttons } = cover;
  if (channels)
    before.push({
      key: 'channels',
      name: 'Stitch the channels',
      detail: `${channels.lines} lines, marked ${round(channels.pitch)} mm apart on the back of the cloth, from the middle outwards${channels.backing > 0 ? `, on ${round(channels.backing)} mm backed foam` : ''}; measure the sewn width: ${round(channels.sewnWidth)} mm.`,
      minutes: sew((channels.thread / rule('threadFactor')) * 100),
      caution: CAUTIONS.machine,
    });
  if (welts.length > 0)
    before.push({
      key: 'welts',
      name: 'Make the welts',
      detail: welts
        .map(
          (w) =>
            `${w.name.toLowerCase()}: ${round(w.stripLength)} × ${round(w.stripWidth)} mm, ${w.cut === 'bias' ? 'on the bias' : 'on the straight'}, cord ${round(w.cord)} mm`,
        )
        .join('; '),
      minutes: welts.reduce((sum, w) => sum + (w.stripLength / 1000) * HANDLING.weltMetre, 0),
      caution: CAUTIONS.machine,
    });
  const stitched = seams.filter((seam) => seam.id !== 'lip');
  if (stitched.length > 0)
    before.push({
      key: 'sew',
      name: 'Sew the cover',
      detail: `Joins first, then ${stitched.map((seam) => seam.name.toLowerCase()).join(', ')}: notch to notch, from the middle outwards; measure each seam as it is sewn.`,
      minutes: stitched.reduce((sum, seam) => sum + sew(seam.length * (seam.welted ? 2 : 1)), 0),
      caution: CAUTIONS.machine,
    });
  if (zip)
    before.push({
      key: 'zip',
      name: 'Set the zip in',
      detail: `${round(zip.length)} mm along the ${zip.place}.`,
      minutes: HANDLING.zip,
      caution: CAUTIONS.machine,
    });
  for (const lining of cover.linings.filter(({ material }) => material !== 'backed-foam')) {
    const film = lining.material === 'film';
    before.push({
      key: `lay-${lining.material}`,
      name: `Lay on the ${lining.name.toLowerCase()}`,
      detail: film
        ? 'Loose, never pulled tight, never pierced on top.'
        : lining.material === 'waterproof'
          ? 'In one piece down to the staples: no seam and no staple on top.'
          : 'Pull it firm and staple it inside the cover’s own line: the cover then needs no force.',
      minutes: film ? HANDLING.film : HANDLING.lining,
      ...(film ? {} : { caution: CAUTIONS.staples }),
    });
  }
  if (piece.count > 1 && count > 0)
    before.push({
      key: 'prove',
      name: 'Prove it on the first one',
      detail: 'Pin it on, look at bands and seams, write down what shows: the pattern is corrected for the rest.',
      minutes: HANDLING.prove,
    });
  if (cover.method === 'lipped')
    after.push({
      key: 'lip',
      name: 'Finish against the lip',
      detail: `Turn ${rule('turnUnder')} mm under, fasten close to the lip, lay the cord along it.`,
      minutes: HANDLING.lip,
      caution: CAUTIONS.staples,
    });
  if (nails)
    after.push({
      key: 'nails',
      name: 'Nail the edge',
      detail: `${nails.count} nails, corners first, then the middle of each side, then halving: ${nails.runs.map((run) => `${run.edge} ${round(run.pitch)} mm`).join(', ')}.`,
      minutes: (nails.count * rule('timeNail')) / 60,
      caution: CAUTIONS.nails,
    });
  if (buttons)
    after.push({
      key: 'buttons',
      name: 'Draw in the buttons',
      detail: `${buttons.count} buttons, the middle one first; needle ${round(buttons.needle)} mm or longer, drawn in ${round(buttons.depth)} mm.`,
      minutes: (buttons.count * rule('timeNail') * 3) / 60,
      caution: CAUTIONS.nails,
    });
  return { before, after };
}

function round(mm: number): number {
  return Math.round(mm * 10) / 10;
}
