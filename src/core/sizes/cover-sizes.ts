import { choicesOf, OF_CLOTH, waddingFaces, wayOf, type ChannelPlan, type CoverPiece, type CoverPlan } from '../cover';
import { isStretched, overAllName } from '../foam';
import { kindOf } from '../piece';
import { goesBack } from '../strip';
import { blankSums, growingSums, liningSums, partSums, weltSums } from './sums';
import { count, length, type Making, type SizeLine } from './types';

const coverLine = { group: 'Cover' as const, unit: 'length' as const };

/** How far the build may differ before an old cover that goes on again no longer closes. */
function oldSizes(making: Making, cover: CoverPlan): SizeLine[] {
  return goesBack(making.piece, cover.pieces).map((back) => ({
    ...coverLine,
    key: `old.${back.id}`,
    label: `Room in the old ${back.name.toLowerCase()}`,
    value: back.room.width,
    by: back.room.height,
    note: back.thicker === null ? 'across and from front to back' : `the build may be ${Math.floor(back.thicker * 10) / 10} mm thicker`,
    formula: 'room = old + half of what its cloth gives + 2 × let out − what the build asks',
    terms: [
      length('old', 'The old piece, across', back.have.width - back.stretch.width - 2 * back.letOut),
      length('gives', 'What its cloth still gives, across', back.stretch.width),
      length('let out', 'Seams let out, either side', back.letOut),
      length('asks', 'What the build asks, across', back.need.width),
    ],
  }));
}

/** The blank of a pulled cover, and what it is made up of at the near edge. */
function blankSizes({ plan, piece, rule }: Making, cover: CoverPlan): SizeLine[] {
  const front = plan.stations[0]!;
  const near = plan.base.words[0];
  const blank = cover.pieces[0]!;
  const side = length('side', `Side, ${near}`, front.side);
  const { buttons } = choicesOf(piece.covering);
  const drawnIn = {
    width: (buttons?.columns ?? 0) * (cover.buttons?.takeUp ?? 0),
    height: (buttons?.rows ?? 0) * (cover.buttons?.takeUpDown ?? 0),
  };
  const under = front.ends
    ? [length('back up', 'Back up to its fold', front.return), length('turned', 'Turned under', front.grip)]
    : [rule('turn under', 'return'), rule('pull allowance', 'grip')];
  return [
    {
      ...coverLine,
      key: 'wrap',
      label: `Wrap at the ${near}`,
      value: front.wrap,
      note: front.ends ? 'down to its fold, and turned under' : 'side + turn under + pull allowance',
      formula: front.ends ? 'wrap = side + back up + turned under' : 'wrap = side + turn under + pull allowance',
      terms: [length('side', 'Side, measured down the covered section', front.side), ...under],
    },
    {
      ...coverLine,
      key: 'fromCentre',
      label: `Centre to cloth edge, ${near}`,
      value: front.fromCentre,
      formula: front.ends ? 'from centre = top + side + back up + turned under' : 'from centre = top + side + turn under + pull allowance',
      terms: [length('top', 'Over the top, along the covered section', front.top), length('side', 'Side', front.side), ...under],
    },
    {
      ...coverLine,
      key: 'cover',
      label: blank.template ? 'Cover, rough' : 'Cover, cut size',
      answers: { name: 'Cover' },
      value: blank.width,
      by: blank.height,
      note: `${blank.count} to cut`,
      formula: `each edge = board + (top − plan) + side + ${front.ends ? 'back up + turned under, or turn under + pull allowance' : 'turn under + pull allowance'}`,
      terms: [
        length('board', 'Board width', plan.outline.width),
        length('top − plan', `Longer over the top than in plan, ${near}`, front.top - front.planDistance),
        side,
        ...under,
      ],
      sums: blankSums(blank, { width: plan.outline.width, height: plan.outline.depth }, drawnIn),
    },
    ...(blank.template
      ? [
          {
            ...coverLine,
            key: 'cover.quilted',
            label: 'Cover, after quilting',
            value: blank.template.width,
            by: blank.template.height,
            formula: 'size = rough − lines × take-up across them',
            terms: [],
          },
        ]
      : []),
  ];
}

/** A part as it is cut to be sewn: of one that is quilted its template. */
function partSize({ rule }: Making, piece: CoverPiece): SizeLine {
  const seam = piece.edges.find((edge) => edge.kind === 'seam');
  const stapled = piece.edges.some((edge) => edge.kind === 'staple');
  return {
    ...coverLine,
    key: `piece.${piece.id}`,
    label: `${piece.name}, cut size`,
    answers: { name: piece.name },
    value: piece.width,
    by: piece.height,
    note: `${piece.count} to cut${OF_CLOTH[piece.cloth] && ','}${OF_CLOTH[piece.cloth]}`,
    formula: 'size = laid flat from the covered surface + an allowance along every edge',
    terms: [
      ...(seam ? [length('seam', 'Its seam, as sewn', seam.sewn)] : []),
      rule('allowance', 'seamAllowance'),
      ...(stapled ? [rule('turn under', 'return'), rule('extra', 'bandExtra')] : []),
    ],
    sums: partSums(piece),
  };
}

/** A part that is quilted: cut rough, then to its template. */
function quiltedSizes(making: Making, piece: CoverPiece, template: CoverPiece, channels: ChannelPlan): SizeLine[] {
  return [
    {
      ...coverLine,
      key: `piece.${piece.id}.rough`,
      label: `${piece.name}, rough`,
      answers: { name: `${piece.name}, rough` },
      value: piece.width,
      by: piece.height,
      note: `${piece.count} to cut${OF_CLOTH[piece.cloth] && ','}${OF_CLOTH[piece.cloth]}, before it is quilted`,
      formula: 'size = template + lines × take-up across them + 2 × larger all round',
      terms: [
        count('lines', 'Stitched lines', template.lines.filter(({ kind }) => kind === 'stitch').length),
        length('take-up', 'Each takes up', channels.takeUp),
        making.rule('larger all round', 'quiltRough'),
      ],
    },
    { ...partSize(making, template), label: `${piece.name}, after quilting`, answers: { name: piece.name } },
  ];
}

function pieceSizes(making: Making, cover: CoverPlan): SizeLine[] {
  return (cover.pulled ? cover.pieces.slice(1) : cover.pieces).flatMap((piece) =>
    piece.template ? quiltedSizes(making, piece, piece.template, cover.channels!) : [partSize(making, piece)],
  );
}

function weltSizes({ rule }: Making, cover: CoverPlan): SizeLine[] {
  return cover.welts.map((welt) => ({
    ...coverLine,
    key: `welt.${welt.seam}`,
    label: `Piping strip, ${welt.name.toLowerCase()}`,
    value: welt.stripLength,
    by: welt.stripWidth,
    note: `${welt.cut === 'bias' ? 'on the bias' : 'on the straight'}, ${welt.strips === 1 ? 'in one' : `in ${welt.strips} parts joined at 45°`}, ${welt.join === null ? 'its ends run out over the edge' : `join at the ${welt.join}`}${OF_CLOTH[welt.cloth] && ','}${OF_CLOTH[welt.cloth]}`,
    formula: `length = seam + overlap + joins; width = π·cord${welt.double ? '·2' : ''} + 2·allowance`,
    sums: weltSums(welt, rule('allowance', 'seamAllowance').value, rule('overlap', 'weltOverlap').value),
    terms: [
      length('seam', 'The seam, along the piece', welt.seamLength),
      length('cord', 'Cord', welt.cord),
      rule('overlap', 'weltOverlap'),
      rule('allowance', 'seamAllowance'),
    ],
  }));
}

/** Channels, nails, buttons, zip. */
function detailSizes({ piece, rule }: Making, { channels, nails, buttons, zip }: CoverPlan): SizeLine[] {
  const lines: SizeLine[] = [];
  if (channels)
    lines.push({
      ...coverLine,
      key: 'channels',
      unit: 'pitch',
      label: 'Channels, marked every',
      value: channels.pitch,
      note: `${channels.lines} lines, ${channels.count} whole channels`,
      formula: 'pitch = width + take-up',
      terms: [
        length('width', 'A channel, as sewn', channels.width),
        channels.fromSwatch ? length('take-up', 'Take-up, from your swatch', channels.takeUp) : rule('take-up', 'channelTakeUp'),
        length('across', 'The panel, as sewn', channels.sewnWidth),
        length('part', 'Left at either edge', channels.part),
      ],
    });
  if (nails)
    lines.push({
      ...coverLine,
      key: 'nails',
      unit: 'count',
      label: 'Nails',
      value: nails.count,
      note: nails.small > 0 ? `${nails.small} of them small` : 'corners first',
      formula: 'n = length ÷ pitch for each side, rounded; the pitch evens out',
      terms: [...nails.runs.map((run) => length(run.edge, `Pitch along the ${run.edge}`, run.pitch)), rule('margin', 'nailMargin')],
    });
  if (buttons)
    lines.push({
      ...coverLine,
      key: 'buttons',
      unit: 'pitch',
      label: 'Cloth from button to button',
      value: buttons.run,
      note: `${buttons.count} buttons, needle ${Math.round(buttons.needle)} mm`,
      formula: 'run = 2·√((spacing ÷ 2)² + depth²)',
      terms: [
        length('spacing', 'Button to button', buttons.spacing),
        length('depth', 'Drawn in', buttons.depth),
        rule('needle', 'needleExtra'),
        count('buttons', 'Buttons', buttons.count),
      ],
    });
  if (zip)
    lines.push({
      ...coverLine,
      key: 'zip',
      label: 'Zip',
      value: zip.length,
      note: `at the ${zip.place}${zip.folded ? '' : ', long enough for the pad to go in whole'}`,
      formula: `zip = the ${zip.place} + 2 × past the corner`,
      terms: [length('past the corner', 'Past either corner, so that the pad goes in', zip.past), rule('least', 'zipClear')],
    });
  if (zip && piece.wadding !== null)
    lines.push({
      ...coverLine,
      key: 'zip.free',
      label: `Strip without ${overAllName(piece.wadding).toLowerCase()}, along the zip`,
      value: 2 * rule('free', 'zipFree').value,
      by: zip.length,
      formula: 'width = 2 × free beside the zip',
      terms: [rule('free', 'zipFree'), length('zip', 'The zip', zip.length)],
    });
  return lines;
}

/** Wadding and dust cover. */
function liningSizes({ plan, piece, rule }: Making): SizeLine[] {
  const front = plan.stations[0]!;
  const board = length('board', 'Board width', plan.outline.width);
  const stretched = isStretched(piece.wadding);
  const under = kindOf(piece.kind).traits.wall || (stretched && !wayOf(piece.covering.way).loose);
  const { wadding, dustCover } = plan;
  const faces = waddingFaces(piece.covering.way);
  const outline = { width: plan.outline.width, height: plan.outline.depth };
  return [
    ...(wadding
      ? [
          {
            ...coverLine,
            key: 'wadding',
            label: `${overAllName(piece.wadding)}, cut size`,
            value: wadding.width,
            by: wadding.height,
            note: `${wadding.count} to cut${faces > 1 ? ', two round each' : ''}`,
            formula: `each edge = board + (top − plan) + ${faces > 1 ? 'side ÷ 2' : 'side'}${under ? ' + under' : ''}`,
            terms: [
              board,
              length('top − plan', `Longer over the top than in plan, ${plan.base.words[0]}`, front.top - front.planDistance),
              length('side', `Down the side, ${plan.base.words[0]}`, front.side),
              ...(stretched ? [] : [rule('settled', 'waddingUnderCover')]),
              ...(under ? [rule('under', 'waddingUnder')] : []),
            ],
            sums: liningSums(wadding, outline, { under: under ? rule('under', 'waddingUnder').value : 0, faces }),
          },
        ]
      : []),
    ...(dustCover
      ? [
          {
            ...coverLine,
            key: 'dust',
            label: 'Dust cover, cut size',
            value: dustCover.width,
            by: dustCover.height,
            note: `${dustCover.count} to cut`,
            formula: 'size = board − 2 × inset + 2 × turn',
            terms: [board, rule('inset', 'dustInset'), rule('turn', 'dustTurn')],
            sums: growingSums('Board', outline, [
              ['Inset, both edges', { width: dustCover.finishedWidth, height: dustCover.finishedHeight }],
              ['Turned under, both edges', dustCover],
            ]),
          },
        ]
      : []),
  ];
}

/** The cover: what is cut, and what is sewn, nailed or buttoned into it. */
export function coverSizes(making: Making): SizeLine[] {
  const { cover } = making.plan;
  if (!cover) return [];
  return [
    ...(cover.pulled ? blankSizes(making, cover) : []),
    ...oldSizes(making, cover),
    ...pieceSizes(making, cover),
    ...weltSizes(making, cover),
    ...detailSizes(making, cover),
    ...liningSizes(making),
  ];
}
