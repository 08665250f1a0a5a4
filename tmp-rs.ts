import { KINDS, newPiece } from './src/core/piece';
import { planPiece } from './src/core/plan';
for (const {id} of KINDS) { const p = planPiece(newPiece(id), {}, { sits: false, coarse: true }); console.log(id); p.steps.filter(s=>["cloth","wadding","dust","corners","relief"].includes(s.key)||s.key.startsWith("lay-")).forEach(s=>console.log("  ",s.key,s.detail)); }
