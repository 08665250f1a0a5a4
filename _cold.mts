import { newPiece, KINDS } from './src/core/piece';
import { WAYS } from './src/core/cover';
import { createPlanner, planPiece } from './src/core/plan';
import { editsOf, houseEdits } from './src/testing/edits';
import { writeFileSync } from 'node:fs';
const only = process.argv[2]?.split(',');
const diff = (a: any, b: any, p = ''): string[] => {
  if (a === b || Object.is(a,b)) return [];
  if (a && b && typeof a === 'object' && typeof b === 'object') return [...new Set([...Object.keys(a), ...Object.keys(b)])].flatMap((k) => diff(a[k], b[k], p + '.' + (/^\d+$/.test(k) ? '#' : k)));
  return [p];
};
for (const { id } of KINDS) {
  if (only && !only.includes(id)) continue;
  const base = newPiece(id);
  const edits = [...WAYS.map((w) => ({ says: `way ${w.id}`, piece: { ...base, covering: { way: w.id } } as any, house: {} })), ...KINDS.filter(k => k.id !== id).map(k => ({ says: 'kind ' + k.id, piece: { ...base, kind: k.id }, house: {} })), ...editsOf(base).filter(e => !e.says.startsWith('kind')).map(e => ({ ...e, house: {} })), ...houseEdits().map(h => ({ ...h, piece: base }))];
  let n = 0, stale = 0; const t = Date.now();
  const found = new Map<string, string[]>();
  const warm = createPlanner();
  const cold = createPlanner();
  const run = (piece: any, house: any, planner: any) => { try { return JSON.parse(JSON.stringify(planPiece(piece, house, { coarse: true, planner, sits: true }))); } catch (e: any) { return e.problems ? { problems: e.problems.map((p: any) => p.message) } : { error: String(e.stack).slice(0, 300) }; } };
  for (const { says, piece, house } of edits) {
    if (warm.check(piece, house).length) continue;
    run(base, {}, warm);
    const a = run(piece, house, warm);
    (cold as any).forget?.();
    const b = run(piece, house, (cold as any).forget ? cold : createPlanner());
    n++;
    if (a.error || b.error) console.log('   ERROR', says, a.error ?? b.error);
    const d = [...new Set(diff(a, b))];
    if (d.length) { stale++; console.log(`   ${id} STALE ${says}: ${d.slice(0, 5).join(' ')}`); }
  }
  console.log(`${id}: ${n} edits of ${edits.length}, ${stale} stale, ${Math.round((Date.now() - t) / 1000)} s`);
}
