import type { WareKind } from '../wares';
import { SEWN } from '../step/checkpoints';
import type { Model } from '../padding';
import { isReadied, READYINGS, stitchingWords } from '../cloth';
import { choicesOf, joinLength, OF_CLOTH, seamTakeUp, shortAt, wayOf, type CoverPlan, type SewnFacts } from '../cover';
import { rowsOf, type Row } from '../fastening/rows';
import { liningRow, takesStaples } from '../fastening/takes-staples';
import { hiddenEdge, kindOf, shownEdge, type Cloth, type Covering, type PieceKind } from '../piece';
import { goesBack, isKept, keptLayers } from '../strip';
import { coverButtons } from './button-steps';
import { CAUTIONS } from '../step/cautions';
import { metresRound, sizeOf } from './metres';
import { sewingMinutes } from './sewing-times';
import { step, type StepDraft } from '../step/step';

/** Plain handling times, minutes: of a part chalking it round and notching it. */
const HANDLING = { clothPiece: 2, join: 1, lining: 4, old: 10, ready: 20, film: 2, prove: 6 } as const;

const round = (mm: number): number => Math.round(mm * 10) / 10;
/** How each lining is laid on. */
const LAYING: Record<string, { uses: WareKind; detail: string; minutes: number; caution?: string }> = {
  film: { uses: 'film', detail: 'Loose, never pulled tight, never pierced on top.', minutes: HANDLING.film },
  waterproof: {
    uses: 'waterproof',
    detail: 'In one piece down to the line that the cover is held along: no seam and nothing driven through on top.',
    minutes: HANDLING.lining,
    caution: CAUTIONS.staples,
  },
  liner: {
    uses: 'lining',
    detail: 'Pull it firm, held on a line of its own: the cover then needs no force.',
    minutes: HANDLING.lining,
    caution: CAUTIONS.staples,
  },
};

/** How each is laid round a pad that is fixed to nothing. */
const WRAPPED: Record<string, string> = {
  liner:
    'Wrap it round the pad like a parcel, lapped under the back edge, its ends folded over the sides; sew the laps with long stitches.',
  film: 'Wrap it round the pad like a parcel, lapped under the back edge, its ends folded over the sides; tape the laps, no hole in it on top. The cover slides on over it.',
  waterproof:
    'Wrap it round the pad like a parcel, lapped under the back edge, its ends folded over the sides; tape or weld the laps: no needle goes through it.',
};

/** Edges along which the cloth is cut shorter: said where it is cut, and where it is pulled. */
function shortEdges({ piece, rule }: Pick<Model, 'piece' | 'rule'>): string {
  return (piece.base.edges ?? [])
    .map(({ edge }) => ({ name: edge.name, by: Math.round(shortAt(piece, edge, rule('grip'))) }))
    .filter(({ by }) => by > 0)
    .map(({ name, by }) => `${by} mm short at the ${name}`)
    .join(', ');
}

function cutStep(model: Model, pieces: CoverPlan['pieces']): StepDraft {
  const { rule, piece } = model;
  const short = shortEdges(model);
  const [near, far] = kindOf(piece.kind).words;
  // Of loose cushions there are two panels to each: cut, and told, as often as there are.
  const often = ({ count }: { count: number }): number => Math.round(count / piece.count);
  const all = pieces.flatMap((coverPiece) => Array.from({ length: often(coverPiece) }, () => coverPiece));
  const phrases = pieces.map((coverPiece) => {
    const many = often(coverPiece) > 1 ? `${often(coverPiece)} of ` : '';
    return `${many}${coverPiece.name.toLowerCase()}${OF_CLOTH[coverPiece.cloth]} ${sizeOf(coverPiece)}`;
  });
  const detail =
    pieces.length === 1
      ? `${sizeOf(pieces[0]!)} as drawn, its grain from ${near} to ${far}; centre marks on all four sides.${short ? ` Cut ${short}.` : ''}`
      : `${all.length} pieces: ${phrases.join('; ')}. Notches and centre marks before they part; grain as drawn.`;
  return step('cloth', 'Cut the cover', detail, (metresRound(all) * rule('timeClothMetre')) / 60 + all.length * HANDLING.clothPiece, {
    uses: pieces.some(({ cloth }) => cloth === 'lining') ? ['cloth', 'lining'] : ['cloth'],
    batch: 'rest waits',
    caution: CAUTIONS.shears,
    place: 'table',
  });
}

/** Old pieces that go on again are made ready before anything is cut to meet them. */
function oldSteps({ piece }: Model, { pieces }: CoverPlan): StepDraft[] {
  const back = goesBack(piece, pieces);
  if (back.length === 0) return [];
  const phrases = back.map(({ name, letOut, room, pulled, closes }) => {
    const out = letOut > 0 ? `let its seams out by ${round(letOut)} mm on either side and sew them again: ` : '';
    const spare = Math.floor(Math.min(room.width, room.height));
    const then = closes ? (pulled ? `${spare} mm to spare` : 'it closes') : 'it does not close over the planned padding';
    return `${name.toLowerCase()}: ${out}${out ? 'then ' : ''}${then}`;
  });
  return [
    step(
      'old-cover',
      'Ready the old cover',
      `${phrases.join('; ')}. Beat and vacuum it, or wash it as its label says, and mend what is torn; keep its centre marks.`,
      back.length * HANDLING.old,
      { caution: CAUTIONS.strip },
    ),
  ];
}

/** What a way's own steps are made from. */
function factsOf({ piece, rule }: Model, { pieces, seams, tackStrips, zip }: CoverPlan): SewnFacts {
  return { piece, rule, pieces, seams, zip, card: tackStrips.length > 0, welt: choicesOf(piece.covering).welt };
}

/** A sewn part that is quilted is cut at its own step, rough and then to its template; a pulled cover once it is quilted. */
function cutSteps(model: Model, { pieces }: CoverPlan): StepDraft[] {
  const left = pieces.flatMap((part) => (part.template === null ? [part] : part.role === 'cover' ? [part.template] : []));
  return left.length > 0 ? [cutStep(model, left)] : [];
}

/** Parts that are cut rough, quilted and cut again, with their sizes at either time. */
function roughWords(pieces: CoverPlan['pieces']): { parts: CoverPlan['pieces']; rough: string; template: string } {
  const parts = pieces.filter(({ template }) => template !== null);
  const sizes = (each: CoverPlan['pieces']): string => each.map((part) => `${part.name.toLowerCase()} ${sizeOf(part)}`).join(', ');
  return { parts, rough: sizes(parts), template: sizes(parts.map(({ template }) => template!)) };
}

/** The cloth is laid on its backed foam before it is quilted: both are cut for that, unless the whole cover is cut already. */
function backingSteps({ rule }: Model, { pieces, channels }: CoverPlan): StepDraft[] {
  if (!channels || channels.backing <= 0) return [];
  const { parts, rough } = roughWords(pieces);
  const backing = `${round(channels.backing)} mm backed foam`;
  const cut = parts.length > 0 ? `Cut both rough: ${rough}.` : `Cut the ${backing} to the size of the cover.`;
  return [
    step(
      'backing',
      'Lay the cloth on its backed foam',
      `${cut} A light coat of glue on the ${backing}; lay the cloth on it from the middle outwards and smooth it out.`,
      (2 * metresRound(parts) * rule('timeClothMetre')) / 60 + 2 * Math.max(1, parts.length) * HANDLING.clothPiece,
      { uses: ['cloth', 'wadding', 'glue'], caution: CAUTIONS.glue, place: 'spray' },
    ),
  ];
}

function channelSteps(model: Model, cover: CoverPlan): StepDraft[] {
  const { rule, piece } = model;
  const { channels } = cover;
  if (!channels) return [];
  const { rough, template } = roughWords(cover.pieces);
  // A panel in halves has as many lines in each.
  const spread = (channels.lines / channels.parts.length - 1) * channels.width;
  const isFan = piece.covering.channels?.lay === 'radiating';
  const before = channels.backing <= 0 && rough ? `Cut rough: ${rough}. ` : '';
  const after = template && !cover.pulled ? ` Then cut to the template: ${template}.` : '';
  return [
    ...backingSteps(model, cover),
    step(
      'channels',
      'Quilt the channels',
      `${before}${channels.lines} lines, marked ${round(channels.pitch)} mm apart on the back, sewn from the middle outwards; from the first to the last ${Math.round(spread)} mm${isFan ? ' at the wide end' : ''}: measure it.${after} ${stitchingWords(piece.cloth)}`,
      channels.lines * rule('timeChannel'),
      {
        uses: piece.wadding === null || channels.backing > 0 ? ['cloth', 'thread'] : ['cloth', 'wadding', 'thread'],
        caution: CAUTIONS.machine,
        place: 'machine',
      },
    ),
  ];
}

/** A band's last join stays open until its end meets: sewn shut before, it never comes out to the length of the top. */
function seamWords({ pieces, seams }: CoverPlan, kind: PieceKind): string {
  const names = seams
    .filter((seam) => !seam.laid)
    .map((seam) => seam.name.toLowerCase())
    .join(', ');
  const closes = pieces.some(({ role, edges }) => role === 'band' && edges.some(({ kind }) => kind === 'join'));
  return closes
    ? `Joins first, but leave the last one open; then ${names}: from the centre of the ${shownEdge(kind)} both ways, notch to notch, until the band’s ends meet at the ${hiddenEdge(kind).name}; mark them, sew that join, close the gap. Measure each seam as it is sewn.`
    : `Joins first, then ${names}: notch to notch, from the middle outwards; measure each seam as it is sewn.`;
}

/** What the seams take up is in the pieces: it is measured again as they are sewn. */
function takenWords(covering: Covering): string {
  const each = (seamTakeUp(covering) - 1) * 1000;
  if (Math.abs(each) < 0.5) return '';
  return ` The pieces are cut ${round(Math.abs(each))} mm ${each > 0 ? 'longer' : 'shorter'} in the metre for what the machine ${each > 0 ? 'takes up' : 'stretches'}: the same machine, foot and thread as the strip.`;
}

/** Where seams cross it is thickest: that is where a machine stops. */
function thickestWords({ thickness }: Cloth, seams: CoverPlan['seams']): string {
  const most = Math.max(...seams.map(({ layers }) => layers));
  return most > 2 ? ` At its thickest ${most} layers, ${round(most * thickness)} mm: turn the wheel by hand there.` : '';
}

function stitchSteps(model: Model, cover: CoverPlan): StepDraft[] {
  const { rule, piece } = model;
  const { welts, seams, zip } = cover;
  const sew = (length: number): number => ((length / 1000) * rule('timeSewMetre')) / 60;
  const caution = CAUTIONS.machine;
  const steps: StepDraft[] = [];
  if (welts.length > 0)
    steps.push(
      step(
        'welts',
        'Make the piping',
        welts
          .map(
            (welt) =>
              `${welt.name.toLowerCase()}: ${sizeOf({ width: welt.stripLength, height: welt.stripWidth })}, ${welt.cut === 'bias' ? 'on the bias' : 'on the straight'}, cord ${round(welt.cord)} mm${OF_CLOTH[welt.cloth]}`,
          )
          .join('; '),
        (welts.reduce((sum, welt) => sum + welt.stripLength / 1000, 0) * rule('timePiping')) / 60,
        { uses: ['cord', 'thread'], caution, place: 'machine' },
      ),
    );
  // Its band is whole before it is joined to anything.
  if (zip)
    steps.push(
      step(
        'zip',
        'Set the zip in',
        `${Math.round(zip.length)} mm along the ${zip.place}, between the two halves of its band, before that is joined to the rest; closed at both ends, and left open a hand wide so that the cover can be turned; no foam or wadding within ${rule('zipFree')} mm of its teeth, in the seam or under it.`,
        rule('timeZip'),
        { uses: ['zip', 'thread'], caution, place: 'machine' },
      ),
    );
  const stitched = seams.filter((seam) => !seam.laid);
  steps.push(...joinStep(model, cover, sew));
  if (stitched.length > 0)
    steps.push(
      step(
        'sew',
        'Sew the cover',
        `${seamWords(cover, piece.kind)}${takenWords(piece.covering)} ${stitchingWords(piece.cloth)}${thickestWords(piece.cloth, stitched)}`,
        sewingMinutes(cover, piece.covering, rule),
        { check: SEWN, uses: ['thread'], caution, place: 'machine' },
      ),
    );
  return steps;
}

/** Layers that are stapled, each on a row of its own. */
const STAPLED: Partial<Record<string, Row['id']>> = { liner: 'liner', waterproof: 'waterproof', film: 'film' };

function liningSteps(model: Model, { linings }: CoverPlan): StepDraft[] {
  const { piece, rule } = model;
  const stapled = takesStaples(model);
  const rows = rowsOf(model, choicesOf(piece.covering));
  const rowWords = ({ inset }: Row): string =>
    stapled
      ? ` Its staples ${Math.round(inset)} mm in from the board’s edge; trim it beside them.`
      : ` Glue its edge under the board, ${Math.round(inset)} mm in, and trim it there: no staple holds here.`;
  const retained = keptLayers(piece);
  const loose = Boolean(wayOf(piece.covering.way).loose);
  return linings.flatMap((lining) => {
    const laying = LAYING[lining.material];
    if (!laying) return [];
    const { uses, minutes, caution } = laying;
    const detail = loose ? WRAPPED[lining.material]! : laying.detail;
    const row = loose ? undefined : rows.find(({ id }) => id === STAPLED[lining.material]);
    const staples = row && stapled ? liningRow(model.board, rule('staplePitch')) : 0;
    return [
      step(
        `lay-${lining.material}`,
        `${loose ? 'Wrap the pad in' : 'Lay on'} the ${isKept(retained, lining.material) ? 'old ' : ''}${lining.name.toLowerCase()}`,
        `${isKept(retained, lining.material) ? '' : `${sizeOf(lining)}. `}${detail}${row ? rowWords(row) : ''}`,
        minutes + (staples * rule('timeStaple')) / 60,
        {
          uses: row ? [uses, stapled ? 'staple' : 'glue'] : [uses],
          ...(caution && !loose ? { caution: row && !stapled ? CAUTIONS.glue : caution } : {}),
        },
      ),
    ];
  });
}

/** Cloth that is washed or steamed is made ready long before it is cut: it has to dry. */
export function readySteps({ piece }: Model, { pieces }: CoverPlan): StepDraft[] {
  const cut = new Set(pieces.map(({ cloth }) => cloth));
  const cloths = [
    ...(cut.has('cover') ? [{ cloth: piece.cloth, name: 'cloth' }] : []),
    ...(cut.has('second') && piece.second ? [{ cloth: piece.second, name: 'second cloth' }] : []),
  ];
  return cloths.flatMap(({ cloth, name }) => {
    const ready = isReadied(cloth) ? READYINGS.find(({ id }) => id === cloth.ready) : undefined;
    if (!ready) return [];
    const loses =
      cloth.shrinkage > 0
        ? ` Treat the whole length you bought: it shrinks by ${round(cloth.shrinkage)} %.`
        : ' Treat the whole length you bought.';
    return [
      step(
        `ready-${name.replace(' ', '-')}`,
        `${ready.id === 'washed' ? 'Wash' : 'Steam'} the ${name} first`,
        `${ready.how}${loses}`,
        HANDLING.ready,
        { uses: ['cloth'], wait: ready.dries, caution: CAUTIONS.heat },
      ),
    ];
  });
}

/** What a way wants done to the bare board. */
export function firstSteps(model: Model, cover: CoverPlan): StepDraft[] {
  return wayOf(cover.method).steps?.(factsOf(model, cover)).first ?? [];
}

/** Joins of strips where nothing else is sewn: mitres of a border, ends of a band. */
function joinStep({ rule }: Model, { pieces, seams }: CoverPlan, sew: (length: number) => number): StepDraft[] {
  if (seams.some(({ laid }) => !laid)) return [];
  const joins = joinLength(pieces);
  if (joins.count === 0) return [];
  return [
    step(
      'sew',
      'Sew the joins',
      `${joins.count} joins, the border’s at its mitres: from the inner point outwards, ${rule('seamAllowance')} mm; press them open. Try the ring on the board before it is tacked.`,
      sew(joins.length) + joins.count * HANDLING.join,
      { check: SEWN, uses: ['thread'], caution: CAUTIONS.machine, place: 'machine' },
    ),
  ];
}

/**
 * What is cut and sewn before the cover meets its piece.
 *
 * @param model the built piece
 * @param whole its cover
 * @param cover of it what is made new
 */
export function sewingSteps(model: Model, whole: CoverPlan, cover: CoverPlan): StepDraft[] {
  // Layers are quilted oversize first, then the panel is cut from them to its template: stitching draws it in.
  return [
    ...oldSteps(model, whole),
    ...channelSteps(model, cover),
    ...cutSteps(model, cover),
    ...coverButtons(model, cover),
    ...stitchSteps(model, cover),
  ];
}

/** What is laid on before the cover is fastened, and the first of a set, which is looked at before the rest. */
export function layingSteps(model: Model, whole: CoverPlan, cover: CoverPlan): StepDraft[] {
  const item = wayOf(whole.method).steps?.(factsOf(model, whole));
  const steps = [...liningSteps(model, whole), ...(item?.before ?? [])];
  if (model.piece.count > 1 && cover.pieces.length > 0)
    steps.push(
      step(
        'prove',
        'Test-fit',
        'Pin it on, look at bands and seams, write down what shows: the pattern is corrected for the rest.',
        HANDLING.prove,
        { batch: 'first only' },
      ),
    );
  return steps;
}

/** What a way puts on once all else is fastened, nails too. */
export function lastSteps(model: Model, cover: CoverPlan): StepDraft[] {
  return wayOf(cover.method).steps?.(factsOf(model, cover)).last ?? [];
}

/** What a way does to the cover once it is fastened. */
export function finishingSteps(model: Model, cover: CoverPlan): StepDraft[] {
  return wayOf(cover.method).steps?.(factsOf(model, cover)).after ?? [];
}
