import { BROKEN_STEPS } from './broken-steps';
import { coverOf, cutLines, liningOf, measured, mapPoints, partOf, set, shrunk, staples, type Place, type Broken } from './sound-plans';

export const BROKEN: readonly Broken[] = [
  ['a figure is no number', 'pulled', ({ plan }) => set(plan.cover.check, { edgeError: NaN }), ['figures']],
  [
    'two places of an outline change places: a loop',
    'pulled',
    (found) => {
      const { outline } = coverOf(found);
      const [a, b] = [outline[3]!, outline[5]!];
      set(coverOf(found), { outline: outline.map((place, i) => (i === 3 ? b : i === 5 ? a : place)) });
      measured(coverOf(found));
    },
    ['outlines', 'reach', 'lays', 'cuts'],
  ],
  [
    'a spike of 10',
    'pulled',
    (found) => {
      const { outline } = coverOf(found);
      const [[ax, ay], [bx, by]] = [outline[0]!, outline[1]!];
      const middle: Place = [(ax + bx) / 2, (ay + by) / 2];
      set(coverOf(found), {
        outline: [outline[0]!, middle, [middle[0] * 1.03, middle[1] * 1.03], [middle[0] + 0.1, middle[1]], ...outline.slice(1)],
      });
      measured(coverOf(found));
    },
    ['outlines', 'lays'],
  ],
  ['a width that is not the drawn one', 'pulled', (found) => set(coverOf(found), { width: coverOf(found).width + 1 }), ['outlines']],
  ['an area that is not the drawn one', 'pulled', (found) => set(coverOf(found), { area: coverOf(found).area * 1.05 }), ['outlines']],
  [
    'foam drawn larger than it is given',
    'pulled',
    ({ plan }) => set(plan.foam[0]!, { outline: mapPoints(plan.foam[0]!.outline, ([x, y]) => [x * 1.02, y]) }),
    ['outlines'],
  ],
  [
    'the front of the cover 45 short',
    'pulled',
    (found) => {
      const low = Math.min(...coverOf(found).outline.map(([, y]) => y));
      set(coverOf(found), { outline: mapPoints(coverOf(found).outline, ([x, y]) => [x, Math.max(y, low + 45)]) });
      measured(coverOf(found));
    },
    ['reach', 'lays', 'outlines'],
  ],
  [
    'the front of the cover 100 too long',
    'pulled',
    (found) => {
      const low = Math.min(...coverOf(found).outline.map(([, y]) => y));
      set(coverOf(found), { outline: mapPoints(coverOf(found).outline, ([x, y]) => [x, y < low + 1 ? y - 100 : y]) });
      measured(coverOf(found));
    },
    ['reach', 'lays'],
  ],
  [
    'a sum that does not add up',
    'pulled',
    ({ plan }) => set(plan.stations[4]!, { fromCentre: plan.stations[4]!.fromCentre + 5 }),
    ['reach'],
  ],
  [
    'a side shorter than the edge is high',
    'pulled',
    ({ plan }) => {
      const station = plan.stations.find(({ turn }) => turn === 0)!;
      set(station, { side: station.side - 20, wrap: station.wrap - 20, fromCentre: station.fromCentre - 20 });
    },
    ['reach'],
  ],
  ['a row of staples 50 farther in', 'pulled', ({ plan }) => set(plan.cover.under!, { staple: plan.cover.under!.staple + 50 }), ['reach']],
  [
    'a band 10 mm low',
    'boxed',
    (found) => {
      const band = partOf(found, 'band');
      const top = Math.max(...band.sewn.map(([, y]) => y));
      const low = (place: Place): Place => [place[0], place[1] > top - 10 ? place[1] - 10 : place[1]];
      set(band, {
        outline: mapPoints(band.outline, low),
        sewn: mapPoints(band.sewn, low),
        notches: band.notches.map((n) => ({ ...n, y: n.y > top - 10 ? n.y - 10 : n.y })),
      });
      measured(band);
    },
    ['reach', 'sewing', 'lays', 'outlines'],
  ],
  ['an allowance given as half of what is drawn', 'boxed', (found) => set(partOf(found, 'top').edges[0]!, { allowance: 6 }), ['reach']],
  [
    'a panel cut without its allowance',
    'boxed',
    (found) => {
      set(partOf(found, 'top'), { outline: partOf(found, 'top').sewn });
      measured(partOf(found, 'top'));
    },
    ['reach', 'lays'],
  ],
  [
    'a cut 15 mm too deep',
    'inside',
    (found) => {
      const [line] = cutLines(found);
      const [from, to] = [line!.points[0]!, line!.points[1]!];
      const size = Math.hypot(to[0] - from[0], to[1] - from[1]);
      set(line!, { points: [from, [to[0] + ((to[0] - from[0]) * 15) / size, to[1] + ((to[1] - from[1]) * 15) / size]] });
    },
    ['cuts'],
  ],
  [
    'a cut drawn the other way',
    'inside',
    (found) => {
      const [line] = cutLines(found);
      const [from, to] = [line!.points[0]!, line!.points[1]!];
      set(line!, { points: [from, [2 * from[0] - to[0], 2 * from[1] - to[1]]] });
    },
    ['cuts'],
  ],
  [
    'a cut that is planned and not drawn',
    'inside',
    (found) => set(coverOf(found), { lines: coverOf(found).lines.filter(({ kind }) => kind !== 'cut') }),
    ['cuts'],
  ],
  [
    'a cut planned beside its corner',
    'inside',
    ({ plan }) => {
      const corner = plan.corners.find(({ cut }) => cut)!;
      set(corner, { x: corner.x + 60 });
    },
    ['cuts'],
  ],
  [
    'a cut that runs away from its corner',
    'inside',
    ({ plan }) => {
      const corner = plan.corners.find(({ cut }) => cut)!;
      set(corner, { cut: { from: corner.cut!.to, to: corner.cut!.from } });
    },
    ['cuts'],
  ],
  [
    'a Y-cut on the opposite side',
    'notched',
    ({ plan }) => {
      const flip = ([x, y]: Place): Place => [x, -y];
      const [y] = plan.cover.yCuts;
      set(y!, { stem: [flip(y!.stem[0]), flip(y!.stem[1])] });
    },
    ['cuts'],
  ],
  [
    'an arm of a Y-cut that runs on into the seat',
    'notched',
    (found) => {
      const arm = cutLines(found).at(-1)!;
      const [from, to] = [arm.points[0]!, arm.points[1]!];
      set(arm, { points: [from, [to[0] + 2 * (to[0] - from[0]), to[1] + 2 * (to[1] - from[1])]] });
    },
    ['cuts'],
  ],
  [
    'a relief cut that begins inside the cloth',
    'hollow',
    (found) => {
      const line = cutLines(found).find(({ points }) => points.length === 2)!;
      const [from, to] = [line.points[0]!, line.points[1]!];
      set(line, { points: [[from[0] + (to[0] - from[0]) * 0.5, from[1] + (to[1] - from[1]) * 0.5], to] });
    },
    ['cuts'],
  ],
  [
    'a cut beside the cloth',
    'hollow',
    (found) => {
      const [line] = cutLines(found);
      set(line!, { points: line!.points.map(([x, y]): Place => [x, y - 900]) });
    },
    ['cuts'],
  ],
  [
    'a notch 12 mm along its edge',
    'boxed',
    (found) => set(partOf(found, 'top').notches[1]!, { x: partOf(found, 'top').notches[1]!.x + 12 }),
    ['sewing'],
  ],
  [
    'a notch off its edge',
    'boxed',
    (found) => set(partOf(found, 'top').notches[1]!, { y: partOf(found, 'top').notches[1]!.y + 5 }),
    ['sewing'],
  ],
  [
    'an edge longer than it is drawn',
    'boxed',
    (found) => set(partOf(found, 'top').edges[0]!, { flat: partOf(found, 'top').edges[0]!.flat + 8 }),
    ['sewing'],
  ],
  [
    'a band 2 % too long',
    'boxed',
    (found) => {
      const band = partOf(found, 'band');
      const long = ([x, y]: Place): Place => [x * 1.02, y];
      set(band, {
        outline: mapPoints(band.outline, long),
        sewn: mapPoints(band.sewn, long),
        notches: band.notches.map((n) => ({ ...n, x: n.x * 1.02 })),
      });
      for (const edge of band.edges) edge.flat *= edge.kind === 'join' ? 1 : 1.02;
      measured(band);
    },
    ['sewing', 'reach', 'lays', 'outlines'],
  ],
  [
    'two notches that have changed their labels',
    'boxed',
    (found) => {
      const [a, b] = [partOf(found, 'top').notches[2]!, partOf(found, 'top').notches[5]!];
      [a.label, b.label] = [b.label, a.label];
    },
    ['sewing'],
  ],
  [
    'a join whose two sides differ',
    'boxed',
    (found) => {
      const bands = found.plan.cover.pieces.filter(({ role }) => role === 'band');
      const edge = bands.flatMap(({ edges }) => edges).find(({ kind }) => kind === 'join')!;
      edge.sides -= 1;
    },
    ['sewing'],
  ],
  [
    'a panel that is cut to its template before it is quilted',
    'quilted',
    (found) => {
      const top = partOf(found, 'top');
      set(top, { outline: top.template!.outline });
      measured(top);
    },
    ['sewing', 'lays'],
  ],
  [
    'a liner 30 short',
    'pulled',
    (found) => set(liningOf(found, 'liner'), { outline: shrunk(liningOf(found, 'liner').outline, 30) }),
    ['layers', 'outlines', 'lays'],
  ],
  [
    'waterproof cloth 30 short',
    'pulled',
    (found) => set(liningOf(found, 'waterproof'), { outline: shrunk(liningOf(found, 'waterproof').outline, 30) }),
    ['layers', 'outlines', 'lays'],
  ],
  [
    'slip film 250 short',
    'pulled',
    (found) => set(liningOf(found, 'film'), { outline: shrunk(liningOf(found, 'film').outline, 250) }),
    ['layers', 'outlines', 'lays'],
  ],
  [
    'wadding 40 short',
    'pulled',
    ({ plan }) => set(plan.wadding!, { outline: shrunk(plan.wadding!.outline, 40) }),
    ['layers', 'outlines', 'lays'],
  ],
  [
    'a dust cover 15 short',
    'pulled',
    ({ plan }) => set(plan.dustCover!, { outline: shrunk(plan.dustCover!.outline, 25) }),
    ['layers', 'outlines', 'lays'],
  ],
  ['a row for a dust cover that is not cut', 'pulled', ({ plan }) => set(plan, { dustCover: null }), ['layers', 'lays']],
  [
    'a wrapped liner 60 too short to go round',
    'loose',
    ({ plan }) =>
      set(plan.cover.linings[0]!, {
        outline: plan.cover.linings[0]!.outline.map(([x, y]) => [x, y - Math.sign(y) * 60]),
      }),
    ['layers', 'outlines', 'lays'],
  ],
  [
    'a liner’s row 30 farther in',
    'pulled',
    ({ plan }) =>
      set(
        plan.fixing.rows.find(({ id }) => id === 'liner')!,
        { inset: 60 },
      ),
    ['layers'],
  ],
  [
    'two staples 2 mm apart',
    'pulled',
    (found) => set(staples(found).places[5]!, { x: staples(found).places[6]!.x + 2, y: staples(found).places[6]!.y }),
    ['fasteners'],
  ],
  [
    'a staple beside the board',
    'pulled',
    (found) => set(staples(found).places[0]!, { y: staples(found).places[0]!.y - 60 }),
    ['fasteners'],
  ],
  [
    'fewer staples counted than drawn',
    'pulled',
    (found) => set(staples(found), { count: staples(found).places.length - 1 }),
    ['fasteners'],
  ],
  ['fewer staples bought than used', 'pulled', (found) => set(staples(found), { toBuy: staples(found).count - 1 }), ['fasteners']],
  ['a number given twice', 'pulled', ({ plan }) => set(plan.fixing.order[7]!, { n: 7 }), ['fasteners']],
  [
    'two parts on each other',
    'set',
    ({ plan }) => set(plan.cut.cloth.laid[1]!, { x: plan.cut.cloth.laid[0]!.x + 10, y: plan.cut.cloth.laid[0]!.y + 10 }),
    ['lays'],
  ],
  ['a part off the roll', 'set', ({ plan }) => set(plan.cut.cloth.laid[0]!, { x: plan.cut.cloth.width }), ['lays']],
  ['one of a set not laid', 'set', ({ plan }) => void plan.cut.cloth.laid.pop(), ['lays']],
  [
    'a part laid smaller than it is cut',
    'set',
    ({ plan }) => set(plan.cut.cloth.laid[0]!, { height: plan.cut.cloth.laid[0]!.height - 5 }),
    ['lays'],
  ],
  ['less cloth than is laid', 'set', ({ plan }) => set(plan.cut.cloth, { length: plan.cut.cloth.length - 20 }), ['lays', 'goods']],
  ['a block of foam not laid', 'set', ({ plan }) => void plan.cut.foam.layouts[0]!.sheets[0]!.pop(), ['lays']],
  [
    'a part drawn on the cloth in another size',
    'set',
    ({ plan }) => set(plan.cut.shapes[0]!, { points: mapPoints(plan.cut.shapes[0]!.points, ([x, y]) => [x * 0.97, y]) }),
    ['lays'],
  ],
  ['no wadding laid', 'set', ({ plan }) => set(plan.cut, { wadding: null }), ['lays', 'goods']],
  ...BROKEN_STEPS,
];
