import { JOBS } from './src/testing/jobs';
import { planPiece } from './src/core/plan';
const want = process.argv.slice(2);
for (const j of JOBS) {
  if (want.length && !want.some(w => j.title.includes(w))) continue;
  const p = planPiece(j.piece, {}, { sits: false, coarse: true });
  console.log('\n##', j.title, '|', j.piece.kind);
  p.steps.forEach((s,k)=>console.log(`${k+1}. [${s.key}] ${s.name} (${s.minutes}${s.wait?`+${s.wait}`:''}) ${s.detail}`));
}
