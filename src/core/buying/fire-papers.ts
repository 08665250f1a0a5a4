import type { KeptWare, WareKind } from '../store';
import type { Need } from './needs';
import { waresFor } from './offers';

/** What fire rules ask about: everything soft that stays in the piece. */
const ASKED: ReadonlySet<WareKind> = new Set(['foam', 'wadding', 'cloth', 'lining', 'fill', 'hessian', 'waterproof']);

/** A material of some pieces with the certificates on file for it. */
export type FirePaper = { need: string; name: string; papers: string[]; /** none on file for what is used */ missing: boolean };

/**
 * Which certificates are on file for what some pieces are made of. What the piece names for its cloth counts, then what is bought; where nothing of a material is bought, whatever
 * in the store could serve it must have one.
 *
 * @param needs what the pieces take
 * @param wares of the store
 * @param bought ids of the wares that are bought for them
 */
export function firePapers(needs: readonly Need[], wares: readonly KeptWare[], bought: ReadonlySet<string>): FirePaper[] {
  return needs
    .filter(({ kind }) => ASKED.has(kind))
    .map((need) => {
      const serving = waresFor(need, wares);
      const chosen = serving.filter(({ id }) => bought.has(id));
      const used = chosen.length > 0 ? chosen : serving;
      const named = need.certificates ?? [];
      const papers = used.map(({ certificate, cloth }) => (certificate ?? cloth?.certificate ?? '').trim());
      const name = need.thickness === null ? need.name : `${need.name}, ${need.thickness} mm`;
      return {
        need: need.key,
        name,
        papers: [...new Set([...named, ...papers.filter(Boolean)])],
        missing: named.length === 0 && (papers.length === 0 || papers.some((paper) => paper === '')),
      };
    });
}
