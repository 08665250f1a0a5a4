import { weaveOf } from '../cloth';
import type { Model } from '../build';
import { kindOf } from '../piece';
import { coveringOf, pulledOver, weltOf } from './covering';
import type { CoverPlan } from './sew';
import { BIAS_BELOW } from './welts';

/** Natural fibres lose length in their first wash. */
const SHRINKS = new Set(['cotton', 'linen', 'wool']);
/** Seams that differ by more than this are eased in, mm. */
const EQUAL = 0.5;
/** The surface must be covered once, within this share. */
const AREA = 0.01;

/**
 * What there is to say about cloth, seams and the way of covering before anything is cut.
 *
 * @param model the built piece
 * @param cover its cover
 */
export function clothWarnings(model: Model, cover: CoverPlan): { code: string; where: string; message: string }[] {
  const { piece, rule } = model;
  const { cloth } = piece;
  const covering = coveringOf(piece);
  const found: { code: string; where: string; message: string }[] = [];
  const warn = (code: string, where: string, message: string): void => void found.push({ code, where, message });
  const weave = weaveOf(cloth);
  const striped = cloth.repeatAcross > 0 || cloth.repeatAlong > 0;
  if (striped && cloth.pull === 'taut')
    warn('stripe-pulled', 'cloth.pull', 'A stripe shows every pull: smooth the cover only, over a liner cloth.');
  if (striped && cloth.direction === 'any')
    warn('stripe-turned', 'cloth.direction', 'A patterned cloth lies one way: it was not turned on the roll.');
  if (striped && piece.count > 1 && !covering.motif)
    warn('motif-not-placed', 'covering.motif', 'A pattern on a set: say where its motif lies, so that all come out alike.');
  if (cloth.nap && cloth.nap !== 'none' && cloth.direction === 'any')
    warn('nap-turned', 'cloth.direction', 'A cloth with a nap lies one way on every piece: say which.');
  if (weave === 'pile' && !piece.wadding && !covering.slipFilm && piece.pads.length > 0)
    warn('pile-on-foam', 'covering.slipFilm', 'Pile cloth creeps on bare foam: lay wadding or a slip film between.');
  if (cloth.nap === 'pile' && kindOf(piece.kind).sat && cloth.direction === 'across')
    warn(
      'nap-against',
      'cloth.direction',
      'The pile lies across the seat: who sits down brushes it the wrong way. Lay its depth along the roll.',
    );
  if (cloth.fibre && SHRINKS.has(cloth.fibre) && cloth.fibre !== 'wool' && cloth.shrinkage === 0)
    warn(
      'not-pre-shrunk',
      'cloth.shrinkage',
      `${cloth.fibre === 'linen' ? 'Linen' : 'Cotton'} that was not pre-shrunk shrinks in its first wash: wash it first, or add its shrinkage.`,
    );
  if (cloth.coated && pulledOver(covering.way))
    warn(
      'coated-staples',
      'cloth.coated',
      `Coated cloth tears at a narrow staple: crowns of ${rule('broadCrown')} mm or more, and no overshooting pressure.`,
    );
  if (cover.channels && cover.channels.backing === 0)
    warn('no-backing', 'covering.channels', 'Stitches tear plain foam: sew the channels on backed foam.');
  if (cover.channels && cover.channels.takeUp <= 0)
    warn('swatch-grew', 'covering.channels', 'The swatch came out wider than before it was stitched: measure it again.');
  const welt = weltOf(covering);
  if (welt?.cut === 'straight') {
    const tight = cover.welts.filter((one) => one.tightest > 0 && one.tightest < BIAS_BELOW);
    if (tight.length > 0)
      warn(
        'welt-on-the-straight',
        'covering.welt',
        `The welt goes round a curve of ${Math.round(Math.min(...tight.map((one) => one.tightest)))} mm: tighter than ${BIAS_BELOW} mm a strip on the bias lies better.`,
      );
  }
  if (cover.nails && cover.nails.margin < cover.nails.least)
    warn(
      'nails-over-foam',
      'covering.nails',
      `The foam leaves a bare margin of ${Math.round(cover.nails.margin)} mm: nails over foam are kicked out. Hold the pads back ${Math.round(rule('nailMargin'))} mm.`,
    );
  if (cover.nails && cover.nails.gap < 0) warn('nails-overlap', 'covering.nails', 'The nail heads would overlap: widen the pitch.');
  if (cover.strain && cover.strain.share > 1)
    warn(
      'strained',
      'covering',
      `The cover asks ${Math.round(cover.strain.share * 100)} % of what this cloth gives (${percent(Math.max(cover.strain.warp, cover.strain.weft))} stretched, ${percent(cover.strain.leftOver)} left over): see the strain map for what to do.`,
    );
  for (const seam of cover.seams)
    if (seam.ease > EQUAL && seam.partners.length > 1)
      warn(
        'seam-eased',
        'covering',
        `${seam.name}: its two sides differ by ${Math.round(seam.ease * 10) / 10} mm; ease it in evenly between the notches.`,
      );
  if (!cover.check.settled)
    warn(
      'not-flat',
      'covering',
      'A piece did not come to rest while it was laid flat: do not cut to it. Shape it otherwise, or cut the band straight.',
    );
  if (Math.abs(cover.check.areaError) > AREA && !pulledOver(covering.way))
    warn(
      'does-not-close',
      'covering',
      'The pieces do not give the surface: this outline is too wild for this way of covering. Do not cut to it.',
    );
  return found;
}

function percent(share: number): string {
  return `${Math.round(share * 1000) / 10} %`;
}
