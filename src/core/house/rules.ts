/** What a rule's figure counts. */
export type RuleUnit = 'length' | 'percent' | 'seconds' | 'minutes' | 'count' | 'mass' | 'force' | 'money';

/** One house rule: a default the workshop can change, with the range that is sensible and the reason. */
export type Rule = {
  key: string;
  group: 'Cover' | 'Padding' | 'Fastening' | 'Board' | 'Cutting' | 'Times' | 'Price' | 'Sewn, nailed and framed work';
  label: string;
  unit: RuleUnit;
  value: number;
  /** outside this the figure is unusual and the application says so */
  sensible: readonly [number, number];
  /** outside this the figure is refused */
  allowed: readonly [number, number];
  reason: string;
};

type Row = [key: string, label: string, unit: RuleUnit, value: number, low: number, high: number, reason: string];

const COVER: Row[] = [
  [
    'return',
    'Turn-under: staple line in from the board’s edge',
    'length',
    18,
    12,
    25,
    'Close enough to save cloth, far enough in for the staple to bite sound wood. On a wall 25 to 40.',
  ],
  [
    'grip',
    'Pull allowance beyond the staple line',
    'length',
    35,
    25,
    50,
    'To hold while you pull; trimmed off later. Under 25 the fingers slip.',
  ],
  [
    'stapleToTrim',
    'Staple line to trimmed edge',
    'length',
    8,
    6,
    12,
    'Nearer and the cloth frays past the staple; farther and it shows under the dust cover.',
  ],
  ['dustInset', 'Dust cover in from the board’s edge', 'length', 10, 6, 20, 'Keeps it out of sight from the side.'],
  ['dustTurn', 'Dust cover turned under', 'length', 15, 10, 20, 'A folded edge does not fray.'],
  [
    'cornerCutStop',
    'Corner cut stops short of the board’s edge',
    'length',
    12,
    10,
    15,
    'A cut that reaches the edge shows once the cloth is pulled.',
  ],
  ['pleatDepth', 'Deepest tuck', 'length', 25, 12, 30, 'A deeper one makes a lump under the board.'],
  ['reliefOpening', 'Overlap allowed at a relief cut', 'length', 1.5, 0.5, 3, 'More than this gathers into a ridge round a curve.'],
];
const PADDING: Row[] = [
  ['overhang', 'Foam beyond the board', 'length', 6, 0, 12, 'The foam buries the hard edge of the board.'],
  ['crownInset', 'Crown pad inset, per step', 'length', 25, 15, 50, 'Keeps the crown’s step away from the edge.'],
  [
    'waddingUnder',
    'Wadding under the board, where it is stapled',
    'length',
    40,
    25,
    60,
    'On wall pieces; on a seat it ends at the board’s lower edge, or it would not drop in.',
  ],
  [
    'waddingUnderCover',
    'Wadding left once smoothed down',
    'percent',
    40,
    25,
    70,
    'Loose wadding settles to less than half its loft; the cover’s pressure at an edge takes more.',
  ],
  ['pullTaut', 'Pull, hard', 'force', 14, 10, 25, 'N per 10 cm of edge: as hard as two hands pull for long.'],
  ['pullFirm', 'Pull, firm', 'force', 9, 6, 14, 'N per 10 cm of edge: an even, easy pull.'],
  ['pullSmooth', 'Pull, light', 'force', 5, 2, 8, 'N per 10 cm of edge: only the slack is taken up.'],
  ['leastLeft', 'Foam left over the board, at least', 'length', 10, 6, 20, 'Less and the board is felt.'],
  ['mostStrain', 'Compression, at most', 'percent', 70, 55, 80, 'Beyond this, foam feels like a board.'],
  ['carvePass', 'Carved away in one pass', 'length', 3, 1, 6, 'More at once and left and right come out unlike.'],
];
const FIXING: Row[] = [
  ['staplePitch', 'Staple pitch', 'length', 22, 15, 25, 'Farther apart and the edge shows drag lines.'],
  ['cornerOpen', 'Left open at a corner', 'length', 50, 40, 75, 'The corner’s folds are made last and need room.'],
  ['stapleBite', 'Staple bite into the board', 'length', 6, 5, 10, 'Less pulls out.'],
  ['stapleClear', 'Staple short of the far face', 'length', 2, 1, 4, 'A point through the board ends in somebody’s hand.'],
  ['stapleSpare', 'Spare staples', 'percent', 10, 5, 25, 'Some are pulled and set again.'],
  ['gunShortest', 'Shortest leg the gun takes', 'length', 4, 4, 10, 'It stands on the gun or in its sheet: a shorter one jams.'],
  [
    'gunLongest',
    'Longest leg the gun takes',
    'length',
    16,
    8,
    25,
    'It stands on the gun or in its sheet: a longer one does not go into the magazine.',
  ],
  ['gunCrown', 'Crown the gun takes', 'length', 12, 5, 14, 'A gun takes one series of staples, all of one crown.'],
  ['broadCrown', 'Narrowest staple crown for coated cloth', 'length', 10, 8, 13, 'A narrow crown cuts a coated cloth.'],
];
const BASE: Row[] = [
  [
    'sitMass',
    'Sitter to pad for',
    'mass',
    85,
    60,
    140,
    'A grown sitter. Padded for a much heavier one, a seat is hard for everybody else.',
  ],
  ['boardMass', 'Sitter to build the board for', 'mass', 95, 60, 140, 'A heavy sitter; the board must bear them for years.'],
  ['sitShare', 'Share of a sitter on the seat', 'percent', 78, 60, 100, 'The rest is on the feet and the back.'],
  ['handLean', 'A hand leant on webbing or springs', 'mass', 20, 15, 30, 'One arm, elbow straight, without jumping on it.'],
  ['leanShare', 'Share of a sitter leaning on a board', 'percent', 30, 15, 50, 'Sitting up in bed, both shoulders.'],
  ['hardwareClear', 'Staples clear of holes and hardware', 'length', 8, 5, 15, 'A staple that meets an insert turns, or splits the board.'],
];
const CUTTING: Row[] = [
  ['foamSheetWidth', 'Foam sheet width', 'length', 1000, 500, 2200, 'What the supplier sells.'],
  ['foamSheetLength', 'Foam sheet length', 'length', 2000, 1000, 2500, 'What the supplier sells.'],
  ['glueFaces', 'Faces that are sprayed with glue', 'count', 2, 1, 2, 'Contact glue wants both faces; some products are sprayed on one.'],
  [
    'foamOversize',
    'Rough-cut foam, larger all round',
    'length',
    10,
    5,
    25,
    'Glued first and trimmed to the board with the blade against its edge: truer than any line cut beforehand.',
  ],
  ['foamKerf', 'Left between foam pieces', 'length', 4, 2, 10, 'The blade’s width and its wander.'],
  ['clothGap', 'Left between cloth pieces', 'length', 10, 5, 20, 'Room for the shears.'],
  ['boardSheetWidth', 'Board sheet width', 'length', 1220, 600, 1530, 'What the timber yard sells.'],
  ['boardSheetLength', 'Board sheet length', 'length', 2440, 1200, 3050, 'What the timber yard sells.'],
  ['boardKerf', 'Left between boards', 'length', 6, 3, 12, 'The saw’s cut, and a little to sand back to the line.'],
  ['waddingRoll', 'Wadding roll width', 'length', 1500, 900, 2000, 'What the supplier sells.'],
  ['filmRoll', 'Film and waterproof cloth, roll width', 'length', 1500, 900, 4000, 'What the supplier sells.'],
  ['dustRoll', 'Dust cloth roll width', 'length', 1400, 800, 1800, 'What the supplier sells.'],
];
const TIMES: Row[] = [
  ['timeStaple', 'Set one staple', 'seconds', 6, 3, 15, 'Pull, smooth, shoot.'],
  ['timeCorner', 'Fold one corner', 'minutes', 1.5, 1, 5, 'Fold, look, fold again; a butterfly is two folds, a cut one more.'],
  ['timeCutMetre', 'Cut one metre of foam', 'seconds', 75, 30, 180, 'Mark, cut upright, turn.'],
  ['timeClothMetre', 'Cut one metre of cloth', 'seconds', 45, 20, 120, 'Mark, cut, notch.'],
  [
    'timePart',
    'Prepare one part for sewing',
    'minutes',
    4,
    1,
    10,
    'Mark it, snip its notches, pin it, turn it: longer than its seams take.',
  ],
  ['timeSewMetre', 'Sew one metre, straight', 'seconds', 90, 40, 300, 'Guide it, stop at each notch, take the pins out.'],
  ['timeSewCurve', 'Sew one metre, curved', 'seconds', 180, 60, 400, 'The layers creep: eased a little at a time, needle down.'],
  ['timeSewPiped', 'Sew one metre with piping', 'seconds', 240, 90, 500, 'The piping first, then the parts to it, tight against its cord.'],
  ['timeTopStitch', 'Top-stitch one metre', 'seconds', 120, 60, 300, 'Slowly: this row is seen.'],
  ['timePiping', 'Make one metre of piping', 'seconds', 120, 60, 300, 'Join the strips, fold them round the cord, sew.'],
  ['timeChannel', 'Stitch one line of channels', 'minutes', 3, 1, 8, 'Along a chalked line, the layers held flat.'],
  ['timeZip', 'Set one zip in', 'minutes', 12, 6, 25, 'Press, baste, both sides, both ends.'],
  ['timeNail', 'Set one nail', 'seconds', 25, 8, 90, 'Mark, set, look along the line.'],
  ['timeRivet', 'Set one rivet', 'seconds', 48, 20, 120, 'Drill, washer, set, look.'],
  ['timeButtonCover', 'Cover one button', 'minutes', 3, 1, 6, 'Round of cloth, pattern in the middle, press, pull at it.'],
  ['timeButtonDraw', 'Draw in one button', 'minutes', 4, 2, 10, 'Needle through, twine, slip knot, look, knot.'],
  ['timeStripItem', 'Take off one layer or fitting', 'minutes', 4, 2, 15, 'Lift each staple, note where it sat, bag it.'],
  ['timeBoardCheck', 'Check one board', 'minutes', 3, 1, 10, 'Straight edge, hands over it, centre lines.'],
  ['timeSawBoard', 'Saw one board', 'minutes', 10, 5, 30, 'Draw round the template, saw outside the line, sand to it, break the edges.'],
  ['timeDriven', 'Drill for and fit one tee nut or insert', 'minutes', 2, 1, 6, 'Mark, drill square, drive it home flush.'],
  ['timePlate', 'Screw one plate or hinge on', 'minutes', 3, 1, 10, 'Set it out, pilot holes, screws, try it.'],
  ['timeWadding', 'Lay wadding on one piece', 'minutes', 2, 1, 8, 'A light coat, smooth from the middle.'],
  ['timeLabel', 'Measure and label one piece', 'minutes', 2, 1, 10, 'Height, crown, name and day.'],
  ['timeHang', 'Hang one panel', 'minutes', 8, 3, 30, 'Level, try, press home, look along the gaps.'],
  [
    'setShare',
    'Each further piece of a set takes',
    'percent',
    60,
    40,
    100,
    'The knife is out, the pattern known: the eighth goes faster than the first.',
  ],
  ['timeStrap', 'Stretch one strap or hook one spring', 'minutes', 3, 1, 8, 'Fasten, stretch, fasten, fold, cut off.'],
  ['timeBatten', 'Saw and fix one batten or strip', 'minutes', 6, 2, 20, 'Mark, saw, fit, glue, screw.'],
  ['timeJig', 'A bent trim in its jig', 'minutes', 240, 60, 1440, 'Until the glue’s own sheet says that it holds under stress.'],
  ['timeGlueSquare', 'Glue one square metre', 'minutes', 12, 5, 30, 'Two faces, even coat.'],
  ['timeGlueTack', 'Glue: wait until tacky', 'minutes', 5, 1, 20, 'See the product’s label.'],
  [
    'timeGlueOpen',
    'Glue: laid within',
    'minutes',
    25,
    8,
    120,
    'Its open time, from the last of the coat: after it the glue no longer grabs and is put on again.',
  ],
  [
    'timeGluePress',
    'Glue: left alone once pressed',
    'minutes',
    3,
    0,
    60,
    'See the product’s label; foam pulled before the glue holds creeps.',
  ],
];
const PRICE: Row[] = [
  ['hourPrice', 'An hour of work', 'money', 42, 20, 120, 'What an hour must earn, rent and tools included.'],
  ['consumables', 'Consumables, on the materials', 'percent', 4, 1, 15, 'Blades, needles, chalk, tape, gas: what nobody counts.'],
  ['leftCredit', 'Leftovers worth keeping are credited', 'percent', 50, 0, 100, 'Some offcuts get used one day; not all.'],
  ['margin', 'Margin on all of it', 'percent', 15, 5, 60, 'For what goes wrong, and for the shop.'],
];
const OTHER: Row[] = [
  ['slipFilm', 'Slip film oversize, in all', 'length', 200, 150, 300, 'Never pulled tight, never pierced on top.'],
  ['seamAllowance', 'Seam allowance', 'length', 12, 10, 13, 'Holds the seam without bulk.'],
  [
    'topSeamIn',
    'Top seam in from the edge’s shoulder',
    'length',
    6,
    0,
    25,
    'On top of the edge: a seam that slips over it looks crooked at once.',
  ],
  ['notchPitch', 'Between match notches', 'length', 150, 80, 250, 'Closer ones keep two long edges from creeping past each other.'],
  ['weltOverlap', 'Piping ends overlap', 'length', 40, 25, 60, 'Cord butted, strip folded over: less opens with wear.'],
  ['stripLongest', 'Longest strip cut in one', 'length', 1370, 1000, 2800, 'What the roll gives from selvedge to selvedge.'],
  ['bandExtra', 'Band, extra below the staple line', 'length', 75, 25, 90, 'Something to pull on.'],
  ['nailMargin', 'Nail-line margin', 'length', 50, 25, 75, 'Nails bite wood, not foam.'],
  ['channelTakeUp', 'Channel take-up, per stitched line', 'length', 3, 2, 5, 'Or from your own sewn swatch.'],
  [
    'quiltRough',
    'Quilted panel, cut larger all round',
    'length',
    20,
    15,
    40,
    'Quilting moves the edges; the panel is cut to its template afterwards.',
  ],
  ['yCutStop', 'Y-cut stops short of the rail', 'length', 25, 15, 30, 'Leaves cloth to turn round the rail.'],
  ['turnUnder', 'Turned under at a finished edge', 'length', 15, 10, 25, 'Hides the raw edge under nails or against a lip.'],
  ['pullThrough', 'Deck through the frame, below the rail', 'length', 110, 80, 160, 'Rail height and something to pull on.'],
  ['needleExtra', 'Needle longer than the padding', 'length', 50, 40, 100, 'Both ends must be held.'],
  [
    'machineFoot',
    'Thickest seam under the machine’s foot',
    'length',
    10,
    5,
    14,
    'Beyond what the foot lifts and the needle passes a seam is not sewn but bent; a domestic machine takes five, a walking foot ten and more.',
  ],
  ['threadFactor', 'Thread for a length of seam', 'percent', 280, 220, 350, 'Two threads, their interlock and ends.'],
  [
    'fillPer100',
    'Filling for 100 litres of cushion',
    'mass',
    3.8,
    1.5,
    8,
    'Loose fibre for what is leant on: less goes flat within a year, more is hard as a bolster.',
  ],
  ['caseMore', 'Case larger than its cover', 'percent', 4, 0, 10, 'The filling is held plump by the cover, not by the case.'],
  [
    'zipClear',
    'Zip past either corner, at least',
    'length',
    60,
    40,
    100,
    'A slider that stops at the corner tears it; where the pad would not go in it runs on.',
  ],
  ['zipFree', 'Free of foam and wadding beside a zip', 'length', 20, 10, 40, 'A slider that meets foam or wadding bites it and jams.'],
  ['yCutArm', 'Y-cut arm', 'length', 25, 15, 30, 'Turns under on either side of the rail.'],
];

/** No figure in a rule may be larger than this many times the top of its sensible range. */
const ALLOWED_FACTOR = 4;

function rows(group: Rule['group'], table: Row[]): Rule[] {
  return table.map(([key, label, unit, value, low, high, reason]) => ({
    key,
    group,
    label,
    unit,
    value,
    sensible: [low, high],
    allowed: [
      key === 'overhang' ? -100 : ZERO_ALLOWED.has(key) ? 0 : Math.min(low, 0.5),
      unit === 'percent' ? Math.max(100, high) : high * ALLOWED_FACTOR,
    ],
    reason,
  }));
}

/** Rules for which nothing at all is a choice somebody makes. */
const ZERO_ALLOWED = new Set([
  'hourPrice',
  'consumables',
  'leftCredit',
  'margin',
  'grip',
  'crownInset',
  'waddingUnder',
  'dustInset',
  'dustTurn',
  'stapleSpare',
  'foamKerf',
  'foamOversize',
  'clothGap',
  'stapleClear',
  'stapleToTrim',
  'cornerOpen',
  'topSeamIn',
  'timeGlueTack',
  'timeGlueOpen',
  'timeGluePress',
]);

/** Every house rule, in the order it is shown. */
export const RULES: readonly Rule[] = [
  ...rows('Cover', COVER),
  ...rows('Padding', PADDING),
  ...rows('Fastening', FIXING),
  ...rows('Board', BASE),
  ...rows('Cutting', CUTTING),
  ...rows('Times', TIMES),
  ...rows('Price', PRICE),
  ...rows('Sewn, nailed and framed work', OTHER),
];

const BY_KEY = new Map(RULES.map((rule) => [rule.key, rule]));

/** The rule of that key, or undefined. */
export function ruleOf(key: string): Rule | undefined {
  return BY_KEY.get(key);
}

/** The workshop's own figures, by rule key; a rule that is missing stands at its default. */
export type HouseRules = Record<string, number>;

/** The default of every rule. */
export function defaultHouse(): HouseRules {
  return Object.fromEntries(RULES.map((rule) => [rule.key, rule.value]));
}
