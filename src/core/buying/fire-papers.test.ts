import { describe, expect, it } from 'vitest';
import { layGroups } from '../nesting';
import { newPiece } from '../piece';
import { planPiece } from '../plan';
import { shelf, type KeptWare } from '../store';
import { QUICK } from '../../testing/quick';
import { firePapers, needsOf, waresFor } from '.';

const piece = newPiece('chair-seat');
const planned = [{ id: 'p', piece, plan: planPiece(piece, {}, QUICK) }];
const needs = needsOf(planned, layGroups(planned, {}), {});
const wares = shelf().map((ware, k): KeptWare => ({ ...ware, id: `w-${k}` }));
const main = needs.find(({ kind, thickness }) => kind === 'foam' && thickness === 50)!;

/** The store with a certificate on everything that some need could be served by. */
const certified = (of: readonly (typeof needs)[number][]): KeptWare[] => {
  const ids = new Set(of.flatMap((need) => waresFor(need, wares).map(({ id }) => id)));
  return wares.map((ware) => (ids.has(ware.id) ? { ...ware, certificate: 'No. 7 of the lodge' } : ware));
};
const paperOf = (all: ReturnType<typeof firePapers>, need = main) => all.find((paper) => paper.need === need.key)!;

describe('fire papers', () => {
  it('are asked for everything soft, and for nothing else', () => {
    const kinds = new Set(firePapers(needs, wares, new Set()).map(({ need }) => needs.find(({ key }) => key === need)!.kind));
    expect([...kinds].sort()).toEqual(['cloth', 'foam', 'wadding']);
  });

  it('that are not there are missing, also where the store has not got the thing at all', () => {
    expect(firePapers(needs, wares, new Set()).every(({ missing, papers }) => missing && papers.length === 0)).toBe(true);
    expect(firePapers(needs, [], new Set()).every(({ missing }) => missing)).toBe(true);
  });

  it('come with a customer’s cloth, which the store has never seen', () => {
    const brought = { ...piece, cloth: { ...piece.cloth, name: 'Cloth from the keeper’s trunk', certificate: 'Paper 12' } };
    const all = [{ id: 'p', piece: brought, plan: planPiece(brought, {}, QUICK) }];
    const asked = needsOf(all, layGroups(all, {}), {});
    const cloth = asked.find(({ kind }) => kind === 'cloth')!;
    expect(paperOf(firePapers(asked, wares, new Set()), cloth)).toMatchObject({ missing: false, papers: ['Paper 12'] });
  });

  it('are named by their number, of each material by itself', () => {
    const all = firePapers(needs, certified([main]), new Set());
    expect(paperOf(all)).toMatchObject({ missing: false, papers: ['No. 7 of the lodge'], name: 'Seating, firm, 50 mm' });
    expect(all.filter(({ missing }) => !missing)).toHaveLength(1);
    expect(firePapers(needs, certified(needs), new Set()).filter(({ missing }) => missing).length).toBeLessThanOrEqual(1);
  });

  it('count of what is bought: a certificate of another supplier’s does not serve', () => {
    const [first] = waresFor(main, wares);
    const other: KeptWare = { ...first!, id: 'w-other', certificate: 'No. 9' };
    const both = [...wares, other];
    expect(paperOf(firePapers(needs, both, new Set(['w-other'])))).toMatchObject({ missing: false, papers: ['No. 9'] });
    expect(paperOf(firePapers(needs, both, new Set([first!.id]))).missing).toBe(true);
    // From the store it may be either.
    expect(paperOf(firePapers(needs, both, new Set())).missing).toBe(true);
  });
});
