import { describe, expect, it } from 'vitest';
import {
  firstPocket,
  KINDS,
  newChairSeat,
  newPiece,
  PAD_ROLES,
  STARTING_SHAPES,
  withPad,
  type Pad,
  type Piece,
  type PieceKind,
} from '../piece';
import type { PadEdge } from '../pad-rims';
import { CUTTERS } from '../foam';
import { planPiece } from '../plan';
import { batchMinutes } from '.';
import { QUICK } from '../../testing/quick';
import { thisWeek } from '../../testing/runs';
import { weekly } from '../../testing/weekly';

/** No sitting and larger triangles: these tests ask for neither. */

const stepsOf = (change: Partial<Piece> = {}, house = {}) => planPiece({ ...newChairSeat(), ...change }, house, QUICK).steps;

weekly(3)('a tool changes time, words, kerf and caution, and nothing else', () => {
  const plain = planPiece(newChairSeat(), {}, QUICK);
  const foam = (change: Partial<Piece>) => planPiece({ ...newChairSeat(), ...change }, {}, QUICK).steps.find(({ key }) => key === 'foam')!;
  expect(foam({}).caution).toMatch(/[Kk]nives/);
  for (const { id, time, how } of CUTTERS) {
    const step = foam({ cutWith: id });
    expect(step.detail, id).toContain(how);
    // As fast against the blade as people say: an electric knife halves it, a bread knife takes longer.
    expect(step.minutes / foam({}).minutes, id).toBeGreaterThan(time - 0.35);
    expect(step.minutes / foam({}).minutes, id).toBeLessThan(time + 0.35);
  }
  expect(foam({ cutWith: 'wire' }).caution).toMatch(/burns.*ventilate/);
  // What the blade takes with it lies between the pieces; a wire’s is wider, never narrower.
  const laid = (change: Partial<Piece>) => planPiece({ ...newChairSeat(), count: 8, ...change }, {}, QUICK).cut.foam.sheets;
  expect(laid({ cutWith: 'wire' })).toBeGreaterThanOrEqual(laid({}));
  const rest = ({ steps }: typeof plain) => steps.filter(({ key }) => key !== 'foam');
  expect(rest(planPiece({ ...newChairSeat(), cutWith: 'wire' }, {}, QUICK))).toEqual(rest(plain));
  const shaped = (id: Piece['shapedWith']) => {
    const start = newChairSeat();
    const pads = start.pads.map((pad) =>
      pad.role === 'main' ? { ...pad, profile: { kind: 'hollow' as const, by: 10, width: 200, length: 200, x: 0, y: 0 } } : pad,
    );
    return planPiece({ ...start, pads, shapedWith: id ?? null }, {}, QUICK).steps.find(({ key }) => key === 'form-main')!;
  };
  expect(shaped('disc').caution).toMatch(/Disc: guard on.*mask/);
  expect(shaped('disc').minutes).toBeLessThan(shaped(null).minutes);
  expect(shaped(null).detail).toContain('Rasp to finish');
});

weekly(0)('what is looked at before anybody goes on stands at the step that it is found at', () => {
  const stop = (piece: Piece, key: string) => planPiece(piece, {}, QUICK).steps.find((step) => step.key === key)?.stop ?? [];
  const seat = newChairSeat();
  expect(stop(seat, 'board').join()).toContain('flat');
  expect(stop(seat, 'staple').join()).toMatch(/drag line/);
  expect(stop(seat, 'staple').join()).not.toMatch(/pattern|band/);
  expect(stop(newPiece('round-seat'), 'staple').join()).toContain('band the same height');
  expect(stop(newPiece('saddle'), 'rivet').length).toBeGreaterThan(1);
  expect(stop(newPiece('headboard'), 'measure').join()).toContain('against the light');
  // Of several pads the last: what lies below is felt through it.
  const glued = planPiece(seat, {}, QUICK).steps.filter(({ key }) => /^(glue|trim)-/.test(key));
  expect(glued.filter((step) => step.stop).map(({ key }) => key)).toEqual([glued.at(-1)!.key]);
});

it('is read by somebody who knows nothing: which of several slabs, what an edge is called, where a frame sits', () => {
  const of = (kind: Parameters<typeof newPiece>[0]) => planPiece(newPiece(kind), {}, QUICK).steps;
  const names = of('block-seat')
    .filter(({ key }) => key.startsWith('glue-'))
    .map(({ name }) => name);
  expect(new Set(names).size).toBe(names.length);
  expect(names.at(-1)).toBe('Lay the fourth main pad');
  const label = (kind: Parameters<typeof newPiece>[0], key: string) => of(kind).find((step) => step.key === key)!.detail;
  expect(label('headboard-panelled', 'tack')).toContain('bottom, top');
  expect(label('chair-seat', 'tack')).toContain('front, back');
  expect(label('corner-seat', 'frame')).toContain('flush with the edge');
  // Wadding goes under a wall piece, to the edge of a seat, and through no gap of a frame.
  expect(label('tight-seat', 'wadding')).toMatch(/rails; none of it goes through the gaps/);
  expect(label('block-seat', 'zip')).toMatch(/between the two halves.*left open a hand wide/);
});

it('a button is tied with twine enough for both ways through and a knot, over what is behind it', () => {
  const start = newPiece('headboard');
  const piece: Piece = { ...start, covering: { ...start.covering, way: 'buttoned' } };
  const { steps, cover } = planPiece(piece, {}, QUICK);
  const detail = steps.find(({ key }) => key === 'buttons')!.detail;
  const twine = Number(/(\d+) mm of waxed twine/.exec(detail)![1]);
  // There and back through board and padding, and two hands' breadths to pull and to knot.
  const through = 12 + 50;
  expect(twine).toBeGreaterThan(2 * through + 150);
  expect(twine).toBeLessThan(2 * through + 320);
  expect(Number(/Needle (\d+)/.exec(detail)![1])).toBeGreaterThan(through);
  expect(detail).toContain('toggle');
  expect(cover.buttons!.count).toBeGreaterThan(3);
});

it('foam is cut from what is sold: which thickness, one on the other or slit, how large, how many', () => {
  const foam = (change: (pad: Piece['pads'][number]) => Partial<Piece['pads'][number]>) => {
    const start = newChairSeat();
    const pads = start.pads.map((pad) => (pad.role === 'main' ? { ...pad, ...change(pad) } : pad));
    return planPiece({ ...start, pads }, {}, QUICK).steps.find(({ key }) => key === 'foam')!.detail;
  };
  expect(foam(() => ({}))).toMatch(/Crown pad: 20 mm [^.]*\d+ × \d+ mm\. Main pad: 50 mm [^.]*\d+ × \d+ mm/);
  expect(foam(() => ({ thickness: 75 }))).toMatch(/Main pad: 75 mm |Main pad: \d+ mm, on it \d+ mm /);
  expect(foam(() => ({ thickness: 7 }))).toMatch(/Main pad: 10 mm, slit off by 3 mm, /);
});

weekly(1)('every step that is done to a pad, a board, cloth or an edge has its little drawing', () => {
  const without = /^(strip|finding|lip|prove|hang|part|refit|lay-|inner|border|edge-welt|band|stuff|close|old-cover)/;
  for (const { id } of KINDS) {
    const piece = newPiece(id);
    for (const { key, sees } of planPiece(piece, {}, QUICK).steps) {
      if (!without.test(key)) expect(sees, `${id}: ${key}`).toBeDefined();
      if (sees?.pad)
        expect(
          piece.pads.map((pad) => pad.id),
          `${id}: ${key}`,
        ).toContain(sees.pad);
    }
  }
});

describe('the run sheet', () => {
  it('goes in working order and names each step once', () => {
    const keys = stepsOf().map((step) => step.key);
    expect(keys).toEqual([
      'board',
      'foam',
      'rim-crown',
      'spray-crown',
      'glue-crown',
      'spray-main',
      'glue-main',
      'trim-main',
      'wadding',
      'cloth',
      'tack',
      'staple',
      'corners',
      'trim',
      'dust',
      'measure',
    ]);
    expect(new Set(keys).size).toBe(keys.length);
  });

  it('leaves out what there is not, and relieves a round edge instead of folding corners', () => {
    const bare = stepsOf({ pads: [], wadding: null }).map((step) => step.key);
    expect(bare).not.toContain('foam');
    expect(bare).not.toContain('wadding');
    const round = planPiece(newChairSeat(STARTING_SHAPES.round), {}, QUICK).steps.map((step) => step.key);
    expect(round).toContain('relief');
    expect(round).not.toContain('corners');
  });

  it.each([
    ['foam', /Knives: guard on.*mask/],
    ['spray-main', /flammable: ventilate, no flame/],
    ['staple', /eye protection/],
    ['measure', /fire rules.*does not certify/],
  ])('step %s carries its caution and defers to local rules', (key, words) => {
    const caution = stepsOf().find((step) => step.key === key)!.caution!;
    expect(caution).toMatch(words);
    expect(caution).toContain('local rules');
  });

  it('carves a pocket in even passes, with the knife’s caution, before the pad is glued on', () => {
    const chair = newChairSeat();
    const pocket = { x: 0, y: 0, width: 150, length: 120, deep: 10, material: 'seat-soft' };
    const pads = chair.pads.map((pad) => (pad.role === 'main' ? { ...pad, pocket } : pad));
    const { steps } = planPiece({ ...chair, pads }, {}, QUICK);
    const at = steps.findIndex((step) => step.key === 'pocket-main');
    expect(steps[at]!.detail).toContain('4 even passes');
    expect(steps[at]!.caution).toMatch(/Knives.*local rules/s);
    expect(at).toBeLessThan(steps.findIndex((step) => step.key === 'glue-main'));
  });

  it('takes its minutes from the counts and the house’s rates', () => {
    const usual = stepsOf().find((step) => step.key === 'staple')!;
    const slow = stepsOf({}, { timeStaple: 12 }).find((step) => step.key === 'staple')!;
    expect(slow.minutes / usual.minutes).toBeCloseTo(2, 0);
    const corners = stepsOf({}, { timeCorner: 7 }).find((step) => step.key === 'corners')!;
    // Two tucks are as long as one fold, four corners of them.
    expect(corners.minutes).toBe(28);
    expect(stepsOf({}, { timeGlueTack: 9 }).find((step) => step.key === 'spray-main')!.wait).toBe(9);
  });
});

describe('a rim that is worked', () => {
  const rim = (edge: PadEdge, more: Partial<Pad> = {}) => {
    const start = newChairSeat();
    const pads = start.pads.map((pad): Pad => (pad.role === 'main' ? { ...pad, edge, ...more } : pad));
    return planPiece({ ...start, pads }, {}, QUICK);
  };
  const local = ({ steps }: ReturnType<typeof rim>) => steps.find(({ key }) => key === 'rim-main');

  it.each<[PadEdge, RegExp]>([
    [{ kind: 'feathered', width: 25 }, /line 25 mm in .* down to nothing/],
    // Three fifths of 50 mm: what is left holds the cover.
    [{ kind: 'bevelled', width: 20 }, /Turn it over, .* 20 mm in .* a line 30 mm up its side/],
    [{ kind: 'rounded', width: 16 }, /radius of 16 mm: first a slope through 8 mm/],
    [{ kind: 'roll', width: 40 }, /ring 40 mm wide/],
    [{ kind: 'domed' }, /dome: 50 mm in the middle, 3\d mm half way out/],
  ])('%o is told with its line and its depth', (edge, words) => {
    const step = local(rim(edge))!;
    expect(step.detail).toMatch(words);
    expect(step.caution).toMatch(/local rules/);
    expect(local(rim({ kind: 'square' }))).toBeUndefined();
  });

  it('comes before the glue, and after the blade where the pad is trimmed once it lies', () => {
    const at = (plan: ReturnType<typeof rim>, key: string) => plan.steps.findIndex((step) => step.key === key);
    const cut = rim({ kind: 'rounded', width: 15 }, { trim: false });
    expect(at(cut, 'rim-main')).toBeLessThan(at(cut, 'spray-main'));
    expect(at(cut, 'rim-main')).toBeGreaterThan(at(cut, 'foam'));
    const rough = rim({ kind: 'rounded', width: 15 }, { trim: true });
    expect(at(rough, 'rim-main')).toBe(at(rough, 'trim-main') + 1);
  });

  it('an old pad that goes back is not carved again', () => {
    expect(local(rim({ kind: 'rounded', width: 15 }, { kept: 'as-is', trim: false }))).toBeUndefined();
  });
});

describe('no two steps are called alike', () => {
  const twice = (names: readonly string[]): string[] => names.filter((name, k) => names.indexOf(name) !== k);

  it.each(PAD_ROLES.map(({ id }) => id))('where there are two pads of one role, %s', (role) => {
    const start = newChairSeat();
    const formedPads = withPad(withPad(start.pads, role), role).map((pad): Pad => ({
      ...pad,
      edge: { kind: 'bevelled', width: 10 },
      ...(pad.role === role
        ? { profile: { kind: 'hollow', by: 4, width: 120, length: 120, x: 0, y: 0 }, pocket: { ...firstPocket(pad.thickness), deep: 5 } }
        : {}),
    }));
    const names = planPiece({ ...start, pads: formedPads }, {}, QUICK).steps.map(({ name }) => name);
    expect(names.filter((name) => name.startsWith('Work the rim')).length).toBeGreaterThanOrEqual(2);
    expect(names.some((name) => /second/.test(name))).toBe(true);
    expect(twice(names)).toEqual([]);
    const retained = formedPads.map((pad): Pad => (pad.role === role ? { ...pad, kept: 'as-is', trim: false } : pad));
    expect(twice(planPiece({ ...start, pads: retained }, {}, QUICK).steps.map(({ name }) => name))).toEqual([]);
  });

  it.each(thisWeek(KINDS, 3).map(({ id }) => id))('%s as it begins', (kind) => {
    expect(twice(planPiece(newPiece(kind), {}, QUICK).steps.map(({ name }) => name))).toEqual([]);
  });
});

describe('where a pad comes to lie', () => {
  const lay = (key: string, change: (pad: Pad) => Partial<Pad>, edges: Piece['base']['edges'] = []) => {
    const start = newChairSeat();
    const pads = start.pads.map((pad): Pad => ({ ...pad, ...change(pad) }));
    return planPiece({ ...start, base: { ...start.base, edges }, pads }, {}, QUICK).steps.find((step) => step.key === key)!.detail;
  };
  const main = (more: Partial<Pad>) => (pad: Pad) => (pad.role === 'main' ? more : {});

  it('says how far over the edge, rough-cut or not, how far in, and what is flush', () => {
    expect(lay('glue-main', main({ trim: false }))).toContain('6 mm over the board’s edge all round');
    expect(lay('glue-main', main({ trim: true }))).toContain('16 mm over the board’s edge all round, to be trimmed');
    expect(lay('glue-main', main({ trim: false, offset: 0 }))).toContain('its edges flush with the board’s');
    expect(lay('glue-main', main({ trim: false, offset: -12 }))).toContain('its edge 12 mm in from the board’s');
    expect(lay('glue-crown', () => ({}))).toContain('Centre it on the marks, its edge 25 mm in');
    const back = { edge: { kind: 'edge' as const, name: 'back' }, against: true, strip: null } as NonNullable<
      Piece['base']['edges']
    >[number];
    expect(lay('glue-main', main({ trim: false }), [back])).toMatch(/6 mm over the board’s edge all round, flush at the back/);
  });

  it('of what is laid on a pad of its size that it is flush with it; of a loose one nothing of a board', () => {
    const { steps } = planPiece(newPiece('arm-pad'), {}, QUICK);
    expect(steps.find(({ key }) => key === 'glue-top')!.detail).toContain('flush with the pad below');
    for (const { key, detail } of planPiece(newPiece('block-seat'), {}, QUICK).steps)
      if (key.startsWith('glue-')) expect(detail).not.toContain('board');
  });

  it('says which side comes up where that is not all one: a backed foam’s backing, and the marked side of what is not alike left and right', () => {
    const { steps } = planPiece(newPiece('saddle'), {}, QUICK);
    const of = (from: typeof steps, key: string) => from.find((step) => step.key === key)!.detail;
    expect(of(steps, 'glue-smoothing')).toContain('foam side down, its backing up');
    expect(of(steps, 'glue-main')).not.toMatch(/side up|backing/);
    // One corner 8 mm farther out than the other.
    const uneven = planPiece(newChairSeat({ ...STARTING_SHAPES.quad, diagonalA: 623, diagonalB: 608 }), {}, QUICK).steps;
    expect(of(uneven, 'foam')).toContain('its upper side marked');
    expect(of(uneven, 'glue-main')).toContain('the marked side up');
    expect(of(planPiece(newChairSeat(), {}, QUICK).steps, 'foam')).not.toContain('marked');
  });

  it('the frame of foam is cut off what reaches the border, not off what lies inside it', () => {
    const { steps } = planPiece(newPiece('headboard-bordered'), {}, QUICK);
    const of = (key: string) => steps.find((step) => step.key === key)!.detail;
    expect(of('glue-main')).toContain('Cut it along the line of the border');
    expect(of('glue-crown')).not.toContain('border');
    // A headboard has a bottom and a top, and says so of every piece.
    expect(of('cloth')).toMatch(/border, top.*outer band, bottom/);
    expect(of('cloth')).not.toMatch(/front|back/);
  });
});

describe('minutes that a master would sign', () => {
  // One of each kind as it begins, alone, by one person with hands on: what somebody of thirty years would plan for it.
  const HANDS_ON: Record<PieceKind, [least: number, most: number, why: string]> = {
    'chair-seat': [45, 100, 'a drop-in seat with a lining and a dust cover: an hour, give or take'],
    'round-seat': [50, 120, 'boxed and welted, an hour to two'],
    bench: [60, 130, 'twice the edge of a chair'],
    'corner-seat': [80, 180, 'the frame under it takes half an hour'],
    headboard: [70, 180, 'a plain one is a morning’s half'],
    'headboard-bordered': [240, 600, 'most of a day: panel, border, band, each back-tacked'],
    'headboard-panelled': [50, 120, 'a panel; ten of them are a long day'],
    'headboard-nailed': [120, 360, 'every nail is half a minute'],
    saddle: [60, 240, 'a pan without stripping: rivets and a sewn cover'],
    'arm-pad': [40, 100, 'small, but sewn all round'],
    'block-seat': [110, 300, 'four slabs, a boxed cover with a zip'],
    'seat-cushion': [70, 150, 'piped box cushion: 40 to 70 of sewing, the rest cutting, zip and stuffing'],
    'back-cushion': [70, 150, 'as the seat cushion'],
    'tight-seat': [75, 220, 'webbing and hessian before any foam'],
  };
  it.each(thisWeek(KINDS, 3).map(({ id }) => id))('%s', (id) => {
    const { steps } = planPiece(newPiece(id), {}, QUICK);
    const [least, most, why] = HANDS_ON[id];
    const hands = steps.reduce((sum, { minutes }) => sum + minutes, 0);
    expect(hands, why).toBeGreaterThanOrEqual(least);
    expect(hands, why).toBeLessThanOrEqual(most);
  });

  it('nobody chalks, cuts and notches a piece in less than two minutes, nor pins and sews a seam', () => {
    for (const { id } of KINDS) {
      const { steps, cover } = planPiece(newPiece(id), {}, QUICK);
      const of = (key: string): number => steps.find((step) => step.key === key)?.minutes ?? Infinity;
      expect(of('cloth'), id).toBeGreaterThanOrEqual(2 * cover.pieces.length);
      expect(of('sew'), id).toBeGreaterThanOrEqual(2 * cover.seams.filter(({ laid }) => !laid).length);
    }
  });
});

describe('a set in batches', () => {
  it('waits once for what the others do not fill, and not at all where they do', () => {
    const glue = { key: 'a', name: 'Spray', detail: '', minutes: 4, wait: 10 };
    const lay = { key: 'b', name: 'Lay', detail: '', minutes: 3, wait: 0 };
    expect(batchMinutes([glue, lay], 1)).toBe(17);
    // The second one is sprayed while the first is drying.
    expect(batchMinutes([glue, lay], 2)).toBe(2 * 7 + 6);
    expect(batchMinutes([glue, lay], 8)).toBe(8 * 7);
    const { steps, minutes } = planPiece({ ...newChairSeat(), count: 8 }, {}, QUICK);
    expect(batchMinutes(steps, 8)).toBeLessThan(minutes * 8);
  });
});

describe('warnings', () => {
  const codes = (change: (piece: Piece) => void): string[] => {
    const piece = newChairSeat();
    change(piece);
    return planPiece(piece, {}, QUICK).warnings.map((warning) => warning.code);
  };

  it.each([
    ['no-main-pad', (p: Piece) => (p.pads = [])],
    ['thickness-not-sold', (p: Piece) => (p.pads[1]!.thickness = 5)],
    ['edge-not-buried', (p: Piece) => (p.pads[1]!.offset = 0)],
    ['slow-main-pad', (p: Piece) => (p.pads[1]!.material = 'slow-soft')],
    ['crown-on-top', (p: Piece) => (p.pads = [p.pads[1]!, p.pads[0]!])],
    ['staple-leg', (p: Piece) => (p.base.board.thickness = 6)],
    ['stripe-pulled', (p: Piece) => (p.cloth.repeatAcross = 60)],
    ['joined-widths', (p: Piece) => (p.cloth.rollWidth = 500)],
    ['override-unusual', (p: Piece) => (p.overrides.return = 90)],
  ])('%s', (code, change) => {
    expect(codes(() => undefined)).not.toContain(code);
    expect(codes(change)).toContain(code);
  });
});
