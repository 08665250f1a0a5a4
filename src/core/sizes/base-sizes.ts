import { onStock } from '../base';
import { HIDING } from '../piece';
import { count, length, type BuyLine, type Making, type SizeLine, type SoldSize } from './types';

/** The straps or springs in a frame. */
function deckSizes({ plan, piece }: Making): SizeLine[] {
  const { deck } = plan.base;
  if (!deck || deck.stays) return [];
  const stretched = { symbol: 'stretched', label: 'Stretched by', value: deck.stretch, unit: 'percent' as const };
  const hessian: SizeLine = {
    key: 'deck.hessian',
    group: 'Board',
    label: 'Hessian over it, cut size',
    value: deck.hessian.width,
    by: deck.hessian.height,
    unit: 'length',
    note: `${piece.count} to cut`,
    formula: 'size = frame + 2 × (turned over − in from the edge)',
    terms: [length('frame', 'Frame width', plan.outline.width)],
  };
  const straps = (['along', 'across'] as const).flatMap((way): SizeLine[] => {
    const matching = deck.straps.filter((strap) => strap.way === way);
    if (matching.length === 0) return [];
    const longest = matching.reduce((most, strap) => (strap.cut > most.cut ? strap : most));
    const shortest = Math.min(...matching.map(({ cut }) => cut));
    return [
      {
        key: `deck.${way}`,
        group: 'Board',
        label: `${deck.part} ${way === 'along' ? 'front to back' : 'side to side'}, cut`,
        value: longest.cut,
        unit: 'length',
        note: [
          `${matching.length * piece.count} to cut`,
          ...(longest.cut - shortest > 1 ? [`the shortest ${Math.round(shortest)} mm`] : []),
          `stretched by ${Math.round(deck.stretch)} %`,
        ].join(', '),
        formula: 'cut = span ÷ (1 + stretch) + what either end is folded over',
        terms: [length('span', 'Fastening to fastening', longest.span), stretched, count('straps', 'On one piece', matching.length)],
      },
    ];
  });
  return [...straps, hessian];
}

/** Blocks in the corners of a frame, two out of every square. */
function blockSizes({ plan, piece }: Making): SizeLine[] {
  const blocks = plan.base.frame?.blocks;
  if (!blocks) return [];
  const all = blocks.count * piece.count;
  return [
    {
      key: 'frame.blocks',
      group: 'Board',
      label: 'Corner blocks, square to saw across',
      value: blocks.leg,
      by: blocks.leg,
      unit: 'length',
      note: `${Math.ceil(all / 2)} to saw, ${all} blocks, ${Math.round(plan.base.frame!.thickness)} mm thick`,
      formula: 'squares = blocks ÷ 2, rounded up',
      terms: [count('blocks', 'In one frame', blocks.count), count('pieces', 'Pieces', piece.count)],
    },
  ];
}

const degrees = (angle: number): number => Math.round((Math.abs(angle) * 180) / Math.PI);

/** What the wood of a base is sawn to: battens of its frame, strips along its edges, trims and their jigs. */
function woodSizes({ plan, piece, rule }: Making): SizeLine[] {
  const { frame, strips, trims } = plan.base;
  const set = count('pieces', 'Pieces', piece.count);
  const battens = (frame?.battens ?? []).map((batten, i): SizeLine => ({
    key: `frame.${i}`,
    group: 'Board',
    label: `Batten, ${batten.name}`,
    value: batten.length,
    unit: 'length',
    note: `${piece.count} to saw, ${Math.round(frame!.width)} × ${Math.round(frame!.thickness)} mm, ends ${batten.mitres.map(degrees).join('° and ')}°`,
    formula: 'length = the longer side, in from the board’s edge',
    terms: [length('inset', 'In from the edge', piece.base.frame!.inset), set],
  }));
  const edges = strips.map((strip): SizeLine => ({
    key: `strip.${strip.edge}`,
    group: 'Board',
    label: `Hard-edge strip, ${strip.edge}`,
    value: strip.length,
    unit: 'length',
    note: `${piece.count} to saw, ${strip.width} × ${strip.thickness} mm, ${Math.round(strip.inside)} mm inside, mitres ${degrees(strip.startMitre)}° and ${degrees(strip.endMitre)}°`,
    formula: 'length = mitre tip to mitre tip on the outside',
    terms: [length('inside', 'Along its inside', strip.inside), set],
  }));
  const bent = trims.map((trim): SizeLine => ({
    key: `trim.${trim.edge}`,
    group: 'Board',
    label: `Trim, ${trim.edge}`,
    value: trim.cut,
    unit: 'length',
    note: [
      `${trim.laminations * piece.count} to saw, ${Math.round(trim.layer * 10) / 10} mm thick`,
      ...(trim.jig === null ? [] : [`jig of ${Math.round(trim.jig)} mm radius`]),
    ].join(', '),
    formula: trim.jig === null ? 'length = the edge’s own' : 'length = the edge’s own + over at both ends; jig: (R + t/2)(1 − 1/n²) − t/2',
    terms: [
      length('edge', 'Length of the edge', trim.length),
      ...(trim.radius === null ? [] : [length('R', 'Tightest radius', trim.radius)]),
      length('t', 'Thickness of all layers', trim.thickness),
      count('n', 'Layers', trim.laminations),
    ],
  }));
  return [...battens, ...blockSizes({ plan, piece, rule }), ...edges, ...bent];
}

/** What the board is put together from. */
function courseSizes({ plan, piece }: Making): SizeLine[] {
  const { courses } = plan.base;
  const layers = piece.base.courses?.layers ?? 1;
  return courses.map((course) => ({
    key: `course.${course.layer}.${course.course}`,
    group: 'Board' as const,
    label: `Course ${course.course}${layers > 1 ? `, layer ${course.layer}` : ''}`,
    value: course.width,
    by: course.height,
    unit: 'length' as const,
    note: `${piece.count} to saw, ${Math.round(course.thickness * 10) / 10} mm thick${course.shaped ? ', shaped: traced from the one below' : ''}`,
    formula: 'size = what of the outline lies between two joints',
    terms: [length('course', 'Course, how high', piece.base.courses!.height), count('pieces', 'Pieces', piece.count)],
  }));
}

/** Where good cloth ends because what lies below is hidden. */
function hiddenSizes({ piece }: Making): SizeLine[] {
  const { hidden } = piece.base;
  if (!hidden) return [];
  return [
    {
      key: 'hidden',
      group: 'Board',
      label: 'Good cloth ends, from the near edge',
      value: Math.max(0, hidden.upTo - hidden.lap),
      unit: 'length',
      note: `${HIDING.find(({ id }) => id === hidden.by)!.name.toLowerCase()} hides it up to ${hidden.upTo} mm`,
      formula: 'join = hidden up to − how far good cloth goes on below that',
      terms: [length('up to', 'Hidden up to', hidden.upTo), length('lap', 'Good cloth goes on below', hidden.lap)],
    },
  ];
}

/** Where the cleats of panels go, on the panels and on the wall. */
function hangingSizes({ plan }: Making): SizeLine[] {
  const { panels } = plan;
  if (!panels) return [];
  const { hanging } = panels;
  const signed = (x: number): string => `${x < -0.5 ? '−' : ''}${Math.abs(Math.round(x))}`;
  return [
    {
      key: 'panels.line',
      group: 'Board',
      label: 'Cleats, below the top edge',
      value: hanging.line,
      unit: 'length',
      formula: 'a fifth of the height, from 50 to 150',
      terms: [count('cleats', 'Cleats in all', hanging.cleats.length)],
    },
    {
      key: 'panels.wall',
      group: 'Board',
      label: 'Cleats on the wall',
      value: hanging.wall.length,
      unit: 'count',
      note: `from its middle, − to the left: ${hanging.wall.map(signed).join(', ')} mm`,
      formula: 'middles of the panels, from the middle of the wall, and where each panel’s cleats are',
      terms: [length('width', 'One panel, covered', panels.width), length('gap', 'Gap', panels.gap)],
    },
  ];
}

/** A board that is sawn new: its template is drawn round on the sheet. */
function sawnSizes({ plan, piece }: Making): SizeLine[] {
  const board = plan.cut?.board;
  if (!board) return [];
  return [
    {
      key: 'board.sawn',
      group: 'Board',
      label: 'Board, sawn to',
      value: plan.outline.width,
      by: plan.outline.depth,
      unit: 'length',
      note: `${piece.count} to saw, ${board.materialName}, ${board.thickness} mm`,
      formula: 'as measured',
      terms: [],
    },
  ];
}

/** What the base itself is cut to. */
export function baseSizes(making: Making): SizeLine[] {
  return [
    ...sawnSizes(making),
    ...courseSizes(making),
    ...deckSizes(making),
    ...woodSizes(making),
    ...hiddenSizes(making),
    ...hangingSizes(making),
  ];
}

/** Battens are screwed to the board so far apart, mm. */
const SCREWS_APART = 200;

/** Wood to buy for the base: whole lengths of batten for the set with their screws, strip and trim by the metre. */
export function woodLines({ plan, piece }: Making): BuyLine[] {
  const { frame, strips, trims } = plan.base;
  const set = count('pieces', 'Pieces', piece.count);
  const lines: BuyLine[] = [];
  if (frame && frame.battens.length > 0) {
    const all = Array.from({ length: piece.count }, () => frame.battens.filter(({ length: value }) => value <= frame.stock)).flat();
    lines.push({
      key: 'frame.stock',
      ware: { kind: 'batten', sort: 'batten', name: 'Battens' },
      group: 'Buy',
      label: 'Battens',
      value: onStock(all, frame.stock, piece.base.frame!.kerf).lengths.length,
      unit: 'count',
      note: `${Math.round(frame.width)} × ${Math.round(frame.thickness)} mm, in lengths of ${frame.stock} mm${frame.tooLong.length > 0 ? `; too long for them: ${frame.tooLong.join(', ')}` : ''}`,
      sold: { width: frame.width, thickness: frame.thickness, length: frame.stock },
      formula: 'lengths = the set’s battens, longest first, each on the first length it goes on',
      terms: [length('stock', 'Stock length', frame.stock), length('kerf', 'Saw kerf', piece.base.frame!.kerf), set],
    });
  }
  if (frame && frame.battens.length > 0) {
    const one =
      frame.battens.reduce((sum, { length: value }) => sum + Math.max(2, Math.ceil(value / SCREWS_APART)), 0) +
      4 * (frame.blocks?.count ?? 0);
    lines.push({
      key: 'frame.screws',
      ware: { kind: 'fastener', sort: 'wood-screw', name: 'Wood screws' },
      group: 'Buy',
      label: 'Screws for the frame',
      value: one * piece.count,
      unit: 'count',
      note: 'short enough not to come through',
      formula: `screws = battens ÷ ${SCREWS_APART} mm, two at least in each, four in a block, × pieces`,
      terms: [count('one', 'On one piece', one), set],
    });
  }
  const metres = (line: Pick<BuyLine, 'key' | 'label' | 'ware'>, one: number, note: string, sold: SoldSize): void => {
    if (one <= 0) return;
    const terms = [length('one', 'For one piece', one), set];
    lines.push({
      ...line,
      group: 'Buy',
      value: one * piece.count,
      unit: 'thread',
      note,
      sold,
      formula: 'length = all of one piece × pieces',
      terms,
    });
  };
  for (const [width, thickness] of [...new Set(strips.map((strip) => `${strip.width} ${strip.thickness}`))].map(
    (key) => key.split(' ').map(Number) as [number, number],
  )) {
    const matching = strips.filter((strip) => strip.width === width && strip.thickness === thickness);
    metres(
      {
        key: `strip.${width}x${thickness}.length`,
        label: 'Hard-edge strip',
        ware: { kind: 'batten', sort: 'edge-strip', name: 'Hard-edge strip' },
      },
      matching.reduce((sum, strip) => sum + strip.length, 0),
      `${width} × ${thickness} mm`,
      { width, thickness },
    );
  }
  const { courses } = plan.base;
  metres(
    { key: 'courses.length', label: 'Planks for the board', ware: { kind: 'batten', sort: 'plank', name: 'Planks' } },
    courses.reduce((sum, course) => sum + course.width, 0),
    courses.length > 0 ? `${piece.base.courses!.height} mm wide, ${Math.round(courses[0]!.thickness * 10) / 10} mm thick` : '',
    { width: piece.base.courses?.height ?? 0 },
  );
  metres(
    { key: 'trim.length', label: 'Trim, all layers', ware: { kind: 'batten', sort: 'trim', name: 'Trim' } },
    trims.reduce((sum, trim) => sum + trim.cut * trim.laminations, 0),
    [...new Set(trims.map((trim) => `${Math.round(trim.layer * 10) / 10} mm thick`))].join(', '),
    {},
  );
  return lines;
}
