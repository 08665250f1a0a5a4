import { boughtLonger, stitchingFor } from '../cloth';
import { joinLength, wayOf } from '../cover';
import { overAllName } from '../foam';
import type { Bought } from '../wares';
import { END_HOLDS } from '../piece';
import { newOf } from '../strip';
import type { CutPlan } from '../foam-cutting';
import { woodLines } from './base-sizes';
import { deckLines } from './buy-deck';
import { hardwareLines } from './buy-hardware';
import { glueLines, packetLines, stretchedLines } from './buy-foam';
import { count, length, type Making, type BuyLine } from './types';

const percent = (share: number): string => `${Math.round(share * 100)} %`;

function clothLine(cloth: CutPlan['cloth'], blank: { width: number; height: number }, rule: Making['rule'], more: number): BuyLine {
  return {
    key: 'cloth.length',
    ware: 'laid',
    group: 'Buy',
    label: 'Cloth',
    answers: { name: 'Cloth' },
    value: cloth.length * more,
    unit: 'roll',
    note: `from a ${Math.round(cloth.width)} mm roll, ${percent(cloth.utilisation)} used${more > 1 ? ', allows for pre-shrinking' : ''}`,
    formula:
      more > 1
        ? 'length = the shortest roll the packer fits the set on ÷ (1 − shrinkage)'
        : 'length = the shortest roll the packer fits the set on',
    terms: [
      ...(more > 1 ? [length('laid', 'Laid, once it has shrunk', cloth.length)] : []),
      count('pieces', 'Cloth pieces', cloth.laid.length),
      length('across', 'Cover width', blank.width),
      length('along', 'Cover depth', blank.height),
      length('roll', 'Roll width', cloth.width),
      rule('gap', 'clothGap'),
      rule('turn under', 'return'),
      rule('pull allowance', 'grip'),
    ],
  };
}

/** Cloth, foam and thread. */
function mainLines({ plan, piece, rule }: Making): BuyLine[] {
  const { cut } = plan;
  if (!cut || !plan.cover) return [];
  const cover = newOf(plan.cover, piece);
  const blank = plan.cover.pieces[0]!;
  const lines: BuyLine[] = [];
  const factor = rule('factor', 'threadFactor');
  // What is sewn to the edge is sewn, whatever the cover is.
  const edges = (plan.fixing?.fasteners ?? []).reduce((sum, { seam }) => sum + seam, 0) * (factor.value / 100);
  // A welt that lies in no stitched seam is sewn by itself, cord into strip.
  const sewnIn = new Set([
    ...cover.seams.filter(({ laid }) => !laid).map(({ id }) => id),
    ...cover.loose.flatMap(({ welts }) => welts.map(({ seam }) => seam)),
  ]);
  const welts =
    cover.welts.filter(({ seam }) => !sewnIn.has(seam)).reduce((sum, { seamLength }) => sum + seamLength, 0) * (factor.value / 100);
  const seams = cover.seams.reduce(
    (sum, seam) => sum + seam.thread,
    (cover.channels?.thread ?? 0) + cover.loose.reduce((sum, loosePlan) => sum + loosePlan.thread * loosePlan.count, 0),
  );
  // Where nothing but joins is sewn, they are what thread is bought for; beside long seams they are its spare.
  const thread = edges + welts + (seams > 0 ? seams : (joinLength(cover.pieces).length * factor.value) / 100);
  if (thread > 0)
    lines.push({
      key: 'thread',
      ware: { kind: 'thread', name: 'Thread' },
      group: 'Buy',
      unit: 'thread',
      label: 'Thread for one',
      value: thread,
      note: `tex ${stitchingFor(piece.cloth).thread}`,
      formula: 'thread = seams and stitch lines × factor',
      terms: [factor],
    });
  return [
    ...lines,
    // Where the old cover goes on again there is none to buy.
    ...(cut.cloth.laid.length === 0 && cut.cloth.tooLarge.length === 0
      ? []
      : [clothLine(cut.cloth, blank, rule, boughtLonger(piece.cloth))]),
    ...(cut.second && piece.second
      ? [
          {
            key: 'second.length',
            ware: 'laid' as const,
            group: 'Buy' as const,
            label: 'Second cloth',
            value: cut.second.length * boughtLonger(piece.second),
            unit: 'roll' as const,
            note: `${piece.second.name || 'not named'}, from a ${Math.round(cut.second.width)} mm roll, ${percent(cut.second.utilisation)} used`,
            formula: 'length = the shortest roll the packer fits its parts of the set on',
            terms: [
              count('pieces', 'Pieces and strips', cut.second.laid.length),
              length('roll', 'Roll width', cut.second.width),
              rule('gap', 'clothGap'),
            ],
          },
        ]
      : []),
    {
      key: 'foam.sheets',
      ware: 'laid',
      group: 'Buy',
      label: 'Foam sheets',
      value: cut.foam.sheets,
      unit: 'count',
      note: `${percent(cut.foam.utilisation)} used`,
      formula: 'sheets = the fewest the packer fits the set on, by foam and thickness',
      terms: [rule('width', 'foamSheetWidth'), rule('length', 'foamSheetLength'), rule('kerf', 'foamKerf')],
    },
    ...packetLines(cut.foam, rule),
  ];
}

/** What comes off a roll of its own, beside the cloth. */
const ROLLS: {
  key: keyof CutPlan & ('wadding' | 'lining' | 'film' | 'waterproof' | 'dustCover' | 'backedFoam');
  label: string;
  rules: [string, string][];
}[] = [
  {
    key: 'wadding',
    label: 'Wadding',
    rules: [
      ['roll', 'waddingRoll'],
      ['settled', 'waddingUnderCover'],
    ],
  },
  {
    key: 'lining',
    label: 'Lining cloth',
    rules: [
      ['roll', 'waddingRoll'],
      ['turn under', 'return'],
      ['to the trim line', 'stapleToTrim'],
    ],
  },
  {
    key: 'film',
    label: 'Slip film',
    rules: [
      ['roll', 'filmRoll'],
      ['oversize', 'slipFilm'],
    ],
  },
  {
    key: 'waterproof',
    label: 'Waterproof cloth',
    rules: [
      ['roll', 'filmRoll'],
      ['turn under', 'return'],
    ],
  },
  {
    key: 'backedFoam',
    label: 'Backed foam, to quilt on',
    rules: [
      ['roll', 'waddingRoll'],
      ['larger all round', 'quiltRough'],
    ],
  },
  {
    key: 'dustCover',
    label: 'Dust cloth',
    rules: [
      ['roll', 'dustRoll'],
      ['inset', 'dustInset'],
      ['turn', 'dustTurn'],
    ],
  },
];

function rollLines({ plan, piece, rule }: Making): BuyLine[] {
  return ROLLS.flatMap((item): BuyLine[] => {
    const roll = plan.cut?.[item.key];
    if (!roll || roll.laid.length === 0) return [];
    return [
      {
        key: `${item.key}.length`,
        ware: 'laid',
        group: 'Buy',
        label: item.key === 'wadding' ? overAllName(piece.wadding) : item.label,
        value: roll.length,
        unit: 'roll',
        note: `from a ${Math.round(roll.width)} mm roll, ${percent(roll.utilisation)} used`,
        formula: 'length = the shortest roll the packer fits the set on',
        terms: [
          count('pieces', 'Pieces', roll.laid.length),
          ...item.rules.map(([symbol, key]) => rule(symbol, key)),
          rule('gap', 'clothGap'),
        ],
      },
    ];
  });
}

/** What the edges that end in sight are held by. */
function endLines({ plan, piece }: Making): BuyLine[] {
  const pieces = count('pieces', 'Pieces', piece.count);
  return plan.cover!.ends.map(({ name, end, length: along }): BuyLine => {
    const fastening = END_HOLDS.find(({ id }) => id === end.held)!;
    const spacing = fastening.apart === null ? null : fastening.apart || piece.covering.nails?.head || NAIL_HEAD;
    return {
      group: 'Buy',
      key: `end.${name}`,
      ware: END_WARES[end.held],
      label: spacing === null ? `Thread for the ${name}’s fold` : `${fastening.name}, ${name}`,
      value: piece.count * (spacing === null ? SLIP_FACTOR * along : Math.ceil(along / spacing) + 1),
      unit: spacing === null ? 'thread' : 'count',
      ...(spacing === null
        ? {}
        : {
            note: fastening.apart ? `${spacing} mm apart` : `heads of ${spacing} mm`,
            sold: fastening.apart ? {} : { thickness: spacing },
          }),
      formula: spacing === null ? 'thread = edge × 3 × pieces' : 'fasteners = edge ÷ their distance + 1, × pieces',
      terms: [length('edge', 'Along the edge', along), ...(spacing === null ? [] : [length('apart', 'Apart', spacing)]), pieces],
    };
  });
}

/** Cord, card strip, zip and buttons for the whole set. */
function trimmingLines(making: Making): BuyLine[] {
  const { plan, piece, rule } = making;
  if (!plan.cover) return [];
  const cover = newOf(plan.cover, piece);
  const pieces = count('pieces', 'Pieces', piece.count);
  const cord = cover.welts.reduce((sum, welt) => sum + welt.cordLength, 0);
  const strip = cover.tackStrips.reduce((sum, result) => sum + result.length, 0);
  const lines: BuyLine[] = [];
  const add = (line: Omit<BuyLine, 'group'>): void => void lines.push({ ...line, group: 'Buy' });
  if (cord > 0)
    add({
      key: 'cord',
      ware: { kind: 'cord', sort: 'welt', name: 'Piping cord' },
      label: 'Piping cord for the set',
      value: cord * piece.count,
      unit: 'thread',
      note: [...new Set(cover.welts.map((welt) => `${Math.round(welt.cord * 10) / 10} mm thick`))].join(', '),
      formula: 'cord = (seam + overlap) × pieces; twice that for double piping',
      terms: [length('one', 'For one piece', cord), pieces, rule('overlap', 'weltOverlap')],
    });
  const lip = wayOf(cover.method).laidApart?.(piece.covering) ? (cover.seams.find(({ id }) => id === 'inner')?.length ?? 0) : 0;
  if (lip > 0)
    add({
      key: 'lip',
      ware: { kind: 'card', sort: 'lip', name: 'Lip strip' },
      label: 'Lip strips for the set',
      value: lip * piece.count,
      unit: 'thread',
      note: 'thin hard strip, mitred at the corners',
      formula: 'strip = the border’s inner line × pieces',
      terms: [length('one', 'For one piece', lip), pieces],
    });
  if (strip > 0)
    add({
      key: 'card',
      ware: { kind: 'card', sort: 'tack-strip', name: 'Tack strip' },
      label: 'Tack strip for the set',
      value: strip * piece.count,
      unit: 'thread',
      formula: 'strip = straight hidden edges × pieces',
      terms: [length('one', 'For one piece', strip), pieces],
    });
  lines.push(...endLines(making));
  if (cover.zip)
    add({
      key: 'zips',
      ware: { kind: 'zip', name: 'Zip' },
      label: 'Zips',
      value: piece.count,
      unit: 'count',
      note: `${Math.round(cover.zip.length)} mm each`,
      sold: { length: cover.zip.length },
      formula: 'one for each piece',
      terms: [length('zip', 'One zip', cover.zip.length), pieces],
    });
  if (cover.buttons) {
    add({
      key: 'buttons.twine',
      ware: { kind: 'cord', sort: 'twine', name: 'Button twine' },
      label: 'Button twine for the set',
      value: cover.buttons.thread * piece.count,
      unit: 'thread',
      note: 'waxed',
      formula: 'twine = (2 × thickness + 200 mm to tie) × buttons × pieces',
      terms: [length('one', 'In one piece', cover.buttons.thread), count('buttons', 'Buttons', cover.buttons.count), pieces],
    });
    add({
      key: 'buttons.count',
      ware: { kind: 'button', sort: 'button', name: 'Buttons' },
      label: 'Buttons for the set',
      value: cover.buttons.count * piece.count,
      unit: 'count',
      formula: 'buttons in one × pieces',
      terms: [count('one', 'In one piece', cover.buttons.count), pieces],
    });
  }
  return lines;
}

/** What an end's fold is held by, as it is bought. */
const END_WARES: Record<(typeof END_HOLDS)[number]['id'], Bought> = {
  'gimp-pins': { kind: 'fastener', sort: 'gimp-pin', name: 'Pins and nails' },
  'close-nails': { kind: 'fastener', sort: 'nail', name: 'Pins and nails' },
  'slip-stitch': { kind: 'thread', name: 'Thread' },
};

/** A nail’s head where nobody has chosen one, mm; thread of a slip-stitched edge against its length. */
const NAIL_HEAD = 11;
const SLIP_FACTOR = 3;

/** Filling, zips and knobs of what lies loose on the piece. */
function looseLines({ plan, piece, rule }: Making): BuyLine[] {
  const loose = plan.cover?.loose ?? [];
  if (loose.length === 0) return [];
  const sum = (of: (loosePlan: (typeof loose)[number]) => number): number =>
    piece.count * loose.reduce((all, loosePlan) => all + loosePlan.count * of(loosePlan), 0);
  const zips = loose.flatMap(({ zip, count: n, name }) => (zip === null ? [] : [{ zip, n: n * piece.count, name }]));
  const knobs = sum(({ loops }) => loops.length);
  return [
    {
      key: 'loose.fill',
      ware: { kind: 'fill', name: 'Loose filling' },
      group: 'Buy',
      label: 'Filling for cushions',
      value: sum(({ fill }) => fill),
      unit: 'mass',
      note: loose.map(({ name, fill }) => `${name.toLowerCase()} ${Math.round(fill * 1000)} g`).join(', '),
      formula:
        'filling = volume × filling for 100 litres ÷ 100 l; a cushion’s volume is 4⁄9 of its box, a roll’s π⁄4 × thickness² × length',
      terms: [rule('filling', 'fillPer100'), count('pieces', 'Pieces', piece.count)],
    },
    ...zips.map(({ zip, n, name }, i): BuyLine => ({
      key: `loose.zip${i > 0 ? `.${i + 1}` : ''}`,
      ware: { kind: 'zip', name: 'Zip' },
      group: 'Buy',
      label: `Zips, ${name.toLowerCase()}`,
      value: n,
      unit: 'count',
      note: `${Math.round(zip)} mm each`,
      sold: { length: zip },
      formula: 'one for each',
      terms: [length('zip', 'One zip', zip), count('pieces', 'Pieces', piece.count)],
    })),
    ...(knobs > 0
      ? [
          {
            key: 'loose.knobs',
            ware: { kind: 'button' as const, sort: 'knob' as const, name: 'Knobs' },
            group: 'Buy' as const,
            label: 'Knobs for loops',
            value: knobs,
            unit: 'count' as const,
            note: 'each with its screw',
            formula: 'one for each loop',
            terms: [count('pieces', 'Pieces', piece.count)],
          },
        ]
      : []),
  ];
}

/** What to buy for the set: everything that any step uses, but for the fasteners, which are listed with their places. */
export function buySizes(making: Making): BuyLine[] {
  if (!making.plan.cut || !making.plan.cover) return [];
  return [
    ...mainLines(making),
    ...rollLines(making),
    ...stretchedLines(making),
    ...trimmingLines(making),
    ...deckLines(making),
    ...woodLines(making),
    ...hardwareLines(making),
    ...looseLines(making),
    ...glueLines(making),
  ];
}
