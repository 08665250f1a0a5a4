import { fingerprintOf, type SheetPlan } from '@/core/plan';
import type { send as sendChange } from '@/ui/kit/api';
import type { SheetState, SheetStore } from '../store';

/** Figures that have stood for so long are what somebody reads, ms. */
const REST = 400;

/**
 * Sends the figures that the sheet shows, once they are settled and the piece is saved: what is printed, laid, bought, priced or ticked
 * from then on must come to the same.
 *
 * @param store of the sheet
 * @param send the way to the server
 * @returns a way to stop
 */
export function keepSeen(store: SheetStore, send: typeof sendChange): () => void {
  let timer: ReturnType<typeof setTimeout> | undefined;
  let last: SheetPlan | null = null;
  const look = ({ id, piece, house, settled, status, view }: SheetState): void => {
    if (!settled || status !== 'saved' || !view || view.preview || view.plan === last) return;
    const { plan } = view;
    last = plan;
    clearTimeout(timer);
    timer = setTimeout(() => {
      // Where it does not arrive nothing is compared, as with a piece that nobody has looked at.
      send('PUT', `/api/pieces/${id}/seen`, { piece, house, fingerprint: fingerprintOf(plan) }).catch(() => undefined);
    }, REST);
  };
  look(store.getState());
  const stop = store.subscribe(look);
  return () => {
    clearTimeout(timer);
    stop();
  };
}
