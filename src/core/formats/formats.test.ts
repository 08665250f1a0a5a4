import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { baseOutline, distanceTo, drawNodes, flatten, outlineArea, pointAt, type Outline } from '../outline';
import { SHAPES, STARTING_SHAPES } from '../piece';
import { photoScale, squareUp, tracedNodes } from '../trace';
import { readCsv } from './csv';
import { readDxf, writeDxf } from './dxf';
import { FileProblem } from '../file-problem';
import { checkPicture } from './picture';
import { readStl } from './stl';
import { readSvg, writeSvg } from './svg';
import { lineGatherer, readTapeLine, tapeLine } from './tape-line';

const distance = (a: readonly [number, number], b: readonly [number, number]): number => Math.hypot(a[0] - b[0], a[1] - b[1]);

/** The farthest that any end of a segment of one outline lies from the nearest end of the other's. */
function farthestPoint(from: Outline, to: Outline): number {
  const ends = to.segments.map((segment) => pointAt(segment, 0));
  return Math.max(...from.segments.map((segment) => Math.min(...ends.map((end) => distance(end, pointAt(segment, 0))))));
}

describe('outlines out and in again', () => {
  it.each(SHAPES.map((shape) => shape.type))('%s comes back within 0.01 mm through SVG and DXF', (type) => {
    const outline = baseOutline(
      STARTING_SHAPES[type],
      type === 'rectangle' ? [{ id: 'a', at: { kind: 'corner', name: 'back left' }, width: 60, depth: 70 }] : [],
    );
    for (const read of [readSvg(writeSvg(outline)), readDxf(writeDxf(outline))]) {
      const back = drawNodes({ nodes: read.nodes, mirrored: false }).outline;
      expect(farthestPoint(outline, back)).toBeLessThan(0.01);
      // Wide arcs come back in parts: every point that returns lies on the line that went out.
      const line = flatten(outline, 0.001);
      for (const segment of back.segments) expect(distanceTo(line, pointAt(segment, 0))).toBeLessThan(0.01);
      expect(Math.abs(outlineArea(back) / outlineArea(outline) - 1)).toBeLessThan(1e-5);
    }
  });

  it('keeps holes', () => {
    const outline = baseOutline(STARTING_SHAPES.trapezoid);
    const holes = [{ id: 'a', kind: 'round' as const, x: 40, y: -30, diameter: 25 }];
    for (const read of [readSvg(writeSvg(outline, holes)), readDxf(writeDxf(outline, holes))])
      expect(read.holes).toEqual([{ x: expect.closeTo(40, 2), y: expect.closeTo(-30, 2), diameter: expect.closeTo(25, 2) }]);
  });

  it('asks for the unit when the file does not say, and checks the scale', () => {
    const bare = '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 20 20"><path d="M0 0h18v16h-18z"/></svg>';
    expect(() => readSvg(bare)).toThrow('does not say in which unit');
    expect(readSvg(bare, { unit: 'in' })).toMatchObject({ width: expect.closeTo(457.2, 6), depth: expect.closeTo(406.4, 6) });
    expect(() => readSvg(bare, { unit: 'mm' })).toThrow(/18 mm long.*cm or in/);
    const dxf = writeDxf(baseOutline(STARTING_SHAPES.rectangle)).replace(/\$INSUNITS\n70\n4/, '$INSUNITS\n70\n0');
    expect(() => readDxf(dxf)).toThrow('does not say in which unit');
    expect(readDxf(dxf, { unit: 'mm' }).width).toBeCloseTo(450, 3);
  });

  it('follows transforms, joins loose lines, and explains what is open or crossing', () => {
    const turned =
      '<svg width="500mm" height="500mm" viewBox="0 0 500 500"><g transform="translate(10 20) scale(2)"><rect width="200" height="150" rx="10"/></g></svg>';
    expect(readSvg(turned)).toMatchObject({ width: expect.closeTo(400, 3), depth: expect.closeTo(300, 3) });
    const loose =
      '<svg width="500mm" height="500mm" viewBox="0 0 500 500"><path d="M0 0H300"/><path d="M300 200V0"/><path d="M0 200H300"/><path d="M0 0V200"/></svg>';
    expect(readSvg(loose)).toMatchObject({ width: 300, depth: 200 });
    const open = '<svg width="500mm" height="500mm" viewBox="0 0 500 500"><path d="M0 0H300V200H20"/></svg>';
    expect(() => readSvg(open)).toThrow(/open: its ends are 201 mm apart/);
    expect(readSvg(open, { close: true })).toMatchObject({ width: 300, depth: 200 });
    const eight = '<svg width="500mm" height="500mm" viewBox="0 0 500 500"><path d="M0 0L300 250L300 0L0 200Z"/></svg>';
    expect(() => readSvg(eight)).toThrow('crosses itself');
  });

  it('reads tables of offsets, cross-sections and points, and says which cell is wrong', () => {
    expect(readCsv('at;left;right\n0;190;190\n100;220,5;221\n200;200;200')).toMatchObject({
      type: 'offsets',
      rows: [{ left: 190 }, { left: 220.5 }, { at: 200 }],
    });
    expect(readCsv('at,width,height,drop,crown\n0,200,0,20,4\n300,240,5,22,5', { unit: 'mm' })).toMatchObject({ type: 'saddle' });
    expect(() => readCsv('x,y\n0,0\n300,0\n300,oak\n')).toThrow('Row 4, y: “oak” is not a number');
    expect(() => readCsv('a,b\n1,2')).toThrow('should name the columns');
    expect(() => readCsv('x,y\n0,0\n400,5,0\n400,300')).toThrow('Row 3 has 3 figures under 2 columns. For decimal commas put semicolons');
    expect(() => readCsv('x;y\n0;0\n400;5;0\n400;300')).toThrow('Row 3 has 3 figures');
    expect(readCsv('x;y\n0;0\n400,5;0\n400;300;\n0;300')).toMatchObject({ nodes: [{}, { x: 400.5 }, {}, {}] });
  });
});

/** A saddle-shaped surface, z = x²/900 − y²/1100, as a binary STL of small triangles. */
function saddleStl(nx = 120, ny = 150): { bytes: Uint8Array; z: (x: number, y: number) => number } {
  const z = (x: number, y: number): number => (x * x) / 900 - (y * y) / 1100;
  const [w, d] = [240, 300];
  const bytes = new Uint8Array(84 + nx * ny * 2 * 50);
  const view = new DataView(bytes.buffer);
  view.setUint32(80, nx * ny * 2, true);
  let at = 84;
  const p = (i: number, j: number): [number, number, number] => {
    const [x, y] = [-w / 2 + (w * i) / nx, -d / 2 + (d * j) / ny];
    return [x + 1000, y - 500, z(x, y) + 77];
  };
  for (let i = 0; i < nx; i++) {
    for (let j = 0; j < ny; j++) {
      for (const triangle of [
        [p(i, j), p(i + 1, j), p(i + 1, j + 1)],
        [p(i, j), p(i + 1, j + 1), p(i, j + 1)],
      ]) {
        triangle.flat().forEach((value, k) => view.setFloat32(at + 12 + k * 4, value, true));
        at += 50;
      }
    }
  }
  return { bytes, z };
}

describe('a scan', () => {
  it('of a known saddle surface is sampled within 0.2 mm, its outline within 1.5 mm', () => {
    const { bytes, z } = saddleStl();
    const { mould, nodes, width, depth } = readStl(bytes, { unit: 'mm' });
    expect(width).toBeCloseTo(240, 2);
    expect(depth).toBeCloseTo(300, 2);
    let worst = 0;
    for (let r = 0; r < mould.rows; r++) {
      for (let c = 0; c < mould.columns; c++) {
        const [x, y] = [mould.x0 + c * mould.step, mould.y0 + r * mould.step];
        worst = Math.max(
          worst,
          Math.abs(
            mould.heights[r * mould.columns + c]! -
              mould.heights[Math.floor(mould.rows / 2) * mould.columns + Math.floor(mould.columns / 2)]! -
              (z(x, y) - z(mould.x0 + Math.floor(mould.columns / 2) * mould.step, mould.y0 + Math.floor(mould.rows / 2) * mould.step)),
          ),
        );
      }
    }
    expect(worst).toBeLessThan(0.2);
    const area = outlineArea(drawNodes({ nodes, mirrored: false }).outline);
    expect(Math.abs(Math.sqrt(area / (240 * 300)) - 1)).toBeLessThan(1.5 / 240);
  });

  it('says when the unit or the axis cannot be right', () => {
    const { bytes } = saddleStl(10, 10);
    expect(() => readStl(bytes, { unit: 'm' })).toThrow('would be 300000 mm long');
    const text = new TextEncoder().encode(
      'solid a\nfacet normal 0 0 1\nouter loop\nvertex 0 0 0\nvertex 300 0 0\nvertex 300 0 200\nendloop\nendfacet\nendsolid a\n'.padEnd(
        120,
      ),
    );
    expect(() => readStl(text, { unit: 'mm' })).toThrow('another axis');
  });
});

describe('a traced photo', () => {
  /** A camera that looks at the plan from the side: a projective map of mm to dots. */
  const camera = ([x, y]: readonly [number, number]): [number, number] => {
    const w = 1 + x * 2e-4 + y * 6e-4;
    return [400 + (x * 1.3 + y * 0.2) / w, 700 - (y * 1.1 - x * 0.05) / w];
  };

  it('squared up from four corners comes back within 1 %', () => {
    const shape = flatten(baseOutline(STARTING_SHAPES.trapezoid), 1);
    const trace = {
      scale: { kind: 'four' as const, width: 297, height: 210 },
      marks: (
        [
          [-300, -300],
          [-3, -300],
          [-3, -90],
          [-300, -90],
        ] as const
      ).map(camera),
      // Fingers are good to half a dot.
      points: shape.map(camera).map(([u, v]): [number, number] => [Math.round(u * 2) / 2, Math.round(v * 2) / 2]),
    };
    const nodes = tracedNodes(trace);
    if (typeof nodes === 'string') throw new Error(nodes);
    const area = outlineArea(drawNodes({ nodes, mirrored: false }).outline);
    expect(Math.abs(Math.sqrt(area / outlineArea(baseOutline(STARTING_SHAPES.trapezoid))) - 1)).toBeLessThan(0.01);
  });

  it('scaled from two points keeps true sizes; says what is missing', () => {
    const nodes = tracedNodes({
      scale: { kind: 'two', apart: 300 },
      marks: [
        [100, 100],
        [100, 700],
      ],
      points: [
        [0, 0],
        [800, 0],
        [800, 600],
        [0, 600],
      ],
    });
    if (typeof nodes === 'string') throw new Error(nodes);
    expect(outlineArea(drawNodes({ nodes, mirrored: false }).outline)).toBeCloseTo(400 * 300, 6);
    expect(photoScale({ scale: { kind: 'four', width: 10, height: 10 }, marks: [[0, 0]] })).toContain('four corners');
    expect(
      squareUp(
        [
          [0, 0],
          [1, 0],
          [2, 0],
          [3, 0],
        ],
        [
          [0, 0],
          [1, 0],
          [1, 1],
          [0, 1],
        ],
      ),
    ).toBeNull();
  });
});

describe('the tape', () => {
  it('reads its own lines and trusts no other', () => {
    expect(readTapeLine(tapeLine('R 7 412.5 mm').trim())).toEqual({ ok: true, message: { kind: 'reading', number: 7, mm: 412.5 } });
    expect(readTapeLine(tapeLine('R 8 16.25 in').trim())).toMatchObject({ ok: true, message: { mm: 412.75 } });
    expect(readTapeLine('R 7 512.5 mm*' + tapeLine('R 7 412.5 mm').slice(-3).trim())).toMatchObject({
      ok: false,
      why: 'the checksum does not fit',
    });
    fc.assert(
      fc.property(fc.string({ maxLength: 200 }), (text) => {
        expect(typeof readTapeLine(text).ok).toBe('boolean');
      }),
    );
  });

  it('gathers lines that come in pieces and drops one that never ends', () => {
    const gather = lineGatherer();
    expect(gather('R 1 4')).toEqual([]);
    expect(gather('12 mm*00\nP*5')).toEqual(['R 1 412 mm*00']);
    expect(gather('0\n')).toEqual(['P*50']);
    expect(gather('x'.repeat(5000))).toEqual([]);
    expect(gather('\nP*50\n')).toEqual(['', 'P*50']);
  });
});

describe('hostile and broken files', () => {
  const svg = writeSvg(baseOutline(STARTING_SHAPES.crowned));
  const dxf = writeDxf(baseOutline(STARTING_SHAPES.bowed));
  const csv = 'at,left,right\n0,190,190\n100,220,221\n200,200,200\n';
  const { bytes: stl } = saddleStl(12, 12);
  const png = Uint8Array.from(
    Buffer.from('iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==', 'base64'),
  );

  /** Whatever is done to a file: it is read, or refused in words; in good time, and nothing of it is run. */
  function survives(read: () => unknown): void {
    const started = performance.now();
    try {
      read();
    } catch (error) {
      if (!(error instanceof FileProblem)) throw error;
      expect(error.message.length).toBeGreaterThan(10);
      expect(error.message.length).toBeLessThan(400);
    }
    expect(performance.now() - started).toBeLessThan(4000);
  }

  /** Cuts, repeats, swaps and spoils a text. */
  const spoiled = (text: string) =>
    fc
      .tuple(
        fc.nat(text.length),
        fc.nat(text.length),
        fc.constantFrom('cut', 'repeat', 'figure', 'insert', 'drop'),
        fc.constantFrom('NaN', '1e999', '-', '<script>alert(1)</script>', '&x;', '\u0000', '9'.repeat(400), '<g>'.repeat(300)),
      )
      .map(([a, b, how, words]) => {
        const [from, to] = [Math.min(a, b), Math.max(a, b)];
        if (how === 'cut') return text.slice(0, from);
        if (how === 'repeat') return text.slice(0, to) + text.slice(from);
        if (how === 'figure') return text.replace(/\d+(\.\d+)?/g, (figure, _, at: number) => (at % 7 === a % 7 ? words : figure));
        if (how === 'insert') return text.slice(0, from) + words + text.slice(from);
        return text.slice(0, from) + text.slice(to);
      });

  const unit = fc.constantFrom('mm' as const, 'in' as const, 'm' as const, undefined);

  it('SVG', () => {
    fc.assert(
      fc.property(spoiled(svg), unit, fc.boolean(), (text, u, close) =>
        survives(() => readSvg(text, { ...(u ? { unit: u } : {}), close })),
      ),
      { numRuns: 90 },
    );
    for (const text of [
      '',
      '<svg',
      '<!DOCTYPE svg [<!ENTITY a "aaaaaaaaaa"><!ENTITY b "&a;&a;&a;&a;">]><svg><path d="&b;"/></svg>',
      `<svg>${'<g>'.repeat(5000)}${'</g>'.repeat(5000)}</svg>`,
      `<svg width="300mm"><path d="M0 0${'l1 1'.repeat(60_000)}"/></svg>`,
      '<svg width="300mm" height="1mm" viewBox="0 0 0 0"><path d="M0 0L0 0Z"/></svg>',
      '<svg width="300mm"><script>process.exit(3)</script><path d="M0 0h300v0z" onload="x()"/></svg>',
      '<svg width="300mm" viewBox="0 0 300 300"><path d="M0 0 NaN 3 Z"/></svg>',
      '<svg width="300mm" viewBox="0 0 300 300"><polygon points="a b c d e f"/></svg>',
      '<svg width="300mm" viewBox="0 0 300 300"><path transform="rotate(NaN) scale(1e300)" d="M0 0h300v200z"/></svg>',
    ])
      survives(() => readSvg(text, { unit: 'mm' }));
  });

  it('DXF', () => {
    fc.assert(
      fc.property(spoiled(dxf), unit, (text, u) => survives(() => readDxf(text, u ? { unit: u } : {}))),
      { numRuns: 90 },
    );
    for (const text of [
      '',
      '0\nEOF',
      '0\nSECTION\n2\nENTITIES\n0\nLINE\n0\nEOF',
      `0\nSECTION\n2\nENTITIES\n${'0\nLINE\n10\n0\n20\n0\n11\n1\n21\n1\n'.repeat(30_000)}0\nENDSEC\n0\nEOF`,
    ])
      survives(() => readDxf(text, { unit: 'mm' }));
  });

  it('CSV', () => {
    fc.assert(
      fc.property(fc.oneof(spoiled(csv), fc.string({ maxLength: 400 })), (text) => survives(() => readCsv(text))),
      { numRuns: 60 },
    );
    survives(() => readCsv(`x,y\n${'0,0\n'.repeat(100_000)}`));
  });

  const spoiledBytes = (bytes: Uint8Array) =>
    fc
      .tuple(fc.nat(bytes.length), fc.array(fc.tuple(fc.nat(bytes.length - 1), fc.nat(255)), { maxLength: 12 }), fc.boolean())
      .map(([end, changes, cut]) => {
        const copy = bytes.slice(0, cut ? end : bytes.length);
        for (const [at, value] of changes) if (at < copy.length) copy[at] = value;
        return copy;
      });

  it('STL', () => {
    fc.assert(
      fc.property(
        fc.oneof(spoiledBytes(stl), fc.uint8Array({ maxLength: 400 })),
        fc.constantFrom('x' as const, 'y' as const, 'z' as const),
        (bytes, up) => survives(() => readStl(bytes, { unit: 'mm', up })),
      ),
      { numRuns: 80 },
    );
    const huge = new Uint8Array(84);
    new DataView(huge.buffer).setUint32(80, 0xffffffff, true);
    survives(() => readStl(huge, { unit: 'mm' }));
    expect(() => readStl(huge, { unit: 'mm' })).toThrow('4294967295 triangles');
  });

  it('pictures', () => {
    expect(checkPicture(png)).toMatchObject({ extension: 'png', width: 1, height: 1 });
    fc.assert(
      fc.property(fc.oneof(spoiledBytes(png), fc.uint8Array({ maxLength: 400 })), (bytes) => survives(() => checkPicture(bytes))),
      { numRuns: 80 },
    );
    const bomb = png.slice();
    new DataView(bomb.buffer).setUint32(16, 60_000);
    new DataView(bomb.buffer).setUint32(20, 60_000);
    expect(() => checkPicture(bomb)).toThrow('3600 million dots');
    expect(() => checkPicture(new TextEncoder().encode('<svg xmlns="http://www.w3.org/2000/svg"></svg>'))).toThrow(
      'not a JPEG, PNG or WebP',
    );
  });
});
