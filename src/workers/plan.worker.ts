import type { HouseRules } from '../core/house';
import type { Piece } from '../core/piece';
import { sheetView } from '../core/view';

/** What the sheet asks for; the number comes back with the answer. `live` asks for a quick look while something is dragged. */
export type PlanRequest = { number: number; piece: Piece; house: HouseRules; live: boolean };

self.onmessage = (event: MessageEvent<PlanRequest>) => {
  const { number, piece, house, live } = event.data;
  self.postMessage({ number, result: sheetView(piece, house, live) });
};
