import { describe, expect, it } from 'vitest';
import { newChairSeat, newPiece, STARTING_SHAPES, type Piece } from '../piece';
import { CUTTERS } from '../foam';
import { planPiece } from '../plan';
import { batchMinutes } from '.';

/** No sitting and larger triangles: these tests ask for neither. */
const QUICK = { sits: false, coarse: true };

const stepsOf = (change: Partial<Piece> = {}, house = {}) => planPiece({ ...newChairSeat(), ...change }, house, QUICK).steps;

it('a tool changes time, words, kerf and caution, and nothing else', () => {
  const plain = planPiece(newChairSeat(), {}, QUICK);
  const foam = (change: Partial<Piece>) => planPiece({ ...newChairSeat(), ...change }, {}, QUICK).steps.find(({ key }) => key === 'foam')!;
  expect(foam({}).caution).toMatch(/[Kk]nives/);
  for (const { id, time, how } of CUTTERS) {
    const own = foam({ cutWith: id });
    expect(own.detail, id).toContain(how);
    // As fast against the blade as people say: an electric knife halves it, a bread knife takes longer.
    expect(own.minutes / foam({}).minutes, id).toBeGreaterThan(time - 0.35);
    expect(own.minutes / foam({}).minutes, id).toBeLessThan(time + 0.35);
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

it('what is looked at before anybody goes on stands at the step that it is found at', () => {
  const stop = (piece: Piece, key: string) => planPiece(piece, {}, QUICK).steps.find((own) => own.key === key)?.stop ?? [];
  const seat = newChairSeat();
  expect(stop(seat, 'board').join()).toContain('flat');
  expect(stop(seat, 'staple').join()).toMatch(/drag line/);
  expect(stop(seat, 'staple').join()).not.toMatch(/pattern|band/);
  expect(stop(newPiece('round-seat'), 'staple').join()).toContain('band as high');
  expect(stop(newPiece('saddle'), 'rivet').length).toBeGreaterThan(1);
  expect(stop(newPiece('headboard'), 'measure').join()).toContain('against the light');
  // Of several pads the last: what lies below is felt through it.
  const glued = planPiece(seat, {}, QUICK).steps.filter(({ key }) => /^(glue|trim)-/.test(key));
  expect(glued.filter((own) => own.stop).map(({ key }) => key)).toEqual([glued.at(-1)!.key]);
});

it('is read by somebody who knows nothing: which of several slabs, what an edge is called, where a frame sits', () => {
  const of = (kind: Parameters<typeof newPiece>[0]) => planPiece(newPiece(kind), {}, QUICK).steps;
  const names = of('block-seat')
    .filter(({ key }) => key.startsWith('glue-'))
    .map(({ name }) => name);
  expect(new Set(names).size).toBe(names.length);
  expect(names.at(-1)).toBe('Lay the fourth main pad');
  const told = (kind: Parameters<typeof newPiece>[0], key: string) => of(kind).find((own) => own.key === key)!.detail;
  expect(told('headboard-panelled', 'tack')).toContain('bottom, top');
  expect(told('chair-seat', 'tack')).toContain('front, back');
  expect(told('corner-seat', 'frame')).toContain('flush with the edge');
  // Wadding goes under a wall piece, to the edge of a seat, and through no gap of a frame.
  expect(told('tight-seat', 'wadding')).toMatch(/rails; none of it goes through the gaps/);
  expect(told('block-seat', 'zip')).toMatch(/between the two halves.*left open a hand wide/);
});

it('a button is tied with twine enough for both ways through and a knot, over what is behind it', () => {
  const start = newPiece('headboard');
  const piece: Piece = { ...start, covering: { ...start.covering, way: 'buttoned' } };
  const { steps, cover } = planPiece(piece, {}, { sits: false, coarse: true });
  const detail = steps.find(({ key }) => key === 'buttons')!.detail;
  const twine = Number(/(\d+) mm of waxed twine/.exec(detail)![1]);
  // There and back through board and padding, and two hands' breadths to pull and to knot.
  const through = 12 + 50;
  expect(twine).toBeGreaterThan(2 * through + 150);
  expect(twine).toBeLessThan(2 * through + 320);
  expect(Number(/needle (\d+)/.exec(detail)![1])).toBeGreaterThan(through);
  expect(detail).toContain('toggle');
  expect(cover.buttons!.count).toBeGreaterThan(3);
});

describe('the run sheet', () => {
  it('goes in working order and names each step once', () => {
    const keys = stepsOf().map((step) => step.key);
    expect(keys).toEqual([
      'board',
      'foam',
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
