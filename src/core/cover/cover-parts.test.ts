import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { applyOverrides } from '../house';
import { bounds, offsetPolygon, polygonPerimeter } from '../outline';
import { problemsOf } from '../document';
import { newChairSeat, newPiece, type Channels, type Covering, type Piece, type Welt } from '../piece';
import { planPiece, type Plan } from '../plan';
import { channelled } from './details/channels';
import { flatPiece, withAllowances, type CoverPiece } from './laying/cloth-piece';
import { movedBy } from './surface/levels';
import { stripWidth, weltPlan } from './details/welts';
import { QUICK } from '../../testing/quick';

const rule = applyOverrides({}, {});
const plan = (change: Partial<Piece>, base: Piece = newChairSeat()): Plan => planPiece({ ...base, ...change }, {}, QUICK);
const covered = (covering: Covering, base: Piece = newChairSeat()): Plan => plan({ covering }, base);

const square = (side: number): CoverPiece => {
  const sewn = [
    [-side / 2, -side / 2],
    [side / 2, -side / 2],
    [side / 2, side / 2],
    [-side / 2, side / 2],
  ] as [number, number][];
  return {
    ...flatPiece('Top panel', 1, sewn),
    id: 'top',
    role: 'top',
    cloth: 'cover',
    grain: 'depth',
    hand: null,
    centreMarks: [],
    trimLine: sewn,
    stapleLine: [],
    sewn,
    edges: [{ id: 'top', kind: 'seam', seam: 'top', from: 0, sides: 4, allowance: 12, flat: 4 * side, sewn: 4 * side }],
    notches: [],
    lines: [],
    marks: [],
    strain: null,
    template: null,
    longer: 1,
    net: side * side,
    surface: side * side,
    motif: null,
    note: '',
  };
};

describe('allowances', () => {
  it('grow a square by its own on every side, unlike ones too', () => {
    const grown = withAllowances(square(100).sewn, [10, 20, 30, 40]);
    const box = bounds(grown);
    expect([box.minY, box.maxX, box.maxY, box.minX]).toEqual([-60, 70, 80, -90]);
  });

  it('agree with the clipping library’s offset on any convex outline', () => {
    fc.assert(
      fc.property(fc.integer({ min: 5, max: 14 }), fc.double({ min: 4, max: 30, noNaN: true }), (n, d) => {
        const ring = Array.from({ length: n }, (_, i): [number, number] => [
          200 * Math.cos((2 * Math.PI * i) / n),
          140 * Math.sin((2 * Math.PI * i) / n),
        ]);
        const allowances = withAllowances(
          ring,
          ring.map(() => d),
        );
        expect(Math.abs(polygonPerimeter(allowances) / polygonPerimeter(offsetPolygon(ring, d)!) - 1)).toBeLessThan(0.002);
      }),
    );
  });
});

describe('welts', () => {
  const welt: Welt = { cord: 6, cut: 'straight', upper: true, lower: true, double: false };
  const seam = { id: 'top', name: 'Top seam', length: 2600, join: 'back middle' };

  it('strip width is π·d + 2·seam; a double one goes round two cords', () => {
    expect(stripWidth(welt, 12)).toBeCloseTo(Math.PI * 6 + 24, 9);
    expect(stripWidth({ ...welt, double: true }, 12)).toBeCloseTo(2 * Math.PI * 6 + 24, 9);
  });

  it('length is the path, the overlap, and a strip’s width for every join at 45°', () => {
    const one = weltPlan({ ...seam, length: 900 }, welt, 0, rule, { rollWidth: 1400 });
    expect([one.strips, one.stripLength]).toEqual([1, 940]);
    const two = weltPlan(seam, welt, 0, rule, { rollWidth: 1400 });
    expect(two.strips).toBe(2);
    expect(two.stripLength).toBeCloseTo(2600 + 40 + two.stripWidth, 9);
    // On the bias strips come out of a block half as deep as the roll is wide.
    const bias = weltPlan({ ...seam, length: 1700 }, { ...welt, cut: 'bias' }, 0, rule, { rollWidth: 1400 });
    // Joined every half metre or so: a block of 0.4 m of roll, where one long strip took 0.7 m for an arm pad's welts.
    expect(bias.strips).toBe(3);
    expect(bias.stripLength / bias.strips).toBeGreaterThan(450);
    expect(bias.stripLength / bias.strips).toBeLessThan(700);
    expect(weltPlan({ ...seam, length: 500 }, { ...welt, cut: 'bias' }, 0, rule, { rollWidth: 1400 }).strips).toBe(1);
    // A cloth that loses 4 % in the wash gives the same length once it has.
    const shrinking = weltPlan(seam, welt, 0, rule, { rollWidth: 1400, longer: 1 / 0.96 });
    expect((shrinking.stripLength - (shrinking.strips - 1) * shrinking.stripWidth) * 0.96).toBeCloseTo(2640, 6);
    expect(shrinking.stripWidth * 0.96).toBeCloseTo(two.stripWidth, 6);
    expect(two.cordLength).toBe(2640);
    expect(weltPlan(seam, { ...welt, double: true }, 0, rule, { rollWidth: 1400 }).cordLength).toBe(5280);
  });

  it('the allowance is snipped closer the tighter the curve, and not at all on straight runs', () => {
    const snip = (radius: number): number => weltPlan(seam, welt, radius, rule, { rollWidth: 1400 }).snip;
    expect(snip(80)).toBeCloseTo((1.5 * 80) / 12, 9);
    expect(snip(200)).toBeGreaterThan(snip(80));
    expect(snip(Infinity)).toBe(0);
  });

  it('says where the bias is wanted: a straight strip round a curve tighter than 75 mm', () => {
    const tight = newPiece('round-seat', { type: 'round', diameter: 120 });
    const codes = (cut: Welt['cut']): string[] =>
      plan({ covering: { way: 'boxed', welt: { ...welt, cut } }, overrides: { return: 20 } }, tight).warnings.map(({ code }) => code);
    expect(codes('straight')).toContain('welt-on-the-straight');
    expect(codes('bias')).not.toContain('welt-on-the-straight');
    expect(codes('as-it-bends')).not.toContain('welt-on-the-straight');
  });

  it('a strip that nobody decided is straight, the thriftier, until its curve is tighter than a straight one follows', () => {
    const cut = (tightest: number): string => weltPlan(seam, { ...welt, cut: 'as-it-bends' }, tightest, rule, { rollWidth: 1400 }).cut;
    expect([0, 75, 400, Infinity].map(cut)).toEqual(['straight', 'straight', 'straight', 'straight']);
    expect([12, 40, 74].map(cut)).toEqual(['bias', 'bias', 'bias']);
    // What was decided stays so round any curve.
    expect(weltPlan(seam, welt, 20, rule, { rollWidth: 1400 }).cut).toBe('straight');
    expect(weltPlan(seam, { ...welt, cut: 'bias' }, 400, rule, { rollWidth: 1400 }).cut).toBe('bias');
  });

  it('its strips are laid on the roll with the pieces', () => {
    const made = covered({ way: 'boxed', welt: { ...welt, held: 'sewn' } });
    expect(made.cover.welts.map((one) => one.seam)).toEqual(['top', 'lower']);
    const strips = made.cut.cloth.laid.filter((laid) => laid.label.startsWith('Piping'));
    expect(strips.length).toBe(made.cover.welts.reduce((sum, one) => sum + one.strips, 0));
    expect(made.cut.lining!.laid.some((laid) => laid.label.startsWith('Fly'))).toBe(true);
    const bias = covered({ way: 'boxed', welt: { ...welt, cut: 'bias' } });
    expect(bias.cut.cloth.laid.filter((laid) => laid.label.includes('bias block'))).toHaveLength(2);
  });
});

describe('channels', () => {
  const channels: Channels = { lay: 'straight', run: 'front-to-back', width: 50, centre: 'channel', backing: 6, swatch: null };

  it('cut width is the sewn width, a take-up for every line and two seams; the stitching brings it back', () => {
    const { piece, plan: made } = channelled(square(400), channels, rule);
    // Lines at ±25, ±75, ±125, ±175: eight of them, seven channels, 25 at either edge.
    expect([made.lines, made.count, made.part]).toEqual([8, 7, 25]);
    expect(piece.width).toBeCloseTo(400 + 8 * 3, 9);
    expect(made.cutWidth).toBeCloseTo(400 + 8 * 3 + 24, 9);
    expect(piece.height).toBeCloseTo(400, 9);
    expect(made.pitch).toBe(53);
    expect(made.thread).toBeCloseTo(8 * 400 * 2.8, 6);
  });

  it('lie symmetric about the middle, with a channel or a line on it', () => {
    for (const centre of ['channel', 'line'] as const) {
      const { piece, plan: made } = channelled(square(330), { ...channels, centre }, rule);
      const at = piece.lines.filter((line) => line.kind === 'stitch').map((line) => line.points[0]![0]);
      for (const x of at) expect(at.some((other) => Math.abs(other + x) < 1e-6)).toBe(true);
      expect(at.some((x) => Math.abs(x) < 1e-6)).toBe(centre === 'line');
      const steps = at.slice(1).map((x, i) => x - at[i]!);
      for (const step of steps) expect(step).toBeCloseTo(made.pitch, 6);
    }
  });

  it('a sewn swatch says what a line takes up', () => {
    const { plan: made } = channelled(square(400), { ...channels, swatch: { lines: 6, before: 300, after: 273 } }, rule);
    expect([made.takeUp, made.fromSwatch, made.pitch]).toEqual([4.5, true, 54.5]);
    const wrong = problemsOf({
      ...newChairSeat(),
      covering: { way: 'channelled', channels: { ...channels, swatch: { lines: 5, before: 200, after: 210 } } },
    });
    expect(wrong[0]!.message).toContain('measure it again before and after');
  });

  it('may run across, or fan out: a fan opens sideways only where its lines pass', () => {
    expect(channelled(square(400), { ...channels, run: 'across' }, rule).piece.height).toBeCloseTo(424, 9);
    const fan = channelled(square(400), { ...channels, lay: 'radiating' }, rule);
    expect(fan.piece.width).toBeGreaterThan(415);
    const [first] = fan.piece.lines.filter((line) => line.kind === 'stitch');
    expect(Math.abs(first!.points[0]![0] - first!.points[1]![0])).toBeGreaterThan(20);
  });

  it('without backed foam the plan warns that stitches tear', () => {
    const made = covered({ way: 'channelled', channels: { ...channels, backing: 0 } });
    expect(made.warnings.map(({ code }) => code)).toContain('no-backing');
    expect(made.steps.map(({ key }) => key)).toContain('channels');
    expect(made.cover.linings).toEqual([]);
    const backed = covered({ way: 'channelled', channels });
    // The backed foam is cut like the cloth it is stitched to.
    expect(backed.cover.linings.find(({ material }) => material === 'backed-foam')!.width).toBeCloseTo(backed.cover.pieces[0]!.width, 6);
    expect(covered({ way: 'saddle-set', channels }, newPiece('saddle')).cover.channels!.piece).toBe('top');
  });
});

describe('nails and buttons', () => {
  const board = newPiece('headboard-nailed');

  it('nails stand at an even pitch nearest the wanted, corners first, and bite wood', () => {
    const made = covered({ way: 'nail-edged', nails: { pitch: 25, head: 11, small: null } }, board);
    const nails = made.cover.nails!;
    for (const run of nails.runs) {
      expect(run.count).toBe(Math.round(run.length / 25));
      expect(run.pitch * run.count).toBeCloseTo(run.length, 1);
    }
    expect(nails.count).toBe(nails.runs.reduce((sum, run) => sum + run.count, 0));
    expect(nails.margin).toBe(50);
    expect(made.warnings.map(({ code }) => code)).not.toContain('nails-over-foam');
    const over = covered({ way: 'nail-edged' }, newChairSeat());
    expect(over.warnings.map(({ code }) => code)).toContain('nails-over-foam');
    expect(over.cover.suits.find(({ way }) => way === 'nail-edged')!.fit).toBe('not');
  });

  it('sizes in turn keep the gap even, and every corner carries a large head', () => {
    const nails = covered({ way: 'nail-edged', nails: { pitch: 22, head: 16, small: 9 } }, board).cover.nails!;
    for (const run of nails.runs) expect(run.count % 2).toBe(0);
    expect(nails.small * 2).toBe(nails.count);
    const heads = nails.places.map(({ head }) => head);
    expect(heads.every((head, i) => head !== heads[(i + 1) % heads.length])).toBe(true);
  });

  it('each run from button to button is 2·√((s/2)² + t²), and the cover is cut wider by it', () => {
    const buttons = { columns: 4, rows: 2, spacing: 90, depth: 20, size: 22 };
    const made = covered({ way: 'buttoned', buttons });
    const run = 2 * Math.hypot(45, 20);
    expect(made.cover.buttons!.run).toBeCloseTo(run, 3);
    const plain = covered({ way: 'pull-over' }).cover.pieces[0]!;
    expect(made.cover.pieces[0]!.width - plain.width).toBeCloseTo(4 * (run - 90), 2);
    expect(made.cover.pieces[0]!.height - plain.height).toBeCloseTo(2 * (run - 90), 2);
    expect(made.cover.buttons!.needle).toBeGreaterThan(50 + 12 + 50);
    expect(made.steps.find(({ key }) => key === 'buttons')!.caution).toContain('children');
    const far = problemsOf({ ...newChairSeat(), covering: { way: 'buttoned', buttons: { ...buttons, columns: 9 } } });
    expect(far[0]!.message).toContain('reach beyond the board');
  });
});

describe('what else belongs to a way', () => {
  it('liner, film and waterproof cover have their own sizes', () => {
    const made = covered({ way: 'pull-over', liner: true, slipFilm: true, waterproof: true });
    const cover = made.cover.pieces[0]!;
    const of = (material: string) => made.cover.linings.find((one) => one.material === material)!;
    expect(of('liner').width).toBeLessThan(cover.width);
    expect(of('film').width).toBeGreaterThan(made.outline.width + 2 * made.stations[0]!.side + 190);
    // The cover reaches 18 + 35 under the board; this one its own row, five farther in than the cover's, and 8 beyond it to trim.
    expect(cover.width - of('waterproof').width).toBeCloseTo(2 * (18 + 35 - 23 - 8), 0);
    expect(made.cut.lining!.laid.map(({ label }) => label)).toContain('Liner cloth');
    expect(made.steps.map(({ key }) => key)).toEqual(expect.arrayContaining(['lay-liner', 'lay-film', 'lay-waterproof']));
  });

  it('a block cover has a zip that goes round both back corners, and a bottom', () => {
    const made = covered({ way: 'block' }, newPiece('block-seat'));
    const back = made.outline.width;
    expect(made.cover.zip!.length).toBeGreaterThan(back + 80);
    expect(made.cover.pieces.map(({ role }) => role)).toEqual(['top', 'band', 'band', 'band', 'zip', 'zip', 'bottom']);
    const [upper, lower] = made.cover.pieces.filter(({ role }) => role === 'zip');
    expect(
      Math.abs(upper!.edges.find(({ kind }) => kind === 'zip')!.flat - lower!.edges.find(({ kind }) => kind === 'zip')!.flat),
    ).toBeLessThan(1);
    expect(made.cover.seams.find(({ id }) => id === 'lower')!.partners.some(({ piece }) => piece === 'Bottom panel')).toBe(true);
  });

  it('a tight deck passes through the frame, or is lengthened by pulls of plain cloth', () => {
    const base = newPiece('tight-seat');
    const deck = covered({ way: 'tight-deck' }, base);
    const over = covered({ way: 'pull-over' }, base);
    expect(deck.cover.pieces[0]!.width - over.cover.pieces[0]!.width).toBeCloseTo(2 * (110 - 18 - 35), 1);
    const pulls = covered({ way: 'tight-deck', pulls: true }, base);
    expect(pulls.cover.pieces[0]!.width).toBeLessThan(over.cover.pieces[0]!.width);
    expect(pulls.cover.pieces.filter(({ role }) => role === 'pull')).toHaveLength(4);
    expect(pulls.cut.lining).not.toBeNull();
  });

  it('a post in the middle of an edge takes a Y-cut that stops short of it', () => {
    const base = newChairSeat();
    const notched: Piece = {
      ...base,
      base: { ...base.base, notches: [{ id: 'n-1', at: { kind: 'edge', name: 'back', along: 0 }, width: 60, depth: 40 }] },
    };
    const [cut] = covered({ way: 'pull-over' }, notched).cover.yCuts;
    expect(cut!.stop).toBeGreaterThanOrEqual(12);
    expect(cut!.arms).toHaveLength(2);
    const [a, b] = cut!.arms.map(([, tip]) => tip);
    expect(Math.abs(a![0] + b![0])).toBeLessThan(1);
    expect(cut!.stem[0][1]).toBeGreaterThan(cut!.stem[1][1]);
  });

  it('a lip panel ends at its lip and is turned under; strips, top stitch and thread are counted', () => {
    const made = covered({ way: 'lipped', lip: 20 });
    const panel = made.cover.pieces[0]!;
    expect(panel.edges[0]).toMatchObject({ kind: 'turn', allowance: 15 });
    expect(panel.width).toBeLessThan(made.outline.width);
    const sewn = covered({ way: 'boxed', backingStrips: true, doubleStitch: true, topStitch: 6 });
    expect(sewn.cover.backing.map(({ width }) => width)).toEqual([30, 30]);
    expect(sewn.cover.pieces[0]!.lines.some(({ kind }) => kind === 'top-stitch')).toBe(true);
    expect(sewn.cover.seams[0]!.thread).toBeGreaterThan(covered({ way: 'boxed' }).cover.seams[0]!.thread * 1.4);
  });

  it('a border too wide is refused in words; a seam that would cross itself is brought nearer the edge, and that is said', () => {
    expect(problemsOf({ ...newChairSeat(), covering: { way: 'bordered', border: 400 } })[0]!.message).toContain('leaves no panel');
    const base = newChairSeat();
    const slot: Piece = {
      ...base,
      base: { ...base.base, notches: [{ id: 'n-1', at: { kind: 'edge', name: 'back', along: 0 }, width: 60, depth: 200 }] },
      covering: { way: 'bordered', border: 90 },
    };
    expect(problemsOf(slot)).toEqual([]);
    const plan = planPiece(slot, {}, QUICK);
    const { nearer } = plan.cover;
    expect(nearer).toMatchObject({ field: 'border', asked: 90 });
    expect(nearer!.taken).toBeLessThan(90);
    expect(nearer!.taken).toBeGreaterThan(8);
    // The warning names the field, and its mend sets what was taken: then it is gone.
    const warning = plan.warnings.find(({ code }) => code === 'seam-too-deep')!;
    expect(warning.mend).toEqual({ says: `Take ${String(nearer!.taken)} mm`, path: 'covering.border', value: nearer!.taken });
    const mended = planPiece({ ...slot, covering: { way: 'bordered', border: nearer!.taken as number } }, {}, QUICK);
    expect(mended.cover.nearer).toBeNull();
    expect(mended.warnings.some(({ code }) => code === 'seam-too-deep')).toBe(false);
  });
});

describe('how much wider than the board, and why', () => {
  it.each(['pull-over', 'boxed', 'bordered', 'saddle-set', 'lipped', 'block', 'tight-deck'] as const)(
    '%s: the parts add up at every place, and agree with the stations',
    (way) => {
      const made = covered({ way, border: 60 });
      const { parts, places } = made.cover.reach;
      expect(places.length).toBeGreaterThan(60);
      for (const place of places) {
        expect(place.values).toHaveLength(parts.length);
        expect(place.values.reduce((sum, value) => sum + value, 0)).toBeCloseTo(place.total, 2);
      }
      if (way !== 'pull-over') return;
      for (const station of made.stations) {
        const place = places.find((one) => Math.hypot(one.x - station.x, one.y - station.y) < 0.1)!;
        expect(place.total).toBeCloseTo(station.top - station.planDistance + station.wrap, 0);
      }
    },
  );

  it('seams cost their allowances: a boxed cover takes more beyond the board than a pulled one by those', () => {
    const total = (covering: Covering): number => covered({ ...covering }).cover.reach.places[0]!.total;
    const boxed = total({ way: 'boxed', welt: { cord: 5, cut: 'straight', upper: false, lower: false, double: false } });
    const more = boxed - (total({ way: 'pull-over' }) + 24 + 75 - 35);
    // A seam that is held keeps the corner square, where a pulled cover rounds it off.
    expect(more).toBeGreaterThan(0);
    expect(more).toBeLessThan(14);
  });
});

describe('the motif', () => {
  const striped = { ...newChairSeat().cloth, repeatAcross: 84, repeatAlong: 0, direction: 'along' as const };

  it.each(['stripe', 'between'] as const)('falls on the %s within half a millimetre on every piece of the set', (on) => {
    const made = plan({ count: 8, cloth: striped, covering: { way: 'pull-over', motif: { x: 30, y: 0, on } } });
    expect(made.cut.motifs).toHaveLength(8);
    for (const { x } of made.cut.motifs) {
      const off = (((x - (on === 'between' ? 42 : 0)) % 84) + 84) % 84;
      expect(Math.min(off, 84 - off)).toBeLessThan(0.5);
    }
    expect(made.warnings.map(({ code }) => code)).not.toContain('motif-not-placed');
  });

  it('runs on from the panel into the band at the front, and is missed where nobody placed it', () => {
    const made = plan({ count: 2, cloth: striped, covering: { way: 'boxed', bandCut: 'straight', motif: { x: 0, y: 0, on: 'stripe' } } });
    const band = made.cover.pieces.find(({ role, motif }) => role === 'band' && motif)!;
    // The band with the front carries it where the panel's stripe meets the seam: its own middle.
    expect(Math.abs(band.motif!.x)).toBeLessThan(2);
    expect(made.cut.motifs.length).toBeGreaterThanOrEqual(4);
    expect(plan({ count: 8, cloth: striped }).warnings.map(({ code }) => code)).toContain('motif-not-placed');
  });
});

describe('a seam moved by eye', () => {
  it('goes over evenly from one hold to the next, all the way round', () => {
    const moves = [
      { at: 0, by: 10 },
      { at: 0.5, by: -10 },
    ];
    expect([0, 0.25, 0.5, 0.75, 0.999].map((share) => Math.round(movedBy(moves, share) * 10) / 10)).toEqual([10, 0, -10, 0, 10]);
    expect(movedBy([], 0.3)).toBe(0);
    expect(movedBy([{ at: 0.2, by: 7 }], 0.9)).toBeCloseTo(7, 9);
  });
});
