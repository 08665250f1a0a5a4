import { describe, expect, it } from 'vitest';
import { patternFile } from '../../formats/pattern-files';
import { inspectPlan } from '../../inspection';
import { bounds, type Polygon } from '../../outline';
import { newPiece, type Piece } from '../../piece';
import { planPiece, type Plan } from '../../plan';
import { sizesOf } from '../../sizes';
import { shelf } from '../../store';
import { sharedPlanner } from '../../../testing/quick';
import { dxfShapes } from '../../../testing/read-patterns';
import { STARTING } from '../choices';

/** A sewn panel that is quilted has two outlines: cut rough before the quilting, and to its template after it. */

const cushion = newPiece('round-seat');
const channels = { ...STARTING.channels, width: 40, backing: 6, swatch: { before: 300, after: 276, lines: 6 } };
const chair = newPiece('chair-seat');
const ways: [string, Piece][] = [
  ['a boxed chair', { ...chair, covering: { ...chair.covering, way: 'boxed', channels } }],
  ['a round stool', { ...cushion, covering: { ...cushion.covering, channels } }],
  ['a loose block', { ...chair, covering: { ...chair.covering, way: 'block', channels } }],
];
const planned = (piece: Piece): Plan => planPiece(piece, {}, { sits: false, planner: sharedPlanner });
const top = (plan: Plan) => plan.cover.pieces.find(({ role }) => role === 'top')!;
const sized = (points: Polygon): string => {
  const { width, height } = bounds(points);
  return `${Math.round(width)} × ${Math.round(height)}`;
};

it('channels begin with a backed foam that the shelf has', () => {
  expect(shelf().map(({ of }) => of)).toContain(`backed-${STARTING.channels.backing}`);
});

it('a pulled cover is quilted with its pull allowance to spare, and then cut to the size it has without channels', () => {
  const pulled = (way: 'channelled' | 'pull-over', more: Partial<Piece['covering']>): Plan =>
    planned({ ...chair, wadding: null, covering: { ...chair.covering, way, ...more } });
  const plan = pulled('channelled', { channels: { ...channels, backing: 0 } });
  const [quilted, plain] = [plan.cover.pieces[0]!, pulled('pull-over', {}).cover.pieces[0]!];
  const lines = quilted.lines.filter(({ kind }) => kind === 'stitch').length;
  expect(quilted.width).toBeCloseTo(plain.width + 4 * lines, 0);
  expect(quilted.template!.width).toBeCloseTo(plain.width, 0);
  const at = ['channels', 'cloth'].map((key) => plan.steps.findIndex((step) => step.key === key));
  expect(at[0]).toBeLessThan(at[1]!);
  expect(plan.steps[at[0]!]!.detail).toContain(`Cut rough: cover ${Math.round(quilted.width)} × ${Math.round(quilted.height)} mm`);
  expect(plan.steps[at[1]!]!.detail).toContain(`${Math.round(plain.width)} × ${Math.round(plain.height)} mm`);
});

describe.each(ways)('%s with channels', (_name, piece) => {
  const plan = planned(piece);
  const { channels: _quilting, ...covering } = piece.covering;
  void _quilting;
  const plain = top(planned({ ...piece, covering }));
  const quilted = top(plan);

  it('has as its template the panel that it would have without them', () => {
    expect(quilted.template!.outline).toEqual(plain.outline);
    expect(quilted.template!.notches).toEqual(plain.notches);
  });

  it('is cut rough: larger by what the swatch takes up, and by 20 all round', () => {
    // 24 mm over six lines: 4 a line.
    const lines = quilted.lines.filter(({ kind }) => kind === 'stitch').length;
    expect(lines).toBeGreaterThan(5);
    expect(quilted.width).toBeCloseTo(plain.width + 4 * lines + 40, 0);
    expect(quilted.height).toBeCloseTo(plain.height + 40, 0);
    expect(plan.cover.linings.find(({ material }) => material === 'backed-foam')).toMatchObject({
      width: quilted.width,
      height: quilted.height,
    });
  });

  it('is told so where it is quilted, before the rest is cut, and nowhere else', () => {
    const at = (key: string): number => plan.steps.findIndex((step) => step.key === key);
    const [laid, sewn] = [plan.steps[at('backing')]!, plan.steps[at('channels')]!];
    expect(laid.detail).toContain(`${Math.round(quilted.width)} × ${Math.round(quilted.height)} mm`);
    expect(laid.uses).toEqual(['cloth', 'wadding', 'glue']);
    expect(laid.caution).toContain('flammable');
    expect(sewn.detail).toContain(
      `Then cut to the template: ${quilted.name.toLowerCase()} ${Math.round(plain.width)} × ${Math.round(plain.height)} mm`,
    );
    expect(at('backing')).toBeLessThan(at('channels'));
    // Lines lie 40 apart once they are sewn.
    const stitched = quilted.template!.lines.filter(({ kind }) => kind === 'stitch');
    expect(sewn.detail).toContain(`from the first to the last ${40 * (stitched.length - 1)} mm: measure it`);
    const xs = stitched.flatMap(({ points }) => points.map(([x]) => x));
    expect(Math.max(...xs) - Math.min(...xs)).toBeCloseTo(40 * (stitched.length - 1), 6);
    expect(at('channels')).toBeLessThan(at('cloth'));
    expect(plan.steps[at('cloth')]!.detail).not.toMatch(/top \d/);
  });

  it('is laid and bought at the rough size, its backed foam too, and passes its inspection', () => {
    const sizes = sizesOf(plan, piece, {});
    const laid = plan.cut.cloth.laid.find(({ label }) => label === quilted.name)!;
    expect([laid.width, laid.height].sort((a, b) => a - b).map(Math.round)).toEqual(
      [quilted.width, quilted.height].sort((a, b) => a - b).map(Math.round),
    );
    expect(sizes.find(({ key }) => key === 'backedFoam.length')!.value).toBe(plan.cut.backedFoam!.length);
    expect(inspectPlan({ plan, sizes })).toEqual([]);
  });

  it('leaves the program as both', () => {
    const shapes = dxfShapes(patternFile(plan, piece, 'dxf')).shapes.filter(({ layer, closed }) => layer === 'CUT' && closed);
    const sizes = shapes.map(({ points }) => sized(points));
    expect(sizes).toContain(sized(quilted.outline));
    expect(sizes).toContain(sized(plain.outline));
  });
});
