import { describe, expect, it } from 'vitest';
import { drawNodes, flatten, polygonArea } from '../outline';
import { STARTING_SHAPES } from '../piece';
import { baseOutline } from '../outline';
import { readCsv } from './csv';
import { readDxf, writeDxf } from './dxf';
import { FileProblem } from '../file-problem';
import { MAT_SIDE, matLine, readMatLine, type MatFrame } from '../seat-check/mat-frame';
import { checkPicture } from './picture';
import { readStl } from './stl';
import { readSvg, writeSvg } from './svg';
import { readTapeLine, tapeLine } from './tape-line';
import { patience, timed } from '../../testing/patience';
import { runs } from '../../testing/runs';
import { seededRandom } from '../../testing/seeded-random';
import { measured } from '../../testing/measured';
import { weekly } from '../../testing/weekly';

/** How many mutated files of each format are read: more with `npm run fuzz`. */
const MADE = Number(process.env.FOVEA_FUZZ ?? runs(3000, 10_000));
/** Drawings, photos and models are a hundred times as large as a line of the tape or the mat: fewer of them are made where time is short. */
const LARGE = runs(200, MADE);
const LINES = ['CSV', 'the tape', 'the mat'];
/** No file may hold its reader longer than this, ms. */
const LONGEST = 2000;

const pairs = (...lines: (string | number)[]): string => lines.join('\n');
const dxf = (entities: string, tables = ''): string =>
  pairs(
    0,
    'SECTION',
    2,
    'HEADER',
    9,
    '$INSUNITS',
    70,
    4,
    0,
    'ENDSEC',
    0,
    'SECTION',
    2,
    'TABLES',
    tables || pairs(0, 'TABLE', 0, 'ENDTAB'),
    0,
    'ENDSEC',
    0,
    'SECTION',
    2,
    'ENTITIES',
    entities,
    0,
    'ENDSEC',
    0,
    'EOF',
    '',
  );
const corners = [
  [0, 0],
  [450, 0],
  [300, 400],
  [0, 400],
] as const;
const polyline = (points: readonly (readonly [number, number])[], before: string[] = [], each: string[] = []): string =>
  pairs(0, 'LWPOLYLINE', 8, 'A', 90, points.length, 70, 1, ...before, ...points.flatMap(([x, y]) => [10, x, 20, y, ...each]));
const circle = pairs(0, 'CIRCLE', 8, 'A', 10, 100, 20, 100, 40, 60);
const layer = (name: string, ...more: (string | number)[]): string => pairs(0, 'LAYER', 2, name, ...more);

describe('a DXF that other programs write', () => {
  it('with a code of its own at every point keeps its outline, and a hole stays a hole', () => {
    const plain = readDxf(dxf(pairs(polyline(corners), circle)));
    const coded = readDxf(dxf(pairs(polyline(corners, ['43', '0'], ['91', '0']), circle)));
    expect(coded).toEqual(plain);
    expect(coded).toMatchObject({ width: 450, depth: 400, holes: [{ diameter: 120 }] });
  });

  it('drawn on a plane that is turned over is mirrored, and on a tilted one refused', () => {
    const turned = readDxf(dxf(polyline(corners, ['210', '0', '220', '0', '230', '-1'])));
    const line = (read: typeof turned) => flatten(drawNodes({ nodes: read.nodes, mirrored: false }).outline);
    // The long edge lies in front either way; the slanted side changes from right to left.
    const rightmost = (read: typeof turned): number =>
      Math.max(
        ...line(read)
          .filter(([, y]) => y > 190)
          .map(([x]) => x),
      );
    expect(rightmost(readDxf(dxf(polyline(corners))))).toBeCloseTo(75, 3);
    expect(rightmost(turned)).toBeCloseTo(225, 3);
    expect(polygonArea(line(turned))).toBeGreaterThan(0);
    expect(() => readDxf(dxf(polyline(corners, ['210', '0', '220', '1', '230', '0'])))).toThrow('tilted plane');
  });

  it('has no line of a layer that is off or frozen, and says so where that was all', () => {
    const tables = pairs(0, 'TABLE', 2, 'LAYER', layer('A', 62, 7), layer('OFF', 62, -7), layer('ICE', 62, 7, 70, 1), 0, 'ENDTAB');
    const big = (on: string): string =>
      polyline([
        [0, 0],
        [900, 0],
        [900, 900],
        [0, 900],
      ]).replace('\nA\n', `\n${on}\n`);
    for (const hidden of ['OFF', 'ICE']) {
      expect(readDxf(dxf(pairs(polyline(corners), big(hidden)), tables)).width).toBe(450);
      expect(() => readDxf(dxf(big(hidden), tables))).toThrow('switched off');
    }
  });

  it.each([
    ['a polyline without its vertices', pairs(0, 'POLYLINE', 8, 'A', 66, 1, 70, 1, 0, 'SEQEND', circle)],
    ['a polyline that is not ended', pairs(0, 'POLYLINE', 8, 'A', 66, 1, 70, 1, 0, 'VERTEX', 8, 'A', 10, 1, 20, 1)],
    ['an arc that ends at 1e9', pairs(0, 'ARC', 8, 'A', 10, 0, 20, 0, 40, 200, 50, 0, 51, 1e9)],
    [
      'a bulge that swings out for ever',
      polyline(
        [
          [0, 0],
          [450, 0],
          [300, 400],
        ],
        [],
        ['42', '34789996797682'],
      ),
    ],
    ['an ellipse that ends at 1e9', pairs(0, 'ELLIPSE', 8, 'A', 10, 0, 20, 0, 11, 200, 21, 0, 40, 0.5, 41, 0, 42, 1e9)],
    [
      '19,999 loose lines',
      pairs(...Array.from({ length: 19_999 }, (_, k) => pairs(0, 'LINE', 8, 'A', 10, k * 3, 20, 0, 11, k * 3 + 1, 21, 5))),
    ],
    [
      '19,999 chained lines',
      pairs(...Array.from({ length: 19_999 }, (_, k) => pairs(0, 'LINE', 8, 'A', 10, k, 20, k % 2, 11, k + 1, 21, (k + 1) % 2))),
    ],
    [
      '19,999 lines from one point',
      pairs(...Array.from({ length: 19_999 }, (_, k) => pairs(0, 'LINE', 8, 'A', 10, 0, 20, 0, 11, k + 1, 21, 5))),
    ],
  ])('%s: is read or refused, and soon', (_, entities) => {
    const file = dxf(entities);
    const seconds = (): number =>
      timed(() => {
        try {
          readDxf(file, { close: true });
        } catch (error) {
          expect(error).toBeInstanceOf(FileProblem);
        }
      });
    // Slow once may be the machine's doing; slow every time is the reader's.
    let took = seconds();
    for (let again = 0; again < 2 && took > LONGEST; again++) took = Math.min(took, seconds());
    expect(took).toBeLessThan(took < LONGEST ? LONGEST : patience());
  });
});

describe('an SVG that other programs write', () => {
  const seat = '<path d="M0 0H45V42H0Z"/>';
  const svg = (attributes: string, inside = seat): string => `<svg xmlns="http://www.w3.org/2000/svg" ${attributes}>${inside}</svg>`;

  it('whose frame has other proportions keeps its own', () => {
    // 45 × 42 units in a frame of 900 × 420 mm: ten millimetres a unit, not twenty.
    expect(readSvg(svg('width="900mm" height="420mm" viewBox="0 0 45 42"'))).toMatchObject({
      width: expect.closeTo(450, 6),
      depth: expect.closeTo(420, 6),
    });
    expect(readSvg(svg('width="900mm" height="420mm" viewBox="0 0 45 42" preserveAspectRatio="xMidYMid slice"')).width).toBeCloseTo(900, 6);
    expect(() => readSvg(svg('width="900mm" height="420mm" viewBox="0 0 45 42" preserveAspectRatio="none"'))).toThrow('stretched');
    expect(readSvg(svg('height="42cm" viewBox="0 0 45 42"')).width).toBeCloseTo(450, 6);
  });

  it('with a drawing inside a drawing follows both', () => {
    const inside = `<svg x="100" y="50" width="450" height="420" viewBox="0 0 45 42">${seat}</svg>`;
    const read = readSvg(svg('width="1000mm" height="1000mm" viewBox="0 0 1000 1000"', `${inside}`));
    expect(read).toMatchObject({ width: expect.closeTo(450, 6), depth: expect.closeTo(420, 6) });
    expect(() => readSvg(svg('width="1000mm" height="1000mm" viewBox="0 0 1000 1000"', `<svg viewBox="0 0 45 42">${seat}</svg>`))).toThrow(
      'how large',
    );
  });

  it('that is small for a base is asked about, unless its unit was chosen', () => {
    const small = svg('width="45mm" height="42mm" viewBox="0 0 45 42"');
    expect(() => readSvg(small)).toThrow(/45 × 42 mm, which is small.*cm/);
    expect(readSvg(small, { unit: 'cm' }).width).toBeCloseTo(450, 6);
    expect(readSvg(small, { unit: 'mm' }).width).toBeCloseTo(45, 6);
  });
});

describe('a scan and a photo', () => {
  weekly(1)('of 300,000 triangles one over the other is refused soon', () => {
    const count = 300_000;
    const bytes = new Uint8Array(84 + 50 * count);
    const view = new DataView(bytes.buffer);
    view.setUint32(80, count, true);
    for (let k = 0; k < count; k++)
      [0, 0, k / 1e6, 450, 0, 0, 0, 420, 0].forEach((v, i) => view.setFloat32(84 + 50 * k + 12 + 4 * i, v, true));
    const seconds = (): number => timed(() => expect(() => readStl(bytes, { unit: 'mm' })).toThrow('lie over each other'));
    // Slow once may be the machine's doing; slow every time is the reader's, on a machine that is no slower at all else.
    let took = seconds();
    for (let again = 0; again < 2 && took >= LONGEST; again++) took = Math.min(took, seconds());
    expect(took).toBeLessThan(took < LONGEST ? LONGEST : patience());
  });

  it('with a short film after its end mark is a photo all the same', () => {
    const jpeg = Buffer.concat([
      Buffer.from('ffd8ffe000104a46494600010100000100010000ffc0001108001000100301110002110103110', 'hex'),
      Buffer.alloc(40),
      Buffer.from('ffd9', 'hex'),
    ]);
    const plain = checkPicture(jpeg);
    expect(checkPicture(Buffer.concat([jpeg, Buffer.alloc(2_000_000, 7)]))).toEqual(plain);
    expect(() => checkPicture(jpeg.subarray(0, -2))).toThrow('breaks off');
  });
});

const STL = (() => {
  const faces = [
    [0, 0, 0, 450, 0, 5, 450, 420, 0],
    [0, 0, 0, 450, 420, 0, 0, 420, 4],
  ];
  const bytes = new Uint8Array(84 + 50 * faces.length);
  const view = new DataView(bytes.buffer);
  view.setUint32(80, faces.length, true);
  faces.forEach((face, k) => face.forEach((v, i) => view.setFloat32(84 + 50 * k + 12 + 4 * i, v, true)));
  return bytes;
})();
const outline = baseOutline(STARTING_SHAPES.trapezoid);
const holes = [{ id: 'a', kind: 'round' as const, x: 40, y: -30, diameter: 25 }];
const PNG = Buffer.from('iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==', 'base64');
const text = (bytes: Uint8Array): string => new TextDecoder().decode(bytes);
const bytesOf = (words: string): Uint8Array => new TextEncoder().encode(words);

const FRAME: MatFrame = { cell: 28, kPa: Array.from({ length: MAT_SIDE ** 2 }, (_, i) => (i % 16) / 2) };

/** Readers of lines answer with a reason instead of throwing it: here it is thrown. */
function accepted<T extends { ok: boolean; why?: string }>(read: T): T {
  if (!read.ok) throw new FileProblem(read.why ?? '');
  return read;
}

const FORMATS: [string, Uint8Array, (bytes: Uint8Array) => unknown][] = [
  ['SVG', bytesOf(writeSvg(outline, holes)), (b) => readSvg(text(b))],
  ['DXF', bytesOf(writeDxf(outline, holes)), (b) => readDxf(text(b))],
  ['CSV', bytesOf('at;left;right\n0;190;190\n100;220,5;221\n200;200;200'), (b) => readCsv(text(b), {})],
  ['STL', STL, (b) => readStl(b, { unit: 'mm' })],
  ['a photo', PNG, (b) => checkPicture(b)],
  ['the tape', bytesOf(tapeLine('R 7 412.5 mm').trim()), (b) => accepted(readTapeLine(text(b)))],
  ['the mat', bytesOf(matLine(FRAME).trim()), (b) => accepted(readMatLine(text(b)))],
];

describe('files damaged at random', () => {
  it.each(FORMATS)(
    `%s: thousands of them are each read or refused in words, and soon`,
    (name, whole, read) => {
      const made = LINES.includes(name) ? MADE : LARGE;
      // What is damaged is a file that can be read.
      expect(() => read(whole)).not.toThrow();
      const roll = seededRandom(20261126);
      let [refused, longest] = [0, 0];
      for (let k = 0; k < made; k++) {
        let bytes = Uint8Array.from(whole);
        for (let times = 1 + Math.floor(roll() * 4); times > 0; times--) {
          const at = Math.floor(roll() * bytes.length);
          const way = roll();
          if (way < 0.35) bytes[at] = Math.floor(roll() * 256);
          else if (way < 0.5) bytes = bytes.slice(0, at);
          else if (way < 0.65)
            bytes = Uint8Array.from([...bytes.subarray(0, at), ...bytes.subarray(Math.min(bytes.length, at + Math.ceil(roll() * 30)))]);
          else if (way < 0.85) {
            const from = Math.floor(roll() * bytes.length);
            const piece = bytes.subarray(from, from + Math.ceil(roll() * 200));
            bytes = Uint8Array.from([...bytes.subarray(0, at), ...piece, ...bytes.subarray(at)]);
          } else
            bytes = Uint8Array.from([
              ...bytes.subarray(0, at),
              ...bytesOf(['1e308', '-1e9', '99999999', 'NaN', '"', '<', '\n', '0\n'][Math.floor(roll() * 8)]!),
              ...bytes.subarray(at),
            ]);
        }
        const seconds = (): number => {
          const began = performance.now();
          try {
            read(bytes);
          } catch (error) {
            expect(error, String((error as Error).stack)).toBeInstanceOf(FileProblem);
            expect((error as Error).message.length).toBeGreaterThan(12);
            refused += 1;
          }
          return performance.now() - began;
        };
        // Slow once may be the machine's doing; slow every time is the reader's.
        let took = seconds();
        for (let again = 0; again < 2 && took > LONGEST; again++) took = Math.min(took, seconds());
        expect(took).toBeLessThan(took < LONGEST ? LONGEST : patience());
        longest = Math.max(longest, took);
      }
      expect(refused).toBeGreaterThan(made / 20);
      expect(refused).toBeLessThan(made);
      measured(`files ${name}`, { made, refused, longest: Math.round(longest) });
    },
    600_000,
  );
});
