import { figuresFor, readerOf } from '../../core/house';
import { priceOf } from '../../core/price';
import { database } from '../../data/database';
import { getHouse } from '../../data/settings';
import { storeView } from '../../data/store';
import { needsFor, together } from './cutting';
import { planning } from '../planning';

/** GET /api/price/SCOPE: what a job, several, or one piece come to. */
export async function readPrice(request: Request, text: string): Promise<Response> {
  const item = together(text);
  const { groups, needs, minutes } = await needsFor(item, request.signal);
  const { wares } = storeView(database());
  const { things, unpriced } = await planning().things({ needs, groups, wares }, request.signal);
  const work = item.pieces.map(({ id, piece }) => ({ id, name: piece.name, count: piece.count, minutes: minutes[id] ?? 0 }));
  const rule = readerOf(figuresFor(getHouse(database()), {}));
  return Response.json({ scope: item.scope, name: item.name, price: priceOf(things, work, rule, unpriced) });
}
