import { newPiece } from './src/core/piece';
import { planPiece } from './src/core/plan';
for (const w of [20, 40, 55, 70]) for (const d of [20, 45, 70]) {
  const base = newPiece('chair-seat');
  const piece: any = { ...base, base: { ...base.base, notches: [ { id: 'n-1', at: { kind: 'corner', name: 'back left' }, width: w, depth: d }, { id: 'n-2', at: { kind: 'corner', name: 'back right' }, width: w, depth: d } ] } };
  try { const p = planPiece(piece, {}, { sits: false });
  console.log(w, d, p.cover.check.closes, p.cover.check.edgeError.toFixed(2), p.cover.check.allowanceError.toFixed(2), p.warnings.map((x) => x.code).join(), p.cover.pieces[0]!.width.toFixed(0), p.cover.pieces[0]!.height.toFixed(0)); } catch (e: any) { console.log(w, d, e.message); }
}
