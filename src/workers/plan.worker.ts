import type { HouseRules } from '../core/house';
import type { Piece } from '../core/piece';
import { sheetView } from '../core/view';

/** What the sheet asks for; the number comes back with the answer. */
export type PlanRequest = { number: number; piece: Piece; house: HouseRules };

self.onmessage = (event: MessageEvent<PlanRequest>) => {
  const { number, piece, house } = event.data;
  self.postMessage({ number, result: sheetView(piece, house) });
};
