import { newPiece, STARTING_SHAPES } from './src/core/piece';
import { planPiece } from './src/core/plan';
import { outlineArea, baseOutline } from './src/core/outline';
console.log(Object.keys(STARTING_SHAPES));
for (const type of Object.keys(STARTING_SHAPES)) for (const kind of ['chair-seat', 'headboard'] as const) {
  const base: any = newPiece(kind, (STARTING_SHAPES as any)[type]);
  const names = [...new Set(baseOutline(base.base.shape).segments.filter((s) => s.edge.kind === 'edge').map((s) => s.edge.name))];
  const plan = (edges: any[]) => planPiece({ ...base, covering: { way: 'pull-over' }, base: { ...base.base, edges } }, {}, { sits: false, coarse: true });
  let plain; try { plain = plan([]); } catch (e: any) { console.log(type, kind, e.message); continue; }
  for (const name of names) {
    const short = plan([{ edge: { kind: 'edge', name }, fasten: true, visible: true, against: false, strip: null, trim: null, short: 10 }]);
    const a = plain.cover.pieces[0]!, b = short.cover.pieces[0]!;
    console.log(kind, type, name, `${a.width.toFixed(0)}×${a.height.toFixed(0)}`, `${b.width.toFixed(0)}×${b.height.toFixed(0)}`, 'lost area', (a.area - b.area).toFixed(0), short.warnings.map((w) => w.code).join());
  }
}
