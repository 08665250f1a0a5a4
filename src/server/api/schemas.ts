import { PRINT_PARTS } from '../../core/formats/print/choice';
import { TEMPLATE_MODES } from '../../core/formats/templates';
import { PAPER_IDS } from '../../core/formats/tiles';
import { ROLES } from '../../core/house';
import { PURCHASE, PURCHASE_STATES } from '../../core/buying';
import { JOB } from '../../core/job';
import { list, plain, record, ref, text, whole, type Json } from './route';

/** What several routes take or answer. */

export const SAVE_ID = text('Made by whoever saves, a UUID: sent again under the same id a save is answered again', {
  pattern: '^[0-9a-f-]{16,40}$',
});

export const PIECE_RECORD = record({
  id: text('Of the piece'),
  revision: whole('Counted up with every change', { minimum: 1 }),
  updatedAt: text('Instant', { format: 'date-time' }),
  canUndo: { type: 'boolean' },
  canRedo: { type: 'boolean' },
  piece: ref('Piece'),
});
export const TICK = record({ unit: whole('Which of the set, from 1', { minimum: 1 }), step: text('Key of a step of the run sheet') });
export const MEMBER = record({ id: text('Of the member'), name: text('As they are called'), role: { enum: ROLES.map(({ id }) => id) } });
export const BACKUP = record({ name: text('Of the file'), madeAt: text('Instant', { format: 'date-time' }), size: whole('Bytes') });

export const JOB_RECORD = record({
  id: text('Of the job'),
  revision: whole('Counted up with every change', { minimum: 1 }),
  updatedAt: text('Instant', { format: 'date-time' }),
  job: plain(JOB),
  pieces: list(text('Of a piece')),
});
export const ORDER = record({
  id: text('Of the order'),
  supplier: text('From whom'),
  state: { enum: PURCHASE_STATES.map(({ id }) => id) },
  orderedAt: text('Instant', { format: 'date-time' }),
  order: plain(PURCHASE),
});

/** What of a piece is printed, and how. */
export const PRINTED: Record<string, Json> = {
  paper: { enum: PAPER_IDS, default: 'a4' },
  parts: text(`By commas, of ${PRINT_PARTS.map(({ id }) => id).join(', ')}`),
  modes: text(`Templates by commas, as cloth-cover:half; of ${TEMPLATE_MODES.map(({ id }) => id).join(', ')}`),
};
