import type { Plan } from '../plan';
import { pulledOver } from '../cover';
import type { SlipLine, Term } from './types';

const length = (symbol: string, label: string, value: number): Term => ({ symbol, label, value, unit: 'length' });
const count = (symbol: string, label: string, value: number): Term => ({ symbol, label, value, unit: 'count' });

/**
 * The slip's lines about the cover: what is cut, and what is sewn, nailed or buttoned into it.
 *
 * @param plan the piece's plan
 * @param rule makes a term of a house rule
 */
export function coverLines(plan: Plan, rule: (symbol: string, key: string) => Term): SlipLine[] {
  const { cover } = plan;
  const front = plan.stations[0]!;
  const near = plan.base.words[0];
  const own = { group: 'Cover' as const, unit: 'length' as const };
  const lines: SlipLine[] = [];
  if (pulledOver(cover.method)) {
    const blank = cover.pieces[0]!;
    lines.push(
      {
        ...own,
        key: 'wrap',
        label: `Wrap at the ${near}`,
        value: front.wrap,
        note: 'side + return + grip',
        formula: 'wrap = side + return + grip',
        terms: [length('side', 'Side, measured down the covered section', front.side), rule('return', 'return'), rule('grip', 'grip')],
      },
      {
        ...own,
        key: 'fromCentre',
        label: `Centre to cloth edge, ${near}`,
        value: front.fromCentre,
        formula: 'from centre = top + side + return + grip',
        terms: [
          length('top', 'Over the top, along the covered section', front.top),
          length('side', 'Side', front.side),
          rule('return', 'return'),
          rule('grip', 'grip'),
        ],
      },
      {
        ...own,
        key: 'cover',
        label: 'Cover, cut size',
        value: blank.width,
        by: blank.height,
        note: `${blank.count} to cut`,
        formula: 'each edge = board + (top − plan) + side + return + grip',
        terms: [
          length('board', 'Board width', plan.outline.width),
          length('top − plan', `Longer over the top than in plan, ${near}`, front.top - front.planDistance),
          length('side', `Side, ${near}`, front.side),
          rule('return', 'return'),
          rule('grip', 'grip'),
        ],
      },
    );
  }
  for (const piece of pulledOver(cover.method) ? cover.pieces.slice(1) : cover.pieces) {
    const seam = piece.edges.find((edge) => edge.kind === 'seam');
    lines.push({
      ...own,
      key: `piece.${piece.id}`,
      label: `${piece.name}, cut size`,
      value: piece.width,
      by: piece.height,
      note: `${piece.count} to cut${piece.cloth === 'lining' ? ', lining cloth' : ''}`,
      formula: 'size = laid flat from the covered surface + an allowance along every edge',
      terms: [
        ...(seam ? [length('seam', 'Its seam, as sewn', seam.sewn)] : []),
        rule('allowance', 'seamAllowance'),
        ...(piece.edges.some((edge) => edge.kind === 'staple') ? [rule('return', 'return'), rule('extra', 'bandExtra')] : []),
      ],
    });
  }
  for (const welt of cover.welts)
    lines.push({
      ...own,
      key: `welt.${welt.seam}`,
      label: `Welt strip, ${welt.name.toLowerCase()}`,
      value: welt.stripLength,
      by: welt.stripWidth,
      note: `${welt.cut === 'bias' ? 'on the bias' : 'on the straight'}, ${welt.strips === 1 ? 'in one' : `in ${welt.strips} parts joined at 45°`}, join at the ${welt.join}`,
      formula: `length = seam + overlap + joins; width = π·cord${welt.double ? '·2' : ''} + 2·allowance`,
      terms: [
        length('seam', 'The seam, along the piece', welt.seamLength),
        length('cord', 'Cord', welt.cord),
        rule('overlap', 'weltOverlap'),
        rule('allowance', 'seamAllowance'),
      ],
    });
  const { channels, nails, buttons, zip } = cover;
  if (channels)
    lines.push({
      ...own,
      key: 'channels',
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
      ...own,
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
      ...own,
      key: 'buttons',
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
      ...own,
      key: 'zip',
      label: 'Zip',
      value: zip.length,
      note: `at the ${zip.place}`,
      formula: 'zip = the back + clearance round either corner',
      terms: [rule('clearance', 'zipClear')],
    });
  const thread = cover.seams.reduce((sum, seam) => sum + seam.thread, channels?.thread ?? 0);
  if (thread > 0)
    lines.push({
      ...own,
      key: 'thread',
      group: 'Buy',
      label: 'Thread for one',
      value: thread,
      formula: 'thread = seams and stitch lines × factor',
      terms: [rule('factor', 'threadFactor')],
    });
  return lines;
}
