import * as THREE from 'three';
import { describe, expect, it } from 'vitest';
import { isInside } from '@/core/outline';
import { KINDS, kindOf, newPiece, STARTING_SHAPES, type Piece } from '@/core/piece';
import { sheetView, type SheetView } from '@/core/plan';
import { fastenersUnder, studs } from './meshes';
import { standIn } from './stand-ins';
import { sharedPlanner } from '../../testing/quick';

function viewOf(piece: Piece): SheetView {
  const found = sheetView({ piece, house: {}, parts: ['cover'], preview: true, round: true }, sharedPlanner);
  if ('problems' in found) throw new Error(found.problems[0]!.message);
  return found.view;
}

describe('what a piece belongs to', () => {
  it.each(KINDS.map(({ id }) => id))(
    '%s: legs under what is sat on, a wall behind what hangs, nothing for what lies in something',
    (kind) => {
      const piece = newPiece(kind);
      const view = viewOf(piece);
      const { parts, upright, dispose } = standIn(piece, view);
      const { traits } = kindOf(kind);
      expect(upright).toBe(traits.upright);
      if (traits.wall) expect(parts).toHaveLength(1);
      else if (traits.sat && !traits.pan && !traits.throughFrame) expect(parts).toHaveLength(8);
      else expect(parts).toHaveLength(0);
      // Nothing of it reaches up into the padding.
      const low = Math.min(...view.baseGrid.heights.filter((z) => !Number.isNaN(z))) - view.plan.base.thickness;
      for (const part of parts) expect(new THREE.Box3().setFromObject(part).max.z).toBeLessThan(low + 0.01);
      dispose();
    },
  );

  it.each(['round', 'oval', 'd', 'rectangle', 'trapezoid'] as const)('legs stand under a %s board, not beside it', (type) => {
    const piece = { ...newPiece('chair-seat'), base: { ...newPiece('chair-seat').base, shape: STARTING_SHAPES[type] } };
    const view = viewOf(piece);
    const { parts } = standIn(piece, view);
    const legs = parts.filter((part) => new THREE.Box3().setFromObject(part).min.z < -200);
    expect(legs).toHaveLength(4);
    for (const { position } of legs)
      expect(isInside(view.plan.outline.points, [position.x, position.y]), `${position.x} ${position.y}`).toBe(true);
  });
});

describe('what is set on a cover', () => {
  it('buttons are as large as they are said to be, and at their places', () => {
    const buttons = { columns: 3, rows: 2, spacing: 160, depth: 15, size: 32 };
    const view = viewOf({ ...newPiece('headboard'), covering: { way: 'buttoned', buttons } });
    const found = studs(view);
    expect(found.buttons).toHaveLength(6);
    expect(found.nails).toHaveLength(0);
    const scale = new THREE.Vector3();
    const at = new THREE.Vector3();
    found.buttons.forEach((matrix, i) => {
      matrix.decompose(at, new THREE.Quaternion(), scale);
      expect(scale.x * 2).toBeCloseTo(32, 6);
      const { x, y } = view.plan.cover!.buttons!.places[i]!;
      expect([at.x, at.y]).toEqual([expect.closeTo(x, 6), expect.closeTo(y, 6)]);
    });
  });

  it('nails are as large as their heads, every one of them', () => {
    const view = viewOf(newPiece('headboard-nailed'));
    const { nails } = studs(view);
    const plan = view.plan.cover!.nails!;
    expect(nails.length).toBe(plan.count + plan.small);
    const scale = new THREE.Vector3();
    nails.forEach((matrix, i) => {
      matrix.decompose(new THREE.Vector3(), new THREE.Quaternion(), scale);
      expect(scale.x * 2).toBeCloseTo(plan.places[i]!.head, 6);
    });
  });
});

describe('what holds the cover, from below', () => {
  const fastened = (piece: Piece): SheetView => {
    const found = sheetView({ piece, house: {}, parts: ['cover', 'fixing'], preview: true, round: true }, sharedPlanner);
    if (!('view' in found)) throw new Error('not planned');
    return found.view;
  };
  const place = (matrix: THREE.Matrix4): THREE.Vector3 => new THREE.Vector3().setFromMatrixPosition(matrix);

  it.each(['chair-seat', 'saddle', 'headboard'] as const)('%s: every one is there, under the board, and each wave adds its own', (kind) => {
    const view = fastened(newPiece(kind));
    const { order, waves, fasteners, fastener } = view.plan.fixing!;
    expect(fastenersUnder(view, null).now).toHaveLength(order.length);
    for (const [k, matrix] of fastenersUnder(view, null).now.entries()) {
      const at = place(matrix);
      expect([at.x, at.y]).toEqual([order[k]!.x, order[k]!.y]);
      // A flat board lies on nothing; a pan's underside follows its mould.
      if (kind !== 'saddle') expect(at.z).toBeCloseTo(-view.plan.base.thickness, 6);
    }
    let done = 0;
    waves.forEach(({ from, to, temporary }, k) => {
      const listed = fastenersUnder(view, k);
      if (temporary) {
        expect(listed.now).toHaveLength(fasteners.find(({ id }) => id === fastener.id)!.temporary.length);
        return;
      }
      expect(listed.done).toHaveLength(done);
      expect(listed.now).toHaveLength(to - from + 1);
      done += to - from + 1;
    });
    expect(done).toBe(order.length);
  });
});
