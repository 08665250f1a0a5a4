import { isReadied, weaveOf } from '../../cloth';
import type { Model } from '../../padding';
import { hasFilm, kindOf } from '../../piece';
import { sayLength, type Warn, type Warning } from '../../warning';
import { choicesOf, clothsOn, isMatched } from '../choices';
import { layersAt } from '../details/seam-plans';
import { BIAS_BELOW } from '../details/welts';
import type { CoverPlan } from '../plan';

/** Natural fibres lose length in their first wash. */
const SHRINKS = new Set(['cotton', 'linen', 'wool']);
/** What does not last where it gets wet. */
const ROTS = new Set(['cotton', 'linen', 'wool', 'hide']);
/** Seams that differ by more than this, or by more than this share, do not ease in unseen: mm, and of the length. */
const EQUAL = 3;
const EQUAL_SHARE = 0.004;

/** What there is to say of the cloth itself: stripe, nap, fibre, coating. */
function warnOfCloth({ piece, rule }: Model, warn: Warn): void {
  const { cloth, covering } = piece;
  const striped = cloth.repeatAcross > 0 || cloth.repeatAlong > 0;
  if (striped && cloth.pull === 'taut') warn('stripe-pulled', 'cloth.pull', 'Stripes show every pull: pull lightly, over a liner cloth.');
  if (striped && cloth.direction === 'any')
    warn('stripe-turned', 'cloth.direction', 'A patterned cloth lies one way: it was not turned on the roll.');
  if (striped && piece.count > 1 && !covering.motif && isMatched(covering))
    warn('motif-not-placed', 'covering.motif', 'A pattern on a set: say where its motif lies, so that all come out alike.');
  if (cloth.nap && cloth.nap !== 'none' && cloth.direction === 'any')
    warn('nap-turned', 'cloth.direction', 'A cloth with a nap lies one way on every piece: say which.');
  if (weaveOf(cloth) === 'pile' && !piece.wadding && !hasFilm(piece) && piece.pads.length > 0)
    warn('pile-on-foam', 'covering.slipFilm', 'Pile cloth creeps on bare foam: lay wadding or a slip film between.');
  if (cloth.nap === 'pile' && kindOf(piece.kind).traits.sat && cloth.direction === 'across')
    warn('nap-against', 'cloth.direction', 'The pile lies across the seat: sitters brush it the wrong way. Lay its depth along the roll.');
  if (cloth.fibre && SHRINKS.has(cloth.fibre) && cloth.fibre !== 'wool' && cloth.shrinkage === 0 && !isReadied(cloth))
    warn(
      'not-pre-shrunk',
      'cloth.shrinkage',
      `${cloth.fibre === 'linen' ? 'Linen' : 'Cotton'} that was not pre-shrunk shrinks in its first wash: wash it first, or add its shrinkage.`,
    );
  if (covering.outdoors && cloth.fibre && ROTS.has(cloth.fibre) && !cloth.coated)
    warn(
      'rots-outdoors',
      'cloth.fibre',
      `${cloth.fibre.charAt(0).toUpperCase()}${cloth.fibre.slice(1)} rots and fades where it gets wet: take a synthetic or a coated cloth.`,
    );
  if (cloth.coated && choicesOf(covering).way.pulled)
    warn(
      'coated-staples',
      'cloth.coated',
      `Coated cloth tears at a narrow staple: crowns of ${rule('broadCrown')} mm or more, and no overshooting pressure.`,
    );
}

/** A seam that does not go under the foot: without its welt where that is enough, otherwise by the hand. */
function warnOfThickness({ piece, rule }: Model, { seams }: CoverPlan, warn: Warn): void {
  const most = rule('machineFoot');
  const thickness = Math.max(...clothsOn(piece).map((cloth) => cloth.thickness));
  const thick = (layers: number): number => layers * thickness;
  const [seam] = seams.filter(({ layers }) => thick(layers) > most).sort((a, b) => b.layers - a.layers);
  if (!seam) return;
  const { welt } = choicesOf(piece.covering);
  const bare = seam.layers - layersAt({ welted: true, double: Boolean(welt?.double), crossed: false }) + 2;
  const which = seam.id === 'lower' || (seam.id === 'top' && seams.some(({ id }) => id === 'inner')) ? 'lower' : 'upper';
  const single = welt?.double && thick(seam.layers - 2) <= most;
  warn(
    'too-thick-to-sew',
    'covering.welt',
    `${seam.name}: ${seam.layers} layers of this cloth are ${sayLength(thick(seam.layers))} at its thickest; the machine takes ${sayLength(most)}. Cut the bulk out in steps and hammer the crossing flat, or sew less into it.`,
    seam.welted && welt
      ? single
        ? { says: 'A single row of piping', path: 'covering.welt', value: { ...welt, double: false } }
        : thick(bare) <= most
          ? { says: 'Leave the piping out', path: 'covering.welt', value: { ...welt, [which]: false } }
          : undefined
      : undefined,
  );
}

/** What there is to say of what is sewn into it. */
function warnOfSewing({ piece }: Model, cover: CoverPlan, warn: Warn): void {
  if (cover.channels && cover.channels.backing === 0)
    warn('no-backing', 'covering.channels', 'Stitches tear plain foam: sew the channels on backed foam.');
  if (cover.channels && cover.channels.takeUp <= 0)
    warn('swatch-grew', 'covering.channels', 'The swatch came out wider than before it was stitched: measure it again.');
  if (choicesOf(piece.covering).welt?.cut === 'straight') {
    const tight = cover.welts.filter((one) => one.tightest > 0 && one.tightest < BIAS_BELOW);
    if (tight.length > 0)
      warn(
        'welt-on-the-straight',
        'covering.welt',
        `The piping goes round a curve of ${Math.round(Math.min(...tight.map((one) => one.tightest)))} mm: tighter than ${BIAS_BELOW} mm a strip on the bias lies better.`,
      );
  }
  for (const seam of cover.seams) {
    const by = Math.round(seam.ease * 10) / 10;
    // What is fastened along an edge has no other side: it differs from the edge itself.
    const alone = Boolean(seam.laid) && seam.partners.length === 1;
    if (seam.ease <= Math.max(EQUAL, EQUAL_SHARE * seam.length) || seam.partners.length < (alone ? 1 : 2)) continue;
    warn(
      'seam-eased',
      'covering',
      alone
        ? `${seam.name}: the cloth differs by ${by} mm from the edge it is fastened along; ease it in evenly between the notches.`
        : `${seam.name}: its two sides differ by ${by} mm; ease it in evenly between the notches.`,
    );
  }
}

/**
 * What there is to say about cloth, seams and the way of covering before anything is cut.
 *
 * @param model the built piece
 * @param cover its cover
 */
export function clothWarnings(model: Model, cover: CoverPlan): Warning[] {
  const found: Warning[] = [];
  const warn: Warn = (code, where, message, mend) => void found.push({ code, where, message, ...(mend ? { mend } : {}) });
  warnOfCloth(model, warn);
  warnOfSewing(model, cover, warn);
  warnOfThickness(model, cover, warn);
  const { strain, check } = cover;
  if (strain && strain.share > 1)
    warn(
      'strained',
      'covering',
      `This cloth won’t stretch that far: ${Math.round(strain.share * 100)} % of its limit (${percent(Math.max(strain.warp, strain.weft))} stretched, ${percent(strain.leftOver)} left over). The strain map shows what helps.`,
    );
  if (!check.settled)
    warn('not-flat', 'covering', 'A part could not be laid flat: do not cut from it. Change its shape, or cut the band straight.');
  return found;
}

function percent(share: number): string {
  return `${Math.round(share * 1000) / 10} %`;
}
