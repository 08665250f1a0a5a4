import { expect, it } from 'vitest';
import { freshBin } from '../../core/buying';
import { createSearch, toKeep, type LayGroup } from '../../core/nesting';
import { newPiece } from '../../core/piece';
import { planPiece } from '../../core/plan';
import { sizesOf } from '../../core/sizes';
import { database } from '../../data/database';
import { createPiece, savePiece, type PieceRecord } from '../../data/pieces';
import { furnishAsLodge, listWares } from '../../data/store';
import { asked, answered, servedWorkshop } from '../../testing/served';
import * as buying from './buying';
import { chosenLengths } from './chosen';
import * as cutting from './cutting';

servedWorkshop(furnishAsLodge);

/** What of a thing must be bought, in metres to the tenth. */
const metres = (mm: number): number => Math.ceil(mm / 100 - 1e-9) / 10;

it('one length of cloth everywhere: the cut sheet’s until another lay is chosen, then that lay’s', async () => {
  const ware = listWares(database()).find(
    ({ kind, sold, width, cloth }) => kind === 'cloth' && sold === 'metre' && width === 1400 && cloth,
  )!;
  const start = newPiece('round-seat');
  const record: PieceRecord = createPiece(database(), { ...start, count: 5, cloth: { ...start.cloth, ...ware.cloth!, name: ware.name } });
  const scope = `p-${record.id}`;
  const { piece } = record;
  const planned = sizesOf(planPiece(piece, {}), piece, {}).find(({ key }) => key === 'cloth.length')!.value;
  const bought = async (): Promise<number> =>
    (await answered<buying.BuyView>(200, () => buying.readBuy(new Request('http://127.0.0.1/'), scope))).lines.find(
      (line) => line.ware === ware.id,
    )!.units;
  expect(await bought()).toBe(metres(planned));
  expect(chosenLengths(record)).toEqual({});

  // Cut at a distance of 50 from each other, as somebody may like it: a longer lay.
  const { groups } = await answered<{ groups: LayGroup[] }>(200, () => cutting.readCut(new Request('http://127.0.0.1/'), scope));
  const group = groups.find(({ kind }) => kind === 'cloth')!;
  expect(group.planned! * group.more).toBeCloseTo(planned, 6);
  const fresh = freshBin(ware);
  const search = createSearch({ shapes: group.shapes, stock: [], fresh, gap: 50, repeat: group.repeat, locked: [] });
  search.step(Infinity, 3);
  const lay = toKeep(search.best(), { name: 'Wide apart', group: group.key, tool: 'house', cost: 0 });
  await answered(201, () => cutting.postLay(asked({ lay }), scope));
  const chosen = chosenLengths(record)['cloth.length']!;
  expect(chosen).toBeGreaterThan(planned + 20);
  expect(await bought()).toBe(metres(chosen));

  // Another revision: the lay is out of date, and the cut sheet counts again.
  const saved = savePiece(database(), record.id, { base: 1, piece: { ...piece, count: 6 } });
  expect(saved).toMatchObject({ ok: true });
  expect(chosenLengths({ id: record.id, revision: 2 })).toEqual({});
});
